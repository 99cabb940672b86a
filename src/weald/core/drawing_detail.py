"""A small part of a drawing shown again, enlarged, in a frame of its own."""

from collections.abc import Iterable, Iterator

from weald.core.drawing import Area, Element, Line, Point, Sketch, box
from weald.core.units import TOLERANCE, Mm

Window = tuple[Mm, Mm, Mm, Mm]
"""Left, top, right, bottom of what is shown."""


def draw_detail(sketch: Sketch, window: Window, times: float, left: Mm, top: Mm) -> None:
    """Add what the sketch has in a window, ``times`` as large, in a frame from ``left``, ``top`` on.

    Areas and lines are shown, cut off at the frame; figures and words stay where they are. What is shown
    twice belongs to nothing, so that it is neither lit nor touched in the wrong place.
    """
    x0, y0, x1, y1 = window

    def at(point: Point) -> Point:
        return left + (point[0] - x0) * times, top + (point[1] - y0) * times

    shown = list(_within(sketch.elements, window))
    frame = box(left, top, (x1 - x0) * times, (y1 - y0) * times)
    sketch.area(frame, "white", "outline")
    for element in shown:
        points = tuple([at(point) for point in element.points])
        if isinstance(element, Area):
            sketch.area(points, element.material, "fill")
        else:
            sketch.line(points, element.layer)
    sketch.line((*frame, frame[0]), "outline")
    seen = box(x0, y0, x1 - x0, y1 - y0)
    sketch.line((*seen, seen[0]), "dimension")
    sketch.label(left + (x1 - x0) * times / 2, top + (y1 - y0) * times + 3, f"{times:g} times as large")


def _within(elements: Iterable[Element], window: Window) -> Iterator[Area | Line]:
    """Areas and lines as far as they lie in a window; the edges of an area as lines of their own."""
    for element in elements:
        if isinstance(element, Area):
            inside = _clipped(element.points, window)
            if inside:
                yield Area(inside, element.material)
            closed = (*element.points, element.points[0])
            if element.layer != "fill":
                yield from _lines(Line(closed, "outline"), window)
        elif isinstance(element, Line):
            yield from _lines(element, window)


def _clipped(points: tuple[Point, ...], window: Window) -> tuple[Point, ...]:
    """A shape cut off at a window, one side after another."""
    shape = list(points)
    for axis, limit, sign in ((0, window[0], 1), (1, window[1], 1), (0, window[2], -1), (1, window[3], -1)):
        found: list[Point] = []
        for one, other in zip(shape, shape[1:] + shape[:1], strict=True):
            far, near = sign * (one[axis] - limit), sign * (other[axis] - limit)
            if far >= 0:
                found.append(one)
            if (far > 0 > near) or (far < 0 < near):
                part = far / (far - near)
                found.append((one[0] + part * (other[0] - one[0]), one[1] + part * (other[1] - one[1])))
        shape = found
    return tuple(shape)


def _lines(line: Line, window: Window) -> Iterator[Line]:
    """Every stretch of a line that lies in a window."""
    for start, end in zip(line.points, line.points[1:], strict=False):
        span = _span(start, end, window)
        if span is not None:
            a, b = span
            across, down = end[0] - start[0], end[1] - start[1]
            points = tuple((start[0] + t * across, start[1] + t * down) for t in (a, b))
            yield Line(points, line.layer)


def _span(start: Point, end: Point, window: Window) -> tuple[float, float] | None:
    """From which part of the way to which a straight line lies in a window; none where it does not."""
    low, high = 0.0, 1.0
    for axis in (0, 1):
        step, first, last = (
            end[axis] - start[axis],
            window[axis] - start[axis],
            window[axis + 2] - start[axis],
        )
        if abs(step) < TOLERANCE:
            if first > 0 or last < 0:
                return None
            continue
        enter, leave = sorted((first / step, last / step))
        low, high = max(low, enter), min(high, leave)
    return (low, high) if low < high else None
