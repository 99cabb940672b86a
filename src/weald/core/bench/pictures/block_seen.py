"""The block as it is while certain facts are so: from its tail, its front, its spine, and in the fold."""

import math
from itertools import pairwise

from weald.core.bench.path_drawing import mull_side, support_side
from weald.core.bench.pictures.acts import Scene
from weald.core.block.holes import support_middles
from weald.core.book.book import Book
from weald.core.drawing import Point, box
from weald.core.job.lying import Facts
from weald.core.stations.block_drawings import arc_points, section_outline, shoulder_back
from weald.core.units import Mm

_FOLDS = 12
"""So many sections are drawn at the most."""
_LOOSE = 0.35
"""Of a section's thickness, between sections that are not held together."""
_LINING: Mm = 0.8
"""What is too thin to be seen is drawn this thick."""


def seen_of(book: Book) -> Mm:
    """How much of the block is seen from its tail, from the spine."""
    block = book.block
    return min(block.width, max(60.0, 3 * block.thickness))


def spine_width(book: Book, facts: Facts) -> Mm:
    """The spine as it is by now: swollen as sewn, or rounded."""
    if "block_rounded" in facts:
        return book.block.chord
    return book.block.spine if "block_sewn" in facts else book.block.thickness


def from_tail(scene: Scene, book: Book, facts: Facts) -> None:
    """The spine part of the block cut across, its spine at x = 0, its middle at y = 0, the front above."""
    sketch, block = scene.sketch, book.block
    reach, half = seen_of(book), block.thickness / 2
    if "block_sewn" not in facts and "block_glued" not in facts:
        _loose(scene, book, reach)
    elif "block_rounded" in facts and block.round:
        _rounded(scene, book, facts, reach)
    else:
        sewn = spine_width(book, facts) / 2
        ends = 0.6 * reach
        outline = ((0, -sewn), (ends, -half), (reach, -half), (reach, half), (ends, half), (0, sewn))
        sketch.area(outline, "block", about="block.thickness")
        for part in _parts(book):
            sketch.line(((0, part * sewn), (ends, part * half), (reach, part * half)), "hidden")
    if "endpapers_on" in facts:
        edge = _edge(book, facts)
        for side in (-1, 1):
            sketch.line(
                ((0, side * edge), (0.6 * reach, side * (half + _LINING)), (reach, side * (half + _LINING)))
            )
    if "block_glued" in facts:
        sketch.line(spine_line(book, facts), "thread", "spine.glue")
    if "block_lined" in facts:
        _linings(scene, book, facts)


def _edge(book: Book, facts: Facts) -> Mm:
    return spine_width(book, facts) / 2


def _parts(book: Book) -> list[float]:
    """Where the folds lie, from -1 to 1 through the thickness."""
    folds = max(1, min(book.block.sections, _FOLDS))
    return [2 * fold / folds - 1 for fold in range(1, folds)]


def _loose(scene: Scene, book: Book, reach: Mm) -> None:
    folds = max(1, min(book.block.sections, _FOLDS))
    each = book.block.thickness / folds
    for number in range(folds):
        middle = (number - (folds - 1) / 2) * each * (1 + _LOOSE)
        bow = each / 2
        shape = [(bow + bow * x, middle + y) for x, y in _fold_end(bow)]
        scene.sketch.area([*shape, (reach, middle + bow), (reach, middle - bow)], "block")


def _fold_end(half: Mm, steps: int = 6) -> list[Point]:
    """A fold's round back, from above to below; x in halves, from -1."""
    angles = [math.pi / 2 + math.pi * step / steps for step in range(steps + 1)]
    return [(math.cos(angle), -half * math.sin(angle)) for angle in angles]


def _rounded(scene: Scene, book: Book, facts: Facts, reach: Mm) -> None:
    block = book.block
    half = block.thickness / 2
    if "block_backed" in facts or not block.shoulder:
        outline, arc = section_outline(block, reach), arc_points(block.chord, block.rise)
        back, edge = shoulder_back(block), half
    else:
        arc, back, edge = arc_points(block.thickness, block.rise), 0.0, half
        outline = [*arc, (reach, half), (reach, -half)]
    scene.sketch.area(outline, "block", about="block.thickness spine.rise")
    bend = max(block.shoulder_line, block.thickness / 6)
    for part in _parts(book):
        near = arc[round((part + 1) / 2 * (len(arc) - 1))]
        level = edge * part
        scene.sketch.line(((near[0] - back, near[1]), (bend, level), (reach, level)), "hidden")


def spine_line(book: Book, facts: Facts, off: Mm = 0.0) -> list[Point]:
    """Over the spine from the front's edge to the back's, ``off`` away from it."""
    block = book.block
    if "block_rounded" in facts and block.round:
        backed = "block_backed" in facts or not block.shoulder
        chord, back = (block.chord, shoulder_back(block)) if backed else (block.thickness, 0.0)
        return [(x - back - off, y) for x, y in arc_points(chord, block.rise)]
    edge = _edge(book, facts)
    return [(-off, -edge), (-off, edge)]


