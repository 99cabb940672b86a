"""Marks in the waste of a printed sheet: folds, trims, slits, signatures, register, symbols.

Whatever the mark, what would fall on a trimmed page is left out. Only the collation mark stands
on the fold itself, where it shows on the spine once the sections are gathered.
"""

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, field

from weald.core.drawing import Layer, Point, Sketch, box
from weald.core.folding.steps import SLIT_PAST, Corner, FoldStep, Symbol
from weald.core.forme.layout import Face, Layout, PlacedPage, Position
from weald.core.forme.page import Rect
from weald.core.paper import SheetGrain
from weald.core.units import TOLERANCE, UNSEEN, Mm

SIGNATURE_LETTERS = "ABCDEFGHIKLMNOPQRSTVXYZ"
"""Twenty-three: no J, U or W."""
CLEAR: Mm = 0.3
"""Between a mark and a trimmed page."""
TICK: Mm = 3.0
SYMBOL: Mm = 1.0
SYMBOL_FROM_CORNER: Mm = 7.0
CROSS: Mm = 1.6
COLLATION_LENGTH: Mm = 5.0
COLLATION_HALF: Mm = 0.5
COLLATION_STEP: Mm = 6.0
COLLATION_FROM_HEAD: Mm = 20.0
LABEL_HEIGHT: Mm = 1.5
ARROW: Mm = 4.0
WIDE = 0.95
"""Width of a letter to the height of capitals, at most, on the average."""

Segment = tuple[Point, Point]

_SHAPES: dict[Symbol, tuple[Point, ...]] = {
    "circle": tuple((math.cos(turn * math.pi / 8), math.sin(turn * math.pi / 8)) for turn in range(16)),
    "triangle": ((0, -1), (0.9, 0.8), (-0.9, 0.8)),
    "square": ((-0.8, -0.8), (0.8, -0.8), (0.8, 0.8), (-0.8, 0.8)),
    "diamond": ((0, -1), (1, 0), (0, 1), (-1, 0)),
    "bar": ((-1, -0.3), (1, -0.3), (1, 0.3), (-1, 0.3)),
    "cross": (
        *((-0.3, -1), (0.3, -1), (0.3, -0.3), (1, -0.3), (1, 0.3), (0.3, 0.3)),
        *((0.3, 1), (-0.3, 1), (-0.3, 0.3), (-1, 0.3), (-1, -0.3), (-0.3, -0.3)),
    ),
}


@dataclass(frozen=True, slots=True)
class SheetLabel:
    """What is written on the waste of a sheet, piece by piece.

    Every piece has room for the longest there is, so that it stands in the same place on all sheets.

    :param word: the workshop's, for a section.
    """

    title: str
    sections: int
    most_sheets: int
    sewn: bool
    word: str = "signature"

    def sheet(self, sheet: int) -> str:
        """The place of a sheet in its section."""
        return f"sheet {sheet}"

    def section(self, section: int) -> str:
        """The section."""
        return f"{self.word} {section} of {self.sections}" if self.sewn else ""

    def rest(self, face: Face) -> str:
        """Side and job."""
        return f"{'outer' if face == 'front' else 'inner'} side · {self.title[:60]}"

    def places(self) -> tuple[int, int, int]:
        """Where the pieces begin, in letters."""
        section = len(self.sheet(self.most_sheets)) + 2
        rest = section + (len(self.section(self.sections)) + 2 if self.sewn else 0)
        return 0, section, rest

    @property
    def length(self) -> int:
        """Letters in all."""
        return self.places()[2] + len(self.rest("front"))


def signature_letters(number: int) -> str:
    """The signature mark of a section: A to Z without J, U and W, then AA, BB …"""
    repeat, place = divmod(number - 1, len(SIGNATURE_LETTERS))
    return SIGNATURE_LETTERS[place] * (repeat + 1)


Edges = tuple[Mm, Mm, Mm, Mm]
"""Left, top, right, bottom."""


def edges_of(box: Rect) -> Edges:
    """The edges of a rectangle."""
    return box.left, box.top, box.left + box.width, box.top + box.height


def outside(segment: Segment, boxes: Iterable[Edges]) -> list[Segment]:
    """What of a level or upright line stays outside all boxes."""
    (x1, y1), (x2, y2) = segment
    level = abs(y1 - y2) < TOLERANCE
    at = y1 if level else x1
    spans = [(min(x1, x2), max(x1, x2)) if level else (min(y1, y2), max(y1, y2))]
    for left, top, right, bottom in boxes:
        low, high, near, far = (left, right, top, bottom) if level else (top, bottom, left, right)
        if near < at < far and low < spans[-1][1] and spans[0][0] < high:
            spans = list(_without(spans, low, high))
            if not spans:
                return []
    if level:
        return [((a, at), (b, at)) for a, b in spans]
    return [((at, a), (at, b)) for a, b in spans]


