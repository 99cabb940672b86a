"""The flat-back case drawn: laid flat from the inside, and the closed spine in section."""

import math

from weald.core.bindings.flat_case_sizes import FlatCase
from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.reckoning import Ledger
from weald.core.units import Mm

SECTION_DEPTH: Mm = 32.0


def _cover_outline(case: FlatCase) -> tuple[Point, ...]:
    """The cover with its corners cut: at 45°, ``corner`` away from the board's corner."""
    width, height = case.cover_width, case.cover_height
    leg = max(0.0, 2 * case.turn_in - math.sqrt(2) * case.corner)
    return (
        (leg, 0.0),
        (width - leg, 0.0),
        (width, leg),
        (width, height - leg),
        (width - leg, height),
        (leg, height),
        (0.0, height - leg),
        (0.0, leg),
    )


def draw_flat(case: FlatCase, ledger: Ledger) -> Drawing:
    """The case laid flat, seen from the side that is glued."""
    show, sketch = ledger.notation.figure, Sketch()
    width, height, turn = case.cover_width, case.cover_height, case.turn_in
    sketch.area(_cover_outline(case), "cloth", "cut", "cover.width cover.height corner.cut")
    sketch.grain(_cover_outline(case), 90)
    sheet = box(0, 0, width, height)
    sketch.line((*sheet, sheet[0]), "hidden", "cover.width cover.height")

    back = turn
    spine = back + case.board_width + case.gap
    front = spine + case.spine_width + case.gap
    boards = (
        (back, case.board_width, "back", "board.width board.height"),
        (spine, case.spine_width, "spine", "spine_board.width board.height"),
        (front, case.board_width, "front", "board.width board.height"),
    )
    for left, across, name, about in boards:
        piece = box(left, turn, across, case.board_height)
        sketch.area(piece, "board", "cut", about)
        sketch.grain(piece, 90)
        narrow = across < 40
        sketch.label(
            left + across / 2,
            turn + case.board_height / 2,
            name,
            height=min(8.0, across / 3 if narrow else across / 12),
            rotation=-90 if narrow else 0,
            about=about,
        )
    for left in (back + case.board_width, front - case.gap):
        gap = box(left, turn, case.gap, case.board_height)
        sketch.hatch(gap, "glue", 0, "joint.gap")

    edges = (
        (0.0, turn, "binding.turn_in", case.turn_in, 1),
        (back, back + case.board_width, "board.width", case.board_width, 1),
        (back + case.board_width, spine, "joint.gap", case.gap, 1),
        (spine, spine + case.spine_width, "spine_board.width", case.spine_width, 2),
        (spine + case.spine_width, front, "joint.gap", case.gap, 1),
        (front, front + case.board_width, "board.width", case.board_width, 1),
        (front + case.board_width, width, "binding.turn_in", case.turn_in, 1),
    )
    for left, right, about, value, row in edges:
        sketch.dimension((left, 0), (right, 0), show(value), offset=row, about=about)
    sketch.dimension((0, 0), (width, 0), show(width), offset=3, about="cover.width")
    for above, below, about, value in (
        (0.0, turn, "binding.turn_in", turn),
        (turn, turn + case.board_height, "board.height", case.board_height),
        (turn + case.board_height, height, "binding.turn_in", turn),
    ):
        sketch.dimension((0, below), (0, above), show(value), about=about)
    sketch.dimension((0, height), (0, 0), show(height), offset=2, about="cover.height")

    corner = case.corner / math.sqrt(2)
    tip = (front + case.board_width, turn)
    sketch.line((tip, (tip[0] + corner, tip[1] - corner)), "dimension", "corner.cut")
    sketch.label(width + case.turn_in / 12, turn / 2, show(case.corner), anchor="start", about="corner.cut")
    return sketch.finish(
        "case.flat",
        "boards",
        "The case laid flat, from the inside",
        rows=(2, 3, 1, 0),
        text=f"Cover {show(width, True)} by {show(height, True)} with two boards of "
        f"{show(case.board_width, True)} by {show(case.board_height, True)}, spine board "
        f"{show(case.spine_width, True)}, joints {show(case.gap, True)}.",
    )


def _cloth_path(case: FlatCase, reach: Mm) -> list[Point]:
    """The covering material from the spine's middle over its edge, through the groove, on to the board."""
    edge = -case.spine_width / 2
    outside = -case.block.thickness / 2 - case.board
    floor = max(outside + case.groove, min(edge, 0.0)) if case.groove else outside
    return [
        (-case.spine_board, 0.0),
        (-case.spine_board, edge),
        (0.0, edge),
        (case.inset / 2, floor),
        (case.inset, outside),
        (reach, outside),
    ]


def draw_section(case: FlatCase, ledger: Ledger) -> Drawing:
    """The closed spine cut across, seen from the tail: block, boards, cloth in the grooves."""
    show, sketch = ledger.notation.figure, Sketch()
    reach = max(SECTION_DEPTH, case.inset + 4 * case.board)
    half = case.block.thickness / 2
    sketch.area(box(0, -half, reach, 2 * half), "block", about="block.thickness")
    folds = min(case.block.sections, 200)
    for fold in range(1, folds):
        y = half * (2 * fold / folds - 1)
        sketch.line(((0, y), (reach, y)), "hidden")
    for side in (-1, 1):
        top = -half - case.board if side < 0 else half
        sketch.area(
            box(case.inset, top, reach - case.inset, case.board),
            "board",
            about="joint.inset binding.board",
        )
    sketch.area(
        box(-case.spine_board, -case.spine_width / 2, case.spine_board, case.spine_width),
        "board",
        about="spine_board.width spine_board.thickness",
    )
    upper = _cloth_path(case, reach)
    lower = [(x, -y) for x, y in upper]
    sketch.line([*reversed(upper), *lower[1:]], "thread", "joint.gap joint.groove")
    outside = -half - case.board
    sketch.dimension((0, outside), (case.inset, outside), show(case.inset), about="joint.inset", offset=1)
    sketch.dimension(
        (-case.spine_board, case.spine_width / 2),
        (-case.spine_board, -case.spine_width / 2),
        show(case.spine_width),
        about="spine_board.width",
    )
    sketch.dimension((reach, -half), (reach, half), show(case.block.thickness), about="block.thickness")
    sketch.dimension((reach, outside), (reach, -half), show(case.board), about="binding.board", offset=2)
    return sketch.finish(
        "case.section",
        "boards",
        "The closed spine in section",
        rows=(1, 1, 2, 0),
        text=f"The boards begin {show(case.inset, True)} from the spine; the cloth dips "
        f"{show(case.groove, True)} into the joint.",
    )
