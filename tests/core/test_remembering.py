"""What is remembered from plan to plan never comes out otherwise than made anew."""

import random

import pytest

from tests.core.made_up_jobs import made_up_job
from weald.core.errors import SpecError
from weald.core.job.spec import JobSpec, read_spec
from weald.core.planning import plan as planning
from weald.core.planning.plan import plan
from weald.core.planning.stops import STOPS
from weald.core.press import drawings as press_drawings
from weald.core.remembering import remembered
from weald.core.stations import block_drawings, folding_drawings
from weald.core.stations import sewing as sewing_station
from weald.core.sums import in_figures

JOBS = 25


def edited(spec: JobSpec, chance: random.Random) -> JobSpec:
    """The same job after a stroke of a key somewhere, or with a group of its entries from another job."""
    edits: list[tuple[str, str, list[object]]] = [
        ("leaf", "height", [180, 210.5]),
        ("printing", "signature_marks", ["letters", "numbers", "none"]),
        ("printing", "bleed", [0, 2]),
        ("folding", "sheets_per_section", [2, 3]),
        ("paper", "grammage", [80, 120]),
        ("binding", "board", [2, 2.5]),
    ]
    data = spec.model_dump()
    if chance.random() < 0.5:
        other = made_up_job(chance)
        group = chance.choice(sorted(set(other) - {"format", "version"}))
        return read_spec(data | {group: other[group]})
    group, entry, values = chance.choice(edits)
    return read_spec(data | {group: data[group] | {entry: chance.choice(values)}})


def test_a_plan_is_the_same_whatever_was_planned_before(monkeypatch: pytest.MonkeyPatch) -> None:
    chance, seen = random.Random(4), list[tuple[JobSpec, planning.Plan]]()
    while len(seen) < JOBS:
        try:
            spec = read_spec(made_up_job(chance))
            for _ in range(3):
                seen.append((spec, plan(spec)))
                spec = edited(spec, chance)
        except SpecError:
            continue
    in_figures.cache_clear()
    for room, names in (
        (folding_drawings, ("_draw_sheets", "_draw_spines")),
        (press_drawings, ("_draw_printed",)),
        (sewing_station, ("draw_strip", "draw_saw_guide")),
        (block_drawings, ("draw_tail",)),
        (planning, ("draw_order",)),
    ):
        for name in names:
            monkeypatch.setattr(room, name, getattr(room, name).__wrapped__)
    for spec, made in seen:
        in_figures.cache_clear()
        for stop in STOPS:
            stop.kept.clear()
        assert plan(spec) == made


def test_so_many_answers_are_remembered() -> None:
    asked: list[tuple[int, str]] = []

    @remembered(2)
    def answer(number: int, word: str) -> str:
        asked.append((number, word))
        return word * number

    for number, word in ((2, "a"), (2, "a"), (3, "a"), (2, "a"), (2, "b"), (3, "a"), (2, "a")):
        assert answer(number, word) == word * number
    assert asked == [(2, "a"), (3, "a"), (2, "b"), (2, "a")]
