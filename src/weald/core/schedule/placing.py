"""Tasks taken one after the other, each as early as it can be: a layout in milliseconds.

Which comes first is decided by its *turn*. The same turns give the same layout, so that what changes at
the bench moves only what it has to.
"""

import heapq
from bisect import bisect_left, bisect_right
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import replace
from operator import itemgetter

from weald.core.schedule.knots import knots
from weald.core.schedule.problem import Hand, Layout, Minute, Placed, Problem, Task

Turns = Mapping[str, float]
Doers = Mapping[str, tuple[str, ...]]
"""Who was to do a task as it was laid out before."""
_PATIENCE = 240
"""Minutes a task waits for them, before others do it who could earlier."""
_MOST_TRIES = 400


_begin, _end = itemgetter(0), itemgetter(1)


class Free:
    """The time somebody has left."""

    def __init__(self, hand: Hand) -> None:
        self.gaps = [(window.begins, window.ends) for window in hand.windows]

    def next(self, earliest: Minute, minutes: int) -> Minute | None:
        """The first time from ``earliest`` on with so many minutes in one piece."""
        first = max(0, bisect_right(self.gaps, (earliest, 1 << 40)) - 1)
        for place in range(first, len(self.gaps)):
            begins, ends = self.gaps[place]
            begins = max(begins, earliest)
            if ends - begins >= minutes:
                return begins
        return None

    def take(self, begins: Minute, ends: Minute) -> None:
        """Use up time; what lies outside the hours is nobody's to give and is left alone."""
        first = bisect_right(self.gaps, begins, key=_end)
        last = bisect_left(self.gaps, ends, lo=first, key=_begin)
        parts = [
            part
            for low, high in self.gaps[first:last]
            for part in ((low, begins), (ends, high))
            if part[0] < part[1]
        ]
        # how things stood is kept by its list: it is never changed in place
        self.gaps = [*self.gaps[:first], *parts, *self.gaps[last:]]


class _Taken:
    """What stands in a press, on a frame, under weights."""

    def __init__(self, room: int) -> None:
        self.room = room
        self.stands: list[tuple[Minute, Minute, int]] = []

    def next(self, earliest: Minute, minutes: int, load: int) -> Minute:
        """The first time from ``earliest`` on with room for so long."""
        begins = earliest
        while True:
            later = self._in_the_way(begins, begins + minutes, load)
            if later is None:
                return begins
            begins = later

    def _in_the_way(self, begins: Minute, ends: Minute, load: int) -> Minute | None:
        """When to try again; none where there is room."""
        during = [each for each in self.stands if each[0] < ends and begins < each[1]]
        for moment in (begins, *(each[0] for each in during if each[0] > begins)):
            there = [each for each in during if each[0] <= moment < each[1]]
            if sum(each[2] for each in there) + load > self.room:
                return min(each[1] for each in there)
        return None


