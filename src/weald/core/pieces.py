"""The pieces to be cut, and all of them drawn to one scale, each with its grain."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.drawing import Drawing, Material, Sketch, box
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


def draw_pieces(pieces: Sequence[Piece], notation: Notation) -> Drawing:
    """Every kind of piece once, in rows wider than they are high in all.

    Grain is drawn as the chosen stock gives it, and as it is needed where none is chosen.
    """
    sketch = Sketch()
    area = sum(piece.width * piece.height for piece in pieces)
    row_width = max(2.4 * area**0.5, *(piece.width for piece in pieces))
    gap = row_width / 14
    left, top, row_height = 0.0, 0.0, 0.0
    for piece in pieces:
        if left and left + piece.width > row_width:
            left, top, row_height = 0.0, top + row_height + 1.4 * gap, 0.0
        _draw_piece(sketch, piece, left, top, row_width / 45, notation)
        left += piece.width + 1.4 * gap
        row_height = max(row_height, piece.height)
    return sketch.finish(
        "pieces.all",
        "pieces",
        "The pieces, to one scale",
        rows=(1, 1, 0, 0),
        text="; ".join(f"{piece.count} × {piece.label.lower()}, {piece.shown}" for piece in pieces),
    )


def _draw_piece(sketch: Sketch, piece: Piece, left: Mm, top: Mm, tallest: Mm, notation: Notation) -> None:
    shape = box(left, top, piece.width, piece.height)
    sketch.area(shape, MATERIAL_FILLS[piece.material], "cut")
    across = piece.grain_right is False
    if piece.grain != "any":
        upright = (piece.grain == "height") != across
        sketch.grain(shape, 90 if upright else 0)
    text = f"{piece.label} × {piece.count}{', grain across' if across else ''}"
    sketch.name(left, top, piece.width, piece.height, text, tallest=tallest)
    right, bottom = left + piece.width, top + piece.height
    sketch.dimension((left, top), (right, top), notation.figure(piece.width))
    sketch.dimension((left, bottom), (left, top), notation.figure(piece.height))
