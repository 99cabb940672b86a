"""Type and tools set in a line: where each letter and each impression stands, whole tools only."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from weald.core.job.extras.lettering import FinishingTool, FinishingType
from weald.core.units import TOLERANCE, Mm

NARROW = frozenset("IJijl1.,:;'’!|·")
WIDE = frozenset("MWmw&Æ—")


@dataclass(frozen=True, slots=True)
class Impression:
    """One letter or one tool of a line, from the line's left edge."""

    left: Mm
    width: Mm
    sign: str


@dataclass(frozen=True, slots=True)
class SetLine:
    """A line set: its impressions, how long and how high it is."""

    impressions: tuple[Impression, ...]
    length: Mm
    height: Mm


def letter_width(letter: str, type: FinishingType) -> Mm:
    """How wide a letter is set, by the three widths measured of its alphabet."""
    if letter in NARROW:
        return type.narrow
    return type.wide if letter in WIDE else type.usual


def set_words(text: str, type: FinishingType) -> SetLine:
    """Words set letter by letter, ``gap`` between letters and ``space`` between words."""
    at = 0.0
    impressions = []
    for place, letter in enumerate(text):
        if letter == " ":
            at += type.space
            continue
        if place and text[place - 1] != " ":
            at += type.gap
        width = letter_width(letter, type)
        impressions.append(Impression(at, width, letter))
        at += width
    return SetLine(tuple(impressions), at, type.capital)


def most_repeats(width: Mm, gap: Mm, room: Mm) -> int:
    """Whole tools that go into the room at this gap: ⌊(room + gap) / (width + gap)⌋, no fewer than none."""
    return max(0, math.floor((room + gap) / (width + gap) + TOLERANCE))


def set_tools(tool: FinishingTool, repeats: int, gap: Mm) -> SetLine:
    """A tool so many times, at one gap: so that a wider spine takes more of them, and the gap is the same."""
    step = tool.width + gap
    impressions = tuple(Impression(number * step, tool.width, tool.name) for number in range(repeats))
    return SetLine(impressions, max(0.0, repeats * step - gap), tool.height)


def stacked(heights: Sequence[Mm], leading: Mm, room: Mm) -> Iterator[Mm]:
    """The top of each line from the top of its panel, all of them centred in its height."""
    total = sum(heights) + leading * max(0, len(heights) - 1)
    at = (room - total) / 2
    for height in heights:
        yield at
        at += height + leading


def fitted_gap(width: Mm, least: Mm, side: Mm) -> tuple[int, Mm]:
    """Whole tools along a side from corner to corner, and the gap that makes them fill it exactly.

    :param side: between the outer edges of the two corner tools. The gap is ``least`` or a little more.
    """
    count = max(1, most_repeats(width, least, side))
    return count, (side - count * width) / (count - 1) if count > 1 else 0.0
