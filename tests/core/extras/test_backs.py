"""Bands where they were measured, and the sheet for rounding and backing; by hand."""

import math
from typing import Any

import pytest

from tests.conftest import codes, job_in, planned, value
from tests.core.extras.made_up import EXTRAS, merged
from tests.core.test_drawings import areas, drawing
from weald.core.drawing import Line
from weald.core.job.spec import read_spec


def banded(**more: Any) -> dict[str, Any]:
    return merged(job_in("laced_boards"), merged(EXTRAS["bands"], more))


def test_bands_are_where_they_were_measured_everywhere() -> None:
    made = planned(banded())
    assert read_spec(banded()).binding.bands.count == 3
    on_the_spine = areas(drawing(made, "finish.spine"), "mark")
    middles = [(each.points[0][1] + each.points[2][1]) / 2 for each in on_the_spine]
    assert middles == pytest.approx([40, 86, 150])
    flat = drawing(made, "case.flat")
    turn = (value(made, "cover.height") - value(made, "board.height")) / 2
    edges = sorted(
        {
            round(e.points[0][1] - turn, 3)
            for e in flat.elements
            if isinstance(e, Line) and e.about == "panel.each"
        }
    )
    assert edges == [38, 42, 83.5, 88.5, 148, 152]
    # leather over a half-round band: (π/2 − 1) of 4, 5 and 4
    assert value(made, "bands.take_up") == pytest.approx(13 * (math.pi / 2 - 1))


def test_raised_cords_lie_under_the_bands_and_bands_over_cords() -> None:
    job = banded(sewing={"method": "raised_cords", "supports": 3, "support_width": 3, "packed": True})
    strip = drawing(planned(job), "sewing.strip")
    head = job["binding"].get("squares", {}).get("head", 3)
    crosses = {
        round(e.points[0][1], 2)
        for e in strip.elements
        if isinstance(e, Line) and e.layer == "cut" and e.points[0][1] == e.points[1][1]
    }
    assert {40 - head, 86 - head, 150 - head} <= crosses
    cords = merged(
        job_in("laced_boards"),
        {
            "sewing": {"method": "raised_cords", "support_width": 3},
            "binding": {"bands": {"count": 2}},
            "extras": {"places": {"supports": [{"place": 60}, {"place": 140}]}},
        },
    )
    marks = areas(drawing(planned(cords), "finish.spine"), "mark")
    assert [(each.points[0][1] + each.points[2][1]) / 2 for each in marks] == pytest.approx(
        [60 + head, 140 + head]
    )


def backed(**more: Any) -> dict[str, Any]:
    return merged(job_in("laced_boards"), merged(EXTRAS["backing"], more))


def test_the_backing_sheet_by_hand() -> None:
    made = planned(backed(back={"round": 0.2, "round_rule": "given"}))
    thickness, swell = value(made, "block.thickness"), value(made, "spine.swell")
    x = math.pi * 0.2
    assert value(made, "backing.taken_up") == pytest.approx(thickness * (x / math.sin(x) - 1))
    assert value(made, "backing.packing") == pytest.approx(swell / 2)
    # held by its thickness: the spine less both packings
    assert value(made, "spine.thickness") - 2 * value(made, "backing.packing") == pytest.approx(thickness)
    rise = value(made, "spine.rise")
    assert value(made, "backing.rise_most") == pytest.approx(rise + max(0.3, 0.1 * rise))
    looks = [look.text for each in made.operations for look in each.looks]
    assert any("packing on each side" in each for each in looks)


def test_hammers_are_held_against_the_clear_spaces() -> None:
    said = codes(planned(backed()))
    assert "backing.hammer" in said or "backing.no_hammer" in said
    wide = backed(extras={"backing": {"hammers": [{"name": "maul", "face": 90}]}})
    assert "backing.no_hammer" in codes(planned(wide))
    narrow = backed(extras={"backing": {"hammers": [{"name": "rivet", "face": 12}]}})
    assert "backing.hammer" in codes(planned(narrow))
    thin = backed(sewing={"thread": 0.05}, back={"round": 0.33, "round_rule": "given"})
    assert "backing.nothing_left" in codes(planned(thin))


def test_a_concertina_by_hand() -> None:
    # 96 pages in sections of 16: six, two more sewn none; folds of 12 and ends of 15: 2 × 12 × 6 + 30
    made = planned(EXTRAS["concertina"])
    sections = round(value(made, "sections.count"))
    strip = next(each for each in made.pieces if each.id == "concertina")
    assert strip.width == pytest.approx(24 * sections + 30)
    plain = planned({"text": {"pages": 96}})
    assert value(made, "spine.swell") - value(plain, "spine.swell") == pytest.approx(2 * 0.12 * sections)
    folds = [each for each in drawing(made, "block.concertina").elements if isinstance(each, Line)]
    assert len(folds) == 2 * sections + 1


def test_mended_folds_add_two_plies_each_at_the_spine() -> None:
    # ten folds, 0.04 twice round each: 0.8 more at the spine
    made, plain = planned(EXTRAS["pulled"]), planned({"text": {"pages": 96}})
    assert value(made, "spine.swell") - value(plain, "spine.swell") == pytest.approx(0.8)
    assert value(made, "block.thickness") == value(plain, "block.thickness")
    guards = next(each for each in made.pieces if each.id == "mending_guard")
    assert (guards.count, guards.width) == (10, 12)
    done = [each.id for each in made.operations]
    assert done.index("pull_down") < done.index("mend_folds") < done.index("sew")


def test_a_slipcase_is_deep_enough_for_bands() -> None:
    def deep(**bands: Any) -> float:
        more = {"extras": {"slipcase": {}, "bands": {"bands": [{"place": 60}, {"place": 140}], **bands}}}
        return value(planned(merged(job_in("laced_boards"), more)), "closed_book.width")

    assert deep(high=3) - deep(high=0) == pytest.approx(3)


THICK_THREAD: dict[str, Any] = {
    "text": {"pages": 400},
    "folding": {"sheets_per_section": 8},
    "sewing": {"thread": 0.9},
}


@pytest.mark.parametrize(
    "extras",
    [{"stitching": {"on": 2, "plain_ends": 2}}, {"pulled": {"mended": 10, "thickness": 0.05}}],
)
def test_the_thread_offered_leaves_a_flat_back_no_more_than_it_takes(extras: dict[str, Any]) -> None:
    job = THICK_THREAD | {"extras": extras}
    much = next(each for each in planned(job).findings if each.code == "swell.much")
    thread = much.actions[0].patch["sewing.thread"]
    cured = planned(job | {"sewing": {"thread": thread}})
    assert "swell.much" not in codes(cured)
    # no thinner than it has to be: that is a tenth of the thickness, but for the rounding of the thread
    assert value(cured, "spine.swell_ratio") == pytest.approx(10, abs=0.5)


def test_no_thread_is_offered_where_guards_alone_are_more_than_the_back_takes() -> None:
    made = planned(THICK_THREAD | {"extras": {"concertina": {"thickness": 0.4}}})
    assert "swell.besides" in codes(made)
    assert "swell.much" not in codes(made)
    assert value(made, "thread.suits") == 0
