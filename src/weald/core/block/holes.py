"""Where thread passes through the fold: the stations of every method, on the trimmed height.

Vocabulary: a *hole* is one place in the fold, measured from the trimmed head; a *kettle* the stitch
at either end that links section to section; a *support* a tape or cord the thread passes round.
Holes run from head to tail.
"""

from collections import defaultdict
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from weald.core.block.stab import StabMove, StabWork
from weald.core.job.block import Sewing, SewingMethod
from weald.core.job.extras.sewn import SewingPlaces, Stitching
from weald.core.units import TOLERANCE, Mm

HoleKind = Literal["kettle", "tape", "cord", "raised", "link", "stitch", "staple", "long", "stab"]
TAPE_PLAY: Mm = 1.0
"""The two holes beside a tape or raised cord stand this much further apart than it is wide."""
LEAST_BETWEEN: Mm = 4.0
"""Paper between two holes that does not tear out."""
FIVE_HOLES_FROM: Mm = 180.0
THREE_STAPLES_FROM: Mm = 250.0
LEAST_KETTLE, MOST_KETTLE = 8.0, 15.0
SUPPORTED = ("tapes", "cords", "raised_cords")


@dataclass(frozen=True, slots=True)
class Hole:
    """One place in the fold. ``support`` counts tapes, cords or links from the head, from 1."""

    place: Mm
    kind: HoleKind
    support: int | None = None


@dataclass(frozen=True, slots=True)
class SewingPlan:
    """The sewing of one block. ``holes`` are those of a section, from the trimmed head.

    :param backs: the middles of the supports on the back cover, where they differ from the front.
    :param stab: the pattern of a stab sewing; ``moves`` of its thread.
    :param stitching: how the thread goes, where it is not plain and all along.
    """

    method: SewingMethod
    holes: tuple[Hole, ...]
    crowded: bool
    backs: tuple[Mm, ...] = ()
    stitching: Stitching | None = None
    stab: StabWork | None = None
    moves: tuple[StabMove, ...] = ()


