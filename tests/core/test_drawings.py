"""The drawings, measured: would one cut by them?"""

import math
from dataclasses import replace
from itertools import combinations, pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import job_in, planned, value
from tests.core.extras.made_up import EXTRAS, merged
from tests.core.figures import overlapping
from weald.core.bench.order_drawing import OVER_TIME
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.drawing import Area, Dimension, Drawing, Element, Hatch, Label, Line
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.planning.plan import DRAWN, Plan, drawn_for, plan

Point = tuple[float, float]
DESK, PHONE = (810, 620), (352, 388)
"""The room of a drawing on a screen of 1280 × 800 and on a phone of 390, in pixels."""


def drawing(made: Plan, drawing_id: str) -> Drawing:
    return next(each for each in made.drawings if each.id == drawing_id)


def areas(picture: Drawing, material: str) -> list[Area]:
    return [each for each in picture.elements if isinstance(each, Area) and each.material == material]


def size(points: tuple[Point, ...]) -> Point:
    xs, ys = [x for x, _ in points], [y for _, y in points]
    return max(xs) - min(xs), max(ys) - min(ys)


def points_of(element: Element) -> tuple[Point, ...]:
    if isinstance(element, Dimension):
        return element.start, element.end
    return element.points if isinstance(element, Area | Line | Hatch) else ()


def length(points: tuple[Point, ...]) -> float:
    return sum(math.dist(one, two) for one, two in pairwise(points))


JOBS: list[dict[str, Any]] = [
    {},
    {"text": {"pages": 93, "blanks": "both"}, "leaf": {"width": 240, "height": 170}},
    {"text": {"blank_book": True, "pages": 12}, "folding": {"sheets_per_section": 3}},
    {
        "folding": {"programme": "upright, level, upright", "sheets_per_section": 1},
        "paper": {"sheet": {"width": 640, "height": 450}},
    },
    {"folding": {"programme": "upright, level"}, "paper": {"sheet": {"width": 640, "height": 900}}},
    {"leaf": {"width": 400}, "binding": {"board": 3, "joint_rule": "fixed", "joint": 7}},
    {"leaf": {"width": 40, "height": 30, "trim": {"head": 0, "tail": 0, "fore_edge": 0}}},
]


@pytest.mark.parametrize("job", JOBS)
@pytest.mark.parametrize("units", ["mm", "inch", "both"])
def test_every_dimension_states_what_it_measures(job: dict[str, Any], units: str) -> None:
    notation = Notation(units)  # type: ignore[arg-type]
    made = plan(read_spec(job), notation)
    for picture in made.drawings:
        for each in picture.elements:
            if isinstance(each, Dimension) and picture.to_scale:
                assert each.text.removeprefix("≈ ") == notation.figure(math.dist(each.start, each.end)), (
                    picture.id
                )


@pytest.mark.parametrize("job", JOBS)
def test_nothing_is_drawn_outside_what_a_drawing_says(job: dict[str, Any]) -> None:
    for picture in planned(job).drawings:
        left, top, right, bottom = picture.extent
        for element in picture.elements:
            for x, y in points_of(element):
                assert left - 1e-6 <= x <= right + 1e-6, (picture.id, element)
                assert top - 1e-6 <= y <= bottom + 1e-6, (picture.id, element)
            if isinstance(element, Label):
                assert math.isfinite(element.x + element.y)


@pytest.mark.parametrize("job", JOBS)
def test_dimension_rows_are_kept_free_for_all_there_are(job: dict[str, Any]) -> None:
    for picture in planned(job).drawings:
        left, top, right, bottom = picture.extent
        for each in picture.elements:
            if not isinstance(each, Dimension):
                continue
            # rows lie to the left as one walks from start to end, y pointing down
            along = (each.end[0] - each.start[0], each.end[1] - each.start[1])
            aside = (along[1], -along[0])
            edge = (0 if aside[0] < 0 else 2) if abs(along[1]) > abs(along[0]) else (1 if aside[1] < 0 else 3)
            distance = (
                each.start[0] - left,
                each.start[1] - top,
                right - each.start[0],
                bottom - each.start[1],
            )[edge]
            if distance < 1e-6:
                assert picture.rows[edge] >= each.offset, (picture.id, each)


def test_an_opening_shows_the_trimmed_page_inside_the_untrimmed_leaf() -> None:
    made = planned({"leaf": {"width": 100, "height": 150, "trim": {"head": 2, "tail": 4, "fore_edge": 6}}})
    picture = drawing(made, "text.opening")
    assert [size(each.points) for each in areas(picture, "paper")] == [(106, 156)] * 2
    trims = [each for each in picture.elements if isinstance(each, Hatch) and each.layer == "trim"]
    hatched = sum(math.prod(size(each.points)) for each in trims)
    assert hatched == pytest.approx(2 * (106 * 156 - 100 * 150))


