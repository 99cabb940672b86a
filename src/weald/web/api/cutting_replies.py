"""Layouts as they go over the wire: sheets drawn, cuts in order, what is taken."""

import datetime
import uuid
from collections import Counter
from collections.abc import Mapping
from typing import Literal

from ninja import Schema
from pydantic import Field

from weald.core.cutting.cuts import cut_list, part_names
from weald.core.cutting.grouping import CutGroup
from weald.core.cutting.layout import CutSheet, Usage, verdict
from weald.core.cutting.order import Blank
from weald.core.cutting.sheet_drawing import draw_sheet
from weald.core.drawing import Drawing
from weald.core.notation import Notation
from weald.core.pieces import GRAIN_NEEDED
from weald.core.shelf.stock import OnShelf, count_words, size_words

CuttingState = Literal["waiting", "working", "done", "failed", "cancelled"]


class CuttingRequest(Schema):
    """Jobs whose pieces are to be laid out together, and what is wanted otherwise.

    Lengths are as typed; what is left out is as usual. ``pins`` holds pieces to an item; ``forbidden``
    items are not cut.
    """

    jobs: list[int] = Field(min_length=1, max_length=50)
    square: str | None = None
    kerf: str | None = None
    keep_short: str | None = None
    keep_long: str | None = None
    prefer_offcuts: bool = True
    pins: dict[str, int] = {}
    forbidden: list[int] = []


class CuttingRow(Schema):
    """A layout as it stands in a list."""

    id: uuid.UUID
    title: str
    state: CuttingState
    done: int
    message: str
    author: str
    asked: datetime.datetime
    booked: datetime.datetime | None
    jobs: list[int]


class CutRow(Schema):
    """One cut: what is cut, at the gauge which edge, and what falls."""

    number: int
    part: str
    gauge: str
    setting: str
    same_setting: bool
    falls: str
    rest: str


class SheetReply(Schema):
    """One sheet to cut, so many times."""

    number: int
    stock: int
    times: int
    drawing: Drawing
    cuts: list[CutRow]
    pieces: list[str]


class UsageReply(Schema):
    """How much of an item is taken, and whether it is there."""

    stock: int
    label: str
    taken: str
    there: str
    enough: bool
    price: float | None


class StockName(Schema):
    """An item pieces may come from."""

    number: int
    label: str


class BlankReply(Schema):
    """A piece that is cut, and which items it may be pinned to."""

    id: str
    label: str
    size: str
    grain: str
    count: int
    stocks: list[StockName]


class GroupReply(Schema):
    """What is cut from one item and its offcuts."""

    item: int
    label: str
    sheets: list[SheetReply]
    usage: list[UsageReply]
    stocks: list[StockName]
    blanks: list[BlankReply]
    missing: list[str]
    yield_percent: float
    offcut_percent: float
    waste_percent: float
    price: float | None
    verdict: str


class CuttingReply(CuttingRow):
    """A layout, opened; ``changed`` names the jobs that are not as they were laid out any more."""

    options: CuttingRequest
    groups: list[GroupReply]
    without: list[str]
    changed: list[str] = []


class FallenPiece(Schema):
    """What fell at the simulated guillotine, and whether it is what was asked for."""

    name: str
    count: int
    size: str
    grain: str
    right: bool


class GuillotineReply(Schema):
    """Everything that fell, and the verdict."""

    pieces: list[FallenPiece]
    cuts: int
    message: str
    right: bool


def group_reply(
    group: CutGroup, first: int, shelf: Mapping[int, OnShelf], booked: bool, notation: Notation
) -> GroupReply:
    """What is cut from one item, its sheets numbered from ``first``."""
    layout = group.layout
    blanks = {blank.id: blank for blank in group.blanks}
    pieces, offcuts, waste = layout.shares
    return GroupReply(
        item=group.item,
        label=group.label,
        sheets=[
            _sheet(group, sheet, number, blanks, notation)
            for number, sheet in enumerate(layout.sheets, start=first)
        ],
        usage=[_usage(usage, shelf, booked) for usage in layout.usage],
        stocks=_stocks(group, shelf, notation),
        blanks=[_blank(blank, group, shelf, notation) for blank in group.blanks],
        missing=[f"{each.count} × {each.label}" for each in layout.missing],
        yield_percent=pieces,
        offcut_percent=offcuts,
        waste_percent=waste,
        price=layout.price,
        verdict=verdict(layout),
    )


def _sheet(
    group: CutGroup, sheet: CutSheet, number: int, blanks: Mapping[str, Blank], notation: Notation
) -> SheetReply:
    counted = Counter(part.blank for part in sheet.parts if part.use == "piece")
    return SheetReply(
        number=number,
        stock=int(sheet.stock),
        times=sheet.times,
        drawing=draw_sheet(sheet, number, blanks, group.material, notation),
        cuts=cut_rows(sheet, blanks, notation),
        pieces=[f"{count} × {blanks[blank].label}" for blank, count in counted.items()],
    )


def cut_rows(sheet: CutSheet, blanks: Mapping[str, Blank], notation: Notation) -> list[CutRow]:
    """The cuts of a sheet, in people's words."""
    cuts = cut_list(sheet.region)
    names = part_names(cuts, {blank.id: blank.label for blank in blanks.values()})
    return [
        CutRow(
            number=step.number,
            part=names[step.part],
            gauge="left edge" if step.axis == "x" else "top edge",
            setting=notation.length(step.setting, True),
            same_setting=step.same_setting,
            falls=names[step.first],
            rest=names[step.second],
        )
        for step in cuts.steps
    ]


def _usage(usage: Usage, shelf: Mapping[int, OnShelf], booked: bool) -> UsageReply:
    entry = shelf.get(int(usage.stock))
    if entry is None:
        return UsageReply(
            stock=int(usage.stock),
            label=usage.label,
            taken=str(usage.amount),
            there="not on the shelf any more",
            enough=False,
            price=usage.price,
        )
    return UsageReply(
        stock=entry.number,
        label=usage.label,
        taken=count_words(entry.item, usage.amount),
        there=count_words(entry.item, entry.count),
        enough=booked or entry.count >= usage.amount,
        price=usage.price,
    )


def _stocks(group: CutGroup, shelf: Mapping[int, OnShelf], notation: Notation) -> list[StockName]:
    """The item pieces come from, and its offcuts."""
    found = [entry for entry in shelf.values() if group.item in (entry.number, entry.offcut_of)]
    return [
        StockName(
            number=entry.number,
            label=f"{'offcut ' if entry.offcut else ''}{entry.item.name}, {size_words(entry.item, notation)}",
        )
        for entry in sorted(found, key=lambda entry: entry.offcut)
    ]


def _blank(blank: Blank, group: CutGroup, shelf: Mapping[int, OnShelf], notation: Notation) -> BlankReply:
    return BlankReply(
        id=blank.id,
        label=blank.label,
        size=f"{notation.length(blank.width)} × {notation.length(blank.height, True)}",
        grain=GRAIN_NEEDED[blank.grain],
        count=blank.count,
        stocks=_stocks(group, shelf, notation),
    )
