"""How far a book has come at the bench, reckoned from what happened; nothing else is kept.

Events are only ever added. What the plan does not know any more (an operation that went with another binding)
stays in the log and changes nothing here.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from typing import Literal

from weald.core.book.operation import Operation
from weald.core.errors import WealdError

EventKind = Literal[
    "started", "paused", "done", "undone", "noted", "looked", "unlooked", "measured", "cut", "uncut"
]
"""What can happen: to an operation, to something looked at in it, to a size, to a piece."""
TURNS: frozenset[EventKind] = frozenset(("started", "paused", "done", "undone"))
"""Those that have their turn: what is noted, looked at, measured or cut may come at any time."""
Status = Literal["waits", "ready", "working", "paused", "done"]


@dataclass(frozen=True, slots=True)
class Event:
    """Something that happened at the bench.

    :param at: by the server's clock. ``early``: it was begun against what the plan says, and meant so.
    :param about: the look that was ticked; ``found`` what was found otherwise, in the binder's words.
    """

    kind: EventKind
    operation: str
    at: datetime
    early: bool = False
    about: str = ""
    found: str = ""


@dataclass(frozen=True, slots=True)
class Ticked:
    """Something that was looked at; ``found`` holds what was otherwise than it should be."""

    look: str
    found: str


@dataclass(frozen=True, slots=True)
class Standing:
    """How an operation stands.

    :param worked: seconds of work so far; ``since``: when the present spell of work began.
    :param wait_least, wait_usual: until when it waits, once it is done.
    :param held_by: the operations it still waits for, or whose waits are not over.
    """

    operation: str
    status: Status
    worked: float
    since: datetime | None
    finished: datetime | None
    wait_least: datetime | None
    wait_usual: datetime | None
    held_by: tuple[str, ...]
    early: bool
    ticked: tuple[Ticked, ...] = ()


class TooEarlyError(WealdError):
    """Something would be begun before what it waits for is over; it may be insisted on.

    :ivar held_by: what it waits for.
    """

    def __init__(self, words: str, held_by: tuple[str, ...]) -> None:
        super().__init__(words)
        self.held_by = held_by


class OutOfTurnError(WealdError):
    """Something cannot happen as things stand: ended before it began, or begun twice."""


@dataclass(slots=True)
class _Spell:
    status: Status = "ready"
    worked: float = 0.0
    since: datetime | None = None
    finished: datetime | None = None
    early: bool = False
    ticked: dict[str, str] = field(default_factory=dict)
    recorded: bool = False

    def take(self, event: Event) -> None:
        self.recorded = True
        if event.kind == "looked":
            self.ticked[event.about] = event.found
        elif event.kind == "unlooked":
            self.ticked.pop(event.about, None)
        elif event.kind == "started":
            self.status, self.since, self.finished = "working", event.at, None
            self.early = self.early or event.early
        elif event.kind in ("paused", "done"):
            if self.since is not None:
                self.worked += max(0.0, (event.at - self.since).total_seconds())
            self.since = None
            self.status = "paused" if event.kind == "paused" else "done"
            self.finished = event.at if event.kind == "done" else None
        elif event.kind == "undone":
            self.status, self.worked, self.since, self.finished, self.early = "ready", 0.0, None, None, False
            self.ticked.clear()


def standings(
    operations: Sequence[Operation], events: Iterable[Event], now: datetime
) -> tuple[Standing, ...]:
    """How every operation stands at a moment.

    :param events: in the order in which they were taken in. ``now``: by the same clock.
    """
    spells = {each.id: _Spell() for each in operations}
    now_called = _now_called(operations)
    for event in events:
        for name in now_called.get(event.operation, ()):
            spells[name].take(event)
    _settle_implied(operations, spells)
    by_id = {each.id: each for each in operations}
    return tuple(_standing(each, spells, by_id, now) for each in operations)


def _settle_implied(operations: Sequence[Operation], spells: dict[str, _Spell]) -> None:
    """What was a part of something that is done, or comes too late after it, is done with it."""
    for each in operations:
        if spells[each.id].recorded:
            continue
        ends = [spells[name].finished for name in each.implied_by if name in spells]
        if finished := min((end for end in ends if end is not None), default=None):
            spells[each.id].status, spells[each.id].finished = "done", finished


def _now_called(operations: Sequence[Operation]) -> dict[str, tuple[str, ...]]:
    """By the name an operation had when something happened, what it is now; by today's names, itself."""
    found: dict[str, tuple[str, ...]] = {each.id: (each.id,) for each in operations}
    for each in operations:
        for name in each.formerly:
            if name not in found or found[name] != (name,):
                found[name] = (*found.get(name, ()), each.id)
    return found


