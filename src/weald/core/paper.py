"""Paper and board: weight, thickness, sheet sizes and grain.

Vocabulary: *grammage* is the weight of a square metre; *calliper* the thickness of one
leaf; *bulk* the volume of a gram, so calliper = grammage × bulk / 1000. *Basis weight* is
the weight in pounds of 500 sheets of the basic size of one grade: the word "pound" means
something else for every grade.

The grain of a sheet is said by the side it runs along: ``"width"`` or ``"height"`` of the
sheet as it lies. The trade's *long* and *short* follow from that and change when a sheet
is halved, so they are only ever shown, never stored.
"""

from dataclasses import dataclass, replace
from enum import StrEnum
from typing import Literal

from weald.core.units import TOLERANCE, Gsm, Mm

SheetGrain = Literal["width", "height"]

LB_PER_REAM_TO_GSM = 453.59237 / (500 * 0.0254**2)
"""g/m² of a sheet of one square inch of which 500 weigh a pound: 1406.14."""


class Grade(StrEnum):
    """The grades whose basic sizes pounds are counted on."""

    BOND = "bond"
    TEXT = "text"
    COVER = "cover"
    BRISTOL = "bristol"
    INDEX = "index"
    TAG = "tag"


BASIC_SIZE_INCHES: dict[Grade, tuple[float, float]] = {
    Grade.BOND: (17, 22),
    Grade.TEXT: (25, 38),
    Grade.COVER: (20, 26),
    Grade.BRISTOL: (22.5, 28.5),
    Grade.INDEX: (25.5, 30.5),
    Grade.TAG: (24, 36),
}
GRADE_WORDS: dict[Grade, str] = {
    grade: f"{grade.value}, {width:g} × {height:g} in" for grade, (width, height) in BASIC_SIZE_INCHES.items()
}


@dataclass(frozen=True, slots=True)
class NamedSize:
    """A size of sheet or leaf that has a name; ``width`` ≤ ``height``, millimetres."""

    name: str
    width: Mm
    height: Mm


SHEET_SIZES: tuple[NamedSize, ...] = (
    NamedSize("A5", 148, 210),
    NamedSize("A4", 210, 297),
    NamedSize("A3", 297, 420),
    NamedSize("A2", 420, 594),
    NamedSize("A1", 594, 841),
    NamedSize("SRA4", 225, 320),
    NamedSize("SRA3", 320, 450),
    NamedSize("SRA2", 450, 640),
    NamedSize("B4", 250, 353),
    NamedSize("B3", 353, 500),
    NamedSize("B2", 500, 707),
    NamedSize("Letter", 215.9, 279.4),
    NamedSize("Legal", 215.9, 355.6),
    NamedSize("Tabloid", 279.4, 431.8),
    NamedSize("12 × 18 in", 304.8, 457.2),
    NamedSize("19 × 25 in", 482.6, 635.0),
    NamedSize("25 × 38 in", 635.0, 965.2),
)

LEAF_SIZES: tuple[NamedSize, ...] = (
    NamedSize("A6", 105, 148),
    NamedSize("B6", 125, 176),
    NamedSize("A5", 148, 210),
    NamedSize("B5", 176, 250),
    NamedSize("A4", 210, 297),
    NamedSize("Half letter", 139.7, 215.9),
    NamedSize("5 × 8 in", 127.0, 203.2),
    NamedSize("6 × 9 in", 152.4, 228.6),
)


def with_spoilage(count: float, percent: float) -> float:
    """So many sheets and what is spoilt of them, not yet in whole sheets."""
    return count * (1 + percent / 100)


def gsm_from_pounds(pounds: float, grade: Grade) -> Gsm:
    """Grammage of a paper sold by basis weight: lb × 1406.14 / basic area in square inches."""
    width, height = BASIC_SIZE_INCHES[grade]
    return pounds * LB_PER_REAM_TO_GSM / (width * height)


