"""The cover as it is while certain facts are so: its boards, its covering, the case laid flat and made."""

from collections.abc import Iterable
from dataclasses import dataclass

from weald.core.bench.pictures.acts import Scene
from weald.core.book.book import Book
from weald.core.drawing import Area, Drawing, Hatch, Point, box
from weald.core.job.lying import Facts
from weald.core.units import NEGLIGIBLE, Mm


@dataclass(frozen=True, slots=True)
class Flat:
    """A cover laid flat, its glued side up: shapes of covering and boards, in the places they will have."""

    covering: tuple[Area, ...]
    boards: tuple[Area, ...]

    @property
    def inside(self) -> tuple[Mm, Mm, Mm, Mm]:
        """Left, top, right, bottom of the boards together; of the covering where there are none."""
        return bounds(point for area in self.boards or self.covering for point in area.points)

    @property
    def outside(self) -> tuple[Mm, Mm, Mm, Mm]:
        """The same of the covering."""
        return bounds(point for area in self.covering or self.boards for point in area.points)


def bounds(points: Iterable[Point]) -> tuple[Mm, Mm, Mm, Mm]:
    """Left, top, right and bottom of what is given."""
    every = list(points)
    xs, ys = [x for x, _ in every], [y for _, y in every]
    return min(xs), min(ys), max(xs), max(ys)


def flat_of(book: Book) -> Flat:
    """The cover laid flat, as its structure draws it; the cut covering alone where it draws none."""
    drawing = next((each for each in book.bound.drawings if each.id == "case.flat"), None)
    if drawing is not None:
        areas = [each for each in drawing.elements if isinstance(each, Area)]
        boards = tuple(each for each in areas if "board" in each.about)
        covering = tuple(each for each in areas if "board" not in each.about and _covers(each))
        if covering:
            return Flat(covering, boards)
    return Flat(tuple(_cut(book)), ())


def _covers(area: Area) -> bool:
    return any(
        about.startswith(("cover.", "piece.", "side.", "spine_piece", "corner"))
        for about in area.about.split()
    )


def _cut(book: Book) -> Iterable[Area]:
    """The largest piece of the cover, as it is cut; the leaf of the book where nothing covers it."""
    pieces = sorted(
        book.taken(("cover", "spine_piece", "side")), key=lambda piece: -piece.width * piece.height
    )
    if pieces:
        piece = pieces[0]
        yield Area(box(0, 0, piece.cut_width, piece.cut_height), "cloth", "cut", piece.about)
    else:
        yield Area(
            box(0, 0, 2 * book.block.width + book.block.arc, book.block.height), "paper", "cut", "cover.width"
        )


def cover_flat(scene: Scene, book: Book, facts: Facts) -> Flat:
    """The covering laid flat, its wrong side up, with its boards on it where they are glued."""
    flat = flat_of(book)
    for area in flat.covering:
        scene.sketch.area(area.points, area.material, "cut", area.about)
    if facts & {"case_made", "book_covered"}:
        draw_boards(scene, flat)
        for strip in turned_in(book, flat):
            scene.sketch.area(strip, flat.covering[0].material, "outline", "binding.turn_in")
    return flat


def draw_boards(scene: Scene, flat: Flat) -> None:
    """Boards and spine in their places."""
    for area in flat.boards:
        scene.sketch.area(area.points, area.material, "outline", area.about)


def turned_in(book: Book, flat: Flat, *, ends_only: bool = False) -> tuple[tuple[Point, ...], ...]:
    """The turn-ins as they lie on the boards: head and tail, and then the fore-edges."""
    left, top, right, bottom = flat.inside
    _, outer_top, outer_right, _ = flat.outside
    thick = book.spec.binding.board
    lies = max(top - outer_top - thick, 1.0)
    at_side = max(outer_right - right - thick, 1.0)
    ends = (box(left, top, right - left, lies), box(left, bottom - lies, right - left, lies))
    if ends_only:
        return ends
    return *ends, box(left, top, at_side, bottom - top), box(right - at_side, top, at_side, bottom - top)


def front_board(book: Book) -> tuple[Mm, Mm]:
    """The front board by width and height; the block's side where it has none."""
    boards = book.bound.sizes.boards
    return boards.front if boards else (book.block.width, book.block.height)


def board_on_block(scene: Scene, book: Book) -> None:
    """The front board home on the block, whose outline shows through, and its squares."""
    wide, high = front_board(book)
    block, squares = book.block, book.spec.binding.squares
    inset = book.bound.sizes.inset or 0.0
    head = (high - block.height) * squares.head / max(squares.head + squares.tail, NEGLIGIBLE)
    scene.sketch.area(box(inset, -head, wide, high), "board", "cut", "board.width board.height")
    leaf = box(0, 0, block.joint_width, block.height)
    scene.sketch.line((*leaf, leaf[0]), "hidden", "block.width block.height")
    right, bottom = inset + wide, high - head
    if head > 0:
        scene.size((right, -head), (right, 0), "Square at the head", "closed.head")
    if right > block.joint_width:
        scene.size((block.joint_width, -head), (right, -head), "at the fore-edge", "closed.fore_edge")
    if bottom > block.height:
        scene.size((right, block.height), (right, bottom), "at the tail", "closed.tail")
    if inset > 0:
        scene.size((inset, bottom), (0, bottom), "from the spine", "closed.inset joint.inset")


def of_drawing(scene: Scene, drawing: Drawing) -> None:
    """What a drawing of the plan shows, without its words and dimensions."""
    for element in drawing.elements:
        if isinstance(element, Area):
            scene.sketch.area(element.points, element.material, element.layer, element.about)
        elif isinstance(element, Hatch):
            scene.sketch.hatch(element.points, element.layer, element.angle, element.about)
