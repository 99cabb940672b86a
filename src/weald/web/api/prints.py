"""Imposed files over HTTP: asked for, watched, taken."""

import tempfile
import uuid
from datetime import datetime
from pathlib import Path
from typing import Literal

from django.http import FileResponse, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Query, Router, Schema, Status
from pydantic import Field

from weald.core.forme.layout import Face, Flip
from weald.core.notation import Notation
from weald.core.planning.telling import label_of
from weald.core.press.press import Press, press
from weald.core.press.reading import fold_and_read, verdicts
from weald.core.press.shift_sheet import draw_shift_sheet
from weald.exchange.drawn_sheets import drawn_sheets_pdf
from weald.exchange.foreign import impose_pdf, page_png, read_imposed
from weald.exchange.reports import WIDEST, Order
from weald.standins.duplex_printer import Mishap, Run, back_half_turned, print_pile, turned_sections
from weald.web import work
from weald.web.api.downloads import file_response, name_file
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, person
from weald.web.api.printers import printer_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.api.texts import picture_response
from weald.web.jobs.models import Job
from weald.web.printing import services
from weald.web.printing.files import at_hand, print_name, stream
from weald.web.printing.models import PrintFile

router = Router(tags=["prints"])
Part = Literal["whole", "fronts", "backs", "signatures"]
PrintState = Literal["waiting", "working", "done", "failed", "cancelled"]
_FACES: tuple[Face, Face] = ("front", "back")


class PrintOrder(Schema):
    """Which part of a job is to be imposed."""

    part: Part = "whole"


class PrintReply(Schema):
    """An imposed file, how far it has come, and what was decided otherwise since."""

    id: uuid.UUID
    part: Part
    state: PrintState
    total: int
    done: int
    message: str
    size: int
    author: str
    asked: datetime
    finished: datetime | None
    changed_since: list[str]


def _reply(made: PrintFile, job: Job, notation: Notation) -> PrintReply:
    return PrintReply.model_validate(
        {
            **{name: getattr(made, name) for name in _SHOWN},
            "author": made.asked_by,
            "changed_since": [label_of(path, notation) for path in services.changed_since(made, job)],
        }
    )


_SHOWN = ("id", "part", "state", "total", "done", "message", "size", "asked", "finished")


def print_of(job: Job, print_id: uuid.UUID) -> PrintFile:
    """An imposed file of a job.

    :raises django.http.Http404: when there is none.
    """
    return get_object_or_404(PrintFile.objects.select_related("author", "change"), job=job, pk=print_id)


@router.get(
    "/jobs/{int:job_id}/prints", response={200: list[PrintReply], 404: Problem}, operation_id="listPrints"
)
def list_prints(request: HttpRequest, job_id: int) -> list[PrintReply]:
    """The imposed files of a job, newest first."""
    job = job_of(request, job_id)
    notation = notation_of(request)
    prints = job.prints.select_related("author", "change").order_by("-asked")[:50]
    return [_reply(made, job, notation) for made in prints]


@router.post(
    "/jobs/{int:job_id}/prints",
    response={201: PrintReply, 404: Problem, 422: Problem},
    operation_id="askForPrint",
    throttle=HEAVY,
)
def ask_for_print(request: HttpRequest, job_id: int, order: PrintOrder) -> Status:
    """Have a job imposed, as it stands now."""
    job = job_of(request, job_id)
    return Status(
        201, _reply(services.ask_for_print(job, person(request), order.part), job, notation_of(request))
    )


@router.post(
    "/jobs/{int:job_id}/prints/{uuid:print_id}/cancel",
    response={200: PrintReply, 404: Problem},
    operation_id="cancelPrint",
)
def cancel_print(request: HttpRequest, job_id: int, print_id: uuid.UUID) -> PrintReply:
    """Say that a file is not wanted any more."""
    job = job_of(request, job_id)
    return _reply(work.cancel(print_of(job, print_id)), job, notation_of(request))


@router.post(
    "/jobs/{int:job_id}/prints/{uuid:print_id}/again",
    response={200: PrintReply, 404: Problem},
    operation_id="runPrintAgain",
    throttle=HEAVY,
)
def run_again(request: HttpRequest, job_id: int, print_id: uuid.UUID) -> PrintReply:
    """Impose a file once more that failed or was cancelled."""
    job = job_of(request, job_id)
    return _reply(work.run_again(print_of(job, print_id)), job, notation_of(request))


@router.delete(
    "/jobs/{int:job_id}/prints/{uuid:print_id}",
    response={204: None, 404: Problem},
    operation_id="throwPrintAway",
)
def throw_print_away(request: HttpRequest, job_id: int, print_id: uuid.UUID) -> Status:
    """Forget an imposed file."""
    services.throw_print_away(print_of(job_of(request, job_id), print_id))
    return Status(204, None)


@router.get(
    "/jobs/{int:job_id}/prints/{uuid:print_id}/file",
    response={404: Problem},
    operation_id="takePrint",
)
def take_print(request: HttpRequest, job_id: int, print_id: uuid.UUID) -> HttpResponse:
    """An imposed file, whole."""
    job = job_of(request, job_id)
    made = get_object_or_404(PrintFile, job=job, pk=print_id, state=PrintFile.State.DONE)
    content = stream(print_name(made))
    kind = "application/zip" if made.ending == ".zip" else "application/pdf"
    response = FileResponse(content, content_type=kind)
    name_file(response, job.title, f"-{made.part}{made.ending}")
    return response  # type: ignore[return-value]


def _imposed(ready: Press, text: Path | None, order: Order) -> bytes:
    with tempfile.TemporaryDirectory(prefix="weald-") as folder:
        path = Path(folder) / "out.pdf"
        impose_pdf(ready, text, path, order)
        return path.read_bytes()


