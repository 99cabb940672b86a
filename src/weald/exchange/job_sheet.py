"""The job sheet: everything a binder takes to the bench, on A4 or Letter."""

import io
import math
from collections.abc import Iterator
from xml.sax.saxutils import escape

from reportlab.lib import colors
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import (
    Flowable,
    KeepTogether,
    PageBreak,
    Paragraph,
    SimpleDocTemplate,
    Spacer,
    Table,
    TableStyle,
)

from weald.core.drawing import Drawing
from weald.core.imposition import Placement, in_reading_order
from weald.core.plan import Plan
from weald.core.reckoning import STATION_TITLES, STATIONS, Quantity, Station
from weald.core.units import Mm
from weald.exchange.drawing_pdf import BOLD, PAPERS, SANS, SERIF, Paper, printable, register_fonts
from weald.exchange.ink import frame, size_on_paper

_MARGIN: Mm = 16.0
_SCALES = (1.0, 1 / 2, 1 / 2.5, 1 / 3, 1 / 4, 1 / 5, 1 / 6, 1 / 8, 1 / 10, 1 / 15, 1 / 20, 1 / 50)
_DRAWING_HEIGHT: Mm = 118.0
_GRAIN_MARKS = {"height": "along height", "width": "along width", "any": "either"}
_SEVERITY = {"stop": "STOP", "mind": "Mind", "note": "Note"}

_BODY = ParagraphStyle("body", fontName=SANS, fontSize=8.5, leading=11)
_SMALL = ParagraphStyle("small", parent=_BODY, fontSize=7.2, leading=9, textColor=colors.HexColor("#4b463e"))
_TITLE = ParagraphStyle("title", fontName=SERIF, fontSize=19, leading=23)
_HEADING = ParagraphStyle("heading", fontName=SERIF, fontSize=12.5, leading=16, spaceBefore=8, spaceAfter=3)
_RULE = colors.HexColor("#cfc7b5")


def _text(text: str, style: ParagraphStyle = _BODY) -> Paragraph:
    return Paragraph(escape(printable(text)), style)


class DrawingFlowable(Flowable):  # type: ignore[misc]
    """A drawing on the page at the largest of the common scales that fits."""

    def __init__(self, drawing: Drawing, width: Mm, height: Mm) -> None:
        super().__init__()
        self.drawing = drawing
        self.scale = next(
            (scale for scale in _SCALES if self._fits(drawing, scale, width, height)), _SCALES[-1]
        )
        across, down = size_on_paper(drawing, self.scale)
        self.width, self.height = across * mm, down * mm

    @staticmethod
    def _fits(drawing: Drawing, scale: float, width: Mm, height: Mm) -> bool:
        across, down = size_on_paper(drawing, scale)
        return across <= width and down <= height

    @property
    def scale_text(self) -> str:
        """The scale in words."""
        if not self.drawing.to_scale:
            return "not to scale"
        return "true size" if math.isclose(self.scale, 1) else f"scale 1 : {1 / self.scale:g}"

    def draw(self) -> None:
        """Draw, as platypus asks."""
        Paper(self.canv, self.height).drawing(frame(self.drawing, self.scale, 0, 0))


def job_sheet_pdf(plan: Plan, paper: str, facts: tuple[tuple[str, str], ...]) -> bytes:
    """The job sheet.

    :param paper: "a4" or "letter".
    :param facts: what the binder chose, as (label, text): paper, board, cloth and the like.
    """
    register_fonts()
    page = PAPERS[paper]
    buffer = io.BytesIO()
    document = SimpleDocTemplate(
        buffer,
        pagesize=page,
        leftMargin=_MARGIN * mm,
        rightMargin=_MARGIN * mm,
        topMargin=_MARGIN * mm,
        bottomMargin=_MARGIN * mm,
        title=f"{plan.title}: job sheet",
    )
    width = page[0] / mm - 2 * _MARGIN - 5
    story = [*_head(plan, facts), *_minds(plan), *_pieces(plan), *_reckoning(plan)]
    story += _signatures(plan)
    story += [PageBreak(), *_drawings(plan, width), *_cautions(plan)]

    def foot(canvas: Canvas, doc: SimpleDocTemplate) -> None:
        canvas.setFont(SANS, 7)
        canvas.drawString(_MARGIN * mm, 9 * mm, printable(plan.title)[:110])
        canvas.drawRightString(page[0] - _MARGIN * mm, 9 * mm, f"page {doc.page}")

    document.build(story, onFirstPage=foot, onLaterPages=foot)
    return buffer.getvalue()


