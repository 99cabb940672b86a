"""The job sheet, on A4 or Letter: one page that is enough at the bench, and what else is chosen.

The first page has the book as it will stand, how it is bound, the sizes one comes back to, the cut list with
grain and a tick for each piece, what has to be minded, and room for a pencil.
"""

from collections.abc import Iterator, Sequence
from typing import Literal

from reportlab.lib.units import mm
from reportlab.platypus import Flowable, PageBreak, Spacer, Table, TableStyle

from weald.core.drawing import Drawing
from weald.core.finding_words import Severity
from weald.core.findings import Finding
from weald.core.folding.imposition import Placement, in_reading_order
from weald.core.notation import MILLIMETRES, Notation
from weald.core.pieces import Piece
from weald.core.pieces_drawn import draw_piece
from weald.core.planning.plan import Plan
from weald.core.reckoning import Quantity
from weald.core.station import STATIONS, Station
from weald.core.units import Mm
from weald.exchange.drawing_grid import drawing_grid
from weald.exchange.drawing_pdf import BOLD
from weald.exchange.flowables import (
    BODY,
    HEADING,
    SMALL,
    TITLE,
    DrawingFlowable,
    Lines,
    built,
    figures_text,
    height_of,
    height_of_page,
    styled,
    table,
    text,
    width_of,
)

JobSheetPart = Literal["drawings", "reckoning", "signatures", "looks", "notes", "cautions"]
JOB_SHEET_PARTS: dict[JobSheetPart, str] = {
    "drawings": "Drawings",
    "reckoning": "The reckoning",
    "signatures": "Pages on each sheet",
    "looks": "What to look at",
    "notes": "Notes",
    "cautions": "Cautions",
}
"""What may follow the first page, in its order."""
_TICK = "[  ]"
_SEVERITY: dict[Severity, str] = {"stop": "STOP", "mind": "Mind", "note": "Note"}
_SIZES = (1.3, 1.15, 1.0, 0.92, 0.84, 0.76, 0.68)
"""How many times as large as usual the type of the first page may be set; the largest that fits is."""
_MOST_MINDED = 3
"""So many findings stand on the first page even where nothing else helps; the rest follow it."""
_AIR: Mm = 6.0
_PENCIL: Mm = 20.0
"""Room that is left for a pencil at the least."""
_NOT_FINE: tuple[Severity, ...] = ("stop", "mind")


def job_sheet_pdf(
    plan: Plan,
    standing: Drawing | None,
    paper: str,
    facts: tuple[tuple[str, str], ...],
    notation: Notation = MILLIMETRES,
    parts: Sequence[JobSheetPart] = (),
) -> bytes:
    """The job sheet.

    :param standing: the book as it will stand.
    :param paper: "a4" or "letter".
    :param facts: what the binder chose, as (label, text): paper, board, cloth and the like.
    :param notation: in whose words the plan was made.
    :param parts: what follows the first page, in the order of :data:`JOB_SHEET_PARTS`.
    """
    story, left_over = _first_page(plan, standing, facts, paper)
    rest: dict[JobSheetPart, Iterator[Flowable]] = {
        "drawings": drawing_grid(
            [each for each in plan.drawings if each.station != "pieces"], width_of(paper)
        ),
        "reckoning": _reckoning(plan),
        "signatures": _signatures(plan, notation.say("{Signatures}")),
        "looks": _looks(plan),
        "notes": _minded("Notes", [each for each in plan.findings if each.severity == "note"]),
        "cautions": _cautions(plan),
    }
    after = [*_minded("More to mind", left_over)]
    after += [flowable for part in JOB_SHEET_PARTS if part in parts for flowable in rest[part]]
    if after:
        story += [PageBreak(), *after]
    return built(story, paper, f"{plan.title}: job sheet", plan.title)


def _first_page(
    plan: Plan, standing: Drawing | None, facts: tuple[tuple[str, str], ...], paper: str
) -> tuple[list[Flowable], Sequence[Finding]]:
    """What stands on the first page, set as large as it fits, and the findings there was no room for."""
    minded = [each for each in plan.findings if each.severity in _NOT_FINE]
    width, height = width_of(paper), height_of_page(paper)
    for most in (len(minded), _MOST_MINDED):
        for size in _SIZES:
            page = _FirstPage(plan, standing, facts, width, size)
            story = page.story(minded[:most])
            taken = height_of(story, width)
            if taken + _PENCIL <= height:
                break
        else:
            continue
        break
    story.append(Lines(width, max(height - taken - 2, 0.0), "Notes"))
    return story, minded[most:]


