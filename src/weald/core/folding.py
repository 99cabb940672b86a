"""Folding a dummy: from a programme of folds to which page stands where.

Vocabulary. A *programme* is the list of folds from flat sheet to folded packet, written as
words: ``v`` folds on an upright line, ``h`` on a level one, each at the middle; ``v3`` and
``h3`` are letter-folds at the thirds; ``zv3`` and ``zh3`` zig-zags (``z3`` means ``zv3``).
The last fold is the spine. A *cell* is one leaf's place on the flat sheet, a *packet* the
stack the sheet has become.

The sheet lies on the table with its **inner** side up (the side that holds the section's
middle pages of a folio); the **outer** side, with the section's first and last page, faces
down. A fold on an upright line carries the left part over to the right, so that a packet
whose last fold is ``v`` has its spine at the left; a fold on a level line carries the upper
part down, so that its fold lies at the top.

Two frames are kept apart. *Flat* cells are (column, row) of the sheet seen from its inner
side, (0, 0) top left. *Packet* directions are those of the folded packet lying on the table.
Each layer remembers how a packet direction maps back to its flat cell by two signs, because
every fold only mirrors.

Nothing here is worked out by formula: layers are stacked as paper would be, so any
programme that can be folded comes out right.
"""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from weald.core.errors import FoldError
from weald.core.paper import SheetGrain

Axis = Literal["v", "h"]
Side = Literal["outer", "inner"]
Edge = Literal["spine", "fore_edge", "head", "tail"]
Up = tuple[int, int]
"""Where the head of a page points on a sheet seen from one side: (right, up)."""

NAMED_PROGRAMMES: dict[str, str] = {
    "folio": "v",
    "quarto": "h v",
    "octavo": "v h v",
    "sixteenmo": "h v h v",
    "twelvemo": "h3 v v",
    "long quarto": "v v",
}

MAX_FOLDS = 6
MAX_SHEETS = 40
MAX_CELLS = 256
_WORD = re.compile(r"(z?)([vh]?)(\d*)")


@dataclass(frozen=True, slots=True)
class Fold:
    """One word of a programme: ``parts`` equal parts along ``axis``, rolled up or zig-zag."""

    axis: Axis
    parts: int = 2
    zigzag: bool = False

    @property
    def word(self) -> str:
        """The fold as it is written in a programme."""
        return ("z" if self.zigzag else "") + self.axis + (str(self.parts) if self.parts > 2 else "")


@dataclass(frozen=True, slots=True)
class Layer:
    """One leaf somewhere in the packet: its flat cell, and how it has been turned over."""

    sheet: int
    column: int
    row: int
    sign_x: int = 1
    sign_y: int = 1

    @property
    def inner_up(self) -> bool:
        """Whether the sheet's inner side faces up here."""
        return self.sign_x == self.sign_y

    def turned(self, axis: Axis) -> "Layer":
        """The leaf after it was carried over a fold line."""
        if axis == "v":
            return Layer(self.sheet, self.column, self.row, -self.sign_x, self.sign_y)
        return Layer(self.sheet, self.column, self.row, self.sign_x, -self.sign_y)


Stack = tuple[Layer, ...]
"""Layers lying on one another, lowest first."""


@dataclass(frozen=True, slots=True)
class PageCell:
    """Where one page stands: sheet (0 outermost), side, cell *as seen from that side*, head direction."""

    sheet: int
    side: Side
    column: int
    row: int
    up: Up


@dataclass(frozen=True, slots=True)
class Leaf:
    """One leaf of the folded packet, counted from the front."""

    recto: PageCell
    verso: PageCell


@dataclass(frozen=True, slots=True)
class FoldedPacket:
    """A folded section.

    :param columns: cells across the flat sheet; ``rows``: cells down it.
    :param leaves: front to back.
    :param grain: the side of the sheet the spine runs along, which the grain has to follow.
    :param bolts: closed edges other than the spine.
    """

    programme: str
    sheets: int
    columns: int
    rows: int
    leaves: tuple[Leaf, ...]
    grain: SheetGrain
    bolts: tuple[Edge, ...]

    @property
    def leaves_a_sheet(self) -> int:
        """Leaves one sheet of the packet gives."""
        return self.columns * self.rows


