"""Jobs over HTTP: parse, call, answer."""

from typing import Literal, cast

from django.core.paginator import Paginator
from django.db.models import QuerySet
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Body, File, Query, Router, Status
from ninja.files import UploadedFile

from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.planning.beginnings import asked_for, job_of_beginning
from weald.core.planning.house import with_house
from weald.core.planning.telling import changed
from weald.core.stations.standing import STANDING
from weald.core.tones import tone_of
from weald.exchange.job_file import read_job_file
from weald.web.accounts.names import author_of
from weald.web.accounts.services import house_of
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.rates import BRINGING
from weald.web.api.schemas import (
    ChoicesMade,
    HistoryState,
    HistoryStep,
    JobBeginning,
    JobPage,
    JobReply,
    JobRow,
    MeetReply,
    Problem,
    Rename,
    StaleReply,
    StandAt,
    StandingBook,
    StateChange,
    Verb,
    Versioned,
)
from weald.web.api.typed import JobInput
from weald.web.jobs import services
from weald.web.jobs.models import Job
from weald.web.jobs.planned import planned
from weald.web.printing.services import text_entries

router = Router(tags=["jobs"])

PAGE_SIZE = 25
Sort = Literal["-updated", "updated", "title", "-title"]


def jobs_of(request: HttpRequest) -> QuerySet[Job]:
    """The jobs the person who is asking may see: those of their workshop."""
    return Job.objects.filter(workshop=workshop_of(request))


def job_of(request: HttpRequest, job_id: int) -> Job:
    """One of them.

    :raises django.http.Http404: when there is none, or it is another workshop's.
    """
    return get_object_or_404(jobs_of(request).select_related("head"), pk=job_id)


def job_row(job: Job, notation: Notation) -> JobRow:
    """A job as it stands in a list, for one who reads so."""
    row = JobRow.from_orm(job)
    return row.model_copy(update={"to_mind": notation.read(row.to_mind)})


def job_reply(request: HttpRequest, job: Job) -> JobReply:
    """A job as it goes over the wire."""
    can_undo, can_redo = services.can_move(job)
    return JobReply(
        **job_row(job, notation_of(request)).model_dump(),
        version=job.version,
        can_undo=can_undo,
        can_redo=can_redo,
        spec=job.spec,
    )


@router.get("/jobs", response=JobPage, operation_id="listJobs")
def list_jobs(
    request: HttpRequest,
    search: str = Query("", max_length=200),
    archived: bool = Query(False),
    state: Literal["planned", "at_bench", "finished"] | None = Query(None),
    sort: Sort = Query("-updated"),
    page: int = Query(1, ge=1, le=100000),
) -> JobPage:
    """A page of the workshop's jobs."""
    notation = notation_of(request)
    jobs = jobs_of(request).filter(archived=archived)
    words = search.replace("\0", "").strip()
    if words:
        jobs = jobs.filter(title__icontains=words)
    if state:
        jobs = jobs.filter(state=state)
    order = "-id" if sort.startswith("-") else "id"
    paginator = Paginator(jobs.order_by(sort, order), PAGE_SIZE)
    shown = paginator.get_page(page)
    return JobPage(
        jobs=[job_row(row, notation) for row in shown],
        count=paginator.count,
        page=shown.number,
        pages=paginator.num_pages,
    )


@router.get("/jobs/standing", response=list[StandingBook], operation_id="standingBooks")
def standing_books(
    request: HttpRequest, ids: list[int] = Query(..., max_length=PAGE_SIZE)
) -> list[StandingBook]:
    """The books of some jobs, drawn as they will stand; jobs there are not are left out."""
    notation = notation_of(request)
    found = {each.pk: each for each in jobs_of(request).select_related("head").filter(pk__in=ids)}
    return [_standing(found[id], notation) for id in dict.fromkeys(ids) if id in found]


def _standing(job: Job, notation: Notation) -> StandingBook:
    (drawing,) = planned(job.spec, notation, (STANDING,)).drawings
    return StandingBook(job=job.pk, drawing=drawing, tone=tone_of(job.spec.binding.cover_name))


@router.post("/jobs", response={201: JobReply, 422: Problem}, operation_id="createJob")
def create_job(request: HttpRequest, job: JobInput = Body(...)) -> Status:
    """Begin a job from a job file; what is missing takes house defaults."""
    notation, workshop = notation_of(request), workshop_of(request)
    spec = read_spec(with_house(job, house_of(workshop), notation), notation)
    return Status(201, job_reply(request, services.create_job(workshop, person(request), spec)))


@router.post("/jobs/begin", response={201: JobReply, 404: Problem, 422: Problem}, operation_id="beginJob")
def begin_job(request: HttpRequest, beginning: JobBeginning) -> Status:
    """Begin a job with what lies on the bench; what is wrong is named by what was asked."""
    notation, workshop = notation_of(request), workshop_of(request)
    text = None
    if beginning.text is not None:
        text = text_entries(get_object_or_404(workshop.texts, digest=beginning.text))
    answers = {str(ask): answer for ask, answer in beginning.answers.items()}
    job = job_of_beginning(beginning.kind, answers, text, notation)
    try:
        spec = read_spec(with_house(job, house_of(workshop), notation), notation)
    except SpecError as error:
        raise SpecError({asked_for(path): words for path, words in error.fields.items()}) from None
    return Status(201, job_reply(request, services.create_job(workshop, person(request), spec)))