class _FirstPage:
    """The first page, its type set ``size`` times as large as usual."""

    def __init__(
        self,
        plan: Plan,
        standing: Drawing | None,
        facts: tuple[tuple[str, str], ...],
        width: Mm,
        size: float,
    ) -> None:
        self.plan, self.standing, self.facts, self.width, self.size = plan, standing, facts, width, size
        self.body, self.small = styled(BODY, size), styled(SMALL, size)
        self.heading = styled(HEADING, size)
        self.figure = styled(BODY, 1.25 * size, BOLD)

    def story(self, minded: Sequence[Finding]) -> list[Flowable]:
        """All of it but the room for a pencil."""
        return [*self._head(), *self._sizes(), *self._pieces(), *self._minded(minded)]

    def _head(self) -> Iterator[Flowable]:
        """The book as it will stand, and beside it what it is and how it is bound."""
        picture = DrawingFlowable(self.standing, 56.0, 62.0) if self.standing else None
        beside = self.width - (picture.width / mm + _AIR if picture else 0.0)
        about: list[Flowable] = [text(self.plan.title, TITLE), Spacer(1, 2 * mm)]
        if self.facts:
            rows = [[text(label, self.small), text(words, self.body)] for label, words in self.facts]
            about.append(table(rows, [24, beside - 24], header=False))
        if picture is None:
            yield from about
            return
        made = Table([[picture, about]], colWidths=[(self.width - beside) * mm, beside * mm])
        made.setStyle(TableStyle([("VALIGN", (0, 0), (-1, -1), "TOP"), ("LEFTPADDING", (0, 0), (-1, -1), 0)]))
        yield made

    def _sizes(self) -> Iterator[Flowable]:
        """What one comes to each station for, a line for each."""
        rows: list[list[Flowable | str]] = []
        for station, record in STATIONS.items():
            leads = [each for each in self.plan.leads if each.station == station and each.count is None]
            sizes = [(each.label, each.shown) for each in leads if each.shown != "0"]
            if sizes:
                figures = figures_text(sizes, self.body)
                rows.append([text(record.title, self.small), figures])
        if rows:
            yield text("Sizes", self.heading)
            yield table(rows, [24, self.width - 24], header=False)

    def _pieces(self) -> Iterator[Flowable]:
        """The cut list, two pieces to a row."""
        if not self.plan.pieces:
            return
        cells = [self._piece(piece) for piece in self.plan.pieces]
        rows = [cells[at : at + 2] for at in range(0, len(cells), 2)]
        flat: list[list[Flowable | str]] = [
            [part for cell in (*row, *([["", "", ""]] * (2 - len(row)))) for part in cell] for row in rows
        ]
        tick, icon = 7 * self.size, 16 * self.size
        yield text("To cut", self.heading)
        made = table(flat, [tick, icon, self.width / 2 - tick - icon] * 2, header=False)
        made.setStyle(TableStyle([("VALIGN", (0, 0), (-1, -1), "MIDDLE")]))
        yield made

    def _piece(self, piece: Piece) -> list[Flowable | str]:
        words = [text(f"{piece.label} × {piece.count}", self.small), text(piece.shown, self.figure)]
        more = [piece.finished, f"from {piece.stock}" if piece.stock else ""]
        if piece.grain_right is False:
            more.append("its stock has the grain across")
        said = "; ".join(each for each in more if each)
        if said:
            words.append(text(said, self.small))
        return [
            text(_TICK, self.body),
            DrawingFlowable(draw_piece(piece), 12 * self.size, 12 * self.size),
            words,
        ]

    def _minded(self, findings: Sequence[Finding]) -> Iterator[Flowable]:
        if not findings:
            return
        yield text("To mind", self.heading)
        rows: list[list[Flowable | str]] = [
            [text(_SEVERITY[each.severity], self.small), text(f"{each.message} {each.remedy}", self.body)]
            for each in findings
        ]
        yield table(rows, [14, self.width - 14], header=False)


def _minded(title: str, findings: Sequence[Finding]) -> Iterator[Flowable]:
    if not findings:
        return
    rows: list[list[Flowable | str]] = [
        [_SEVERITY[each.severity], text(each.message), text(each.remedy, SMALL)] for each in findings
    ]
    yield text(title, HEADING)
    yield table(rows, [14, 84, 75], header=False)


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
        text(quantity.label),
        text(("measured " if quantity.measured is not None else "") + quantity.shown),
        text("; ".join(reasons), SMALL),
        "",
    ]


def _reckoning(plan: Plan) -> Iterator[Flowable]:
    yield text("The reckoning", HEADING)
    for station in STATIONS:
        found = [_quantity_row(each) for each in plan.quantities if each.station == station]
        if not found:
            continue
        head: list[Flowable | str] = [STATIONS[station].title, "", "Why", "At the bench"]
        yield table([head, *found], [46, 30, 75, 22])
        yield Spacer(1, 3 * mm)


def _signatures(plan: Plan, title: str) -> Iterator[Flowable]:
    """Which pages stand on which sheet, as they are to be checked when gathering."""
    yield text(title, HEADING)
    rows: list[list[Flowable | str]] = [["No.", "Sheets", "Pages", "Sheet by sheet: outer side / inner side"]]
    for section in plan.sections:
        sheets = [sheet for sheet in plan.sheets if sheet.section == section.section]
        span = f"{section.first_page}–{section.last_page}" if section.first_page else "blank"
        words = "; ".join(f"{_side(sheet.outer)} / {_side(sheet.inner)}" for sheet in sheets)
        rows.append([str(section.section), str(section.sheets), span, text(words, SMALL)])
    yield table(rows, [10, 14, 24, 125])


def _side(placements: tuple[Placement, ...]) -> str:
    return " ".join(str(place.page or "·") for place in in_reading_order(placements))


def _looks(plan: Plan) -> Iterator[Flowable]:
    """What to look at, each with room for a tick."""
    yield text("What to look at", HEADING)
    rows: list[list[Flowable | str]] = [["At", "", "Seen"]]
    rows += [[STATIONS[look.station].title, text(look.text), _TICK] for look in plan.looks]
    yield table(rows, [30, 130, 13])


def _cautions(plan: Plan) -> Iterator[Flowable]:
    yield text("Cautions", HEADING)
    for caution in plan.cautions:
        station: Station = caution.station
        yield text(f"{STATIONS[station].title}: {caution.text}", SMALL)
