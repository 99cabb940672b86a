"""The case closed with its pieces as they are, and the cloth walked a second way."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, planned, quantity, value
from weald.core.drawing import Area
from weald.core.job.patching import patched
from weald.core.job.spec import read_spec
from weald.core.planning.plan import Plan, plan


def walked(made: Plan) -> float:
    """Where the boards of a flat case begin: the cloth walked in small steps round the spine board as cut.

    It is glued to the outside of the spine board, whose own edge it may have to go round, touches the floor
    of the groove half-way, and comes up to the board. Shares nothing with the product.
    """
    spine, thick = value(made, "spine_board.width") / 2, value(made, "spine_board.thickness")
    outside = value(made, "block.thickness") / 2 + value(made, "board.thickness")
    floor = outside - value(made, "joint.groove")
    best, least = 0.0, math.inf
    for step in range(8001):
        inset = step * 0.0025
        straight = math.dist((-thick, spine), (inset / 2, floor))
        # the level of the straight way where it passes the edge of the spine board
        level = spine + (floor - spine) * thick / (thick + inset / 2)
        round_it = thick + math.dist((0, spine), (inset / 2, floor))
        down = round_it if level < spine else straight
        length = down + math.dist((inset / 2, floor), (inset, outside))
        if abs(length - value(made, "joint.gap")) < least:
            best, least = inset, abs(length - value(made, "joint.gap"))
    return best


def case(rule: str, board: float, gap: float, **binding: Any) -> Plan:
    joint = {"joint_rule": "fixed", "joint": gap, "spine_rule": rule, "board": board}
    return planned({"binding": joint | binding})


@pytest.mark.parametrize(
    ("board", "gap", "rule", "square"),
    [
        (2, 7, "flush", 4.0),
        (2, 7, "flush_less_1", 4.55),
        (2, 7, "block_plus_1_5", 4.55),
        (2, 7, "block", 5.2),
        (3, 9, "flush", 4.0),
        (3, 9, "flush_less_1", 6.4),
        (3, 9, "block_plus_1_5", 6.9),
        (3, 9, "block", 8.5),
    ],
)
def test_every_school_of_spine_board_closes_with_its_own_square(
    board: float, gap: float, rule: str, square: float
) -> None:
    made = case(rule, board, gap)
    assert value(made, "closed.fore_edge") == pytest.approx(square, abs=0.06)
    # the sizes follow their school all the same
    inset = 2 * math.sqrt(max(0.0, ((gap - board) / 2) ** 2 - board**2))
    assert value(made, "board.width") == pytest.approx(140 - inset + 4)
    off = [each for each in made.findings if each.code == "squares.off"]
    assert bool(off) == (square > 4.5)
    for action in off[0].actions if off else ():
        cured = planned(
            {"binding": _entries(rule, board, gap, action.patch), "measured": _measured(action.patch)}
        )
        assert value(cured, "closed.fore_edge") == pytest.approx(4.0, abs=0.01), action.label
        assert "squares.off" not in codes(cured)


def _entries(rule: str, board: float, gap: float, patch: dict[str, Any]) -> dict[str, Any]:
    entries = {"joint_rule": "fixed", "joint": gap, "spine_rule": rule, "board": board}
    return entries | {path.split(".")[1]: new for path, new in patch.items() if path.startswith("binding.")}


def _measured(patch: dict[str, Any]) -> dict[str, Any]:
    return {
        path.removeprefix("measured."): new for path, new in patch.items() if path.startswith("measured.")
    }


@given(
    st.sampled_from(["flush", "flush_less_1", "block_plus_1_5", "block"]),
    st.floats(1, 3),
    st.floats(0, 6),
    st.floats(0, 1),
)
def test_the_boards_begin_where_the_cloth_walked_says(
    rule: str, board: float, more: float, groove: float
) -> None:
    gap = board + 2 * groove * board + 0.3 + more
    made = case(rule, board, gap, groove=groove)
    if "closed.parallel" in {each.id for each in made.quantities} or {
        "joint.too_tight",
        "case.gapes",
    } & codes(made):
        return
    assert value(made, "closed.inset") == pytest.approx(walked(made), abs=0.01)


def test_a_spine_board_far_too_wide_holds_the_boards_off_the_block() -> None:
    made = planned({"measured": {"block.thickness": 20, "spine_board.width": 40}})
    # joint 7, 2 of it over the board's edge: from 20 out the cloth comes down 5, to 15; boards lie at 12
    assert value(made, "closed.parallel") == pytest.approx(2 * 3)
    found = next(each for each in made.findings if each.code == "case.gapes")
    assert found.severity == "stop"
    assert "squares.off" not in codes(made)
    section = next(each for each in made.drawings if each.id == "case.section")
    boards = [each for each in section.elements if isinstance(each, Area) and each.material == "board"]
    assert min(abs(y) for _, y in boards[0].points) < 13 < max(abs(y) for _, y in boards[0].points)
    spine_edge = min(boards[0].points, key=lambda point: (point[0], abs(point[1])))
    assert abs(spine_edge[1]) == pytest.approx(13)
    flush = planned({"measured": {"block.thickness": 20}})
    assert "case.gapes" not in codes(flush)


def test_a_cover_too_small_for_its_boards_is_a_stop() -> None:
    plain = planned({})
    width, height = value(plain, "cover.width"), value(plain, "cover.height")
    for size, less in ((("cover.width", width), 34), (("cover.height", height), 34)):
        made = planned({"measured": {size[0]: size[1] - less}})
        found = next(each for each in made.findings if each.code == "cover.small")
        assert (found.severity, found.about) == ("stop", size[0])
    near = planned({"measured": {"cover.width": width - 16}})
    assert value(near, "turn_in.inside") == pytest.approx(18 - 8 - 2)
    assert "turn_in.short" in codes(near)
    assert next(each.width for each in near.pieces if each.id == "cover") == pytest.approx(width - 16)


def test_a_leaf_cut_smaller_than_its_page_is_a_stop() -> None:
    made = planned({"measured": {"leaf.untrimmed_width": 138}})
    assert "leaf.small" in codes(made)
    less = codes(planned({"measured": {"leaf.untrimmed_width": 142}}))
    assert "leaf.small" not in less
    assert "leaf.trimmed_small" in less


@pytest.mark.parametrize("board", [1, 1.5, 2, 2.5, 3, 3.5, 4])
def test_the_joint_taken_by_itself_never_begins_with_a_warning(board: float) -> None:
    made = planned({"binding": {"board": board}})
    assert not {"joint.stiff", "joint.too_tight", "squares.off"} & codes(made)
    assert value(made, "joint.ease") >= 1 - 1e-9


def test_thick_covering_counts_in_the_joint_and_in_the_squares_seen() -> None:
    thin, thick = (
        planned({"binding": {"cover_thickness": 0.5}}),
        planned({"binding": {"cover_thickness": 1.1}}),
    )
    assert value(thick, "joint.gap") == pytest.approx(value(thin, "joint.gap") + 0.6)
    assert value(thin, "closed.head") == pytest.approx(3)
    assert value(thick, "closed.head") == pytest.approx(3 + 1.1)
    assert quantity(thick, "joint.gap").sum == "7 + 0.6 = 7.6"


def test_boards_smaller_than_the_block_are_a_stop_with_a_remedy_that_holds() -> None:
    job = {"measured": {"board.height": 200, "board.width": 120}}
    made = planned(job)
    short = [each for each in made.findings if each.code == "squares.negative"]
    assert {each.severity for each in short} == {"stop"}
    assert len(short) == 3
    assert "17 mm inside" in next(each.message for each in short if "fore-edge" in each.message)
    for each in short:
        cured = plan(patched(read_spec(job), each.actions[0].patch))
        assert each.about not in {left.about for left in cured.findings if left.code == "squares.negative"}


def test_a_margin_as_wide_as_the_leaf_is_a_stop() -> None:
    made = planned({"endpapers": {"margin": 150}})
    found = next(each for each in made.findings if each.code == "pastedown.none")
    assert (found.severity, found.actions[0].patch) == ("stop", {"endpapers.margin": None})
    assert "-" not in next(each.shown for each in made.quantities if each.id == "pastedown.width")
