"""What is left to do of books at the bench, as tasks to lay out."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime

from weald.core.bench.progress import Standing
from weald.core.book.operation import PLACES, Operation, Wait
from weald.core.schedule.hours import minute_of, windows
from weald.core.schedule.problem import (
    Aim,
    Begun,
    Hand,
    Link,
    Minute,
    Need,
    Pin,
    Problem,
    Task,
    TaskId,
    Unit,
)
from weald.core.schedule.telling import stretch_in_words
from weald.core.schedule.workplace import Equipment, Workplace
from weald.core.units import Mm

_PART = 60
"""Minutes work is laid out in that may be interrupted."""
_MOST_PARTS = 12
_MOST_PIECES = 150
"""Of an edition so large that an operation would come to more stretches, nothing is laid out."""
_LEAST_LEFT = 5
"""Minutes work is taken to need still, though it has taken longer than was planned."""
_BOARD: Mm = 20.0
"""What pressing boards take of a press's opening beside the book."""


@dataclass(frozen=True, slots=True)
class Body:
    """The size of a book as it lies in a press; nought where it is not known."""

    width: Mm = 0.0
    height: Mm = 0.0
    thickness: Mm = 0.0


@dataclass(frozen=True, slots=True)
class WantedAt:
    """When somebody wants an operation begun, and by whom if that matters."""

    begins: datetime
    worker: str = ""


@dataclass(frozen=True, slots=True)
class BookAtHand:
    """A job to be laid out.

    :param doing: who does what is under way, by operation, as they sign in.
    :param group: the set it belongs to; its books are ready together.
    :param tone: the colour of its covering, as ``#rrggbb``; empty where none is known.
    """

    job: str
    title: str
    operations: tuple[Operation, ...]
    standings: tuple[Standing, ...]
    body: Body = Body()
    copies: int = 1
    promised: datetime | None = None
    group: str = ""
    doing: Mapping[str, str] = field(default_factory=dict)
    pins: Mapping[str, WantedAt] = field(default_factory=dict)
    tone: str = ""