@pytest.mark.parametrize(("grain", "turned"), [("width", True), ("height", False)])
def test_sheets_are_laid_on_the_stock_as_counted(grain: str, turned: bool) -> None:
    made = planned({"paper": {"sheet": {"width": 600, "height": 440, "grain": grain}}})
    picture = drawing(made, "paper.stock")
    pieces = areas(picture, "paper")
    assert len(pieces) == value(made, "stock.per_sheet")
    wanted = (216, 288) if turned else (288, 216)
    for piece in pieces:
        assert size(piece.points) == wanted
        assert max(x for x, _ in piece.points) <= 600
        assert max(y for _, y in piece.points) <= 440
    lines = next(each for each in picture.elements if isinstance(each, Hatch))
    assert lines.angle == (0 if grain == "width" else 90)


@pytest.mark.parametrize(
    "programme",
    [
        "upright",
        "level, upright",
        "upright, level, upright",
        "upright, level",
        "level in three, upright, upright",
    ],
)
def test_page_numbers_stand_in_their_cells_head_up(programme: str) -> None:
    made = planned(
        {
            "text": {"pages": 96},
            "folding": {"programme": programme, "sheets_per_section": 1},
            "paper": {"sheet": {"width": 1200, "height": 1200, "grain": "height"}},
        }
    )
    picture = drawing(made, "folding.section")
    numbers = [each for each in picture.elements if isinstance(each, Label) and "leaf." in each.about]
    section = made.sections[0]
    assert sorted(int(each.text) for each in numbers) == list(
        range(section.first_page or 0, (section.last_page or 0) + 1)
    )
    roofs = [each for each in picture.elements if isinstance(each, Line) and each.layer == "text"]
    for number, roof in zip(numbers, roofs, strict=True):
        peak = roof.points[1]
        towards_head = (peak[0] - number.x, peak[1] - number.y)
        turn = math.radians(number.rotation)
        up = (math.sin(turn), -math.cos(turn))
        assert towards_head[0] * up[0] + towards_head[1] * up[1] == pytest.approx(math.hypot(*towards_head))


def test_a_nest_shows_as_many_leaves_as_the_signature_has() -> None:
    made = planned({"text": {"pages": 64}, "folding": {"sheets_per_section": 4}})
    picture = drawing(made, "folding.nest")
    leaves = [each for each in picture.elements if isinstance(each, Line) and "sections.creep" in each.about]
    assert len(leaves) == 8
    ends = sorted({round(each.points[1][0], 6) for each in leaves})
    steps = [two - one for one, two in pairwise(ends)]
    assert steps == pytest.approx([value(made, "creep.step") * 8] * 3)
    assert not picture.to_scale


def test_the_spine_as_sewn_shows_swell_and_thickness() -> None:
    made = planned({"text": {"pages": 200}})
    outline = areas(drawing(made, "block.tail"), "block")[0].points
    at_spine = [y for x, y in outline if x == 0]
    at_fore_edge = [y for x, y in outline if x == max(x for x, _ in outline)]
    assert max(at_spine) - min(at_spine) == pytest.approx(value(made, "spine.thickness"))
    assert max(at_fore_edge) - min(at_fore_edge) == pytest.approx(value(made, "block.thickness"))


cases = st.fixed_dictionaries(
    {
        "board": st.floats(1, 3),
        "joint_rule": st.sampled_from(["by_board", "board_plus_6", "inset"]),
        "inset": st.floats(2, 8),
        "groove": st.floats(0, 1),
        "turn_in": st.floats(12, 30),
        "corner_factor": st.floats(1, 1.5),
        "spine_rule": st.just("flush"),
    }
)


@given(cases)
def test_the_cloth_drawn_in_section_is_as_long_as_the_gap(binding: dict[str, Any]) -> None:
    made = planned({"binding": binding, "text": {"pages": 160}})
    if value(made, "joint.inset") == 0:
        return
    picture = drawing(made, "case.section")
    cloth = next(each for each in picture.elements if isinstance(each, Line) and each.layer == "thread")
    # from the outer edge of the spine board over it, through the groove, to the board's edge
    upper = sorted({point for point in cloth.points if point[1] < 0}, key=lambda point: point[0])
    path = [point for point in upper if point[0] <= value(made, "joint.inset") + 1e-9]
    assert length(tuple(path)) == pytest.approx(value(made, "joint.gap"), abs=1e-6)
    boards = areas(picture, "board")
    assert size(boards[2].points) == pytest.approx(
        (value(made, "spine_board.thickness"), value(made, "spine_board.width"))
    )
    assert min(x for x, _ in boards[0].points) == pytest.approx(value(made, "joint.inset"))


