"""Pages as forms that a printed sheet can place: those of a text, and ruled ones."""

import io
import zlib
from collections.abc import Callable
from dataclasses import dataclass, field

import pikepdf
from pikepdf import Array, Dictionary, Name
from reportlab.lib.units import mm

from weald.core.folding.imposition import SpineSide
from weald.core.forme.page import Rule, place_content, ruled_area, ruling
from weald.core.job.paging import source_of
from weald.core.job.spec import JobSpec
from weald.core.units import Mm
from weald.exchange.colophon_pdf import colophon_pdf
from weald.exchange.reports import TextError
from weald.exchange.text_pdf import Geometry, TextPage

Matrix = tuple[float, float, float, float, float, float]

DOT = 3.0
"""A dot of a dot grid is so many line widths across."""
_FORM = Name.Form
_UPRIGHT: dict[int, Callable[[Geometry], Matrix]] = {
    0: lambda page: (1, 0, 0, 1, -page.box[0], -page.box[1]),
    90: lambda page: (0, -1, 1, 0, -page.box[1], page.box[2]),
    180: lambda page: (-1, 0, 0, -1, page.box[2], page.box[3]),
    270: lambda page: (0, 1, -1, 0, page.box[3], -page.box[0]),
}


def numbers(values: tuple[float, ...] | list[float]) -> str:
    """Numbers as a PDF writes them."""
    return " ".join(f"{value:.5f}" for value in values)


def packed(pdf: pikepdf.Pdf, content: bytes, **entries: object) -> pikepdf.Stream:
    """A stream of commands, packed as it will be written."""
    stream = pdf.make_stream(b"", **entries)
    stream.write(zlib.compress(content), filter=Name.FlateDecode)
    return stream


@dataclass(slots=True)
class PageForms:
    """The forms of one document, each made when it is first placed."""

    pdf: pikepdf.Pdf
    spec: JobSpec
    text: list[TextPage]
    _of_text: dict[int, pikepdf.Object] = field(default_factory=dict)
    _ruled: dict[SpineSide | None, pikepdf.Object] = field(default_factory=dict)
    _colophon: pikepdf.Object | None = None
    _media_boxes: dict[Geometry, pikepdf.Object] = field(default_factory=dict)
    _matrices: dict[tuple[Geometry, SpineSide | None, Mm], str] = field(default_factory=dict)

    def source(self, number: int | None) -> int | None:
        """The page of the text a page shows, from 1; none where the text has no such page."""
        if number is None:
            return None
        source = source_of(number, self.spec.extras.arranged)
        return source if source <= len(self.text) else None

    def of_text(self, source: int) -> pikepdf.Object:
        """A page of the text, from 1.

        :raises TextError: naming the page, when it cannot be read.
        """
        if source not in self._of_text:
            self._of_text[source] = self._page_as_form(self.text[source - 1], source)
        return self._of_text[source]

    def _page_as_form(self, page: TextPage, number: int) -> pikepdf.Object:
        """A single content stream becomes the form as it is, without being decoded."""
        contents, box = page.page.get("/Contents"), self._media_box(page)
        try:
            if isinstance(contents, pikepdf.Stream) and "/Subtype" not in contents:
                form: pikepdf.Object = contents
                form["/Subtype"] = _FORM
                form["/BBox"] = box
                resources = page.entry("/Resources")
                form["/Resources"] = Dictionary() if resources is None else resources
                group = page.page.get("/Group")
                if group is not None:
                    form["/Group"] = group
                return form
            form = self.pdf.make_indirect(pikepdf.Page(page.page).as_form_xobject(False))
            form.write(zlib.compress(form.read_bytes()), filter=Name.FlateDecode)
            form["/BBox"] = box
        except (pikepdf.PdfError, RuntimeError, ValueError) as error:
            raise TextError(f"Page {number} of the text cannot be read ({error}); export it again.") from None
        return form

    def _media_box(self, page: TextPage) -> pikepdf.Object:
        """The box beyond which a page shows nothing."""
        if page.geometry not in self._media_boxes:
            box = page.entry("/MediaBox")
            self._media_boxes[page.geometry] = Array([]) if box is None else box
        return self._media_boxes[page.geometry]

    def matrix(self, source: int, spine: SpineSide | None, towards_spine: Mm) -> str:
        """From the text's own page to the trimmed page as it is read, from its lower left."""
        key = (self.text[source - 1].geometry, spine, towards_spine)
        if key not in self._matrices:
            self._matrices[key] = f"{numbers(self._matrix(*key))} cm"
        return self._matrices[key]

    def _matrix(self, source: Geometry, spine: SpineSide | None, towards_spine: Mm) -> Matrix:
        text, leaf = self.spec.text, (self.spec.leaf.width, self.spec.leaf.height)
        size = (source.width, source.height)
        place = place_content(size, leaf, text.placing, text.anchor, spine != "right")
        right = {"left": -1, "right": 1, None: 0}[spine] * towards_spine
        left, low = (place.rect.left + right) * mm, (leaf[1] - place.rect.bottom) * mm
        scale = place.scale * source.unit
        a, b, c, d, e, f = _UPRIGHT[source.turned](source)
        return (scale * a, scale * b, scale * c, scale * d, scale * e + left, scale * f + low)

    def ruled(self, spine: SpineSide | None) -> pikepdf.Object:
        """A ruled page with its spine on this side."""
        if spine not in self._ruled:
            self._ruled[spine] = self._make_ruled(spine)
        return self._ruled[spine]

    def colophon(self) -> pikepdf.Object:
        """The colophon in the binder's own words."""
        if self._colophon is None:
            with pikepdf.open(io.BytesIO(colophon_pdf(self.spec, self.spec.finish.colophon))) as page:
                form = page.pages[0].as_form_xobject()
                self._colophon = self.pdf.copy_foreign(form)
        return self._colophon

    def _make_ruled(self, spine: SpineSide | None) -> pikepdf.Object:
        text, leaf = self.spec.text, self.spec.leaf
        look = text.ruling
        margins = look.margins.model_dump()
        area = ruled_area((leaf.width, leaf.height), **margins, spine_left=spine != "right")
        width = look.line * (DOT if text.filler == "dots" else 1.0)
        colour = [int(look.colour[at : at + 2], 16) / 255 for at in (1, 3, 5)]
        commands = [f"{numbers(colour)} RG {width * mm:.4f} w 1 J"]
        commands += [_rule(line, leaf.height) for line in ruling(text.filler, area, look.pitch)]
        return packed(
            self.pdf,
            "\n".join(commands).encode(),
            Type=Name.XObject,
            Subtype=Name.Form,
            BBox=Array([0, 0, leaf.width * mm, leaf.height * mm]),
        )


def _rule(line: Rule, height: Mm) -> str:
    points = (line.x1 * mm, (height - line.y1) * mm, line.x2 * mm, (height - line.y2) * mm)
    return "{:.3f} {:.3f} m {:.3f} {:.3f} l S".format(*points)
