"""What lies on the bench, and the job that follows: sizes of a block that is there stand as measured."""

from typing import Any

import pytest

from weald.core.errors import SpecError
from weald.core.job.patching import patched
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.beginnings import BEGINNINGS, Beginning, job_of_beginning
from weald.core.planning.plan import plan

ANSWERS = {
    "title": "Log",
    "pages": "200",
    "width": "135",
    "height": "200",
    "thickness": "18",
    "grammage": "90",
    "board": "2",
}
TEXT: dict[str, Any] = {
    "file": "0" * 64,
    "pages": 100,
    "file_pages": 100,
    "page": {"width": 148.0, "height": 210.0},
}


@pytest.mark.parametrize("beginning", BEGINNINGS, ids=lambda each: each.id)
def test_every_beginning_plans_without_a_warning(beginning: Beginning) -> None:
    spec = read_spec(job_of_beginning(beginning.id, ANSWERS, TEXT, MILLIMETRES))
    made = plan(spec)
    found = [each.code for each in made.findings if each.severity != "note"]
    assert found == (["swell.much"] if beginning.id == "bound" else []), "mended folds swell"
    sizes = {each.id: each.value for each in made.quantities}
    if beginning.measured:
        assert (sizes["block.width"], sizes["block.height"], sizes["text.thickness"]) == (135, 200, 18)
        # a hundred leaves as thick as the block says
        assert sizes["paper.calliper"] == pytest.approx(0.18)
    if beginning.brings:
        assert (spec.leaf.width, spec.text.pages) == (148, 100)


def test_inches_are_read_as_inches() -> None:
    typed = {**ANSWERS, "width": "5 1/4", "height": "8", "thickness": "3/4", "board": "5/64"}
    spec = read_spec(job_of_beginning("sewn", typed, None, Notation("inch")), Notation("inch"))
    assert spec.measured["leaf.untrimmed_width"] == pytest.approx(133.35)
    assert spec.leaf.width == pytest.approx(133.35)


@pytest.mark.parametrize(
    ("kind", "typed", "wrong"),
    [
        ("sewn", {"thickness": ""}, "thickness"),
        ("folded", {"width": "wide"}, "width"),
        ("paperback_leaves", {"height": "1/0"}, "height"),
    ],
)
def test_what_has_to_be_measured_is_asked_for_by_name(kind: Any, typed: dict[str, str], wrong: str) -> None:
    with pytest.raises(SpecError) as error:
        job_of_beginning(kind, ANSWERS | typed, None, MILLIMETRES)
    assert list(error.value.fields) == [wrong]


def test_a_text_has_to_be_there() -> None:
    with pytest.raises(SpecError):
        job_of_beginning("pdf", ANSWERS, None, MILLIMETRES)


def _sizes(kind: Any, **patch: Any) -> dict[str, float]:
    spec = read_spec(job_of_beginning(kind, ANSWERS, TEXT, MILLIMETRES))
    return {each.id: each.value for each in plan(patched(spec, patch)).quantities}


@pytest.mark.parametrize("kind", ["folded", "sewn", "paperback_leaves"])
def test_trimming_a_block_that_is_there_makes_it_smaller(kind: Any) -> None:
    trimmed = _sizes(kind, **{"leaf.trim.head": 2, "leaf.trim.tail": 3, "leaf.trim.fore_edge": 4})
    assert (trimmed["block.width"], trimmed["block.height"]) == (131, 195)
    assert trimmed["leaf.untrimmed_width"] == 135


@pytest.mark.parametrize("kind", [each.id for each in BEGINNINGS if each.measured])
def test_new_endpapers_add_to_what_was_measured(kind: Any) -> None:
    few, many = (_sizes(kind, **{"endpapers.leaves": leaves}) for leaves in (2, 4))
    assert many["block.thickness"] > few["block.thickness"]


def test_a_paperback_sewn_on_tapes_is_told_it_has_no_folds_and_gets_no_signatures() -> None:
    spec = read_spec(job_of_beginning("paperback_leaves", ANSWERS, TEXT, MILLIMETRES))
    made = plan(patched(spec, {"sewing.method": "tapes", "extras.pulled": {"mended": 3}}))
    assert "sewing.no_folds" in [each.code for each in made.findings]
    assert "sewing.sections" not in {each.id for each in made.quantities}
    assert {"pull_down", "mend_folds"} <= {each.id for each in made.operations}
