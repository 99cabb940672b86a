"""Pictures of what is done to boards before anything covers them."""

from collections.abc import Iterator

from weald.core.bench.pictures.block_seen import from_front, from_tail, seen_of
from weald.core.bench.pictures.cover_seen import board_on_block, front_board
from weald.core.bench.pictures.things import bed, knife_along, piece_cut, scene_of
from weald.core.block.holes import support_middles
from weald.core.book.book import Book
from weald.core.drawing import Drawing, box
from weald.core.job.lying import Facts

_BOARDS = ("board", "back_board", "thin_board", "spine_board", "spacer", "stiffener", "panel_layer")


def trial(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Scrap cut to the board's size and closed round the block."""
    wide, high = front_board(book)
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "waste", "cut", "board.width board.height")
    knife_along(scene, wide, high)
    scene.size((0, 0), (wide, 0), "Scrap, wide", "board.width")
    scene.size((0, high), (0, 0), "high", "board.height")
    yield scene.frame("Cut scrap to the same sizes")
    yield _laid_on(
        book, before, "Close it round the block: squares, joint and opening are seen before board is cut"
    )


def _laid_on(book: Book, facts: Facts, title: str) -> Drawing:
    """The front board on the block, its squares shown."""
    scene = scene_of(book, front_board(book)[1])
    from_front(scene, book, facts | {"block_trimmed"})
    board_on_block(scene, book)
    return scene.frame(title)


def trim_old_panels(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The old cover's panels cut clear of their worn edges."""
    yield from piece_cut(book, ("old_panel", "old_spine"), "Cut clear of the worn edges")


def cut_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Every board: its size, grain along the spine, the knife along the rule."""
    yield from piece_cut(
        book, [piece.id for piece in book.pieces if piece.id.startswith(_BOARDS)], "Cut", most=5
    )


def offer_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Boards laid on the block, dry; squares alike all round."""
    yield _laid_on(book, before, "Lay the front board on the block, dry, home against the joint")
    reach, half = seen_of(book), book.block.thickness / 2
    scene = scene_of(book, reach)
    from_tail(scene, book, before)
    thick, inset = book.spec.binding.board, book.bound.sizes.inset or 0.0
    for side in (-1, 1):
        top = -half - thick if side < 0 else half
        scene.sketch.area(box(inset, top, reach - inset, thick), "board", about="board.thickness")
    scene.size((reach, -half - thick), (reach, -half), "The board is thick", "binding.board")
    yield scene.frame("Both boards on: level with one another, the joint open alike")


def join_case_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A strip of paper glued over both boards, the spine between them."""
    wide, high = front_board(book)
    gap, spine = book.bound.sizes.gap or 7.0, book.bound.sizes.spine or book.block.arc
    middle = spine + 2 * gap
    strip = middle + 30
    for done in (False, True):
        scene = scene_of(book, 2 * wide + middle)
        for left in (0.0, wide + middle):
            scene.sketch.area(box(left, 0, wide, high), "board", "cut", "board.width board.height")
        left = wide - 15
        if not done:
            scene.glue(box(left, 0, strip, high))
            scene.size((wide, 0), (wide + middle, 0), "Between the boards", "strip.width case.distance")
        else:
            scene.sketch.area(box(left, 0, strip, high), "paper", about="strip.width")
            scene.move((wide + middle / 2, high / 2), (wide + middle / 2, high * 0.95))
        yield scene.frame(
            "Lay the strip over both boards and rub it down"
            if done
            else "Set the boards apart along a rule; glue the strip"
        )


def cut_boards_to_size(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The board on the block, its squares marked, the rest cut off."""
    yield _laid_on(
        book,
        before,
        "Mark the squares on the block itself, each board for its own side",
    )
    wide, high = front_board(book)
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "board", "cut", "board.width board.height")
    knife_along(scene, wide, high)
    scene.size((0, 0), (wide, 0), "Board, wide", "board.width")
    scene.size((0, high), (0, 0), "high", "board.height")
    yield scene.frame("Cut each board to its own marks, and say which is which")


def laminate(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The thick board glued but for its split, the thin one laid on, both pressed."""
    wide, high = front_board(book)
    split = book.ledger.value("split.depth") if book.reckoned("split.depth") else wide / 6
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "board", "cut", "board.width board.height")
    scene.sketch.area(box(0, 0, split, high), "waste", "fill", "mask")
    scene.glue(box(split, 0, wide - split, high), ((split * 1.2, high / 2), (wide * 0.95, high / 2)))
    scene.size((0, 0), (split, 0), "No glue from the spine edge", "split.depth")
    yield scene.frame("Mask the split at the spine edge, and glue all the rest")
    yield _pile(book, "Lay the thin board on, edges level, and press both")


def _pile(book: Book, title: str) -> Drawing:
    wide, _ = front_board(book)
    thick = max(book.spec.binding.board, wide / 60)
    scene = scene_of(book, wide)
    scene.sketch.area(box(0, -thick, wide, thick), "board", about="board.thickness")
    scene.sketch.area(box(0, -1.6 * thick, wide, 0.6 * thick), "board", about="thin_board.thickness")
    bed(scene, -wide * 0.03, wide * 1.06, 0.0, -1.6 * thick)
    scene.press(wide * 0.1, wide * 0.9, -1.6 * thick - scene.hundredths(4))
    return scene.frame(title)


def layer_panels(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Layers round a panel glued to the board, one after the other."""
    wide, high = front_board(book)
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "board", "cut", "board.width board.height")
    rim = wide * 0.14
    scene.glue(box(0, 0, wide, rim))
    scene.over((wide / 2, -high * 0.08), (wide / 2, rim / 2), 0.4)
    yield scene.frame("Glue each layer, and lay it level with the board's edges")
    yield _pile(book, "Press board and layers between boards")


