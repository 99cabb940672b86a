"""Drawings at true size, each on a page of its own size."""

import io
from collections.abc import Iterable

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from weald.core.drawing import Drawing
from weald.exchange.drawing_pdf import Paper
from weald.exchange.ink import Frame


def drawn_sheets_pdf(drawings: Iterable[tuple[Drawing, bool]], title: str) -> bytes:
    """One page a drawing, the size of its extent; those marked are turned on their heads."""
    buffer = io.BytesIO()
    canvas = Canvas(buffer)
    canvas.setTitle(title)
    canvas.setViewerPreference("PrintScaling", "None")
    for drawing, half_turn in drawings:
        left, top, right, bottom = drawing.extent
        width, height = (right - left) * mm, (bottom - top) * mm
        canvas.setPageSize((width, height))
        if half_turn:
            canvas.translate(width, height)
            canvas.rotate(180)
        Paper(canvas, height).drawing(Frame(1.0, 0.0, 0.0, drawing))
        canvas.showPage()
    canvas.save()
    return buffer.getvalue()
