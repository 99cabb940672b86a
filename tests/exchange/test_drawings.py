"""Files measured as a binder would: with a rule on what is really drawn in them."""

import io
import math
import re
from itertools import pairwise
from typing import Any
from xml.etree import ElementTree as ET

import ezdxf.bbox
import ezdxf.filemanagement
import pikepdf
import pypdfium2
import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import STRUCTURES, job_in, planned, value
from weald.core.drawing import Drawing
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.plan import Plan, plan
from weald.exchange.drawing_dxf import drawing_dxf
from weald.exchange.drawing_svg import drawing_svg
from weald.exchange.ink import frame, hatch_lines, marks
from weald.exchange.job_sheet import JOB_SHEET_PARTS, job_sheet_pdf
from weald.exchange.true_size import MARGIN, NARROW, SHARED, shares_a_sheet, starts, tile, true_size_pdf

MM = 72 / 25.4
Path = list[tuple[float, float]]


def drawing_of(made: Plan, drawing_id: str) -> Drawing:
    return next(each for each in made.drawings if each.id == drawing_id)


Matrix = tuple[float, float, float, float, float, float]


def paths_on(
    page: pikepdf.Page | pikepdf.Object, at: Matrix = (1, 0, 0, 1, 0, 0), parent: pikepdf.Object | None = None
) -> list[Path]:
    """Every path drawn on a page and in the forms it places, in millimetres."""
    paths: list[Path] = []
    resources = page.get("/Resources", parent)
    now, kept = at, []
    for operands, operator in pikepdf.parse_content_stream(page):  # type: ignore[misc]
        name = str(operator)
        if name == "q":
            kept.append(now)
        elif name == "Q":
            now = kept.pop()
        elif name == "cm":
            now = _placed(tuple(float(each) for each in operands), now)  # type: ignore[arg-type]
        elif name == "Do":
            form = resources.XObject[operands[0]]  # type: ignore[union-attr]
            if form.Subtype == "/Form":
                paths += paths_on(form, now, resources)
        elif name == "m":
            paths.append([])
        if name in ("m", "l"):
            x, y = float(operands[0]), float(operands[1])
            a, b, c, d, e, f = now
            paths[-1].append(((a * x + c * y + e) / MM, (b * x + d * y + f) / MM))
    return paths


def _placed(inner: Matrix, outer: Matrix) -> Matrix:
    """One change of coordinates after another."""
    a, b, c, d, e, f = inner
    p, q, r, s, t, u = outer
    return (a * p + b * r, a * q + b * s, c * p + d * r, c * q + d * s, e * p + f * r + t, e * q + f * s + u)


def text_of(content: bytes) -> str:
    document = pypdfium2.PdfDocument(content)
    return "\n".join(page.get_textpage().get_text_range() for page in document)


def size(path: Path) -> tuple[float, float]:
    xs, ys = [x for x, _ in path], [y for _, y in path]
    return max(xs) - min(xs), max(ys) - min(ys)


def has_size(paths: list[Path], width: float, height: float) -> bool:
    return any(abs(across - width) < 0.05 and abs(down - height) < 0.05 for across, down in map(size, paths))


@pytest.mark.parametrize("paper", ["a4", "letter"])
def test_the_case_printed_at_true_size_measures_what_it_says(paper: str) -> None:
    made = planned({})
    content = true_size_pdf((drawing_of(made, "case.flat"),), "Log", paper)
    document = pikepdf.open(io.BytesIO(content))
    assert len(document.pages) > 1
    for page in document.pages:
        assert has_size(paths_on(page), 100, 0), "the check bar"
    first = paths_on(document.pages[0])
    assert has_size(first, value(made, "board.width"), value(made, "board.height"))
    assert has_size(first, value(made, "spine_board.width"), value(made, "board.height"))
    assert has_size(first, value(made, "cover.width"), value(made, "cover.height"))
    assert document.Root.ViewerPreferences.PrintScaling == "/None"


