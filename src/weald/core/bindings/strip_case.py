"""The case whose boards are joined first by a strip of paper, and then covered in one piece.

Spine and joints are set before any cloth is glued, so that a large cover cannot pull the boards in.
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
    """Size the case as one with a flat back, and the strip that joins it."""
    covering = STRUCTURE.covering(spec)
    return bind_case(spec, size_flat(spec, block, covering, ledger), covering, ledger, joined=True)


def draw(sketch: Sketch) -> None:
    """A flat case with the strip on the inside of its covering."""
    pictures.block(sketch)
    pictures.boards(sketch)
    pictures.spine_board(sketch)
    pictures.cloth(sketch)
    pictures.part_covered(sketch, 5, 17, "paper")


STRUCTURE = Structure(
    name="strip_case",
    title="case joined by a strip",
    good_for="large books, printed or delicate coverings, and pieces that must meet exactly",
    lasts="generations when sewn on tapes",
    effort=2,
    needs="board, stout paper for the strip, cloth or paper, mull",
    bind=bind,
    draw=draw,
    methods=("tapes", "cords", "link"),
    spine_board=True,
    coverings=COVERINGS,
    entries=(*CASE_ENTRIES, "binding.covering", "binding.overlap"),
    thinnest=4.0,
    thickest=80.0,
)
