"""Foreign files read and made use of, apart from whoever asks: the one door to all that opens them."""

from collections.abc import Callable
from pathlib import Path

from weald.core.covers.art import CoverArt
from weald.core.drawing import Drawing
from weald.core.press.press import Press
from weald.core.press.reading import Stamp
from weald.exchange.apart import Limits, apart
from weald.exchange.reports import ArtworkReport, Kind, Order, PhotographReport, TextReport

_IMPOSING = Limits(seconds=3600.0, output=4 << 30)
_COVER = Limits(seconds=30.0, silent=30.0)


def read_text(path: Path) -> TextReport:
    """Read a text and say what it is like.

    :raises weald.exchange.reports.TextError: when it cannot be used.
    :raises weald.exchange.reports.UnreadableError: when reading it was given up; so with all that follows.
    """
    return apart("text_pdf.read_text", path, answer=TextReport)


def page_png(path: Path, number: int, width: int, half_turn: bool = False) -> bytes:
    """A page, from 1, as a PNG ``width`` pixels wide.

    :raises weald.exchange.reports.TextError: when there is no such page, or it cannot be drawn.
    """
    return apart("page_images.page_png", path, number, width, half_turn, answer=bytes)


def read_artwork(path: Path) -> ArtworkReport:
    """See what artwork is by its content, and make a drawing safe in place.

    :raises weald.exchange.reports.ArtworkError: when it is of another kind, damaged, or too large.
    """
    return apart("artwork.read_artwork", path, answer=ArtworkReport)


def artwork_png(path: Path, kind: Kind, width: int) -> bytes:
    """Artwork as a PNG ``width`` pixels wide, as it is shown on screen."""
    return apart("artwork.artwork_png", path, kind, width, answer=bytes)


def make_photograph_safe(path: Path) -> PhotographReport:
    """Make a picture of the work safe and smaller, in place; see :mod:`weald.exchange.photograph`.

    :raises weald.exchange.reports.PhotographError: when it is of another kind, damaged, or too large.
    """
    return apart("photograph.make_safe", path, answer=PhotographReport)


def cover_pdf(
    art: CoverArt, title: str, artwork: tuple[Path, Kind] | None, guides: Drawing | None = None
) -> bytes:
    """The printed cover with its boxes; see :func:`weald.exchange.cover_pdf.cover_pdf`."""
    return apart("cover_pdf.cover_pdf", art, title, artwork, guides, answer=bytes, limits=_COVER)


def impose_pdf(
    press: Press,
    text: Path | None,
    out: Path,
    order: Order,
    progress: Callable[[int, int], None] = lambda done, of: None,
) -> int:
    """Write the imposed PDF; gives the number of pages written.

    :param text: the text; none for a blank book or a dummy.
    :param progress: told how many sheets are done, and of how many; whatever it raises stops the work.
    :raises weald.exchange.reports.TextError: when the text cannot be used.
    """
    return apart(
        "imposed_pdf.impose_pdf", press, text, out, order, answer=int, limits=_IMPOSING, tell=progress
    )


def read_imposed(path: Path) -> list[tuple[Stamp, ...]]:
    """Every side of an imposed file, in order; see :func:`weald.exchange.read_imposed.read_imposed`."""
    return apart("read_imposed.read_imposed", path, answer=list[tuple[Stamp, ...]], limits=_COVER)
