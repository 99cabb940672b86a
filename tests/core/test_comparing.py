"""Ways to bind side by side, and a case offered up."""

from typing import Any

import pytest

from tests.conftest import STRUCTURES, job_in, planned, value
from weald.core.bindings.choosing import structure_choices
from weald.core.drawing import Line
from weald.core.errors import SizeError
from weald.core.job.patching import patched, value_at
from weald.core.job.spec import JobSpec, read_spec
from weald.core.notation import MILLIMETRES
from weald.core.planning.comparing import compare, ways
from weald.core.planning.offering import OF_THE_CASE, offered_up
from weald.core.planning.plan import plan


def test_every_way_can_be_compared_and_changes_something() -> None:
    spec = read_spec({"text": {"pages": 160}, "sewing": {"thread": 0.25}})
    found = ways(spec, MILLIMETRES)
    assert len({way.id for way in found}) == len(found)
    groups = {way.group for way in found}
    assert {"", "Structures", "Joint gap", "Spine board width", "Covering", "Square, head"} <= groups
    for way in found[1:]:
        made = compare(spec, [found[0], way], MILLIMETRES)
        assert len(made.columns) == 2
        same_words = made.columns[0].words == made.columns[1].words
        if way.id == "joint.gap/fixed":
            continue  # a width of one's own begins as the width by eye
        assert any(row.differs for row in (*made.rows, *made.pieces)) or not same_words, way


def test_differences_are_drawn_over_one_another_about_the_middle() -> None:
    spec = read_spec({})
    by_id = {way.id: way for way in ways(spec, MILLIMETRES)}
    made = compare(spec, [by_id[""], by_id["joint.gap/board_plus_6"]], MILLIMETRES)
    flat = next(each for each in made.drawings if each.id == "compare.case.flat")
    reach = {}
    for number in (0, 1):
        lines = [
            each for each in flat.elements if isinstance(each, Line) and each.about == f"variant.{number}"
        ]
        xs = [x for line in lines for x, _ in line.points]
        assert min(xs) == pytest.approx(-max(xs))
        reach[number] = max(xs)
    covers = [
        value(planned({"binding": {"joint_rule": rule}}), "cover.width")
        for rule in ("by_board", "board_plus_6")
    ]
    assert [2 * reach[0], 2 * reach[1]] == pytest.approx(covers)
    gap = next(row for row in made.rows if row.id == "joint.gap")
    assert gap.shown == ("7 mm", "8 mm")
    assert gap.differs


@pytest.mark.parametrize("start", ["flat_case", "laced_boards", "saddle_stitch", "single_leaves"])
def test_switching_structure_says_what_changes_and_loses_nothing(start: str) -> None:
    spec = read_spec(
        {
            "text": {"pages": 96},
            "folding": {"make_up": "one_section"} if start == "saddle_stitch" else {},
            "binding": {"structure": start, "joint_rule": "inset", "inset": 4, "cover_name": "green"},
        }
    )
    choices = structure_choices(spec, MILLIMETRES)
    assert [choice.name for choice in choices] == list(STRUCTURES)
    for choice in choices:
        assert choice.chosen == (choice.name == start)
        assert choice.picture.elements
        other = patched(spec, choice.patch)
        assert other.binding.structure == choice.name
        assert len(choice.changes) == len(set(choice.patch) - {"binding.structure"})
        # what the new structure does not ask for is kept all the same
        assert (other.binding.inset, other.binding.cover_name) == (4, "green")
        assert "structure.departs" not in {each.code for each in plan(other).findings}
        for path, entry in choice.patch.items():
            assert value_at(other, path) == entry


def test_a_structure_that_does_not_suit_says_why_before_it_is_chosen() -> None:
    job = {"text": {"pages": 600}, "sewing": {"thread": 0.45}}
    choices = {each.name: each for each in structure_choices(read_spec(job), MILLIMETRES)}
    assert choices["flat_case"].unsuited
    assert "one signature" in choices["saddle_stitch"].unsuited[0].message
    assert choices["saddle_stitch"].unsuited[0].severity == "stop"
    assert not choices["rounded_case"].unsuited


