"""The week over HTTP: what is laid out, promises, wishes, the order of books, and calendars."""

import uuid
from datetime import date, datetime, time, timedelta
from typing import Literal
from zoneinfo import ZoneInfo

from django.db import transaction
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from django.urls import reverse
from ninja import Query, Router, Schema, Status

from weald.core.errors import SpecError
from weald.core.schedule.hours import moment_of
from weald.core.schedule.problem import TaskId
from weald.core.schedule.promising import Answer
from weald.core.schedule.stints import Stint
from weald.core.schedule.telling import moment_in_words
from weald.core.schedule.week import JobInWeek, NowLine, Together, Waiting
from weald.exchange.week_csv import week_csv
from weald.exchange.week_ics import week_ics
from weald.exchange.week_sheet import week_sheet_pdf
from weald.web import work
from weald.web.accounts.services import preferences_of, workplace_of
from weald.web.api.downloads import file_response
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import PaperName, Problem
from weald.web.jobs.models import Job
from weald.web.times import Day, Moment
from weald.web.week import services
from weald.web.week.books import Unlaid, laid_out_jobs, open_jobs
from weald.web.week.models import Laying

router = Router(tags=["week"])
_READY_FROM = time(18, 0)
"""What is promised for a day is promised for that time of it, unless another is said."""
_MOST_WAITING = 40


class HoursReply(Schema):
    """A stretch of time in which somebody is there."""

    begins: datetime
    ends: datetime


class PersonInWeek(Schema):
    """Somebody who works here, and when."""

    id: str
    name: str
    hours: list[HoursReply]


class PlaceInWeek(Schema):
    """A press, or all frames of a kind."""

    id: str
    name: str
    room: int


class LayingReply(Schema):
    """An order that was made or is being made; ``words`` say how good it is."""

    id: uuid.UUID
    state: Literal["waiting", "working", "done", "failed", "cancelled"]
    done: int
    message: str
    author: str
    asked: datetime
    words: str


class WeekReply(Schema):
    """The open books laid over people, places and time.

    ``running`` is an order being looked for; ``order`` the one in use. ``not_in_it`` are open jobs nobody has
    taken up.
    """

    now: datetime
    zone: str
    begins: datetime
    ends: datetime
    days: list[datetime]
    people: list[PersonInWeek]
    places: list[PlaceInWeek]
    stints: list[Stint]
    waits: list[Waiting]
    todo: list[NowLine]
    jobs: list[JobInWeek]
    together: list[Together]
    remarks: list[str]
    unlaid: list[Unlaid]
    not_in_it: list[Unlaid]
    order: LayingReply | None
    running: LayingReply | None


def laying_reply(laying: Laying) -> LayingReply:
    """An order as it goes over the wire."""
    result = laying.result or {}
    words = ""
    if result.get("best"):
        words = "No order is better in promises kept and in when all is ready."
    elif result.get("off") is not None:
        words = f"At most {max(1, round(100 * result['off']))} % could be gained by another order."
    elif laying.state == Laying.State.DONE:
        words = "How good it is cannot be said: for some of it no time was found."
    names = ("id", "state", "done", "message", "asked")
    return LayingReply(**{name: getattr(laying, name) for name in names}, author=laying.asked_by, words=words)


def _days(first: date, count: int, zone: str) -> list[datetime]:
    """The midnights of so many days and the one after, by the workshop's clock."""
    return [datetime.combine(first + timedelta(days=n), time(), ZoneInfo(zone)) for n in range(count + 1)]


def week_reply(request: HttpRequest, laid: services.LaidOut, first: date | None, count: int) -> WeekReply:
    """What is laid out, cut to some days; what was before now is not laid out any more."""
    workshop, notation = workshop_of(request), notation_of(request)
    week, zone = laid.week(), laid.workplace.zone
    today = laid.now.astimezone(ZoneInfo(zone)).date()
    days = _days(first or today, count, zone)
    begins, ends = days[0], days[-1]
    hours = {hand.id: hand.windows for hand in laid.posed.problem.hands}
    layings = list(workshop.layings.order_by("-asked")[:1])
    running = layings[0] if layings and layings[0].state in ("waiting", "working") else None
    known = laid_out_jobs(workshop).values("pk")
    waiting = open_jobs(workshop).exclude(pk__in=known).order_by("-updated")[:_MOST_WAITING]
    return WeekReply(
        now=laid.now,
        zone=zone,
        begins=begins,
        ends=ends,
        days=days,
        people=[
            PersonInWeek(
                id=each.id,
                name=each.name,
                hours=[
                    HoursReply(begins=moment_of(w.begins, laid.now), ends=moment_of(w.ends, laid.now))
                    for w in hours[each.id]
                    if moment_of(w.ends, laid.now) > begins and moment_of(w.begins, laid.now) < ends
                ],
            )
            for each in laid.workplace.people
        ],
        places=[PlaceInWeek(id=unit.id, name=unit.name, room=unit.room) for unit in laid.posed.problem.units],
        stints=[each for each in week.stints if each.ends > begins and each.begins < ends],
        waits=[each for each in week.waits if each.ends > begins and each.begins < ends],
        todo=list(week.todo),
        jobs=list(week.jobs),
        together=list(week.together),
        remarks=list(week.remarks),
        unlaid=list(laid.open.unlaid),
        not_in_it=[
            Unlaid(job.pk, job.title, notation.read(job.to_mind) if job.stops else "") for job in waiting
        ],
        order=laying_reply(laid.laying) if laid.laying else None,
        running=laying_reply(running) if running else None,
    )


