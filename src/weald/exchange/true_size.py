"""Drawings printed at true size: several small ones on a sheet, a large one over as many as it takes.

Every sheet carries a 100 mm bar to be measured before anything is cut by it. Neighbouring tiles share a
strip, so that they can be laid edge to mark and taped; it lies where no edge is measured, and never across a
narrow piece such as a spine board.
"""

import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from weald.core.drawing import Arc, Area, Drawing, Line
from weald.core.units import TOLERANCE, Mm
from weald.exchange.drawing_pdf import BOLD, PAPERS, Paper
from weald.exchange.ink import Stroke, frame, size_on_paper

MARGIN: Mm = 10.0
"""Kept free on every edge: no printer reaches further."""
FOOT: Mm = 16.0
"""Kept at the tail of every sheet for the check bar and the tile's name."""
SHARED: Mm = 10.0
"""Strip that neighbouring tiles both show."""
CHECK_BAR: Mm = 100.0
NARROW: Mm = 60.0
"""A piece no wider is never cut by a join."""
_CLEAR: Mm = 2.0
"""A join keeps so far from an edge."""
_TITLE: Mm = 7.0
"""The name of a drawing above it, and what is left to its neighbour, where several share a sheet."""
_AIR: Mm = 8.0
_PRINT_ADVICE = "This bar measures 100 mm. Print at 100 %, never “fit to page”."
_MARGIN_ADVICE = "Nothing is printed within 10 mm of an edge; most printers reach no further than 4 to 6 mm."

Span = tuple[Mm, Mm]


@dataclass(frozen=True, slots=True)
class Tiling:
    """How a drawing is spread over sheets: where each column and row begins, and what one sheet shows."""

    columns: tuple[Mm, ...]
    rows: tuple[Mm, ...]
    window_width: Mm
    window_height: Mm
    landscape: bool

    @property
    def count(self) -> int:
        """Sheets of paper."""
        return len(self.columns) * len(self.rows)


def tile(drawing: Drawing, paper: str) -> Tiling:
    """The fewest sheets of ``paper`` ("a4" or "letter") that show a drawing with its dimensions."""
    width, height = size_on_paper(drawing, 1.0)
    across, down = _barred(drawing)
    tilings = []
    for landscape in (False, True):
        window = _window(paper, landscape)
        columns = starts(width, window[0], across)
        rows = starts(height, window[1], down)
        tilings.append(Tiling(columns, rows, *window, landscape))
    return min(tilings, key=lambda tiling: (tiling.count, tiling.landscape))


def _window(paper: str, landscape: bool) -> tuple[Mm, Mm]:
    across, down = (side / mm for side in PAPERS[paper])
    if landscape:
        across, down = down, across
    return float(across - 2 * MARGIN), float(down - 2 * MARGIN - FOOT)


def starts(length: Mm, window: Mm, barred: Sequence[Span]) -> tuple[Mm, ...]:
    """Where each sheet begins along one side: as late as it may, its shared strip clear of what is barred.

    Where nothing is clear, the sheet begins as if nothing were barred.
    """
    found = [0.0]
    while found[-1] + window < length - TOLERANCE:
        latest = found[-1] + window - SHARED
        begin = latest
        while (hit := _hit(begin, barred)) is not None:
            begin = hit - SHARED
        found.append(begin if begin > found[-1] + TOLERANCE else latest)
    return tuple(found)


def _hit(begin: Mm, barred: Sequence[Span]) -> Mm | None:
    """Where the first thing begins that a shared strip from ``begin`` on would lie on."""
    lows = [low for low, high in barred if low < begin + SHARED - TOLERANCE and high > begin + TOLERANCE]
    return min(lows, default=None)


def _barred(drawing: Drawing) -> tuple[list[Span], list[Span]]:
    """What no join may lie on, across and down the paper: edges, and pieces that are narrow."""
    at = frame(drawing, 1.0, 0, 0).at
    across: list[Span] = []
    down: list[Span] = []
    for element in drawing.elements:
        if isinstance(element, Arc):
            x, y = at((element.x, element.y))
            across.append((x - element.radius, x + element.radius))
            down.append((y - element.radius, y + element.radius))
        elif isinstance(element, Area | Line):
            points = [at(point) for point in element.points]
            closed = [*points, points[0]] if isinstance(element, Area) else points
            for (x, y), (next_x, next_y) in pairwise(closed):
                # an edge that runs with the join bars it; one that the join crosses is measured on both
                if abs(next_x - x) <= abs(next_y - y):
                    across.append((min(x, next_x) - _CLEAR, max(x, next_x) + _CLEAR))
                if abs(next_y - y) <= abs(next_x - x):
                    down.append((min(y, next_y) - _CLEAR, max(y, next_y) + _CLEAR))
            if isinstance(element, Area):
                for spans, places in ((across, [x for x, _ in points]), (down, [y for _, y in points])):
                    if max(places) - min(places) <= NARROW:
                        spans.append((min(places), max(places)))
    return across, down


