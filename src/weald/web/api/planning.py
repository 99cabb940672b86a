"""Planning without storing: plans, lengths and choices."""

from dataclasses import fields, replace
from functools import lru_cache

from django.http import HttpRequest, HttpResponse
from ninja import Body, Query, Router
from pydantic import TypeAdapter

from weald.core.book.at_bench import AtBench
from weald.core.extras.catalogue import ExtraRecord, every_extra
from weald.core.findings import Finding
from weald.core.job.bench import WORKS
from weald.core.job.spec import JobSpec, editable_lengths, read_spec
from weald.core.notation import Notation
from weald.core.paper import LEAF_SIZES, SHEET_SIZES, NamedSize
from weald.core.planning.asked import form_fields, forms
from weald.core.planning.beginnings import BEGINNINGS
from weald.core.planning.choice_pictures import choice_pictures
from weald.core.planning.house import begun_with, departures, gauge_hints
from weald.core.planning.learning import rests_on
from weald.core.planning.lying_pictures import beginning_pictures
from weald.core.planning.options import every_option
from weald.core.planning.plan import DRAWN, plan
from weald.core.planning.remedies import remedies_at
from weald.core.press.home_printers import HOME_PRINTERS
from weald.core.station import STATIONS, Station
from weald.core.units import parse_length
from weald.web.accounts.services import house_of
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, workshop_of
from weald.web.api.schemas import (
    Choices,
    LengthQuestion,
    LengthReply,
    PlanReply,
    Problem,
    SizeChoice,
    StationTitle,
)
from weald.web.api.typed import JobInput
from weald.web.jobs.pieces import cut_for

router = Router(tags=["planning"])


@lru_cache(maxsize=1)
def _plan_writer() -> TypeAdapter[PlanReply]:
    return TypeAdapter(PlanReply)


@router.post("/plan", response={200: PlanReply, 422: Problem}, operation_id="plan")
def plan_job(
    request: HttpRequest,
    job: JobInput = Body(...),
    station: Station | None = Query(None),
    section: int = Query(1, ge=1),
    kept: int | None = Query(None, ge=1),
) -> HttpResponse:
    """Plan a job file without storing anything.

    ``kept`` is the number of the job this is a draft of, whose pieces may be cut already.
    With ``station`` only that station's drawings come back, and no list of all sheets, so that the answer
    to a keystroke stays small. The pieces are drawn where they are cut.
    """
    notation = notation_of(request)
    spec = read_spec(job, notation)
    workshop = workshop_of(request)
    house = house_of(workshop)
    cut = cut_for(job_of(request, kept)) if kept is not None else ()
    at_bench = AtBench(cut, house.hand == "left")
    drawn = DRAWN if station is None else (station, "pieces") if station == "cutting" else (station,)
    made = plan(spec, notation, section, drawn, at_bench)
    if station is not None:
        made = replace(made, sheets=())
    parts = {field.name: getattr(made, field.name) for field in fields(made)}
    reply = PlanReply(
        **parts,
        inputs=editable_lengths(spec, notation),
        departures=departures(spec, house, notation),
        rests_on=list(rests_on(spec, house)),
        gauges=gauge_hints(spec, {each.id: each for each in made.quantities}, house, notation),
    )
    return HttpResponse(_plan_writer().dump_json(reply), content_type="application/json")


@router.post("/remedies", response={200: list[Finding], 422: Problem}, operation_id="remedies")
def remedies(request: HttpRequest, job: JobInput = Body(...), station: Station = Query(...)) -> list[Finding]:
    """What can be done at a touch about what there is to mind at a station; each was carried out."""
    notation = notation_of(request)
    return list(remedies_at(read_spec(job, notation), station, notation))


@router.get("/extras", response=list[ExtraRecord], operation_id="extras")
def extras(request: HttpRequest) -> list[ExtraRecord]:
    """Everything that can be added to a structure, with its small picture and what it asks for."""
    house = house_of(workshop_of(request))
    return list(begun_with(every_extra(notation_of(request)), house))


@router.post("/length", response={200: LengthReply, 422: Problem}, operation_id="readLength")
def read_length(request: HttpRequest, question: LengthQuestion) -> LengthReply:
    """Read a length as typed, and step it along the ruler."""
    notation = notation_of(request)
    length = parse_length(question.text, notation.bare)
    if question.steps:
        length = notation.stepped(length, question.steps)
    return LengthReply(mm=length, text=notation.editable(length))


def _size(size: NamedSize, notation: Notation) -> SizeChoice:
    shown = f"{notation.length(size.width)} × {notation.length(size.height)}"
    return SizeChoice(name=size.name, width=size.width, height=size.height, shown=shown)


@router.get("/choices", response=Choices, operation_id="choices")
def choices(request: HttpRequest) -> Choices:
    """All that has a name to pick it by, and a new job."""
    notation = notation_of(request)
    return Choices(
        sheets=[_size(size, notation) for size in SHEET_SIZES],
        leaves=[_size(size, notation) for size in LEAF_SIZES],
        printers=list(HOME_PRINTERS),
        beginnings=[
            replace(each, title=notation.say(each.title), words=notation.say(each.words))
            for each in BEGINNINGS
        ],
        stations=[StationTitle(id=each, title=STATIONS[each].title) for each in STATIONS],
        options=every_option(notation),
        forms=forms(notation),
        fields=form_fields(notation),
        pictures=choice_pictures() | {"beginning": beginning_pictures()},
        works={str(work): words for work, words in WORKS.items()},
        new_job=JobSpec(),
    )
