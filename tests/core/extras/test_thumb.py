"""Thumb cuts: placed in columns, each down to a right-hand page, none running into the next."""

import math
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from tests.core.test_drawings import drawing, points_of
from weald.core.drawing import Arc, Area


def cut(pages: str, **more: Any) -> dict[str, Any]:
    """A text of 200 pages of 210 high with thumb cuts."""
    return {
        "text": {"pages": more.pop("of", 200)},
        "leaf": {"width": more.pop("width", 140), "height": more.pop("height", 210)},
        "extras": {"thumb": {"pages": pages, **more}},
    }


def test_cuts_are_shared_out_over_the_height() -> None:
    made = planned(cut("1, 41, 81, 121, 161", column=3))
    # (210 − 2 × 10) / 3; the first in the middle of its share
    assert value(made, "thumb.pitch") == pytest.approx(190 / 3)
    assert value(made, "thumb.first") == pytest.approx(10 + 95 / 3)
    words = drawing(made, "block.thumb").text
    assert "page 41: 105 mm from the head, 20 leaves down" in words
    assert "page 121: 41.5 mm from the head, 60 leaves down" in words
    assert any("Type and pictures keep 11 mm" in look.text for look in made.looks)
    assert "thumb_cuts" in {each.id for each in made.operations}


def test_only_pages_there_are_have_a_cut_to_be_made() -> None:
    def minutes(pages: str) -> float:
        made = planned(cut(pages, column=3))
        return next(each.minutes for each in made.operations if each.id == "thumb_cuts")

    assert minutes("1, 41, 81") < minutes("1, 41, 81, 121")
    assert minutes("1, 41, 81, 121, 401") == minutes("1, 41, 81, 121")


@given(
    wide=st.floats(4, 60),
    deep=st.floats(1, 40),
    count=st.integers(1, 40),
    height=st.floats(60, 420),
)
def test_template_cuts_stay_apart_and_are_as_deep_and_wide_as_asked(
    wide: float, deep: float, count: int, height: float
) -> None:
    pages = ", ".join(str(2 * number + 1) for number in range(count))
    made = planned(cut(pages, height=round(height, 1), wide=wide, deep=deep))
    if "thumb.wide" in codes(made):
        assert wide > value(made, "block.height") - 20 - 1e-6
        return
    template = drawing(made, "block.thumb")
    arcs = sorted((each for each in template.elements if isinstance(each, Arc)), key=lambda arc: arc.y)
    edge = max(x for element in template.elements[:1] for x, _ in points_of(element))
    for arc in arcs:
        assert arc.x - arc.radius == pytest.approx(edge - deep)
        ends = [arc.y + arc.radius * math.sin(math.radians(angle)) for angle in (arc.start, arc.end)]
        assert abs(ends[0] - ends[1]) == pytest.approx(wide)
    if deep <= wide / 2:
        # part of a circle ends on the leaf's own edge
        assert all(
            arc.x + arc.radius * math.cos(math.radians(arc.start)) == pytest.approx(edge) for arc in arcs
        )
    assert all(two.y - one.y >= wide - 1e-6 for one, two in pairwise(arcs))


def test_a_cut_goes_through_the_leaves_before_its_page() -> None:
    made = planned(cut("1, 101"))
    steps = [each for each in drawing(made, "block.thumb").elements if isinstance(each, Area)]
    (through,) = (each for each in steps if each.material == "white")
    left, right = (pick(x for x, _ in through.points) for pick in (min, max))
    # fifty of a hundred leaves; down to page 1 there is nothing to cut but the endpapers
    assert right - left == pytest.approx(value(made, "text.thickness") * 50 / value(made, "text.leaves"))


def test_parts_on_the_left_begin_on_the_right_or_are_cut_to_the_page_before() -> None:
    job = cut("1, 40")
    (left,) = (each for each in planned(job).findings if each.code == "thumb.left")
    (begun, before) = (action.patch for action in left.actions)
    assert before == {"extras.thumb.pages": "1, 39"}
    arranged = begun["extras.arranged"]
    assert "thumb.left" not in codes(planned(job | {"extras": {**job["extras"], "arranged": arranged}}))
    assert "thumb.left" not in codes(planned(cut("1, 39")))


def test_what_does_not_go_is_said() -> None:
    assert "thumb.none" in codes(planned(cut("")))
    assert "thumb.crowded" in codes(planned(cut("1, 41, 81", column=30)))
    assert "thumb.crowded" not in codes(planned(cut("1, 41, 81", column=11)))
    # more than 0.15 of 140
    assert "thumb.deep" in codes(planned(cut("1", deep=21.1)))
    assert "thumb.deep" not in codes(planned(cut("1", deep=21)))
    assert {"thumb.none", "pages.beyond"} <= codes(planned(cut("301")))
    assert "thumb.wide" in codes(planned(cut("1", ends=100)))
    assert "thumb" not in planned(job_in("saddle_stitch")).extras.offered
