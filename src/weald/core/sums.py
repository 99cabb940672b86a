"""Sums as people read them: a formula with its figures, written out finely enough to come out.

A formula is written as a binder would, with the names of its terms in braces: ``{block} + 2 × {board}``.
Whoever works a sum again from the figures shown comes to the figure shown; where rounding would keep them
from it, the figures on the left are given more digits, and no more than it takes.
"""

import math
import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from itertools import chain
from typing import Any

from weald.core.notation import Notation, plain_number
from weald.core.quantities import Kind
from weald.core.units import MM_PER_INCH, NEGLIGIBLE, rounded_up

_DIGITS = [(finer, more) for finer in (0, 1) for more in range(6)]
"""Digits that are added to the result and to its figures, the fewest first, until the sum comes out."""
_SIGNS = (
    ("×", "*"),
    ("−", "-"),
    ("²", "**2"),
    ("√", "sqrt"),
    (" lb", ""),
    (" in)", ")"),
)
_TERM = re.compile(r"\{(\w+)\}")
_ANGLE = re.compile(r"(sin|tan) ?\(?([\d.]+)°\)?")
_LARGER = re.compile(r"the (larger|lesser) of (.+) and (.+)")
_NOTHING = re.compile(r"nothing: (.+) is (more|less|no more|no less) than (.+)")
_PLAIN_DIGITS = 4
"""Decimals of a plain number in a sum, where the sum takes no more."""
_ROUNDED_UP = ", rounded up"
_CHOICES = {"larger": "max", "lesser": "min"}
_SIDES = {"more": ">", "less": "<", "no more": "<=", "no less": ">="}


def _nothing(so: bool) -> float:
    """What is nothing for a reason comes out only where the figures show the reason."""
    return 0.0 if so else math.nan


_KNOWN: dict[str, Any] = {
    "sqrt": math.sqrt,
    "sin": math.sin,
    "tan": math.tan,
    "rad": math.radians,
    "abs": abs,
    "max": max,
    "min": min,
    "nothing": _nothing,
}
_OWN = "term_"
_WORD = re.compile(r"[a-zA-Z]\w*")


@lru_cache(maxsize=1024)
def worked_by(formula: str) -> Callable[[Mapping[str, float]], float] | None:
    """What works a formula out from the values of its terms; nothing where it is put in words."""
    plain, up, rest = formula.partition(_ROUNDED_UP)
    plain = _LARGER.sub(lambda found: f"{_CHOICES[found[1]]}({found[2]}, {found[3]})", plain)
    plain = _NOTHING.sub(lambda found: f"nothing({found[1]} {_SIDES[found[2]]} {found[3]})", plain)
    for sign, instead in _SIGNS:
        plain = plain.replace(sign, instead)
    plain = _ANGLE.sub(r"\1(rad(\2))", re.sub(r"\|([^|]*)\|", r"abs(\1)", plain))
    plain = _TERM.sub(rf"{_OWN}\1", plain)
    if rest or any(not word.startswith(_OWN) and word not in _KNOWN for word in _WORD.findall(plain)):
        return None
    try:
        code = compile(plain, "<formula>", "eval")
    except SyntaxError:
        return None

    def work(values: Mapping[str, float]) -> float:
        names: dict[str, Any] = {f"{_OWN}{name}": value for name, value in values.items()}
        result = float(eval(code, {"__builtins__": {}, **_KNOWN}, names))
        return float(rounded_up(result)) if up else result

    return work


def _usual_decimals(kind: Kind, notation: Notation) -> int:
    """How many a number of this kind has in a sum: more than any ruler or calliper reads."""
    if kind == "length":
        return 3 if notation.units == "inch" else 2
    return 4 if kind == "thickness" and notation.units == "inch" else 3


def _exactly(kind: Kind, value: float, notation: Notation, digits: int) -> str:
    """A number of this kind to so many decimals, in the reader's unit and without it."""
    in_unit = value / MM_PER_INCH if notation.units == "inch" and kind in ("length", "thickness") else value
    return plain_number(in_unit, digits).replace("-", "−")


Terms = tuple[tuple[str, Kind, float], ...]
"""The terms of a formula: the name of each in it, its kind and its value."""


@lru_cache(maxsize=4096)
def in_figures(formula: str, terms: Terms, kind: Kind, value: float, notation: Notation) -> str:
    """A formula with its figures, and what they come to: ``42 + 2 × 2.5 = 47``.

    Most sums stay as they are from one stroke of a key to the next, and are written once.

    :param kind: of ``value``, which the formula comes to.
    """
    work = worked_by(formula)
    written = (_written(formula, terms, kind, value, notation, *digits) for digits in _DIGITS)
    usual = next(written)
    if work is None:
        return usual.text
    return next((each.text for each in chain((usual,), written) if each.comes_out(work)), usual.text)


def to_come_out(
    formula: str,
    terms: Mapping[str, float],
    value: float,
    decimals: int,
    constants: Mapping[str, float] | None = None,
) -> str:
    """The left side of a sum of plain numbers, with the fewest digits by which it comes to its result.

    :param decimals: those of the result, which ``value`` is rounded to.
    :param constants: terms that are known to two decimals by whoever reads.
    """
    work = worked_by(formula)
    for digits in range(_PLAIN_DIGITS, 10):
        figures = {name: plain_number(each, digits) for name, each in terms.items()}
        for name, each in (constants or {}).items():
            figures[name] = plain_number(each, digits - _PLAIN_DIGITS + 2)
        written = _Written(formula.format(**figures), figures, round(value, decimals), decimals)
        if work is None or written.comes_out(work):
            break
    return written.text


@dataclass(frozen=True, slots=True)
class _Written:
    """A sum in figures of so many digits."""

    text: str
    figures: Mapping[str, str]
    result: float
    decimals: int
    """Of the result, those that are nought and not written among them."""

    def comes_out(self, work: Callable[[Mapping[str, float]], float]) -> bool:
        """Whether who works it again from its figures comes to its result, rounded as that is."""
        try:
            found = work({name: _number(shown) for name, shown in self.figures.items()})
        except (ArithmeticError, ValueError):
            return False
        return abs(found - self.result) <= 0.5 * 10.0**-self.decimals + NEGLIGIBLE


def _written(
    formula: str,
    terms: Terms,
    kind: Kind,
    value: float,
    notation: Notation,
    finer: int,
    more: int,
) -> _Written:
    """:param finer: digits more in the result; ``more``: in what it is made of."""
    figures = {
        name: _exactly(what, each, notation, _usual_decimals(what, notation) + more)
        for name, what, each in terms
    }
    last = _usual_decimals(kind, notation) + finer
    result = _exactly(kind, value, notation, last)
    return _Written(f"{notation.say(formula, **figures)} = {result}", figures, _number(result), last)


def _number(shown: str) -> float:
    return float(shown.replace("−", "-"))