@router.post(
    "/jobs/import", response={201: JobReply, 422: Problem}, operation_id="importJob", throttle=BRINGING
)
def import_job(request: HttpRequest, file: UploadedFile = File(...)) -> Status:
    """Begin a job from a job file on disk."""
    data = read_job_file(file.read()).model_dump(mode="json", exclude_unset=True)
    spec = read_spec(with_house(data, house_of(workshop_of(request))))
    summary = f"imported from {file.name}".replace("\0", "")[:300]
    made = services.create_job(workshop_of(request), person(request), spec, summary)
    return Status(201, job_reply(request, made))


@router.get("/jobs/{int:job_id}", response={200: JobReply, 404: Problem}, operation_id="openJob")
def open_job(request: HttpRequest, job_id: int) -> JobReply:
    """Open a job."""
    return job_reply(request, job_of(request, job_id))


_WRITE = {200: JobReply, 404: Problem, 409: StaleReply, 422: Problem}


@router.put(
    "/jobs/{int:job_id}",
    response={200: JobReply, 404: Problem, 409: MeetReply, 422: Problem},
    operation_id="saveJob",
)
def save_job(
    request: HttpRequest,
    job_id: int,
    made: Query[ChoicesMade],
    job: JobInput = Body(...),
    version: int = Query(..., ge=1),
) -> JobReply:
    """Save a job that was read at ``version``, together with what others have changed since."""
    notation = notation_of(request)
    spec = read_spec(job, notation)
    written = services.write_job(job_of(request, job_id), version, person(request), spec, made.settled)
    others = [notation.read(words) for words in written.others]
    return job_reply(request, written.job).model_copy(
        update={"others": others, "others_by": list(written.by)}
    )


@router.post("/jobs/{int:job_id}/rename", response=_WRITE, operation_id="renameJob")
def rename_job(request: HttpRequest, job_id: int, rename: Rename) -> JobReply:
    """Give a job another title."""
    job = job_of(request, job_id)
    return job_reply(request, services.rename_job(job, rename.version, person(request), rename.title))


@router.post("/jobs/{int:job_id}/undo", response=_WRITE, operation_id="undo")
def undo(request: HttpRequest, job_id: int, at: Versioned) -> JobReply:
    """Go back by one change."""
    return job_reply(request, services.undo(job_of(request, job_id), at.version, person(request)))


@router.post("/jobs/{int:job_id}/redo", response=_WRITE, operation_id="redo")
def redo(request: HttpRequest, job_id: int, at: Versioned) -> JobReply:
    """Go forward again."""
    return job_reply(request, services.redo(job_of(request, job_id), at.version, person(request)))


@router.post("/jobs/{int:job_id}/stand-at", response=_WRITE, operation_id="standAt")
def stand_at(request: HttpRequest, job_id: int, at: StandAt) -> JobReply:
    """Go back to how a job stood at an earlier version."""
    job = job_of(request, job_id)
    get_object_or_404(job.moves, version=at.stand_at)
    return job_reply(request, services.stand_at(job, at.version, person(request), at.stand_at))


_OTHER = {200: JobReply, 404: Problem}


@router.post(
    "/jobs/{int:job_id}/duplicate",
    response={201: JobReply, 404: Problem},
    operation_id="duplicateJob",
)
def duplicate_job(request: HttpRequest, job_id: int) -> Status:
    """Begin another job like this one."""
    return Status(201, job_reply(request, services.duplicate_job(job_of(request, job_id), person(request))))


@router.post("/jobs/{int:job_id}/archive", response=_OTHER, operation_id="archiveJob")
def archive_job(request: HttpRequest, job_id: int) -> JobReply:
    """Put a job away."""
    return job_reply(request, services.set_archived(job_of(request, job_id), True))


@router.post("/jobs/{int:job_id}/restore", response=_OTHER, operation_id="restoreJob")
def restore_job(request: HttpRequest, job_id: int) -> JobReply:
    """Take a job out again."""
    return job_reply(request, services.set_archived(job_of(request, job_id), False))


@router.post("/jobs/{int:job_id}/state", response=_OTHER, operation_id="setJobState")
def set_job_state(request: HttpRequest, job_id: int, change: StateChange) -> JobReply:
    """Say how far a job has come."""
    return job_reply(request, services.set_state(job_of(request, job_id), change.state))


@router.get(
    "/jobs/{int:job_id}/history",
    response={200: list[HistoryStep], 404: Problem},
    operation_id="jobHistory",
)
def history(request: HttpRequest, job_id: int) -> list[HistoryStep]:
    """The last steps of a job's history, newest first."""
    notation = notation_of(request)
    moves = job_of(request, job_id).moves.select_related("change", "author").order_by("-version")
    steps = []
    for move in moves[:100]:
        author = author_of(move)
        steps.append(
            HistoryStep(
                version=move.version,
                verb=cast(Verb, move.verb),
                summary=notation.read(move.change.summary),
                author=author,
                at=move.at,
            )
        )
    return steps


@router.get(
    "/jobs/{int:job_id}/history/{int:version}",
    response={200: HistoryState, 404: Problem},
    operation_id="historyState",
)
def history_state(request: HttpRequest, job_id: int, version: int) -> HistoryState:
    """How a job stood at one of its versions."""
    job = job_of(request, job_id)
    move = get_object_or_404(job.moves.select_related("change"), version=version)
    spec = move.change.job_spec
    since = changed(spec, job.spec, notation_of(request))
    return HistoryState(version=version, spec=spec, since=list(since.values()))