@dataclass(frozen=True, slots=True)
class Remark:
    """Something to say of a job before it is laid out: ``code`` with what it is about."""

    code: str
    job: str
    operation: str
    terms: Mapping[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Posed:
    """The question to lay out, and what there is to say of it."""

    problem: Problem
    remarks: tuple[Remark, ...]


def pose(workplace: Workplace, books: Sequence[BookAtHand], now: datetime) -> Posed:
    """What is left of all books, as one problem counted in minutes from ``now``."""
    return _Posing(workplace, now).pose(books)


class _Posing:
    def __init__(self, workplace: Workplace, now: datetime) -> None:
        self.workplace, self.now = workplace, now
        self.hands = tuple(
            Hand(each.id, each.name, windows(each, workplace.zone, now)) for each in workplace.people
        )
        self.longest = {
            hand.id: max((window.ends - window.begins for window in hand.windows), default=0)
            for hand in self.hands
        }
        self.remarks: list[Remark] = []

    def pose(self, books: Sequence[BookAtHand]) -> Posed:
        tasks: list[Task] = []
        aims = []
        for book in books:
            done, left = self._book(book)
            tasks += left
            promised = None if book.promised is None else minute_of(book.promised, self.now)
            aims.append(Aim(book.job, promised, book.group, done))
        units = tuple(_unit(each) for each in self.workplace.equipment)
        return Posed(Problem(tuple(tasks), self.hands, units, tuple(aims)), tuple(self.remarks))

    def _book(self, book: BookAtHand) -> tuple[Minute, list[Task]]:
        """When what is done is dry, and what is left to do."""
        standing = {each.operation: each for each in book.standings}
        tied = _lots(book)
        made: dict[str, list[Task]] = {}
        dry = 0
        for operation in book.operations:
            stands = standing[operation.id]
            if stands.finished is not None:
                if stands.wait_usual is not None:
                    dry = max(dry, minute_of(stands.wait_usual, self.now))
                continue
            made[operation.id] = self._parts(book, operation, stands, made, tied.get(operation.id, 1))
        return dry, [task for tasks in made.values() for task in tasks]

    def _parts(
        self,
        book: BookAtHand,
        operation: Operation,
        stands: Standing,
        made: Mapping[str, list[Task]],
        lots: int,
    ) -> list[Task]:
        """An operation in the stretches it is worked on in."""
        may = self._who(book, operation)
        begun = self._begun(book, operation, stands)
        minutes = max(1, math.ceil(operation.minutes - stands.worked / 60))
        if stands.worked and operation.minutes * 60 - stands.worked < _LEAST_LEFT * 60:
            minutes = _LEAST_LEFT
        lengths = self._lengths(book, operation, minutes, may, begun, lots)
        if len(lengths) > _MOST_PIECES:
            # in one piece nobody is there for long enough: it is left over, and what comes after it
            self._say("too_much", book, operation, lasts=stretch_in_words(minutes))
            lengths = [minutes]
        needs = self._needs(book, operation)
        people = max(1, min(operation.people, len(may)))
        if operation.people > people:
            self._say("alone", book, operation, people=str(operation.people))
        earliest, latest = self._after_what_is_done(book, operation)
        tail = math.ceil(operation.wait.usual) if operation.wait else 0
        pin = book.pins.get(operation.id)
        parts: list[Task] = []
        for number, length in enumerate(lengths):
            first, dries = number == 0, number == len(lengths) - 1 or lots > 1
            parts.append(
                Task(
                    id=TaskId.of(book.job, operation.id, number),
                    job=book.job,
                    operation=operation.id,
                    title=operation.title,
                    minutes=length,
                    may=may,
                    people=people,
                    needs=tuple(Need(each.units, each.load, each.held if dries else 0) for each in needs),
                    after=(*_links(book, operation, made, number), *(Link(each.id) for each in parts[-1:])),
                    earliest=earliest if first else 0,
                    latest=latest if first else None,
                    tail=tail if dries else 0,
                    part=number,
                    parts=len(lengths),
                    begun=begun if first else None,
                    pin=Pin(minute_of(pin.begins, self.now), pin.worker) if pin and first else None,
                )
            )
        return parts

    def _after_what_is_done(self, book: BookAtHand, operation: Operation) -> tuple[Minute, Minute | None]:
        """Not before what was done is ready for it; and by when it must be, where longer does harm."""
        standing = {each.operation: each for each in book.standings}
        by_id = {each.id: each for each in book.operations}
        earliest, latest = 0, None
        for name in operation.after:
            wait, finished = by_id[name].wait, standing[name].finished
            if wait is not None and finished is not None:
                over = minute_of(finished, self.now)
                earliest = max(earliest, over + _least(wait))
                if wait.harm:
                    latest = over + math.ceil(wait.usual)
        return earliest, latest

    def _lengths(
        self,
        book: BookAtHand,
        operation: Operation,
        minutes: int,
        may: tuple[str, ...],
        begun: Begun | None,
        lots: int,
    ) -> list[int]:
        """Work cut into stretches as long as one likes to sit, and no longer than anybody is there.

        What may not be interrupted is cut between copies alone.
        """
        there = max((self.longest[name] for name in may), default=_PART) or _PART
        if lots > _MOST_PIECES:
            return [1] * lots
        if 1 < lots <= _MOST_PIECES:
            return [max(1, length) for length in _shared(minutes, lots)]
        if operation.whole:
            copy = operation.minutes / book.copies
            at_once = max(1, math.floor(min(max(_PART, copy), there) / copy))
            return _even(minutes, math.ceil(at_once * copy))
        stretch = min(max(_PART, math.ceil(minutes / _MOST_PARTS)), there)
        if begun is None:
            return _even(minutes, stretch)
        until = [
            window.ends
            for hand in self.hands
            if hand.id in begun.hands
            for window in hand.windows[:1]
            if window.begins == 0
        ]
        now = min([minutes, stretch, *(max(_LEAST_LEFT, end) for end in until)])
        return [now, *(_even(minutes - now, stretch) if minutes > now else [])]

    def _who(self, book: BookAtHand, operation: Operation) -> tuple[str, ...]:
        """Those who may do it; where nobody does such work, it is said, and anybody is asked."""
        work = operation.work
        there = [each for each in self.workplace.people if self.longest[each.id]]
        may = tuple(each.id for each in there if work not in each.leaves)
        if not may and there:
            self._say("nobody_does", book, operation)
            return tuple(each.id for each in there)
        return may

    def _begun(self, book: BookAtHand, operation: Operation, stands: Standing) -> Begun | None:
        if stands.status != "working":
            return None
        account = book.doing.get(operation.id, "")
        return Begun(tuple(each.id for each in self.workplace.people if account and each.account == account))

    def _needs(self, book: BookAtHand, operation: Operation) -> list[Need]:
        wait = operation.wait
        held = set(wait.holds) if wait else set()
        found = []
        for place in dict.fromkeys((*operation.places, *held)):
            if place == "bench":
                continue
            there = [each for each in self.workplace.equipment if each.place == place]
            fitting = [each for each in there if _takes(each, book.body)]
            if there and not fitting:
                self._say("too_small", book, operation, place=there[0].called)
            if not there:
                self._say("no_place", book, operation, place=PLACES[place])
            if fitting:
                load = {each.id: min(_load(each, book), _unit(each).room) for each in fitting}
                minutes = math.ceil(wait.usual) if wait and place in held else 0
                found.append(Need(tuple(load), load, minutes))
        return found

    def _say(self, code: str, book: BookAtHand, operation: Operation, **terms: str) -> None:
        self.remarks.append(Remark(code, book.job, operation.id, {"title": operation.title, **terms}))


def _even(minutes: int, stretch: int) -> list[int]:
    """In as few parts as are no longer than a stretch."""
    return _shared(minutes, math.ceil(minutes / stretch))


def _shared(minutes: int, count: int) -> list[int]:
    return [minutes // count + (1 if number < minutes % count else 0) for number in range(count)]


def _least(wait: Wait) -> int:
    """Waits that do no harm are laid out as long as they usually are."""
    return math.ceil(wait.least if wait.harm else wait.usual)


def _lots(book: BookAtHand) -> dict[str, int]:
    """For operations tied by a wait that may not grow: in how many lots an edition goes through them.

    As many copies are worked on at once as the next operation gets through before the first is too dry.
    """
    chain: dict[str, str] = {}
    lots: dict[str, int] = {}
    by_id = {each.id: each for each in book.operations}
    for operation in book.operations:
        tied = [name for name in operation.after if (wait := by_id[name].wait) is not None and wait.harm]
        head = chain[operation.id] = chain[tied[0]] if tied else operation.id
        mine = math.ceil(book.copies / operation.at_once) if operation.at_once else 1
        lots[head] = max(lots.get(head, 1), mine)
    return {name: lots[head] for name, head in chain.items()}


def _links(book: BookAtHand, operation: Operation, made: Mapping[str, list[Task]], number: int) -> list[Link]:
    """What a part waits for: the first for the whole of what comes before, each lot for its own lot."""
    by_id = {each.id: each for each in book.operations}
    found = []
    for name in operation.after:
        if name not in made:
            continue
        before, wait = made[name], by_id[name].wait
        if wait is not None and wait.harm and len(before) > 1:
            task = before[min(number, len(before) - 1)]
            found.append(Link(task.id, _least(wait), math.ceil(wait.usual)))
        elif number == 0:
            most = math.ceil(wait.usual) if wait is not None and wait.harm else None
            found.append(Link(before[-1].id, _least(wait) if wait is not None else 0, most))
    return found


def _unit(each: Equipment) -> Unit:
    room = math.floor(each.opening) if each.opening is not None else each.count
    return Unit(each.id, each.place, each.called, max(1, room))


def _load(each: Equipment, book: BookAtHand) -> int:
    if each.opening is None:
        return 1
    return max(1, math.ceil(book.copies * (book.body.thickness + _BOARD)))


def _takes(each: Equipment, body: Body) -> bool:
    """Whether a book lies in it whole, either way round."""
    if each.opening is not None and body.thickness + _BOARD > each.opening:
        return False
    if each.platen_width is None or each.platen_height is None:
        return True
    platen, lies = sorted((each.platen_width, each.platen_height)), sorted((body.width, body.height))
    return all(there >= wanted for there, wanted in zip(platen, lies, strict=True))
