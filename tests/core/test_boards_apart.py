"""A back board cut apart from the front one: pieces, cover, drawing and squares all know of it."""

from typing import Any

import pytest

from tests.conftest import STRUCTURES, codes, job_in, planned, value
from weald.core.drawing import Area
from weald.core.errors import SizeError
from weald.core.job.spec import JobSpec, read_spec
from weald.core.notation import MILLIMETRES
from weald.core.planning.offering import offered_up
from weald.core.planning.plan import Plan

BOARDED = [name for name, structure in STRUCTURES.items() if structure.boards]


def apart(job: dict[str, Any], width: float, height: float) -> Plan:
    whole = planned(job)
    sizes = {
        "back_board.width": value(whole, "board.width") + width,
        "back_board.height": value(whole, "board.height") + height,
    }
    return planned(job | {"measured": job.get("measured", {}) | sizes})


def extent(made: Plan, about: str) -> tuple[float, float]:
    """Width and height of the board drawn on the case laid flat."""
    for drawing in made.drawings:
        for element in drawing.elements if drawing.id.startswith("case.flat") else ():
            if isinstance(element, Area) and element.material == "board" and about in element.about.split():
                xs, ys = zip(*element.points, strict=True)
                return max(xs) - min(xs), max(ys) - min(ys)
    raise AssertionError(f"no {about} is drawn")


@pytest.mark.parametrize("structure", BOARDED)
def test_every_structure_with_boards_cuts_draws_and_covers_both(structure: str) -> None:
    job = job_in(structure)
    whole, made = planned(job), apart(job, -3.0, -2.0)
    front = (value(made, "board.width"), value(made, "board.height"))
    back = (front[0] - 3, front[1] - 2)
    cut = {each.id: each for each in made.pieces}
    assert cut["board"].count == cut["board_back"].count == 1
    assert cut["board"].width - cut["board_back"].width == pytest.approx(3)
    assert cut["board"].height - cut["board_back"].height == pytest.approx(2)
    assert extent(made, "board.width") == pytest.approx(front)
    assert extent(made, "back_board.width") == pytest.approx(back)
    assert value(made, "book.weight") < value(whole, "book.weight")
    if structure != "link_stitch":
        assert value(made, "cover.width") == pytest.approx(value(whole, "cover.width") - 3)
        assert value(made, "closed_back.fore_edge") == pytest.approx(value(made, "closed.fore_edge") - 3)
        assert value(made, "closed_back.head") == pytest.approx(value(made, "closed.head") - 1)
        off = [each for each in made.findings if each.code == "squares.off" and "back board" in each.message]
        assert {each.about for each in off} >= {"closed_back.fore_edge"}
        for found in off:
            cured = planned(job | {"measured": measured_by(made, found.actions[0].patch)})
            assert found.about not in {each.about for each in cured.findings if each.code == "squares.off"}


def measured_by(made: Plan, patch: dict[str, Any]) -> dict[str, float]:
    kept = {each.id: each.measured for each in made.quantities if each.measured is not None}
    return kept | {path.removeprefix("measured."): size for path, size in patch.items()}


def test_front_and_back_are_offered_up_apart() -> None:
    spec = read_spec({})
    board = value(planned({}), "board.width")
    cut, left = offered_up(spec, "wide", 2.0, MILLIMETRES, "front")
    assert cut.words.startswith("Cut the front board to ")
    assert "the other stays" in cut.words
    # what is said is what is cut: a mark of the ruler
    assert float(cut.patch["measured.board.width"]) % 0.5 == 0  # type: ignore[arg-type]
    assert f"to {cut.patch['measured.board.width']:g} mm" in cut.words
    assert cut.patch == {
        "measured.board.width": pytest.approx(board - 2, abs=0.25),
        "measured.back_board.width": round(board, 3),
    }
    assert left.patch["measured.board.width"] == left.patch["measured.back_board.width"]
    anew, _ = offered_up(spec, "tall", -1.5, MILLIMETRES, "back")
    assert anew.words.startswith("Cut the back board again")
    made = planned({"measured": {path.removeprefix("measured."): v for path, v in anew.patch.items()}})
    assert value(made, "back_board.height") - value(made, "board.height") == pytest.approx(1.5)
    assert value(made, "cover.height") == pytest.approx(value(made, "back_board.height") + 2 * 18)
    # boards that differ already are both cut, each from its own size
    differing = JobSpec.model_validate(spec.model_dump() | {"measured": {"back_board.width": board - 1}})
    both, _ = offered_up(differing, "wide", 2.0, MILLIMETRES)
    assert both.patch == {
        "measured.board.width": pytest.approx(board - 2, abs=0.25),
        "measured.back_board.width": pytest.approx(board - 3, abs=0.25),
    }


def test_a_cover_of_one_piece_is_not_cut_apart() -> None:
    with pytest.raises(SizeError, match="one piece"):
        offered_up(read_spec({"binding": {"structure": "wrapper"}}), "tall", 1.0, MILLIMETRES, "front")
    made = planned({"binding": {"structure": "wrapper"}, "measured": {"back_board.width": 120}})
    assert "measured.unused" in codes(made)


def test_the_printed_cover_puts_the_spine_where_the_boards_leave_it() -> None:
    job = job_in("printed_case")
    made = apart(job, -5.0, 0.0)
    art = made.cover_art
    assert art is not None
    zones = {zone.kind: zone for zone in art.zones if zone.kind in ("back", "front")}
    assert zones["front"].width - zones["back"].width == pytest.approx(5)
    assert zones["back"].width == pytest.approx(value(made, "back_board.width"))


def test_what_lies_on_or_between_boards_follows_both() -> None:
    job = {"binding": {"covering": "half", "material": "leather", "cover_thickness": 1.0}}
    made = apart(job, -4.0, 6.0)
    front, back = value(made, "board.width"), value(made, "back_board.width")
    pieces = {each.id: each for each in made.pieces}
    assert pieces["infill_inside"].width - pieces["infill_inside_back"].width == pytest.approx(front - back)
    assert pieces["infill_back"].height == pytest.approx(value(made, "back_board.height"))
    # drawn as high as it is cut: spine, strip and joints reach from end to end of the taller board
    assert pieces["spine_board"].height == pytest.approx(value(made, "back_board.height"))
    assert extent(made, "spine_board.width")[1] == pytest.approx(pieces["spine_board"].height)
    # the narrower square is the one a growing paste-down reaches first
    assert value(made, "closed_back.fore_edge") < value(made, "closed.fore_edge")
    growth, trim = value(made, "pastedown.growth"), value(made, "pastedown.trim")
    assert trim == pytest.approx(max(0.0, 3.0 + growth - value(made, "closed_back.fore_edge")))


def test_the_back_board_comes_out_of_the_stock_chosen_for_the_boards() -> None:
    stock = {"board": {"name": "Greyboard", "width": 700, "height": 1000, "grain": "height"}}
    made = apart({"stock": stock}, -3.0, 0.0)
    pieces = {each.id: each for each in made.pieces}
    assert pieces["board_back"].stock == pieces["board"].stock == "Greyboard"
