"""What is printed: every sheet of a job, laid out on the paper in the printer.

The same stations that plan a job reckon it here, without pictures, so that an imposed file and
the plan on screen cannot disagree.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import lru_cache

from weald.core.drawing import Drawing, Element, Sketch
from weald.core.folding.imposition import Placement, Section, Sheet, sample_sheet
from weald.core.folding.packet import FoldedPacket
from weald.core.folding.programme import parse_programme
from weald.core.folding.steps import FoldStep, fold_steps, slits_advised
from weald.core.forme.layout import Face, Layout, PlacedPage, backs_half_turned, placed_pages
from weald.core.forme.marks import Marker, SheetLabel, rotation_of, signature_letters
from weald.core.forme.page import Rect
from weald.core.job.spec import JobSpec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.paper import SheetGrain
from weald.core.reckoning import Ledger
from weald.core.stations.folded import Folded, reckon_to_folding
from weald.core.stations.paper import grammage_of
from weald.core.stations.printing import layout_of, own_formes
from weald.core.units import Mm

NUMBER_HEIGHT = 1 / 6
"""Of the shorter side of a page: the height of its number on a fold dummy."""


@dataclass(frozen=True, slots=True)
class Press:
    """A job ready to print.

    :param creep_step: how far a folio stands out beyond the one outside it; ``own_steps``: in sections of
        leaves of another thickness, by the number of the section.
    :param grain: the side of the unfolded sheet its grain runs along, as it comes out of the paper.
    :param notation: whose words stand on the sheets.
    :param own: of sheets of their own, by their programme: the same job, folded and laid out otherwise.
    """

    spec: JobSpec
    packet: FoldedPacket
    steps: tuple[FoldStep, ...]
    sections: tuple[Section, ...]
    sheets: tuple[Sheet, ...]
    layout: Layout
    creep_step: Mm
    grain: SheetGrain
    notation: Notation = MILLIMETRES
    own: Mapping[str, "Press"] = field(default_factory=dict)
    own_steps: Mapping[int, Mm] = field(default_factory=dict)

    def of(self, sheet: Sheet) -> "Press":
        """How a sheet is printed and folded: as the main one, or as its own programme has it."""
        return self if sheet.programme is None else self.own.get(sheet.programme, self)

    def printed_size(self, sheet: Sheet) -> tuple[Mm, Mm]:
        """Width and height of the paper a sheet is printed on."""
        layout = self.of(sheet).layout
        return layout.width, layout.height

    def pages(self, sheet: Sheet, face: Face) -> list[PlacedPage]:
        """Every page on one side of a printed sheet."""
        return list(placed_pages(self.of(sheet).layout, sheet, face))

    @property
    def backs_half_turned(self) -> bool:
        """Whether backs are printed on their heads to suit the edge the printer turns sheets on.

        Turned by hand, sheets are turned sideways, as backs are laid out.
        """
        printing = self.spec.printing
        if printing.printer.flips == "none":
            return False
        return backs_half_turned(self.layout.width, self.layout.height, printing.flip)

    def creep_shift(self, section: int, place: Placement) -> Mm:
        """How far a page's content is moved towards the spine, so that margins are even once trimmed."""
        if not self.spec.printing.creep_shift:
            return 0.0
        return place.folio * self.own_steps.get(section, self.creep_step)


@lru_cache(maxsize=32)
def _geometric_marks(
    layout: Layout,
    programme: str,
    steps: tuple[FoldStep, ...],
    bleed: Mm,
    face: Face,
    grain: SheetGrain,
    unprintable: Mm,
) -> tuple[tuple[Element, ...], tuple[Rect, ...]]:
    """Marks that follow from the layout alone, and the strips that labels go into."""
    pages = list(placed_pages(layout, sample_sheet(programme), face))
    marker = Marker(Sketch(), layout, face, pages, bleed, unprintable)
    strips = marker.label_strips()
    marker.trims()
    marker.folds(steps)
    marker.symbols(steps)
    marker.register()
    marker.grain_arrows(strips, grain)
    return tuple(marker.sketch.elements), tuple(strips)


