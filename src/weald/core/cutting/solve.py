"""Laying pieces out on stock.

Sheet after sheet is filled (:mod:`.packing`). Where the least any layout can take (:mod:`.bounds`) says
that none is better, that is the end. Otherwise sheets are emptied and filled again to do with less.

Everything is reckoned in a fixed number of steps, not in seconds, so that the same order is laid
out the same way on any machine.
"""

import random
from collections.abc import Sequence

from weald.core.cutting.arranging import arrange
from weald.core.cutting.bounds import least_cost
from weald.core.cutting.grouping import CutGroup, CutResult, Group
from weald.core.cutting.layout import CutSheet, Layout, Missing, Usage
from weald.core.cutting.order import CuttingOrder, Stock, check_order
from weald.core.cutting.packing import Packer
from weald.core.cutting.problem import SAME_COST, Chosen, Problem, in_tenths
from weald.core.cutting.progress import Tell, to_nobody
from weald.core.cutting.rows import best_in_rows


def lay_out(order: CuttingOrder, tell: Tell = to_nobody) -> Layout:
    """Lay pieces out on as little stock as can be found, and say how good that is.

    Pieces for which the stock does not reach come back as missing.

    :param tell: told how far it has come, 0 to 100.
    :raises weald.core.errors.SpecError: when a piece has no size, or fits no sheet.
    """
    check_order(order)
    problem = in_tenths(order)
    packer = Packer(problem, random.Random(1), tell)
    chosen = packer.first()
    level = [ground for ground in problem.grounds if not ground.down]
    bound = least_cost(level, problem.costs, problem.most, problem.wanted)
    chosen = packer.fewer(chosen, bound)
    if problem.missing(chosen) or problem.total_cost(chosen) > bound * (1 + SAME_COST):
        chosen = _in_rows(problem, chosen, bound, tell)
    tell(95)
    if problem.missing(chosen):
        bound = 0.0
    return _layout(problem, chosen, bound)


def _in_rows(problem: Problem, chosen: Chosen, bound: float, tell: Tell) -> Chosen:
    """The same in plain strips of mixed pieces where they take less, and sought on with them."""
    plain = best_in_rows(problem)
    if plain is not None and (
        problem.missing(chosen) or problem.total_cost(plain) < problem.total_cost(chosen) * (1 - SAME_COST)
    ):
        chosen = plain
    return Packer(problem, random.Random(2), tell, rows=True).fewer(chosen, bound)


def lay_out_groups(groups: Sequence[Group], without: Sequence[str], tell: Tell = to_nobody) -> CutResult:
    """Lay every group out, one after another.

    :param tell: told how far it has come, 0 to 100.
    :raises weald.core.errors.SpecError: when a piece fits nothing, or has no size.
    """
    done = []
    for number, group in enumerate(groups):

        def part(percent: int, number: int = number) -> None:
            tell((100 * number + percent) // len(groups))

        layout = lay_out(group.order, part)
        done.append(CutGroup(group.item, group.label, group.material, group.order.blanks, layout))
    return CutResult(tuple(done), tuple(without))


def _layout(problem: Problem, chosen: Chosen, bound: float) -> Layout:
    order = problem.order
    sheets, cut = arrange(problem, chosen)
    missing = [
        Missing(blank.id, blank.label, blank.count - have)
        for blank, have in zip(order.blanks, cut, strict=True)
        if have < blank.count
    ]
    area = {"piece": 0.0, "offcut": 0.0, "waste": 0.0}
    for sheet in sheets:
        for part in sheet.parts:
            area[part.use] += part.width * part.height * sheet.times
    usage = tuple(_usage(stock, sheets) for stock in order.stock if any(s.stock == stock.id for s in sheets))
    return Layout(
        tuple(sheets),
        usage,
        tuple(missing),
        area["piece"],
        area["offcut"],
        area["waste"],
        problem.total_cost(chosen),
        bound,
    )


def _usage(stock: Stock, sheets: list[CutSheet]) -> Usage:
    taken = [sheet for sheet in sheets if sheet.stock == stock.id]
    count = sum(sheet.times for sheet in taken)
    length = sum(sheet.height for sheet in taken) if stock.roll else 0.0
    amount = length / 1000 if stock.roll else count
    return Usage(
        stock.id,
        stock.label,
        0 if stock.roll else count,
        length,
        None if stock.price is None else stock.price * amount,
    )
