"""The pieces to be cut, drawn: every kind once, each as large as can be read, with its size and grain."""

import math
import textwrap
from collections.abc import Sequence
from functools import lru_cache

from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.materials import MATERIALS
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.units import Mm

LETTERS: Mm = 3.0
"""The height of the capitals; all else here is counted in it."""
_WIDE, _HIGH = 16 * LETTERS, 15.4 * LETTERS
"""The cell of one piece, which may be wider where there is room."""
_NAME, _FIGURE, _STOCK = 3.2 * LETTERS, 1.8 * LETTERS, 3.4 * LETTERS
"""What the name takes at the top of a cell, a figure beside and beneath a piece, its stock at the foot."""
NO_STOCK = "no stock yet"
_NAME_SIGNS = 20
"""Signs of a name in one line."""
_STOCK_SIGNS = 22
_THINNEST: Mm = 1.2
"""A narrow piece is drawn so wide at least."""
_ALONE: Mm = 12.0
"""The longer side of a piece drawn alone."""
_TICK: Mm = 3.6
_MOST_TICKS = 6
PLACE = 1.35
"""The place the pieces are mostly seen in, as width by height."""


def draw_pieces(
    pieces: Sequence[Piece], notation: Notation, place: float = PLACE, *, ticked: bool = False
) -> Drawing:
    """Every kind of piece once, in rows of cells, each as large as its cell allows.

    Grain is drawn as the chosen stock gives it, and as it is needed where none is chosen.

    :param place: what it is seen in, as width by height. ``ticked``: with a box for each piece to be cut.
    """
    columns = _columns(len(pieces), place)
    high = math.ceil(len(pieces) / columns) * _HIGH
    wide = max(_WIDE, place * high / columns)
    sketch = Sketch()
    for number, piece in enumerate(pieces):
        row, column = divmod(number, columns)
        cell = box(column * wide, row * _HIGH, wide, _HIGH)
        _draw_cell(sketch, piece, cell, notation)
        if ticked:
            _draw_ticks(sketch, piece.count, cell)
    sketch.points += [(0.0, 0.0), (columns * wide, high)]
    return sketch.finish(
        "pieces.all",
        "pieces",
        "The pieces, each to its own scale",
        rows=(0, 0, 0, 0),
        to_scale=False,
        text="; ".join(f"{piece.count} × {piece.label.lower()}, {piece.shown}" for piece in pieces),
    )


def draw_piece(piece: Piece) -> Drawing:
    """One piece alone, in proportion, with its grain: small, to be known again in a list."""
    scale = _ALONE / max(piece.cut_width, piece.cut_height)
    width, height = (max(side * scale, _THINNEST) for side in (piece.cut_width, piece.cut_height))
    sketch = Sketch()
    shape = box(0, 0, width, height)
    sketch.area(shape, MATERIALS[piece.material].drawn, "cut", piece.about)
    _draw_grain(sketch, piece, shape)
    return sketch.finish(
        f"pieces.{piece.id}", "pieces", piece.label, rows=(0, 0, 0, 0), to_scale=False, text=piece.shown
    )


def _draw_grain(sketch: Sketch, piece: Piece, shape: tuple[Point, ...]) -> None:
    if piece.grain != "any":
        upright = (piece.grain == "height") != (piece.grain_right is False)
        sketch.grain(shape, 90 if upright else 0)


def _draw_ticks(sketch: Sketch, count: int, cell: tuple[Point, ...]) -> None:
    """A box for each piece at the right of its cell; of many, one, with how many are to go in it."""
    (_, top), (right, _) = cell[1], cell[2]
    shown = count if count <= _MOST_TICKS else 1
    left = right - _TICK - LETTERS / 2
    for number in range(shown):
        down = top + _NAME + number * 1.4 * _TICK
        sketch.area(box(left, down, _TICK, _TICK), "white", about="")
    if shown != count:
        sketch.label(left + _TICK / 2, top + _NAME + 1.8 * _TICK, f"of {count}", height=0.7 * LETTERS)


def _columns(count: int, place: float) -> int:
    """As many as leave the cells largest."""

    def size(columns: int) -> float:
        return min(place / (columns * _WIDE), 1 / (math.ceil(count / columns) * _HIGH))

    return max(range(1, count + 1), key=size)


def _draw_cell(sketch: Sketch, piece: Piece, cell: tuple[Point, ...], notation: Notation) -> None:
    """A piece in its cell: name above, width beneath, height to its left, its stock at the foot."""
    (left, top), (right, _) = cell[:2]
    middle = (left + right) / 2
    for line, words in enumerate(_name(piece)):
        sketch.label(middle, top + (1 + 1.4 * line) * LETTERS, words, height=LETTERS)
    width, height = _drawn_size(piece, right - left)
    down = top + _NAME + (_HIGH - _NAME - _FIGURE - _STOCK - LETTERS / 2 - height) / 2
    shape = box(middle - width / 2, down, width, height)
    sketch.area(shape, MATERIALS[piece.material].drawn, "cut", piece.about)
    _draw_grain(sketch, piece, shape)
    sketch.label(middle, down + height + _FIGURE / 2, notation.figure(piece.cut_width), height=LETTERS)
    foot = top + _HIGH - _STOCK / 2
    stock = textwrap.shorten(piece.stock or NO_STOCK, _STOCK_SIGNS, placeholder="…")
    sketch.label(middle, foot, stock, height=0.8 * LETTERS, about=piece.about)
    beside = middle - width / 2 - 0.7 * _FIGURE
    sketch.label(beside, down + height / 2, notation.figure(piece.cut_height), height=LETTERS, rotation=-90)


def _name(piece: Piece) -> tuple[str, ...]:
    across = ", grain across" if piece.grain_right is False else ""
    return _in_lines(f"{piece.label} ×\u00a0{piece.count}{across}")


@lru_cache(500)
def _in_lines(name: str) -> tuple[str, ...]:
    return tuple(textwrap.wrap(name, _NAME_SIGNS)[:2])


def _drawn_size(piece: Piece, wide: Mm) -> tuple[Mm, Mm]:
    """How large a piece is drawn in its cell: in proportion, but never too thin to be seen."""
    most = (wide - 4 * _FIGURE, _HIGH - _NAME - _FIGURE - _STOCK - LETTERS)
    scale = min(most[0] / piece.cut_width, most[1] / piece.cut_height)
    return max(piece.cut_width * scale, _THINNEST), max(piece.cut_height * scale, _THINNEST)
