"""Cutting sheets for the shears: each sheet to scale, with its cuts in order beside it."""

from collections.abc import Sequence

from reportlab.lib.units import mm
from reportlab.platypus import Flowable, PageBreak, Spacer

from weald.core.drawing import Drawing
from weald.core.units import Mm
from weald.exchange.flowables import (
    BODY,
    HEADING,
    SMALL,
    TITLE,
    DrawingFlowable,
    built,
    table,
    text,
    width_of,
)

_DRAWING_HEIGHT: Mm = 130.0
_CAUTION = (
    "Guard and two-hand control stay on, one person operates. With a knife: several light cuts along a steel "
    "rule, the hand behind the blade. Follow the tool maker's instructions and your workplace's rules."
)
CutCells = tuple[str, str, str, str, str]
"""Number, what is cut, edge at the gauge, setting, what falls."""


def cutting_sheets_pdf(sheets: Sequence[tuple[Drawing, Sequence[CutCells]]], title: str, paper: str) -> bytes:
    """One sheet of stock after another, each drawn to a stated scale, with its list of cuts.

    :param paper: "a4" or "letter".
    """
    story: list[Flowable] = [text(title, TITLE), Spacer(1, 2 * mm), text(_CAUTION, SMALL)]
    for number, (drawing, cuts) in enumerate(sheets):
        if number:
            story.append(PageBreak())
        picture = DrawingFlowable(drawing, width_of(paper), _DRAWING_HEIGHT)
        story += [text(f"{drawing.title} ({picture.scale_text})", HEADING), picture, Spacer(1, 4 * mm)]
        rows: list[list[Flowable | str]] = [["Cut", "Of", "At the gauge", "Setting", "What falls", "Done"]]
        rows += [[*cells[:4], text(cells[4], BODY), "[  ]"] for cells in cuts]
        story.append(table(rows, [12, 22, 28, 36, 62, 13]))
    return built(story, paper, f"{title}: cutting sheets", title)