def parse_programme(text: str) -> tuple[Fold, ...]:
    """Read a programme or the name of one.

    :raises FoldError: for a word that is no fold, or a programme with too many of them.
    """
    words = NAMED_PROGRAMMES.get(text.strip().lower(), text).lower().split()
    if not words:
        raise FoldError("The fold programme is empty; write at least v, or a name such as folio.")
    if len(words) > MAX_FOLDS:
        raise FoldError(f"{len(words)} folds are more than paper takes; write at most {MAX_FOLDS}.")
    folds = []
    for word in words:
        match = _WORD.fullmatch(word)
        if match is None or not (match[1] or match[2]):
            names = ", ".join(NAMED_PROGRAMMES)
            raise FoldError(f"“{word}” is no fold; use v, h, v3, h3, z3 or a name ({names}).")
        zigzag, parts = match[1] == "z", int(match[3] or 2)
        if not 2 <= parts <= 12 or (parts > 3 and not zigzag):
            raise FoldError(f"“{word}” cannot be folded; halves, thirds (v3, h3) or zig-zags to z12 can.")
        folds.append(Fold("h" if match[2] == "h" else "v", parts, zigzag))
    return tuple(folds)


def programme_text(folds: tuple[Fold, ...]) -> str:
    """The programme in words, as a job file keeps it."""
    return " ".join(fold.word for fold in folds)


def _strips(stacks: list[list[Stack]], fold: Fold) -> list[list[list[Stack]]]:
    """Cut the packet into the parts a fold lays on one another, left to right or top to bottom."""
    size = (len(stacks[0]) if fold.axis == "v" else len(stacks)) // fold.parts
    if fold.axis == "v":
        return [[row[part * size : (part + 1) * size] for row in stacks] for part in range(fold.parts)]
    return [stacks[part * size : (part + 1) * size] for part in range(fold.parts)]


def _turn_over(strip: list[list[Stack]], axis: Axis) -> list[list[Stack]]:
    """A part of the packet as it lies after being carried over a fold line."""
    rows = [list(reversed(row)) for row in strip] if axis == "v" else list(reversed(strip))
    return [[tuple(layer.turned(axis) for layer in reversed(stack)) for stack in row] for row in rows]


def _order_of_parts(fold: Fold) -> Iterator[tuple[int, bool]]:
    """The parts from the lowest up: which one, and whether it lies turned over."""
    last = fold.parts - 1
    if fold.zigzag or fold.parts == 2:
        for part in range(last, -1, -1):
            yield part, (last - part) % 2 == 1
    else:
        yield 1, False
        yield 2, True
        yield 0, True


def _folded(stacks: list[list[Stack]], fold: Fold) -> list[list[Stack]]:
    strips = _strips(stacks, fold)
    packet: list[list[Stack]] | None = None
    for part, over in _order_of_parts(fold):
        strip = _turn_over(strips[part], fold.axis) if over else strips[part]
        if packet is None:
            packet = strip
        else:
            packet = [
                [low + high for low, high in zip(under, upper, strict=True)]
                for under, upper in zip(packet, strip, strict=True)
            ]
    if packet is None:
        raise FoldError("A fold needs at least two parts.")
    return packet


def _grid(folds: tuple[Fold, ...]) -> tuple[int, int]:
    columns = rows = 1
    for fold in folds:
        if fold.axis == "v":
            columns *= fold.parts
        else:
            rows *= fold.parts
    return columns, rows


def _page_cell(layer: Layer, columns: int, inner: bool, up: Up) -> PageCell:
    """A page of the packet, unfolded again. ``up`` is its head direction in the packet.

    The outer side is seen by turning the sheet over sideways, which mirrors columns.
    """
    right, top = up[0] * layer.sign_x, up[1] * layer.sign_y
    if inner:
        return PageCell(layer.sheet, "inner", layer.column, layer.row, (right, top))
    return PageCell(layer.sheet, "outer", columns - 1 - layer.column, layer.row, (-right, top))


