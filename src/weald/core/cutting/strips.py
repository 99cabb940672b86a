"""Sheets cut in three stages: into strips, strips into columns, columns into pieces.

A strip is as high as its tallest piece and a column as wide as its widest; what is smaller is
trimmed last. Sizes here are whole tenths of a millimetre, pieces rounded up and sheets down, each
with the blade's kerf added, so that whatever fits here fits the sheet. ``across`` says that strips
are cut down the sheet instead of across it; then width and height change places until the end.
"""

from collections.abc import Sequence
from dataclasses import dataclass

Tenths = int


@dataclass(frozen=True, slots=True)
class Oriented:
    """A kind of piece lying one way on a sheet, as seen along its strips."""

    kind: int
    turned: bool
    width: Tenths
    height: Tenths


@dataclass(frozen=True, slots=True)
class Column:
    """Pieces stacked in a strip."""

    width: Tenths
    pieces: tuple[Oriented, ...]


@dataclass(frozen=True, slots=True)
class Strip:
    """Columns side by side."""

    height: Tenths
    columns: tuple[Column, ...]


@dataclass(frozen=True, slots=True)
class Ground:
    """One kind of stock with its strips running one way, and what may lie on it.

    :param roll: only single strips are cut from it.
    """

    stock: int
    down: bool
    width: Tenths
    height: Tenths
    oriented: tuple[Oriented, ...]
    roll: bool = False


@dataclass(frozen=True, slots=True)
class Pattern:
    """One sheet laid out, or one strip of a roll. ``counts`` are pieces of every kind on it."""

    ground: Ground
    strips: tuple[Strip, ...]
    counts: tuple[int, ...]

    @property
    def used(self) -> Tenths:
        """What the strips take up, one above another."""
        return sum(strip.height for strip in self.strips)


def pattern_of(ground: Ground, strips: Sequence[Strip], kinds: int) -> Pattern:
    """A pattern with its pieces counted."""
    counts = [0] * kinds
    for strip in strips:
        for column in strip.columns:
            for piece in column.pieces:
                counts[piece.kind] += 1
    return Pattern(ground, tuple(strips), tuple(counts))
