"""What is done in one go at the bench, and the wait after it."""

from dataclasses import dataclass
from typing import Literal

from weald.core.job.bench import Work
from weald.core.quantities import QuantityId
from weald.core.records import record
from weald.core.station import Station

Minutes = float
Strand = Literal["sheets", "endpapers", "block", "cover", "book"]
"""What may be worked on side by side: an operation waits for the one before it in its own strand, and for
what its record says it needs."""
Place = Literal["bench", "nipping_press", "lying_press", "weights", "sewing_frame", "plough", "shears"]
PLACES: dict[Place, str] = {
    "bench": "bench",
    "nipping_press": "nipping press",
    "lying_press": "lying press",
    "weights": "boards and weights",
    "sewing_frame": "sewing frame",
    "plough": "plough",
    "shears": "shears",
}
WaitState = Literal["nipped", "tacky", "under_weight", "standing_open", "left_alone", "away"]
WAIT_STATES: dict[WaitState, str] = {
    "nipped": "nipped",
    "tacky": "until tacky",
    "under_weight": "closed, under weight",
    "standing_open": "standing open",
    "left_alone": "left alone",
    "away": "away",
}


def minutes_in_words(minutes: float) -> str:
    """So long, as one says it: “12 min”, “1 h 30”, “12 h”."""
    whole = round(minutes)
    if whole < 90:
        return f"{whole} min"
    hours, rest = divmod(whole, 60)
    return f"{hours} h {rest}" if rest else f"{hours} h"


@record(frozen=True, slots=True)
class Wait:
    """Time in which glue and paper work, and hands need not.

    :param least: minutes before which nothing may go on; ``usual``: what most take; ``lasts``: both in words.
    :param ends: by what touch or look it is over, not only by the clock.
    :param rule: what must not be done meanwhile; empty where nothing is harmed.
    :param harm: whether a longer wait does harm, so that somebody has to be there when it ends.
    """

    state: WaitState
    words: str
    least: Minutes
    usual: Minutes
    lasts: str
    ends: str
    rule: str
    harm: bool
    holds: tuple[Place, ...] = ()


@record(frozen=True, slots=True)
class Glued:
    """An adhesive, and on which face of which piece it goes."""

    adhesive: str
    face: str
    moves: str


@record(frozen=True, slots=True)
class Trouble:
    """What goes wrong: how it shows, and how it is put right.

    :param set_fast: how it is put right where what the operation glues with cannot be moved at all.
    :param minutes: what that takes, put in as a step of its own; nothing where it is no work at the bench.
        ``wait``: until what was put right has dried.
    """

    shows: str
    remedy: str
    set_fast: str = ""
    minutes: Minutes = 10.0
    wait: Minutes = 0.0


@record(frozen=True, slots=True)
class ToHand:
    """A piece an operation takes up, as it was cut, and what it is trimmed to later."""

    piece: str
    label: str
    shown: str
    finished: str
    count: int


@record(frozen=True, slots=True)
class LookAt:
    """Something to look at before going on; ticked by its ``id``, which stays while words follow sizes."""

    id: str
    text: str


@record(frozen=True, slots=True)
class LeftOut:
    """An operation this book does without, and why."""

    id: str
    title: str
    reason: str


@record(frozen=True, slots=True)
class Asked:
    """A size that is measured in an operation, with what to expect.

    :param planned: what is expected as it is typed into a field.
    """

    quantity: QuantityId
    label: str
    expected: str
    measured: bool
    planned: str


@record(frozen=True, slots=True)
class Counts:
    """The size that counts in an operation, and its quantity; none of a piece, width by height."""

    quantity: QuantityId | None
    label: str
    shown: str


@record(frozen=True, slots=True)
class Operation:
    """One thing done at the bench for this book.

    :param why: why it stands here.
    :param minutes: of work for all copies, ``lasts`` the same in words; ``people``: so many at the least.
    :param whole: it must not be interrupted.
    :param after: the operations that have to be done, their waits over, before it.
    :param critical: it lies on the longest way through.
    :param hand: what the left-handed do the other way round; empty for the others.
    :param own: put in by the binder. ``drawing``: the id of the one that belongs to it.
    :param at_once: so many copies at the most before what comes next, which cannot wait; 0 for any number.
    :param work: the kind of work it is; none of what anybody does.
    :param occupies: the ``places`` it takes, in words.
    :param start: minutes from the beginning at the earliest, with as many hands as it takes.
    :param moves: what the hands do, one after the other. ``counts``: the size that counts in it.
    :param station: where its work is planned.
    :param formerly: what it was called, or a part of, when work on the book may have begun; ``implied_by``
        what says that it is done where nothing was recorded of it.
    """

    id: str
    title: str
    why: str
    strand: Strand
    pieces: tuple[ToHand, ...]
    tools: tuple[str, ...]
    glue: tuple[Glued, ...]
    minutes: Minutes
    lasts: str
    people: int
    occupies: tuple[str, ...]
    whole: bool
    after: tuple[str, ...]
    wait: Wait | None
    looks: tuple[LookAt, ...]
    measures: tuple[Asked, ...]
    troubles: tuple[Trouble, ...]
    caution: str
    hand: str = ""
    own: bool = False
    drawing: str = ""
    at_once: int = 0
    start: Minutes = 0.0
    critical: bool = False
    places: tuple[Place, ...] = ()
    work: Work | None = None
    formerly: tuple[str, ...] = ()
    implied_by: tuple[str, ...] = ()
    moves: tuple[str, ...] = ()
    counts: Counts | None = None
    station: Station = "bench"

    @property
    def takes(self) -> Minutes:
        """Minutes from its beginning until what comes after it may begin."""
        return self.minutes + (self.wait.usual if self.wait else 0.0)


@dataclass(frozen=True, slots=True)
class OrderOfWork:
    """The operations of a book, and those it does without."""

    operations: tuple[Operation, ...]
    left_out: tuple[LeftOut, ...]


NO_WORK = OrderOfWork((), ())


SIDES = ("front", "back")


@dataclass(frozen=True, slots=True)
class SheetSize:
    """A size of the sheet, and the quantity it comes from."""

    quantity: QuantityId
    label: str
    shown: str


@dataclass(frozen=True, slots=True)
class CasingIn:
    """The casing-in sheet in words.

    :param sides: the ticks of one side, to be gone through for the front and again for the back.
    :param ends: those after both.
    """

    sizes: tuple[SheetSize, ...]
    sides: tuple[LookAt, ...]
    ends: tuple[LookAt, ...]

    @property
    def ticks(self) -> dict[str, str]:
        """Every tick there is on the sheet, front and back, with its words."""
        both = {f"{look.id}.{side}": look.text for side in SIDES for look in self.sides}
        return both | {look.id: look.text for look in self.ends}
