"""The order of work of one book: its operations as a graph without circles, and the longest way through.

Pure, and without a clock: times are minutes from the beginning. What comes before what is worked out by
``precedence``; two things are worked on side by side, one thing by one operation after the other.
"""

from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import pairwise
from typing import TypeVar

from weald.core.bench.cut import size_words
from weald.core.bench.measuring import expected_of
from weald.core.bench.precedence import Blocked, Precedence, in_order, planned_steps
from weald.core.bench.step import CAUTION_TAIL, CAUTIONS, STATION_OF, Pause, Step
from weald.core.bench.steps import STEPS
from weald.core.book.book import Book
from weald.core.book.operation import (
    PLACES,
    WAIT_STATES,
    Asked,
    Counts,
    Glued,
    LeftOut,
    LookAt,
    Minutes,
    Operation,
    OrderOfWork,
    ToHand,
    Trouble,
    Wait,
    minutes_in_words,
)
from weald.core.findings import Finding, finding
from weald.core.job.lying import Fact, Facts, fact_words
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.quantities import QUANTITIES, QuantityId
from weald.core.units import NEGLIGIBLE

_TRIMMED: frozenset[Fact] = frozenset(
    ("fore_edge_trimmed", "block_trimmed", "edges_in_boards", "edges_flush")
)
"""Whatever makes one of these makes the sizes it measures smaller."""


@dataclass(frozen=True, slots=True)
class _Task:
    """A step of this book, with what it waits for, how long it takes and the wait after it."""

    step: Step
    after: tuple[str, ...]
    minutes: Minutes
    wait: Wait | None

    @property
    def takes(self) -> Minutes:
        return self.minutes + (self.wait.usual if self.wait else 0.0)


Said = TypeVar("Said")


def find_order(book: Book) -> Precedence:
    """Which steps a book has, and which comes before which."""
    there = book.there
    return in_order(planned_steps(STEPS.values(), book, there), book, there)


def order_of_work(
    book: Book, found: Precedence, drawings: Collection[str] = (), *, left_handed: bool = False
) -> OrderOfWork:
    """The operations of a book, in an order in which one pair of hands could do them.

    :param found: its steps, and what comes before what. ``drawings``: those there are of this book.

    Sizes, minutes and adhesives are this book's own; ``start`` and ``critical`` are for as many hands as it
    takes (docs/craft.md, The order of work).
    """
    steps = _with_own(list(found.steps), book)
    reasons = book.spec.bench.left_out
    after = _without(_after(steps, found), reasons)
    kept = [step for step in steps if step.id not in reasons]
    tasks = [_Task(step, after[step.id], _minutes(step, book), _wait(step, book)) for step in kept]
    times, at_once = _times(tasks), _at_once(tasks, book.copies)
    still_cut = _still_cut(kept)
    return OrderOfWork(
        tuple(
            _operation(
                each,
                times[each.step.id],
                at_once.get(each.step.id, 0),
                _to_measure(each.step, still_cut[each.step.id], book),
                book,
                left_handed,
                each.step.drawing if each.step.drawing in drawings else "",
            )
            for each in tasks
        ),
        tuple(
            LeftOut(step.id, _words(step, book)(step.title), reasons[step.id])
            for step in steps
            if step.id in reasons
        ),
    )


def _still_cut(steps: Sequence[Step]) -> dict[str, frozenset[QuantityId]]:
    """By step, the sizes that a later one makes smaller."""
    found: dict[str, frozenset[QuantityId]] = {}
    later = frozenset[QuantityId]()
    for step in reversed(steps):
        found[step.id] = later
        if _TRIMMED & set(step.makes):
            later |= frozenset(step.measures)
    return found


def _to_measure(step: Step, still_cut: Collection[QuantityId], book: Book) -> tuple[Asked, ...]:
    """The sizes a step asks for, as they are at that moment: what is cut later, as it is before."""
    now = (QUANTITIES[each].earlier if each in still_cut else each for each in step.measures)
    return tuple(_asked(each, book) for each in now if each is not None and _is_asked(each, book))


def mind_order(book: Book, found: Precedence) -> Iterator[Finding]:
    """A finding for every step that cannot be put where it needs to be; none for what is left out."""
    there, said = book.there, set(book.spec.bench.left_out)
    for each in found.blocked:
        # one reason for each step is enough
        if each.step.id not in said:
            said.add(each.step.id)
            yield _stuck(each, there, book.notation)
    yield from _own_too_late(_with_own(list(found.steps), book), book)


def _own_too_late(steps: Sequence[Step], book: Book) -> Iterator[Finding]:
    """A finding for every step of the binder's own that follows what it has to be done before."""
    place = {step.id: number for number, step in enumerate(steps)}
    for number, own in enumerate(book.spec.bench.own):
        if own.before in place and place[own.before] < place[own.id]:
            barred, last = steps[place[own.before]], steps[place[own.id] - 1]
            other, after = (_words(step, book)(step.title) for step in (barred, last))
            about = f"bench.own.{number}.before"
            yield finding("order.too_late", about, book.notation, title=own.title, other=other, after=after)


