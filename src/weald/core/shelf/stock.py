"""What lies on the shelf: one item of stock, and what its numbers mean.

An item is a *sheet* (paper, board), a *roll* (cloth), a *skin* (leather), a *reel* (thread, tape) or a
*pot* (adhesive). Its count is a whole number: of sheets and skins, of millimetres on a roll or reel,
of grams in a pot.
"""

import datetime
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from pydantic import Field

from weald.core.errors import SpecError
from weald.core.job.entries import Entries, Length, Name, Size, Title, read_entries
from weald.core.job.leaves import BasisWeight, Stack
from weald.core.materials import Form, StockKind
from weald.core.notation import Notation, plain_number
from weald.core.paper import SheetGrain, calliper_from_bulk, grain_word, gsm_from_pounds, size_name
from weald.core.units import TOLERANCE, Gsm, Mm
from weald.core.upgrades import Format

GrainMethod = Literal["bend", "droop", "tear", "damp", "flex", "maker"]

FORM_NAMES: dict[Form, str] = {
    "sheet": "sheets",
    "roll": "a roll",
    "skin": "skins",
    "reel": "a reel",
    "pot": "a pot",
}
COUNTED_IN: dict[Form, str] = {
    "sheet": "sheets",
    "skin": "skins",
    "roll": "metres",
    "reel": "metres",
    "pot": "grams",
}
FLAT: tuple[Form, ...] = ("sheet", "roll", "skin")
"""Forms that pieces are cut from."""
MM_PER_METRE = 1000


class GrainTest(Entries):
    """How the grain was found, by whom, when and what came out."""

    method: GrainMethod
    day: datetime.date
    result: SheetGrain
    by: Name = ""


STOCK = Format("item of the shelf")


class StockItem(Entries):
    """One item of the shelf.

    ``grain`` is the side of the sheet it runs along, nothing where nobody knows. A roll lies with its
    width across and its length as height, so cloth has its warp along the height. Grammage comes from
    ``basis`` where that is given; thickness from ``calliper``, else ``stack``, else grammage × bulk.
    ``price`` is for a sheet, a skin, a metre or a kilogram. ``warn_below`` counts as the count does.
    """

    version: Annotated[int, Field(ge=1, le=STOCK.version)] = STOCK.version
    kind: StockKind = "paper"
    name: Title
    colour: Name = ""
    note: Annotated[str, Field(max_length=500)] = ""
    form: Form = "sheet"
    width: Size | None = None
    height: Size | None = None
    grain: SheetGrain | None = None
    tests: Annotated[tuple[GrainTest, ...], Field(max_length=20)] = ()
    grammage: Annotated[float, Field(gt=0, le=3000)] | None = None
    basis: BasisWeight | None = None
    bulk: Annotated[float, Field(gt=0.3, le=4)] | None = None
    calliper: Annotated[Length, Field(gt=0, le=20)] | None = None
    stack: Stack | None = None
    price: Annotated[float, Field(ge=0, le=100000)] | None = None
    place: Name = ""
    warn_below: Annotated[int, Field(ge=0, le=100_000_000)] = 0

    @property
    def gsm(self) -> Gsm | None:
        """Grammage, if it can be known."""
        if self.basis is not None:
            return gsm_from_pounds(self.basis.pounds, self.basis.grade)
        return self.grammage

    @property
    def thickness(self) -> Mm | None:
        """Thickness, if it can be known: measured before reckoned."""
        if self.calliper is not None:
            return self.calliper
        if self.stack is not None:
            return self.stack.thickness / self.stack.leaves
        if self.gsm is not None and self.bulk is not None:
            return calliper_from_bulk(self.gsm, self.bulk)
        return None

    @property
    def counted_in(self) -> str:
        """What one of its count is, in words."""
        return {"sheet": "sheet", "skin": "skin", "roll": "mm", "reel": "mm", "pot": "g"}[self.form]


def draft_stock(data: Mapping[str, Any], notation: Notation | None = None) -> StockItem:
    """Read as much of an item as there is yet.

    :raises SpecError: naming every place that nothing can be, with the remedy.
    """
    return read_entries(StockItem, data, notation, kept_as=STOCK, whole="an item")


def read_stock(data: Mapping[str, Any], notation: Notation | None = None) -> StockItem:
    """Read an item as typed.

    :raises SpecError: naming every place that is wrong, with the remedy.
    """
    item = draft_stock(data, notation)
    if found := dict(_contradictions(item)):
        raise SpecError(found)
    return item


