"""The least stock any layout has to take, however it is cut.

Each sheet offers an area of one; each piece needs at least its *conservative* share of it. With
f a dual feasible function, the sizes x of any pieces side by side keep Σ f(x) ≤ 1, so the products
f(width / W) · g(height / H) of the pieces on a sheet add up to one at the most. Plain area is the case
f(x) = g(x) = x; thresholds at 1/2, 1/3 … catch pieces of which only one, two … go side by side.
(Fekete and Schepers 1997; Martello and Vigo 1998.)
"""

import math
from collections.abc import Callable, Sequence

from ortools.linear_solver import pywraplp

from weald.core.cutting.strips import Ground, Tenths
from weald.core.units import NEGLIGIBLE

MOST_NODES = 500
"""Branches of the integer programme looked at; fewer give a weaker bound, never a wrong one."""


def _reachable(parts: Sequence[Tenths], most: Tenths) -> Tenths:
    """The longest that parts laid end to end reach, up to ``most``."""
    reached = 1
    for part in sorted(set(parts)):
        step = part
        while step <= most:
            grown = reached | (reached << step)
            step *= 2
            reached = grown
    reached &= (1 << (most + 1)) - 1
    return max(1, reached.bit_length() - 1)


_Share = Callable[[float], float]


def _plain(size: float) -> float:
    return size


def _threshold(edge: float) -> _Share:
    """Sizes beyond 1 − edge fill the whole, sizes under edge nothing; in between they are as they are."""

    def share(size: float) -> float:
        if size > 1 - edge + NEGLIGIBLE:
            return 1.0
        return 0.0 if size < edge - NEGLIGIBLE else size

    return share


def _steps(parts: int) -> _Share:
    """Of sizes above 1/(parts + 1) no more than so many go side by side."""

    def share(size: float) -> float:
        count = size * (parts + 1)
        if abs(count - round(count)) < NEGLIGIBLE:
            return size
        return math.floor(count) / parts

    return share


SHARES: tuple[_Share, ...] = (
    _plain,
    *(_steps(parts) for parts in (1, 2, 3, 4, 5, 6)),
    *(_threshold(edge) for edge in (0.1, 0.2, 0.25, 0.3, 0.35, 0.4, 0.45, 0.5)),
)


def least_cost(
    grounds: Sequence[Ground], costs: Sequence[float], most: Sequence[int], wanted: Sequence[int]
) -> float:
    """A cost that no layout stays under.

    :param grounds: one for each stock, its strips running across; pieces listed every way they may lie.
    :param costs: of one sheet of each stock, or of a tenth of a millimetre of a roll.
    :param most: how many sheets there are of each.
    :param wanted: pieces of every kind.
    """
    solver = pywraplp.Solver.CreateSolver("SCIP")
    solver.SetSolverSpecificParametersAsString(f"limits/nodes = {MOST_NODES}\n")
    sheets = [
        solver.NumVar(0, ground.height, "") if ground.roll else solver.IntVar(0, count, "")
        for ground, count in zip(grounds, most, strict=True)
    ]
    shared: dict[tuple[int, int], pywraplp.Variable] = {}
    for stock, ground in enumerate(grounds):
        for kind in {one.kind for one in ground.oriented}:
            shared[stock, kind] = solver.NumVar(0, wanted[kind], "")
    for kind, count in enumerate(wanted):
        solver.Add(solver.Sum([amount for (_, each), amount in shared.items() if each == kind]) >= count)
    for stock, ground in enumerate(grounds):
        if ground.roll:
            for kind, height in _least_heights(ground).items():
                solver.Add(shared[stock, kind] * (height / wanted[kind]) <= sheets[stock])
        for needs in _needs(ground):
            taken = [shared[stock, kind] * need for kind, need in needs.items() if need > 0]
            if taken:
                solver.Add(solver.Sum(taken) <= sheets[stock])
    solver.Minimize(solver.Sum([sheet * cost for sheet, cost in zip(sheets, costs, strict=True)]))
    status = solver.Solve()
    if status == pywraplp.Solver.INFEASIBLE:
        return math.inf
    return float(solver.Objective().BestBound())


def _least_heights(ground: Ground) -> dict[int, Tenths]:
    """How long a roll has to be for a piece of each kind, at the least."""
    least: dict[int, Tenths] = {}
    for one in ground.oriented:
        least[one.kind] = min(one.height, least.get(one.kind, one.height))
    return least


def _needs(ground: Ground) -> list[dict[int, float]]:
    """For every pair of shares, the least of a sheet that each kind needs, the better of its two ways.

    Pushed together to the left and the top, pieces end where other pieces added up would, so a sheet is
    no larger than the longest such sums. Of a roll, the least of its length: share of the width times height.
    """
    rows: dict[tuple[float, ...], dict[int, float]] = {}
    width = _reachable([one.width for one in ground.oriented], ground.width)
    height = _reachable([one.height for one in ground.oriented], ground.height)
    kinds = sorted({one.kind for one in ground.oriented})
    heights: tuple[_Share, ...] = (_plain,) if ground.roll else SHARES
    for across in SHARES:
        for down in heights:
            least: dict[int, float] = {}
            for one in ground.oriented:
                tall = float(one.height) if ground.roll else down(one.height / height)
                need = across(one.width / width) * tall
                least[one.kind] = min(need, least.get(one.kind, math.inf))
            rows[tuple(round(least[kind], 12) for kind in kinds)] = least
    return list(rows.values())
