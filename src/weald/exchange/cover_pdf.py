"""The printed cover as a PDF with its boxes: artwork, barcode, and marks outside what is seen."""

import io
from pathlib import Path

import pikepdf
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from weald.core.covers.art import CoverArt, draw_barcode
from weald.core.drawing import Drawing, Sketch
from weald.core.units import Mm
from weald.exchange.artwork import Kind
from weald.exchange.drawing_pdf import Paper
from weald.exchange.ink import Frame


def cover_pdf(
    art: CoverArt, title: str, artwork: tuple[Path, Kind] | None, *, guides: Drawing | None = None
) -> bytes:
    """One page, as large as the document.

    The TrimBox is the cover as it is cut, the BleedBox the whole document.

    :param artwork: the file and what it is; without it the page holds only barcode and guides.
    :param guides: drawn over everything, for a proof; left out of what is printed.
    """
    buffer = io.BytesIO()
    canvas = Canvas(buffer, pagesize=(art.width * mm, art.height * mm))
    canvas.setTitle(f"{title}: cover")
    canvas.setViewerPreference("PrintScaling", "None")
    placed = art.artwork
    if placed and artwork and artwork[1] in ("png", "jpeg"):
        bottom = (art.height - placed.y - placed.height) * mm
        canvas.drawImage(
            str(artwork[0]), placed.x * mm, bottom, placed.width * mm, placed.height * mm, mask="auto"
        )
    sheet = Paper(canvas, art.height * mm)
    if art.barcode:
        sketch = Sketch()
        draw_barcode(sketch, art.barcode, art.digits)
        barcode = sketch.finish("barcode", "boards", "Barcode")
        sheet.drawing(Frame(1.0, art.barcode.x, art.barcode.y, barcode))
    if guides:
        sheet.drawing(Frame(1.0, 0.0, 0.0, guides))
    canvas.showPage()
    canvas.save()
    with pikepdf.open(io.BytesIO(buffer.getvalue())) as document:
        page = document.pages[0]
        if placed and artwork and artwork[1] in ("pdf", "svg"):
            with pikepdf.open(artwork[0]) as source:
                left, top = placed.x, placed.y + placed.height
                page.add_underlay(
                    source.pages[0],
                    pikepdf.Rectangle(
                        left * mm,
                        (art.height - top) * mm,
                        (left + placed.width) * mm,
                        (art.height - placed.y) * mm,
                    ),
                )
        page.mediabox = page.bleedbox = _box(0.0, art)
        page.trimbox = _box(art.bleed, art)
        done = io.BytesIO()
        document.save(done)
    return done.getvalue()


def _box(inset: Mm, art: CoverArt) -> pikepdf.Array:
    sides = (inset, inset, art.width - inset, art.height - inset)
    return pikepdf.Array([round(side * mm, 4) for side in sides])
