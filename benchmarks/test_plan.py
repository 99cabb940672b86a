from typing import Any

import pytest

from benchmarks.yardstick import usual_milliseconds
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.bindings.choosing import structure_choices
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES
from weald.core.planning.plan import plan


def octavo(pages: int) -> dict[str, Any]:
    return {
        "text": {"pages": pages},
        "folding": {"programme": "v h v", "sheets_per_section": 1},
        "paper": {"sheet": {"width": 700, "height": 500, "grain": "height"}},
    }


def planning(job: dict[str, Any]) -> float:
    spec = read_spec(job)
    return usual_milliseconds(lambda: plan(spec))


@pytest.mark.parametrize(("pages", "budget"), [(320, 10), (2000, 60)])
def test_a_plan_is_ready_within_a_keystroke(pages: int, budget: float) -> None:
    took = planning(octavo(pages))
    print(f"\nplan of {pages} pages in octavo: {took:.1f} ms (budget {budget} ms)")
    assert took < budget


@pytest.mark.parametrize("structure", [str(name) for name in STRUCTURES])
def test_every_structure_keeps_the_budget(structure: str) -> None:
    took = planning(octavo(320) | {"binding": {"structure": structure}})
    print(f"\n{structure}: {took:.1f} ms (budget 10 ms)")
    assert took < 10


def test_structures_are_compared_while_the_dialog_opens() -> None:
    spec = read_spec(octavo(320))
    took = usual_milliseconds(lambda: structure_choices(spec, MILLIMETRES))
    print(f"\nall structures judged: {took:.1f} ms (budget 100 ms)")
    assert took < 100


def test_cost_grows_no_faster_than_the_pages() -> None:
    few, many = planning(octavo(1000)), planning(octavo(8000))
    print(f"\n8 times the pages take {many / few:.1f} times as long (budget 10)")
    assert many / few < 10