def _stuck(blocked: Blocked, there: Facts, notation: Notation) -> Finding:
    about, title = f"bench.left_out.{blocked.step.id}", notation.say(blocked.step.title)
    if blocked.other is not None:
        other = notation.say(blocked.other.title)
        return finding("order.against", about, notation, title=title, other=other)
    so = blocked.fact in there
    said = notation.say(fact_words(blocked.fact)).lower()
    reason = f"{said}, and nothing undoes it" if so else f"“{said}” is not so, and nothing makes it so"
    return finding("order.unreached", about, notation, title=title, reason=reason)


def _with_own(steps: list[Step], book: Book) -> list[Step]:
    """The steps with the binder's own among them, each behind the one it follows."""
    for own in book.spec.bench.own:
        names = [step.id for step in steps]
        place = names.index(own.after) + 1 if own.after in names else len(steps)
        strand = steps[place - 1].strand
        pause = Pause("left_alone", "", minutes=(own.wait, own.wait)) if own.wait else None
        step = Step(
            own.id,
            own.title,
            own.why,
            strand,
            own.work,
            fixed=own.minutes,
            people=_always(own.people),
            wait=_always(pause),
            own=True,
        )
        steps = [*steps[:place], step, *steps[place:]]
    return steps


def _always(said: Said) -> Callable[[Book], Said]:
    return lambda book: said


def _after(steps: Sequence[Step], found: Precedence) -> dict[str, tuple[str, ...]]:
    """What each step waits for: the one before it on the same thing, and what matter has come before it.

    What waits for another that waits for it already is not said twice.
    """
    last: dict[str, str] = {}
    whole: dict[str, set[str]] = {}
    after: dict[str, tuple[str, ...]] = {}
    for step in steps:
        wanted = set(found.before.get(step.id, ()))
        if step.strand in last:
            wanted.add(last[step.strand])
        beyond = set[str]().union(*(whole[name] for name in wanted))
        said = wanted - beyond
        after[step.id] = tuple(name for name in after if name in said)
        whole[step.id] = wanted | beyond
        last[step.strand] = step.id
    return after


def _without(after: Mapping[str, tuple[str, ...]], left_out: Collection[str]) -> dict[str, tuple[str, ...]]:
    """The same graph without some of its steps: what waited for one waits for what that waited for."""
    kept: dict[str, tuple[str, ...]] = {}
    stands_for: dict[str, tuple[str, ...]] = {}
    for name, before in after.items():
        found = tuple(dict.fromkeys(each for one in before for each in stands_for[one]))
        stands_for[name] = found if name in left_out else (name,)
        if name not in left_out:
            kept[name] = found
    return kept


