"""The printed cover as a PDF with its boxes: artwork, barcode, and marks outside what is seen."""

import io
from collections.abc import Iterator
from pathlib import Path

import pikepdf
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from weald.core.covers.art import CoverArt, draw_barcode, waste_marks
from weald.core.drawing import Drawing, Sketch
from weald.core.units import Mm
from weald.exchange.drawing_pdf import Paper
from weald.exchange.ink import Frame
from weald.exchange.reports import Kind


def cover_pdf(
    art: CoverArt, title: str, artwork: tuple[Path, Kind] | None, guides: Drawing | None = None
) -> bytes:
    """One page: the document in the middle of its sheet, or by itself where no sheet is chosen.

    The TrimBox is the cover as it is cut, the BleedBox the whole document, the MediaBox the sheet.

    :param artwork: the file and what it is; without it the page holds lettering, marks, barcode and guides.
    :param guides: drawn over everything, for a proof; left out of what is printed.
    """
    width, height = art.sheet or (art.width, art.height)
    left, top = (width - art.width) / 2, (height - art.height) / 2
    buffer = io.BytesIO()
    canvas = Canvas(buffer, pagesize=(width * mm, height * mm))
    canvas.setTitle(f"{title}: cover")
    canvas.setViewerPreference("PrintScaling", "None")
    placed = art.artwork
    if placed and artwork and artwork[1] in ("png", "jpeg"):
        _put_picture(canvas, art, artwork[0], (left, top, height))
    sheet = Paper(canvas, height * mm)
    marks = waste_marks(art)
    sheet.drawing(Frame(1.0, left + marks.extent[0], top + marks.extent[1], marks))
    for drawing in _own_words(art):
        sheet.drawing(Frame(1.0, left + drawing.extent[0], top + drawing.extent[1], drawing))
    if guides:
        sheet.drawing(Frame(1.0, left, top, guides))
    canvas.showPage()
    canvas.save()
    with pikepdf.open(io.BytesIO(buffer.getvalue())) as document:
        page = document.pages[0]
        if placed and artwork and artwork[1] in ("pdf", "svg"):
            with pikepdf.open(artwork[0]) as source:
                x, y = left + placed.x, top + placed.y
                page.add_underlay(
                    source.pages[0],
                    pikepdf.Rectangle(
                        x * mm,
                        (height - y - placed.height) * mm,
                        (x + placed.width) * mm,
                        (height - y) * mm,
                    ),
                )
        page.mediabox = _box(0.0, 0.0, width, height)
        page.bleedbox = _box(left, top, width, height)
        page.trimbox = _box(left + art.bleed, top + art.bleed, width, height)
        done = io.BytesIO()
        document.save(done)
    return done.getvalue()


def _put_picture(canvas: Canvas, art: CoverArt, picture: Path, at: tuple[Mm, Mm, Mm]) -> None:
    """A picture at its place, clipped to the document.

    :param at: the document's left and its top, and the page's height.
    """
    left, top, height = at
    placed = art.artwork
    if placed is None:
        return
    canvas.saveState()
    clip = canvas.beginPath()
    clip.rect(left * mm, (height - top - art.height) * mm, art.width * mm, art.height * mm)
    canvas.clipPath(clip, stroke=0, fill=0)
    bottom = height - top - placed.y - placed.height
    canvas.drawImage(
        str(picture),
        (left + placed.x) * mm,
        bottom * mm,
        placed.width * mm,
        placed.height * mm,
        mask="auto",
    )
    canvas.restoreState()


def _own_words(art: CoverArt) -> Iterator[Drawing]:
    """What Weald itself prints on the cover: the lettering of the spine, and the barcode."""
    if art.lettering:
        sketch = Sketch(list(art.lettering), [(label.x, label.y) for label in art.lettering])
        yield sketch.finish("cover.lettering", "boards", "Lettering of the spine", rows=(0, 0, 0, 0))
    if art.barcode:
        sketch = Sketch()
        draw_barcode(sketch, art.barcode, art.digits)
        yield sketch.finish("barcode", "boards", "Barcode", rows=(0, 0, 0, 0))


def _box(across: Mm, down: Mm, width: Mm, height: Mm) -> pikepdf.Array:
    """A box so far inside the page on either side."""
    sides = (across, down, width - across, height - down)
    return pikepdf.Array([round(side * mm, 4) for side in sides])