def test_too_tall_by_two_is_cut_off_or_left() -> None:
    spec = read_spec({})
    cut, left = offered_up(spec, "tall", 2, MILLIMETRES)
    corrected = plan(patched(spec, cut.patch))
    assert value(corrected, "board.height") == 214
    assert value(corrected, "cover.height") == 250
    assert value(corrected, "closed.head") == pytest.approx(3)
    as_it_is = plan(patched(spec, left.patch))
    # the block is 208, the boards stay 216: eight millimetres are shared between head and tail
    assert value(as_it_is, "board.height") == 216
    assert value(as_it_is, "closed.head") == pytest.approx(4)
    assert cut.words == "Cut the boards to 214 mm: the block is 208 mm, and everything follows"


def test_too_small_is_cut_anew_or_left() -> None:
    spec = read_spec({})
    wide = value(plan(spec), "board.width")
    anew, left = offered_up(spec, "wide", -1.5, MILLIMETRES)
    assert value(plan(patched(spec, anew.patch)), "board.width") == pytest.approx(wide + 1.5)
    # the block is 1.5 wider than planned, and the boards stay as they are
    narrow = plan(patched(spec, left.patch))
    assert value(narrow, "closed.fore_edge") == pytest.approx(4 - 1.5)


def test_a_measured_block_stands_and_what_to_cut_is_said() -> None:
    spec = read_spec({"measured": {"block.height": 206, "block.thickness": 14.5}})
    sizes = plan(spec)
    cut, left = offered_up(spec, "tall", 2, MILLIMETRES)
    assert cut.words.startswith("Cut the boards to 210 mm;")
    after = patched(spec, cut.patch)
    assert after.measured["block.height"] == 206
    assert value(plan(after), "board.height") == 210
    assert patched(spec, left.patch).measured["block.height"] == 206
    # a spine of 18.5 found 1.5 too small is cut anew at 20
    assert value(sizes, "spine_board.width") == pytest.approx(18.5)
    larger, _ = offered_up(spec, "spine", -1.5, MILLIMETRES)
    assert value(plan(patched(spec, larger.patch)), "spine_board.width") == pytest.approx(20)
    assert "20 mm" in larger.words


@pytest.mark.parametrize("name", ["wrapper", "laced_card_case", "saddle_stitch"])
def test_covers_of_one_sheet_are_offered_up_too(name: str) -> None:
    spec = read_spec(job_in(name) | {"measured": {"block.height": 208, "block.width": 139}})
    for found, quantity_id in (("tall", "cover.height"), ("wide", "cover.leaf")):
        before = value(plan(spec), quantity_id)
        cut, _ = offered_up(spec, found, 1, MILLIMETRES)  # type: ignore[arg-type]
        after = plan(patched(spec, cut.patch))
        assert value(after, quantity_id) == pytest.approx(before - 1)
        assert "cover" in cut.words


@pytest.mark.parametrize(
    ("job", "found", "by"),
    [
        ({}, "tall", 0),
        ({}, "tall", 80),
        ({"binding": {"structure": "coverless_tapes"}}, "tall", 2),
        ({"leaf": {"width": 140, "height": 40}}, "tall", 45),
    ],
)
def test_what_cannot_be_meant_is_refused(job: dict[str, Any], found: Any, by: float) -> None:
    with pytest.raises(SizeError):
        offered_up(read_spec(job), found, by, MILLIMETRES)


@pytest.mark.parametrize("structure", STRUCTURES)
@pytest.mark.parametrize("found", ["tall", "wide", "spine"])
@pytest.mark.parametrize("measured", [{}, {"block.thickness": 10.0}], ids=["planned", "measured"])
def test_offering_up_changes_what_was_offered(structure: Any, found: Any, measured: dict[str, float]) -> None:
    spec = read_spec(job_in(structure) | {"measured": measured})
    piece = next((each[0] for each in OF_THE_CASE[found] if each[0] in _values(spec)), None)
    try:
        ways = offered_up(spec, found, 1.5, MILLIMETRES)
    except SizeError:
        return
    assert piece
    for way in ways:
        before, after = _values(spec)[piece], _values(patched(spec, way.patch))[piece]
        assert after == pytest.approx(before, abs=0.01) or after == pytest.approx(before - 1.5, abs=0.51), way
    assert any(_values(patched(spec, way.patch))[piece] < _values(spec)[piece] for way in ways)


def _values(spec: JobSpec) -> dict[str, float]:
    return {each.id: each.value for each in plan(spec, drawn=()).quantities}
