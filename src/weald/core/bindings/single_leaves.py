"""Single leaves in a case: fanned and glued, or folded spreads glued back to back."""

from dataclasses import replace

from weald.core.bindings import pictures
from weald.core.bindings.case import CASE_ENTRIES, COVERINGS, bind_case
from weald.core.bindings.case_sizes import size_flat
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Sketch
from weald.core.finding_words import FindingCode
from weald.core.findings import finding
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size a flat-back case on leaves that are glued, and say how long that lasts."""
    covering = STRUCTURE.covering(spec)
    bound = bind_case(spec, size_flat(spec, block, covering, ledger), covering, ledger)
    code: FindingCode = "leaves.drum" if spec.binding.leaves == "drum" else "leaves.glued"
    return replace(bound, findings=(*bound.findings, finding(code, "binding.leaves", ledger.notation)))


def draw(sketch: Sketch) -> None:
    """A flat case round single leaves."""
    pictures.block(sketch, sections=0)
    pictures.boards(sketch)
    pictures.spine_board(sketch)
    pictures.cloth(sketch)


STRUCTURE = Structure(
    name="single_leaves",
    title="case of single leaves",
    good_for="what has no folds: a printed stack, photographs, pictures across every opening",
    lasts="a few readings when the leaves are loose in glue, years when they are fanned, longer as a drum",
    effort=2,
    needs="a press, PVA, mull, board, cloth",
    bind=bind,
    draw=draw,
    methods=("none",),
    spine_board=True,
    sections="leaves",
    coverings=(*COVERINGS, "three_piece"),
    entries=("binding.leaves", *CASE_ENTRIES, "binding.covering"),
    thinnest=4.0,
    thickest=50.0,
    heaviest=1500.0,
)
