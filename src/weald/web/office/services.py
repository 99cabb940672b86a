"""What is done in the office: terms, what a job costs, customers, quotations and bills."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import timedelta
from decimal import Decimal
from typing import Any
from zoneinfo import ZoneInfo

from django.contrib.auth.models import User
from django.db import transaction
from django.db.models import F, Max
from django.utils import timezone

from weald.core.costs.costing import Costing, Taken, costing
from weald.core.costs.materials import PlannedMaterial, from_layout, from_stock, share_of, worth
from weald.core.costs.papers import PaperKind, read_paper
from weald.core.costs.terms import Agreed, BoughtList, Terms, read_agreed, read_bought, read_terms
from weald.core.cutting.grouping import read_result
from weald.core.errors import WealdError
from weald.core.merging import Merged
from weald.core.notation import Notation
from weald.core.planning.plan import Plan
from weald.core.schedule.telling import day_in_words
from weald.core.shelf.stock import StockItem, count_words
from weald.web.accounts.keeping import NOT_SETTLED, MeetingError, Settled, Written, merged_with, state_at
from weald.web.accounts.models import KeptState, Membership, Workshop
from weald.web.accounts.services import save_kept, workplace_of
from weald.web.bench.record import record_of_job
from weald.web.bench.services import planned_at_bench
from weald.web.jobs.models import Job
from weald.web.office.decisions import note
from weald.web.office.models import Commission, Customer, Paper
from weald.web.shelf.models import Cutting, Movement, ShelfItem
from weald.web.shelf.services import item_spec

_ERASED = "erased at their request"
_SPENT = (Movement.Reason.USED, Movement.Reason.SPOILT, Movement.Reason.CUT, Movement.Reason.OFFCUT)


class PricesHiddenError(WealdError):
    """Somebody asked what things cost who is not to see it."""


def terms_of(workshop: Workshop) -> Terms:
    """The terms of a workshop."""
    return read_terms(workshop.terms) if workshop.terms else Terms()


def sees_prices(user: User) -> bool:
    """Whether somebody may see what things cost: owners, and binders where owners allow it."""
    membership = user.membership
    if membership.role == Membership.Role.OWNER:
        return True
    return membership.role == Membership.Role.BINDER and terms_of(membership.workshop).binders_see


@transaction.atomic
def save_terms(
    workshop: Workshop, version: int, author: User, terms: Terms, settled: Settled = NOT_SETTLED
) -> Written:
    """Write the terms.

    :param version: the one they were read at.
    :raises weald.web.accounts.keeping.MeetingError: where somebody else changed the same of them.
    """
    written = save_kept(workshop, "terms", version, author, terms, terms_of, read_terms, settled)
    note(workshop, author, "Terms changed")
    return written


def commission_of(job: Job) -> Commission:
    """What is agreed about a job; nothing yet is as good as an empty one."""
    return Commission.objects.select_related("customer").filter(job=job).first() or Commission(job=job)


def bought_for(commission: Commission) -> BoughtList:
    """What was bought for a job."""
    return read_bought(commission.bought) if commission.bought else BoughtList()


def agreed_on(commission: Commission) -> Agreed:
    """What is agreed, as it is written and merged."""
    return Agreed(
        customer=commission.customer_id,
        agreed=commission.agreed,
        brought_in=commission.brought_in,
        bought=bought_for(commission).things,
    )


@transaction.atomic
def agree(
    job: Job, version: int, author: User, given: Mapping[str, Any], settled: Settled = NOT_SETTLED
) -> Written:
    """Write down for whom a job is, at what price, what was brought in, and what was bought for it.

    :param version: the one it was read at. ``given``: the entries of :class:`weald.core.costs.terms.Agreed`
        that are written; what is left out stays as it was.
    :raises SpecError: naming every place that is wrong.
    :raises weald.web.accounts.keeping.MeetingError: where somebody else changed the same entries.
    """
    commission, _ = Commission.objects.select_for_update(of=("self",)).get_or_create(job=job)
    standing = agreed_on(commission)
    part = _agreement(job)
    began_from = state_at(job.workshop, part, version, read_agreed) or standing.model_dump(mode="json")
    mine = read_agreed({**began_from, **given})
    try:
        written = merged_with(
            job.workshop,
            part,
            Agreed,
            standing.model_dump(mode="json"),
            commission.version,
            version,
            mine.model_dump(mode="json"),
            author,
            settled,
            read_agreed,
        )
    except MeetingError as met:
        raise _by_name(met, job.workshop) from None
    now = read_agreed(written.data)
    commission.customer_id, commission.agreed = now.customer, now.agreed
    commission.brought_in, commission.version = now.brought_in, written.version
    commission.bought = BoughtList(things=now.bought).model_dump(mode="json")
    commission.save()
    for words in _changes(standing, now):
        note(job.workshop, author, words, job)
    return written


def _agreement(job: Job) -> str:
    return f"agreement {job.pk}"


def _changes(before: Agreed, now: Agreed) -> list[str]:
    told = (
        ("customer", "Customer set" if now.customer else "Customer taken out"),
        ("agreed", "Price agreed"),
        ("brought_in", "What was brought in written down"),
        ("bought", "Things bought written down"),
    )
    return [words for entry, words in told if getattr(before, entry) != getattr(now, entry)]


def _by_name(met: MeetingError, workshop: Workshop) -> MeetingError:
    """The same, with customers called by their names."""
    names = dict(workshop.customers.values_list("pk", "name"))

    def named(value: Any) -> Any:
        return names.get(value, value)

    entries = tuple(
        replace(each, mine=named(each.mine), theirs=named(each.theirs))
        if each.path == ("customer",)
        else each
        for each in met.merged.met
    )
    merged = Merged(met.merged.data, entries, met.merged.others)
    return MeetingError(met.root, merged, met.mine, met.theirs, met.by, met.seen)


def cost_of(job: Job, notation: Notation) -> Costing:
    """A job's account: what was reckoned beside what it came to."""
    made = planned_at_bench(job, notation)
    record = record_of_job(job, notation)
    commission = commission_of(job)
    materials, without = _planned_materials(job, made)
    return costing(
        terms_of(job.workshop),
        max(1, job.spec.copies),
        materials,
        without,
        taken_for(job),
        bought_for(commission).things,
        made.operations,
        record.operations,
    )


