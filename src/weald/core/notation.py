"""How one person reads what Weald says: lengths on their ruler, and the workshop's own words.

Vocabulary: the *division* is the finest mark on a ruler, in millimetres or as the denominator of an
inch. A *sentence* is one of the catalogues', with names in braces; what people wrote themselves goes into
it as a term and is never looked into.
"""

import math
import re
from collections.abc import Callable
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import lru_cache
from typing import Literal

from weald.core.units import INCH_DECIMALS, MM_PER_INCH, TOLERANCE, UNSEEN, BareUnit, Mm, Units


@lru_cache(maxsize=4096)
def plain_number(number: float, decimals: int) -> str:
    """A number to so many decimals, without zeros that say nothing."""
    text = f"{number:.{decimals}f}"
    text = text.rstrip("0").rstrip(".") if "." in text else text
    return "0" if text == "-0" else text


def counted(number: float, one: str, many: str = "") -> str:
    """So many of something: “1 page”, “2 pages”."""
    return f"{number:.0f} {one if round(number) == 1 else many or f'{one}s'}"


_FINEST = 8


def told_apart(one: float, other: float, write: Callable[[float, int], str]) -> tuple[str, str]:
    """Two numbers that are compared, written with as few digits as tell them apart.

    :param write: a number, with so many digits more than are usual.
    """
    for more in range(_FINEST):
        shown = write(one, more), write(other, more)
        if shown[0] != shown[1]:
            break
    return shown


def percents_apart(one: float, other: float) -> tuple[str, str]:
    """Two percentages that are compared, without their sign."""
    return told_apart(one, other, lambda number, more: plain_number(number, 1 + more))


def _nearest(marks: float) -> int:
    """The nearest mark; half-way goes up, as one reads a ruler."""
    return math.floor(marks + 0.5 + TOLERANCE)


Vocabulary = Literal["signature", "section", "gathering"]
"""The workshop's word for a folded section."""


def _usual_fraction(length: Mm) -> Fraction | None:
    """The plainest fraction of an inch less than a tenth off; none for what no ruler shows."""
    inches = abs(length) / MM_PER_INCH
    for under in (8, 16, 32, 64):
        marks = _nearest(inches * under)
        if marks and (under == 64 or abs(marks / under - inches) <= 0.1 * inches):
            return Fraction(marks, under)
    return None


def usual_mark(length: Mm) -> Mm:
    """The mark of an inch ruler a length of a rule of thumb goes by, in millimetres: 3.175 for 3."""
    fraction = _usual_fraction(length)
    return length if fraction is None else round(float(fraction) * MM_PER_INCH, 6)


def usual_inches(length: Mm) -> str:
    """A length of a rule of thumb as the plainest fraction of an inch that is less than a tenth off."""
    fraction = _usual_fraction(length)
    if fraction is None:
        return f"{plain_number(length / MM_PER_INCH, 3)}″"
    whole, part = divmod(fraction, 1)
    shown = f"{whole if whole or not part else ''} {part if part else ''}".strip()
    return f"{shown}″"


@dataclass(frozen=True, slots=True)
class _UsualLengths:
    """Lengths of a rule of thumb within a sentence: ``{mm:12–15}`` is “12–15 mm” or “½–⅝″”."""

    notation: "Notation"

    def __format__(self, spec: str) -> str:
        lengths = [float(each) for each in spec.split("–")]
        if self.notation.units == "inch":
            return "–".join(map(usual_inches, lengths))
        metric = f"{'–'.join(plain_number(each, 3) for each in lengths)} mm"
        if self.notation.units == "mm":
            return metric
        return f"{metric} ({'–'.join(map(usual_inches, lengths))})"


