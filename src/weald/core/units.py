"""Lengths as binders write and read them.

Inside, every length is in millimetres and never rounded. Text comes in through
:func:`parse_length` and goes out through :class:`weald.core.notation.Notation`.

Vocabulary: a *point* of board is a thousandth of an inch (80 pt = 2.032 mm).
"""

import math
import re
import unicodedata
from fractions import Fraction
from typing import Literal

from weald.core.errors import SizeError

Mm = float
"""A length in millimetres."""

Gsm = float
"""Grammage, in grams per square metre."""

MM_PER_INCH = 25.4
MM_PER_BOARD_POINT = MM_PER_INCH / 1000
"""The point board is sold by: a thousandth of an inch."""
MM_PER_TYPE_POINT = MM_PER_INCH / 72
"""The point of type, and of a PDF."""

TOLERANCE: Mm = 1e-6
"""Two lengths nearer than this are the same length."""
UNSEEN: Mm = 1e-4
"""No ruler, calliper or figure shows less."""
NEGLIGIBLE = 1e-9
"""Of numbers without a unit, and of minutes: what reckoning alone is off by."""


def rounded_up(number: float) -> int:
    """The next whole number, of what is counted; what reckoning alone is off by asks for no further one."""
    return math.ceil(number - TOLERANCE)


def rounded_down(number: float) -> int:
    """The whole number below; what reckoning alone is short of is there."""
    return math.floor(number + TOLERANCE)


Units = Literal["mm", "inch", "both"]
BareUnit = Literal["mm", "inch"]

_UNIT_MM = {
    "mm": 1.0,
    "cm": 10.0,
    "in": MM_PER_INCH,
    "inch": MM_PER_INCH,
    "inches": MM_PER_INCH,
    '"': MM_PER_INCH,
    "″": MM_PER_INCH,
    "”": MM_PER_INCH,
    "''": MM_PER_INCH,
    "pt": MM_PER_BOARD_POINT,
}
_UNIT = "|".join(sorted(map(re.escape, _UNIT_MM), key=len, reverse=True))
_TERM = re.compile(
    rf"""
    (?:(?P<times>\d+)\s*[*×]\s*)?
    (?:
        (?P<whole>\d+)(?:\s+|-(?=\d+/\d+))(?P<over>\d+)/(?P<under>\d+)
      | (?P<lone_over>\d+)/(?P<lone_under>\d+)
      | (?P<decimal>\d+(?:[.,]\d+)?|[.,]\d+)
    )
    \s*(?P<unit>{_UNIT})?
    """,
    re.VERBOSE | re.IGNORECASE,
)
_SIGN = re.compile(r"\s*([+\-−–‐‑‒—﹣－])\s*")
INCH_DECIMALS = 4
"""Decimals of an inch that tell hundredths of a millimetre apart."""
_EXAMPLES = "write it like 135, 13.5 cm, 5 1/4 in, 80pt or 210+6"


def _spell_out_fractions(text: str) -> str:
    """Turn ¼ and its kin into " 1/4", so that one grammar reads both."""
    spelt = []
    for char in text:
        if unicodedata.category(char) == "No" and not char.isdigit():
            value = Fraction(unicodedata.numeric(char)).limit_denominator(64)
            spelt.append(f" {value.numerator}/{value.denominator}")
        else:
            spelt.append("/" if char == "⁄" else char)
    return "".join(spelt).strip()


def _in_mm(match: re.Match[str], text: str, per_unit: Mm) -> Mm:
    """One number of a sum. A size given in millimetres is written with four decimals of an inch, and they
    are read back as what was given."""
    length = _term_number(match, text) * per_unit
    decimals = len((match["decimal"] or "").replace(",", ".").partition(".")[2])
    if per_unit == MM_PER_INCH and decimals == INCH_DECIMALS:
        given = round(length, 2)
        if abs(given - length) <= MM_PER_INCH * 10.0**-INCH_DECIMALS / 2 + TOLERANCE:
            return given
    return length


def _term_number(match: re.Match[str], text: str) -> float:
    over = match["over"] or match["lone_over"]
    under = match["under"] or match["lone_under"]
    if over is None:
        number = float(match["decimal"].replace(",", "."))
    elif int(under) == 0:
        raise SizeError(f"“{text}” divides by nothing; {_EXAMPLES}.")
    else:
        number = int(match["whole"] or 0) + int(over) / int(under)
    return number * int(match["times"] or 1)


def parse_length(text: str | float, bare: BareUnit = "mm") -> Mm:
    """Read a length, or a sum of lengths, in any form binders write.

    :param text: a number, or text such as ``135``, ``13.5cm``, ``5-1/4″``, ``¼in``,
        ``80pt`` or ``210 + 6``. A hyphen joins a whole number and a fraction only where nothing stands
        between them; with spaces, or as any other minus sign, it takes away.
    :param bare: the unit of a number written without one.
    :returns: millimetres, not rounded, but that four decimals of an inch are the hundredth of a millimetre
        they stand for, where they stand for one: 0.7087 is 18. Negative when the sum comes out so.
    :raises SizeError: when the text is no length. A sum in which some numbers have a
        unit and others have none is refused rather than guessed at.
    """
    per_bare = _UNIT_MM["mm" if bare == "mm" else "in"]
    if isinstance(text, bool):
        raise SizeError(f"“{text}” is not a length; {_EXAMPLES}.")
    if isinstance(text, (int, float)):
        try:
            return float(text)
        except OverflowError:
            raise SizeError(f"No length is that long; {_EXAMPLES}.") from None
    rest = _spell_out_fractions(text)
    if not rest or len(rest) > 80:
        raise SizeError(f"No length is given; {_EXAMPLES}.")

    total, position, sign = 0.0, 0, 1
    units: set[str | None] = set()
    if leading := _SIGN.match(rest):
        sign, position = (1 if leading[1] == "+" else -1), leading.end()
    while True:
        term = _TERM.match(rest, position)
        if term is None:
            raise SizeError(f"“{text}” is not a length; {_EXAMPLES}.")
        unit = term["unit"].lower() if term["unit"] else None
        units.add(unit)
        total += sign * _in_mm(term, text, _UNIT_MM[unit] if unit else per_bare)
        position = term.end()
        if position == len(rest):
            break
        joint = _SIGN.match(rest, position)
        if joint is None:
            raise SizeError(f"“{text}” is not a length; {_EXAMPLES}.")
        sign, position = (1 if joint[1] == "+" else -1), joint.end()
    if None in units and len(units) > 1:
        raise SizeError(f"“{text}” mixes numbers with and without a unit; give every number one.")
    return total