def true_size_pdf(drawings: Sequence[Drawing], title: str, paper: str) -> bytes:
    """Drawings at true size as a PDF: what fits shares sheets, what is larger is tiled.

    :param title: of the job. ``paper``: "a4" or "letter".
    """
    buffer = io.BytesIO()
    canvas = Canvas(buffer, pagesize=PAPERS[paper])
    names = ", ".join(drawing.title for drawing in drawings)
    canvas.setTitle(f"{title}: {names}, true size")
    canvas.setViewerPreference("PrintScaling", "None")
    small = [drawing for drawing in drawings if shares_a_sheet(drawing, paper)]
    for sheet in _shared(small, paper):
        page = Paper(canvas, PAPERS[paper][1])
        for drawing, left, top in sheet:
            page.write(MARGIN + left, MARGIN + top + _TITLE / 3, drawing.title[:60], 2.0, font=BOLD)
            page.drawing(frame(drawing, 1.0, MARGIN + left, MARGIN + top + _TITLE))
        _draw_foot(page, title, "", PAPERS[paper][1] / mm)
        canvas.showPage()
    for number, drawing in enumerate(drawing for drawing in drawings if drawing not in small):
        _draw_tiled(canvas, drawing, f"drawing{number}", title, paper)
    canvas.save()
    return buffer.getvalue()


def shares_a_sheet(drawing: Drawing, paper: str) -> bool:
    """Whether a drawing goes on an upright sheet with its name above it."""
    width, height = size_on_paper(drawing, 1.0)
    across, down = _window(paper, landscape=False)
    return width <= across and height + _TITLE <= down


def _shared(drawings: Sequence[Drawing], paper: str) -> Iterator[list[tuple[Drawing, Mm, Mm]]]:
    """Sheets of drawings with where each lies: in rows, the highest first."""
    across, down = _window(paper, landscape=False)
    left = top = row = 0.0
    sheet: list[tuple[Drawing, Mm, Mm]] = []
    for drawing in sorted(drawings, key=lambda each: -size_on_paper(each, 1.0)[1]):
        width, height = size_on_paper(drawing, 1.0)
        if left and left + width > across:
            left, top, row = 0.0, top + row + _AIR, 0.0
        if sheet and top + _TITLE + height > down:
            yield sheet
            sheet, left, top, row = [], 0.0, 0.0, 0.0
        sheet.append((drawing, left, top))
        left, row = left + width + _AIR, max(row, _TITLE + height)
    if sheet:
        yield sheet


def _draw_tiled(canvas: Canvas, drawing: Drawing, form: str, title: str, paper: str) -> None:
    tiling = tile(drawing, paper)
    size = PAPERS[paper][::-1] if tiling.landscape else PAPERS[paper]
    canvas.setPageSize(size)
    _draw_once(canvas, drawing, form, size)
    for row in range(len(tiling.rows)):
        for column in range(len(tiling.columns)):
            sheet = Paper(canvas, size[1])
            _draw_tile(sheet, form, tiling, column, row)
            name = f"{title}: {drawing.title}"
            place = _place(tiling, column, row)
            _draw_foot(sheet, name, place, size[1] / mm, MARGIN + tiling.window_width)
            canvas.showPage()


def _place(tiling: Tiling, column: int, row: int) -> str:
    if tiling.count == 1:
        return ""
    number = row * len(tiling.columns) + column + 1
    return f"Sheet {number} of {tiling.count}: row {row + 1}, column {column + 1}. Dashed lines meet."


def _draw_once(canvas: Canvas, drawing: Drawing, form: str, page: tuple[float, float]) -> None:
    """The whole drawing, written once; every tile shows its part of it."""
    width, height = size_on_paper(drawing, 1.0)
    canvas.beginForm(
        form,
        lowerx=0,
        lowery=page[1] - (height + MARGIN) * mm,
        upperx=(width + MARGIN) * mm,
        uppery=page[1],
    )
    Paper(canvas, page[1]).drawing(frame(drawing, 1.0, 0.0, 0.0))
    canvas.endForm()


def _draw_tile(sheet: Paper, form: str, tiling: Tiling, column: int, row: int) -> None:
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
    canvas.translate((MARGIN - tiling.columns[column]) * mm, -(MARGIN - tiling.rows[row]) * mm)
    canvas.doForm(form)
    canvas.restoreState()
    right, bottom = MARGIN + tiling.window_width, MARGIN + tiling.window_height
    for x in _joins(tiling.columns, column):
        sheet.put(Stroke(((x, MARGIN), (x, bottom)), "score"))
    for y in _joins(tiling.rows, row):
        sheet.put(Stroke(((MARGIN, y), (right, y)), "score"))


def _joins(begins: Sequence[Mm], place: int) -> Iterator[Mm]:
    """The lines at which a tile meets its neighbours, on the sheet: the middle of what both show."""
    if place + 1 < len(begins):
        yield MARGIN + begins[place + 1] - begins[place] + SHARED / 2
    if place:
        yield MARGIN + SHARED / 2


def _draw_foot(sheet: Paper, name: str, place: str, page_height: Mm, right: Mm = 0.0) -> None:
    level = page_height - MARGIN - FOOT / 2 + 1
    end = MARGIN + CHECK_BAR
    sheet.put(Stroke(((MARGIN, level), (end, level)), "check"))
    for tenth in range(11):
        x = MARGIN + CHECK_BAR * tenth / 10
        half = 2.0 if tenth in (0, 10) else 1.0
        sheet.put(Stroke(((x, level - half), (x, level + half)), "check"))
    sheet.write(MARGIN, level + 4.5, f"{_PRINT_ADVICE} {_MARGIN_ADVICE}", 1.5)
    sheet.write(MARGIN, level - 4.5, name[:90], 2.0, font=BOLD)
    if place:
        sheet.write(right, level, place, 1.8, anchor="end")
