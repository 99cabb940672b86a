"""The pieces to be cut, and all of them drawn to one scale, each with its grain."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

from weald.core.drawing import Drawing, Sketch, box
from weald.core.materials import MATERIALS, PieceMaterial
from weald.core.notation import Notation
from weald.core.reckoning import Ledger
from weald.core.records import record
from weald.core.units import Mm

PieceGrain = Literal["height", "width", "any"]
ComesOff = Literal["in the case", "with the block"]
GRAIN_NEEDED: dict[PieceGrain, str] = {
    "height": "along height",
    "width": "along width",
    "any": "either way",
}


@record(frozen=True, slots=True)
class Piece:
    """One kind of piece to cut.

    :param width: as it is in the finished book; with ``height``. It is cut to that, and what comes off later.
    :param count: for all copies.
    :param grain: the side of the piece its grain has to run along.
    :param grain_right: whether the chosen stock gives it so; ``None`` where no stock is chosen.
    :param shown: the size it is cut to; ``finished``: what it is trimmed to later, and how.
    :param allowance: left on the width when cutting, beyond the size stated; ``higher`` on the height.
        ``comes_off``: where that is cut off later.
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
    finished: str = ""
    grain_right: bool | None = None
    allowance: Mm = 0.0
    higher: Mm = 0.0
    comes_off: ComesOff = "in the case"
    spare: int = 0
    stock: str = ""
    item: int | None = None
    needs: str = ""
    has: str = ""
    per_sheet: int | None = None
    across: bool = False

    def __post_init__(self) -> None:
        # said here, so that a piece whose grain is changed says what it is changed to
        object.__setattr__(self, "needs", GRAIN_NEEDED[self.grain])

    @property
    def cut_width(self) -> Mm:
        """The width it is cut to."""
        return self.width + self.allowance

    @property
    def cut_height(self) -> Mm:
        """The height it is cut to."""
        return self.height + self.higher


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
    comes_off: ComesOff = "in the case",
    grain: PieceGrain = "height",
) -> Piece:
    """A piece of ``size``, width by height, with its size written as ``ledger`` writes lengths.

    :param size: of the finished piece. ``allowance``: cut so much wider, and so much ``higher``; what is too
        much ``comes_off`` later.
    """
    width, height = size
    cut = (width + allowance, height + higher)
    return Piece(
        id=id,
        label=label,
        material=material,
        count=count,
        width=width,
        height=height,
        thickness=thickness,
        grain=grain,
        how=ledger.say(how),
        shown=_size(*cut, ledger.notation),
        finished=_finished(size, cut, comes_off, ledger.notation),
        allowance=allowance,
        higher=higher,
        comes_off=comes_off,
    )


def with_sizes_told(piece: Piece, notation: Notation) -> Piece:
    """A piece with the size it is cut to in words, and the one it is trimmed to where that is another."""
    size, cut = (piece.width, piece.height), (piece.cut_width, piece.cut_height)
    finished = _finished(size, cut, piece.comes_off, notation)
    return replace(piece, shown=_size(*cut, notation), finished=finished)


def _finished(size: tuple[Mm, Mm], cut: tuple[Mm, Mm], comes_off: ComesOff, notation: Notation) -> str:
    return f"trimmed to {_size(*size, notation)} {comes_off}" if cut != size else ""


def _size(width: Mm, height: Mm, notation: Notation) -> str:
    return f"{notation.length(width, True)} × {notation.length(height, True)}"


PLACE_WIDE, PLACE_HIGH = 88.0, 31.0
"""The place the pieces are mostly seen in, in heights of the capitals written there."""
_LINE, _SPACE, _BETWEEN = 1.9, 2.8, 4.0
"""From line to line of the list, around a piece, and between columns of the list, in the same."""
_LETTER = 0.78
"""A letter's width as part of the height of a capital."""
_PARTS = (2.0, 3.0, 4.0, 5.0, 7.0)
"""Widths tried for the rows of pieces, in halves of the side of a square as large as all of them."""


def draw_pieces(pieces: Sequence[Piece], notation: Notation) -> Drawing:
    """Every kind of piece once, to one scale and numbered, with the list of their names and sizes beside.

    Grain is drawn as the chosen stock gives it, and as it is needed where none is chosen.
    """
    lines, list_wide, list_high = _listed(pieces, notation)
    rows = _in_rows(pieces, list_wide)
    sketch, letters = Sketch(), rows.letters
    for number, (piece, left, top) in enumerate(rows.places, start=1):
        _draw_piece(sketch, piece, left, top, number, letters)
    for line in lines:
        at = (rows.width + line.left * letters, line.level * letters)
        sketch.label(*at, line.text, height=letters, anchor="start")
    sketch.points += [(0.0, 0.0), (rows.width + list_wide * letters, max(rows.height, list_high * letters))]
    return sketch.finish(
        "pieces.all",
        "pieces",
        "The pieces, to one scale",
        rows=(0, 0, 0, 0),
        text="; ".join(f"{piece.count} × {piece.label.lower()}, {piece.shown}" for piece in pieces),
    )


