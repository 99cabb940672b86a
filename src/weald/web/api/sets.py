"""Sets over HTTP."""

from datetime import datetime
from typing import Annotated

from django.db.models import QuerySet
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Query, Router, Schema, Status
from pydantic import Field

from weald.core.drawing import Drawing
from weald.core.job.entries import Title, lengths_of
from weald.core.planning.book_set import SetPlan, SetSpec, plan_set, read_set
from weald.exchange.drawing_dxf import drawing_dxf
from weald.exchange.drawing_svg import drawing_svg
from weald.exchange.set_csv import set_csv
from weald.exchange.true_size import true_size_pdf
from weald.web.accounts.keeping import Written
from weald.web.accounts.services import preferences_of
from weald.web.api.downloads import PaperChoice, file_response
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import ChoicesMade, MeetReply, Problem, WithOthers, told_of
from weald.web.api.typed import SetInput
from weald.web.jobs.models import BookSet, Job
from weald.web.jobs.sets import begin_set, begin_volume, save_set, shared_book, spec_of

router = Router(tags=["sets"])


class SetRow(Schema):
    """A set in a list."""

    id: int
    title: str
    volumes: int
    begun: int
    updated: datetime


class SetReply(WithOthers):
    """A set opened: as it was written, as it is planned, and its lengths as they stand in their fields."""

    id: int
    version: int
    spec: SetSpec
    plan: SetPlan
    inputs: dict[str, str]


class NewSet(Schema):
    """A new set, and the job its volumes are to be like."""

    title: Title
    job: int


class SetWrite(Schema):
    """A set written; with ``job`` what the volumes share is taken from that job anew."""

    version: int
    spec: SetInput
    job: Annotated[int, Field(ge=1)] | None = None


class Begun(Schema):
    """A volume's job, begun."""

    job: int


def sets_of(request: HttpRequest) -> QuerySet[BookSet]:
    """The sets of the workshop that is asking."""
    return BookSet.objects.filter(workshop=workshop_of(request))


def _set_of(request: HttpRequest, set_id: int) -> BookSet:
    return get_object_or_404(sets_of(request), pk=set_id)


def _reply(request: HttpRequest, book_set: BookSet, written: Written | None = None) -> SetReply:
    notation, spec = notation_of(request), spec_of(book_set)
    return SetReply(
        id=book_set.pk,
        version=book_set.version,
        spec=spec,
        plan=plan_set(shared_book(book_set), spec, notation),
        inputs={path: notation.editable(value) for path, value in lengths_of(spec)},
        **told_of(SetSpec, written, notation),
    )


@router.get("/sets", response=list[SetRow], operation_id="listSets")
def list_sets(request: HttpRequest, search: str = Query("", max_length=200)) -> list[SetRow]:
    """The sets of the workshop, the one changed last first."""
    found = sets_of(request).order_by("-updated", "-id")
    words = search.replace("\0", "").strip()
    if words:
        found = found.filter(title__icontains=words)
    return [
        SetRow(
            id=each.pk,
            title=each.title,
            volumes=len(each.spec["volumes"]),
            begun=sum(bool(volume.get("job")) for volume in each.spec["volumes"]),
            updated=each.updated,
        )
        for each in found[:200]
    ]


@router.post("/sets", response={201: SetReply, 404: Problem, 422: Problem}, operation_id="beginSet")
def begin(request: HttpRequest, new: NewSet) -> Status:
    """Begin a set whose volumes are like a job of the workshop."""
    job = job_of(request, new.job)
    book = job.spec
    return Status(201, _reply(request, begin_set(workshop_of(request), new.title, book)))


@router.get("/sets/{int:set_id}", response={200: SetReply, 404: Problem}, operation_id="openSet")
def open_set(request: HttpRequest, set_id: int) -> SetReply:
    """A set, planned."""
    return _reply(request, _set_of(request, set_id))


@router.put(
    "/sets/{int:set_id}",
    response={200: SetReply, 404: Problem, 409: MeetReply, 422: Problem},
    operation_id="saveSet",
)
def write_set(request: HttpRequest, set_id: int, written: SetWrite, made: Query[ChoicesMade]) -> SetReply:
    """Write a set at the version it was read at."""
    book_set, spec = _set_of(request, set_id), read_set(written.spec, notation_of(request))
    _check_jobs(request, spec)
    book = None
    if written.job is not None:
        job = job_of(request, written.job)
        book = job.spec
    return _reply(request, *save_set(book_set, written.version, person(request), spec, book, made.settled))


def _check_jobs(request: HttpRequest, spec: SetSpec) -> None:
    """A volume names jobs of its own workshop only.

    :raises django.http.Http404: when it names another.
    """
    named = {volume.job for volume in spec.volumes if volume.job}
    if Job.objects.filter(workshop=workshop_of(request), pk__in=named).count() != len(named):
        raise Http404


@router.delete("/sets/{int:set_id}", response={204: None, 404: Problem}, operation_id="dropSet")
def drop_set(request: HttpRequest, set_id: int) -> Status:
    """Forget a set; the jobs of its volumes stay."""
    _set_of(request, set_id).delete()
    return Status(204, None)


@router.post(
    "/sets/{int:set_id}/volumes/{int:place}/job",
    response={201: Begun, 404: Problem, 422: Problem},
    operation_id="beginVolume",
)
def begin_job(request: HttpRequest, set_id: int, place: int) -> Status:
    """Begin the job of a volume, counted from 0."""
    _, job = begin_volume(_set_of(request, set_id), place, person(request))
    return Status(201, Begun(job=job.pk))


def _spines(request: HttpRequest, set_id: int) -> tuple[str, Drawing]:
    book_set = _set_of(request, set_id)
    drawing = plan_set(shared_book(book_set), spec_of(book_set), notation_of(request)).drawing
    if drawing is None:
        raise Http404
    return book_set.title, drawing


@router.get(
    "/sets/{int:set_id}/spines.pdf", response={404: Problem}, operation_id="setSpines", throttle=HEAVY
)
def spines_pdf(request: HttpRequest, set_id: int, paper: PaperChoice | None = Query(None)) -> HttpResponse:
    """All spines at true size as a PDF."""
    title, drawing = _spines(request, set_id)
    content = true_size_pdf((drawing,), title, paper or preferences_of(person(request)).paper)
    return file_response(content, title, "-spines.pdf", "application/pdf", inline=True)


@router.get("/sets/{int:set_id}/spines.svg", response={404: Problem}, operation_id="setSpinesSvg")
def spines_svg(request: HttpRequest, set_id: int) -> HttpResponse:
    """All spines as an SVG."""
    title, drawing = _spines(request, set_id)
    return file_response(drawing_svg(drawing), title, "-spines.svg", "image/svg+xml")


@router.get("/sets/{int:set_id}/spines.dxf", response={404: Problem}, operation_id="setSpinesDxf")
def spines_dxf(request: HttpRequest, set_id: int) -> HttpResponse:
    """All spines as a DXF."""
    title, drawing = _spines(request, set_id)
    return file_response(drawing_dxf([drawing]), title, "-spines.dxf", "image/vnd.dxf")


@router.get("/sets/{int:set_id}/volumes.csv", response={404: Problem}, operation_id="setTable")
def volumes_csv(request: HttpRequest, set_id: int) -> HttpResponse:
    """The volumes as a table."""
    book_set = _set_of(request, set_id)
    spec = spec_of(book_set)
    made = plan_set(shared_book(book_set), spec, notation_of(request))
    return file_response(set_csv(spec, made), book_set.title, "-volumes.csv", "text/csv; charset=utf-8")
