"""Drawings as SVG at true size: one user unit is one millimetre."""

from itertools import groupby
from xml.etree import ElementTree as ET

from weald.core.drawing import Drawing
from weald.exchange.ink import (
    FILLS,
    HATCH_PITCH,
    LOOKS,
    Mark,
    Pen,
    Stroke,
    Words,
    frame,
    marks,
    size_on_paper,
)

_NAMESPACE = "http" + "://www.w3.org/2000/svg"


def _number(value: float) -> str:
    return f"{value:.3f}".rstrip("0").rstrip(".")


def _path(stroke: Stroke) -> str:
    steps = " L ".join(f"{_number(x)} {_number(y)}" for x, y in stroke.points)
    return f"M {steps}{' Z' if stroke.closed else ''}"


def _kind(mark: Mark) -> tuple[Pen, bool]:
    """The pen, and whether it hatches: hundreds of lines that share one path."""
    if isinstance(mark, Words):
        return "text", False
    return mark.pen, not mark.closed and mark.pen in HATCH_PITCH


def drawing_svg(drawing: Drawing) -> str:
    """The drawing as an SVG document, strokes grouped by the layer they mean.

    Groups keep the order in which strokes were drawn, so that nothing is covered that should show.
    """
    width, height = size_on_paper(drawing, 1.0)
    root = ET.Element(
        "svg",
        {
            "xmlns": _NAMESPACE,
            "width": f"{_number(width)}mm",
            "height": f"{_number(height)}mm",
            "viewBox": f"0 0 {_number(width)} {_number(height)}",
        },
    )
    ET.SubElement(root, "title").text = drawing.title
    ET.SubElement(root, "desc").text = drawing.text
    for (pen, hatching), together in groupby(marks(frame(drawing, 1.0, 0.0, 0.0)), _kind):
        group = _group(root, pen)
        if hatching:
            lines = " ".join(_path(mark) for mark in together if isinstance(mark, Stroke))
            ET.SubElement(group, "path", {"d": lines, "fill": "none"})
            continue
        for mark in together:
            _write(group, mark)
    return ET.tostring(root, encoding="unicode", xml_declaration=True) + "\n"


def _group(root: ET.Element, pen: Pen) -> ET.Element:
    if pen == "text":
        return ET.SubElement(
            root, "g", {"class": "text", "fill": LOOKS["text"].colour, "font-family": "sans-serif"}
        )
    look = LOOKS[pen]
    attributes = {"class": pen, "stroke": look.colour, "stroke-width": _number(look.width)}
    if look.dashes:
        attributes["stroke-dasharray"] = " ".join(_number(dash) for dash in look.dashes)
    return ET.SubElement(root, "g", attributes)


def _write(group: ET.Element, mark: Mark) -> None:
    if isinstance(mark, Words):
        _write_words(group, mark)
        return
    fill = FILLS[mark.fill] if mark.fill else "none"
    ET.SubElement(group, "path", {"d": _path(mark), "fill": fill})


def _write_words(group: ET.Element, words: Words) -> None:
    attributes = {
        "x": _number(words.x),
        "y": _number(words.y),
        "font-size": _number(words.height * 1.4),
        "text-anchor": words.anchor,
        "dominant-baseline": "central",
    }
    if words.width:
        attributes |= {"textLength": _number(words.width), "lengthAdjust": "spacingAndGlyphs"}
    if words.rotation:
        attributes["transform"] = f"rotate({_number(words.rotation)} {_number(words.x)} {_number(words.y)})"
    ET.SubElement(group, "text", attributes).text = words.text
