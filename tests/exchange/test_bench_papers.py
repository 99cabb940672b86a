"""What is printed of the bench, and pictures brought from it."""

import io
from pathlib import Path

import pikepdf
import pypdfium2
import pytest
from PIL import Image

from weald.core.bench.record import Recorded, RecordLine
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES
from weald.core.planning.job_sheet import sheet_facts
from weald.core.planning.plan import plan
from weald.exchange.bench_card import bench_card_pdf
from weald.exchange.colophon_pdf import colophon_pdf
from weald.exchange.foreign import make_photograph_safe
from weald.exchange.photograph import LARGEST
from weald.exchange.record_csv import record_csv
from weald.exchange.reports import PhotographError, UnreadableError


def words_of_pdf(content: bytes) -> str:
    with pypdfium2.PdfDocument(content) as document:
        return "\n".join(page.get_textpage().get_text_bounded() for page in document)


@pytest.mark.parametrize("structure", list(STRUCTURES))
def test_the_bench_card_is_one_page_or_two_with_every_operation(structure: str) -> None:
    spec = read_spec({"title": "Tide tables", "binding": {"structure": structure}})
    made = plan(spec, drawn=("bench",))
    content = bench_card_pdf(made, "a4", sheet_facts(spec, made, MILLIMETRES))
    with pikepdf.open(io.BytesIO(content)) as document:
        assert len(document.pages) <= 2
    words = words_of_pdf(content)
    for number, operation in enumerate(made.operations, 1):
        assert f"{number}. {operation.title.split(' ')[0]}" in words


def test_a_short_book_has_one_page() -> None:
    spec = read_spec({"title": "Tide tables", "binding": {"structure": "saddle_stitch"}})
    content = bench_card_pdf(plan(spec, drawn=("bench",)), "letter", ())
    with pikepdf.open(io.BytesIO(content)) as document:
        assert len(document.pages) == 1


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
