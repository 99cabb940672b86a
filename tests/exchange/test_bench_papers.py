"""What is printed of the bench, and pictures brought from it."""

import io
import random
import re
from pathlib import Path

import pikepdf
import pypdfium2
import pytest
from PIL import Image

from tests.conftest import job_in
from tests.core.made_up_jobs import made_up_job
from weald.core.bench.record import Recorded, RecordLine
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.errors import FoldError, SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.job_sheet import sheet_facts
from weald.core.planning.plan import Plan, pictures, plan
from weald.core.stations.standing import STANDING
from weald.exchange.bench_card import bench_card_pdf
from weald.exchange.colophon_pdf import colophon_pdf
from weald.exchange.cut_list import cut_list_pdf
from weald.exchange.drawing_grid import two_scales
from weald.exchange.foreign import make_photograph_safe
from weald.exchange.job_sheet import job_sheet_pdf
from weald.exchange.photograph import LARGEST
from weald.exchange.record_csv import record_csv
from weald.exchange.reports import PhotographError, UnreadableError


def words_of_pdf(content: bytes) -> str:
    with pypdfium2.PdfDocument(content) as document:
        return "\n".join(page.get_textpage().get_text_bounded() for page in document)


def card(structure: str, paper: str = "a4") -> tuple[Plan, bytes]:
    spec = read_spec(job_in(structure) | {"title": "Tide tables"})
    made = plan(spec, drawn=("bench",))
    facts = sheet_facts(spec, made, MILLIMETRES)
    return made, bench_card_pdf(made, None, pictures(spec), paper, facts)


def words_on_halves(content: bytes) -> list[tuple[str, str]]:
    """What is read on the left and on the right half of each side of each sheet."""
    found = []
    with pypdfium2.PdfDocument(content) as document:
        for page in document:
            wide, high = page.get_size()
            text = page.get_textpage()
            halves = ((0, 0, wide / 2, high), (wide / 2, 0, wide, high))
            found.append(tuple(" ".join(text.get_text_bounded(*half).split()) for half in halves))
    return found  # type: ignore[return-value]


@pytest.mark.parametrize("structure", list(STRUCTURES))
def test_the_bench_card_is_one_sheet_that_folds_to_the_order_of_work(structure: str) -> None:
    made, content = card(structure)
    sides = words_on_halves(content)
    assert len(sides) == 2
    (back, front), (left, right) = sides
    assert "Tide tables" in front
    assert all(piece.shown in front for piece in made.pieces)
    # folded once, one reads: front, left, right, back
    read = " ".join((front, left, right, back))
    places = [read.find(f"{number}. {each.title}"[:18]) for number, each in enumerate(made.operations, 1)]
    assert -1 not in places
    assert places == sorted(places)
    if made.casing_in:
        assert "Casing in" in back
        assert all(" ".join(look.text.split()) in back for look in made.casing_in.sides)


def test_what_is_measured_has_room_to_be_written_down_once() -> None:
    made, content = card("rounded_case", "letter")
    words = " ".join(words_of_pdf(content).replace("\xa0", " ").split())
    for asked in {asked.quantity: asked for each in made.operations for asked in each.measures}.values():
        assert words.count(f"{asked.label}, {asked.expected}: _") == 1, asked


@pytest.mark.parametrize("paper", ["a4", "letter"])
@pytest.mark.parametrize("seed", range(12))
def test_the_job_sheet_is_one_page_with_every_piece_whatever_is_made(seed: int, paper: str) -> None:
    chance = random.Random(seed)
    notation = chance.choice([MILLIMETRES, Notation("inch"), Notation("both")])
    try:
        spec = read_spec(made_up_job(chance), notation)
        made = plan(spec, notation)
    except (FoldError, SpecError):
        return  # it cannot be folded
    standing = plan(spec, notation, drawn=(STANDING,)).drawings[0]
    content = job_sheet_pdf(made, standing, paper, sheet_facts(spec, made, notation), notation)
    with pypdfium2.PdfDocument(content) as document:
        minded = [each for each in made.findings if each.severity != "note"]
        assert len(document) == 1 or (len(document) == 2 and len(minded) > 3)
        words = " ".join(document[0].get_textpage().get_text_bounded().split())
    for piece in made.pieces:
        assert piece.shown.replace("″", '"') in words, piece.id
    assert all(each.message[:20].replace("″", '"') in words for each in minded[:3])


