"""A case drawn: laid flat from the inside, and the closed spine in section."""

import math
from collections.abc import Callable, Sequence

from weald.core.bindings.case_sizes import Case
from weald.core.bindings.coverings import CoverPart
from weald.core.drawing import FIGURES_ACROSS, Drawing, Point, Sketch, box, dimension_rows
from weald.core.drawing_detail import draw_detail
from weald.core.materials import MATERIALS
from weald.core.quantities import CLOSED, CLOSED_BACK, SQUARE
from weald.core.reckoning import Ledger
from weald.core.stations.block_drawings import arc_points, shoulder_back
from weald.core.stations.block_drawings import draw_section as draw_block_section
from weald.core.units import TOLERANCE, Mm

SECTION_DEPTH: Mm = 32.0
NARROW: Mm = 40.0
"""A piece narrower than this has its name outside it."""
_AROUND = 0.8
"""Shown about an enlarged square, to its own size."""
_DETAIL_PART, _DETAIL_DOWN = 0.36, 0.58
"""How much of the board's shorter side an enlarged square takes, and how far down the board it begins."""
_LEAST_TIMES, _MOST_TIMES = 2, 6


def draw_flat(case: Case, parts: Sequence[CoverPart], ledger: Ledger, joining: Mm | None = None) -> Drawing:
    """The case laid flat, seen from the side that is glued: the covering, and on it boards and spine.

    :param joining: how far a paper strip that joins the boards reaches on each.
    """
    show, sketch = ledger.notation.figure, Sketch()
    turn, side = case.turn_in, case.turn_side
    width, height = case.cover_width, case.cover_height
    for part in parts:
        outline = [(x + side, y + turn) for x, y in part.outline]
        about = "cover.width cover.height corner.cut" if part.id == "cover" else f"piece.{part.id}"
        sketch.area(outline, part.fill, "cut", about)
        if MATERIALS[part.material].grained:
            sketch.grain(outline, 90)
    if len(parts) == 1:
        sheet = box(0, 0, width, height)
        sketch.line((*sheet, sheet[0]), "hidden", "cover.width cover.height")
    back, spine, front = _lefts(case)
    _boards(sketch, case, (back, spine, front))
    for left in (case.back_edge, front - case.gap):
        if case.spine != "none" and case.gap:
            sketch.hatch(box(left, turn, case.gap, case.tallest), "glue", 0, "joint.gap")
    if joining is not None:
        left = case.back_edge - joining
        right = front + joining
        strip = box(left, turn, right - left, case.tallest)
        sketch.line((*strip, strip[0]), "hidden", "strip.width")
    above = _flat_dimensions(sketch, case, (back, spine, front), show)
    rows = _part_dimensions(sketch, case, parts, show)
    for part in parts[1:] if len(parts) > 1 else ():
        sketch.line([(x + side, y + turn) for x, y in (*part.outline, part.outline[0])], "hidden")
    corner = case.corner / math.sqrt(2)
    tip = (front + case.board_width, turn + (case.tallest - case.board_height) / 2)
    sketch.line((tip, (tip[0] + corner, tip[1] - corner)), "dimension", "corner.cut")
    sketch.label(width + turn / 12, turn / 2, show(case.corner), anchor="start", about="corner.cut")
    between = f"joints {show(case.gap, True)}" if case.spine != "none" else f"{show(case.middle, True)} apart"
    return sketch.finish(
        "case.flat",
        "boards",
        "The case laid flat, from the inside",
        rows=(2, above, 1, rows),
        text=f"Cover {show(width, True)} by {show(height, True)} with {_boards_in_words(case, show)}, "
        f"{between}.",
        template=True,
    )


def _boards_in_words(case: Case, show: Callable[[Mm, bool], str]) -> str:
    front = f"{show(case.board_width, True)} by {show(case.board_height, True)}"
    if case.back is None:
        return f"two boards of {front}"
    back = f"{show(case.back.width, True)} by {show(case.back.height, True)}"
    return f"a front board of {front} and a back board of {back}"


def _lefts(case: Case) -> tuple[Mm, Mm, Mm]:
    """Left edges of back board, spine and front board."""
    back = case.turn_side
    spine = case.back_edge + case.gap
    return back, spine, spine + case.spine_width + case.gap


