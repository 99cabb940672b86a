"""Work for which something is got ready once: shears set, glue heated, a press filled."""

from weald.core.schedule.problem import Layout, Minute, Placed, Problem

NEAR: Minute = 120
"""Minutes between two things for which something is still ready."""
GETTING_READY = 10
"""Minutes it is reckoned to save when something need not be got ready again."""
PRESS_LOAD = "One load of the press"
_GOT_READY: dict[str, tuple[str, ...]] = {
    "One setting of the shears": ("cut_sheets", "cut_boards", "trim_flush"),
    "One setting of the plough": ("trim", "trim_first", "trim_rounded", "trim_in_boards"),
    "One pot of glue": (
        *("glue_up", "line_spine", "laminate", "make_case", "case_in", "cover_book", "tip_endpapers"),
    ),
    PRESS_LOAD: ("press_sections", "weigh_down"),
    "The tools hot once": ("letter",),
}
READY_ONCE = {name: ready for ready, names in _GOT_READY.items() for name in names}
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
