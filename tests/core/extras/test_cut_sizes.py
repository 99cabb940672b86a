"""Every piece of every extra, as a binder works it out on a slip: the book of ../test_cut_sizes."""

from typing import Any

import pytest

from tests.conftest import job_in, planned
from tests.core.extras.made_up import EXTRAS
from tests.core.extras.test_catalogue import combined
from tests.core.test_cut_sizes import (
    BACKED,
    BLOCK,
    BOARD,
    COVER,
    FOLIO,
    GAP,
    HEIGHT,
    SEWN,
    SQUARE,
    TURN_IN,
    WIDTH,
)

Slip = dict[str, tuple[float, float]]

LEAF, GLUED_IN, THREAD = 0.117, 0.2, 0.3
CLOSED = BLOCK + 2 * (BOARD + COVER), HEIGHT + 2 * SQUARE + 2 * COVER, WIDTH + 4 + BOARD + 2 * COVER
"""Thick, high and wide, with its covering: 27.944 × 216.6 × 146.6."""
EASE = 1.5 * COVER
SIDE = WIDTH - 3 + 4, HEIGHT + 2 * SQUARE
CLOTH_JOINT = 30 + GAP + 2 * 0.25
"""Two strips of cloth lie in each joint."""


def grown(by: float, sections: int = 20) -> Slip:
    """What follows a block thicker by so much; its swell takes in the sections it has."""
    spine = BLOCK + by + 2 * BOARD
    swell = (sections - 20) * THREAD / 2
    return {
        "spine_board": (spine, SIDE[1]),
        "joining_strip": (spine + 2 * GAP + 2 * 30, SIDE[1]),
        "cover": (2 * SIDE[0] + spine + 2 * GAP + 2 * TURN_IN, SIDE[1] + 2 * TURN_IN),
        "mull": (BLOCK + by + 2 * (3 + 25), HEIGHT - 20),
        "spine_lining": (BLOCK + by, HEIGHT),
        "end_band": ((BLOCK + by) * (sections - 1) / sections, 2.0),
        "support": (12.0, SEWN + by + swell + 2 * (3 + 30)),
    }


def tray(name: str, across: float, tall: float, deep: float, *, walls: int) -> Slip:
    """Floor, walls on it, the strip round them and the lining, of a box of boards of 2."""
    floor = deep + (walls - 2) * 2, tall + 4
    round_it = tall + 4 + 2 * (deep + 2) + 30 if walls == 3 else 2 * (tall + 4) + 2 * (deep + 4) + 15
    return {
        f"box_{name}_floor": floor,
        f"box_{name}_long": (across, tall + 4),
        f"box_{name}_short": (deep, across),
        f"box_{name}_cover": (round_it, 2 * across + 2 + 30),
        f"box_{name}_lining": (deep - 1, tall - 1),
    }


