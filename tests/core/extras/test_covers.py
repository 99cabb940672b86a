"""Strips, panels, bevels and skins; sizes by hand, places looked at a second way."""

import math
from itertools import combinations, pairwise
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import settings as hypothesis_settings
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from tests.core.extras.made_up import EXTRAS, merged
from tests.core.test_drawings import areas, drawing, size
from weald.core.cutting.outline import Laid, area_of, crosses_itself, lay_in_outline

Point = tuple[float, float]


def test_a_strip_is_counted_by_either_school() -> None:
    on_board = planned({"extras": {"strip": {"overlap": 30}}})
    spine, gap = value(on_board, "spine_board.width"), value(on_board, "joint.gap")
    assert value(on_board, "strip.width") == pytest.approx(spine + 2 * gap + 60)
    from_spine = planned({"extras": {"strip": {"overlap": 30, "counted": "spine"}}})
    assert value(from_spine, "strip.width") == pytest.approx(spine + 60)
    cut = {each.id: each for each in from_spine.pieces}
    assert cut["joining_strip"].width == pytest.approx(spine + 60)
    assert value(from_spine, "board.width") == value(planned({}), "board.width")
    assert "strip.short" in codes(planned({"extras": {"strip": {"overlap": 6, "counted": "spine"}}}))


def test_a_panel_lies_in_a_window_of_its_own_thickness() -> None:
    made = planned(EXTRAS["panels"])
    # boards of 2 under a layer of 1.2, whichever panel is thicker
    assert value(made, "board.thickness") == pytest.approx(3.2)
    width, height = value(made, "board.width"), value(made, "board.height")
    front = drawing(made, "boards.panels_front")
    window, panel = areas(front, "white")[0], areas(front, "leather")[0]
    assert size(window.points) == pytest.approx((101, 161))
    assert size(panel.points) == pytest.approx((100, 160))
    assert min(x for x, _ in panel.points) == pytest.approx((width - 100) / 2)
    back = areas(drawing(made, "boards.panels_back"), "leather")[0]
    # seen from outside, the back board's fore-edge lies to the left
    assert (min(x for x, _ in back.points), min(y for _, y in back.points)) == pytest.approx((15, 20))
    layer = next(each for each in made.pieces if each.id == "panel_layer")
    assert (layer.width, layer.height, layer.count) == (pytest.approx(width), pytest.approx(height), 2)
    assert "panels.packed" in codes(made)


def test_panels_that_do_not_go_are_said() -> None:
    def panel(**entries: Any) -> set[str]:
        return set(codes(planned({"extras": {"panels": {"panels": [{"height": 150, **entries}]}}})))

    assert "panels.too_large" in panel(width=160)
    assert "panels.rim" in panel(width=132)
    assert "panels.rim" in panel(head=2)


def test_a_bevel_by_hand() -> None:
    # 8 in and 2 off: a slope of √68 = 8.246, and 8 + 2 − 8.246 further in
    made = planned(EXTRAS["bevels"])
    assert value(made, "bevel.slope") == pytest.approx(math.sqrt(68))
    assert value(made, "bevel.edge") == pytest.approx(2)
    assert value(made, "bevel.turn_in") == pytest.approx(10 - math.sqrt(68))
    assert "bevel.thin" in codes(planned({"extras": {"bevels": {"deep": 1.9}}}))


def test_stiffeners_are_laid_in_any_cover_of_one_sheet() -> None:
    for name in ("wrapper", "long_stitch", "laced_card_case"):
        job = merged(job_in(name), {"binding": {"stiffener": 0.6}})
        cut = {each.id: each for each in planned(job).pieces}
        assert cut["stiffener"].count == 2 * 1
        assert cut["stiffener"].width < value(planned(job), "cover.leaf")


def inside(point: Point, outline: tuple[Point, ...]) -> bool:
    """Whether a point lies inside, by the angles its sides are seen under."""
    turn = 0.0
    for a, b in pairwise([*outline, outline[0]]):
        one = math.atan2(a[1] - point[1], a[0] - point[0])
        other = math.atan2(b[1] - point[1], b[0] - point[0])
        turn += (other - one + math.pi) % (2 * math.pi) - math.pi
    return abs(turn) > math.pi


