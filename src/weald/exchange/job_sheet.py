"""The job sheet: everything a binder takes to the bench, on A4 or Letter.

Its first page is enough at the bench: what was decided, the pieces, and what has to be minded. What follows
says why.
"""

from collections.abc import Iterator

from reportlab.lib.units import mm
from reportlab.platypus import Flowable, KeepTogether, Spacer, Table, TableStyle

from weald.core.finding_words import Severity
from weald.core.folding.imposition import Placement, in_reading_order
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.plan import Plan
from weald.core.reckoning import Quantity
from weald.core.station import STATIONS, Station
from weald.core.units import Mm
from weald.exchange.flowables import (
    HEADING,
    SMALL,
    TITLE,
    DrawingFlowable,
    built,
    table,
    text,
    width_of,
)

_DRAWING_HEIGHT: Mm = 104.0
_FIRST_HEIGHT: Mm = 96.0
_FIRST = ("case.flat", "wrapper.flat", "cover.art")
_LEAST_COLUMN: Mm = 42.0
_AIR: Mm = 6.0
_TICK = "[  ]"
_GRAIN_MARKS = {"height": "along height", "width": "along width", "any": "either"}
_SEVERITY = {"stop": "STOP", "mind": "Mind", "note": "Note"}


def job_sheet_pdf(
    plan: Plan, paper: str, facts: tuple[tuple[str, str], ...], notation: Notation = MILLIMETRES
) -> bytes:
    """The job sheet.

    :param paper: "a4" or "letter".
    :param facts: what the binder chose, as (label, text): paper, board, cloth and the like.
    :param notation: in whose words the plan was made.
    """
    story = [*_head(plan, facts), *_pieces(plan), *_minds(plan, "To mind", ("stop", "mind"))]
    story += _drawings(plan, width_of(paper))
    story += [*_reckoning(plan), *_minds(plan, "Notes", ("note",))]
    story += [*_signatures(plan, notation.say("{Signatures}")), *_looks(plan), *_cautions(plan)]
    return built(story, paper, f"{plan.title}: job sheet", plan.title)


def _head(plan: Plan, facts: tuple[tuple[str, str], ...]) -> Iterator[Flowable]:
    yield text(plan.title, TITLE)
    yield Spacer(1, 4 * mm)
    rows = [[text(label, SMALL), text(words)] for label, words in facts]
    if rows:
        yield table(rows, [38, 135], header=False)


def _minds(plan: Plan, title: str, severities: tuple[Severity, ...]) -> Iterator[Flowable]:
    rows: list[list[Flowable | str]] = [
        [_SEVERITY[each.severity], text(each.message), text(each.remedy, SMALL)]
        for each in plan.findings
        if each.severity in severities
    ]
    if not rows:
        return
    yield text(title, HEADING)
    yield table(rows, [14, 84, 75], header=False)


def _pieces(plan: Plan) -> Iterator[Flowable]:
    if not plan.pieces:
        return
    rows: list[list[Flowable | str]] = [["Piece", "How many", "Width × height", "Grain", "", "Cut"]]
    for piece in plan.pieces:
        grain = _GRAIN_MARKS[piece.grain]
        if piece.grain_right is False:
            grain += ", but its stock has it across"
        rows.append(
            [
                text(piece.label),
                str(piece.count),
                text(f"{piece.shown}, {piece.finished}" if piece.finished else piece.shown),
                text(grain),
                text(f"{piece.how}; from {piece.stock}" if piece.stock else piece.how, SMALL),
                _TICK,
            ]
        )
    yield text("Pieces", HEADING)
    yield table(rows, [30, 18, 46, 28, 41, 10])


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


def _drawings(plan: Plan, width: Mm) -> Iterator[Flowable]:
    """Every drawing under its title, several side by side where they are narrow."""
    # the cover laid flat stands on the first page, where there is room
    row: list[tuple[Flowable, DrawingFlowable]] = []
    for drawing in sorted(plan.drawings, key=lambda each: each.id not in _FIRST):
        height = _FIRST_HEIGHT if drawing.id in _FIRST else _DRAWING_HEIGHT
        flowable = DrawingFlowable(drawing, width, height)
        titled = (text(f"{drawing.title} ({flowable.scale_text})", HEADING), flowable)
        if row and sum(map(_column, [*row, titled])) > width:
            yield _side_by_side(row)
            row = []
        row.append(titled)
    if row:
        yield _side_by_side(row)


def _column(titled: tuple[Flowable, DrawingFlowable]) -> Mm:
    """The width a drawing takes with its title and some air."""
    return float(max(_LEAST_COLUMN, titled[1].width / mm + _AIR))


def _side_by_side(row: list[tuple[Flowable, DrawingFlowable]]) -> Flowable:
    made = Table(
        [[title for title, _ in row], [drawing for _, drawing in row]],
        colWidths=[_column(each) * mm for each in row],
    )
    made.setStyle(TableStyle([("VALIGN", (0, 0), (-1, -1), "TOP"), ("LEFTPADDING", (0, 0), (-1, -1), 0)]))
    made.hAlign = "LEFT"
    return KeepTogether([made, Spacer(1, 3 * mm)])


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
