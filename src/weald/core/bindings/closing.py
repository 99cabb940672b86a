"""Closing a flat-back case on its block, from the pieces as they were cut.

This takes another way than the sums that sized the pieces: it lays the covering material as a
thread round the spine board and through the groove, and pulls the board along it until the
thread is as long as the gap. What it finds is what a binder sees on offering up the case.
"""

import math
from dataclasses import dataclass
from itertools import pairwise

from weald.core.stations.block import BlockPlan
from weald.core.units import TOLERANCE, Mm

_HALVINGS = 60


@dataclass(frozen=True, slots=True)
class CutCase:
    """The pieces of a flat-back case as cut, and how the joint lies."""

    board_width: Mm
    board_height: Mm
    spine_board: Mm
    gap: Mm
    groove: Mm
    head_asked: Mm
    tail_asked: Mm


@dataclass(frozen=True, slots=True)
class ClosedCase:
    """What the closed case shows. ``inset`` is 0 where the gap is too tight for the groove."""

    head: Mm
    tail: Mm
    fore_edge: Mm
    inset: Mm


def _thread_length(inset: Mm, case: CutCase) -> Mm:
    """Length of the material from the spine board's outer edge to the board's."""
    path = ((0.0, 0.0), (0.0, case.spine_board))
    groove = ((inset / 2, case.spine_board + case.groove), (inset, case.spine_board))
    points = path + groove
    return sum(math.dist(a, b) for a, b in pairwise(points))


def close_case(case: CutCase, block: BlockPlan) -> ClosedCase:
    """Close ``case`` on ``block`` and measure the squares.

    A board taller or shorter than asked shares the difference between head and tail.
    """
    near, far = 0.0, max(case.gap, TOLERANCE)
    for _ in range(_HALVINGS):
        middle = (near + far) / 2
        near, far = (middle, far) if _thread_length(middle, case) < case.gap else (near, middle)
    over = case.board_height - block.height - case.head_asked - case.tail_asked
    return ClosedCase(
        head=case.head_asked + over / 2,
        tail=case.tail_asked + over / 2,
        fore_edge=near + case.board_width - block.width,
        inset=near,
    )
