"""Work for which something is got ready once: shears set, glue heated, a press filled."""

from weald.core.bench.step import Step
from weald.core.bench.steps import STEPS
from weald.core.book.operation import Place
from weald.core.schedule.problem import Layout, Minute, Placed, Problem

NEAR: Minute = 120
"""Minutes between two things for which something is still ready."""
GETTING_READY = 10
"""Minutes it is reckoned to save when something need not be got ready again."""
PRESS_LOAD = "One load of the press"


def _got_ready(step: Step) -> str:
    """What is got ready for a step: what it glues with before the place it is done in."""
    if step.danger == "heat":
        return "The tools hot once"
    if step.glue:
        return "One pot of glue"
    if "nipping_press" in step.places:
        return PRESS_LOAD
    return next((words for place, words in _SETTINGS.items() if place in step.places), "")


_SETTINGS: dict[Place, str] = {
    "shears": "One setting of the shears",
    "plough": "One setting of the plough",
}
READY_ONCE = {name: ready for name, step in STEPS.items() if (ready := _got_ready(step))}
"""What is got ready for an operation, where that is worth a word."""


def runs(problem: Problem, layout: Layout) -> list[tuple[str, list[Placed]]]:
    """Work of one kind by the same people, so near in time that what it takes is got ready once."""
    last: dict[tuple[str, tuple[str, ...]], list[Placed]] = {}
    found: list[tuple[str, list[Placed]]] = []
    for each in layout.placed:
        task = problem.by_id[each.task]
        ready = READY_ONCE.get(task.operation)
        if ready is None or task.part or task.begun is not None:
            continue
        run = last.get((ready, each.hands))
        if run is None or each.begins - run[-1].ends > NEAR:
            run = last[ready, each.hands] = []
            found.append((ready, run))
        run.append(each)
    return found
