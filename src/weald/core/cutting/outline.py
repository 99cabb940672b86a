"""Pieces laid in an outline, turned as it takes: for skins, which have no grain and no straight edge.

A piece at one turn is a rectangle upright in an outline turned the other way. It lies inside where at every
level
between its foot and its head the outline is open over its whole width; between corners outlines are
straight, so
that its own two levels and those of the corners between them are enough. What lies there already closes the
outline in the same way.
"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

from weald.core.drawing import Point
from weald.core.units import TOLERANCE, Mm

STEP: Mm = 8.0
"""Levels tried are so far apart, besides those of the corners."""
TURNS = tuple(range(0, 180, 15))
"""Degrees tried, besides those of the outline's own sides."""
Outline = tuple[Point, ...]
Span = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Laid:
    """A piece where it lies: its four corners, and how far it is turned."""

    name: str
    corners: tuple[Point, Point, Point, Point]
    degrees: float


def lay_in_outline(
    outline: Outline, pieces: Sequence[tuple[str, Mm, Mm]], apart: Mm
) -> tuple[list[Laid], list[str]]:
    """Lay pieces in an outline, the largest first, each as little turned as may be.

    :param pieces: name, width and height of each.
    :returns: those laid, and the names of those there is no room for.
    """
    laid: list[Laid] = []
    without: list[str] = []
    for name, width, height in sorted(pieces, key=lambda each: -each[1] * each[2]):
        found = _find(outline, [each.corners for each in laid], (width, height), apart)
        if found is None:
            without.append(name)
        else:
            laid.append(Laid(name, *found))
    return laid, without


def area_of(outline: Sequence[Point]) -> float:
    """What an outline encloses, in square millimetres."""
    closed = [*outline, outline[0]]
    return abs(sum(a[0] * b[1] - b[0] * a[1] for a, b in pairwise(closed))) / 2


def crosses_itself(outline: Outline) -> bool:
    """Whether two sides of an outline cross: points out of order."""
    closed = [*outline, outline[0]]
    sides = list(pairwise(closed))
    for number, one in enumerate(sides):
        for other in sides[number + 2 :]:
            if not (number == 0 and other is sides[-1]) and _cross(one, other):
                return True
    return False


def _cross(one: tuple[Point, Point], other: tuple[Point, Point]) -> bool:
    def side(line: tuple[Point, Point], point: Point) -> float:
        (x0, y0), (x1, y1) = line
        return (x1 - x0) * (point[1] - y0) - (y1 - y0) * (point[0] - x0)

    return (
        side(one, other[0]) * side(one, other[1]) < -TOLERANCE
        and side(other, one[0]) * side(other, one[1]) < -TOLERANCE
    )


def _find(
    outline: Outline, taken: Sequence[Sequence[Point]], size: tuple[Mm, Mm], apart: Mm
) -> tuple[tuple[Point, Point, Point, Point], float] | None:
    for degrees in _turns(outline):
        turned = _turn(outline, -degrees)
        lying = [_turn(each, -degrees) for each in taken]
        spot = _lowest(turned, lying, size, apart)
        if spot is not None:
            x, y = spot
            width, height = size
            box = ((x, y), (x + width, y), (x + width, y + height), (x, y + height))
            back = _turn(box, degrees)
            return (back[0], back[1], back[2], back[3]), degrees
    return None


def _turns(outline: Outline) -> Iterator[float]:
    """Straight first, then a quarter, then along the outline's own sides, then all others."""
    own = [
        math.degrees(math.atan2(y1 - y0, x1 - x0)) % 180
        for (x0, y0), (x1, y1) in pairwise([*outline, outline[0]])
    ]
    seen: set[int] = set()
    for degrees in (0.0, 90.0, *own, *((each + 90) % 180 for each in own), *map(float, TURNS)):
        if round(degrees) not in seen:
            seen.add(round(degrees))
            yield degrees


def _turn(points: Sequence[Point], degrees: float) -> list[Point]:
    turn = math.radians(degrees)
    cosine, sine = math.cos(turn), math.sin(turn)
    return [(x * cosine - y * sine, x * sine + y * cosine) for x, y in points]


def _lowest(
    outline: Sequence[Point], taken: Sequence[Sequence[Point]], size: tuple[Mm, Mm], apart: Mm
) -> Point | None:
    """The lowest place, and of those the one furthest to the left, where a rectangle lies inside."""
    width, height = size
    low, high = min(y for _, y in outline), max(y for _, y in outline)
    corners = sorted({y for _, y in outline} | {y + apart for each in taken for _, y in each})
    feet = sorted({*corners, *(low + number * STEP for number in range(math.ceil((high - low) / STEP)))})
    for foot in feet:
        if foot + height > high + TOLERANCE:
            break
        open_spans = _open(outline, foot, foot + height)
        for each in taken:
            closed = _closed(each, foot - apart, foot + height + apart)
            if closed:
                open_spans = _less(open_spans, (closed[0] - apart, closed[1] + apart))
        for start, end in open_spans:
            if end - start >= width - TOLERANCE:
                return start, foot
    return None


def _levels(outline: Sequence[Point], foot: float, head: float) -> list[float]:
    inside = [y for _, y in outline if foot < y < head]
    # a hair beside every corner, since a level through one is ambiguous
    return [foot + TOLERANCE, head - TOLERANCE, *(y + way * TOLERANCE for y in inside for way in (-1, 1))]


def _open(outline: Sequence[Point], foot: float, head: float) -> list[Span]:
    """Where the outline is open from ``foot`` to ``head``."""
    found: list[Span] | None = None
    for level in _levels(outline, foot, head):
        here = _spans(outline, level)
        found = here if found is None else _both(found, here)
        if not found:
            return []
    return found or []


def _spans(outline: Sequence[Point], level: float) -> list[Span]:
    """Where a level line runs inside an outline."""
    cuts = sorted(
        x0 + (x1 - x0) * (level - y0) / (y1 - y0)
        for (x0, y0), (x1, y1) in pairwise([*outline, outline[0]])
        if (y0 <= level < y1) or (y1 <= level < y0)
    )
    return list(zip(cuts[::2], cuts[1::2], strict=False))


def _closed(shape: Sequence[Point], foot: float, head: float) -> Span | None:
    """From where to where a shape reaches between two levels; nothing where it lies above or below."""
    low, high = min(y for _, y in shape), max(y for _, y in shape)
    if low >= head - TOLERANCE or high <= foot + TOLERANCE:
        return None
    levels = [
        max(low + TOLERANCE, foot),
        min(high - TOLERANCE, head),
        *(y for _, y in shape if foot < y < head),
    ]
    xs = [x for level in levels for span in _spans(shape, level) for x in span]
    xs += [x for x, y in shape if foot <= y <= head]
    return (min(xs), max(xs)) if xs else None


def _both(one: list[Span], other: list[Span]) -> list[Span]:
    return [(max(a, c), min(b, d)) for a, b in one for c, d in other if min(b, d) - max(a, c) > TOLERANCE]


def _less(spans: list[Span], closed: Span) -> list[Span]:
    found: list[Span] = []
    for start, end in spans:
        if closed[1] <= start or closed[0] >= end:
            found.append((start, end))
            continue
        if closed[0] > start:
            found.append((start, closed[0]))
        if closed[1] < end:
            found.append((closed[1], end))
    return found
