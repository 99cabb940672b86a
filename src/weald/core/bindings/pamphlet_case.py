"""A single signature in a case without a spine board: its cloth goes round the back alone."""

from weald.core.bindings import pictures
from weald.core.bindings.case import CASE_ENTRIES, bind_case
from weald.core.bindings.case_sizes import size_without_spine
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Sketch
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan

HALF = 4.0


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the case from the distance between its boards, and the spacer that sets them."""
    covering = STRUCTURE.covering(spec)
    return bind_case(spec, size_without_spine(spec, block, covering, ledger), covering, ledger)


def draw(sketch: Sketch) -> None:
    """One folded section between two boards."""
    pictures.folded(sketch, HALF, 4)
    pictures.boards(sketch, inset=6, half=HALF + 0.5)
    edge = HALF + 0.5 + pictures.BOARD + 1
    half = [(-1.5, 0.0), (-1.5, -HALF), (6.0, -edge), (pictures.LENGTH + 3, -edge)]
    sketch.line([*reversed(half), *[(x, -y) for x, y in half[1:]]], "thread")


STRUCTURE = Structure(
    name="pamphlet_case",
    title="pamphlet in a case",
    good_for="a single {signature} that deserves boards: verses, a recipe book, a keepsake",
    lasts="generations; a single fold of good paper hardly wears",
    effort=1,
    needs="board, cloth or paper, thread; no press",
    bind=bind,
    draw=draw,
    methods=("pamphlet",),
    sections="one",
    coverings=("full", "quarter", "half", "fore_edge"),
    entries=(
        *(
            each
            for each in CASE_ENTRIES
            if each
            not in ("binding.spine_board", "binding.spine_rule", "binding.joint_rule", "binding.groove")
        ),
        "binding.inset",
        "binding.covering",
    ),
    chooses={"folding.make_up": "one_section"},
    thickest=8.0,
    heaviest=500.0,
    lined=False,
    lettered=False,
)
