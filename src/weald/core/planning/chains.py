"""Chains of dimensions: where parts as rounded to the ruler do not add up to the whole, the whole says so.

Sizes are never rounded to make a chain come out: one cuts by each figure as it stands.
"""

import math
from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import replace

from weald.core.drawing import Dimension, Drawing
from weald.core.notation import Notation
from weald.core.remembering import remembered
from weald.core.units import TOLERANCE, Mm

ABOUT = "≈ "
"""Before the figure of a whole whose parts, as they are written, come to a little more or less."""


Span = tuple[Mm, Mm, int]
"""A stretch of one line, from where to where, with the place of its dimension in the drawing."""


@remembered(40)
def rounding_told(drawing: Drawing, notation: Notation) -> Drawing:
    """A drawing whose rounded wholes are marked."""
    found = [
        whole
        for spans in _lines(drawing)
        for whole, parts in _wholes(spans)
        if sum(_marks(drawing, part, notation) for part in parts) != _marks(drawing, whole, notation)
        and all(_is_rounded(drawing, place, notation) for place in (whole, *parts))
    ]
    if not found:
        return drawing
    elements = list(drawing.elements)
    for place in found:
        dimension = _dimension(drawing, place)
        elements[place] = replace(dimension, text=ABOUT + dimension.text)
    return replace(drawing, elements=tuple(elements))


def _dimension(drawing: Drawing, place: int) -> Dimension:
    found = drawing.elements[place]
    assert isinstance(found, Dimension)
    return found


def _lines(drawing: Drawing) -> Iterator[list[Span]]:
    """The dimensions that measure along the same line, level or upright."""
    found = defaultdict[tuple[int, float], list[Span]](list)
    for place, each in enumerate(drawing.elements):
        if isinstance(each, Dimension):
            (x0, y0), (x1, y1) = each.start, each.end
            if abs(y0 - y1) < TOLERANCE:
                found[0, round(y0, 3)].append((min(x0, x1), max(x0, x1), place))
            elif abs(x0 - x1) < TOLERANCE:
                found[1, round(x0, 3)].append((min(y0, y1), max(y0, y1), place))
    return (spans for spans in found.values() if len(spans) > 2)


def _wholes(spans: Sequence[Span]) -> Iterator[tuple[int, list[int]]]:
    """Those that others fill from end to end, with the places of these."""
    for low, high, place in spans:
        shorter = [each for each in spans if each[1] - each[0] < high - low - TOLERANCE]
        if parts := _parts(low, high, shorter):
            yield place, parts


def _parts(low: Mm, high: Mm, spans: Sequence[Span]) -> list[int]:
    """Dimensions that follow one another from one place to another; none where they do not get there."""
    for start, end, place in spans:
        if abs(start - low) > TOLERANCE or end - start < TOLERANCE:
            continue
        if abs(end - high) < TOLERANCE:
            return [place]
        rest = _parts(end, high, spans) if end < high else []
        if rest:
            return [place, *rest]
    return []


def _length(drawing: Drawing, place: int) -> Mm:
    dimension = _dimension(drawing, place)
    return math.dist(dimension.start, dimension.end)


def _marks(drawing: Drawing, place: int, notation: Notation) -> int:
    return notation.marks(_length(drawing, place))


def _is_rounded(drawing: Drawing, place: int, notation: Notation) -> bool:
    """Whether its figure is read off the ruler; a thickness, say, is written finer."""
    return _dimension(drawing, place).text == notation.figure(_length(drawing, place))
