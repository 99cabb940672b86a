"""What is done in one go, and the sheet of it for the wall."""

import io
import random
from datetime import UTC, datetime, timedelta
from itertools import pairwise

import pypdfium2
import pytest

from tests.core.schedule.made_up import MONDAY, book, workshop
from weald.core.schedule.solve import first_layout
from weald.core.schedule.stints import NEAR, Spell, stints_of
from weald.core.schedule.tasks import pose
from weald.core.schedule.week import Week, letter_of, week_of
from weald.exchange.week_sheet import week_sheet_pdf


def spell(job: str, begins: float, minutes: float, people: tuple[str, ...] = ("ida",), **more: str) -> Spell:
    start = datetime(2026, 3, 2, 9, tzinfo=UTC) + timedelta(minutes=begins)
    operation = more.get("operation", f"op{begins}")
    return Spell(job, operation, "Fold", start, start + timedelta(minutes=minutes), people, (), "laid_out")


def test_work_on_one_book_without_another_between_is_one_go() -> None:
    made = stints_of(
        [spell("a", 0, 10), spell("a", 10, 20), spell("b", 30, 5), spell("a", 35, 5), spell("a", 61, 9)],
        "UTC",
    )
    assert [(each.job, len(each.spells)) for each in made] == [("a", 2), ("b", 1), ("a", 1), ("a", 1)]


def test_a_go_ends_with_the_day_by_the_workshops_clock() -> None:
    late = [spell("a", 60 * 14, 30), spell("a", 60 * 14 + 30, 30)]  # 23:00 and 23:30, universal time
    assert len(stints_of(late, "UTC")) == 1
    assert len(stints_of(late, "Europe/Vienna")) == 1
    assert len(stints_of([spell("a", 60 * 14 + 50, 10), spell("a", 60 * 15, 30)], "UTC")) == 2


def test_two_who_work_together_have_one_go_between_them() -> None:
    both = ("ida", "tom")
    made = stints_of([spell("a", 0, 10, both), spell("a", 10, 10), spell("a", 20, 10, both)], "UTC")
    assert [each.people for each in made] == [both, ("ida",), both]


def laid_out(books: int, people: int) -> tuple[Week, dict[str, str]]:
    chance = random.Random(books)
    kinds = ("flat_case", "rounded_case", "laced_boards", "pamphlet_case")
    at_hand = [book(n, chance.choice(kinds), chance.choice((None, 2, 5, 9))) for n in range(books)]
    place = workshop(people)
    posed = pose(place, at_hand, MONDAY)
    week = week_of(posed, first_layout(posed.problem).layout, at_hand, "UTC", MONDAY)
    return week, {each.id: each.name for each in place.people}


@pytest.mark.parametrize(("books", "people"), [(1, 1), (4, 2), (9, 4)])
def test_stints_hold_every_spell_once_and_nobody_is_in_two(books: int, people: int) -> None:
    week, names = laid_out(books, people)
    assert len({each.id for each in week.stints}) == len(week.stints)
    for stint in week.stints:
        assert (stint.begins, stint.ends) == (stint.spells[0].begins, stint.spells[-1].ends)
        assert {each.job for each in stint.spells} == {stint.job}
        for before, after in pairwise(stint.spells):
            assert timedelta() <= after.begins - before.ends <= NEAR
    for name in names:
        mine = sorted((each for each in week.stints if name in each.people), key=lambda each: each.begins)
        assert all(before.ends <= after.begins for before, after in pairwise(mine))
    ids = {each.id for each in week.stints}
    assert all(wait.after in ids for wait in week.waits if not wait.running)


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize(("books", "people"), [(1, 1), (6, 3), (12, 4)])
def test_a_week_hangs_on_the_wall_on_one_sheet(books: int, people: int, paper: str) -> None:
    week, names = laid_out(books, people)
    content = week_sheet_pdf(week, "Merrow Bindery", "UTC", names, MONDAY.date(), 7, paper)
    with pypdfium2.PdfDocument(io.BytesIO(content)) as document:
        assert len(document) == 1
        words = " ".join(document[0].get_textpage().get_text_bounded().split())
    sunday = MONDAY + timedelta(days=7)
    for stint in week.stints:
        if stint.begins < sunday:
            times = f"{stint.begins:%H:%M}–{stint.ends:%H:%M}"
            assert words.count(times) >= len(stint.people), times
    assert all(job.title in words for job in week.jobs)


def test_every_book_has_a_letter_of_its_own() -> None:
    letters = [letter_of(number) for number in range(80)]
    assert letters[:2] + letters[25:28] == ["A", "B", "Z", "A2", "B2"]
    assert len(set(letters)) == 80
