"""The block drawn: from the front, from its tail, and its spine with the marks on it."""

import math
from itertools import pairwise

from weald.core.block.holes import SewingPlan, support_middles
from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.reckoning import Ledger
from weald.core.remembering import remembered
from weald.core.stations.block_pieces import MULL_SHORT, SPACE_LESS, clear_spaces
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

DRAWN_FOLDS = 400
ARC_STEPS = 32


def arc_points(chord: Mm, rise: Mm, steps: int = ARC_STEPS) -> list[Point]:
    """The arc of a rounded spine, bulging to the left of x = 0, from y = −chord/2 to chord/2."""
    if rise <= 0:
        return [(0.0, -chord / 2), (0.0, chord / 2)]
    radius = (chord**2 / 4 + rise**2) / (2 * rise)
    half = math.asin(min(1.0, chord / 2 / radius))
    if rise > radius:
        half = math.pi - half
    points = []
    for step in range(steps + 1):
        angle = half * (2 * step / steps - 1)
        points.append((radius - rise - radius * math.cos(angle), radius * math.sin(angle)))
    return points


def shoulder_back(block: BlockPlan) -> Mm:
    """How far the tips of the shoulders stand behind the shoulder line."""
    if not block.shoulder_angle:
        return 0.0
    return block.shoulder_line * math.cos(math.radians(block.shoulder_angle))


def section_outline(block: BlockPlan, reach: Mm) -> list[Point]:
    """The block cut across, ``reach`` long, shoulder line (or spine) at x = 0, its middle at y = 0."""
    half, back = block.thickness / 2, shoulder_back(block)
    if not block.round:
        return list(box(0, -half, reach, 2 * half))
    arc = [(x - back, y) for x, y in arc_points(block.chord, block.rise)]
    return [*arc, (0.0, half), (reach, half), (reach, -half), (0.0, -half)]


def draw_section(sketch: Sketch, block: BlockPlan, reach: Mm) -> None:
    """The spine part of the block cut across, ``reach`` long, the shoulder line (or the spine) at x = 0."""
    half = block.thickness / 2
    folds = min(block.sections, DRAWN_FOLDS)
    if not block.round:
        sketch.area(section_outline(block, reach), "block", about="block.thickness")
        for fold in range(1, folds):
            y = half * (2 * fold / folds - 1)
            sketch.line(((0, y), (reach, y)), "hidden", "sections.count")
        return
    back = shoulder_back(block)
    arc = [(x - back, y) for x, y in arc_points(block.chord, block.rise)]
    sketch.area(
        section_outline(block, reach), "block", about="block.thickness spine.arc spine.rise shoulder.height"
    )
    for fold in range(1, folds):
        part = fold / folds
        place = part * (len(arc) - 1)
        near = arc[math.floor(place)]
        level = half * (2 * part - 1)
        bend = max(block.shoulder_line, block.thickness / 6)
        sketch.line((near, (bend, level), (reach, level)), "hidden", "sections.count")


def draw_front(spec: JobSpec, block: BlockPlan, sewing: SewingPlan, lined: bool, ledger: Ledger) -> Drawing:
    """The block lying on its back: what is trimmed off it, the mull, and the diagonals to be compared."""
    show, sketch, trim = ledger.notation.figure, Sketch(), spec.leaf.trim
    front = box(0, 0, block.width, block.height)
    sketch.area(front, "block", about="block.width block.height")
    sketch.grain(front, 90)
    if spec.block.trimming != "untrimmed":
        whole = block.height + trim.head + trim.tail
        for left, top, width, height in (
            (0.0, -trim.head, block.width, trim.head),
            (0.0, block.height, block.width, trim.tail),
            (block.width, -trim.head, trim.fore_edge, whole),
        ):
            if min(width, height) > 0:
                sketch.area(box(left, top, width, height), "waste", "fill")
                sketch.hatch(box(left, top, width, height), "trim", 45)
        sketch.line((*front, front[0]), "trim", "block.width block.height")
    if lined and spec.block.mull:
        _draw_mull(spec, sketch, block, sewing)
    if block.shoulder_line:
        line = ((block.shoulder_line, 0.0), (block.shoulder_line, block.height))
        sketch.line(line, "score", "shoulder.line shoulder.width")
    for ends in (((0, 0), (block.width, block.height)), ((0, block.height), (block.width, 0))):
        sketch.line(ends, "hidden", "block.diagonal block.out_of_square")
    sketch.dimension((0, 0), (block.width, 0), show(block.width), about="block.width")
    sketch.dimension((block.width, 0), (block.width, block.height), show(block.height), about="block.height")
    cut = spec.block.trimming != "untrimmed" and any((trim.head, trim.tail, trim.fore_edge))
    wide, high = block.width + trim.fore_edge, block.height + trim.head + trim.tail
    before = f"; {show(wide, True)} × {show(high, True)} before it is trimmed" if cut else ""
    return sketch.finish(
        "block.front",
        "block",
        "The block trimmed, from the front" if cut else "The block, from the front",
        rows=(0, 1, 1, 0),
        text=f"A block {show(block.width, True)} wide and {show(block.height, True)} high{before}.",
    )


