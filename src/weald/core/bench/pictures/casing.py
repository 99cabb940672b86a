"""Pictures of casing in, and of what follows until the book is dry and opened."""

from collections.abc import Iterator

from weald.core.bench.pictures.block_seen import from_tail, seen_of
from weald.core.bench.pictures.closed_seen import board_open, closed_section
from weald.core.bench.pictures.cover_seen import board_on_block, front_board
from weald.core.bench.pictures.things import bed, scene_of
from weald.core.book.book import Book
from weald.core.drawing import Drawing, box
from weald.core.job.lying import Facts


def offer_up(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The cover closed on the block, dry: squares, joint and opening."""
    reach = seen_of(book)
    scene = scene_of(book, reach * 1.2)
    closed_section(scene, book, before, covered=True)
    scene.move((reach + scene.hundredths(12), 0), (reach + scene.hundredths(2), 0))
    yield scene.frame("Block into its cover, dry, home against the spine")
    yield _squares(book, "Squares alike at head, tail and fore-edge; the joint open for the folder")


def _squares(book: Book, title: str) -> Drawing:
    scene = scene_of(book, front_board(book)[1])
    board_on_block(scene, book)
    return scene.frame(title)


def case_in(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Waste under the paste-down, glued, the board brought over, nipped; turned, and the other side."""
    yield from _pasting(book, before)
    reach, half = seen_of(book), book.block.thickness / 2
    thick = book.spec.binding.board
    scene = scene_of(book, reach * 1.2)
    closed_section(scene, book, after, covered=True)
    bed(scene, (book.bound.sizes.inset or 0) + 1, reach, half + thick + 1, -half - thick - 1)
    scene.press(reach * 0.2, reach * 0.9, -half - thick - scene.hundredths(5))
    scene.press(reach * 0.2, reach * 0.9, half + thick + scene.hundredths(5), upwards=True)
    inset = book.bound.sizes.inset or 0.0
    for side in (-1, 1):
        scene.move(
            (inset / 2, side * (half + thick + scene.hundredths(10))),
            (inset / 2, side * (half + scene.hundredths(1))),
        )
    yield scene.frame("Set both joints with the folder, and press it between boards")


def _pasting(book: Book, before: Facts) -> Iterator[Drawing]:
    """Each paste-down: glued to its edges over waste, then the board closed on it."""
    block = book.block
    scene = scene_of(book, block.height)
    margin = scene.hundredths(4)
    scene.sketch.area(
        box(-margin, -margin, block.width + 2 * margin, block.height + 2 * margin), "waste", "fill", "mask"
    )
    leaf = box(0, 0, block.width, block.height)
    scene.sketch.area(leaf, "paper", about="pastedown.width block.height")
    strip = book.spec.endpapers.dry_strip or 0.0
    middle = (block.width * 0.35, block.height / 2)
    scene.glue(
        box(strip, 0, block.width - strip, block.height),
        (middle, (block.width * 0.95, block.height * 0.5)),
        (middle, (block.width * 0.6, block.height * 0.05)),
        (middle, (block.width * 0.6, block.height * 0.95)),
    )
    scene.size((0, 0), (block.width, 0), "The paste-down, wide", "block.width")
    yield scene.frame("Waste under the paste-down; glue from the middle out, thin at the edges")
    scene = scene_of(book, 2.2 * block.width)
    wide, high = board_open(scene, book, before)
    scene.over((-wide * 0.7, high * 0.5), (block.width * 0.6, high * 0.5), 0.3)
    scene.tell("the waste drawn out; squares looked at before the hand presses")
    yield scene.frame("Draw the waste out, bring the board over, squares alike, and press by hand")
    scene = scene_of(book, block.height)
    wide, high = board_open(scene, book, before)
    inset = max(book.bound.sizes.inset or 0.0, 2.0)
    scene.sketch.area(
        box(-inset - block.width, 0, block.width, block.height), "paper", about="pastedown.width"
    )
    yield scene.frame("Open it a hand's breadth and look: smooth, no fold in the joint; then the other side")


def paste_down(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Each paste-down put down, the board open or closed by school."""
    yield from _pasting(book, before)


def open_a_crack(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The board raised a little, once, and closed again."""
    reach, half = seen_of(book), book.block.thickness / 2
    thick = max(book.spec.binding.board, 0.5)
    inset = book.bound.sizes.inset or 0.0
    scene = scene_of(book, reach * 1.2)
    from_tail(scene, book, before)
    lift = scene.hundredths(8)
    scene.sketch.area(
        ((inset, -half), (reach, -half - lift), (reach, -half - lift - thick), (inset, -half - thick)),
        "board",
        about="board.thickness",
    )
    scene.sketch.area(box(inset, half, reach - inset, thick), "board", about="board.thickness")
    scene.over((reach * 0.95, -half - scene.hundredths(1)), (reach * 0.95, -half - lift * 1.6), 0.2)
    yield scene.frame("A crack, once: the joint gives, and nothing is stuck that should not be")
    scene = scene_of(book, reach * 1.2)
    closed_section(scene, book, before, covered=True)
    scene.press(reach * 0.3, reach * 0.9, -half - thick - scene.hundredths(2))
    yield scene.frame("Close it again at once, and leave it shut")


def dry_closed(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Between boards, rods in the joints, under weight."""
    reach, half = seen_of(book), book.block.thickness / 2
    thick = book.spec.binding.board
    inset = book.bound.sizes.inset or 0.0
    scene = scene_of(book, reach * 1.2)
    closed_section(scene, book, before, covered=True)
    bed(scene, inset + 1, reach, half + thick + 1, -half - thick - 1)
    scene.press(reach * 0.2, reach * 0.9, -half - thick - scene.hundredths(5))
    yield scene.frame("Between boards that stop at the joints, under weight, until it is dry through")
    scene = scene_of(book, reach * 1.2)
    closed_section(scene, book, after, covered=True)
    yield scene.frame("Dry: boards flat, no longer cool to the touch")


def trim_flush(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Cover and leaves cut together, fore-edge, head, tail."""
    block = book.block
    trim = book.spec.leaf.trim
    wide, high = block.width + trim.fore_edge, block.height + trim.head + trim.tail
    for edge, way in (
        ("fore-edge", ((block.width, -trim.head - 4), (block.width, block.height + trim.tail))),
        ("head", ((wide + 4, 0.0), (0.0, 0.0))),
        ("tail", ((0.0, block.height), (wide, block.height))),
    ):
        scene = scene_of(book, high)
        scene.sketch.area(box(0, -trim.head, wide, high), "card", about="cover.width cover.height")
        scene.cut(*way)
        if edge == "fore-edge":
            scene.size(
                (0, block.height + trim.tail),
                (block.width, block.height + trim.tail),
                "From the spine",
                "block.width",
            )
        else:
            scene.size((wide, 0), (wide, block.height), "Head to tail", "block.height")
        yield scene.frame(f"The {edge}: cover and leaves in one cut")


def open_first(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A few leaves at the front, a few at the back, towards the middle."""
    reach, half = seen_of(book), book.block.thickness / 2
    for number, part in enumerate((0.15, 0.4)):
        scene = scene_of(book, reach * 1.4)
        scene.sketch.area(
            box(0, -half + book.block.thickness * part, reach, book.block.thickness * (1 - 2 * part)),
            "block",
            about="block.thickness",
        )
        for side in (-1, 1):
            level = side * (half - book.block.thickness * part)
            scene.sketch.line(
                ((0, level), (reach * 0.55, side * half * 1.6), (reach, side * half * (2.2 + part))),
                "outline",
                "block.thickness",
            )
            scene.over((reach * 0.7, level), (reach * 0.7, side * half * 2), 0.3 * -side)
        yield scene.frame(
            "Front board down, back board down; then a few leaves from either end"
            if not number
            else "On towards the middle, pressing gently along the fold"
        )


def last_look(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Squares, corners, joints, and how it opens."""
    yield _squares(book, "Squares alike, corners sharp, nothing stuck at the edges")
    reach = seen_of(book)
    scene = scene_of(book, reach * 1.2)
    closed_section(scene, book, after, covered=True)
    if book.reckoned("block.thickness"):
        half = book.block.thickness / 2
        scene.size((reach, -half), (reach, half), "The block, thick", "block.thickness")
    yield scene.frame("Joints even, the boards parallel with the block")
