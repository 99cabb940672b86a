"""Reading the text to be bound: a PDF, what its pages are like, and what is odd about them.

A page's size is that of its trim box where it has one, else of its crop box, else of its media
box, turned as the page is turned.
"""

import re
from collections import Counter
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from decimal import Decimal
from pathlib import Path

import pikepdf

from weald.core.units import MM_PER_TYPE_POINT, Mm
from weald.exchange.reports import BoxName, SizeFound, TextError, TextReport

SMALLEST: Mm = 10.0
LARGEST: Mm = 3000.0
_HEAD, _TAIL = 1024, 2048
Box = tuple[float, float, float, float]
_BOX_KEYS: dict[BoxName, str] = {"trim": "/TrimBox", "crop": "/CropBox", "media": "/MediaBox"}
_SHAPING = re.compile(rb"/(?:MediaBox|CropBox|TrimBox|Rotate|UserUnit)\s*(?:\[[^\]]*\]|[-.\d]+(?: \d+ R)?)")
_INHERITED = frozenset(("/CropBox", "/MediaBox", "/Rotate", "/Resources"))
_PAGE_KEYS = _INHERITED | {"/TrimBox", "/UserUnit"}


@dataclass(frozen=True, slots=True, eq=False)
class Geometry:
    """A page's box in points as written, how it is turned, its size as it is read.

    Pages share one where all that shapes them is written alike.
    """

    box: Box
    box_name: BoxName
    turned: int
    unit: float
    width: Mm
    height: Mm


@dataclass(frozen=True, slots=True)
class TextPage:
    """One page of an opened text; ``inherited`` is what stands above it in the tree of pages."""

    page: pikepdf.Object
    geometry: Geometry
    inherited: Mapping[str, pikepdf.Object]

    def entry(self, key: str) -> pikepdf.Object | None:
        """An entry of the page, its own or one it inherits."""
        own: pikepdf.Object | None = self.page.get(key)
        return self.inherited.get(key) if own is None else own


@contextmanager
def opened(path: Path) -> Iterator[pikepdf.Pdf]:
    """A text opened.

    :raises TextError: when it is no PDF, cut short, encrypted, damaged beyond repair, or empty.
    """
    try:
        with path.open("rb") as file:
            head = file.read(_HEAD)
            file.seek(max(0, path.stat().st_size - _TAIL))
            tail = file.read()
    except OSError as error:
        raise TextError(f"The text cannot be read: {error.strerror or error}.") from None
    if b"%PDF-" not in head:
        raise TextError("This is not a PDF; export the text as a PDF first.")
    if b"%%EOF" not in tail:
        raise TextError("This PDF is cut short: its end is missing. Copy or export it again.")
    try:
        pdf = pikepdf.open(path, suppress_warnings=True)
    except pikepdf.PasswordError:
        raise TextError("This PDF is encrypted; save a copy without a password.") from None
    except (pikepdf.PdfError, pikepdf.DataDecodingError) as error:
        raise TextError(f"This PDF is damaged beyond repair ({_short(error)}); export it again.") from None
    with pdf:
        if pdf.is_encrypted:
            raise TextError("This PDF is encrypted; save a copy without encryption.")
        yield pdf


def _short(error: Exception) -> str:
    """The library's own words, without the file's name."""
    return str(error).rsplit(": ", 1)[-1].strip()[:120]


def pages_of(pdf: pikepdf.Pdf) -> list[TextPage]:
    """Every page of an opened text.

    :raises TextError: naming the page, when there is none or one has no size that paper can have.
    """
    reader = _PageReader()
    try:
        pages = [reader.read(page.obj, number) for number, page in enumerate(pdf.pages, start=1)]
    except (pikepdf.PdfError, pikepdf.ForeignObjectError, AttributeError, RuntimeError) as error:
        raise TextError(f"The pages of this PDF cannot be read ({_short(error)}); export it again.") from None
    if not pages:
        raise TextError("This PDF has no pages.")
    return pages


class _PageReader:
    """Reads pages one after the other. Most look alike, so what was worked out once is kept.

    Two pages that inherit the same and write the same of what shapes them have the same geometry.
    """

    def __init__(self) -> None:
        self._inherited: dict[tuple[int, int], dict[str, pikepdf.Object]] = {}
        self._geometries: dict[tuple[object, ...], Geometry] = {}

    def read(self, page: pikepdf.Object, number: int) -> TextPage:
        parent = page.get("/Parent")
        above = self._entries(parent) if isinstance(parent, pikepdf.Dictionary) else {}
        key = (id(above), *_SHAPING.findall(page.unparse(resolved=True)))
        if key not in self._geometries:
            own = {name: value for name, value in page.items() if name in _PAGE_KEYS}
            self._geometries[key] = _geometry({**above, **own}, number)
        return TextPage(page, self._geometries[key], above)

    def _entries(self, node: pikepdf.Dictionary) -> dict[str, pikepdf.Object]:
        """What a node of the tree hands down; the nearest wins, and a circle of parents ends."""
        key = node.objgen
        if key not in self._inherited:
            self._inherited[key] = {}
            parent = node.get("/Parent")
            above = self._entries(parent) if isinstance(parent, pikepdf.Dictionary) else {}
            own = {name: value for name, value in node.items() if name in _INHERITED}
            self._inherited[key] = {**above, **own}
        return self._inherited[key]


