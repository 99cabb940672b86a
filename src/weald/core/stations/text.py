"""Text: how many pages are bound, and the leaf before and after trimming."""

from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.drawing import TRIM_HATCH_ANGLE, Drawing, Sketch, box
from weald.core.finding_words import FindingCode
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.folding.makeup import MakeUp
from weald.core.folding.packet import FoldedPacket
from weald.core.forme.page import ruled_area, ruling
from weald.core.job.spec import JobSpec, length_of, made_up
from weald.core.notation import Notation, counted
from weald.core.reckoning import Ledger
from weald.core.units import TOLERANCE, Mm

DRAWN_RULES = 400


@dataclass(frozen=True, slots=True)
class TextPlan:
    """The text made up, and its leaf before trimming."""

    make_up: MakeUp
    untrimmed_width: Mm
    untrimmed_height: Mm


def reckon(spec: JobSpec, packet: FoldedPacket, ledger: Ledger) -> TextPlan:
    """Make the text up and size the leaf.

    :param packet: one sheet of the chosen programme, folded.
    """
    leaf, made = spec.leaf, made_up(spec, packet)
    length = length_of(spec)
    put_in = length - spec.text.pages
    label = f"pages of text, {counted(put_in, 'blank')} put in" if put_in else "pages of text"
    pages = ledger.entry(label, length, "text.pages", "count")
    own = made.pages - made.main_sheets * made.pages_a_sheet
    ledger.reckon(
        "text.pages",
        made.pages,
        "{sheets} × {each} + {own}" if own else "{sheets} × {each}",
        {
            "sheets": ledger.entry("folded sheets", made.main_sheets, "sheets.count", "count"),
            "each": ledger.entry("pages a sheet", made.pages_a_sheet, "folding.programme", "count"),
            **(
                {"own": ledger.entry("on sheets of their own", own, "extras.formes.sections", "count")}
                if own
                else {}
            ),
        },
    )
    ledger.reckon("text.leaves", made.pages / 2, "{pages} / 2", {"pages": ledger.ref("text.pages")})
    ledger.reckon(
        "text.blanks",
        made.blanks,
        "{bound} − {pages}",
        {"bound": ledger.ref("text.pages"), "pages": pages},
    )
    panel = ledger.entry("leaf width", leaf.width, "leaf.width")
    fore_edge = ledger.entry("fore-edge trim", leaf.trim.fore_edge, "leaf.trim.fore_edge")
    if packet.kind == "concertina":
        width = ledger.reckon(
            "leaf.untrimmed_width",
            leaf.width,
            "{leaf}",
            {"leaf": panel},
            rule="panels of a strip are not trimmed at the sides",
        )
    else:
        width = ledger.reckon(
            "leaf.untrimmed_width",
            leaf.width + leaf.trim.fore_edge,
            "{leaf} + {trim}",
            {"leaf": panel, "trim": fore_edge},
        )
    height = ledger.reckon(
        "leaf.untrimmed_height",
        leaf.height + leaf.trim.head + leaf.trim.tail,
        "{leaf} + {head} + {tail}",
        {
            "leaf": ledger.entry("leaf height", leaf.height, "leaf.height"),
            "head": ledger.entry("head trim", leaf.trim.head, "leaf.trim.head"),
            "tail": ledger.entry("tail trim", leaf.trim.tail, "leaf.trim.tail"),
        },
    )
    return TextPlan(made, width, height)


def mind(spec: JobSpec, text: TextPlan, notation: Notation) -> list[Finding]:
    """What to mind about the text."""
    return [*_mind_length(spec, notation), *_mind_blanks(spec, text, notation)]


def _mind_length(spec: JobSpec, notation: Notation) -> Iterator[Finding]:
    """Whether the uploaded text is as long as what is bound."""
    pages, file = spec.text.pages, spec.text.file_pages
    arranged = spec.extras.arranged
    if arranged and arranged.repeat:
        return
    if file is None or spec.text.blank_book or spec.text.file is None or pages == file:
        return
    actions = (Action(f"Bind {counted(file, 'page')}", {"text.pages": file}),)
    if pages < file:
        yield finding(
            "text.left_out", "text.pages", notation, pages=pages, file=counted(file, "page"), actions=actions
        )
    else:
        filler = "blanks" if spec.text.filler == "plain" else "notes pages"
        yield finding(
            "text.run_out",
            "text.pages",
            notation,
            pages=pages,
            file=counted(file, "page"),
            filler=filler,
            actions=actions,
        )


def _mind_blanks(spec: JobSpec, text: TextPlan, notation: Notation) -> Iterator[Finding]:
    made = text.make_up
    if not made.blanks or spec.text.blank_book or spec.text.filler != "plain":
        return
    places = {"end": "end", "front": "front", "both": "front and end"}
    yield finding(
        "text.blanks",
        "text.blanks",
        notation,
        pages=counted(spec.text.pages, "page"),
        blanks=counted(made.blanks, "blank page"),
        place=places[spec.text.blanks],
        total=made.pages,
        sheets=counted(made.sheet_count, "sheet"),
        actions=(Action("Rule them for notes", {"text.filler": "ruled"}),),
    )


