"""A piece laid askew on a skin that is too short for it upright."""

import math

from weald.core.units import TOLERANCE, Mm


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
