"""What an operation is before it is known for which book: the record every step of the catalogue fills in."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Literal, TypeAlias

from weald.core.adhesives import Joint
from weald.core.bench.pictures.things import Picturing, no_picture
from weald.core.book.book import Book
from weald.core.book.operation import Minutes, Place, Strand, Trouble, WaitState
from weald.core.job.bench import Work
from weald.core.job.lying import Fact
from weald.core.quantities import QuantityId
from weald.core.station import Station

Danger = Literal["blade", "needle", "press", "hammer", "heat", "paring"]
CAUTIONS: dict[Danger, str] = {
    "blade": "Several light cuts along a steel rule with a raised edge, the hand behind the blade, a "
    "cut-resistant glove on the holding hand; the blade covered when laid down. At a guillotine guard and "
    "two-hand control stay on, and one person operates it.",
    "needle": "Needles and awls: pierce into a block, never towards the hand.",
    "press": "Mind fingers in the press; what is above 15 kg is lifted by two.",
    "hammer": "Mind fingers under the hammer and between backing boards.",
    "heat": "Hot glue and finishing tools burn: a cool spot to lay them, and a wet pad to try them on.",
    "paring": "Paring: the skin lies on stone, the free hand behind the knife.",
}
HEAVY = 15_000.0
"""Grams that more than two lift."""
CAUTION_TAIL = " Follow the tool maker's instructions and your workplace's rules."


Counted = Literal["copy", "sheet", "signature"]
"""What minutes of work are counted by."""

STATION_OF: dict[Work | None, Station] = {
    "sheets": "folding",
    "sewing": "sewing",
    "block": "block",
    "boards": "boards",
    "covering": "boards",
    "casing": "boards",
    "lettering": "finish",
    None: "bench",
}
"""Where the work of each kind is planned."""


def no_wait(book: Book) -> None:
    """Nothing has to wait after it."""
    return None


def no_moves(book: Book) -> Iterable[str]:
    """What needs no telling."""
    return ()


def one_person(book: Book) -> int:
    """Most is done by one pair of hands."""
    return 1


def lifting(book: Book) -> int:
    """Hands for a wet covering or a heavy block: two above 350 mm, three above 900 mm or 15 kg, then more."""
    if book.block.height > 1200:
        return 5 if book.block.width > 900 else 4
    if book.block.height > 900 or book.block.leaf_mass > HEAVY:
        return 3
    return 2 if book.block.height > 350 else 1


def at_the_frame(book: Book) -> int:
    """Hands at sewing and rounding: two above 600 mm."""
    return 2 if book.block.height > 600 else 1


def always(book: Book) -> bool:
    """In every book that has the step in its order."""
    return True


@dataclass(frozen=True, slots=True)
class Pause:
    """A wait as the catalogue has it: in minutes of its own, or as the adhesive of a joint has it.

    :param joint: what it waits for; ``until`` which of its times.
    :param floor: minutes it lasts at the least with any adhesive that dries.
    """

    state: WaitState
    ends: str
    rule: str = ""
    harm: bool = False
    minutes: tuple[Minutes, Minutes] | None = None
    joint: Joint | None = None
    until: Literal["tacky", "handled", "through"] = "through"
    holds: tuple[Place, ...] = ()
    floor: Minutes = 0.0


FactsOf: TypeAlias = tuple[Fact, ...] | Callable[[Book], tuple[Fact, ...]]
"""Facts, the same for every book or by the book."""


@dataclass(frozen=True, slots=True)
class Step:
    """One operation of the catalogue. Sentences may hold ``{signature}`` and sizes as ``{board.width}``.

    :param needs: what must be so before it, whatever the book; ``follows``: what is made so first, where this
        book has a step that does.
    :param bars: what must not be so any more: it comes before whatever makes it so, and after what undoes it.
    :param makes: what is so afterwards; ``ends``: what is so no longer.
    :param work: which kind of work it is; none where anybody does it.
    :param when: whether a book has it; ``fixed`` minutes once, and ``rate`` minutes for each of what it is
        counted by, in every copy.
    :param glue: joints, each with the face it is glued on.
    :param measures: sizes that are measured in it, where the book has them.
    :param hand: what is done the other way round by left-handed people; ``mirrors``: all of its picture is.
    :param moves: what the hands do, one after the other, as far as this book has it.
    :param drawing: the id of the one it is best done by. ``picture``: what the hands do, frame by frame.
    :param counts: the size that counts in it, the first of these this book has; a size it measures or cuts
        where none is given.
    :param formerly: ids it had, or was a part of, when work on a book may have begun.
    :param implied_by: steps of which it was a part, or after which it is too late: once one of them is done,
        it counts as done where nothing was recorded of it.
    :param own: put in by the binder; its words are theirs, and stand as they were written.
    """

    id: str
    title: str
    why: str
    strand: Strand
    work: Work | None
    needs: FactsOf = ()
    follows: FactsOf = ()
    bars: FactsOf = ()
    makes: tuple[Fact, ...] = ()
    ends: tuple[Fact, ...] = ()
    when: Callable[[Book], bool] = always
    pieces: tuple[str, ...] = ()
    tools: tuple[str, ...] = ()
    glue: tuple[tuple[Joint, str], ...] = ()
    fixed: Minutes = 5.0
    rate: Minutes | Callable[[Book], Minutes] = 0.0
    of: Counted = "copy"
    people: Callable[[Book], int] = one_person
    places: tuple[Place, ...] = ("bench",)
    whole: bool = False
    wait: Callable[[Book], "Pause | None"] = no_wait
    moves: Callable[[Book], Iterable[str]] = no_moves
    looks: tuple[str, ...] = ()
    measures: tuple[QuantityId, ...] = ()
    troubles: tuple[Trouble, ...] = ()
    danger: Danger | None = None
    hand: str = ""
    mirrors: bool = False
    drawing: str = ""
    picture: Picturing = no_picture
    counts: tuple[QuantityId, ...] = ()
    formerly: tuple[str, ...] = ()
    implied_by: tuple[str, ...] = ()
    own: bool = False
