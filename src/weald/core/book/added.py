"""What is added to a book besides its structure."""

from dataclasses import dataclass

from weald.core.drawing import Drawing
from weald.core.findings import Finding
from weald.core.pieces import Piece
from weald.core.station import Station
from weald.core.units import Mm


@dataclass(frozen=True, slots=True)
class Remark:
    """Something to look at, at a station; as whoever reads it would say it."""

    station: Station
    text: str


@dataclass(frozen=True, slots=True)
class ClosedBook:
    """Outside sizes of the closed book. ``width`` is from the back of its spine to the fore-edge."""

    height: Mm
    width: Mm
    thickness: Mm


@dataclass(frozen=True, slots=True)
class Added:
    """What an extra adds to a book; ``thumb_cuts`` are those to be made in each copy."""

    pieces: tuple[Piece, ...] = ()
    drawings: tuple[Drawing, ...] = ()
    findings: tuple[Finding, ...] = ()
    remarks: tuple[Remark, ...] = ()
    thumb_cuts: int = 0
