"""Lettering, labels and ribbons: would it fit the spine, and does the drawing say so."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, quantity, value
from weald.core.block.bands import bands_here, panel_height, panels_here
from weald.core.drawing import Area, Drawing, Label
from weald.core.job.binding import Bands, Binding
from weald.core.job.spec import JobSpec
from weald.core.planning.plan import Plan


def flat(thickness: float = 26, **finish: Any) -> dict[str, Any]:
    return {
        "title": "Tide tables",
        "binding": {"spine_rule": "block"},
        "finish": finish,
        "measured": {"block.thickness": thickness},
    }


def banded(bands: Bands) -> JobSpec:
    return JobSpec(binding=Binding(bands=bands))


def drawn(made: Plan, drawing_id: str) -> Drawing:
    return next(each for each in made.drawings if each.id == drawing_id)


def words(picture: Drawing) -> list[Label]:
    return [each for each in picture.elements if isinstance(each, Label)]


def test_capitals_along_the_spine_by_hand() -> None:
    made = planned(flat())
    # 11 letters in 216 − 16 leave 19.1, 26 − 3 across 15.3 a line; 9 is the largest: two thirds
    assert value(made, "title.capital") == pytest.approx(6)
    assert value(made, "title.length") == pytest.approx(11 * 0.95 * 6)
    narrow = planned(flat(thickness=9))
    # (9 − 3) / 1.5 = 4
    assert value(narrow, "title.capital") == pytest.approx(4 * 2 / 3)
    schools = quantity(narrow, "title.capital").schools
    assert [school.value for school in schools] == pytest.approx([4, 8 / 3])


def test_capitals_across_the_spine_by_hand() -> None:
    made = planned(flat(direction="across"))
    # “Tide” and “tables” on two lines: six letters in 26 − 3
    assert value(made, "title.capital") == pytest.approx(23 / (0.95 * 6) * 2 / 3)
    lines = [each.text for each in words(drawn(made, "finish.spine"))]
    assert lines == ["Tide", "tables"]


@pytest.mark.parametrize(("direction", "turn"), [("down", 90), ("up", -90), ("across", 0)])
def test_the_direction_is_that_of_the_school(direction: str, turn: float) -> None:
    spine = drawn(planned(flat(direction=direction)), "finish.spine")
    assert {each.rotation for each in words(spine)} == {turn}


def test_author_and_own_title_are_lettered() -> None:
    spine = drawn(planned(flat(title="Tides", author="M. Haven")), "finish.spine")
    assert [each.text for each in words(spine)] == ["M. Haven · Tides"]


def test_a_label_stands_round_its_lines_in_the_middle_of_the_spine() -> None:
    made = planned(flat(placed="label"))
    capital, length = value(made, "title.capital"), value(made, "title.length")
    assert value(made, "label.height") == pytest.approx(length + 6)
    assert value(made, "label.width") == pytest.approx(1.5 * capital + 6)
    label = next(each for each in made.pieces if each.id == "label")
    assert (label.width, label.height) == (value(made, "label.width"), value(made, "label.height"))
    picture = drawn(made, "finish.spine")
    area = next(each for each in picture.elements if isinstance(each, Area) and each.material == "side_paper")
    xs = [x for x, _ in area.points]
    assert (min(xs) + max(xs)) / 2 == pytest.approx(13)


def test_the_proof_shows_three_sizes_each_on_a_strip_of_the_spines_width() -> None:
    made = planned(flat())
    proof = drawn(made, "finish.proof")
    strips = [each for each in proof.elements if isinstance(each, Area)]
    assert [each.points[1][0] - each.points[0][0] for each in strips] == pytest.approx([26] * 3)
    titles = [each for each in words(proof) if each.text == "Tide tables"]
    assert [each.height for each in titles] == pytest.approx([4.8, 6, 7.5])
    for strip, title in zip(strips, titles, strict=True):
        assert title.x == pytest.approx(strip.points[0][0] + 13)


@pytest.mark.parametrize(
    ("job", "code"),
    [
        (flat(thickness=5), "finish.narrow"),
        (flat(capital=20), "finish.large"),
        (flat(thickness=8, direction="across", title="Incomprehensibilities"), "finish.small"),
        ({"binding": {"structure": "link_stitch"}, "finish": {"title": "Log"}}, "finish.no_spine"),
    ],
)
def test_what_does_not_fit_the_spine_is_named(job: dict[str, Any], code: str) -> None:
    made = planned(job)
    found = next(each for each in made.findings if each.code == code)
    assert found.remedy
    for action in found.actions:
        finish = {path.removeprefix("finish."): entry for path, entry in action.patch.items()}
        cured = job | {"finish": job["finish"] | finish}
        assert code not in codes(planned(cured))


@given(st.floats(8, 80), st.text("abcdefgh ", min_size=1, max_size=40).filter(str.strip), st.floats(120, 400))
def test_as_large_as_fits_always_fits(thickness: float, title: str, height: float) -> None:
    job = flat(thickness, title=title.strip()) | {
        "leaf": {"width": 100, "height": height},
        "paper": {"sheet": {"width": 1000, "height": 1000}},
    }
    made = planned(job)
    assert "finish.large" not in codes(made)
    assert value(made, "title.length") <= value(made, "board.height") - 16 + 1e-6
    assert 1.5 * value(made, "title.capital") <= value(made, "finish.width") - 3 + 1e-6


def test_a_ribbon_reaches_beyond_the_corner() -> None:
    made = planned(flat(ribbons=1))
    assert value(made, "ribbon.length") == pytest.approx((140**2 + 210**2) ** 0.5 + 50)


@given(st.integers(0, 8), st.floats(1, 6), st.floats(0, 8), st.floats(120, 400))
def test_panels_and_bands_fill_the_spine_exactly(
    count: int, width: float, more: float, height: float
) -> None:
    bands = Bands(count=count, width=width, tail_more=more)
    spaces = panels_here(banded(bands), height)
    assert len(spaces) == count + 1
    assert sum(space.height for space in spaces) + count * width == pytest.approx(height)
    for space in spaces[:-1]:
        assert space.height == pytest.approx(panel_height(bands, height))
    if count:
        assert spaces[-1].height - spaces[0].height == pytest.approx(more)
    for place, space in zip((each.place for each in bands_here(banded(bands), height)), spaces, strict=False):
        assert place == pytest.approx(space.top + space.height + width / 2)


def test_title_and_volume_stand_in_the_second_and_fourth_panels() -> None:
    job = job_in("laced_boards")
    job["binding"]["bands"] = {"count": 5, "width": 4, "tail_more": 4}
    job["finish"] = {"title": "Log", "volume": "II", "direction": "across"}
    made = planned(job)
    spaces = panels_here(banded(Bands(count=5, width=4, tail_more=4)), 216)
    title, volume = words(drawn(made, "finish.spine"))
    assert (title.text, volume.text) == ("Log", "II")
    assert title.y == pytest.approx(spaces[1].top + spaces[1].height / 2)
    assert volume.y == pytest.approx(spaces[3].top + spaces[3].height / 2)


@pytest.mark.parametrize("direction", ["down", "up", "across"])
@pytest.mark.parametrize("capital", [None, 2.0, 4.0, 40.0])
def test_the_title_is_as_long_in_reckoning_drawing_and_proof_and_never_beyond_the_spine(
    direction: str, capital: float | None
) -> None:
    finish = {"direction": direction, "capital": capital, "volume": "XXVIII"}
    made = planned({"title": "Tides", "text": {"pages": 400}, "finish": finish})
    drawings = {each.id: each for each in made.drawings}
    spine = drawings["finish.spine"]
    labels = [each for each in spine.elements if isinstance(each, Label)]
    title = next(each for each in labels if each.text == "Tides")
    length, chosen = value(made, "title.length"), value(made, "title.capital")
    assert title.width == pytest.approx(length * title.height / chosen)
    if "finish.large" not in codes(made):
        assert (title.width, title.height) == pytest.approx((length, chosen))
        proof = [each for each in drawings["finish.proof"].elements if isinstance(each, Label)]
        assert any(each.text == "Tides" and each.width == pytest.approx(length) for each in proof)
    assert ("finish.large" in codes(made)) == (capital == 40.0)
    left, top, right, bottom = spine.extent
    for each in labels:
        along, across = each.width / 2, each.height / 2
        wide, tall = (across, along) if each.rotation else (along, across)
        assert left <= each.x - wide <= each.x + wide <= right, each
        assert top <= each.y - tall <= each.y + tall <= bottom, each


@pytest.mark.parametrize("bands", [0, 1, 2, 3, 5])
@pytest.mark.parametrize("direction", ["down", "across"])
def test_a_volumes_number_stands_clear_of_the_title(bands: int, direction: str) -> None:
    job = job_in("laced_boards")
    job["binding"]["bands"] = {"count": bands}
    job["finish"] = {"volume": "IV", "direction": direction}
    made = planned(job | {"title": "Lighthouse log of the northern shore"})
    spine = next(each for each in made.drawings if each.id == "finish.spine")
    labels = [each for each in spine.elements if isinstance(each, Label)]
    number = next(each for each in labels if each.text == "IV")
    for each in labels:
        if each is not number:
            half = (each.width if each.rotation else each.height) / 2 + number.height / 2
            assert abs(each.y - number.y) >= half, each
