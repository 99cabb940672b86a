"""Exercises with sheets: solvable, of their level, judged by folding; each usual mistake is named."""

import pytest

from tests.core.paper_dummy import pages_on_sheets
from weald.core.errors import SpecError
from weald.core.practice.sheets import (
    fold_to_find,
    judge_fold,
    judge_numbers,
    levels,
    read_folded,
    right_numbers,
    sheet_to_number,
    turned_over,
)

SEEDS = range(1000)


@pytest.mark.parametrize("level", range(1, levels("number") + 1))
def test_a_thousand_sheets_are_numbered_rightly_and_every_usual_mistake_is_named(level: int) -> None:
    seen = set()
    for seed in SEEDS:
        asked = sheet_to_number(level, seed)
        assert asked.last - asked.first + 1 == 2 * asked.columns * asked.rows
        assert (asked.first - 1) % (2 * asked.columns * asked.rows) == 0
        seen.add((asked.folds, asked.first))
        if (asked.folds, asked.first) in seen and seed > 60:
            continue  # the same sheet was judged already
        outer, inner = answer(level, seed)
        verdict = judge_numbers(level, seed, outer, inner)
        assert verdict.right
        assert verdict.read == tuple(range(asked.first, asked.last + 1))
        other_way = (
            [asked.first + asked.last - number for number in outer],
            [asked.first + asked.last - number for number in inner],
        )
        assert judge_numbers(level, seed, *other_way).right, "held the other way up it reads as well"

        backs = judge_numbers(level, seed, outer, turned_over(inner, asked.columns))
        if turned_over(inner, asked.columns) != tuple(inner) and not backs.right:
            assert backs.words.startswith(("The inner side is numbered from the wrong end", "The sides"))
        assert not judge_numbers(level, seed, [None, *outer[1:]], inner).right
        assert "stands nowhere" in judge_numbers(level, seed, [None, *outer[1:]], inner).words
        if len(outer) > 1:
            swapped = [outer[1], outer[0], *outer[2:]]
            wrong = judge_numbers(level, seed, swapped, inner)
            if not wrong.right:
                assert "where" in wrong.words
    assert len(seen) > 3


def answer(level: int, seed: int) -> tuple[list[int], list[int]]:
    """Found by trial with the engine alone: which cell is read when."""
    asked = sheet_to_number(level, seed)
    cells = asked.columns * asked.rows
    marked = judge_numbers(level, seed, range(cells), range(cells, 2 * cells)).read
    place = {mark: asked.first + at for at, mark in enumerate(marked)}
    return [place[mark] for mark in range(cells)], [place[mark] for mark in range(cells, 2 * cells)]


@pytest.mark.parametrize("level", range(1, levels("find") + 1))
def test_a_thousand_numbered_sheets_have_their_fold_among_the_choices(level: int) -> None:
    programmes = set()
    for seed in SEEDS:
        asked = fold_to_find(level, seed)
        verdicts = {chosen: judge_fold(level, seed, chosen) for chosen in asked.choices}
        right = {chosen for chosen, verdict in verdicts.items() if verdict.right}
        assert right
        assert len(asked.choices) == len(set(asked.choices)) >= 2
        assert len(right) < len(asked.choices), "there is something to find"
        programmes |= right
        for chosen, verdict in verdicts.items():
            assert sorted(verdict.read) == list(range(asked.first, asked.last + 1))  # type: ignore[type-var]
            assert verdict.read == read_folded(chosen, asked.outer, asked.inner)
            if not verdict.right:
                assert "where" in verdict.words
    assert len(programmes) >= 2


@pytest.mark.parametrize(
    "programme", ["upright", "level, upright", "upright, level, upright", "level in three, upright"]
)
def test_the_right_numbers_are_those_of_a_dummy_unfolded(programme: str) -> None:
    """The dummy is unfolded from its pages; it knows nothing of the engine that folds."""
    outer, inner = right_numbers(programme, 1)
    leaves = len(outer)
    unfolded = pages_on_sheets(programme, 1, leaves, "inset")
    sides = {"outer": outer, "inner": inner}
    columns = 1 + max(column for _, _, column, _ in unfolded)
    for (_, side, column, row), (page, _) in unfolded.items():
        assert sides[side][row * columns + column] == page


def test_what_is_no_exercise_or_no_answer_is_said() -> None:
    with pytest.raises(SpecError, match="levels from 1"):
        sheet_to_number(99, 1)
    with pytest.raises(SpecError, match="cells on each side"):
        judge_numbers(1, 1, [1], [1, 2])
    with pytest.raises(SpecError, match="that are offered"):
        judge_fold(1, 1, "no such fold")
    assert turned_over((1, 2, 3, 4), 2) == (2, 1, 4, 3)
