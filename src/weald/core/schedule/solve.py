"""A good layout at once, and a better one where there is time: by constraint programming (OR-Tools' CP-
SAT)."""

import math
import random
from collections.abc import Callable, Iterator
from concurrent.futures import Future, ThreadPoolExecutor, wait
from dataclasses import dataclass, replace

from ortools.sat.python import cp_model

from weald.core.schedule.bounds import least_cost
from weald.core.schedule.placing import Doers, Turns, as_doers, place
from weald.core.schedule.problem import FIRST, LATE, Cost, Layout, Placed, Problem, Task, cost
from weald.core.schedule.together import GETTING_READY, runs
from weald.core.schedule.urgency import FAR, usual_turns

Tell = Callable[[int], None]
"""Told a percentage; may raise to stop the work."""
_SHUFFLES = 15
_GATHERINGS = 20
_A_DAY = 24 * 60
_LOOK_SECONDS = 0.2


@dataclass(frozen=True, slots=True)
class Laid:
    """A layout and how good it is.

    :param turns, doers: the order it comes from, and who does what; laid out by them again, what has changed
        moves the least.
    :param least: what counts at the least in any layout.
    """

    layout: Layout
    turns: dict[str, float]
    doers: dict[str, tuple[str, ...]]
    cost: Cost
    least: int

    @property
    def best(self) -> bool:
        """Whether none is better in what counts."""
        return self.cost.counts <= self.least

    @property
    def off(self) -> float:
        """How much at most it is off, as a part of the least."""
        return max(0.0, self.cost.counts / self.least - 1) if self.least else math.inf


def first_layout(problem: Problem, kept: Turns | None = None, shuffles: int = _SHUFFLES) -> Laid:
    """The best of what a few rules of thumb give, and of some changes to it, always the same.

    :param kept: turns somebody liked; they are tried as well.
    """
    tries = [dict(turns) for turns in _rules(problem)]
    if kept:
        tries.append(dict(kept))
    found = min((_laid(problem, turns) for turns in tries), key=lambda each: each.cost.whole)
    chance = random.Random(1)
    order = _job_order(problem, found.layout)
    least = least_cost(problem)
    for _ in range(shuffles if len(order) > 1 else 0):
        if found.cost.counts <= least:
            break
        changed = list(order)
        taken = changed.pop(chance.randrange(len(changed)))
        changed.insert(chance.randrange(len(changed) + 1), taken)
        tried = _laid(problem, _by_job(problem, changed))
        if tried.cost.whole < found.cost.whole:
            found, order = tried, changed
    found = _gathered(problem, found) if shuffles else found
    return replace(found, least=0 if found.layout.left else least)


def _gathered(problem: Problem, found: Laid) -> Laid:
    """The same, with work brought together for which something is got ready, where that costs nobody time."""
    tried = 0
    going = True
    while going:
        going = False
        for turns in _nearer(problem, found):
            tried += 1
            other = _laid(problem, turns)
            if other.cost.whole < found.cost.whole:
                found, going = other, True
                break
            if tried >= _GATHERINGS:
                return found
    return found


def _nearer(problem: Problem, found: Laid) -> Iterator[dict[str, float]]:
    """Turns with a task taken right after another that is got ready for in the same way, soon before it."""
    kinds: dict[str, list[Placed]] = {}
    for ready, parts in runs(problem, found.layout):
        before = kinds.get(ready)
        first = parts[0]
        if before is not None and 0 < first.begins - before[-1].ends < _A_DAY:
            turn = found.turns.get(before[-1].task, float(before[-1].begins))
            yield {**found.turns, first.task: turn + 0.5}
            yield {**found.turns, before[-1].task: found.turns.get(first.task, float(first.begins)) - 0.5}
        kinds[ready] = parts


def better_layout(
    problem: Problem, found: Laid, seconds: float, tell: Tell = lambda _: None, settled: bool = False
) -> Laid:
    """Look for a better layout for so long, or until none can be better.

    :param settled: go on though none is better in what counts, so that single jobs are ready sooner.
    :raises Exception: whatever ``tell`` raises to stop it.
    """
    if (found.best and not settled) or not found.layout.placed:
        return found
    return _Model(problem, found).improve(seconds, tell)


def _laid(problem: Problem, turns: dict[str, float], doers: Doers | None = None) -> Laid:
    layout = place(problem, turns, doers)
    ready = GETTING_READY * len(runs(problem, layout))
    return Laid(layout, turns, as_doers(layout), replace(cost(problem, layout), ready=ready), 0)


