"""Stock for a job's pieces, and layouts cut from it, over HTTP."""

import uuid
from typing import Any, Literal

from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Body, Query, Router, Status

from weald.core.cutting.grouping import CutGroup, CutResult
from weald.core.cutting.layout import CutSheet
from weald.core.cutting.sheet_drawing import draw_sheet
from weald.core.drawing import Drawing
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.pieces import GRAIN_NEEDED
from weald.core.planning.plan import plan
from weald.core.planning.stock_choice import Choice, choose_stock
from weald.core.units import parse_length
from weald.exchange.cuts_csv import cuts_csv
from weald.exchange.cutting_sheets import cutting_sheets_pdf
from weald.exchange.drawing_dxf import drawing_dxf
from weald.exchange.drawing_svg import drawing_svg
from weald.exchange.true_size import true_size_pdf
from weald.standins.guillotine import cut, tally
from weald.web import work
from weald.web.accounts.services import preferences_of
from weald.web.api.cutting_replies import (
    CuttingReply,
    CuttingRequest,
    CuttingRow,
    FallenPiece,
    GuillotineReply,
    cut_rows,
    group_reply,
)
from weald.web.api.downloads import file_response
from weald.web.api.jobs import jobs_of
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.api.shelf import items_of
from weald.web.api.typed import JobInput
from weald.web.shelf import cutting as cuttings
from weald.web.shelf.models import Cutting
from weald.web.shelf.services import on_shelf

router = Router(tags=["cutting"])


@router.post(
    "/stock-for", response={200: Choice, 404: Problem, 422: Problem}, operation_id="stockFor", throttle=HEAVY
)
def stock_for(
    request: HttpRequest,
    job: JobInput = Body(...),
    piece: str = Query(max_length=40),
    others: bool = Query(False),
) -> Choice:
    """The shelf as it looks for one piece of a job, without storing anything."""
    notation = notation_of(request)
    pieces = plan(read_spec(job, notation), notation, drawn=()).pieces
    wanted = next((each for each in pieces if each.id == piece), None)
    if wanted is None:
        raise Http404
    shelf = [on_shelf(item) for item in items_of(request).filter(archived=False)]
    return choose_stock(wanted, shelf, notation, others=others)


def _row(cutting: Cutting) -> dict[str, Any]:
    return {
        **{
            name: getattr(cutting, name) for name in CuttingRow.model_fields if name not in ("author", "jobs")
        },
        "author": cutting.asked_by,
        "jobs": [each["job"] for each in cutting.jobs],
    }


SHEAR_LENGTHS = ("square", "kerf", "keep_short", "keep_long")


def _asked(cutting: Cutting, notation: Notation) -> CuttingRequest:
    """What was wanted, as it stands in the fields of whoever reads."""
    wanted = cuttings.options_of(cutting)
    lengths = {name: notation.editable(getattr(wanted.shears, name)) for name in SHEAR_LENGTHS}
    return CuttingRequest(
        jobs=[each["job"] for each in cutting.jobs],
        prefer_offcuts=wanted.shears.prefer_offcuts,
        pins=dict(wanted.pins or {}),
        forbidden=sorted(wanted.forbidden),
        **lengths,
    )


def cutting_of(request: HttpRequest, cutting_id: uuid.UUID) -> Cutting:
    """A layout of the workshop that is asking.

    :raises django.http.Http404: when there is none.
    """
    found = Cutting.objects.select_related("author", "workshop")
    return get_object_or_404(found, workshop=workshop_of(request), pk=cutting_id)


@router.get("/cuttings", response=list[CuttingRow], operation_id="listCuttings")
def list_cuttings(request: HttpRequest, job: int | None = Query(None, ge=1)) -> list[CuttingRow]:
    """The layouts of the workshop, or of one of its jobs, newest first."""
    found = Cutting.objects.filter(workshop=workshop_of(request)).select_related("author").defer("result")
    if job is not None:
        found = found.filter(jobs__contains=[{"job": job}])
    return [CuttingRow(**_row(cutting)) for cutting in found.order_by("-asked")[:50]]


