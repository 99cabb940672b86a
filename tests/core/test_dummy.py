"""The film of the folding, and the dummy to page through."""

from typing import Any

import pytest

from weald.core.drawing import Label
from weald.core.folding.programme import NAMED_PROGRAMMES, parse_programme
from weald.core.job.spec import read_spec
from weald.core.press.dummy import Film, fold_film, openings, true_spreads
from weald.core.press.press import Press, page_numbers, press
from weald.core.press.shift_sheet import draw_shift_sheet

FOLDED = [name for name, text in NAMED_PROGRAMMES.items() if parse_programme(text).folds]


def job(**parts: Any) -> Press:
    return press(read_spec({"text": {"pages": 64}} | parts))


@pytest.mark.parametrize("name", FOLDED)
def test_a_film_turns_every_fold_and_ends_in_one_packet(name: str) -> None:
    film = fold_film(job(folding={"programme": name, "sheets_per_section": 1}), 1, 1)
    folds = parse_programme(name).folds
    assert sorted({step.fold for step in film.steps}) == list(range(1, len(folds) + 1))
    assert len({(pose.x, pose.y) for pose in film.end}) == 1
    assert len(film.cells) == film.columns * film.rows
    for step in film.steps:
        assert 0 < len(step.moved) < len(film.cells)
        assert len(step.symbols) == 2
    assert_words(film)


def assert_words(film: Film) -> None:
    for step in film.steps:
        assert step.words
        assert "meet" in step.words
        assert bool(step.slit) <= bool(step.slit_words)
    assert film.afterwards


def test_what_comes_to_lie_on_top_is_the_first_page() -> None:
    film = fold_film(job(folding={"programme": "octavo", "sheets_per_section": 1}), 1, 1)
    top = max(range(len(film.end)), key=lambda cell: film.end[cell].level)
    assert film.cells[top].outer_page == 1
    lowest = min(range(len(film.end)), key=lambda cell: film.end[cell].level)
    assert film.cells[lowest].outer_page == 16


def test_the_symbols_of_a_fold_lie_on_one_another_after_it() -> None:
    for name in FOLDED:
        film = fold_film(job(folding={"programme": name, "sheets_per_section": 1}), 1, 1)
        for number, step in enumerate(film.steps):
            if number and film.steps[number - 1].fold == step.fold:
                continue  # the second turn of a fold at the thirds
            after = film.steps[number + 1].poses if number + 1 < len(film.steps) else film.end
            places = set()
            for symbol in step.symbols:
                pose = after[symbol.cell]
                right = symbol.right if symbol.side == "inner" else 1 - symbol.right
                across = right if pose.sign_x > 0 else 1 - right
                down = symbol.down if pose.sign_y > 0 else 1 - symbol.down
                places.add((pose.x + across, pose.y + down))
            assert len(places) == 1, (name, step.fold)


def test_slits_of_a_film_border_two_cells_each() -> None:
    film = fold_film(job(folding={"programme": "octavo", "sheets_per_section": 1}), 1, 1)
    assert [len(step.slit) for step in film.steps] == [0, 2, 4]
    (one, border), (other, opposite) = film.steps[1].slit
    assert {border, opposite} == {"left", "right"}
    assert film.cells[one].row == film.cells[other].row == 0


def test_the_section_and_sheet_asked_for_are_shown() -> None:
    made = job(folding={"sheets_per_section": 4})
    second = fold_film(made, 2, 3)
    assert {second.cells[0].inner_page, second.cells[1].inner_page} == {22, 27}
    last = fold_film(made, 99, 99)
    assert {last.cells[0].inner_page, last.cells[1].inner_page} == {56, 57}
    assert "Slip the 4 folded sheets" in second.afterwards
    together = fold_film(job(folding={"gather": "together", "sheets_per_section": 4}), 1, 1)
    assert "folded as one" in together.afterwards


def test_a_section_reads_page_by_page_and_says_where_each_was_printed() -> None:
    made = job(folding={"programme": "quarto", "sheets_per_section": 2})
    shown = openings(made, 2)
    assert (shown[0].left, shown[-1].right) == (None, None)
    pages = [page for each in shown for page in (each.left, each.right) if page]
    assert [page.page for page in pages] == list(range(17, 33))
    assert [(page.sheet, page.side) for page in pages[:4]] == [
        (1, "outer"),
        (1, "inner"),
        (1, "inner"),
        (1, "outer"),
    ]
    assert [each.join for each in shown].count("one_piece") == 1
    assert shown[4].join == "one_piece"


@pytest.mark.parametrize("name", [name for name in FOLDED if name != "concertina"])
@pytest.mark.parametrize("gather", ["inset", "together"])
def test_only_the_middle_of_a_section_is_one_piece(name: str, gather: str) -> None:
    folding = {"programme": name, "sheets_per_section": 2, "gather": gather}
    made = job(folding=folding, text={"pages": 256})
    for section in made.sections:
        shown = openings(made, section.section)
        joined = [number for number, each in enumerate(shown) if each.join == "one_piece"]
        assert joined == [len(shown) // 2]
    spreads = true_spreads(made)
    assert all(left + 1 == right and left % 2 == 0 for left, right in spreads)


def test_leaves_have_no_true_spreads() -> None:
    assert true_spreads(job(folding={"programme": "single leaves 1 by 1"})) == ()


def test_a_dummy_carries_numbers_and_nothing_else() -> None:
    made = job(text={"pages": 7}, folding={"sheets_per_section": 2})
    pages = made.pages(made.sheets[0], "front")
    words = [each.text for each in page_numbers(made.layout, pages).elements if isinstance(each, Label)]
    # eight pages of seven: the last is blank
    assert sorted(words) == ["1", "–"]


def test_the_shift_sheet_has_its_crosses_back_to_back() -> None:
    front, back = (draw_shift_sheet(300, 200, face) for face in ("front", "back"))
    crosses = {
        round((element.points[0][0] + element.points[1][0]) / 2, 3)
        for element in front.elements
        if element.kind == "line" and element.points[0][1] == element.points[1][1]
    }
    scales = {
        round(300 - (element.points[0][0] + element.points[1][0]) / 2, 3)
        for element in back.elements
        if element.kind == "line"
        and element.points[0][1] == element.points[1][1]
        and element.points[1][0] - element.points[0][0] == 12
    }
    assert crosses == scales == {150, 60, 240}