def calliper_from_bulk(grammage: Gsm, bulk: float) -> Mm:
    """Thickness of a leaf from its grammage and its bulk in cm³/g."""
    return grammage * bulk / 1000


def across(grain: SheetGrain) -> SheetGrain:
    """The other direction on the sheet."""
    return "height" if grain == "width" else "width"


def grain_word(width: Mm, height: Mm, grain: SheetGrain) -> str:
    """The trade's word for a grain: ``long`` when it runs along the longer side."""
    if abs(width - height) < TOLERANCE:
        return "square"
    return "long" if (grain == "height") == (height > width) else "short"


def size_name(width: Mm, height: Mm) -> str | None:
    """The name of a sheet of this size either way round, to half a millimetre."""
    short, long = sorted((width, height))
    for size in SHEET_SIZES:
        if abs(size.width - short) <= 0.5 and abs(size.height - long) <= 0.5:
            return size.name
    return None


def named_sheet(name: str) -> tuple[Mm, Mm] | None:
    """Width and height, upright, of a sheet by its name."""
    wanted = name.strip().lower().replace(" ", "")
    for size in SHEET_SIZES:
        if size.name.lower().replace(" ", "") == wanted:
            return size.width, size.height
    return None


@dataclass(frozen=True, slots=True)
class Lay:
    """How one kind of piece is laid on a sheet, all the same way round.

    :param turned: whether the piece lies a quarter turn round on the sheet.
    :param columns: pieces along the sheet's width.
    :param rows: pieces along the sheet's height.
    :param grain_right: whether the piece so laid has the grain it needs.
    """

    turned: bool
    columns: int
    rows: int
    grain_right: bool

    @property
    def count(self) -> int:
        """Pieces out of one sheet."""
        return self.columns * self.rows


def _fits(sheet: Mm, piece: Mm) -> int:
    return int((sheet + TOLERANCE) / piece)


def lays_on_sheet(
    piece: tuple[Mm, Mm],
    piece_grain: SheetGrain,
    sheet: tuple[Mm, Mm],
    sheet_grain: SheetGrain,
) -> list[Lay]:
    """The ways a piece fits on a sheet, best first: grain right, then most pieces, then upright.

    :param piece: width and height of the piece, both above zero.
    :param piece_grain: the side of the piece its grain has to run along.
    :returns: none, one or two lays; an empty list when the piece is larger than the sheet.
    """
    lays = []
    for turned in (False, True):
        width, height = (piece[1], piece[0]) if turned else piece
        lay = Lay(
            turned=turned,
            columns=_fits(sheet[0], width),
            rows=_fits(sheet[1], height),
            grain_right=(sheet_grain == piece_grain) != turned,
        )
        if lay.count:
            lays.append(lay)
    return sorted(lays, key=lambda lay: (not lay.grain_right, -lay.count, lay.turned))


def ways_on_sheet(piece: tuple[Mm, Mm], sheet: tuple[Mm, Mm]) -> list[Lay]:
    """The ways a piece whose grain does not matter, or is not known, fits on a sheet; most pieces first."""
    lays = lays_on_sheet(piece, "height", sheet, "height")
    return sorted((replace(lay, grain_right=True) for lay in lays), key=lambda lay: -lay.count)


def sheets_a_section(grammage: Gsm) -> tuple[int, int]:
    """The fewest and most folded sheets a section of this paper takes without a wedge or many stitches."""
    if grammage < 75:
        return 5, 8
    if grammage <= 110:
        return 4, 5
    if grammage < 150:
        return 3, 4
    return (2, 3) if grammage < 200 else (1, 2)


def board_for_height(height: Mm) -> Mm:
    """Board thickness that holds flat at this block height: 1.5, 2, 2.5 or 3 mm."""
    if height < 150:
        return 1.5
    if height <= 220:
        return 2.0
    if height <= 300:
        return 2.5
    return 3.0
