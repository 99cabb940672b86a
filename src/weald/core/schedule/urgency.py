"""Which task is the most urgent, by a rule of thumb that takes no time."""

from weald.core.schedule.bounds import minutes_behind
from weald.core.schedule.problem import Minute, Problem

FAR: tuple[Minute, ...] = (60 * 24 * 14, 60 * 24 * 7, 60 * 24 * 60)
"""When jobs nobody has promised are taken to be wanted, as they are tried one after the other."""


def usual_turns(problem: Problem, far: Minute = FAR[0]) -> dict[str, float]:
    """The last moment at which each task may begin for its job to be ready as promised: the least goes first.

    :param far: when jobs nobody has promised are wanted.
    """
    behind = minutes_behind(problem)
    wanted = {aim.job: far if aim.promised is None else aim.promised for aim in problem.aims}
    return {task.id: float(wanted[task.job] - task.minutes - behind[task.id]) for task in problem.tasks}
