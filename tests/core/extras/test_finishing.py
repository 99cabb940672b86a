"""Letters and tools set by hand, and the template measured."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from tests.core.extras.made_up import EXTRAS, merged
from tests.core.test_drawings import areas, drawing, size
from weald.core.drawing import Label, Line
from weald.core.extras.finishing.setting import fitted_gap, most_repeats, set_tools, set_words, stacked
from weald.core.job.extras.lettering import FinishingTool, FinishingType
from weald.core.job.patching import patched
from weald.core.job.spec import read_spec
from weald.core.planning.plan import Plan, plan

TYPE = FinishingType(capital=4, usual=3.2, narrow=1.6, wide=4.4, gap=0.5, space=2.4)


def test_words_are_set_letter_by_letter() -> None:
    # M 4.4 + ½ + I 1.6 + ½ + L 3.2, a space of 2.4, O 3.2 + ½ + F 3.2
    line = set_words("MIL OF", TYPE)
    assert line.length == pytest.approx(4.4 + 0.5 + 1.6 + 0.5 + 3.2 + 2.4 + 3.2 + 0.5 + 3.2)
    assert [each.sign for each in line.impressions] == list("MILOF")
    assert line.impressions[3].left == pytest.approx(12.6)


def test_tools_are_whole_and_a_wider_spine_takes_more_at_the_same_gap() -> None:
    # 6 wide, 1.5 apart: 22 takes three (21), 30 takes four (28.5)
    tool = FinishingTool(width=6, height=6)
    assert [most_repeats(6, 1.5, room) for room in (5.9, 6, 22, 29, 30)] == [0, 1, 3, 4, 4]
    narrow, wide = set_tools(tool, 3, 1.5), set_tools(tool, 4, 1.5)
    assert (narrow.length, wide.length) == (21, 28.5)
    assert wide.impressions[1].left - wide.impressions[0].left == 7.5


@given(st.floats(1, 20), st.floats(0, 5), st.floats(20, 300))
def test_a_frame_is_filled_from_corner_to_corner(width: float, least: float, side: float) -> None:
    count, gap = fitted_gap(width, least, side)
    assert count >= 1
    if count > 1:
        assert gap >= least - 1e-6
        assert count * width + (count - 1) * gap == pytest.approx(side)


@given(st.lists(st.floats(1, 9), min_size=1, max_size=5), st.floats(0, 4), st.floats(60, 100))
def test_lines_stand_in_the_middle_of_their_panel(heights: list[float], leading: float, room: float) -> None:
    tops = list(stacked(heights, leading, room))
    assert tops[0] == pytest.approx(room - (tops[-1] + heights[-1]))


def lettered(**more: Any) -> dict[str, Any]:
    return merged(job_in("laced_boards"), merged(EXTRAS["finishing"], more))


def test_the_template_is_at_true_size_and_centred() -> None:
    made = planned(lettered())
    assert not {"finishing.long", "finishing.high", "finishing.not_owned"} & codes(made)
    width, height = value(made, "finish.width"), value(made, "board.height")
    strip = drawing(made, "finish.finishing")
    paper = areas(strip, "paper")[0]
    assert size(paper.points) == pytest.approx((width + 30, height))
    letters = [each for each in strip.elements if isinstance(each, Label) and len(each.text) == 1]
    title = [each for each in letters if each.about.endswith("lines.0.by")]
    assert "".join(each.text for each in title) == "Tidetables"
    first, last = title[0], title[-1]
    middle = (first.x - first.width / 2 + last.x + last.width / 2) / 2
    assert middle == pytest.approx(width / 2)


def test_bands_stand_where_they_were_measured_and_labels_are_smaller_than_their_panel() -> None:
    made = planned(
        lettered(extras={"bands": {"bands": [{"place": 30, "width": 4}, {"place": 80, "width": 4}]}})
    )
    label = next(each for each in made.pieces if each.id == "panel_label_1")
    # from 32 to 78 between the two bands, and 1½ less
    assert label.height == pytest.approx(46 - 1.5)
    assert label.width == pytest.approx(value(made, "finish.width") - 1.5)
    assert "finishing.no_panel" in codes(made)


def test_a_frame_stands_off_the_joint_as_decided() -> None:
    made = planned(lettered(extras={"finishing": {"frames": [{"edges": 10, "joint": 14, "by": "fillet"}]}}))
    front, back = drawing(made, "finish.finishing_front"), drawing(made, "finish.finishing_back")
    width = value(made, "board.width")
    for picture, left in ((front, 14), (back, 10)):
        frame = next(e for e in picture.elements if isinstance(e, Line) and e.about.endswith("frames"))
        xs = [x for x, _ in frame.points]
        assert min(xs) == pytest.approx(left)
        assert max(xs) == pytest.approx(width - 24 + left)


def test_what_cannot_be_set_is_said_by_its_panel() -> None:
    one: dict[str, Any] = {"types": [{"capital": 9, "usual": 9}], "tools": []}
    said = codes(planned(lettered(extras={"finishing": {**one, "lines": [{"panel": 2}, {"panel": 9}]}})))
    assert {"finishing.long", "finishing.no_panel"} <= said
    said = codes(planned(lettered(extras={"finishing": {**one, "lines": [{"what": "tool", "by": "rose"}]}})))
    assert "finishing.not_owned" in said
    tall = {"types": [{"capital": 30, "usual": 1}], "lines": [{"text": "A"}, {"text": "B"}]}
    assert "finishing.high" in codes(planned(lettered(extras={"finishing": tall})))
    crossed = {"bands": [{"place": 50, "width": 20}, {"place": 55, "width": 20}]}
    assert "bands.crossed" in codes(planned(lettered(extras={"bands": crossed})))
    close = {"bands": [{"place": 50}, {"place": 60}]}
    assert "bands.narrow" in codes(planned(lettered(extras={"bands": close})))


def test_a_title_too_long_for_the_spine_is_left_to_the_template() -> None:
    spec = read_spec(
        lettered(finish={"title": "A title as long as a whole shelf of books is wide, and more"})
    )
    found = next(each for each in plan(spec).findings if each.code == "finish.small")
    left = patched(spec, found.actions[0].patch)
    assert "finish.small" not in codes(plan(left))
    assert drawing(plan(left), "finish.finishing")


LETTER: dict[str, Any] = {"what": "words", "text": "A"}


def of_line(made: Plan, number: int) -> list[Label]:
    strip = drawing(made, "finish.finishing")
    return [
        each
        for each in strip.elements
        if isinstance(each, Label) and each.about == f"extras.finishing.lines.{number}.by"
    ]


CASED: dict[str, Any] = {
    "types": [{"capital": 3, "usual": 2, "narrow": 1, "wide": 3, "gap": 0.5, "space": 1}]
}


def test_a_line_stands_where_it_was_measured_and_a_label_likewise_bands_or_none() -> None:
    lines = [{"what": "words", "text": "ABC", "place": 40}, {"what": "words", "text": "D", "place": 180}]
    labels = [{"width": 15, "height": 30, "place": 40, "material": "paper"}]
    job = merged(job_in("flat_case"), {"extras": {"finishing": {**CASED, "lines": lines, "labels": labels}}})
    made = planned(job)
    assert not {code for code in codes(made) if code.startswith("finishing")}
    letters = of_line(made, 0)
    # 2 + ½ + 2 + ½ + 2 = 7 long, in the middle of the spine
    middle = value(made, "finish.width") / 2
    assert [each.x for each in letters] == pytest.approx([middle - 2.5, middle, middle + 2.5])
    assert [each.y for each in letters] == pytest.approx([40] * 3)
    assert of_line(made, 1)[0].y == pytest.approx(180)
    label = next(each for each in made.pieces if each.id == "panel_label_1")
    assert (label.width, label.height) == (15, 30)
    strip = drawing(made, "finish.finishing")
    drawn = areas(strip, "side_paper")[0].points
    assert [y for _, y in drawn] == pytest.approx([25, 25, 55, 55])


@pytest.mark.parametrize(("runs", "turn", "begins"), [("down", 90, [80, 83.5]), ("up", -90, [84.5, 81])])
def test_a_line_runs_along_the_spine(runs: str, turn: float, begins: list[float]) -> None:
    lines = [{"what": "words", "text": "MI", "place": 82.25, "runs": runs}]
    made = planned(merged(job_in("flat_case"), {"extras": {"finishing": {**CASED, "lines": lines}}}))
    # M 3 + ½ + I 1 = 4.5 long: from 80 to 84.5, read from the head, or from the tail
    letters = of_line(made, 0)
    assert [each.rotation for each in letters] == [turn, turn]
    ahead = -1 if runs == "down" else 1
    assert [each.y + ahead * each.width / 2 for each in letters] == pytest.approx(begins)


def test_a_line_too_long_for_a_thin_spine_is_run_along_it_at_a_touch() -> None:
    title = {"what": "words", "text": "A long title of a thin book", "panel": 1}
    lines = [title, {"what": "words", "text": "B", "place": 9}]
    job = merged(
        job_in("flat_case"), {"text": {"pages": 64}, "extras": {"finishing": {**CASED, "lines": lines}}}
    )
    found = next(each for each in planned(job).findings if each.code == "finishing.long")
    (patch,) = (action.patch for action in found.actions)
    turned = patch["extras.finishing.lines"]
    after = planned(merged(job, {"extras": {"finishing": {"lines": turned}}}))
    assert "finishing.long" not in codes(after)
    assert "finishing.broad" not in codes(after)
    letters = of_line(after, 0)
    assert letters[0].y < letters[-1].y


@pytest.mark.parametrize(
    ("entries", "code", "said"),
    [
        ({"lines": [{**LETTER, "place": 30}]}, "finishing.meets", "Line 1 meets band 1"),
        ({"lines": [{**LETTER, "place": 1}]}, "finishing.meets", "Line 1 meets the edge of the boards"),
        (
            {"lines": [{**LETTER, "place": 60}, {**LETTER, "place": 62}]},
            "finishing.meets",
            "Line 1 meets line 2",
        ),
        ({"labels": [{"height": 20, "place": 38}]}, "finishing.meets", "Label 1 meets band 1"),
        ({"labels": [{"panel": 9}]}, "finishing.no_panel", "panel 9"),
        ({"labels": [{"less": 20}]}, "finishing.no_label", "Nothing is left of label 1"),
        ({"labels": [{"width": 90}]}, "finishing.label_wide", "Label 1 is 90"),
        ({"front": [{"width": 900}]}, "finishing.off_board", "Label 1 does not go on the front board"),
        ({"frames": [{"by": "rose"}]}, "finishing.not_owned", "no tool called “rose”"),
        ({"frames": [{"edges": 150}]}, "finishing.off_board", "Frame 1 does not go on the back board"),
    ],
)
def test_what_meets_or_is_beyond_is_named(entries: dict[str, Any], code: str, said: str) -> None:
    bands = {"bands": [{"place": place, "width": 4} for place in (30, 50, 80)]}
    none: dict[str, Any] = {"lines": [], "labels": [], "front": [], "frames": [], **CASED}
    made = planned(lettered(extras={"bands": bands, "finishing": {**none, **entries}}))
    assert any(said in each.message for each in made.findings if each.code == code)
