"""Drawings put on a PDF page at a stated scale."""

import unicodedata
from functools import lru_cache
from pathlib import Path

from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

from weald.core.units import Mm
from weald.exchange.ink import FILLS, LOOKS, Frame, Mark, Stroke, marks

SANS, BOLD, SERIF = "PublicSans", "PublicSans-Bold", "Literata"
PAPERS: dict[str, tuple[float, float]] = {"a4": A4, "letter": LETTER}
_FONTS = Path(__file__).parent / "fonts"
_FILES = {
    SANS: "PublicSans-Regular.ttf",
    BOLD: "PublicSans-Bold.ttf",
    SERIF: "Literata-SemiBold.ttf",
}
_CAP_HEIGHT = 0.7
"""Height of capitals to the size of the type, in Public Sans."""


@lru_cache(maxsize=1)
def register_fonts() -> None:
    """Make the type that ships with Weald known to ReportLab, once."""
    for name, file in _FILES.items():
        pdfmetrics.registerFont(TTFont(name, _FONTS / file))


def type_size(height: Mm) -> float:
    """Size of the type, in points, whose capitals are so high."""
    return float(height * mm / _CAP_HEIGHT)


_SPELT_OTHERWISE = {
    "″": '"',
    "π": "pi",
    "≤": "<=",
    "≥": ">=",
    "√": "root ",
    "Ł": "L",
    "ł": "l",
    "Đ": "D",
    "đ": "d",
    "ı": "i",
    "′": "'",
}


@lru_cache(maxsize=1024)
def _printable_sign(sign: str) -> str:
    """A sign the type holds, its nearest relation, or a question mark."""
    register_fonts()
    held = pdfmetrics.getFont(SANS).face.charToGlyph
    if ord(sign) in held:
        return sign
    base = unicodedata.normalize("NFKD", sign)[0]
    return _SPELT_OTHERWISE.get(sign) or (base if ord(base) in held else "?")


def printable(text: str) -> str:
    """Text with the signs the type does not hold spelt otherwise."""
    return text if text.isascii() else "".join(_printable_sign(sign) for sign in text)


class Paper:
    """A page to draw on, in millimetres from its top left, y down."""

    def __init__(self, canvas: Canvas, height: float) -> None:
        register_fonts()
        self.canvas = canvas
        self.height = height

    def put(self, mark: Mark) -> None:
        """Put one stroke or some words on the page."""
        if isinstance(mark, Stroke):
            self._stroke(mark)
        else:
            self.write(
                mark.x,
                mark.y,
                mark.text,
                mark.height,
                anchor=mark.anchor,
                rotation=mark.rotation,
                width=mark.width,
            )

    def drawing(self, placed: Frame) -> None:
        """Put a whole drawing on the page."""
        for mark in marks(placed):
            self.put(mark)

    def _stroke(self, stroke: Stroke) -> None:
        look = LOOKS[stroke.pen]
        outlined = look.width > 0
        if outlined:
            self.canvas.setStrokeColor(HexColor(look.colour))
            self.canvas.setLineWidth(look.width * mm)
            self.canvas.setDash([dash * mm for dash in look.dashes])
        path = self.canvas.beginPath()
        for number, (x, y) in enumerate(stroke.points):
            step = path.lineTo if number else path.moveTo
            step(x * mm, self.height - y * mm)
        if stroke.closed:
            path.close()
        if stroke.fill:
            self.canvas.setFillColor(HexColor(FILLS[stroke.fill]))
        self.canvas.drawPath(path, stroke=int(outlined), fill=int(stroke.fill is not None))

    def write(
        self,
        x: Mm,
        y: Mm,
        text: str,
        height: Mm,
        *,
        anchor: str = "start",
        rotation: float = 0.0,
        font: str = SANS,
        width: Mm = 0.0,
    ) -> None:
        """Write words whose capitals are ``height`` high, centred on ``y``.

        :param width: as long as this; as the type has them where 0.
        """
        size = type_size(height)
        self.canvas.saveState()
        self.canvas.translate(x * mm, self.height - y * mm)
        self.canvas.rotate(-rotation)
        self.canvas.setFillColor(HexColor(LOOKS["text"].colour))
        self.canvas.setFont(font, size)
        if width:
            self.canvas.scale(width * mm / pdfmetrics.stringWidth(printable(text), font, size), 1)
        put = {
            "start": self.canvas.drawString,
            "middle": self.canvas.drawCentredString,
            "end": self.canvas.drawRightString,
        }[anchor]
        put(0, -height * mm / 2, printable(text))
        self.canvas.restoreState()
