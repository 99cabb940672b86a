"""The order of work of one book: its operations as a graph without circles, and the longest way through.

Pure, and without a clock: times are minutes from the beginning. What may be done side by side is in strands.
"""

from collections.abc import Mapping, Sequence
from dataclasses import replace

from weald.core.bench.book import Book
from weald.core.bench.operation import (
    PLACES,
    WAIT_STATES,
    Asked,
    Glued,
    Operation,
    Strand,
    ToHand,
    Wait,
    minutes_in_words,
)
from weald.core.bench.orders import ORDERS
from weald.core.bench.step import CAUTION_TAIL, CAUTIONS, Pause, Step
from weald.core.bench.steps import STEPS
from weald.core.quantities import QuantityId

_BEGINS_AFTER: Mapping[Strand, tuple[Strand, ...]] = {"block": ("sheets",), "book": ("block", "cover")}
"""The strands whose end another waits for before it begins."""


def order_of_work(book: Book) -> tuple[Operation, ...]:
    """The operations of a book, in an order in which one pair of hands could do them.

    Sizes, minutes and adhesives are this book's own; ``start`` and ``critical`` are for as many hands as it
    takes (docs/craft.md, The order of work).
    """
    steps = [STEPS[name] for name in ORDERS[book.structure.name]]
    steps = [step for step in steps if step.when(book)]
    after = _after(steps)
    return _timed([_operation(step, after[step.id], book) for step in steps])


def _after(steps: Sequence[Step]) -> dict[str, tuple[str, ...]]:
    """What each step waits for: the one before it in its strand, what it names, and where strands meet."""
    there = {step.id for step in steps}
    last: dict[str, str] = {}
    after: dict[str, tuple[str, ...]] = {}
    for step in steps:
        before = [last[step.strand]] if step.strand in last else _begins_after(step, last)
        before += [name for name in step.needs if name in there and name not in before]
        after[step.id] = tuple(before)
        last[step.strand] = step.id
    return after


def _begins_after(step: Step, last: Mapping[str, str]) -> list[str]:
    return [last[strand] for strand in _BEGINS_AFTER.get(step.strand, ()) if strand in last]


def _operation(step: Step, after: tuple[str, ...], book: Book) -> Operation:
    say = book.ledger.notation.say
    pieces = book.taken(step.pieces)
    minutes = round(step.fixed + step.each(book) * book.copies, 1)
    return Operation(
        id=step.id,
        title=say(step.title),
        why=say(step.why),
        strand=step.strand,
        pieces=tuple(ToHand(piece.id, piece.label, piece.shown, piece.count) for piece in pieces),
        tools=step.tools,
        glue=tuple(
            Glued(book.facts(joint).title, say(face), _moves(book.facts(joint).moves, book.season()))
            for joint, face in step.glue
        ),
        minutes=minutes,
        lasts=minutes_in_words(minutes),
        people=2 if step.two(book) else 1,
        occupies=tuple(PLACES[place] for place in step.places),
        whole=step.whole,
        after=after,
        wait=_wait(step.wait(book), book),
        looks=tuple(_with_sizes(text, book) for text in step.looks if _has_sizes(text, book)),
        measures=tuple(_asked(each, book) for each in step.measures if _is_asked(each, book)),
        troubles=tuple(
            replace(each, shows=say(each.shows), remedy=say(each.remedy)) for each in step.troubles
        ),
        caution=CAUTIONS[step.danger] + CAUTION_TAIL if step.danger else "",
    )


def _moves(minutes: tuple[float, float], season: float) -> str:
    least, most = (round(each * season, 1) for each in minutes)
    if not most:
        return "cannot be moved"
    return f"{least:g} to {most:g} min"


def _wait(pause: Pause | None, book: Book) -> Wait | None:
    if pause is None:
        return None
    least, usual = pause.minutes or _by_adhesive(pause, book)
    if usual <= 0:
        return None
    lasts = f"{minutes_in_words(least)} at least, usually {minutes_in_words(usual)}"
    return Wait(
        pause.state,
        WAIT_STATES[pause.state],
        least,
        usual,
        lasts if least < usual else minutes_in_words(usual),
        pause.ends,
        pause.rule,
        pause.harm,
        pause.holds,
    )


def _by_adhesive(pause: Pause, book: Book) -> tuple[float, float]:
    """Minutes as the adhesive of the joint takes them, in this season."""
    if pause.joint is None:
        return 0.0, 0.0
    facts = book.facts(pause.joint)
    if pause.until == "tacky":
        least, usual = facts.tacky or (facts.handled, facts.handled)
    elif pause.until == "handled":
        least = usual = facts.handled
    else:
        least, usual = facts.through
    return round(least * book.season()), round(usual * book.season())


def _sizes_in(text: str) -> list[str]:
    return [part.partition("}")[0] for part in text.split("{")[1:] if "." in part.partition("}")[0]]


def _has_sizes(text: str, book: Book) -> bool:
    return all(name in book.ledger.quantities for name in _sizes_in(text))


def _with_sizes(text: str, book: Book) -> str:
    for name in _sizes_in(text):
        shown = book.ledger.quantities[name].shown  # type: ignore[index]
        text = text.replace(f"{{{name}}}", shown)
    return book.ledger.notation.say(text)


def _is_asked(quantity: QuantityId, book: Book) -> bool:
    return book.reckoned(quantity) and book.ledger.quantities[quantity].measurable


def _asked(quantity: QuantityId, book: Book) -> Asked:
    found = book.ledger.quantities[quantity]
    return Asked(quantity, found.label, found.computed_shown, found.measured is not None)


def _timed(operations: Sequence[Operation]) -> tuple[Operation, ...]:
    """Each at its earliest, and those marked that the end hangs on."""
    starts: dict[str, float] = {}
    takes = {each.id: each.takes for each in operations}
    for each in operations:
        starts[each.id] = max((starts[name] + takes[name] for name in each.after), default=0.0)
    end = max((starts[name] + takes[name] for name in starts), default=0.0)
    latest = {each.id: end - each.takes for each in operations}
    for each in reversed(operations):
        for name in each.after:
            latest[name] = min(latest[name], latest[each.id] - takes[name])
    return tuple(
        replace(each, start=starts[each.id], critical=latest[each.id] - starts[each.id] < 1e-6)
        for each in operations
    )
