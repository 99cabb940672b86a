"""Different things on one sheet: as many of each as its count asks, in rows that shears can cut.

A sheet is cut across into rows first, then each row into its things. Printed n times, it has to hold
count / n of each, rounded up; the least n that fits is taken.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from weald.core.units import TOLERANCE, Mm

MOST_ON_A_SHEET = 2000
RUNS_TRIED = 60


@dataclass(frozen=True, slots=True)
class Wanted:
    """One kind of thing. ``turns``: whether it may lie, upright first; a grain leaves one of the two."""

    name: str
    width: Mm
    height: Mm
    count: int
    turns: tuple[bool, ...] = (False, True)


@dataclass(frozen=True, slots=True)
class Spot:
    """A thing where it lies on the sheet; ``turned`` a quarter."""

    name: str
    left: Mm
    top: Mm
    width: Mm
    height: Mm
    turned: bool

    def behind(self, sheet_width: Mm) -> "Spot":
        """Its back, on the sheet turned over sideways."""
        return Spot(
            self.name, sheet_width - self.left - self.width, self.top, self.width, self.height, self.turned
        )


@dataclass(frozen=True, slots=True)
class Ganged:
    """A sheet laid out: what lies on it, and how often it is printed for all that is wanted."""

    spots: tuple[Spot, ...]
    runs: int

    def rows(self) -> list[tuple[Mm, Mm]]:
        """Top and foot of each row, from the top."""
        tops = sorted({spot.top for spot in self.spots})
        return [(top, max(spot.top + spot.height for spot in self.spots if spot.top == top)) for top in tops]


def gang(wanted: Sequence[Wanted], sheet: tuple[Mm, Mm], margin: Mm, gutter: Mm) -> Ganged | None:
    """The layout that is printed least often.

    Nothing where one of the things does not go on the sheet at all.
    """
    inside = (sheet[0] - 2 * margin, sheet[1] - 2 * margin)
    most = max((each.count for each in wanted), default=0)
    if not most:
        return None
    area = sum(each.count * each.width * each.height for each in wanted)
    least = max(1, math.floor(area / max(1.0, inside[0] * inside[1])))
    for runs in _runs(least, most):
        each_run = [(each, math.ceil(each.count / runs)) for each in wanted]
        if sum(count for _, count in each_run) > MOST_ON_A_SHEET:
            continue
        spots = _in_rows(each_run, inside, gutter)
        if spots is not None:
            moved = (
                Spot(spot.name, spot.left + margin, spot.top + margin, spot.width, spot.height, spot.turned)
                for spot in spots
            )
            return Ganged(tuple(moved), runs)
    return None


def _runs(least: int, most: int) -> list[int]:
    """Numbers of runs to try, the least first: one after the other, and then in larger steps."""
    near = list(range(least, min(most, least + RUNS_TRIED) + 1))
    far = []
    at = near[-1] if near else most
    while at < most:
        at = min(most, math.ceil(at * 1.15) + 1)
        far.append(at)
    return near + far if near else [most]


def _in_rows(wanted: Sequence[tuple[Wanted, int]], inside: tuple[Mm, Mm], gutter: Mm) -> list[Spot] | None:
    """Rows from the tallest thing down, each filled from the left; nothing where they are too many."""
    pieces: list[tuple[str, Mm, Mm, bool]] = []
    for each, count in wanted:
        lies = _lies(each, inside)
        if lies is None:
            return None
        width, height = (each.height, each.width) if lies else (each.width, each.height)
        pieces += [(each.name, width, height, lies)] * count
    pieces.sort(key=lambda piece: (-piece[2], -piece[1]))
    rows: list[list[Mm]] = []
    spots: list[Spot] = []
    for name, width, height, turned in pieces:
        row = next(
            (row for row in rows if row[2] + width <= inside[0] + TOLERANCE and height <= row[1] + TOLERANCE),
            None,
        )
        if row is None:
            top = rows[-1][0] + rows[-1][1] + gutter if rows else 0.0
            if top + height > inside[1] + TOLERANCE:
                return None
            row = [top, height, 0.0]
            rows.append(row)
        spots.append(Spot(name, row[2], row[0], width, height, turned))
        row[2] += width + gutter
    return spots


def _lies(each: Wanted, inside: tuple[Mm, Mm]) -> bool | None:
    """Whether a thing is turned.

    Of the ways it may lie, the one of which most go in a row; none where neither.
    """
    fits: list[tuple[float, bool]] = []
    for turned in each.turns:
        width, height = (each.height, each.width) if turned else (each.width, each.height)
        if width <= inside[0] + TOLERANCE and height <= inside[1] + TOLERANCE:
            waste = inside[0] % width / inside[0]
            fits.append((waste, turned))
    return min(fits)[1] if fits else None
