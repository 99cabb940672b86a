"""The joint of a case: one geometry, asked in either direction.

Vocabulary: the *gap* is the distance between spine board and cover board as the case lies
flat, the *inset* how far the board begins from the block's spine when the case is closed, the
*groove* how deep the material dips between them.

Closed, the material runs over the edge of the spine board, dips into the groove half-way and
comes up to the board: gap = spine board + 2·√((inset/2)² + groove²).
"""

import math

from weald.core.units import Mm

EASY_INSET = 1.5
"""Inset to board thickness from which a board opens easily; at 1 it just reaches a right angle."""


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


def gap_by_board(board: Mm) -> Mm:
    """The gap many use by eye for ordinary cloth: 5.5 for thin board, 7 for 1.5 to 2 mm, 8 and 9 above."""
    if board < 1.5:
        return 5.5
    if board <= 2:
        return 7.0
    return 8.0 if board <= 2.5 else 9.0
