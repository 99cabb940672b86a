"""Whatever an entry of a job can be has a word, and nothing else has."""

from collections.abc import Iterator
from types import UnionType
from typing import Any, Literal, Union, get_args, get_origin

from pydantic import BaseModel

from weald.core.bindings.case_schools import JOINT_SCHOOLS, SPINE_SCHOOLS
from weald.core.job.options import OPTIONS, options_of
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation

NOT_LISTED = {"format", "paper.sheet.grain", "paper.basis.grade", "binding.structure"}
"""What is not chosen from a list, or from one that says more than a word."""


def literals(model: type[BaseModel], prefix: str = "") -> Iterator[tuple[str, set[str]]]:
    """Every entry that is one of a few, by its path, with what it can be."""
    for name, field in model.model_fields.items():
        yield from _within(field.annotation, f"{prefix}{name}")


def _within(annotation: Any, path: str) -> Iterator[tuple[str, set[str]]]:
    annotation = getattr(annotation, "__value__", annotation)
    if get_origin(annotation) is Literal:
        yield path, {str(value) for value in get_args(annotation)}
    elif get_origin(annotation) in (UnionType, Union, tuple):
        left_open = {""} if type(None) in get_args(annotation) else set()
        for part in get_args(annotation):
            for found, values in _within(part, path):
                yield found, values | (left_open if found == path else set())
    elif isinstance(annotation, type) and issubclass(annotation, BaseModel):
        yield from literals(annotation, f"{path}.")


def test_every_entry_that_is_one_of_a_few_has_words_for_all_it_can_be() -> None:
    found = dict(literals(JobSpec))
    assert {"binding.linings.side", "sewing.pamphlet_holes"} <= set(found)
    for path, values in found.items():
        if path not in NOT_LISTED:
            assert values == set(OPTIONS[path]), path
    assert set(OPTIONS) - set(found) == {"endpapers.leaves"}


def test_schools_are_the_options() -> None:
    assert [rule for rule, *_ in SPINE_SCHOOLS] == list(OPTIONS["binding.spine_rule"])
    assert [rule for rule, *_ in JOINT_SCHOOLS] == list(OPTIONS["binding.joint_rule"])


def test_options_are_read_in_the_readers_own_units_and_words() -> None:
    inches = Notation(units="inch", vocabulary="section")
    labels = [
        option.label
        for path in ("binding.joint_rule", "binding.spine_rule", "block.end_band_ends")
        for option in options_of(path, inches)
    ]
    assert "into the outer sections" in labels
    assert not any("mm" in label for label in labels)
    assert sum("″" in label for label in labels) == 2
