"""Pages of a PDF as pictures."""

import io
from pathlib import Path

import pypdfium2

from weald.exchange.reports import WIDEST, TextError

MOST_HIGH = 2 * WIDEST


def page_png(path: Path, number: int, width: int, half_turn: bool = False) -> bytes:
    """A page, from 1, as a PNG ``width`` pixels wide, or narrower where it is very high.

    :raises TextError: when there is no such page, or it cannot be drawn.
    """
    try:
        with pypdfium2.PdfDocument(path) as document:
            if not 1 <= number <= len(document):
                raise TextError(f"There is no page {number}; the last is {len(document)}.")
            page = document[number - 1]
            across, down = page.get_size()
            scale = min(min(width, WIDEST) / across, MOST_HIGH / down)
            picture = page.render(scale=scale, rotation=180 if half_turn else 0).to_pil()
    except (pypdfium2.PdfiumError, ValueError, ZeroDivisionError) as error:
        raise TextError(f"Page {number} cannot be drawn ({error}).") from None
    buffer = io.BytesIO()
    picture.convert("RGB").save(buffer, "PNG")
    return buffer.getvalue()