def _box(value: object) -> Box | None:
    if not isinstance(value, pikepdf.Array) or len(value) != 4:
        return None
    numbers = [float(each) for each in value if isinstance(each, (int, float, Decimal))]
    if len(numbers) != 4:
        return None
    x1, y1, x2, y2 = numbers
    return min(x1, x2), min(y1, y2), max(x1, x2), max(y1, y2)


def _number(value: object, usual: float, page: int) -> float:
    """An entry that shapes a page; where there is none, or nothing in it, what is usual.

    :raises TextError: when it is no number.
    """
    if value is None:
        return usual
    if isinstance(value, bool) or not isinstance(value, int | float | Decimal):
        raise TextError(
            f"Page {page} of this PDF says how it is turned or scaled in no number; export it again."
        )
    return float(value)


def _geometry(found: Mapping[str, pikepdf.Object], number: int) -> Geometry:
    """The shape of a page.

    :raises TextError: when it is not one that paper can have.
    """
    boxes = {name: _box(found.get(key)) for name, key in _BOX_KEYS.items()}
    chosen = [(name, box) for name, box in boxes.items() if box is not None]
    if not chosen or "/MediaBox" not in found:
        raise TextError(f"Page {number} of this PDF has no size; export it again.")
    name, box = chosen[0]
    unit = _number(found.get("/UserUnit"), 1.0, number)
    turned = int(_number(found.get("/Rotate"), 0.0, number)) % 360
    if turned % 90:
        raise TextError(f"Page {number} of this PDF is turned by {turned}°; turn it upright.")
    across, down = (box[2] - box[0]) * unit * MM_PER_TYPE_POINT, (box[3] - box[1]) * unit * MM_PER_TYPE_POINT
    width, height = (down, across) if turned in (90, 270) else (across, down)
    if not (SMALLEST <= width <= LARGEST and SMALLEST <= height <= LARGEST):
        raise TextError(
            f"Page {number} of this PDF is {width:.0f} × {height:.0f} mm; pages of {SMALLEST:.0f} mm to "
            f"{LARGEST / 1000:.0f} m can be bound."
        )
    return Geometry(box, name, turned, unit, width, height)


def read_text(path: Path) -> TextReport:
    """Read a text and say what it is like.

    :raises TextError: when it cannot be used.
    """
    with opened(path) as pdf:
        pages = [page.geometry for page in pages_of(pdf)]
        repaired = bool(pdf.get_warnings())
        annotated = sum(_has_appearances(page.obj) for page in pdf.pages)
    return report(pages, repaired, annotated)


def report(pages: list[Geometry], repaired: bool, annotated: int) -> TextReport:
    """What pages are like, said.

    :param annotated: pages that carry fields, stamps or notes.
    """
    rounded = [(round(page.width, 1), round(page.height, 1)) for page in pages]
    counts = Counter(rounded)
    sizes = tuple(SizeFound(*size, count, rounded.index(size) + 1) for size, count in counts.most_common(20))
    turned = sum(page.turned != 0 for page in pages)
    boxes = tuple(dict.fromkeys(page.box_name for page in pages))
    odd = tuple(_oddities(sizes, turned, repaired, annotated))
    return TextReport(len(pages), sizes, boxes, turned, repaired, odd)


def _oddities(sizes: tuple[SizeFound, ...], turned: int, repaired: bool, annotated: int) -> Iterator[str]:
    if repaired:
        yield "The file was damaged and has been repaired; look through its pages."
    if len(sizes) > 1:
        most, other = sizes[0], sizes[1]
        yield f"Pages differ in size: most are {_size(most)}, page {other.first} is {_size(other)}."
    if len({size.width > size.height for size in sizes}) > 1:
        yield "Some pages are upright and some lie across."
    if turned:
        yield f"{_pages(turned, 'is', 'are')} turned; they are bound as they show."
    if annotated:
        yield f"{_pages(annotated, 'carries', 'carry')} fields, stamps or notes; they print as they show."


def _pages(count: int, one: str, many: str) -> str:
    return f"1 page {one}" if count == 1 else f"{count} pages {many}"


def _size(size: SizeFound) -> str:
    return f"{size.width:g} × {size.height:g} mm"


def _has_appearances(page: pikepdf.Object) -> bool:
    """Whether a page shows anything besides its content; links show nothing."""
    notes = page.get("/Annots")
    if not isinstance(notes, pikepdf.Array):
        return False
    return any(isinstance(each, pikepdf.Dictionary) and "/AP" in each for each in notes)
