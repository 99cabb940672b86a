"""What is put on printed sheets besides the text: marks, numbers, the sheet to measure backs with."""

import io
from pathlib import Path
from typing import Any

import pikepdf
import pypdfium2
import pytest
from PIL import Image, ImageChops, ImageStat
from reportlab.lib.units import mm

from tests.exchange.texts import write_text
from weald.core.job.spec import read_spec
from weald.core.press.press import Press, press
from weald.core.press.shift_sheet import draw_shift_sheet
from weald.exchange.drawing_pdf import printable
from weald.exchange.drawn_sheets import drawn_sheets_pdf
from weald.exchange.imposed_pdf import impose_pdf
from weald.exchange.page_images import page_png
from weald.exchange.read_imposed import read_imposed
from weald.exchange.reports import Order, TextError

TRIM = {"head": 5, "tail": 5, "fore_edge": 5}


def job(**parts: Any) -> Press:
    leaf = {"width": 100, "height": 150, "trim": TRIM}
    return press(read_spec({"title": "Café of Łódź", "leaf": leaf, "text": {"pages": 24}} | parts))


def words_of(path: Path, page: int) -> str:
    with pypdfium2.PdfDocument(path) as document:
        text: str = document[page].get_textpage().get_text_range()
        return text


def test_every_sheet_is_labelled_in_the_waste(tmp_path: Path) -> None:
    made = job(folding={"programme": "quarto", "sheets_per_section": 2}, printing={"flip": "long"})
    out = tmp_path / "out.pdf"
    impose_pdf(made, write_text(tmp_path / "text.pdf", 24, 100, 150), out, Order())
    said = [words_of(out, page) for page in range(6)]
    for page, words in enumerate(said):
        sheet = page // 2
        assert f"sheet {1 if sheet == 2 else sheet + 1}" in words
        assert f"signature {1 if sheet < 2 else 2} of 2" in words
        assert ("inner side" if page % 2 else "outer side") in words
        assert "Café of Lódz" in words
    # the signature mark stands on the outermost sheet of each signature only
    assert [words.splitlines().count("A") for words in said] == [1, 0, 0, 0, 0, 0]
    assert [words.splitlines().count("B") for words in said] == [0, 0, 0, 0, 1, 0]


def test_what_the_type_does_not_hold_is_spelt_otherwise() -> None:
    assert printable("5¼″ of Łódź, 3 × 4 − 1") == '5¼" of Lódz, 3 × 4 − 1'
    assert printable("Книга") == "?????"
    assert printable("plain") == "plain"


def test_signature_marks_can_be_numbers_or_left_out(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 24, 100, 150)
    counts = []
    for marks in ("numbers", "none"):
        printing = {"signature_marks": marks}
        impose_pdf(job(printing=printing), text, tmp_path / "out.pdf", Order())
        counts.append(words_of(tmp_path / "out.pdf", 0).splitlines().count("1"))
    # the fold is numbered 1 as well
    assert counts[0] == counts[1] + 1


def test_words_and_lines_of_marks_are_embedded_once(tmp_path: Path) -> None:
    out = tmp_path / "out.pdf"
    impose_pdf(job(), write_text(tmp_path / "text.pdf", 24, 100, 150), out, Order())
    with pikepdf.open(out) as pdf:
        fonts = {page.Resources.Font.objgen for page in pdf.pages}
        assert len(fonts) == 1
        shared = {page.Resources.XObject["/Marks"].objgen for page in pdf.pages}
        # one for fronts, one for backs
        assert len(shared) == 2
        font = pdf.pages[0].Resources.Font
        assert any("PublicSans" in str(each.BaseFont) for _, each in font.items())


def test_one_sheet_and_single_sections_are_written_alone(tmp_path: Path) -> None:
    made, text, out = job(), write_text(tmp_path / "text.pdf", 24, 100, 150), tmp_path / "out.pdf"
    assert impose_pdf(made, text, out, Order(one_sheet=True)) == 2
    assert len(read_imposed(out)) == 2
    assert impose_pdf(made, text, out, Order(sections=frozenset({2}))) == 2 * made.sections[1].sheets
    pages = {stamp.page for side in read_imposed(out) for stamp in side}
    assert pages == set(range(made.sections[1].first_page or 0, (made.sections[1].last_page or 0) + 1))


def test_progress_counts_sheets_and_may_stop_the_work(tmp_path: Path) -> None:
    text, told = write_text(tmp_path / "text.pdf", 24, 100, 150), []

    class EnoughError(Exception):
        pass

    def tell(done: int, of: int) -> None:
        told.append((done, of))
        if done == 3:
            raise EnoughError

    with pytest.raises(EnoughError):
        impose_pdf(job(), text, tmp_path / "out.pdf", Order(), tell)
    assert told == [(1, 6), (2, 6), (3, 6)]
    assert not (tmp_path / "out.pdf").exists()