def _draw_mull(spec: JobSpec, sketch: Sketch, block: BlockPlan, sewing: SewingPlan) -> None:
    """The mull as it lies on the front, in one piece or between the raised cords."""
    across = min(spec.block.mull_overlap, block.width / 3)
    if clear_spaces(spec, block, sewing):
        half = spec.sewing.support_width / 2 + SPACE_LESS / 2
        edges = [MULL_SHORT, *support_middles(sewing.holes), block.height - MULL_SHORT]
        for number, (above, below) in enumerate(pairwise(edges)):
            top = above + (half if number else 0.0)
            bottom = below - (half if number < len(edges) - 2 else 0.0)
            if bottom > top:
                sketch.area(box(0, top, across, bottom - top), "lining", about="mull.width")
        return
    if block.height <= 2 * MULL_SHORT:
        return
    strip = box(0, MULL_SHORT, across, block.height - 2 * MULL_SHORT)
    sketch.area(strip, "lining", about="mull.width mull.height")
    sketch.label(across / 2, block.height / 2, "mull", height=min(4.0, across / 5), rotation=-90)


@remembered(8)
def draw_tail(block: BlockPlan, notation: Notation) -> Drawing:
    """The spine part of the block from its tail: as sewn and swollen, or rounded with its shoulders."""
    return _draw_rounded(block, notation) if block.round else _draw_swollen(block, notation)


def _draw_swollen(block: BlockPlan, notation: Notation) -> Drawing:
    show, sketch = notation.figure, Sketch()
    half, sewn = block.thickness / 2, block.spine / 2
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


def _draw_rounded(block: BlockPlan, notation: Notation) -> Drawing:
    show, sketch = notation.figure, Sketch()
    half, edge = block.thickness / 2, block.chord / 2
    reach = min(block.width, max(60.0, 2.5 * block.thickness))
    draw_section(sketch, block, reach)
    back = -shoulder_back(block)
    if block.shoulder:
        sketch.line(((0.0, -edge), (0.0, edge)), "score", "shoulder.line shoulder.height")
        sketch.dimension((0, -edge), (0, -half), show(edge - half), about="shoulder.height spine.chord")
    sketch.line(((back, -edge), (back, edge)), "hidden", "spine.chord")
    top = back - block.rise
    sketch.dimension((top, edge), (back, edge), show(block.rise), offset=-1, about="spine.rise")
    sketch.dimension((top, edge), (top, -edge), show(block.chord), about="spine.chord spine.arc")
    sketch.dimension((reach, -half), (reach, half), show(block.thickness), about="block.thickness")
    return sketch.finish(
        "block.tail",
        "block",
        "The spine rounded, from the tail",
        rows=(1, 0, 1, 1),
        text=f"{show(block.thickness, True)} thick, {show(block.chord, True)} over the shoulders, arc "
        f"{show(block.arc, True)}, rise {show(block.rise, True)}.",
    )


def draw_spine(spec: JobSpec, block: BlockPlan, sewing: SewingPlan, ledger: Ledger) -> Drawing:
    """The spine of the block with every mark on it: stations, and where head and tail are cut.

    Trimmed in boards, three marks stand at either end: home, and one square to each side of it, to which
    the boards are slid for the cut.
    """
    show, sketch, trim = ledger.notation.figure, Sketch(), spec.leaf.trim
    across = "spine.arc" if block.round else "block.thickness"
    width = block.arc
    whole = box(0, -trim.head, width, block.height + trim.head + trim.tail)
    sketch.area(whole, "block", "outline", f"block.height {across}")
    for top, waste in ((-trim.head, trim.head), (block.height, trim.tail)):
        if waste:
            sketch.hatch(box(0, top, width, waste), "trim", 45)
    for y in (0.0, block.height):
        sketch.line(((0, y), (width, y)), "trim", "block.height")
    for hole in () if sewing.stab else sewing.holes:
        sketch.line(((0.1 * width, hole.place), (0.9 * width, hole.place)), "slit", "sewing.interval")
    if spec.block.trimming == "in_boards":
        squares = spec.binding.squares
        for y, square in ((0.0, squares.head), (block.height, squares.tail)):
            for off in (-square, square):
                ends = ((0, y + off), (width, y + off))
                sketch.line(ends, "score", "squares.head squares.tail")
    sketch.dimension((width, 0), (width, block.height), show(block.height), about="block.height")
    sketch.dimension((0, -trim.head), (width, -trim.head), show(width), about=across)
    return sketch.finish(
        "block.spine",
        "block",
        "The spine, with its marks",
        rows=(0, 1, 1, 0),
        text="Stations across the spine; the waste at head and tail is hatched.",
    )
