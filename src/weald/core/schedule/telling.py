"""Moments and stretches of time as one says them in a workshop."""

from datetime import date, datetime
from zoneinfo import ZoneInfo

from weald.core.book.operation import minutes_in_words

_DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
_MONTHS = ("Jan", "Feb", "Mar", "Apr", "May", "June", "July", "Aug", "Sept", "Oct", "Nov", "Dec")
_DAY = 60 * 24


def moment_in_words(moment: datetime, zone: str, now: datetime) -> str:
    """“today 19:00”, “Tuesday 14:30”, “Tue 3 Mar, 14:30” for what is further off; by the workshop's clock."""
    here, then = now.astimezone(ZoneInfo(zone)), moment.astimezone(ZoneInfo(zone))
    days = (then.date() - here.date()).days
    clock = f"{then:%H:%M}"
    if days == 0:
        return f"today {clock}"
    if days == 1:
        return f"tomorrow {clock}"
    if 1 < days < 7:
        return f"{_DAYS[then.weekday()]} {clock}"
    year = f" {then.year}" if then.year != here.year else ""
    return f"{_day(then)}{year}, {clock}"


def date_in_words(moment: datetime, zone: str) -> str:
    """“Tue 3 Mar 2026, 14:30”, as it can be read at any time."""
    then = moment.astimezone(ZoneInfo(zone))
    return f"{_day(then)} {then.year}, {then:%H:%M}"


def day_in_words(day: date) -> str:
    """“Tuesday 3 Mar”."""
    return f"{_DAYS[day.weekday()]} {day.day} {_MONTHS[day.month - 1]}"


def _day(then: datetime) -> str:
    return f"{_DAYS[then.weekday()][:3]} {then.day} {_MONTHS[then.month - 1]}"


def stretch_in_words(minutes: int) -> str:
    """“40 min”, “3 h 20”, “2 days 4 h”."""
    if minutes < _DAY:
        return minutes_in_words(minutes)
    days, rest = divmod(round(minutes / 60), 24)
    said = f"{days} day{'s' if days != 1 else ''}"
    return f"{said} {rest} h" if rest else said
