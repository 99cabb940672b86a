"""Drawings of what is added to a structure, measured in the files they are printed and cut by."""

import io
import re
from typing import Any

import ezdxf.filemanagement
import pikepdf
import pytest

from tests.conftest import job_in, planned
from tests.core.extras.made_up import EXTRAS, merged
from tests.exchange.test_drawings import drawing_of, has_size, paths_on, size
from weald.core.drawing import Area, Drawing, Line
from weald.exchange.drawing_dxf import drawing_dxf
from weald.exchange.drawing_svg import drawing_svg
from weald.exchange.true_size import true_size_pdf


def added(name: str) -> list[Drawing]:
    """The drawings an extra adds that are to scale."""
    job: dict[str, Any] = EXTRAS[name]
    bound_as = job.get("binding", {}).get("structure", "flat_case")
    made = planned(merged(job_in(bound_as), job))
    used = next(iter(job["extras"]))
    return [each for each in made.drawings if each.to_scale and re.fullmatch(rf"\w+\.{used}(_\w+)?", each.id)]


DRAWN = [(name, each.id) for name in EXTRAS for each in added(name)]


def test_what_is_cut_or_placed_by_a_drawing_has_one() -> None:
    ids = {drawing_id for _, drawing_id in DRAWN}
    assert {
        "finish.jacket",
        "finish.slipcase",
        "finish.box",
        "finish.finishing",
        "finish.finishing_front",
        "sewing.places",
        "boards.panels_front",
        "boards.bands",
        "boards.bevels",
        "folding.plates",
        "cutting.skin",
        "printing.ganged_back",
        "printing.numbered",
        "finish.elsewhere_2",
        "paper.torn",
    } <= ids


@pytest.mark.parametrize(("name", "drawing_id"), DRAWN)
def test_what_is_drawn_has_its_size_in_every_file(name: str, drawing_id: str) -> None:
    drawing = next(each for each in added(name) if each.id == drawing_id)
    document = pikepdf.open(io.BytesIO(true_size_pdf((drawing,), "Log", "a4")))
    in_pdf = [path for page in document.pages for path in paths_on(page)]
    in_svg = [
        [(float(x), float(y)) for x, y in (step.split() for step in path.split(" L "))]
        for path in re.findall(r"M ([^\"MZ]*)", drawing_svg(drawing))
    ]
    dxf = ezdxf.filemanagement.read(io.StringIO(drawing_dxf([drawing])))
    in_dxf = [
        [(float(x), float(y)) for x, y in line.get_points("xy")]  # type: ignore[attr-defined]
        for line in dxf.modelspace().query("LWPOLYLINE")
    ]
    shapes = [each for each in drawing.elements if isinstance(each, Area)]
    shapes_of_lines = [
        each for each in drawing.elements if isinstance(each, Line) and each.layer in ("cut", "slit", "score")
    ]
    assert shapes
    for points in (*(each.points for each in shapes), *(each.points for each in shapes_of_lines)):
        wanted = size(list(points))
        for paths in (in_pdf, in_svg, in_dxf):
            assert has_size(paths, *wanted), wanted


def test_the_jacket_is_drawn_as_it_is_reckoned() -> None:
    made = planned({"extras": {"jacket": {}}})
    sizes = {each.id: each.value for each in made.quantities}
    sheet = next(each for each in drawing_of(made, "finish.jacket").elements if isinstance(each, Area))
    assert size(list(sheet.points)) == pytest.approx((sizes["jacket.width"], sizes["jacket.height"]))
    cut = next(each for each in made.pieces if each.id == "jacket")
    assert (cut.width, cut.height) == pytest.approx((sizes["jacket.width"], sizes["jacket.height"]))