def _bolts(stack: Stack, spine_axis: Axis) -> tuple[Edge, ...]:
    """The closed edges of the packet besides the spine: where neighbours on the flat sheet still join."""
    cells = {(layer.column, layer.row): layer for layer in stack if layer.sheet == 0}
    edges: set[Edge] = set()
    for (column, row), layer in cells.items():
        if (column + 1, row) in cells:
            # the cell's flat right edge, as it lies in the packet: right (+1) or left (-1)
            side = layer.sign_x
            if spine_axis == "v":
                edges.add("fore_edge" if side > 0 else "spine")
            else:
                edges.add("head" if side > 0 else "tail")
        if (column, row + 1) in cells:
            # the cell's flat lower edge: bottom (+1) or top (-1) of the packet
            side = layer.sign_y
            if spine_axis == "v":
                edges.add("tail" if side > 0 else "head")
            else:
                edges.add("fore_edge" if side > 0 else "spine")
    order: tuple[Edge, ...] = ("head", "fore_edge", "tail")
    return tuple(edge for edge in order if edge in edges)


@lru_cache(maxsize=256)
def fold_packet(programme: str, sheets: int = 1) -> FoldedPacket:
    """Fold ``sheets`` sheets lying on one another as one, and read the packet off.

    Sheet 0 lies lowest, outermost in the folded packet.

    :raises FoldError: when the programme does not end in one packet with its spine down
        one edge, or the number of sheets is out of reach.
    """
    folds = parse_programme(programme)
    if not 1 <= sheets <= MAX_SHEETS:
        raise FoldError(f"{sheets} sheets cannot be folded together; 1 to {MAX_SHEETS} can.")
    spine = folds[-1]
    if spine.parts != 2:
        raise FoldError(
            f"“{programme_text(folds)}” ends with {spine.word}, which leaves no spine through all "
            "leaves; end the programme with v or h."
        )
    columns, rows = _grid(folds)
    if columns * rows > MAX_CELLS:
        raise FoldError(f"{columns} × {rows} leaves are more than a sheet gives; {MAX_CELLS} are the most.")
    stacks: list[list[Stack]] = [
        [tuple(Layer(sheet, column, row) for sheet in range(sheets)) for column in range(columns)]
        for row in range(rows)
    ]
    for fold in folds:
        stacks = _folded(stacks, fold)
    stack = stacks[0][0]

    # A packet whose spine lies at the top is turned a quarter left to be read, so its pages'
    # heads point to the packet's right.
    up: Up = (0, 1) if spine.axis == "v" else (1, 0)
    leaves = []
    for layer in reversed(stack):
        recto = _page_cell(layer, columns, inner=layer.inner_up, up=up)
        verso = _page_cell(layer, columns, inner=not layer.inner_up, up=up)
        leaves.append(Leaf(recto, verso))
    return FoldedPacket(
        programme=programme_text(folds),
        sheets=sheets,
        columns=columns,
        rows=rows,
        leaves=tuple(leaves),
        grain="height" if spine.axis == "v" else "width",
        bolts=_bolts(stack, spine.axis),
    )


def _on_sheet(leaf: Leaf, sheet: int) -> Leaf:
    recto, verso = leaf.recto, leaf.verso
    return Leaf(
        PageCell(sheet, recto.side, recto.column, recto.row, recto.up),
        PageCell(sheet, verso.side, verso.column, verso.row, verso.up),
    )


@lru_cache(maxsize=256)
def fold_inset(programme: str, sheets: int) -> FoldedPacket:
    """Fold ``sheets`` sheets one by one and nest them, sheet 0 outermost.

    :raises FoldError: as :func:`fold_packet`.
    """
    if not 1 <= sheets <= MAX_SHEETS:
        raise FoldError(f"{sheets} sheets cannot be nested; 1 to {MAX_SHEETS} can.")
    one = fold_packet(programme)
    half = len(one.leaves) // 2
    first, last = one.leaves[:half], one.leaves[half:]
    leaves = [_on_sheet(leaf, sheet) for sheet in range(sheets) for leaf in first]
    leaves += [_on_sheet(leaf, sheet) for sheet in reversed(range(sheets)) for leaf in last]
    return FoldedPacket(one.programme, sheets, one.columns, one.rows, tuple(leaves), one.grain, one.bolts)
