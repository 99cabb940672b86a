"""What is possible and hardly meant is doubted; and a plain job begins without a warning."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import STRUCTURES, codes, job_in, planned, quantity, value
from weald.core.job.asked import in_forms
from weald.core.job.patching import with_entry
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.plan import plan
from weald.core.quantities import QUANTITIES


def doubted(job: dict[str, Any]) -> list[str]:
    return [each.about for each in planned(job).findings if each.code == "entry.unusual"]


@pytest.mark.parametrize(
    ("path", "odd"),
    [
        ("binding.squares.head", 50),
        ("sewing.kettle", 60),
        ("sewing.tail_more", 60),
        ("binding.turn_in", 80),
        ("binding.cut_in_case", 50),
        ("leaf.trim.head", 200),
        ("leaf.trim.fore_edge", 200),
        ("paper.spoilage", 100),
        ("sewing.thread", 0),
        ("sewing.thread", 0.01),
        ("paper.bulk", 4),
        ("folding.creep_factor", 0),
        ("folding.creep_factor", 4),
        ("leaf.width", 20),
        ("block.mull_overlap", 60),
    ],
)
def test_an_absurd_entry_is_doubted_with_what_is_usual(path: str, odd: float) -> None:
    job = with_entry({"text": {"pages": 256}}, path.split("."), odd)
    assert path in doubted(job)
    found = next(
        each for each in planned(job).findings if each.about == path and each.code == "entry.unusual"
    )
    assert "usual" in found.remedy
    assert found.severity == "mind"


def test_what_is_usual_is_not_doubted() -> None:
    for name in STRUCTURES:
        assert doubted(job_in(name)) == [], name
    plain = read_spec({})
    usual = {path: entry.usual for path, _, entry in in_forms() if entry.usual}
    assert len(usual) >= 18
    for path, each in usual.items():
        for edge in (each.least, each.most):
            if edge:
                job = with_entry(plain.model_dump(), path.split("."), edge)
                assert path not in doubted(job), path


def test_pieces_wider_than_what_they_lie_on_are_doubted() -> None:
    narrow = {"leaf": {"width": 60}, "binding": {"turn_in": 70, "structure": "strip_case", "overlap": 100}}
    found = {each.about for each in planned(narrow).findings if each.code == "piece.beyond"}
    assert {"turn_in.inside", "strip.width"} <= found
    mull = {"leaf": {"width": 45}, "block": {"mull_overlap": 60}}
    assert "mull.width" in {each.about for each in planned(mull).findings if each.code == "piece.beyond"}
    holes = job_in("laced_boards") | {"measured": {"lacing.second": 180}}
    assert "hole.beyond" in codes(planned(holes))


@pytest.mark.parametrize("name", STRUCTURES)
def test_a_job_with_no_entries_of_its_own_begins_without_a_warning(name: str) -> None:
    from weald.core.bindings.catalogue import STRUCTURES as CATALOGUE
    from weald.core.bindings.choosing import choosing_patch
    from weald.core.job.patching import patched

    plain = read_spec({})
    if name == "flat_case":
        assert [each.code for each in plan(plain).findings if each.severity != "note"] == []
    chosen = plan(patched(plain, choosing_patch(plain, CATALOGUE[name])))  # type: ignore[index]
    mine = {"entry.unusual", "piece.beyond", "joint.stiff", "squares.off", "trim.in_boards", "measured.far"}
    assert not mine & {each.code for each in chosen.findings}


wild = st.fixed_dictionaries(
    {
        "width": st.floats(10, 60),
        "inset": st.floats(0, 60),
        "square": st.floats(0, 1),
        "joint": st.floats(1, 60),
        "name": st.sampled_from(sorted(STRUCTURES)),
    }
)


@given(wild)
def test_a_plan_that_is_stopped_shows_no_negative_sizes(size: dict[str, Any]) -> None:
    made = planned(
        {
            "leaf": {"width": size["width"], "height": 80},
            "binding": {
                "structure": size["name"],
                "joint_rule": "fixed",
                "joint": size["joint"],
                "inset": size["inset"],
                "squares": {"head": 0, "tail": 0, "fore_edge": size["square"]},
            },
        }
    )
    for each in made.quantities:
        if QUANTITIES[each.id].kind == "length":
            assert each.value >= 0, each.id
            assert not each.shown.startswith(("-", "−")), each.id
    assert all(each.width > 0 and each.height > 0 for each in made.pieces)


def test_sizes_measured_and_bought_are_shown_as_they_are() -> None:
    made = planned({"measured": {"block.thickness": 21.4}, "binding": {"board": 1.6}})
    assert quantity(made, "block.thickness").shown == "21.4 mm"
    assert quantity(made, "board.thickness").shown == "1.6 mm"
    board = next(term for term in quantity(made, "turn_in.inside").terms if term.about == "board.thickness")
    assert board.shown == "1.6 mm"
    spine = next(each for each in made.drawings if each.id == "block.tail")
    assert "21.4" in {element.text for element in spine.elements if element.kind == "dimension"}
    gauge = planned({"binding": {"joint_rule": "fixed", "joint": 6.35}})
    assert quantity(gauge, "joint.gap").shown == "6.35 mm"


@given(st.floats(0.1, 300), st.floats(0.1, 300), st.sampled_from(["mm", "inch", "both"]))
def test_a_size_and_the_limit_it_breaks_never_look_the_same(value: float, limit: float, units: Any) -> None:
    limit = round(limit, 1)
    if abs(value - limit) < 0.002:
        return
    shown, bound = Notation(units=units).apart(value, limit)
    assert shown != bound


def test_the_limit_broken_is_told_apart_in_findings() -> None:
    made = planned({"measured": {"block.thickness": 3.8}})
    found = next(each for each in made.findings if each.code == "suits.thin")
    assert "3.8 mm" in found.message
    assert "4 mm" in found.remedy


def test_pounds_are_exact() -> None:
    made = planned({"paper": {"basis": {"pounds": 20, "grade": "bond"}}})
    # 20 lb = 9071.8474 g for 500 sheets of 17 × 22 in = 0.2412898 m²
    assert value(made, "paper.grammage") == pytest.approx(9071.8474 / (500 * 17 * 22 * 0.0254**2))


def test_counts_of_one_are_said_as_one() -> None:
    one = {"text": {"pages": 1}, "sewing": {"supports": 1}, "leaf": {"height": 280}}
    texts = [text for each in planned(one).findings for text in (each.message, each.remedy)]
    for text in texts:
        assert "1 pages" not in text
        assert "1 supports" not in text
        assert "1 sheets" not in text
    assert any(text.startswith("1 page ") or text.startswith("1 support ") for text in texts)


def test_sheets_to_print_are_rounded_once_and_as_written() -> None:
    ten = planned({"text": {"pages": 200}, "paper": {"spoilage": 10}})
    assert quantity(ten, "printed.sheets").sum == "50 × 1 × (1 + 10 / 100), rounded up = 55"
    two = planned({"text": {"pages": 32}, "paper": {"spoilage": 5}, "printing": {"repeat": {"columns": 2}}})
    assert quantity(two, "printed.sheets").sum == "8 × 1 × (1 + 5 / 100), rounded up = 9"
    many = planned({"text": {"pages": 32}, "copies": 5, "printing": {"repeat": {"columns": 2}}})
    assert quantity(many, "printed.sheets").sum == "8 × 3 × (1 + 5 / 100), rounded up = 26"


def test_a_picture_beyond_the_last_page_is_said() -> None:
    assert "spread.beyond" in codes(planned({"text": {"pages": 60, "spreads": "24, 80"}}))
    assert "spread.beyond" not in codes(planned({"text": {"pages": 60, "spreads": "24"}}))


def test_labels_move_out_of_the_printers_edge_or_their_loss_is_said() -> None:
    edge = {"printing": {"printer": {"unprintable": 6}}}
    lost = planned(edge)
    assert "printed.marks_lost" in codes(lost)
    room = planned({"printing": {"printer": {"unprintable": 6}, "sheet": {"width": 330, "height": 260}}})
    assert "printed.marks_lost" not in codes(room)
    sheet = next(each for each in room.drawings if each.id == "printing.sheet")
    labels = [each for each in sheet.elements if each.kind == "label" and "signature" in each.text]
    assert labels
    assert all(each.y >= 6 for each in labels)


def test_a_booklet_is_not_told_to_widen_a_spine_it_has_not() -> None:
    job = job_in("saddle_stitch") | {"artwork": {"rules": {"name": "Harbour Print", "least_spine": 6}}}
    about = {each.about for each in planned(job).findings if each.code == "rules.departs"}
    assert "finish.width" not in about
    case = job_in("printed_case") | {"artwork": {"rules": {"name": "Harbour Print", "least_spine": 60}}}
    assert "finish.width" in {each.about for each in planned(case).findings if each.code == "rules.departs"}


def test_where_the_paper_lies_across_all_say_the_same() -> None:
    across = planned({"paper": {"sheet": {"width": 300, "height": 230, "grain": "width"}}})
    assert "grain.across" in codes(across)
    assert "across the spine" in across.grain_needed
    assert any("grain along the width" in words for words in across.printing)
    for drawing_id in ("folding.section", "printing.sheet"):
        drawing = next(each for each in across.drawings if each.id == drawing_id)
        grains = {each.angle for each in drawing.elements if each.kind == "hatch" and each.layer == "grain"}
        assert grains == {0}, drawing_id
    right = planned({})
    assert "across" not in right.grain_needed
    assert any("grain along the height" in words for words in right.printing)


def test_gauges_in_inches_make_sense_or_stay_unsaid() -> None:
    from weald.core.planning.house import gauge_hints, read_house

    house = read_house({"gauges": [6.35, 7.2, 19.05]})
    reader = Notation(units="inch")
    spec = read_spec({"binding": {"joint_rule": "fixed", "joint": 7.1, "turn_in": 18}})
    made = plan(spec, reader)
    words = [each.words for each in gauge_hints(spec, {q.id: q for q in made.quantities}, house, reader)]
    assert words == ["Your nearest gauge for the turn-in is 3/4″: 3/64″ wider"]
    assert MILLIMETRES.difference(0.65) == "0.65 mm"
