"""What is said of files that were brought, and what may be asked of them: types alone, no reader of a format.

The readers run apart (:mod:`weald.exchange.foreign`); server, worker and command line know only this.
"""

from dataclasses import dataclass
from typing import Literal

from weald.core.errors import WealdError
from weald.core.folding.imposition import Sheet
from weald.core.press.press import Press
from weald.core.units import Mm

BoxName = Literal["trim", "crop", "media"]
Kind = Literal["pdf", "png", "jpeg", "svg"]
Faces = Literal["both", "fronts", "backs"]
Content = Literal["text", "numbers"]
WIDEST = 1600
"""Pixels across the largest picture of a page; it is never more than twice as high."""


class TextError(WealdError):
    """A text that cannot be used, with the remedy."""


class ArtworkError(WealdError):
    """Artwork that cannot be used, with what to do instead."""


class NoRoomError(WealdError):
    """The disk is full."""

    def __init__(self, message: str = "") -> None:
        super().__init__(
            message or "There is no room left on the disk; nothing was kept. Tell whoever looks after Weald."
        )


class UnreadableError(WealdError):
    """A file whose reading was given up: too much memory, too long, or a reader that broke over it."""


class PhotographError(WealdError):
    """A picture that cannot be kept, with what to do instead."""


@dataclass(frozen=True, slots=True)
class PhotographReport:
    """A picture as it is kept, in pixels."""

    width: int
    height: int


@dataclass(frozen=True, slots=True)
class SizeFound:
    """A size, how many pages have it, and the first of them."""

    width: Mm
    height: Mm
    pages: int
    first: int


@dataclass(frozen=True, slots=True)
class TextReport:
    """What was found in a text.

    :param sizes: commonest first.
    :param odd: what a binder should know, in sentences.
    """

    pages: int
    sizes: tuple[SizeFound, ...]
    boxes: tuple[BoxName, ...]
    turned: int
    repaired: bool
    odd: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class ArtworkReport:
    """What artwork is: its size, and how many pixels a picture is across; ``left_out`` what was not kept."""

    kind: Kind
    width: Mm
    height: Mm
    pixels: int | None
    left_out: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Order:
    """What to impose.

    :param faces: both, front and back in turn; or only one, for printing the other side by hand.
    :param sections: only these, from 1; all when not given.
    :param content: the text, or numbers only for a dummy to fold.
    :param one_sheet: only the first sheet, as a test.
    """

    faces: Faces = "both"
    sections: frozenset[int] | None = None
    content: Content = "text"
    one_sheet: bool = False

    def sheets(self, press: Press) -> list[Sheet]:
        """The sheets to be printed, in their order."""
        sheets = [sheet for sheet in press.sheets if self.sections is None or sheet.section in self.sections]
        return sheets[:1] if self.one_sheet else sheets
