"""The week for other calendars, as iCalendar (RFC 5545): work, what stands and dries, and promised dates."""

from collections.abc import Iterable, Mapping
from datetime import datetime, timedelta

from icalendar import Calendar, Event

from weald.core.schedule.stints import Spell
from weald.core.schedule.week import JobInWeek, Waiting, Week

_HOUR = timedelta(hours=1)


def week_ics(week: Week, workshop: str, people: Mapping[str, str]) -> bytes:
    """The week as a calendar; what stays the same keeps its ``UID``, so that calendars move it.

    :param people: names by id.
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Weald//week//EN")
    calendar.add("version", "2.0")
    calendar.add("method", "PUBLISH")
    calendar.add("x-wr-calname", f"{workshop}: the bench")
    calendar.add("refresh-interval", timedelta(minutes=15), parameters={"VALUE": "DURATION"})
    titles = {job.job: job.title for job in week.jobs}
    for event in _events(week, titles, people):
        event.add("dtstamp", week.now)
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def _events(week: Week, titles: Mapping[str, str], people: Mapping[str, str]) -> Iterable[Event]:
    count: dict[tuple[str, str], int] = {}
    for each in week.spells:
        number = count[each.job, each.operation] = count.get((each.job, each.operation), 0) + 1
        yield _work(each, titles, people, number)
    for wait in week.waits:
        yield _wait(wait, titles)
    for job in week.jobs:
        if job.promised is not None:
            yield _promise(job, job.promised)


def _event(uid: str, begins: datetime, ends: datetime, summary: str) -> Event:
    event = Event()
    event.add("uid", f"{uid}@weald")
    event.add("dtstart", begins)
    event.add("dtend", ends)
    event.add("summary", summary)
    return event


def _work(spell: Spell, titles: Mapping[str, str], people: Mapping[str, str], number: int) -> Event:
    uid = f"work-{spell.job}-{spell.operation}-{number}"
    event = _event(uid, spell.begins, spell.ends, f"{spell.title}: {titles[spell.job]}")
    if spell.people:
        event.add("description", ", ".join(people.get(name, name) for name in spell.people))
    return event


def _wait(wait: Waiting, titles: Mapping[str, str]) -> Event:
    uid = f"wait-{wait.job}-{wait.operation}"
    event = _event(uid, wait.begins, wait.ends, f"{titles[wait.job]}: {wait.words} after “{wait.title}”")
    event.add("transp", "TRANSPARENT")
    return event


def _promise(job: JobInWeek, promised: datetime) -> Event:
    event = _event(f"promise-{job.job}", promised - _HOUR, promised, f"Promised: {job.title}")
    words = ". ".join(filter(None, (job.slack_words, job.warning)))
    if words:
        event.add("description", words)
    event.add("transp", "TRANSPARENT")
    return event
