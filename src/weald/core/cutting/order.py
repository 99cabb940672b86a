"""What is to be cut, from what, and how: the question a layout answers."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from weald.core.errors import SpecError
from weald.core.paper import SheetGrain
from weald.core.pieces import PieceGrain
from weald.core.units import TOLERANCE, Mm

SQUARED: Mm = 4.0
"""What is usually cut off along two edges to square a corner: 3 to 5 mm."""
MOST_PIECES = 10_000
MOST_KINDS = 300


@dataclass(frozen=True, slots=True)
class Blank:
    """One kind of piece to cut, at the size it is cut to, allowances included.

    :param grain: the side of the piece its grain has to run along; ``any`` may be turned.
    :param pinned: the stock it has to come from; any of them where empty.
    """

    id: str
    label: str
    width: Mm
    height: Mm
    count: int
    grain: PieceGrain
    pinned: str = ""


@dataclass(frozen=True, slots=True)
class Stock:
    """One kind of sheet, offcut, skin or roll to cut from.

    :param grain: the side it runs along; ``None`` where nobody has tested it, and then only pieces that
        may lie either way are cut from it.
    :param count: how many there are; ``None`` for as many as it takes.
    :param price: of one sheet, or of a metre of the roll.
    :param offcut: left over from cutting before.
    :param square: whether its corner is square already, as that of an offcut and of paper cut at the mill.
    :param roll: cut off across its width; ``height`` is the length that is left, and cloth so sold has
        its warp along it.
    """

    id: str
    label: str
    width: Mm
    height: Mm
    grain: SheetGrain | None
    count: int | None = None
    price: float | None = None
    offcut: bool = False
    square: bool = False
    roll: bool = False


@dataclass(frozen=True, slots=True)
class Shears:
    """How is cut.

    :param square: the strip cut off along two edges first, so that one corner is square.
    :param kerf: what the blade takes away; nothing for a knife, shears or a guillotine.
    :param keep_short: an offcut is kept when its shorter side is at least this long,
    :param keep_long: and its longer side this.
    :param prefer_offcuts: count offcuts at half their area, so that they go first.
    """

    square: Mm = SQUARED
    kerf: Mm = 0.0
    keep_short: Mm = 50.0
    keep_long: Mm = 150.0
    prefer_offcuts: bool = True


@dataclass(frozen=True, slots=True)
class CuttingOrder:
    """Pieces to be cut from a shelf of stock."""

    blanks: tuple[Blank, ...]
    stock: tuple[Stock, ...]
    shears: Shears = Shears()


def ways(blank: Blank, stock: Stock) -> list[bool]:
    """The ways a piece may lie on this stock: upright (``False``), turned (``True``), both or none."""
    if blank.pinned and blank.pinned != stock.id:
        return []
    if blank.grain == "any":
        return [False] if abs(blank.width - blank.height) < TOLERANCE else [False, True]
    if stock.grain is None:
        return []
    return [blank.grain != stock.grain]


def fits(blank: Blank, stock: Stock, shears: Shears) -> list[bool]:
    """The ways of :func:`ways` in which the piece is also small enough, the first corner squared."""
    width, height = usable(stock, shears)
    return [
        turned
        for turned in ways(blank, stock)
        if (blank.height if turned else blank.width) <= width + TOLERANCE
        and (blank.width if turned else blank.height) <= height + TOLERANCE
    ]


def usable(stock: Stock, shears: Shears) -> tuple[Mm, Mm]:
    """Width and height left once one corner is square."""
    strip = squared_off(stock, shears)
    trim = strip + shears.kerf if strip else 0.0
    return stock.width - trim, stock.height - trim


def squared_off(stock: Stock, shears: Shears) -> Mm:
    """The strip cut off along two edges; nothing where the corner is square already."""
    return 0.0 if stock.square else shears.square


def check_order(order: CuttingOrder) -> None:
    """Refuse what cannot be laid out.

    :raises SpecError: naming each piece or sheet that is wrong, with the remedy.
    """
    check_sizes(order)
    if lost := unplaceable(order):
        raise SpecError({f"blanks.{blank}": text for blank, text in lost.items()})


def check_sizes(order: CuttingOrder) -> None:
    """Refuse pieces, stock and shears of sizes that cannot be.

    :raises SpecError: naming each of them.
    """
    if problems := dict([*_blank_problems(order), *_stock_problems(order)]):
        raise SpecError(problems)


def _blank_problems(order: CuttingOrder) -> Iterator[tuple[str, str]]:
    if not order.blanks:
        yield "blanks", "There is nothing to cut; choose a job with pieces."
    if len(order.blanks) > MOST_KINDS:
        yield "blanks", f"{len(order.blanks)} kinds of piece are too many at once; cut {MOST_KINDS} at most."
    if sum(max(0, blank.count) for blank in order.blanks) > MOST_PIECES:
        yield "blanks", f"More than {MOST_PIECES} pieces at once; cut the edition in parts."
    for blank in order.blanks:
        if min(blank.width, blank.height) <= TOLERANCE:
            yield f"blanks.{blank.id}", f"{blank.label} has no size; check the sizes of its job."
        elif blank.count < 1:
            yield f"blanks.{blank.id}", f"{blank.label}: at least one has to be cut."


def _stock_problems(order: CuttingOrder) -> Iterator[tuple[str, str]]:
    shears = order.shears
    if not order.stock:
        yield "stock", "There is no stock to cut from; choose some on the shelf."
    if shears.square < 0 or shears.kerf < 0:
        yield "shears", "What is cut away cannot be less than nothing."
    for stock in order.stock:
        if min(stock.width, stock.height) <= TOLERANCE:
            yield f"stock.{stock.id}", f"{stock.label} has no size; give it one on the shelf."
        elif shears.kerf >= min(stock.width, stock.height):
            yield "shears.kerf", f"The blade takes more than all of {stock.label}; its cut must be narrower."
        elif min(usable(stock, shears)) <= TOLERANCE:
            yield "shears.square", f"Squaring its corner leaves nothing of {stock.label}; cut off less."


def unplaceable(order: CuttingOrder) -> dict[str, str]:
    """Pieces that fit none of the stock, by their names, with what to do about each."""
    return {
        blank.id: _why_unplaceable(blank, order)
        for blank in order.blanks
        if not any(fits(blank, stock, order.shears) for stock in order.stock)
    }


def _why_unplaceable(blank: Blank, order: CuttingOrder) -> str:
    size = f"{blank.label}, {blank.width:g} × {blank.height:g} mm,"
    if blank.pinned and not any(stock.id == blank.pinned for stock in order.stock):
        return f"{size} is pinned to stock that is not used here; take the pin out."
    either_way = replace(blank, grain="any")
    if not any(fits(either_way, stock, order.shears) for stock in order.stock):
        return f"{size} is larger than any sheet; take larger stock."
    if any(stock.grain is None for stock in order.stock):
        return f"{size} needs its grain one way, and nobody has tested this stock; test it first."
    return (
        f"{size} fits only with its grain the wrong way; take other stock, or say at the station Cutting "
        "that it is meant so."
    )
