"""The printed sheet: where each page of a forme stands on the paper in the printer.

Vocabulary. The *unfolded sheet* is what is folded; the *printed sheet* is what goes through the
printer and may be larger, or hold several unfolded sheets to be cut apart. *Sheetwise*, one side
is printed with outer formes and the other with inner ones. *Work-and-turn* prints outer and inner
side by side on both sides of a double sheet, turned sideways between; *work-and-tumble* one above
the other, tumbled head over foot; cut in two, either gives two copies.

Coordinates are millimetres on the side as one looks at it, y down. Backs are seen after turning
the sheet over sideways, about its height; how a printer turns it is settled by
:func:`backs_half_turned`.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from weald.core.folding.imposition import Placement, Sheet, SpineSide
from weald.core.folding.packet import FoldedPacket, Side, Up
from weald.core.forme.page import Rect
from weald.core.units import TOLERANCE, Mm

Flip = Literal["long", "short"]
Work = Literal["sheetwise", "turn", "tumble"]
Face = Literal["front", "back"]
PileFace = Literal["face_up", "face_down"]
Trims = tuple[Mm, Mm, Mm]
"""Head, tail and fore-edge."""


@dataclass(frozen=True, slots=True)
class Position:
    """One unfolded sheet on a printed side; half turned, it stands on its head."""

    left: Mm
    top: Mm
    side: Side
    half_turn: bool = False


@dataclass(frozen=True, slots=True)
class PlacedPage:
    """One page on a printed side.

    :param box: the trimmed page; ``cell``: the leaf before trimming.
    :param up: where its head points, (right, up).
    :param position: which of the unfolded sheets on this side it stands on, from 0.
    """

    place: Placement
    box: Rect
    cell: Rect
    up: Up
    position: int

    @property
    def page(self) -> int | None:
        """The page of the text, or ``None`` for a blank."""
        return self.place.page

    @property
    def spine(self) -> SpineSide | None:
        """Where the spine lies as the page is read."""
        return self.place.spine


@dataclass(frozen=True, slots=True)
class Layout:
    """A printed sheet laid out.

    :param width: of the printed sheet; ``unfolded_width``: of one sheet to fold.
    :param trims: what is cut off each leaf at head, tail and fore-edge.
    """

    width: Mm
    height: Mm
    unfolded_width: Mm
    unfolded_height: Mm
    columns: int
    rows: int
    trims: Trims
    front: tuple[Position, ...]
    back: tuple[Position, ...]
    work: Work

    @property
    def block(self) -> Rect:
        """All unfolded sheets together, as they stand on the printed sheet."""
        left = min(position.left for position in self.front)
        top = min(position.top for position in self.front)
        right = max(position.left for position in self.front) + self.unfolded_width
        bottom = max(position.top for position in self.front) + self.unfolded_height
        return Rect(left, top, right - left, bottom - top)

    @property
    def copies(self) -> int:
        """Copies of the same sheet out of one printed sheet."""
        return len(self.front)

    @property
    def fits(self) -> bool:
        """Whether everything stands on the paper."""
        block = self.block
        return block.left >= -TOLERANCE and block.top >= -TOLERANCE

    def positions(self, face: Face) -> tuple[Position, ...]:
        """The unfolded sheets on one side."""
        return self.front if face == "front" else self.back


def unfolded_size(packet: FoldedPacket, leaf: tuple[Mm, Mm]) -> tuple[Mm, Mm]:
    """Width and height of the unfolded sheet for an untrimmed leaf of this size."""
    across, down = leaf if packet.grain == "height" else leaf[::-1]
    return packet.columns * across, packet.rows * down


def block_size(unfolded: tuple[Mm, Mm], work: Work, repeat: tuple[int, int]) -> tuple[Mm, Mm]:
    """Width and height of all unfolded sheets that stand on one printed sheet."""
    columns = repeat[0] * (2 if work == "turn" else 1)
    rows = repeat[1] * (2 if work == "tumble" else 1)
    return columns * unfolded[0], rows * unfolded[1]


def lay_out(
    packet: FoldedPacket,
    leaf: tuple[Mm, Mm],
    trims: Trims,
    work: Work = "sheetwise",
    repeat: tuple[int, int] = (1, 1),
    sheet: tuple[Mm, Mm] | None = None,
) -> Layout:
    """Lay the unfolded sheets out in the middle of the printed sheet.

    :param leaf: width and height before trimming.
    :param repeat: how often the unfolded sheet, or the pair of a work-and-turn, is repeated across
        and down.
    :param sheet: the printed sheet; no larger than what stands on it when not given.
    """
    unfolded = unfolded_size(packet, leaf)
    block = block_size(unfolded, work, repeat)
    width, height = sheet or block
    left, top = (width - block[0]) / 2, (height - block[1]) / 2
    front = []
    for row in range(round(block[1] / unfolded[1])):
        for column in range(round(block[0] / unfolded[0])):
            inner = (work == "turn" and column % 2 == 1) or (work == "tumble" and row % 2 == 1)
            front.append(
                Position(
                    left + column * unfolded[0],
                    top + row * unfolded[1],
                    "inner" if inner else "outer",
                    half_turn=work == "tumble" and inner,
                )
            )
    back = tuple(
        Position(
            width - position.left - unfolded[0],
            position.top,
            "inner" if position.side == "outer" else "outer",
            position.half_turn,
        )
        for position in front
    )
    return Layout(width, height, *unfolded, packet.columns, packet.rows, trims, tuple(front), back, work)


def placed_pages(layout: Layout, sheet: Sheet, face: Face) -> Iterator[PlacedPage]:
    """Every page on one side of a printed sheet."""
    for number, place in places(layout, sheet, face):
        yield placed(layout, place, face, number)


def places(layout: Layout, sheet: Sheet, face: Face) -> Iterator[tuple[int, Placement]]:
    """Every page on one side of a printed sheet, with the number of the unfolded sheet it stands on there."""
    for number, position in enumerate(layout.positions(face)):
        for place in sheet.outer if position.side == "outer" else sheet.inner:
            yield number, place


def placed(layout: Layout, place: Placement, face: Face, number: int) -> PlacedPage:
    """Where a page stands; all sheets laid out alike have the same at the same place."""
    position = layout.positions(face)[number]
    width, height = layout.unfolded_width / layout.columns, layout.unfolded_height / layout.rows
    cell = Rect(place.column * width, place.row * height, width, height)
    up = place.up
    if position.half_turn:
        cell = Rect(layout.unfolded_width - cell.right, layout.unfolded_height - cell.bottom, width, height)
        up = (-up[0], -up[1])
    cell = cell.moved(position.left, position.top)
    return PlacedPage(place, trimmed(cell, up, place.spine, layout.trims), cell, up, number)


def trimmed(cell: Rect, up: Up, spine: SpineSide | None, trims: Trims) -> Rect:
    """What is left of a leaf after trimming; a concertina is trimmed at head and tail only."""
    head, tail, fore_edge = trims
    fore_left = fore_edge if spine == "right" else 0.0
    fore_right = fore_edge if spine == "left" else 0.0
    # left, top, right, bottom as the page is read, turned as it lies
    left, top, right, bottom = {
        (0, 1): (fore_left, head, fore_right, tail),
        (0, -1): (fore_right, tail, fore_left, head),
        (1, 0): (tail, fore_left, head, fore_right),
        (-1, 0): (head, fore_right, tail, fore_left),
    }[up]
    return Rect(cell.left + left, cell.top + top, cell.width - left - right, cell.height - top - bottom)


def natural_flip(width: Mm, height: Mm) -> Flip:
    """The edge on which turning the sheet over sideways, about its height, turns it."""
    return "short" if height < width else "long"


def backs_half_turned(width: Mm, height: Mm, flip: Flip) -> bool:
    """Whether backs have to be printed on their heads for a printer that turns on this edge.

    Backs are laid out as seen after turning the sheet sideways; a printer that turns it head over
    foot needs them half turned.
    """
    return flip != natural_flip(width, height)


def pile_turned(stacks: PileFace, feeds: PileFace) -> bool:
    """Whether a pile of fronts has to be turned over before its backs are printed by hand.

    The printer prints the side of a sheet that lies as it ``feeds``, so the fronts have to lie the
    other way; a pile that ``stacks`` so already goes back as it lies.
    """
    return stacks == feeds


def backs_reversed(stacks: PileFace, feeds: PileFace) -> bool:
    """Whether the last back is printed first.

    A pile that goes back as it lies has its last sheet on top; turned over, its first.
    """
    return not pile_turned(stacks, feeds)
