"""Pictures of what is done to the sewn block: trimmed, glued, rounded, backed, lined, measured."""

from collections.abc import Iterator

from weald.core.bench.path_drawing import mull_side
from weald.core.bench.pictures.acts import Scene
from weald.core.bench.pictures.block_seen import (
    from_front,
    from_spine,
    from_tail,
    seen_of,
    spine_line,
    spine_width,
    untrimmed,
)
from weald.core.bench.pictures.things import bed, piece_on, scene_of
from weald.core.book.book import Book
from weald.core.drawing import Drawing, box
from weald.core.job.lying import Facts


def trim(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The block with waste behind it, the blade along the line, edge after edge; then as it is trimmed."""
    block = book.block
    left, top, wide, high = untrimmed(book)
    edges = {
        "fore-edge": ((block.width, top), (block.width, top + high)),
        "head": ((left + wide, 0.0), (left, 0.0)),
        "tail": ((left, block.height), (left + wide, block.height)),
    }
    cut_now = ("fore-edge",) if "block_trimmed" not in after else tuple(edges)
    if "fore_edge_trimmed" in before:
        cut_now = tuple(edge for edge in cut_now if edge != "fore-edge")
    for edge in cut_now:
        scene = scene_of(book, max(wide, high))
        from_front(scene, book, before)
        scene.cut(*edges[edge])
        if edge == "fore-edge":
            scene.size((0, top + high), (block.width, top + high), "From the spine", "block.width")
        else:
            scene.size((wide, 0), (wide, block.height), "Head to tail", "block.height")
        scene.tell("waste board behind the last leaf; the blade a hair at a time")
        yield scene.frame(f"The {edge}: the blade along the line, square to the spine")
    scene = scene_of(book, max(wide, high))
    from_front(scene, book, after)
    yield scene.frame("Trimmed: the diagonals alike, the edges square")


def trim_rounded(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The round pressed out flat, all three edges cut, the round let back."""
    scene = scene_of(book, seen_of(book))
    from_tail(scene, book, before)
    scene.move((seen_of(book) * 0.03 - scene.hundredths(14), 0), (0, 0))
    yield scene.frame("Throw the round out: press the spine flat between boards")
    yield from trim(book, before, after)


def glue_up(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Knocked up square, held in the press with the spine just out, glued between the folds."""
    height, width = book.block.height, spine_width(book, before)
    scene = scene_of(book, seen_of(book))
    from_tail(scene, book, before)
    half, reach = width / 2, seen_of(book)
    bed(scene, reach * 0.06, reach * 0.9, half, -half)
    scene.move((-scene.hundredths(12), 0), (-scene.hundredths(1), 0))
    scene.tell("spine and head knocked up square; boards level with the folds, the spine just out")
    yield scene.frame("Knock up spine and head; hold it with the spine just out of the boards")
    scene = scene_of(book, height)
    from_spine(scene, book, before)
    middle = height / 2
    shape = box(0, 0, width, height)
    scene.glue(
        shape,
        ((width / 2, middle), (width / 2, height * 0.04)),
        ((width / 2, middle), (width / 2, height * 0.96)),
    )
    scene.size((0, height), (width, height), "Spine", "spine.thickness")
    yield scene.frame("Brush from the middle to head and tail; work the glue between the {signatures}")
    scene = scene_of(book, height)
    from_spine(scene, book, before | {"block_glued"})
    yield scene.frame("A thin coat, none over the edges or on the supports")


def soften_glue(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A damp pad along the spine until the glue gives."""
    height, width = book.block.height, spine_width(book, before)
    for done in (False, True):
        scene = scene_of(book, height)
        from_spine(scene, book, before)
        if not done:
            scene.glue(box(0, 0, width, height), ((width / 2, height * 0.1), (width / 2, height * 0.9)))
        else:
            scene.over((width * 0.1, height / 2), (width * 0.9, height / 2), 0.6)
        yield scene.frame(
            "It gives under the thumb: round it now"
            if done
            else "Damp the spine, and wait until the glue gives"
        )


def round_spine(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Thumbs on the fore-edge, the upper half drawn over, glancing blows; turned, and the other half."""
    block, reach = book.block, seen_of(book)
    half = block.thickness / 2
    scene = scene_of(book, reach)
    from_tail(scene, book, before)
    scene.move((reach + scene.hundredths(14), 0), (reach + scene.hundredths(1), 0))
    scene.move((reach * 0.55, -half - scene.hundredths(3)), (reach * 0.15, -half - scene.hundredths(3)))
    yield scene.frame("Thumbs against the fore-edge; fingers draw the upper half towards you")
    scene = scene_of(book, reach)
    from_tail(scene, book, before)
    edge = spine_width(book, before) / 2
    for part in (0.15, 0.45, 0.75):
        scene.blow((0, -edge * part), 25)
    yield scene.frame("Glancing blows from the middle outwards; turn it over, and the other half")
    scene = scene_of(book, reach)
    from_tail(scene, book, after)
    if block.round:
        scene.size((-block.rise, half), (0, half), "The round rises", "spine.rise")
        scene.size((reach, -half), (reach, half), "thick", "block.thickness")
    yield scene.frame("Rounded alike to both sides; the fore-edge as hollow as the back is round")


def back(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Backing boards at the shoulder line, the press shut, the folds fanned over from the middle."""
    block, reach = book.block, seen_of(book)
    half = block.thickness / 2
    scene = scene_of(book, reach)
    from_tail(scene, book, before)
    line = max(block.shoulder_line, 1.0)
    bed(scene, line, reach - line, half, -half)
    scene.size((0, -half), (line, -half), "Boards from the spine edge", "shoulder.line")
    scene.press(reach * 0.3, reach * 0.9, -half - scene.hundredths(4))
    scene.press(reach * 0.3, reach * 0.9, half + scene.hundredths(4), upwards=True)
    yield scene.frame("Backing boards at the line, alike on both sides; the press shut hard")
    scene = scene_of(book, reach)
    from_tail(scene, book, before)
    bed(scene, line, reach - line, half, -half)
    over = spine_line(book, before)
    for part, angle in ((0.5, 0), (0.3, -30), (0.15, -55), (0.7, 30), (0.85, 55)):
        scene.blow(over[round(part * (len(over) - 1))], angle)
    yield scene.frame("Glancing blows from the middle outwards fan the {signatures} over the boards")
    scene = scene_of(book, reach)
    from_tail(scene, book, after)
    edge = block.chord / 2
    scene.size((0, -edge), (0, -half), "The shoulder stands out", "shoulder.height")
    yield scene.frame("Shoulders alike, as high as the board is thick")


def end_bands(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The band at the head: stuck on with its bead to the leaves, or sewn and tied down in the folds."""
    block, reach = book.block, seen_of(book)
    width = spine_width(book, before)
    sewn = book.spec.block.end_bands == "sewn"
    scene = scene_of(book, width * 2)
    high = max(book.spec.block.end_band_height, 1.0)
    scene.sketch.area(box(0, 0, width, width * 0.8), "block", about="block.thickness")
    folds = max(1, min(block.sections, 12))
    for fold in range(1, folds):
        scene.sketch.line(((width * fold / folds, 0), (width * fold / folds, width * 0.8)), "hidden")
    if sewn:
        scene.sketch.area(box(0, -high, width, high), "lining", about="end_band.length")
        for fold in range(0, folds, max(1, folds // 4)):
            x = width * (fold + 0.5) / folds
            scene.thread((x, width * 0.45), (x, -high * 1.6))
        title = "Tie down into a fold every few turns, first and last through the outer folds"
    else:
        scene.glue(box(0, 0, width, width * 0.25))
        scene.sketch.area(box(0, -high - width * 0.35, width, high), "cloth", about="end_band.length")
        scene.move((width / 2, -width * 0.3), (width / 2, -high * 0.5))
        title = "Glue the head of the spine; set the band on it, its bead towards the leaves"
    scene.size((0, width * 0.8), (width, width * 0.8), "As long as the spine is wide", "end_band.length")
    yield scene.frame(title)
    scene = scene_of(book, max(reach, block.height))
    from_front(scene, book, after)
    yield scene.frame("Level with the edges; ends cut at an angle beside the joint")


def line_spine(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Mull into wet glue, equal on both sides; linings over it; the ends free of glue."""
    block = book.block
    width, height = spine_width(book, before), block.height
    bare = before - {"block_glued"}
    if book.mulled:
        scene = scene_of(book, height)
        from_spine(scene, book, bare)
        scene.glue(
            box(0, 0, width, height),
            ((width / 2, height / 2), (width / 2, height * 0.05)),
            ((width / 2, height / 2), (width / 2, height * 0.95)),
        )
        yield scene.frame("Glue the spine")
        scene = scene_of(book, height)
        from_spine(scene, book, bare)
        side, (_, high) = mull_side(book), piece_on(book, ("mull",)) or (0.0, height - 12)
        top = (height - high) / 2
        scene.sketch.area(box(-side, top, width + 2 * side, high), "lining", about="mull.width mull.height")
        scene.move((width / 2, height / 2), (width / 2, top + height * 0.06))
        scene.move((width / 2, height / 2), (width / 2, height - top - height * 0.06))
        scene.size((-side, top), (0, top), "The mull stands out, each side", "mull.width")
        yield scene.frame("Lay the mull on, equal on both sides, and rub it through")
    if book.has("spine_lining", "hollow") or book.spec.block.linings:
        scene = scene_of(book, height)
        from_spine(scene, book, before | ({"block_lined"} if book.mulled else set()))
        wide, high = piece_on(book, ("hollow", "spine_lining")) or (width, height)
        scene.glue(box((width - wide) / 2, (height - high) / 2, wide, high))
        yield scene.frame("Glue each lining, lay it from the middle to head and tail, and bone it down")
    scene = scene_of(book, seen_of(book))
    from_tail(scene, book, after)
    yield scene.frame("Lined: nothing lies in the joint, the mull's ends are free")


def measure_block(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Thickness between boards, width and height: what boards and cover are cut to."""
    block, reach = book.block, seen_of(book)
    half = block.thickness / 2
    scene = scene_of(book, reach)
    from_tail(scene, book, before)
    _jaws(scene, reach * 0.55, half)
    scene.size((reach, -half), (reach, half), "Thick, between two boards", "block.thickness")
    spine = spine_width(book, before)
    scene.size(
        (0, spine / 2), (0, -spine / 2), "at the spine", "spine.chord" if block.round else "spine.thickness"
    )
    yield scene.frame("Thickness: gripped as it will be pressed, at spine and fore-edge")
    scene = scene_of(book, block.height)
    from_front(scene, book, before)
    scene.size((0, 0), (block.width, 0), "Wide, spine to fore-edge", "block.width")
    scene.size((block.width, 0), (block.width, block.height), "high", "block.height")
    yield scene.frame("Width and height, at both ends: the boards follow the block")


def _jaws(scene: Scene, x: float, half: float) -> None:
    """The jaws of a calliper on both sides."""
    size = scene.hundredths(4)
    for side in (-1, 1):
        jaw = ((x, side * half), (x + size, side * (half + size)), (x - size, side * (half + size)))
        scene.sketch.area(jaw, "mark", about="calliper")


def trim_in_boards(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Boards slid level with the line, the edge cut against them, the boards slid back."""
    block = book.block
    boards = book.bound.sizes.boards
    for edge, y, square in (
        ("head", 0.0, book.spec.binding.squares.head),
        ("tail", block.height, book.spec.binding.squares.tail),
    ):
        scene = scene_of(book, block.height)
        from_front(scene, book, before)
        wide, high = boards.front if boards else (block.width, block.height)
        top = y if edge == "head" else y - high
        scene.sketch.area(box(2, top, wide, high), "board", about="board.width board.height")
        direction = 1 if edge == "head" else -1
        scene.move((block.width / 2, y - direction * scene.hundredths(10)), (block.width / 2, y))
        scene.cut((block.width + 4, y), (-4, y))
        scene.tell(f"the board slid {book.notation.length(square, True)}, one square, past home")
        yield scene.frame(f"The {edge}: slide the boards one square, and cut level with them")


def thumb_cuts(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Steps cut into the fore-edge, one below the other."""
    block = book.block
    for done in (False, True):
        scene = scene_of(book, block.height)
        from_front(scene, book, before | {"block_trimmed"})
        count = 5
        for number in range(count):
            y = block.height * (number + 0.5) / count
            deep = block.width * 0.05
            scene.sketch.area(
                box(block.width - deep, y - deep, deep, 2 * deep),
                "waste" if not done else "paper_inner",
                about="thumb",
            )
        if not done:
            scene.cut(
                (block.width + 6, block.height / count),
                (block.width - block.width * 0.05, block.height / count),
            )
        yield scene.frame(
            "Each step falls on its own leaves"
            if done
            else "Gouge each step down to the leaf it opens on, a board behind it"
        )
