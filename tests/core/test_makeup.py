from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import planned, value
from weald.core.errors import FoldError, SpecError
from weald.core.folding.imposition import impose
from weald.core.folding.makeup import make_up, read_mix, share_out


def test_sheets_are_shared_evenly_thicker_first() -> None:
    assert share_out(47, 5, "even") == (5,) * 7 + (4,) * 3
    assert share_out(45, 4, "even") == (4,) * 9 + (3,) * 3
    assert share_out(45, 4, "short_last") == (4,) * 11 + (1,)
    assert share_out(45, 4, "full") == (4,) * 12


@given(st.integers(1, 3000), st.integers(1, 12), st.sampled_from(["even", "short_last", "full"]))
def test_no_section_is_thicker_than_asked(sheets: int, most: int, rule: str) -> None:
    shared = share_out(sheets, most, rule)  # type: ignore[arg-type]
    assert all(1 <= count <= most for count in shared)
    assert sum(shared) >= sheets
    assert rule == "full" or sum(shared) == sheets
    assert len(shared) == -(-sheets // most)


def test_blanks_at_both_ends_leave_the_text_on_a_right_hand_page() -> None:
    made = make_up(93, 4, 4, "full", "both")
    assert (made.pages, made.blanks) == (96, 3)
    assert made.blanks_front % 2 == 0


def test_mixes_are_listed_and_repeat_their_last() -> None:
    assert read_mix("5+4+4") == (5, 4, 4)
    assert read_mix("5 + 3×4") == (5, 4, 4, 4)
    assert share_out(13, 4, "mix", (5, 4)) == (5, 4, 4)
    assert share_out(14, 4, "mix", (5, 4)) == (5, 4, 4, 4)
    assert share_out(5, 4, "mix", (5, 4, 4)) == (5,)
    assert share_out(13, 4, "one_section") == (13,)


@pytest.mark.parametrize("text", ["", "5+", "five", "0+4", "41", "4--4", "9999999x4"])
def test_what_is_no_mix_is_said(text: str) -> None:
    with pytest.raises(FoldError, match="write sheets a signature"):
        read_mix(text)


def test_a_mix_and_a_booklet_are_planned() -> None:
    made = planned({"text": {"pages": 52}, "folding": {"make_up": "mix", "mix": "5+4"}})
    assert [section.sheets for section in made.sections] == [5, 4, 4]
    made = planned({"text": {"pages": 60}, "folding": {"make_up": "one_section"}})
    assert [section.sheets for section in made.sections] == [15]
    with pytest.raises(SpecError, match="40 are the most"):
        planned({"text": {"pages": 600}, "folding": {"make_up": "one_section"}})
    with pytest.raises(SpecError, match="no mix"):
        planned({"folding": {"make_up": "mix", "mix": "4+?"}})


def test_single_leaves_and_a_strip_are_neither_sewn_nor_swollen() -> None:
    for programme in ("single leaves 1 by 1", "single leaves 2 by 2", "upright zig-zag in six"):
        made = planned({"text": {"pages": 90}, "folding": {"programme": programme}})
        assert len(made.sections) == 1
        assert value(made, "spine.swell") == 0
        assert "folding.nest" not in {each.id for each in made.drawings}


@given(
    st.integers(1, 400),
    st.integers(1, 8),
    st.sampled_from(
        ["upright", "level, upright", "upright, level, upright", "level in three, upright, upright"]
    ),
    st.sampled_from(["inset", "together"]),
    st.sampled_from(["even", "short_last", "full"]),
    st.sampled_from(["end", "front", "both"]),
)
def test_pages_one_to_n_stand_once_each_in_order(
    pages: int, most: int, programme: str, gather: str, rule: str, place: str
) -> None:
    a_sheet = {
        "upright": 4,
        "level, upright": 8,
        "upright, level, upright": 16,
        "level in three, upright, upright": 24,
    }[programme]
    made = make_up(pages, a_sheet, most, rule, place)  # type: ignore[arg-type]
    sections, sheets = impose(pages, made, programme, gather)
    printed = sorted(
        placement.page
        for sheet in sheets
        for placement in (*sheet.outer, *sheet.inner)
        if placement.page is not None
    )
    assert printed == list(range(1, pages + 1))
    assert sum(len(sheet.outer) + len(sheet.inner) for sheet in sheets) == made.pages
    spans = [(each.first_page, each.last_page) for each in sections if each.first_page is not None]
    assert spans[0][0] == 1
    assert spans[-1][1] == pages
    assert all(one[1] + 1 == two[0] for one, two in pairwise(spans))  # type: ignore[operator]


def test_the_plan_lists_what_each_sheet_carries() -> None:
    made = planned({"text": {"pages": 16}, "folding": {"sheets_per_section": 4}})
    outer = [[each.page for each in sorted(sheet.outer, key=lambda p: p.column)] for sheet in made.sheets]
    inner = [[each.page for each in sorted(sheet.inner, key=lambda p: p.column)] for sheet in made.sheets]
    assert outer == [[16, 1], [14, 3], [12, 5], [10, 7]]
    assert inner == [[2, 15], [4, 13], [6, 11], [8, 9]]
