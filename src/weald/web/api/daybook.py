"""The daybook over HTTP."""

from datetime import datetime

from django.http import HttpRequest
from django.utils import timezone
from ninja import Query, Router, Schema

from weald.web.api.people import notation_of, workshop_of
from weald.web.api.schemas import Problem
from weald.web.office.daybook import PAGE, WINDOW, Asked, DaybookEntry, EntryKind, read_daybook
from weald.web.times import Moment

router = Router(tags=["office"])


class DaybookReply(Schema):
    """A page of the daybook, the newest first; ``earlier`` is where the next page begins."""

    entries: list[DaybookEntry]
    earlier: datetime | None
    people: list[str]


@router.get("/daybook", response={200: DaybookReply, 422: Problem}, operation_id="readDaybook")
def open_daybook(
    request: HttpRequest,
    before: Moment | None = Query(None),
    kind: EntryKind | None = Query(None),
    job: int | None = Query(None, ge=1, le=2**62),
    person: str = Query("", max_length=150),
    material: str = Query("", max_length=100),
    search: str = Query("", max_length=200),
) -> DaybookReply:
    """All that happened, narrowed down as asked."""
    workshop = workshop_of(request)
    asked = Asked(before or timezone.now(), kind, job, person, material.strip(), search.strip())
    found = read_daybook(workshop, asked, notation_of(request))
    earlier = found[PAGE - 1].at if len(found) > PAGE else None
    if earlier is None and not asked.narrow:
        begun = workshop.jobs.order_by("created").values_list("created", flat=True).first()
        older = asked.before - WINDOW
        earlier = older if begun is not None and begun < older else None
    members = workshop.memberships.order_by("pk").values_list("user__username", flat=True)
    return DaybookReply(entries=found[:PAGE], earlier=earlier, people=list(members))