def test_a_small_case_fits_on_one_sheet() -> None:
    made = planned({"leaf": {"width": 60, "height": 90}, "text": {"pages": 64}})
    content = true_size_pdf((drawing_of(made, "case.flat"),), "Log", "a4")
    assert len(pikepdf.open(io.BytesIO(content)).pages) == 1


SPANS = st.lists(
    st.tuples(st.floats(0, 3000), st.floats(0.5, 60)).map(lambda at: (at[0], at[0] + at[1])), max_size=30
)


@given(st.floats(20, 3000), st.floats(120, 400), SPANS)
def test_sheets_leave_nothing_out_and_join_where_nothing_is_barred(
    length: float, window: float, barred: list[tuple[float, float]]
) -> None:
    begins = starts(length, window, barred)
    assert begins[0] == 0
    assert begins[-1] + window >= length - 1e-5
    for before, begin in pairwise(begins):
        assert before < begin <= before + window - SHARED + 1e-6, "neighbours share a strip"
        clear = all(high <= begin + 1e-5 or low >= begin + SHARED - 1e-5 for low, high in barred)
        assert clear or begin == before + window - SHARED
    plain = starts(length, window, [])
    assert len(plain) == max(1, math.ceil((length - SHARED - 1e-6) / (window - SHARED)))


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("name", ["flat_case", "strip_case", "rounded_case", "printed_case"])
def test_no_join_lies_on_an_edge_of_a_board_or_across_a_spine_board(name: str, paper: str) -> None:
    flat = drawing_of(planned(job_in(name)), "case.flat")
    tiling = tile(flat, paper)
    at = frame(flat, 1.0, 0, 0).at
    boards = [each for each in flat.elements if each.kind == "area" and each.material == "board"]
    assert len(boards) >= 2
    for axis, begins in ((0, tiling.columns), (1, tiling.rows)):
        for begin in begins[1:]:
            for board in boards:
                places = [at(point)[axis] for point in board.points]
                low, high = min(places), max(places)
                inside = low < begin and high > begin + SHARED and high - low > NARROW
                assert inside or high <= begin or low >= begin + SHARED, (begin, low, high)


def test_what_is_large_is_printed_on_joined_sheets_that_meet() -> None:
    made = planned({})
    flat = drawing_of(made, "case.flat")
    document = pikepdf.open(io.BytesIO(true_size_pdf((flat,), "Log", "a4")))
    tiling = tile(flat, "a4")
    wanted = value(made, "cover.width"), value(made, "cover.height")
    lefts = []
    for page in document.pages:
        cover = next(path for path in paths_on(page) if size(path) == pytest.approx(wanted, abs=0.05))
        lefts.append(min(x for x, _ in cover))
    assert lefts[0] - lefts[1] == pytest.approx(tiling.columns[1], abs=0.02)


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("name", STRUCTURES)
def test_small_templates_share_sheets_each_at_its_size_and_clear_of_the_others(name: str, paper: str) -> None:
    found = [each for each in planned(job_in(name)).drawings if each.template and shares_a_sheet(each, paper)]
    document = pikepdf.open(io.BytesIO(true_size_pdf(found, "Log", paper)))
    assert 0 < len(document.pages) <= len(found)
    pages = [paths_on(page) for page in document.pages]
    assert all(has_size(paths, 100, 0) for paths in pages), "the check bar"
    _, _, wide, high = (float(side) / MM for side in document.pages[0].mediabox)
    for path in (path for paths in pages for path in paths):
        assert all(MARGIN - 0.5 < x < wide - MARGIN + 0.5 and 0 < y < high - MARGIN + 0.5 for x, y in path)
    for drawing in found:
        largest = max(
            (each for each in drawing.elements if each.kind == "area"),
            key=lambda each: math.prod(size(list(each.points))),
        )
        wanted = size(list(largest.points))
        assert any(has_size(paths, *wanted) for paths in pages), (drawing.id, wanted)


