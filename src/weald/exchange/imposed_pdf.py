"""The imposed PDF: pages of the text put on printed sheets, front and back in turn.

The work is done inside the text's own document: each page's content becomes a form that the new
pages place, so fonts, images and vectors stay as they are and nothing is decoded. What a printed
sheet has no use for (links, outlines, scripts, the author's metadata) is left behind.
"""

import io
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Literal

import pikepdf
from pikepdf import Array, Dictionary, Name
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from weald.core.drawing import Drawing
from weald.core.forme import Face, PlacedPage, backs_half_turned, backs_reversed
from weald.core.imposition import Sheet
from weald.core.page import Rect, Rule, place_content, ruling
from weald.core.press import Press
from weald.core.units import Mm
from weald.exchange.drawing_pdf import Paper
from weald.exchange.ink import Frame
from weald.exchange.text_pdf import TextError, TextPage, inherited, opened, pages_of

Faces = Literal["both", "fronts", "backs"]
Content = Literal["text", "numbers"]
Progress = Callable[[int, int], None]
Matrix = tuple[float, float, float, float, float, float]

DOT = 3.0
"""A dot of a dot grid is so many line widths across."""
_LEFT_BEHIND = (
    *("/AcroForm", "/Outlines", "/Dests", "/Names", "/OpenAction", "/AA", "/StructTreeRoot", "/MarkInfo"),
    *("/Metadata", "/PageLabels", "/Threads", "/Perms", "/PieceInfo", "/Collection", "/PageMode", "/URI"),
)
_FACES: dict[Faces, tuple[Face, ...]] = {
    "both": ("front", "back"),
    "fronts": ("front",),
    "backs": ("back",),
}
_TURNED: dict[int, Callable[[TextPage], Matrix]] = {
    0: lambda page: (1, 0, 0, 1, -page.box[0], -page.box[1]),
    90: lambda page: (0, -1, 1, 0, -page.box[1], page.box[2]),
    180: lambda page: (-1, 0, 0, -1, page.box[2], page.box[3]),
    270: lambda page: (0, 1, -1, 0, page.box[3], -page.box[0]),
}


def _no_progress(done: int, of: int) -> None:
    pass


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


def impose_pdf(
    press: Press, text: Path | None, out: Path, order: Order, progress: Progress = _no_progress
) -> int:
    """Write the imposed PDF; gives the number of pages written.

    :param text: the text; none for a blank book or a dummy.
    :param progress: told how many sheets are done, and of how many; whatever it raises stops the work.
    :raises TextError: when the text cannot be used.
    """
    if text is None or order.content == "numbers":
        with pikepdf.new() as pdf:
            return _Imposer(press, order, pdf, []).write(out, progress)
    with opened(text) as pdf:
        pages = pages_of(pdf)
        pdf.flatten_annotations("print")
        return _Imposer(press, order, pdf, pages).write(out, progress)


