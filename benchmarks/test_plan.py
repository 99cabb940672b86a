from itertools import cycle
from typing import Any

import pytest

from benchmarks.yardstick import ROUNDS, usual_milliseconds, within
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.bindings.choosing import structure_choices
from weald.core.folding.imposition import impose
from weald.core.job.patching import with_entry
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES
from weald.core.planning.plan import plan

SQUARE = ["binding", "squares", "head"]


def octavo(pages: int) -> dict[str, Any]:
    return {
        "text": {"pages": pages},
        "folding": {"programme": "upright, level, upright", "sheets_per_section": 1},
        "paper": {"sheet": {"width": 700, "height": 500, "grain": "height"}},
    }


def planning(job: dict[str, Any], **more: Any) -> float:
    """A plan while something is typed that moves no page: another square with every stroke."""
    specs = cycle([read_spec(with_entry(job, SQUARE, 3 + stroke / 10)) for stroke in range(2 * ROUNDS)])
    return usual_milliseconds(lambda: plan(next(specs), **more))


def imposing_anew(job: dict[str, Any]) -> float:
    """A plan while the text grows: every page is placed again."""
    spec = read_spec(job)

    def planned() -> None:
        impose.cache_clear()
        plan(spec)

    return usual_milliseconds(planned)


def test_a_plan_is_ready_within_a_keystroke() -> None:
    took = planning(octavo(320))
    print(f"\nplan of 320 pages in octavo: {took:.1f} ms (budget 7 ms)")
    within(took, 7)


def test_a_long_text_is_imposed_anew_within_a_keystroke() -> None:
    took = imposing_anew(octavo(2000))
    print(f"\nplan of 2000 pages in octavo, imposed anew: {took:.1f} ms (budget 60 ms)")
    within(took, 60)


@pytest.mark.parametrize("structure", [str(name) for name in STRUCTURES])
def test_every_structure_keeps_the_budget(structure: str) -> None:
    job = octavo(320) | {"binding": {"structure": structure}}
    typing, whole = planning(job, drawn=("boards",)), planning(job)
    print(f"\n{structure}: {typing:.1f} ms at a station (budget 5), {whole:.1f} with the bench (budget 10)")
    within(typing, 5)
    within(whole, 10)


USUAL_MIX: dict[str, Any] = {
    "binding": {"structure": "laced_boards", "material": "leather", "cover_thickness": 0.8},
    "extras": {
        "arranged": {"rectos": "5, 33", "blank_versos": "1"},
        "numbered": {"first": 9},
        "plates": {"plates": [{"count": 8, "after": 33}, {"after": 65, "how": "thrown_clear", "width": 430}]},
        "places": {"supports": [{"place": 38}, {"place": 88}, {"place": 140}, {"place": 180}]},
        "ends": {"elements": [{"attached": "sewn"}, {"what": "cloth_joint", "attached": "sewn"}]},
        "backing": {"hammers": [{"face": 30}]},
        "finishing": {
            "types": [{}],
            "tools": [{}],
            "lines": [{"panel": 2}, {"panel": 3, "what": "tool"}, {"panel": 4, "what": "volume"}],
        },
        "jacket": {},
        "slipcase": {},
    },
}


@pytest.mark.parametrize(("station", "budget"), [("sewing", 9), ("finish", 9), ("block", 9), ("bench", 10)])
def test_what_is_added_keeps_the_budget(station: str, budget: float) -> None:
    took = planning(octavo(320) | USUAL_MIX, drawn=(station,))
    print(f"\nnine extras, looked at {station}: {took:.1f} ms (budget {budget} ms)")
    within(took, budget)


def test_what_is_not_used_costs_nothing() -> None:
    ratio = planning(octavo(320) | {"extras": {}}) / planning(octavo(320))
    print(f"\nwith no extra at all: {ratio:.2f} times as long (budget 1.1)")
    within(ratio, 1.1)


def test_structures_are_compared_while_the_dialog_opens() -> None:
    spec = read_spec(octavo(320))
    took = usual_milliseconds(lambda: structure_choices(spec, MILLIMETRES))
    print(f"\nall structures judged: {took:.1f} ms (budget 100 ms)")
    within(took, 100)


def test_cost_grows_no_faster_than_the_pages() -> None:
    few, many = imposing_anew(octavo(1000)), imposing_anew(octavo(8000))
    print(f"\n8 times the pages take {many / few:.1f} times as long (budget 10)")
    within(many / few, 10)
