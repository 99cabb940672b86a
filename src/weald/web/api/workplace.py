"""People, hours and places over HTTP."""

from django.http import HttpRequest
from ninja import Body, Query, Router, Schema

from weald.core.book.operation import PLACES
from weald.core.job.bench import WORKS
from weald.core.job.entries import lengths_of
from weald.core.schedule.hours_line import EXAMPLE
from weald.core.schedule.workplace import Workplace, read_workplace
from weald.web.accounts.keeping import Written
from weald.web.accounts.services import workplace_of
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.schemas import ChoicesMade, MeetReply, Problem, WithOthers, told_of
from weald.web.api.typed import WorkplaceInput
from weald.web.week import services

router = Router(tags=["week"])


class Named(Schema):
    """Something there is to choose, and what it is called."""

    id: str
    words: str


class WorkplaceReply(WithOthers):
    """People and places, lengths as they stand in their fields, and what there is to choose.

    ``usual`` says that nobody has changed them yet. ``hours`` are those of each person in one line, by their
    id; ``hours_example`` is such a line. ``people_here`` are the names people sign in by.
    """

    version: int
    workplace: Workplace
    usual: bool
    inputs: dict[str, str]
    hours: dict[str, str]
    hours_example: str
    works: list[Named]
    places: list[Named]
    people_here: list[str]


def _reply(request: HttpRequest, written: Written | None = None) -> WorkplaceReply:
    workshop, notation = workshop_of(request), notation_of(request)
    workplace = workplace_of(workshop)
    members = workshop.memberships.filter(user__is_active=True).order_by("pk")
    return WorkplaceReply(
        version=workshop.workplace_version,
        workplace=workplace,
        usual=not workshop.workplace,
        inputs={path: notation.editable(value) for path, value in lengths_of(workplace)},
        hours={each.id: each.line for each in workplace.people},
        hours_example=EXAMPLE,
        works=[Named(id=work, words=words) for work, words in WORKS.items()],
        places=[Named(id=place, words=words) for place, words in PLACES.items() if place != "bench"],
        people_here=list(members.values_list("user__username", flat=True)),
        **told_of(Workplace, written, notation),
    )


@router.get("/workplace", response=WorkplaceReply, operation_id="openWorkplace")
def open_workplace(request: HttpRequest) -> WorkplaceReply:
    """Who works here when, at what, and what there is to work with."""
    return _reply(request)


@router.put(
    "/workplace", response={200: WorkplaceReply, 409: MeetReply, 422: Problem}, operation_id="saveWorkplace"
)
def write_workplace(
    request: HttpRequest,
    made: Query[ChoicesMade],
    workplace: WorkplaceInput = Body(...),
    version: int = Query(..., ge=1),
) -> WorkplaceReply:
    """Write people and places at the version they were read at."""
    read = read_workplace(workplace, notation_of(request))
    written = services.save_workplace(workshop_of(request), version, person(request), read, made.settled)
    return _reply(request, written)
