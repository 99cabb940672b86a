"""Stab sewing: single leaves sewn through their whole thickness beside the spine, in patterns.

A pattern is a set of holes, of lines between them, and of *wraps*: loops round the spine, the head or the
tail.
One thread covers each line once on the front and once on the back, whatever the pattern: it goes out
along a line, through the hole there, does all that hangs on that hole, and comes back along the same line on
the other side.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from weald.core.job.block import StabPattern, StabSewing
from weald.core.units import Mm

Edge = Literal["spine", "head", "tail"]
Face = Literal["front", "back"]
CORNER_PART = 0.5
"""A corner's second hole stands half as far from spine and edge as its first."""
INNER_PART = 0.55
"""Second holes of a pattern stand so far from the spine, as a part of the first ones' distance."""
SPREAD_PART = 0.22
"""Side holes of a fan stand so far from their middle one, as a part of the distance between stations; those
beyond the outer stations no nearer to head and tail than half as far as these (:data:`CORNER_PART`)."""


@dataclass(frozen=True, slots=True)
class StabHole:
    """One hole: ``x`` from the spine, ``y`` from the head; ``wraps``: the edges thread goes round there."""

    x: Mm
    y: Mm
    wraps: tuple[Edge, ...]


@dataclass(frozen=True, slots=True)
class StabWork:
    """The holes of a pattern, those of the stations first, and its lines, each between two of them."""

    holes: tuple[StabHole, ...]
    lines: tuple[tuple[int, int], ...]
    stations: int


@dataclass(frozen=True, slots=True)
class StabMove:
    """One movement of the thread on one face: to another hole, or round an edge and back to its own."""

    face: Face
    start: int
    end: int
    wrap: Edge | None = None


def station_places(height: Mm, entries: StabSewing) -> list[Mm]:
    """The stations from the head: the outer ones as far in as decided, the others even between them."""
    inside = height - 2 * entries.ends
    return [entries.ends + inside * number / (entries.stations - 1) for number in range(entries.stations)]


def stab_work(height: Mm, entries: StabSewing) -> StabWork:
    """The holes and lines of a pattern on leaves of this height."""
    places = station_places(height, entries)
    last = len(places) - 1
    holes = [
        StabHole(entries.margin, place, _wraps(entries.pattern, n, last)) for n, place in enumerate(places)
    ]
    lines = [(number, number + 1) for number in range(last)]
    more = {"plain": _nothing, "corners": _corners, "leaf": _leaf, "fan": _fan}[entries.pattern]
    for of, hole in more(height, entries, places):
        holes.append(hole)
        lines += [(each, len(holes) - 1) for each in of]
    return StabWork(tuple(holes), tuple(lines), len(places))


def _wraps(pattern: StabPattern, number: int, last: int) -> tuple[Edge, ...]:
    ends: list[Edge] = []
    if pattern != "corners" and number == 0:
        ends.append("head")
    if pattern != "corners" and number == last:
        ends.append("tail")
    return ("spine", *ends)


_More = Iterator[tuple[tuple[int, ...], StabHole]]
"""Further holes, each with the stations a line goes to it from."""


def _nothing(height: Mm, entries: StabSewing, places: list[Mm]) -> _More:
    yield from ()


def _corners(height: Mm, entries: StabSewing, places: list[Mm]) -> _More:
    x, y = entries.margin * CORNER_PART, entries.ends * CORNER_PART
    yield (0,), StabHole(x, y, ("spine", "head"))
    yield (len(places) - 1,), StabHole(x, height - y, ("spine", "tail"))


def _leaf(height: Mm, entries: StabSewing, places: list[Mm]) -> _More:
    for number in range(len(places) - 1):
        middle = (places[number] + places[number + 1]) / 2
        yield (number, number + 1), StabHole(entries.margin * INNER_PART, middle, ("spine",))


def _fan(height: Mm, entries: StabSewing, places: list[Mm]) -> _More:
    spread = min(SPREAD_PART * (places[1] - places[0]), CORNER_PART * entries.ends)
    for number, place in enumerate(places):
        for way in (-1, 1):
            yield (number,), StabHole(entries.margin * INNER_PART, place + way * spread, ("spine",))


def sew_stab(work: StabWork) -> list[StabMove]:
    """Every movement of one thread, from the hole it begins at to its knot there.

    Begun at the middle station, the thread coming out on the front. Whatever goes through a hole changes
    sides; a loop round an edge ends on the side it began.
    """
    moves: list[StabMove] = []
    seen: set[int] = set()
    laid: set[tuple[int, int]] = set()

    def visit(hole: int, face: Face) -> None:
        other: Face = "back" if face == "front" else "front"
        if hole not in seen:
            seen.add(hole)
            for edge in work.holes[hole].wraps:
                moves.append(StabMove(face, hole, hole, edge))
            for line in work.lines:
                if hole in line and line not in laid:
                    laid.add(line)
                    end = line[1] if line[0] == hole else line[0]
                    moves.append(StabMove(face, hole, end))
                    visit(end, other)
                    moves.append(StabMove(other, end, hole))

    visit(work.stations // 2, "front")
    return moves


def to_edge(hole: StabHole, edge: Edge, height: Mm) -> Mm:
    """How far a hole stands from an edge."""
    return {"spine": hole.x, "head": hole.y, "tail": height - hole.y}[edge]


def thread_of_stab(work: StabWork, moves: list[StabMove], height: Mm, thickness: Mm) -> Mm:
    """Thread all movements take: along the leaves, round the edges, and through the block at every hole.

    A loop goes to the edge, down it and back: twice the distance and once the thickness, and once more
    through the hole.
    """
    total = 0.0
    for move in moves:
        start, end = work.holes[move.start], work.holes[move.end]
        if move.wrap:
            total += 2 * to_edge(start, move.wrap, height) + 2 * thickness
        else:
            total += math.dist((start.x, start.y), (end.x, end.y)) + thickness
    return total