@given(cases)
def test_corners_are_cut_clear_of_the_boards(binding: dict[str, Any]) -> None:
    made = planned({"binding": binding})
    picture = drawing(made, "case.flat")
    cover = areas(picture, "cloth")[0].points
    front = areas(picture, "board")[2].points[1]
    # distance from the board's corner to the line of the cut next to it
    (x1, y1), (x2, y2) = cover[1], cover[2]
    distance = abs((y2 - y1) * front[0] - (x2 - x1) * front[1] + x2 * y1 - y2 * x1) / math.hypot(
        y2 - y1, x2 - x1
    )
    assert distance == pytest.approx(value(made, "corner.cut"))
    assert distance >= binding["board"] + 0.3 - 1e-9
    assert abs(y2 - y1) == pytest.approx(abs(x2 - x1)), "45 degrees"


def test_what_a_drawing_shows_is_tied_to_the_reckoning() -> None:
    made = planned({})
    ids = {each.id for each in made.quantities} | {each.about for each in made.pieces}
    for picture in made.drawings:
        for element in picture.elements:
            for about in element.about.split():
                assert (
                    about in ids
                    or about.startswith(("leaf.", "collation"))
                    or about.split(".")[0] in read_spec({}).model_dump()
                ), about


@pytest.mark.parametrize("structure", ["saddle_stitch", "flat_case", "laced_boards"])
def test_one_drawing_alone_is_the_one_of_the_whole_plan(structure: str) -> None:
    spec = read_spec({"binding": {"structure": structure}})
    for whole in plan(spec).drawings:
        alone = plan(spec, drawn=drawn_for(whole.id)).drawings
        assert next(each for each in alone if each.id == whole.id) == whole


@pytest.mark.parametrize("structure", [str(name) for name in STRUCTURES])
def test_a_station_looked_at_alone_shows_what_the_whole_plan_shows_there(structure: str) -> None:
    spec = read_spec(job_in(structure))
    whole = plan(spec)
    for station in DRAWN:
        alone = plan(spec, drawn=(station, "pieces"))
        assert [each for each in alone.drawings if each.station == station] == [
            each for each in whole.drawings if each.station == station
        ]
        if station == "bench":
            assert alone.operations == whole.operations
            assert {each.drawing for each in alone.operations} <= {"", *(each.id for each in alone.drawings)}


@pytest.mark.parametrize("structure", STRUCTURES)
@pytest.mark.parametrize("units", ["mm", "inch", "both"])
def test_no_two_figures_lie_over_one_another(structure: Any, units: Any) -> None:
    plain = job_in(structure)
    for job in (plain, merged(plain, EXTRAS["slipcase"])):
        for each in plan(read_spec(job), Notation(units)).drawings:
            if each.id == OVER_TIME:
                continue  # it is scrolled, never fitted to a screen; its words have a test of their own
            assert overlapping(each, *DESK) == [], each.id
            # on a phone words may give way; figures may not
            figures = replace(each, elements=tuple(e for e in each.elements if isinstance(e, Dimension)))
            assert overlapping(figures, *PHONE) == [], each.id


@pytest.mark.parametrize("structure", STRUCTURES)
def test_a_dimension_says_what_is_drawn_whatever_was_measured(structure: Any) -> None:
    job = job_in(structure)
    sizes = [
        each
        for each in plan(read_spec(job), drawn=()).quantities
        if each.measurable and each.unit == "mm" and each.value > 0
    ]
    # half of them with each structure, so that every one has its turn with several
    for size in sizes[list(STRUCTURES).index(structure) % 2 :: 2]:
        try:
            spec = read_spec(job | {"measured": {size.id: round(size.value * 0.85, 2)}})
        except SpecError:
            continue
        made = plan(spec)
        if any(each.severity == "stop" for each in made.findings):
            continue
        for shown in filter(lambda each: each.to_scale, made.drawings):
            for each in shown.elements:
                if isinstance(each, Dimension) and each.text.replace(".", "", 1).isdigit():
                    drawn = math.dist(each.start, each.end)
                    assert drawn == pytest.approx(float(each.text), abs=0.6), (size.id, shown.id, each.about)


@pytest.mark.parametrize("name", STRUCTURES)
def test_over_time_every_word_stands_in_its_bar_and_clear_of_the_others(name: str) -> None:
    made = planned(job_in(name))
    drawing = next(each for each in made.drawings if each.id == "bench.order")
    bars = [each for each in drawing.elements if each.kind == "area"]
    words = [each for each in drawing.elements if each.kind == "label" and each.about]
    spans = []
    for word in words:
        half = len(word.text) * word.height * 0.72 / 2
        left, right = word.x - half, word.x + half
        around = [x for bar in bars if bar.about == word.about for x, _ in bar.points]
        assert min(around) <= left
        assert right <= max(around), word.text
        spans.append((word.y, left, right))
    for one, other in combinations(spans, 2):
        assert one[0] != other[0] or one[2] <= other[1] or other[2] <= one[1]
    numbered = {word.text.split()[0] for word in words if word.text.split()[0].isdigit()}
    assert {str(number) for number in range(1, len(made.operations) + 1)} <= numbered
    critical = {each.id for each in made.operations if each.critical}
    heavy = {bar.about.removeprefix("bench.") for bar in bars if bar.layer == "slit"}
    assert heavy == critical
