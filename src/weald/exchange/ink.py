"""A drawing as plain strokes and words on paper, for every writer of files.

Writers of PDF and SVG differ only in how they put down a stroke; what a dimension line or a
hatch looks like is settled here, once. Coordinates are millimetres *on the paper*, x to the
right and y down.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from weald.core.drawing import (
    Anchor,
    Arc,
    Area,
    Dimension,
    Drawing,
    Element,
    Hatch,
    Label,
    Layer,
    Line,
    Material,
    Point,
)
from weald.core.units import TOLERANCE, Mm

Pen = Layer | Literal["check"]

NOTE_HEIGHT: Mm = 2.4
"""Height of words that have no size of their own, on the paper."""
ROW: Mm = 7.0
"""From the drawing to its first row of dimension lines, and from row to row."""
_TICK: Mm = 1.2
_ARC_STEPS = 24
HATCH_PITCH: dict[str, Mm] = {"trim": 1.6, "glue": 1.2}
_ARROW_PART, _ARROW_MOST, _ARROW_LEAST = 0.45, 24.0, 3.0
"""Of the grain's arrow: its share of the piece along the grain, and its lengths on the paper."""
_BARB: Mm = 1.3
_ARROW_ASIDE: Mm = 5.0
"""How far from the piece's edge the arrow runs, clear of what is written in the middle."""


@dataclass(frozen=True, slots=True)
class Stroke:
    """A line on the paper, or the edge of a shape filled with ``fill``."""

    points: tuple[Point, ...]
    pen: Pen
    closed: bool = False
    fill: Material | None = None


@dataclass(frozen=True, slots=True)
class Words:
    """Words on the paper; ``rotation`` in degrees, clockwise; ``width`` what they have to take, or 0."""

    x: Mm
    y: Mm
    text: str
    height: Mm
    anchor: Anchor
    rotation: float
    width: Mm = 0.0


Mark = Stroke | Words


@dataclass(frozen=True, slots=True)
class Frame:
    """Where a drawing stands on the paper: paper = origin + scale × (drawing − its top left)."""

    scale: float
    left: Mm
    top: Mm
    drawing: Drawing

    def at(self, point: Point) -> Point:
        """A point of the drawing, on the paper."""
        extent = self.drawing.extent
        return (
            self.left + self.scale * (point[0] - extent[0]),
            self.top + self.scale * (point[1] - extent[1]),
        )


def size_on_paper(drawing: Drawing, scale: float) -> tuple[Mm, Mm]:
    """Width and height a drawing needs on the paper, its dimension rows included."""
    left, top, right, bottom = drawing.extent
    rows = drawing.rows
    return (
        scale * (right - left) + ROW * (rows[0] + rows[2]) + NOTE_HEIGHT,
        scale * (bottom - top) + ROW * (rows[1] + rows[3]) + NOTE_HEIGHT,
    )


def frame(drawing: Drawing, scale: float, left: Mm, top: Mm) -> Frame:
    """Place a drawing with its dimension rows from ``left``, ``top`` on."""
    inset = NOTE_HEIGHT / 2
    return Frame(scale, left + ROW * drawing.rows[0] + inset, top + ROW * drawing.rows[1] + inset, drawing)


def marks(placed: Frame) -> Iterator[Mark]:
    """Everything to be put on the paper, in order."""
    for element in placed.drawing.elements:
        yield from _element(element, placed)


def _element(element: Element, placed: Frame) -> Iterator[Mark]:
    if isinstance(element, Area):
        points = tuple(placed.at(point) for point in element.points)
        yield Stroke(points, element.layer, closed=True, fill=element.material)
    elif isinstance(element, Line):
        yield Stroke(tuple(placed.at(point) for point in element.points), element.layer)
    elif isinstance(element, Arc):
        yield Stroke(tuple(placed.at(point) for point in _arc_points(element)), element.layer)
    elif isinstance(element, Hatch):
        outline = tuple(placed.at(point) for point in element.points)
        if element.layer == "grain":
            yield from _grain_arrow(outline, element.angle)
        else:
            for segment in hatch_lines(outline, element.angle, HATCH_PITCH[element.layer]):
                yield Stroke(segment, element.layer)
    elif isinstance(element, Label):
        x, y = placed.at((element.x, element.y))
        height = element.height * placed.scale or NOTE_HEIGHT
        width = element.width * placed.scale
        yield Words(x, y, element.text, height, element.anchor, element.rotation, width)
    else:
        yield from _dimension(element, placed)


def _arc_points(arc: Arc) -> list[Point]:
    angles = (
        math.radians(arc.start + (arc.end - arc.start) * step / _ARC_STEPS) for step in range(_ARC_STEPS + 1)
    )
    return [(arc.x + arc.radius * math.cos(a), arc.y + arc.radius * math.sin(a)) for a in angles]