def _rules(problem: Problem) -> Iterator[dict[str, float]]:
    """Turns by rules of thumb: what has the least time to spare first, or one job after the other."""
    work = {job: sum(task.minutes * task.people for task in tasks) for job, tasks in problem.of_job.items()}
    promised = {aim.job: aim.promised for aim in problem.aims}
    for far in FAR:
        yield usual_turns(problem, far)
    jobs = list(problem.of_job)
    yield _by_job(problem, sorted(jobs, key=lambda job: work[job]))
    yield _by_job(
        problem,
        sorted(jobs, key=lambda job: (promised[job] is None, promised[job] or 0, work[job])),
    )


def _by_job(problem: Problem, order: list[str]) -> dict[str, float]:
    """Turns that take one job after the other; while one dries the next is worked on."""
    turns: dict[str, float] = {}
    for job in order:
        for task in problem.of_job[job]:
            turns[task.id] = float(len(turns))
    return turns


def _job_order(problem: Problem, layout: Layout) -> list[str]:
    """Jobs in the order in which a layout is through with them."""
    last = dict.fromkeys(problem.of_job, 0)
    for each in layout.placed:
        job = problem.by_id[each.task].job
        last[job] = max(last[job], each.ends)
    return sorted(last, key=lambda job: last[job])


class _Model:
    """The same problem in variables: a beginning for each task, and who and which place it takes."""

    def __init__(self, problem: Problem, found: Laid) -> None:
        self.problem, self.found = problem, found
        self.model = cp_model.CpModel()
        self.horizon = max(each.until for each in found.layout.placed)
        self.begins: dict[str, cp_model.IntVar] = {}
        self.does: dict[str, dict[str, cp_model.IntVar]] = {}
        self.room = {unit.id: unit.room for unit in problem.units}
        self.by_hand: dict[str, list[cp_model.IntervalVar]] = {hand.id: [] for hand in problem.hands}
        self.by_unit: dict[str, list[tuple[cp_model.IntervalVar, int]]] = {
            unit.id: [] for unit in problem.units
        }
        self.there = {
            hand.id: [(each.begins, each.ends) for each in hand.windows if each.begins <= self.horizon]
            for hand in problem.hands
        }
        left = set(found.layout.left)
        self.tasks = [task for task in problem.tasks if task.id not in left]
        for task in self.tasks:
            self._add(task, found.layout.by_id[task.id])
        for task in self.tasks:
            self._link(task)
        self._under_way()
        for intervals in self.by_hand.values():
            self.model.add_no_overlap(intervals)
        for unit in problem.units:
            stands = self.by_unit[unit.id]
            self.model.add_cumulative([each for each, _ in stands], [load for _, load in stands], unit.room)
        self._aim()

    def _add(self, task: Task, at: Placed) -> None:
        if task.begun is not None:
            begins = self.model.new_constant(0)
        elif task.pin is not None and task.id not in self.found.layout.unpinned:
            begins = self.model.new_constant(at.begins)
        else:
            hours = [self._domain(task, name) for name in task.may]
            domain = cp_model.Domain.from_intervals([part for each in hours for part in each])
            begins = self.model.new_int_var_from_domain(domain, task.id)
        self.model.add_hint(begins, at.begins)
        self.begins[task.id] = begins
        self._who(task, at)
        if task.begun is not None:
            return
        for need, stood in zip(task.needs, at.units, strict=True):
            minutes = task.minutes + need.held
            chosen = []
            for name in need.units:
                there = self.model.new_bool_var("")
                self.model.add_hint(there, name == stood)
                chosen.append(there)
                interval = self.model.new_optional_fixed_size_interval_var(begins, minutes, there, "")
                self.by_unit[name].append((interval, need.load[name]))
            self.model.add_exactly_one(chosen)

    def _under_way(self) -> None:
        """What is under way takes people and places from the start, though it be more than they can do."""
        hands: dict[str, int] = {}
        units: dict[str, int] = {}
        for task in self.tasks:
            if task.begun is None:
                continue
            at = self.found.layout.by_id[task.id]
            for name in at.hands:
                hands[name] = max(hands.get(name, 0), at.ends)
            for need, name in zip(task.needs, at.units, strict=True):
                load = min(need.load[name], self.room[name] - units.get(name, 0))
                units[name] = units.get(name, 0) + load
                minutes = task.minutes + need.held
                if load > 0 and minutes:
                    interval = self.model.new_fixed_size_interval_var(0, minutes, "")
                    self.by_unit[name].append((interval, load))
        for name, until in hands.items():
            self.by_hand[name].append(self.model.new_fixed_size_interval_var(0, until, ""))

    def _domain(self, task: Task, name: str) -> list[list[int]]:
        return [
            [max(low, task.earliest), high - task.minutes]
            for low, high in self.there[name]
            if high - task.minutes >= max(low, task.earliest)
        ]

    def _who(self, task: Task, at: Placed) -> None:
        if task.begun is not None:
            return
        begins = self.begins[task.id]
        chosen = self.does[task.id] = dict[str, cp_model.IntVar]()
        for name in task.may:
            does = self.model.new_bool_var("")
            self.model.add_hint(does, name in at.hands)
            chosen[name] = does
            if task.pin is not None and task.pin.hand and task.id not in self.found.layout.unpinned:
                self.model.add(does == int(name in at.hands))
            hours = cp_model.Domain.from_intervals(self._domain(task, name))
            self.model.add_linear_expression_in_domain(begins, hours).only_enforce_if(does)
            self.by_hand[name].append(
                self.model.new_optional_fixed_size_interval_var(begins, task.minutes, does, "")
            )
        self.model.add(sum(chosen.values()) == len(at.hands))

    def _link(self, task: Task) -> None:
        for link in task.after:
            if link.task not in self.begins:
                # begun although what comes before it has no place: that cannot hold it any more
                continue
            ended = self.begins[link.task] + self.problem.by_id[link.task].minutes
            self.model.add(self.begins[task.id] >= ended + link.least)
            if link.most is not None and not self._is_late(task, link.task, link.most):
                self.model.add(self.begins[task.id] <= ended + link.most)

    def _is_late(self, task: Task, before: str, most: int) -> bool:
        """Whether it comes too late already as laid out, after work under way: that cannot be mended."""
        at = self.found.layout.by_id
        return at[task.id].begins > at[before].ends + most

    def _aim(self) -> None:
        left = {self.problem.by_id[name].job for name in self.found.layout.left}
        everything = self.model.new_int_var(0, self.horizon, "")
        total: list[cp_model.LinearExprT] = [FIRST * everything]
        for aims in self.problem.groups.values():
            if any(aim.job in left for aim in aims):
                continue
            last = self.model.new_int_var(0, self.horizon, "")
            for aim in aims:
                self.model.add(last >= aim.dry)
                for task in self.problem.of_job.get(aim.job, ()):
                    self.model.add(last >= self.begins[task.id] + task.minutes + task.tail)
            total.append(len(aims) * last)
            self.model.add(everything >= last)
            for aim in aims:
                if aim.promised is not None:
                    late = self.model.new_int_var(0, self.horizon + max(0, -aim.promised), "")
                    self.model.add(late >= last - aim.promised)
                    total.append(FIRST * LATE * late)
        self.model.minimize(sum(total))

    def improve(self, seconds: float, tell: Tell) -> Laid:
        solver = cp_model.CpSolver()
        solver.parameters.max_time_in_seconds = seconds
        solver.parameters.num_workers = 4
        solver.parameters.random_seed = 1
        with ThreadPoolExecutor(1) as beside:
            solving = beside.submit(solver.solve, self.model)
            try:
                self._watch(solving, seconds, tell)
            except BaseException:
                solver.stop_search()
                raise
        status = solving.result()
        if status == cp_model.MODEL_INVALID:
            raise RuntimeError(f"the order of work is no question to solve: {self.model.validate()}")
        if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            return self.found
        turns = {name: float(solver.value(begins)) for name, begins in self.begins.items()}
        doers = {
            task: tuple(name for name, does in who.items() if solver.boolean_value(does))
            for task, who in self.does.items()
        }
        tried = _laid(self.problem, turns, doers)
        return replace(min(self.found, tried, key=lambda each: each.cost.whole), least=self.found.least)

    def _watch(self, solving: Future[cp_model.CpSolverStatus], seconds: float, tell: Tell) -> None:
        """Tell how far the search has come until it is over."""
        waited = 0.0
        while not wait((solving,), _LOOK_SECONDS).done:
            waited += _LOOK_SECONDS
            tell(min(99, int(100 * waited / seconds)))
