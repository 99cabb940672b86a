"""Closing a case on its block, from the pieces as they were cut.

This takes another way than the sums that sized the pieces: it lays the covering material as a
thread from the spine's own edge through the groove, and pulls the board along it until the thread is as
long as the gap. What it finds is what a binder sees on offering up the case.

Places are seen in section: x from the block's spine (or its shoulder line) towards the fore-edge, y from
the middle of the block outward.
"""

import math
from dataclasses import dataclass
from itertools import pairwise

from weald.core.drawing import Point
from weald.core.quantities import Edge
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import TOLERANCE, Mm

_HALVINGS = 60


@dataclass(frozen=True, slots=True)
class Hinge:
    """Where the covering material goes from the spine to the board.

    :param start: where the gap begins; ``corner`` the edge it goes round next, where that stands in its way.
    :param outside: how far out the board's outer face lies; ``floor`` that of the groove the material dips
        to half-way, or ``None`` where it goes straight.
    """

    start: Point
    corner: Point | None
    outside: Mm
    floor: Mm | None

    def path(self, inset: Mm, lift: Mm = 0.0) -> tuple[Point, ...]:
        """The material's way to a board that begins at ``inset``, its spine edge lifted off the block."""
        outside = self.outside + lift
        on = [(inset, outside)] if self.floor is None or lift else [(inset / 2, self.floor), (inset, outside)]
        if self.corner is not None and _stands_out(self.corner, self.start, on[0]):
            return (self.start, self.corner, *on)
        return (self.start, *on)

    def length(self, inset: Mm, lift: Mm = 0.0) -> Mm:
        """How long that way is."""
        return sum(math.dist(a, b) for a, b in pairwise(self.path(inset, lift)))


def _stands_out(corner: Point, start: Point, end: Point) -> bool:
    """Whether a corner lies further out than the straight line past it."""
    if end[0] - start[0] < TOLERANCE:
        return corner[1] > end[1]
    along = (corner[0] - start[0]) / (end[0] - start[0])
    return corner[1] > start[1] + along * (end[1] - start[1]) + TOLERANCE


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
    """What the closed case shows on one side.

    :param inset: how far the boards begin from the spine; 0 where the gap is too tight for the groove.
    :param lift: how far the boards are held off the block at the spine by a gap too short to reach it; the
        book is then out of parallel by twice as much.
    """

    head: Mm
    tail: Mm
    fore_edge: Mm
    inset: Mm
    lift: Mm

    @property
    def squares(self) -> dict[Edge, Mm]:
        """By the edge of the board."""
        return {"head": self.head, "tail": self.tail, "fore_edge": self.fore_edge}


def close_case(case: CutCase, block: BlockPlan) -> ClosedCase:
    """Close ``case`` on ``block`` and measure the squares.

    A board taller or shorter than asked shares the difference between head and tail.
    """
    inset = pulled_to(case.gap, case.hinge)
    over = case.board_height - block.height - case.head_asked - case.tail_asked
    return ClosedCase(
        head=case.head_asked + over / 2,
        tail=case.tail_asked + over / 2,
        fore_edge=inset + case.board_width - block.joint_width,
        inset=inset,
        lift=_lift(case.gap, case.hinge),
    )


def pulled_to(gap: Mm, hinge: Hinge) -> Mm:
    """Where a board comes to begin, pulled along material as long as ``gap``."""
    near, far = 0.0, 2 * max(gap, TOLERANCE)
    for _ in range(_HALVINGS):
        middle = (near + far) / 2
        near, far = (middle, far) if hinge.length(middle) < gap else (near, middle)
    return near


def _lift(gap: Mm, hinge: Hinge) -> Mm:
    """How far a board's spine edge stays off the block, where material cannot reach it however straight."""
    most = max(0.0, hinge.start[1] - hinge.outside)
    if most < TOLERANCE or hinge.length(0.0, TOLERANCE) <= gap:
        return 0.0
    low, high = 0.0, most
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        low, high = (middle, high) if hinge.length(0.0, middle) > gap else (low, middle)
    return high
