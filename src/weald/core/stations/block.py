"""Block: its thickness and size, the swell of the sewing, and what follows for a flat back."""

from dataclasses import dataclass

from weald.core.drawing import Drawing, Sketch, box
from weald.core.findings import Action, Finding, finding
from weald.core.paper import GREYBOARD_GSM_PER_MM, calliper_from_bulk
from weald.core.reckoning import Ledger
from weald.core.spec import JobSpec
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan
from weald.core.textblock import FLAT_BACK_SWELL_LIMIT, swell, thread_for_flat_back
from weald.core.units import Mm

THICKEST: Mm = 300.0
THICK_FOR_A_CASE: Mm = 80.0
THINNEST_WITH_SPINE_BOARD: Mm = 4.0
MEASUREMENT_DOUBTED = 0.2
DRAWN_FOLDS = 400
MULL_OVERLAP: Mm = 25.0
"""Mull lies this far on each board; 15 to 30 is usual."""
MULL_SHORT: Mm = 10.0
"""Mull stops this short of head and tail."""


@dataclass(frozen=True, slots=True)
class BlockPlan:
    """The block as it goes into the case. ``leaf_mass`` is that of its paper, in grams."""

    height: Mm
    width: Mm
    thickness: Mm
    swell: Mm
    sections: int
    leaf_mass: float


def reckon(spec: JobSpec, paper: PaperPlan, folding: FoldingPlan, ledger: Ledger) -> BlockPlan:
    """Stack the leaves and the endpapers, and add the swell."""
    ends = spec.endpapers
    ledger.reckon(
        "text.thickness",
        ledger.value("text.leaves") * paper.calliper,
        "{leaves} × {calliper}",
        {"leaves": ledger.ref("text.leaves"), "calliper": ledger.ref("paper.calliper")},
    )
    end_calliper = calliper_from_bulk(ends.grammage, ends.bulk)
    ledger.reckon(
        "endpapers.thickness",
        2 * ends.leaves * end_calliper,
        "2 × {leaves} × {grammage} × {bulk} / 1000",
        {
            "leaves": ledger.entry("leaves at each end", ends.leaves, "endpapers.leaves", "count"),
            "grammage": ledger.entry("endpaper", ends.grammage, "endpapers.grammage", "grammage"),
            "bulk": ledger.entry("bulk", ends.bulk, "endpapers.bulk", "factor"),
        },
        sum_in_mm=True,
    )
    thickness = ledger.reckon(
        "block.thickness",
        ledger.value("text.thickness") + ledger.value("endpapers.thickness"),
        "{text} + {ends}",
        {"text": ledger.ref("text.thickness"), "ends": ledger.ref("endpapers.thickness")},
    )
    height = ledger.reckon("block.height", spec.leaf.height, "the trimmed leaf", entry="leaf.height")
    width = ledger.reckon("block.width", spec.leaf.width, "the trimmed leaf", entry="leaf.width")
    sections, sewing = len(folding.sections) if folding.sewn else 0, spec.sewing
    added = ledger.reckon(
        "spine.swell",
        swell(sections, sewing.thread, sewing.swell_factor),
        "{sections} × {thread} × {factor}",
        {
            "sections": ledger.entry("sewn signatures", sections, "sections.count", "count"),
            "thread": ledger.entry("thread", sewing.thread, "sewing.thread", "thickness"),
            "factor": ledger.entry("swell factor", sewing.swell_factor, "sewing.swell_factor", "factor"),
        },
        rule="0.5 for all-along sewing until measured, half of that for two-on",
    )
    ledger.reckon(
        "spine.swell_ratio",
        100 * added / thickness,
        "100 × {swell} / {thickness}",
        {"swell": ledger.ref("spine.swell"), "thickness": ledger.ref("block.thickness")},
        rule="a flat back takes 10 to 12 %",
    )
    ledger.reckon(
        "spine.thickness",
        thickness + added,
        "{thickness} + {swell}",
        {"thickness": ledger.ref("block.thickness"), "swell": ledger.ref("spine.swell")},
        rule="before the spine is nipped; the case is sized on the pressed block",
    )
    area = height * width / 1e6
    mass = area * (ledger.value("text.leaves") * paper.grammage + 2 * ends.leaves * ends.grammage)
    return BlockPlan(height, width, thickness, added, sections, mass)


