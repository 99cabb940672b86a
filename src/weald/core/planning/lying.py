"""What is so of what lies there, for whoever looks at the plan."""

from collections.abc import Mapping
from dataclasses import dataclass

from weald.core.job.lying import BROUGHT, SETTLES, Fact, Facts
from weald.core.notation import Notation
from weald.core.station import Station


@dataclass(frozen=True, slots=True)
class FactHere:
    """Something that may be so already.

    :param by_hand: whether somebody said so, or said that it is not.
    """

    fact: Fact
    station: Station
    said: str
    so: bool
    by_hand: bool


def facts_here(there: Facts, by_hand: Mapping[Fact, bool], notation: Notation) -> tuple[FactHere, ...]:
    """All that may be brought, each with whether it is so here."""
    return tuple(
        FactHere(fact, record.station, notation.say(record.said), fact in there, fact in by_hand)
        for fact, record in BROUGHT.items()
    )


def settled(there: Facts) -> frozenset[Station]:
    """The stations whose work is done: what is to be minded there can be helped no more."""
    return frozenset(station for station, facts in SETTLES.items() if facts & there)
