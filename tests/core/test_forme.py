from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, planned, value
from weald.core.drawing import Area, Element, Label, Line, moved
from weald.core.findings import Action
from weald.core.folding.packet import fold_packet
from weald.core.folding.programme import NAMED_PROGRAMMES, parse_programme
from weald.core.folding.steps import fold_steps
from weald.core.forme.layout import backs_half_turned, lay_out, natural_flip, pile_turned
from weald.core.forme.marks import edges_of, outside, signature_letters
from weald.core.forme.page import Rect
from weald.core.job.patching import patched
from weald.core.job.spec import read_spec
from weald.core.planning.plan import plan
from weald.core.press.press import Press, SideMarks, press

SEWN = [name for name, text in NAMED_PROGRAMMES.items() if parse_programme(text).kind == "section"]


def job(**parts: Any) -> Press:
    return press(read_spec({"leaf": {"width": 60, "height": 90}, "text": {"pages": 64}} | parts))


def test_a_folio_lies_in_the_middle_of_its_sheet() -> None:
    layout = lay_out(fold_packet("folio"), (64, 96), (3, 3, 4), sheet=(160, 120))
    assert layout.block == Rect(16, 12, 128, 96)
    assert layout.fits
    assert not lay_out(fold_packet("folio"), (64, 96), (3, 3, 4), sheet=(120, 120)).fits


@pytest.mark.parametrize("name", SEWN)
def test_pages_are_trimmed_at_head_tail_and_fore_edge_and_touch_at_the_spine(name: str) -> None:
    made = job(folding={"programme": name, "sheets_per_section": 1})
    for face in ("front", "back"):
        pages = made.pages(made.sheets[0], face)
        for page in pages:
            across = (page.box.width, page.box.height)
            assert across == pytest.approx((60, 90) if page.up[1] else (90, 60))
            assert page.box.left >= page.cell.left - 1e-9
            assert page.box.bottom <= page.cell.bottom + 1e-9
        # the leaf's width lost is the fore-edge trim, and the spine edge is the cell's own
        edges = [_spine_gap(page) for page in pages]
        assert edges == pytest.approx([0] * len(edges))


def _spine_gap(page: Any) -> float:
    """Between the spine edge of the trimmed page and that of its cell."""
    right, up = page.up
    # the page's own right, on a sheet with y down
    x, y = (up, right) if page.spine == "right" else (-up, -right)
    gaps = {
        (1, 0): page.cell.right - page.box.right,
        (-1, 0): page.box.left - page.cell.left,
        (0, 1): page.cell.bottom - page.box.bottom,
        (0, -1): page.box.top - page.cell.top,
    }
    return float(gaps[x, y])


@pytest.mark.parametrize("name", NAMED_PROGRAMMES)
@pytest.mark.parametrize("work", ["sheetwise", "turn", "tumble"])
def test_no_mark_but_the_collation_mark_falls_on_a_trimmed_page(name: str, work: str) -> None:
    made = job(
        folding={"programme": name, "sheets_per_section": 2},
        printing={"work": work, "bleed": 1},
        leaf={"width": 60, "height": 90, "trim": {"head": 5, "tail": 5, "fore_edge": 5}},
    )
    for face in ("front", "back"):
        elements = SideMarks(made, face).all(made.sheets[0])
        assert elements
        boxes = [page.box for page in made.pages(made.sheets[0], face)]
        for element in elements:
            if isinstance(element, Area) and element.about == "collation":
                continue
            for x, y in _points(element):
                assert -1e-6 <= x <= made.layout.width + 1e-6
                assert -1e-6 <= y <= made.layout.height + 1e-6
                assert not any(
                    box.left + 1e-6 < x < box.right - 1e-6 and box.top + 1e-6 < y < box.bottom - 1e-6
                    for box in boxes
                ), element


def _points(element: Element) -> list[tuple[float, float]]:
    if isinstance(element, Label):
        return [(element.x, element.y)]
    assert isinstance(element, (Area, Line))
    (x1, y1), (x2, y2) = element.points[0], element.points[-1]
    middles = [(x1 + (x2 - x1) * part / 20, y1 + (y2 - y1) * part / 20) for part in range(21)]
    return [*element.points, *middles]