def _draw_ruling(sketch: Sketch, spec: JobSpec, left: Mm, top: Mm, side: int) -> None:
    """What stands on the leaves of a blank book; of very many dots only the first."""
    margins = spec.text.ruling.margins.model_dump()
    area = ruled_area((spec.leaf.width, spec.leaf.height), **margins, spine_left=side > 0)
    for line in ruling(spec.text.filler, area, spec.text.ruling.pitch)[:DRAWN_RULES]:
        if line.x1 == line.x2 and line.y1 == line.y2:
            sketch.arc(left + line.x1, top + line.y1, 0.3, 0, 359.9, "ruling", "text.filler")
        else:
            ends = ((left + line.x1, top + line.y1), (left + line.x2, top + line.y2))
            sketch.line(ends, "ruling", "text.filler")


def draw(spec: JobSpec, text: TextPlan, ledger: Ledger) -> Drawing:
    """An opening of the book: two facing leaves with their trims, the left one page 2."""
    trim, show = spec.leaf.trim, ledger.notation.figure
    width, height = spec.leaf.width, spec.leaf.height
    outer_width, outer_height = text.untrimmed_width, text.untrimmed_height
    sketch = Sketch()
    for side, number in ((-1, 2), (1, 3)):
        left = min(0.0, side * outer_width)
        sketch.area(box(left, 0, outer_width, outer_height), "paper", about="leaf.untrimmed_width")
        page_left = min(0.0, side * width)
        sketch.grain(box(page_left, trim.head, width, height), 90)
        strips = (
            (box(left, 0, outer_width, trim.head), "leaf.trim.head"),
            (box(left, outer_height - trim.tail, outer_width, trim.tail), "leaf.trim.tail"),
            (
                box(
                    side * width if side > 0 else -outer_width,
                    trim.head,
                    outer_width - width,
                    height,
                ),
                "leaf.trim.fore_edge",
            ),
        )
        for strip, about in strips:
            sketch.hatch(strip, "trim", TRIM_HATCH_ANGLE, about)
        page = box(page_left, trim.head, width, height)
        sketch.line((*page, page[0]), "trim", "block.width block.height")
        middle = side * width / 2
        mark = min(width, height) / 10
        sketch.line(
            (
                (middle - mark / 2, trim.head + mark * 1.2),
                (middle, trim.head + mark * 0.9),
                (middle + mark / 2, trim.head + mark * 1.2),
            ),
            "text",
        )
        if spec.text.blank_book:
            _draw_ruling(sketch, spec, page_left, trim.head, side)
        else:
            sketch.label(middle, trim.head + height - mark, str(number), height=mark * 0.6)
    sketch.line(((0, 0), (0, outer_height)), "fold")
    sketch.dimension((0, trim.head), (width, trim.head), show(width), about="leaf.width", offset=1)
    sketch.dimension((0, 0), (outer_width, 0), show(outer_width), about="leaf.untrimmed_width", offset=2)
    sketch.dimension(
        (outer_width, trim.head),
        (outer_width, trim.head + height),
        show(height),
        about="leaf.height",
    )
    sketch.dimension(
        (outer_width, 0),
        (outer_width, outer_height),
        show(outer_height),
        about="leaf.untrimmed_height",
        offset=2,
    )
    return sketch.finish(
        "text.opening",
        "text",
        "An opening, with what is trimmed",
        rows=(0, 2, 2, 0),
        text=f"Two facing leaves of {show(width, True)} by {show(height, True)}; trims hatched.",
    )


def mind_leaf(spec: JobSpec, ledger: Ledger) -> list[Finding]:
    """A leaf as cut that is smaller than the finished page, or comes out smaller once it is trimmed."""
    width, height = ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height")
    trim = spec.leaf.trim
    left = width - trim.fore_edge, height - trim.head - trim.tail
    if left[0] >= spec.leaf.width - TOLERANCE and left[1] >= spec.leaf.height - TOLERANCE:
        return []
    show = ledger.notation.length
    short = width < spec.leaf.width - TOLERANCE or height < spec.leaf.height - TOLERANCE
    seen = (width, height) if short else left
    has, page = (
        f"{show(seen[0])} × {show(seen[1], True)}",
        f"{show(spec.leaf.width)} × {show(spec.leaf.height, True)}",
    )
    smaller: Patch = {"leaf.width": round(left[0], 4), "leaf.height": round(left[1], 4)}
    actions = (Action("Make the page that size", smaller),) if min(left) > 0 else ()
    code: FindingCode = "leaf.small" if short else "leaf.trimmed_small"
    return [finding(code, "leaf.untrimmed_width", ledger.notation, has=has, page=page, actions=actions)]
