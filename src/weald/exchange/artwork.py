"""Artwork for covers: PDF, PNG, JPEG and SVG, known by their content and made safe.

A drawing in SVG can hold scripts, outside files and traps for readers. It is read without any of them: only
shapes, text and embedded pictures are kept, and what is kept is written anew as PDF. The original is not.
"""

import io
import re
from pathlib import Path

import pikepdf
from lxml import etree
from PIL import Image, UnidentifiedImageError
from reportlab.graphics import renderPDF
from svglib.svglib import SvgRenderer

from weald.core.units import MM_PER_INCH, MM_PER_TYPE_POINT
from weald.exchange.page_images import MOST_HIGH, page_png
from weald.exchange.reports import ArtworkError, ArtworkReport, Kind

USUAL_DPI = 300
"""Of pictures that do not say how fine they are."""
MOST_PIXELS = 64_000_000
"""8,000 × 8,000; at 300 an inch a sheet of 680 mm square."""
MOST_SVG_BYTES = 10_000_000
MOST_SVG_ELEMENTS = 50_000
_KEPT_ELEMENTS = {
    *(
        "svg",
        "g",
        "defs",
        "title",
        "desc",
        "path",
        "rect",
        "circle",
        "ellipse",
        "line",
        "polyline",
        "polygon",
    ),
    *("text", "tspan", "use", "symbol", "clipPath", "linearGradient", "radialGradient", "stop", "image"),
}
_OUTSIDE = re.compile(r"url\(\s*['\"]?(?!#)|@import|expression\s*\(|javascript:", re.IGNORECASE)
_EMBEDDED = re.compile(r"data:image/(png|jpeg);base64,", re.IGNORECASE)


def read_artwork(path: Path) -> ArtworkReport:
    """See what artwork is by its content, and make a drawing safe in place.

    :raises ArtworkError: when it is of another kind, damaged, or too large to be opened.
    """
    with path.open("rb") as file:
        head = file.read(1024)
    if head.startswith(b"%PDF"):
        return _read_pdf(path)
    if head.startswith((b"\x89PNG", b"\xff\xd8\xff")):
        return _read_picture(path)
    if b"<svg" in head or b"<?xml" in head:
        return _read_svg(path)
    raise ArtworkError("This is neither PDF, PNG, JPEG nor SVG; export the artwork as one of them.")


def _read_pdf(path: Path) -> ArtworkReport:
    try:
        # read whole, so that it can be written where it lay
        with pikepdf.open(io.BytesIO(path.read_bytes())) as document:
            if len(document.pages) != 1:
                raise ArtworkError(
                    f"The artwork has {len(document.pages)} pages; bring the whole cover on one page, "
                    "back, spine and front side by side."
                )
            page = document.pages[0]
            left, bottom, right, top = (float(each) for each in page.cropbox)
            quarter = page.get("/Rotate", 0)
            turned = isinstance(quarter, int) and quarter % 180 == 90
            _strip_pdf(document)
            # not over itself: whoever is ended while it is written would leave a second file there
            cleaned = io.BytesIO()
            document.save(cleaned)
        path.write_bytes(cleaned.getvalue())
    except pikepdf.PasswordError:
        raise ArtworkError("The artwork is locked with a password; save it without one.") from None
    except (pikepdf.PdfError, RuntimeError, ValueError, TypeError, AttributeError):
        raise ArtworkError("The artwork is damaged and cannot be read as PDF; export it again.") from None
    width, height = abs(right - left) * MM_PER_TYPE_POINT, abs(top - bottom) * MM_PER_TYPE_POINT
    if turned:
        width, height = height, width
    return _checked(ArtworkReport("pdf", width, height, None))


def _strip_pdf(document: pikepdf.Pdf) -> None:
    """Take out what could act by itself: scripts, actions, annotations, attachments."""
    for key in ("/OpenAction", "/AA", "/Names", "/AcroForm", "/Metadata"):
        if key in document.Root:
            del document.Root[key]
    for page in document.pages:
        for key in ("/Annots", "/AA", "/Metadata"):
            if key in page:
                del page[key]


