"""Which dimension of a drawing is the field for what: never for a size whose figure it is not."""

import pytest

from tests.conftest import STRUCTURES, job_in
from weald.core.drawing import Dimension
from weald.core.job.asked import in_forms
from weald.core.job.patching import value_at
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan

ENTRIES = {path for path, _, _ in in_forms()}
NOTATIONS = [Notation("mm", 0.5, 32), Notation("inch", 0.5, 32), Notation("both", 0.5, 32)]


def dimensions(made: Plan) -> list[Dimension]:
    return [each for drawing in made.drawings for each in drawing.elements if isinstance(each, Dimension)]


@pytest.mark.parametrize("notation", NOTATIONS, ids=lambda each: each.units)
@pytest.mark.parametrize("structure", STRUCTURES)
def test_a_figure_is_that_of_the_size_it_is_the_field_for(structure: str, notation: Notation) -> None:
    spec = read_spec(job_in(structure))
    made = plan(spec, notation)
    sizes: dict[str, float] = {each.id: each.value for each in made.quantities}
    told = [each for each in dimensions(made) if each.figure_of]
    assert told
    for each in told:
        entry = each.figure_of in ENTRIES
        value = float(str(value_at(spec, each.figure_of))) if entry else sizes[each.figure_of]
        assert each.text.removeprefix("≈ ") in (notation.figure(value), notation.thickness(value)), each
    for each in dimensions(made):
        assert each.figure_of == "" or each.figure_of in each.about.split()


@pytest.mark.parametrize("structure", ["flat_case", "rounded_case", "split_boards"])
def test_the_squares_are_fields_where_the_closed_case_shows_them(structure: str) -> None:
    fields = {each.figure_of for each in dimensions(plan(read_spec(job_in(structure)), drawn=("boards",)))}
    assert fields >= {"closed.head", "closed.tail", "closed.fore_edge", "binding.turn_in", "board.width"}


def test_what_is_counted_on_from_the_head_is_no_field_for_what_lies_between() -> None:
    made = plan(read_spec(job_in("flat_case")), drawn=("sewing",))
    between = next(each.shown for each in made.quantities if each.id == "sewing.interval")
    along = [each for each in dimensions(made) if "sewing.interval" in each.about.split()]
    assert len({each.text for each in along}) > 2
    assert {each.text for each in along if each.figure_of} <= {between.removesuffix(" mm")}


def test_a_measured_size_stands_as_it_was_measured_and_is_still_its_field() -> None:
    job = job_in("flat_case") | {"measured": {"spine_board.width": 18.37}}
    made = plan(read_spec(job), drawn=("boards",))
    told = [each.text for each in dimensions(made) if each.figure_of == "spine_board.width"]
    assert set(told) == {"18.37"}