@dataclass(frozen=True, slots=True)
class Notation:
    """How one person reads what Weald says: units, how fine a ruler, and the workshop's words.

    Every sentence for people is made by :meth:`say`, where it arises; what people wrote themselves goes
    in as a term and is never looked into.

    :param mm_division: finest mark of a metric ruler, in millimetres.
    :param inch_division: denominator of the finest mark of an inch ruler.
    """

    units: Units = "mm"
    mm_division: Mm = 0.5
    inch_division: int = 32
    vocabulary: Vocabulary = "signature"

    def read(self, sentence: str) -> str:
        """A sentence kept by :data:`FOR_ANYBODY`, in this person's words and lengths."""
        return _OPEN.sub(self._filled, sentence)

    def _filled(self, open_place: re.Match[str]) -> str:
        what, value, written, number, unit = open_place.groups()
        if what == "word":
            return str(_words(self).get(value, value))
        if what == "usual":
            return format(_UsualLengths(self), value)
        write: Callable[..., str] = getattr(self, written)
        return write(float(number), with_unit=True) if unit else write(float(number))

    def say(self, sentence: str, /, **terms: object) -> str:
        """A sentence of the catalogues in this person's words.

        ``{signature}``, ``{signatures}``, ``{Signature}`` and ``{Signatures}`` stand for the workshop's word,
        ``{mm:12–15}`` for the lengths of a rule of thumb, and every other name for one of ``terms``.
        """
        if "{" not in sentence and "}" not in sentence:
            return sentence
        # a loop over the three would take longer than all the rest
        if "{signature" in sentence or "{Signature" in sentence or "{mm:" in sentence:
            terms = _words(self) | terms
        return sentence.format_map(terms)

    @property
    def bare(self) -> BareUnit:
        """The unit of a number typed without one."""
        return "inch" if self.units == "inch" else "mm"

    def round_mm(self, value: Mm) -> Mm:
        """The nearest mark on the metric ruler."""
        return _nearest(value / self.mm_division) * self.mm_division

    @property
    def mark_length(self) -> Mm:
        """From one mark of the ruler to the next."""
        return MM_PER_INCH / self.inch_division if self.units == "inch" else self.mm_division

    def marks(self, value: Mm) -> int:
        """How many marks of the ruler a figure shows a length as."""
        return _nearest(value / self.mark_length)

    def mark_below(self, value: Mm) -> Mm:
        """The mark of the ruler at a length, or the last before it; never less than nothing."""
        return max(0.0, math.floor(value / self.mark_length + TOLERANCE) * self.mark_length)

    def at_most(self, now: Mm, most: Mm) -> Mm:
        """A size as it is where there is room for it, else the last mark there is room for."""
        return now if now <= most + TOLERANCE else self.mark_below(most)

    def _mm(self, value: Mm) -> str:
        division = self.mm_division
        return plain_number(_nearest(value / division) * division, 2)

    def _inch(self, value: Mm) -> str:
        marks = _nearest(abs(value) / MM_PER_INCH * self.inch_division)
        whole, part = divmod(Fraction(marks, self.inch_division), 1)
        shown = str(whole) if whole or not part else ""
        if part:
            shown = f"{shown} {part.numerator}/{part.denominator}".strip()
        return ("−" if value < 0 and marks else "") + shown + "″"

    def length(self, value: Mm, with_unit: bool = False) -> str:
        """A length as read off the ruler, such as ``216``, ``8 1/2″`` or ``216 (8 1/2″)``."""
        mm = self._mm(value) + (" mm" if with_unit else "")
        if self.units == "mm":
            return mm
        return self._inch(value) if self.units == "inch" else f"{mm} ({self._inch(value)})"

    def figure(self, value: Mm, with_unit: bool = False) -> str:
        """A length beside its dimension line, where there is room for one unit only: millimetres
        for those who read both."""
        if self.units == "both":
            return self._mm(value) + (" mm" if with_unit else "")
        return self.length(value, with_unit)

    def thickness(self, value: Mm, with_unit: bool = False) -> str:
        """A thickness as read off a calliper: hundredths of a millimetre, thousandths of an inch."""
        mm = plain_number(value, 3 if abs(value) < 1 else 2) + (" mm" if with_unit else "")
        if self.units == "mm":
            return mm
        inch = f"{plain_number(value / MM_PER_INCH, 4)}″"
        return inch if self.units == "inch" else f"{mm} ({inch})"

    def limit(self, value: Mm) -> str:
        """A limit or a size one bought: as it is, never rounded to a ruler, with its unit."""
        mm = f"{plain_number(value, 3)} mm"
        if self.units == "mm":
            return mm
        inch = f"{self._whole_inches(value, 3 if abs(value) >= MM_PER_INCH / 4 else 4)}″"
        return inch if self.units == "inch" else f"{mm} ({inch})"

    def plain(self, value: Mm) -> str:
        """A size as it is beside its dimension line: one unit, and that unsaid but for inches."""
        if self.units == "inch":
            return f"{self._whole_inches(value, 3)}″"
        return plain_number(value, 3)

    def apart(self, value: Mm, limit: Mm) -> tuple[str, str]:
        """A length and the limit it breaks, both fine enough to be told apart."""
        if self.units == "both":
            return self._in_both("apart", value, limit)
        bound = self.limit(limit)
        if self.length(value) != self.length(limit):
            return self.length(value, with_unit=True), bound
        unit, digits = (MM_PER_INCH, 2) if self.units == "inch" else (1.0, 0)
        for more in range(1, _FINEST):
            shown, rounded = self._finer(value, more), round(value / unit, digits + more) * unit
            if shown != bound and (rounded < limit) == (value < limit):
                return shown, bound
        return told_apart(value, limit, self._finer)

    def compared(self, one: Mm, other: Mm) -> tuple[str, str]:
        """Two lengths that are compared, as a ruler reads them where that tells them apart, else finer."""
        if self.units == "both":
            return self._in_both("compared", one, other)
        return told_apart(
            one, other, lambda size, more: self._finer(size, more) if more else self.length(size, True)
        )

    def compared_thickness(self, one: Mm, other: Mm) -> tuple[str, str]:
        """Two thicknesses that are compared, finer than a calliper reads where it takes that."""
        if self.units == "both":
            return self._in_both("compared_thickness", one, other)
        return told_apart(
            one, other, lambda size, more: self._finer(size, more + 2) if more else self.thickness(size, True)
        )

    def compared_sizes(self, one: tuple[Mm, Mm], other: tuple[Mm, Mm]) -> tuple[str, str]:
        """Two sizes, width by height, of which one is too large or small for the other."""
        sides = [
            self.compared(mine, others)
            if abs(mine - others) > TOLERANCE
            else (self.length(mine, True), self.length(others, True))
            for mine, others in zip(one, other, strict=True)
        ]
        return " × ".join(side[0] for side in sides), " × ".join(side[1] for side in sides)

    def _in_both(self, how: str, one: Mm, other: Mm) -> tuple[str, str]:
        metric: tuple[str, str] = getattr(replace(self, units="mm"), how)(one, other)
        inches: tuple[str, str] = getattr(replace(self, units="inch"), how)(one, other)
        return f"{metric[0]} ({inches[0]})", f"{metric[1]} ({inches[1]})"

    def _finer(self, value: Mm, more: int) -> str:
        """A length to so many digits more than a ruler has."""
        if self.units == "inch":
            return f"{plain_number(value / MM_PER_INCH, more + 2)}″"
        return f"{plain_number(value, more)} mm"

    def editable(self, value: Mm) -> str:
        """A length as it stands in a field: one unit, and read back as the same size.

        Inches are shown as a fraction where that is exact; a size given in millimetres with the decimals it
        is read back from.
        """
        if self.units != "inch":
            return plain_number(value, 4)
        inches = self._whole_inches(value, 5)
        if "." not in inches:
            return inches
        given = abs(round(value, 2) - value) < TOLERANCE
        shown = f"{value / MM_PER_INCH:.{INCH_DECIMALS}f}" if given else inches
        # four decimals, noughts among them, say that it was given in millimetres: nothing else has so many
        return f"{shown}0" if not given and len(shown.partition(".")[2]) == INCH_DECIMALS else shown

    def _whole_inches(self, value: Mm, decimals: int) -> str:
        """Inches as a fraction where that is exact, else in decimals."""
        inches = Fraction(abs(value) / MM_PER_INCH).limit_denominator(64)
        sign = "−" if value < 0 else ""
        if abs(float(inches) * MM_PER_INCH - abs(value)) < UNSEEN and 64 % inches.denominator == 0:
            whole, part = divmod(inches, 1)
            fraction = f"{part.numerator}/{part.denominator}" if part else ""
            return sign + (f"{whole or ''} {fraction}".strip() or "0")
        return sign + plain_number(abs(value) / MM_PER_INCH, decimals)

    @property
    def least_told(self) -> Mm:
        """Half the ruler's division: a smaller difference cannot be read off it, and is not spoken of."""
        return (MM_PER_INCH / self.inch_division if self.units == "inch" else self.mm_division) / 2

    def difference(self, value: Mm) -> str:
        """A small difference, finer than the ruler but not finer than one can cut."""
        finest = replace(self, mm_division=0.05, inch_division=64)
        return finest.length(value, with_unit=True)

    def stepped(self, value: Mm, steps: int) -> Mm:
        """The mark ``steps`` divisions up (or down) the ruler from ``value``."""
        division = MM_PER_INCH / self.inch_division if self.units == "inch" else self.mm_division
        return max(0.0, (_nearest(value / division) + steps) * division)


