"""What is printed: every sheet of a job, laid out on the paper in the printer.

The same stations that plan a job reckon it here, without pictures, so that an imposed file and
the plan on screen cannot disagree.
"""

from dataclasses import dataclass

from weald.core.drawing import Drawing, Element, Sketch
from weald.core.fold_steps import FoldStep, fold_steps, slits_advised
from weald.core.folding import FoldedPacket, fold_packet
from weald.core.forme import Face, Layout, PlacedPage, placed_pages
from weald.core.imposition import Section, Sheet
from weald.core.marks import Marker, SheetName, rotation_of, signature_letters
from weald.core.programme import parse_programme
from weald.core.reckoning import Ledger
from weald.core.spec import JobSpec
from weald.core.stations import folding as folding_station
from weald.core.stations import paper as paper_station
from weald.core.stations import text as text_station
from weald.core.stations.printing import layout_of
from weald.core.units import Mm

NUMBER_HEIGHT = 1 / 6
"""Of the shorter side of a page: the height of its number on a fold dummy."""


@dataclass(frozen=True, slots=True)
class Press:
    """A job ready to print.

    :param creep_step: how far a folio stands out beyond the one outside it.
    """

    spec: JobSpec
    packet: FoldedPacket
    steps: tuple[FoldStep, ...]
    sections: tuple[Section, ...]
    sheets: tuple[Sheet, ...]
    layout: Layout
    creep_step: Mm

    def pages(self, sheet: Sheet, face: Face) -> list[PlacedPage]:
        """Every page on one side of a printed sheet."""
        return list(placed_pages(self.layout, sheet, face))

    def creep_shift(self, page: PlacedPage) -> Mm:
        """How far a page's content is moved towards the spine, so that margins are even once trimmed."""
        return page.place.folio * self.creep_step if self.spec.printing.creep_shift else 0.0

    def common_marks(self, face: Face) -> Drawing | None:
        """The marks all sheets share: folds, trims, register crosses, symbols that meet."""
        if not self.spec.printing.marks:
            return None
        marker = self._marker(self.sheets[0], face)
        marker.trims()
        marker.folds(self.steps)
        marker.symbols(self.steps)
        marker.register()
        return self._drawing(marker.sketch.elements)

    def own_marks(self, sheet: Sheet, face: Face) -> Drawing | None:
        """The marks of one sheet: its label, signature mark and collation mark."""
        if not self.spec.printing.marks:
            return None
        marker = self._marker(sheet, face)
        name = SheetName(
            self.spec.title,
            sheet.section,
            len(self.sections),
            sheet.sheet,
            self.packet.grain,
            self.packet.sewn,
        )
        marker.label(name)
        if self.packet.sewn and sheet.sheet == 1:
            marker.collation(sheet.section, len(self.sections))
            if self.spec.printing.signature_marks != "none":
                letters = self.spec.printing.signature_marks == "letters"
                marker.signature(signature_letters(sheet.section) if letters else str(sheet.section))
        return self._drawing(marker.sketch.elements)

    def numbers(self, sheet: Sheet, face: Face) -> Drawing:
        """Nothing but page numbers and heads, for a dummy to fold."""
        sketch = Sketch()
        for page in self.pages(sheet, face):
            draw_number(sketch, page)
        return self._drawing(sketch.elements)

    def _marker(self, sheet: Sheet, face: Face) -> Marker:
        return Marker(Sketch(), self.layout, face, self.pages(sheet, face), self.spec.printing.bleed)

    def _drawing(self, elements: list[Element]) -> Drawing:
        extent = (0.0, 0.0, self.layout.width, self.layout.height)
        return Drawing("press", "printing", self.spec.title, extent, tuple(elements), (0, 0, 0, 0))


def draw_number(sketch: Sketch, page: PlacedPage) -> None:
    """A page's number in the middle of its trimmed page, with a line under it to tell 6 from 9."""
    each = page.box
    height = min(each.width, each.height) * NUMBER_HEIGHT
    x, y = each.left + each.width / 2, each.top + each.height / 2
    words = str(page.page) if page.page is not None else "–"
    sketch.label(x, y, words, height=height, rotation=rotation_of(page.up))
    right, up = page.up
    below = (x - right * height, y + up * height)
    half = height * 0.4 * len(words)
    sketch.line(
        (
            (below[0] - half * up, below[1] - half * right),
            (below[0] + half * up, below[1] + half * right),
        ),
        "text",
    )


def folds_of(spec: JobSpec) -> tuple[FoldStep, ...]:
    """The folds of one sheet of a job."""
    programme, folding = parse_programme(spec.folding.programme), spec.folding
    together = folding.sheets_per_section if folding.gather == "together" else 1
    slit = slits_advised(programme, spec.paper.grammage, together)
    return fold_steps(programme, slit, folding.fold_to)


def press(spec: JobSpec) -> Press:
    """Make a job ready to print.

    :raises weald.core.errors.FoldError: when it cannot be folded.
    """
    ledger = Ledger(measured=spec.measured)
    packet = fold_packet(spec.folding.programme)
    leaf = paper_station.reckon_leaf(spec, ledger)
    text = text_station.reckon(spec, packet, ledger)
    paper = paper_station.reckon(spec, packet, text, leaf, ledger)
    folding = folding_station.reckon(spec, packet, text, paper, ledger)
    untrimmed = (ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height"))
    layout = layout_of(spec, packet, untrimmed)
    return Press(spec, packet, folds_of(spec), folding.sections, folding.sheets, layout, folding.step)
