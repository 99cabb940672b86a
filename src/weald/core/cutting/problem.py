"""An order in whole tenths of a millimetre, as layouts are reckoned."""

from collections.abc import Sequence
from dataclasses import dataclass

from weald.core.cutting.order import CuttingOrder, Shears, Stock, usable, ways
from weald.core.cutting.strips import Ground, Oriented, Pattern
from weald.core.units import rounded_down, rounded_up

TENTHS_PER_MM = 10
SAME_COST = 1e-6
"""Two layouts whose stock differs by less than this part of it take the same."""
OFFCUT_WEIGHT = 0.5
"""Part of its area an offcut counts for, where offcuts are to go first."""


@dataclass(slots=True)
class Problem:
    """An order in whole tenths. Stock is counted in sheets, a roll in tenths of a millimetre.

    :param costs: what one sheet or one tenth of a roll counts for, in cm².
    :param most: how much there is of every stock.
    """

    order: CuttingOrder
    grounds: list[Ground]
    costs: list[float]
    most: list[int]
    wanted: list[int]

    @property
    def kinds(self) -> int:
        """How many kinds of piece there are."""
        return len(self.wanted)

    def cost(self, pattern: Pattern) -> float:
        """What one of a pattern takes."""
        return self.costs[pattern.ground.stock] * amount(pattern)

    def total_cost(self, chosen: "Chosen") -> float:
        """What all that was chosen takes."""
        return sum(self.cost(taken.pattern) * taken.times for taken in chosen)

    def missing(self, chosen: "Chosen") -> int:
        """Pieces that what was chosen does not give."""
        return sum(
            max(0, want - sum(taken.pattern.counts[kind] * taken.times for taken in chosen))
            for kind, want in enumerate(self.wanted)
        )


def amount(pattern: Pattern) -> int:
    """How much of its stock a pattern takes: one sheet, or so much of the roll."""
    return pattern.used if pattern.ground.roll else 1


@dataclass(frozen=True, slots=True)
class Taken:
    """So many sheets of one pattern."""

    pattern: Pattern
    times: int


Chosen = list[Taken]


def in_tenths(order: CuttingOrder) -> Problem:
    """An order as the layout reckons with it: pieces rounded up, sheets down."""
    total = sum(blank.count for blank in order.blanks)
    grounds, costs, most = [], [], []
    for index, stock in enumerate(order.stock):
        oriented = _oriented(order, stock)
        width, height = _tenths(stock, order.shears)
        weight = OFFCUT_WEIGHT if stock.offcut and order.shears.prefer_offcuts else 1.0
        costs.append(weight * width * (1 if stock.roll else height) / 1e4)
        most.append(height if stock.roll else total if stock.count is None else min(stock.count, total))
        for down in (False,) if stock.roll else (False, True):
            grounds.append(_ground(index, stock, down, (width, height), oriented))
    return Problem(order, grounds, costs, most, [blank.count for blank in order.blanks])


def _tenths(stock: Stock, shears: Shears) -> tuple[int, int]:
    """A sheet's usable size, each piece on it carrying the kerf that parts it from the next.

    A roll is squared along its selvedge only.
    """
    width, height = usable(stock, shears)
    if stock.roll:
        height = stock.height
    down = [rounded_down((side + shears.kerf) * TENTHS_PER_MM) for side in (width, height)]
    return down[0], down[1]


def _oriented(order: CuttingOrder, stock: Stock) -> list[Oriented]:
    found = []
    for kind, blank in enumerate(order.blanks):
        for turned in ways(blank, stock):
            width, height = (blank.height, blank.width) if turned else (blank.width, blank.height)
            up = [rounded_up((side + order.shears.kerf) * TENTHS_PER_MM) for side in (width, height)]
            found.append(Oriented(kind, turned, up[0], up[1]))
    return found


def _ground(
    index: int, stock: Stock, down: bool, size: tuple[int, int], oriented: Sequence[Oriented]
) -> Ground:
    width, height = size
    small = [one for one in oriented if one.width <= width and one.height <= height]
    if down:
        small = [Oriented(one.kind, one.turned, one.height, one.width) for one in small]
        width, height = height, width
    return Ground(index, down, width, height, tuple(small), stock.roll)