def book_weight(spec: JobSpec, block: BlockPlan, board_area: float, cover_area: float, cloth: float) -> float:
    """Grams of the finished book: leaves, boards and cover; areas in m², cloth in g/m²."""
    return block.leaf_mass + board_area * spec.binding.board * GREYBOARD_GSM_PER_MM + cover_area * cloth


def mind(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> list[Finding]:
    """What to mind about the block for a flat back."""
    found: list[Finding] = []
    show = ledger.notation
    thickness = show.length(block.thickness, True)
    if block.thickness > THICKEST:
        found.append(
            finding(
                "block.too_thick",
                "block.thickness",
                thickness=thickness,
                most=show.length(THICKEST, True),
            )
        )
    elif block.thickness > THICK_FOR_A_CASE:
        found.append(finding("block.heavy", "block.thickness", thickness=thickness))
    elif block.thickness < THINNEST_WITH_SPINE_BOARD:
        found.append(
            finding(
                "block.thin",
                "block.thickness",
                thickness=thickness,
                least=show.length(THINNEST_WITH_SPINE_BOARD, True),
            )
        )
    if block.swell > FLAT_BACK_SWELL_LIMIT * block.thickness:
        best = thread_for_flat_back(block.thickness, block.sections, spec.sewing.swell_factor)
        thread = int(best * 100) / 100
        actions = (
            (Action(f"Sew with {show.thickness(thread, True)} thread", {"sewing.thread": thread}),)
            if thread >= 0.2
            else ()
        )
        found.append(
            finding(
                "swell.much",
                "spine.swell_ratio",
                percent=f"{100 * block.swell / block.thickness:.0f}",
                thread=show.thickness(max(thread, 0.01), True),
                actions=actions,
            )
        )
    quantity = ledger.quantities["block.thickness"]
    if quantity.measured is not None and (
        abs(quantity.measured - quantity.computed) > MEASUREMENT_DOUBTED * quantity.computed
    ):
        found.append(
            finding(
                "measured.far",
                "block.thickness",
                label=quantity.label,
                measured=quantity.shown,
                computed=quantity.computed_shown,
            )
        )
    return found


def draw_front(block: BlockPlan, ledger: Ledger) -> Drawing:
    """The block lying on its back board, with the mull over the spine."""
    show, sketch = ledger.notation.figure, Sketch()
    front = box(0, 0, block.width, block.height)
    sketch.area(front, "block", about="block.width block.height")
    sketch.grain(front, 90)
    if block.height > 2 * MULL_SHORT:
        across = min(MULL_OVERLAP, block.width / 3)
        sketch.area(box(0, MULL_SHORT, across, block.height - 2 * MULL_SHORT), "lining")
        sketch.label(across / 2, block.height / 2, "mull", height=min(4.0, across / 5), rotation=-90)
    sketch.dimension((0, 0), (block.width, 0), show(block.width), about="block.width")
    sketch.dimension((block.width, 0), (block.width, block.height), show(block.height), about="block.height")
    return sketch.finish(
        "block.front",
        "block",
        "The block, from the front",
        rows=(0, 1, 1, 0),
        text=f"A block {show(block.width, True)} wide and {show(block.height, True)} high.",
    )


def draw_tail(block: BlockPlan, ledger: Ledger) -> Drawing:
    """The spine part of the block from its tail, as sewn: the swell, and where it has gone."""
    show, sketch = ledger.notation.figure, Sketch()
    half, sewn = block.thickness / 2, (block.thickness + block.swell) / 2
    reach = min(block.width, max(60.0, 3 * block.thickness))
    ends = 0.6 * reach
    sketch.area(
        ((0, -sewn), (ends, -half), (reach, -half), (reach, half), (ends, half), (0, sewn)),
        "block",
        about="block.thickness spine.swell spine.thickness",
    )
    folds = min(block.sections, DRAWN_FOLDS)
    for fold in range(1, folds):
        part = 2 * fold / folds - 1
        sketch.line(((0, part * sewn), (ends, part * half), (reach, part * half)), "hidden", "sections.count")
    sketch.dimension((0, sewn), (0, -sewn), show(2 * sewn), about="spine.thickness spine.swell")
    sketch.dimension((reach, -half), (reach, half), show(block.thickness), about="block.thickness")
    return sketch.finish(
        "block.tail",
        "block",
        "The spine as sewn, from the tail",
        rows=(1, 0, 1, 0),
        text=f"{show(block.thickness, True)} thick, {show(2 * sewn, True)} at the spine as sewn.",
    )
