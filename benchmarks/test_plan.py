import time
from typing import Any

import pytest

from weald.core.plan import plan
from weald.core.spec import read_spec

ROUNDS = 15


def octavo(pages: int) -> dict[str, Any]:
    return {
        "text": {"pages": pages},
        "folding": {"programme": "v h v", "sheets_per_section": 1},
        "paper": {"sheet": {"width": 700, "height": 500, "grain": "height"}},
    }


def milliseconds(job: dict[str, Any]) -> float:
    spec = read_spec(job)
    times = []
    for _ in range(ROUNDS):
        began = time.perf_counter()
        plan(spec)
        times.append(1000 * (time.perf_counter() - began))
    return min(times)


@pytest.mark.parametrize(("pages", "budget"), [(320, 10), (2000, 60)])
def test_a_plan_is_ready_within_a_keystroke(pages: int, budget: float) -> None:
    took = milliseconds(octavo(pages))
    print(f"\nplan of {pages} pages in octavo: {took:.1f} ms (budget {budget} ms)")
    assert took < budget


def test_cost_grows_no_faster_than_the_pages() -> None:
    few, many = milliseconds(octavo(1000)), milliseconds(octavo(8000))
    print(f"\n8 times the pages take {many / few:.1f} times as long (budget 10)")
    assert many / few < 10
