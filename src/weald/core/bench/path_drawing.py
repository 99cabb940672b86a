"""Supports and mull drawn along the way they really go, each part with its length.

The sums are those of *Supports* and *Mull* in docs/craft.md.
"""

from collections.abc import Mapping

from weald.core.bindings.supports import way_of
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.quantities import QuantityId
from weald.core.units import Mm

_AWAY: Mapping[str, Point] = {
    # seen from the spine of one side: x along the board, y outwards
    "shoulder": (0, 1),
    "joint": (1, 0),
    "first": (1, 0),
    "through": (0, -1),
    "between": (1, 0),
    "again": (0, 1),
    "reach": (1, 0),
    "split": (1, 0),
    "room": (1, 0),
    "fan": (1, 0),
    "out": (0, 1),
    "step": (1, 0),
    "in": (0, -1),
    "board": (1, 0),
}
_LINE_APART: Mm = 0.6


def draw_support_path(book: Book) -> Drawing | None:
    """A tape or cord from end to end, cut across the spine; none where the book has none."""
    if not book.on_supports:
        return None
    way = way_of(book.spec, book.structure.attachment, book.block, book.bound.sizes, book.ledger)
    parts = {name: term.value for name, term in way.items()}
    spine = book.ledger.value("spine.arc" if book.block.round else "spine.thickness")
    return _draw(book, spine, parts, "sewing.support_length", "bench.support_path", "The way of a support")


def mull_side(book: Book) -> Mm:
    """How far the mull reaches beyond the spine on one side, as reckoned or as measured."""
    return max(0.0, (book.ledger.value("mull.width") - book.block.arc) / 2)


def support_side(book: Book) -> Mm:
    """How far a support reaches beyond the spine on one side, as reckoned or as measured."""
    spine = book.ledger.value("spine.arc" if book.block.round else "spine.thickness")
    return max(0.0, (book.ledger.value("sewing.support_length") - spine) / 2)


def draw_mull_path(book: Book) -> Drawing | None:
    """The mull from end to end, cut across the spine."""
    if not book.mulled:
        return None
    spine, side = book.block.arc, mull_side(book)
    parts: dict[str, Mm] = {}
    if (inset := book.bound.sizes.inset or 0.0) > 0:
        parts["joint"] = min(side, inset)
    parts["board"] = side - parts.get("joint", 0.0)
    return _draw(book, spine, parts, "mull.width", "bench.mull_path", "The way of the mull")


def _draw(
    book: Book, spine: Mm, parts: Mapping[str, Mm], quantity: QuantityId, id: str, title: str
) -> Drawing:
    """The block cut across, the path over its spine and down both sides, each part with its length."""
    sketch, show = Sketch(), book.ledger.notation.figure
    about: str = quantity
    half = spine / 2
    ends = _side(parts, half)
    reach = max(x for x, _ in ends)
    sketch.area(box(0, -half, max(reach * 1.15, 20.0), spine), "block", about="block.thickness")
    _draw_boards(book, sketch, parts, half, reach)
    other = [(x, -y) for x, y in reversed(ends)]
    sketch.line([*other, *ends], "thread", about)
    sketch.dimension((0, half), (0, -half), show(spine), about=about)
    for side in (1, -1):
        at = (0.0, half + _LINE_APART)
        for number, (name, length) in enumerate(parts.items()):
            right, out = _AWAY[name]
            to = (at[0] + right * length, at[1] + out * length)
            if right and side == 1 and length > 0:
                # rows alternate, so that two short parts beside one another stay readable
                offset = 1 + number % 2
                sketch.dimension(
                    (to[0], side * to[1]), (at[0], side * at[1]), show(length), offset=offset, about=about
                )
            at = to
    text = f"{book.ledger.quantities[quantity].sum}: {book.ledger.shown(quantity)} in all."
    return sketch.finish(id, "bench", title, rows=(1, 0, 0, 2), text=text)


def _side(parts: Mapping[str, Mm], half: Mm) -> list[Point]:
    """The corners of the path on one side, from the edge of the spine."""
    at = (0.0, half + _LINE_APART)
    points = [(0.0, half), at]
    for name, length in parts.items():
        right, out = _AWAY[name]
        at = (at[0] + right * length, at[1] + out * length)
        points.append(at)
    return points


def _draw_boards(book: Book, sketch: Sketch, parts: Mapping[str, Mm], half: Mm, reach: Mm) -> None:
    """The boards, where there are any, over or under the path as it meets them."""
    if not book.structure.boards:
        return
    thick = book.ledger.value("board.thickness")
    left = parts.get("joint", 0.0)
    # a cord laced in lies outside the board until its first hole, whatever else comes between block and board
    down = half + _LINE_APART + (parts.get("shoulder", 0.0) - thick if "through" in parts else _LINE_APART)
    for side in (1, -1):
        top = down if side == 1 else -down - thick
        sketch.area(box(left, top, max(reach * 1.15, 20.0) - left, thick), "board", about="board.thickness")
