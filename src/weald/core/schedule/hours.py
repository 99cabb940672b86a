"""The hours of a person as stretches of real time, through time zones and the changes of the clocks."""

import math
from collections.abc import Iterator
from datetime import UTC, date, datetime, timedelta
from functools import lru_cache
from zoneinfo import ZoneInfo

from weald.core.schedule.problem import Minute, Window
from weald.core.schedule.workplace import Worker, clock
from weald.core.units import NEGLIGIBLE

WEEKS_AHEAD = 26
"""So far ahead anything is laid out."""


def minute_of(moment: datetime, now: datetime) -> Minute:
    """A moment in whole minutes from ``now``, rounded up: nothing begins before it may."""
    return math.ceil((moment - now).total_seconds() / 60 - NEGLIGIBLE)


def moment_of(minute: Minute, now: datetime) -> datetime:
    """The other way round."""
    return now + timedelta(minutes=minute)


def windows(person: Worker, zone: str, now: datetime, weeks: int = WEEKS_AHEAD) -> tuple[Window, ...]:
    """When somebody is there, from ``now`` on, in order; hours that touch are one.

    An hour the clocks leave out is nobody's, and one they go through twice counts twice: minutes are real.
    """
    first = now.astimezone(ZoneInfo(zone)).date() - timedelta(days=1)
    found: list[Window] = []
    for begins, ends in _there(person, zone, first, weeks * 7 + 1):
        low, high = max(0, minute_of(begins, now)), math.floor((ends - now).total_seconds() / 60)
        if low < high:
            found.append(Window(low, high))
    return tuple(_joined(sorted(found, key=lambda each: each.begins)))


@lru_cache(maxsize=64)
def _there(person: Worker, zone: str, first: date, days: int) -> tuple[tuple[datetime, datetime], ...]:
    """When somebody is there on so many days: the same for a whole day, whatever the time."""
    here = ZoneInfo(zone)
    return tuple(
        stretch for number in range(days) for stretch in _of_day(person, first + timedelta(days=number), here)
    )


def _of_day(person: Worker, day: date, here: ZoneInfo) -> Iterator[tuple[datetime, datetime]]:
    if not any(away.first <= day <= away.last for away in person.away):
        for hours in person.hours:
            if hours.weekday == day.weekday():
                yield _between(day, hours.begins, hours.ends, here)
    for extra in person.extra:
        if extra.day == day:
            yield _between(day, extra.begins, extra.ends, here)


def _between(day: date, begins: str, ends: str, here: ZoneInfo) -> tuple[datetime, datetime]:
    last = day if clock(begins) < clock(ends) else day + timedelta(days=1)
    return _moment(day, begins, here), _moment(last, ends, here)


def _moment(day: date, told: str, here: ZoneInfo) -> datetime:
    """When it is a time of day; within an hour the clocks leave out, the moment they leave it out."""
    told_here = datetime.combine(day, clock(told), here)
    moment = told_here.astimezone(UTC)
    if moment.astimezone(here).replace(tzinfo=None) == told_here.replace(tzinfo=None):
        return moment
    before, after = told_here.replace(fold=1).astimezone(UTC), moment
    while after - before > timedelta(seconds=1):
        middle = before + (after - before) / 2
        if middle.astimezone(here).utcoffset() == before.astimezone(here).utcoffset():
            before = middle
        else:
            after = middle
    return after.replace(microsecond=0)


def _joined(found: list[Window]) -> Iterator[Window]:
    current: Window | None = None
    for each in found:
        if current is not None and each.begins <= current.ends:
            current = Window(current.begins, max(current.ends, each.ends))
            continue
        if current is not None:
            yield current
        current = each
    if current is not None:
        yield current
