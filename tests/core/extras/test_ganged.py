"""Different things on one sheet: all that is wanted, none over another, backs behind their fronts."""

from itertools import combinations
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from tests.core.extras.made_up import EXTRAS, merged
from tests.core.test_drawings import areas, drawing, size
from weald.core.forme.ganging import Spot, Wanted, gang
from weald.core.planning.plan import Plan


def over_one_another(one: Spot, other: Spot) -> bool:
    return (
        one.left < other.left + other.width - 1e-6
        and other.left < one.left + one.width - 1e-6
        and one.top < other.top + other.height - 1e-6
        and other.top < one.top + one.height - 1e-6
    )


@given(
    st.lists(st.tuples(st.floats(10, 200), st.floats(10, 200), st.integers(1, 60)), min_size=1, max_size=5),
    st.floats(0, 6),
)
def test_all_that_is_wanted_is_printed(things: list[tuple[float, float, int]], gutter: float) -> None:
    wanted = [Wanted(f"thing {n}", width, height, count) for n, (width, height, count) in enumerate(things)]
    laid = gang(wanted, (450, 320), 8, gutter)
    if laid is None:
        # one of each is too much already
        assert sum(width * height for width, height, _ in things) > 434 * 304 / 4
        return
    for each in wanted:
        here = [spot for spot in laid.spots if spot.name == each.name]
        assert len(here) * laid.runs >= each.count
        assert (len(here) - 1) * laid.runs < each.count
        assert all({spot.width, spot.height} == {each.width, each.height} for spot in here)
    for spot in laid.spots:
        assert 8 - 1e-6 <= spot.left <= 450 - 8 - spot.width + 1e-6
        assert 8 - 1e-6 <= spot.top <= 320 - 8 - spot.height + 1e-6
    assert not any(over_one_another(one, other) for one, other in combinations(laid.spots, 2))
    # rows can be cut straight across
    for (_, foot), (top, _) in zip(laid.rows(), laid.rows()[1:], strict=False):
        assert foot <= top + 1e-6


def test_cards_by_hand() -> None:
    # 434 × 304 inside: 4 cards of 85 with 4 between in a row (352), 5 rows of 55 and 4 (291): 20
    laid = gang([Wanted("card", 85, 55, 40, (False,))], (450, 320), 8, 4)
    assert laid is not None
    assert (laid.runs, len(laid.spots)) == (2, 20)


def test_grain_leaves_one_way_to_lie() -> None:
    made = planned(EXTRAS["ganged"])
    assert "ganged.cut" in codes(made)
    front, back = drawing(made, "printing.ganged"), drawing(made, "printing.ganged_back")
    tags = [each for each in areas(front, "side_paper") if {round(x, 3) for x, _ in each.points}]
    # the sheet's grain runs along its width, a tag's along its height: it lies turned, 20 wide and 40 high
    sizes = {
        (
            round(max(x for x, _ in a.points) - min(x for x, _ in a.points)),
            round(max(y for _, y in a.points) - min(y for _, y in a.points)),
        )
        for a in tags
    }
    assert (20, 40) in sizes
    assert (40, 20) not in sizes
    mirrored = sorted(round(450 - max(x for x, _ in a.points), 3) for a in tags)
    assert sorted(round(min(x for x, _ in a.points), 3) for a in areas(back, "side_paper")) == mirrored


def test_labels_of_the_job_come_with_them_and_spoilage_is_shared() -> None:
    made = planned(EXTRAS["ganged"])
    said = next(each.message for each in made.findings if each.code == "ganged.cut")
    assert "Label" in said
    runs = int(said.split("Printed ")[1].split()[0])
    assert value(made, "ganged.sheets") == -(-runs * 105 // 100)


def test_what_cannot_be_ganged_is_said() -> None:
    def said(**entries: Any) -> set[str]:
        return set(codes(planned({"extras": {"ganged": entries}})))

    assert "ganged.nothing" in said(items=[])
    assert "ganged.cut" in said(items=[{"name": ""}])
    assert "ganged.too_large" in said(items=[{"width": 500}])
    assert "ganged.too_large" in said(items=[{"width": 400, "height": 300, "grain": "height"}])


def test_what_this_job_prints_itself_goes_on_the_sheet_as_it_is_cut() -> None:
    entries = {"items": [], "labels": True, "endleaves": True, "covers": True, "width": 700, "height": 500}
    lettered = {"labels": [{"material": "paper", "height": 20, "place": 50}] * 2, "types": [], "lines": []}
    job = merged(job_in("flat_case"), {"copies": 3, "extras": {"ganged": entries, "finishing": lettered}})
    made = planned(job)
    cut = {each.id: each for each in made.pieces}
    label, folio = cut["panel_label_1"], cut["endpaper"]
    # the sheet's grain runs along its width, theirs along their height: they lie turned
    lying = {(label.height, label.width), (folio.cut_height, folio.cut_width)}
    assert {rounded(each) for each in lying} <= sizes(made)
    said = next(each for each in made.findings if each.code == "ganged.cut")
    assert "Label at 50 mm 2" in said.message
    booklet = planned(merged(job_in("saddle_stitch"), {"extras": {"ganged": entries}}))
    cover = next(each for each in booklet.pieces if each.id == "cover")
    assert rounded((cover.cut_height, cover.cut_width)) in sizes(booklet)


def sizes(made: Plan) -> set[tuple[float, float]]:
    """Of all that stands on the sheet, from its front."""
    shapes = areas(drawing(made, "printing.ganged"), "side_paper")
    return {rounded(size(each.points)) for each in shapes}


def rounded(of: tuple[float, float]) -> tuple[float, float]:
    return round(of[0], 3), round(of[1], 3)
