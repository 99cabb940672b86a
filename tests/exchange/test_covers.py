"""Artwork read and made safe, and covers measured in the written file."""

import base64
import io
from pathlib import Path
from typing import Any

import pikepdf
import pypdfium2
import pytest
from PIL import Image
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from tests.conftest import planned
from weald.core.covers.art import CoverArt
from weald.exchange.artwork import artwork_png, read_artwork
from weald.exchange.cover_pdf import cover_pdf
from weald.exchange.reports import ArtworkError

SPACE = "http" + "://www.w3.org/2000/svg"
SVG = f'<svg xmlns="{SPACE}" width="100mm" height="60mm" viewBox="0 0 100 60">'


def kept(tmp_path: Path, content: bytes) -> Path:
    path = tmp_path / "artwork"
    path.write_bytes(content)
    return path


def picture(width: int, height: int, kind: str = "PNG", **more: Any) -> bytes:
    buffer = io.BytesIO()
    Image.new("RGB", (width, height), (200, 40, 40)).save(buffer, kind, **more)
    return buffer.getvalue()


def pdf(*pages: tuple[float, float]) -> bytes:
    buffer = io.BytesIO()
    canvas = Canvas(buffer)
    for width, height in pages:
        canvas.setPageSize((width * mm, height * mm))
        canvas.setFillColorRGB(0, 0, 1)
        canvas.rect(0, 0, width * mm / 2, height * mm, stroke=0, fill=1)
        canvas.showPage()
    canvas.save()
    return buffer.getvalue()


def test_every_kind_is_known_by_its_content(tmp_path: Path) -> None:
    png = read_artwork(kept(tmp_path, picture(1200, 600, dpi=(300, 300))))
    assert (png.kind, png.pixels) == ("png", 1200)
    assert (png.width, png.height) == (pytest.approx(101.6, abs=0.05), pytest.approx(50.8, abs=0.05))
    jpeg = read_artwork(kept(tmp_path, picture(600, 600, "JPEG")))
    assert (jpeg.kind, jpeg.width) == ("jpeg", pytest.approx(50.8))
    drawn = read_artwork(kept(tmp_path, pdf((300, 200))))
    assert (drawn.kind, drawn.pixels) == ("pdf", None)
    assert (drawn.width, drawn.height) == (pytest.approx(300), pytest.approx(200))
    shape = f'{SVG}<rect width="100" height="60" fill="#00f"/></svg>'.encode()
    svg = read_artwork(kept(tmp_path, shape))
    assert (svg.kind, svg.left_out) == ("svg", ())
    assert (svg.width, svg.height) == (pytest.approx(100, abs=0.1), pytest.approx(60, abs=0.1))


OUTSIDE = "http" + "://gull.invalid/x.png"
INLINE = base64.b64encode(picture(8, 8)).decode()
HOSTILE: tuple[tuple[str, str], ...] = (
    ("<script>alert(1)</script>", "script"),
    ('<foreignObject><div xmlns="x">hi</div></foreignObject>', "foreignObject"),
    ('<rect width="9" height="9" onclick="alert(1)"/>', "onclick"),
    (f'<image href="{OUTSIDE}" width="9" height="9"/>', "href"),
    ('<image href="file:///etc/passwd" width="9" height="9"/>', "href"),
    (f'<rect width="9" height="9" style="fill:url({OUTSIDE})"/>', "style"),
    ("<style>@import url(x.css);</style>", "style"),
    ('<use href="other.svg#a"/>', "href"),
    ('<animate attributeName="x"/>', "animate"),
)


@pytest.mark.parametrize(("inside", "gone"), HOSTILE)
def test_what_could_act_in_a_drawing_is_taken_out(tmp_path: Path, inside: str, gone: str) -> None:
    path = kept(tmp_path, f'{SVG}<rect width="50" height="60" fill="#00f"/>{inside}</svg>'.encode())
    report = read_artwork(path)
    assert gone in report.left_out
    written = path.read_bytes()
    assert written.startswith(b"%PDF")
    for trace in (b"script", b"alert", b"gull.invalid", b"passwd"):
        assert trace not in written


def test_embedded_pictures_stay(tmp_path: Path) -> None:
    image = f'<image href="data:image/png;base64,{INLINE}" width="20" height="20"/>'
    assert read_artwork(kept(tmp_path, f"{SVG}{image}</svg>".encode())).left_out == ()


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"GIF89a....", "neither PDF, PNG, JPEG nor SVG"),
        (b"", "neither PDF"),
        (b"\x89PNG\r\n\x1a\nrubbish", "picture is damaged"),
        (b"%PDF-1.4 rubbish", "cannot be read as PDF"),
        (pdf((300, 200), (300, 200)), "2 pages"),
        (pdf((2, 2)), "no cover"),
        (b"<svg", "cannot be read as SVG"),
        (b"<?xml version='1.0'?><html/>", "no SVG drawing"),
        (
            b'<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>'
            + SVG.encode()
            + b"<text>&b;</text></svg>",
            "entities",
        ),
        ((SVG + "<g/>" * 50_001 + "</svg>").encode(), "too many parts"),
    ],
)
def test_artwork_that_cannot_be_used_says_what_to_bring(tmp_path: Path, content: bytes, says: str) -> None:
    with pytest.raises(ArtworkError, match=says):
        read_artwork(kept(tmp_path, content))


def test_scripts_and_links_of_a_pdf_are_dropped(tmp_path: Path) -> None:
    path = kept(tmp_path, pdf((300, 200)))
    with pikepdf.open(path, allow_overwriting_input=True) as document:
        document.Root.OpenAction = pikepdf.Dictionary(S=pikepdf.Name.JavaScript, JS="app.alert(1)")
        document.pages[0].Annots = pikepdf.Array([])
        document.save(path)
    read_artwork(path)
    with pikepdf.open(path) as document:
        assert "/OpenAction" not in document.Root
        assert "/Annots" not in document.pages[0]


