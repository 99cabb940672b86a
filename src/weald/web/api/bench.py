"""The bench over HTTP: how far a job has come, what happens, and what to lay ready."""

import uuid
from datetime import datetime, timedelta
from typing import Annotated, Any, Literal, cast

from django.http import HttpRequest
from ninja import Query, Router, Schema, Status
from pydantic import Field

from weald.core.bench.cut import still_fits
from weald.core.bench.progress import EventKind, Standing
from weald.core.bench.readings import OddReadingError, ReadingUnit, averaged, read_line
from weald.core.errors import SpecError
from weald.core.planning.laying_ready import LayReady, lay_ready
from weald.core.units import parse_length
from weald.standins.instruments import INSTRUMENTS, InstrumentName, reading_of
from weald.web.accounts.names import author_of
from weald.web.api.jobs import job_of, job_reply
from weald.web.api.people import notation_of, person
from weald.web.api.schemas import JobReply, Problem
from weald.web.api.shelf import items_of
from weald.web.bench import services
from weald.web.bench.telling import cut_size, words_of
from weald.web.jobs.models import Job
from weald.web.shelf.services import on_shelf

router = Router(tags=["bench"])
MOST_LOGGED = 200


class Entry(Schema):
    """Something that happens: which operation, and the device's own key for it.

    ``insist``: it is meant so, although what it waits for is not over, or a size is doubted. ``found`` is
    what was otherwise at a look, or a measurement as typed; empty takes it back. ``ago`` is how many
    seconds ago it was by the device's clock, where ``late`` says that the device was away from the server
    meanwhile.
    """

    key: uuid.UUID
    kind: EventKind
    operation: Annotated[str, Field(max_length=40)] = ""
    note: Annotated[str, Field(max_length=2000)] = ""
    insist: bool = False
    look: Annotated[str, Field(max_length=60)] = ""
    found: Annotated[str, Field(max_length=300)] = ""
    quantity: Annotated[str, Field(max_length=60)] = ""
    piece: Annotated[str, Field(max_length=40)] = ""
    device_at: datetime | None = None
    ago: Annotated[float, Field(ge=0, le=1e9)] = 0.0
    late: bool = False


class Logged(Schema):
    """Something that happened, newest first in a log; ``words`` say what was found, measured or cut."""

    key: uuid.UUID
    kind: EventKind
    operation: str
    title: str
    note: str
    words: str
    early: bool
    author: str
    at: datetime


class PieceCut(Schema):
    """A piece that is cut, with the size it was cut to; ``fits``: the plan still wants it so."""

    piece: str
    label: str
    count: int
    shown: str
    fits: bool


class BenchReply(Schema):
    """How far a job has come, by the server's clock.

    ``version`` is that of the job, whose measurements may have been taken on another device. ``cut_short`` is
    under way though the plan has it no more.
    """

    now: datetime
    version: int
    standings: list[Standing]
    cut: list[PieceCut]
    cut_short: list[str]
    log: list[Logged]


class ToldReply(BenchReply):
    """The same, with what follows from what was told: pieces that change, cut or not.

    ``job`` is the job as it stands, where a measurement changed it.
    """

    follows: list[str]
    job: JobReply | None = None


def _reply(request: HttpRequest, job: Job) -> dict[str, Any]:
    notation = notation_of(request)
    made = services.bench_of(job, notation)
    rows = job.bench_events.select_related("author").order_by("-pk")[:MOST_LOGGED]
    return {
        "now": made.now,
        "version": job.version,
        "standings": list(made.standings),
        "cut": [
            PieceCut(
                piece=each.piece,
                label=each.label,
                count=each.count,
                shown=cut_size(each, notation),
                fits=still_fits(made.plan.pieces, each),
            )
            for each in made.cut
        ],
        "cut_short": list(made.cut_short),
        "log": [
            Logged(
                key=each.key,
                kind=cast(EventKind, each.kind),
                operation=each.operation,
                title=each.title,
                note=each.note,
                words=words_of(each, notation),
                early=each.early,
                author=author_of(each),
                at=each.at,
            )
            for each in rows
        ],
    }


