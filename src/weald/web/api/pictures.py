"""What the hands do, drawn, and drawings to be shared as pictures."""

from pathlib import Path
from tempfile import NamedTemporaryFile

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Query, Router

from weald.core.drawing import Drawing
from weald.core.job.spec import JobSpec
from weald.core.planning.plan import pictures
from weald.exchange.foreign import page_png
from weald.exchange.picture_sheet import picture_pdf
from weald.web.api.downloads import DRAWING, PaperChoice, drawing_of, ending_of, file_response, paper_of
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.bench.services import at_bench, planned_at_bench
from weald.web.jobs.models import Job

router = Router(tags=["pictures"])
FRAMES = "/jobs/{int:job_id}/frames"
WIDE = 1200
"""Pixels across a picture that is shared."""


def _frames(request: HttpRequest, job: Job) -> dict[str, tuple[Drawing, ...]]:
    return pictures(job.spec, notation_of(request), at_bench(job, job.workshop))


@router.get(FRAMES, response={200: dict[str, tuple[Drawing, ...]], 404: Problem}, operation_id="frames")
def every_picture(request: HttpRequest, job_id: int) -> dict[str, tuple[Drawing, ...]]:
    """The frames of every operation of a job, by the operation."""
    return _frames(request, job_of(request, job_id))


@router.get(FRAMES + "/{operation}.pdf", response={404: Problem}, operation_id="framesPdf", throttle=HEAVY)
def frames_pdf(
    request: HttpRequest, job_id: int, operation: str, paper: PaperChoice | None = Query(None)
) -> HttpResponse:
    """The frames of one operation on a page, as a PDF."""
    spec, content = _operation(request, job_id, operation, paper)
    return file_response(content, spec.title, f"{_ending(operation)}.pdf", "application/pdf", inline=True)


@router.get(FRAMES + "/{operation}.png", response={404: Problem}, operation_id="framesPng", throttle=HEAVY)
def frames_png(
    request: HttpRequest, job_id: int, operation: str, paper: PaperChoice | None = Query(None)
) -> HttpResponse:
    """The frames of one operation on a page, as a PNG."""
    spec, content = _operation(request, job_id, operation, paper)
    return file_response(_png(content), spec.title, f"{_ending(operation)}.png", "image/png", inline=True)


@router.get(DRAWING + "/picture.pdf", response={404: Problem}, operation_id="drawingPdf", throttle=HEAVY)
def drawing_as_pdf(
    request: HttpRequest, job_id: int, drawing_id: str, paper: PaperChoice | None = Query(None)
) -> HttpResponse:
    """A drawing on a page, with its scale and its sizes, as a PDF."""
    spec, drawing = drawing_of(request, job_id, drawing_id)
    content = picture_pdf((drawing,), spec.title, spec.title, paper_of(request, paper))
    return file_response(content, spec.title, f"{ending_of(drawing)}.pdf", "application/pdf", inline=True)


@router.get(DRAWING + "/picture.png", response={404: Problem}, operation_id="drawingPng", throttle=HEAVY)
def drawing_as_png(
    request: HttpRequest, job_id: int, drawing_id: str, paper: PaperChoice | None = Query(None)
) -> HttpResponse:
    """A drawing on a page, with its scale and its sizes, as a PNG."""
    spec, drawing = drawing_of(request, job_id, drawing_id)
    content = picture_pdf((drawing,), spec.title, spec.title, paper_of(request, paper))
    return file_response(_png(content), spec.title, f"{ending_of(drawing)}.png", "image/png", inline=True)


def _operation(
    request: HttpRequest, job_id: int, operation: str, paper: PaperChoice | None
) -> tuple[JobSpec, bytes]:
    job = job_of(request, job_id)
    frames = _frames(request, job).get(operation)
    if not frames:
        raise Http404
    made = planned_at_bench(job, notation_of(request))
    title = next((each.title for each in made.operations if each.id == operation), frames[0].title)
    return job.spec, picture_pdf(frames, title, job.spec.title, paper_of(request, paper))


def _ending(operation: str) -> str:
    return f"-{operation.replace('_', '-')}"


def _png(pdf: bytes) -> bytes:
    """The first page of a PDF of our own, as a PNG."""
    with NamedTemporaryFile(suffix=".pdf") as file:
        file.write(pdf)
        file.flush()
        return page_png(Path(file.name), 1, WIDE)
