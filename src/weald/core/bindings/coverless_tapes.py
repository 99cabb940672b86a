"""Sewn on tapes and left without a cover: the spine shows, the ends of the tapes are glued down."""

from weald.core.bindings import pictures
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import Hole, support_middles
from weald.core.drawing import Drawing, Sketch, box
from weald.core.findings import finding
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.bound_sizes import BoundSizes


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size nothing but the tapes, and draw where their ends are glued."""
    reach = ledger.reckon(
        "slip.length",
        spec.binding.tape_reach,
        "on each side, glued to the outer leaf",
        rule="{mm:25–40}",
        entry="binding.tape_reach",
    )
    ledger.reckon("book.weight", block.leaf_mass, "leaves alone, area × weight")
    found = () if spec.endpapers.leaves else (finding("coverless.bare", "endpapers.leaves", ledger.notation),)
    return Bound((), (_draw(spec, block, holes, reach, ledger),), found, BoundSizes(slip=reach))


def _draw(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], reach: float, ledger: Ledger) -> Drawing:
    """The block opened out round its spine: back, spine with tapes, front."""
    show, sketch = ledger.notation.figure, Sketch()
    spine = block.spine
    for left, width, about in (
        (-block.width, block.width, "block.width"),
        (0.0, spine, "spine.thickness"),
        (spine, block.width, "block.width"),
    ):
        sheet = box(left, 0, width, block.height)
        sketch.area(sheet, "paper" if about == "block.width" else "block", "outline", about)
    half = spec.sewing.support_width / 2
    for middle in support_middles(holes):
        tape = box(-reach, middle - half, spine + 2 * reach, 2 * half)
        sketch.area(tape, "lining", "cut", "sewing.support_length slip.length")
        for left in (-reach, spine):
            sketch.hatch(box(left, middle - half, reach, 2 * half), "glue", 0, "slip.length")
    top = 0.0
    sketch.dimension((-reach, top), (0, top), show(reach), about="slip.length")
    sketch.dimension((0, top), (spine, top), show(spine), offset=2, about="spine.thickness")
    sketch.dimension((spine, top), (spine + reach, top), show(reach), about="slip.length")
    sketch.dimension(
        (-block.width, block.height), (-block.width, 0), show(block.height), about="block.height"
    )
    return sketch.finish(
        "case.flat",
        "boards",
        "The block opened out round its spine",
        rows=(1, 2, 0, 0),
        text=f"Tapes reach {show(reach, True)} on to each side and are glued down there.",
        template=True,
    )


def draw(sketch: Sketch) -> None:
    """The bare block with a tape round its spine."""
    pictures.block(sketch)
    pictures.supports(sketch, reach=14.0, back=-2.6)


STRUCTURE = Structure(
    name="coverless_tapes",
    held="bare",
    title="coverless, on tapes",
    good_for="working copies and samples: opens flat, shows its sewing, and can be cased later",
    lasts="years; the outer leaves take the wear",
    effort=1,
    needs="tapes, thread, a little PVA",
    bind=bind,
    draw=draw,
    methods=("tapes",),
    entries=("binding.tape_reach",),
    thickest=50.0,
    heaviest=1500.0,
    most_swell=0.25,
    boards=False,
    lined=False,
    lettered=False,
    attachment="leaf",
)
