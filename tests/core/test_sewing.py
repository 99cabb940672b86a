"""Stations, thread, and the sewing followed stitch by stitch."""

from collections import Counter
from itertools import combinations, pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from weald.core.block.film import sewing_film
from weald.core.block.holes import Hole, SewingPlan, crowded, holes_of, supports_for
from weald.core.block.stitches import Stitch, sections_shown, sew
from weald.core.drawing import Label, Line
from weald.core.job.block import Sewing, SewingMethod
from weald.core.job.spec import read_spec
from weald.core.planning.plan import film_of_sewing


def places(method: SewingMethod, height: float = 210, **entries: Any) -> list[float]:
    return [hole.place for hole in holes_of(method, Sewing.model_validate(entries), height)]


def test_stations_by_hand() -> None:
    # (210 − 2·13) / 4 = 46 from support to support; the holes beside a 12 mm tape are 13 apart
    assert places("tapes") == [13, 52.5, 65.5, 98.5, 111.5, 144.5, 157.5, 197]
    assert places("cords") == [13, 59, 105, 151, 197]
    assert places("link", supports=2, tail_more=6) == pytest.approx([13, 72.333, 131.667, 197], abs=1e-3)
    assert places("raised_cords", supports=1, support_width=3) == [13, 103, 107, 197]
    assert places("raised_cords", supports=1, packed=True) == [13, 105, 197]
    assert places("pamphlet", 160) == [40, 80, 120]
    assert places("pamphlet", 210) == [13, 59, 105, 151, 197]
    assert places("pamphlet", 160, pamphlet_at="ends", kettle=18) == [18, 80, 142]
    assert places("staples") == [52.5, 157.5]
    assert places("none") == []
    assert [supports_for(height) for height in (150, 151, 230, 300, 301)] == [2, 3, 3, 4, 5]


sewn = st.sampled_from(["tapes", "cords", "raised_cords", "link", "pamphlet", "staples"])


@given(sewn, st.floats(60, 500), st.integers(1, 6), st.floats(2, 20), st.floats(8, 18))
def test_no_station_falls_in_the_waste_and_both_halves_are_alike(
    method: SewingMethod, height: float, supports: int, width: float, kettle: float
) -> None:
    sewing = Sewing(supports=supports, support_width=width, kettle=kettle)
    holes = holes_of(method, sewing, height)
    found = [hole.place for hole in holes]
    for place, other in zip(found, reversed(found), strict=True):
        assert place == pytest.approx(height - other)
    if not crowded(holes, height):
        assert all(0 < place < height for place in found)
        assert all(after - before >= 4 - 1e-6 for before, after in pairwise(found))


def film_of(
    method: SewingMethod, sections: int, supports: int = 3
) -> tuple[tuple[Hole, ...], tuple[Stitch, ...]]:
    sewing = Sewing(method=method, supports=supports)
    holes = holes_of(method, sewing, 210)
    return holes, sew(SewingPlan(method, holes, crowded=False), sections)


@pytest.mark.parametrize("method", ["tapes", "cords", "raised_cords", "link"])
@pytest.mark.parametrize("sections", [1, 2, 3, 9])
def test_a_needle_following_the_steps_never_jumps(method: SewingMethod, sections: int) -> None:
    holes, stitches = film_of(method, sections)
    for section in sections_shown(sections):
        mine = [each for each in stitches if each.section == section]
        # in at one kettle, out at the other; next time the other way
        ends = (0, len(holes) - 1)
        first, last = ends if section % 2 == 0 else ends[::-1]
        assert (mine[0].start, mine[-1].end) == (first, last)
        for before, after in pairwise(mine):
            assert before.end == after.start, (before, after)
        # inside every section, and every hole used
        inside = [each for each in mine if each.side == "inside"]
        assert {each.start for each in inside} | {each.end for each in inside} == set(range(len(holes)))
    # from one section to the next at the same end
    for before, after in pairwise(stitches):
        if after.section == before.section + 1:
            assert before.end == after.start


@pytest.mark.parametrize("method", ["tapes", "raised_cords"])
def test_every_support_is_passed_once_a_section_on_the_spine(method: SewingMethod) -> None:
    holes, stitches = film_of(method, 9)
    for section in range(1, 5):
        over = [
            holes[each.start].support
            for each in stitches
            if each.section == section and each.side == "spine" and each.start != each.end
        ]
        assert sorted(over, key=str) == [1, 2, 3]


