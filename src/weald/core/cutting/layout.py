"""Sheets cut apart: which cut comes first, what falls, and what is left."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from weald.core.cutting.problem import SAME_COST
from weald.core.paper import SheetGrain
from weald.core.units import Mm, rounded_up

PartUse = Literal["piece", "offcut", "waste"]
Axis = Literal["x", "y"]


@dataclass(frozen=True, slots=True)
class Part:
    """What is not cut any further. ``blank`` names the piece; ``turned``: it lies a quarter turn round."""

    x: Mm
    y: Mm
    width: Mm
    height: Mm
    use: PartUse
    blank: str = ""
    turned: bool = False


@dataclass(frozen=True, slots=True)
class Run:
    """A region cut into several by parallel cuts from edge to edge, one after another.

    :param axis: ``x`` for upright cuts, measured from the left edge; ``y`` for level ones, from the top.
    :param regions: what falls, the first lying against the gauge first; the last is what is left.
    """

    x: Mm
    y: Mm
    width: Mm
    height: Mm
    axis: Axis
    regions: tuple["Region", ...]


Region = Part | Run


def parts(region: Region) -> Iterator[Part]:
    """Every part of a region, in the order they fall."""
    if isinstance(region, Part):
        yield region
    else:
        for each in region.regions:
            yield from parts(each)


@dataclass(frozen=True, slots=True)
class CutSheet:
    """So many sheets of one stock, all cut alike.

    :param width: of the sheet; :param height: of the sheet, or the length cut off a roll.
    """

    stock: str
    label: str
    width: Mm
    height: Mm
    grain: SheetGrain | None
    roll: bool
    times: int
    region: Region

    @property
    def parts(self) -> list[Part]:
        """What falls, pieces, offcuts and waste."""
        return list(parts(self.region))


@dataclass(frozen=True, slots=True)
class Usage:
    """How much of one stock is taken.

    :param sheets: whole sheets; of a roll none, but a length off it.
    :param price: of what is taken, where it is known.
    """

    stock: str
    label: str
    sheets: int
    length: Mm
    price: float | None

    @property
    def amount(self) -> int:
        """What it takes off the shelf's count: sheets, or whole millimetres of a roll."""
        return self.sheets or rounded_up(self.length)


@dataclass(frozen=True, slots=True)
class Missing:
    """Pieces for which the stock does not reach."""

    blank: str
    label: str
    count: int


@dataclass(frozen=True, slots=True)
class Layout:
    """Pieces laid out on stock. Areas are mm².

    :param taken: area of the stock that is taken; offcuts count at half where they are to go first.
    :param bound: the least that any layout would have to take, counted alike.
    """

    sheets: tuple[CutSheet, ...]
    usage: tuple[Usage, ...]
    missing: tuple[Missing, ...]
    piece_area: float
    offcut_area: float
    waste_area: float
    taken: float
    bound: float

    @property
    def shares(self) -> tuple[float, float, float]:
        """Parts of the stock cut up, in percent: pieces, offcuts kept, waste."""
        areas = (self.piece_area, self.offcut_area, self.waste_area)
        whole = sum(areas)
        pieces, offcuts, waste = (100 * area / whole if whole else 0.0 for area in areas)
        return pieces, offcuts, waste

    @property
    def price(self) -> float | None:
        """What the stock taken costs, where every price is known."""
        prices = [usage.price for usage in self.usage]
        known = [price for price in prices if price is not None]
        return sum(known) if len(known) == len(prices) else None

    @property
    def proven(self) -> bool:
        """Whether no layout of any kind takes less."""
        return self.bound >= self.taken * (1 - SAME_COST)

    @property
    def gap(self) -> float:
        """How much of what is taken might be saved at the most, 0 to 1."""
        return max(0.0, 1 - self.bound / self.taken) if self.taken else 0.0


def verdict(layout: Layout) -> str:
    """How good a layout is, in words."""
    if layout.missing:
        return "The stock does not reach for every piece."
    if layout.proven:
        return "Proven best: no layout, however it is cut, takes less stock."
    return f"At most {100 * layout.gap:.0f} % of the stock taken might be saved by a better layout."
