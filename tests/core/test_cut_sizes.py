"""Every piece of every structure, as a binder works it out on a slip: 140 × 210, 160 leaves in 20 sections.

Nothing here asks the craft for a size: each is worked out again from what was decided and from paper.
"""

from math import hypot, radians, sin

import pytest

from tests.conftest import STRUCTURES, job_in, planned

WIDTH, HEIGHT = 140.0, 210.0
FOLIO = (2 * (WIDTH + 4), HEIGHT + 6)
"""Trimmed 3 at head and tail, 4 at the fore-edge."""
SQUARE, FORE_EDGE, TURN_IN, OVERLAP, BOARD, OVER, COVER = 3.0, 4.0, 18.0, 30.0, 2.0, 2.0, 0.3
ENDS = 4 * 120 * 1.3 / 1000
LEAVES = 160 * 0.117
BLOCK = LEAVES + ENDS + 20 * 0.2
"""Something of 0.2 is glued into each section."""
SEWN = BLOCK + 20 * 0.3 / 2
FEW = 16 * 0.117 + 0.2
CASE_HEIGHT = HEIGHT + 2 * SQUARE
TURNED = CASE_HEIGHT + 2 * TURN_IN
GAP, INSET, PARED = 7.0, 3.0, 15.0
"""The gap for a board of 2 by eye; it dips 2 into the joint: 2.5, 2 and 1.5 on either side."""
SIDE_STRIP = 25.0


def arc(chord: float) -> float:
    """A back rounded so that it rises by a part of its thickness that is tan 18° / 2."""
    return chord * radians(36) / sin(radians(36))


def joined(spine: float) -> dict[str, tuple[float, float]]:
    """What a case with a spine board has."""
    return {
        "board": (WIDTH - INSET + FORE_EDGE, CASE_HEIGHT),
        "spine_board": (spine, CASE_HEIGHT),
        "mull": (spine - 2 * BOARD + 2 * (INSET + 25), HEIGHT - 20),
        "spine_lining": (spine - 2 * BOARD, HEIGHT),
    }


STRIP = {"joining_strip": (BLOCK + 2 * BOARD + 2 * GAP + 2 * 30, CASE_HEIGHT)}
ALL_CASE = {"label": (1.5 * 6 + 6, 13 * 0.95 * 6 + 6)}
"""Thirteen letters in capitals of 6."""
SEWN_BAND = {"end_band": (BLOCK * 19 / 20, 2.0)}
TAPES = {"support": (12.0, SEWN + 2 * (INSET + 30))}
ROUND = arc(BLOCK + 2 * BOARD * sin(radians(45)))
BACKED, DEEP = arc(BLOCK + 2 * BOARD), arc(BLOCK + 2 * (BOARD + 1))
DIPPED = 4.5736
"""What 7 leaves from a shoulder of 45° as high as 1.41, once it has dipped 2; read off a sketch."""


def in_shoulders(around: float, board: float) -> dict[str, tuple[float, float]]:
    """What boards in the shoulders have of a back rounded to ``around``."""
    return {
        "board": (WIDTH - board + FORE_EDGE, CASE_HEIGHT),
        "hollow": (3 * around, HEIGHT),
        "end_band": (around * 19 / 20, 2.0),
        "label": (1.5 * 64 / 37.05 + 6, 64 / 3 + 6),
    }


