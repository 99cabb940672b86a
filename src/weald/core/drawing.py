"""The one vocabulary every picture is drawn in.

A :class:`Drawing` is a list of elements in millimetres of the thing drawn, x to the right and
y *down* from the top left, as a sheet lies on the bench. It knows nothing of screens or
paper: writers in :mod:`weald.exchange` and the interface turn it into a picture. Writers only
read it.

Layers say what an element means (a cut, a fold), never how it looks; "fill" has no outline.
``about`` ties an element to the quantities it shows (one id or several, space-separated), so that
pointing at the one lights up the other.
"""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from typing import Literal

from weald.core.records import record
from weald.core.units import Mm

Layer = Literal[
    "outline",
    "fill",
    "cut",
    "fold",
    "slit",
    "score",
    "trim",
    "glue",
    "grain",
    "ruling",
    "thread",
    "move",
    "hidden",
    "dimension",
    "text",
]
Material = Literal[
    "paper",
    "paper_inner",
    "waste",
    "board",
    "cloth",
    "leather",
    "side_paper",
    "card",
    "lining",
    "block",
    "mark",
    "white",
]
Anchor = Literal["start", "middle", "end"]
Point = tuple[Mm, Mm]

TRIM_HATCH_ANGLE = 45.0
LETTER_WIDTH = 0.95
"""Of a letter, to the height of capitals, with room to spare."""
MOST_ROWS = 5
FIGURES_ACROSS, FIGURES_DOWN = 44, 34
"""So many letters of a dimension's figure stand side by side across a drawing, and along its height, as a
narrow screen shows it."""


@record(frozen=True, slots=True)
class Line:
    """An open line through ``points``."""

    points: tuple[Point, ...]
    layer: Layer = "outline"
    about: str = ""
    kind: Literal["line"] = "line"


@record(frozen=True, slots=True)
class Area:
    """A closed shape of one material."""

    points: tuple[Point, ...]
    material: Material
    layer: Layer = "outline"
    about: str = ""
    kind: Literal["area"] = "area"


@record(frozen=True, slots=True)
class Arc:
    """Part of a circle, from ``start`` to ``end`` degrees, clockwise from the right."""

    x: Mm
    y: Mm
    radius: Mm
    start: float
    end: float
    layer: Layer = "outline"
    about: str = ""
    kind: Literal["arc"] = "arc"


@record(frozen=True, slots=True)
class Label:
    """A word at a point.

    :param height: that of its capitals in millimetres of the thing drawn; 0 leaves it to the writer, as for
        notes that are to be read at any scale.
    :param width: the length it takes, for lettering reckoned to fit; 0 leaves it to the type.
    """

    x: Mm
    y: Mm
    text: str
    height: Mm = 0.0
    anchor: Anchor = "middle"
    rotation: float = 0.0
    layer: Layer = "text"
    about: str = ""
    width: Mm = 0.0
    kind: Literal["label"] = "label"


@record(frozen=True, slots=True)
class Dimension:
    """A dimension line between two points, ``offset`` rows to its left as one walks along it.

    Offsets count rows of dimension lines, not millimetres: how far apart rows stand is for the
    writer, which knows the size of its type.

    :param figure_of: the one of what it is about whose own figure this is; empty where it only belongs to it.
    """

    start: Point
    end: Point
    text: str
    offset: int = 1
    about: str = ""
    figure_of: str = ""
    kind: Literal["dimension"] = "dimension"


@record(frozen=True, slots=True)
class Hatch:
    """A shape filled with parallel lines: grain, trim or glue; ``angle`` 0 along x, 90 along y."""

    points: tuple[Point, ...]
    layer: Layer
    angle: float
    about: str = ""
    kind: Literal["hatch"] = "hatch"


Element = Line | Area | Arc | Label | Dimension | Hatch


def moved(element: Element, right: Mm, down: Mm) -> Element:
    """An element somewhere else."""
    if isinstance(element, Line):
        return Line(_moved_points(element.points, right, down), element.layer, element.about)
    if isinstance(element, Area):
        points = _moved_points(element.points, right, down)
        return Area(points, element.material, element.layer, element.about)
    if isinstance(element, Hatch):
        points = _moved_points(element.points, right, down)
        return Hatch(points, element.layer, element.angle, element.about)
    if isinstance(element, Dimension):
        start, end = _moved_points((element.start, element.end), right, down)
        return Dimension(start, end, element.text, element.offset, element.about)
    if isinstance(element, Label):
        return _moved_label(element, right, down)
    return replace(element, x=element.x + right, y=element.y + down)


