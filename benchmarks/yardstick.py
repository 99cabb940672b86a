"""Plain work run beside what is timed, to tell a slow machine from slow code."""

import time
from collections.abc import Callable
from statistics import median

USUAL_MS = 1.25
"""What the yardstick takes on the machine the budgets are meant for, with nothing else running."""
ROUNDS = 15


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
