"""Every operation is shown, from the book's own sizes, by what is so before it and after it."""

from itertools import chain
from typing import Any

import pytest

from tests.conftest import STRUCTURES, job_in
from tests.core.extras.made_up import EXTRAS
from weald.core.bench.steps import STEPS
from weald.core.book.at_bench import AtBench
from weald.core.drawing import Area, Dimension, Drawing, Hatch, Label, Line, mirrored
from weald.core.job.lying import LYING
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.planning.plan import pictures, plan

INCHES = Notation("inch")


def assert_shown(job: dict[str, Any]) -> None:
    """Every operation of its order has frames, with titles, words and something drawn."""
    spec = read_spec(job)
    found = pictures(spec)
    for operation in plan(spec, drawn=("bench",)).operations:
        frames = found[operation.id]
        assert len(frames) > 1, operation.id
        assert len({frame.id for frame in frames}) == len(frames)
        for frame in frames:
            assert frame.title
            assert frame.text
            assert frame.elements
            left, top, right, bottom = frame.extent
            assert right > left
            assert bottom > top


@pytest.mark.parametrize("structure", [str(name) for name in STRUCTURES])
def test_every_operation_of_every_structure_has_a_picture(structure: str) -> None:
    assert_shown(job_in(structure))


@pytest.mark.parametrize("lies", [str(name) for name in LYING])
def test_from_every_beginning(lies: str) -> None:
    assert_shown({**job_in("rounded_case"), "bench": {"lies": lies}})


@pytest.mark.parametrize("extra", EXTRAS)
def test_with_every_extra(extra: str) -> None:
    assert_shown(EXTRAS[extra])


def frames_of(operation: str, job: dict[str, Any] | None = None) -> tuple[Drawing, ...]:
    return pictures(read_spec(job or job_in("rounded_case")))[operation]


def value(quantity: str, job: dict[str, Any] | None = None) -> float:
    made = plan(read_spec(job or job_in("rounded_case")))
    return next(each.value for each in made.quantities if each.id == quantity)


def length(dimension: Dimension) -> float:
    (x0, y0), (x1, y1) = dimension.start, dimension.end
    return float(((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5)


def sizes_in(frames: tuple[Drawing, ...], about: str) -> list[float]:
    return [
        length(each)
        for frame in frames
        for each in frame.elements
        if isinstance(each, Dimension) and about in each.about.split()
    ]


@pytest.mark.parametrize(
    ("operation", "quantity"),
    [
        ("pierce", "sewing.kettle"),
        ("back", "shoulder.line"),
        ("back", "shoulder.height"),
        ("round", "spine.rise"),
        ("round", "block.thickness"),
        ("make_case", "joint.gap"),
        ("measure_block", "block.width"),
        ("measure_block", "block.height"),
        ("cut_boards", "board.width"),
        ("cut_boards", "board.height"),
        ("offer_up", "closed.head"),
    ],
)
def test_a_size_in_a_picture_is_that_of_the_plan(operation: str, quantity: str) -> None:
    drawn = sizes_in(frames_of(operation), quantity)
    assert drawn
    assert drawn == pytest.approx([value(quantity)] * len(drawn))


def test_holes_lie_where_the_strip_has_them() -> None:
    strip = next(each for each in plan(read_spec(job_in("flat_case"))).drawings if each.id == "sewing.strip")
    places = {
        round(y, 6)
        for each in strip.elements
        if isinstance(each, Line) and each.about == "sewing.holes sewing.interval"
        for _, y in each.points
    }
    *_, pierced = frames_of("pierce", job_in("flat_case"))
    holes = {
        round(each.points[0][0], 6)
        for each in pierced.elements
        if isinstance(each, Line) and each.about == "sewing.holes"
    }
    assert holes
    assert holes <= places


def test_glue_for_an_endpaper_ends_where_it_says() -> None:
    first, *_ = frames_of("tip_endpapers", job_in("flat_case"))
    glue = next(each for each in first.elements if isinstance(each, Hatch) and each.layer == "glue")
    xs = [x for x, _ in glue.points]
    assert max(xs) - min(xs) == pytest.approx(3.0)
    assert "3 mm" in first.text
    mask = next(each for each in first.elements if isinstance(each, Area) and each.about == "mask")
    assert min(x for x, _ in mask.points) == pytest.approx(max(xs))


def test_trimmed_leaves_are_smaller_by_what_is_cut_off() -> None:
    job = job_in("flat_case")
    before, *_, after = frames_of("trim", job)
    trim = read_spec(job).leaf.trim

    def block(frame: Drawing) -> tuple[float, float]:
        area = next(each for each in frame.elements if isinstance(each, Area) and "block.width" in each.about)
        xs, ys = [x for x, _ in area.points], [y for _, y in area.points]
        return max(xs) - min(xs), max(ys) - min(ys)

    (wide, high), (wide_after, high_after) = block(before), block(after)
    assert wide - wide_after == pytest.approx(trim.fore_edge)
    assert high - high_after == pytest.approx(trim.head + trim.tail)


def test_pictures_speak_the_readers_unit() -> None:
    found = pictures(read_spec(job_in("rounded_case")), INCHES)
    assert "″" in found["measure_block"][0].text
    assert not any(" mm" in frame.text for frames in found.values() for frame in frames)


def test_what_is_no_operation_has_no_picture() -> None:
    assert "make_case" not in pictures(read_spec(job_in("laced_boards")))


@pytest.mark.parametrize(
    ("operation", "shown"),
    [("cut_boards", "Board"), ("cut_sheets", "Text sheet"), ("measure_block", "Block thickness")],
)
def test_the_size_that_counts_is_the_one_to_cut_or_to_find(operation: str, shown: str) -> None:
    made = plan(read_spec(job_in("flat_case")), drawn=("bench",))
    counts = next(each.counts for each in made.operations if each.id == operation)
    assert counts is not None
    assert counts.label == shown
    if operation == "cut_boards":
        board = next(piece for piece in made.pieces if piece.id == "board")
        assert counts.shown == board.shown.replace(" mm ×", " ×")


def test_a_picture_is_seen_the_other_way_round_by_the_left_handed() -> None:
    spec = read_spec(job_in("rounded_case"))
    right, left = pictures(spec), pictures(spec, at_bench=AtBench(left_handed=True))
    other = {name for name in right if left[name] != right[name]}
    assert "sew" in other
    assert other - {"sew"} == {name for name in right if STEPS[name].mirrors}
    for name in other - {"sew"}:
        for one, two in zip(right[name], left[name], strict=True):
            again = mirrored(two)
            assert again.rows == one.rows
            for each, back in zip(one.elements, again.elements, strict=True):
                if isinstance(each, Area | Line):
                    assert isinstance(back, Area | Line)
                    assert [*chain(*back.points)] == pytest.approx([*chain(*each.points)])
            assert [each.text for each in one.elements if isinstance(each, Label)] == [
                each.text for each in two.elements if isinstance(each, Label)
            ]
