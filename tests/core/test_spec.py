from typing import Any

import pytest

from weald.core.errors import SpecError
from weald.core.job.spec import JobSpec, editable_lengths, read_spec
from weald.core.notation import Notation


def test_reads_every_key_of_the_contract(contract_job: dict[str, Any]) -> None:
    spec = read_spec(contract_job)
    assert spec.binding.squares.fore_edge == 4
    assert spec.measured == {"block.thickness": 17.5}
    written = spec.model_dump(mode="json")
    assert read_spec(written) == spec


def test_missing_keys_take_house_defaults() -> None:
    assert read_spec({}) == JobSpec()
    assert read_spec({"leaf": {"width": 100}}).leaf.height == 210


def test_lengths_are_read_with_their_unit() -> None:
    spec = read_spec({"leaf": {"width": "5 1/4 in", "trim": {"head": "3+1"}}, "binding": {"board": "80pt"}})
    assert spec.leaf.width == pytest.approx(133.35)
    assert spec.leaf.trim.head == 4
    assert spec.binding.board == pytest.approx(2.032)


@pytest.mark.parametrize(
    ("job", "path", "says"),
    [
        ({"leaf": {"widht": 3}}, "leaf.widht", "did you mean “width”"),
        ({"bindings": {}}, "bindings", "did you mean “binding”"),
        ({"leaf": {"width": -3}}, "leaf.width", "must be more than 0"),
        ({"leaf": {"width": 0}}, "leaf.width", "must be more than 0"),
        ({"leaf": {"width": "wide"}}, "leaf.width", "is not a length"),
        ({"leaf": {"width": 1e9}}, "leaf.width", "must be at most 3000 mm"),
        ({"leaf": {"width": float("nan")}}, "leaf.width", "can be measured"),
        ({"leaf": {"width": True}}, "leaf.width", "Give a length"),
        ({"leaf": {"width": None}}, "leaf.width", "Give a length"),
        ({"leaf": 3}, "leaf", "group of keys"),
        ({"text": {"pages": 0}}, "text.pages", "must be at least 1"),
        ({"text": {"pages": "many"}}, "text.pages", "whole number"),
        ({"text": {"pages": 3.5}}, "text.pages", "whole number"),
        ({"binding": {"structure": "scroll"}}, "binding.structure", "'flat_case'"),
        ({"binding": {"squares": {"head": -1}}}, "binding.squares.head", "at least 0"),
        ({"endpapers": {"leaves": 3}}, "endpapers.leaves", "multiple of 2"),
        ({"measured": {"bock.thickness": 3}}, "measured.bock.thickness", "“block.thickness”"),
        ({"measured": {"closed.head": 3}}, "measured.closed.head", "no size that can be measured"),
        ({"folding": {"programme": "upright, upright in three"}}, "folding.programme", "no spine"),
        ({"paper": {"basis": {"pounds": 20, "grade": "bondd"}}}, "paper.basis.grade", "'bond'"),
        ({"title": ""}, "title", "must not be empty"),
        ({"title": "Log\0"}, "title", "holds a control sign"),
        ({"paper": {"name": "a\nb"}}, "paper.name", "on one line"),
        ({"leaf": {"width": 10**400}}, "leaf.width", "no length is that long"),
        (
            {"folding": {"programme": "zig-zag in 12, level zig-zag in 12, zig-zag in 12, upright"}},
            "folding.programme",
            "1 to 256",
        ),
        ({"measured": {"block.thickness": "200 in"}}, "measured.block.thickness", "3000 mm"),
        ({"text": {"pages": 30000}}, "text.pages", "at most 20000."),
        ({"version": 99}, "version", "newer"),
        ([1, 2], "job", "group of keys"),
    ],
)
def test_names_what_is_wrong_at_its_place_with_the_remedy(job: Any, path: str, says: str) -> None:
    with pytest.raises(SpecError) as caught:
        read_spec(job)
    assert says.lower() in caught.value.fields[path].lower()


def test_several_mistakes_are_named_together() -> None:
    with pytest.raises(SpecError) as caught:
        read_spec({"leaf": {"width": -1, "height": "tall"}, "binding": {"board": 50}})
    assert set(caught.value.fields) == {"leaf.width", "leaf.height", "binding.board"}


def test_lengths_stand_in_fields_in_the_unit_one_reads() -> None:
    spec = read_spec({"leaf": {"width": "5 1/4 in"}, "measured": {"board.width": "5 1/8 in"}})
    fields = editable_lengths(spec, Notation("inch"))
    assert fields["leaf.width"] == "5 1/4"
    assert fields["measured.board.width"] == "5 1/8"
    assert "paper.grammage" not in fields
    assert "binding.spine_board" not in fields
