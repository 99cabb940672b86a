"""Whatever is added: offered where it suits and nowhere else, combined freely, never wrong in a sum."""

from typing import Any, get_args

import pytest
from hypothesis import given
from hypothesis import settings as hypothesis_settings
from hypothesis import strategies as st

from tests.conftest import STRUCTURES, codes, job_in, planned
from tests.core.extras.made_up import EXTRAS as MADE_UP
from tests.core.test_drawings import points_of
from weald.core.drawing import Drawing
from weald.core.extras.catalogue import EXTRAS, every_extra
from weald.core.job.extras.group import ExtraName, Extras
from weald.core.job.spec import JobSpec
from weald.core.notation import MILLIMETRES
from weald.core.planning.plan import Plan, plan
from weald.core.quantities import QUANTITIES


def combined(structure: str, names: list[str]) -> dict[str, Any]:
    """A job in one structure with several extras, each as it is made up."""
    job = job_in(structure)
    job["extras"] = {key: value for name in names for key, value in MADE_UP[name]["extras"].items()}
    return job


def test_every_extra_has_its_name_its_record_and_a_made_up_job() -> None:
    names = set(get_args(ExtraName))
    assert set(Extras.model_fields) == names == set(EXTRAS)
    assert names <= set(MADE_UP)


def test_every_record_says_what_it_is_and_begins_with_a_job_that_is_read() -> None:
    for record in every_extra(MILLIMETRES):
        assert all((record.title, record.good_for, record.picture.elements)), record.name
        assert bool(record.fields) == bool(EXTRAS[record.name].entries.model_fields), record.name
        assert planned({"extras": {record.name: record.begins}}), record.name
        for field in record.fields:
            assert field.label, record.name
            assert field.kind != "choice" or len(field.options) > 1, (record.name, field.key)


def test_nothing_is_offered_that_does_not_suit() -> None:
    notebook = plan(JobSpec()).extras
    assert "finishing" in notebook.offered
    assert not notebook.used
    booklet = planned(job_in("saddle_stitch")).extras
    assert not {"slipcase", "box", "jacket", "ends", "places", "stitching"} & set(booklet.offered)


@pytest.mark.parametrize("structure", STRUCTURES)
def test_what_does_not_suit_is_said_and_changes_nothing(structure: str) -> None:
    made = planned(combined(structure, ["jacket", "box", "slipcase"]))
    plain = planned(job_in(structure))
    if "jacket" in plain.extras.offered:
        assert "extra.unsuited" not in codes(made)
        assert len(made.pieces) > len(plain.pieces)
    else:
        assert "extra.unsuited" in codes(made)
        assert [each.id for each in made.pieces] == [each.id for each in plain.pieces]


def pieces_stand(made: Plan) -> None:
    for piece in made.pieces:
        assert min(piece.width, piece.height, piece.count) > 0, piece.id
    for each in made.quantities:
        assert each.value >= 0 or QUANTITIES[each.id].kind != "length" or each.id.startswith("closed"), (
            each.id
        )


def inside_its_extent(drawing: Drawing) -> bool:
    left, top, right, bottom = drawing.extent
    return all(
        left - 200 <= x <= right + 200 and top - 200 <= y <= bottom + 200
        for element in drawing.elements
        for x, y in points_of(element)
    )


@given(
    structure=st.sampled_from(sorted(STRUCTURES)),
    names=st.lists(st.sampled_from(sorted(MADE_UP)), unique=True, max_size=6),
    # what is arranged adds up to four, and one section of 41 sheets is refused
    pages=st.integers(1, 156),
    height=st.floats(60, 420),
)
@hypothesis_settings(max_examples=120)
def test_any_combination_is_planned(structure: str, names: list[str], pages: int, height: float) -> None:
    job = combined(structure, names)
    job["text"] = {**job.get("text", {}), "pages": pages}
    job["leaf"] = {**job.get("leaf", {}), "height": round(height, 1)}
    made = planned(job)
    for each in made.quantities:
        assert each.value == each.value, each.id
    for drawing in made.drawings:
        assert inside_its_extent(drawing), drawing.id
    if not any(each.severity == "stop" for each in made.findings):
        pieces_stand(made)
        for piece in made.pieces:
            across = ("slipcase_top", "box_tray_cover", "box_lid_cover", "box_outer_cover", "text_sheet")
            assert piece.grain in ("height", "any") or piece.id in across, piece.id


def test_what_contradicts_is_said_with_both_ways_out() -> None:
    made = planned({"extras": {"torn": {}, "from_boards": {}}})
    said = next(each for each in made.findings if each.code == "extra.contradicts")
    assert [each.patch for each in said.actions] == [{"extras.torn": None}, {"extras.from_boards": None}]
    assert "extra.contradicts" in codes(made)


def test_unused_extras_are_not_even_looked_at() -> None:
    assert list(JobSpec().extras.used()) == []
    assert planned({"extras": {}}).quantities == planned({}).quantities
