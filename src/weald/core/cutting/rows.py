"""Plain strips of mixed pieces, as one would lay them out by hand: the tallest first, each beside the others
where it still goes, else in a new strip.

It is quick, and now and then better than what a search comes upon: a layout is never worse than this.
"""

import random
from collections.abc import Iterator, Sequence
from itertools import islice, product

from weald.core.cutting.problem import Chosen, Problem, Taken, amount
from weald.core.cutting.strips import Column, Ground, Oriented, Pattern, Strip, pattern_of

MOST_WAYS = 32
"""Ways for pieces to lie that are tried, where several may lie either way."""


def in_rows(ground: Ground, kinds: int, turns: Sequence[Oriented], wanted: Sequence[int]) -> Pattern:
    """One sheet, or one strip of a roll, of the pieces in their turn.

    :param turns: which kind comes when, and which way it lies; the same kind may come both ways.
    """
    left = list(wanted)
    rows: list[list[Oriented]] = []
    heights: list[int] = []
    used: list[int] = []
    room = ground.height
    for one in turns:
        for number, height in enumerate(heights):
            if one.height <= height:
                count = min(left[one.kind], (ground.width - used[number]) // one.width)
                rows[number] += [one] * count
                used[number] += one.width * count
                left[one.kind] -= count
        while left[one.kind] and one.height <= room and not (ground.roll and rows):
            count = min(left[one.kind], ground.width // one.width)
            rows.append([one] * count)
            heights.append(one.height)
            used.append(one.width * count)
            left[one.kind] -= count
            room -= one.height
    strips = [
        Strip(height, tuple(Column(piece.width, (piece,)) for piece in row))
        for height, row in zip(heights, rows, strict=True)
    ]
    return pattern_of(ground, strips, kinds)


def drawn_turns(ground: Ground, chance: random.Random) -> list[Oriented]:
    """Turns near to tallest first, other ones each time."""
    off = chance.choice((0.0, 0.1, 0.5))
    return sorted(ground.oriented, key=lambda one: -one.height * (1 + off * chance.random()))


def best_in_rows(problem: Problem) -> Chosen | None:
    """The whole order in plain strips from one stock, in the best of the usual turns; nothing where none
    reaches."""
    layouts = [
        chosen
        for ground in problem.grounds
        if ground.oriented
        for turns in _usual_turns(ground)
        if (chosen := _whole_order(problem, ground, turns)) is not None
    ]
    return min(layouts, key=problem.total_cost, default=None)


def _usual_turns(ground: Ground) -> Iterator[list[Oriented]]:
    ways: dict[int, list[Oriented]] = {}
    for one in ground.oriented:
        ways.setdefault(one.kind, []).append(one)
    for lying in islice(product(*ways.values()), MOST_WAYS):
        yield sorted(lying, key=lambda one: (-one.height, -one.width))
        yield sorted(lying, key=lambda one: (-one.width, -one.height))
        yield sorted(lying, key=lambda one: -one.width * one.height)


def _whole_order(problem: Problem, ground: Ground, turns: Sequence[Oriented]) -> Chosen | None:
    left, most = list(problem.wanted), problem.most[ground.stock]
    chosen: Chosen = []
    while any(left):
        pattern = in_rows(ground, problem.kinds, turns, left)
        if not any(pattern.counts) or amount(pattern) > most:
            return None
        times = min(left[kind] // count for kind, count in enumerate(pattern.counts) if count)
        times = min(times, most // amount(pattern))
        most -= times * amount(pattern)
        left = [still - count * times for still, count in zip(left, pattern.counts, strict=True)]
        chosen.append(Taken(pattern, times))
    return chosen
