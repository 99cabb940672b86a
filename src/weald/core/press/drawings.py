"""Pictures of what is printed."""

from dataclasses import replace

from weald.core.drawing import Drawing, Sketch
from weald.core.forme.layout import Face
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.press.press import Press, SideMarks
from weald.core.remembering import remembered
from weald.core.stations.folding_drawings import draw_face

VIEW = 1.9
"""Width to height of the window drawings are mostly seen in."""
_FACES: tuple[Face, Face] = ("front", "back")


_NOTHING_ELSE = JobSpec()


def draw_printed(press: Press, section: int, notation: Notation) -> Drawing:
    """The first sheet of a signature as it is printed: front and back, with its marks.

    :param section: the signature, from 1; the last one when there are not so many.
    """
    return _draw_printed(_printed_alone(press), section, notation)


def _printed_alone(press: Press) -> Press:
    """A job on its formes with nothing else of it, so that whatever else changes is the same picture."""
    seen = {"title": press.spec.title, "printing": press.spec.printing}
    own = {programme: _printed_alone(each) for programme, each in press.own.items()}
    return replace(press, spec=_NOTHING_ELSE.model_copy(update=seen), own=own)


@remembered(8)
def _draw_printed(press: Press, section: int, notation: Notation) -> Drawing:
    section = min(section, len(press.sections))
    sheet = next(each for each in press.sheets if each.section == section)
    press = press.of(sheet)
    layout, show = press.layout, notation.figure
    gap = max(layout.width, layout.height) / 10
    beside = min(VIEW / (2 * layout.width + gap), 1 / layout.height) > min(
        VIEW / layout.width, 1 / (2 * layout.height + gap)
    )
    sketch = Sketch()
    for number, face in enumerate(_FACES):
        at = (number * (layout.width + gap), 0.0) if beside else (0.0, number * (layout.height + gap))
        draw_face(sketch, press.grain, layout, press.pages(sheet, face), face == "back", at)
        if press.spec.printing.marks:
            sketch.place(SideMarks(press, face).all(sheet), *at)
        sketch.label(at[0] + layout.width / 2, at[1] - gap * 0.35, face, about="printing.flip")
    sketch.points.append((0, -gap * 0.6))
    sketch.dimension((0, layout.height), (0, 0), show(layout.height), about="printed.height")
    bottom = max(point[1] for point in sketch.points)
    sketch.dimension((layout.width, bottom), (0, bottom), show(layout.width), about="printed.width")
    return sketch.finish(
        "printing.sheet",
        "printing",
        notation.say("Printed sheet 1 of {signature} {section}", section=section)
        if press.packet.sewn
        else "The first printed sheet",
        rows=(1, 0, 0, 1),
        text=f"{layout.copies} unfolded sheet(s) on a printed sheet of {show(layout.width, True)} by "
        f"{show(layout.height, True)}, seen from its front and from its back.",
    )