@dataclass(slots=True)
class _Imposer:
    press: Press
    order: Order
    pdf: pikepdf.Pdf
    text: list[TextPage]
    forms: dict[int, pikepdf.Object] = field(default_factory=dict)
    rulings: dict[str | None, pikepdf.Object] = field(default_factory=dict)

    def write(self, out: Path, progress: Progress) -> int:
        sheets = self.order.sheets(self.press)
        faces = _FACES[self.order.faces]
        printer = self.press.spec.printing.printer
        if self.order.faces == "backs" and backs_reversed(printer.stacks, printer.feeds):
            sheets = sheets[::-1]
        sources: list[pikepdf.Object] = [page.obj for page in self.pdf.pages]
        marks = _Overlay(self.pdf, self._marks(sheets, faces))
        kids = []
        for number, sheet in enumerate(sheets, start=1):
            for face in faces:
                kids.append(self._page(sheet, face, sources, marks))
            progress(number, len(sheets))
        self._replace_pages(kids)
        self._leave_behind()
        total = len(sheets)
        self.pdf.save(
            out,
            compress_streams=True,
            progress=lambda percent: progress(total, total),
        )
        return len(kids)

    def _marks(self, sheets: list[Sheet], faces: tuple[Face, ...]) -> Iterator[tuple[object, Drawing]]:
        """Every drawing laid over the pages, by what it is for."""
        for face in faces:
            if common := self.press.common_marks(face):
                yield face, common
        for sheet in sheets:
            for face in faces:
                if self.order.content == "numbers":
                    yield (sheet, face, "numbers"), self.press.numbers(sheet, face)
                if own := self.press.own_marks(sheet, face):
                    yield (sheet, face), own

    def _page(
        self, sheet: Sheet, face: Face, sources: list[pikepdf.Object], marks: "_Overlay"
    ) -> pikepdf.Object:
        press, used = self.press, Dictionary()
        layout = press.layout
        commands = ["q", *self._turn_and_shift(face)]
        if self.order.content == "text":
            for page in press.pages(sheet, face):
                commands += self._place(page, sources, used)
        for key in (face, (sheet, face), (sheet, face, "numbers")):
            if name := marks.name(key):
                used[name] = marks.forms[key]
                commands.append(f"{name} Do")
        commands.append("Q")
        block = layout.block
        bled = block.grown(press.spec.printing.bleed)
        content = self.pdf.make_stream("\n".join(commands).encode())
        return self.pdf.make_indirect(
            Dictionary(
                Type=Name.Page,
                MediaBox=_points(Rect(0, 0, layout.width, layout.height), layout.height),
                BleedBox=_points(_within(bled, layout.width, layout.height), layout.height),
                TrimBox=_points(_within(block, layout.width, layout.height), layout.height),
                Resources=Dictionary(XObject=used),
                Contents=content,
            )
        )

    def _turn_and_shift(self, face: Face) -> Iterator[str]:
        """Backs on their heads for a printer that turns sheets the other way, and where it prints them."""
        if face == "front":
            return
        layout, printing = self.press.layout, self.press.spec.printing
        if backs_half_turned(layout.width, layout.height, printing.flip):
            yield _cm((-1, 0, 0, -1, layout.width * mm, layout.height * mm))
        right, down = printing.printer.back_right, printing.printer.back_down
        if right or down:
            yield _cm((1, 0, 0, 1, -right * mm, down * mm))

    def _place(self, page: PlacedPage, sources: list[pikepdf.Object], used: Dictionary) -> Iterator[str]:
        """One page of the text, or a ruled one, clipped to its trimmed page and bleed."""
        spec = self.press.spec
        number = page.page
        printed = number is not None and number <= len(self.text)
        if not printed and (spec.text.filler == "plain"):
            return
        onto = _onto(page, self.press.layout.height)
        yield "q"
        yield _cm(onto)
        yield self._clip(page)
        if printed and number is not None:
            name = f"/Text{number}"
            used[name] = self._form(number, sources)
            yield _cm(self._content_matrix(page, self.text[number - 1]))
        else:
            side = page.spine or "none"
            name = f"/Ruled-{side}"
            used[name] = self._ruled(page)
        yield f"{name} Do"
        yield "Q"

    def _clip(self, page: PlacedPage) -> str:
        leaf, trim, bleed = self.press.spec.leaf, self.press.spec.leaf.trim, self.press.spec.printing.bleed
        head, tail = min(bleed, trim.head), min(bleed, trim.tail)
        fore_edge = min(bleed, trim.fore_edge)
        left = fore_edge if page.spine == "right" else 0.0
        right = fore_edge if page.spine == "left" else 0.0
        rect = (-left * mm, -tail * mm, (leaf.width + left + right) * mm, (leaf.height + head + tail) * mm)
        return f"{_numbers(rect)} re W n"

    def _content_matrix(self, page: PlacedPage, source: TextPage) -> Matrix:
        """From the text's own page to the trimmed page as it is read, from its lower left."""
        spec = self.press.spec
        leaf = (spec.leaf.width, spec.leaf.height)
        place = place_content(
            (source.width, source.height),
            leaf,
            spec.text.placing,
            spec.text.anchor,
            page.spine != "right",
        )
        towards_spine = {"left": -1, "right": 1, None: 0}[page.spine] * self.press.creep_shift(page)
        left = (place.rect.left + towards_spine) * mm
        low = (leaf[1] - place.rect.bottom) * mm
        scale = place.scale * source.unit
        a, b, c, d, e, f = _TURNED[source.turned](source)
        return (scale * a, scale * b, scale * c, scale * d, scale * e + left, scale * f + low)

    def _form(self, number: int, sources: list[pikepdf.Object]) -> pikepdf.Object:
        if number not in self.forms:
            self.forms[number] = _page_as_form(self.pdf, sources[number - 1], number)
        return self.forms[number]

    def _ruled(self, page: PlacedPage) -> pikepdf.Object:
        if page.spine not in self.rulings:
            self.rulings[page.spine] = self._make_ruled(page)
        return self.rulings[page.spine]

    def _make_ruled(self, page: PlacedPage) -> pikepdf.Object:
        spec, leaf = self.press.spec.text, self.press.spec.leaf
        margins = spec.ruling.margins
        left, right = margins.spine, margins.fore_edge
        if page.spine == "right":
            left, right = right, left
        area = Rect(left, margins.head, leaf.width - left - right, leaf.height - margins.head - margins.tail)
        lines = ruling(spec.filler, area, spec.ruling.pitch)
        width = spec.ruling.line * (DOT if spec.filler == "dots" else 1.0)
        colour = [int(spec.ruling.colour[at : at + 2], 16) / 255 for at in (1, 3, 5)]
        commands = [f"{_numbers(colour)} RG {width * mm:.4f} w 1 J"]
        commands += [_rule(line, leaf.height) for line in lines]
        return self.pdf.make_stream(
            "\n".join(commands).encode(),
            Type=Name.XObject,
            Subtype=Name.Form,
            BBox=Array([0, 0, leaf.width * mm, leaf.height * mm]),
        )

    def _replace_pages(self, kids: list[pikepdf.Object]) -> None:
        tree = self.pdf.make_indirect(Dictionary(Type=Name.Pages, Count=len(kids), Kids=Array(kids)))
        for kid in kids:
            kid.Parent = tree
        self.pdf.Root.Pages = tree

    def _leave_behind(self) -> None:
        root, layout = self.pdf.Root, self.press.layout
        for key in _LEFT_BEHIND:
            if key in root:
                del root[key]
        flip = "/DuplexFlipShortEdge" if self.press.spec.printing.flip == "short" else "/DuplexFlipLongEdge"
        root.ViewerPreferences = Dictionary(
            PrintScaling=Name("/None"),
            Duplex=Name(flip if self.order.faces == "both" else "/Simplex"),
            PickTrayByPDFSize=True,
        )
        del self.pdf.docinfo
        size = f"{layout.width:.0f} × {layout.height:.0f} mm"
        self.pdf.docinfo["/Title"] = f"{self.press.spec.title}, imposed on {size}"