def _linings(scene: Scene, book: Book, facts: Facts) -> None:
    """Mull and linings over the spine; the mull stands out at both sides until it is glued to boards."""
    sketch = scene.sketch
    over = spine_line(book, facts, 1.5 * _LINING)
    if book.mulled:
        ends = _standing_out(over, mull_side(book))
        sketch.line(ends, "outline", "mull.width")
    sketch.line(spine_line(book, facts, 2.5 * _LINING), "outline", "lining.between")


def _standing_out(over: list[Point], side: Mm) -> list[Point]:
    """What lies over the spine, with both ends standing out beside the block."""
    (x0, y0), (x1, y1) = over[0], over[-1]
    return [(x0 + side * 0.5, y0 - side * 0.85), *over, (x1 + side * 0.5, y1 + side * 0.85)]


def untrimmed(book: Book) -> tuple[Mm, Mm, Mm, Mm]:
    """Left, top, width, height of the block before it is trimmed, from its trimmed corner."""
    trim = book.spec.leaf.trim
    block = book.block
    return 0.0, -trim.head, block.width + trim.fore_edge, block.height + trim.head + trim.tail


def from_front(scene: Scene, book: Book, facts: Facts) -> None:
    """The block lying on its back, its spine at the left, its trimmed head at y = 0."""
    sketch, block = scene.sketch, book.block
    trimmed = facts & {"block_trimmed", "edges_in_boards", "edges_flush"}
    left, top, wide, high = (0.0, 0.0, block.width, block.height) if trimmed else untrimmed(book)
    if not trimmed and "fore_edge_trimmed" in facts:
        wide = block.width
    if "block_sewn" in facts and book.on_supports and "slips_stuck" not in facts:
        _supports(scene, book, -support_side(book) * 0.6, 0.0)
    sketch.area(box(left, top, wide, high), "block", about="block.width block.height")
    if "endpapers_on" in facts:
        inset = 0.012 * block.width
        sketch.line(
            box(left + inset, top, wide - inset, high)[:1] + box(left + inset, top, wide - inset, high)[3:],
            "hidden",
        )
    if "block_lined" in facts and book.mulled:
        sketch.area(
            box(0, 6, min(mull_side(book), block.width / 3), block.height - 12), "lining", about="mull.width"
        )
    if "bands_on" in facts:
        for y in (top, top + high):
            sketch.area(box(-2, y - 1.5, 6, 3), "cloth", about="end_band.length")


def _supports(scene: Scene, book: Book, left: Mm, right: Mm) -> None:
    wide = max(book.spec.sewing.support_width, 1.0)
    for middle in support_middles(book.sewing.holes):
        scene.sketch.area(box(left, middle - wide / 2, right - left, wide), "lining", about="support")


def from_spine(scene: Scene, book: Book, facts: Facts) -> None:
    """The spine seen from behind, head up, its left edge at x = 0, the trimmed head at y = 0."""
    sketch, block = scene.sketch, book.block
    width = spine_width(book, facts)
    trimmed = "block_trimmed" in facts
    _, top, _, high = (0.0, 0.0, 0.0, block.height) if trimmed else untrimmed(book)
    sketch.area(box(0, top, width, high), "block", about="block.height")
    folds = max(1, min(block.sections, 2 * _FOLDS))
    for fold in range(1, folds):
        sketch.line(((width * fold / folds, top), (width * fold / folds, top + high)), "hidden")
    if "folds_pierced" in facts:
        for hole in book.sewing.holes:
            sketch.line(((0.1 * width, hole.place), (0.9 * width, hole.place)), "slit", "sewing.interval")
    if "block_sewn" in facts:
        if book.on_supports:
            _supports(scene, book, -0.25 * width, 1.25 * width)
        for one, other in pairwise(book.sewing.holes):
            if not (one.support and one.support == other.support):
                continue
            for fold in range(folds):
                x = width * (fold + 0.5) / folds
                sketch.line(((x, one.place), (x, other.place)), "thread")
    if "bands_on" in facts:
        for y in (0.0, block.height):
            sketch.area(box(0, y - 1.5, width, 3), "cloth", about="end_band.length")
    if "block_glued" in facts:
        sketch.hatch(box(0, top, width, high), "glue", 45, "spine.glue")
    if "block_lined" in facts:
        side = mull_side(book) if book.mulled else 0.0
        sketch.area(box(-side, 6, width + 2 * side, block.height - 12), "lining", about="mull.width")


def in_the_fold(scene: Scene, book: Book, facts: Facts, *, deep: Mm | None = None) -> Mm:
    """A section open in its fold, which runs from the head at the left to the tail at the right.

    :returns: how deep each half of it is drawn.
    """
    sketch, block, trim = scene.sketch, book.block, book.spec.leaf.trim
    deep = deep or block.height / 4
    sketch.area(box(-trim.head, -deep, block.height + trim.head + trim.tail, 2 * deep), "paper")
    sketch.line(((-trim.head, 0), (block.height + trim.tail, 0)), "fold")
    if "folds_pierced" in facts:
        for hole in book.sewing.holes:
            tick = scene.hundredths(1.2)
            sketch.line(((hole.place, -tick), (hole.place, tick)), "slit", "sewing.holes")
    return deep
