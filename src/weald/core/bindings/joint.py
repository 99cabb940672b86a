"""The joint of a case: one geometry, asked in either direction.

Vocabulary: the *gap* is the distance between spine and cover board as the case lies flat, the
*inset* how far the board begins from the joint's edge when the case is closed, the *groove* how
deep the material dips between them.

A flat back: the material runs over the edge of the spine board, dips into the groove half-way and
comes up to the board: gap = spine board + 2·√((inset/2)² + groove²).

A backed spine: the material leaves the inlay at the tip of the shoulder, which stands ``back``
behind the shoulder line and ``out`` from the block; it dips to the groove's floor and comes up to
the board, whose outside lies one board's thickness from the block.
"""

import math

from weald.core.units import TOLERANCE, Mm

ORDINARY_COVER: Mm = 0.5
"""Coverings up to this thickness are not reckoned with in joint and squares."""
EASY_INSET = 1.5
"""Inset to board thickness from which a board opens easily; at 1 it just reaches a right angle."""
_HALVINGS = 60


def gap_for_inset(inset: Mm, spine_board: Mm, groove: Mm) -> Mm:
    """The gap that lets the board begin ``inset`` from the spine."""
    return spine_board + 2 * math.hypot(inset / 2, groove)


def least_gap(spine_board: Mm, groove: Mm) -> Mm:
    """The gap below which the groove cannot be taken whole."""
    return spine_board + 2 * groove


def inset_for_gap(gap: Mm, spine_board: Mm, groove: Mm) -> Mm | None:
    """The inset a gap gives, or ``None`` where the gap is too tight for the groove."""
    run = (gap - spine_board) / 2
    if run < groove:
        return None
    return 2 * math.sqrt(run**2 - groove**2)


def gap_by_board(board: Mm, cover: Mm = 0.0) -> Mm:
    """The gap many use by eye for ordinary cloth: 5.5 for thin board, 7 for 1.5 to 2 mm, 8 and 9 above.

    Where that would not let the boards open square in a full groove, it is the next half millimetre that
    does: 8.5 for 2.5 mm board, 10 for 3 mm. Material thicker than 0.5 adds what it is thicker.

    :param cover: thickness of the covering.
    """
    usual = 5.5 if board < 1.5 else 7.0 if board <= 2 else 8.0 if board <= 2.5 else 9.0
    square = math.ceil(2 * gap_for_inset(board, board, board) - TOLERANCE) / 2 if board > 2 else usual
    return max(usual, square) + thicker(cover)


def thicker(cover: Mm) -> Mm:
    """What a covering is thicker than ordinary cloth, which counts for nothing."""
    return max(0.0, cover - ORDINARY_COVER)


def backed_gap(inset: Mm, back: Mm, out: Mm, board: Mm, groove: Mm) -> Mm:
    """The gap from the tip of a shoulder that lets the board begin ``inset`` from the shoulder line."""
    return math.hypot(inset / 2 + back, out - board + groove) + math.hypot(inset / 2, groove)


def backed_inset(gap: Mm, back: Mm, out: Mm, board: Mm, groove: Mm) -> Mm | None:
    """The inset a gap from the tip of a shoulder gives, or ``None`` where it is too tight."""
    low, high = 0.0, 2 * gap
    if backed_gap(low, back, out, board, groove) > gap:
        return None
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        narrow = backed_gap(middle, back, out, board, groove) < gap
        low, high = (middle, high) if narrow else (low, middle)
    return low
