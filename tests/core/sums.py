"""Reads the sums a plan prints and works them out again, sharing nothing with what reckoned them.

Every number stands in a sum rounded to its last digit, so what it comes to may be off by what all of them
are off together.
"""

import math
import re
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

_NUMBER = re.compile(r"\d+(?:\.\d+)?")
_UP = re.compile(r", rounded up.*")
_NAMES: dict[str, Any] = {name: getattr(math, name) for name in ("sqrt", "sin", "cos", "tan", "radians")} | {
    "abs": abs
}


@dataclass(frozen=True, slots=True)
class WorkedOut:
    """What a sum says it comes to, and the least and most its left side can come to."""

    said: float
    least: float
    most: float

    @property
    def true(self) -> bool:
        return self.least <= self.said <= self.most


def _python(text: str) -> str:
    """A sum as a binder reads it, as Python works it out."""
    for sign, instead in (("×", "*"), ("−", "-"), ("²", "**2"), ("%", ""), ("√", "sqrt")):
        text = text.replace(sign, instead)
    text = re.sub(r"\|([^|]*)\|", r"abs(\1)", text)
    return re.sub(r"(sin|cos|tan) ?\(?([\d.]+)°\)?", r"\1(radians(\2))", text)


def _value(left: str, numbers: list[float]) -> float:
    """The left side with these numbers in place of its own."""
    fresh = iter(numbers)
    return eval(_python(_NUMBER.sub(lambda _: repr(next(fresh)), left)), {"__builtins__": {}}, _NAMES)


def _step(number: str) -> float:
    """Half of the last digit; whole numbers are counts, or lengths to hundredths."""
    return 0.5 * 10 ** -len(number.partition(".")[2]) if "." in number else 0.005


@lru_cache(maxsize=100_000)
def worked_out(text: str) -> WorkedOut | None:
    """A sum worked out; nothing where its left side is put in words."""
    left, _, right = text.rpartition(" = ")
    up = bool(_UP.search(left))
    left = _UP.sub("", left)
    if set(re.findall(r"[a-zA-Z]+", _python(left))) - _NAMES.keys() or not left:
        return None
    numbers = _NUMBER.findall(left)
    values = [float(number) for number in numbers]
    found, off = _value(left, values), 1e-6
    for place, number in enumerate(numbers):
        nudges = []
        for way in (-1, 1):
            nudged = [*values]
            nudged[place] += way * _step(number)
            try:
                nudges.append(abs(_value(left, nudged) - found))
            except (ValueError, ZeroDivisionError):
                nudges.append(_step(number))
        off += max(nudges)
    said = float(right.removesuffix("%").replace("−", "-").strip())
    if up:
        return WorkedOut(said, math.ceil(found - off), math.ceil(found + off))
    off += 0.5 * 10 ** -len(right.partition(".")[2])
    return WorkedOut(said, found - off, found + off)
