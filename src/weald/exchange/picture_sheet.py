"""Pictures to be shared: drawings on one page with title, scale and sizes."""

from collections.abc import Sequence

from reportlab.platypus import Flowable, KeepTogether, Spacer

from weald.core.drawing import Drawing
from weald.exchange.flowables import BODY, HEADING, SMALL, TITLE, DrawingFlowable, built, text, width_of

_HIGHEST, _LEAST_HIGH = 210.0, 55.0
"""Millimetres a page has for its drawings, and the least one is given."""


def picture_pdf(drawings: Sequence[Drawing], title: str, foot: str, paper: str) -> bytes:
    """Drawings one under another, each with its title, its scale and what it shows in words.

    :param foot: which job they belong to. ``paper``: "a4" or "letter".
    """
    high = max(_LEAST_HIGH, _HIGHEST / max(len(drawings), 1) - 18)
    story: list[Flowable] = [text(title, TITLE), Spacer(1, 4)]
    for drawing in drawings:
        flowable = DrawingFlowable(drawing, width_of(paper), high)
        said = text(drawing.text, BODY)
        story.append(
            KeepTogether([text(drawing.title, HEADING), flowable, text(flowable.scale_text, SMALL), said])
        )
    return built(story, paper, title, foot)
