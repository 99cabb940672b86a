"""Stock typed in one line: “A2 120 gsm long”, “greyboard 2 mm 700x1000 ×12”, “25x38in 70 lb text”.

Words that are understood are taken out; what is left is the name. Nothing is guessed that was not
said, except the kind of thing where a word or a weight gives it away.
"""

import re
from dataclasses import dataclass
from typing import Any

from weald.core.errors import SizeError
from weald.core.materials import STOCK_KINDS, StockKind
from weald.core.paper import SHEET_SIZES, Grade, named_sheet
from weald.core.units import TOLERANCE, BareUnit, parse_length

_NUMBER = r"\d+/\d+|\d*[.,]\d+|\d+(?:\s+\d+/\d+|-\d+/\d+)?"
_INCH = r"inches|inch|in\b|\"|″"
_UNIT = rf"mm|cm|m|{_INCH}"
_SIZE = re.compile(
    rf"(?<![\w.])({_NUMBER})\s*({_UNIT})?\s*[x×*]\s*({_NUMBER})\s*({_UNIT})?(?![\w/])", re.IGNORECASE
)
_GSM = re.compile(r"(\d+(?:[.,]\d+)?)\s*(?:gsm|g/m2|g/m²|g\b)", re.IGNORECASE)
_POUNDS = re.compile(
    rf"(\d+(?:[.,]\d+)?)\s*(?:lbs?|#|pounds?)\s*({'|'.join(grade.value for grade in Grade)})?", re.IGNORECASE
)
_POINTS = re.compile(r"(\d+(?:[.,]\d+)?)\s*(?:pt|points?)\b", re.IGNORECASE)
_ACROSS = re.compile(rf"(?<![\w.,/])({_NUMBER})\s*(mm\b|{_INCH})", re.IGNORECASE)
_COUNT = re.compile(r"(?:[×x]\s*(\d+)\b)|(?:\b(\d+)\s*(?:sheets?|skins?|pcs|off)\b)", re.IGNORECASE)
_METRES = re.compile(r"(\d*[.,]?\d+)\s*(m|metres?|meters?|yd|yards?)\b", re.IGNORECASE)
_WIDE = re.compile(rf"(?<![\w.,/])({_NUMBER})\s*({_UNIT})\s*wide\b", re.IGNORECASE)
_UNREAD = re.compile(
    rf"(?<![\w/])(?:(?:{_NUMBER})\s*(?:{_UNIT}|yd|yards?|ft|feet|sq)(?!\w)|\d*[.,]\d+)", re.IGNORECASE
)
_BULK = re.compile(r"\bbulk\s*(\d+[.,]\d+)|(\d+[.,]\d+)\s*bulk\b", re.IGNORECASE)
_GRAIN = re.compile(
    r"\b(?:(long|short)(?:[\s-]*grain(?:ed)?)?|grain\s+(long|short)|([LS])G)\b", re.IGNORECASE
)
_NAMES = sorted((size.name for size in SHEET_SIZES), key=len, reverse=True)
_NAMED = re.compile("|".join(rf"\b{re.escape(name)}\b" for name in _NAMES), re.IGNORECASE)
_SOUGHT = sorted(STOCK_KINDS.items(), key=lambda kind: kind[1].sought)
MM_PER_YARD = 914.4
SMALL = 120.0
"""A sheet both of whose sides are shorter, in millimetres, was probably meant in another unit."""


@dataclass(slots=True)
class _Reading:
    """A line being read: what is still to be understood."""

    rest: str

    def take(self, pattern: re.Pattern[str]) -> re.Match[str] | None:
        """The first match, taken out of the line."""
        match = pattern.search(self.rest)
        if match:
            self.rest = f"{self.rest[: match.start()]} {self.rest[match.end() :]}"
        return match


def _number(text: str) -> float:
    return float(text.replace(",", "."))


