"""Cutting sheets to take away: the lines in the files measured."""

import io

import ezdxf
import pypdfium2
import pytest

from weald.core.cutting.cuts import cut_list
from weald.core.cutting.layout import Layout
from weald.core.cutting.order import Blank, CuttingOrder, Stock
from weald.core.cutting.sheet_drawing import draw_sheet
from weald.core.cutting.solve import lay_out
from weald.core.drawing import Arc, Drawing
from weald.core.notation import MILLIMETRES
from weald.exchange.cutting_sheets import cutting_sheets_pdf
from weald.exchange.drawing_dxf import drawing_dxf
from weald.exchange.drawing_svg import drawing_svg
from weald.exchange.true_size import true_size_pdf

BLANKS = (
    Blank("1:board", "Board", 139.5, 216, 2, "height"),
    Blank("1:spine", "Spine board", 16, 216, 1, "height"),
)


@pytest.fixture(scope="module")
def layout() -> Layout:
    return lay_out(
        CuttingOrder(BLANKS, (Stock("1", "Greyboard", 420, 330, "width", offcut=True, square=True, count=1),))
    )


@pytest.fixture(scope="module")
def drawing(layout: Layout) -> Drawing:
    return draw_sheet(layout.sheets[0], 1, {blank.id: blank for blank in BLANKS}, "board", MILLIMETRES)


def test_dxf_has_a_layer_for_each_meaning_and_the_sizes_of_the_pieces(
    drawing: Drawing, layout: Layout
) -> None:
    document = ezdxf.read(io.StringIO(drawing_dxf([drawing])))  # type: ignore[attr-defined]
    assert document.units == ezdxf.units.MM
    assert {"CUT", "GRAIN", "TEXT", "DIMENSION", "OUTLINE"} <= {layer.dxf.name for layer in document.layers}
    space = document.modelspace()
    sizes = set()
    for outline in space.query('LWPOLYLINE[layer=="OUTLINE"]'):
        xs, ys = zip(*((x, y) for x, y, *_ in outline.get_points()), strict=True)  # type: ignore[attr-defined]
        sizes.add((round(max(xs) - min(xs), 6), round(max(ys) - min(ys), 6)))
    assert {(420, 330), (216, 139.5), (216, 16)} <= sizes
    cuts = space.query('LWPOLYLINE[layer=="CUT"]')
    assert len(cuts) == len(cut_list(layout.sheets[0].region).steps)
    assert "Board" in {text.dxf.text for text in space.query("TEXT")}


def test_dxf_turns_arcs_the_right_way_up() -> None:
    arc = Arc(10, 20, 5, 0, 90)
    drawn = Drawing("a", "a", "a", (0, 0, 30, 40), (arc,))
    (found,) = ezdxf.read(io.StringIO(drawing_dxf([drawn]))).modelspace().query("ARC")  # type: ignore[attr-defined]
    # from the right clockwise to straight down, y down: here from −90 to 0, y up
    assert (found.dxf.start_angle % 360, found.dxf.end_angle % 360) == (270, 0)
    assert tuple(found.dxf.center)[:2] == (10, -20)


def test_sheets_to_scale_say_their_scale_and_every_cut(drawing: Drawing, layout: Layout) -> None:
    cuts = [("1", "the sheet", "left edge", "216 mm", "Board")]
    content = cutting_sheets_pdf([(drawing, cuts), (drawing, cuts)], "Tide tables", "a4")
    text = [page.get_textpage().get_text_range() for page in pypdfium2.PdfDocument(content)]
    assert len(text) == 2
    assert "scale 1 : 2.5" in text[0] or "scale 1 : 3" in text[0]
    for words in ("Tide tables", "216 mm", "left edge", "two-hand control"):
        assert words in text[0]


def test_a_sheet_at_true_size_measures_what_it_says(drawing: Drawing) -> None:
    """In points of a 72nd of an inch: the sheet's outline is found 420 × 330 mm large over its pages."""
    document = pypdfium2.PdfDocument(true_size_pdf((drawing,), "Tide tables", "a4"))
    assert len(document) > 1
    svg = drawing_svg(drawing)
    (_, _, width, height) = map(float, svg.split('viewBox="')[1].split('"')[0].split())
    assert f'width="{width:g}mm" height="{height:g}mm"' in svg
    paths = [part.split('"')[0] for part in svg.split(' d="')[1:]]
    boxes = set()
    for path in paths:
        numbers = [float(word) for word in path.replace("M", " ").replace("L", " ").replace("Z", " ").split()]
        xs, ys = numbers[::2], numbers[1::2]
        boxes.add((round(max(xs) - min(xs), 2), round(max(ys) - min(ys), 2)))
    assert {(420, 330), (216, 139.5), (216, 16)} <= boxes
