"""Parts of a chain add up to the whole as they are written, or the whole says that it is rounded."""

from fractions import Fraction
from itertools import pairwise
from typing import Literal

import pytest

from tests.conftest import STRUCTURES, job_in
from weald.core.drawing import Dimension, Drawing
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.chains import rounding_told
from weald.core.planning.plan import plan


def chain(*lengths: float) -> Drawing:
    """Dimensions one after another, and the whole above them."""
    ends = [sum(lengths[:count]) for count in range(len(lengths) + 1)]
    parts = [Dimension((low, 0), (high, 0), MILLIMETRES.figure(high - low)) for low, high in pairwise(ends)]
    whole = Dimension((0, 0), (ends[-1], 0), MILLIMETRES.figure(ends[-1]), offset=2)
    return Drawing("case.flat", "boards", "A chain", (0, 0, ends[-1], 1), (*parts, whole))


def texts(drawing: Drawing) -> list[str]:
    return [each.text for each in drawing.elements if isinstance(each, Dimension)]


def test_parts_that_round_to_more_than_the_whole_are_told() -> None:
    # 10.25 reads 10.5 on a ruler of halves and 20.5 reads 20.5: the parts say 21
    assert texts(rounding_told(chain(10.25, 10.25), MILLIMETRES)) == ["10.5", "10.5", "≈ 20.5"]


def test_what_adds_up_and_what_has_no_parts_is_left_as_it_is() -> None:
    assert texts(rounding_told(chain(10.0, 10.5, 3.0), MILLIMETRES)) == ["10", "10.5", "3", "23.5"]
    alone = Drawing("case.flat", "boards", "Alone", (0, 0, 1, 1), (Dimension((0, 0), (10.25, 0), "10.5"),))
    assert rounding_told(alone, MILLIMETRES) is alone


def read(text: str) -> Fraction:
    return sum((Fraction(word) for word in text.removeprefix("≈ ").removesuffix("″").split()), Fraction(0))


@pytest.mark.parametrize("units", ["mm", "inch"])
def test_every_case_laid_flat_adds_up_from_head_to_tail(units: Literal["mm", "inch"]) -> None:
    turned_in = 0
    for structure in STRUCTURES:
        made = plan(read_spec(job_in(structure)), Notation(units))
        flat = next(each for each in made.drawings if each.id == "case.flat")
        upright = [
            each
            for each in flat.elements
            if isinstance(each, Dimension) and each.start[0] == each.end[0] == 0
        ]
        if len(upright) == 4:
            *parts, whole = upright
            rounded = sum(read(part.text) for part in parts) != read(whole.text)
            assert rounded == whole.text.startswith("≈ "), structure
            turned_in += 1
    assert turned_in >= 10
