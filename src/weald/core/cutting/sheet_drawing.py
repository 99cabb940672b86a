"""One cut sheet drawn to scale: pieces with their names, offcuts, waste, grain, and the cuts in order."""

from collections.abc import Mapping

from weald.core.cutting.cuts import cut_list
from weald.core.cutting.layout import CutSheet, Part
from weald.core.cutting.order import Blank
from weald.core.drawing import Drawing, Material, Sketch, box
from weald.core.materials import MATERIALS, PieceMaterial
from weald.core.notation import Notation
from weald.core.paper import grain_word
from weald.core.units import Mm

NUMBER = 0.008
"""Height of a cut's number, as a part of the sheet's sides taken together."""
TALLEST = 0.013
"""Height of capitals in the name of a piece, likewise, at the most."""


def draw_sheet(
    sheet: CutSheet,
    number: int,
    blanks: Mapping[str, Blank],
    material: PieceMaterial,
    notation: Notation,
) -> Drawing:
    """One sheet as it is to be cut.

    :param number: of the sheet among those of its layout, from 1.
    """
    sketch, show = Sketch(), notation.figure
    sides = sheet.width + sheet.height
    outline = box(0, 0, sheet.width, sheet.height)
    sketch.area(outline, "waste", about=f"sheet.{number}")
    for part in sheet.parts:
        _draw_part(sketch, part, blanks, MATERIALS[material].drawn, TALLEST * sides, notation)
    if sheet.grain:
        sketch.grain(outline, 90 if sheet.grain == "height" else 0)
    steps = cut_list(sheet.region).steps
    size = NUMBER * sides
    for step in steps:
        sketch.line((step.start, step.end), "cut", f"cut.{number}.{step.number}")
    for step in steps:
        sketch.label(
            step.start[0] + (size if step.axis == "y" else 0.0),
            step.start[1] + (size if step.axis == "x" else 0.0),
            str(step.number),
            height=size,
            about=f"cut.{number}.{step.number}",
        )
    sketch.dimension((0, 0), (sheet.width, 0), show(sheet.width), about=f"sheet.{number}")
    sketch.dimension((0, sheet.height), (0, 0), show(sheet.height), about=f"sheet.{number}")
    pieces = [part for part in sheet.parts if part.use == "piece"]
    return sketch.finish(
        f"cutting.{number}",
        "cutting",
        _title(sheet, number),
        rows=(1, 1, 0, 0),
        text=f"{sheet.label}, {show(sheet.width, True)} by {show(sheet.height, True)}: "
        f"{len(pieces)} pieces with {len(steps)} cuts.",
    )


def _title(sheet: CutSheet, number: int) -> str:
    times = f"{sheet.times} alike" if sheet.times > 1 else "once"
    if sheet.roll:
        return f"{number}. {sheet.label}, off the roll"
    word = (
        f"{grain_word(sheet.width, sheet.height, sheet.grain)} grain" if sheet.grain else "grain not tested"
    )
    return f"{number}. {sheet.label}, {word}, {times}"


def _draw_part(
    sketch: Sketch,
    part: Part,
    blanks: Mapping[str, Blank],
    fill: Material,
    tallest: Mm,
    notation: Notation,
) -> None:
    if part.use == "waste":
        return
    shape = box(part.x, part.y, part.width, part.height)
    if part.use == "offcut":
        show = notation.figure
        sketch.area(shape, "paper_inner", about="offcut")
        text, about = f"offcut {show(part.width)} × {show(part.height)}", "offcut"
    else:
        sketch.area(shape, fill, about=part.blank)
        text, about = blanks[part.blank].label, part.blank
    sketch.name(part.x, part.y, part.width, part.height, text, tallest=tallest, about=about)
