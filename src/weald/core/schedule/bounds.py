"""The least any layout can cost, so that one found can be said to be best, or how far at most it is off."""

import heapq
from bisect import bisect_left
from collections import defaultdict
from collections.abc import Collection, Iterable, Iterator, Mapping
from dataclasses import dataclass

from weald.core.book.operation import Place
from weald.core.schedule.placing import Free
from weald.core.schedule.problem import LATE, Hand, Minute, Problem, Task, Window


def least_cost(problem: Problem) -> int:
    """What counts in any layout at least (:attr:`weald.core.schedule.problem.Cost.counts`).

    Three things hold in every one:

    - No job is ready before its own longest way through, waits and hours included, were everybody there for
      it alone.
    - Work with at least ``q`` minutes of work and waits of its own job behind it is all done ``q`` before
      the end, and all hands together, interrupted at will, need their hours for it. Likewise for the jobs
      promised up to a date: the last of them is late by what is over.
    - What stands in one kind of place goes in one after the other, during somebody's hours, each at least as
      long as the shortest of those looked at; what is still to do comes after that.
    """
    capacity, behind = _Capacity(problem), minutes_behind(problem)
    alone = {aim.job: max(aim.dry, ready_alone(problem, aim.job)) for aim in problem.aims}
    promised = {aim.job: aim.promised for aim in problem.aims if aim.promised is not None}
    last = [_done_by(problem.tasks, behind, capacity), *alone.values()]
    late = [sum(max(0, alone[job] - date) for job, date in promised.items())]
    for date in set(promised.values()):
        tasks = _of(problem, (job for job, other in promised.items() if other <= date))
        late.append(_done_by(tasks, behind, capacity) - date)
    for queue in _queues(problem):
        last.append(max(queue.ready))
        dates = sorted(promised[task.job] for task in queue.tasks if task.job in promised)
        late.append(sum(max(0, ready - date) for ready, date in zip(queue.ready, dates, strict=False)))
    return max(last, default=0) + LATE * max(0, *late)


@dataclass(frozen=True, slots=True)
class _Queue:
    """Tasks of several jobs that stand in one kind of place; when the first, second, … job can be ready."""

    tasks: tuple[Task, ...]
    ready: tuple[Minute, ...]


def _queues(problem: Problem) -> Iterator[_Queue]:
    """For every place, those that stand there at least so long: one task of each job."""
    place_of = {unit.id: unit.place for unit in problem.units}
    rooms = {unit.id: unit.room for unit in problem.units}
    stands: dict[Place, dict[str, tuple[int, int, Task]]] = defaultdict(dict)
    for task in problem.tasks:
        for need in task.needs:
            place, load = place_of[need.units[0]], min(need.load.values())
            length = task.minutes + need.held
            known = stands[place].get(task.job)
            if task.begun is None and (known is None or known[0] < length):
                stands[place][task.job] = (length, load, task)
    for place, by_job in stands.items():
        room = [rooms[unit.id] for unit in problem.units if unit.place == place]
        for least in {length for length, _, _ in by_job.values()}:
            there = [each for each in by_job.values() if each[0] >= least]
            if len(there) > 1:
                load = min(each[1] for each in there)
                yield _queue(problem, least, sum(each // load for each in room), [each[2] for each in there])


def _queue(problem: Problem, least: int, slots: int, tasks: list[Task]) -> _Queue:
    anybody = Free(Hand("", "", _hours_of_all(problem)))
    free = [0] * max(1, slots)
    ready = []
    for _ in tasks:
        begins = anybody.next(heapq.heappop(free), 1)
        if begins is None:
            break
        heapq.heappush(free, begins + least)
        ready.append(min(ready_alone(problem, task.job, task, begins) for task in tasks))
    return _Queue(tuple(tasks), tuple(ready) or (0,))


def _hours_of_all(problem: Problem) -> tuple[Window, ...]:
    """When anybody is there."""
    found: list[Window] = []
    for each in sorted((w for hand in problem.hands for w in hand.windows), key=lambda each: each.begins):
        if found and each.begins <= found[-1].ends:
            found[-1] = Window(found[-1].begins, max(found[-1].ends, each.ends))
        else:
            found.append(each)
    return tuple(found)


def _of(problem: Problem, jobs: Iterable[str]) -> list[Task]:
    return [task for job in jobs for task in problem.of_job.get(job, ())]


def ready_alone(problem: Problem, job: str, held: Task | None = None, until: Minute = 0) -> Minute:
    """When a job could be ready, were everybody there for it alone.

    :param held: a task of it that cannot begin before ``until``.
    """
    free = {hand.id: Free(hand) for hand in problem.hands}
    ends: dict[str, Minute] = {}
    ready = 0
    for task in problem.of_job.get(job, ()):
        begins = max([task.earliest, *(ends.get(link.task, 0) + link.least for link in task.after)])
        if task is held:
            begins = max(begins, until)
        if task.begun is None:
            times = [free[name].next(begins, task.minutes) for name in task.may]
            begins = min((at for at in times if at is not None), default=begins)
        else:
            begins = 0
        ends[task.id] = begins + task.minutes
        ready = max(ready, ends[task.id] + task.tail)
    return ready


def minutes_behind(problem: Problem) -> dict[str, int]:
    """For each task the minutes of work and waits that come after its end at the least."""
    found = {task.id: task.tail for task in problem.tasks}
    for task in reversed(problem.tasks):
        for link in task.after:
            found[link.task] = max(found[link.task], link.least + task.minutes + found[task.id])
    return found


def _done_by(tasks: Collection[Task], behind: Mapping[str, int], capacity: "_Capacity") -> Minute:
    """The least time by which so much work can be done, and what comes after each piece of it."""
    ordered = sorted((task for task in tasks if task.begun is None), key=lambda each: -behind[each.id])
    best, work = 0, 0
    for task in ordered:
        work += task.minutes * task.people
        best = max(best, capacity.reached(work) + behind[task.id])
    return best


class _Capacity:
    """How much all hands together can have done by when."""

    def __init__(self, problem: Problem) -> None:
        hours = [each for hand in problem.hands for each in hand.windows]
        changes: dict[Minute, int] = {}
        for each in hours:
            changes[each.begins] = changes.get(each.begins, 0) + 1
            changes[each.ends] = changes.get(each.ends, 0) - 1
        self.moments: list[Minute] = sorted(changes)
        self.done: list[int] = []
        there, done, last = 0, 0, 0
        for moment in self.moments:
            done += there * (moment - last)
            self.done.append(done)
            there, last = there + changes[moment], moment

    def reached(self, wanted: int) -> Minute:
        """When so many minutes can have been worked; the end of all hours where there are not so many."""
        if wanted <= 0 or not self.moments:
            return 0
        place = bisect_left(self.done, wanted)
        if place >= len(self.done):
            return self.moments[-1]
        before = self.done[place - 1]
        part = (wanted - before) / (self.done[place] - before)
        return int(self.moments[place - 1] + part * (self.moments[place] - self.moments[place - 1]))
