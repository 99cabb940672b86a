"""The small pictures structures are chosen by: a closed book cut across at its spine, seen from the tail.

Thicknesses are drawn larger than they are. The block is 44 long and 20 thick, its spine at x = 0.
"""

from weald.core.drawing import Material, Sketch, box
from weald.core.stations.block_drawings import arc_points
from weald.core.units import Mm

LENGTH: Mm = 44.0
HALF: Mm = 10.0
BOARD: Mm = 3.0
COVER_OFF: Mm = 1.2
RISE: Mm = 4.0
SHOULDER: Mm = 2.6


def block(sketch: Sketch, *, sections: int = 5, round: bool = False, half: Mm = HALF) -> None:
    """The block, its sections folded at the spine; of single leaves where ``sections`` is 0."""
    if round:
        arc = arc_points(2 * (half + SHOULDER), RISE)
        outline = [*arc, (SHOULDER, half), (LENGTH, half), (LENGTH, -half), (SHOULDER, -half)]
        sketch.area(outline, "block")
    else:
        sketch.area(box(0, -half, LENGTH, 2 * half), "block")
    count = sections or 12
    for number in range(1, count):
        y = half * (2 * number / count - 1)
        start = 1.0 if sections else 0.0
        sketch.line(((start, y), (LENGTH, y)), "hidden")
    if sections and not round:
        step = 2 * half / sections
        for number in range(sections):
            y = -half + (number + 0.5) * step
            sketch.arc(0.0, y, step / 2, 90, 270, "outline")


def boards(sketch: Sketch, *, inset: Mm = 5.0, half: Mm = HALF, thick: Mm = BOARD, reach: Mm = 3.0) -> None:
    """Boards on both sides, ``reach`` beyond the fore-edge."""
    for top in (-half - thick, half):
        sketch.area(box(inset, top, LENGTH + reach - inset, thick), "board")


def spine_board(sketch: Sketch) -> None:
    """A spine board, flush with the outside of the boards."""
    sketch.area(box(-BOARD - 1, -HALF - BOARD, BOARD, 2 * (HALF + BOARD)), "board")


def cloth(sketch: Sketch, *, inset: Mm = 5.0, back: Mm = -BOARD - 2.2, reach: Mm = LENGTH + 3) -> None:
    """Covering round a flat spine, dipping into both joints."""
    edge = HALF + BOARD + COVER_OFF
    half = [
        (back, 0.0),
        (back, -edge),
        (0.0, -edge),
        (inset / 2, -HALF - 0.6),
        (inset, -edge),
        (reach, -edge),
    ]
    sketch.line([*reversed(half), *[(x, -y) for x, y in half[1:]]], "thread")


def round_cloth(sketch: Sketch, *, inset: Mm, joint: bool, reach: Mm = LENGTH + 3, off: Mm = 2.0) -> None:
    """Covering round a rounded spine, ``off`` it; dipping into the joint or straight on to the boards."""
    edge = HALF + BOARD + COVER_OFF
    arc = [(x - off, y) for x, y in arc_points(2 * (HALF + SHOULDER), RISE) if y <= 0]
    dip = [(inset / 2 + 1, -HALF - 0.6)] if joint else []
    half = [*reversed(arc), *dip, (inset, -edge), (reach, -edge)]
    sketch.line([*reversed(half), *[(x, -y) for x, y in half[1:]]], "thread")


def part_covered(sketch: Sketch, start: Mm, end: Mm, material: Material) -> None:
    """Covering lying on both boards from ``start`` to ``end``."""
    for y in (-HALF - BOARD - 2 * COVER_OFF, HALF + BOARD + COVER_OFF):
        sketch.area(box(start, y, end - start, COVER_OFF), material)


def supports(sketch: Sketch, *, reach: Mm, half: Mm = HALF, back: Mm = -1.4) -> None:
    """A tape or cord across the spine and ``reach`` on to each side."""
    path = [(reach, -half - 0.7), (back, -half - 0.7), (back, half + 0.7), (reach, half + 0.7)]
    sketch.line(path, "slit")


def folded(sketch: Sketch, half: Mm, leaves: int) -> None:
    """One folded section: leaves nested round one fold."""
    for number in range(leaves):
        y = half * (number + 0.5) / leaves
        sketch.line(
            ((LENGTH, -y), (y / 2, -y), (0.0, -y / 2), (0.0, y / 2), (y / 2, y), (LENGTH, y)), "outline"
        )
