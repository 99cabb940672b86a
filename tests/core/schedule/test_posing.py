"""What is left of books as tasks: hours, what nobody can do, presses too small, editions, evenings."""

import math
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from tests.core.schedule.checking import wrongs
from tests.core.schedule.made_up import MONDAY, book, workshop
from weald.core.bench.progress import Event, standings
from weald.core.job.spec import read_spec
from weald.core.notation import FOR_ANYBODY
from weald.core.planning.plan import plan
from weald.core.schedule.hours import windows
from weald.core.schedule.placing import place
from weald.core.schedule.solve import first_layout
from weald.core.schedule.tasks import Body, BookAtHand, pose
from weald.core.schedule.week import week_of
from weald.core.schedule.workplace import Away, Equipment, Extra, Hours, Worker, Workplace

EVENINGS = tuple(Hours(weekday=day, begins="19:00", ends="21:30") for day in range(5))


def edition(copies: int, structure: str = "rounded_case", **more: object) -> BookAtHand:
    job = {"copies": copies, "binding": {"structure": structure}, **more}
    made = plan(read_spec(job), FOR_ANYBODY, drawn=("bench",))
    return BookAtHand(
        "1", "Edition", made.operations, standings(made.operations, (), MONDAY), Body(150, 216, 16), copies
    )


def alone(hours: tuple[Hours, ...], **more: object) -> Workplace:
    usual = workshop(1)
    worker = usual.people[0].model_copy(update={"hours": hours, **more})
    return usual.model_copy(update={"people": (worker,)})


@pytest.mark.parametrize("structure", ["rounded_case", "flat_case", "laced_boards"])
def test_with_evenings_only_what_is_wet_is_closed_the_same_evening(structure: str) -> None:
    posed = pose(alone(EVENINGS), [book(1, structure)], MONDAY)
    layout = first_layout(posed.problem).layout
    assert layout.left == ()
    assert wrongs(posed.problem, layout) == []
    tied = [
        (layout.by_id[link.task], layout.by_id[task.id])
        for task in posed.problem.tasks
        for link in task.after
        if link.most is not None
    ]
    assert tied
    for before, after in tied:
        evening = next(w for w in posed.problem.hands[0].windows if w.begins <= before.begins < w.ends)
        assert after.ends <= evening.ends


@pytest.mark.parametrize("copies", [1, 7, 40])
def test_an_edition_goes_through_in_lots_that_are_caught_in_time(copies: int) -> None:
    posed = pose(alone(EVENINGS), [edition(copies)], MONDAY)
    layout = first_layout(posed.problem, shuffles=0).layout
    assert layout.left == ()
    assert wrongs(posed.problem, layout) == []
    glued = [task for task in posed.problem.tasks if task.operation == "glue_up"]
    rounded = [task for task in posed.problem.tasks if task.operation == "round"]
    assert len(glued) == len(rounded)
    for one, other in zip(glued, rounded, strict=True):
        between = layout.by_id[other.id].begins - layout.by_id[one.id].ends
        link = next(each for each in other.after if each.task == one.id)
        assert link.most is not None
        assert link.least <= between <= link.most
    cased = [task for task in posed.problem.tasks if task.operation == "case_in"]
    planned = next(each for each in edition(copies).operations if each.id == "case_in").minutes
    assert sum(task.minutes for task in cased) == pytest.approx(planned, abs=1)
    assert all(task.minutes <= 150 for task in cased)


def test_an_edition_too_large_is_said_at_once_and_the_others_are_laid_out() -> None:
    large = replace(edition(5000), job="2")
    posed = pose(workshop(2), [book(1, "flat_case"), large], MONDAY)
    assert len(posed.problem.tasks) < 1500
    layout = place(posed.problem, {})
    assert {posed.problem.by_id[name].job for name in layout.left} == {"2"}
    week = week_of(posed, layout, [book(1, "flat_case"), large], "UTC", MONDAY)
    assert any("so large an edition is not laid out" in words for words in week.remarks)
    assert next(job for job in week.jobs if job.job == "1").ready is not None


def test_what_nobody_does_and_what_is_too_large_is_said_and_laid_out_all_the_same() -> None:
    small = Equipment(id="small", place="nipping_press", platen_width=100, platen_height=100, opening=60)
    place_of = workshop(1)
    person = place_of.people[0].model_copy(update={"leaves": ("sewing",)})
    poor = place_of.model_copy(update={"people": (person,), "equipment": (small,)})
    posed = pose(poor, [replace(book(1, "flat_case"), body=Body(150, 216, 16))], MONDAY)
    said = {(remark.code, remark.operation) for remark in posed.remarks}
    assert ("too_small", "press_sections") in said
    assert ("nobody_does", "sew") in said
    assert any(code == "no_place" for code, _ in said)
    layout = first_layout(posed.problem).layout
    assert layout.left == ()
    week = week_of(posed, layout, [replace(book(1, "flat_case"))], "UTC", MONDAY)
    assert any("too large for the Nipping press" in words for words in week.remarks)
    assert len(week.remarks) == len(set(week.remarks))