def _boards(sketch: Sketch, case: Case, lefts: tuple[Mm, Mm, Mm]) -> None:
    back, spine, front = lefts
    of_back = "back_board.width back_board.height" if case.back else "board.width board.height"
    boards = [(back, case.back_width, case.back_height, "back", of_back)]
    if case.spine != "none":
        name = "inlay" if case.spine == "inlay" else "spine"
        boards.append((spine, case.spine_width, case.tallest, name, "spine_board.width board.height"))
    boards.append((front, case.board_width, case.board_height, "front", "board.width board.height"))
    for left, across, high, name, about in boards:
        piece = box(left, case.turn_in + (case.tallest - high) / 2, across, high)
        if case.spine == "bare" and name == "spine":
            sketch.area(piece, "block", "hidden", about)
        else:
            sketch.area(piece, "card" if name == "inlay" else "board", "cut", about)
            sketch.grain(piece, 90)
        # what is too narrow for its name has it outside, on the turn-in
        down = case.turn_in + (case.tallest / 2 if across >= NARROW else case.tallest + case.turn_in / 2)
        sketch.label(left + across / 2, down, name, about=about)


def _flat_dimensions(sketch: Sketch, case: Case, lefts: tuple[Mm, Mm, Mm], show: Callable[[Mm], str]) -> int:
    """Draw the sizes of a case.

    :returns: how many rows they take above it.
    """
    back, spine, front = lefts
    turn, width, height = case.turn_in, case.cover_width, case.cover_height
    right = front + case.board_width
    edges: list[tuple[Mm, Mm, str]] = [
        (0.0, back, "binding.turn_in"),
        (back, case.back_edge, "back_board.width" if case.back else "board.width"),
        (front, right, "board.width"),
        (right, width, "binding.turn_in"),
    ]
    if case.spine == "none":
        edges.append((case.back_edge, front, "case.distance"))
    else:
        edges += [
            (case.back_edge, spine, "joint.gap"),
            (spine + case.spine_width, front, "joint.gap"),
            (spine, spine + case.spine_width, "spine_board.width"),
        ]
    rows = dimension_rows([(left, end, show(end - left)) for left, end, _ in edges], width, FIGURES_ACROSS)
    for (left, end, about), row in zip(edges, rows, strict=True):
        sketch.dimension((left, 0), (end, 0), show(end - left), offset=row, about=about)
    last = max(rows) + 1
    sketch.dimension((0, 0), (width, 0), show(width), offset=last, about="cover.width")
    top = turn + (case.tallest - case.back_height) / 2
    of_back = "back_board.height" if case.back else "board.height"
    for above, below, about in (
        (0.0, top, "binding.turn_in"),
        (top, top + case.back_height, of_back),
        (top + case.back_height, height, "binding.turn_in"),
    ):
        sketch.dimension((0, below), (0, above), show(below - above), about=about)
    sketch.dimension((0, height), (0, 0), show(height), offset=2, about="cover.height")
    return last


_PART_ROWS = {
    # piece: the quantity that is its width, and the row below the case its dimension stands in
    "spine_piece": ("spine_piece.width", 1),
    "fore_edge_strip": ("binding.fore_edge_strip", 1),
    "side": ("side.width", 2),
}


def _part_dimensions(
    sketch: Sketch, case: Case, parts: Sequence[CoverPart], show: Callable[[Mm], str]
) -> int:
    """The pieces of a covering in several pieces, below the case, and the leg of a corner at its right.

    :returns: how many rows they take below.
    """
    side, turn, bottom = case.turn_side, case.turn_in, case.cover_height
    rows = 0
    for part in parts:
        if part.id in _PART_ROWS:
            about, row = _PART_ROWS[part.id]
            start, end = part.left + side, part.right + side
            sketch.dimension((end, bottom), (start, bottom), show(end - start), offset=row, about=about)
            rows = max(rows, row)
    corners = [part for part in parts if part.id == "corner"]
    if corners:
        leg = max(y for _, y in corners[0].outline) - side
        right = case.cover_width
        sketch.dimension((right, turn), (right, turn + leg), show(leg), about="corner.leg")
    return rows


def cover_profile(case: Case, reach: Mm) -> list[Point]:
    """Half of the covering, from the spine's middle over its edge, through the groove, to x = ``reach``.

    Drawn as the case closes, with the pieces as they are.
    """
    over = [(x, -y) for x, y in case.hinge.path(case.closed.inset, case.closed.lift)]
    outside = over[-1][1]
    if case.spine in ("inlay", "bare"):
        back, chord = shoulder_back(case.block), case.block.chord
        arc = [(x - back - case.spine_board, y) for x, y in arc_points(chord, case.block.rise)]
        return [*(point for point in reversed(arc) if point[1] <= 0), *over, (reach, outside)]
    if case.spine == "board":
        return [(-case.spine_board, 0.0), *over, (reach, outside)]
    return [*over, (reach, outside)]