def bevel_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The edge of a board cut slanting on three sides."""
    thick = max(book.spec.binding.board, 0.5)
    scene = scene_of(book, thick * 12)
    scene.sketch.area(
        ((0, 0), (thick * 10, 0), (thick * 12, thick), (0, thick)), "board", about="board.thickness"
    )
    scene.sketch.area(((thick * 10, 0), (thick * 12, 0), (thick * 12, thick)), "waste", "outline", "bevel")
    scene.cut((thick * 9.4, -thick * 0.3), (thick * 12.2, thick * 1.1))
    scene.size((0, thick), (0, 0), "The board is thick", "board.thickness")
    yield scene.frame("Along three edges, the blade slanting outwards, a little at a time")
    done = scene_of(book, thick * 12)
    done.sketch.area(
        ((0, 0), (thick * 10, 0), (thick * 12, thick), (0, thick)), "board", about="board.thickness"
    )
    done.move((thick * 10.4, -thick), (thick * 11.6, thick * 0.2))
    yield done.frame("Sanded even; the spine edge stays square")


def pierce_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Holes along the spine edge of each board, where the sewing has its stations."""
    wide, high = front_board(book)
    head = (high - book.block.height) / 2
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "board", "cut", "board.width board.height")
    places = [hole.place + head for hole in book.sewing.holes]
    edge = _lacing_edge(book)
    for y in places:
        scene.sketch.area(box(edge - 0.8, y - 0.8, 1.6, 1.6), "mark", about="sewing.holes")
    if places:
        scene.size((0, places[0]), (edge, places[0]), "From the spine edge", "lacing.first")
        scene.size((wide, 0), (wide, places[0]), "first hole from the head", "sewing.first")
        scene.move((edge + wide * 0.3, places[-1]), (edge + 1, places[-1]))
    yield scene.frame("Pierce from the outside, upright, over waste board")
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "board", "cut", "board.width board.height")
    for y in places:
        scene.sketch.area(box(edge - 0.8, y - 0.8, 1.6, 1.6), "mark", about="sewing.holes")
    yield scene.frame("The holes of both boards lie over one another")


def _lacing_edge(book: Book) -> float:
    lacing = book.bound.sizes.lacing
    return book.ledger.value(lacing[0]) if lacing and book.reckoned(lacing[0]) else 8.0


def lace_on(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The frayed cords through the first holes, in through the second, hammered flat."""
    wide, high = front_board(book)
    head = (high - book.block.height) / 2
    cords = [middle + head for middle in support_middles(book.sewing.holes)]
    edges = [book.ledger.value(each) for each in book.bound.sizes.lacing if book.reckoned(each)] or [
        8.0,
        18.0,
    ]
    first, second = edges[0], edges[0] + (edges[1] if len(edges) > 1 else 10.0)
    for stage, title in enumerate(
        (
            "Point the frayed ends with paste; out through the first holes",
            "In again through the second, drawn tight, the board at right angles",
            "Cut the ends short, fan them, and hammer both sides flat",
        )
    ):
        scene = scene_of(book, high)
        scene.sketch.area(box(0, 0, wide, high), "board", "cut", "board.width board.height")
        for y in cords:
            for x in (first, second):
                scene.sketch.area(box(x - 0.8, y - 0.8, 1.6, 1.6), "mark", about="lacing.first lacing.second")
            if stage == 0:
                scene.thread((-12, y), (first, y))
            else:
                scene.sketch.line(((-12, y), (first, y)), "thread")
                scene.thread((first, y), (second, y))
            if stage == 2:
                scene.blow((first, y), 90)
        if stage == 0:
            scene.size((0, high), (first, high), "First holes from the edge", "lacing.first")
        yield scene.frame(title)


def join_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The supports glued to the boards, the boards home in the shoulders."""
    yield _laid_on(book, before, "Boards home in the joint, squares alike")
    yield _slips_on(book, before, "Glue the slips and the board under them; bone them down, fanned")


def _slips_on(book: Book, facts: Facts, title: str) -> Drawing:
    wide, high = front_board(book)
    head = (high - book.block.height) / 2
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "board", "cut", "board.width board.height")
    reach = wide / 4
    for middle in support_middles(book.sewing.holes):
        y = middle + head
        scene.glue(box(0, y - 3, reach, 6), ((0, y), (reach, y)))
    scene.size((0, high), (reach, high), "The slips reach on the board")
    return scene.frame(title)


def close_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The outer board glued over the cords and pressed."""
    yield _slips_on(book, before, "The cords fanned on the inner board")
    yield _pile(book, "Glue the outer board, lay it on edge to edge, and press")
