"""Times that can be: what a calendar, a database and every reader can write and read."""

from datetime import UTC, date, datetime
from typing import Annotated

from django.db.models import Q
from pydantic import AfterValidator

EARLIEST, LATEST = datetime(2000, 1, 1, tzinfo=UTC), datetime(2200, 1, 1, tzinfo=UTC)
_WORDS = "Choose a time between the years 2000 and 2200"


def _moment(moment: datetime) -> datetime:
    if moment.tzinfo is None:
        raise ValueError(f"{_WORDS}, and say in which time zone it is.")
    # years first: at the ends of the calendar a time zone leads out of it
    if not EARLIEST.year <= moment.year <= LATEST.year or not EARLIEST <= moment < LATEST:
        raise ValueError(f"{_WORDS}.")
    return moment


def _day(day: date) -> date:
    if not EARLIEST.year <= day.year < LATEST.year:
        raise ValueError("Choose a day between the years 2000 and 2199.")
    return day


Moment = Annotated[datetime, AfterValidator(_moment)]
"""A moment somebody sends."""
Day = Annotated[date, AfterValidator(_day)]
"""A day somebody sends."""


def times_between(*fields: str) -> Q:
    """That each of these columns is empty or a time that can be read back."""
    condition = Q()
    for name in fields:
        condition &= Q(**{f"{name}__isnull": True}) | Q(**{f"{name}__gte": EARLIEST, f"{name}__lt": LATEST})
    return condition
