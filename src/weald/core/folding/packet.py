"""Folding a dummy: from a programme of folds to which page stands where.

Vocabulary. A *cell* is one leaf's place on the flat sheet, a *packet* the stack the sheet has
become, a *motion* one carrying of a part of the packet over a crease: a fold at the middle is one
motion, a fold at the thirds two.

The sheet lies on the table with its **inner** side up (the side that holds the section's
middle pages of a folio); the **outer** side, with the section's first and last page, faces
down. A fold on an upright line carries the left part over to the right, so that a packet
whose last fold is ``v`` has its spine at the left; a fold on a level line carries the upper
part down, so that its fold lies at the top.

Nothing here is worked out by formula: cells are carried over creases as paper would be, so any
programme that can be folded comes out right.
"""

from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

from weald.core.errors import FoldError
from weald.core.folding.programme import Axis, Fold, Kind, Programme, parse_programme
from weald.core.paper import SheetGrain

Side = Literal["outer", "inner"]
Edge = Literal["spine", "fore_edge", "head", "tail"]
Towards = Literal["left", "right", "down", "up"]
Up = tuple[int, int]
"""Where the head of a page points on a sheet seen from one side: (right, up)."""
Cell = tuple[int, int]
"""Column and row on the flat sheet seen from its inner side, from the top left."""
GridLine = tuple[Cell, Cell]
"""A line along cell borders of the flat sheet seen from its inner side, in cells."""

MAX_SHEETS = 40


@dataclass(frozen=True, slots=True)
class Pose:
    """Where a cell lies in the packet: the place ``x``, ``y`` in cells (y down), how high, how turned.

    A sign of −1 says that the cell's own right (x) or upper (y) edge points the other way.
    """

    column: int
    row: int
    x: int
    y: int
    level: int
    sign_x: int = 1
    sign_y: int = 1

    @property
    def cell(self) -> Cell:
        """The cell on the flat sheet."""
        return self.column, self.row

    @property
    def inner_up(self) -> bool:
        """Whether the sheet's inner side faces up here."""
        return self.sign_x == self.sign_y


@dataclass(frozen=True, slots=True)
class Motion:
    """One part of the packet carried over a crease.

    :param fold: the fold it belongs to, from 1.
    :param crease: where the crease lies in the packet, in cells from the flat sheet's left or top.
    :param before: every cell as it lay; ``moved``: those carried over.
    """

    fold: int
    axis: Axis
    crease: int
    towards: Towards
    before: tuple[Pose, ...]
    moved: frozenset[Cell]


@dataclass(frozen=True, slots=True)
class PageCell:
    """Where one page stands: sheet (0 outermost), side, cell *as seen from that side*, head direction."""

    sheet: int
    side: Side
    column: int
    row: int
    up: Up


@dataclass(frozen=True, slots=True)
class FoldedPacket:
    """A folded section, a concertina, or a pile of single leaves.

    :param columns: cells across the flat sheet; ``rows``: cells down it.
    :param pages: where each page stands, in reading order; recto and verso of each leaf in turn,
        but for a concertina, which is read along one side and then along the other.
    :param grain: the side of the sheet the spine runs along, which the grain has to follow.
    :param bolts: closed edges other than the spine.
    """

    programme: str
    kind: Kind
    sheets: int
    columns: int
    rows: int
    pages: tuple[PageCell, ...]
    grain: SheetGrain
    bolts: tuple[Edge, ...]

    @property
    def leaves_a_sheet(self) -> int:
        """Leaves one sheet of the packet gives."""
        return self.columns * self.rows

    @property
    def sewn(self) -> bool:
        """Whether there is a fold to sew through."""
        return self.kind == "section"


def _starts(fold: Fold, low: int, size: int) -> list[tuple[int, bool]]:
    """Creases of a fold in the order they are made, and whether what lies below each is carried over.

    :param low: where the packet begins; ``size``: how long one part is.
    """
    if fold.off_centre:
        return [(low + size, True)]
    last = low + (fold.parts - 1) * size
    if fold.zigzag or fold.parts == 2:
        # the first part is carried over and back, one part less each time
        return [
            (last if number % 2 == 0 else last + size, number % 2 == 0) for number in range(fold.parts - 1)
        ]
    return [(low + 2 * size, False), (low + size, True)]


