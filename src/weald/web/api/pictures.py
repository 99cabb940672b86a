"""What the hands do, drawn, and drawings to be shared as pictures."""

from typing import Literal

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Query, Router

from weald.core.drawing import Drawing
from weald.core.job.spec import JobSpec
from weald.core.planning.plan import pictures
from weald.exchange.picture_sheet import picture_pdf, picture_png
from weald.web.api.downloads import PaperChoice, drawing_of, ending_of, file_response, paper_of
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.bench.services import at_bench, planned_at_bench
from weald.web.jobs.models import Job

router = Router(tags=["pictures"])
PICTURES = "/jobs/{int:job_id}/pictures"
Kind = Literal["pdf", "png"]


def _pictures(request: HttpRequest, job: Job) -> dict[str, tuple[Drawing, ...]]:
    return pictures(job.spec, notation_of(request), at_bench(job, job.workshop))


@router.get(PICTURES, response={200: dict[str, tuple[Drawing, ...]], 404: Problem}, operation_id="pictures")
def every_picture(request: HttpRequest, job_id: int) -> dict[str, tuple[Drawing, ...]]:
    """The frames of every operation of a job, by the operation."""
    return _pictures(request, job_of(request, job_id))


@router.get(
    PICTURES + "/{operation}.{kind}", response={404: Problem}, operation_id="operationPicture", throttle=HEAVY
)
def one_picture(
    request: HttpRequest, job_id: int, operation: str, kind: Kind, paper: PaperChoice | None = Query(None)
) -> HttpResponse:
    """The frames of one operation on a page."""
    job = job_of(request, job_id)
    frames = _pictures(request, job).get(operation)
    if not frames:
        raise Http404
    made = planned_at_bench(job, notation_of(request))
    title = next((each.title for each in made.operations if each.id == operation), frames[0].title)
    return _shared(frames, title, job.spec, f"-{operation.replace('_', '-')}", kind, paper_of(request, paper))


@router.get(
    "/jobs/{int:job_id}/drawings/{drawing_id}/picture.{kind}",
    response={404: Problem},
    operation_id="drawingPicture",
    throttle=HEAVY,
)
def drawing_as_picture(
    request: HttpRequest, job_id: int, drawing_id: str, kind: Kind, paper: PaperChoice | None = Query(None)
) -> HttpResponse:
    """A drawing on a page, with its scale and its sizes."""
    spec, drawing = drawing_of(request, job_id, drawing_id)
    return _shared((drawing,), spec.title, spec, ending_of(drawing), kind, paper_of(request, paper))


def _shared(
    drawings: tuple[Drawing, ...], title: str, spec: JobSpec, ending: str, kind: Kind, paper: str
) -> HttpResponse:
    content, media = picture_pdf(drawings, title, spec.title, paper), "application/pdf"
    if kind == "png":
        content, media = picture_png(content), "image/png"
    return file_response(content, spec.title, f"{ending}.{kind}", media, inline=True)
