"""The case covered in printed paper: a flat back, even squares, and artwork that has to fit."""

from weald.core.bindings import pictures
from weald.core.bindings.case import CASE_ENTRIES, bind_case
from weald.core.bindings.case_sizes import size_flat
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Sketch
from weald.core.job.binding import Covering
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the case; what is printed on it is planned from that."""
    covering: Covering = "full"
    return bind_case(spec, size_flat(spec, block, covering, ledger), covering, ledger)


def draw(sketch: Sketch) -> None:
    """A flat case in printed paper."""
    pictures.block(sketch)
    pictures.boards(sketch)
    pictures.spine_board(sketch)
    pictures.cloth(sketch)
    pictures.part_covered(sketch, 5, pictures.LENGTH + 3, "side_paper")


STRUCTURE = Structure(
    name="printed_case",
    title="printed-cover case",
    good_for="covers with pictures or lettering right across: editions, children's books, gifts",
    lasts="years; paper wears at the joints before cloth does",
    effort=3,
    needs="a printed and sealed sheet, board, a brush and steady hands",
    bind=bind,
    draw=draw,
    methods=("tapes", "cords", "link", "none"),
    spine_board=True,
    coverings=("full",),
    entries=tuple(each for each in CASE_ENTRIES),
    chooses={
        "binding.material": "paper",
        "binding.cover_thickness": 0.2,
        "binding.squares.head": 4,
        "binding.squares.tail": 4,
        "binding.squares.fore_edge": 4,
        "binding.turn_in": 20,
    },
    thinnest=4.0,
    thickest=60.0,
    printed=True,
)