LINED = CLOSED[0] + 0.15, CLOSED[1] + 2 * (EASE + 0.15), CLOSED[2] + 2 * (EASE + 0.15)
"""A tray as high as the book is thick, its lining under the book."""
BARE = CLOSED[0], CLOSED[1] + 2 * EASE, CLOSED[2] + 2 * EASE
OVER_WALL = 2 + 2 * 0.3 + EASE
OUTER = LINED[0] + 2 + 2 * 0.3, LINED[1] + 2 * OVER_WALL, LINED[2] + OVER_WALL
CASE = OUTER[2] + 2 + 0.3 + 3, OUTER[1] + 2 * (2 + 0.3 + 3), OUTER[0] + 2 + 0.3
IN_SLIPCASE = CLOSED[0] + 2 * (EASE + 0.2), CLOSED[1] + 2 * (EASE + 0.2), CLOSED[2] + 0.2
"""Across, high and deep; the spine stands level with the opening."""
SLIPS: dict[str, Slip] = {
    # four pages more are a section more, with something glued into it
    "arranged": grown(2 * LEAF + GLUED_IN, 21),
    # two sheets of 0.2 in a section of their own
    "formes": grown(4 * (0.2 - LEAF) + GLUED_IN, 21) | {"text_sheet_1": FOLIO},
    "plates": {
        "plate_guard": (28.0, FOLIO[1]),
        "map_guard": (WIDTH + 14, FOLIO[1]),
        "stub": (28.0, FOLIO[1]),
    },
    "ends": {
        "endpaper_2": (CLOTH_JOINT, FOLIO[1]),
        "endpaper_2_second": (CLOTH_JOINT - 6, FOLIO[1]),
        "endpaper_3": (FOLIO[0] / 2 + 6, FOLIO[1]),
        "endpaper_4": (30.0, FOLIO[1]),
    },
    "endpapers apart": {
        "endpaper_2": (CLOTH_JOINT - 0.25, FOLIO[1]),
        "endpaper_3": (FOLIO[0] / 2, FOLIO[1]),
    },
    "finishing": {"front_label_1": (50.0, 30.0)},
    # a label is less by 1.5 than the spine, and here as high as is decided
    "own pieces ganged": {"panel_label_1": (BLOCK + 2 * BOARD - 1.5, 25.0)},
    "lettered where measured": {"panel_label_1": (15.0, 20.0)},
    # one end longer than the other
    "places": {"support": (12.0, SEWN + 2 * 3 + 30 + 45)},
    "pulled": {"mending_guard": (12.0, HEIGHT)},
    "concertina": {"concertina": (2 * 12.0 * 20 + 2 * 15, HEIGHT)},
    # 35 past the spine board instead of 30 past the joint
    "strip": {"joining_strip": (BLOCK + 2 * BOARD + 2 * 35, SIDE[1])},
    "slipcase": {
        "slipcase_side": (IN_SLIPCASE[2] + 2, IN_SLIPCASE[1] + 4),
        "slipcase_top": (IN_SLIPCASE[0], IN_SLIPCASE[2] + 2),
        "slipcase_back": IN_SLIPCASE[:2],
        "slipcase_cover": (15 + IN_SLIPCASE[2] + 2 + 12, 2 * (IN_SLIPCASE[0] + 4 + IN_SLIPCASE[1] + 4) + 10),
        "slipcase_back_cover": (IN_SLIPCASE[0] + 4 - 4, IN_SLIPCASE[1] + 4 - 4),
        "slipcase_lining": (IN_SLIPCASE[2], IN_SLIPCASE[1]),
    },
    "box": tray("tray", *LINED, walls=3)
    | tray("outer", *OUTER, walls=3)
    | {
        "box_case": CASE[:2],
        "box_case_spine": (CASE[2], CASE[1]),
        "box_case_cover": (2 * (CASE[0] + 2 * 2 + 2 * 0.3 + 15) + CASE[2], CASE[1] + 2 * 15),
    },
    "lidded box": tray("tray", *BARE, walls=4)
    | tray("lid", 9.0, BARE[1] + 2 * OVER_WALL, BARE[2] + 2 * OVER_WALL, walls=4),
}
"""By extra, or way to use it; a jacket's width is drawn taut in test_enclosures."""
ON_LEATHER: dict[str, Slip] = {
    # 216 less five bands of 4 are six panels of 32 and the tail's 4 more
    "finishing": {"panel_label_1": (BACKED - 1.5, 32 - 1.5), "front_label_1": (50.0, 30.0)},
    # cords of 12 under bands at 40, 86 and 150 of 216: clear of them 31, 34, 52 and 57
    "bands": {
        "mull_head": (BACKED + 2 * 25, 31 - 11),
        "mull_between": (BACKED + 2 * 25, 34 - 1),
        "mull_between_2": (BACKED + 2 * 25, 52 - 1),
        "mull_tail": (BACKED + 2 * 25, 57 - 11),
        "spine_lining_head": (BACKED, 31 - 1),
        "spine_lining_between": (BACKED, 34 - 1),
        "spine_lining_between_2": (BACKED, 52 - 1),
        "spine_lining_tail": (BACKED, 57 - 1),
    },
}
"""Over boards laced on, with five raised cords where bands are not measured."""
SLIPS_OF = [
    *(("flat_case", name, slip) for name, slip in SLIPS.items()),
    *(("laced_boards", name, slip) for name, slip in ON_LEATHER.items()),
]


def cut(job: dict[str, Any]) -> Slip:
    return {piece.id: (piece.cut_width, piece.cut_height) for piece in planned(job).pieces}


@pytest.mark.parametrize(("structure", "name", "slip"), SLIPS_OF)
def test_every_piece_of_an_extra_is_cut_as_it_is_worked_out_on_a_slip(
    structure: str, name: str, slip: Slip
) -> None:
    made = cut(combined(structure, [name]))
    for piece, size in slip.items():
        assert made[piece] == pytest.approx(size, abs=0.001), piece


@pytest.mark.parametrize("structure", ["flat_case", "laced_boards"])
def test_no_piece_of_an_extra_is_left_off_the_slips(structure: str) -> None:
    plain = set(cut(job_in(structure)))
    held = {piece for slip in (*SLIPS.values(), *ON_LEATHER.values()) for piece in slip}
    held |= {"jacket", "panel_layer"}
    for name in EXTRAS:
        own = set(cut(combined(structure, [name]))) - plain
        assert own <= held, name
