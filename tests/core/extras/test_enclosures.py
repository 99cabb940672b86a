"""Jackets, slipcases and boxes, put together from their pieces a second way."""

import math
from dataclasses import dataclass
from itertools import combinations, pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, planned, value
from weald.core.extras.closed_book import hull
from weald.core.pieces import Piece
from weald.core.planning.plan import Plan


@dataclass(frozen=True)
class Wall:
    """A board standing in space: its corner and its sizes along x (across), y (tall), z (deep)."""

    at: tuple[float, float, float]
    size: tuple[float, float, float]

    def meets(self, other: "Wall") -> bool:
        """Whether two walls take the same room."""
        return all(
            a < b + other.size[n] - 1e-6 and b < a + self.size[n] - 1e-6
            for n, (a, b) in enumerate(zip(self.at, other.at, strict=True))
        )

    @property
    def volume(self) -> float:
        return math.prod(self.size)


def piece(made: Plan, name: str) -> Piece:
    return next(each for each in made.pieces if each.id == name)


@pytest.mark.parametrize("board", [1.5, 2, 3.2])
def test_the_slipcase_closes_round_its_room(board: float) -> None:
    made = planned({"extras": {"slipcase": {"board": board, "lining": 0.2}}})
    across, tall, deep = (value(made, f"slipcase.{side}") for side in ("thickness", "height", "depth"))
    side, top, back = (piece(made, f"slipcase_{name}") for name in ("side", "top", "back"))
    walls = [
        Wall((-board, -board, 0), (board, side.height, side.width)),
        Wall((across, -board, 0), (board, side.height, side.width)),
        Wall((0, -board, 0), (top.width, board, top.height)),
        Wall((0, tall, 0), (top.width, board, top.height)),
        Wall((0, 0, deep), (back.width, back.height, board)),
    ]
    assert not any(one.meets(other) for one, other in combinations(walls, 2))
    outside = (across + 2 * board) * (tall + 2 * board) * (deep + board)
    assert sum(wall.volume for wall in walls) == pytest.approx(outside - across * tall * deep)
    assert [side.count, top.count, back.count] == [2, 2, 1]


def test_a_slipcase_by_hand() -> None:
    # block 210 × 140, boards 216 × 141 begin 5 from the spine, 12.11 over both boards; cloth 0.3
    made = planned({"extras": {"slipcase": {}}})
    assert value(made, "closed_book.height") == pytest.approx(216 + 0.6)
    assert value(made, "slipcase.height") == pytest.approx(216.6 + 2 * 0.45)
    assert value(made, "slipcase.side_height") == pytest.approx(217.5 + 4)
    cover = piece(made, "slipcase_cover")
    thick = value(made, "slipcase.thickness")
    assert cover.height == pytest.approx(2 * (221.5 + thick + 4) + 10)


@pytest.mark.parametrize(("extra", "inside"), [("slipcase", "slipcase.thickness"), ("box", "box.depth")])
def test_other_volumes_stand_beside_it(extra: str, inside: str) -> None:
    alone, three = (planned({"extras": {extra: entries}}) for entries in ({}, {"beside": "2 1/2 in"}))
    assert value(three, inside) == pytest.approx(value(alone, inside) + 63.5)
    assert value(three, f"{extra}.height") == value(alone, f"{extra}.height")


@pytest.mark.parametrize("kind", ["two_trays", "lid"])
def test_trays_close_and_one_goes_over_the_other(kind: str) -> None:
    board, cover = 2.0, 0.3
    made = planned({"extras": {"box": {"kind": kind, "board": board, "cover": cover}}})
    ends = 1 if kind == "two_trays" else 2
    for name, ids in (("tray", "box."), ("outer" if ends == 1 else "lid", "box.outer_")):
        deep, tall, wide = (value(made, f"{ids}{side}") for side in ("depth", "height", "width"))
        floor, long, short = (piece(made, f"box_{name}_{part}") for part in ("floor", "long", "short"))
        assert (floor.width, floor.height) == pytest.approx((wide + ends * board, tall + 2 * board))
        assert (long.width, long.height) == pytest.approx((deep, tall + 2 * board))
        assert (short.width, short.height) == pytest.approx((wide, deep))
        assert (long.count, short.count) == (ends, 2)
    inner_outside = value(made, "box.height") + 2 * (board + cover)
    assert value(made, "box.outer_height") >= inner_outside
    assert value(made, "box.outer_height") - inner_outside < 4


JACKETED: tuple[dict[str, Any], ...] = (
    {},
    {"text": {"pages": 600}},
    {"binding": {"structure": "rounded_case"}, "text": {"pages": 400}},
    {
        "binding": {"structure": "laced_boards", "material": "leather", "cover_thickness": 0.8},
        "text": {"pages": 500},
    },
)


@pytest.mark.parametrize("job", JACKETED)
def test_a_jacket_is_as_long_as_a_string_drawn_round_the_closed_book(job: dict[str, Any]) -> None:
    made = planned({**job, "extras": {"jacket": {}}})
    wide = value(made, "jacket.spine") + 2 * value(made, "jacket.panel")
    book = planned({**job, "extras": {"slipcase": {}}})
    deep, thick = value(book, "closed_book.width"), value(book, "closed_book.thickness")
    # no shorter than straight across, no longer than round the corners of a box about the book
    assert 2 * math.hypot(deep - 1, thick / 2) - 2 < wide <= 2 * deep + thick + 1e-6
    total = value(made, "jacket.width")
    edge, flap = value(made, "jacket.edge"), value(made, "jacket.flap")
    assert total == pytest.approx(wide + 2 * (edge + flap))
    assert value(made, "jacket.height") == pytest.approx(value(made, "board.height") - 1)
    assert flap == pytest.approx(0.6 * value(made, "board.width"))


@given(st.lists(st.tuples(st.floats(-5, 150), st.floats(-40, 0)), min_size=2, max_size=12))
def test_a_taut_string_is_never_longer_and_lies_outside(points: list[tuple[float, float]]) -> None:
    path = sorted(set(points))
    if len(path) < 2:
        return
    taut = hull(tuple(path))
    length = sum(math.dist(one, other) for one, other in pairwise(taut))
    assert length <= sum(math.dist(one, other) for one, other in pairwise(path)) + 1e-6
    for x, y in path:
        for (left, low), (right, high) in pairwise(taut):
            if left <= x <= right and right - left > 1e-6:
                assert low + (high - low) * (x - left) / (right - left) <= y + 1e-4


def test_what_slips_out_or_reaches_too_far_is_said() -> None:
    assert "jacket.flap_narrow" in codes(planned({"extras": {"jacket": {"flap_width": 30}}}))
    assert "jacket.flap_wide" in codes(planned({"extras": {"jacket": {"flap_width": 170}}}))
    assert "case.thumb_large" in codes(
        planned({"leaf": {"height": 90}, "extras": {"slipcase": {"thumb": 40}}})
    )
    # a thin block: the wall of the tray is as high as the book is thick, and 0.6 of it may be cut away
    made = planned({"extras": {"box": {"thumb": 40}}})
    (large,) = (each for each in made.findings if each.code == "case.thumb_large")
    least = large.actions[0].patch["extras.box.thumb"]
    assert isinstance(least, float)
    assert 0.6 * value(made, "box.depth") - 1 <= least <= 0.6 * value(made, "box.depth") + 1e-6
    assert "case.thumb_large" not in codes(planned({"extras": {"box": {"thumb": least}}}))
