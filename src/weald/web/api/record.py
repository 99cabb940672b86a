"""The record over HTTP: what was done, pictures of it, the colophon, and the book made again."""

import uuid
from datetime import date, datetime

from django.http import FileResponse, Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Query, Router, Schema, Status

from weald.core.bench.record import Recorded
from weald.exchange.colophon_pdf import colophon_pdf
from weald.exchange.record_csv import record_csv
from weald.web.accounts.names import author_of
from weald.web.api.downloads import file_response
from weald.web.api.jobs import job_of, job_reply
from weald.web.api.people import notation_of, person
from weald.web.api.rates import BRINGING
from weald.web.api.schemas import JobReply, Problem
from weald.web.bench import record, services
from weald.web.bench.models import BenchPicture
from weald.web.bench.pictures import bring_picture, picture_name, throw_picture_away
from weald.web.jobs.models import Job
from weald.web.printing.files import is_kept, stream

router = Router(tags=["record"])


class Picture(Schema):
    """A picture of the work; its pixels lie at ``/api/jobs/{job}/pictures/{key}.jpg``."""

    key: uuid.UUID
    operation: str
    title: str
    caption: str
    width: int
    height: int
    author: str
    at: datetime


class RecordReply(Schema):
    """All that is on record of a book.

    ``colophon`` is set from the record; what the binder wrote themselves stands in the job.
    """

    operations: list[Recorded]
    pictures: list[Picture]
    worked_shown: str
    begun: date | None
    finished: date | None
    colophon: str


def _picture(picture: BenchPicture) -> Picture:
    names = ("key", "operation", "title", "caption", "width", "height", "at")
    return Picture(**{name: getattr(picture, name) for name in names}, author=author_of(picture))


@router.get("/jobs/{int:job_id}/record", response={200: RecordReply, 404: Problem}, operation_id="openRecord")
def open_record(request: HttpRequest, job_id: int) -> RecordReply:
    """What was done, when, by whom, and what was found."""
    job = job_of(request, job_id)
    made = record.record_of_job(job, notation_of(request))
    pictures = job.bench_pictures.select_related("author").order_by("-pk")
    return RecordReply(
        operations=list(made.operations),
        pictures=[_picture(each) for each in pictures[:200]],
        worked_shown=made.worked_shown,
        begun=made.making.begun,
        finished=made.making.finished,
        colophon=made.colophon,
    )


@router.get("/jobs/{int:job_id}/record.csv", response={404: Problem}, operation_id="recordCsv")
def take_record(request: HttpRequest, job_id: int) -> HttpResponse:
    """The record as a table."""
    job = job_of(request, job_id)
    made = record.record_of_job(job, notation_of(request))
    return file_response(record_csv(made.operations), job.title, "-record.csv", "text/csv; charset=utf-8")


@router.get("/jobs/{int:job_id}/colophon.pdf", response={404: Problem}, operation_id="colophonPdf")
def take_colophon(request: HttpRequest, job_id: int) -> HttpResponse:
    """The colophon as a page at leaf size: the binder's own words, or those set from the record."""
    job = job_of(request, job_id)
    words = job.spec.finish.colophon.strip() or record.record_of_job(job, notation_of(request)).colophon
    return file_response(
        colophon_pdf(job.spec, words), job.title, "-colophon.pdf", "application/pdf", inline=True
    )


@router.post(
    "/jobs/{int:job_id}/pictures",
    response={201: Picture, 404: Problem, 413: Problem, 422: Problem},
    operation_id="bringPicture",
    throttle=BRINGING,
    openapi_extra={
        "requestBody": {
            "required": True,
            "content": {
                kind: {"schema": {"type": "string", "format": "binary"}}
                for kind in ("image/jpeg", "image/png", "image/webp")
            },
        }
    },
)
def add_picture(
    request: HttpRequest,
    job_id: int,
    key: uuid.UUID = Query(...),
    operation: str = Query("", max_length=40),
    caption: str = Query("", max_length=300),
) -> Status:
    """Bring a picture of the work: the body is the file itself."""
    job = job_of(request, job_id)
    made = services.planned_at_bench(job, notation_of(request))
    title = next((each.title for each in made.operations if each.id == operation), "")
    picture = bring_picture(
        job,
        person(request),
        key,
        request,
        operation=operation if title else "",
        title=title,
        caption=caption.replace("\0", ""),
    )
    return Status(201, _picture(picture))


def _picture_of(request: HttpRequest, job_id: int, key: uuid.UUID) -> BenchPicture:
    return get_object_or_404(job_of(request, job_id).bench_pictures, key=key)


@router.get("/jobs/{int:job_id}/pictures/{uuid:key}.jpg", response={404: Problem}, operation_id="picture")
def show_picture(request: HttpRequest, job_id: int, key: uuid.UUID) -> FileResponse:
    """A picture of the work."""
    picture = _picture_of(request, job_id, key)
    if not is_kept(picture_name(picture)):
        raise Http404
    response = FileResponse(stream(picture_name(picture)), content_type="image/jpeg")
    response["Cache-Control"] = "private, max-age=86400, immutable"
    return response


@router.delete(
    "/jobs/{int:job_id}/pictures/{uuid:key}",
    response={204: None, 404: Problem},
    operation_id="throwPictureAway",
)
def drop_picture(request: HttpRequest, job_id: int, key: uuid.UUID) -> Status:
    """Forget a picture."""
    throw_picture_away(_picture_of(request, job_id, key))
    return Status(204, None)


@router.post("/jobs/{int:job_id}/again", response={201: JobReply, 404: Problem}, operation_id="makeAgain")
def make_again(request: HttpRequest, job_id: int) -> Status:
    """Begin a new job from this one, starting from what was measured."""
    made: Job = record.make_again(job_of(request, job_id), person(request))
    return Status(201, job_reply(request, made))
