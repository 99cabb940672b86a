import subprocess
import sys
from itertools import combinations
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import STRUCTURES, codes, job_in, planned, value
from weald.core.drawing import Area, Hatch, Label
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.plan import plan
from weald.core.quantities import QUANTITIES


def test_paper_and_block_agree_with_the_sums_on_paper() -> None:
    made = planned(
        {
            "text": {"pages": 188},
            "paper": {"grammage": 90, "bulk": 1.3},
            "sewing": {"thread": 0.45, "swell_factor": 0.5},
        }
    )
    assert value(made, "paper.calliper") == pytest.approx(0.117)
    assert value(made, "sections.count") == 12  # 47 folios, four a section
    assert value(made, "text.thickness") == pytest.approx(94 * 0.117)
    assert value(made, "endpapers.thickness") == pytest.approx(4 * 0.156)
    assert value(made, "spine.swell") == pytest.approx(12 * 0.45 * 0.5)
    assert value(made, "sections.creep") == pytest.approx(3 * 1.5708 * 0.117)
    assert (value(made, "sheet.width"), value(made, "sheet.height")) == (288, 216)
    # 47 sheets and 5 % spoilage, two out of a stock sheet: 49.35 / 2
    assert value(made, "stock.sheets") == 25
    leaves = 0.14 * 0.21 * (94 * 90 + 4 * 120)
    boards = 0.216 * (0.282 + 0.001 * value(made, "spine_board.width")) * 2 * 640
    cloth = 0.252 * 0.001 * value(made, "cover.width") * 180
    assert value(made, "book.weight") == pytest.approx(leaves + boards + cloth, rel=1e-6)


@pytest.mark.parametrize(
    ("paper", "calliper"),
    [
        ({"basis": {"pounds": 20, "grade": "bond"}, "bulk": 1.3}, 75.2 * 1.3 / 1000),
        ({"calliper": "0.1 mm"}, 0.1),
        ({"stack": {"leaves": 100, "thickness": "11.2"}}, 0.112),
        ({"calliper": 0.1, "stack": {"leaves": 10, "thickness": 5}}, 0.1),
    ],
)
def test_thickness_of_a_leaf_from_whatever_is_known(paper: dict[str, Any], calliper: float) -> None:
    assert value(planned({"paper": paper}), "paper.calliper") == pytest.approx(calliper, rel=1e-3)


@pytest.mark.parametrize(
    ("job", "code"),
    [
        ({"text": {"pages": 187}}, "text.blanks"),
        ({"text": {"pages": 100, "file": "0" * 64, "file_pages": 128}}, "text.left_out"),
        ({"text": {"pages": 130, "file": "0" * 64, "file_pages": 128}}, "text.run_out"),
        ({"text": {"pages": 64, "spreads": "10"}}, "spread.crosses"),
        ({"text": {"pages": 64, "spreads": "9"}}, "spread.backs"),
        ({"leaf": {"width": 400}}, "sheet.too_small"),
        ({"paper": {"sheet": {"width": 297, "height": 216, "grain": "width"}}}, "grain.across"),
        ({"paper": {"sheet": {"width": 450, "height": 320, "grain": "width"}}}, "grain.turned"),
        ({"folding": {"sheets_per_section": 9}}, "section.thick"),
        ({"folding": {"sheets_per_section": 1}}, "section.thin"),
        ({"leaf": {"trim": {"fore_edge": 0.2}}, "folding": {"sheets_per_section": 5}}, "creep.beyond_trim"),
        ({"folding": {"programme": "level, upright"}, "leaf": {"trim": {"head": 0}}}, "bolts.closed"),
        ({"printing": {"flip": "long"}}, "printed.backs_turned"),
        ({"sewing": {"thread": 1.2}}, "swell.much"),
        ({"text": {"pages": 20000}}, "block.too_thick"),
        ({"measured": {"block.thickness": 2000}}, "block.too_thick"),
        ({"text": {"pages": 1600}}, "suits.thick"),
        ({"text": {"pages": 24}}, "suits.thin"),
        ({"text": {"pages": 128}, "measured": {"block.thickness": 20}}, "measured.far"),
    ],
)
def test_what_a_binder_has_to_mind(job: dict[str, Any], code: str) -> None:
    made = planned(job)
    assert code in codes(made)
    finding = next(each for each in made.findings if each.code == code)
    assert finding.message
    assert finding.remedy
    assert "{" not in finding.message + finding.remedy


def test_a_sheet_too_small_says_what_leaf_would_fit() -> None:
    made = planned({"leaf": {"width": 400, "height": 210}})
    remedy = next(each.remedy for each in made.findings if each.code == "sheet.too_small")
    # half of 450, less the fore-edge trim of 4; 320 less 3 and 3
    assert "221 mm × 314 mm" in remedy


def apply(job: dict[str, Any], patch: dict[str, Any]) -> None:
    for path, new in patch.items():
        at = job
        *groups, last = path.split(".")
        for group in groups:
            at = at.setdefault(group, {})
        at[last] = new


