"""Tasks that cannot be placed one by one, because a wait between two of them may not grow."""

from collections.abc import Sequence

from weald.core.schedule.problem import Task


def knots(tasks: Sequence[Task]) -> dict[str, int]:
    """For each task the number of its knot.

    Two tasks are in one knot when each has a say in when the other begins: a task that must follow soon holds
    the one before it, and whatever lies between the two. These are the strongly connected parts of the graph
    in which such a wait leads both ways (S. R. Kosaraju's two walks).
    """
    onward: dict[str, list[str]] = {task.id: [] for task in tasks}
    back: dict[str, list[str]] = {task.id: [] for task in tasks}
    for task in tasks:
        for link in task.after:
            pairs = [(link.task, task.id)] + ([(task.id, link.task)] if link.most is not None else [])
            for one, other in pairs:
                onward[one].append(other)
                back[other].append(one)
    knot_of: dict[str, int] = {}
    for number, start in enumerate(reversed(_finished(onward))):
        if start in knot_of:
            continue
        stack = [start]
        while stack:
            name = stack.pop()
            if name not in knot_of:
                knot_of[name] = number
                stack += [other for other in back[name] if other not in knot_of]
    return knot_of


def _finished(onward: dict[str, list[str]]) -> list[str]:
    """Names in the order in which a walk through the graph is done with them."""
    seen: set[str] = set()
    done: list[str] = []
    for start in onward:
        stack = [(start, False)]
        while stack:
            name, left = stack.pop()
            if left:
                done.append(name)
            elif name not in seen:
                seen.add(name)
                stack.append((name, True))
                stack += [(other, False) for other in onward[name] if other not in seen]
    return done