class _Bench:
    """Who and what is taken while a layout grows; a try can be taken back."""

    def __init__(self, problem: Problem, doers: Doers) -> None:
        self.doers = doers
        self.free = {hand.id: Free(hand) for hand in problem.hands}
        self.taken = {unit.id: _Taken(unit.room) for unit in problem.units}
        self.placed: dict[str, Placed] = {}

    def find(self, task: Task, earliest: Minute, last: str) -> Placed | None:
        """Where a task fits first; ``last`` did the one before it and is asked before the others."""
        begins = earliest
        while True:
            found = self._hands(task, begins, last)
            if found is None:
                return None
            begins, hands = found
            later, units = self._units(task, begins)
            if later == begins:
                ends = begins + task.minutes
                return Placed(task.id, begins, ends, ends + task.tail, hands, units)
            begins = later

    def _hands(self, task: Task, earliest: Minute, last: str) -> tuple[Minute, tuple[str, ...]] | None:
        begins = earliest
        while True:
            times = [
                (at, name != last, place, name)
                for place, name in enumerate(task.may)
                if (at := self.free[name].next(begins, task.minutes)) is not None
            ]
            if len(times) < task.people:
                return None
            times.sort()
            if (kept := self._as_before(task, times)) is not None:
                return kept
            latest = times[task.people - 1][0]
            if latest == times[0][0]:
                return latest, tuple(name for _, _, _, name in times[: task.people])
            begins = latest

    def _as_before(
        self, task: Task, times: list[tuple[Minute, bool, int, str]]
    ) -> tuple[Minute, tuple[str, ...]] | None:
        """Who was to do it, if that is not much later; the times are in order."""
        doers = self.doers.get(task.id, ())
        at = {name: begins for begins, _, _, name in times if name in doers}
        if task.people != 1 or len(at) != 1:
            return None
        ((name, begins),) = at.items()
        return (begins, (name,)) if begins <= times[0][0] + _PATIENCE else None

    def _units(self, task: Task, begins: Minute) -> tuple[Minute, tuple[str, ...]]:
        """When all places have room from ``begins`` on, and which."""
        later, chosen = begins, []
        for need in task.needs:
            at, unit = min(
                (self.taken[name].next(begins, task.minutes + need.held, need.load[name]), name)
                for name in need.units
            )
            later = max(later, at)
            chosen.append(unit)
        return later, tuple(chosen)

    def put(self, task: Task, placed: Placed) -> None:
        """Take what a placed task takes."""
        for name in placed.hands:
            self.free[name].take(placed.begins, placed.ends)
        for need, unit in zip(task.needs, placed.units, strict=True):
            self.taken[unit].stands.append((placed.begins, placed.ends + need.held, need.load[unit]))
        self.placed[task.id] = placed

    def kept(self) -> tuple[dict[str, list[tuple[int, int]]], dict[str, int], dict[str, Placed]]:
        """How things stand, to come back to."""
        return (
            {name: free.gaps for name, free in self.free.items()},
            {name: len(taken.stands) for name, taken in self.taken.items()},
            dict(self.placed),
        )

    def back_to(
        self, kept: tuple[dict[str, list[tuple[int, int]]], dict[str, int], dict[str, Placed]]
    ) -> None:
        """As it stood."""
        for name, gaps in kept[0].items():
            self.free[name].gaps = gaps
        for name, count in kept[1].items():
            del self.taken[name].stands[count:]
        self.placed = kept[2]


def place(problem: Problem, turns: Turns, doers: Doers | None = None) -> Layout:
    """Lay tasks out, those whose turn is lower first, each as early as it can be.

    :param turns: by task; what has none comes last, in the order of the tasks.
    :param doers: who was to do what; they keep it unless somebody else could much earlier.
    """
    lost: list[str] = []
    while True:
        placing = _Placing(problem, turns, doers or {}, lost)
        layout = placing.run()
        if not placing.lost:
            return Layout.of(layout.placed, layout.left, lost)
        lost += placing.lost