def draw_section(case: Case, ledger: Ledger) -> Drawing:
    """The closed spine cut across, seen from the tail: block, boards, the covering in the grooves."""
    show, sketch = ledger.notation.figure, Sketch()
    reach = max(SECTION_DEPTH, case.closed.inset + 4 * case.board)
    half = case.block.thickness / 2
    draw_block_section(sketch, case.block, reach)
    inset, lift = case.closed.inset, case.closed.lift
    # held off at the spine, a board comes down to the block at the fore-edge
    end = lift * (1 - (reach - inset) / case.board_width) if case.board_width > reach - inset else 0.0
    for side in (-1, 1):
        near, far = side * (half + lift), side * (half + end)
        board = (
            (inset, near),
            (reach, far),
            (reach, far + side * case.board),
            (inset, near + side * case.board),
        )
        about = "closed.inset binding.board"
        sketch.area(board, "board", about=f"{about} closed.parallel" if lift else about)
    if case.spine == "board":
        spine = box(-case.spine_board, -case.spine_width / 2, case.spine_board, case.spine_width)
        sketch.area(spine, "board", about="spine_board.width spine_board.thickness")
    upper = cover_profile(case, reach)
    lower = [(x, -y) for x, y in upper]
    about = (
        "case.distance" if case.spine == "none" else "joint.gap joint.groove" if case.groove else "joint.gap"
    )
    sketch.line([*reversed(upper), *lower[1:]], "thread", about)
    outside = -half - case.board
    if inset > 0:
        sketch.dimension((0, outside), (inset, outside), show(inset), about="closed.inset joint.inset")
    if case.spine == "board":
        edge = case.spine_width / 2
        outer = -case.spine_board
        sketch.dimension((outer, edge), (outer, -edge), show(case.spine_width), about="spine_board.width")
    elif case.block.round:
        edge = case.block.chord / 2
        tip = -shoulder_back(case.block) - case.block.rise
        sketch.dimension((tip, edge), (tip, -edge), show(case.block.chord), about="spine.chord")
    sketch.dimension((reach, -half), (reach, half), show(case.block.thickness), about="block.thickness")
    sketch.dimension((reach, outside), (reach, -half), show(case.board), about="binding.board", offset=2)
    dips = f"; the covering dips {show(case.groove, True)} into the joint" if case.spine != "none" else ""
    if lift:
        dips = f"; they are held {show(lift, True)} off the block there, so that the book is out of parallel"
    return sketch.finish(
        "case.section",
        "boards",
        "The closed spine in section",
        rows=(1, 1, 2, 0),
        text=f"The boards begin {show(inset, True)} from the spine{dips}.",
    )


def draw_corner(case: Case, ledger: Ledger) -> Drawing:
    """The corner at the front's head, seen from inside: where the cover is cut, and how it is turned in.

    Head and tail are turned first, then the corner is pinched in, then the fore-edge.
    """
    show, sketch = ledger.notation.figure, Sketch()
    turn, reach = case.turn_in, 2.2 * case.turn_in
    leg = max(0.0, 2 * turn - math.sqrt(2) * case.corner)
    cover = ((-reach, -turn), (turn - leg, -turn), (turn, -turn + leg), (turn, reach), (-reach, reach))
    sketch.area(cover, "cloth", "cut", "corner.cut binding.turn_in")
    sketch.line(((turn - leg, -turn), (turn, -turn), (turn, -turn + leg)), "hidden", "corner.cut")
    board = box(-reach, 0, reach, reach)
    sketch.area(board, "board", "outline", "board.width board.height")
    inside = turn - case.board
    if inside > 0:
        sketch.line(((-reach, inside), (0.0, inside)), "fold", "turn_in.inside")
        sketch.line(((-inside, inside), (-inside, reach)), "fold", "turn_in.inside")
        sketch.dimension((-reach, inside), (-reach, 0), show(inside), about="turn_in.inside")
    half = case.corner / math.sqrt(2)
    sketch.line(((0.0, 0.0), (half, -half)), "dimension", "corner.cut")
    sketch.label(half + 1, -half - 1, show(case.corner), anchor="start", about="corner.cut")
    sketch.label(-reach / 3, reach / 2, "board", height=3.0)
    sketch.dimension((0, -turn), (turn, -turn), show(turn), about="binding.turn_in")
    sketch.dimension((turn, -turn), (turn, 0), show(turn), about="binding.turn_in")
    return sketch.finish(
        "case.corner",
        "boards",
        "A corner, from the inside",
        rows=(1, 1, 1, 0),
        text=f"The cover is cut at 45°, {show(case.corner, True)} from the corner of the board; of the "
        f"turn-in, {show(max(inside, 0.0), True)} lies inside.",
        template=True,
    )