def test_drawings_on_the_job_sheet_keep_to_two_scales() -> None:
    for structure in STRUCTURES:
        made = plan(read_spec(job_in(structure)))
        drawn = [each for each in made.drawings if each.to_scale]
        pair = two_scales(drawn, 173)
        content = job_sheet_pdf(made, None, "a4", (), parts=("drawings",))
        said = set(re.findall(r"scale 1 : ([\d.]+)", words_of_pdf(content)))
        assert said <= {f"{1 / scale:g}" for scale in pair}, structure


def test_the_cut_list_is_one_page_with_a_box_for_each_piece() -> None:
    made = plan(read_spec(job_in("rounded_case")), drawn=())
    content = cut_list_pdf(made, "letter", MILLIMETRES)
    with pikepdf.open(io.BytesIO(content)) as document:
        assert len(document.pages) == 1
    words = " ".join(words_of_pdf(content).split())
    for piece in made.pieces:
        assert f"{piece.count}" in words
        assert MILLIMETRES.figure(piece.cut_width) in words
        assert MILLIMETRES.figure(piece.cut_height) in words


def test_the_colophon_is_as_large_as_the_leaf_and_holds_all_that_is_written() -> None:
    spec = read_spec({"title": "Tide tables", "leaf": {"width": 74, "height": 105}})
    content = colophon_pdf(spec, "\n".join(f"line number {number}" for number in range(30)))
    with pikepdf.open(io.BytesIO(content)) as document:
        _, _, width, height = (float(each) for each in document.pages[0].mediabox)
    assert (width, height) == (pytest.approx(74 / 25.4 * 72), pytest.approx(105 / 25.4 * 72))
    words = words_of_pdf(content)
    assert "line number 0" in words
    assert "line number 29" in words


def photograph(tmp_path: Path, size: tuple[int, int], kind: str = "JPEG", **more: object) -> Path:
    path = tmp_path / "photograph"
    Image.new("RGB", size, "teal").save(path, kind, **more)
    return path


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "WEBP"])
def test_a_picture_is_written_anew_smaller_and_without_what_a_camera_says(tmp_path: Path, kind: str) -> None:
    exif = Image.Exif()
    exif[0x010F] = "Somebody's camera"
    exif[0x0112] = 6  # lies on its side
    path = photograph(tmp_path, (4000, 3000), kind, exif=exif.tobytes())
    report = make_photograph_safe(path)
    assert (report.width, report.height) == (LARGEST * 3 // 4, LARGEST)
    assert b"camera" not in path.read_bytes()
    with Image.open(path) as kept:
        assert (kept.format, kept.size) == ("JPEG", (report.width, report.height))
        assert not kept.getexif()


@pytest.mark.parametrize(
    "content", [b"", b"GIF89a", b"%PDF-1.7", b"<svg/>", b"\xff\xd8\xff\xe0" + b"\0" * 400]
)
def test_what_is_no_picture_is_refused_in_words(tmp_path: Path, content: bytes) -> None:
    path = tmp_path / "photograph"
    path.write_bytes(content)
    with pytest.raises(PhotographError):
        make_photograph_safe(path)


def test_a_picture_of_a_gigapixel_hurts_nobody(tmp_path: Path) -> None:
    path = tmp_path / "photograph"
    Image.new("1", (40_000, 30_000)).save(path, "PNG")
    with pytest.raises((PhotographError, UnreadableError)):
        make_photograph_safe(path)


def test_a_record_opens_in_a_spreadsheet_without_acting() -> None:
    line = RecordLine("noted", "=1+1", "binder", None)  # type: ignore[arg-type]
    recorded = Recorded(
        "sew", "=Sew", ("@binder",), None, None, 12.0, "12 min", 10.0, "10 min", True, (line,)
    )
    rows = record_csv([recorded]).splitlines()
    assert rows[1] == "'=Sew,'@binder,,,12.0,10.0,yes,'=1+1"
