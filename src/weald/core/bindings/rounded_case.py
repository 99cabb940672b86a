"""The rounded, and usually backed, case: a soft inlay bends with the spine."""

from weald.core.bindings import pictures
from weald.core.bindings.case import CASE_ENTRIES, COVERINGS, bind_case
from weald.core.bindings.case_sizes import size_rounded
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import Hole
from weald.core.block.textblock import MOST_SWELL
from weald.core.drawing import Sketch
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the case from the arc over the shoulders, close it, draw it, and say what to mind."""
    covering = STRUCTURE.covering(spec)
    return bind_case(spec, size_rounded(spec, block, covering, ledger), covering, ledger)


def draw(sketch: Sketch) -> None:
    """Boards in the joint of a rounded block, the covering hollow behind it."""
    pictures.block(sketch, round=True)
    pictures.boards(sketch, inset=8)
    pictures.round_cloth(sketch, inset=8, joint=True)


STRUCTURE = Structure(
    name="rounded_case",
    title="rounded case",
    good_for="thicker books sewn with real thread: the round takes up the swell and keeps the spine in shape",
    lasts="generations",
    effort=3,
    needs="backing boards and a hammer, board, thin card, cloth, mull",
    bind=bind,
    draw=draw,
    methods=("tapes", "cords", "link"),
    backs=("round",),
    shoulders=("45", "90", "none"),
    coverings=COVERINGS,
    entries=(
        "back",
        *(each for each in CASE_ENTRIES if each not in ("binding.spine_board", "binding.spine_rule")),
        "binding.covering",
        "block.hollow",
    ),
    thinnest=8.0,
    thickest=100.0,
    heaviest=4000.0,
    most_swell=MOST_SWELL,
    hollow=True,
)
