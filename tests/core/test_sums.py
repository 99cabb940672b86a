"""Whoever works a sum again from the figures shown comes to the figure shown, in any unit."""

import contextlib
import random
import re
from collections.abc import Iterator
from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.made_up_jobs import made_up_job
from tests.core.sums import worked_out
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan
from weald.core.shelf.conversions import Quantity as Converting
from weald.core.shelf.conversions import convert
from weald.core.sums import Terms, in_figures, worked_by
from weald.core.units import Units

JOBS = 70


def made_up_plans(units: Units) -> Iterator[Plan]:
    """Plans of made-up jobs, as one reads them who reads these units."""
    chance = random.Random(f"sums in {units}")
    for _ in range(JOBS):
        with contextlib.suppress(SpecError):
            yield plan(read_spec(made_up_job(chance)), Notation(units=units), drawn=())


@pytest.mark.parametrize("units", get_args(Units))
def test_every_sum_comes_out_as_it_is_shown(units: Units) -> None:
    worked = 0
    for made in made_up_plans(units):
        for each in made.quantities:
            done = worked_out(each.sum) if each.sum else None
            if done is not None:
                worked += 1
                assert done.true, (each.id, each.sum, done.found)
    assert worked > 20 * JOBS


FIGURE = re.compile(r"\d+(?: \d+/\d+)?(?:/\d+)?(?:\.\d+)?(?:″| mm| %| kg| g)")
COMPARED = re.compile(r"\b(than|at most|at least|is the (least|most)|where|only)\b")


@pytest.mark.parametrize("units", get_args(Units))
def test_no_finding_compares_two_figures_that_read_the_same(units: Units) -> None:
    compared = 0
    for made in made_up_plans(units):
        for each in made.findings:
            # who reads both has the second unit in brackets; each unit is to tell them apart
            metric = FIGURE.findall(re.sub(r" \([^)]*″\)", "", each.message))
            if COMPARED.search(each.message) and len(metric) > 1:
                compared += 1
                assert len(set(metric)) == len(metric), each.message
    assert compared > JOBS // 4


@pytest.mark.parametrize(
    ("formula", "terms", "shown"),
    [
        ("{height} × {spare} + {tail}", {"height": 188.046, "spare": 1.15, "tail": 150.0}, "366.25"),
        ("{sections} × {thread}", {"sections": 32.0, "thread": 0.117}, "3.74"),
        ("({folios} − 1) × {step}", {"folios": 8.0, "step": 0.1697}, "1.19"),
    ],
)
def test_figures_are_given_the_digits_it_takes(formula: str, terms: dict[str, float], shown: str) -> None:
    work = worked_by(formula)
    assert work is not None
    made = in_figures(
        formula,
        tuple((name, "length", each) for name, each in terms.items()),
        "length",
        work(terms),
        Notation(),
    )
    assert made.endswith(f" = {shown}")
    done = worked_out(made)
    assert done is not None
    assert done.true


def test_a_formula_in_words_is_left_as_it_is() -> None:
    assert worked_by("the round whose arc is {swell} longer than {thickness}") is None
    assert worked_by("{pages} / {each}, rounded up, every {signature} filled") is None


def test_what_is_compared_in_a_sum_is_told_apart() -> None:
    terms: Terms = (("inside", "length", 4.0011), ("outside", "length", 4.0009))
    made = in_figures("nothing: {inside} is more than {outside}", terms, "length", 0.0, Notation())
    assert made == "nothing: 4.0011 is more than 4.0009 = 0"


@given(st.floats(0.02, 500), st.sampled_from(get_args(Converting)), st.floats(0.5, 3), st.integers(1, 400))
def test_a_conversion_comes_out_from_its_figures(
    value: float, unit: Converting, bulk: float, leaves: int
) -> None:
    for each in convert(value, unit, bulk=bulk, leaves=leaves):
        left, _, right = each.sum.rpartition(" = ")
        number = right.split()[0]
        digits = {"Thickness of a leaf": 4, "Pages per inch": 0}.get(each.label, 1)
        found = float(eval(left.replace("×", "*"), {"__builtins__": {}}))
        assert abs(found - float(number)) <= 0.5 * 10.0**-digits * 1.0001, each.sum
