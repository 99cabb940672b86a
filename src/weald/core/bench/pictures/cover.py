"""Pictures of the covering: cut, pared, glued, turned in; the case made, or the book covered."""

import itertools
from collections.abc import Iterator

from weald.core.bench.pictures.acts import Scene
from weald.core.bench.pictures.block_seen import from_tail, seen_of
from weald.core.bench.pictures.closed_seen import closed_section
from weald.core.bench.pictures.cover_seen import (
    Flat,
    cover_flat,
    draw_boards,
    flat_of,
    front_board,
    turned_in,
)
from weald.core.bench.pictures.things import bed, piece_cut, scene_of
from weald.core.book.book import Book
from weald.core.drawing import Drawing, box
from weald.core.job.lying import Facts

_COVERS = ("cover", "spine_piece", "side", "corner", "fore_edge_strip", "infill")


def trial_leather(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """An offcut pasted on a board: how it takes paste, moves and dries."""
    scene = scene_of(book, 120.0)
    scene.sketch.area(box(0, 0, 100, 60), "board", about="board.thickness")
    scene.glue(box(5, 5, 90, 50))
    yield scene.frame("Paste an offcut twice, as the cover will be")
    scene = scene_of(book, 120.0)
    scene.sketch.area(box(0, 0, 100, 60), "board", about="board.thickness")
    scene.sketch.area(box(3, 3, 94, 54), "leather", about="cover.width")
    scene.over((94, 30), (70, 30), 0.4)
    yield scene.frame("Turn it in over an edge: it shows how far to pare, and how it dries")


def look_over_print(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The printed cover held against the case's sizes."""
    scene = _scene(book)
    flat = cover_flat(scene, book, before)
    draw_boards(scene, flat)
    left, top, right, bottom = flat.outside
    scene.size((left, top), (right, top), "The sheet, wide", "cover.width")
    scene.size((left, bottom), (left, top), "high", "cover.height")
    yield scene.frame("Spine in the middle, turn-ins alike, the grain along the spine")
    scene = _scene(book)
    cover_flat(scene, book, before)
    middle = (left + right) / 2
    spine = book.bound.sizes.spine or book.block.arc
    for x in (middle - spine / 2, middle + spine / 2):
        scene.sketch.line(((x, top), (x, bottom)), "score", "cover.width")
    scene.size((middle - spine / 2, top), (middle + spine / 2, top), "The spine, wide", "spine.width")
    yield scene.frame("Hold it round the block: the printed spine on the spine, words the right way up")


def _scene(book: Book) -> Scene:
    left, top, right, bottom = flat_of(book).outside
    return scene_of(book, max(right - left, bottom - top))


def cut_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Every piece of the covering: its size, grain along the spine."""
    yield from piece_cut(book, _COVERS, "Cut", most=5)


def pare(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Where the leather is thinned: the turn-ins and the joint, towards the edge."""
    scene = _scene(book)
    flat = cover_flat(scene, book, before)
    left, top, right, bottom = flat.outside
    width = book.spec.binding.paring or book.spec.binding.turn_in
    for shape in (
        box(left, top, right - left, width),
        box(left, bottom - width, right - left, width),
        box(left, top, width, bottom - top),
        box(right - width, top, width, bottom - top),
    ):
        scene.sketch.hatch(shape, "trim", 45)
    middle = (top + bottom) / 2
    scene.move((right - width, middle), (right, middle))
    scene.move(((left + right) / 2, top + width), ((left + right) / 2, top))
    scene.size((left, top + width), (left, top), "Pared from the edge", "binding.turn_in")
    yield scene.frame("Pare from within towards the edges, flesh side up, on stone")
    edge = scene_of(book, 40.0)
    edge.sketch.area(((0, 0), (20, 0), (40, 1.2), (40, 1.4), (0, 1.4)), "leather", about="cover.thickness")
    edge.cut((12, -2), (39, 1.0))
    edge.tell("no step where it begins; feel it between two fingers")
    yield edge.frame("A long slope to a thin edge, without a step")


def make_case(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The covering glued, boards set on it, corners cut, head and tail turned in, then the fore-edges."""
    flat = flat_of(book)
    yield _glued(book, before, flat, "Glue the covering from the middle to the edges")
    yield _boards_set(book, before, flat)
    yield from _turning(book, before, after, flat)


def _glued(book: Book, facts: Facts, flat: Flat, title: str) -> Drawing:
    scene = _scene(book)
    cover_flat(scene, book, facts)
    left, top, right, bottom = flat.outside
    scene.glue(box(left, top, right - left, bottom - top))
    return scene.frame(title)


def _boards_set(book: Book, facts: Facts, flat: Flat) -> Drawing:
    scene = _scene(book)
    cover_flat(scene, book, facts)
    draw_boards(scene, flat)
    left, top, _right, bottom = flat.outside
    inner_left, inner_top, inner_right, _ = flat.inside
    scene.size((left, inner_top), (left, top), "Turn-in", "binding.turn_in")
    boards = sorted(
        {(min(x for x, _ in area.points), max(x for x, _ in area.points)) for area in flat.boards}
    )
    for (_, end), (start, _) in itertools.pairwise(boards):
        if start > end:
            scene.size(
                (end, top),
                (start, top),
                "joint" if len(boards) > 2 else "between the boards",
                "joint.gap case.distance",
            )
    scene.move(
        ((inner_left + inner_right) / 2, bottom + scene.hundredths(8)),
        ((inner_left + inner_right) / 2, bottom - scene.hundredths(2)),
    )
    scene.tell("spine first, then the boards, against a rule at the tail")
    return scene.frame("Set spine and boards, level along a rule at the tail; turn it and rub it down")


def _turning(book: Book, before: Facts, after: Facts, flat: Flat) -> Iterator[Drawing]:
    if not flat.boards:
        return
    left, top, right, bottom = flat.inside
    scene = _scene(book)
    cover_flat(scene, book, before)
    draw_boards(scene, flat)
    corner = book.ledger.value("corner.cut") if book.reckoned("corner.cut") else book.spec.binding.board * 1.5
    off = corner * 2**0.5
    outer_left, outer_top, outer_right, outer_bottom = flat.outside
    for x, y, outward_x, outward_y in (
        (right, top, outer_right, outer_top),
        (left, top, outer_left, outer_top),
        (right, bottom, outer_right, outer_bottom),
        (left, bottom, outer_left, outer_bottom),
    ):
        across, down = (1 if outward_x > x else -1), (1 if outward_y > y else -1)
        reach_x, reach_y = abs(outward_x - x), abs(outward_y - y)
        # the line at 45° that passes the board's corner at ``corner``
        start = (x + across * (off - reach_y), outward_y)
        end = (outward_x, y + down * (off - reach_x))
        scene.cut(start, end)
    scene.tell(f"corners cut {book.notation.length(corner, True)} from the board")
    yield scene.frame("Cut the corners, at 45°, a board and a half from the corner")
    for ends_only, title in (
        (True, "Turn in head and tail, pulled tight over the edge"),
        (False, "Pinch the corners in, and turn in the fore-edges"),
    ):
        scene = _scene(book)
        cover_flat(scene, book, before)
        draw_boards(scene, flat)
        for strip in turned_in(book, flat, ends_only=ends_only):
            scene.sketch.area(strip, flat.covering[0].material, "outline", "binding.turn_in")
        middle = (left + right) / 2
        if ends_only:
            scene.over((middle, outer_top), (middle, top + (top - outer_top)), 0.5)
            scene.over((middle, outer_bottom), (middle, bottom - (outer_bottom - bottom)), -0.5)
        else:
            scene.over(
                (outer_right, (top + bottom) / 2), (right - (outer_right - right), (top + bottom) / 2), -0.5
            )
            scene.over(
                (outer_left, (top + bottom) / 2), (left + (left - outer_left), (top + bottom) / 2), 0.5
            )
        yield scene.frame(title)


def score_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Creases along a rule, each folded once over it."""
    flat = flat_of(book)
    left, top, right, bottom = flat.outside
    spine = book.bound.sizes.spine or book.block.arc
    middle = (left + right) / 2
    scene = _scene(book)
    cover_flat(scene, book, before)
    for x in (middle - spine / 2, middle + spine / 2):
        scene.sketch.line(((x, top), (x, bottom)), "score", "cover.width")
    scene.move((middle + spine / 2, top - scene.hundredths(3)), (middle + spine / 2, bottom))
    scene.size((middle - spine / 2, top), (middle + spine / 2, top), "Spine", "spine.width")
    yield scene.frame("Score along a rule with the folder's edge, from the outside of the fold")
    scene = _scene(book)
    cover_flat(scene, book, before)
    for x in (middle - spine / 2, middle + spine / 2):
        scene.sketch.line(((x, top), (x, bottom)), "fold", "cover.width")
    scene.over((right, (top + bottom) / 2), (left + (right - left) * 0.2, (top + bottom) / 2), -0.3)
    yield scene.frame("Fold over the rule once, both creases, and bone them down")


def cover_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """One board laid on its glued covering, turned in, lined inside."""
    wide, high = front_board(book)
    turn = book.spec.binding.turn_in
    shape = box(-turn, -turn, wide + 2 * turn, high + 2 * turn)
    for stage, title in enumerate(
        (
            "Glue the covering from the middle to the edges",
            "Set the board in the middle; cut the corners",
            "Turn in head and tail, then the sides; line the inside",
        )
    ):
        scene = scene_of(book, high + 2 * turn)
        scene.sketch.area(shape, "cloth", "cut", "cover.width cover.height")
        if stage == 0:
            scene.glue(shape)
        else:
            scene.sketch.area(box(0, 0, wide, high), "board", about="board.width board.height")
        if stage == 1:
            scene.size((0, -turn), (0, 0), "Turn-in", "binding.turn_in")
            scene.cut((wide - turn * 0.4, -turn), (wide + turn, turn * 0.4))
        if stage == 2:
            for strip in (box(0, 0, wide, turn), box(0, high - turn, wide, turn), box(0, 0, turn, high)):
                scene.sketch.area(strip, "cloth", about="binding.turn_in")
            scene.sketch.area(
                box(turn * 0.3, turn * 0.3, wide - turn * 0.6, high - turn * 0.6),
                "side_paper",
                about="paste_down",
            )
            scene.over((wide + turn, high / 2), (wide - turn, high / 2), -0.4)
        yield scene.frame(title)


def cover_book(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The covering glued, drawn over the spine, worked into the joints, turned in."""
    flat = flat_of(book)
    yield _glued(book, before, flat, "Glue the covering from the middle to the edges; leather twice")
    scene = scene_of(book, seen_of(book) * 1.3)
    closed_section(scene, book, before, covered=False)
    half, reach = book.block.thickness / 2, seen_of(book)
    scene.over((-scene.hundredths(5), 0), (reach * 0.8, -half - scene.hundredths(8)), 0.2)
    scene.over((-scene.hundredths(5), 0), (reach * 0.8, half + scene.hundredths(8)), -0.2)
    yield scene.frame("Spine first: draw it over both sides, and work it into the joints")
    yield from list(_turning(book, before, after, flat))[1:]
    scene = scene_of(book, seen_of(book) * 1.3)
    closed_section(scene, book, after, covered=True)
    yield scene.frame("Set the joints, and the caps at head and tail")


def pierce_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The template on the spine of the cover, pierced or slit where the sewing goes through."""
    flat = flat_of(book)
    left, top, right, bottom = flat.outside
    middle = (left + right) / 2
    off = ((bottom - top) - book.block.height) / 2 + top
    for done in (False, True):
        scene = _scene(book)
        cover_flat(scene, book, before)
        for hole in book.sewing.holes:
            scene.sketch.area(box(middle - 1, off + hole.place - 1, 2, 2), "mark", about="sewing.holes")
        if not done and book.sewing.holes:
            first = off + book.sewing.holes[0].place
            scene.size((right, off), (right, first), "First hole from the head of the block", "sewing.first")
            scene.move((middle + scene.hundredths(14), first), (middle + 2, first))
        yield scene.frame(
            "Holes on one line each, alike over all {signatures}"
            if done
            else "Lay the template on the spine and pierce from outside"
        )


def glue_into_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The spine glued up to the creases, the cover drawn round it."""
    reach, half = seen_of(book), book.block.thickness / 2
    scene = scene_of(book, reach)
    from_tail(scene, book, before)
    scene.glue(
        box(-1.5, -half, 1.5, 2 * half),
        ((-scene.hundredths(4), 0), (-scene.hundredths(4), -half)),
        ((-scene.hundredths(4), 0), (-scene.hundredths(4), half)),
    )
    yield scene.frame("Glue the spine, up to the creases and no further")
    scene = scene_of(book, reach)
    closed_section(scene, book, after, covered=True)
    bed(scene, 2, reach - 4, half + 1, -half - 1)
    scene.press(reach * 0.2, reach * 0.8, -half - scene.hundredths(5))
    yield scene.frame("Set the spine into its creases, close the cover, press it")
