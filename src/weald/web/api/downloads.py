"""A job as files to take away."""

import re
import unicodedata
from typing import Literal

from django.http import Http404, HttpRequest, HttpResponse
from django.http.response import HttpResponseBase
from django.utils.http import content_disposition_header
from ninja import Query, Router

from weald.core.drawing import Drawing
from weald.core.job.spec import JobSpec
from weald.core.planning.plan import drawn_for, plan
from weald.exchange.drawing_dxf import drawing_dxf
from weald.exchange.drawing_svg import drawing_svg
from weald.exchange.job_file import write_job_file
from weald.exchange.pieces_csv import pieces_csv
from weald.exchange.true_size import true_size_pdf
from weald.web.accounts.services import preferences_of
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, person
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem

router = Router(tags=["downloads"])
PaperChoice = Literal["a4", "letter"]


def name_file(response: HttpResponseBase, title: str, ending: str, inline: bool = False) -> None:
    """Name a file after its job, in letters every system takes."""
    seen = "".join(sign for sign in title if unicodedata.category(sign) not in ("Cc", "Cf", "Cs"))
    name = re.sub(r'[\\/:*?"<>|]+', " ", seen).strip(" .") or "job"
    header = content_disposition_header(not inline, name + ending)
    if header:
        response["Content-Disposition"] = header


def file_response(
    content: str | bytes, title: str, ending: str, kind: str, inline: bool = False
) -> HttpResponse:
    """A file named after its job."""
    response = HttpResponse(content, content_type=kind)
    name_file(response, title, ending, inline)
    return response


def _spec(request: HttpRequest, job_id: int) -> JobSpec:
    job = job_of(request, job_id)
    return job.spec


def paper_of(request: HttpRequest, asked: PaperChoice | None) -> str:
    """The paper asked for, else the person's own."""
    return asked or preferences_of(person(request)).paper


def drawing_of(request: HttpRequest, job_id: int, drawing_id: str) -> tuple[JobSpec, Drawing]:
    """A job and one of its drawings.

    :raises Http404: where it has no such drawing.
    """
    spec = _spec(request, job_id)
    made = plan(spec, notation_of(request), drawn=drawn_for(drawing_id))
    found = next((drawing for drawing in made.drawings if drawing.id == drawing_id), None)
    if found is None:
        raise Http404
    return spec, found


def ending_of(drawing: Drawing) -> str:
    """What the name of a drawing's file ends with, before its kind."""
    return "-" + drawing.id.replace(".", "-").replace("_", "-")


DRAWING = "/jobs/{int:job_id}/drawings/{drawing_id}"


@router.get(DRAWING + ".pdf", response={404: Problem}, operation_id="drawingTrueSize", throttle=HEAVY)
def drawing_true_size(
    request: HttpRequest, job_id: int, drawing_id: str, paper: PaperChoice | None = Query(None)
) -> HttpResponse:
    """A drawing at true size as a PDF, tiled over sheets where it must be."""
    spec, drawing = drawing_of(request, job_id, drawing_id)
    content = true_size_pdf((drawing,), spec.title, paper_of(request, paper))
    ending = f"{ending_of(drawing)}-true-size.pdf"
    return file_response(content, spec.title, ending, "application/pdf", inline=True)


@router.get(DRAWING + ".svg", response={404: Problem}, operation_id="drawingSvg")
def drawing_as_svg(request: HttpRequest, job_id: int, drawing_id: str) -> HttpResponse:
    """A drawing at true size as an SVG."""
    spec, drawing = drawing_of(request, job_id, drawing_id)
    return file_response(drawing_svg(drawing), spec.title, f"{ending_of(drawing)}.svg", "image/svg+xml")


@router.get(DRAWING + ".dxf", response={404: Problem}, operation_id="drawingDxf")
def drawing_as_dxf(request: HttpRequest, job_id: int, drawing_id: str) -> HttpResponse:
    """A drawing at true size as a DXF, for cutters."""
    spec, drawing = drawing_of(request, job_id, drawing_id)
    return file_response(drawing_dxf([drawing]), spec.title, f"{ending_of(drawing)}.dxf", "image/vnd.dxf")


@router.get("/jobs/{int:job_id}/pieces.csv", response={404: Problem}, operation_id="piecesCsv")
def pieces(request: HttpRequest, job_id: int) -> HttpResponse:
    """The pieces as a table."""
    spec = _spec(request, job_id)
    return file_response(pieces_csv(plan(spec)), spec.title, "-pieces.csv", "text/csv; charset=utf-8")


@router.get("/jobs/{int:job_id}/job.json", response={404: Problem}, operation_id="exportJob")
def export_job(request: HttpRequest, job_id: int) -> HttpResponse:
    """The job as a job file."""
    spec = _spec(request, job_id)
    return file_response(write_job_file(spec), spec.title, ".weald.json", "application/json")
