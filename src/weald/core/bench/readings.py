"""Readings of a calliper or a scale, as the instrument sends them: read, averaged, and doubted.

An instrument sends a line for each reading, ``12.34 mm`` or ``+0.4860 in``; one without a unit reads in the
unit it is told to have. Nothing here knows how the line came: by keyboard, by serial line, or simulated.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.errors import WealdError
from weald.core.units import MM_PER_INCH, Mm

ReadingUnit = Literal["mm", "in", "g"]
_NUMBER = r"\d{1,7}(?:[.,]\d{1,5})?|[.,]\d{1,5}"
_LINE = re.compile(rf"^\s*([+-]?)\s*({_NUMBER})\s*(mm|in|inch|\"|g|gn)?\s*$", re.IGNORECASE)
_UNITS: dict[str, ReadingUnit] = {"mm": "mm", "in": "in", "inch": "in", '"': "in", "g": "g", "gn": "g"}
FAR_APART = 0.05
"""Readings of one thing that lie further apart than this part of their mean are not of one thing."""
LEAST_APART: Mm = 0.3
"""Apart by less than this, readings of even the thinnest thing agree: pressure of the hand does as much."""


class ReadingError(WealdError):
    """A line that is no reading, or one of another kind than is asked for."""


class OddReadingError(WealdError):
    """Readings that do not agree, or lie far from what is expected; they may be insisted on."""


@dataclass(frozen=True, slots=True)
class Reading:
    """One reading, in millimetres or grams. ``unit`` is what the instrument had."""

    value: float
    unit: ReadingUnit


def read_line(line: str, bare: ReadingUnit = "mm") -> Reading:
    """A line an instrument sent.

    :param bare: the unit of a number that stands alone.
    :raises ReadingError: where it is no reading.
    """
    found = _LINE.match(line)
    if found is None or found.group(1) == "-":
        raise ReadingError(f"“{line.strip()[:40]}” is no reading; an instrument sends one like 12.34 mm.")
    unit = _UNITS[(found.group(3) or bare).lower()]
    number = float(found.group(2).replace(",", "."))
    return Reading(number * MM_PER_INCH if unit == "in" else number, unit)


def averaged(readings: Sequence[Reading]) -> float:
    """Several readings of one thing as one, in millimetres or grams.

    :raises ReadingError: where there is none, or lengths stand among weights.
    :raises OddReadingError: where one of them lies far from the others.
    """
    if not readings:
        raise ReadingError("There is no reading yet.")
    if len({each.unit == "g" for each in readings}) > 1:
        raise ReadingError("A weight came among lengths; read again with one instrument.")
    values = sorted(each.value for each in readings)
    middle = values[len(values) // 2]
    if any(abs(value - middle) > max(LEAST_APART, FAR_APART * middle) for value in values):
        raise OddReadingError("The readings lie far apart; is one of them of something else?")
    return sum(values) / len(values)
