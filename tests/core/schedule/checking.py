"""Whether a layout keeps every rule, looked at rule by rule, with none of its own code."""

from collections import defaultdict
from itertools import pairwise

from weald.core.schedule.problem import Layout, Problem


def wrongs(problem: Problem, layout: Layout) -> list[str]:
    """Every rule a layout breaks, in words."""
    return [
        *_everything_once(problem, layout),
        *_hands(problem, layout),
        *_units(problem, layout),
        *_order(problem, layout),
        *_fixed(problem, layout),
    ]


def _everything_once(problem, layout):
    seen = [each.task for each in layout.placed] + list(layout.left)
    if sorted(seen) != sorted(task.id for task in problem.tasks):
        yield "not every task once"
    for each in layout.placed:
        task = problem.by_id[each.task]
        if each.ends - each.begins != task.minutes or each.until != each.ends + task.tail:
            yield f"{each.task} takes another time"


def _hands(problem, layout):
    windows = {hand.id: hand.windows for hand in problem.hands}
    busy = defaultdict(list)
    for each in layout.placed:
        task = problem.by_id[each.task]
        if task.begun is not None:
            continue
        if len(set(each.hands)) != task.people or not set(each.hands) <= set(task.may):
            yield f"{each.task} by {each.hands}, who may not or are not enough"
        for name in each.hands:
            busy[name].append((each.begins, each.ends, each.task))
            if not any(w.begins <= each.begins and each.ends <= w.ends for w in windows.get(name, ())):
                yield f"{each.task} outside the hours of {name}"
    for name, spells in busy.items():
        spells.sort()
        for (_, ends, one), (begins, _, other) in pairwise(spells):
            if begins < ends:
                yield f"{name} does {one} and {other} at once"


def _units(problem, layout):
    stands = defaultdict(list)
    for each in layout.placed:
        task = problem.by_id[each.task]
        if len(each.units) != len(task.needs):
            yield f"{each.task} without its place"
        for need, unit in zip(task.needs, each.units, strict=False):
            if unit not in need.units:
                yield f"{each.task} in {unit}, which is too small"
            stands[unit].append((each.begins, each.ends + need.held, need.load[unit]))
    for unit in problem.units:
        for moment, _, _ in stands[unit.id]:
            there = [load for begins, ends, load in stands[unit.id] if begins <= moment < ends]
            if sum(there) > unit.room:
                yield f"{unit.id} holds {sum(there)} of {unit.room} at {moment}"


def _order(problem, layout):
    at = layout.by_id
    for task in problem.tasks:
        if task.id not in at:
            continue
        if task.begun is None and at[task.id].begins < task.earliest:
            yield f"{task.id} before it may"
        for link in task.after:
            if link.task not in at:
                yield f"{task.id} though {link.task} is left out"
                continue
            between = at[task.id].begins - at[link.task].ends
            if between < link.least and task.begun is None:
                yield f"{task.id} {between} after {link.task}, not {link.least}"
            late_anyway = problem.by_id[link.task].begun is not None
            if link.most is not None and between > link.most and not late_anyway:
                yield f"{task.id} {between} after {link.task}, more than {link.most}"


def _fixed(problem, layout):
    at = layout.by_id
    for task in problem.tasks:
        if task.begun is not None and (task.id not in at or at[task.id].begins != 0):
            yield f"{task.id} is under way and was moved"
        if (
            task.pin
            and task.begun is None
            and task.id not in layout.unpinned
            and task.id in at
            and at[task.id].begins != task.pin.begins
        ):
            yield f"{task.id} was pinned elsewhere"
