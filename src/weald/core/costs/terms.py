"""The terms a workshop works by: its money, its rates, what it adds, and its own words on papers."""

from decimal import Decimal
from typing import Annotated

from pydantic import AfterValidator, Field

from weald.core.errors import SpecError
from weald.core.job.bench import Work
from weald.core.job.entries import Entries, Name, OneLine, read_entries
from weald.core.upgrades import Format

TERMS = Format("terms")
BOUGHT = Format("list of things bought")
AGREED = Format("agreement")

Money = Annotated[Decimal, Field(ge=0, le=10_000_000, max_digits=12, decimal_places=4, allow_inf_nan=False)]
Percent = Annotated[Decimal, Field(ge=0, le=1000, max_digits=8, decimal_places=4, allow_inf_nan=False)]
Lines = Annotated[str, Field(max_length=2000)]


class Tax(Entries):
    """A tax put on top, as the house is to charge it; the house knows its own law."""

    name: Annotated[str, Field(min_length=1, max_length=40), OneLine]
    percent: Percent


class PersonRate(Entries):
    """What an hour of one person costs, by the name they sign in by."""

    name: Annotated[str, Field(min_length=1, max_length=80), OneLine]
    rate: Money


class Terms(Entries):
    """Money and words of a workshop.

    :param currency: as it is written before sums, three letters (ISO 4217). ``places``: after the point.
    :param rate: of an hour; ``rates`` of hours of some kinds of work, ``people`` of some people's, by the
        name they sign in by.
    :param margin: percent put on what it costs.
    :param binders_see: whether others than owners see what things cost.
    :param sender: name and address on quotations and bills; ``words`` over them, ``foot`` under them.
    """

    version: Annotated[int, Field(ge=1, le=TERMS.version)] = TERMS.version
    currency: Annotated[str, Field(pattern=r"^[A-Z]{3}$", title="Currency")] = "EUR"
    places: Annotated[int, Field(ge=0, le=3, title="Places after the point")] = 2
    rate: Annotated[Money, Field(title="An hour")] = Decimal(0)
    rates: Annotated[dict[Work, Money], Field(title="Hours of some work")] = {}
    people: Annotated[tuple[PersonRate, ...], Field(max_length=40, title="Hours of some people")] = ()
    margin: Annotated[Percent, Field(title="Margin, %")] = Decimal(0)
    taxes: Annotated[tuple[Tax, ...], Field(max_length=6, title="Taxes")] = ()
    binders_see: Annotated[bool, Field(title="Binders see prices")] = False
    sender: Annotated[Lines, Field(title="Sender")] = ""
    quotation_words: Annotated[Lines, Field(title="Words over quotations")] = ""
    bill_words: Annotated[Lines, Field(title="Words over bills")] = ""
    foot: Annotated[Lines, Field(title="Words at the foot")] = ""
    valid_days: Annotated[int, Field(ge=1, le=3650, title="Quotations are valid, days")] = 30


class Bought(Entries):
    """Something bought for a job that is not on the shelf: thread, foil, a case from a box maker."""

    label: Annotated[str, Field(min_length=1, max_length=120, title="What"), OneLine]
    count: Annotated[Decimal, Field(gt=0, le=100_000, max_digits=12, decimal_places=4, title="How many")] = (
        Decimal(1)
    )
    price: Annotated[Money, Field(title="Price of one")]
    note: Annotated[Name, Field(title="Note")] = ""


class BoughtList(Entries):
    """All that was bought for a job."""

    version: Annotated[int, Field(ge=1, le=BOUGHT.version)] = BOUGHT.version
    things: Annotated[tuple[Bought, ...], Field(max_length=100)] = ()


def _shortest(price: Decimal | None) -> Decimal | None:
    """A price without the noughts it was stored with, so that the same price reads the same."""
    return price if price is None else Decimal(f"{price.normalize():f}")


class Agreed(Entries):
    """What is agreed about a job beside the book itself.

    :param customer: for whom it is, by number; by name where it is told. ``agreed``: without taxes.
    """

    version: Annotated[int, Field(ge=1, le=AGREED.version)] = AGREED.version
    customer: Annotated[int | str | None, Field(title="Customer")] = None
    agreed: Annotated[Money | None, AfterValidator(_shortest), Field(title="Price agreed")] = None
    brought_in: Annotated[str, Field(max_length=4000, title="Brought in")] = ""
    bought: Annotated[tuple[Bought, ...], Field(max_length=100, title="Bought for it")] = ()


def read_agreed(data: object) -> Agreed:
    """Read what is agreed.

    :raises SpecError: naming every place that is wrong.
    """
    return read_entries(Agreed, data, None, kept_as=AGREED, whole="what is agreed")


def read_bought(data: object) -> BoughtList:
    """Read what was bought as typed, or as it was kept.

    :raises SpecError: naming every place that is wrong.
    """
    return read_entries(BoughtList, data, None, kept_as=BOUGHT, whole="things bought")


def read_terms(data: object) -> Terms:
    """Read terms as typed.

    :raises SpecError: naming every place that is wrong.
    """
    found = read_entries(Terms, data, None, kept_as=TERMS, whole="terms")
    names = [tax.name for tax in found.taxes]
    for place, name in enumerate(names):
        if name in names[:place]:
            raise SpecError({f"taxes.{place}.name": f"“{name}” is there twice."})
    return found