def _without(spans: list[tuple[Mm, Mm]], low: Mm, high: Mm) -> Iterator[tuple[Mm, Mm]]:
    """Spans with what lies between ``low`` and ``high`` taken out."""
    for start, end in spans:
        if min(end, low) - start > TOLERANCE:
            yield start, min(end, low)
        if end - max(start, high) > TOLERANCE:
            yield max(start, high), end


@dataclass(slots=True)
class Marker:
    """Draws marks on one side of a printed sheet, keeping clear of its trimmed pages.

    :param unprintable: what the printer leaves free at every edge of the sheet.
    """

    sketch: Sketch
    layout: Layout
    face: Face
    pages: list[PlacedPage]
    bleed: Mm
    unprintable: Mm = 0.0
    _boxes: list[Edges] = field(init=False)

    def __post_init__(self) -> None:
        self._boxes = [edges_of(page.box.grown(max(CLEAR, self.bleed))) for page in self.pages]

    def _inside_sheet(self, segment: Segment) -> Segment:
        (x1, y1), (x2, y2) = segment
        free = self.unprintable
        right, bottom = self.layout.width - free, self.layout.height - free
        return (
            (min(max(x1, free), right), min(max(y1, free), bottom)),
            (min(max(x2, free), right), min(max(y2, free), bottom)),
        )

    def line(self, segment: Segment, layer: Layer) -> list[Segment]:
        """Draw what of a line lies in the waste."""
        inside = self._inside_sheet(segment)
        parts = outside(inside, self._boxes) if _length(inside) > TOLERANCE else []
        for part in parts:
            self.sketch.line(part, layer)
        return parts

    def _clear(self, area: Rect) -> bool:
        """Whether an area lies on the sheet and off all trimmed pages."""
        on_sheet = (
            area.left >= self.unprintable
            and area.top >= self.unprintable
            and area.right <= self.layout.width - self.unprintable
            and area.bottom <= self.layout.height - self.unprintable
        )
        return on_sheet and not any(
            area.left < right and left < area.right and area.top < bottom and top < area.bottom
            for left, top, right, bottom in self._boxes
        )

    def _at(self, position: Position, x: float, y: float) -> Point:
        """A point given in cells as seen from the position's side."""
        layout = self.layout
        if position.half_turn:
            x, y = layout.columns - x, layout.rows - y
        return (
            position.left + x * layout.unfolded_width / layout.columns,
            position.top + y * layout.unfolded_height / layout.rows,
        )

    def _flat(self, position: Position, point: tuple[float, float]) -> Point:
        """A point given in cells as seen from the inner side."""
        x, y = point
        return self._at(position, x if position.side == "inner" else self.layout.columns - x, y)

    def folds(self, steps: tuple[FoldStep, ...]) -> None:
        """Every crease, with the number of its fold."""
        for position in self.layout.positions(self.face):
            for step in steps:
                parts: list[Segment] = []
                for start, end in step.creases:
                    parts += self.line((self._flat(position, start), self._flat(position, end)), "fold")
                self._number(step.number, parts)
                for slit in step.slits:
                    self._slit(position, slit.start, slit.end)

    def _number(self, number: int, parts: list[Segment]) -> None:
        for (x1, y1), (x2, y2) in sorted(parts, key=lambda part: -_length(part)):
            x, y = (x1 + x2) / 2, (y1 + y2) / 2
            x, y = (x + 1.3, y) if abs(x1 - x2) < TOLERANCE else (x, y - 1.3)
            if self._clear(Rect(x - 0.8, y - 0.8, 1.6, 1.6)):
                self.sketch.label(x, y, str(number), height=1.2)
                return

    def _slit(self, position: Position, start: tuple[int, int], end: tuple[int, int]) -> None:
        (x1, y1), (x2, y2) = self._flat(position, start), self._flat(position, end)
        length = _length(((x1, y1), (x2, y2)))
        past = 1 + SLIT_PAST / length
        self.line(((x1, y1), (x1 + (x2 - x1) * past, y1 + (y2 - y1) * past)), "slit")

    def symbols(self, steps: tuple[FoldStep, ...]) -> None:
        """For each fold the two symbols that meet when it is right."""
        for position in self.layout.positions(self.face):
            for step in steps:
                for corner in step.corners:
                    if corner.side == position.side:
                        self._symbol(position, corner, step.symbol)

    def _symbol(self, position: Position, corner: Corner, symbol: Symbol) -> None:
        x, y = self._at(position, corner.column + corner.right, corner.row + corner.down)
        middle_x, middle_y = self._at(position, corner.column + 0.5, corner.row + 0.5)
        # near the edge that is trimmed at head or tail, and along it clear of the corner's other marks
        near, along = SYMBOL + CLEAR, SYMBOL_FROM_CORNER
        across, down = (along, near) if self.pages[0].up[1] else (near, along)
        x += across * (1 if middle_x > x else -1)
        y += down * (1 if middle_y > y else -1)
        if self._clear(Rect(x - SYMBOL, y - SYMBOL, 2 * SYMBOL, 2 * SYMBOL)):
            shape = [(x + SYMBOL * right, y + SYMBOL * down) for right, down in _SHAPES[symbol]]
            self.sketch.area(shape, "mark", "text")

    def trims(self) -> None:
        """Ticks in the line of every trimmed edge."""
        gap = max(CLEAR, self.bleed)
        for page in self.pages:
            each = page.box
            for x, outward in ((each.left, -1), (each.right, 1)):
                for y, down in ((each.top, -1), (each.bottom, 1)):
                    self.line(((x + outward * gap, y), (x + outward * (gap + TICK), y)), "trim")
                    self.line(((x, y + down * gap), (x, y + down * (gap + TICK))), "trim")

    def register(self) -> None:
        """Crosses that fronts and backs share, at corners of leaves that lie in the waste."""
        corners = {
            (round(x, 6), round(y, 6))
            for page in self.pages
            for x in (page.cell.left, page.cell.right)
            for y in (page.cell.top, page.cell.bottom)
        }
        block = self.layout.block
        margin = 2 * CROSS + CLEAR
        if block.left >= margin:
            corners = {(block.left / 2, self.layout.height / 2)} | corners
            corners.add((self.layout.width - block.left / 2, self.layout.height / 2))
        for x, y in _spread(sorted(corners), self.layout.width):
            if self._clear(Rect(x - CROSS, y - CROSS, 2 * CROSS, 2 * CROSS)):
                self.line(((x - CROSS, y), (x + CROSS, y)), "outline")
                self.line(((x, y - CROSS), (x, y + CROSS)), "outline")

    def collation(self, number: int, of: int) -> None:
        """A bar on the outer fold of a section, one step lower for each section."""
        for page in self._first_pages():
            start = collation_place(number, of, _height(page))
            fold = _spine_head(page)
            right, up = page.up
            ends = [
                (fold[0] - right * along, fold[1] + up * along) for along in (start, start + COLLATION_LENGTH)
            ]
            half = (abs(up) * COLLATION_HALF, abs(right) * COLLATION_HALF)
            left, top = min(x for x, _ in ends) - half[0], min(y for _, y in ends) - half[1]
            width = abs(ends[0][0] - ends[1][0]) + 2 * half[0]
            height = abs(ends[0][1] - ends[1][1]) + 2 * half[1]
            self.sketch.area(box(left, top, width, height), "mark", "text", "collation")

    def _first_pages(self) -> Iterator[PlacedPage]:
        for page in self.pages:
            if page.place.leaf == 1 and page.spine == "left":
                yield page

    def signature(self, mark: str) -> None:
        """The signature mark at the foot of a section's first page, in the tail trim."""
        for page in self._first_pages():
            strip = _strip(page, "tail")
            if min(strip.width, strip.height) < 2 * LABEL_HEIGHT * 0.8:
                continue
            x, y = strip.left + strip.width / 2, strip.top + strip.height / 2
            self.sketch.label(x, y, mark, height=LABEL_HEIGHT, rotation=rotation_of(page.up))

    def label_strips(self) -> list[Rect]:
        """For each unfolded sheet on this side the widest strip of waste its label goes into."""
        strips = []
        block = self.layout.block
        for number in range(len(self.layout.positions(self.face))):
            heads = [_strip(page, "head") for page in self.pages if page.position == number]
            if number == 0 and block.top >= 2 * LABEL_HEIGHT:
                heads.append(Rect(block.left, 0, block.width, block.top))
            heads += [_strip(page, "tail") for page in self.pages if page.position == number]
            heads = [self._printable(each) for each in heads]
            wide = [each for each in heads if min(each.width, each.height) >= LABEL_HEIGHT + 2 * CLEAR]
            strips += (
                [max(wide, key=lambda each: (round(max(each.width, each.height), 6), -each.top))]
                if wide
                else []
            )
        return strips

    def _printable(self, strip: Rect) -> Rect:
        """What of a strip the printer reaches."""
        free = self.unprintable
        left, top = max(strip.left, free), max(strip.top, free)
        right = min(strip.right, self.layout.width - free)
        bottom = min(strip.bottom, self.layout.height - free)
        return Rect(left, top, max(0.0, right - left), max(0.0, bottom - top))

    def grain_arrows(self, strips: Sequence[Rect], grain: SheetGrain) -> None:
        """A double arrow along the grain at the beginning of every label."""
        for strip in strips:
            self._grain_arrow(_along(strip, ARROW), grain)

    def words(self, strips: Sequence[Rect], words: str, at: int, of: int) -> None:
        """Words on the waste after the arrow of the grain, ``at`` letters into a label ``of`` letters."""
        for strip in strips:
            room = max(strip.width, strip.height) - 3 * ARROW
            height = min(LABEL_HEIGHT, room / (WIDE * of))
            x, y = _along(strip, 2 * ARROW + at * WIDE * height)
            rotation = -90 if strip.height > strip.width else 0
            self.sketch.label(x, y, words, height=height, anchor="start", rotation=rotation)

    def _grain_arrow(self, middle: Point, grain: SheetGrain) -> None:
        """A double arrow along the grain."""
        half, head = ARROW / 2, ARROW / 5
        along = (0.0, 1.0) if grain == "height" else (1.0, 0.0)
        x, y = middle
        if not self._clear(
            Rect(x - half * along[0], y - half * along[1], ARROW * along[0], ARROW * along[1])
        ):
            return
        for way in (-1, 1):
            tip = (x + way * half * along[0], y + way * half * along[1])
            back = (tip[0] - way * head * along[0], tip[1] - way * head * along[1])
            wings = [(back[0] + side * head * along[1], back[1] + side * head * along[0]) for side in (-1, 1)]
            self.sketch.line((wings[0], tip, wings[1]), "text")
        self.sketch.line(
            ((x - half * along[0], y - half * along[1]), (x + half * along[0], y + half * along[1])), "text"
        )


