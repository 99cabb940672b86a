"""Where a drawing's figures come to stand on a screen, reckoned as the screen does."""

import math
from collections.abc import Iterator
from itertools import combinations

from weald.core.drawing import Dimension, Drawing, Label

ROW, TEXT, PADDING = 25.0, 11.0, 14.0
LETTER = 0.56
"""Width of a letter as part of its type size, on the average of figures and small letters."""
Box = tuple[float, float, float, float]


def figures(drawing: Drawing, width: float, height: float) -> Iterator[tuple[str, Box]]:
    """Each figure and word with the box it fills, in pixels of a place so wide and high."""
    x0, y0, x1, y1 = drawing.extent
    left, top, right, bottom = drawing.rows
    across, down = (left + right) * ROW + 2 * PADDING, (top + bottom) * ROW + 2 * PADDING
    scale = min((width - across) / max(x1 - x0, 1e-6), (height - down) / max(y1 - y0, 1e-6))
    for each in drawing.elements:
        if isinstance(each, Dimension) and math.dist(each.start, each.end) * scale >= 1:
            yield each.text, _of_dimension(each, scale)
        elif isinstance(each, Label) and each.text and not each.rotation:
            scaled = each.height * scale / 0.72
            # lettering of the printed waste keeps its true size, however small
            size = TEXT if not each.height else scaled if each.height < 2.5 else max(8.0, scaled)
            yield each.text, _of_label(each, size, scale)


def _of_dimension(each: Dimension, scale: float) -> Box:
    (x0, y0), (x1, y1) = each.start, each.end
    length = math.dist(each.start, each.end)
    along = ((x1 - x0) / length, (y1 - y0) / length)
    steep = abs(along[1]) > abs(along[0])
    # a short figure beside a span too short for it stands in a line
    upright = steep and (len(each.text) > 3 or length * scale > TEXT * 2)
    away = ROW * each.offset - ROW * 0.4 + (14 if steep and not upright else TEXT * 0.72)
    middle = ((x0 + x1) / 2 * scale + along[1] * away, (y0 + y1) / 2 * scale - along[0] * away)
    long = TEXT * LETTER * len(each.text)
    wide, high = (TEXT, long) if upright else (long, TEXT)
    return _box(middle, wide, high)


def _of_label(each: Label, size: float, scale: float) -> Box:
    long = size * LETTER * len(each.text)
    shift = {"start": long / 2, "middle": 0.0, "end": -long / 2}[each.anchor]
    return _box((each.x * scale + shift, each.y * scale), long, size)


def _box(middle: tuple[float, float], wide: float, high: float) -> Box:
    return (middle[0] - wide / 2, middle[1] - high / 2, middle[0] + wide / 2, middle[1] + high / 2)


def overlapping(drawing: Drawing, width: float, height: float) -> list[tuple[str, str]]:
    """The figures that lie over one another."""
    found = list(figures(drawing, width, height))
    return [
        (one, other)
        for (one, a), (other, b) in combinations(found, 2)
        if min(a[2], b[2]) - max(a[0], b[0]) > -1.5 and min(a[3], b[3]) - max(a[1], b[1]) > 1.5
    ]