@router.get(
    "/jobs/{int:job_id}/test-sheet.pdf",
    response={404: Problem, 422: Problem},
    operation_id="testSheet",
    throttle=HEAVY,
)
def test_sheet(request: HttpRequest, job_id: int) -> HttpResponse:
    """The first sheet of a job, both sides, to try the printer with."""
    job = job_of(request, job_id)
    ready = services.ready_to_print(job, job.spec, notation_of(request))
    content = _imposed(ready, services.text_of(job, ready.spec), Order(one_sheet=True))
    return file_response(content, job.title, "-test-sheet.pdf", "application/pdf")


@router.get(
    "/jobs/{int:job_id}/fold-dummy.pdf",
    response={404: Problem, 422: Problem},
    operation_id="foldDummy",
    throttle=HEAVY,
)
def fold_dummy(request: HttpRequest, job_id: int, section: int = Query(1, ge=1)) -> HttpResponse:
    """One signature at true size with nothing on it but page numbers, to fold."""
    job = job_of(request, job_id)
    ready = services.ready_to_print(job, job.spec, notation_of(request))
    section = min(section, len(ready.sections))
    order = Order(content="numbers", sections=frozenset({section}))
    return file_response(_imposed(ready, None, order), job.title, "-fold-dummy.pdf", "application/pdf")


@router.get(
    "/jobs/{int:job_id}/back-shift.pdf", response={404: Problem}, operation_id="backShift", throttle=HEAVY
)
def back_shift(request: HttpRequest, job_id: int) -> HttpResponse:
    """A sheet to measure how far the printer's backs stand off."""
    job = job_of(request, job_id)
    spec = job.spec
    ready = press(spec)
    layout, turned = ready.layout, ready.backs_half_turned
    drawings = [
        (draw_shift_sheet(layout.width, layout.height, face), face == "back" and turned) for face in _FACES
    ]
    content = drawn_sheets_pdf(drawings, f"{job.title}: back shift")
    return file_response(content, job.title, "-back-shift.pdf", "application/pdf")


class TryOrder(Schema):
    """How the simulated printer is set, and the mishap to befall the pile.

    Without ``printer_id`` it is the printer the job was planned for.
    """

    flip: Flip
    printer_id: int | None = None
    mishap: Mishap = "none"
    first: int = Field(1, ge=1, le=100000)
    second: int = Field(2, ge=1, le=100000)


class TriedSheet(Schema):
    """One sheet as it lies in the pile: its file pages, and whether its back came out half turned."""

    number: int
    front: int
    back: int
    back_half_turned: bool


class TriedPage(Schema):
    """One page of the folded book as it was read."""

    section: int
    expected: int | None
    found: int | None
    upright: bool
    right: bool
    sheet: int | None


class TriedVerdict(Schema):
    """What a binder would find, and how to put it right."""

    severity: Literal["good", "mind", "stop"]
    message: str
    remedy: str


class TryReply(Schema):
    """What came out of the simulated printer, folded and read."""

    sheets: list[TriedSheet]
    pages: list[TriedPage]
    verdicts: list[TriedVerdict]


@router.post(
    "/jobs/{int:job_id}/prints/{uuid:print_id}/try",
    response={200: TryReply, 404: Problem, 422: Problem},
    operation_id="tryPrint",
    throttle=HEAVY,
)
def try_print(request: HttpRequest, job_id: int, print_id: uuid.UUID, order: TryOrder) -> TryReply:
    """Print a file on the simulated printer, fold what comes out, and read it."""
    made = whole_print_of(job_of(request, job_id), print_id)
    ready = press(made.change.job_spec, notation_of(request))
    sizes = [ready.printed_size(sheet) for sheet in ready.sheets]
    printer = ready.spec.printing.printer
    if order.printer_id is not None:
        printer = printer_of(request, order.printer_id)
    run = Run(printer, order.flip, order.mishap, order.first, order.second)
    pile = print_pile(read_imposed(at_hand(print_name(made))), sizes, run)
    read = fold_and_read(ready, pile, turned_sections(run))
    return TryReply(
        sheets=[
            TriedSheet(
                number=sheet.number,
                front=2 * sheet.number - 1,
                back=2 * sheet.number,
                back_half_turned=back_half_turned(*sizes[sheet.number - 1], run),
            )
            for sheet in pile
        ],
        pages=[TriedPage.from_orm(page) for page in read],
        verdicts=[TriedVerdict.from_orm(each) for each in verdicts(ready, pile, read, run.flip)],
    )


def whole_print_of(job: Job, print_id: uuid.UUID) -> PrintFile:
    """An imposed file that is done and holds fronts and backs.

    :raises django.http.Http404: when there is none.
    """
    done, whole = PrintFile.State.DONE, PrintFile.Part.WHOLE
    return get_object_or_404(
        PrintFile.objects.select_related("change"), job=job, pk=print_id, state=done, part=whole
    )


@router.get(
    "/jobs/{int:job_id}/prints/{uuid:print_id}/pages/{int:number}.png",
    response={404: Problem, 422: Problem},
    operation_id="printPage",
    throttle=HEAVY,
)
def print_page(
    request: HttpRequest,
    job_id: int,
    print_id: uuid.UUID,
    number: int,
    width: int = Query(400, ge=40, le=WIDEST),
    half_turn: bool = Query(False),
) -> HttpResponse:
    """A side of an imposed file as a picture, half turned where the printer turned it."""
    made = whole_print_of(job_of(request, job_id), print_id)
    return picture_response(page_png(at_hand(print_name(made)), number, width, half_turn))
