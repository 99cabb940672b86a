"""The one book that stations write, and that extras, the bench, covers and papers read."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, field

from weald.core.adhesives import (
    ADHESIVES,
    SEASON_FACTORS,
    Adhesive,
    AdhesiveFacts,
    Joint,
    adhesive_for,
)
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import SUPPORTED, SewingPlan
from weald.core.book.added import Added, ClosedBook
from weald.core.book.at_bench import NOTHING_YET, AtBench
from weald.core.book.operation import CasingIn, OrderOfWork
from weald.core.covers.art import CoverArt
from weald.core.drawing import Drawing
from weald.core.findings import Patch
from weald.core.job.lying import Facts, Lies, so_at_first
from weald.core.job.spec import JobSpec
from weald.core.materials import MATERIALS
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.press.press import Press
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.stations.cutting import StockedPiece
from weald.core.stations.finish import FinishPlan
from weald.core.stations.folded import Folded
from weald.core.stations.printing import PrintingPlan


@dataclass(slots=True)
class Book:
    """What has been worked out of a job so far; each part is written by one stop of the walk.

    A part that is not written yet cannot be read. Of those that not every book has, ``None`` says so.

    :param ledger: the sizes with their reasons; what kind of book this is, the parts say.
    :param treatment: what the structure does to the block.
    :param again: the book reckoned once more with some entries otherwise, for what is offered.
    :param drawn: the stations whose drawings are wanted; ``section`` the signature looked at, from 1.
    :param closed: its outside, once something is made round it.
    :param stocked: what is cut, each with the stock it is cut from; ``pieces`` those with a size.
    """

    spec: JobSpec
    structure: Structure
    ledger: Ledger
    treatment: Treatment
    again: Callable[[Patch], "Book"]
    drawn: frozenset[str] = frozenset()
    section: int = 1
    at_bench: AtBench = NOTHING_YET
    folded: Folded = field(init=False)
    printing: PrintingPlan = field(init=False)
    press: Press = field(init=False)
    block: BlockPlan = field(init=False)
    sewing: SewingPlan = field(init=False)
    bound: Bound = field(init=False)
    finish: FinishPlan | None = field(init=False)
    spine: Drawing | None = field(init=False)
    art: CoverArt | None = field(init=False)
    closed: ClosedBook | None = None
    added: Added = field(init=False)
    stocked: tuple[StockedPiece, ...] = field(init=False)
    pieces: tuple[Piece, ...] = field(init=False)
    casing_in: CasingIn | None = field(init=False)
    order: OrderOfWork = field(init=False)

    @property
    def notation(self) -> Notation:
        """How whoever asks reads."""
        return self.ledger.notation

    @property
    def there(self) -> Facts:
        """What is so when work begins."""
        pulled = self.spec.extras.pulled is not None
        lies = "bound" if pulled else self.spec.bench.lies or self._begins_with
        return so_at_first(lies, self.spec.bench.facts)

    @property
    def _begins_with(self) -> Lies:
        """What its binding begins with."""
        if self.structure.rebound:
            return "bound" if self.sewn else "paperback_leaves"
        return "stock"

    @property
    def copies(self) -> int:
        """Books to be bound."""
        return self.spec.copies

    @property
    def signatures(self) -> int:
        """Sections there are to sew; 0 for single leaves."""
        return len(self.folded.folding.sections) if self.folded.folding.sewn else 0

    @property
    def sheets(self) -> int:
        """Sheets in one copy."""
        return len(self.folded.folding.sheets)

    @property
    def sewn(self) -> bool:
        """Whether thread goes through it."""
        return self.treatment.method not in ("none", "staples") and self.signatures > 0

    @property
    def several(self) -> bool:
        """Whether sections are sewn to one another."""
        return self.sewn and self.signatures > 1

    @property
    def on_supports(self) -> bool:
        """Whether it is sewn on tapes or cords."""
        return self.sewing.method in SUPPORTED and self.spec.sewing.supports > 0

    @property
    def mulled(self) -> bool:
        """Whether its spine is lined with mull."""
        return self.structure.lined and self.spec.block.mull

    @property
    def leather(self) -> bool:
        """Whether any of its covering is leather."""
        return any(MATERIALS[piece.material].soaked for piece in self.pieces)

    def has(self, *ids: str) -> bool:
        """Whether one of these pieces is cut for it."""
        return any(piece.id in ids for piece in self.pieces)

    def taken(self, ids: Iterable[str]) -> tuple[Piece, ...]:
        """Those of these pieces it has, in the order of the cut list."""
        wanted = frozenset(ids)
        return tuple(piece for piece in self.pieces if piece.id in wanted)

    def size(self, quantity: QuantityId) -> str:
        """A size as it is read at the bench."""
        return self.notation.length(self.ledger.value(quantity), True)

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
