"""What every structure answers: block in; pieces, drawings and findings out."""

from dataclasses import dataclass
from typing import Literal, Protocol

from weald.core.drawing import Drawing
from weald.core.findings import Finding
from weald.core.reckoning import Ledger
from weald.core.spec import JobSpec
from weald.core.stations.block import BlockPlan
from weald.core.units import Mm

PieceGrain = Literal["height", "width", "any"]
PieceMaterial = Literal["paper", "endpaper", "board", "cloth", "mull", "kraft"]


@dataclass(frozen=True, slots=True)
class Piece:
    """One kind of piece to cut.

    :param count: for all copies.
    :param grain: the side of the piece its grain has to run along.
    :param grain_right: whether the chosen stock gives it so; ``None`` where no stock is chosen.
    :param allowance: left on when cutting, beyond the size stated.
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


@dataclass(frozen=True, slots=True)
class Bound:
    """A block in its binding."""

    pieces: tuple[Piece, ...]
    drawings: tuple[Drawing, ...]
    findings: tuple[Finding, ...]


class Structure(Protocol):
    """A way to bind a block."""

    def __call__(self, spec: JobSpec, block: BlockPlan, ledger: Ledger) -> Bound:
        """Bind ``block``, entering every size in ``ledger``."""
