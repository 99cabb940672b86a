"""Quotations and bills: what stands on them, fixed as they are made."""

from dataclasses import dataclass
from decimal import Decimal
from typing import Annotated, Literal

from pydantic import Field

from weald.core.costs.costing import money, rounded
from weald.core.costs.terms import Lines, Money, Tax, Terms
from weald.core.job.entries import Entries, OneLine, read_entries
from weald.core.upgrades import Format

PAPER = Format("quotation or bill")

PaperKind = Literal["quotation", "bill"]
PAPER_KINDS: dict[PaperKind, str] = {"quotation": "Quotation", "bill": "Bill"}


class PaperLine(Entries):
    """One line: so many of something, at a price each."""

    words: Annotated[str, Field(min_length=1, max_length=300), OneLine]
    count: Annotated[int, Field(ge=1, le=100_000)] = 1
    price: Money


class PaperContent(Entries):
    """All that stands on a quotation or bill, as it was when it was made; money without taxes.

    :param to: name and address of whom it is for.
    """

    version: Annotated[int, Field(ge=1, le=PAPER.version)] = PAPER.version
    kind: PaperKind
    number: Annotated[str, Field(max_length=40)] = ""
    dated: Annotated[str, Field(max_length=40)] = ""
    valid_until: Annotated[str, Field(max_length=40)] = ""
    sender: Lines = ""
    to: Lines = ""
    words: Lines = ""
    foot: Lines = ""
    currency: Annotated[str, Field(pattern=r"^[A-Z]{3}$")]
    places: Annotated[int, Field(ge=0, le=3)] = 2
    lines: Annotated[tuple[PaperLine, ...], Field(min_length=1, max_length=100)]
    taxes: Annotated[tuple[Tax, ...], Field(max_length=6)] = ()


def read_paper(data: object) -> PaperContent:
    """Read a quotation or bill as it is to be, or as it was kept.

    :raises weald.core.errors.SpecError: naming every place that is wrong.
    """
    return read_entries(PaperContent, data, None, kept_as=PAPER, whole="a quotation or bill")


@dataclass(frozen=True, slots=True)
class PaperSums:
    """What a paper comes to, in words: each line, the sum, each tax, and all together."""

    lines: tuple[tuple[str, str, str, str], ...]
    sums: tuple[tuple[str, str], ...]
    total: Decimal


def sums_of(content: PaperContent) -> PaperSums:
    """Every sum on a paper; a tax is reckoned on the whole and rounded once."""
    terms = Terms(currency=content.currency, places=content.places)
    lines = []
    net = Decimal(0)
    for line in content.lines:
        amount = rounded(line.price * line.count, terms)
        net += amount
        lines.append((line.words, str(line.count), money(line.price, terms), money(amount, terms)))
    sums = [("Sum", money(net, terms))] if content.taxes else []
    total = net
    for tax in content.taxes:
        added = rounded(net * tax.percent / 100, terms)
        total += added
        sums.append((f"{tax.name}, {tax.percent.normalize():f} %", money(added, terms)))
    sums.append(("To pay" if content.kind == "bill" else "Total", money(total, terms)))
    return PaperSums(tuple(lines), tuple(sums), total)
