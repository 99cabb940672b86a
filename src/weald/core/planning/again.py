"""A book made again: what was measured on the first becomes what the next one starts from.

Measurements belong to one book and stay with it. What they say of material and hand goes on: the leaf's
thickness, the thread's swell, the board.
"""

from typing import Any

from weald.core.job.spec import JobSpec, read_spec
from weald.core.planning.plan import Plan

MOST_SWELL = 2.0


def made_again(spec: JobSpec, plan: Plan) -> JobSpec:
    """A new job like this one, starting from what was measured.

    :param plan: of the first book, with its measurements.
    """
    entries: dict[str, Any] = spec.model_dump(mode="json")
    entries["measured"] = {}
    measured = spec.measured
    if calliper := _calliper(plan, measured):
        entries["paper"] |= {"calliper": round(calliper, 4), "stack": None}
    sections = len(plan.sections)
    if "spine.swell" in measured and sections and spec.sewing.thread:
        factor = measured["spine.swell"] / (sections * spec.sewing.thread)
        entries["sewing"]["swell_factor"] = round(min(MOST_SWELL, factor), 3)
    if "board.thickness" in measured:
        entries["binding"]["board"] = round(measured["board.thickness"], 3)
    return read_spec(entries)


def _calliper(plan: Plan, measured: dict[str, float]) -> float | None:
    """A leaf's thickness as measured, or as the pressed text block gives it."""
    if "paper.calliper" in measured:
        return measured["paper.calliper"]
    if "text.thickness" not in measured:
        return None
    leaves = next((each.value for each in plan.quantities if each.id == "text.leaves"), 0.0)
    return measured["text.thickness"] / leaves if leaves else None
