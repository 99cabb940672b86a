"""Drawings as DXF for cutters and other programs: millimetres, y up, one layer a meaning."""

import io
import math

from ezdxf import units
from ezdxf.document import Drawing as Document
from ezdxf.enums import TextEntityAlignment
from ezdxf.layouts.layout import Modelspace

from weald.core.drawing import Arc, Area, Dimension, Drawing, Hatch, Label, Line, Point

_COLOURS = {
    "outline": 8,
    "fill": 8,
    "cut": 7,
    "fold": 5,
    "slit": 6,
    "score": 4,
    "trim": 1,
    "glue": 3,
    "grain": 2,
    "ruling": 9,
    "thread": 30,
    "move": 3,
    "hidden": 9,
    "dimension": 8,
    "text": 7,
}
"""AutoCAD colour index of every layer."""
WORD_HEIGHT = 5.0
"""Height of words that have no size of their own, in millimetres."""
_ALIGN = {
    "start": TextEntityAlignment.MIDDLE_LEFT,
    "middle": TextEntityAlignment.MIDDLE_CENTER,
    "end": TextEntityAlignment.MIDDLE_RIGHT,
}


def drawing_dxf(drawings: list[Drawing]) -> str:
    """Drawings side by side in one document.

    Hatches stand for something (grain, glue) rather than being lines to cut, so each is its outline only.
    """
    document = Document.new("R2010")
    document.units = units.MM
    for layer, colour in _COLOURS.items():
        document.layers.add(layer.upper(), color=colour)
    space = document.modelspace()
    left = 0.0
    for drawing in drawings:
        x0, y0, x1, _ = drawing.extent
        for element in drawing.elements:
            _put(space, element, left - x0, y0)
        left += (x1 - x0) * 1.1
    stream = io.StringIO()
    document.write(stream)
    return stream.getvalue()


def _put(
    space: Modelspace, element: Line | Area | Arc | Label | Dimension | Hatch, right: float, top: float
) -> None:
    def at(point: Point) -> Point:
        return point[0] + right, top - point[1]

    if isinstance(element, Arc):
        centre = at((element.x, element.y))
        # y runs up here, so what went clockwise goes the other way
        space.add_arc(
            centre,
            element.radius,
            -element.end,
            -element.start,
            dxfattribs={"layer": element.layer.upper()},
        )
    elif isinstance(element, Label):
        text = space.add_text(
            element.text,
            height=element.height or WORD_HEIGHT,
            rotation=-element.rotation,
            dxfattribs={"layer": "TEXT"},
        )
        if element.width:
            turn = math.radians(element.rotation)
            across, down = element.width / 2 * math.cos(turn), element.width / 2 * math.sin(turn)
            ends = (at((element.x - across, element.y - down)), at((element.x + across, element.y + down)))
            text.set_placement(*ends, align=TextEntityAlignment.FIT)
        else:
            text.set_placement(at((element.x, element.y)), align=_ALIGN[element.anchor])
    elif isinstance(element, Dimension):
        space.add_line(at(element.start), at(element.end), dxfattribs={"layer": "DIMENSION"})
    else:
        closed = not isinstance(element, Line)
        space.add_lwpolyline(
            [at(point) for point in element.points],
            close=closed,
            dxfattribs={"layer": element.layer.upper()},
        )
