"""What is to be laid out: tasks, the people and places they take, and when each job is wanted."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property

from weald.core.book.operation import Place

Minute = int
"""Whole minutes from the moment that is laid out from."""


@dataclass(frozen=True, slots=True)
class Window:
    """Time in which somebody is there."""

    begins: Minute
    ends: Minute


@dataclass(frozen=True, slots=True)
class Hand:
    """Somebody who works; ``windows`` in order, none touching the next."""

    id: str
    name: str
    windows: tuple[Window, ...]


@dataclass(frozen=True, slots=True)
class Unit:
    """One press, or all frames, weights, ploughs of a kind.

    :param room: how much it takes at once: books, or millimetres of opening for a press of known opening.
    """

    id: str
    place: Place
    name: str
    room: int


@dataclass(frozen=True, slots=True)
class Need:
    """A place a task takes.

    :param units: those that are large enough for it. ``load``: how much of their room it takes.
    :param held: minutes it goes on standing there once the work is done.
    """

    units: tuple[str, ...]
    load: Mapping[str, int]
    held: int = 0


@dataclass(frozen=True, slots=True)
class Link:
    """A task that comes before another, and how long after its end the other begins.

    :param most: later than that does harm; none where it may wait.
    """

    task: str
    least: int = 0
    most: int | None = None


@dataclass(frozen=True, slots=True)
class Begun:
    """Work under way: it goes on from the moment laid out from, with those who do it."""

    hands: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Pin:
    """A task somebody wants at a certain time, by somebody if that matters."""

    begins: Minute
    hand: str = ""


class TaskId(str):
    """The name of a task among those of all books."""

    __slots__ = ()

    @classmethod
    def of(cls, job: str, operation: str, part: int = 0) -> "TaskId":
        """The name of a part of an operation, the first where nothing else is said."""
        return cls(f"{job}/{operation}/{part}")


@dataclass(frozen=True, slots=True)
class Task:
    """Work done in one go by the same people.

    :param minutes: of work. ``people``: so many at once, of those in ``may``.
    :param earliest: not before. ``latest``: begun later than that, harm is done; it is then done at once.
    :param tail: minutes after its end until what was done is dry and out of the press.
    :param part: which part of its operation it is, from 0, of ``parts``.
    """

    id: str
    job: str
    operation: str
    title: str
    minutes: int
    may: tuple[str, ...]
    people: int = 1
    needs: tuple[Need, ...] = ()
    after: tuple[Link, ...] = ()
    earliest: Minute = 0
    latest: Minute | None = None
    tail: int = 0
    part: int = 0
    parts: int = 1
    begun: Begun | None = None
    pin: Pin | None = None


@dataclass(frozen=True, slots=True)
class Aim:
    """When a job is wanted.

    :param promised: by when it is to be ready. ``group``: jobs of one set are ready together.
    :param dry: when what is done of it already is dry.
    """

    job: str
    promised: Minute | None = None
    group: str = ""
    dry: Minute = 0


@dataclass(frozen=True)
class Problem:
    """Everything that is laid out together; tasks stand behind what they come after."""

    tasks: tuple[Task, ...]
    hands: tuple[Hand, ...]
    units: tuple[Unit, ...]
    aims: tuple[Aim, ...]

    @cached_property
    def by_id(self) -> dict[str, Task]:
        """Tasks by their id."""
        return {task.id: task for task in self.tasks}

    @cached_property
    def of_job(self) -> dict[str, tuple[Task, ...]]:
        """The tasks of each job, in order."""
        found: dict[str, list[Task]] = defaultdict(list)
        for task in self.tasks:
            found[task.job].append(task)
        return {job: tuple(tasks) for job, tasks in found.items()}

    @cached_property
    def groups(self) -> dict[str, tuple[Aim, ...]]:
        """Jobs that are ready together; most are by themselves."""
        found: dict[str, list[Aim]] = defaultdict(list)
        for aim in self.aims:
            found[aim.group or f"job {aim.job}"].append(aim)
        return {name: tuple(aims) for name, aims in found.items()}


@dataclass(frozen=True, slots=True)
class Placed:
    """A task in its place.

    :param until: when what it left to dry or stand is over.
    """

    task: str
    begins: Minute
    ends: Minute
    until: Minute
    hands: tuple[str, ...]
    units: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Layout:
    """Tasks laid over people, places and time; ``left`` are those no time was found for."""

    placed: tuple[Placed, ...]
    left: tuple[str, ...] = ()
    unpinned: tuple[str, ...] = ()
    by_id: Mapping[str, Placed] = field(default_factory=dict, compare=False)

    @classmethod
    def of(cls, placed: Sequence[Placed], left: Sequence[str], unpinned: Sequence[str] = ()) -> "Layout":
        """A layout in the order of time."""
        ordered = sorted(placed, key=lambda each: (each.begins, each.task))
        return cls(tuple(ordered), tuple(left), tuple(unpinned), {each.task: each for each in ordered})


LATE = 20
"""A minute over a promised date counts like so many minutes of everything being ready later."""
FIRST = 10
"""A minute of the day when all is ready counts like so many minutes of any one job being ready later."""
NEVER: Minute = 60 * 24 * 7 * 60
"""What is not laid out counts as ready after so long: later than anything that is."""


def ready_at(problem: Problem, layout: Layout) -> dict[str, Minute]:
    """When each job is ready, dry and out of the press; jobs with something left over are not in it."""
    found = {aim.job: aim.dry for aim in problem.aims}
    for each in layout.placed:
        job = problem.by_id[each.task].job
        found[job] = max(found[job], each.until)
    for name in layout.left:
        found.pop(problem.by_id[name].job, None)
    return found


@dataclass(frozen=True, order=True, slots=True)
class Cost:
    """How good a layout is: first by what counts, then by how soon the jobs are ready on the whole.

    :param counts: minutes until everything is ready, and :data:`LATE` times those over what was promised.
    :param together: the minutes until each job is ready, those of a set when its last is, added up.
    :param ready: minutes for getting things ready: shears, glue, a press.
    """

    counts: int
    together: int
    ready: int = 0

    @property
    def whole(self) -> int:
        """All in one figure, as layouts are compared."""
        return FIRST * self.counts + self.together + self.ready


def cost(problem: Problem, layout: Layout) -> Cost:
    """What a layout costs; see :class:`Cost`."""
    ready = ready_at(problem, layout)
    together, late, last_of_all = 0, 0, 0
    for aims in problem.groups.values():
        last = max(ready.get(aim.job, NEVER) for aim in aims)
        together += len(aims) * last
        late += sum(max(0, last - aim.promised) for aim in aims if aim.promised is not None)
        last_of_all = max(last_of_all, last)
    return Cost(last_of_all + LATE * late, together)
