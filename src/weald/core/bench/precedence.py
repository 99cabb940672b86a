"""Which operation comes before which: worked out from what each needs, bars, makes and ends.

An order is never written down. Where several are free, that of the catalogue is the habit.
"""

import heapq
from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from weald.core.bench.step import FactsOf, Step
from weald.core.book.book import Book
from weald.core.job.lying import Fact, Facts


@dataclass(frozen=True, slots=True)
class Blocked:
    """A step that nothing leads to, or that cannot be put anywhere.

    :param fact: what stands in the way: it is not so and nobody makes it, or it is and nobody undoes it.
    :param other: the step it stands against, where two want each other to come first.
    """

    step: Step
    fact: Fact
    other: Step | None = None


@dataclass(frozen=True, slots=True)
class Precedence:
    """Steps in an order in which each can be done, and what each has to wait for.

    :param before: by a step's id, the steps that have to be done before it.
    :param blocked: those that could not be put where they need to be; they stand where habit has them.
    """

    steps: tuple[Step, ...]
    before: Mapping[str, frozenset[str]]
    blocked: tuple[Blocked, ...]


def planned_steps(steps: Iterable[Step], book: Book, there: Facts) -> tuple[Step, ...]:
    """The steps a book has: those it asks for, but for what is so already."""
    return tuple(step for step in steps if not is_so(step, there) and step.when(book))


def is_so(step: Step, there: Facts) -> bool:
    """Whether all a step would make so is so, and nothing is left that it would undo."""
    if step.ends:
        return not any(fact in there for fact in step.ends)
    return bool(step.makes) and all(fact in there for fact in step.makes)


def pieces_there(steps: Iterable[Step], there: Facts) -> frozenset[str]:
    """The pieces nobody cuts any more, since what they are cut for is so."""
    return frozenset(piece for step in steps if is_so(step, there) for piece in step.pieces)


def in_order(steps: Sequence[Step], book: Book, there: Facts) -> Precedence:
    """Steps as matter lets them follow one another.

    :param steps: in the order of habit. ``there``: what is so at first.
    """
    makers, enders = _by_fact(steps)
    before: dict[str, set[str]] = {step.id: set() for step in steps}
    reasons: dict[tuple[str, str], Fact] = {}
    blocked: list[Blocked] = []

    def comes_first(first: Step, then: Step, fact: Fact) -> None:
        if first.id != then.id:
            before[then.id].add(first.id)
            reasons.setdefault((first.id, then.id), fact)

    for step in steps:
        needs = facts_of(step.needs, book)
        for fact in (*needs, *facts_of(step.follows, book)):
            for maker in makers[fact]:
                comes_first(maker, step, fact)
        for fact in needs:
            if fact not in there and not makers[fact]:
                blocked.append(Blocked(step, fact))
        for fact in facts_of(step.bars, book):
            for maker in makers[fact]:
                comes_first(step, maker, fact)
            for ender in enders[fact]:
                comes_first(ender, step, fact)
            if fact in there and not enders[fact]:
                blocked.append(Blocked(step, fact))
    order, against = _sorted(steps, before, reasons)
    return Precedence(order, {name: frozenset(each) for name, each in before.items()}, (*blocked, *against))


def facts_of(facts: FactsOf, book: Book) -> tuple[Fact, ...]:
    """Facts of a record, for this book."""
    return facts if isinstance(facts, tuple) else facts(book)


def _by_fact(steps: Sequence[Step]) -> tuple[defaultdict[Fact, list[Step]], defaultdict[Fact, list[Step]]]:
    makers, enders = defaultdict[Fact, list[Step]](list), defaultdict[Fact, list[Step]](list)
    for step in steps:
        for fact in step.makes:
            makers[fact].append(step)
        for fact in step.ends:
            enders[fact].append(step)
    return makers, enders


def _sorted(
    steps: Sequence[Step], before: dict[str, set[str]], reasons: Mapping[tuple[str, str], Fact]
) -> tuple[tuple[Step, ...], list[Blocked]]:
    """The steps, each after what comes before it, else by habit; of two in a circle habit decides."""
    place = {step.id: number for number, step in enumerate(steps)}
    after = defaultdict[str, list[str]](list)
    for name, firsts in before.items():
        for first in firsts:
            after[first].append(name)
    left = {name: len(firsts) for name, firsts in before.items()}
    ready = [place[name] for name, count in left.items() if not count]
    heapq.heapify(ready)
    order: list[Step] = []
    against: list[Blocked] = []
    while len(order) < len(steps):
        if not ready:
            against.append(_untied(steps, left, before, after, place, reasons))
            ready = [place[name] for name, count in left.items() if not count]
            heapq.heapify(ready)
            continue
        step = steps[heapq.heappop(ready)]
        order.append(step)
        left[step.id] = -1
        for name in after[step.id]:
            left[name] -= 1
            if not left[name]:
                heapq.heappush(ready, place[name])
    return tuple(order), against


def _untied(
    steps: Sequence[Step],
    left: dict[str, int],
    before: dict[str, set[str]],
    after: dict[str, list[str]],
    place: Mapping[str, int],
    reasons: Mapping[tuple[str, str], Fact],
) -> Blocked:
    """Two steps that want each other to come first: habit decides, and it is said."""
    stuck = {name for name, count in left.items() if count > 0}
    name = min(stuck, key=place.__getitem__)
    # back along what it waits for until a step comes again: those between the two stand in a circle
    way = [name]
    while way.count(way[-1]) == 1:
        way.append(min(before[way[-1]] & stuck, key=place.__getitem__))
    circle = way[way.index(way[-1]) :]
    ties = [(first, then) for then, first in pairwise(circle)]
    first, then = max(ties, key=lambda tie: place[tie[0]] - place[tie[1]])
    before[then].discard(first)
    after[first].remove(then)
    left[then] -= 1
    return Blocked(steps[place[then]], reasons[first, then], steps[place[first]])