def collation_place(number: int, of: int, height: Mm) -> Mm:
    """How far from the head the collation mark of a section stands; the stair begins anew where it must."""
    room = height - COLLATION_FROM_HEAD - COLLATION_LENGTH
    step = max(COLLATION_LENGTH / 2, min(COLLATION_STEP, room / max(1, of - 1)))
    stairs = max(1, int(room / step) + 1)
    return min(COLLATION_FROM_HEAD, height / 2) + ((number - 1) % stairs) * step


def rotation_of(up: tuple[int, int]) -> float:
    """Degrees clockwise by which words have to be turned to stand upright on a page."""
    return {(0, 1): 0.0, (1, 0): 90.0, (0, -1): 180.0, (-1, 0): 270.0}[up]


def _length(segment: Segment) -> Mm:
    return abs(segment[0][0] - segment[1][0]) + abs(segment[0][1] - segment[1][1])


def _height(page: PlacedPage) -> Mm:
    return page.box.height if page.up[1] else page.box.width


def _spine_head(page: PlacedPage) -> Point:
    """The head end of a recto's spine."""
    each = page.box
    return {
        (0, 1): (each.left, each.top),
        (0, -1): (each.right, each.bottom),
        (1, 0): (each.right, each.top),
        (-1, 0): (each.left, each.bottom),
    }[page.up]


def _along(strip: Rect, at: Mm) -> Point:
    """A point in the middle of a strip, so far from its beginning: its left, or its foot."""
    if strip.height > strip.width:
        return strip.left + strip.width / 2, strip.bottom - at
    return strip.left + at, strip.top + strip.height / 2


def _strip(page: PlacedPage, edge: str) -> Rect:
    """What is trimmed off a page at its head or its tail."""
    right, up = page.up if edge == "head" else (-page.up[0], -page.up[1])
    cell, each = page.cell, page.box
    if up:
        top, bottom = (cell.top, each.top) if up > 0 else (each.bottom, cell.bottom)
        return Rect(each.left, top, each.width, bottom - top)
    left, end = (each.right, cell.right) if right > 0 else (cell.left, each.left)
    return Rect(left, each.top, end - left, each.height)


def _spread(points: list[Point], width: Mm) -> list[Point]:
    """Points together with their mirror images across the sheet, so that both sides carry the same."""
    known = set(points)
    return [
        point
        for point in points
        if any(abs(width - point[0] - x) < UNSEEN and abs(point[1] - y) < UNSEEN for x, y in known)
    ]