def _read_picture(path: Path) -> ArtworkReport:
    try:
        with Image.open(path, formats=("PNG", "JPEG")) as picture:
            across, down = picture.size
            if across * down > MOST_PIXELS:
                raise ArtworkError(
                    "The picture has too many pixels; make it smaller: 300 an inch are enough."
                )
            dpi = float(picture.info.get("dpi", (0, 0))[0]) or USUAL_DPI
            kind: Kind = "png" if picture.format == "PNG" else "jpeg"
            picture.load()
    except (UnidentifiedImageError, Image.DecompressionBombError, OSError, SyntaxError, ValueError):
        raise ArtworkError("The picture is damaged and cannot be read; export it again.") from None
    if dpi < 10:
        dpi = USUAL_DPI
    size = across / dpi * MM_PER_INCH, down / dpi * MM_PER_INCH
    return _checked(ArtworkReport(kind, *size, across))


def _read_svg(path: Path) -> ArtworkReport:
    if path.stat().st_size > MOST_SVG_BYTES:
        raise ArtworkError("The drawing is too large; export it as PDF.")
    parser = etree.XMLParser(resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False)
    try:
        root = etree.fromstring(path.read_bytes(), parser)
    except etree.XMLSyntaxError as error:
        raise ArtworkError(f"The drawing cannot be read as SVG ({error}).") from None
    if etree.QName(root).localname != "svg":
        raise ArtworkError("This is no SVG drawing, although it is written like one.")
    if root.getroottree().docinfo.doctype and "ENTITY" in path.read_text("utf-8", "replace"):
        raise ArtworkError("The drawing declares entities of its own; export it as plain SVG, or as PDF.")
    left_out = _made_safe(root)
    try:
        drawing = SvgRenderer(str(path)).render(root)
        content = renderPDF.drawToString(drawing) if drawing is not None else b""
    except MemoryError:
        raise
    except Exception:
        raise ArtworkError("The drawing cannot be drawn; export it as PDF.") from None
    if not content:
        raise ArtworkError("The drawing is empty; export it as PDF.")
    path.write_bytes(content)
    size = (float(drawing.width) * MM_PER_TYPE_POINT, float(drawing.height) * MM_PER_TYPE_POINT)
    return _checked(ArtworkReport("svg", *size, None, tuple(sorted(left_out))))


def _made_safe(root: "etree._Element") -> set[str]:
    """Take everything out of a drawing that is not plain drawing; gives the names of what went."""
    gone: set[str] = set()
    elements = list(root.iter())
    if len(elements) > MOST_SVG_ELEMENTS:
        raise ArtworkError("The drawing has too many parts; export it as PDF.")
    for element in elements:
        name = etree.QName(element).localname if isinstance(element.tag, str) else ""
        if name not in _KEPT_ELEMENTS:
            parent = element.getparent()
            if parent is not None:
                parent.remove(element)
            if name:
                gone.add(name)
            continue
        for key, value in list(element.attrib.items()):
            if _unsafe(name, str(key), str(value)):
                del element.attrib[key]
                gone.add(etree.QName(key).localname)
    return gone


def _unsafe(element: str, key: str, value: str) -> bool:
    name = etree.QName(key).localname.lower()
    if name.startswith("on") or _OUTSIDE.search(value):
        return True
    if name != "href":
        return False
    embedded = element == "image" and _EMBEDDED.match(value.strip())
    return not (value.strip().startswith("#") or embedded)


def _checked(report: ArtworkReport) -> ArtworkReport:
    if not (5 < report.width < 3000 and 5 < report.height < 3000):
        size = f"{report.width:.6g} × {report.height:.6g} mm"
        raise ArtworkError(f"The artwork is {size}, which is no cover; check its size.")
    return report


def artwork_png(path: Path, kind: Kind, width: int) -> bytes:
    """Artwork as a PNG ``width`` pixels wide, as it is shown on screen."""
    if kind in ("pdf", "svg"):
        return page_png(path, 1, width)
    with Image.open(path, formats=("PNG", "JPEG")) as picture:
        picture.draft("RGB", (width, MOST_HIGH))
        picture.thumbnail((width, MOST_HIGH))
        small = picture.convert("RGB")
    buffer = io.BytesIO()
    small.save(buffer, "PNG")
    return buffer.getvalue()