def along(laid: Laid, inwards: float = 0.02) -> list[Point]:
    """Points along a piece's edges, a hair inside of it."""
    cx = sum(x for x, _ in laid.corners) / 4
    cy = sum(y for _, y in laid.corners) / 4
    found = []
    for a, b in pairwise([*laid.corners, laid.corners[0]]):
        for step in range(20):
            x, y = a[0] + (b[0] - a[0]) * step / 20, a[1] + (b[1] - a[1]) * step / 20
            far = math.dist((x, y), (cx, cy))
            found.append((x + (cx - x) * inwards / far, y + (cy - y) * inwards / far))
    return found


@st.composite
def skins(draw: st.DrawFn) -> tuple[Point, ...]:
    """Outlines round a middle, at even turns and odd distances.

    Hollow in places, never crossing themselves.
    """
    count = draw(st.integers(4, 12))
    reach = [draw(st.floats(120, 420)) for _ in range(count)]
    return tuple(
        (500 + far * math.cos(2 * math.pi * n / count), 500 + far * math.sin(2 * math.pi * n / count))
        for n, far in enumerate(reach)
    )


@given(skins(), st.lists(st.tuples(st.floats(15, 260), st.floats(15, 200)), min_size=1, max_size=4))
@hypothesis_settings(max_examples=60)
def test_pieces_lie_inside_and_beside_one_another(outline: tuple[Point, ...], sizes: list[Point]) -> None:
    assume(not crosses_itself(outline))
    pieces = [(f"piece {n}", width, height) for n, (width, height) in enumerate(sizes)]
    laid, without = lay_in_outline(outline, pieces, 3)
    assert sorted([*(each.name for each in laid), *without]) == sorted(name for name, *_ in pieces)
    for each in laid:
        width, height = next(size for name, *size in pieces if name == each.name)
        assert math.dist(each.corners[0], each.corners[1]) == pytest.approx(width)
        assert math.dist(each.corners[1], each.corners[2]) == pytest.approx(height)
        assert all(inside(point, outline) for point in along(each))
    for one, other in combinations(laid, 2):
        assert not any(inside(point, other.corners) for point in along(one))
        assert not any(inside(point, one.corners) for point in along(other))


def test_a_square_is_filled_by_what_fills_it() -> None:
    square = ((0.0, 0.0), (200.0, 0.0), (200.0, 100.0), (0.0, 100.0))
    laid, without = lay_in_outline(square, [("a", 100, 100), ("b", 100, 100)], 0)
    assert (len(laid), without) == (2, [])
    assert area_of(square) == 20000
    # too long upright, it lies along the diagonal of a square: 130 × 5 in 100 × 100
    laid, _ = lay_in_outline(((0.0, 0.0), (100.0, 0.0), (100.0, 100.0), (0.0, 100.0)), [("a", 130, 5)], 0)
    assert [round(each.degrees) for each in laid] == [45]


def skin(points: list[tuple[float, float]], **more: Any) -> set[str]:
    rows = [{"along": x, "away": y} for x, y in points]
    job = merged(job_in("laced_boards"), {**EXTRAS["skin"], "extras": {"skin": {"points": rows, **more}}})
    return set(codes(planned(job)))


def test_what_does_not_go_on_a_skin_is_said() -> None:
    assert "skin.points" in skin([(0, 0), (9, 9)])
    assert "skin.crossed" in skin([(0, 0), (400, 300), (400, 0), (0, 300)])
    small = [(0.0, 0.0), (300.0, 0.0), (300.0, 300.0), (0.0, 300.0)]
    assert "skin.too_small" in skin(small)
    assert "skin.pieced" in skin([(0, 0), (230, 0), (230, 600), (0, 600)], pieced=True)
    assert "skin.askew" in skin([(0, 170), (480, 0), (620, 300), (140, 470)])
