"""A part of a drawing enlarged: nothing but what lies in its window, in its place, so many times as large."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import job_in, planned, value
from weald.core.drawing import Area, Label, Line, Sketch, box
from weald.core.drawing_detail import draw_detail

POINT = st.tuples(st.floats(-50, 150), st.floats(-50, 150))


@given(st.lists(POINT, min_size=3, max_size=8), st.integers(2, 6))
def test_nothing_is_shown_beyond_the_frame(points: list[tuple[float, float]], times: int) -> None:
    sketch = Sketch()
    sketch.area(points, "board", "cut", "board.width")
    sketch.line(points, "fold")
    before = len(sketch.elements)
    draw_detail(sketch, (0, 0, 100, 100), times, 1000, 2000)
    for each in sketch.elements[before:]:
        assert not each.about
        if isinstance(each, Area | Line) and each.layer != "dimension":
            assert all(
                1000 - 1e-6 <= x <= 1000 + 100 * times + 1e-6
                and 2000 - 1e-6 <= y <= 2000 + 100 * times + 1e-6
                for x, y in each.points
            )


def test_what_lies_in_the_window_is_shown_in_its_place_and_so_much_larger() -> None:
    sketch = Sketch()
    sketch.area(box(20, 30, 10, 5), "board", "cut")
    sketch.line([(-10, 50), (200, 50)], "fold")
    draw_detail(sketch, (0, 0, 100, 100), 3, 500, 0)
    shapes = [each for each in sketch.elements if isinstance(each, Area) and each.material == "board"]
    assert set(shapes[1].points) == set(box(560, 90, 30, 15))
    fold = [each for each in sketch.elements if isinstance(each, Line) and each.layer == "fold"][1]
    assert sorted(fold.points) == [(500, 150), (800, 150)]


@pytest.mark.parametrize("name", ["flat_case", "rounded_case"])
def test_the_squares_of_a_closed_case_are_shown_enlarged(name: str) -> None:
    made = planned(job_in(name))
    drawing = next(each for each in made.drawings if each.id == "case.closed")
    said = next(each.text for each in drawing.elements if isinstance(each, Label) and "as large" in each.text)
    times = int(said.split()[0])
    frame = next(each for each in drawing.elements if isinstance(each, Area) and each.material == "white")
    (left, top), (right, bottom) = frame.points[0], frame.points[2]
    inside = [
        each
        for each in drawing.elements
        if isinstance(each, Line) and all(left <= x <= right and top <= y <= bottom for x, y in each.points)
    ]
    leaf = max(max(x for x, _ in each.points) for each in inside if each.layer == "hidden")
    edge = max(x for each in inside if each.layer == "outline" for x, _ in each.points if x < right - 1e-6)
    assert edge - leaf == pytest.approx(times * value(made, "closed.fore_edge"))
    # it stands on the board, clear of its edges
    board = next(each for each in drawing.elements if isinstance(each, Area) and each.material == "board")
    xs, ys = zip(*board.points, strict=True)
    assert min(xs) < left
    assert right < max(xs)
    assert bottom + 5 < max(ys)
    assert math.isclose(right - left, bottom - top)


def test_a_book_too_small_for_it_has_none() -> None:
    made = planned({"leaf": {"width": 30, "height": 40}, "text": {"pages": 64}})
    drawing = next(each for each in made.drawings if each.id == "case.closed")
    assert not any(isinstance(each, Label) and "as large" in each.text for each in drawing.elements)
