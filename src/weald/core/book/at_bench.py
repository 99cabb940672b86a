"""What is known of a book besides its job: the pieces there are already, and the hand that makes it."""

from dataclasses import dataclass

from weald.core.pieces import PieceGrain
from weald.core.units import Mm

SAME: Mm = 0.26
"""Sizes that differ by no more are one size: half of a ruler's finest usual division, and a hair."""


@dataclass(frozen=True, slots=True)
class CutPiece:
    """Pieces of one kind, as they were cut.

    :param label: what it was called then, whatever the plan calls it now.
    """

    piece: str
    label: str
    count: int
    width: Mm
    height: Mm
    grain: PieceGrain

    def as_large_as(self, other: "CutPiece") -> bool:
        """Whether both were cut to one size, with one grain."""
        return (
            abs(self.width - other.width) <= SAME
            and abs(self.height - other.height) <= SAME
            and self.grain == other.grain
        )


@dataclass(frozen=True, slots=True)
class AtBench:
    """What is known of a book besides its job.

    :param cut: the pieces there are already. ``left_handed``: whoever makes it.
    """

    cut: tuple[CutPiece, ...] = ()
    left_handed: bool = False


NOTHING_YET = AtBench()
