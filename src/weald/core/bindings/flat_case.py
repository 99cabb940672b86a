"""The flat-back case: two boards and a spine board glued on one covering, or on several pieces of it.

It is made apart from the block and hung on it by the endpapers.
"""

from weald.core.bindings import pictures
from weald.core.bindings.case import CASE_ENTRIES, COVERINGS, bind_case
from weald.core.bindings.case_sizes import size_flat
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Sketch
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the case on ``block``, close it, draw it, and say what to mind."""
    covering = STRUCTURE.covering(spec)
    return bind_case(spec, size_flat(spec, block, covering, ledger), covering, ledger)


def draw(sketch: Sketch) -> None:
    """Boards and spine board round a square block."""
    pictures.block(sketch)
    pictures.boards(sketch)
    pictures.spine_board(sketch)
    pictures.cloth(sketch)


STRUCTURE = Structure(
    name="flat_case",
    title="flat-back case",
    good_for="notebooks and books of ordinary weight; the first case most binders make",
    lasts="generations when sewn on tapes",
    effort=2,
    needs="board, cloth, mull, a press or weights",
    bind=bind,
    draw=draw,
    methods=("tapes", "cords", "link"),
    spine_board=True,
    coverings=(*COVERINGS, "three_piece"),
    entries=(*CASE_ENTRIES, "binding.covering"),
    thinnest=4.0,
    thickest=80.0,
)