def test_the_collation_mark_sits_on_the_outer_fold_one_step_lower_each_time() -> None:
    made = job(folding={"programme": "octavo", "sheets_per_section": 1})
    tops = []
    for section in range(1, 5):
        bar = next(
            element
            for element in SideMarks(made, "front").section(section, True).elements
            if isinstance(element, Area)
        )
        xs, ys = [x for x, _ in bar.points], [y for _, y in bar.points]
        # between the last page and the first: the second fold line from the left
        assert (min(xs) + max(xs)) / 2 == pytest.approx(64)
        assert max(xs) - min(xs) <= 1
        tops.append(min(ys))
    assert [two - one for one, two in pairwise(tops)] == pytest.approx([6, 6, 6])
    assert not any(isinstance(each, Area) for each in SideMarks(made, "front").section(2, False).elements)


def test_signature_marks_skip_three_letters_and_go_on_doubled() -> None:
    assert "".join(signature_letters(number) for number in range(1, 24)) == "ABCDEFGHIKLMNOPQRSTVXYZ"
    assert signature_letters(24) == "AA"
    assert signature_letters(46) == "ZZ"
    assert signature_letters(47) == "AAA"


@pytest.mark.parametrize("name", SEWN)
def test_matching_symbols_lie_on_one_another_once_folded(name: str) -> None:
    programme = parse_programme(name)
    packet = fold_packet(name)
    for step in fold_steps(programme, True, "marks"):
        one, two = step.corners
        # both stand in different cells, or on different sides of the sheet
        assert (one.side, one.column, one.row) != (two.side, two.column, two.row)
        assert 0 <= one.column < packet.columns
        assert 0 <= two.row < packet.rows


def test_an_octavo_is_slit_along_its_head_before_the_last_fold() -> None:
    steps = fold_steps(parse_programme("octavo"), True, "marks")
    assert [step.slit_words for step in steps] == [
        "",
        "Slit along fold 1, from its end to just past the middle.",
        "Slit along fold 2, from its end to just past the middle.",
    ]
    # the sheet's own middle, its upper half, from the edge to the line of the second fold
    assert [(slit.start, slit.end) for slit in steps[1].slits] == [((2, 0), (2, 1))]
    ends = {(slit.start, slit.end) for slit in steps[2].slits}
    # on the flat sheet both halves of the slit begin where the first fold lies
    assert ends == {((2, 1), (1, 1)), ((2, 1), (3, 1))}


def test_slits_are_never_along_the_spine() -> None:
    for name in SEWN:
        steps = fold_steps(parse_programme(name), True, "marks")
        spine = set(steps[-1].creases)
        for step in steps:
            for slit in step.slits:
                assert (slit.start, slit.end) not in spine


boxes = st.builds(Rect, st.floats(0, 80), st.floats(0, 80), st.floats(1, 60), st.floats(1, 60))


@given(st.lists(boxes, max_size=4), st.floats(0, 100), st.booleans())
def test_what_is_left_of_a_line_lies_outside_all_boxes(obstacles: list[Rect], at: float, level: bool) -> None:
    line = ((0.0, at), (100.0, at)) if level else ((at, 0.0), (at, 100.0))
    left = outside(line, [edges_of(box) for box in obstacles])
    covered = sum(abs(a[0] - b[0]) + abs(a[1] - b[1]) for a, b in left)
    samples = 400
    hits = 0
    for number in range(samples):
        point = (100 * (number + 0.5) / samples, at) if level else (at, 100 * (number + 0.5) / samples)
        x, y = point
        hits += not any(box.left < x < box.right and box.top < y < box.bottom for box in obstacles)

    assert covered == pytest.approx(100 * hits / samples, abs=2.5)


def test_turning_a_sheet_and_a_pile() -> None:
    assert natural_flip(450, 320) == "short"
    assert natural_flip(320, 450) == "long"
    assert not backs_half_turned(450, 320, "short")
    assert backs_half_turned(320, 450, "short")
    assert pile_turned("face_up", "face_up")
    assert not pile_turned("face_up", "face_down")


def test_moving_an_element_moves_all_of_it() -> None:
    line = moved(Line(((0, 0), (1, 2))), 3, 4)
    assert isinstance(line, Line)
    assert line.points == ((3, 4), (4, 6))


