"""The walk past the stations: each stop reads what those before it wrote, and writes its own part.

The list of stops, which is their order, is in ``core/planning/stops.py``. Between two strokes of a key most
stops read what they read before: such a stop gives the answer it gave then.
"""

from collections import deque
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, field
from typing import Literal, TypeAlias

from weald.core.book.book import Book
from weald.core.drawing import Drawing
from weald.core.findings import Finding
from weald.core.quantities import QuantityId
from weald.core.reckoning import Quantity
from weald.core.station import Station

Part = Literal[
    "folded",
    "printing",
    "press",
    "block",
    "sewing",
    "bound",
    "finish",
    "spine",
    "art",
    "closed",
    "added",
    "stocked",
    "pieces",
    "casing_in",
]
"""What stops write, by its name in the book."""
Group = Literal[
    "title",
    "copies",
    "text",
    "leaf",
    "paper",
    "folding",
    "printing",
    "sewing",
    "back",
    "endpapers",
    "block",
    "binding",
    "finish",
    "artwork",
    "bench",
    "extras",
    "stock",
    "measured",
]
"""What stops read of the job: its groups of entries."""
Question = Literal["drawn", "section", "at_bench"]
"""What else a plan is asked with."""


def nothing_reckoned(book: Book) -> None:
    """Of a stop that writes nothing."""


def nothing_drawn(book: Book) -> Iterable[Drawing]:
    """Of a stop that draws nothing."""
    return ()


def nothing_minded(book: Book) -> Iterable[Finding]:
    """Of a stop that minds nothing."""
    return ()


Said: TypeAlias = tuple[object, ...]
_KEPT = 8
"""Answers a stop keeps: those of the jobs people have before them."""


@dataclass(frozen=True, slots=True, eq=False)
class Answer:
    """What a stop wrote, and what it had read.

    :param said: what was said of the job and of the question; ``read`` the answers that it went by.
    """

    said: Said
    read: tuple["Answer", ...]
    parts: tuple[object, ...]
    quantities: dict[QuantityId, Quantity]

    def answers(self, said: Said, read: tuple["Answer", ...]) -> bool:
        """Whether it would be the same again: what was read the very same, what was said alike."""
        return all(map(_same, self.read, read)) and self.said == said


@dataclass(frozen=True, slots=True)
class Stop:
    """One stop of the walk.

    :param entries: the groups of the job it goes by; ``reads`` the parts, and their quantities in the ledger.
    :param question: what it goes by besides.
    :param writes: the parts it makes, in the ledger with their reasons.
    :param draws: what is to be seen there, as far as it is wanted; ``minds`` what is to be minded.
    """

    station: Station
    entries: tuple[Group, ...] = ()
    reads: tuple[Part, ...] = ()
    writes: tuple[Part, ...] = ()
    reckons: Callable[[Book], None] = nothing_reckoned
    draws: Callable[[Book], Iterable[Drawing]] = nothing_drawn
    minds: Callable[[Book], Iterable[Finding]] = nothing_minded
    question: tuple[Question, ...] = ()
    kept: deque[Answer] = field(default_factory=lambda: deque(maxlen=_KEPT), compare=False, repr=False)


def walk(book: Book, stops: Sequence[Stop]) -> Book:
    """The same book, once every stop has written its part.

    :raises weald.core.errors.FoldError: when the sheets cannot be folded so.
    """
    written: dict[Part, Answer] = {}
    for stop in stops:
        if stop.writes:
            answer = _answer(stop, book, tuple(written[part] for part in stop.reads))
            written |= dict.fromkeys(stop.writes, answer)
    return book


def _answer(stop: Stop, book: Book, read: tuple[Answer, ...]) -> Answer:
    """What a stop writes into the book: as it did when it was asked the same lately, or reckoned."""
    said = (
        book.structure,
        book.notation,
        book.ledger.measured,
        *(getattr(book.spec, group) for group in stop.entries),
        *(getattr(book, each) for each in stop.question),
    )
    # others may be answered meanwhile: what is looked through is nobody else's
    for answer in tuple(stop.kept):
        if answer.answers(said, read):
            book.ledger.quantities |= answer.quantities
            for part, value in zip(stop.writes, answer.parts, strict=True):
                setattr(book, part, value)
            return answer
    before = dict(book.ledger.quantities)
    stop.reckons(book)
    found = {key: each for key, each in book.ledger.quantities.items() if before.get(key) is not each}
    answer = Answer(said, read, tuple(getattr(book, part) for part in stop.writes), found)
    stop.kept.appendleft(answer)
    return answer


def _same(one: object, other: object) -> bool:
    return one is other
