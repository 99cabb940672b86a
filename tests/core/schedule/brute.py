"""The best layout of a small problem, by trying every one."""

from itertools import combinations, product

from tests.core.schedule.checking import wrongs
from weald.core.schedule.problem import Cost, Layout, Placed, Problem, cost


def cheapest(problem: Problem, horizon: int) -> Cost | None:
    """What the best layout costs; none where nothing keeps every rule."""
    best: list[Cost | None] = [None]
    _try(problem, horizon, [], best)
    return best[0]


def _try(problem, horizon, placed, best):
    if len(placed) == len(problem.tasks):
        layout = Layout.of(placed, ())
        if not wrongs(problem, layout):
            found = cost(problem, layout)
            best[0] = found if best[0] is None else min(best[0], found, key=lambda each: each.whole)
        return
    task = problem.tasks[len(placed)]
    ends = {each.task: each.ends for each in placed}
    for begins in range(horizon - task.minutes + 1):
        if any(begins < ends[link.task] + link.least for link in task.after):
            continue
        if any(link.most is not None and begins > ends[link.task] + link.most for link in task.after):
            continue
        until = begins + task.minutes
        for hands, units in product(
            combinations(task.may, task.people), product(*(need.units for need in task.needs))
        ):
            free = all(
                any(w.begins <= begins and until <= w.ends for w in hand.windows)
                for hand in problem.hands
                if hand.id in hands
            )
            clash = any(
                set(each.hands) & set(hands) and each.begins < until and begins < each.ends for each in placed
            )
            if free and not clash:
                one = Placed(task.id, begins, until, until + task.tail, hands, units)
                _try(problem, horizon, [*placed, one], best)