@lru_cache(maxsize=256)
def _words(notation: Notation) -> dict[str, object]:
    """What stands in sentences besides their own terms."""
    one = notation.vocabulary
    many = f"{one}s"
    return {
        "signature": one,
        "signatures": many,
        "Signature": one.capitalize(),
        "Signatures": many.capitalize(),
        "mm": _UsualLengths(notation),
    }


MILLIMETRES = Notation()

_OPEN = re.compile(
    "\ue000(?:(word|usual) (\\w+|[0-9.–]+)|(length|figure|thickness|limit) (-?[0-9.e+-]+)( unit)?)\ue001"
)
"""A place left open in a kept sentence; no keyboard writes the signs it stands between."""


def _left_open(what: str, value: object) -> str:
    return f"\ue000{what} {value}\ue001"


class _Usual:
    def __format__(self, spec: str) -> str:
        return _left_open("usual", spec)


class _ForAnybody(Notation):
    """Leaves every length and every word of the workshop open, to be filled in for whoever reads."""

    __slots__ = ()

    def say(self, sentence: str, /, **terms: object) -> str:
        return sentence.format(**_OPEN_WORDS, **terms)

    def length(self, value: Mm, with_unit: bool = False) -> str:
        return _left_open("length", f"{value!r}{' unit' if with_unit else ''}")

    def figure(self, value: Mm, with_unit: bool = False) -> str:
        return _left_open("figure", f"{value!r}{' unit' if with_unit else ''}")

    def thickness(self, value: Mm, with_unit: bool = False) -> str:
        return _left_open("thickness", f"{value!r}{' unit' if with_unit else ''}")

    def limit(self, value: Mm) -> str:
        return _left_open("limit", f"{value!r}")


_OPEN_WORDS: dict[str, object] = {
    **{word: _left_open("word", word) for word in ("signature", "signatures", "Signature", "Signatures")},
    "mm": _Usual(),
}
FOR_ANYBODY: Notation = _ForAnybody()
"""For sentences that are kept and read later, by people who read lengths each in their own way."""
