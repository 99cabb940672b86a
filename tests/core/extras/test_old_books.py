"""Old books judged and copied: a damaged volume made again from its measures."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import settings as hypothesis_settings
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from tests.core.extras.made_up import EXTRAS, merged
from weald.core.extras.finishing.old_lines import type_as_long
from weald.core.extras.finishing.setting import set_words
from weald.core.job.extras.old_books import OldLine
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec, read_spec
from weald.core.planning.plan import Plan, plan


def taken(spec: JobSpec) -> JobSpec:
    """The job once it has been made like the old book."""
    action = next(each for each in plan(spec).findings if each.code == "copied.take").actions[0]
    return patched(spec, action.patch)


def judged(**entries: Any) -> Plan:
    return planned({"extras": {"judged": entries}})


def test_what_is_not_measured_is_asked_for_and_not_judged() -> None:
    nothing = judged()
    assert "judged.mark" not in {each.id for each in nothing.quantities}
    asked = [look.text for look in nothing.looks if look.station == "record"]
    assert len(asked) == 9
    assert any("calliper" in each for each in asked)
    assert len([look for look in judged(lettering_off=0.2).looks if look.station == "record"]) == 8


def test_a_book_judged_by_hand() -> None:
    # heads 3 and 4: out; 0.4 of warp on 141: within 1.41; joints worn ½, paper broken 0: 1½ of 4, and
    # leaning 3 of 210, where 1.05 is the most, makes it 1½ of 5
    made = planned(EXTRAS["judged"])
    assert value(made, "judged.mark") == pytest.approx(10 * 1.5 / 5)
    assert {"judged.beyond", "judged.worn", "judged.broken"} <= codes(made)
    said = [each.message for each in made.findings if each.code == "judged.beyond"]
    assert len(said) == 2
    assert "1 mm out" in said[0]


@given(st.lists(st.floats(0, 12), min_size=2, max_size=2))
def test_squares_pass_as_long_as_they_differ_by_half_a_millimetre(squares: list[float]) -> None:
    front, back = (round(each, 2) for each in squares)
    beyond = "judged.beyond" in codes(judged(head_front=front, head_back=back))
    assert beyond == (abs(front - back) > 0.5 + 1e-6)


def test_a_job_is_made_like_an_old_book() -> None:
    spec = read_spec(merged(job_in("laced_boards"), EXTRAS["copied"]))
    assert "copied.differs" in codes(plan(spec))
    like = taken(spec)
    made = plan(like)
    assert "copied.alike" in codes(made)
    assert not {"copied.take", "copied.differs"} & codes(made)
    assert (value(made, "board.height"), value(made, "board.width")) == (
        pytest.approx(216),
        pytest.approx(141, abs=0.25),
    )
    assert value(made, "block.thickness") == 25
    assert value(made, "sections.count") == 25
    assert [each.place for each in like.extras.bands.bands] == [40, 90]  # type: ignore[union-attr]


@pytest.mark.parametrize(
    "bound_as", ["flat_case", "rounded_case", "split_boards", "lapped_cords", "laced_boards"]
)
@pytest.mark.parametrize("inset", [None, 6])
def test_what_was_measured_comes_out_as_measured(bound_as: str, inset: float | None) -> None:
    old = {
        "board_height": 217,
        "board_width": 142.5,
        "board": 2.4,
        "height": 210,
        "width": 140,
        "inset": inset,
    }
    made = plan(taken(read_spec(merged(job_in(bound_as), {"extras": {"copied": old}}))))
    assert value(made, "board.height") == pytest.approx(217)
    assert value(made, "board.width") == pytest.approx(142.5, abs=0.01)
    assert value(made, "board.thickness") == pytest.approx(2.4)
    boards = next(piece for piece in made.pieces if piece.id == "board")
    assert (boards.width, boards.height) == (pytest.approx(142.5, abs=0.01), pytest.approx(217))
    assert ("copied.inset" in codes(made)) == (inset is None)
    assert not {"copied.take", "copied.differs", "squares.off"} & codes(made)


def test_heads_of_their_own_and_a_back_board_of_its_own_are_taken_over() -> None:
    # 216 − 210 leaves 6: 2 at the head, so 4 at the tail
    old = {**EXTRAS["copied"]["extras"]["copied"], "head": 2, "back_height": 215, "back_width": 140}
    taken_over = taken(read_spec(merged(job_in("laced_boards"), {"extras": {"copied": old}})))
    made = plan(taken_over)
    squares = taken_over.binding.squares
    assert (squares.head, squares.tail) == (2, 4)
    assert (value(made, "back_board.height"), value(made, "back_board.width")) == (215, 140)
    assert "copied.differs" not in codes(made)


@given(
    bound_as=st.sampled_from(["flat_case", "split_boards", "laced_boards"]),
    sizes=st.tuples(st.floats(1, 3000), st.floats(1, 3000)),
    head=st.floats(0, 60),
    inset=st.floats(0, 60),
)
@hypothesis_settings(max_examples=40)
def test_even_what_was_measured_wrongly_can_be_taken_over(
    bound_as: str, sizes: tuple[float, float], head: float, inset: float
) -> None:
    high, wide = sizes
    old = {"board_height": high, "board_width": wide, "head": head, "inset": inset}
    assert plan(taken(read_spec(merged(job_in(bound_as), {"extras": {"copied": old}}))))


def test_lettering_stands_where_it_stood_as_long_as_it_was() -> None:
    lines = [
        {"text": "TIDE TABLES", "place": 65, "high": 4, "long": 20},
        {"text": "II", "place": 100, "high": 3},
    ]
    # the same words twice, in two sizes
    twice = [*lines, {"text": "II", "place": 150, "high": 5}]
    both = {**EXTRAS["copied"]["extras"]["copied"], "lettering": twice}
    assert "copied.lettering" not in codes(
        plan(taken(read_spec(merged(job_in("laced_boards"), {"extras": {"copied": both}}))))
    )
    old = {**EXTRAS["copied"]["extras"]["copied"], "lettering": lines}
    like = taken(
        read_spec(merged(job_in("laced_boards"), {"text": {"pages": 400}, "extras": {"copied": old}}))
    )
    made = plan(like)
    assert "copied.alike" in codes(made)
    assert value(made, "finishing.longest") == pytest.approx(20, abs=0.05)
    assert "title.capital" not in {each.id for each in made.quantities}
    assert [line.panel for line in like.extras.finishing.lines] == [2, 3]  # type: ignore[union-attr]
    # with type of one's own that is wider it is said: ten letters of 3, eight gaps of ½, a space of 2
    own = {
        "types": [{"name": "mine", "capital": 4, "usual": 3, "narrow": 3, "wide": 3, "gap": 0.5, "space": 2}]
    }
    set_anew = [
        {"what": "words", "text": line["text"], "place": line["place"], "by": "mine"} for line in lines
    ]
    made = planned(
        merged(
            job_in("laced_boards"),
            {"extras": {"copied": old, "finishing": {**own, "lines": set_anew}}},
        )
    )
    said = [each.message for each in made.findings if each.code == "copied.lettering"]
    assert len(said) == 2
    assert "36 mm long" in said[0]
    assert "20 mm long" in said[0]
    assert "3 mm high" in said[1]


@given(st.text(max_size=80), st.floats(0.2, 80), st.floats(0.01, 3000))
def test_type_is_found_for_whatever_was_measured(text: str, high: float, long: float) -> None:
    one_line = "".join(sign for sign in text if sign.isprintable())
    type = type_as_long(OldLine(text=one_line, high=high, long=long), "old line 1")
    assert type.capital == high
    if type.narrow > 0.3 and type.wide < 80 and type.gap < 20 and type.space < 40 and one_line.strip():
        assert set_words(one_line, type).length == pytest.approx(long, rel=0.02)


@given(
    leaves=st.integers(8, 400),
    sections=st.integers(1, 40),
    height=st.floats(90, 400),
    square=st.floats(1, 8),
    board=st.floats(1, 4),
)
@hypothesis_settings(max_examples=60)
def test_whatever_was_measured_comes_out(
    leaves: int, sections: int, height: float, square: float, board: float
) -> None:
    tall = round(height, 1)
    old = {
        "height": tall,
        "width": round(0.7 * tall, 1),
        "thickness": round(leaves * 0.12 + 1, 1),
        "leaves": leaves,
        "sections": min(sections, leaves // 4),
        "board_height": round(tall + 2 * square, 2),
        "board_width": round(0.7 * tall + square - 4, 2),
        "board": round(board, 1),
        "inset": 5,
    }
    spec = read_spec({"extras": {"copied": old}})
    made = plan(taken(spec))
    for quantity, entry in (
        ("board.height", "board_height"),
        ("board.width", "board_width"),
        ("block.height", "height"),
    ):
        assert value(made, quantity) == pytest.approx(old[entry], abs=0.26), quantity
    assert value(made, "block.thickness") == old["thickness"]


def test_a_damaged_volume_of_a_set_is_copied_whole() -> None:
    """Old measures, plates on guards, bands, lettering with the tools there are, and a jacket: one job."""
    extras = {
        **EXTRAS["copied"]["extras"],
        **EXTRAS["plates"]["extras"],
        **EXTRAS["finishing"]["extras"],
        "jacket": {},
        "backing": EXTRAS["backing"]["extras"]["backing"],
    }
    job = merged(job_in("laced_boards"), {**EXTRAS["finishing"], "extras": extras})
    job["sewing"] = {**job["sewing"], "method": "raised_cords", "support_width": 3}
    made = plan(taken(read_spec(job)))
    assert not [each for each in made.findings if each.severity == "stop"]
    cut = {each.id for each in made.pieces}
    assert {"board", "cover", "plate_guard", "map_guard", "stub", "panel_label_1", "jacket"} <= cut
    drawn = {each.id for each in made.drawings}
    assert {
        "finish.finishing",
        "finish.jacket",
        "boards.bands",
        "folding.plates",
        "block.backing",
        "sewing.places",
    } <= drawn
    assert value(made, "jacket.height") == pytest.approx(value(made, "board.height") - 1)
