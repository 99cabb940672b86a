"""The colophon as a page at leaf size."""

import io

from reportlab.lib.enums import TA_CENTER
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Paragraph

from weald.core.job.spec import JobSpec
from weald.core.units import Mm
from weald.exchange.drawing_pdf import SERIF, register_fonts
from weald.exchange.flowables import text

LARGEST_TYPE, LEAST_TYPE = 10.0, 4.0
_MARGIN_PART = 0.14
"""Of the leaf's width, free at either side."""
_FOOT_PART = 0.18
"""Of the leaf's height, free below: a colophon stands low on its page."""


def colophon_pdf(spec: JobSpec, words: str) -> bytes:
    """One page as large as the trimmed leaf."""
    buffer = io.BytesIO()
    canvas = Canvas(buffer, pagesize=(spec.leaf.width * mm, spec.leaf.height * mm))
    canvas.setTitle(f"{spec.title}: colophon")
    draw_colophon(canvas, words, spec.leaf.width, spec.leaf.height)
    canvas.showPage()
    canvas.save()
    return buffer.getvalue()


def draw_colophon(canvas: Canvas, words: str, width: Mm, height: Mm) -> None:
    """Set the words low on a page, centred, in the largest type that fits."""
    register_fonts()
    across, down = width * (1 - 2 * _MARGIN_PART) * mm, height * (1 - 2 * _FOOT_PART) * mm
    size = LARGEST_TYPE
    lines = _set(words, size)
    while size > LEAST_TYPE and _height(lines, across) > down:
        size -= 0.5
        lines = _set(words, size)
    at = height * _FOOT_PART * mm + _height(lines, across)
    for line in lines:
        _, tall = line.wrap(across, down)
        at -= tall
        line.drawOn(canvas, width * _MARGIN_PART * mm, at)


def _set(words: str, size: float) -> list[Paragraph]:
    style = ParagraphStyle("colophon", fontName=SERIF, fontSize=size, leading=size * 1.4, alignment=TA_CENTER)
    return [text(line or " ", style) for line in words.splitlines()]


def _height(lines: list[Paragraph], across: float) -> float:
    return sum(float(line.wrap(across, 1e6)[1]) for line in lines)
