"""The chosen sheets laid in order: nothing too much on them, what is left as whole as can be."""

import random
from collections import Counter
from collections.abc import Sequence

from weald.core.cutting.building import Builder, largest_offcut
from weald.core.cutting.filling import Filler
from weald.core.cutting.layout import CutSheet, Region
from weald.core.cutting.problem import Chosen, Problem
from weald.core.cutting.strips import Column, Pattern, Strip, pattern_of

STRIPS_A_LENGTH = 12
"""A roll is laid out in lengths of so many strips, so that each can be drawn."""
TRIES = 24
"""Orders tried to put the same pieces on a sheet with a larger offcut."""


def arrange(problem: Problem, chosen: Chosen) -> tuple[list[CutSheet], list[int]]:
    """The sheets cut apart in millimetres, those alike together, and the pieces of every kind they give."""
    cut = [0] * problem.kinds
    sheets: Counter[Pattern] = Counter()
    rolls: dict[int, list[Strip]] = {}
    for taken in sorted(chosen, key=lambda each: (each.pattern.ground.stock, -sum(each.pattern.counts))):
        for _ in range(taken.times):
            counts = tuple(
                min(count, want - have)
                for count, want, have in zip(taken.pattern.counts, problem.wanted, cut, strict=True)
            )
            cut = [have + count for have, count in zip(cut, counts, strict=True)]
            if not any(counts):
                continue
            clipped = _clipped(taken.pattern, counts)
            if clipped.ground.roll:
                rolls.setdefault(clipped.ground.stock, []).extend(clipped.strips)
            else:
                sheets[clipped] += 1
    apart = [_tidied(problem, pattern, times) for pattern, times in sheets.items()]
    for stock, strips in rolls.items():
        ground = next(each for each in problem.grounds if each.stock == stock)
        for first in range(0, len(strips), STRIPS_A_LENGTH):
            length = strips[first : first + STRIPS_A_LENGTH]
            apart.append(_cut_sheet(problem, pattern_of(ground, length, problem.kinds), 1))
    return apart, cut


def _clipped(pattern: Pattern, counts: Sequence[int]) -> Pattern:
    """A pattern without the pieces it has too many of."""
    if tuple(counts) == pattern.counts:
        return pattern
    left, strips = list(counts), []
    for strip in pattern.strips:
        columns = []
        for column in strip.columns:
            pieces = []
            for piece in column.pieces:
                if left[piece.kind]:
                    left[piece.kind] -= 1
                    pieces.append(piece)
            if pieces:
                columns.append(Column(max(piece.width for piece in pieces), tuple(pieces)))
        if columns:
            height = max(sum(piece.height for piece in column.pieces) for column in columns)
            strips.append(Strip(height, tuple(columns)))
    return pattern_of(pattern.ground, strips, len(counts))


def _tidied(problem: Problem, pattern: Pattern, times: int) -> CutSheet:
    """The same pieces on the same sheet, laid so that the largest offcut is left."""
    chance = random.Random(2)
    best = _cut_sheet(problem, pattern, times)
    for ground in problem.grounds:
        if ground.stock != pattern.ground.stock:
            continue
        filler = Filler(ground, problem.kinds)
        for _ in range(TRIES):
            again = filler.fill(pattern.counts, chance)
            if again.counts == pattern.counts:
                best = max(best, _cut_sheet(problem, again, times), key=_kept)
    return best


def _kept(sheet: CutSheet) -> float:
    return largest_offcut(sheet.region)


def _cut_sheet(problem: Problem, pattern: Pattern, times: int) -> CutSheet:
    stock = problem.order.stock[pattern.ground.stock]
    builder = Builder(stock, pattern, problem.order.blanks, problem.order.shears)
    region: Region = builder.sheet()
    return CutSheet(stock.id, stock.label, stock.width, region.height, stock.grain, stock.roll, times, region)