def _moved_label(label: Label, right: Mm, down: Mm) -> Label:
    return Label(
        label.x + right,
        label.y + down,
        label.text,
        label.height,
        label.anchor,
        label.rotation,
        label.layer,
        label.about,
        label.width,
    )


def _moved_points(points: tuple[Point, ...], right: Mm, down: Mm) -> tuple[Point, ...]:
    return tuple([(x + right, y + down) for x, y in points])


@record(frozen=True, slots=True)
class Drawing:
    """A picture of one thing.

    :param extent: left, top, right, bottom of what is drawn, dimension rows not included.
    :param rows: dimension rows needed on the left, top, right and bottom.
    :param to_scale: ``False`` where thicknesses are drawn larger so that they can be seen.
    :param text: what the picture shows, for those who do not see it.
    :param template: it is printed at true size to be held to the work.
    """

    id: str
    station: str
    title: str
    extent: tuple[Mm, Mm, Mm, Mm]
    elements: tuple[Element, ...]
    rows: tuple[int, int, int, int] = (1, 1, 1, 1)
    to_scale: bool = True
    text: str = ""
    template: bool = False


def mirrored(drawing: Drawing) -> Drawing:
    """A drawing seen the other way round, left to right, its words still to be read."""
    left, top, right, bottom = drawing.extent
    rows = (drawing.rows[2], drawing.rows[1], drawing.rows[0], drawing.rows[3])
    elements = tuple([_mirrored(each, left + right) for each in drawing.elements])
    return replace(drawing, extent=(left, top, right, bottom), elements=elements, rows=rows)


_OTHER_END: dict[Anchor, Anchor] = {"start": "end", "end": "start", "middle": "middle"}


def _mirrored(element: Element, twice: Mm) -> Element:
    """An element the other way round about an upright line at half of ``twice``."""
    if isinstance(element, Line | Area):
        return replace(element, points=tuple([(twice - x, y) for x, y in element.points]))
    if isinstance(element, Hatch):
        points = tuple([(twice - x, y) for x, y in element.points])
        return replace(element, points=points, angle=180.0 - element.angle)
    if isinstance(element, Dimension):
        # walked the other way, so that it stays on the side it is on
        (x0, y0), (x1, y1) = element.start, element.end
        return replace(element, start=(twice - x1, y1), end=(twice - x0, y0))
    if isinstance(element, Label):
        return replace(element, x=twice - element.x, anchor=_OTHER_END[element.anchor])
    return replace(element, x=twice - element.x, start=180.0 - element.end, end=180.0 - element.start)


def without_words(drawing: Drawing) -> Drawing:
    """A drawing as it is shown small: neither words nor dimensions, nor the rows they take."""
    kept = tuple([each for each in drawing.elements if not isinstance(each, Label | Dimension)])
    return replace(drawing, elements=kept, rows=(0, 0, 0, 0))


def box(x: Mm, y: Mm, width: Mm, height: Mm) -> tuple[Point, ...]:
    """The four corners of a rectangle, clockwise from the top left."""
    return ((x, y), (x + width, y), (x + width, y + height), (x, y + height))


def dimension_rows(spans: Sequence[tuple[Mm, Mm, str]], seen: Mm, letters: int) -> list[int]:
    """The row each dimension line stands in, the lowest in which its figure is clear of the others'.

    Where :data:`MOST_ROWS` do not do, the rest stand in the first.

    :param spans: where each begins and ends along the row, and its figure.
    :param seen: how much of the thing is seen along the row; ``letters`` as :data:`FIGURES_ACROSS`.
    """
    taken: list[list[tuple[Mm, Mm]]] = []
    found = []
    for start, end, figure in spans:
        half = (len(figure) + 1) * seen / letters / 2
        low, high = (start + end) / 2 - half, (start + end) / 2 + half
        free = (row for row, there in enumerate(taken) if all(high <= a or low >= b for a, b in there))
        row = next(free, len(taken) % MOST_ROWS)
        if row == len(taken) < MOST_ROWS:
            taken.append([])
        taken[row].append((low, high))
        found.append(row + 1)
    return found


