"""A drawing printed at true size, over as many sheets as it takes.

Every sheet carries a 100 mm bar to be measured before anything is cut by it. Neighbouring
tiles share a strip, so that they can be laid edge to mark and taped.
"""

import io
from dataclasses import dataclass

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from weald.core.drawing import Drawing
from weald.core.units import Mm, rounded_up
from weald.exchange.drawing_pdf import BOLD, PAPERS, Paper
from weald.exchange.ink import Stroke, frame, size_on_paper

MARGIN: Mm = 10.0
"""Kept free on every edge: no printer reaches further."""
FOOT: Mm = 16.0
"""Kept at the tail of every sheet for the check bar and the tile's name."""
SHARED: Mm = 10.0
"""Strip that neighbouring tiles both show."""
CHECK_BAR: Mm = 100.0
_WHOLE = "drawing"
_PRINT_ADVICE = "This bar measures 100 mm. Print at 100 %, never “fit to page”."


@dataclass(frozen=True, slots=True)
class Tiling:
    """How a drawing is spread over sheets. ``window_*`` is what one sheet shows."""

    columns: int
    rows: int
    window_width: Mm
    window_height: Mm
    landscape: bool

    @property
    def count(self) -> int:
        """Sheets of paper."""
        return self.columns * self.rows


def _tiles(length: Mm, window: Mm) -> int:
    return 1 if length <= window else rounded_up((length - SHARED) / (window - SHARED))


def tile(width: Mm, height: Mm, paper: str) -> Tiling:
    """The fewest sheets of ``paper`` ("a4" or "letter") that show ``width`` × ``height``."""
    tilings = []
    for landscape in (False, True):
        across, down = (side / mm for side in PAPERS[paper])
        if landscape:
            across, down = down, across
        window = (across - 2 * MARGIN, down - 2 * MARGIN - FOOT)
        tilings.append(Tiling(_tiles(width, window[0]), _tiles(height, window[1]), *window, landscape))
    return min(tilings, key=lambda tiling: (tiling.count, tiling.landscape))


def true_size_pdf(drawing: Drawing, title: str, paper: str) -> bytes:
    """The drawing at true size as a PDF, tiled where it must be."""
    width, height = size_on_paper(drawing, 1.0)
    tiling = tile(width, height, paper)
    page = PAPERS[paper][::-1] if tiling.landscape else PAPERS[paper]
    buffer = io.BytesIO()
    canvas = Canvas(buffer, pagesize=page)
    canvas.setTitle(f"{title}: {drawing.title}, true size")
    canvas.setViewerPreference("PrintScaling", "None")
    _draw_once(canvas, drawing, page)
    for row in range(tiling.rows):
        for column in range(tiling.columns):
            sheet = Paper(canvas, page[1])
            _draw_tile(sheet, tiling, column, row)
            _draw_foot(sheet, title, drawing, tiling, column, row, page[1] / mm)
            canvas.showPage()
    canvas.save()
    return buffer.getvalue()


def _draw_once(canvas: Canvas, drawing: Drawing, page: tuple[float, float]) -> None:
    """The whole drawing, written once; every tile shows its part of it."""
    width, height = size_on_paper(drawing, 1.0)
    canvas.beginForm(
        _WHOLE,
        lowerx=0,
        lowery=page[1] - (height + MARGIN) * mm,
        upperx=(width + MARGIN) * mm,
        uppery=page[1],
    )
    Paper(canvas, page[1]).drawing(frame(drawing, 1.0, 0.0, 0.0))
    canvas.endForm()


def _draw_tile(sheet: Paper, tiling: Tiling, column: int, row: int) -> None:
    canvas = sheet.canvas
    canvas.saveState()
    clip = canvas.beginPath()
    clip.rect(
        MARGIN * mm,
        sheet.height - (MARGIN + tiling.window_height) * mm,
        tiling.window_width * mm,
        tiling.window_height * mm,
    )
    canvas.clipPath(clip, stroke=0, fill=0)
    left = MARGIN - column * (tiling.window_width - SHARED)
    top = MARGIN - row * (tiling.window_height - SHARED)
    canvas.translate(left * mm, -top * mm)
    canvas.doForm(_WHOLE)
    canvas.restoreState()
    right, bottom = MARGIN + tiling.window_width, MARGIN + tiling.window_height
    if column + 1 < tiling.columns:
        _join(sheet, ((right - SHARED, MARGIN), (right - SHARED, bottom)))
    if column:
        _join(sheet, ((MARGIN + SHARED, MARGIN), (MARGIN + SHARED, bottom)))
    if row + 1 < tiling.rows:
        _join(sheet, ((MARGIN, bottom - SHARED), (right, bottom - SHARED)))
    if row:
        _join(sheet, ((MARGIN, MARGIN + SHARED), (right, MARGIN + SHARED)))


def _join(sheet: Paper, line: tuple[tuple[Mm, Mm], tuple[Mm, Mm]]) -> None:
    sheet.put(Stroke(line, "score"))


def _draw_foot(
    sheet: Paper,
    title: str,
    drawing: Drawing,
    tiling: Tiling,
    column: int,
    row: int,
    page_height: Mm,
) -> None:
    level = page_height - MARGIN - FOOT / 2 + 1
    end = MARGIN + CHECK_BAR
    sheet.put(Stroke(((MARGIN, level), (end, level)), "check"))
    for tenth in range(11):
        x = MARGIN + CHECK_BAR * tenth / 10
        half = 2.0 if tenth in (0, 10) else 1.0
        sheet.put(Stroke(((x, level - half), (x, level + half)), "check"))
    sheet.write(MARGIN, level + 4.5, _PRINT_ADVICE, 1.8)
    name = f"{title}: {drawing.title}"
    sheet.write(MARGIN, level - 4.5, name[:90], 2.0, font=BOLD)
    if tiling.count > 1:
        place = (
            f"Sheet {row * tiling.columns + column + 1} of {tiling.count}: row {row + 1}, "
            f"column {column + 1}. "
            "Dashed lines meet."
        )
        sheet.write(MARGIN + tiling.window_width, level + 4.5, place, 1.8, anchor="end")