@router.get("/week", response=WeekReply, operation_id="openWeek")
def open_week(
    request: HttpRequest, first: Day | None = Query(None), days: int = Query(7, ge=1, le=28)
) -> WeekReply:
    """The open books laid over people, places and time, as they stand now."""
    laid = services.laid_out(workshop_of(request), notation_of(request))
    return week_reply(request, laid, first, days)


@router.post("/week/lay-out", response={201: LayingReply}, operation_id="layBooksOut", throttle=HEAVY)
def lay_books_out(request: HttpRequest) -> Status:
    """Have the best order looked for."""
    return Status(201, laying_reply(services.ask_for_laying(workshop_of(request), person(request))))


def _laying_of(request: HttpRequest, laying_id: uuid.UUID) -> Laying:
    return get_object_or_404(workshop_of(request).layings.select_related("author"), pk=laying_id)


@router.get(
    "/week/layings/{uuid:laying_id}", response={200: LayingReply, 404: Problem}, operation_id="openLaying"
)
def open_laying(request: HttpRequest, laying_id: uuid.UUID) -> LayingReply:
    """How far the search for an order has come."""
    return laying_reply(_laying_of(request, laying_id))


@router.post(
    "/week/layings/{uuid:laying_id}/cancel",
    response={200: LayingReply, 404: Problem},
    operation_id="cancelLaying",
)
def cancel_laying(request: HttpRequest, laying_id: uuid.UUID) -> LayingReply:
    """Say that an order is not wanted any more."""
    return laying_reply(work.cancel(_laying_of(request, laying_id)))


@router.post(
    "/week/layings/{uuid:laying_id}/put-aside",
    response={204: None, 404: Problem},
    operation_id="putLayingAside",
)
def put_laying_aside(request: HttpRequest, laying_id: uuid.UUID) -> Status:
    """Go back to the order before this one."""
    services.put_aside(_laying_of(request, laying_id), person(request))
    return Status(204, None)


@router.get("/week.ics", operation_id="weekIcs", throttle=HEAVY)
def take_calendar(request: HttpRequest) -> HttpResponse:
    """All that is laid out, as iCalendar."""
    laid = services.laid_out(workshop_of(request), notation_of(request))
    name = workshop_of(request).name
    return file_response(
        week_ics(laid.week(), name, laid.people), name, "-week.ics", "text/calendar; charset=utf-8"
    )


@router.get("/week.csv", operation_id="weekCsv", throttle=HEAVY)
def take_table(request: HttpRequest) -> HttpResponse:
    """All that is laid out, as a table."""
    laid = services.laid_out(workshop_of(request), notation_of(request))
    name = workshop_of(request).name
    places = {unit.id: unit.name for unit in laid.posed.problem.units}
    return file_response(
        week_csv(laid.week(), laid.people, places), name, "-week.csv", "text/csv; charset=utf-8"
    )


@router.get("/week.pdf", operation_id="weekSheet", throttle=HEAVY)
def take_sheet(
    request: HttpRequest,
    first: Day | None = Query(None),
    days: int = Query(7, ge=1, le=28),
    paper: PaperName | None = Query(None),
) -> HttpResponse:
    """The week as a sheet for the wall."""
    laid = services.laid_out(workshop_of(request), notation_of(request))
    name, zone = workshop_of(request).name, laid.workplace.zone
    begins = first or laid.now.astimezone(ZoneInfo(zone)).date()
    chosen = paper or preferences_of(person(request)).paper
    content = week_sheet_pdf(laid.week(), name, zone, laid.people, begins, days, chosen)
    return file_response(content, name, "-week.pdf", "application/pdf", inline=True)


class Move(Schema):
    """An operation wanted at a certain time; with none, it is laid out freely again.

    ``held``: only say what it would cost.
    """

    job: int
    operation: str
    begins: Moment | None = None
    worker: str = ""
    held: bool = False


class MoveReply(Schema):
    """What a move does: to which books, in words, and whether it could be kept."""

    kept: bool
    words: list[str]


