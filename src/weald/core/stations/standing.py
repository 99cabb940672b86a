"""The book as it will stand on a shelf: its spine, one side, and the head of its block, in true proportion.

Spine and height are true; side and head go away from whoever looks, a little from above.
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

from weald.core.drawing import Area, Dimension, Drawing, Element, Point, Sketch, box
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS
from weald.core.reckoning import Ledger
from weald.core.stations.bound_sizes import BoundSizes
from weald.core.units import Mm

STANDING = "standing"
"""The picture's name among what is drawn; it belongs to no station."""
AWAY = 0.52
"""How wide a side is seen, to its true width."""
RISE = 0.16
"""How far it rises by then, to the same."""


@dataclass(frozen=True, slots=True)
class _Standing:
    """Sizes of the closed book: across its spine, its height, the width of a side."""

    thick: Mm
    tall: Mm
    wide: Mm

    def on_side(self, along: Mm, down: Mm) -> Point:
        """A point of the side: so far from the spine, so far from the head."""
        return self.thick + AWAY * along, down - RISE * along

    def on_head(self, across: Mm, along: Mm, down: Mm = 0.0) -> Point:
        """A point at the head: so far across the spine, so far from it."""
        return across + AWAY * along, down - RISE * along


def draw_standing(
    spec: JobSpec, sizes: BoundSizes, spine: Drawing | None, block: tuple[Mm, Mm, Mm], ledger: Ledger
) -> Drawing:
    """The closed book, standing.

    :param spine: as it is lettered, where it has one to letter.
    :param block: width, height and thickness of the block.
    """
    book = _measure(sizes, spine, block)
    sketch = Sketch()
    cover = COVERS[spec.binding.material].record.drawn
    bare = sizes.boards is None and sizes.height is None
    # the block shows between the boards at the head; behind it, the far board
    board = spec.binding.board if sizes.boards else min(1.0, book.thick / 8)
    square = sizes.square or 0.0
    head = [book.on_head(0, 0), book.on_head(book.thick, 0)]
    head += [book.on_head(book.thick, book.wide), book.on_head(0, book.wide)]
    sketch.area(head, "block" if bare else cover)
    end = book.wide - square
    leaves = [book.on_head(x, y, square * RISE) for x, y in ((board, board), (book.thick - board, board))]
    leaves += [book.on_head(x, end, square * RISE) for x in (book.thick - board, board)]
    sketch.area(leaves, "block")
    sketch.area((book.on_side(*at) for at in _corners(0, book.wide, book)), "block" if bare else cover)
    for part in _sides(spec, book, ledger):
        sketch.area((book.on_side(*at) for at in part), "side_paper")
    sketch.area(box(0, 0, book.thick, book.tall), "block" if bare else cover)
    sketch.place(_lettering(spine), 0, 0)
    show = ledger.notation.length
    return sketch.finish(
        "book.standing",
        STANDING,
        spec.title,
        rows=(0, 0, 0, 0),
        text=f"{show(book.wide, True)} wide, {show(book.tall, True)} high, {show(book.thick, True)} thick.",
    )


def _measure(sizes: BoundSizes, spine: Drawing | None, block: tuple[Mm, Mm, Mm]) -> _Standing:
    width, height, thickness = block
    thick = sizes.spine or thickness
    tall = sizes.tall[0] if sizes.tall else height
    if spine is not None:
        left, top, right, bottom = spine.extent
        thick, tall = right - left, bottom - top
    if sizes.boards:
        return _Standing(thick, tall, sizes.boards.front[0] + (sizes.inset or 0.0))
    return _Standing(thick, tall, sizes.leaf or width)


def _corners(start: Mm, end: Mm, book: _Standing) -> tuple[Point, ...]:
    return (start, 0.0), (end, 0.0), (end, book.tall), (start, book.tall)


def _sides(spec: JobSpec, book: _Standing, ledger: Ledger) -> Iterator[Iterable[Point]]:
    """What of a side is of another material than its spine."""
    if "side.width" not in ledger.quantities:
        return
    side = ledger.value("side.width")
    if spec.binding.covering == "fore_edge":
        end = book.wide - spec.binding.fore_edge_strip
        yield _corners(max(0.0, end - side), end, book)
        return
    begin = max(0.0, book.wide - (side - spec.binding.turn_in))
    leg = ledger.value("corner.leg") if "corner.leg" in ledger.quantities else 0.0
    yield (
        (begin, 0.0),
        (book.wide - leg, 0.0),
        (book.wide, leg),
        (book.wide, book.tall - leg),
        (book.wide - leg, book.tall),
        (begin, book.tall),
    )


def _lettering(spine: Drawing | None) -> Iterator[Element]:
    """What stands on the spine, without its outline and its sizes."""
    for element in spine.elements[1:] if spine else ():
        if not isinstance(element, Dimension):
            yield Area(element.points, element.material) if isinstance(element, Area) else element
