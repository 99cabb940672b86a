"""Plain work run beside what is timed, to tell a slow machine from slow code.

In ``./weald test`` every benchmark runs once, small, so that it cannot rot: what it does has to come
out right, and no time counts.
"""

import os
import time
from collections.abc import Callable
from statistics import median

USUAL_MS = 1.25
"""What the yardstick takes on the machine the budgets are meant for, with nothing else running."""
SMALL = os.environ.get("WEALD_BENCH") == "small"
ROUNDS = 1 if SMALL else 15


def of_size(whole: int, small: int) -> int:
    """How much of something: the whole, or a little where no time counts."""
    return small if SMALL else whole


def within(taken: float, budget: float) -> None:
    """Hold what was taken to its budget, where time counts."""
    assert SMALL or taken < budget, f"{taken:.3g} of {budget:g}"


def milliseconds(work: Callable[[], object]) -> float:
    """How long some work takes."""
    began = time.perf_counter()
    work()
    return 1000 * (time.perf_counter() - began)


def slowness() -> float:
    """How many times as long as usual this machine takes just now."""
    return median(milliseconds(_yardstick) for _ in range(3)) / USUAL_MS


def _yardstick() -> None:
    sum(number * number for number in range(20_000))


def usual_milliseconds(work: Callable[[], object]) -> float:
    """How long some work takes on the usual machine: the median of several rounds beside the yardstick."""
    return median(milliseconds(work) / slowness() for _ in range(ROUNDS))