@dataclass(slots=True)
class Sketch:
    """A drawing being made. Adding an element widens its extent."""

    elements: list[Element] = field(default_factory=list)
    points: list[Point] = field(default_factory=list)

    def area(
        self, points: Iterable[Point], material: Material, layer: Layer = "outline", about: str = ""
    ) -> None:
        """Add a closed shape."""
        shape = tuple(points)
        self.points += shape
        self.elements.append(Area(shape, material, layer, about))

    def line(self, points: Iterable[Point], layer: Layer = "outline", about: str = "") -> None:
        """Add an open line."""
        shape = tuple(points)
        self.points += shape
        self.elements.append(Line(shape, layer, about))

    def arc(self, x: Mm, y: Mm, radius: Mm, start: float, end: float, layer: Layer, about: str = "") -> None:
        """Add part of a circle."""
        for angle in (start, (start + end) / 2, end):
            turn = math.radians(angle)
            self.points.append((x + radius * math.cos(turn), y + radius * math.sin(turn)))
        self.elements.append(Arc(x, y, radius, start, end, layer, about))

    def hatch(self, points: Iterable[Point], layer: Layer, angle: float, about: str = "") -> None:
        """Fill a shape with lines."""
        self.elements.append(Hatch(tuple(points), layer, angle, about))

    def grain(self, points: Iterable[Point], angle: float) -> None:
        """Draw the grain of a piece: fine lines along it."""
        self.hatch(points, "grain", angle)

    def label(
        self,
        x: Mm,
        y: Mm,
        text: str,
        *,
        height: Mm = 0.0,
        anchor: Anchor = "middle",
        rotation: float = 0.0,
        about: str = "",
        length: Mm = 0.0,
    ) -> None:
        """Write a word; ``length`` is what it has to take."""
        self.elements.append(Label(x, y, text, height, anchor, rotation, "text", about, length))

    def name(self, x: Mm, y: Mm, width: Mm, height: Mm, text: str, *, tallest: Mm, about: str = "") -> None:
        """Write the name of a rectangle along its longer side, no larger than it has room for."""
        if not text:
            return
        upright = height > 1.5 * width
        along, across = (height, width) if upright else (width, height)
        self.label(
            x + width / 2,
            y + height / 2,
            text,
            height=min(tallest, across / 2, along / (LETTER_WIDTH * len(text))),
            rotation=-90 if upright else 0,
            about=about,
        )

    def dimension(self, start: Point, end: Point, text: str, *, offset: int = 1, about: str = "") -> None:
        """Draw a dimension line."""
        self.elements.append(Dimension(start, end, text, offset, about))

    def mirror(self, width: Mm) -> None:
        """Turn what is drawn with lines, areas and words over, left to right, within ``width``."""
        self.points = [(width - x, y) for x, y in self.points]
        for place, element in enumerate(self.elements):
            if isinstance(element, Line | Area):
                turned = tuple((width - x, y) for x, y in element.points)
                self.elements[place] = replace(element, points=turned)
            elif isinstance(element, Label):
                anchor = _OTHER_END[element.anchor]
                self.elements[place] = replace(element, x=width - element.x, anchor=anchor)

    def place(self, elements: Iterable[Element], right: Mm, down: Mm) -> None:
        """Add what was drawn elsewhere, moved; it reaches no further than what is here."""
        if right or down:
            elements = [moved(element, right, down) for element in elements]
        self.elements += elements

    def finish(
        self,
        id: str,
        station: str,
        title: str,
        *,
        rows: tuple[int, int, int, int] = (1, 1, 1, 1),
        to_scale: bool = True,
        text: str = "",
        template: bool = False,
    ) -> Drawing:
        """The drawing, with its extent taken from what was drawn."""
        xs = [point[0] for point in self.points]
        ys = [point[1] for point in self.points]
        extent = (min(xs), min(ys), max(xs), max(ys))
        return Drawing(id, station, title, extent, tuple(self.elements), rows, to_scale, text, template)
