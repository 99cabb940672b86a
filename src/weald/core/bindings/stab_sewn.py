"""Stab sewing: single leaves between soft covers, sewn through all of them beside the spine, in a pattern."""

from weald.core.bindings.protocol import COVER_STUFF, Bound, Structure
from weald.core.block.holes import Hole
from weald.core.block.stab import StabWork, sew_stab, stab_work
from weald.core.drawing import Drawing, Sketch, box
from weald.core.job.spec import JobSpec
from weald.core.materials import CARD_GSM_PER_MM
from weald.core.pieces import make_piece
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.bound_sizes import BoundSizes
from weald.core.units import Mm

HOLE: Mm = 0.8


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Two covers as large as the leaf, pierced with it."""
    width = ledger.reckon("cover.leaf", block.width, "{width}", {"width": ledger.ref("block.width")})
    height = ledger.reckon("cover.height", block.height, "{height}", {"height": ledger.ref("block.height")})
    ledger.reckon(
        "book.weight",
        block.leaf_mass + 2 * width * height / 1e6 * CARD_GSM_PER_MM * spec.binding.cover_thickness,
        "leaves + covers, each area × its weight",
    )
    piece = make_piece(
        ledger,
        "cover",
        "Cover",
        "card",
        2 * spec.copies,
        (width, height),
        "front and back, pierced and sewn with the leaves; scored beside the stations",
        thickness=spec.binding.cover_thickness,
    )
    work = stab_work(block.height, spec.sewing.stab)
    sizes = BoundSizes(leaf=width, height=height)
    return Bound((piece,), (_draw_front(spec, block, work, ledger),), (), sizes)


def _draw_front(spec: JobSpec, block: BlockPlan, work: StabWork, ledger: Ledger) -> Drawing:
    """The front cover with the sewing on it, the spine to the left."""
    show, sketch = ledger.notation.figure, Sketch()
    sketch.area(box(0, 0, block.width, block.height), "card", "cut", "cover.leaf cover.height")
    sketch.grain(box(0, 0, block.width, block.height), 90)
    draw_threads(sketch, work, block.height)
    sketch.dimension((0, 0), (block.width, 0), show(block.width), about="cover.leaf")
    sketch.dimension((0, block.height), (0, 0), show(block.height), about="cover.height")
    return sketch.finish(
        "case.flat",
        "boards",
        "The front cover, sewn, spine to the left",
        rows=(1, 1, 0, 0),
        text=f"{len(work.holes)} holes; covers {show(block.width, True)} by {show(block.height, True)}.",
        template=True,
    )


def draw_threads(sketch: Sketch, work: StabWork, height: Mm) -> None:
    """The sewn pattern on the front: its lines, and the loops round the edges."""
    for one, other in work.lines:
        start, end = work.holes[one], work.holes[other]
        sketch.line(((start.x, start.y), (end.x, end.y)), "thread", "sewing.holes")
    for move in sew_stab(work):
        if move.wrap:
            hole = work.holes[move.start]
            ends = {"spine": (0.0, hole.y), "head": (hole.x, 0.0), "tail": (hole.x, height)}
            sketch.line(((hole.x, hole.y), ends[move.wrap]), "thread", "sewing.holes")
    for hole in work.holes:
        sketch.arc(hole.x, hole.y, HOLE, 0, 359.9, "cut", "sewing.holes")


def draw(sketch: Sketch) -> None:
    """A soft book from the front, four stations along its spine."""
    sketch.area(box(0, 0, 34, 46), "side_paper", "cut")
    places = (6.0, 17.3, 28.7, 40.0)
    sketch.line(((6, places[0]), (6, places[-1])), "thread")
    for y in places:
        sketch.line(((0, y), (6, y)), "thread")
        sketch.arc(6, y, 0.8, 0, 359.9, "cut")
    sketch.line(((6, 0), (6, 6)), "thread")
    sketch.line(((6, 40), (6, 46)), "thread")


STRUCTURE = Structure(
    name="stab_sewn",
    held="stabbed",
    title="stab-sewn soft book",
    good_for="single leaves and thin papers, with a pattern on show; no glue, and taken apart again",
    lasts="decades; it does not open flat",
    effort=1,
    needs="an awl or a small drill, a waste board, strong thread",
    bind=bind,
    draw=draw,
    methods=("stab",),
    sections="leaves",
    entries=(*COVER_STUFF, "sewing.stab"),
    chooses={"binding.material": "paper", "binding.cover_thickness": 0.4},
    thinnest=1.0,
    thickest=30.0,
    heaviest=900.0,
    boards=False,
    endpapers=False,
    lined=False,
    lettered=False,
)
