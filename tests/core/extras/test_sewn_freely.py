"""Places of one's own, courses of two and three, links, stab patterns and long stitches, thread by thread."""

import math
from collections import Counter
from typing import Any

import pytest
from hypothesis import given
from hypothesis import settings as hypothesis_settings
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from tests.core.extras.made_up import merged
from tests.core.test_drawings import drawing
from weald.core.block.film import SewingFilm
from weald.core.block.holes import courses, own_places
from weald.core.block.stab import sew_stab, stab_work, thread_of_stab
from weald.core.drawing import Arc, Line
from weald.core.job.block import STAB_PATTERN_WORDS, Sewing, StabSewing
from weald.core.job.extras.sewn import SewingPlaces, Stitching
from weald.core.job.spec import read_spec
from weald.core.planning.choice_pictures import choice_pictures
from weald.core.planning.plan import film_of_sewing


def film(job: dict[str, Any]) -> SewingFilm:
    return film_of_sewing(read_spec(job))


OWN = {
    "kettle_head": 11,
    "kettle_tail": 14,
    "supports": [{"place": 171, "width": 8}, {"place": 38}, {"place": 96.5, "stitch": 22}],
}


def test_supports_stand_where_they_were_measured() -> None:
    made = planned({"leaf": {"height": 210}, "sewing": {"support_width": 12}, "extras": {"places": OWN}})
    strip = drawing(made, "sewing.strip")
    levels = sorted(
        {
            round(e.points[0][1], 3)
            for e in strip.elements
            if isinstance(e, Line)
            and e.layer == "cut"
            and e.about.startswith("sewing.holes")
            and e.points[0][1] == e.points[1][1]
        }
    )
    # kettle 11; 38 ± 6.5; 96.5 ± 11; 171 ± 4.5; kettle 210 − 14
    assert levels == [11, 31.5, 44.5, 85.5, 107.5, 166.5, 175.5, 196]
    assert read_spec({"extras": {"places": OWN}}).sewing.supports == 3


@given(st.lists(st.floats(20, 190), min_size=1, max_size=6, unique=True), st.floats(0, 5))
def test_measured_from_the_tail_they_stand_in_the_same_places(places: list[float], edge: float) -> None:
    height, sewing = 210.0, Sewing()
    head = SewingPlaces(supports=tuple({"place": place + edge} for place in places), edge=edge)
    tail = SewingPlaces(
        measured_from="tail",
        edge=edge,
        supports=tuple({"place": height - place + edge} for place in places),
    )
    one, other = (own_places(each, sewing, height).middles for each in (head, tail))
    assert one == pytest.approx(other)
    assert list(one) == pytest.approx(sorted(places))


def test_front_and_back_apart_have_slits_of_their_own() -> None:
    own = {"supports": [{"place": 40, "back": 41.5}, {"place": 120}, {"place": 180, "back": 179}]}
    made = planned({**job_in("laced_card_case"), "extras": {"places": own}})
    head, width = value(made, "squares.head"), value(made, "cover.leaf")
    slits = [e for e in drawing(made, "case.flat").elements if isinstance(e, Line) and e.layer == "slit"]
    middles = {
        side: sorted(
            {
                round((e.points[0][1] + e.points[1][1]) / 2 - head, 3)
                for e in slits
                if (e.points[0][0] <= width) == (side == "back")
            }
        )
        for side in ("front", "back")
    }
    assert middles == {"front": [40, 120, 180], "back": [41.5, 120, 179]}
    far = {"supports": [{"place": 40, "back": 50}]}
    assert "places.apart" in codes(planned({**job_in("laced_card_case"), "extras": {"places": far}}))


@given(st.integers(1, 200), st.sampled_from([1, 2, 3]), st.integers(2, 8))
def test_every_section_is_in_one_course(sections: int, on: int, ends: int) -> None:
    made = courses(sections, Stitching(on=on, plain_ends=ends))
    assert [number for course in made for number in course] == list(range(1, sections + 1))
    assert all(len(course) <= on for course in made)
    if on > 1 and sections >= 2:
        assert len(made[0]) == len(made[-1]) == 1


def test_two_on_by_hand() -> None:
    # 20 sections: two at either end alone, 16 in pairs: 12 courses of 0.2 × ½
    job = {"text": {"pages": 320}, "sewing": {"thread": 0.2}, "extras": {"stitching": {"on": 2}}}
    made = planned(job)
    assert value(made, "sections.count") == 20
    assert value(made, "spine.swell") == pytest.approx(12 * 0.2 * 0.5)
    words = [step.words for step in film(job).steps if step.section in (3, 4)]
    assert sum("along the fold" in each for each in words) == 4
    assert "both are linked" in words[-1]