def test_the_svg_is_at_true_size_in_layers_by_meaning() -> None:
    made = planned({"title": "A <b>& b</b>"})
    root = ET.fromstring(drawing_svg(drawing_of(made, "case.flat")))
    width = float(root.attrib["width"].removesuffix("mm"))
    assert [float(part) for part in root.attrib["viewBox"].split()][2] == width
    layers = {group.attrib["class"] for group in root if group.tag.endswith("g")}
    assert {"cut", "grain", "dimension", "text", "hidden"} <= layers
    boards = []
    for path in root.iter("{http://www.w3.org/2000/svg}path"):
        points = [
            tuple(map(float, pair.split())) for pair in re.findall(r"[\d.-]+ [\d.-]+", path.attrib["d"])
        ]
        boards.append(size([(x, y) for x, y in points]))
    assert any(
        across == pytest.approx(141, abs=0.01) and down == pytest.approx(216, abs=0.01)
        for across, down in boards
    )


@pytest.mark.parametrize("angle", [0, 45, 90, 135])
def test_hatching_stays_inside_its_shape(angle: float) -> None:
    outline = ((0.0, 0.0), (40.0, 0.0), (40.0, 10.0), (10.0, 10.0), (10.0, 30.0), (0.0, 30.0))
    lines = list(hatch_lines(outline, angle, 2.0))
    assert len(lines) > 3
    for start, end in lines:
        middle = ((start[0] + end[0]) / 2, (start[1] + end[1]) / 2)
        assert 0 <= middle[0] <= 40
        assert 0 <= middle[1] <= 30
        assert middle[0] <= 10 + 1e-9 or middle[1] <= 10 + 1e-9
        leaning = math.degrees(math.atan2(end[1] - start[1], end[0] - start[0])) % 180
        assert min(abs(leaning - angle), 180 - abs(leaning - angle)) < 1e-6


def test_writers_only_read_the_drawing_they_print() -> None:
    flat = drawing_of(planned({}), "case.flat")
    before = repr(flat)
    drawing_svg(flat)
    list(marks(frame(flat, 0.5, 10, 10)))
    assert repr(flat) == before


def job_sheet(
    made: Plan, paper: str = "a4", notation: Notation = MILLIMETRES, everything: bool = True
) -> bytes:
    parts = tuple(JOB_SHEET_PARTS) if everything else ()
    return job_sheet_pdf(made, None, paper, (("Paper", "Gull laid"),), notation, parts)


@pytest.mark.parametrize(("paper", "points"), [("a4", (595, 842)), ("letter", (612, 792))])
def test_the_job_sheet_holds_what_a_binder_takes_to_the_bench(paper: str, points: tuple[int, int]) -> None:
    made = planned({"title": "Tide tables", "text": {"pages": 187}, "measured": {"block.thickness": 12}})
    content = job_sheet(made, paper)
    document = pikepdf.open(io.BytesIO(content))
    assert [round(float(side)) for side in document.pages[0].mediabox[2:]] == list(points)
    text = " ".join(text_of(content).split())
    for words in (
        "Tide tables",
        "Gull laid",
        "Board height",
        "216 mm",
        "210 + 3 + 3 = 216",
        "measured 12 mm",
        "scale 1 : ",
        "leave them blank".capitalize(),
        "never scissors on board",
        "187 · ",
    ):
        assert words in text, words


def test_drawings_on_the_job_sheet_are_to_the_scale_they_state() -> None:
    made = planned({})
    content = job_sheet(made)
    stated = re.search(
        r"case laid flat, from the inside \(scale 1 : ([\d.]+)\)", " ".join(text_of(content).split())
    )
    assert stated
    scale = 1 / float(stated[1])
    wanted = value(made, "board.width") * scale, value(made, "board.height") * scale
    document = pikepdf.open(io.BytesIO(content))
    assert any(has_size(paths_on(page), *wanted) for page in document.pages)


