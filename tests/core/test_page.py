import pytest
from hypothesis import given
from hypothesis import strategies as st

from weald.core.forme.page import Rect, place_content, ruling


@pytest.mark.parametrize(
    ("placing", "anchor", "spine_left", "scale", "left", "top"),
    [
        ("as_is", "middle", True, 1.0, 20, 30),
        ("as_is", "head_spine", True, 1.0, 0, 0),
        ("as_is", "head_spine", False, 1.0, 40, 0),
        ("as_is", "tail_fore_edge", True, 1.0, 40, 60),
        ("as_is", "fore_edge", False, 1.0, 0, 30),
        ("as_is", "tail", True, 1.0, 20, 60),
        ("fit", "middle", True, 1.4, 0, 5),
        ("fit", "tail", True, 1.4, 0, 10),
        ("fill", "spine", False, 1.5, -10, 0),
        ("fill", "spine", True, 1.5, 0, 0),
    ],
)
def test_content_is_placed_and_scaled(
    placing: str, anchor: str, spine_left: bool, scale: float, left: float, top: float
) -> None:
    size = (100, 140) if placing != "as_is" else (100, 150)
    page = (140, 210)
    if placing == "fit":
        size = (100, 200 / 1.4)  # type: ignore[assignment]
    place = place_content(size, page, placing, anchor, spine_left)  # type: ignore[arg-type]
    assert place.scale == pytest.approx(scale)
    assert (place.rect.left, place.rect.top) == pytest.approx((left, top))


sizes = st.tuples(st.floats(20, 400), st.floats(20, 400))


@given(sizes, sizes, st.sampled_from(["fit", "fill"]))
def test_fitting_stays_inside_and_filling_leaves_nothing_bare(
    size: tuple[float, float], page: tuple[float, float], placing: str
) -> None:
    rect = place_content(size, page, placing, "middle", True).rect  # type: ignore[arg-type]
    assert rect.width / rect.height == pytest.approx(size[0] / size[1])
    if placing == "fit":
        assert rect.left >= -1e-9
        assert rect.bottom <= page[1] + 1e-9
    else:
        assert rect.width >= page[0] - 1e-9
        assert rect.height >= page[1] - 1e-9


def test_rulings_keep_to_their_area_and_pitch() -> None:
    area = Rect(15, 20, 100, 92)
    lines = ruling("ruled", area, 8)
    assert [line.y1 for line in lines] == [28 + 8 * number for number in range(11)]
    assert all((line.x1, line.x2) == (15, 115) for line in lines)
    dots = ruling("dots", area, 5)
    assert len(dots) == 21 * 19
    assert min(dot.y1 for dot in dots) == 21
    squares = ruling("squares", area, 5)
    assert len(squares) == 21 + 19
    staves = ruling("staves", area, 2)
    # five lines 8 mm high, every 16 mm: 92 takes six and a bit
    assert len(staves) == 5 * 6
    assert staves[5].y1 - staves[4].y1 == 8
    assert ruling("plain", area, 5) == ruling("ruled", Rect(0, 0, -3, 10), 5) == []


@given(st.floats(30, 300), st.floats(2, 20), st.floats(5, 12))
def test_front_and_back_of_a_squared_leaf_meet(width: float, margin: float, pitch: float) -> None:
    front = ruling("squares", Rect(margin, 10, width - margin - 7, 100), pitch)
    back = ruling("squares", Rect(7, 10, width - margin - 7, 100), pitch)
    through = sorted(width - line.x1 for line in back if line.x1 == line.x2)
    assert through == pytest.approx(sorted(line.x1 for line in front if line.x1 == line.x2))
