"""The imposed PDF: pages of the text put on printed sheets, front and back in turn.

The work is done inside the text's own document: each page's content becomes a form that the new
pages place, so fonts, images and vectors stay as they are and nothing is decoded. What a printed
sheet has no use for (links, outlines, scripts, the author's metadata) is left behind.
"""

from collections.abc import Callable, Iterator
from pathlib import Path

import pikepdf
from pikepdf import Array, Dictionary, Name
from reportlab.lib.units import mm

from weald.core.folding.imposition import Placement, Sheet
from weald.core.forme.layout import Face, PlacedPage, backs_reversed, placed, placed_pages, places
from weald.core.forme.page import Rect
from weald.core.press.colophon import colophon_place
from weald.core.press.numbering import draw_numbers
from weald.core.press.press import Press, SideMarks, page_numbers
from weald.core.units import Mm
from weald.exchange.page_forms import Matrix, PageForms, numbers, packed
from weald.exchange.pdf_marks import MarkWriter
from weald.exchange.reports import Content, Faces, Order
from weald.exchange.text_pdf import opened, pages_of

Progress = Callable[[int, int], None]

_LEFT_BEHIND = (
    *("/AcroForm", "/Outlines", "/Dests", "/Names", "/OpenAction", "/AA", "/StructTreeRoot", "/MarkInfo"),
    *("/Metadata", "/PageLabels", "/Threads", "/Perms", "/PieceInfo", "/Collection", "/PageMode", "/URI"),
)
_FACES: dict[Faces, tuple[Face, ...]] = {
    "both": ("front", "back"),
    "fronts": ("front",),
    "backs": ("back",),
}


def _no_progress(done: int, of: int) -> None:
    pass


def impose_pdf(
    press: Press, text: Path | None, out: Path, order: Order, progress: Progress = _no_progress
) -> int:
    """Write the imposed PDF; gives the number of pages written.

    :param text: the text; none for a blank book or a dummy.
    :param progress: told how many sheets are done, and of how many; whatever it raises stops the work.
    :raises weald.exchange.text_pdf.TextError: when the text cannot be used.
    """
    if text is None or order.content == "numbers":
        with pikepdf.new() as pdf:
            return _write(press, order, PageForms(pdf, press.spec, []), out, progress)
    with opened(text) as pdf:
        pdf.flatten_annotations("print")
        forms = PageForms(pdf, press.spec, pages_of(pdf))
        return _write(press, order, forms, out, progress)


def _write(press: Press, order: Order, forms: PageForms, out: Path, progress: Progress) -> int:
    pdf, sheets, faces = forms.pdf, order.sheets(press), _FACES[order.faces]
    printer = press.spec.printing.printer
    if order.faces == "backs" and backs_reversed(printer.stacks, printer.feeds):
        sheets = sheets[::-1]
    marks = MarkWriter()
    formes = {each.layout: each for each in (press.of(sheet) for sheet in sheets)}
    boxes = {layout: _boxes(each) for layout, each in formes.items()}
    sides = {
        (layout, face): _Side(each, face, order.content, forms, marks)
        for layout, each in formes.items()
        for face in faces
    }
    pages: list[pikepdf.Object] = []
    for number, sheet in enumerate(sheets, start=1):
        layout = press.of(sheet).layout
        for face in faces:
            content, used = sides[layout, face].content(sheet)
            resources = Dictionary(XObject=Dictionary(used))
            page = Dictionary(Type=Name.Page, Resources=resources, Contents=packed(pdf, content))
            for name, box in boxes[layout].items():
                page[name] = box
            pages.append(pdf.make_indirect(page))
        progress(number, len(sheets))
    fonts = marks.fonts(pdf)
    for owner in (*pages, *(side.shared for side in sides.values() if side.shared is not None)):
        owner.Resources.Font = fonts
    _replace_pages(pdf, pages)
    _leave_behind(pdf, press, order)
    # the text's own streams stay packed as they are; what was written here is packed already
    pdf.save(out, compress_streams=False, progress=lambda percent: progress(len(sheets), len(sheets)))
    return len(pages)