def _contradictions(item: StockItem) -> list[tuple[str, str]]:
    found = []
    if not item.name.strip():
        found.append(("name", "Give the item a name, so that it can be found again."))
    if item.form in ("sheet", "skin") and (item.width is None) != (item.height is None):
        missing = "height" if item.height is None else "width"
        found.append((missing, f"Give its {missing} too, or neither."))
    if item.form == "roll" and item.height is not None:
        found.append(("height", "The length of a roll is its count; leave this empty."))
    if item.form == "roll" and item.grain == "width":
        found.append(("grain", "Cloth on a roll has its warp along the roll."))
    if item.basis is not None and item.grammage is not None:
        found.append(("grammage", "Give grammage or pounds, not both: one follows from the other."))
    if item.tests and item.grain is not None and item.tests[-1].result != item.grain:
        found.append(("grain", "The last grain test says the other way; test again, or go by the test."))
    return found


def count_words(item: StockItem, count: int) -> str:
    """A count as people say it: sheets, metres, grams."""
    if item.form in ("roll", "reel"):
        return f"{plain_number(count / MM_PER_METRE, 3)} m"
    if item.form == "pot":
        return f"{count} g"
    return f"{count} {item.counted_in}{'' if count == 1 else 's'}"


def read_count(item: StockItem, text: str) -> int:
    """A count as typed: sheets or skins, metres of a roll or reel, grams of a pot.

    :raises SpecError: when it is none.
    """
    per = MM_PER_METRE if item.form in ("roll", "reel") else 1
    try:
        number = float(text.strip().removesuffix("m" if per > 1 else "g").replace(",", "."))
    except ValueError:
        number = -1.0
    count = number * per
    whole = per > 1 or abs(count - round(count)) < TOLERANCE
    if not (0 <= count <= 100_000_000) or not whole:
        unit = {"roll": "metres, as 4.5", "reel": "metres, as 30", "pot": "grams, as 500"}.get(
            item.form, f"whole {item.counted_in}s, as 12"
        )
        raise SpecError({"count": f"“{text}” is no count; give {unit}."})
    return round(count)


def size_words(item: StockItem, notation: Notation) -> str:
    """The size of an item with its name, if it has one."""
    if item.width is None:
        return ""
    if item.height is None:
        return f"{notation.figure(item.width, True)} wide"
    name = size_name(item.width, item.height)
    size = f"{notation.figure(item.width)} × {notation.figure(item.height, True)}"
    return f"{name}, {size}" if name else size


def grain_words(item: StockItem, notation: Notation) -> str:
    """The grain of an item in words: by the word, and by the side it runs along."""
    if item.form == "roll":
        return "along the roll"
    if item.grain is None:
        return "not tested" if item.form in FLAT else ""
    if item.width is None or item.height is None:
        return f"along its {item.grain}"
    word = grain_word(item.width, item.height, item.grain)
    along = item.width if item.grain == "width" else item.height
    return f"{word}, along the {notation.figure(along)}" if word != "square" else f"along its {item.grain}"


def weight_words(item: StockItem) -> str:
    """Grammage as sold, with grammage where it was sold in pounds."""
    if item.basis is not None:
        grade = item.basis.grade.value
        return f"{plain_number(item.basis.pounds, 1)} lb {grade} ({item.gsm:.0f} g/m²)"
    return "" if item.grammage is None else f"{plain_number(item.grammage, 1)} g/m²"


def offcut_of(whole: StockItem, width: Mm, height: Mm, grain: SheetGrain | None) -> StockItem:
    """What is left of an item as an item of its own; its price is its share of the whole sheet."""
    share = None
    if whole.price is not None and whole.form == "sheet" and whole.width and whole.height:
        share = round(whole.price * width * height / (whole.width * whole.height), 2)
    changed = {"width": width, "height": height, "grain": grain, "price": share}
    return whole.model_copy(update={**changed, "form": "sheet", "tests": (), "warn_below": 0})


@dataclass(frozen=True, slots=True)
class OnShelf:
    """An item of the shelf with its number and how much of it there is."""

    number: int
    item: StockItem
    count: int
    offcut_of: int | None = None

    @property
    def offcut(self) -> bool:
        """Whether it is left over from cutting."""
        return self.offcut_of is not None