def test_a_thread_through_two_sections_never_leaves_one_for_the_wrong_hole() -> None:
    job = {"text": {"pages": 320}, "sewing": {"supports": 5}, "extras": {"stitching": {"on": 3}}}
    runs = [step for step in film(job).steps if step.section in (3, 4, 5) and "along the fold" in step.words]
    assert [step.section for step in runs] == [3, 4, 5, 3, 4, 5]


def test_links_and_catches_are_told_where_they_are() -> None:
    linked = film({"extras": {"stitching": {"over": "linked"}}})
    second = [step.words for step in linked.steps if step.section == 2 and "Over tape" in step.words]
    assert len(second) == 3
    assert all("behind the stitch" in each for each in second)
    caught = film({"text": {"pages": 320}, "extras": {"stitching": {"over": "caught", "caught_every": 3}}})
    third = [step.words for step in caught.steps if step.section == 3 and "Over tape" in step.words]
    assert all("1 to 2" in each for each in third)


def test_what_holds_too_little_is_said() -> None:
    base: dict[str, Any] = {"text": {"pages": 320}}
    two = {**base, "sewing": {"supports": 2}, "extras": {"stitching": {"on": 2}}}
    assert "stitching.few_supports" in codes(planned(two))
    few = {"text": {"pages": 48}, "extras": {"stitching": {"on": 2}}}
    assert "stitching.few_sections" in codes(planned(few))
    cords = {
        **job_in("rounded_case"),
        "sewing": {"method": "cords"},
        "extras": {"stitching": {"over": "linked"}},
    }
    assert "stitching.one_hole" in codes(planned(cords))


PATTERNS = ("plain", "corners", "leaf", "fan")