@record(frozen=True, slots=True)
class _Line:
    """A word of the list, in heights of its capitals from the top left of the list."""

    text: str
    left: float
    level: float


def _listed(pieces: Sequence[Piece], notation: Notation) -> tuple[list[_Line], float, float]:
    """The list, its width and its height: names in one column, sizes in the next, and so on."""
    rows = min(len(pieces), int(PLACE_HIGH / _LINE))
    lines: list[_Line] = []
    left = 0.0
    for first in range(0, len(pieces), rows):
        here = list(enumerate(pieces[first : first + rows], start=first + 1))
        names = [f"{number}  {piece.label} × {piece.count}" for number, piece in here]
        sizes = [_size_in_list(piece, notation) for _, piece in here]
        across = _LETTER * (max(map(len, names)) + 2)
        for row, (name, size) in enumerate(zip(names, sizes, strict=True)):
            level = (row + 0.5) * _LINE
            lines += [_Line(name, left, level), _Line(size, left + across, level)]
        left += across + _LETTER * max(map(len, sizes)) + _BETWEEN
    return lines, left - _BETWEEN, rows * _LINE


def _size_in_list(piece: Piece, notation: Notation) -> str:
    across = ", grain across" if piece.grain_right is False else ""
    return f"{notation.figure(piece.cut_width)} × {notation.figure(piece.cut_height)}{across}"


@record(frozen=True, slots=True)
class _Rows:
    """The pieces in rows, and how high a capital has to be to be read where all of it is seen."""

    places: tuple[tuple[Piece, Mm, Mm], ...]
    row_width: Mm
    width: Mm
    height: Mm
    letters: Mm


def _in_rows(pieces: Sequence[Piece], list_wide: float) -> _Rows:
    """Pieces in rows of the width that leaves them largest, with room around each for its number.

    The letters grow with the whole, and the room around the pieces with the letters: both are found from the
    pieces without any room first.
    """
    least = max(piece.cut_width for piece in pieces)
    side = sum(piece.cut_width * piece.cut_height for piece in pieces) ** 0.5

    def rows(row_width: Mm, space: Mm) -> _Rows:
        places, width, height = _placed(pieces, row_width, space)
        letters = max(width / (PLACE_WIDE - min(list_wide, PLACE_WIDE / 2)), height / PLACE_HIGH)
        return _Rows(places, row_width, width, height, letters)

    bare = [rows(max(least, side * part / 2), 0.0) for part in _PARTS]
    return min((rows(each.row_width, _SPACE * each.letters) for each in bare), key=lambda each: each.letters)


def _placed(
    pieces: Sequence[Piece], row_width: Mm, space: Mm
) -> tuple[tuple[tuple[Piece, Mm, Mm], ...], Mm, Mm]:
    """Where each piece stands, with ``space`` to the right of it and beneath it."""
    places: list[tuple[Piece, Mm, Mm]] = []
    left = top = tall = right = 0.0
    for piece in pieces:
        wide = max(piece.cut_width, space) + space
        if left and left + wide > row_width + space:
            left, top, tall = 0.0, top + tall + space, 0.0
        places.append((piece, left, top))
        left += wide
        right, tall = max(right, left), max(tall, piece.cut_height)
    return tuple(places), right, top + tall + space


def _draw_piece(sketch: Sketch, piece: Piece, left: Mm, top: Mm, number: int, letters: Mm) -> None:
    shape = box(left, top, piece.cut_width, piece.cut_height)
    sketch.area(shape, MATERIALS[piece.material].drawn, "cut")
    if piece.grain != "any":
        upright = (piece.grain == "height") != (piece.grain_right is False)
        sketch.grain(shape, 90 if upright else 0)
    inside = piece.cut_width >= 2 * _LETTER * letters * len(str(number)) and piece.cut_height >= 1.6 * letters
    middle = left + piece.cut_width / 2
    level = top + piece.cut_height / 2 if inside else top + piece.cut_height + 1.2 * letters
    sketch.label(middle, level, str(number), height=letters)
