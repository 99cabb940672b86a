"""Whole layouts: sheet after sheet, then emptied and filled again until one sheet fewer does."""

import random
from collections import Counter
from collections.abc import Iterator

from weald.core.cutting.filling import Filler
from weald.core.cutting.problem import SAME_COST, Chosen, Problem, Taken, amount
from weald.core.cutting.progress import Tell
from weald.core.cutting.rows import drawn_turns, in_rows
from weald.core.cutting.strips import Pattern, pattern_of

FIRST_TRIES = 12
"""Fillings tried for every sheet of the first layout."""
FILLINGS = 1600
"""Fillings tried in all to do with less stock, at the most;"""
FILLINGS_A_PIECE = 40
"""of few pieces there are not so many different ones."""
TELL_EVERY = 20
REFILL_TRIES = 4
"""Fillings tried each time."""
REFILL_SLACK = 1.02
"""How much more may lie loose after a step than before it, so that the search does not stick."""


class Packer:
    """Lays whole orders out."""

    def __init__(self, problem: Problem, chance: random.Random, tell: Tell, *, rows: bool = False) -> None:
        """Make ready to fill sheets of every ground.

        :param rows: every other sheet is filled in plain strips of mixed pieces.
        """
        self.problem, self.chance, self.tell, self.rows = problem, chance, tell, rows
        self.fillings = 0
        self.areas = [blank.width * blank.height for blank in problem.order.blanks]
        self.fillers: dict[int, list[Filler]] = {}
        for ground in problem.grounds:
            if ground.oriented:
                self.fillers.setdefault(ground.stock, []).append(Filler(ground, problem.kinds))

    def _worth(self, counts: tuple[int, ...] | list[int]) -> float:
        return sum(area * count for area, count in zip(self.areas, counts, strict=True))

    def _fillings(self, stock: int, left: list[int], tries: int) -> Iterator[Pattern]:
        for number in range(tries):
            fillers = self.fillers[stock]
            filler = fillers[number // (1 + self.rows) % len(fillers)]
            if self.rows and number % 2:
                turns = drawn_turns(filler.ground, self.chance)
                pattern = in_rows(filler.ground, self.problem.kinds, turns, left)
            else:
                pattern = filler.fill(left, self.chance)
            self.fillings -= 1
            if any(pattern.counts):
                yield pattern

    def first(self) -> Chosen:
        """Sheet after sheet, each the one that wastes least of those tried."""
        problem = self.problem
        left, most = list(problem.wanted), list(problem.most)
        chosen: Chosen = []
        while any(left):
            found = [
                pattern
                for stock in self.fillers
                for pattern in self._fillings(stock, left, FIRST_TRIES)
                if amount(pattern) <= most[stock]
            ]
            if not found:
                break
            best = max(found, key=lambda pattern: self._worth(pattern.counts) / problem.cost(pattern))
            times = min(left[kind] // count for kind, count in enumerate(best.counts) if count)
            times = min(times, most[best.ground.stock] // amount(best))
            most[best.ground.stock] -= times * amount(best)
            left = [still - count * times for still, count in zip(left, best.counts, strict=True)]
            chosen.append(Taken(best, times))
            self.tell(round(50 - 50 * self._worth(left) / self._worth(problem.wanted)))
        return chosen

    def fewer(self, chosen: Chosen, bound: float) -> Chosen:
        """The same pieces on less stock, as long as that works out; rolls stay as they are."""
        if any(taken.pattern.ground.roll for taken in chosen) or self.problem.missing(chosen):
            return chosen
        patterns = [taken.pattern for taken in chosen for _ in range(taken.times)]
        self.fillings = min(FILLINGS, FILLINGS_A_PIECE * sum(self.problem.wanted))
        while found := self._with_less(patterns, bound):
            patterns = found
        return [Taken(pattern, times) for pattern, times in Counter(patterns).items()]

    def _with_less(self, patterns: list[Pattern], bound: float) -> list[Pattern] | None:
        least = bound * (1 - SAME_COST)
        cheaper = [
            (kept, loose)
            for kept, loose in self._cheaper(patterns)
            if kept and sum(self.problem.cost(pattern) for pattern in kept) >= least
        ]
        for number, (kept, loose) in enumerate(cheaper):
            if found := self._refill(kept, loose, self.fillings // (len(cheaper) - number)):
                return found
        return None

    def _cheaper(self, patterns: list[Pattern]) -> Iterator[tuple[list[Pattern], list[int]]]:
        """Less stock, smallest saving first: the emptiest sheet of a stock taken away, or exchanged for a
        cheaper one; with the pieces that then lie loose."""
        taken = Counter(pattern.ground.stock for pattern in patterns)
        spare: list[int | None] = [None]
        spare += [stock for stock in self.fillers if self.problem.most[stock] > taken[stock]]
        costs = self.problem.costs
        swaps = [
            (stock, instead)
            for stock in taken
            for instead in spare
            if instead is None or costs[instead] < costs[stock]
        ]
        for stock, instead in sorted(
            swaps, key=lambda swap: costs[swap[0]] - (0 if swap[1] is None else costs[swap[1]])
        ):
            emptiest = min(
                (pattern for pattern in patterns if pattern.ground.stock == stock),
                key=lambda pattern: self._worth(pattern.counts),
            )
            kept = list(patterns)
            kept.remove(emptiest)
            if instead is not None:
                kept.append(pattern_of(self.fillers[instead][0].ground, (), self.problem.kinds))
            yield kept, list(emptiest.counts)

    def _refill(self, patterns: list[Pattern], loose: list[int], budget: int) -> list[Pattern] | None:
        """Empty a sheet or two at a time, and fill them with the best of their pieces and the loose ones."""
        patterns = list(patterns)
        outside = self._worth(loose)
        until, attempt = self.fillings - budget, 0
        while any(loose) and self.fillings > until:
            attempt += 1
            if attempt % TELL_EVERY == 0:
                self.tell(round(95 - 45 * self.fillings / FILLINGS))
            filled: list[Pattern] = []
            numbers = self.chance.sample(range(len(patterns)), min(len(patterns), 1 + attempt % 2))
            left = loose
            for number in numbers:
                left = _sum(left, patterns[number].counts)
            for number in numbers:
                fillings = list(self._fillings(patterns[number].ground.stock, left, REFILL_TRIES))
                if not fillings:
                    break
                best = max(fillings, key=lambda each: self._worth(each.counts))
                left = [have - count for have, count in zip(left, best.counts, strict=True)]
                filled.append(best)
            still = self._worth(left)
            if len(filled) == len(numbers) and still <= outside * REFILL_SLACK:
                loose, outside = left, still
                for number, pattern in zip(numbers, filled, strict=True):
                    patterns[number] = pattern
        return None if any(loose) else patterns


def _sum(left: list[int], right: tuple[int, ...]) -> list[int]:
    return [one + other for one, other in zip(left, right, strict=True)]