@given(st.sampled_from(PATTERNS), st.integers(3, 7), st.floats(60, 400), st.floats(5, 30), st.floats(5, 25))
@hypothesis_settings(max_examples=80)
def test_one_thread_covers_a_pattern_on_both_faces(
    pattern: str, stations: int, height: float, margin: float, ends: float
) -> None:
    entries = StabSewing(pattern=pattern, stations=stations, margin=margin, ends=ends)
    work = stab_work(height, entries)
    moves = sew_stab(work)
    laid = Counter((min(m.start, m.end), max(m.start, m.end), m.face) for m in moves if m.wrap is None)
    assert laid == {(*sorted(line), face): 1 for line in work.lines for face in ("front", "back")}
    wraps = Counter((m.start, m.wrap) for m in moves if m.wrap)
    assert wraps == {(n, edge): 1 for n, hole in enumerate(work.holes) for edge in hole.wraps}
    # the thread goes on where it is, on the side it came out on
    at, face = work.stations // 2, "front"
    for move in moves:
        assert (move.start, move.face) == (at, face)
        if move.wrap is None:
            at, face = move.end, "back" if face == "front" else "front"
    assert (at, face) == (work.stations // 2, "front")


def test_a_plain_stab_by_hand() -> None:
    # 3 stations on 200: 20, 100, 180, 10 in; 8 thick. Lines 2 × 80, twice, each once through the block;
    # loops: 3 to the spine (2 × 10 + 2 × 8), one to the head and one to the tail (2 × 20 + 2 × 8)
    work = stab_work(200, StabSewing(stations=3, margin=10, ends=20))
    moves = sew_stab(work)
    by_hand = 4 * (80 + 8) + 3 * (20 + 16) + 2 * (40 + 16)
    assert thread_of_stab(work, moves, 200, 8) == pytest.approx(by_hand)


def test_a_stab_sewn_book_says_what_its_margin_costs_and_what_tears() -> None:
    job = job_in("stab_sewn")
    made = planned(job)
    assert "stab.margin" in codes(made)
    steps = film(job).steps
    assert "tie it to its tail" in steps[-1].words
    assert {step.where for step in steps} == {"On the front", "On the back"}
    job["sewing"]["stab"] = {"stations": 7, "ends": 100}
    assert "stab.crowded" in codes(planned(job))


def test_a_long_stitch_cover_has_a_row_for_every_fold() -> None:
    job = merged(job_in("long_stitch"), {"folding": {"sheets_per_section": 12, "make_up": "even"}})
    made = planned(job)
    assert "long.rows" not in codes(made)
    sections, holes = round(value(made, "sections.count")), round(value(made, "sewing.holes"))
    arcs = [e for e in drawing(made, "case.flat").elements if isinstance(e, Arc) and e.layer == "cut"]
    assert len(arcs) == sections * holes
    rows = sorted({round(each.x, 4) for each in arcs})
    leaf, spine = value(made, "cover.leaf"), value(made, "spine_board.width")
    assert leaf < rows[0]
    assert rows[-1] < leaf + spine
    assert (rows[0] + rows[-1]) / 2 == pytest.approx(leaf + spine / 2, abs=1e-3)
    # 2 stitches on the spine and 3 runs inside are all as long
    kettle, stitch = value(made, "sewing.kettle"), value(made, "sewing.interval")
    supports = read_spec(job).sewing.supports
    assert 2 * kettle + (2 * supports + 1) * stitch == pytest.approx(value(made, "block.height"))
    assert any("row 2 of the cover" in step.words for step in film(job).steps)


def test_rows_that_would_tear_into_one_are_a_slit() -> None:
    thin = {**job_in("long_stitch"), "text": {"pages": 96}, "folding": {"sheets_per_section": 1}}
    made = planned(thin)
    assert "long.rows" in codes(made)
    slits = [e for e in drawing(made, "case.flat").elements if isinstance(e, Line) and e.layer == "slit"]
    assert len(slits) == value(made, "sewing.holes")
    wide = slits[0].points[1][0] - slits[0].points[0][0]
    assert wide == pytest.approx(value(made, "spine.thickness"))


def test_a_strand_is_never_shorter_than_what_it_covers() -> None:
    for pattern in PATTERNS:
        work = stab_work(210, StabSewing(pattern=pattern))
        drawn = sum(
            math.dist((work.holes[a].x, work.holes[a].y), (work.holes[b].x, work.holes[b].y))
            for a, b in work.lines
        )
        assert thread_of_stab(work, sew_stab(work), 210, 5) > 2 * drawn


def test_supports_that_are_not_as_long_on_both_sides() -> None:
    own = {"supports": [{"place": 40}, {"place": 120}], "reach_back": 45}
    even, uneven = planned({}), planned({"extras": {"places": own}})
    reach = read_spec({}).binding.tape_reach
    lengths = [value(each, "sewing.support_length") for each in (even, uneven)]
    assert lengths[1] - lengths[0] == pytest.approx(45 - reach)


def test_volumes_of_a_set_have_their_templates_at_one_height() -> None:
    lines = {"types": [{"usual": 1.2, "narrow": 1, "wide": 2}], "lines": [{"panel": 2}], "tools": [{}]}
    bands = {"bands": [{"place": 40}, {"place": 90}, {"place": 150}]}
    thin, thick = (
        planned(
            merged(
                job_in("laced_boards"),
                {"text": {"pages": pages}, "extras": {"finishing": lines, "bands": bands}},
            )
        )
        for pages in (200, 480)
    )
    tops = [
        sorted(
            {
                round(e.points[0][1], 3)
                for e in drawing(each, "finish.finishing").elements
                if isinstance(e, Line) and e.about.endswith("lines.0.by")
            }
        )
        for each in (thin, thick)
    ]
    assert tops[0] == tops[1]
    assert value(thin, "finish.width") < value(thick, "finish.width")


def test_linked_stitches_take_more_thread() -> None:
    plain, linked = planned({}), planned({"extras": {"stitching": {"over": "linked"}}})
    assert value(linked, "thread.section") > value(plain, "thread.section")


def test_every_stab_pattern_is_chosen_by_a_picture_of_its_own() -> None:
    pictures = choice_pictures()["sewing.stab.pattern"]
    assert list(pictures) == list(STAB_PATTERN_WORDS)
    drawn = {name: len(each.elements) for name, each in pictures.items()}
    assert drawn["plain"] < min(drawn["corners"], drawn["leaf"], drawn["fan"])
    for each in pictures.values():
        left, top, right, bottom = each.extent
        assert (right - left, bottom - top) == pytest.approx((30, 50), abs=1)


@pytest.mark.parametrize(("stations", "ends"), [(3, 15), (4, 15), (7, 4)])
def test_no_hole_of_a_fan_stands_at_the_edge(stations: int, ends: float) -> None:
    work = stab_work(210, StabSewing(pattern="fan", stations=stations, ends=ends))
    assert len(work.holes) == 3 * stations
    assert min(min(hole.y, 210 - hole.y) for hole in work.holes) >= ends / 2