def _table(rows: list[list[Flowable | str]], widths: list[Mm], header: bool = True) -> Table:
    table = Table(rows, colWidths=[each * mm for each in widths], repeatRows=int(header))
    style = [
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("LINEBELOW", (0, 0), (-1, -1), 0.3, _RULE),
        ("LEFTPADDING", (0, 0), (-1, -1), 2),
        ("RIGHTPADDING", (0, 0), (-1, -1), 4),
        ("TOPPADDING", (0, 0), (-1, -1), 2),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 2),
        ("FONT", (0, 0), (-1, -1), SANS, 8.5),
    ]
    if header:
        style.append(("FONT", (0, 0), (-1, 0), BOLD, 8))
    table.setStyle(TableStyle(style))
    table.hAlign = "LEFT"
    return table


def _head(plan: Plan, facts: tuple[tuple[str, str], ...]) -> Iterator[Flowable]:
    yield _text(plan.title, _TITLE)
    yield Spacer(1, 4 * mm)
    rows = [[_text(label, _SMALL), _text(text)] for label, text in facts]
    if rows:
        yield _table(rows, [38, 135], header=False)


def _minds(plan: Plan) -> Iterator[Flowable]:
    if not plan.findings:
        return
    yield _text("To mind", _HEADING)
    rows: list[list[Flowable | str]] = [
        [_SEVERITY[each.severity], _text(each.message), _text(each.remedy, _SMALL)] for each in plan.findings
    ]
    yield _table(rows, [14, 84, 75], header=False)


def _pieces(plan: Plan) -> Iterator[Flowable]:
    rows: list[list[Flowable | str]] = [["Piece", "How many", "Width × height", "Grain", "", "Cut"]]
    for piece in plan.pieces:
        grain = _GRAIN_MARKS[piece.grain]
        if piece.grain_right is False:
            grain += ", but the paper has it across"
        rows.append(
            [
                _text(piece.label),
                str(piece.count),
                _text(piece.shown),
                _text(grain),
                _text(piece.how, _SMALL),
                "[  ]",
            ]
        )
    yield KeepTogether([_text("Pieces", _HEADING), _table(rows, [30, 18, 46, 28, 41, 10])])


def _quantity_row(quantity: Quantity) -> list[Flowable | str]:
    reasons = [quantity.how]
    if quantity.sum:
        reasons.append(quantity.sum)
    if quantity.measured is not None:
        reasons.append(f"measured; computed {quantity.computed_shown}")
    chosen = next((school.label for school in quantity.schools if school.chosen), None)
    if chosen:
        reasons.append(f"school: {chosen}")
    return [
        _text(quantity.label),
        _text(("measured " if quantity.measured is not None else "") + quantity.shown),
        _text("; ".join(reasons), _SMALL),
        "",
    ]


def _reckoning(plan: Plan) -> Iterator[Flowable]:
    yield _text("The reckoning", _HEADING)
    for station in STATIONS:
        rows: list[list[Flowable | str]] = [[STATION_TITLES[station], "", "Why", "At the bench"]]
        rows += [_quantity_row(each) for each in plan.quantities if each.station == station]
        yield _table(rows, [46, 30, 75, 22])
        yield Spacer(1, 3 * mm)


def _signatures(plan: Plan) -> Iterator[Flowable]:
    """Which pages stand on which sheet, as they are to be checked when gathering."""
    yield _text("Signatures", _HEADING)
    rows: list[list[Flowable | str]] = [["No.", "Sheets", "Pages", "Sheet by sheet: outer side / inner side"]]
    for section in plan.sections:
        sheets = [sheet for sheet in plan.sheets if sheet.section == section.section]
        span = f"{section.first_page}–{section.last_page}" if section.first_page else "blank"
        words = "; ".join(f"{_side(sheet.outer)} / {_side(sheet.inner)}" for sheet in sheets)
        rows.append([str(section.section), str(section.sheets), span, _text(words, _SMALL)])
    yield _table(rows, [10, 14, 24, 125])


def _side(placements: tuple[Placement, ...]) -> str:
    return " ".join(str(place.page or "·") for place in in_reading_order(placements))


def _drawings(plan: Plan, width: Mm) -> Iterator[Flowable]:
    for drawing in plan.drawings:
        flowable = DrawingFlowable(drawing, width, _DRAWING_HEIGHT)
        heading = _text(f"{drawing.title} ({flowable.scale_text})", _HEADING)
        yield KeepTogether([heading, flowable, Spacer(1, 4 * mm)])


def _cautions(plan: Plan) -> Iterator[Flowable]:
    yield _text("Cautions", _HEADING)
    for caution in plan.cautions:
        station: Station = caution.station
        yield _text(f"{STATION_TITLES[station]}: {caution.text}", _BODY)