@pytest.mark.parametrize(
    "job", [{"text": {"pages": 3000}}, {"title": "Œuvres <i>&</i> “Ω”" * 8}, {"leaf": {"width": 900}}]
)
def test_the_job_sheet_bears_long_texts_and_odd_titles(job: dict[str, Any]) -> None:
    made = plan(read_spec(job), Notation("both"))
    assert job_sheet(made, "letter", Notation("both")).startswith(b"%PDF")


def templates() -> list[tuple[str, str]]:
    """Every structure with every drawing of it that is printed to be cut, punched or folded by."""
    also = {"cover.art", "block.spine"}
    return [
        (name, each.id)
        for name in STRUCTURES
        for each in planned(job_in(name)).drawings
        if each.to_scale and (each.template or each.id in also)
    ]


@pytest.mark.parametrize(("name", "drawing_id"), templates())
def test_every_template_measures_in_the_file_what_it_is_drawn(name: str, drawing_id: str) -> None:
    drawing = drawing_of(planned(job_in(name)), drawing_id)
    document = pikepdf.open(io.BytesIO(true_size_pdf((drawing,), "Log", "a4")))
    paths = [path for page in document.pages for path in paths_on(page)]
    assert has_size(paths, 100, 0), "the check bar"
    areas = [each for each in drawing.elements if each.kind == "area"]
    assert areas
    for area in areas:
        across, down = size(list(area.points))
        assert has_size(paths, across, down), (area.material, across, down)
    slits = [each for each in drawing.elements if each.kind == "line" and each.layer in ("cut", "slit")]
    for each in slits:
        length = sum(math.dist(one, other) for one, other in pairwise(each.points))
        drawn = (sum(math.dist(one, other) for one, other in pairwise(path)) for path in paths)
        assert any(abs(length - found) < 0.05 for found in drawn), each


@pytest.mark.parametrize("name", STRUCTURES)
def test_the_same_drawing_is_the_same_size_in_svg_and_dxf(name: str) -> None:
    drawing = drawing_of(planned(job_in(name)), "case.flat")
    left, top, right, bottom = drawing.extent
    written = drawing_svg(drawing)
    spans = []
    for path in re.findall(r"M ([^\"MZ]*)", written):
        points = [tuple(map(float, step.split())) for step in path.split(" L ")]
        spans.append(size([(point[0], point[1]) for point in points]))
    largest = max(
        (each for each in drawing.elements if each.kind == "area"), key=lambda each: size(list(each.points))
    )
    assert any(
        abs(across - size(list(largest.points))[0]) < 0.01
        and abs(down - size(list(largest.points))[1]) < 0.01
        for across, down in spans
    )
    document = ezdxf.filemanagement.read(io.StringIO(drawing_dxf([drawing])))
    box = ezdxf.bbox.extents(document.modelspace().query("LWPOLYLINE"))
    assert box.size.x == pytest.approx(right - left, abs=0.01)
    assert box.size.y == pytest.approx(bottom - top, abs=0.01)


@pytest.mark.parametrize("name", STRUCTURES)
def test_the_job_sheet_holds_every_piece_of_every_binding(name: str) -> None:
    made = planned(job_in(name))
    words = " ".join(text_of(job_sheet(made, everything=False)).split())
    for piece in made.pieces:
        assert f"{piece.label} × {piece.count} {piece.shown}" in words, piece.id


def test_the_job_sheet_says_what_to_look_at_in_the_workshops_own_words(contract_job: dict[str, Any]) -> None:
    reader = Notation(vocabulary="section")
    made = plan(read_spec(contract_job | {"title": "The Signature of All Things"}), reader)
    words = " ".join(text_of(job_sheet(made, "a4", reader)).split())
    assert "What to look at" in words
    assert "The Signature of All Things" in words
    words = words.replace("The Signature of All Things", "")
    for look in made.looks:
        assert look.text in words
    assert "Sections No." in words
    assert "signatures" not in words.lower().replace("signature mark", "")
