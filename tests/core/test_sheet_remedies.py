"""A sheet too small for what is printed or folded: what is offered fits, and leaves alone what has room."""

import pytest

from weald.core.finding_words import FindingCode
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec, read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.plan import plan

READERS = [MILLIMETRES, Notation("inch")]
TOO_SMALL: set[FindingCode] = {"printed.too_small", "sheet.too_small"}


def codes(spec: JobSpec, notation: Notation) -> set[FindingCode]:
    return {each.code for each in plan(spec, notation, drawn=()).findings} & TOO_SMALL


@pytest.mark.parametrize("notation", READERS, ids=["mm", "inch"])
@pytest.mark.parametrize("programme", ["upright", "upright zig-zag in three", "upright, level"])
@pytest.mark.parametrize("sheet", [(297, 210), (280, 216), (400, 300)])
def test_every_remedy_for_a_printed_sheet_removes_the_finding(
    programme: str, sheet: tuple[int, int], notation: Notation
) -> None:
    printing = {"sheet": {"width": sheet[0], "height": sheet[1]}}
    spec = read_spec({"folding": {"programme": programme}, "printing": printing})
    found = [each for each in plan(spec, notation, drawn=()).findings if each.code == "printed.too_small"]
    for action in (action for each in found for action in each.actions):
        assert "printed.too_small" not in codes(patched(spec, action.patch), notation), action.label
    if found:
        assert any("leaf.width" in action.patch for action in found[0].actions)


@pytest.mark.parametrize("notation", READERS, ids=["mm", "inch"])
def test_the_leaf_that_fits_keeps_the_side_there_is_room_for(notation: Notation) -> None:
    spec = read_spec({"printing": {"sheet": {"width": 297, "height": 210}}})
    (found,) = (each for each in plan(spec, notation, drawn=()).findings if each.code in TOO_SMALL)
    (leaf,) = (action.patch for action in found.actions if "leaf.width" in action.patch)
    # 288 of 297 are needed across, 216 of 210 down: only the height gives way, by 6 or to the mark below
    assert leaf["leaf.width"] == 140
    height = leaf["leaf.height"]
    assert isinstance(height, float)
    assert 203 < height <= 204


def test_a_leaf_is_offered_where_the_paper_itself_is_too_small() -> None:
    spec = read_spec({"paper": {"sheet": {"width": 250, "height": 200}}})
    (found,) = (each for each in plan(spec, drawn=()).findings if each.code == "sheet.too_small")
    (action,) = found.actions
    assert "sheet.too_small" not in codes(patched(spec, action.patch), MILLIMETRES)