def test_a_press_of_known_opening_takes_as_many_as_fit() -> None:
    press = Equipment(id="press", place="nipping_press", opening=80)
    one = workshop(3).model_copy(update={"equipment": (press,)})
    books = [book(number, "flat_case") for number in range(5)]
    posed = pose(one, books, MONDAY)
    layout = place(posed.problem, {})
    assert wrongs(posed.problem, layout) == []
    # 16 of the book and 20 of its boards: two of them in 80, never three
    stands = [
        (each.begins, each.until)
        for each in layout.placed
        if posed.problem.by_id[each.task].operation == "press_sections"
    ]
    most = max(sum(begins <= moment < ends for begins, ends in stands) for moment, _ in stands)
    assert most == 2


def test_hours_with_days_away_and_extra_days() -> None:
    hours = (Hours(weekday=0, begins="9:00", ends="12:00"), Hours(weekday=0, begins="12:00", ends="17:00"))
    away = Away(first=(MONDAY + timedelta(days=7)).date(), last=(MONDAY + timedelta(days=8)).date())
    extra = Extra(day=(MONDAY + timedelta(days=5)).date(), begins="22:00", ends="2:00")
    person = Worker(id="a", name="A", hours=hours, away=(away,), extra=(extra,))
    found = windows(person, "UTC", MONDAY, 3)
    day = 24 * 60
    assert [(w.begins, w.ends) for w in found] == [
        (60, 540),
        (5 * day + 14 * 60, 5 * day + 18 * 60),
        (14 * day + 60, 14 * day + 540),
    ]
    now = MONDAY + timedelta(hours=3)
    assert windows(person, "UTC", now, 1)[0].begins == 0


def test_what_was_worked_is_taken_off_and_a_wait_under_way_is_kept() -> None:
    fresh = book(1, "flat_case")
    now = MONDAY + timedelta(hours=4)
    events = [
        Event("started", "stock_out", MONDAY + timedelta(hours=2)),
        Event("done", "stock_out", MONDAY + timedelta(hours=3)),
        Event("started", "cut_sheets", MONDAY + timedelta(hours=3)),
        Event("paused", "cut_sheets", MONDAY + timedelta(hours=3, minutes=5)),
    ]
    known = replace(fresh, standings=standings(fresh.operations, events, now))
    tasks = pose(workshop(1), [known], now).problem.tasks
    assert "stock_out" not in {task.operation for task in tasks}
    cut = next(task for task in tasks if task.operation == "cut_sheets")
    planned = next(each for each in fresh.operations if each.id == "cut_sheets").minutes
    assert cut.minutes == math.ceil(planned - 5)


@pytest.mark.parametrize("days", [1, 14, 60])
def test_what_is_sent_out_is_looked_at_when_it_is_back(days: int) -> None:
    posed = pose(workshop(1), [edition(1, finish={"by": "elsewhere", "away": days})], MONDAY)
    layout = first_layout(posed.problem).layout
    assert (layout.left, wrongs(posed.problem, layout)) == ((), [])
    named = {task.operation: layout.by_id[task.id] for task in posed.problem.tasks}
    assert named["last_look"].begins >= named["send_out"].ends + days * 24 * 60


def test_a_job_that_is_late_is_first_and_its_words_say_what_it_hangs_on() -> None:
    posed_books = [book(1, "flat_case", 20), book(2, "flat_case", 1)]
    posed = pose(workshop(1), posed_books, MONDAY)
    layout = first_layout(posed.problem).layout
    week = week_of(posed, layout, posed_books, "UTC", MONDAY)
    late = next(job for job in week.jobs if job.job == "2")
    assert late.slack is not None
    assert late.slack < 0
    assert "late by" in late.slack_words
    assert "drying" in late.hangs_on
    assert week.todo[0].job == "2"


def test_through_the_change_of_clocks_a_wait_is_as_long() -> None:
    night = datetime(2026, 3, 28, 17, 0, tzinfo=UTC)
    days = tuple(Hours(weekday=day, begins="0:00", ends="23:59") for day in range(7))
    vienna = alone(days).model_copy(update={"zone": "Europe/Vienna"})
    fresh = replace(book(1, "flat_case"), promised=None)
    posed = pose(vienna, [replace(fresh, standings=standings(fresh.operations, (), night))], night)
    layout = first_layout(posed.problem).layout
    assert wrongs(posed.problem, layout) == []
    dried = layout.by_id["1/dry_closed/0"]
    assert dried.until - dried.ends == 720
