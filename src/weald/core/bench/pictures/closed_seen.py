"""The book closed, cut across at its spine, and open as it is cased in, while certain facts are so."""

from weald.core.bench.pictures.acts import Scene
from weald.core.bench.pictures.block_seen import from_tail, seen_of
from weald.core.book.book import Book
from weald.core.drawing import Material, Point, box
from weald.core.job.lying import Facts
from weald.core.units import Mm


def closed_section(scene: Scene, book: Book, facts: Facts, *, covered: bool) -> None:
    """Block and boards from the tail; the covering round them where it is on."""
    reach, half = seen_of(book), book.block.thickness / 2
    # the ends of the mull lie between block and boards by now
    from_tail(scene, book, facts - {"block_lined"})
    inset = book.bound.sizes.inset or 0.0
    thick = book.spec.binding.board if book.structure.boards else 0.0
    if thick:
        for side in (-1, 1):
            top = -half - thick if side < 0 else half
            scene.sketch.area(box(inset, top, reach - inset, thick), "board", about="board.thickness")
    if covered:
        scene.sketch.line(covering(book, reach, half + thick), "thread", "cover.width")


def covering(book: Book, reach: Mm, outside: Mm) -> list[Point]:
    """The covering over both sides and the spine, as the structure says; plain where it says nothing."""
    profile = [point for point in book.bound.profile if point[0] <= reach]
    if not profile:
        return [(reach, -outside), (-1.5, -outside), (-1.5, outside), (reach, outside)]
    upper = [*profile, (reach, profile[-1][1])]
    return [*reversed(upper), *((x, -y) for x, y in upper[1:])]


def board_open(scene: Scene, book: Book, facts: Facts) -> tuple[Mm, Mm]:
    """The front board opened flat beside the block, its inside up; the block's spine at x = 0.

    :returns: the board's width and height.
    """
    block, boards = book.block, book.bound.sizes.boards
    wide, high = boards.front if boards else (block.width, block.height)
    inset = max(book.bound.sizes.inset or 0.0, 2.0)
    head = (high - block.height) / 2
    scene.sketch.area(box(0, 0, block.width, block.height), "block", about="block.width block.height")
    scene.sketch.area(box(-inset - wide, -head, wide, high), "board", about="board.width board.height")
    turn = min(book.spec.binding.turn_in, wide / 4)
    material: Material = "leather" if book.leather else "cloth"
    left, top = -inset - wide, -head
    for strip in (
        box(left, top, wide, turn),
        box(left, top + high - turn, wide, turn),
        box(left, top, turn, high),
    ):
        scene.sketch.area(strip, material, "outline", "binding.turn_in")
    return wide, high
