from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import planned
from weald.core.imposition import impose
from weald.core.makeup import make_up, share_out


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


@given(
    st.integers(1, 400),
    st.integers(1, 8),
    st.sampled_from(["v", "h v", "v h v", "h3 v v"]),
    st.sampled_from(["inset", "together"]),
    st.sampled_from(["even", "short_last", "full"]),
    st.sampled_from(["end", "front", "both"]),
)
def test_pages_one_to_n_stand_once_each_in_order(
    pages: int, most: int, programme: str, gather: str, rule: str, place: str
) -> None:
    a_sheet = {"v": 4, "h v": 8, "v h v": 16, "h3 v v": 24}[programme]
    made = make_up(pages, a_sheet, most, rule, place)  # type: ignore[arg-type]
    sections, sheets = impose(pages, made, programme, gather)  # type: ignore[arg-type]
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
    assert all(one[1] + 1 == two[0] for one, two in pairwise(spans))


def test_the_plan_lists_what_each_sheet_carries() -> None:
    made = planned({"text": {"pages": 16}, "folding": {"sheets_per_section": 4}})
    outer = [[each.page for each in sorted(sheet.outer, key=lambda p: p.column)] for sheet in made.sheets]
    inner = [[each.page for each in sorted(sheet.inner, key=lambda p: p.column)] for sheet in made.sheets]
    assert outer == [[16, 1], [14, 3], [12, 5], [10, 7]]
    assert inner == [[2, 15], [4, 13], [6, 11], [8, 9]]
