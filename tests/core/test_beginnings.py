"""What lies on the bench, and the job that follows: sizes of a block that is there stand as measured."""

from typing import Any

import pytest

from weald.core.errors import SpecError
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
    assert [each.code for each in made.findings if each.severity != "note"] == []
    sizes = {each.id: each.value for each in made.quantities}
    if beginning.measured:
        block = (sizes["block.width"], sizes["block.height"], sizes["block.thickness"])
        assert block == (135, 200, 18)
        # a hundred leaves as thick as the block says
        assert sizes["paper.calliper"] == pytest.approx(0.18)
    if beginning.brings:
        assert (spec.leaf.width, spec.text.pages) == (148, 100)


def test_inches_are_read_as_inches() -> None:
    typed = {**ANSWERS, "width": "5 1/4", "height": "8", "thickness": "3/4", "board": "5/64"}
    spec = read_spec(job_of_beginning("sewn", typed, None, Notation("inch")), Notation("inch"))
    assert spec.measured["block.width"] == pytest.approx(133.35)
    assert spec.leaf.width == pytest.approx(133.35)


@pytest.mark.parametrize(
    ("kind", "typed", "wrong"),
    [
        ("sewn", {"thickness": ""}, "thickness"),
        ("loose", {"width": "wide"}, "width"),
        ("paperback", {"height": "1/0"}, "height"),
    ],
)
def test_what_has_to_be_measured_is_asked_for_by_name(kind: Any, typed: dict[str, str], wrong: str) -> None:
    with pytest.raises(SpecError) as error:
        job_of_beginning(kind, ANSWERS | typed, None, MILLIMETRES)
    assert list(error.value.fields) == [wrong]


def test_a_text_has_to_be_there() -> None:
    with pytest.raises(SpecError):
        job_of_beginning("pdf", ANSWERS, None, MILLIMETRES)
