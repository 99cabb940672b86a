"""Texts to impose, and what is read off a printed PDF: numbers, where they stand, where their heads point."""

import ctypes
import math
import re
from pathlib import Path

import pypdfium2
import pypdfium2.raw as pdfium
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

Reading = dict[int, tuple[float, float, tuple[int, int]]]


def write_text(path: Path, pages: int, width: float = 60, height: float = 90) -> Path:
    """A text whose every page says its number in its middle; sizes in millimetres."""
    canvas = Canvas(str(path), pagesize=(width * mm, height * mm))
    for number in range(1, pages + 1):
        canvas.setFont("Helvetica", 12)
        canvas.drawCentredString(width / 2 * mm, height / 2 * mm - 4, f"p{number}e")
        canvas.rect(0, 0, width * mm, height * mm)
        canvas.showPage()
    canvas.save()
    return path


def read_side(page: pypdfium2.PdfPage) -> Reading:
    """Every page number on a printed side: its place in millimetres from the top left, its head."""
    words = page.get_textpage()
    text = words.get_text_range()
    found: Reading = {}
    for match in re.finditer(r"p(\d+)e", text):
        boxes = [words.get_charbox(index) for index in range(*match.span())]
        left, low = min(box[0] for box in boxes), min(box[1] for box in boxes)
        right, high = max(box[2] for box in boxes), max(box[3] for box in boxes)
        angle = pdfium.FPDFText_GetCharAngle(words.raw, ctypes.c_int(match.start()))
        # clockwise from upright, so that a quarter turn points the head to the right
        head = (round(math.sin(angle)), round(math.cos(angle)))
        assert int(match[1]) not in found, "a page stands twice on one side"
        found[int(match[1])] = (
            (left + right) / 2 / mm,
            (page.get_height() - (low + high) / 2) / mm,
            head,
        )
    return found


def read_sides(path: Path) -> tuple[list[Reading], tuple[float, float]]:
    """Every side of a printed PDF in order, and the size of its sheets in millimetres."""
    with pypdfium2.PdfDocument(path) as document:
        sides = [read_side(document[number]) for number in range(len(document))]
        return sides, (document[0].get_width() / mm, document[0].get_height() / mm)
