"""What every structure answers: block in; pieces, drawings and findings out."""

from dataclasses import dataclass
from typing import Protocol

from weald.core.drawing import Drawing
from weald.core.findings import Finding
from weald.core.pieces import Piece
from weald.core.reckoning import Ledger
from weald.core.spec import JobSpec
from weald.core.stations.block import BlockPlan


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
