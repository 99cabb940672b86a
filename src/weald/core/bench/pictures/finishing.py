"""Pictures of lettering, labels, and of what is made round the finished book."""

from collections.abc import Iterator

from weald.core.bench.pictures.acts import Scene
from weald.core.bench.pictures.cover_seen import front_board, of_drawing
from weald.core.bench.pictures.things import piece_cut, scene_of
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Label, box
from weald.core.job.lying import Facts
from weald.core.units import Mm


def _spine(book: Book) -> tuple[Scene, Mm, Mm]:
    """The spine as it will be lettered."""
    drawing = book.spine
    if drawing is None:
        width, height = book.bound.sizes.spine or book.block.arc, front_board(book)[1]
        scene = scene_of(book, height)
        scene.sketch.area(box(0, 0, width, height), "cloth", about="finish.width")
        return scene, width, height
    left, top, right, bottom = drawing.extent
    scene = scene_of(book, max(right - left, bottom - top))
    of_drawing(scene, drawing)
    return scene, right - left, bottom - top


def _words(scene: Scene, book: Book) -> None:
    for element in book.spine.elements if book.spine else ():
        if isinstance(element, Label) and element.width:
            scene.sketch.elements.append(element)


def trial_lettering(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The words on an offcut of the cover, at their size."""
    scene, _width, _height = _spine(book)
    _words(scene, book)
    scene.tell("on an offcut of the cover itself")
    yield scene.frame("Letter an offcut first: heat, pressure and spacing")
    yield _capitals(book, "Hold it against the spine, head up")


def _capitals(book: Book, title: str) -> Drawing:
    scene, width, _height = _spine(book)
    _words(scene, book)
    scene.size((0, 0), (width, 0), "The spine, wide", "finish.width")
    if book.reckoned("title.capital"):
        scene.tell(f"capitals {book.size('title.capital')} high")
    return scene.frame(title)


def send_out(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The proof that goes with the book."""
    yield _capitals(book, "Send the proof with it: words, sizes, places")
    scene, _width, _height = _spine(book)
    _words(scene, book)
    yield scene.frame("Back: every word read against the proof before anything else")


def letter(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A line marked for the words, the words pressed in from the middle."""
    scene, width, height = _spine(book)
    scene.sketch.line(((width / 2, 0), (width / 2, height)), "score", "finish.width")
    scene.move((width + scene.hundredths(12), height / 2), (width / 2, height / 2))
    scene.size((0, 0), (width, 0), "The spine, wide", "finish.width")
    yield scene.frame("Mark the middle from both joints, and set the words along it")
    yield _capitals(book, "Lettered: even, upright, read from the head")


def tool(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The template wrapped on, the tool pressed through it, then with heat."""
    scene, width, height = _spine(book)
    scene.sketch.area(box(-3, 0, width + 6, height), "paper", "outline", "template")
    scene.blow((width / 2, height / 2), 0)
    yield scene.frame("Blind through the template first, then without it")
    yield _capitals(book, "Again with foil or leaf: the tool back into its own mark")


def paste_labels(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The label pasted, set between its marks, rubbed down through paper."""
    scene, width, height = _spine(book)
    label = next((piece for piece in book.pieces if "label" in piece.id), None)
    wide, high = (label.cut_width, label.cut_height) if label else (width * 0.8, height * 0.2)
    shape = box((width - wide) / 2, height * 0.15, wide, high)
    scene.sketch.area(shape, "side_paper", about="label.width label.height")
    scene.glue(shape)
    scene.size((shape[0][0], shape[0][1]), (shape[1][0], shape[1][1]), "The label, wide", "label.width")
    yield scene.frame("Paste the label, let it lie until it is limp")
    scene, width, height = _spine(book)
    scene.sketch.area(shape, "side_paper", about="label.width label.height")
    scene.move((width / 2, shape[0][1] + high / 2), (width / 2, shape[0][1] + high * 0.05))
    scene.move((width / 2, shape[0][1] + high / 2), (width / 2, shape[0][1] + high * 0.95))
    yield scene.frame("Set it between its marks; rub it down through paper, from the middle")


def panels_in(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The old panel glued into its place on the board."""
    wide, high = front_board(book)
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "cloth", about="board.width board.height")
    inner = box(wide * 0.15, high * 0.12, wide * 0.7, high * 0.76)
    scene.glue(inner)
    yield scene.frame("Glue the panel, not the board; from the middle to the edges")
    scene = scene_of(book, high)
    scene.sketch.area(box(0, 0, wide, high), "cloth", about="board.width board.height")
    scene.sketch.area(inner, "leather", about="piece.old_panel")
    scene.move((wide / 2, high / 2), (wide / 2, high * 0.16))
    yield scene.frame("Set it alike on all sides, and rub it down through paper")


def make_slipcase(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Walls glued round the book's own size, edge on edge."""
    yield from _walls(book, "slipcase", "Stand top, bottom and back on one side, square in the corners")


def make_box(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Trays glued up, the one within the other, and cased."""
    yield from _walls(book, "box", "Stand the walls on the floor of each tray, square in the corners")


def _walls(book: Book, kind: str, title: str) -> Iterator[Drawing]:
    ids = [piece.id for piece in book.pieces if piece.id.startswith(kind)]
    yield from piece_cut(book, ids, "Cut", most=2)
    piece = next(iter(book.taken(ids)), None)
    wide, high = (piece.cut_width, piece.cut_height) if piece else front_board(book)
    thick = (piece.thickness if piece else None) or 2.0
    scene = scene_of(book, wide)
    scene.sketch.area(box(0, 0, wide, high), "board", about=f"piece.{ids[0]}" if ids else "board")
    for shape in (box(0, 0, wide, thick), box(0, high - thick, wide, thick), box(0, 0, thick, high)):
        scene.glue(shape, ((shape[0][0] + 1, shape[0][1]), (shape[2][0], shape[2][1])))
    yield scene.frame(title)


def fold_jacket(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The jacket laid under the open book, its flaps folded round the boards."""
    piece = next((each for each in book.pieces if each.id == "jacket"), None)
    wide, high = (piece.cut_width, piece.cut_height) if piece else (400.0, 220.0)
    board = front_board(book)[0]
    spine = max((book.bound.sizes.spine or book.block.arc), 1.0)
    middle = wide / 2
    creases = [middle - spine / 2 - board, middle - spine / 2, middle + spine / 2, middle + spine / 2 + board]
    for stage, title in enumerate(
        ("Score spine and fore-edges along a rule", "Fold the flaps round the boards, the book closed")
    ):
        scene = scene_of(book, wide)
        scene.sketch.area(box(0, 0, wide, high), "side_paper", "cut", "jacket.width jacket.height")
        for x in creases:
            scene.sketch.line(((x, 0), (x, high)), "fold" if stage else "score", "jacket.width")
        if stage:
            scene.over((wide, high / 2), (creases[3] - (wide - creases[3]), high / 2), -0.4)
            scene.over((0, high / 2), (creases[0] + creases[0], high / 2), 0.4)
        else:
            scene.size((creases[1], 0), (creases[2], 0), "Spine", "spine.width")
            scene.size((0, high), (0, 0), "high", "jacket.height")
        yield scene.frame(title)