def _standing(
    operation: Operation, spells: dict[str, _Spell], by_id: dict[str, Operation], now: datetime
) -> Standing:
    spell = spells[operation.id]
    held_by = tuple(name for name in operation.after if not _is_over(by_id[name], spells[name], now))
    status = "waits" if spell.status == "ready" and held_by else spell.status
    wait = operation.wait if spell.finished else None
    if wait and _is_over(operation, spell, now) and _gone_on(operation, spells, by_id):
        wait = None
    return Standing(
        operation.id,
        status,
        spell.worked,
        spell.since,
        spell.finished,
        spell.finished + timedelta(minutes=wait.least) if wait and spell.finished else None,
        spell.finished + timedelta(minutes=wait.usual) if wait and spell.finished else None,
        held_by,
        spell.early,
        tuple(Ticked(look, found) for look, found in spell.ticked.items()),
    )


def _gone_on(operation: Operation, spells: dict[str, _Spell], by_id: dict[str, Operation]) -> bool:
    """Whether something that waited for it has begun, so that nobody watches its wait any more."""
    return any(operation.id in each.after and spells[each.id].status != "ready" for each in by_id.values())


def _is_over(operation: Operation, spell: _Spell, now: datetime) -> bool:
    if spell.finished is None:
        return False
    least = timedelta(minutes=operation.wait.least) if operation.wait else timedelta()
    return now >= spell.finished + least


def cut_short(operations: Sequence[Operation], events: Iterable[Event]) -> tuple[str, ...]:
    """What is being worked on, or paused, though the plan has no such operation any more."""
    known = _now_called(operations)
    spells: dict[str, _Spell] = {}
    for event in events:
        if event.operation and event.operation not in known:
            spells.setdefault(event.operation, _Spell()).take(event)
    return tuple(name for name, spell in spells.items() if spell.status in ("working", "paused"))


def check(
    operations: Sequence[Operation],
    events: Sequence[Event],
    kind: EventKind,
    operation: str,
    now: datetime,
    insist: bool,
) -> bool:
    """Whether something may happen now; gives whether it is early, and meant so.

    :raises TooEarlyError: when it waits for something, and nobody insists.
    :raises OutOfTurnError: when it cannot happen as things stand.
    """
    by_id = {each.id: each for each in operations}
    if operation not in by_id:
        raise OutOfTurnError("The plan of this book has no such operation any more.")
    stands = next(each for each in standings(operations, events, now) if each.operation == operation)
    if kind not in TURNS:
        return False
    if kind == "started":
        if stands.status in ("working", "done"):
            raise OutOfTurnError("It is begun already, here or on another device.")
        if stands.held_by and not insist:
            raise TooEarlyError(_why_not_yet(by_id, stands, events, now), stands.held_by)
        return bool(stands.held_by)
    if kind == "paused" and stands.status != "working":
        raise OutOfTurnError("Only what is being worked on can be paused.")
    if kind == "done" and stands.status not in ("working", "paused"):
        if stands.held_by and not insist:
            raise TooEarlyError(_why_not_yet(by_id, stands, events, now), stands.held_by)
        return bool(stands.held_by)
    if kind == "undone" and stands.status in ("waits", "ready"):
        raise OutOfTurnError("Nothing of it is done.")
    return False


def _why_not_yet(
    by_id: dict[str, Operation], stands: Standing, events: Sequence[Event], now: datetime
) -> str:
    said = []
    now_stand = {each.operation: each for each in standings(tuple(by_id.values()), events, now)}
    for name in stands.held_by:
        before, held = by_id[name], now_stand[name]
        if held.finished is None or before.wait is None:
            said.append(f"“{before.title}” comes first.")
            continue
        left = held.wait_least - now if held.wait_least else timedelta()
        minutes = max(1, round(left.total_seconds() / 60))
        rule = before.wait.rule or before.wait.ends
        said.append(f"“{before.title}” is still {before.wait.words}, {minutes} min at least. {rule}")
    return " ".join(said)