def test_links_and_kettles_catch_the_section_below() -> None:
    _, stitches = film_of("link", 9, supports=2)
    caught = {(each.section, each.catches) for each in stitches if each.catches is not None}
    assert caught == {(2, 1), (3, 2), (4, 3), (9, 8)}
    ends = [stitches[index] for index in range(len(stitches)) if "ettle" in stitches[index].words]
    assert any("square knot" in each.words for each in stitches if each.section == 2)
    assert any(each.words.startswith("Kettle stitch") for each in ends if each.section == 3)


def test_the_film_goes_on_to_the_last_knot() -> None:
    film = film_of_sewing(read_spec({"text": {"pages": 320}}))
    last = film.sections[-1]
    assert last == 20
    assert film.names == ("first", "second", "third", "following", "last")
    assert len(film.insides) == 5
    assert film.steps[-1].section == last
    assert "two half hitches" in film.steps[-1].words
    joined = [step for step in film.steps if "weaver's knot" in step.words]
    assert [(step.section, step.side) for step in joined] == [(4, "inside")]
    assert film.steps[-1].words.startswith("Kettle stitch")
    short = film_of_sewing(read_spec({"text": {"pages": 32}, "folding": {"sheets_per_section": 4}}))
    assert short.sections == (1, 2)
    assert short.names == ("first", "last")
    assert not any("weaver" in step.words for step in short.steps)


@given(st.floats(60, 700), st.integers(0, 12), st.sampled_from(["tapes", "raised_cords", "cords", "link"]))
def test_numbers_of_holes_never_run_into_one_another(
    height: float, supports: int, method: SewingMethod
) -> None:
    sewing = Sewing(method=method, supports=supports, support_width=6)
    plan = SewingPlan(method, holes_of(method, sewing, height), crowded=False)
    inside = sewing_film(plan, height, 1).insides[0]
    numbers = [each for each in inside.elements if isinstance(each, Label) and each.text.isdigit()]
    assert len(numbers) == len(plan.holes)
    for one, other in combinations(numbers, 2):
        half = 0.95 * one.height * (len(one.text) + len(other.text)) / 2
        assert abs(one.x - other.x) > half or abs(one.y - other.y) > one.height


@pytest.mark.parametrize("count", [3, 5])
def test_a_pamphlet_stitch_fills_the_fold_on_both_sides_and_ends_where_it_began(count: int) -> None:
    sewing = Sewing(method="pamphlet", pamphlet_holes=count)
    holes = holes_of("pamphlet", sewing, 200)
    stitches = sew(SewingPlan("pamphlet", holes, crowded=False), 1)
    middle = count // 2
    assert (stitches[0].start, stitches[-1].end) == (middle, middle)
    at, outside = middle, True
    passed: dict[str, Counter[int]] = {"spine": Counter(), "inside": Counter()}
    for each in stitches[1:-1]:
        assert each.start == at
        assert each.side == ("spine" if outside else "inside")
        for gap in range(min(each.start, each.end), max(each.start, each.end)):
            passed[each.side][gap] += 1
        at, outside = each.end, not outside
    assert at == middle
    assert passed["spine"] == Counter(dict.fromkeys(range(count - 1), 1))
    assert passed["inside"] == Counter(dict.fromkeys(range(count - 1), 1))


def test_staples_are_driven_from_the_spine_each_in_its_place() -> None:
    film = film_of_sewing(read_spec(job_in("saddle_stitch") | {"sewing": {"method": "staples"}}))
    assert [step.side for step in film.steps] == ["spine"] * len(film.steps)
    threads = [each for each in film.spine.elements if isinstance(each, Line) and each.layer == "thread"]
    stations = places("staples")
    assert len(film.steps) == len(stations)
    assert [(each.points[0][0] + each.points[1][0]) / 2 for each in threads] == pytest.approx(stations)


@pytest.mark.parametrize(
    ("method", "packed", "says"),
    [
        ("tapes", False, "Over tape 2 on the spine"),
        ("cords", False, "Round cord 2, which lies in its kerf"),
        ("raised_cords", False, "Over cord 2 on the spine"),
        ("raised_cords", True, "Round cord 2 as many times as it takes"),
    ],
)
def test_every_support_is_passed_in_its_own_way(method: SewingMethod, packed: bool, says: str) -> None:
    holes = holes_of(method, Sewing(method=method, supports=3, packed=packed), 210)
    stitches = sew(SewingPlan(method, holes, crowded=False), 3)
    for section in (1, 2, 3):
        assert sum(says in each.words for each in stitches if each.section == section) == 1


def test_loose_boards_are_linked_to_the_first_section() -> None:
    holes = holes_of("link", Sewing(method="link", supports=2), 210)
    boards = sew(SewingPlan("link", holes, crowded=False), 3, loose_boards=True)
    plain = sew(SewingPlan("link", holes, crowded=False), 3)
    links = len({hole.support for hole in holes if hole.support})
    assert sum("lower board" in each.words for each in boards if each.section == 1) == links
    assert not any("lower board" in each.words for each in boards if each.section > 1)
    assert not any("board" in each.words for each in plain)