class SideMarks:
    """The marks of one side. All sheets of a job are laid out alike, so most of them are the same."""

    def __init__(self, press: Press, face: Face) -> None:
        self._press, self._face = press, face
        unprintable = press.spec.printing.printer.unprintable
        self._elements, self._strips = _geometric_marks(
            press.layout,
            press.packet.programme,
            press.steps,
            press.spec.printing.bleed,
            face,
            press.grain,
            unprintable,
        )
        self._pages = list(placed_pages(press.layout, sample_sheet(press.packet.programme), face))
        most = max(section.sheets for section in press.sections)
        self._label = SheetLabel(
            press.spec.title, len(press.sections), most, press.packet.sewn, press.notation.say("{signature}")
        )

    def _marker(self) -> Marker:
        press = self._press
        printing = press.spec.printing
        return Marker(
            Sketch(), press.layout, self._face, self._pages, printing.bleed, printing.printer.unprintable
        )

    def shared(self) -> Drawing:
        """What all sheets share: folds, trims, register crosses, symbols that meet, grain, job and side."""
        marker, label = self._marker(), self._label
        marker.sketch.elements += self._elements
        marker.words(self._strips, label.rest(self._face), label.places()[2], label.length)
        return side_drawing(self._press.layout, marker.sketch)

    def sheet(self, sheet: int) -> Drawing:
        """Which sheet of its section it is."""
        marker, label = self._marker(), self._label
        marker.words(self._strips, label.sheet(sheet), label.places()[0], label.length)
        return side_drawing(self._press.layout, marker.sketch)

    def section(self, section: int, outermost: bool) -> Drawing:
        """Which section it is; the outermost sheet carries its signature mark and its collation mark."""
        marker, press, label = self._marker(), self._press, self._label
        if press.packet.sewn:
            marker.words(self._strips, label.section(section), label.places()[1], label.length)
        if press.packet.sewn and outermost:
            marker.collation(section, len(press.sections))
            marks = press.spec.printing.signature_marks
            if marks != "none":
                marker.signature(signature_letters(section) if marks == "letters" else str(section))
        return side_drawing(press.layout, marker.sketch)

    def all(self, sheet: Sheet) -> tuple[Element, ...]:
        """Every mark of one sheet."""
        drawings = (
            self.shared(),
            self.sheet(sheet.sheet),
            self.section(sheet.section, sheet.sheet == 1),
        )
        return tuple(element for drawing in drawings for element in drawing.elements)


def page_numbers(layout: Layout, pages: list[PlacedPage]) -> Drawing:
    """Nothing but page numbers and heads, for a dummy to fold."""
    sketch = Sketch()
    for page in pages:
        draw_number(sketch, page)
    return side_drawing(layout, sketch)


def side_drawing(layout: Layout, sketch: Sketch) -> Drawing:
    """What was drawn on one side of the printed sheet, as a drawing of just that size."""
    extent = (0.0, 0.0, layout.width, layout.height)
    return Drawing("press", "printing", "Printed sheet", extent, tuple(sketch.elements), (0, 0, 0, 0))


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
    slit = slits_advised(programme, grammage_of(spec.paper), together)
    return fold_steps(programme, slit, folding.fold_to)


def press(spec: JobSpec, notation: Notation = MILLIMETRES) -> Press:
    """Make a job ready to print.

    :param notation: whose words stand on the sheets and in what is said of them.

    :raises weald.core.errors.FoldError: when it cannot be folded.
    """
    ledger = Ledger(measured=spec.measured, notation=notation)
    folded = reckon_to_folding(spec, ledger)
    untrimmed = (ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height"))
    layout = layout_of(spec, folded.packet, untrimmed)
    return set_up(spec, folded, layout, untrimmed, notation)


def set_up(
    spec: JobSpec, folded: Folded, layout: Layout, untrimmed: tuple[Mm, Mm], notation: Notation
) -> Press:
    """A job that has been folded, on its formes: that of the main sheet, and those of sheets of their own.

    :param untrimmed: width and height of the leaf before trimming.
    """
    folding = folded.folding
    main = Press(
        spec,
        folded.packet,
        folds_of(spec),
        folding.sections,
        folding.sheets,
        layout,
        folding.step,
        folded.paper.grain,
        notation,
        own_steps=folding.own_steps,
    )
    if not folded.text.make_up.own:
        return main
    own: dict[str, Press] = {}
    for programme, forme in own_formes(spec, layout, untrimmed, folding.sheets).items():
        as_folded = spec.folding.model_copy(update={"programme": programme})
        other = spec.model_copy(update={"folding": as_folded})
        own[programme] = replace(
            main,
            spec=other,
            packet=forme.packet,
            steps=folds_of(other),
            layout=forme.layout,
            grain=forme.packet.grain,
        )
    return replace(main, own=own)
