"""The demo's fortnight: two people, a late promise, a set, and a step put to a certain time."""

from datetime import datetime, time, timedelta
from zoneinfo import ZoneInfo

from django.contrib.auth.models import User
from django.utils import timezone

from weald.core.schedule.workplace import USUAL_EQUIPMENT, Hours, Worker, Workplace
from weald.web.accounts.services import workplace_of
from weald.web.jobs.models import Job
from weald.web.week.services import promise, save_workplace

_DAYS = tuple(
    Hours(weekday=day, begins=begins, ends=ends)
    for day in range(5)
    for begins, ends in (("9:00", "12:30"), ("13:30", "17:30"))
)
_THURSDAYS = tuple(Hours(weekday=day, begins="13:00", ends="18:00") for day in (1, 3))
_PROMISED: tuple[tuple[str, int], ...] = (
    ("Tide tables of Merrow Haven", 3),
    ("Psalter of the pilots' chapel", 4),
    ("Hymn settings for the Ferry Lane choir", 9),
    ("Lighthouse log, volume I", 12),
)
_TAKEN_UP = ("Orchard keeper's ledger", "Verses said on the ferry")


def load(author: User) -> None:
    """Let the demo's books be promised, and two people be there to make them."""
    workshop = author.membership.workshop
    zone = workplace_of(workshop).zone
    people = (
        Worker(id="una", name="Una Reedham", account=author.get_username(), hours=_DAYS),
        Worker(id="tom", name="Tom Quillet", hours=_THURSDAYS, leaves=("covering", "lettering")),
    )
    save_workplace(
        workshop,
        workshop.workplace_version,
        author,
        Workplace(zone=zone, people=people, equipment=USUAL_EQUIPMENT),
    )
    jobs = {job.title: job for job in Job.objects.filter(workshop=workshop)}
    today = timezone.now().astimezone(ZoneInfo(zone)).date()
    for title, days in _PROMISED:
        until = datetime.combine(today + timedelta(days=days), time(17), ZoneInfo(zone))
        promise(jobs[title], author, until, False)
    for title in _TAKEN_UP:
        promise(jobs[title], author, None, True)
