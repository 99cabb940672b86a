"""Folding: the signatures, which pages stand on which sheet, and creep."""

from dataclasses import dataclass

from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.findings import Action, Finding, finding
from weald.core.folding import FoldedPacket, parse_programme
from weald.core.imposition import Placement, Section, Sheet, impose, in_reading_order
from weald.core.paper import grain_word, sheets_a_section
from weald.core.reckoning import Ledger, School
from weald.core.spec import JobSpec
from weald.core.stations.paper import PaperPlan
from weald.core.stations.text import TextPlan
from weald.core.units import Mm, Notation

CREEP_SCHOOLS = (
    (1.5708, "round fold", "π/2 for each leaf"),
    (1.0, "hard-pressed fold", "the leaf alone"),
)
NEST_ENLARGED = 8.0


@dataclass(frozen=True, slots=True)
class FoldingPlan:
    """The text imposed, and how far inner folios stand out."""

    sections: tuple[Section, ...]
    sheets: tuple[Sheet, ...]
    creep: Mm


def reckon(
    spec: JobSpec, packet: FoldedPacket, text: TextPlan, paper: PaperPlan, ledger: Ledger
) -> FoldingPlan:
    """Impose the text and reckon creep."""
    folding, made = spec.folding, text.make_up
    sections, sheets = impose(spec.text.pages, made, folding.programme, folding.gather)
    thickest = max(made.sheets)
    filled = ", every signature filled" if folding.make_up == "full" else ""
    ledger.reckon(
        "sheets.count",
        made.sheet_count,
        f"{{pages}} / {{each}}, rounded up{filled}",
        {
            "pages": ledger.entry("pages of text", spec.text.pages, "text.pages", "count"),
            "each": ledger.entry("pages a sheet", made.pages_a_sheet, "folding.programme", "count"),
        },
    )
    ledger.reckon(
        "sections.count",
        len(sections),
        "{sheets} / {each}, rounded up",
        {
            "sheets": ledger.ref("sheets.count"),
            "each": ledger.entry(
                "sheets a signature",
                folding.sheets_per_section,
                "folding.sheets_per_section",
                "count",
            ),
        },
        rule=_make_up_words(made.sheets),
    )
    ledger.reckon("sections.sheets", thickest, "the thickest signature")
    step = ledger.reckon(
        "creep.step",
        folding.creep_factor * paper.calliper,
        "{factor} × {calliper}",
        {
            "factor": ledger.entry("creep factor", folding.creep_factor, "folding.creep_factor", "factor"),
            "calliper": ledger.ref("paper.calliper"),
        },
    )
    folios = thickest * packet.leaves_a_sheet // 2
    creep = ledger.reckon(
        "sections.creep",
        (folios - 1) * step,
        "({folios} − 1) × {step}",
        {
            "folios": ledger.entry("folios in the thickest signature", folios, "sections.sheets", "count"),
            "step": ledger.ref("creep.step"),
        },
        schools=_creep_schools(spec, paper, folios, ledger),
    )
    return FoldingPlan(sections, sheets, creep)


def _make_up_words(sheets: tuple[int, ...]) -> str:
    counts: dict[int, int] = {}
    for count in sheets:
        counts[count] = counts.get(count, 0) + 1
    return " and ".join(
        f"{many} of {each} {'sheet' if each == 1 else 'sheets'}" for each, many in counts.items()
    )


def _creep_schools(spec: JobSpec, paper: PaperPlan, folios: int, ledger: Ledger) -> list[School]:
    return [
        ledger.school(
            label.replace(" ", "_"),
            label,
            (folios - 1) * factor * paper.calliper,
            {"folding.creep_factor": factor},
            chosen=abs(spec.folding.creep_factor - factor) < 0.01,
            effect=effect,
        )
        for factor, label, effect in CREEP_SCHOOLS
    ]


def right_flip(paper: PaperPlan) -> str:
    """The edge a duplex printer has to turn the sheet on so that both sides stand the same way up.

    Backs are placed as seen after turning the sheet over sideways, about its height.
    """
    return "short" if paper.sheet_height < paper.sheet_width else "long"


