"""Reads the sums a plan prints and works them out again from the figures shown, sharing nothing with what
reckoned them: what they come to, rounded as the result is, must be the result.
"""

import math
import re
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

_UP = re.compile(r", rounded up.*")
_NOTHING = re.compile(r"nothing: (.+) is (no )?(more|less) than (.+)")
_CHOICE = re.compile(r"the (larger|lesser) of (.+) and (.+)")
_NAMES: dict[str, Any] = {name: getattr(math, name) for name in ("sqrt", "sin", "cos", "tan", "radians")} | {
    "abs": abs,
    "max": max,
    "min": min,
}


@dataclass(frozen=True, slots=True)
class WorkedOut:
    """What a sum says it comes to, and what its left side comes to as it is shown."""

    said: float
    found: float
    last_digit: float

    @property
    def true(self) -> bool:
        return abs(self.said - self.found) <= 0.5 * self.last_digit + 1e-9


def _python(text: str) -> str:
    """A sum as a binder reads it, as Python works it out."""
    for sign, instead in (("×", "*"), ("−", "-"), ("²", "**2"), ("√", "sqrt"), (" lb", ""), (" in)", ")")):
        text = text.replace(sign, instead)
    text = re.sub(r"\|([^|]*)\|", r"abs(\1)", text)
    text = re.sub(r"(sin|cos|tan) ?\(?([\d.]+)°\)?", r"\1(radians(\2))", text)
    choice = _CHOICE.fullmatch(text)
    return f"{'max' if choice[1] == 'larger' else 'min'}({choice[2]}, {choice[3]})" if choice else text


def _worked(left: str) -> float | None:
    """The left side worked out; nothing where it is put in words."""
    code = _python(left)
    if set(re.findall(r"[a-zA-Z]+", code)) - _NAMES.keys() or not code:
        return None
    return float(eval(code, {"__builtins__": {}}, _NAMES))


@lru_cache(maxsize=100_000)
def worked_out(text: str) -> WorkedOut | None:
    """A sum worked out; nothing where its left side is put in words."""
    left, _, right = text.rpartition(" = ")
    said, last_digit = float(right.replace("−", "-")), 10.0 ** -max(2, len(right.partition(".")[2]))
    reason = _NOTHING.fullmatch(left)
    if reason and (one := _worked(reason[1])) is not None and (other := _worked(reason[4])) is not None:
        so = {"more": one > other, "less": one < other}[reason[3]]
        if reason[2]:
            so = {"more": one <= other, "less": one >= other}[reason[3]]
        return WorkedOut(said, 0.0 if so else math.inf, last_digit)
    up = _UP.search(left)
    # what more is done than rounding up is put in words
    if up and up[0] != ", rounded up":
        return None
    found = _worked(_UP.sub("", left))
    if found is None:
        return None
    return WorkedOut(said, math.ceil(found - 1e-9) if up else found, last_digit)
