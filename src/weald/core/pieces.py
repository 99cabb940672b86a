"""The pieces to be cut."""

from dataclasses import replace
from typing import Literal

from weald.core.materials import PieceMaterial
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
    :param about: what is lit in drawings and lists where it is pointed at.
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
    about: str = ""

    def __post_init__(self) -> None:
        # said here, so that a piece whose grain is changed says what it is changed to
        object.__setattr__(self, "needs", GRAIN_NEEDED[self.grain])
        object.__setattr__(self, "about", f"piece.{self.id}")

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