@router.post(
    "/cuttings",
    response={201: CuttingRow, 404: Problem, 422: Problem},
    operation_id="askForCutting",
    throttle=HEAVY,
)
def ask_for_cutting(request: HttpRequest, order: CuttingRequest) -> Status:
    """Have the pieces of jobs laid out on the stock chosen for them."""
    notation = notation_of(request)
    jobs = [get_object_or_404(jobs_of(request), pk=number) for number in dict.fromkeys(order.jobs)]
    lengths = {
        name: parse_length(typed, notation.bare)
        for name in SHEAR_LENGTHS
        if (typed := getattr(order, name)) is not None
    }
    options = {
        "shears": {**lengths, "prefer_offcuts": order.prefer_offcuts},
        "pins": order.pins,
        "forbidden": order.forbidden,
    }
    made = cuttings.ask_for_cutting(workshop_of(request), person(request), jobs, options)
    return Status(201, CuttingRow(**_row(made)))


@router.get(
    "/cuttings/{uuid:cutting_id}", response={200: CuttingReply, 404: Problem}, operation_id="openCutting"
)
def open_cutting(request: HttpRequest, cutting_id: uuid.UUID) -> CuttingReply:
    """A layout with its sheets drawn and its cuts in order."""
    cutting = cutting_of(request, cutting_id)
    notation = notation_of(request)
    options = _asked(cutting, notation)
    if cutting.state != Cutting.State.DONE:
        return CuttingReply(**_row(cutting), options=options, groups=[], without=[])
    result = cuttings.result_of(cutting)
    counts = {item.pk: on_shelf(item) for item in items_of(request)}
    groups, first = [], 1
    for group in result.groups:
        groups.append(group_reply(group, first, counts, cutting.booked is not None, notation))
        first += len(group.layout.sheets)
    return CuttingReply(
        **_row(cutting),
        options=options,
        groups=groups,
        without=list(result.without),
        changed=[] if cutting.booked else cuttings.changed_since(cutting),
    )


@router.post(
    "/cuttings/{uuid:cutting_id}/cancel",
    response={200: CuttingRow, 404: Problem},
    operation_id="cancelCutting",
)
def cancel_cutting(request: HttpRequest, cutting_id: uuid.UUID) -> CuttingRow:
    """Say that a layout is not wanted any more."""
    return CuttingRow(**_row(work.cancel(cutting_of(request, cutting_id))))


_BOOK = {200: CuttingRow, 404: Problem, 409: Problem, 422: Problem}


@router.post("/cuttings/{uuid:cutting_id}/book", response=_BOOK, operation_id="bookCutting")
def book_cutting(request: HttpRequest, cutting_id: uuid.UUID) -> CuttingRow:
    """It was cut: take its stock off the shelf, and put its offcuts back."""
    return CuttingRow(**_row(cuttings.book(cutting_of(request, cutting_id), person(request))))


@router.post("/cuttings/{uuid:cutting_id}/unbook", response=_BOOK, operation_id="unbookCutting")
def unbook_cutting(request: HttpRequest, cutting_id: uuid.UUID) -> CuttingRow:
    """It was not cut after all."""
    return CuttingRow(**_row(cuttings.unbook(cutting_of(request, cutting_id), person(request))))


def _sheets(result: CutResult, notation: Notation) -> list[tuple[CutGroup, CutSheet, Drawing]]:
    found: list[tuple[CutGroup, CutSheet, Drawing]] = []
    for group in result.groups:
        blanks = {blank.id: blank for blank in group.blanks}
        for sheet in group.layout.sheets:
            number = len(found) + 1
            found.append((group, sheet, draw_sheet(sheet, number, blanks, group.material, notation)))
    return found


def _table(result: CutResult) -> str:
    sheets = [sheet for group in result.groups for sheet in group.layout.sheets]
    return cuts_csv(sheets, {blank.id: blank for group in result.groups for blank in group.blanks})


@router.get(
    "/cuttings/{uuid:cutting_id}/cuts.csv",
    response={404: Problem, 422: Problem},
    operation_id="takeCuts",
)
def take_cuts(request: HttpRequest, cutting_id: uuid.UUID) -> HttpResponse:
    """The cuts as a table for a guillotine."""
    cutting = cutting_of(request, cutting_id)
    return file_response(
        _table(cuttings.result_of(cutting)), cutting.title, "-cuts.csv", "text/csv; charset=utf-8"
    )


