"""What the material of a job costs beforehand: from a layout that was made, or piece by piece."""

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from decimal import Decimal

from weald.core.cutting.grouping import BlankId, CutGroup
from weald.core.pieces import Piece
from weald.core.shelf.stock import MM_PER_METRE, StockItem


@dataclass(frozen=True, slots=True)
class PlannedMaterial:
    """What a job's pieces take of one item, waste counted in; ``cost`` none where it has no price."""

    item: int
    label: str
    cost: Decimal | None
    words: str


def worth(item: StockItem, amount: int) -> Decimal | None:
    """So much of an item at its price, which is for a sheet, a skin, a metre or a kilogram.

    :param amount: as the shelf counts it: sheets, skins, millimetres, grams.
    """
    if item.price is None:
        return None
    per = MM_PER_METRE if item.form in ("roll", "reel", "pot") else 1
    return Decimal(str(item.price)) * amount / per


def share_of(job: int, groups: Iterable[CutGroup]) -> Decimal:
    """A job's part of what was cut for several, by the area of its pieces, 0 to 1."""
    mine, whole = 0.0, 0.0
    for group in groups:
        for blank in group.blanks:
            area = blank.width * blank.height * blank.count
            whole += area
            mine += area if BlankId(blank.id).job == job else 0.0
    return Decimal(str(mine / whole)) if whole else Decimal(0)


def from_layout(group: CutGroup, job: int, pieces: Iterable[Piece]) -> PlannedMaterial:
    """A job's part of a layout: offcuts go back to the shelf, waste does not.

    Price of what is taken × (pieces + waste) ÷ whole area, and of that the share of the job's own pieces.
    """
    price, (share, kept, waste) = group.layout.price, group.layout.shares
    mine = {BlankId.of(job, piece.id) for piece in pieces}
    area = {blank.id: blank.width * blank.height * blank.count for blank in group.blanks}
    part = sum(size for name, size in area.items() if name in mine) / (sum(area.values()) or 1.0)
    words = f"{share:.0f} % pieces, {waste:.0f} % waste, {kept:.0f} % back to the shelf"
    if price is None:
        return PlannedMaterial(group.item, group.label, None, words)
    whole = Decimal(str(price)) * (1 - Decimal(str(kept)) / 100)
    return PlannedMaterial(group.item, group.label, whole * Decimal(str(part)), words)


def from_stock(pieces: Iterable[Piece], shelf: Mapping[int, StockItem]) -> list[PlannedMaterial]:
    """Pieces counted one by one, where nothing has been laid out yet: each costs its part of a sheet.

    A sheet that gives ``n`` pieces costs each of them ``1/n``, the waste between them with it. Of a roll,
    each costs the length it takes, shared with those beside it.
    """
    found: dict[int, PlannedMaterial] = {}
    for piece in pieces:
        item = shelf.get(piece.item) if piece.item is not None else None
        if piece.item is None or item is None:
            continue
        count, said = piece.count + piece.spare, f"{piece.count + piece.spare} × {piece.label}"
        part = _part(piece, item)
        cost = None
        if item.price is not None and part is not None:
            cost = Decimal(str(item.price)) * Decimal(str(part)) * count
        before = found.get(piece.item)
        if before is not None:
            both = None if cost is None or before.cost is None else before.cost + cost
            found[piece.item] = PlannedMaterial(piece.item, item.name, both, f"{before.words}, {said}")
        else:
            found[piece.item] = PlannedMaterial(piece.item, item.name, cost, said)
    return list(found.values())


def _part(piece: Piece, item: StockItem) -> float | None:
    """What part of a sheet, or how many metres of a roll, one piece takes; none where it does not fit."""
    if item.form == "roll" and item.width:
        beside = math.floor(item.width / piece.cut_width) if piece.cut_width else 0
        return piece.cut_height / MM_PER_METRE / beside if beside else None
    return 1 / piece.per_sheet if piece.per_sheet else None