def _planned_materials(job: Job, made: Plan) -> tuple[list[PlannedMaterial], list[str]]:
    """From the last layout of the job as it stands, else piece by piece."""
    without = [f"{each.label}: no stock is chosen for it." for each in made.pieces if each.item is None]
    laid = Cutting.objects.filter(workshop=job.workshop_id, state=Cutting.State.DONE)
    for cutting in laid.filter(jobs__contains=[{"job": job.pk, "change": job.head_id}]).order_by("-asked")[
        :1
    ]:
        result = read_result(cutting.result or {})
        return [from_layout(group, job.pk, made.pieces) for group in result.groups], without
    numbers = {each.item for each in made.pieces if each.item is not None}
    items = ShelfItem.objects.filter(workshop=job.workshop_id, pk__in=numbers)
    return from_stock(made.pieces, {item.pk: item_spec(item) for item in items}), without


@dataclass(slots=True)
class _Account:
    """What was taken of one item, as counted and as it is worth."""

    spec: StockItem
    amount: int = 0
    spoilt: int = 0
    worth: Decimal | None = Decimal(0)

    def take(self, spec: StockItem, amount: int, part: Decimal, reason: str) -> None:
        if reason != Movement.Reason.OFFCUT:
            self.amount += round(amount * part)
        if reason == Movement.Reason.SPOILT:
            self.spoilt += amount
        found = worth(spec, amount)
        self.worth = None if found is None or self.worth is None else self.worth + found * part


def taken_for(job: Job) -> list[Taken]:
    """What was taken off the shelf for a job; of what was cut for several, its share by area."""
    accounts: dict[int, _Account] = {}
    for movement, part in _movements(job):
        item = movement.item
        root = item.offcut_of or item
        known = accounts.setdefault(root.pk, _Account(item_spec(root)))
        known.take(item_spec(item), -movement.change, part, movement.reason)
    return [
        Taken(
            item,
            account.spec.name,
            account.worth,
            count_words(account.spec, account.amount),
            count_words(account.spec, account.spoilt) if account.spoilt else "",
        )
        for item, account in accounts.items()
    ]


