"""What several pictures share: a scene for a book, a piece being cut, a press bed, a closed pile."""

from collections.abc import Callable, Iterator, Sequence
from typing import TypeAlias

from weald.core.bench.pictures.acts import Scene
from weald.core.book.book import Book
from weald.core.drawing import Drawing, box
from weald.core.job.lying import Facts
from weald.core.materials import MATERIALS
from weald.core.pieces import Piece
from weald.core.units import Mm

Picturing: TypeAlias = Callable[[Book, Facts, Facts], Iterator[Drawing]]
"""The frames of an operation: the book, and what is so before and after it."""


def no_picture(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Nothing is drawn of what a binder put in by name alone."""
    yield from ()


def scene_of(book: Book, long: Mm) -> Scene:
    """An empty scene whose longer side is so long."""
    return Scene(max(long, 1.0), book.notation)


def leaf_of(book: Book) -> tuple[Mm, Mm]:
    """A leaf before it is trimmed, by width and height."""
    trim = book.spec.leaf.trim
    return book.block.width + trim.fore_edge, book.block.height + trim.head + trim.tail


def piece_on(book: Book, ids: Sequence[str]) -> tuple[Mm, Mm] | None:
    """The first of these pieces the book has, by the width and height it is cut to."""
    return next(((piece.cut_width, piece.cut_height) for piece in book.taken(ids)), None)


def draw_piece(scene: Scene, piece: Piece) -> None:
    """A piece as it is cut, its corner at 0, with its grain."""
    shape = box(0, 0, piece.cut_width, piece.cut_height)
    scene.sketch.area(shape, MATERIALS[piece.material].drawn, "cut", piece.about)
    if piece.grain != "any":
        scene.sketch.grain(shape, 90 if piece.grain == "height" else 0)


def knife_along(scene: Scene, wide: Mm, high: Mm) -> None:
    """A steel rule on the piece, the knife along it, towards the hand that draws it."""
    rule = scene.hundredths(7)
    scene.sketch.area(box(wide - rule, -rule, rule, high + 2 * rule), "card", "outline", "rule")
    scene.cut((wide, -rule), (wide, high + rule / 2))


def piece_cut(book: Book, ids: Sequence[str], title: str, most: int = 3) -> Iterator[Drawing]:
    """These pieces: the first marked with its size and grain, then each cut along the rule."""
    pieces = book.taken(ids)[:most]
    for piece in pieces[:1]:
        scene = _sized(book, piece)
        scene.tell(f"grain {piece.needs}")
        yield scene.frame(f"Mark the size and the grain on the piece: {piece.label.lower()}")
    for piece in pieces:
        scene = _sized(book, piece)
        knife_along(scene, piece.cut_width, piece.cut_height)
        yield scene.frame(f"{title}: {piece.label.lower()}, along the rule")


def _sized(book: Book, piece: Piece) -> Scene:
    scene = scene_of(book, max(piece.cut_width, piece.cut_height))
    draw_piece(scene, piece)
    wide, high = piece.cut_width, piece.cut_height
    scene.size((0, 0), (wide, 0), f"{piece.count} × {piece.label.lower()}, wide", f"{piece.id}.width")
    scene.size((0, high), (0, 0), "high", f"{piece.id}.height")
    return scene


def bed(scene: Scene, left: Mm, wide: Mm, below: Mm, above: Mm) -> None:
    """Boards under and over a pile between two levels."""
    thick = scene.hundredths(3)
    scene.held(left, below, wide, thick)
    scene.held(left, above - thick, wide, thick)
