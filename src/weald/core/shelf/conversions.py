"""Weights and thicknesses from one unit into another, each with its sum.

Grammage ↔ pounds of a grade; millimetres ↔ points (thousandths of an inch) ↔ pages per inch (both
sides of a leaf counted); grammage, bulk and thickness from one another.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from weald.core.errors import SizeError
from weald.core.notation import plain_number
from weald.core.paper import BASIC_SIZE_INCHES, LB_PER_REAM_TO_GSM, Grade, calliper_from_bulk, gsm_from_pounds
from weald.core.sums import to_come_out
from weald.core.units import MM_PER_BOARD_POINT, MM_PER_INCH

Quantity = Literal["gsm", "pounds", "mm", "points", "pages_per_inch", "stack"]
PAGES_A_LEAF = 2
_REAM = {"ream": LB_PER_REAM_TO_GSM}


@dataclass(frozen=True, slots=True)
class Converted:
    """One answer: what it is, the figure, and how it comes about."""

    label: str
    value: float
    shown: str
    sum: str


def pounds_from_gsm(grammage: float, grade: Grade) -> float:
    """Basis weight of a paper by its grammage: g/m² × basic area in square inches / 1406.14."""
    width, height = BASIC_SIZE_INCHES[grade]
    return grammage * width * height / LB_PER_REAM_TO_GSM


def pages_per_inch(calliper: float) -> float:
    """Pages in an inch of leaves so thick, in millimetres: 2 × 25.4 / thickness."""
    return PAGES_A_LEAF * MM_PER_INCH / calliper


def convert(
    value: float,
    unit: Quantity,
    *,
    grade: Grade = Grade.TEXT,
    bulk: float | None = None,
    leaves: int = 1,
) -> list[Converted]:
    """Everything that follows from one weight or thickness.

    :param grade: of pounds given.
    :param bulk: in cm³/g, to go from weight to thickness or back.
    :param leaves: in a measured stack of ``value`` millimetres.
    :raises SizeError: when the value is not above zero.
    """
    if not 0 < value <= 1e6:
        raise SizeError("Give a number above zero.")
    if unit in ("gsm", "pounds"):
        return _from_weight(value, unit, grade, bulk)
    return _from_thickness(value, unit, bulk, leaves)


def _from_weight(value: float, unit: Quantity, grade: Grade, bulk: float | None) -> list[Converted]:
    found = []
    gsm = value
    if unit == "pounds":
        gsm = gsm_from_pounds(value, grade)
        width, height = BASIC_SIZE_INCHES[grade]
        found.append(
            _answer(
                "Grammage",
                gsm,
                "g/m²",
                f"{{pounds}} × {{ream}} / ({width:g} × {height:g})",
                {"pounds": value},
            )
        )
    for each in Grade:
        if unit == "pounds" and each == grade:
            continue
        width, height = BASIC_SIZE_INCHES[each]
        pounds = pounds_from_gsm(gsm, each)
        found.append(
            _answer(
                f"Pounds, {each.value}",
                pounds,
                "lb",
                f"{{gsm}} × {width:g} × {height:g} / {{ream}}",
                {"gsm": gsm},
            )
        )
    if bulk:
        thickness = calliper_from_bulk(gsm, bulk)
        found += _thickness(thickness, "{gsm} × {bulk} / 1000", {"gsm": gsm, "bulk": bulk})
    return found


def _from_thickness(value: float, unit: Quantity, bulk: float | None, leaves: int) -> list[Converted]:
    if unit == "points":
        thickness, how = value * MM_PER_BOARD_POINT, f"{{value}} × {MM_PER_BOARD_POINT}"
    elif unit == "pages_per_inch":
        thickness, how = PAGES_A_LEAF * MM_PER_INCH / value, f"{PAGES_A_LEAF} × {MM_PER_INCH} / {{value}}"
    elif unit == "stack":
        thickness, how = value / leaves, f"{{value}} / {leaves}"
    else:
        thickness, how = value, ""
    found = _thickness(thickness, how, {"value": value})
    if bulk:
        found.append(
            _answer(
                "Grammage",
                1000 * thickness / bulk,
                "g/m²",
                "1000 × {thickness} / {bulk}",
                {"thickness": thickness, "bulk": bulk},
            )
        )
    return [each for each in found if each.sum]


def _thickness(thickness: float, how: str, terms: Mapping[str, float]) -> list[Converted]:
    leaf = {"thickness": thickness}
    points, pages = f"{{thickness}} / {MM_PER_BOARD_POINT}", f"{PAGES_A_LEAF} × {MM_PER_INCH} / {{thickness}}"
    return [
        _answer("Thickness of a leaf", thickness, "mm", how, terms, 4),
        _answer("Points", thickness / MM_PER_BOARD_POINT, "pt", points, leaf),
        _answer("Pages per inch", pages_per_inch(thickness), "", pages, leaf, 0),
    ]


def _answer(
    label: str, value: float, unit: str, how: str, terms: Mapping[str, float], decimals: int = 1
) -> Converted:
    shown = f"{plain_number(value, decimals)} {unit}".strip()
    return Converted(
        label, value, shown, f"{to_come_out(how, terms, value, decimals, _REAM)} = {shown}" if how else ""
    )