def read_stock_words(text: str, bare: BareUnit = "mm") -> dict[str, Any]:
    """The entries of a :class:`~weald.core.shelf.stock.StockItem`, and its ``count``, from one line.

    :param bare: the unit of a size written without one.
    :returns: only what was said; a ``warning`` where a word contradicts another or stays unclear.
    """
    line, found = _Reading(text), dict[str, Any]()
    warnings: list[str] = []
    kind = _kind(text)
    found |= {"kind": kind, "form": STOCK_KINDS[kind].form}
    _read_size(line, found, bare, warnings)
    if match := line.take(_GSM):
        found["grammage"] = _number(match[1])
    if match := line.take(_POUNDS):
        if match[2]:
            found["basis"] = {"pounds": _number(match[1]), "grade": match[2].lower()}
        else:
            warnings.append(f"{match[1]} lb of which grade? A pound of bond, text and cover differ.")
    if match := line.take(_POINTS):
        found["calliper"] = parse_length(f"{match[1]}pt")
    elif (alone := STOCK_KINDS[kind].alone) and (match := line.take(_ACROSS)):
        found["calliper" if alone == "thickness" else "width"] = round(_side(match[1], match[2]), 4)
    if match := line.take(_BULK):
        found["bulk"] = _number(match[1] or match[2])
    _read_count(line, found)
    _read_grain(line, found, warnings)
    if unread := [match[0].strip() for match in _UNREAD.finditer(line.rest)]:
        warnings.append(f"Not understood, and left in the name: {', '.join(unread)}.")
    name = " ".join(re.sub(r"[,;]+", " ", line.rest).split())
    found["name"] = (name or " ".join(text.split()))[:200]
    if warnings:
        found["warning"] = " ".join(warnings)
    return found


def _kind(text: str) -> StockKind:
    for kind, record in _SOUGHT:
        if re.search(rf"\b(?:{record.named})\b", text, re.IGNORECASE):
            return kind
    return "board" if _POINTS.search(text) else "paper"


def _read_count(line: _Reading, found: dict[str, Any]) -> None:
    """How many there are; of rolls and reels, how many metres."""
    if match := line.take(_COUNT):
        found["count"] = match[1] or match[2]
    elif "height" not in found and "count" not in found and (match := line.take(_METRES)):
        found["count"] = _metres(match[1], match[2])
        if found["form"] == "sheet":
            found["form"] = "roll"


def _metres(number: str, unit: str) -> str:
    metres = _number(number) * (MM_PER_YARD / 1000 if unit.lower().startswith("y") else 1)
    return f"{metres:.3f}".rstrip("0").rstrip(".")


def _read_size(line: _Reading, found: dict[str, Any], bare: BareUnit, warnings: list[str]) -> None:
    if match := line.take(_WIDE):
        found["width"] = _side(match[1], match[2])
    elif match := line.take(_SIZE):
        unit = match[4] or match[2] or ("in" if bare == "inch" else "mm")
        try:
            sides = [_side(match[1], match[2] or unit), _side(match[3], match[4] or unit)]
        except SizeError as error:
            warnings.append(str(error))
            return
        found["width"], found["height"] = sides
        if found["form"] == "roll" and "m" in (match[2], match[4]):
            # off the roll: so wide, and so many metres of it
            width, length = sides if match[4] == "m" and match[2] != "m" else sorted(sides)
            if match[2] == "m" and match[4] != "m":
                length, width = sides
            found["width"], found["count"] = width, _metres(str(length / 1000), "m")
            del found["height"]
            return
        if max(sides) < SMALL and not (match[2] or match[4]):
            warnings.append(f"{match[1]} × {match[3]} without a unit is taken as mm; write in or cm.")
    elif match := line.take(_NAMED):
        size = named_sheet(match[0])
        if size:
            found["width"], found["height"] = size
    if found["form"] == "roll" and "height" in found:
        found["form"] = "sheet"


def _side(number: str, unit: str) -> float:
    if unit.lower() == "m":
        return 1000 * _number(number)
    return parse_length(f"{number}{unit}")


def _read_grain(line: _Reading, found: dict[str, Any], warnings: list[str]) -> None:
    words = set()
    while match := line.take(_GRAIN):
        words.add((match[1] or match[2] or match[3]).lower()[0])
    if len(words) > 1:
        warnings.append("It says long and short grain; say which.")
    elif words and "width" in found and "height" in found:
        if abs(found["width"] - found["height"]) < TOLERANCE:
            warnings.append("A square sheet has no long side; set which way its grain runs.")
        else:
            upright = found["height"] > found["width"]
            found["grain"] = "height" if (words == {"l"}) == upright else "width"
    elif words:
        warnings.append("Give the sheet's size, so that long and short mean something.")
