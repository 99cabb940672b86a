"""The finished book as it stands closed, which everything round it is made for.

A jacket, a slipcase or a box is drawn taut over it: over its *hull*, which bridges the joints.
"""

from weald.core.book.added import ClosedBook
from weald.core.book.book import Book
from weald.core.drawing import Point
from weald.core.reckoning import Term
from weald.core.units import NEGLIGIBLE, Mm

EASE_FACTOR = 1.5
"""Free on every side of what is pushed in, in thicknesses of the covering."""


def reckon_closed_book(book: Book) -> ClosedBook:
    """Enter the sizes of the closed book, once for all that goes round it; each can be measured."""
    if book.closed is None:
        book.closed = _reckon(book)
    return book.closed


def _reckon(book: Book) -> ClosedBook:
    ledger = book.ledger
    cover = book.spec.binding.cover_thickness
    material = ledger.entry("covering", cover, "binding.cover_thickness", "thickness")
    boards = book.bound.sizes.boards is not None
    tall = ledger.ref("board.height" if boards else "cover.height")
    height = ledger.reckon(
        "closed_book.height",
        tall.value + (2 * cover if boards else 0.0),
        "{tall} + 2 × {cover}" if boards else "{tall}",
        {"tall": tall, "cover": material},
        rule="once it is pressed; measure the finished book before anything is cut for it",
    )
    half = book.bound.profile
    deep = max(x for x, _ in half) - min(x for x, _ in half)
    high = _bands_stand_out(book)
    bands = {"bands": ledger.entry("bands stand out", high, "binding.bands")} if high else {}
    width = ledger.reckon(
        "closed_book.width",
        deep + 2 * cover + high,
        "{deep} + 2 × {cover} + {bands}" if high else "{deep} + 2 × {cover}",
        {"deep": ledger.entry("spine to fore-edge", deep, "board.width"), "cover": material, **bands},
    )
    thick = 2 * max(abs(y) for _, y in half)
    thickness = ledger.reckon(
        "closed_book.thickness",
        thick + 2 * cover,
        "{thick} + 2 × {cover}",
        {"thick": ledger.entry("outside of the boards", thick, "block.thickness"), "cover": material},
    )
    return ClosedBook(height, width, thickness)


def _bands_stand_out(book: Book) -> Mm:
    """How far bands stand out behind the spine: as measured, or as thick as the raised cords beneath."""
    spec = book.spec
    if not book.structure.banded or not spec.binding.bands.count:
        return 0.0
    own = spec.extras.bands
    if own and own.high is not None:
        return own.high
    return spec.sewing.support_width if book.sewing.method == "raised_cords" else 0.0


def thick_together(book: Book, others: Mm, entry: str) -> tuple[Mm, str, dict[str, Term]]:
    """The closed book and other volumes beside it: how thick, how that is summed, and from what.

    :param others: thickness of the others together; ``entry`` where it is entered.
    """
    alone = book.ledger.ref("closed_book.thickness")
    if not others:
        return alone.value, "{book}", {"book": alone}
    beside = book.ledger.entry("other volumes", others, entry)
    return alone.value + others, "{book} + {beside}", {"book": alone, "beside": beside}


def ease_of(book: Book, decided: Mm | None) -> Mm:
    """What is free on every side of the book, as decided or one and a half coverings."""
    return EASE_FACTOR * book.spec.binding.cover_thickness if decided is None else decided


def hull(half: tuple[Point, ...]) -> list[Point]:
    """A strip drawn taut over half a profile, from the middle of the spine to the fore-edge.

    :param half: y is less than nothing outwards; what lies nearer the block than the strip is bridged.
    """
    taut: list[Point] = []
    for point in half:
        while len(taut) > 1 and _bridged(taut[-2], taut[-1], point):
            taut.pop()
        taut.append(point)
    return taut


def _bridged(before: Point, here: Point, after: Point) -> bool:
    """Whether a strip from ``before`` to ``after`` passes outside of ``here``."""
    one = (here[0] - before[0], here[1] - before[1])
    other = (after[0] - here[0], after[1] - here[1])
    turn = one[0] * other[1] - one[1] * other[0]
    straight_on = one[0] * other[0] + one[1] * other[1] >= 0
    return turn < -NEGLIGIBLE or (turn <= NEGLIGIBLE and straight_on)


def spine_part(half: tuple[Point, ...]) -> tuple[list[Point], list[Point]]:
    """The taut strip, parted where the spine ends: at its corner, which lies furthest back and out.

    :returns: from the middle of the spine to its edge, and from there to the fore-edge.
    """
    taut = hull(half)
    edge = max(range(len(taut) - 1), key=lambda place: -taut[place][0] - taut[place][1])
    return taut[: edge + 1], taut[edge:]
