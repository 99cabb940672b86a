"""Who works in a workshop, when, at what, and what there is to work with; with what goes without saying."""

import re
from collections.abc import Sequence
from datetime import date, time
from typing import Annotated
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

from pydantic import AfterValidator, BeforeValidator, Field

from weald.core.book.operation import PLACES, Place
from weald.core.errors import SpecError
from weald.core.job.bench import Work
from weald.core.job.entries import Entries, Length, Name, read_entries
from weald.core.notation import Notation
from weald.core.schedule.hours_line import hours_line, read_line
from weald.core.upgrades import Format

WORKPLACE = Format("list of people and places")

_CLOCK = re.compile(r"([01]?\d|2[0-3]):([0-5]\d)")


def _read_clock(text: str) -> str:
    found = _CLOCK.fullmatch(text.strip())
    if found is None:
        raise ValueError(f"“{text}” is no time of day; write it as 19:00.")
    return f"{int(found[1]):02d}:{found[2]}"


def _read_zone(name: str) -> str:
    try:
        ZoneInfo(name)
    except (ZoneInfoNotFoundError, ValueError, OSError):
        raise ValueError(f"“{name}” is no time zone; choose one from the list.") from None
    return name


Clock = Annotated[str, Field(max_length=8), AfterValidator(_read_clock)]
"""A time of day as people write it, “19:00”."""


def clock(text: str) -> time:
    """A time of day that has been read."""
    hour, minute = text.split(":")
    return time(int(hour), int(minute))


class Hours(Entries):
    """Hours of one day of the week, 0 for Monday; what ends before it begins goes on past midnight."""

    weekday: Annotated[int, Field(ge=0, le=6)]
    begins: Clock
    ends: Clock


class Away(Entries):
    """Days somebody is not there, the first and the last of them counted."""

    first: date
    last: date
    why: Annotated[str, Field(max_length=80)] = ""


class Extra(Entries):
    """Hours beside the usual ones, on one day."""

    day: date
    begins: Clock
    ends: Clock


def _hours(typed: object) -> object:
    """Hours typed as a line, day by day; anything else as it is."""
    if not isinstance(typed, str):
        return typed
    names = ("weekday", "begins", "ends")
    return [dict(zip(names, each, strict=True)) for each in read_line(typed)]


PlainWeek = Annotated[
    tuple[Hours, ...],
    BeforeValidator(_hours, json_schema_input_type=str | tuple[Hours, ...]),
    Field(max_length=40, title="hours"),
]
"""The hours of a plain week; typed as a line, too."""


class Worker(Entries):
    """Somebody who works here.

    :param account: the name they sign in by, so that what they begin is known to be theirs.
    :param leaves: kinds of work they do not do.
    """

    id: Annotated[str, Field(pattern=r"^[a-z0-9-]{1,40}$")]
    name: Annotated[str, Field(min_length=1, max_length=80, title="name")]
    account: Annotated[str, Field(max_length=150, title="signs in as")] = ""
    hours: PlainWeek = ()
    away: Annotated[tuple[Away, ...], Field(max_length=60, title="days away")] = ()
    extra: Annotated[tuple[Extra, ...], Field(max_length=60, title="single days")] = ()
    leaves: Annotated[tuple[Work, ...], Field(title="work left to others")] = ()

    @property
    def line(self) -> str:
        """The hours of a plain week in one line."""
        return hours_line([(each.weekday, each.begins, each.ends) for each in self.hours])


class Equipment(Entries):
    """A press, or so many frames, ploughs or sets of boards and weights.

    :param count: so many of them, each taking one book; of presses, one.
    :param platen_width, platen_height, opening: of a press, where known; it takes books up to that.
    """

    id: Annotated[str, Field(pattern=r"^[a-z0-9-]{1,40}$")]
    place: Annotated[Place, Field(title="kind")]
    name: Annotated[Name, Field(title="name")] = ""
    count: Annotated[int, Field(ge=1, le=200, title="how many")] = 1
    platen_width: Annotated[Annotated[Length, Field(gt=0, le=3000)] | None, Field(title="platen’s width")] = (
        None
    )
    platen_height: Annotated[
        Annotated[Length, Field(gt=0, le=3000)] | None, Field(title="platen’s height")
    ] = None
    opening: Annotated[Annotated[Length, Field(gt=0, le=2000)] | None, Field(title="opening")] = None

    @property
    def called(self) -> str:
        """Its name, or what it is."""
        return self.name or PLACES[self.place].capitalize()


class Workplace(Entries):
    """The people and places of a workshop, and the time zone its hours are told in."""

    version: Annotated[int, Field(ge=1, le=WORKPLACE.version)] = WORKPLACE.version
    zone: Annotated[str, Field(max_length=60, title="Hours are told in"), AfterValidator(_read_zone)] = "UTC"
    people: Annotated[tuple[Worker, ...], Field(max_length=40, title="People")] = ()
    equipment: Annotated[tuple[Equipment, ...], Field(max_length=80, title="Places")] = ()


USUAL_EQUIPMENT: tuple[Equipment, ...] = (
    Equipment(id="nipping-press", place="nipping_press", opening=300.0),
    Equipment(id="lying-press", place="lying_press"),
    Equipment(id="weights", place="weights", count=12),
    Equipment(id="frame", place="sewing_frame", count=2),
    Equipment(id="plough", place="plough"),
    Equipment(id="shears", place="shears"),
)
_EVENINGS = tuple(Hours(weekday=day, begins="19:00", ends="21:30") for day in range(5))
_WEEKEND = (Hours(weekday=5, begins="10:00", ends="16:00"),)


def usual_workplace(zone: str, names: Sequence[str]) -> Workplace:
    """What is taken where nobody has said: everybody of the workshop in the evenings and on Saturdays."""
    people = tuple(
        Worker(id=f"person-{number}", name=name[:80] or "Somebody", account=name, hours=_EVENINGS + _WEEKEND)
        for number, name in enumerate(names, 1)
    )
    return Workplace(zone=zone, people=people, equipment=USUAL_EQUIPMENT)


def read_workplace(data: object, notation: Notation | None = None) -> Workplace:
    """Read people and places as typed.

    :raises SpecError: naming every place that is wrong.
    """
    found = read_entries(Workplace, data, notation, kept_as=WORKPLACE, whole="people and places")
    wrong: dict[str, str] = {}
    for group, rows in (("people", found.people), ("equipment", found.equipment)):
        ids = [row.id for row in rows]
        for place, name in enumerate(ids):
            if name in ids[:place]:
                wrong[f"{group}.{place}.id"] = f"“{name}” is there twice; give each its own."
    for place, person in enumerate(found.people):
        for row, away in enumerate(person.away):
            if away.last < away.first:
                wrong[f"people.{place}.away.{row}.last"] = "The last day comes before the first."
        for row, hours in enumerate(person.hours):
            if hours.begins == hours.ends:
                wrong[f"people.{place}.hours.{row}.ends"] = "These hours end as they begin."
    if wrong:
        raise SpecError(wrong)
    return found