class _Placing:
    """One try. ``unpinned`` are the tasks whose wishes cannot be kept; ``lost`` those found out on the
    way."""

    def __init__(self, problem: Problem, turns: Turns, doers: Doers, unpinned: Sequence[str]) -> None:
        self.problem, self.bench = problem, _Bench(problem, doers)
        place_of = {task.id: number for number, task in enumerate(problem.tasks)}
        last = max(turns.values(), default=0.0) + 1.0
        self.turn = {task.id: (turns.get(task.id, last), place_of[task.id]) for task in problem.tasks}
        self.left: set[str] = set()
        self.unpinned, self.lost = frozenset(unpinned), list[str]()
        self.pinned: dict[str, Placed] = {}

    def run(self) -> Layout:
        for task in self.problem.tasks:
            if task.begun is not None:
                self._go_on(task)
        for task in self.problem.tasks:
            if task.pin is not None and task.begun is None and task.id not in self.unpinned:
                self._reserve(task)
        knot_of, members = self._knots()
        waiting = {
            knot: {knot_of[link.task] for task in tasks for link in task.after} - {knot}
            for knot, tasks in members.items()
        }
        following: dict[int, list[int]] = defaultdict(list)
        for knot, before in waiting.items():
            for other in before:
                following[other].append(knot)
        ready = [(self._first(members[knot]), knot) for knot, before in waiting.items() if not before]
        heapq.heapify(ready)
        while ready:
            _, knot = heapq.heappop(ready)
            self._place(members[knot])
            for other in following[knot]:
                waiting[other].discard(knot)
                if not waiting[other]:
                    heapq.heappush(ready, (self._first(members[other]), other))
        return Layout.of(list(self.bench.placed.values()), sorted(self.left))

    def _knots(self) -> tuple[dict[str, int], dict[int, list[Task]]]:
        """Tasks that hang together because a wait between them may not grow: they are placed in one."""
        knot_of = knots(self.problem.tasks)
        members: dict[int, list[Task]] = defaultdict(list)
        for task in self.problem.tasks:
            members[knot_of[task.id]].append(task)
        return knot_of, members

    def _first(self, tasks: Sequence[Task]) -> tuple[float, int]:
        return min(self.turn[task.id] for task in tasks)

    def _go_on(self, task: Task) -> None:
        """What is under way stays so, whatever the hours say."""
        hands = task.begun.hands if task.begun else ()
        _, units = self.bench._units(task, 0)
        self.bench.put(task, Placed(task.id, 0, task.minutes, task.minutes + task.tail, hands, units))

    def _reserve(self, task: Task) -> None:
        """Keep the time somebody wants a task at, if they and the places are there then."""
        pin = task.pin
        if pin is None:
            return
        may = task.may if not pin.hand else tuple(name for name in task.may if name == pin.hand)
        found = self.bench.find(_with(task, may), max(pin.begins, 0), "") if may else None
        if found is None or found.begins != pin.begins:
            self.lost.append(task.id)
            return
        self.bench.put(task, found)
        del self.bench.placed[task.id]
        self.pinned[task.id] = found

    def _place(self, tasks: Sequence[Task]) -> None:
        todo = [task for task in tasks if task.id not in self.bench.placed]
        if any(link.task in self.left for task in todo for link in task.after):
            self.left |= {task.id for task in todo}
            return
        kept = self.bench.kept()
        earliest = {task.id: task.earliest for task in todo}
        for _ in range(_MOST_TRIES):
            late = self._try(todo, earliest)
            if late is None:
                return
            self.bench.back_to(kept)
            kept = self.bench.kept()
            name, begins = late
            if begins < 0:
                break
            earliest[name] = begins
        self.left |= {task.id for task in todo}

    def _try(self, todo: Sequence[Task], earliest: dict[str, Minute]) -> tuple[str, Minute] | None:
        """Place tasks in order; gives which has to begin later than it did, and when, where one came too
        late.

        Below nought: there is no time for it at all.
        """
        for task in todo:
            from_here = max([earliest[task.id], *(self._after(link.task, link.least) for link in task.after)])
            found = self._pinned(task, from_here) or self.bench.find(task, from_here, self._last(task))
            if found is None:
                return task.id, -1
            if task.id not in self.pinned:
                self.bench.put(task, found)
            self.bench.placed[task.id] = found
            for link in task.after:
                before = self.bench.placed[link.task]
                if link.most is None or found.begins <= before.ends + link.most:
                    continue
                movable = {each.id for each in todo}
                if link.task in movable and link.task not in self.pinned:
                    return link.task, found.begins - link.most - (before.ends - before.begins)
        return None

    def _pinned(self, task: Task, earliest: Minute) -> Placed | None:
        found = self.pinned.get(task.id)
        if found is None or found.begins >= earliest:
            return found
        self.lost.append(task.id)
        del self.pinned[task.id]
        return None

    def _after(self, name: str, least: int) -> Minute:
        return self.bench.placed[name].ends + least

    def _last(self, task: Task) -> str:
        """Who did the part or step before."""
        before = [self.bench.placed[link.task] for link in task.after if link.task in self.bench.placed]
        hands = max(before, key=lambda each: each.ends).hands if before else ()
        return hands[0] if hands else ""


def _with(task: Task, may: tuple[str, ...]) -> Task:
    return replace(task, may=may, people=min(task.people, len(may)))


def as_doers(layout: Layout) -> dict[str, tuple[str, ...]]:
    """Who does what in a layout."""
    return {each.task: each.hands for each in layout.placed}
