"""Barcodes of books: thirteen digits, the last a check, drawn as 95 bars and spaces.

Sizes are those of the common standard at 100 %: a module of 0.33 mm, quiet zones of 11 and 7 modules,
37.29 × 25.93 mm in all.
"""

from itertools import groupby

from weald.core.errors import SizeError
from weald.core.units import Mm

MODULE: Mm = 0.33
QUIET_LEFT, QUIET_RIGHT = 11, 7
MODULES = 95
WIDTH: Mm = (QUIET_LEFT + MODULES + QUIET_RIGHT) * MODULE
HEIGHT: Mm = 25.93
BAR_HEIGHT: Mm = 22.85

_LEFT = (
    *("0001101", "0011001", "0010011", "0111101", "0100011"),
    *("0110001", "0101111", "0111011", "0110111", "0001011"),
)
_PARITY = (
    *("LLLLLL", "LLGLGG", "LLGGLG", "LLGGGL", "LGLLGG"),
    *("LGGLLG", "LGGGLL", "LGLGLG", "LGLGGL", "LGGLGL"),
)


def check_digit(digits: str) -> int:
    """The thirteenth digit of twelve: weights 1 and 3 in turn, made up to a multiple of ten."""
    total = sum(int(digit) * (3 if place % 2 else 1) for place, digit in enumerate(digits))
    return -total % 10


def read_barcode(text: str) -> str:
    """The thirteen digits of a barcode as typed, with hyphens or spaces or without.

    Twelve digits are made up by their check digit.

    :raises SizeError: when there are more or fewer, or the last is not the check digit of the others.
    """
    digits = "".join(sign for sign in text if sign not in "-– \t")
    if not digits.isdigit() or not digits.isascii() or len(digits) not in (12, 13):
        raise SizeError(
            f"“{text}” is no barcode: thirteen digits are wanted, or twelve without the check digit."
        )
    right = check_digit(digits[:12])
    if len(digits) == 13 and int(digits[12]) != right:
        raise SizeError(
            f"The check digit of “{text}” is wrong: with these twelve digits it would be {right}."
        )
    return digits[:12] + str(right)


def bars(digits: str) -> tuple[tuple[Mm, Mm], ...]:
    """Left edge and width of every dark bar, from the first guard bar on.

    :param digits: thirteen, as :func:`read_barcode` gives them.
    """
    first, left, right = int(digits[0]), digits[1:7], digits[7:]
    halves = [
        _LEFT[int(digit)] if way == "L" else _inverted(_LEFT[int(digit)])[::-1]
        for digit, way in zip(left, _PARITY[first], strict=True)
    ]
    code = "101" + "".join(halves) + "01010"
    code += "".join(_inverted(_LEFT[int(digit)]) for digit in right) + "101"
    found, at = [], 0
    for sign, run in groupby(code):
        length = len(list(run))
        if sign == "1":
            found.append((at * MODULE, length * MODULE))
        at += length
    return tuple(found)


def _inverted(code: str) -> str:
    return code.translate({48: "1", 49: "0"})