SPLIT = in_shoulders(DEEP, 3.0) | {
    "thin_board": (WIDTH - 3 + FORE_EDGE, CASE_HEIGHT),
    "spine_piece": (DEEP + 2 * OVERLAP, TURNED),
    "fore_edge_strip": (SIDE_STRIP + TURN_IN, TURNED),
    "side": (WIDTH - 3 + FORE_EDGE - OVERLAP - SIDE_STRIP + 2 * OVER, TURNED),
    "mull": (DEEP + 2 * 25, HEIGHT - 20),
    "spine_lining": (DEEP, HEIGHT),
}
CORNER = 0.28 * CASE_HEIGHT + 2 * TURN_IN + PARED
SLIP: dict[str, dict[str, tuple[float, float]]] = {
    "saddle_stitch": {"cover": (2 * WIDTH + FEW + 8, HEIGHT + 6)},
    "pamphlet_case": {
        "board": (WIDTH - 5 + FORE_EDGE, CASE_HEIGHT),
        "spacer": (FEW + ENDS + 2 * hypot(5, BOARD), CASE_HEIGHT),
        "spine_piece": (FEW + ENDS + 2 * hypot(5, BOARD) + 2 * OVERLAP, TURNED),
        "fore_edge_strip": (SIDE_STRIP + TURN_IN, TURNED),
        "side": (WIDTH - 5 + FORE_EDGE - OVERLAP - SIDE_STRIP + 2 * OVER, TURNED),
    },
    "wrapper": ALL_CASE | {"cover": (2 * WIDTH + BLOCK + 2 * COVER + 8, HEIGHT + 6)},
    "coverless_tapes": {"support": (12.0, SEWN + 2 * 30)},
    "laced_card_case": ALL_CASE
    | {
        "cover": (2 * (WIDTH + FORE_EDGE) + SEWN + 2 * COVER, CASE_HEIGHT),
        "support": (12.0, SEWN + 2 * (COVER + 5 + COVER + 30)),
    },
    "stab_sewn": {"cover": (WIDTH, HEIGHT)},
    "long_stitch": {"cover": (2 * (WIDTH + FORE_EDGE) + SEWN - ENDS + 2 * COVER, CASE_HEIGHT)},
    "link_stitch": {
        "board": (WIDTH + FORE_EDGE, CASE_HEIGHT),
        "cover": (WIDTH + FORE_EDGE + 2 * TURN_IN, TURNED),
        "pastedown": (WIDTH, HEIGHT + 2),
    },
    "flat_case": joined(BLOCK + 2 * BOARD)
    | STRIP
    | ALL_CASE
    | SEWN_BAND
    | TAPES
    | {"cover": (2 * (WIDTH - INSET + FORE_EDGE) + BLOCK + 2 * BOARD + 2 * GAP + 2 * TURN_IN, TURNED)},
    "strip_case": joined(BLOCK + 2 * BOARD)
    | STRIP
    | ALL_CASE
    | SEWN_BAND
    | TAPES
    | {
        "spine_piece": (BLOCK + 2 * BOARD + 2 * GAP + 2 * OVERLAP, TURNED),
        "fore_edge_strip": (SIDE_STRIP + TURN_IN, TURNED),
        "side": (WIDTH - INSET + FORE_EDGE - OVERLAP - SIDE_STRIP + 2 * OVER, TURNED),
    },
    "printed_case": joined(BLOCK + 2 * BOARD)
    | ALL_CASE
    | SEWN_BAND
    | TAPES
    | {"cover": (2 * (WIDTH - INSET + FORE_EDGE) + BLOCK + 2 * BOARD + 2 * GAP + 2 * TURN_IN, TURNED)},
    "rounded_case": ALL_CASE
    | {
        "board": (WIDTH - BOARD - DIPPED + FORE_EDGE, CASE_HEIGHT),
        "spine_inlay": (ROUND, CASE_HEIGHT),
        "spine_piece": (ROUND + 2 * GAP + 2 * OVERLAP + PARED, TURNED + PARED),
        "corner": (CORNER, CORNER),
        "side": (WIDTH - BOARD - DIPPED + FORE_EDGE - OVERLAP + OVER + TURN_IN, TURNED),
        "mull": (ROUND + 2 * (DIPPED + 25), HEIGHT - 20),
        "spine_lining": (ROUND, HEIGHT),
        "hollow": (3 * ROUND, HEIGHT),
        "end_band": (ROUND * 19 / 20, 2.0),
        "support": (12.0, ROUND + 2 * (DIPPED + 30)),
    },
    "split_boards": SPLIT | {"support": (12.0, DEEP + 2 * (30 + 5 + 5))},
    "lapped_cords": SPLIT | {"support": (12.0, DEEP + 2 * 30)},
    "laced_boards": in_shoulders(BACKED, 2.0)
    | {
        # five bands of 4 take up (π / 2 − 1) × 4 each of the leather's height
        "spine_piece": (BACKED + 2 * OVERLAP + PARED, TURNED + PARED + 5 * 0.570796 * 4),
        "corner": (CORNER, CORNER),
        "side": (WIDTH - BOARD + FORE_EDGE - OVERLAP + OVER + TURN_IN, TURNED),
        # cords of 12 at 13 + 46 and so on: clear of them 53 at head and tail, 34 between
        "mull_head": (BACKED + 2 * 25, 53 - 11),
        "mull_between": (BACKED + 2 * 25, 34 - 1),
        "mull_tail": (BACKED + 2 * 25, 53 - 11),
        "spine_lining_head": (BACKED, 53 - 1),
        "spine_lining_between": (BACKED, 34 - 1),
        "spine_lining_tail": (BACKED, 53 - 1),
        # over the shoulder, in at 11, through, 11 across and 7 along, and out again
        "support": (12.0, BACKED + 2 * (2 + 11 + 2 + hypot(11, 7) + 2 + 30)),
    },
    "single_leaves": joined(LEAVES + ENDS + 2 * BOARD)
    | ALL_CASE
    | {
        "joining_strip": (LEAVES + ENDS + 2 * BOARD + 2 * GAP + 2 * 30, CASE_HEIGHT),
        "cover": (
            2 * (WIDTH - INSET + FORE_EDGE) + LEAVES + ENDS + 2 * BOARD + 2 * GAP + 2 * TURN_IN,
            TURNED,
        ),
        "end_band": (LEAVES + ENDS, 2.0),
    },
    "rebound_paperback": joined(LEAVES + ENDS + 2 * BOARD)
    | ALL_CASE
    | {
        "cover": (
            2 * (WIDTH - INSET + FORE_EDGE) + LEAVES + ENDS + 2 * BOARD + 2 * GAP + 2 * TURN_IN,
            TURNED,
        ),
        "old_panel": (WIDTH - INSET + FORE_EDGE - 2, HEIGHT),
        "old_spine": (LEAVES + ENDS + 2 * BOARD - 1, HEIGHT),
        "end_band": (LEAVES + ENDS, 2.0),
    },
}
WITHOUT_ENDPAPERS = ("saddle_stitch", "stab_sewn", "long_stitch")
WITHOUT_GUARDS = ("stab_sewn", "single_leaves", "rebound_paperback")


def of_all(structure: str) -> dict[str, tuple[float, float]]:
    """What books have whatever binds them."""
    found = {"ribbon": (6.0, hypot(WIDTH, HEIGHT) + 50)}
    if structure != "rebound_paperback":
        found["text_sheet"] = FOLIO
    if structure not in WITHOUT_ENDPAPERS:
        found["endpaper"] = FOLIO
    if structure not in WITHOUT_GUARDS:
        found["guard"] = (40.0, FOLIO[1])
    return found


@pytest.mark.parametrize("name", STRUCTURES)
def test_every_piece_is_cut_as_it_is_worked_out_on_a_slip(name: str) -> None:
    made = {piece.id: (piece.cut_width, piece.cut_height) for piece in planned(job_in(name)).pieces}
    slip = of_all(name) | SLIP[name]
    assert set(made) == set(slip)
    for piece, size in slip.items():
        assert made[piece] == pytest.approx(size, abs=0.001), piece
