"""An estimate beside what it came to, material by material and step by step. Money is decimal throughout."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from decimal import ROUND_HALF_UP, Decimal

from weald.core.bench.record import Recorded
from weald.core.bench.steps import STEPS
from weald.core.book.operation import Operation
from weald.core.costs.materials import PlannedMaterial
from weald.core.costs.terms import Bought, Terms
from weald.core.job.bench import Work


@dataclass(frozen=True, slots=True)
class CostLine:
    """One material, thing bought or operation: what was reckoned, and what it came to.

    :param planned: none where no price or rate is known; ``found`` none where nothing was taken or worked.
    :param planned_words, found_words: the amounts they come from.
    """

    label: str
    planned: Decimal | None
    planned_words: str
    found: Decimal | None
    found_words: str


@dataclass(frozen=True, slots=True)
class Sum:
    """A line under the account."""

    label: str
    planned: Decimal
    found: Decimal


@dataclass(frozen=True, slots=True)
class Costing:
    """What a job costs, for all its copies.

    :param sums: from what is spent down to what is charged; ``each`` the last of them for one copy,
        ``net`` the price before taxes.
    :param missing: what is not in it, for want of a price or a rate.
    """

    currency: str
    materials: tuple[CostLine, ...]
    bought: tuple[CostLine, ...]
    work: tuple[CostLine, ...]
    sums: tuple[Sum, ...]
    each: Sum
    net: Sum
    copies: int
    missing: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Taken:
    """What was taken off the shelf of one item for a job, offcuts that came back counted off.

    :param worth: at the price of the shelf; none where it has none.
    """

    item: int
    label: str
    worth: Decimal | None
    words: str
    spoilt_words: str = ""


def rounded(sum_of: Decimal, terms: Terms) -> Decimal:
    """Money as it is paid: half a unit goes up."""
    return sum_of.quantize(Decimal(1).scaleb(-terms.places), ROUND_HALF_UP)


def money(value: Decimal, terms: Terms) -> str:
    """“EUR 1,234.50”."""
    return f"{terms.currency} {rounded(value, terms):,}"


def costing(
    terms: Terms,
    copies: int,
    planned: Sequence[PlannedMaterial],
    without: Iterable[str],
    taken: Sequence[Taken],
    bought: Sequence[Bought],
    operations: Sequence[Operation],
    recorded: Sequence[Recorded],
) -> Costing:
    """A job's account."""
    materials = tuple(_materials(terms, planned, taken))
    things = tuple(_bought(terms, bought))
    work = tuple(_work(terms, operations, recorded))
    missing = [*without]
    missing += [f"{line.label}: no price on the shelf." for line in materials if line.planned is None]
    if any(line.planned is None for line in work):
        missing.append("Work: no rate for an hour is set.")
    sums, net = _sums(terms, materials, things, work)
    last = sums[-1]
    each = Sum("For one copy", rounded(last.planned / copies, terms), rounded(last.found / copies, terms))
    return Costing(terms.currency, materials, things, work, sums, each, net, copies, tuple(missing))


def _materials(
    terms: Terms, planned: Sequence[PlannedMaterial], taken: Sequence[Taken]
) -> Iterable[CostLine]:
    known = {each.item: each for each in taken}
    for material in planned:
        found = known.pop(material.item, None)
        yield CostLine(
            material.label,
            None if material.cost is None else rounded(material.cost, terms),
            material.words,
            None if found is None or found.worth is None else rounded(found.worth, terms),
            _taken_words(found),
        )
    for each in known.values():
        worth = None if each.worth is None else rounded(each.worth, terms)
        yield CostLine(each.label, Decimal(0), "not planned", worth, _taken_words(each))


def _taken_words(taken: Taken | None) -> str:
    if taken is None:
        return ""
    return f"{taken.words}, {taken.spoilt_words} of it spoilt" if taken.spoilt_words else taken.words


def _bought(terms: Terms, bought: Sequence[Bought]) -> Iterable[CostLine]:
    for each in bought:
        price = rounded(each.count * each.price, terms)
        words = f"{each.count.normalize():f} × {money(each.price, terms)}" if each.count != 1 else ""
        yield CostLine(each.label, price, words, price, each.note)


def _work(terms: Terms, operations: Sequence[Operation], recorded: Sequence[Recorded]) -> Iterable[CostLine]:
    found = {each.operation: each for each in recorded if each.operation}
    people = {each.name: each.rate for each in terms.people}
    for operation in operations:
        rate = rate_of(terms, operation.work)
        record = found.pop(operation.id, None)
        minutes = Decimal(str(operation.minutes)) * operation.people
        yield CostLine(
            operation.title,
            None if not rate else rounded(minutes / 60 * rate, terms),
            operation.lasts,
            _worked(terms, record, rate, people, operation.people),
            record.worked_shown if record and record.begun else "",
        )
    for record in found.values():
        if record.worked:
            step = STEPS.get(record.operation)
            rate = rate_of(terms, step.work if step else None)
            yield CostLine(
                record.title,
                Decimal(0),
                "not planned",
                _worked(terms, record, rate, people),
                record.worked_shown,
            )


def _worked(
    terms: Terms, record: Recorded | None, rate: Decimal, people: Mapping[str, Decimal], hands: int = 1
) -> Decimal | None:
    """Minutes worked at the rate of who worked them; of several people, at the mean of theirs.

    :param hands: so many work at it at once, each for all of its minutes.
    """
    if record is None or not record.begun:
        return None
    rates = [people.get(name, rate) for name in record.people] or [rate]
    hours = Decimal(str(record.worked)) * hands / 60
    return rounded(hours * sum(rates, Decimal(0)) / len(rates), terms)


def rate_of(terms: Terms, work: Work | None) -> Decimal:
    """What an hour of a kind of work costs; of what is of none, the usual rate."""
    return terms.rates.get(work, terms.rate) if work else terms.rate


def _sums(terms: Terms, *parts: Sequence[CostLine]) -> tuple[tuple[Sum, ...], Sum]:
    """Everything under the account, and which of it is the price before taxes."""
    found = []
    total = Sum("Spent", Decimal(0), Decimal(0))
    for label, lines in zip(("Materials", "Bought", "Work"), parts, strict=True):
        one = Sum(label, _total(lines, "planned"), _total(lines, "found"))
        found.append(one)
        total = Sum(total.label, total.planned + one.planned, total.found + one.found)
    found.append(total)
    net = total
    if terms.margin:
        added = _percent("Margin", total, terms.margin, terms)
        net = Sum("Price without taxes", total.planned + added.planned, total.found + added.found)
        found += [added, net]
    gross = net
    for tax in terms.taxes:
        added = _percent(tax.name, net, tax.percent, terms)
        found.append(added)
        gross = Sum("Price", gross.planned + added.planned, gross.found + added.found)
    if terms.taxes:
        found.append(gross)
    return tuple(found), net


def _total(lines: Sequence[CostLine], which: str) -> Decimal:
    return sum((value for line in lines if (value := getattr(line, which)) is not None), Decimal(0))


def _percent(label: str, of: Sum, percent: Decimal, terms: Terms) -> Sum:
    return Sum(
        f"{label}, {percent.normalize():f} %",
        rounded(of.planned * percent / 100, terms),
        rounded(of.found * percent / 100, terms),
    )
