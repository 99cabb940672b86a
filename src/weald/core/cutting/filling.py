"""Filling one sheet with pieces that are still wanted, strip by strip.

The heights of the strips are drawn so that they use up the sheet; each strip is then the best
there is for its height, a knapsack of columns.
"""

import math
import random
from collections.abc import Sequence

import numpy as np

from weald.core.cutting.strips import Column, Ground, Oriented, Pattern, Strip, Tenths, pattern_of
from weald.core.units import NEGLIGIBLE

DRAWS = 6
"""Ways to share out the height that are drawn; the one that uses up most is taken."""


class Filler:
    """Fills sheets of one ground."""

    def __init__(self, ground: Ground, kinds: int) -> None:
        """Find the coarsest measure in which every width is whole."""
        self.ground, self.kinds = ground, kinds
        self.unit = math.gcd(*(one.width for one in ground.oriented)) if ground.oriented else 1
        self.room = ground.width // self.unit

    def fill(self, wanted: Sequence[int], chance: random.Random) -> Pattern:
        """A sheet of wanted pieces, or one strip of a roll; another one each time."""
        left = list(wanted)
        strips: list[Strip] = []
        heights = self._heights(left, chance)
        oriented = self._one_way_each(chance)
        off = chance.choice((0.0, 0.05, 0.3))
        worth = [one.width * one.height * (1 + off * chance.random()) for one in oriented]
        room = self.ground.height
        while heights:
            height = heights.pop(0)
            if strip := self._strip(height, oriented, worth, left):
                strips.append(strip)
                room -= strip.height
            if self.ground.roll:
                break
            if not heights and strip:
                heights = self._heights(left, chance, room)
        return pattern_of(self.ground, strips, self.kinds)

    def _one_way_each(self, chance: random.Random) -> list[Oriented]:
        """Of pieces that may lie either way, one way at random."""
        ways: dict[int, list[Oriented]] = {}
        for one in self.ground.oriented:
            ways.setdefault(one.kind, []).append(one)
        return [chance.choice(each) for each in ways.values()]

    def _heights(
        self, left: Sequence[int], chance: random.Random, room: Tenths | None = None
    ) -> list[Tenths]:
        """Strip heights that together use up the sheet, tallest first."""
        all_heights = sorted({one.height for one in self.ground.oriented if left[one.kind]}, reverse=True)
        if not all_heights:
            return []
        if self.ground.roll:
            return [chance.choice(all_heights)]
        best: list[Tenths] = []
        for _ in range(DRAWS):
            drawn, rest = [], self.ground.height if room is None else room
            while fitting := [height for height in all_heights if height <= rest]:
                height = fitting[min(int(chance.expovariate(1.0)), len(fitting) - 1)]
                if chance.random() < 0.3:
                    height = chance.choice(fitting)
                drawn.append(height)
                rest -= height
            if sum(drawn) > sum(best):
                best = drawn
        return sorted(best, reverse=True)

    def _strip(
        self, height: Tenths, oriented: Sequence[Oriented], worth: Sequence[float], left: list[int]
    ) -> Strip | None:
        """The strip of this height worth most; takes its pieces off ``left``."""
        stacks = self._stacks(height, oriented, worth, left)
        best = np.zeros(self.room + 1)
        taken = []
        for one, (_, times), value in stacks:
            width = one.width // self.unit * times
            gain = best[: max(0, self.room + 1 - width)] + value
            better = gain > best[width:] + NEGLIGIBLE
            best[width:][better] = gain[better]
            taken.append(better)
        place, columns = self.room, []
        for (one, (deep, times), _), better in zip(reversed(stacks), reversed(taken), strict=True):
            width = one.width // self.unit * times
            if place >= width and better[place - width]:
                place -= width
                columns += [[one] * deep for _ in range(times)]
                left[one.kind] -= deep * times
        if not columns:
            return None
        for column in columns:
            self._top_up(column, height, oriented, left)
        built = tuple(Column(column[0].width, tuple(column)) for column in columns)
        return Strip(max(sum(piece.height for piece in column.pieces) for column in built), built)

    def _stacks(
        self, height: Tenths, oriented: Sequence[Oriented], worth: Sequence[float], left: Sequence[int]
    ) -> list[tuple[Oriented, tuple[int, int], float]]:
        """Columns of one kind as deep as the strip, in lots of 1, 2, 4 … so that any number can be taken."""
        found = []
        for one, value in zip(oriented, worth, strict=True):
            deepest = min(height // one.height, left[one.kind]) if left[one.kind] else 0
            if not deepest:
                continue
            full, rest = divmod(left[one.kind], deepest)
            full = min(full, self.ground.width // one.width)
            lot = 1
            while full > 0:
                times = min(lot, full)
                found.append((one, (deepest, times), value * deepest * times))
                full -= times
                lot *= 2
            if rest:
                found.append((one, (rest, 1), value * rest))
        return found

    def _top_up(
        self, column: list[Oriented], height: Tenths, oriented: Sequence[Oriented], left: list[int]
    ) -> None:
        room = height - sum(piece.height for piece in column)
        for one in sorted(oriented, key=lambda each: -each.width * each.height):
            while left[one.kind] and one.width <= column[0].width and one.height <= room:
                column.append(one)
                left[one.kind] -= 1
                room -= one.height
