"""What hands and tools do to a thing, in lines over it: ways, folds, glue, cuts, blows, weight.

Everything here is a sign and no size: it is counted in hundredths of the scene's longer side.
"""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field

from weald.core.drawing import Drawing, Material, Point, Sketch, box
from weald.core.notation import Notation
from weald.core.units import Mm

_BARB, _BARB_ANGLE = 3.0, 28.0
_LETTERS = 3.2
_TURN_STEPS = 14


@dataclass(slots=True)
class Scene:
    """A frame being drawn.

    :param long: the longer side of what it shows, by which its signs are sized.
    :param told: what its sizes are, in words, for those who do not see it.
    """

    long: Mm
    notation: Notation
    sketch: Sketch = field(default_factory=Sketch)
    told: list[str] = field(default_factory=list)
    rows: list[int] = field(default_factory=lambda: [0, 0, 0, 0])

    def hundredths(self, count: float) -> Mm:
        """So many hundredths of its longer side."""
        return self.long * count / 100

    def move(self, *way: Point) -> None:
        """Something goes along here, to the end of the way."""
        self.sketch.line(way, "move")
        self._head(way[-2], way[-1])

    def turn(self, centre: Point, radius: Mm, start: float, end: float) -> None:
        """Something turns over, from one angle to the other, degrees clockwise from the right."""
        angles = [start + (end - start) * step / _TURN_STEPS for step in range(_TURN_STEPS + 1)]
        way = [
            (
                centre[0] + radius * math.cos(math.radians(angle)),
                centre[1] + radius * math.sin(math.radians(angle)),
            )
            for angle in angles
        ]
        self.move(*way)

    def over(self, start: Point, end: Point, lift: float = 0.35) -> None:
        """Something is laid over, from here to there, in a bow."""
        (x0, y0), (x1, y1) = start, end
        out = (y1 - y0) * lift, -(x1 - x0) * lift
        way = []
        for step in range(_TURN_STEPS + 1):
            part = step / _TURN_STEPS
            bow = math.sin(math.pi * part)
            way.append((x0 + (x1 - x0) * part + out[0] * bow, y0 + (y1 - y0) * part + out[1] * bow))
        self.move(*way)

    def _head(self, before: Point, tip: Point) -> None:
        angle = math.atan2(tip[1] - before[1], tip[0] - before[0])
        barb = self.hundredths(_BARB)
        ends = [
            (
                tip[0] - barb * math.cos(angle + math.radians(off)),
                tip[1] - barb * math.sin(angle + math.radians(off)),
            )
            for off in (-_BARB_ANGLE, _BARB_ANGLE)
        ]
        self.sketch.line((ends[0], tip, ends[1]), "move")

    def glue(self, shape: Sequence[Point], *strokes: tuple[Point, Point]) -> None:
        """Glue lies on this shape, brushed along the strokes; without any, from the middle outwards."""
        self.sketch.hatch(shape, "glue", 45)
        self.sketch.points += shape
        for start, end in strokes or _outwards(shape):
            self.move(start, end)

    def cut(self, *way: Point) -> None:
        """A knife goes along here, to the end of the way."""
        self.sketch.line(way, "cut")
        (x0, y0), (x1, y1) = way[-2:]
        angle, size = math.atan2(y1 - y0, x1 - x0), self.hundredths(5)
        back = (x1 - size * math.cos(angle - 0.5), y1 - size * math.sin(angle - 0.5))
        side = (x1 - size * math.cos(angle - 0.95), y1 - size * math.sin(angle - 0.95))
        self.sketch.area((way[-1], back, side), "mark", about="blade")

    def press(self, left: Mm, right: Mm, level: Mm, *, upwards: bool = False, count: int = 3) -> None:
        """Weight, or the press, bears on this level."""
        length = self.hundredths(9) * (1 if upwards else -1)
        for number in range(count):
            x = left + (right - left) * (number + 0.5) / count
            self.move((x, level + length), (x, level))

    def blow(self, at: Point, towards: float) -> None:
        """A hammer falls here, in a direction of so many degrees clockwise from the right."""
        turn, size = math.radians(towards), self.hundredths(9)
        away = (at[0] - size * math.cos(turn), at[1] - size * math.sin(turn))
        across = (-math.sin(turn) * size / 3, math.cos(turn) * size / 3)
        depth = (-math.cos(turn) * size / 4, -math.sin(turn) * size / 4)
        face = [(at[0] + across[0], at[1] + across[1]), (at[0] - across[0], at[1] - across[1])]
        head = (*face, *((x + depth[0], y + depth[1]) for x, y in reversed(face)))
        self.sketch.area(head, "mark", about="hammer")
        self.sketch.line((away, (at[0] + depth[0], at[1] + depth[1])), "move")

    def thread(self, *way: Point) -> None:
        """A needle draws its thread along here."""
        self.sketch.line(way, "thread")
        self._head(way[-2], way[-1])

    def held(self, left: Mm, top: Mm, wide: Mm, high: Mm, what: Material = "board") -> None:
        """Something holds it here: boards, a press, a weight."""
        self.sketch.area(box(left, top, wide, high), what, about="held")

    def word(self, x: Mm, y: Mm, text: str, *, rotation: float = 0.0) -> None:
        """A word beside what it names."""
        self.sketch.label(x, y, text, height=self.hundredths(_LETTERS), rotation=rotation)

    def size(self, start: Point, end: Point, what: str, about: str = "") -> None:
        """A size that counts, from one point to the other, drawn to the left as one walks."""
        length = math.dist(start, end)
        shown = self.notation.figure(length)
        self.sketch.dimension(start, end, shown, about=about)
        self.told.append(f"{what} {self.notation.length(length, True)}")
        dx, dy = end[0] - start[0], end[1] - start[1]
        side = (1 if dx > 0 else 3) if abs(dx) >= abs(dy) else (2 if dy > 0 else 0)
        self.rows[side] = 1

    def tell(self, words: str) -> None:
        """What is to be known of it in words."""
        self.told.append(words)

    def frame(self, title: str) -> Drawing:
        """The frame; its number and the operation it belongs to are put in where frames are gathered."""
        left, top, right, bottom = self.rows
        return self.sketch.finish(
            "",
            "bench",
            self.notation.say(title),
            rows=(left, top, right, bottom),
            text=self.notation.say("; ".join([title, *self.told])),
        )


def _outwards(shape: Sequence[Point]) -> Iterable[tuple[Point, Point]]:
    """Strokes from the middle of a shape to near its edges."""
    left, right = min(x for x, _ in shape), max(x for x, _ in shape)
    top, bottom = min(y for _, y in shape), max(y for _, y in shape)
    x, y = (left + right) / 2, (top + bottom) / 2
    wide, high = (right - left) / 2, (bottom - top) / 2
    for across, down in ((0.8, 0.0), (-0.8, 0.0), (0.0, 0.8), (0.0, -0.8)):
        yield (x + across * wide * 0.25, y + down * high * 0.25), (x + across * wide, y + down * high)