def _at_once(tasks: Sequence[_Task], copies: int) -> dict[str, int]:
    """Where a wait may not last longer, how many copies can be worked on before it is over.

    They are glued one after the other and go on in the same order, so that each is caught at its time: as
    many as the next task, once begun, gets through before the first is too dry.
    """
    found: dict[str, int] = {}
    for each, following in pairwise(tasks) if copies > 1 else ():
        if each.wait is not None and each.wait.harm and each.step.id in following.after:
            minutes = max(each.minutes, following.minutes) / copies
            found[each.step.id] = max(1, int(each.wait.usual // minutes))
    return found


def _words(step: Step, book: Book) -> Callable[[str], str]:
    """How the words of a step are said: a binder's own stand as they were written."""
    return str if step.own else book.ledger.notation.say


def _operation(
    task: _Task,
    time: tuple[Minutes, bool],
    at_once: int,
    measures: tuple[Asked, ...],
    book: Book,
    left_handed: bool,
    drawing: str,
) -> Operation:
    step, minutes = task.step, task.minutes
    say = _words(step, book)
    pieces = book.taken(step.pieces)
    start, critical = time
    return Operation(
        id=step.id,
        title=say(step.title),
        why=say(step.why),
        strand=step.strand,
        pieces=tuple(
            ToHand(piece.id, piece.label, piece.shown, piece.finished, piece.count) for piece in pieces
        ),
        tools=step.tools,
        glue=tuple(
            Glued(book.facts(joint).title, say(face), _moves(book.facts(joint).moves, book.season()))
            for joint, face in step.glue
        ),
        minutes=minutes,
        lasts=minutes_in_words(minutes),
        people=step.people(book),
        occupies=tuple(PLACES[place] for place in step.places),
        places=step.places,
        work=step.work,
        whole=step.whole,
        after=task.after,
        wait=task.wait,
        moves=tuple(_with_sizes(text, book) for text in step.moves(book) if _has_sizes(text, book)),
        looks=tuple(
            LookAt(f"{step.id}.{place}", _with_sizes(text, book))
            for place, text in enumerate(step.looks)
            if _has_sizes(text, book)
        ),
        measures=measures,
        troubles=tuple(
            replace(each, shows=say(each.shows), remedy=say(_remedy(each, step, book)), set_fast="")
            for each in step.troubles
        ),
        caution=CAUTIONS[step.danger] + CAUTION_TAIL if step.danger else "",
        hand=step.hand if left_handed else "",
        own=step.own,
        drawing=drawing,
        at_once=at_once,
        start=start,
        critical=critical,
        formerly=step.formerly,
        implied_by=step.implied_by,
        counts=_counts(step, pieces, book),
        station=STATION_OF[step.work],
    )


def _counts(step: Step, pieces: Sequence[Piece], book: Book) -> Counts | None:
    """The size that counts: the one its record names, else the piece it takes up, else what it measures."""
    for piece in () if step.counts else pieces[:1]:
        return Counts(None, piece.label, size_words(piece.cut_width, piece.cut_height, book.notation))
    ledger = book.ledger
    for quantity in (*step.counts, *step.measures):
        if quantity in ledger.quantities:
            label = book.notation.say(ledger.quantities[quantity].label)
            return Counts(quantity, label, book.size(quantity))
    return None


def _remedy(trouble: Trouble, step: Step, book: Book) -> str:
    """How it is put right with what this book is glued with."""
    fast = any(not book.facts(joint).moves[1] for joint, _ in step.glue)
    return trouble.set_fast if fast and trouble.set_fast else trouble.remedy


def _minutes(step: Step, book: Book) -> Minutes:
    """Minutes of work for all copies: as the house or the job has them, else the usual ones."""
    here = book.spec.bench.times.get(step.id)
    usual = step.rate if isinstance(step.rate, int | float) else step.rate(book)
    fixed = step.fixed if here is None or here.fixed is None else here.fixed
    rate = usual if here is None or here.rate is None else here.rate
    counted = {"copy": 1, "sheet": book.sheets, "signature": max(1, book.signatures)}[step.of]
    return round(fixed + rate * counted * book.copies, 1)


def _moves(minutes: tuple[float, float], season: float) -> str:
    least, most = (round(each * season, 1) for each in minutes)
    if not most:
        return "cannot be moved"
    return f"{least:g} to {most:g} min"


def _wait(step: Step, book: Book) -> Wait | None:
    pause, here = step.wait(book), book.spec.bench.times.get(step.id)
    if pause is None:
        return None
    least, usual = pause.minutes or _by_adhesive(pause, book)
    if here is not None and here.wait is not None:
        least, usual = min(least, here.wait), here.wait
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
    if usual:
        least, usual = max(least, pause.floor), max(usual, pause.floor)
    return round(least * book.season()), round(usual * book.season())


@lru_cache(maxsize=1024)
def _sizes_in(text: str) -> tuple[str, ...]:
    names = (part.partition("}")[0] for part in text.split("{")[1:])
    return tuple(name for name in names if "." in name)


def _has_sizes(text: str, book: Book) -> bool:
    return "{" not in text or all(name in book.ledger.quantities for name in _sizes_in(text))


def _with_sizes(text: str, book: Book) -> str:
    for name in _sizes_in(text):
        shown = book.ledger.quantities[name].shown  # type: ignore[index]
        text = text.replace(f"{{{name}}}", shown)
    return book.ledger.notation.say(text) if "{" in text else text


def _is_asked(quantity: QuantityId, book: Book) -> bool:
    return book.reckoned(quantity) and book.ledger.quantities[quantity].measurable


def _asked(quantity: QuantityId, book: Book) -> Asked:
    found = book.ledger.quantities[quantity]
    label = f"{found.label}, {found.state}" if found.state else found.label
    notation = book.ledger.notation
    planned = notation.editable(found.computed) if found.unit == "mm" else f"{found.computed:g}"
    return Asked(quantity, label, expected_of(found, notation), found.measured is not None, planned)


def _times(tasks: Sequence[_Task]) -> dict[str, tuple[Minutes, bool]]:
    """When each can begin at the earliest, and whether the end hangs on it."""
    starts: dict[str, float] = {}
    takes = {each.step.id: each.takes for each in tasks}
    for each in tasks:
        starts[each.step.id] = max((starts[name] + takes[name] for name in each.after), default=0.0)
    end = max((starts[name] + takes[name] for name in starts), default=0.0)
    latest = {name: end - minutes for name, minutes in takes.items()}
    for each in reversed(tasks):
        for name in each.after:
            latest[name] = min(latest[name], latest[each.step.id] - takes[name])
    return {name: (start, latest[name] - start < NEGLIGIBLE) for name, start in starts.items()}