def _carried(pose: Pose, axis: Axis, crease: int, level: int) -> Pose:
    if axis == "upright":
        return replace(pose, x=2 * crease - 1 - pose.x, level=level, sign_x=-pose.sign_x)
    return replace(pose, y=2 * crease - 1 - pose.y, level=level, sign_y=-pose.sign_y)


@lru_cache(maxsize=256)
def fold_motions(programme: Programme) -> tuple[tuple[Motion, ...], tuple[Pose, ...]]:
    """Every motion from the flat sheet to the packet, and how its cells lie at the end."""
    poses = [
        Pose(column, row, column, row, 0)
        for row in range(programme.rows)
        for column in range(programme.columns)
    ]
    low: dict[Axis, int] = {"upright": 0, "level": 0}
    size: dict[Axis, int] = {"upright": programme.columns, "level": programme.rows}
    motions: list[Motion] = []
    for number, fold in enumerate(programme.folds, start=1):
        axis = fold.axis
        size[axis] //= fold.parts
        for crease, lower in _starts(fold, low[axis], size[axis]):
            moved = frozenset(
                pose.cell for pose in poses if ((pose.x if axis == "upright" else pose.y) < crease) == lower
            )
            towards: Towards = (
                ("right" if lower else "left") if axis == "upright" else ("down" if lower else "up")
            )
            motions.append(Motion(number, axis, crease, towards, tuple(poses), moved))
            top = 1 + max(pose.level for pose in poses)
            highest = max(pose.level for pose in poses if pose.cell in moved)
            poses = [
                _carried(pose, axis, crease, top + highest - pose.level) if pose.cell in moved else pose
                for pose in poses
            ]
        if fold.off_centre:
            low[axis] += size[axis]
            size[axis] *= fold.lasting
        else:
            low[axis] += size[axis] * (1 if fold.parts == 3 and not fold.zigzag else fold.parts - 1)
    return tuple(motions), tuple(poses)


def creases(motion: Motion) -> list[GridLine]:
    """The crease of a motion on the flat sheet: one line for each cell it passes."""
    cells = {pose.cell for pose in motion.before}
    lines = []
    for column, row in sorted(cells):
        for neighbour, line in (
            ((column + 1, row), ((column + 1, row), (column + 1, row + 1))),
            ((column, row + 1), ((column, row + 1), (column + 1, row + 1))),
        ):
            if neighbour in cells and ((column, row) in motion.moved) != (neighbour in motion.moved):
                lines.append(line)
    return lines


def _page_cell(pose: Pose, columns: int, sheet: int, inner: bool, up: Up) -> PageCell:
    """A page of the packet, unfolded again. ``up`` is its head direction in the packet.

    The outer side is seen by turning the sheet over sideways, which mirrors columns.
    """
    right, top = up[0] * pose.sign_x, up[1] * pose.sign_y
    if inner:
        return PageCell(sheet, "inner", pose.column, pose.row, (right, top))
    return PageCell(sheet, "outer", columns - 1 - pose.column, pose.row, (-right, top))


def _bolts(poses: tuple[Pose, ...], spine_axis: Axis) -> tuple[Edge, ...]:
    """The closed edges of the packet besides the spine: where neighbours on the flat sheet still join."""
    cells = {pose.cell for pose in poses}
    edges: set[Edge] = set()
    for pose in poses:
        if (pose.column + 1, pose.row) in cells:
            # the cell's flat right edge, as it lies in the packet: right (+1) or left (-1)
            side = pose.sign_x
            if spine_axis == "upright":
                edges.add("fore_edge" if side > 0 else "spine")
            else:
                edges.add("head" if side > 0 else "tail")
        if (pose.column, pose.row + 1) in cells:
            # the cell's flat lower edge: bottom (+1) or top (-1) of the packet
            side = pose.sign_y
            if spine_axis == "upright":
                edges.add("tail" if side > 0 else "head")
            else:
                edges.add("fore_edge" if side > 0 else "spine")
    order: tuple[Edge, ...] = ("head", "fore_edge", "tail")
    return tuple(edge for edge in order if edge in edges)