def _movements(job: Job) -> list[tuple[Movement, Decimal]]:
    chosen = Movement.objects.select_related("item__offcut_of").filter(reason__in=_SPENT)
    found = [(each, Decimal(1)) for each in chosen.filter(job=job, cutting=None)]
    booked = Cutting.objects.filter(
        workshop=job.workshop_id, booked__isnull=False, jobs__contains=[{"job": job.pk}]
    )
    for cutting in booked:
        part = share_of(job.pk, read_result(cutting.result or {}).groups)
        # of one booked, taken back and booked again, only what was taken since it was taken back
        undone = (
            cutting.movements.filter(reason=Movement.Reason.UNDONE).aggregate(last=Max("pk"))["last"] or 0
        )
        since = chosen.filter(cutting=cutting, pk__gt=undone)
        found += [(each, part) for each in since]
    return found


@transaction.atomic
def make_paper(
    job: Job, author: User, kind: PaperKind, lines: list[dict[str, Any]], key: str | None = None
) -> Paper:
    """A quotation or a bill for a job, with the next number, fixed as it is made.

    :param key: of the order; the same order sent again is the paper it made.
    :raises SpecError: naming every line that is wrong.
    """
    workshop = Workshop.objects.select_for_update().get(pk=job.workshop_id)
    if key and (made := workshop.papers.filter(key=key, job=job).first()):
        return made
    terms, commission = terms_of(workshop), commission_of(job)
    zone = ZoneInfo(workplace_of(workshop).zone)
    today = timezone.now().astimezone(zone).date()
    last = workshop.papers.filter(kind=kind).aggregate(last=Max("number"))["last"] or 0
    customer = commission.customer
    content = read_paper(
        {
            "kind": kind,
            "number": str(last + 1),
            "dated": f"{day_in_words(today)} {today.year}",
            "valid_until": _until(today + timedelta(days=terms.valid_days)) if kind == "quotation" else "",
            "sender": terms.sender or workshop.name,
            "to": "\n".join(filter(None, (customer.name, customer.address))) if customer else "",
            "words": terms.quotation_words if kind == "quotation" else terms.bill_words,
            "foot": terms.foot,
            "currency": terms.currency,
            "places": terms.places,
            "lines": lines,
            "taxes": [tax.model_dump(mode="json") for tax in terms.taxes],
        }
    )
    paper = Paper.objects.create(
        workshop=workshop,
        kind=kind,
        number=last + 1,
        job=job,
        customer=customer,
        content=content.model_dump(mode="json"),
        author=author,
        key=key,
    )
    note(workshop, author, f"{kind.capitalize()} {last + 1} made", job)
    return paper


def _until(day: Any) -> str:
    return f"{day_in_words(day)} {day.year}"


@transaction.atomic
def write_customer(
    workshop: Workshop, author: User, data: dict[str, str], known: Customer | None
) -> Customer:
    """Write a customer down, or change what is kept of one."""
    customer = known or Customer(workshop=workshop)
    for name, value in data.items():
        setattr(customer, name, value)
    customer.save()
    # the name is not repeated here: it is to be forgotten with the customer
    note(workshop, author, "A customer changed" if known else "A customer written down")
    return customer


def data_of(customer: Customer) -> dict[str, Any]:
    """All that is kept of a customer, for themselves."""
    return {
        "name": customer.name,
        "address": customer.address,
        "note": customer.note,
        "kept_since": customer.made.isoformat(),
        "jobs": [
            {
                "title": each.job.title,
                "promised": each.promised.isoformat() if each.promised else None,
                "brought_in": each.brought_in,
                "price_agreed": None if each.agreed is None else str(each.agreed),
            }
            for each in customer.commissions.select_related("job").order_by("pk")
        ],
        "papers": [each.content for each in customer.papers.order_by("pk")],
    }


@transaction.atomic
def erase(customer: Customer, author: User) -> None:
    """Forget a customer at their request; the books and their record stay, and papers without a name.

    What the law asks a workshop to keep of its bills is to be printed before.
    """
    for paper in customer.papers.select_for_update():
        paper.content = {**paper.content, "to": _ERASED}
        paper.save(update_fields=["content"])
    workshop = customer.workshop
    parts = [_agreement(each.job) for each in customer.commissions.select_related("job")]
    KeptState.objects.filter(workshop=workshop, part__in=parts).delete()
    customer.commissions.update(brought_in="", version=F("version") + 1)
    customer.delete()
    note(workshop, author, f"A customer was {_ERASED}")


def customers_of(workshop: Workshop, search: str) -> list[Customer]:
    """Customers by name."""
    found = workshop.customers.order_by("name", "pk")
    words = search.replace("\0", "").strip()
    if words:
        found = found.filter(name__icontains=words)
    return list(found[:200])