def test_the_printed_sheet_is_reckoned_with_the_printers_edge() -> None:
    made = planned(
        {
            "leaf": {"width": 140, "height": 210, "trim": {"head": 3, "tail": 3, "fore_edge": 4}},
            "printing": {"printer": {"unprintable": 5}, "sheet": {"width": 450, "height": 320}},
            "copies": 3,
            "text": {"pages": 64},
        }
    )
    # two leaves of 144, and 2 mm more on each side since only 3 mm are trimmed at the head
    assert value(made, "printed.least_width") == 292
    assert value(made, "printed.least_height") == 220
    assert value(made, "printed.sheets") == 51  # 16 sheets, 3 copies, 5 % more


@pytest.mark.parametrize(
    ("printing", "code"),
    [
        ({"sheet": {"width": 200, "height": 200}}, "printed.too_small"),
        ({"printer": {"largest": {"width": 210, "height": 279}}}, "printed.too_large"),
        ({"sheet": {"width": 289, "height": 217}, "printer": {"unprintable": 9}}, "printed.at_the_edge"),
        ({"printer": {"flips": "long"}, "flip": "short"}, "printed.flip_not_offered"),
        ({"printer": {"flips": "none"}}, "printed.by_hand"),
        ({"bleed": 5}, "printed.bleed"),
    ],
)
def test_what_to_mind_about_the_printed_sheet(printing: dict[str, Any], code: str) -> None:
    assert code in codes(planned({"printing": printing}))


def test_a_text_of_another_size_is_said_and_can_be_cured() -> None:
    text = {"pages": 64, "page": {"width": 148, "height": 210}, "file": "0" * 64}
    made = planned({"text": text})
    finding = next(each for each in made.findings if each.code == "text.other_size")
    assert "part of each page is cut off" in finding.message
    scaled = planned({"text": text | {"placing": "fit"}})
    said = next(each for each in scaled.findings if each.code == "text.scaled")
    # 140 / 148
    assert "94.6 %" in said.message
    assert "9.5 pt" in said.message
    assert "text.other_size" not in codes(planned({"text": text, "leaf": {"width": 148, "height": 210}}))


def test_folding_to_the_edges_of_a_larger_sheet_is_warned_of() -> None:
    printing = {"sheet": {"width": 620, "height": 460}}
    folding = {"programme": "octavo", "fold_to": "edges", "sheets_per_section": 1}
    assert "printed.fold_to_edges" in codes(planned({"printing": printing, "folding": folding}))
    folio = {"printing": printing, "folding": {"fold_to": "edges"}}
    assert "printed.fold_to_edges" not in codes(planned(folio))


def actions_of(job: dict[str, Any], code: str) -> tuple[Action, ...]:
    return next(each for each in planned(job).findings if each.code == code).actions


def test_a_sheet_that_lies_the_wrong_way_is_turned_at_a_touch() -> None:
    (action,) = actions_of({"printing": {"sheet": {"width": 216, "height": 300}}}, "printed.too_small")
    assert action.label == "Turn the sheet the other way"
    assert dict(action.patch) == {"printing.sheet": {"width": 300, "height": 216}}
    assert "printed.too_small" not in codes(planned({"printing": {"sheet": {"width": 300, "height": 216}}}))


def test_a_sheet_that_is_too_small_is_cured_by_each_of_its_remedies() -> None:
    spec = read_spec({"printing": {"sheet": {"width": 200, "height": 200}}})
    found = next(each for each in plan(spec).findings if each.code == "printed.too_small")
    assert found.actions
    for action in found.actions:
        assert "printed.too_small" not in codes(plan(patched(spec, action.patch))), action.label


def test_a_sheet_too_large_for_the_printer_is_offered_another_fold() -> None:
    made = planned(
        {
            "folding": {"programme": "octavo", "sheets_per_section": 1},
            "printing": {"printer": {"largest": {"width": 320, "height": 450}}},
        }
    )
    finding = next(each for each in made.findings if each.code == "printed.too_large")
    # 576 × 432 for an octavo; 288 × 216 for a folio, 288 × 432 for a quarto
    assert [action.label for action in finding.actions] == ["Fold as folio", "Fold as quarto"]


def test_dialog_words_say_what_to_set() -> None:
    words = planned({"printing": {"flip": "short"}}).printing
    assert words[0].startswith("Paper 288 mm × 216 mm, landscape")
    assert "Both sides, flip on the short edge." in words
    by_hand = planned({"printing": {"printer": {"flips": "none", "stacks": "face_up"}}}).printing
    assert any("last sheet on top" in word for word in by_hand)
    tumbled = planned({"printing": {"work": "tumble"}}).printing
    assert any("head over foot" in word for word in tumbled)
