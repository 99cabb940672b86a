"""Closing a case on its block, from the pieces as they were cut.

This takes another way than the sums that sized the pieces: it lays the covering material as a
thread from the spine's edge through the groove, and pulls the board along it until the thread is as
long as the gap. What it finds is what a binder sees on offering up the case.
"""

import math
from dataclasses import dataclass
from itertools import pairwise

from weald.core.drawing import Point
from weald.core.stations.block import BlockPlan
from weald.core.units import TOLERANCE, Mm

_HALVINGS = 60


@dataclass(frozen=True, slots=True)
class Hinge:
    """Where the covering material goes from the spine to the board, seen in section.

    Places are measured from the joint's edge, x towards the fore-edge, y outward from the block.

    :param start: where the gap begins; ``round`` what it goes round next.
    :param outside: how far the board's outer face stands out; ``groove`` how deep the material dips below
        it half-way, or ``None`` where it goes straight.
    """

    start: Point
    round: tuple[Point, ...]
    outside: Mm
    groove: Mm | None

    def path(self, inset: Mm) -> tuple[Point, ...]:
        """The material's way to a board that begins ``inset`` from the joint's edge."""
        dip = () if self.groove is None else ((inset / 2, self.outside - self.groove),)
        return (self.start, *self.round, *dip, (inset, self.outside))


@dataclass(frozen=True, slots=True)
class CutCase:
    """The pieces of a case as cut, and how its joint lies."""

    board_width: Mm
    board_height: Mm
    gap: Mm
    hinge: Hinge
    head_asked: Mm
    tail_asked: Mm


@dataclass(frozen=True, slots=True)
class ClosedCase:
    """What the closed case shows. ``inset`` is 0 where the gap is too tight for the groove."""

    head: Mm
    tail: Mm
    fore_edge: Mm
    inset: Mm


def _thread_length(inset: Mm, hinge: Hinge) -> Mm:
    return sum(math.dist(a, b) for a, b in pairwise(hinge.path(inset)))


def close_case(case: CutCase, block: BlockPlan) -> ClosedCase:
    """Close ``case`` on ``block`` and measure the squares.

    A board taller or shorter than asked shares the difference between head and tail.
    """
    near, far = 0.0, 2 * max(case.gap, TOLERANCE)
    for _ in range(_HALVINGS):
        middle = (near + far) / 2
        short = _thread_length(middle, case.hinge) < case.gap
        near, far = (middle, far) if short else (near, middle)
    over = case.board_height - block.height - case.head_asked - case.tail_asked
    return ClosedCase(
        head=case.head_asked + over / 2,
        tail=case.tail_asked + over / 2,
        fore_edge=near + case.board_width - block.joint_width,
        inset=near,
    )