def _grain_arrow(outline: tuple[Point, ...], angle: float) -> Iterator[Mark]:
    """Which way the grain runs: one arrow with two heads, along the piece's right or lower edge."""
    xs, ys = [x for x, _ in outline], [y for _, y in outline]
    wide, high = max(xs) - min(xs), max(ys) - min(ys)
    turn = math.radians(angle)
    along = (math.cos(turn), math.sin(turn))
    room = abs(along[0]) * wide + abs(along[1]) * high
    half = min(room * _ARROW_PART, _ARROW_MOST) / 2
    if half < _ARROW_LEAST / 2:
        return
    upright = abs(along[1]) > abs(along[0])
    x = min(xs) + (max(wide / 2, wide - _ARROW_ASIDE) if upright else wide / 2)
    y = min(ys) + (high / 2 if upright else max(high / 2, high - _ARROW_ASIDE))

    def at(far: Mm, off: Mm) -> Point:
        return x + along[0] * far - along[1] * off, y + along[1] * far + along[0] * off

    yield Stroke((at(-half, 0), at(half, 0)), "grain")
    for end in (1, -1):
        back = end * (half - _BARB)
        yield Stroke((at(back, _BARB / 2), at(end * half, 0), at(back, -_BARB / 2)), "grain")


def hatch_lines(outline: tuple[Point, ...], angle: float, pitch: Mm) -> Iterator[tuple[Point, Point]]:
    """Parallel lines inside a simple shape, ``pitch`` apart."""
    turn = math.radians(angle)
    along, across = (math.cos(turn), math.sin(turn)), (-math.sin(turn), math.cos(turn))
    turned = [(x * along[0] + y * along[1], x * across[0] + y * across[1]) for x, y in outline]
    low, high = min(v for _, v in turned), max(v for _, v in turned)
    count = int((high - low) / pitch)
    first = low + (high - low - (count - 1) * pitch) / 2
    for number in range(count):
        level = first + number * pitch
        crossings = sorted(
            u1 + (u2 - u1) * (level - v1) / (v2 - v1)
            for (u1, v1), (u2, v2) in zip(turned, turned[1:] + turned[:1], strict=True)
            if (v1 <= level) != (v2 <= level)
        )
        for start, end in zip(crossings[::2], crossings[1::2], strict=True):
            yield (
                (start * along[0] + level * across[0], start * along[1] + level * across[1]),
                (end * along[0] + level * across[0], end * along[1] + level * across[1]),
            )


def _dimension(element: Dimension, placed: Frame) -> Iterator[Mark]:
    """A dimension line: two extension lines, the line with a tick at each end, and its figure."""
    start, end = placed.at(element.start), placed.at(element.end)
    length = math.dist(start, end)
    if length < TOLERANCE:
        return
    along = ((end[0] - start[0]) / length, (end[1] - start[1]) / length)
    # to the left as one walks from start to end, y pointing down
    aside = (along[1], -along[0])
    reach = ROW * element.offset - ROW * 0.3

    def off(point: Point, distance: Mm) -> Point:
        return (point[0] + aside[0] * distance, point[1] + aside[1] * distance)

    line = (off(start, reach), off(end, reach))
    yield Stroke(line, "dimension")
    for point, foot in ((start, line[0]), (end, line[1])):
        yield Stroke((off(point, 0.6), off(point, reach + _TICK)), "dimension")
        yield Stroke(
            (
                (foot[0] - (along[0] - aside[0]) * _TICK, foot[1] - (along[1] - aside[1]) * _TICK),
                (foot[0] + (along[0] - aside[0]) * _TICK, foot[1] + (along[1] - aside[1]) * _TICK),
            ),
            "dimension",
        )
    middle = off(((start[0] + end[0]) / 2, (start[1] + end[1]) / 2), reach + NOTE_HEIGHT * 0.8)
    upright = abs(along[1]) > abs(along[0])
    yield Words(*middle, element.text, NOTE_HEIGHT, "middle", -90.0 if upright else 0.0)


@dataclass(frozen=True, slots=True)
class Look:
    """How a pen looks on white paper: colour, width in millimetres, dashes."""

    colour: str
    width: Mm
    dashes: tuple[Mm, ...] = ()


LOOKS: dict[Pen, Look] = {
    "outline": Look("#33302b", 0.25),
    "fill": Look("none", 0.0),
    "cut": Look("#1f1d1a", 0.35),
    "fold": Look("#33302b", 0.25, (4, 1.5)),
    "slit": Look("#1f1d1a", 0.5),
    "score": Look("#33302b", 0.2, (1.5, 1)),
    "trim": Look("#6b655b", 0.18),
    "glue": Look("#9a9386", 0.15, (0.4, 0.9)),
    "grain": Look("#7a5c00", 0.25),
    "ruling": Look("#8a8f98", 0.15),
    "thread": Look("#1f4f3a", 0.6),
    "move": Look("#1f4f3a", 0.5),
    "hidden": Look("#9a9386", 0.12, (1.2, 0.9)),
    "dimension": Look("#5a554c", 0.12),
    "text": Look("#1f1d1a", 0.2),
    "check": Look("#000000", 0.35),
}

FILLS: dict[Material, str] = {
    "paper": "#fffdf7",
    "paper_inner": "#efe9da",
    "waste": "#f1eee6",
    "board": "#d9c6ad",
    "cloth": "#e3e8e2",
    "leather": "#e2cdbd",
    "side_paper": "#f0ede4",
    "card": "#efe6d5",
    "lining": "#f3efe4",
    "block": "#fbf8ef",
    "mark": "#1f1d1a",
    "white": "#ffffff",
}
