"""Measured at the bench, everything follows: for every size of every structure."""

from typing import Any

import pytest

from tests.conftest import STRUCTURES, codes, job_in, planned, quantity, value
from tests.core.extras.made_up import EXTRAS as MADE_UP
from tests.core.extras.made_up import merged
from tests.core.sums import worked_out
from weald.core.bindings.catalogue import STRUCTURES as CATALOGUE
from weald.core.drawing import Arc, Area, Dimension, Hatch, Label, Line
from weald.core.errors import SpecError
from weald.core.job.patching import with_entry
from weald.core.job.spec import read_spec
from weald.core.planning.plan import Plan, plan
from weald.core.quantities import QUANTITIES, measurable_ids
from weald.core.reckoning import Quantity


def jobs() -> list[tuple[str, dict[str, Any]]]:
    """Every structure with every covering it takes, and what else makes sizes of its own."""
    found = []
    for name, structure in CATALOGUE.items():
        ways = [(covering, structure.methods[0]) for covering in structure.coverings]
        ways += [(structure.coverings[0], method) for method in structure.methods[1:]]
        for covering, method in ways:
            job = with_entry(job_in(name), ["sewing", "method"], method)
            found.append((f"{name}-{covering}-{method}", with_entry(job, ["binding", "covering"], covering)))
    stuck = with_entry(job_in("flat_case"), ["block", "end_bands"], "stuck_on")
    found.append(("stuck-on", with_entry(stuck, ["endpapers", "kind"], "made")))
    found.append(("spine-lettered", with_entry(job_in("flat_case"), ["finish", "placed"], "spine")))
    added = []
    for made_up, job in MADE_UP.items():
        bound_as: str = job.get("binding", {}).get("structure", "flat_case")
        added.append((made_up, merged(job_in(bound_as), job)))
    pamphlet = with_entry(job_in("pamphlet_case"), ["sewing", "pamphlet_holes"], 3)
    return [*found, ("three-holes", pamphlet), *added]


JOBS = jobs()


def false_sums(made: Plan) -> list[str]:
    found = []
    for each in made.quantities:
        done = worked_out(each.sum) if each.sum else None
        if done is not None and not done.true:
            found.append(f"{each.id}: {each.sum}")
    return found


def reckoned(job: dict[str, Any]) -> Plan:
    """Planned with nothing drawn."""
    return plan(read_spec(job), drawn=())


def shapes(made: Plan) -> Any:
    """Where everything is drawn, whatever is written beside it."""
    return [
        element.points
        if isinstance(element, Area | Line | Hatch)
        else (element.start, element.end)
        if isinstance(element, Dimension)
        else (
            element.x,
            element.y,
            getattr(element, "radius", 0),
            getattr(element, "height", 0),
            getattr(element, "width", 0),
        )
        for drawing in made.drawings
        for element in drawing.elements
        if isinstance(element, Area | Line | Hatch | Dimension | Arc | Label)
    ]


def made_of_it(made: Plan, measured: str) -> Any:
    """Everything else a plan holds besides the size that was measured."""
    sizes = {each.id: round(each.value, 6) for each in made.quantities if each.id != measured}
    pieces = [
        (each.id, each.count, round(each.cut_width, 6), round(each.cut_height, 6)) for each in made.pieces
    ]
    return sizes, pieces


JOBS_OF = {
    structure: [(name, job) for name, job in JOBS if job["binding"]["structure"] == structure]
    for structure in STRUCTURES
}


@pytest.mark.parametrize("structure", STRUCTURES)
def test_a_measurement_is_followed_and_no_sum_is_false(structure: str) -> None:
    measured_so = set[tuple[str, str, float]]()
    for name, job in JOBS_OF[structure]:
        plain = reckoned(job)
        assert false_sums(plain) == []
        for each in plain.quantities:
            if not each.measurable:
                assert each.measured is None
                continue
            # a size that comes about as it did in another of these jobs was measured there
            here = (each.id, each.sum, each.value)
            if here not in measured_so:
                measured_so.add(here)
                assert_followed(name, job, plain, each)


