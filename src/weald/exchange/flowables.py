"""What printed pages are made of: words, tables, drawings at a common scale, a foot."""

import io
import math
from collections.abc import Sequence
from xml.sax.saxutils import escape

from reportlab.lib import colors
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, Paragraph, SimpleDocTemplate, Table, TableStyle

from weald.core.drawing import Drawing
from weald.core.units import Mm
from weald.exchange.drawing_pdf import BOLD, PAPERS, SANS, SERIF, Paper, printable, register_fonts
from weald.exchange.ink import Stroke, frame, size_on_paper

MARGIN: Mm = 16.0
SCALES = (1.0, 1 / 2, 1 / 2.5, 1 / 3, 1 / 4, 1 / 5, 1 / 6, 1 / 8, 1 / 10, 1 / 15, 1 / 20, 1 / 50)
"""The scales drawings are printed at, largest first."""


BODY = ParagraphStyle("body", fontName=SANS, fontSize=8.5, leading=11)
SMALL = ParagraphStyle("small", parent=BODY, fontSize=7.2, leading=9, textColor=colors.HexColor("#4b463e"))
TITLE = ParagraphStyle("title", fontName=SERIF, fontSize=19, leading=23)
HEADING = ParagraphStyle(
    "heading", fontName=SERIF, fontSize=12.5, leading=16, spaceBefore=8, spaceAfter=3, keepWithNext=1
)
RULE = colors.HexColor("#cfc7b5")


def text(words: str, style: ParagraphStyle = BODY) -> Paragraph:
    """A paragraph, in signs the type holds."""
    register_fonts()
    return Paragraph(escape(printable(words)), style)


def figures_text(figures: Sequence[tuple[str, str]], style: ParagraphStyle) -> Paragraph:
    """Figures in one running line, each in bold after what it is of."""
    register_fonts()
    set_ = [
        f'{escape(printable(label))}\u00a0<font name="{BOLD}">{escape(printable(shown))}</font>'
        for label, shown in figures
    ]
    return Paragraph("; ".join(set_), style)


def led_text(lead: str, words: str, style: ParagraphStyle) -> Paragraph:
    """A paragraph that begins in bold."""
    register_fonts()
    bold = f'<font name="{BOLD}">{escape(printable(lead))}</font>'
    return Paragraph(f"{bold} {escape(printable(words))}", style)


def styled(style: ParagraphStyle, times: float, font: str | None = None) -> ParagraphStyle:
    """A style set so many times as large, in another font where one is given."""
    return ParagraphStyle(
        f"{style.name} {times:g}",
        parent=style,
        fontName=font or style.fontName,
        fontSize=style.fontSize * times,
        leading=style.leading * times,
    )


class Lines(Flowable):  # type: ignore[misc]
    """Room for a pencil: a word, and lines to write on."""

    _PITCH: Mm = 8.0

    def __init__(self, width: Mm, height: Mm, word: str) -> None:
        super().__init__()
        self.width, self.height, self.word = width * mm, height * mm, word

    def draw(self) -> None:
        """Draw, as platypus asks."""
        page = Paper(self.canv, self.height)
        page.write(0, self._PITCH / 2, self.word, 1.8)
        for number in range(1, int(self.height / mm / self._PITCH)):
            level = number * self._PITCH
            page.put(Stroke(((0, level), (self.width / mm, level)), "trim"))


class DrawingFlowable(Flowable):  # type: ignore[misc]
    """A drawing on the page: to scale at the largest common scale that fits, else as large as it may be."""

    def __init__(self, drawing: Drawing, width: Mm, height: Mm, scale: float | None = None) -> None:
        """A drawing within ``width`` × ``height``; at ``scale`` where one is given."""
        super().__init__()
        self.drawing = drawing
        self.scale = scale or (_common_scale if drawing.to_scale else _filling_scale)(drawing, width, height)
        across, down = size_on_paper(drawing, self.scale)
        self.width, self.height = across * mm, down * mm

    @property
    def scale_text(self) -> str:
        """The scale in words."""
        if not self.drawing.to_scale:
            return "not to scale"
        return "true size" if math.isclose(self.scale, 1) else f"scale 1 : {1 / self.scale:g}"

    def draw(self) -> None:
        """Draw, as platypus asks."""
        Paper(self.canv, self.height).drawing(frame(self.drawing, self.scale, 0, 0))


def _common_scale(drawing: Drawing, width: Mm, height: Mm) -> float:
    def fits(scale: float) -> bool:
        across, down = size_on_paper(drawing, scale)
        return across <= width and down <= height

    return next(filter(fits, SCALES), SCALES[-1])


def _filling_scale(drawing: Drawing, width: Mm, height: Mm) -> float:
    left, top, right, bottom = drawing.extent
    beside, above = size_on_paper(drawing, 0.0)
    fitting = [
        (room - rows) / size
        for room, rows, size in ((width, beside, right - left), (height, above, bottom - top))
        if size
    ]
    return max(min(fitting, default=1.0), SCALES[-1])


def table(rows: list[list[Flowable | str]], widths: list[Mm], header: bool = True) -> Table:
    """A ruled table; widths in millimetres."""
    made = Table(rows, colWidths=[each * mm for each in widths], repeatRows=int(header))
    style = [
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("LINEBELOW", (0, 0), (-1, -1), 0.3, RULE),
        ("LEFTPADDING", (0, 0), (-1, -1), 2),
        ("RIGHTPADDING", (0, 0), (-1, -1), 4),
        ("TOPPADDING", (0, 0), (-1, -1), 2),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 2),
        ("FONT", (0, 0), (-1, -1), SANS, 8.5),
    ]
    if header:
        style.append(("FONT", (0, 0), (-1, 0), BOLD, 8))
    made.setStyle(TableStyle(style))
    made.hAlign = "LEFT"
    return made


def built(story: list[Flowable], paper: str, title: str, foot_text: str, landscape: bool = False) -> bytes:
    """Pages of ``paper`` ("a4" or "letter") with a foot on each."""
    buffer = io.BytesIO()
    document = SimpleDocTemplate(
        buffer,
        pagesize=_size(paper, landscape),
        leftMargin=MARGIN * mm,
        rightMargin=MARGIN * mm,
        topMargin=MARGIN * mm,
        bottomMargin=MARGIN * mm,
        title=title,
    )

    def foot(canvas: Canvas, doc: SimpleDocTemplate) -> None:
        canvas.setFont(SANS, 7)
        canvas.drawString(MARGIN * mm, 9 * mm, printable(foot_text)[:110])
        canvas.drawRightString(doc.pagesize[0] - MARGIN * mm, 9 * mm, f"page {doc.page}")

    document.build(story, onFirstPage=foot, onLaterPages=foot)
    return buffer.getvalue()


def height_of(story: Sequence[Flowable], width: Mm) -> Mm:
    """What flowables take down a page, their air included."""
    heights = (each.wrap(width * mm, 1e6)[1] + each.getSpaceBefore() + each.getSpaceAfter() for each in story)
    return float(sum(heights) / mm)


def _size(paper: str, landscape: bool) -> tuple[float, float]:
    across, down = PAPERS[paper]
    return (down, across) if landscape else (across, down)


def height_of_page(paper: str, landscape: bool = False) -> Mm:
    """Room down a page."""
    return float(_size(paper, landscape)[1] / mm - 2 * MARGIN - 5)


def width_of(paper: str, landscape: bool = False) -> Mm:
    """Room across a page."""
    return float(_size(paper, landscape)[0] / mm - 2 * MARGIN - 5)
