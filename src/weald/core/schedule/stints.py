"""What somebody does for one book in one go: the bars of the week, and the lines of its sheet."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Literal
from zoneinfo import ZoneInfo

NEAR = timedelta(minutes=20)
"""Work on the same book goes on in one go after a pause no longer than this."""

SpellState = Literal["under_way", "pinned", "laid_out"]


@dataclass(frozen=True, slots=True)
class Spell:
    """Work on one operation in one stretch, by the same people.

    :param people, places: by their ids. ``late``: begun later than does no harm.
    """

    job: str
    operation: str
    title: str
    begins: datetime
    ends: datetime
    people: tuple[str, ...]
    places: tuple[str, ...]
    state: SpellState
    late: bool = False


@dataclass(frozen=True, slots=True)
class Stint:
    """Spells of the same people on the same book, one after another on one day.

    :param id: the same while its times move on.
    :param state: of its first spell, but that anything under way makes it so. ``late``: any of it is.
    """

    id: str
    job: str
    begins: datetime
    ends: datetime
    people: tuple[str, ...]
    places: tuple[str, ...]
    state: SpellState
    late: bool
    spells: tuple[Spell, ...]


def stints_of(spells: Iterable[Spell], zone: str) -> tuple[Stint, ...]:
    """The spells brought together, in the order they begin."""
    going: list[list[Spell]] = []
    current: dict[str, list[Spell]] = {}
    for spell in sorted(spells, key=lambda each: (each.begins, each.ends)):
        there = [current.get(name) for name in spell.people]
        run = there[0] if there else None
        if run is None or any(each is not run for each in there) or not _goes_on(run[-1], spell, zone):
            run = []
            going.append(run)
        run.append(spell)
        for name in spell.people:
            current[name] = run
    seen: dict[tuple[str, str], int] = {}
    return tuple(_stint(run, seen) for run in going)


def _goes_on(before: Spell, after: Spell, zone: str) -> bool:
    here = ZoneInfo(zone)
    return (
        before.job == after.job
        and before.people == after.people
        and after.begins - before.ends <= NEAR
        and before.begins.astimezone(here).date() == after.begins.astimezone(here).date()
    )


def _stint(run: list[Spell], seen: dict[tuple[str, str], int]) -> Stint:
    first = run[0]
    number = seen[first.job, first.operation] = seen.get((first.job, first.operation), 0) + 1
    return Stint(
        id=f"{first.job}-{first.operation}-{number}",
        job=first.job,
        begins=first.begins,
        ends=max(spell.ends for spell in run),
        people=first.people,
        places=tuple(dict.fromkeys(place for spell in run for place in spell.places)),
        state="under_way" if any(each.state == "under_way" for each in run) else first.state,
        late=any(spell.late for spell in run),
        spells=tuple(run),
    )
