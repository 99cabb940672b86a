"""The walk past the stations: each stop reads what those before it wrote, and writes its own part.

The list of stops, which is their order, is in ``core/planning/stops.py``.
"""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.book.book import Book
from weald.core.drawing import Drawing
from weald.core.findings import Finding
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
    "added",
    "stocked",
    "pieces",
    "casing_in",
]
"""What stops write, by its name in the book."""


def nothing_reckoned(book: Book) -> None:
    """Of a stop that writes nothing."""


def nothing_drawn(book: Book) -> Iterable[Drawing]:
    """Of a stop that draws nothing."""
    return ()


def nothing_minded(book: Book) -> Iterable[Finding]:
    """Of a stop that minds nothing."""
    return ()


@dataclass(frozen=True, slots=True)
class Stop:
    """One stop of the walk.

    :param reads: the parts it goes by; ``writes`` those it makes, in the ledger with their reasons.
    :param draws: what is to be seen there, as far as it is wanted; ``minds`` what is to be minded.
    """

    station: Station
    reads: tuple[Part, ...] = ()
    writes: tuple[Part, ...] = ()
    reckons: Callable[[Book], None] = nothing_reckoned
    draws: Callable[[Book], Iterable[Drawing]] = nothing_drawn
    minds: Callable[[Book], Iterable[Finding]] = nothing_minded


def walk(book: Book, stops: Sequence[Stop]) -> Book:
    """The same book, once every stop has written its part.

    :raises weald.core.errors.FoldError: when the sheets cannot be folded so.
    """
    for stop in stops:
        stop.reckons(book)
    return book