def _check_sheets(sheets: int, how: str) -> None:
    if not 1 <= sheets <= MAX_SHEETS:
        raise FoldError(f"{sheets} sheets cannot be {how}; 1 to {MAX_SHEETS} can.")


@lru_cache(maxsize=256)
def fold_packet(text: str, sheets: int = 1) -> FoldedPacket:
    """Fold ``sheets`` sheets lying on one another as one, and read the packet off.

    Sheet 0 lies lowest, outermost in the folded packet. A concertina or single leaves come out
    as one strip or pile of ``sheets`` sheets.

    :raises FoldError: when the programme cannot be folded, or the number of sheets is out of reach.
    """
    programme = parse_programme(text)
    if programme.kind == "leaves":
        return _cut_and_stacked(programme, sheets)
    if programme.kind == "concertina":
        return _concertina(programme, sheets)
    _check_sheets(sheets, "folded together")
    _, poses = fold_motions(programme)
    spine = programme.folds[-1].axis
    # A packet whose spine lies at the top is turned a quarter left to be read, so its pages'
    # heads point to the packet's right.
    up: Up = (0, 1) if spine == "upright" else (1, 0)
    pages = []
    for pose in sorted(poses, key=lambda each: -each.level):
        # a cell that was turned over has its outermost sheet on top
        for sheet in reversed(range(sheets)) if pose.inner_up else range(sheets):
            for inner in (pose.inner_up, not pose.inner_up):
                pages.append(_page_cell(pose, programme.columns, sheet, inner, up))
    return FoldedPacket(
        programme=programme.text,
        kind="section",
        sheets=sheets,
        columns=programme.columns,
        rows=programme.rows,
        pages=tuple(pages),
        grain="height" if spine == "upright" else "width",
        bolts=_bolts(poses, spine),
    )


@lru_cache(maxsize=256)
def fold_inset(text: str, sheets: int) -> FoldedPacket:
    """Fold ``sheets`` sheets one by one and nest them, sheet 0 outermost.

    :raises FoldError: as :func:`fold_packet`.
    """
    one = fold_packet(text)
    if not one.sewn:
        return fold_packet(text, sheets)
    _check_sheets(sheets, "nested")
    half = len(one.pages) // 2
    first, last = one.pages[:half], one.pages[half:]
    pages = [replace(page, sheet=sheet) for sheet in range(sheets) for page in first]
    pages += [replace(page, sheet=sheet) for sheet in reversed(range(sheets)) for page in last]
    return replace(one, sheets=sheets, pages=tuple(pages))


def _cut_and_stacked(programme: Programme, sheets: int) -> FoldedPacket:
    """Leaves cut apart: the pile at each place holds consecutive leaves, and the piles go on one another.

    The first pile is the one at the top left of the outer side.
    """
    pages = []
    for row in range(programme.rows):
        for column in range(programme.columns):
            for sheet in range(sheets):
                pages.append(PageCell(sheet, "outer", column, row, (0, 1)))
                pages.append(PageCell(sheet, "inner", programme.columns - 1 - column, row, (0, 1)))
    return FoldedPacket(
        programme.text, "leaves", sheets, programme.columns, programme.rows, tuple(pages), "height", ()
    )


def _concertina(programme: Programme, sheets: int) -> FoldedPacket:
    """Strips joined end to end, read along their outer side and back along the inner one."""
    upright = programme.folds[0].axis == "upright"
    panels = range(programme.columns if upright else programme.rows)
    if upright:
        front = [PageCell(sheet, "outer", each, 0, (0, 1)) for sheet in range(sheets) for each in panels]
        back = [
            PageCell(sheet, "inner", each, 0, (0, 1)) for sheet in reversed(range(sheets)) for each in panels
        ]
    else:
        # the strip hangs down: it is turned a quarter left to be read, and its back a quarter right
        front = [PageCell(sheet, "outer", 0, each, (1, 0)) for sheet in range(sheets) for each in panels]
        back = [
            PageCell(sheet, "inner", 0, each, (-1, 0))
            for sheet in reversed(range(sheets))
            for each in reversed(panels)
        ]
    return FoldedPacket(
        programme=programme.text,
        kind="concertina",
        sheets=sheets,
        columns=programme.columns,
        rows=programme.rows,
        pages=(*front, *back),
        grain="height" if upright else "width",
        bolts=(),
    )
