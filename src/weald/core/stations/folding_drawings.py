"""Pictures of the folding: both formes of every sheet, the nested signature, its marks on the spine."""

from weald.core.drawing import TRIM_HATCH_ANGLE, Drawing, Point, Sketch, box
from weald.core.folding.imposition import Section, Sheet, in_reading_order
from weald.core.folding.packet import FoldedPacket
from weald.core.folding.steps import SLIT_PAST, FoldStep
from weald.core.forme.layout import Layout, PlacedPage, lay_out, placed_pages
from weald.core.forme.marks import COLLATION_LENGTH, collation_place, rotation_of, signature_letters
from weald.core.forme.page import Rect
from weald.core.job.printing import SignatureMarks
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.paper import SheetGrain
from weald.core.reckoning import Ledger
from weald.core.remembering import remembered
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan
from weald.core.units import TOLERANCE, Mm

NEST_ENLARGED = 8.0
DRAWN_SHEETS = 12
DRAWN_SPINES = 80
SPINE_WIDTH: Mm = 6.0
"""Width at which one signature is drawn in the picture of the collated spine."""


def plain_layout(spec: JobSpec, packet: FoldedPacket, ledger: Ledger) -> Layout:
    """The unfolded sheet by itself, with nothing around it."""
    leaf = (ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height"))
    trim = spec.leaf.trim
    return lay_out(packet, leaf, (trim.head, trim.tail, trim.fore_edge))


def draw_section(
    spec: JobSpec,
    packet: FoldedPacket,
    grain: SheetGrain,
    steps: tuple[FoldStep, ...],
    plan: FoldingPlan,
    section: int,
    ledger: Ledger,
) -> Drawing:
    """Every sheet of one signature, its outer and its inner side, with the pages where they stand.

    :param grain: the side of the sheet its grain runs along, as it comes out of the paper.
    :param section: the signature shown, from 1; the last one when there are not so many.
    """
    layout = plain_layout(spec, packet, ledger)
    section = min(section, len(plan.sections))
    return _draw_sheets(layout, packet, grain, steps, plan.sections, plan.sheets, section, ledger.notation)


@remembered(8)
def _draw_sheets(
    layout: Layout,
    packet: FoldedPacket,
    grain: SheetGrain,
    steps: tuple[FoldStep, ...],
    sections: tuple[Section, ...],
    all_sheets: tuple[Sheet, ...],
    section: int,
    notation: Notation,
) -> Drawing:
    sheets = [sheet for sheet in all_sheets if sheet.section == section]
    shown = sheets[:DRAWN_SHEETS]
    width, height, show = layout.width, layout.height, notation.figure
    gap = max(width, height) / 7
    pairs_across = 1 if len(shown) <= 2 or width > 1.6 * height else 2
    sketch = Sketch()
    for index, sheet in enumerate(shown):
        left = index % pairs_across * (2 * width + 2 * gap)
        top = index // pairs_across * (height + 1.1 * gap)
        for inner in (False, True):
            x = left + inner * (width + gap / 2)
            pages = list(placed_pages(layout, sheet, "back" if inner else "front"))
            draw_face(sketch, grain, layout, pages, inner, (x, top))
            _draw_folds(sketch, layout, steps, inner, (x, top))
            name = f"{sheet.sheet} {'inner' if inner else 'outer'}"
            sketch.label(x + width / 2, top - gap * 0.5, name, about="sheets.count")
    sketch.dimension((0, height), (0, 0), show(height), about="sheet.height")
    bottom = max(point[1] for point in sketch.points)
    sketch.dimension((width, bottom), (0, bottom), show(width), about="sheet.width")
    sketch.points.append((0, -gap * 0.9))
    return sketch.finish(
        "folding.section",
        "folding",
        _title(packet, sections, section, len(shown), len(sheets), notation),
        rows=(1, 0, 0, 1),
        text="; ".join(_side_text(sheet) for sheet in shown),
    )


def _title(
    packet: FoldedPacket,
    sections: tuple[Section, ...],
    section: int,
    shown: int,
    sheets: int,
    notation: Notation,
) -> str:
    pages = sections[section - 1]
    span = f"pages {pages.first_page}–{pages.last_page}" if pages.first_page else "blank leaves"
    if not packet.sewn:
        what = "The strip" if packet.kind == "concertina" else "Single leaves"
        return f"{what}: {span}" if shown == sheets else f"{what}: {span}, sheets 1–{shown} of {sheets}"
    title = notation.say(
        "{Signature} {section} of {count}: {span}", section=section, count=len(sections), span=span
    )
    return title if shown == sheets else f"{title}, sheets 1–{shown} of {sheets}"


def _side_text(sheet: Sheet) -> str:
    sides = (
        f"{name} {', '.join(str(each.page or 'blank') for each in in_reading_order(side))}"
        for name, side in (("outer", sheet.outer), ("inner", sheet.inner))
    )
    return f"sheet {sheet.sheet}: " + ", ".join(sides)


def draw_face(
    sketch: Sketch,
    grain: SheetGrain,
    layout: Layout,
    pages: list[PlacedPage],
    toned: bool,
    at: Point,
) -> None:
    """One side of a printed sheet: paper, grain, pages with what is trimmed off them.

    :param grain: the side of the sheet its grain runs along.
    :param toned: whether it is the side that is drawn darker.
    :param at: where its top left corner stands in the drawing.
    """
    left, top = at
    paper = box(left, top, layout.width, layout.height)
    sketch.area(paper, "paper_inner" if toned else "paper", "cut", "sheet.width printed.width")
    for page in pages:
        cell, trimmed = page.cell.moved(left, top), page.box.moved(left, top)
        about = f"leaf.{page.place.leaf}"
        sketch.area(
            box(cell.left, cell.top, cell.width, cell.height),
            "paper_inner" if toned else "paper",
            "hidden",
            about,
        )
        for strip in _waste(cell, trimmed):
            sketch.hatch(strip, "trim", TRIM_HATCH_ANGLE, "leaf.trim.head leaf.trim.tail leaf.trim.fore_edge")
        corners = box(trimmed.left, trimmed.top, trimmed.width, trimmed.height)
        sketch.line((*corners, corners[0]), "trim", about)
        _draw_page(sketch, page, trimmed)
    sketch.grain(paper, 90 if grain == "height" else 0)


def _waste(cell: Rect, kept: Rect) -> list[tuple[Point, ...]]:
    """The strips trimmed off a leaf, to what is kept of it."""
    strips = (
        (cell.left, cell.top, cell.width, kept.top - cell.top),
        (cell.left, kept.bottom, cell.width, cell.bottom - kept.bottom),
        (cell.left, kept.top, kept.left - cell.left, kept.height),
        (kept.right, kept.top, cell.right - kept.right, kept.height),
    )
    return [box(*strip) for strip in strips if min(strip[2:]) > TOLERANCE]


def _draw_page(sketch: Sketch, page: PlacedPage, trimmed: Rect) -> None:
    """A page's number, as it will stand, and a roof tick at its head."""
    middle = (trimmed.left + trimmed.width / 2, trimmed.top + trimmed.height / 2)
    right, up = page.up
    across, size = (trimmed.width, trimmed.height) if up else (trimmed.height, trimmed.width)
    mark = min(across, size) / 6

    def at(along: Mm, down: Mm) -> Point:
        """A point of the page: ``along`` to its right, ``down`` from its middle towards its tail."""
        return (middle[0] + along * up - down * right, middle[1] + along * right + down * up)

    roof = (at(-mark / 2, -size * 0.36), at(0, -size * 0.36 - mark * 0.35), at(mark / 2, -size * 0.36))
    sketch.line(roof, "text")
    about = f"leaf.{page.place.leaf}"
    rotation = rotation_of(page.up)
    if page.page is None:
        sketch.label(*middle, "blank", height=mark * 0.6, rotation=rotation, about=f"text.blanks {about}")
    else:
        sketch.label(*middle, str(page.page), height=mark * 1.3, rotation=rotation, about=about)


def _draw_folds(sketch: Sketch, layout: Layout, steps: tuple[FoldStep, ...], inner: bool, at: Point) -> None:
    """Fold lines with their order, slits on the side that lies up."""
    cell_width, cell_height = layout.width / layout.columns, layout.height / layout.rows
    size = min(layout.width, layout.height) / 30

    def flat(point: tuple[float, float]) -> Point:
        x = point[0] if inner else layout.columns - point[0]
        return at[0] + x * cell_width, at[1] + point[1] * cell_height

    for column in range(1, layout.columns) if not steps else ():
        sketch.line((flat((column, 0)), flat((column, layout.rows))), "cut")
    for row in range(1, layout.rows) if not steps else ():
        sketch.line((flat((0, row)), flat((layout.columns, row))), "cut")
    for step in steps:
        for line in step.creases:
            sketch.line((flat(line[0]), flat(line[1])), "fold")
        start, end = flat(step.creases[0][0]), flat(step.creases[0][1])
        x, y = start[0] + (end[0] - start[0]) * 0.12, start[1] + (end[1] - start[1]) * 0.12
        sketch.arc(x, y, size, 0, 359.9, "text")
        sketch.label(x, y, str(step.number), height=size)
        for slit in step.slits if inner else ():
            (x1, y1), (x2, y2) = flat(slit.start), flat(slit.end)
            past = 1 + SLIT_PAST / (abs(x2 - x1) + abs(y2 - y1))
            sketch.line(((x1, y1), (x1 + (x2 - x1) * past, y1 + (y2 - y1) * past)), "slit")


def draw_nest(
    packet: FoldedPacket,
    paper: PaperPlan,
    plan: FoldingPlan,
    section: int,
    spec: JobSpec,
    ledger: Ledger,
) -> Drawing:
    """One signature from its tail, its leaves drawn thicker so that nesting and creep can be seen."""
    section = min(section, len(plan.sections))
    folios = plan.sections[section - 1].sheets * packet.leaves_a_sheet // 2
    step = paper.calliper * NEST_ENLARGED
    creep = spec.folding.creep_factor * step
    width = spec.leaf.width + spec.leaf.trim.fore_edge
    sketch = Sketch()
    for folio in range(folios):
        inward = (folios - folio - 0.5) * step
        left = folio * creep
        # seen from the tail with the front on top: the first leaves above, the last below
        for side, leaf in ((-1, folio + 1), (1, 2 * folios - folio)):
            sketch.line(
                ((left + inward, side * inward), (left + width, side * inward)),
                about=f"sections.creep leaf.{leaf}",
            )
        sketch.arc(left + inward, 0, inward, 90, 270, "outline", "sections.creep")
    trim = width - spec.leaf.trim.fore_edge
    reach = folios * step + step
    sketch.line(((trim, -reach), (trim, reach)), "trim", "leaf.trim.fore_edge")
    sketch.label(trim, -reach - step, "trimmed here", about="leaf.trim.fore_edge")
    sketch.points.append((0, -reach - 6 * step))
    return sketch.finish(
        "folding.nest",
        "folding",
        ledger.say("The {signature} from its tail, leaves {times:g} times as thick", times=NEST_ENLARGED),
        rows=(0, 0, 0, 0),
        to_scale=False,
        text=ledger.say(
            "{folios} folios nested; the innermost stands {creep} further out in the thickest {signature}.",
            folios=folios,
            creep=ledger.shown("sections.creep"),
        ),
    )


def draw_collation(spec: JobSpec, plan: FoldingPlan, notation: Notation) -> Drawing:
    """The folds of all signatures side by side, as they show on the spine, with their collating marks."""
    marks = spec.printing.signature_marks
    return _draw_spines(len(plan.sections), spec.leaf.height, marks, notation)


@remembered(8)
def _draw_spines(count: int, height: Mm, marks: SignatureMarks, notation: Notation) -> Drawing:
    shown = min(count, DRAWN_SPINES)
    sketch = Sketch()
    for number in range(1, shown + 1):
        left = (number - 1) * SPINE_WIDTH
        sketch.area(box(left, 0, SPINE_WIDTH, height), "block", about="sections.count")
        top = collation_place(number, count, height)
        sketch.area(box(left + 1, top, SPINE_WIDTH - 2, COLLATION_LENGTH), "mark", "text", "sections.count")
        if number in (1, shown) or shown <= 24:
            mark = _signature_mark(marks, number)
            sketch.label(left + SPINE_WIDTH / 2, height + 4, mark, height=2.4)
    sketch.points.append((0, height + 8))
    return sketch.finish(
        "folding.collation",
        "folding",
        f"Collated: the marks make a stair on the spine{'' if shown == count else f', first {shown} shown'}",
        rows=(0, 0, 0, 0),
        to_scale=False,
        text=notation.say(
            "{count} {signatures}; each mark stands one step lower than the one before. A gap or a double "
            "shows a {signature} missing or bound twice.",
            count=count,
        ),
    )


def _signature_mark(marks: SignatureMarks, number: int) -> str:
    return str(number) if marks == "numbers" else signature_letters(number)