def test_a_page_used_twice_and_pages_in_many_pieces_are_imposed(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 4, 100, 150)
    with pikepdf.open(text, allow_overwriting_input=True) as pdf:
        # the third page shows the content of the second, the fourth comes in two streams
        pdf.pages[2].Contents = pdf.pages[1].Contents
        whole = pdf.pages[3].Contents.read_bytes()
        pdf.pages[3].Contents = pikepdf.Array([pdf.make_stream(whole), pdf.make_stream(b"")])
        pdf.save()
    made = job(text={"pages": 4})
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    words = words_of(tmp_path / "out.pdf", 0) + "\n" + words_of(tmp_path / "out.pdf", 1)
    assert sorted(word for word in words.split() if word.startswith("p") and word.endswith("e")) == [
        "p1e",
        "p2e",
        "p2e",
        "p4e",
    ]


def test_a_filled_form_is_printed_as_it_shows(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 4, 100, 150)
    with pikepdf.open(text, allow_overwriting_input=True) as pdf:
        look = pdf.make_stream(
            b"1 0 0 rg 0 0 40 20 re f",
            Type=pikepdf.Name.XObject,
            Subtype=pikepdf.Name.Form,
            BBox=[0, 0, 40, 20],
        )
        stamp = pikepdf.Dictionary(
            Type=pikepdf.Name.Annot,
            Subtype=pikepdf.Name.Stamp,
            Rect=[60, 60, 100, 80],
            F=4,
            AP=pikepdf.Dictionary(N=look),
        )
        pdf.pages[0].Annots = pdf.make_indirect(pikepdf.Array([pdf.make_indirect(stamp)]))
        pdf.save()
    impose_pdf(job(text={"pages": 4}), text, tmp_path / "out.pdf", Order())
    picture = Image.open(io.BytesIO(page_png(tmp_path / "out.pdf", 1, 800)))
    colours = picture.getcolors(1 << 20) or []
    assert any(red > 200 and green < 40 and blue < 40 for _, (red, green, blue) in colours)  # type: ignore[misc]


def test_bleed_shows_beyond_the_trimmed_page_and_never_over_the_spine(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 4, 110, 160)
    with pikepdf.open(text, allow_overwriting_input=True) as pdf:
        for page in pdf.pages:
            page.Contents = pdf.make_stream(b"0.5 g 0 0 400 500 re f")
            page.TrimBox = [5 * mm, 5 * mm, 105 * mm, 155 * mm]
        pdf.save()
    made = job(text={"pages": 4}, printing={"bleed": 3, "marks": False, "flip": "short"})
    out = tmp_path / "out.pdf"
    impose_pdf(made, text, out, Order())
    dots = 4
    picture = Image.open(io.BytesIO(page_png(out, 1, round(made.layout.width * dots)))).convert("L")

    def grey(x: float, y: float) -> bool:
        value: Any = picture.getpixel((round(x * dots), round(y * dots)))
        return bool(100 < value < 160)

    # two leaves of 105 × 160; the spine in the middle, 5 mm trimmed on the other edges
    assert not grey(1, 80)
    assert grey(2.6, 80)
    assert grey(104.5, 80)
    assert grey(105.5, 80)
    assert not grey(50, 1)
    assert grey(50, 2.6)
    assert not grey(208.5, 80)


def test_pictures_of_pages_are_as_wide_as_asked_and_turn(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 2, 100, 150)
    upright = Image.open(io.BytesIO(page_png(text, 1, 200)))
    turned = Image.open(io.BytesIO(page_png(text, 1, 200, half_turn=True)))
    assert upright.size == (200, 300)
    difference = ImageChops.difference(upright.rotate(180), turned)
    assert ImageStat.Stat(difference).mean[0] < 4 < ImageStat.Stat(ImageChops.invert(upright)).sum[0]
    same = ImageStat.Stat(ImageChops.difference(upright, turned)).mean[0]
    assert same > ImageStat.Stat(difference).mean[0]
    with pytest.raises(TextError, match="the last is 2"):
        page_png(text, 3, 200)


def test_the_shift_sheet_is_printed_at_true_size_and_its_back_turned() -> None:
    drawings = [(draw_shift_sheet(300, 200, face), face == "back") for face in ("front", "back")]
    with pikepdf.open(io.BytesIO(drawn_sheets_pdf(drawings, "Back shift"))) as pdf:
        assert [float(each) / mm for each in pdf.pages[1].mediabox] == pytest.approx([0, 0, 300, 200])
        first = pikepdf.unparse_content_stream(pikepdf.parse_content_stream(pdf.pages[0]))
        second = pikepdf.unparse_content_stream(pikepdf.parse_content_stream(pdf.pages[1]))
        assert b"-1 0 0 -1 0 0 cm" not in first.replace(b"0.0", b"0")
        assert b"-1 " in second