def assert_followed(name: str, job: dict[str, Any], plain: Plan, size: Quantity) -> None:
    """What a measurement is of takes it over, and something follows from it."""
    off = 0.02 if QUANTITIES[size.id].kind == "thickness" else 0.6
    if size.id == "thread.length":
        off = 1000.0  # needlefuls are counted whole
    wanted = size.value - off if size.value > 2 * off else size.value + off
    measured = with_entry(job, ["measured"], {size.id: wanted})
    after = reckoned(measured)
    found = quantity(after, size.id)
    assert (found.measured, found.value) == (wanted, wanted), (name, size.id)
    assert found.computed == pytest.approx(size.value), (name, size.id)
    assert false_sums(after) == [], (name, size.id)
    changed = made_of_it(after, size.id) != made_of_it(plain, size.id)
    followed = changed or shapes(planned(measured)) != shapes(planned(job))
    assert followed, f"nothing follows from {size.id} in {name}"
    assert "measured.unused" not in codes(after)


def test_every_job_here_is_of_a_structure() -> None:
    assert sum(map(len, JOBS_OF.values())) == len(JOBS)


def test_every_size_that_can_be_measured_is_one_of_some_structure() -> None:
    jobs = [job for _, job in JOBS] + [{"measured": {"back_board.width": 130}}]
    found = {each.id for job in jobs for each in reckoned(job).quantities if each.measurable}
    assert set(measurable_ids()) - found == set()


def test_every_sum_is_read() -> None:
    """Few sums are put in words; the rest are worked out above."""
    in_words = {
        each.id
        for _, job in JOBS
        for each in reckoned(job).quantities
        if each.sum and worked_out(each.sum) is None
    }
    assert in_words <= {
        "corner.cut",
        "pull.lining",
        "spine.swell_round",
        "joint.inset",
        "joint.gap",
        "panel.height",
        "pastedown.trim",
        "thread.suits",
    }


@pytest.mark.parametrize(("name", "job"), JOBS[::4], ids=[name for name, _ in JOBS[::4]])
def test_a_measurement_far_from_what_was_reckoned_is_doubted(name: str, job: dict[str, Any]) -> None:
    for each in reckoned(job).quantities:
        if each.measurable and each.value > 0:
            after = reckoned(with_entry(job, ["measured"], {each.id: 2 * each.value + 4}))
            doubted = [found for found in after.findings if found.code == "measured.far"]
            assert each.id in [found.about for found in doubted], each.id
            assert doubted[0].station == each.station


def test_what_was_measured_and_did_not_follow() -> None:
    """The cases binders found, each worked out by hand."""
    wrapper = planned(job_in("wrapper") | {"measured": {"cover.leaf": 150}})
    spine = value(wrapper, "spine_board.width")
    assert value(wrapper, "cover.width") == pytest.approx(2 * 150 + spine)
    kettles = planned(job_in("flat_case") | {"measured": {"sewing.kettle": 30}})
    strip = next(each for each in kettles.drawings if each.id == "sewing.strip")
    ends = [
        each.end[1] if each.end[1] else each.start[1]
        for each in strip.elements
        if isinstance(each, Dimension)
    ]
    assert (min(ends), max(ends)) == pytest.approx((30, 180))
    spine = planned(job_in("coverless_tapes") | {"measured": {"spine.thickness": 20}})  # type: ignore[assignment]
    assert value(spine, "sewing.support_length") == pytest.approx(20 + 2 * 30)  # type: ignore[arg-type]
    assert value(spine, "spine.swell") == pytest.approx(max(0, 20 - value(spine, "block.thickness")))  # type: ignore[arg-type]
    thread = planned(job_in("flat_case") | {"measured": {"thread.length": 500}})
    assert value(thread, "thread.needlefuls") == 1
    assert planned(job_in("flat_case") | {"measured": {"thread.length": 5560}})
    corner = planned(with_entry(job_in("rounded_case"), ["measured"], {"corner.leg": 50}))
    size = value(corner, "corner.size")
    assert size == pytest.approx(50 + 2 * 18)
    assert next(each.width for each in corner.pieces if each.id == "corner") == pytest.approx(size + 15)
    sheet = planned({})
    assert not quantity(sheet, "sheet.width").measurable


