"""The pieces to be cut, and all of them drawn to one scale, each with its grain."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.drawing import LETTER_WIDTH, Drawing, Material, Sketch, box
from weald.core.notation import Notation
from weald.core.reckoning import Ledger
from weald.core.units import Mm

PieceGrain = Literal["height", "width", "any"]
GRAIN_NEEDED: dict[PieceGrain, str] = {
    "height": "along height",
    "width": "along width",
    "any": "either way",
}
PieceMaterial = Literal[
    "paper",
    "endpaper",
    "board",
    "cloth",
    "leather",
    "side_paper",
    "card",
    "mull",
    "kraft",
    "support",
]


@dataclass(frozen=True, slots=True)
class Piece:
    """One kind of piece to cut.

    :param count: for all copies.
    :param grain: the side of the piece its grain has to run along.
    :param grain_right: whether the chosen stock gives it so; ``None`` where no stock is chosen.
    :param allowance: left on the width when cutting, beyond the size stated; ``higher`` on the height.
    :param spare: more of them than the book needs, for what gets spoilt.
    :param stock: what it is cut from; nothing where none is chosen. ``item`` is its number on the shelf.
    :param needs: in words, which way its grain has to run; ``has``: how it comes out of the stock.
    :param per_sheet: how many one sheet of the stock gives.
    """

    id: str
    label: str
    material: PieceMaterial
    count: int
    width: Mm
    height: Mm
    thickness: Mm | None
    grain: PieceGrain
    how: str
    shown: str = ""
    grain_right: bool | None = None
    allowance: Mm = 0.0
    higher: Mm = 0.0
    spare: int = 0
    stock: str = ""
    item: int | None = None
    needs: str = ""
    has: str = ""
    per_sheet: int | None = None
    across: bool = False

    @property
    def cut_width(self) -> Mm:
        """The width it is cut to."""
        return self.width + self.allowance

    @property
    def cut_height(self) -> Mm:
        """The height it is cut to."""
        return self.height + self.higher


MATERIAL_FILLS: dict[PieceMaterial, Material] = {
    "paper": "paper",
    "endpaper": "paper_inner",
    "board": "board",
    "cloth": "cloth",
    "leather": "leather",
    "side_paper": "side_paper",
    "card": "card",
    "mull": "lining",
    "kraft": "lining",
    "support": "lining",
}


def make_piece(
    ledger: Ledger,
    id: str,
    label: str,
    material: PieceMaterial,
    count: int,
    size: tuple[Mm, Mm],
    how: str,
    *,
    thickness: Mm | None = None,
    allowance: Mm = 0.0,
    higher: Mm = 0.0,
    grain: PieceGrain = "height",
) -> Piece:
    """A piece of ``size``, width by height, with its size written as ``ledger`` writes lengths.

    :param allowance: cut so much wider, to be cut to size in the case; ``higher`` by what is ploughed off
        with the block.
    """
    width, height = size
    show = ledger.notation.length
    how = ledger.say(how)
    if allowance:
        how = f"{how}; cut {show(allowance, True)} wider, to be cut to size in the case"
    if higher:
        how = f"{how}; cut {show(higher, True)} higher, to be ploughed with the block"
    return Piece(
        id=id,
        label=label,
        material=material,
        count=count,
        width=width,
        height=height,
        thickness=thickness,
        grain=grain,
        how=how,
        allowance=allowance,
        higher=higher,
        shown=f"{show(width, True)} × {show(height, True)}",
    )


PIECES_ASPECT = 2.8
"""Width to height of the place the pieces are drawn in."""


def draw_pieces(pieces: Sequence[Piece], notation: Notation) -> Drawing:
    """Every kind of piece once, in rows that together are about as wide as a screen has room for.

    Grain is drawn as the chosen stock gives it, and as it is needed where none is chosen.
    """
    sketch = Sketch()
    area = sum(piece.width * piece.height for piece in pieces)
    widest = max(piece.width for piece in pieces)
    rows = [_in_rows(pieces, max(widest, area**0.5 * part / 2)) for part in range(4, 17, 2)]
    for place in min(rows, key=lambda row: max(row.width / PIECES_ASPECT, row.height)).places:
        _draw_piece(sketch, place, notation)
    return sketch.finish(
        "pieces.all",
        "pieces",
        "The pieces, to one scale",
        rows=(1, 1, 0, 0),
        text="; ".join(f"{piece.count} × {piece.label.lower()}, {piece.shown}" for piece in pieces),
    )


@dataclass(frozen=True, slots=True)
class _Place:
    """A piece where it is drawn, its name within it or, where that is too narrow, below."""

    piece: Piece
    name: str
    left: Mm
    top: Mm
    letters: Mm
    inside: bool


@dataclass(frozen=True, slots=True)
class _Rows:
    places: tuple[_Place, ...]
    width: Mm
    height: Mm


def _in_rows(pieces: Sequence[Piece], row_width: Mm) -> _Rows:
    """Pieces in rows no wider than ``row_width``, with room for names of one size."""
    letters, gap = row_width / 95, row_width / 10
    places: list[_Place] = []
    left = top = tall = right = 0.0
    for piece in pieces:
        name = f"{piece.label} × {piece.count}{', grain across' if piece.grain_right is False else ''}"
        named = LETTER_WIDTH * letters * len(name)
        upright = piece.height > 1.5 * piece.width
        along, across = (piece.height, piece.width) if upright else (piece.width, piece.height)
        inside = across >= 2 * letters and along >= named
        wide = piece.width if inside else max(piece.width, named)
        if left and left + wide > row_width:
            left, top, tall = 0.0, top + tall + gap, 0.0
        places.append(_Place(piece, name, left, top, letters, inside))
        left, right = left + wide + gap, max(right, left + wide)
        tall = max(tall, piece.height + (0.0 if inside else 2 * letters))
    return _Rows(tuple(places), right, top + tall)


def _draw_piece(sketch: Sketch, place: _Place, notation: Notation) -> None:
    piece, left, top = place.piece, place.left, place.top
    shape = box(left, top, piece.width, piece.height)
    sketch.area(shape, MATERIAL_FILLS[piece.material], "cut")
    across = piece.grain_right is False
    if piece.grain != "any":
        upright = (piece.grain == "height") != across
        sketch.grain(shape, 90 if upright else 0)
    right, bottom = left + piece.width, top + piece.height
    if place.inside:
        sketch.name(left, top, piece.width, piece.height, place.name, tallest=place.letters)
    else:
        sketch.label(left, bottom + place.letters, place.name, height=place.letters, anchor="start")
    sketch.dimension((left, top), (right, top), notation.figure(piece.width))
    sketch.dimension((left, bottom), (left, top), notation.figure(piece.height))
