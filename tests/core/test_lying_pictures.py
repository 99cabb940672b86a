"""What lies on the bench, in pictures: each shows what is so, and nothing that is not."""

from collections.abc import Iterable

import pytest

from weald.core.drawing import Arc, Area, Drawing, Hatch, Line
from weald.core.job.lying import LYING, with_implied
from weald.core.planning.beginnings import BEGINNINGS, Beginning
from weald.core.planning.lying_pictures import HIGH, WIDE, beginning_pictures

PICTURES = beginning_pictures()
MEASURED = [each for each in BEGINNINGS if each.measured]


def points(drawing: Drawing) -> Iterable[tuple[float, float]]:
    for each in drawing.elements:
        if isinstance(each, Area | Line | Hatch):
            yield from each.points


def test_every_beginning_has_a_picture_of_its_own_within_its_frame() -> None:
    assert set(PICTURES) == {each.id for each in BEGINNINGS}
    drawn = [each.elements for each in PICTURES.values()]
    assert len({repr(each) for each in drawn}) == len(drawn) - 1, "a text and printed sheets look alike"
    for drawing in PICTURES.values():
        assert drawing.text
        assert all(0 <= x <= WIDE and 0 <= y <= HIGH for x, y in points(drawing))


@pytest.mark.parametrize("beginning", MEASURED, ids=lambda each: each.id)
def test_a_picture_shows_what_is_so(beginning: Beginning) -> None:
    assert beginning.lies is not None
    drawing, lying = PICTURES[beginning.id], LYING[beginning.lies]
    so = with_implied(lying.facts)
    layers = {each.layer for each in drawing.elements if isinstance(each, Line)}
    materials = {each.material for each in drawing.elements if isinstance(each, Area)}
    folds = [each for each in drawing.elements if isinstance(each, Arc)]
    glue = [each for each in drawing.elements if isinstance(each, Hatch)]
    assert bool(folds) is not lying.leaves
    assert ("thread" in layers) is bool(so & {"block_sewn", "old_sewing_in"})
    assert bool(glue) is bool(so & {"block_glued", "old_glue_on"})
    assert ("lining" in materials) is ("block_lined" in so)
    assert bool(materials & {"board", "card"}) is ("old_cover_on" in so)