def printed(**entries: Any) -> CoverArt:
    binding = {"structure": "printed_case", "material": "paper"}
    art = planned({"binding": binding, "artwork": entries}).cover_art
    assert art is not None
    return art


def boxes(content: bytes) -> dict[str, list[float]]:
    with pikepdf.open(io.BytesIO(content)) as document:
        page = document.pages[0]
        return {
            name: [float(side) / mm for side in getattr(page, name)]
            for name in ("mediabox", "bleedbox", "trimbox")
        }


@pytest.mark.parametrize("kind", ["png", "pdf", "svg"])
def test_the_cover_comes_out_with_its_boxes_and_its_artwork_in_place(tmp_path: Path, kind: str) -> None:
    plain = printed()
    size = (plain.width, plain.height)
    content = {
        "png": picture(round(plain.width * 4), round(plain.height * 4)),
        "pdf": pdf(size),
        "svg": f'<svg xmlns="{SPACE}" width="{size[0]}mm" height="{size[1]}mm" '
        f'viewBox="0 0 {size[0]} {size[1]}">'
        f'<rect width="{size[0] / 2}" height="{size[1]}" fill="#0000ff"/></svg>'.encode(),
    }[kind]
    path = kept(tmp_path, content)
    report = read_artwork(path)
    art = printed(file="a" * 64, width=size[0], height=size[1], barcode="290-1-234-56789-6")
    made = cover_pdf(art, "Gulls", (path, report.kind))
    found = boxes(made)
    assert found["mediabox"] == pytest.approx([0, 0, *size], abs=0.01)
    assert found["bleedbox"] == found["mediabox"]
    assert found["trimbox"] == pytest.approx([3, 3, size[0] - 3, size[1] - 3], abs=0.01)
    with pypdfium2.PdfDocument(made) as document:
        image = document[0].render(scale=1).to_pil().convert("RGB")
    across, down = image.size
    left = image.getpixel((across // 4, down // 4))
    assert isinstance(left, tuple)
    assert left[0] > 150 if kind == "png" else left[2] > 200
    place = art.barcode
    assert place is not None
    quiet = ((place.x + 1.5) * mm, (place.y + place.height / 2) * mm)
    assert image.getpixel((round(quiet[0]), round(quiet[1]))) == (255, 255, 255)


def test_a_preview_is_as_wide_as_asked(tmp_path: Path) -> None:
    path = kept(tmp_path, picture(1200, 600))
    with Image.open(io.BytesIO(artwork_png(path, "png", 300))) as small:
        assert small.size == (300, 150)


def locked_pdf() -> bytes:
    buffer = io.BytesIO()
    with pikepdf.open(io.BytesIO(pdf((300, 200)))) as document:
        document.save(buffer, encryption=pikepdf.Encryption(owner="gull", user="gull"))
    return buffer.getvalue()


def test_a_locked_pdf_asks_for_one_without_a_password(tmp_path: Path) -> None:
    with pytest.raises(ArtworkError, match="locked with a password"):
        read_artwork(kept(tmp_path, locked_pdf()))


@pytest.mark.parametrize(
    ("limit", "content", "says"),
    [
        ("MOST_PIXELS", picture(10, 10), "too many pixels"),
        ("MOST_SVG_BYTES", (SVG + "<g/>" * 30 + "</svg>").encode(), "too large; export it as PDF"),
    ],
)
def test_artwork_beyond_what_can_be_opened_is_refused(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, limit: str, content: bytes, says: str
) -> None:
    monkeypatch.setattr(f"weald.exchange.artwork.{limit}", 99)
    with pytest.raises(ArtworkError, match=says):
        read_artwork(kept(tmp_path, content))


@pytest.mark.parametrize(("turn", "size"), [(90, (200, 300)), (180, (300, 200)), (270, (200, 300))])
def test_a_turned_page_is_as_large_as_it_shows(tmp_path: Path, turn: int, size: tuple[float, float]) -> None:
    path = kept(tmp_path, pdf((300, 200)))
    with pikepdf.open(path, allow_overwriting_input=True) as document:
        document.pages[0].Rotate = turn
        document.save(path)
    found = read_artwork(path)
    assert (found.width, found.height) == (pytest.approx(size[0]), pytest.approx(size[1]))


def test_a_cropped_page_is_as_large_as_its_crop(tmp_path: Path) -> None:
    path = kept(tmp_path, pdf((300, 200)))
    with pikepdf.open(path, allow_overwriting_input=True) as document:
        document.pages[0].CropBox = pikepdf.Array([10 * mm, 20 * mm, 260 * mm, 180 * mm])
        document.save(path)
    found = read_artwork(path)
    assert (found.width, found.height) == (pytest.approx(250, abs=0.01), pytest.approx(160, abs=0.01))


def test_a_picture_that_says_an_unlikely_fineness_is_taken_at_the_usual_one(tmp_path: Path) -> None:
    found = read_artwork(kept(tmp_path, picture(600, 300, dpi=(1, 1))))
    assert found.width == pytest.approx(50.8)


@pytest.mark.parametrize("kind", ["PNG", "JPEG"])
def test_a_preview_of_a_picture_keeps_its_shape_and_colour(tmp_path: Path, kind: str) -> None:
    path = kept(tmp_path, picture(800, 400, kind))
    shown = Image.open(io.BytesIO(artwork_png(path, read_artwork(path).kind, 200)))
    assert shown.size == (200, 100)
    middle = shown.convert("RGB").getpixel((100, 50))
    assert middle == pytest.approx((200, 40, 40), abs=6)
