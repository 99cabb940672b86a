"""What the bench has to know of a book: its pieces, how it is sewn and bound, and in what it is glued."""

from collections.abc import Iterable
from dataclasses import dataclass

from weald.core.adhesives import (
    ADHESIVES,
    SEASON_FACTORS,
    Adhesive,
    AdhesiveFacts,
    Joint,
    adhesive_for,
)
from weald.core.bindings.protocol import Structure
from weald.core.block.holes import SewingPlan
from weald.core.job.spec import JobSpec
from weald.core.pieces import Piece
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan, Treatment


@dataclass(frozen=True, slots=True)
class Book:
    """A book as its stations have reckoned it.

    :param signatures: sections there are to sew; 0 for single leaves. ``sheets``: in one copy.
    """

    spec: JobSpec
    structure: Structure
    treatment: Treatment
    ledger: Ledger
    pieces: tuple[Piece, ...]
    signatures: int
    sheets: int
    block: BlockPlan
    sewing: SewingPlan

    @property
    def copies(self) -> int:
        """Books to be bound."""
        return self.spec.copies

    @property
    def sewn(self) -> bool:
        """Whether thread goes through it."""
        return self.treatment.method not in ("none", "staples") and self.signatures > 0

    @property
    def several(self) -> bool:
        """Whether sections are sewn to one another."""
        return self.sewn and self.signatures > 1

    @property
    def leather(self) -> bool:
        """Whether any of its covering is leather."""
        return any(piece.material == "leather" for piece in self.pieces)

    @property
    def tall(self) -> bool:
        """Whether two people are wanted when it is covered: higher than 350 mm."""
        return self.ledger.value("block.height") > 350

    def has(self, *ids: str) -> bool:
        """Whether one of these pieces is cut for it."""
        return any(piece.id in ids for piece in self.pieces)

    def taken(self, ids: Iterable[str]) -> tuple[Piece, ...]:
        """Those of these pieces it has, in the order of the cut list."""
        wanted = frozenset(ids)
        return tuple(piece for piece in self.pieces if piece.id in wanted)

    def size(self, quantity: QuantityId) -> str:
        """A size as it is read at the bench."""
        return self.ledger.notation.length(self.ledger.value(quantity), True)

    def reckoned(self, quantity: QuantityId) -> bool:
        """Whether this book has such a size."""
        return quantity in self.ledger.quantities

    def adhesive(self, joint: Joint) -> Adhesive:
        """What a joint is glued with."""
        return adhesive_for(joint, getattr(self.spec.bench.glue, joint), self.leather)

    def facts(self, joint: Joint) -> AdhesiveFacts:
        """The same, with what it does."""
        return ADHESIVES[self.adhesive(joint)]

    def season(self) -> float:
        """What times of drying are multiplied by."""
        return SEASON_FACTORS[self.spec.bench.season]
