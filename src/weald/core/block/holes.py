"""Where thread passes through the fold: the stations of every method, on the trimmed height.

Vocabulary: a *hole* is one place in the fold, measured from the trimmed head; a *kettle* the stitch
at either end that links section to section; a *support* a tape or cord the thread passes round.
Holes run from head to tail.
"""

from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from weald.core.job.spec import Sewing, SewingMethod
from weald.core.units import TOLERANCE, Mm

HoleKind = Literal["kettle", "tape", "cord", "raised", "link", "stitch", "staple"]
TAPE_PLAY: Mm = 1.0
"""The two holes beside a tape or raised cord stand this much further apart than it is wide."""
LEAST_BETWEEN: Mm = 4.0
"""Paper between two holes that does not tear out."""
FIVE_HOLES_FROM: Mm = 180.0
THREE_STAPLES_FROM: Mm = 250.0
SUPPORTED = ("tapes", "cords", "raised_cords")
METHOD_WORDS: dict[SewingMethod, str] = {
    "tapes": "on tapes",
    "cords": "on sawn-in cords",
    "raised_cords": "on raised cords",
    "link": "link stitch",
    "pamphlet": "pamphlet stitch",
    "staples": "staples",
    "none": "not sewn",
}


@dataclass(frozen=True, slots=True)
class Hole:
    """One place in the fold. ``support`` counts tapes, cords or links from the head, from 1."""

    place: Mm
    kind: HoleKind
    support: int | None = None


@dataclass(frozen=True, slots=True)
class SewingPlan:
    """The sewing of one block. ``holes`` are those of a section, from the trimmed head."""

    method: SewingMethod
    holes: tuple[Hole, ...]
    crowded: bool


def supports_for(height: Mm) -> int:
    """Supports that suit a block's height: 2 up to 150 mm, 3 to 230, 4 to 300, 5 above."""
    return next((count for most, count in ((150, 2), (230, 3), (300, 4)) if height <= most), 5)


def interval(sewing: Sewing, height: Mm) -> Mm:
    """From the middle of one support to the next; the one at the tail is larger by ``tail_more``."""
    return (height - 2 * sewing.kettle - sewing.tail_more) / (sewing.supports + 1)


def holes_of(
    method: SewingMethod, sewing: Sewing, height: Mm, middles: tuple[Mm, ...] = ()
) -> tuple[Hole, ...]:
    """The holes of one section, from head to tail; none where nothing is sewn.

    :param height: of the trimmed block.
    :param middles: where the supports have to stand, from the trimmed head; evenly spaced where not given.
    """
    if method == "none":
        return ()
    if method == "staples":
        parts = (0.25, 0.5, 0.75) if height > THREE_STAPLES_FROM else (0.25, 0.75)
        return tuple(Hole(part * height, "staple") for part in parts)
    if method == "pamphlet":
        return tuple(Hole(place, "stitch") for place in _pamphlet_places(sewing, height))
    ends = Hole(sewing.kettle, "kettle"), Hole(height - sewing.kettle, "kettle")
    step = interval(sewing, height)
    even = tuple(sewing.kettle + number * step for number in range(1, sewing.supports + 1))
    middle: list[Hole] = []
    for number, place in enumerate(middles or even, start=1):
        middle += _support_holes(method, sewing, place, number)
    return (ends[0], *middle, ends[1])


def _support_holes(method: SewingMethod, sewing: Sewing, place: Mm, number: int) -> list[Hole]:
    if method == "link":
        return [Hole(place, "link", number)]
    if method == "cords":
        return [Hole(place, "cord", number)]
    if method == "raised_cords" and sewing.packed:
        return [Hole(place, "raised", number)]
    kind: HoleKind = "tape" if method == "tapes" else "raised"
    half = (sewing.support_width + TAPE_PLAY) / 2
    return [Hole(place - half, kind, number), Hole(place + half, kind, number)]


def _pamphlet_places(sewing: Sewing, height: Mm) -> list[Mm]:
    middle = height / 2
    outer = height / 4 if sewing.pamphlet_at == "quarters" else sewing.kettle
    count = sewing.pamphlet_holes or (5 if height > FIVE_HOLES_FROM else 3)
    if count == 3:
        return [outer, middle, height - outer]
    first = min(outer, sewing.kettle)
    second = (first + middle) / 2
    return [first, second, middle, height - second, height - first]


def crowded(holes: tuple[Hole, ...], height: Mm) -> bool:
    """Whether holes stand too close together, or out of order, for the height."""
    places = [hole.place for hole in holes]
    if any(place <= 0 or place >= height for place in places):
        return True
    return any(after - before < LEAST_BETWEEN - TOLERANCE for before, after in pairwise(places))