@pytest.mark.parametrize(
    ("job", "code"),
    [
        ({"text": {"pages": 187}}, "text.blanks"),
        ({"text": {"pages": 130, "file": "0" * 64, "file_pages": 128}}, "text.run_out"),
        ({"printing": {"sheet": {"width": 200, "height": 200}}}, "printed.too_small"),
        ({"paper": {"sheet": {"width": 297, "height": 216, "grain": "width"}}}, "grain.across"),
        ({"folding": {"sheets_per_section": 9}}, "section.thick"),
        ({"folding": {"sheets_per_section": 1}}, "section.thin"),
        ({"printing": {"flip": "long"}}, "printed.backs_turned"),
        ({"leaf": {"trim": {"fore_edge": 0.2}}}, "creep.beyond_trim"),
        (
            {"text": {"pages": 400}, "folding": {"sheets_per_section": 8}, "sewing": {"thread": 0.8}},
            "swell.much",
        ),
    ],
)
def test_the_remedy_at_a_touch_cures_it(job: dict[str, Any], code: str) -> None:
    finding = next(each for each in planned(job).findings if each.code == code)
    for path, new in finding.actions[0].patch.items():
        apply(job, {path: new})
    assert code not in codes(planned(job))


def test_every_quantity_says_why() -> None:
    for each in planned({"measured": {"block.thickness": 12}}).quantities:
        assert each.how, each.id
        assert "{" not in each.how + each.sum, each.id
        for term in each.terms:
            assert term.about in QUANTITIES or "." in term.about or term.about == "copies"


@pytest.mark.parametrize("units", ["mm", "inch", "both"])
def test_sums_come_out_as_they_are_written(units: str) -> None:
    made = plan(read_spec({"text": {"pages": 188}}), Notation(units))  # type: ignore[arg-type]
    for each in made.quantities:
        if not each.sum:
            continue
        left, right = each.sum.rsplit(" = ", 1)
        words = left.replace("×", "*").replace("−", "-").replace("²", "**2").replace("√", "root")
        if any(word in words for word in ("rounded", "larger", "nothing", "lb", "spoilage")):
            continue
        right = right.removesuffix(" mm")
        total = eval(words, {"root": lambda x: x**0.5})
        assert total == pytest.approx(float(right), abs=0.02, rel=0.01), each.id


def test_every_piece_runs_its_grain_head_to_tail() -> None:
    made = planned({})
    assert {each.grain for each in made.pieces if each.material != "support"} == {"height"}
    assert made.grain_needed.endswith("288 mm × 216 mm, that is short grain.")
    for drawing_id in ("case.flat", "text.opening", "block.front", "folding.section"):
        drawing = next(each for each in made.drawings if each.id == drawing_id)
        angles = {
            each.angle for each in drawing.elements if isinstance(each, Hatch) and each.layer == "grain"
        }
        assert angles == {90}


@given(st.integers(1, 2000), st.integers(1, 12), st.integers(1, 300))
def test_the_signature_shown_is_always_there(pages: int, most: int, section: int) -> None:
    spec = read_spec({"text": {"pages": pages}, "folding": {"sheets_per_section": most}})
    made = plan(spec, section=section)
    assert 1 <= made.shown_section <= len(made.sections)


@pytest.mark.parametrize("structure", STRUCTURES)
def test_each_piece_is_drawn_in_proportion_with_its_size_and_grain_and_apart(structure: str) -> None:
    made = planned(job_in(structure))
    drawing = next(each for each in made.drawings if each.id == "pieces.all")
    assert not drawing.to_scale
    areas = [each for each in drawing.elements if isinstance(each, Area)]
    labels = [each for each in drawing.elements if isinstance(each, Label)]
    for piece, area in zip(made.pieces, areas, strict=True):
        (left, top), (right, bottom) = area.points[0], area.points[2]
        thin = min(right - left, bottom - top) < 1.25
        assert thin or (right - left) / (bottom - top) == pytest.approx(piece.cut_width / piece.cut_height)
        beneath = min(
            (each for each in labels if each.y > bottom and abs(each.x - (left + right) / 2) < 0.1),
            key=lambda label: label.y,
        )
        beside = max(
            (each for each in labels if each.x < left and each.rotation and top < each.y < bottom),
            key=lambda label: label.x,
        )
        assert beneath.text == MILLIMETRES.figure(piece.cut_width)
        assert beside.text == MILLIMETRES.figure(piece.cut_height)
    for one, other in combinations(areas, 2):
        apart_across = one.points[2][0] < other.points[0][0] or other.points[2][0] < one.points[0][0]
        apart_down = one.points[2][1] < other.points[0][1] or other.points[2][1] < one.points[0][1]
        assert apart_across or apart_down
    shapes = {each.points: each.angle for each in drawing.elements if isinstance(each, Hatch)}
    for piece, area in zip(made.pieces, areas, strict=True):
        assert shapes.get(area.points) == {"height": 90, "width": 0, "any": None}[piece.grain]


def test_drawings_stay_within_what_they_say() -> None:
    for drawing in planned({"text": {"pages": 187}}).drawings:
        left, top, right, bottom = drawing.extent
        assert left < right
        assert top < bottom
        assert drawing.text


def test_the_craft_loads_no_framework_and_no_file_format() -> None:
    heavy = ("django", "ninja", "reportlab", "psycopg", "weald.web", "weald.exchange")
    script = (
        "import sys, weald.core.planning.plan, weald.core.job.spec;"
        f"print([name for name in sys.modules if name.startswith({heavy!r})])"
    )
    done = subprocess.run([sys.executable, "-c", script], capture_output=True, text=True, check=True)
    assert done.stdout.strip() == "[]"


def test_a_picture_in_the_middle_of_a_signature_is_whole() -> None:
    assert "spread.crosses" not in codes(planned({"text": {"pages": 64, "spreads": "8, 24"}}))
    finding = next(
        each
        for each in planned({"text": {"pages": 64, "spreads": "8, 20"}}).findings
        if each.code == "spread.crosses"
    )
    assert "pages 20 and 21" in finding.message
    assert "signature 2, sheet 2, inner side and signature 2, sheet 3, outer side" in finding.message
    assert "8–9, 24–25, 40–41" in finding.remedy
