"""An invented text for the demo: tide tables of a harbour that is on no chart."""

import io
import math
from datetime import date, timedelta
from functools import lru_cache

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from weald.exchange.drawing_pdf import BOLD, SANS, SERIF, register_fonts

WIDTH, HEIGHT = 140 * mm, 210 * mm
TIDE_PAGES = 186
_LUNAR_HALF_DAY = 12.42
_FIRST_DAY = date(2031, 1, 1)
_DAYS_A_PAGE = 2


@lru_cache(maxsize=1)
def tide_tables_pdf() -> bytes:
    """Title, contents and two days a page; the same bytes every time."""
    register_fonts()
    buffer = io.BytesIO()
    canvas = Canvas(buffer, pagesize=(WIDTH, HEIGHT), invariant=1)
    canvas.setTitle("Tide tables of Merrow Haven")
    for page in range(1, TIDE_PAGES + 1):
        if page == 1:
            _title(canvas)
        elif page > 4:
            _days(canvas, page)
        if page > 4:
            _folio(canvas, page)
        canvas.showPage()
    canvas.save()
    return buffer.getvalue()


def _title(canvas: Canvas) -> None:
    canvas.setFont(SERIF, 24)
    canvas.drawCentredString(WIDTH / 2, HEIGHT * 0.66, "Tide tables")
    canvas.setFont(SERIF, 14)
    canvas.drawCentredString(WIDTH / 2, HEIGHT * 0.6, "of Merrow Haven")
    canvas.setFont(SANS, 9)
    canvas.drawCentredString(WIDTH / 2, 22 * mm, "reckoned for a harbour that is on no chart")


def _folio(canvas: Canvas, page: int) -> None:
    """The page's number at the fore-edge of its foot."""
    canvas.setFont(SANS, 9)
    if page % 2:
        canvas.drawRightString(WIDTH - 14 * mm, 11 * mm, str(page))
    else:
        canvas.drawString(14 * mm, 11 * mm, str(page))


def _days(canvas: Canvas, page: int) -> None:
    for number in range(_DAYS_A_PAGE):
        day = _FIRST_DAY + timedelta(days=(page - 5) * _DAYS_A_PAGE + number)
        top = HEIGHT - (24 + 88 * number) * mm
        canvas.setFont(BOLD, 11)
        canvas.drawString(20 * mm, top, f"{day.day} {day:%B}")
        canvas.setLineWidth(0.4)
        canvas.line(20 * mm, top - 2 * mm, WIDTH - 20 * mm, top - 2 * mm)
        canvas.setFont(SANS, 9)
        for row, (hour, height, word) in enumerate(_tides(day)):
            level = top - (8 + 6 * row) * mm
            canvas.drawString(20 * mm, level, word)
            canvas.drawRightString(86 * mm, level, f"{int(hour):02d}.{int(hour % 1 * 60):02d}")
            canvas.drawRightString(WIDTH - 20 * mm, level, f"{height:.1f} m")
        _curve(canvas, day, top - 66 * mm)


def _tides(day: date) -> list[tuple[float, float, str]]:
    """Hour, height and name of the tides of a day, from a made-up moon."""
    start = ((day - _FIRST_DAY).days * 24) % _LUNAR_HALF_DAY
    springs = 1 + 0.3 * math.cos(2 * math.pi * (day - _FIRST_DAY).days / 14.77)
    tides = []
    for half in range(5):
        hour = half * _LUNAR_HALF_DAY / 2 - start + _LUNAR_HALF_DAY / 2
        if 0 <= hour < 24:
            high = half % 2 == 0
            height = 3.2 + (2.1 if high else -2.1) * springs
            tides.append((hour, height, "High water" if high else "Low water"))
    return tides


def _curve(canvas: Canvas, day: date, base: float) -> None:
    start = ((day - _FIRST_DAY).days * 24) % _LUNAR_HALF_DAY
    path = canvas.beginPath()
    for step in range(97):
        x = 20 * mm + step / 96 * (WIDTH - 40 * mm)
        y = base + 12 * mm + 9 * mm * math.cos(2 * math.pi * (step / 4 + start) / _LUNAR_HALF_DAY)
        (path.lineTo if step else path.moveTo)(x, y)
    canvas.drawPath(path)
