"""One page: where its content stands on the trimmed page, and what ruled pages carry.

Coordinates are millimetres on the page as it is read, from the top left of the trimmed page,
y down.
"""

from dataclasses import dataclass
from typing import Literal

from weald.core.units import Mm, rounded_down

Placing = Literal["as_is", "fit", "fill"]
Anchor = Literal[
    "middle",
    "head",
    "tail",
    "spine",
    "fore_edge",
    "head_spine",
    "head_fore_edge",
    "tail_spine",
    "tail_fore_edge",
]
Filler = Literal["plain", "ruled", "dots", "squares", "staves"]
STAVE_LINES = 5
STAVE_GAPS = 8
"""From the first line of a stave to the first of the next, in stave gaps."""


@dataclass(frozen=True, slots=True)
class Rect:
    """An upright rectangle; y down."""

    left: Mm
    top: Mm
    width: Mm
    height: Mm

    @property
    def right(self) -> Mm:
        """The right edge."""
        return self.left + self.width

    @property
    def bottom(self) -> Mm:
        """The lower edge."""
        return self.top + self.height

    def grown(self, by: Mm) -> "Rect":
        """The rectangle with all its edges moved out."""
        return Rect(self.left - by, self.top - by, self.width + 2 * by, self.height + 2 * by)

    def moved(self, right: Mm, down: Mm) -> "Rect":
        """The rectangle somewhere else."""
        return Rect(self.left + right, self.top + down, self.width, self.height)


@dataclass(frozen=True, slots=True)
class ContentPlace:
    """Where the page of a text lands on the trimmed page, and how much it is scaled."""

    scale: float
    rect: Rect


def place_content(
    content: tuple[Mm, Mm], page: tuple[Mm, Mm], placing: Placing, anchor: Anchor, spine_left: bool
) -> ContentPlace:
    """Place a page of a text on the trimmed page.

    :param content: width and height of the text's page; ``page``: of the trimmed page.
    :param placing: as it is, scaled to *fit* inside, or to *fill* the page.
    :param anchor: what the two line up on; spine and fore-edge change sides with every page.
    :param spine_left: whether the spine lies at the left of the page as it is read.
    """
    across, down = page[0] / content[0], page[1] / content[1]
    scale = {"as_is": 1.0, "fit": min(across, down), "fill": max(across, down)}[placing]
    width, height = scale * content[0], scale * content[1]
    parts = anchor.split("_", 1)
    top = {"head": 0.0, "tail": page[1] - height}.get(parts[0], (page[1] - height) / 2)
    sideways = anchor.removeprefix("head_").removeprefix("tail_")
    at_left = {"spine": spine_left, "fore_edge": not spine_left}.get(sideways)
    left = (page[0] - width) / 2 if at_left is None else (0.0 if at_left else page[0] - width)
    return ContentPlace(scale, Rect(left, top, width, height))


@dataclass(frozen=True, slots=True)
class Rule:
    """One line of a ruling, or one dot where both ends are the same."""

    x1: Mm
    y1: Mm
    x2: Mm
    y2: Mm


def ruled_area(page: tuple[Mm, Mm], head: Mm, tail: Mm, spine: Mm, fore_edge: Mm, spine_left: bool) -> Rect:
    """What the margins leave of a page; spine and fore-edge change sides with every page."""
    left, right = (spine, fore_edge) if spine_left else (fore_edge, spine)
    return Rect(left, head, page[0] - left - right, page[1] - head - tail)


def _steps(length: Mm, pitch: Mm) -> int:
    """How many whole pitches go into a length."""
    return rounded_down(max(0.0, length) / pitch)


def ruling(filler: Filler, area: Rect, pitch: Mm) -> list[Rule]:
    """The lines of a ruled page inside ``area``, whole pitches from its head.

    Dots and squares stand in the middle of the area, so that front and back meet.
    """
    if filler == "plain" or area.width <= 0 or area.height <= 0:
        return []
    down = _steps(area.height, pitch)
    if filler == "ruled":
        return [_level(area, area.top + number * pitch) for number in range(1, down + 1)]
    if filler == "staves":
        staves = rounded_down((area.height / pitch - (STAVE_LINES - 1)) / STAVE_GAPS + 1)
        return [
            _level(area, area.top + (stave * STAVE_GAPS + line) * pitch)
            for stave in range(max(0, staves))
            for line in range(STAVE_LINES)
        ]
    across = _steps(area.width, pitch)
    left = area.left + (area.width - across * pitch) / 2
    top = area.top + (area.height - down * pitch) / 2
    columns = [left + number * pitch for number in range(across + 1)]
    rows = [top + number * pitch for number in range(down + 1)]
    if filler == "dots":
        return [Rule(x, y, x, y) for y in rows for x in columns]
    upright = [Rule(x, rows[0], x, rows[-1]) for x in columns]
    return upright + [Rule(columns[0], y, columns[-1], y) for y in rows]


def _level(area: Rect, y: Mm) -> Rule:
    return Rule(area.left, y, area.right, y)