class _Side:
    """One side of all printed sheets: they are laid out alike, so most of it is worked out once."""

    def __init__(
        self, press: Press, face: Face, content: Content, forms: PageForms, marks: MarkWriter
    ) -> None:
        self._press, self._face, self._content = press, face, content
        self._forms, self._writer = forms, marks
        self._colophon = colophon_place(press)
        self._before = ["q", *self._turn_and_shift()]
        self._windows: dict[tuple[object, ...], str] = {}
        self._written: dict[object, list[str]] = {}
        self._marks = SideMarks(press, face) if press.spec.printing.marks else None
        self.shared = self._shared_marks()

    def _turn_and_shift(self) -> Iterator[str]:
        """Backs on their heads for a printer that turns sheets the other way, and where it prints them."""
        if self._face == "front":
            return
        layout, printing = self._press.layout, self._press.spec.printing
        if self._press.backs_half_turned:
            yield _cm((-1, 0, 0, -1, layout.width * mm, layout.height * mm))
        right, down = printing.printer.back_right, printing.printer.back_down
        if right or down:
            yield _cm((1, 0, 0, 1, -right * mm, down * mm))

    def _shared_marks(self) -> pikepdf.Object | None:
        """The marks every sheet carries on this side, as a form."""
        if self._marks is None:
            return None
        drawing = self._marks.shared()
        return packed(
            self._forms.pdf,
            "\n".join(self._writer.commands(drawing)).encode(),
            Type=Name.XObject,
            Subtype=Name.Form,
            BBox=Array([0, 0, drawing.extent[2] * mm, drawing.extent[3] * mm]),
            Resources=Dictionary(),
        )

    def content(self, sheet: Sheet) -> tuple[bytes, dict[str, pikepdf.Object]]:
        """What one sheet carries on this side: its commands, and the forms they place."""
        used, commands = dict[str, pikepdf.Object](), list(self._before)
        layout = self._press.layout
        if self._content == "text":
            for number, place in places(layout, sheet, self._face):
                window = self._window(number, place)
                if self._colophon and self._colophon.holds(sheet.section, place):
                    used["/Colophon"] = self._forms.colophon()
                    commands += [window, "/Colophon Do Q"]
                else:
                    commands += self._page(sheet.section, place, window, used)
            if numbered := self._press.spec.extras.numbered:
                leaf = (self._press.spec.leaf.width, self._press.spec.leaf.height)
                pages = list(placed_pages(layout, sheet, self._face))
                commands += self._writer.commands(draw_numbers(layout, pages, numbered, leaf))
        else:
            pages = list(placed_pages(layout, sheet, self._face))
            commands += self._writer.commands(page_numbers(layout, pages))
        if self._marks is not None and self.shared is not None:
            used["/Marks"] = self.shared
            commands.append("/Marks Do")
            commands += self._own_marks(self._marks, sheet)
        commands.append("Q")
        return "\n".join(commands).encode(), used

    def _own_marks(self, marks: SideMarks, sheet: Sheet) -> list[str]:
        outermost = sheet.sheet == 1
        of_sheet, of_section = ("sheet", sheet.sheet), ("section", sheet.section, outermost)
        if of_sheet not in self._written:
            self._written[of_sheet] = self._writer.commands(marks.sheet(sheet.sheet))
        if of_section not in self._written:
            self._written[of_section] = self._writer.commands(marks.section(sheet.section, outermost))
        return self._written[of_sheet] + self._written[of_section]

    def _page(
        self, section: int, place: Placement, window: str, used: dict[str, pikepdf.Object]
    ) -> list[str]:
        """One page of the text, or a ruled one, clipped to its trimmed page and bleed."""
        forms = self._forms
        source = forms.source(place.page)
        if source is not None:
            name = f"/Text{place.page}"
            used[name] = forms.of_text(source)
            matrix = forms.matrix(source, place.spine, self._press.creep_shift(section, place))
            return [window, matrix, f"{name} Do Q"]
        if self._press.spec.text.filler == "plain":
            return []
        name = f"/Ruled-{place.spine or 'strip'}"
        used[name] = forms.ruled(place.spine)
        return [window, f"{name} Do Q"]

    def _window(self, number: int, place: Placement) -> str:
        """On to the trimmed page, and nothing beyond it and its bleed."""
        key = (number, place.column, place.row)
        if key not in self._windows:
            page = placed(self._press.layout, place, self._face, number)
            onto = _cm(_onto(page, self._press.layout.height))
            self._windows[key] = f"q {onto} {numbers(_clip(page, self._press))} re W n"
        return self._windows[key]


def _boxes(press: Press) -> dict[str, Array]:
    """Media, bleed and trim box of all pages. The trim box holds the sheets to be folded."""
    width, height, block = press.layout.width, press.layout.height, press.layout.block
    rects = {
        "/MediaBox": Rect(0, 0, width, height),
        "/BleedBox": _within(block.grown(press.spec.printing.bleed), width, height),
        "/TrimBox": _within(block, width, height),
    }
    return {name: _points(rect, height) for name, rect in rects.items()}


def _replace_pages(pdf: pikepdf.Pdf, pages: list[pikepdf.Object]) -> None:
    tree = pdf.make_indirect(Dictionary(Type=Name.Pages, Count=len(pages), Kids=Array(pages)))
    for page in pages:
        page.Parent = tree
    pdf.Root.Pages = tree


def _leave_behind(pdf: pikepdf.Pdf, press: Press, order: Order) -> None:
    """Drop what a printed sheet has no use for, and tell the print dialog what suits it."""
    for key in _LEFT_BEHIND:
        if key in pdf.Root:
            del pdf.Root[key]
    flip = "/DuplexFlipShortEdge" if press.spec.printing.flip == "short" else "/DuplexFlipLongEdge"
    pdf.Root.ViewerPreferences = Dictionary(
        PrintScaling=Name("/None"),
        Duplex=Name(flip if order.faces == "both" else "/Simplex"),
        PickTrayByPDFSize=True,
    )
    del pdf.docinfo
    size = f"{press.layout.width:.0f} × {press.layout.height:.0f} mm"
    pdf.docinfo["/Title"] = f"{press.spec.title}, imposed on {size}"


def _clip(page: PlacedPage, press: Press) -> tuple[float, ...]:
    """What may be seen of a page as it is read, from its lower left: the trimmed page and its bleed."""
    leaf, trim, bleed = press.spec.leaf, press.spec.leaf.trim, press.spec.printing.bleed
    head, tail, fore_edge = min(bleed, trim.head), min(bleed, trim.tail), min(bleed, trim.fore_edge)
    left = fore_edge if page.spine == "right" else 0.0
    right = fore_edge if page.spine == "left" else 0.0
    return (-left * mm, -tail * mm, (leaf.width + left + right) * mm, (leaf.height + head + tail) * mm)


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


def _cm(matrix: Matrix) -> str:
    return f"{numbers(matrix)} cm"
