from pathlib import Path
from typing import Any

import pikepdf
import pytest

from tests.exchange.texts import write_text
from weald.exchange.reports import TextError
from weald.exchange.text_pdf import read_text


def changed(path: Path, change: Any, **options: Any) -> Path:
    with pikepdf.open(path, allow_overwriting_input=True) as pdf:
        change(pdf)
        pdf.save(**options)
    return path


@pytest.fixture
def text(tmp_path: Path) -> Path:
    return write_text(tmp_path / "text.pdf", 6, 140, 210)


def test_a_plain_text_is_read(text: Path) -> None:
    report = read_text(text)
    assert report.pages == 6
    assert [(size.width, size.height, size.pages) for size in report.sizes] == [(140, 210, 6)]
    assert report.boxes == ("media",)
    assert (report.turned, report.repaired, report.odd) == (0, False, ())


def test_trim_boxes_and_turned_pages_and_mixed_sizes_are_said(text: Path) -> None:
    def change(pdf: pikepdf.Pdf) -> None:
        pdf.pages[0].TrimBox = [10, 10, 210, 310]
        pdf.pages[1].Rotate = 90
        pdf.pages[2].UserUnit = 2

    report = read_text(changed(text, change))
    assert report.boxes == ("trim", "media")
    assert report.turned == 1
    sizes = {(round(size.width), round(size.height)): size.first for size in report.sizes}
    assert sizes == {(140, 210): 4, (71, 106): 1, (210, 140): 2, (280, 420): 3}
    said = " ".join(report.odd)
    assert "Pages differ in size" in said
    assert "Some pages are upright and some lie across." in said
    assert "1 page is turned" in said


def test_a_size_is_inherited_from_the_tree_of_pages(text: Path) -> None:
    def change(pdf: pikepdf.Pdf) -> None:
        for page in pdf.pages:
            del page.MediaBox, page.Rotate
        pdf.Root.Pages.MediaBox = [0, 0, 300, 400]
        pdf.Root.Pages.Rotate = 270

    report = read_text(changed(text, change))
    assert (round(report.sizes[0].width), round(report.sizes[0].height)) == (141, 106)
    assert report.turned == 6


def test_a_damaged_table_is_repaired_and_said(text: Path) -> None:
    content = text.read_bytes()
    at = content.rindex(b"startxref")
    text.write_bytes(content[:at] + b"startxref\n12\n%%EOF\n")
    report = read_text(text)
    assert report.repaired
    assert "repaired" in report.odd[0]


def not_a_pdf(path: Path) -> None:
    path.write_bytes(b"PK\x03\x04 a story")


def cut_short(path: Path) -> None:
    path.write_bytes(path.read_bytes()[:2000])


def empty(path: Path) -> None:
    path.write_bytes(b"")


def beyond_repair(path: Path) -> None:
    path.write_bytes(b"%PDF-1.7\n" + b"nothing here " * 40 + b"\n%%EOF\n")


def encrypted(path: Path) -> None:
    changed(path, lambda pdf: None, encryption=pikepdf.Encryption(owner="owner", user="reader"))


def encrypted_without_a_word(path: Path) -> None:
    changed(path, lambda pdf: None, encryption=pikepdf.Encryption(owner="owner", user=""))


def without_pages(path: Path) -> None:
    def change(pdf: pikepdf.Pdf) -> None:
        del pdf.pages[:]

    changed(path, change)


def page_of_nothing(path: Path) -> None:
    def change(pdf: pikepdf.Pdf) -> None:
        pdf.pages[3].MediaBox = [0, 0, 0, 0]

    changed(path, change)


def page_of_metres(path: Path) -> None:
    def change(pdf: pikepdf.Pdf) -> None:
        pdf.pages[2].UserUnit = 50

    changed(path, change)


def page_askew(path: Path) -> None:
    def change(pdf: pikepdf.Pdf) -> None:
        pdf.pages[1].Rotate = 45

    changed(path, change)


BAD = [
    (not_a_pdf, "not a PDF"),
    (empty, "not a PDF"),
    (cut_short, "cut short"),
    (beyond_repair, "damaged beyond repair"),
    (encrypted, "encrypted"),
    (encrypted_without_a_word, "encrypted"),
    (without_pages, "no pages"),
    (page_of_nothing, "Page 4 of this PDF is 0 × 0 mm"),
    (page_of_metres, "Page 3"),
    (page_askew, "Page 2 of this PDF is turned by 45°"),
]


@pytest.mark.parametrize(("spoil", "words"), BAD, ids=[each[0].__name__ for each in BAD])
def test_what_cannot_be_used_is_said_in_one_line(text: Path, spoil: Any, words: str) -> None:
    spoil(text)
    with pytest.raises(TextError, match=words) as error:
        read_text(text)
    assert "\n" not in str(error.value)
    assert str(text) not in str(error.value)
