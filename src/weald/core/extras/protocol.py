"""What every extra answers: what it is and where it suits; a bound book in, pieces and drawings out."""

from collections.abc import Callable, Collection
from dataclasses import dataclass, field, replace

from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import SewingPlan
from weald.core.covers.art import CoverArt
from weald.core.drawing import Drawing, Sketch
from weald.core.findings import Finding, Patch
from weald.core.job.entries import Entries
from weald.core.job.extras.group import ExtraName
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.reckoning import Ledger
from weald.core.station import Station
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.stations.finish import FinishPlan
from weald.core.stations.folded import Folded


@dataclass(frozen=True, slots=True)
class Made:
    """A book as its stations have reckoned it, for what is added to it.

    :param drawn: the stations whose drawings are wanted.
    :param again: the book reckoned once more with some entries otherwise, for what is offered.
    """

    spec: JobSpec
    ledger: Ledger
    structure: Structure
    treatment: Treatment
    folded: Folded
    block: BlockPlan
    sewing: SewingPlan
    bound: Bound
    finish: FinishPlan | None
    art: CoverArt | None
    drawn: Collection[str]
    again: Callable[[Patch], Ledger]

    @property
    def notation(self) -> Notation:
        """How whoever asks reads."""
        return self.ledger.notation


@dataclass(frozen=True, slots=True)
class Remark:
    """Something to look at, at a station; as whoever reads it would say it."""

    station: Station
    text: str


@dataclass(frozen=True, slots=True)
class Added:
    """What an extra adds to a book."""

    pieces: tuple[Piece, ...] = ()
    drawings: tuple[Drawing, ...] = ()
    findings: tuple[Finding, ...] = ()
    remarks: tuple[Remark, ...] = ()


def nothing_more(made: Made) -> Added:
    """Of an extra that the stations themselves reckon with."""
    return Added()


def anywhere(structure: Structure, spec: JobSpec) -> bool:
    """It suits every book."""
    return True


@dataclass(frozen=True, slots=True)
class Extra:
    """Something binders add to a structure.

    :param good_for: when one does it, in words. ``draw``: its small picture.
    :param entries: what it asks for, as types; their titles are what fields are called.
    :param suits: whether it suits a book at all; where it does not, nobody is shown it.
    :param reckon: sizes and draws it, on a book that is bound.
    :param forbids: extras it contradicts; using both is a finding.
    :param begins: entries it begins with, besides the usual ones.
    :param in_words: names it is found by besides its title.
    :param row_file: of a job, to be taken for each row of its table; ``{row}`` stands for its number.
    :param left_open: what stands in a field that is left open.
    """

    name: ExtraName
    station: Station
    title: str
    good_for: str
    entries: type[Entries]
    draw: Callable[[Sketch], None]
    suits: Callable[[Structure, JobSpec], bool] = anywhere
    reckon: Callable[[Made], Added] = nothing_more
    forbids: tuple[ExtraName, ...] = ()
    begins: dict[str, object] = field(default_factory=dict)
    in_words: str = ""
    row_file: str = ""
    left_open: str = "by rule"

    def picture(self) -> Drawing:
        """Its small picture."""
        sketch = Sketch()
        self.draw(sketch)
        drawing = sketch.finish(f"extra.{self.name}", self.station, self.title, rows=(0, 0, 0, 0))
        return replace(drawing, to_scale=False)