@pytest.mark.parametrize(
    "key", ["sheet.width", "squares.head", "closed.head", "panel.each", "turn_in.inside"]
)
def test_what_nothing_follows_from_takes_no_measurement(key: str) -> None:
    with pytest.raises(SpecError) as refused:
        read_spec({"version": 2, "measured": {key: 3}})
    assert "no size that can be measured" in refused.value.fields[f"measured.{key}"]


def test_a_kettle_beyond_the_middle_is_no_kettle() -> None:
    made = planned(job_in("flat_case") | {"measured": {"sewing.kettle": 300}})
    assert {"sewing.crowded", "measured.far"} <= codes(made)


@pytest.mark.parametrize("name", STRUCTURES)
def test_an_old_measurement_of_a_square_is_the_square_decided(name: str) -> None:
    old = read_spec(job_in(name) | {"version": 1, "measured": {"squares.head": 4.5, "sheet.width": 300}})
    assert old.binding.squares.head == 4.5
    assert old.measured == {}


def test_sizes_larger_than_a_sheet_are_refused_but_thread_is_long() -> None:
    with pytest.raises(SpecError):
        read_spec({"measured": {"block.height": 3001}})
    assert read_spec({"measured": {"thread.length": 90_000}}).measured["thread.length"] == 90_000


def test_worked_out_by_hand() -> None:
    for text, true in (
        ("2 × 150 + 10.58 = 290.58", False),
        ("2 × 150 + 10.58 = 310.58", True),
        ("√(210² + 140²) = 252.39", True),
        ("5 / 2, rounded up = 3", True),
        ("5 / 2, rounded up = 2", False),
        ("|252² − 252.4²| / (4 × 140) = 0.36", True),
        ("2 × sin 45° = 1.41", True),
        ("40 × 188.05 × 1.15 + 150 = 8800.1", False),
        ("nothing: 3 is less than 4 = 0", True),
        ("nothing: 4 is less than 4 = 0", False),
        ("the larger of 2 × 3 and 3 + 4 = 7", True),
    ):
        done = worked_out(text)
        assert done is not None
        assert done.true is true, text
    assert worked_out("the round whose arc is 3 longer than 4 = 0") is None


@pytest.mark.parametrize("structure", ["wrapper", "laced_card_case", "long_stitch", "saddle_stitch"])
def test_a_cover_of_one_sheet_is_cut_drawn_and_weighed_as_it_was_measured(structure: str) -> None:
    before = planned(job_in(structure))
    width = value(before, "cover.width") + 6
    made = planned(job_in(structure) | {"measured": {"cover.width": width}})
    old, new = (next(each for each in one.pieces if each.id == "cover") for one in (before, made))
    assert new.width == pytest.approx(old.width + 6)
    assert value(made, "cover.leaf") == pytest.approx(value(before, "cover.leaf") + 3)
    assert value(made, "book.weight") > value(before, "book.weight")
    flat = next(each for each in made.drawings if each.id == "case.flat")
    drawn = [each for each in flat.elements if isinstance(each, Dimension) and each.about == "cover.width"]
    assert [each.end[0] - each.start[0] for each in drawn] == [pytest.approx(width)]


def test_the_covers_of_loose_boards_are_drawn_as_they_were_measured() -> None:
    before = planned(job_in("link_stitch"))
    sizes = {name: value(before, name) + 6 for name in ("cover.width", "cover.height")}
    made = planned(job_in("link_stitch") | {"measured": sizes})
    flat = next(each for each in made.drawings if each.id == "case.flat")
    drawn = {
        each.about: abs(each.end[0] - each.start[0]) + abs(each.end[1] - each.start[1])
        for each in flat.elements
        if isinstance(each, Dimension)
    }
    assert {name: drawn[name] for name in sizes} == pytest.approx(sizes)
    piece = next(each for each in made.pieces if each.id == "cover")
    assert (piece.width, piece.height) == pytest.approx(tuple(sizes.values()))
