"""A piece laid askew on a skin that is too short for it upright."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.notation import Notation
from weald.core.units import TOLERANCE, Mm

_APART = 0.15
"""Skins are drawn so far apart, as part of the widest."""


@dataclass(frozen=True, slots=True)
class Askew:
    """A piece turned on its skin, sizes width by height, by ``degrees`` out of the straight."""

    label: str
    stock: str
    piece: tuple[Mm, Mm]
    skin: tuple[Mm, Mm]
    degrees: float

    def corners(self) -> tuple[Point, Point, Point, Point]:
        """Where the piece's corners touch, from the skin's top left: its top, right, bottom and left side.

        Turned by θ, a piece p × q touches the long side q·sin θ from the corner, and a short one q·cos θ
        from it.
        """
        turn, (long, short) = math.radians(self.degrees), (max(self.piece), min(self.piece))
        sine, cosine = math.sin(turn), math.cos(turn)
        along, down = long * cosine + short * sine, long * sine + short * cosine
        top, right = (short * sine, 0.0), (along, long * sine)
        bottom, left = (long * cosine, down), (0.0, short * cosine)
        if self.skin[0] >= self.skin[1]:
            return top, right, bottom, left
        # an upright skin: the same, its sides exchanged
        return (left[1], left[0]), (bottom[1], bottom[0]), (right[1], right[0]), (top[1], top[0])


def askew(piece: tuple[Mm, Mm], skin: tuple[Mm, Mm]) -> float | None:
    """By how many degrees a piece is turned to lie on a skin; ``None`` where it never does.

    Turned by θ, a piece p × q (p the longer) needs p·cos θ + q·sin θ by p·sin θ + q·cos θ. Where p is
    longer than the skin, the least θ that brings it within its length L is arctan(q/p) +
    arccos(L / √(p² + q²)).
    """
    long, short = max(piece), min(piece)
    length, width = max(skin), min(skin)
    if long <= length + TOLERANCE and short <= width + TOLERANCE:
        return 0.0
    across = math.hypot(long, short)
    if short > width + TOLERANCE or long <= length or length > across:
        return None
    turn = math.atan2(short, long) + math.acos(length / across)
    if turn > math.pi / 2 or long * math.sin(turn) + short * math.cos(turn) > width + TOLERANCE:
        return None
    return math.degrees(turn)


def draw_askew(laid: Sequence[Askew], notation: Notation) -> Drawing:
    """Every skin with the piece that lies askew on it, and where along its sides the corners touch."""
    show, sketch, left = notation.figure, Sketch(), 0.0
    apart = _APART * max(each.skin[0] for each in laid)
    for each in laid:
        width, height = each.skin
        sketch.area(box(left, 0, width, height), "waste", "outline")
        top, right, bottom, low = ((x + left, y) for x, y in each.corners())
        sketch.area((top, right, bottom, low), "leather", "cut")
        sketch.name(
            left + width / 4, height / 3, width / 2, height / 3, each.label, tallest=min(width, height) / 14
        )
        sketch.dimension((left, 0), top, show(top[0] - left))
        sketch.dimension(top, (left + width, 0), show(left + width - top[0]))
        sketch.dimension((left, 0), (left + width, 0), show(width), offset=2)
        sketch.dimension(low, (left, 0), show(low[1]))
        sketch.dimension((left, height), (left, 0), show(height), offset=2)
        sketch.dimension((left + width, 0), (left + width, right[1]), show(right[1]))
        left += width + apart
    words = "; ".join(
        f"{each.label} on {each.stock}, turned by {each.degrees:.0f}° out of the straight" for each in laid
    )
    return sketch.finish("cutting.skins", "cutting", "Askew on the skin", rows=(2, 2, 1, 0), text=words)