@router.get("/jobs/{int:job_id}/bench", response={200: BenchReply, 404: Problem}, operation_id="openBench")
def open_bench(request: HttpRequest, job_id: int) -> BenchReply:
    """How far a job has come at the bench."""
    return BenchReply(**_reply(request, job_of(request, job_id)))


@router.post(
    "/jobs/{int:job_id}/bench",
    response={200: ToldReply, 404: Problem, 409: Problem, 422: Problem},
    operation_id="tellBench",
)
def tell_bench(request: HttpRequest, job_id: int, entry: Entry) -> Status:
    """Say what happens at the bench."""
    job = job_of(request, job_id)
    told = entry.model_dump(exclude={"ago"})
    what = services.Happening(**told, ago=timedelta(seconds=entry.ago))
    follows = services.happened(job, person(request), what)
    job = job_of(request, job_id)
    changed = job_reply(request, job) if entry.kind == "measured" else None
    return Status(200, ToldReply(**_reply(request, job), follows=list(follows), job=changed))


@router.get(
    "/jobs/{int:job_id}/lay-ready",
    response={200: LayReady, 404: Problem},
    operation_id="layReady",
)
def to_lay_ready(request: HttpRequest, job_id: int, operation: str = Query("", max_length=40)) -> LayReady:
    """Tools, adhesives and stock for one operation, or for all that is not done yet."""
    job = job_of(request, job_id)
    notation = notation_of(request)
    made = services.bench_of(job, notation)
    done = {each.operation for each in made.standings if each.status == "done"}
    wanted = [
        each for each in made.plan.operations if (each.id == operation if operation else each.id not in done)
    ]
    shelf = [on_shelf(item) for item in items_of(request).filter(archived=False)]
    return lay_ready(wanted, made.plan.pieces, made.cut, shelf, notation)


class Readings(Schema):
    """Lines an instrument sent, and the size they are of.

    ``bare`` is the unit of a line without one; ``expected`` what is reckoned, as it stands on screen.
    """

    lines: Annotated[list[Annotated[str, Field(max_length=60)]], Field(min_length=1, max_length=20)]
    bare: ReadingUnit = "mm"
    insist: bool = False


class ReadingReply(Schema):
    """Readings as one: as it goes into a field, and each of them as it is read."""

    text: str
    shown: list[str]


@router.post(
    "/readings", response={200: ReadingReply, 409: Problem, 422: Problem}, operation_id="takeReadings"
)
def take_readings(request: HttpRequest, sent: Readings) -> ReadingReply:
    """Read what an instrument sent, and average it; readings that lie far apart are asked about."""
    notation = notation_of(request)
    found = [read_line(line, sent.bare) for line in sent.lines]
    try:
        mean = averaged(found)
    except OddReadingError:
        if not sent.insist:
            raise
        mean = sum(each.value for each in found) / len(found)
    if any(each.unit == "g" for each in found):
        return ReadingReply(text=f"{mean:.1f}", shown=[f"{each.value:g} g" for each in found])
    return ReadingReply(
        text=notation.editable(round(mean, 3)),
        shown=[notation.limit(each.value) for each in found],
    )


@router.get("/instruments", response=list[InstrumentName], operation_id="instruments")
def instruments(request: HttpRequest) -> list[InstrumentName]:
    """The simulated instruments that ship with Weald."""
    return list(INSTRUMENTS)


class InstrumentLine(Schema):
    """A line as a simulated instrument sends it."""

    line: str


@router.get(
    "/instruments/{name}/line", response={200: InstrumentLine, 422: Problem}, operation_id="instrumentLine"
)
def instrument_line(
    request: HttpRequest,
    name: InstrumentName,
    thing: str = Query(max_length=60),
    unit: Literal["mm", "in", "g"] = Query("mm"),
) -> InstrumentLine:
    """Hold a simulated instrument to a thing of a known size, and press its button."""
    try:
        size = parse_length(thing, notation_of(request).bare) if unit != "g" else float(thing)
    except ValueError as error:
        raise SpecError({"thing": str(error)}) from None
    return InstrumentLine(line=reading_of(name, size, unit))