@router.post("/week/move", response={200: MoveReply, 404: Problem, 422: Problem}, operation_id="moveStep")
def move_step(request: HttpRequest, move: Move) -> MoveReply:
    """Put an operation to a time, or let it go again; says what that costs."""
    workshop, notation = workshop_of(request), notation_of(request)
    job = job_of(request, move.job)
    before = services.laid_out(workshop, notation)
    book = next((each for each in before.open.books if each.job == str(job.pk)), None)
    operation = next((each for each in book.operations if each.id == move.operation), None) if book else None
    if book is None or operation is None:
        raise Http404
    if move.worker and move.worker not in {each.id for each in before.workplace.people}:
        raise SpecError({"worker": "There is nobody of that name here."})
    begins = move.begins and services.next_there(before, job, operation.id, move.begins, move.worker)
    with transaction.atomic():
        services.wish(job, person(request), operation.id, operation.title, begins, move.worker)
        after = services.laid_out(workshop, notation, before.now)
        transaction.set_rollback(move.held)
    task = TaskId.of(str(job.pk), operation.id)
    lost = task in after.layout.unpinned
    words = list(services.differences(before, after))
    if lost:
        words.insert(
            0, "It cannot be kept at that time: something before it is not done, or nobody is there."
        )
    elif (placed := after.layout.by_id.get(task)) is not None:
        at = moment_in_words(moment_of(placed.begins, after.now), after.workplace.zone, after.now)
        words.insert(0, f"“{operation.title}” begins {at}.")
    return MoveReply(kept=not lost, words=words)


class PromiseChange(Schema):
    """By when a job is promised; for a day alone, for six in the evening."""

    promised: Day | None = None
    at: time | None = None
    taken_up: bool = False


class PromiseReply(Schema):
    """What is agreed about a job, and how it stands in the week; none where it is not laid out."""

    promised: datetime | None
    taken_up: bool
    in_week: JobInWeek | None
    why_not: str


def _promise_reply(request: HttpRequest, job: Job) -> PromiseReply:
    laid = services.laid_out(workshop_of(request), notation_of(request))
    stands = next((each for each in laid.week().jobs if each.job == str(job.pk)), None)
    why = next((each.words for each in laid.open.unlaid if each.job == job.pk), "")
    commission = getattr(Job.objects.select_related("commission").get(pk=job.pk), "commission", None)
    return PromiseReply(
        promised=commission.promised if commission else None,
        taken_up=commission.taken_up if commission else False,
        in_week=stands,
        why_not=why,
    )


@router.get(
    "/jobs/{int:job_id}/promise", response={200: PromiseReply, 404: Problem}, operation_id="openPromise"
)
def open_promise(request: HttpRequest, job_id: int) -> PromiseReply:
    """By when a job is promised, and how it stands."""
    return _promise_reply(request, job_of(request, job_id))


@router.put(
    "/jobs/{int:job_id}/promise",
    response={200: PromiseReply, 404: Problem, 422: Problem},
    operation_id="promiseJob",
)
def promise_job(request: HttpRequest, job_id: int, change: PromiseChange) -> PromiseReply:
    """Promise a job for a date, take it into the week, or out of it."""
    job = job_of(request, job_id)
    zone = workplace_of(workshop_of(request)).zone
    promised = None
    if (day := change.promised) is not None:
        promised = datetime.combine(day, change.at or _READY_FROM, ZoneInfo(zone))
    services.promise(job, person(request), promised, change.taken_up)
    return _promise_reply(request, job)


@router.get(
    "/jobs/{int:job_id}/when",
    response={200: Answer, 404: Problem, 422: Problem},
    operation_id="whenReady",
    throttle=HEAVY,
)
def when_ready(request: HttpRequest, job_id: int) -> Answer:
    """When a job could be ready, without and with disturbing the others, and what would help."""
    job = job_of(request, job_id)
    return services.could_be_ready(job, notation_of(request))


class FeedReply(Schema):
    """Whether there is an address for calendars; the address itself is shown once, when it is made."""

    there: bool
    address: str


@router.get("/week/feed", response=FeedReply, operation_id="openFeed")
def open_feed(request: HttpRequest) -> FeedReply:
    """Whether one has an address for calendars."""
    return FeedReply(there=workshop_of(request).feeds.filter(author=person(request)).exists(), address="")


@router.post("/week/feed", response={201: FeedReply}, operation_id="makeFeed")
def make_feed(request: HttpRequest) -> Status:
    """An address for calendars, in place of the one before."""
    token = services.new_feed(workshop_of(request), person(request))
    address = request.build_absolute_uri(reverse("calendar", args=[token]))
    return Status(201, FeedReply(there=True, address=address))


@router.delete("/week/feed", response={204: None}, operation_id="withdrawFeed")
def withdraw_feed(request: HttpRequest) -> Status:
    """Make the address of one's calendars worthless."""
    services.withdraw_feed(workshop_of(request), person(request))
    return Status(204, None)