def draw_closed(case: Case, ledger: Ledger, *, back: bool = False) -> Drawing:
    """The case closed on its block: squares read off at head, tail and fore-edge.

    :param back: a back board that was cut apart, in place of the front one; its spine too drawn at the left.
    """
    show, sketch = ledger.notation.figure, Sketch()
    block, closed = case.block, case.back.closed if case.back and back else case.closed
    left = closed.inset
    width, height = (case.back_width, case.back_height) if back else (case.board_width, case.board_height)
    squares = CLOSED_BACK if back else CLOSED
    board = box(left, -closed.head, width, height)
    sides = ("back_board.width", "back_board.height") if back else ("board.width", "board.height")
    sketch.area(board, "board", "cut", " ".join(sides))
    sketch.grain(board, 90)
    leaf = box(0, 0, block.joint_width, block.height)
    sketch.line((*leaf, leaf[0]), "hidden", "block.width block.height")
    right, fore_edge = left + width, block.joint_width
    # under a thick covering less of a square is seen than of the bare board, which is what is drawn
    seen = {edge: f"{about} {SQUARE[edge]}" for edge, about in squares.items()}
    for (start, end), about in (
        (((right, 0.0), (right, -closed.head)), seen["head"]),
        (((right, block.height + closed.tail), (right, block.height)), seen["tail"]),
    ):
        sketch.dimension(end, start, show(math.dist(start, end)), about=about)
    top, bottom = -closed.head, block.height + closed.tail
    across = abs(right - fore_edge)
    edges = sorted((fore_edge, right))
    sketch.dimension((edges[1], bottom), (edges[0], bottom), show(across), about=seen["fore_edge"])
    if left > 0:
        sketch.dimension((0, top), (left, top), show(left), about="closed.inset")
    sketch.dimension((left, top), (right, top), show(width), offset=2 if left > 0 else 1, about=sides[0])
    sketch.dimension((left, bottom), (left, top), show(height), about=sides[1])
    _draw_corner_closed(sketch, board, edges, (block.height, bottom))
    return sketch.finish(
        "case.closed_back" if back else "case.closed",
        "boards",
        "The back board on its block" if back else "Closed on its block, from the front",
        rows=(1, 2 if left > 0 else 1, 1, 1),
        text=f"Squares: head {show(closed.head, True)}, tail {show(closed.tail, True)}, fore-edge "
        f"{show(closed.fore_edge, True)}.",
    )


def _draw_corner_closed(
    sketch: Sketch, board: tuple[Point, ...], across: list[Mm], down: tuple[Mm, Mm]
) -> None:
    """The squares at tail and fore-edge again, enlarged, in the middle of the board, where there is room.

    :param across, down: from leaf to board, at the fore-edge and at the tail.
    """
    (left, top), (right, bottom) = board[0], board[2]
    larger = max(across[1] - across[0], abs(down[1] - down[0]))
    side = larger * (1 + 2 * _AROUND)
    if larger < TOLERANCE:
        return
    times = min(math.floor(_DETAIL_PART * min(right - left, bottom - top) / side), _MOST_TIMES)
    if times < _LEAST_TIMES:
        return
    x, y = (across[0] + across[1]) / 2 - side / 2, (down[0] + down[1]) / 2 - side / 2
    place = ((left + right) / 2 - times * side / 2, top + _DETAIL_DOWN * (bottom - top))
    draw_detail(sketch, (x, y, x + side, y + side), times, *place)


def draw_spacer(width: Mm, height: Mm, title: str, ledger: Ledger) -> Drawing:
    """A strip to be cut once and laid between pieces as they are glued."""
    show, sketch = ledger.notation.figure, Sketch()
    strip = box(0, 0, width, height)
    sketch.area(strip, "card", "cut")
    sketch.name(0, 0, width, height, title, tallest=4.0)
    sketch.dimension((0, 0), (width, 0), show(width))
    sketch.dimension((width, 0), (width, height), show(height))
    return sketch.finish(
        "case.spacer",
        "boards",
        "Spacer strip",
        rows=(0, 1, 1, 0),
        text=title,
        template=True,
    )
