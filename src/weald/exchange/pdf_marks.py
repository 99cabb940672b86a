"""Marks written straight into a PDF that somebody else began, with the type that ships with Weald.

A page of marks for every side of every sheet would cost more than imposing the text; here words
and lines become commands of the page itself, and the type is embedded once.
"""

import io
import math

import pikepdf
from reportlab.lib.colors import HexColor
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfgen.canvas import Canvas

from weald.core.drawing import Drawing
from weald.exchange.drawing_pdf import SANS, printable, register_fonts, type_size
from weald.exchange.ink import FILLS, LOOKS, Frame, Stroke, Words, marks


class MarkWriter:
    """Writes drawings as commands, and remembers which type they need."""

    def __init__(self) -> None:
        register_fonts()
        self._buffer = io.BytesIO()
        self._canvas = Canvas(self._buffer)
        self._texts: dict[tuple[str, float], str] = {}

    def commands(self, drawing: Drawing) -> list[str]:
        """The commands that put a drawing on a page of its own size, at true size."""
        height = drawing.extent[3]
        written = []
        for mark in marks(Frame(1.0, 0.0, 0.0, drawing)):
            written.append(_stroke(mark, height) if isinstance(mark, Stroke) else self._words(mark, height))
        return written

    def _words(self, words: Words, page_height: float) -> str:
        text, size = printable(words.text), type_size(words.height)
        turn = math.radians(-words.rotation)
        along, up = (math.cos(turn), math.sin(turn)), (-math.sin(turn), math.cos(turn))
        part = {"start": 0.0, "middle": 0.5, "end": 1.0}[words.anchor]
        back = part * pdfmetrics.stringWidth(text, SANS, size) if part else 0.0
        low = words.height * mm / 2
        x = words.x * mm - back * along[0] - low * up[0]
        y = (page_height - words.y) * mm - back * along[1] - low * up[1]
        return (
            f"q {along[0]:.4f} {along[1]:.4f} {up[0]:.4f} {up[1]:.4f} {x:.3f} {y:.3f} cm "
            f"{self._written(text, size)} Q"
        )

    def _written(self, text: str, size: float) -> str:
        """Words at the origin; the same words are written once only."""
        key = (text, size)
        if key not in self._texts:
            written = self._canvas.beginText(0, 0)
            written.setFont(SANS, size)
            written.textOut(text)
            self._texts[key] = "0 g " + str(written.getCode())
        return self._texts[key]

    def fonts(self, pdf: pikepdf.Pdf) -> pikepdf.Object:
        """The type used so far, as a resource of ``pdf``; nothing can be written after this."""
        self._canvas.showPage()
        self._canvas.save()
        self._buffer.seek(0)
        with pikepdf.open(self._buffer) as written:
            page = pdf.copy_foreign(written.make_indirect(written.pages[0].obj.Resources.Font))
        return page


def _stroke(stroke: Stroke, page_height: float) -> str:
    look = LOOKS[stroke.pen]
    red, green, blue = HexColor(look.colour).rgb()
    dashes = " ".join(f"{dash * mm:.3f}" for dash in look.dashes)
    commands = [f"{red:.3f} {green:.3f} {blue:.3f} RG {look.width * mm:.3f} w [{dashes}] 0 d"]
    if stroke.fill:
        red, green, blue = HexColor(FILLS[stroke.fill]).rgb()
        commands.append(f"{red:.3f} {green:.3f} {blue:.3f} rg")
    for number, (x, y) in enumerate(stroke.points):
        commands.append(f"{x * mm:.3f} {(page_height - y) * mm:.3f} {'l' if number else 'm'}")
    ending = ("b" if stroke.fill else "s") if stroke.closed else "S"
    return " ".join([*commands, ending])