def mind(
    spec: JobSpec,
    packet: FoldedPacket,
    paper: PaperPlan,
    plan: FoldingPlan,
    ledger: Ledger,
) -> list[Finding]:
    """What to mind about the make-up, creep, bolts and printing both sides."""
    found: list[Finding] = []
    sheets, (low, high) = spec.folding.sheets_per_section, sheets_a_section(paper.grammage)
    folios = sheets * packet.leaves_a_sheet // 2
    if not low <= folios <= high and len(plan.sections) > 1:
        wanted = max(1, (high if folios > high else low) * 2 // packet.leaves_a_sheet)
        found.append(
            finding(
                "section.thick" if folios > high else "section.thin",
                "sections.sheets",
                sheets=folios,
                grammage=f"{paper.grammage:.0f}",
                low=low,
                high=high,
                actions=(
                    Action(
                        f"{wanted} {'sheet' if wanted == 1 else 'sheets'} a signature",
                        {"folding.sheets_per_section": wanted},
                    ),
                ),
            )
        )
    show, trim = ledger.notation.length, spec.leaf.trim
    if plan.creep > trim.fore_edge > 0:
        found.append(
            finding(
                "creep.beyond_trim",
                "sections.creep",
                creep=show(plan.creep, True),
                trim=show(trim.fore_edge, True),
                needs=show(plan.creep + 1, True),
                actions=(
                    Action(
                        f"Trim {show(ledger.notation.round_mm(plan.creep + 1), True)} at the fore-edge",
                        {"leaf.trim.fore_edge": ledger.notation.round_mm(plan.creep + 1)},
                    ),
                ),
            )
        )
    trims = {"head": trim.head, "tail": trim.tail, "fore_edge": trim.fore_edge}
    for edge in packet.bolts:
        if edge != "spine" and trims[edge] == 0:
            found.append(finding("bolts.closed", f"leaf.trim.{edge}", edge=edge.replace("_", "-")))
    if not spec.text.blank_book and spec.printing.flip != right_flip(paper):
        right = right_flip(paper)
        found.append(
            finding(
                "flip.wrong",
                "printing.flip",
                flip=spec.printing.flip,
                right=right,
                actions=(Action(f"Flip on the {right} edge", {"printing.flip": right}),),
            )
        )
    return found


def draw_section(
    spec: JobSpec,
    packet: FoldedPacket,
    paper: PaperPlan,
    plan: FoldingPlan,
    section: int,
    ledger: Ledger,
) -> Drawing:
    """Every sheet of one signature, its outer and its inner side, with the pages where they stand.

    :param section: the signature shown, from 1; the last one when there are not so many.
    """
    section = min(section, len(plan.sections))
    sheets = [sheet for sheet in plan.sheets if sheet.section == section]
    width, height, show = paper.sheet_width, paper.sheet_height, ledger.notation.figure
    gap = max(width, height) / 7
    pairs_across = 1 if len(sheets) <= 2 or width > 1.6 * height else 2
    sketch = Sketch()
    for index, sheet in enumerate(sheets):
        left = index % pairs_across * (2 * width + 2 * gap)
        top = index // pairs_across * (height + 1.1 * gap)
        for side, placements in enumerate((sheet.outer, sheet.inner)):
            x = left + side * (width + gap / 2)
            _draw_side(sketch, packet, placements, bool(side), x, top, width, height)
            name = "inner side" if side else "outer side"
            sketch.label(
                x + width / 2,
                top - gap * 0.5,
                f"sheet {sheet.sheet}, {name}",
                about="sheets.count",
            )
    sketch.dimension((0, height), (0, 0), show(height), about="sheet.height")
    bottom = max(point[1] for point in sketch.points)
    sketch.dimension((width, bottom), (0, bottom), show(width), about="sheet.width")
    pages = plan.sections[section - 1]
    span = f"pages {pages.first_page}–{pages.last_page}" if pages.first_page else "blank leaves"
    sketch.points.append((0, -gap * 0.9))
    return sketch.finish(
        "folding.section",
        "folding",
        f"Signature {section} of {len(plan.sections)}: {span}",
        rows=(1, 0, 0, 1),
        text="; ".join(_side_text(sheet) for sheet in sheets),
    )


def _side_text(sheet: Sheet) -> str:
    sides = (
        f"{name} {', '.join(str(each.page or 'blank') for each in in_reading_order(side))}"
        for name, side in (("outer", sheet.outer), ("inner", sheet.inner))
    )
    return f"sheet {sheet.sheet}: " + ", ".join(sides)


def _draw_side(
    sketch: Sketch,
    packet: FoldedPacket,
    placements: tuple[Placement, ...],
    inner: bool,
    left: Mm,
    top: Mm,
    width: Mm,
    height: Mm,
) -> None:
    cell_width, cell_height = width / packet.columns, height / packet.rows
    sketch.area(box(left, top, width, height), "paper_inner" if inner else "paper", "cut")
    sketch.grain(box(left, top, width, height), 90 if packet.grain == "height" else 0)
    for place in placements:
        x, y = left + place.column * cell_width, top + place.row * cell_height
        _draw_page(sketch, place, x, y, cell_width, cell_height)
    for column in range(1, packet.columns):
        x = left + column * cell_width
        sketch.line(((x, top), (x, top + height)), "fold")
    for row in range(1, packet.rows):
        y = top + row * cell_height
        sketch.line(((left, y), (left + width, y)), "fold")


def _draw_page(sketch: Sketch, place: Placement, x: Mm, y: Mm, width: Mm, height: Mm) -> None:
    """A page's number, as it will stand, and a roof tick at its head."""
    middle = (x + width / 2, y + height / 2)
    right, up = place.up
    across, size = (width, height) if up else (height, width)
    mark = min(across, size) / 6

    def at(along: Mm, down: Mm) -> Point:
        """A point of the page: ``along`` to its right, ``down`` from its middle towards its tail."""
        return (middle[0] + along * up - down * right, middle[1] + along * right + down * up)

    roof = (
        at(-mark / 2, -size * 0.36),
        at(0, -size * 0.36 - mark * 0.35),
        at(mark / 2, -size * 0.36),
    )
    sketch.line(roof, "text")
    rotation = {(0, 1): 0.0, (1, 0): 90.0, (0, -1): 180.0, (-1, 0): 270.0}[place.up]
    if place.page is None:
        sketch.label(*middle, "blank", height=mark * 0.6, rotation=rotation, about="text.blanks")
    else:
        sketch.label(*middle, str(place.page), height=mark * 1.3, rotation=rotation)


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
        for side in (-1, 1):
            sketch.line(
                ((left + inward, side * inward), (left + width, side * inward)),
                about="sections.creep",
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
        f"The signature from its tail, leaves {NEST_ENLARGED:g} times as thick",
        rows=(0, 0, 0, 0),
        to_scale=False,
        text=f"{folios} folios nested; the innermost stands {ledger.shown('sections.creep')} further out "
        "in the thickest signature.",
    )


def grain_words(packet: FoldedPacket, paper: PaperPlan, notation: Notation) -> str:
    """Which way the grain of the unfolded sheet has to run, so that it runs along the spine."""
    width, height = paper.sheet_width, paper.sheet_height
    size = f"{notation.length(width, True)} × {notation.length(height, True)}"
    word = grain_word(width, height, packet.grain)
    named = "" if word == "square" else f", that is {word} grain"
    return f"The grain runs along the {packet.grain} of the unfolded sheet of {size}{named}."


def fold_words(programme: str) -> list[str]:
    """The folds in words, one sentence each, for sheets lying with their inner side up."""
    words = []
    for number, fold in enumerate(parse_programme(programme), start=1):
        if fold.axis == "v" and fold.parts == 2:
            text = "fold the left edge over to the right edge"
        elif fold.parts == 2:
            text = "fold the upper edge down to the lower edge"
        elif fold.zigzag:
            text = f"fold zig-zag into {fold.parts} {'upright' if fold.axis == 'v' else 'level'} strips"
        elif fold.axis == "v":
            text = "fold the right third over to the left, then the left third over it"
        else:
            text = "fold the lower third up, then the upper third down over it"
        words.append(f"{number}. {text[0].upper()}{text[1:]}.")
    return words