def test_nothing_sewn_has_no_steps() -> None:
    assert film_of_sewing(read_spec(job_in("single_leaves"))).steps == ()


@pytest.mark.parametrize("method", ["tapes", "cords", "raised_cords", "link"])
def test_the_film_draws_thread_only_as_it_goes(method: str) -> None:
    film = film_of_sewing(read_spec({"sewing": {"method": method}, "binding": {"structure": "wrapper"}}))
    assert film.steps
    before = (0, 0)
    for step in film.steps:
        inside = film.insides[film.sections.index(step.section)]
        assert step.spine_shown <= len(film.spine.elements)
        assert step.inside_shown <= len(inside.elements)
        fresh = film.spine.elements[step.spine_shown - 1] if step.side == "spine" else None
        if fresh is not None:
            assert isinstance(fresh, Line)
            assert fresh.layer == "thread"
        assert step.spine_shown >= before[0]
        before = (step.spine_shown, 0)
    last = film.steps[-1]
    assert last.spine_shown == len(film.spine.elements)


def test_thread_by_hand() -> None:
    made = planned(
        {
            "text": {"pages": 160},
            "sewing": {"method": "tapes", "supports": 3, "thread": 0.3, "needleful": 900},
            "measured": {"block.thickness": 10},
        }
    )
    # ten sections: 184 from kettle to kettle, 1 at each tape, a section of (10 + 1.5) / 10
    assert value(made, "sections.count") == 10
    assert value(made, "thread.section") == pytest.approx(184 + 3 + 1.15)
    assert value(made, "thread.length") == pytest.approx(10 * 188.15 * 1.15 + 150)
    assert value(made, "thread.needlefuls") == 3


def test_the_punching_strip_marks_the_holes_on_the_trimmed_height() -> None:
    made = planned({})
    strip = next(each for each in made.drawings if each.id == "sewing.strip")
    crosses = {
        round(each.points[0][1], 3)
        for each in strip.elements
        if isinstance(each, Line) and each.layer == "cut" and each.points[0][1] == each.points[1][1]
    }
    assert crosses == {13, 52.5, 65.5, 98.5, 111.5, 144.5, 157.5, 197}
    assert strip.extent[1] == -3
    assert strip.extent[3] == 213


@pytest.mark.parametrize(
    ("job", "code"),
    [
        ({"sewing": {"supports": 9, "support_width": 20}}, "sewing.crowded"),
        ({"sewing": {"supports": 2, "support_width": 2.2}}, "sewing.holes_close"),
        ({"sewing": {"supports": 1}}, "sewing.few"),
        ({"sewing": {"kettle": 5}}, "sewing.near_edge"),
        (
            {
                "leaf": {"width": 300, "height": 640},
                "paper": {"sheet": {"width": 900, "height": 700}},
                "sewing": {"supports": 6},
            },
            "sewing.two_people",
        ),
    ],
)
def test_what_to_mind_in_sewing(job: dict[str, Any], code: str) -> None:
    made = planned(job)
    assert code in codes(made)
    if code == "sewing.crowded":
        assert not any(each.id == "sewing.strip" for each in made.drawings)
        found = next(each for each in made.findings if each.code == code)
        fewer = found.actions[0].patch["sewing.supports"]
        assert "sewing.crowded" not in codes(planned({"sewing": {"supports": fewer, "support_width": 20}}))


def test_raised_cords_lie_under_their_bands() -> None:
    job = job_in("laced_boards")
    job["sewing"] |= {"supports": 4, "support_width": 4}
    job["binding"]["bands"] = {"count": 4, "width": 4, "tail_more": 4}
    made = planned(job)
    # boards 216 high: panels of (216 − 4 − 4·4) / 5 = 39.2, bands 43.2 apart from 39.2 + 2 on
    assert value(made, "sewing.interval") == pytest.approx(43.2)
    guide = next(each for each in made.drawings if each.id == "sewing.saw_guide")
    lines = sorted(
        {each.points[0][1] for each in guide.elements if isinstance(each, Line) and each.layer == "score"}
    )
    middles = [(above + below) / 2 for above, below in zip(lines[::2], lines[1::2], strict=True)]
    assert middles == pytest.approx([38.2, 81.4, 124.6, 167.8])
    assert "bands.false" not in codes(made)
    job["sewing"]["supports"] = 3
    found = next(each for each in planned(job).findings if each.code == "bands.false")
    assert found.actions[0].patch == {"sewing.supports": 4}