@router.get(
    "/cuttings/{uuid:cutting_id}/sheets.pdf",
    response={404: Problem, 422: Problem},
    operation_id="takeCuttingSheets",
    throttle=HEAVY,
)
def take_sheets(
    request: HttpRequest, cutting_id: uuid.UUID, paper: Literal["a4", "letter"] | None = Query(None)
) -> HttpResponse:
    """Every sheet to scale with its cuts in order."""
    cutting = cutting_of(request, cutting_id)
    notation = notation_of(request)
    sheets = []
    for group, sheet, drawing in _sheets(cuttings.result_of(cutting), notation):
        cuts = cut_rows(sheet, {blank.id: blank for blank in group.blanks}, notation)
        table = [(str(cut.number), cut.part, cut.gauge, cut.setting, cut.falls) for cut in cuts]
        sheets.append((drawing, table))
    content = cutting_sheets_pdf(sheets, cutting.title, paper or preferences_of(person(request)).paper)
    return file_response(content, cutting.title, "-cutting.pdf", "application/pdf")


@router.get(
    "/cuttings/{uuid:cutting_id}/sheet-{int:number}.pdf",
    response={404: Problem, 422: Problem},
    operation_id="takeSheetTrueSize",
    throttle=HEAVY,
)
def take_true_size(
    request: HttpRequest,
    cutting_id: uuid.UUID,
    number: int,
    paper: Literal["a4", "letter"] | None = Query(None),
) -> HttpResponse:
    """One sheet at true size, over as many pages as it takes."""
    cutting, drawing = _one_sheet(request, cutting_id, number)
    content = true_size_pdf((drawing,), cutting.title, paper or preferences_of(person(request)).paper)
    return file_response(content, cutting.title, f"-sheet-{number}.pdf", "application/pdf")


@router.get(
    "/cuttings/{uuid:cutting_id}/sheet-{int:number}.svg",
    response={404: Problem, 422: Problem},
    operation_id="takeSheetSvg",
)
def take_svg(request: HttpRequest, cutting_id: uuid.UUID, number: int) -> HttpResponse:
    """One sheet as SVG at true size."""
    cutting, drawing = _one_sheet(request, cutting_id, number)
    return file_response(drawing_svg(drawing), cutting.title, f"-sheet-{number}.svg", "image/svg+xml")


@router.get(
    "/cuttings/{uuid:cutting_id}/sheets.dxf",
    response={404: Problem, 422: Problem},
    operation_id="takeSheetsDxf",
)
def take_dxf(request: HttpRequest, cutting_id: uuid.UUID) -> HttpResponse:
    """Every sheet side by side as DXF, a layer for each meaning."""
    cutting = cutting_of(request, cutting_id)
    drawings = [drawing for _, _, drawing in _sheets(cuttings.result_of(cutting), notation_of(request))]
    return file_response(drawing_dxf(drawings), cutting.title, "-sheets.dxf", "image/vnd.dxf")


def _one_sheet(request: HttpRequest, cutting_id: uuid.UUID, number: int) -> tuple[Cutting, Drawing]:
    cutting = cutting_of(request, cutting_id)
    sheets = _sheets(cuttings.result_of(cutting), notation_of(request))
    if not 1 <= number <= len(sheets):
        raise Http404
    return cutting, sheets[number - 1][2]


@router.post(
    "/cuttings/{uuid:cutting_id}/guillotine",
    response={200: GuillotineReply, 404: Problem, 422: Problem},
    operation_id="tryGuillotine",
    throttle=HEAVY,
)
def try_guillotine(request: HttpRequest, cutting_id: uuid.UUID) -> GuillotineReply:
    """Cut by the table of cuts on the simulated guillotine, and look at what falls."""
    cutting = cutting_of(request, cutting_id)
    result = cuttings.result_of(cutting)
    table, notation = _table(result), notation_of(request)
    kerf = cuttings.options_of(cutting).shears.kerf
    fallen = tally(cut(table, kerf), [blank for group in result.groups for blank in group.blanks])
    right = all(each.right for each in fallen)
    return GuillotineReply(
        pieces=[
            FallenPiece(
                name=each.name,
                count=each.count,
                size=f"{notation.length(each.width)} × {notation.length(each.height, True)}",
                grain=GRAIN_NEEDED[each.grain] if each.grain else "not known",
                right=each.right,
            )
            for each in fallen
        ],
        cuts=table.count("\n") - 1,
        message="Every piece falls, at its size and with its grain right."
        if right
        else "Not every piece falls as it should; lay it out again.",
        right=right,
    )