def courses(sections: int, stitching: Stitching | None) -> list[tuple[int, ...]]:
    """The sections each course of the thread holds, by number from 1, from the first to the last.

    Sewn two or three on, so many at either end are sewn all along, one a course; what is left over in the
    middle makes a smaller course.
    """
    if stitching is None or stitching.on == 1:
        return [(number,) for number in range(1, sections + 1)]
    ends = min(stitching.plain_ends, sections // 2)
    inner = list(range(ends + 1, sections - ends + 1))
    together = [tuple(inner[at : at + stitching.on]) for at in range(0, len(inner), stitching.on)]
    first = [(number,) for number in range(1, ends + 1)]
    return [*first, *together, *((number,) for number in range(sections - ends + 1, sections + 1))]


def support_middles(holes: tuple[Hole, ...]) -> list[Mm]:
    """The middle of every support from the trimmed head."""
    places: dict[int, list[Mm]] = defaultdict(list)
    for hole in holes:
        if hole.support:
            places[hole.support].append(hole.place)
    return [sum(places[number]) / len(places[number]) for number in sorted(places)]


def supports_for(height: Mm) -> int:
    """Supports that suit a block's height: 2 up to 150 mm, 3 to 230, 4 to 300, 5 above."""
    return next((count for most, count in ((150, 2), (230, 3), (300, 4)) if height <= most), 5)


def usual_kettle(height: Mm) -> Mm:
    """How far in kettles stand where nobody says: a sixteenth of the height, 8 to 15 mm, whole ones."""
    return float(min(MOST_KETTLE, max(LEAST_KETTLE, round(height / 16))))


def kettle_of(sewing: Sewing, height: Mm) -> Mm:
    """How far in kettles stand, as decided or as usual."""
    return usual_kettle(height) if sewing.kettle is None else sewing.kettle


@dataclass(frozen=True, slots=True)
class Places:
    """Where the holes stand, as reckoned or as measured.

    :param kettle: from the trimmed head and tail; ``step`` from the middle of one support to the next.
    :param first: the outermost hole of a pamphlet or a stapled booklet.
    :param middles: of the supports, where each has its own place; ``stitches`` over each from hole to hole,
        where they differ too. ``kettle_tail``: where it is not as at the head.
    """

    kettle: Mm
    step: Mm
    first: Mm
    middles: tuple[Mm, ...] = ()
    stitches: tuple[Mm, ...] = ()
    kettle_tail: Mm | None = None


def own_places(own: SewingPlaces, sewing: Sewing, height: Mm) -> Places:
    """Places as they were measured, brought to the trimmed head; in order from there."""
    ordered = sorted(own.supports, key=lambda each: _from_head(own, each.place, height))
    return Places(
        kettle=kettle_of(sewing, height) if own.kettle_head is None else own.kettle_head,
        kettle_tail=own.kettle_tail,
        step=0.0,
        first=0.0,
        middles=tuple(_from_head(own, each.place, height) for each in ordered),
        stitches=tuple(
            (sewing.support_width if each.width is None else each.width) + TAPE_PLAY
            if each.stitch is None
            else each.stitch
            for each in ordered
        ),
    )


def back_middles(own: SewingPlaces, height: Mm) -> tuple[Mm, ...]:
    """Where the supports stand on the back cover, in the order of the front; nothing where alike."""
    if all(each.back is None for each in own.supports):
        return ()
    ordered = sorted(own.supports, key=lambda each: _from_head(own, each.place, height))
    return tuple(_from_head(own, each.place if each.back is None else each.back, height) for each in ordered)


def _from_head(own: SewingPlaces, place: Mm, height: Mm) -> Mm:
    inside = place - own.edge
    return inside if own.measured_from == "head" else height - inside


def usual_places(
    method: SewingMethod, sewing: Sewing, height: Mm, middles: tuple[Mm, ...] = (), kettle: Mm | None = None
) -> Places:
    """Where holes stand on a block of this height.

    :param kettle: as measured; as decided or usual where not given.
    """
    ends = kettle_of(sewing, height) if kettle is None else kettle
    step = (height - 2 * ends - sewing.tail_more) / (sewing.supports + 1)
    first = _first_of_pamphlet(sewing, height) if method == "pamphlet" else height / 4
    return Places(ends, step, first, middles)


def holes_of(
    method: SewingMethod, sewing: Sewing, height: Mm, places: Places | None = None
) -> tuple[Hole, ...]:
    """The holes of one section, from head to tail; none where nothing is sewn.

    :param height: of the trimmed block.
    :param places: as usual where not given.
    """
    if method == "none":
        return ()
    at = places or usual_places(method, sewing, height)
    if method == "staples":
        middle = (0.5 * height,) if height > THREE_STAPLES_FROM else ()
        return tuple(Hole(place, "staple") for place in (at.first, *middle, height - at.first))
    if method == "pamphlet":
        return tuple(Hole(place, "stitch") for place in _pamphlet_places(sewing, height, at.first))
    tail = at.kettle if at.kettle_tail is None else at.kettle_tail
    ends = Hole(at.kettle, "kettle"), Hole(height - tail, "kettle")
    even = tuple(at.kettle + number * at.step for number in range(1, sewing.supports + 1))
    middle_holes: list[Hole] = []
    for number, place in enumerate(at.middles or even, start=1):
        over = at.stitches[number - 1] if at.stitches else sewing.support_width + TAPE_PLAY
        middle_holes += _support_holes(method, sewing, place, number, over)
    return (ends[0], *middle_holes, ends[1])


def _support_holes(method: SewingMethod, sewing: Sewing, place: Mm, number: int, over: Mm) -> list[Hole]:
    if method == "link":
        return [Hole(place, "link", number)]
    if method == "cords":
        return [Hole(place, "cord", number)]
    if method == "raised_cords" and sewing.packed:
        return [Hole(place, "raised", number)]
    kinds: dict[SewingMethod, HoleKind] = {"tapes": "tape", "long": "long"}
    kind = kinds.get(method, "raised")
    half = over / 2
    return [Hole(place - half, kind, number), Hole(place + half, kind, number)]


def _holes_of_pamphlet(sewing: Sewing, height: Mm) -> int:
    return sewing.pamphlet_holes or (5 if height > FIVE_HOLES_FROM else 3)


def _first_of_pamphlet(sewing: Sewing, height: Mm) -> Mm:
    """A quarter in, or as far in as a kettle stitch; of five holes never further in than that."""
    kettle = kettle_of(sewing, height)
    outer = height / 4 if sewing.pamphlet_at == "quarters" else kettle
    return outer if _holes_of_pamphlet(sewing, height) == 3 else min(outer, kettle)


def _pamphlet_places(sewing: Sewing, height: Mm, first: Mm) -> list[Mm]:
    middle = height / 2
    if _holes_of_pamphlet(sewing, height) == 3:
        return [first, middle, height - first]
    second = (first + middle) / 2
    return [first, second, middle, height - second, height - first]


def crowded(holes: tuple[Hole, ...], height: Mm) -> bool:
    """Whether holes stand too close together, or out of order, for the height."""
    places = [hole.place for hole in holes]
    if any(place <= 0 or place >= height for place in places):
        return True
    return any(after - before < LEAST_BETWEEN - TOLERANCE for before, after in pairwise(places))
