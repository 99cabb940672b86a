"""What the books that were made teach: minutes, bulk, swell, growth, spoilage, each with its spread.

Nothing is taken by itself: an experience is offered, and becomes a rule of the house by hand.
"""

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from statistics import median, quantiles
from typing import Literal

from weald.core.bench.record import Recorded
from weald.core.bench.steps import STEPS
from weald.core.job.patching import value_at
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, plain_number
from weald.core.planning.house import TIMES_WORDS, House, Learnt
from weald.core.planning.plan import Plan

ExperienceKind = Literal["minutes", "bulk", "swell", "growth", "spoilage"]
_LEAST_MINUTES = 1.0


@dataclass(frozen=True, slots=True)
class BookMade:
    """A book with its record.

    :param spoilt: for each kind of material, the percent of it that was spoilt.
    :param paper_item: the item of the shelf its text was printed on, if it is known.
    """

    title: str
    spec: JobSpec
    plan: Plan
    recorded: Sequence[Recorded]
    spoilt: Mapping[str, float] = field(default_factory=dict)
    paper_item: int | None = None


@dataclass(frozen=True, slots=True)
class Found:
    """What one book came to."""

    book: str
    value: float


@dataclass(frozen=True, slots=True)
class Experience:
    """What several books say of one figure.

    :param middle: the median; half of the books lie between ``low`` and ``high`` (all, of less than four).
    :param usual: what is reckoned with now; none where there is nothing to compare with.
    :param rule: the path of the house's rule it can become; ``item`` the item of the shelf it belongs to.
    """

    id: str
    kind: ExperienceKind
    label: str
    unit: str
    found: tuple[Found, ...]
    middle: float
    low: float
    high: float
    words: str
    usual: float | None
    rule: str = ""
    item: int | None = None


@dataclass(frozen=True, slots=True)
class _Seen:
    kind: ExperienceKind
    label: str
    unit: str
    value: float
    book: str
    usual: float | None
    rule: str = ""
    item: int | None = None


def experience(books: Iterable[BookMade], house: House, notation: Notation) -> tuple[Experience, ...]:
    """All that books teach, grouped by what it is about, what most books stand behind first."""
    seen: dict[str, list[_Seen]] = defaultdict(list)
    for book in books:
        for name, each in _seen(book, house, notation):
            seen[name].append(each)
    found = (_experience(name, each) for name, each in seen.items())
    return tuple(sorted(found, key=lambda each: (-len(each.found), each.label)))


def _seen(book: BookMade, house: House, notation: Notation) -> Iterator[tuple[str, _Seen]]:
    yield from _minutes(book, house, notation)
    yield from _measured(book, house)
    for material, percent in book.spoilt.items():
        yield (
            f"spoilage.{material}",
            _Seen("spoilage", f"{material.capitalize()} spoilt", "%", percent, book.title, None),
        )


def _minutes(book: BookMade, house: House, notation: Notation) -> Iterator[tuple[str, _Seen]]:
    """Minutes for each of what an operation is counted by: what was worked, less what it takes once."""
    planned = {each.id: each for each in book.plan.operations}
    for record in book.recorded:
        step, operation = STEPS.get(record.operation), planned.get(record.operation)
        if step is None or operation is None or not record.done or record.worked < _LEAST_MINUTES:
            continue
        here = book.spec.bench.times.get(step.id)
        fixed = step.fixed if here is None or here.fixed is None else here.fixed
        entry, value = "fixed", record.worked
        counted = 0.0
        if isinstance(step.rate, int | float):
            rate = float(step.rate) if here is None or here.rate is None else here.rate
            counted = (operation.minutes - fixed) / rate if rate else 0.0
        if counted > 0:
            entry, value = "rate", max(0.0, record.worked - fixed) / counted
        path = f"bench.times.{step.id}.{entry}"
        words = notation.say(TIMES_WORDS[step.of][entry])
        usual = house.rules.get(path, step.fixed if entry == "fixed" else step.rate)
        now = float(usual) if isinstance(usual, int | float) else None
        yield (
            f"minutes.{step.id}.{entry}",
            _Seen("minutes", f"{operation.title}, {words}", "min", value, book.title, now, path),
        )


def _measured(book: BookMade, house: House) -> Iterator[tuple[str, _Seen]]:
    sizes = {each.id: each for each in book.plan.quantities}
    measured = book.spec.measured
    calliper, gsm = measured.get("paper.calliper"), sizes.get("paper.grammage")
    if calliper and gsm is not None and gsm.value > 0:
        name = book.spec.paper.name or "Paper without a name"
        # bulk in cm³/g is the thickness in µm for each g/m²
        bulk = 1000 * calliper / gsm.value
        now = book.spec.paper.bulk
        yield (
            f"bulk.{name}",
            _Seen("bulk", f"{name}, bulk", "cm³/g", bulk, book.title, now, "", book.paper_item),
        )
    swell = sizes.get("spine.swell")
    if (found := measured.get("spine.swell")) and swell is not None and swell.computed > 0:
        factor = book.spec.sewing.swell_factor * found / swell.computed
        usual = house.rules.get("sewing.swell_factor", JobSpec().sewing.swell_factor)
        yield (
            "swell",
            _Seen("swell", "Swell factor", "", factor, book.title, float(usual), "sewing.swell_factor"),
        )
    growth = sizes.get("pastedown.growth")
    if (found := measured.get("pastedown.growth")) and growth is not None and growth.computed > 0:
        part = found / growth.computed
        paper = book.spec.stock.get("endpaper")
        name = paper.name if paper is not None else "Endpaper without stock"
        label = f"{name}: growth when pasted, beside what is reckoned"
        yield f"growth.{name}", _Seen("growth", label, "×", part, book.title, 1.0)


def _experience(name: str, seen: Sequence[_Seen]) -> Experience:
    values = sorted(each.value for each in seen)
    middle = median(values)
    low, high = values[0], values[-1]
    if len(values) >= 4:
        low, _, high = quantiles(values, n=4, method="inclusive")
    last = seen[-1]
    return Experience(
        name,
        last.kind,
        last.label,
        last.unit,
        tuple(Found(each.book, round(each.value, 4)) for each in seen),
        round(middle, 3),
        round(low, 3),
        round(high, 3),
        spread_in_words(middle, low, high, len(values), last.unit),
        last.usual,
        last.rule,
        last.item,
    )


def spread_in_words(middle: float, low: float, high: float, books: int, unit: str) -> str:
    """“1.8 min, from 5 books, half of them between 1.6 and 2.1”."""
    figure = f"{plain_number(middle, 2)} {unit}".strip()
    if books == 1:
        return f"{figure}, from 1 book"
    between = "half of them between" if books >= 4 else "between"
    return f"{figure}, from {books} books, {between} {plain_number(low, 2)} and {plain_number(high, 2)}"


def learnt(each: Experience) -> Learnt:
    """An experience as the house keeps it beside the rule it became."""
    return Learnt(label=each.label[:200], value=each.middle, words=each.words[:200])


def rests_on(spec: JobSpec, house: House) -> tuple[str, ...]:
    """Which of a job's figures rest on experience: those it has as the house learnt them."""
    return tuple(
        f"{each.label}: {each.words}."
        for path, each in house.learnt.items()
        if house.rules.get(path) == each.value and value_at(spec, path) == each.value
    )