@dataclass(slots=True)
class _Overlay:
    """Drawings turned into forms of the document, all of them in one go so that they share their type."""

    pdf: pikepdf.Pdf
    drawings: Iterator[tuple[object, Drawing]]
    forms: dict[object, pikepdf.Object] = field(default_factory=dict)

    def __post_init__(self) -> None:
        keys, buffer = [], io.BytesIO()
        canvas: Canvas | None = None
        for key, drawing in self.drawings:
            _, _, width, height = drawing.extent
            canvas = canvas or Canvas(buffer, pagesize=(width * mm, height * mm), pageCompression=1)
            Paper(canvas, height * mm).drawing(Frame(1.0, 0.0, 0.0, drawing))
            canvas.showPage()
            keys.append(key)
        if canvas is None:
            return
        canvas.save()
        buffer.seek(0)
        with pikepdf.open(buffer) as drawn:
            for key, page in zip(keys, drawn.pages, strict=True):
                self.forms[key] = self.pdf.copy_foreign(page.as_form_xobject())

    def name(self, key: object) -> str | None:
        """The name under which a page places a drawing, where there is one."""
        if key not in self.forms:
            return None
        return "/Marks" if isinstance(key, str) else "/Numbers" if len(key) == 3 else "/Sheet"  # type: ignore[arg-type]


def _page_as_form(pdf: pikepdf.Pdf, page: pikepdf.Object, number: int) -> pikepdf.Object:
    """A page's content as a form. A single content stream is used as it is, without decoding it."""
    contents = page.get("/Contents")
    try:
        if isinstance(contents, pikepdf.Stream) and "/Subtype" not in contents:
            form: pikepdf.Object = contents
            resources = inherited(page, "/Resources")
            form.Type, form.Subtype = Name.XObject, Name.Form
            form.BBox = inherited(page, "/MediaBox")
            form.Resources = resources if resources is not None else Dictionary()
            if "/Group" in page:
                form.Group = page.Group
            return form
        form = pdf.make_indirect(pikepdf.Page(page).as_form_xobject(False))
        form.BBox = inherited(page, "/MediaBox")
    except (pikepdf.PdfError, RuntimeError, ValueError) as error:
        raise TextError(f"Page {number} of the text cannot be read ({error}); export it again.") from None
    return form


def _onto(page: PlacedPage, sheet_height: Mm) -> Matrix:
    """From the trimmed page as it is read, from its lower left, to where it stands on the sheet; points."""
    right, up = page.up
    box = page.box
    x = {(0, 1): box.left, (0, -1): box.right, (1, 0): box.left, (-1, 0): box.right}[page.up]
    y = {(0, 1): box.bottom, (0, -1): box.top, (1, 0): box.top, (-1, 0): box.bottom}[page.up]
    return (up, -right, right, up, x * mm, (sheet_height - y) * mm)


def _points(rect: Rect, sheet_height: Mm) -> Array:
    low = sheet_height - rect.bottom
    edges = (rect.left, low, rect.right, sheet_height - rect.top)
    return Array([round(edge * mm, 4) for edge in edges])


def _within(rect: Rect, width: Mm, height: Mm) -> Rect:
    left, top = max(0.0, rect.left), max(0.0, rect.top)
    return Rect(left, top, min(width, rect.right) - left, min(height, rect.bottom) - top)


def _rule(line: Rule, height: Mm) -> str:
    points = (line.x1 * mm, (height - line.y1) * mm, line.x2 * mm, (height - line.y2) * mm)
    return "{:.3f} {:.3f} m {:.3f} {:.3f} l S".format(*points)


def _numbers(values: tuple[float, ...] | list[float]) -> str:
    return " ".join(f"{value:.5f}" for value in values)


def _cm(matrix: Matrix) -> str:
    return f"{_numbers(matrix)} cm"
