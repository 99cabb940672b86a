"""The record of a book: for each operation who did it, when, how long it took, and what was found.

Reckoned from the events alone, like everything else that is said of the work. The record says what
holds: what was undone, measured again or taken back stands in the log only.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from datetime import datetime
from typing import Literal

from weald.core.bench.progress import EventKind
from weald.core.book.operation import Operation, minutes_in_words

LineKind = Literal["noted", "otherwise", "measured", "early", "cut"]


@dataclass(frozen=True, slots=True)
class RecordedEvent:
    """An event as the record takes it.

    :param words: what there is to say of it, for whoever reads; the note, what was found, the size measured.
    :param about: the look, the size or the piece it is about; what is said of it later takes its place.
    :param holds: whether it is so still: a measurement that the job has no more does not hold.
    """

    kind: EventKind
    operation: str
    title: str
    at: datetime
    author: str
    words: str = ""
    early: bool = False
    otherwise: bool = False
    about: str = ""
    holds: bool = True


@dataclass(frozen=True, slots=True)
class RecordLine:
    """Something said of an operation."""

    kind: LineKind
    words: str
    author: str
    at: datetime


@dataclass(frozen=True, slots=True)
class Recorded:
    """What is on record of one operation, or of the book as a whole where ``operation`` is empty.

    :param worked: minutes, ``worked_shown`` in words; ``planned`` likewise, 0 where the plan has it no more.
    """

    operation: str
    title: str
    people: tuple[str, ...]
    begun: datetime | None
    ended: datetime | None
    worked: float
    worked_shown: str
    planned: float
    planned_shown: str
    done: bool
    lines: tuple[RecordLine, ...]


_WORK: frozenset[EventKind] = frozenset(("started", "paused", "done"))
_ABOUT: dict[EventKind, str] = {
    "looked": "look",
    "unlooked": "look",
    "measured": "size",
    "cut": "piece",
    "uncut": "piece",
}
"""What of one thing takes the place of what was said of it before."""


@dataclass(slots=True)
class _Account:
    title: str
    begun: datetime | None = None
    since: datetime | None = None
    ended: datetime | None = None
    seconds: float = 0.0
    done: bool = False
    events: list[RecordedEvent] = field(default_factory=list)

    def take(self, event: RecordedEvent) -> None:
        if event.kind == "undone":
            self.seconds, self.since, self.begun, self.ended, self.done = 0.0, None, None, None, False
            self.events = [each for each in self.events if each.kind in ("noted", "measured", "cut")]
            return
        if event.kind == "started":
            self.begun = self.begun or event.at
            self.since, self.done = event.at, False
        elif event.kind in ("paused", "done"):
            if self.since is not None:
                self.seconds += max(0.0, (event.at - self.since).total_seconds())
            self.since = None
            self.begun = self.begun or event.at
            if event.kind == "done":
                self.ended, self.done = event.at, True
        if about := _ABOUT.get(event.kind):
            self.events = [
                each
                for each in self.events
                if (_ABOUT.get(each.kind), each.about) != (about, event.about) or not event.about
            ]
        if event.holds and event.kind not in ("unlooked", "uncut"):
            self.events.append(event)

    @property
    def lines(self) -> tuple[RecordLine, ...]:
        return tuple(line for event in self.events if (line := _line(event)))

    @property
    def people(self) -> tuple[str, ...]:
        """Who worked on it; of what was only noted or found, who said so."""
        workers = [each.author for each in self.events if each.kind in _WORK]
        return tuple(dict.fromkeys(workers or [each.author for each in self.events]))


def _line(event: RecordedEvent) -> RecordLine | None:
    kind: LineKind | None = None
    if event.kind in ("measured", "cut", "noted"):
        kind = event.kind
    elif event.kind == "looked" and event.otherwise:
        kind = "otherwise"
    elif event.early:
        kind = "early"
    elif event.words and event.kind in _WORK:
        kind = "noted"
    return RecordLine(kind, event.words, event.author, event.at) if kind else None


def record_of(operations: Sequence[Operation], events: Iterable[RecordedEvent]) -> tuple[Recorded, ...]:
    """What is on record, in the order of work; what the plan has no more stands at the end, the book first.

    Operations nothing is known of are left out.
    """
    accounts: dict[str, _Account] = {}
    for event in events:
        accounts.setdefault(event.operation, _Account(event.title)).take(event)
    planned = {each.id: each for each in operations}
    order = ["", *planned, *(name for name in accounts if name not in planned and name)]
    return tuple(
        _recorded(name, accounts[name], planned.get(name))
        for name in order
        if name in accounts and accounts[name].events
    )


def _recorded(name: str, account: _Account, operation: Operation | None) -> Recorded:
    worked, planned = account.seconds / 60, operation.minutes if operation else 0.0
    return Recorded(
        name,
        operation.title if operation else account.title,
        account.people,
        account.begun,
        account.ended,
        round(worked, 1),
        minutes_in_words(worked),
        planned,
        minutes_in_words(planned) if operation else "",
        account.done,
        account.lines,
    )
