"""Printing: the sheet in the printer, what stands on it, and what to set in the print dialog."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from weald.core.drawing import Sketch
from weald.core.findings import Action, Finding, finding
from weald.core.folding.imposition import Sheet, sample_sheet
from weald.core.folding.packet import FoldedPacket, fold_packet
from weald.core.folding.programme import NAMED_PROGRAMMES, parse_programme
from weald.core.forme.layout import (
    Layout,
    Work,
    backs_half_turned,
    block_size,
    lay_out,
    natural_flip,
    pile_turned,
    placed_pages,
    unfolded_size,
)
from weald.core.forme.marks import Marker
from weald.core.forme.page import ContentPlace, place_content
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, plain_number
from weald.core.paper import SHEET_SIZES, SheetGrain, with_spoilage
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import LEAST_LEAF, leaf_that_fits
from weald.core.units import TOLERANCE, Mm, rounded_up

WASTE_FOR_LABELS: Mm = 5.0
LEAST_WASTE: Mm = 2.0
"""Marks need this much."""
_PT_BEFORE_SCALING = 10


@dataclass(frozen=True, slots=True)
class PrintingPlan:
    """The printed sheet.

    :param least: the smallest sheet that takes what is printed and keeps clear of unprintable edges.
    :param words: what to set in the print dialog, and what to do with the sheets.
    """

    layout: Layout
    first_sheet: Sheet
    least: tuple[Mm, Mm]
    words: tuple[str, ...]


def layout_of(spec: JobSpec, packet: FoldedPacket, leaf: tuple[Mm, Mm]) -> Layout:
    """The printed sheet of a job.

    :param leaf: width and height of the leaf before trimming.
    """
    printing, trim = spec.printing, spec.leaf.trim
    sheet = (printing.sheet.width, printing.sheet.height) if printing.sheet else None
    repeat = (printing.repeat.columns, printing.repeat.rows)
    return lay_out(packet, leaf, (trim.head, trim.tail, trim.fore_edge), printing.work, repeat, sheet)


def untrimmed_leaf(spec: JobSpec, packet: FoldedPacket) -> tuple[Mm, Mm]:
    """Width and height of the leaf before trimming; panels of a strip are not trimmed at the sides."""
    leaf, trim = spec.leaf, spec.leaf.trim
    fore_edge = 0.0 if packet.kind == "concertina" else trim.fore_edge
    return leaf.width + fore_edge, leaf.height + trim.head + trim.tail


@dataclass(frozen=True, slots=True)
class OwnForme:
    """How sheets of their own are printed: their packet, on which layout; worked and turned where two go."""

    packet: FoldedPacket
    layout: Layout


def own_formes(
    spec: JobSpec, main: Layout, leaf: tuple[Mm, Mm], sheets: Sequence[Sheet]
) -> dict[str, OwnForme]:
    """The formes of sheets that are not the main one, by their programme.

    On the main printed sheet where they go, both sides in one forme where two go side by side or one above
    the
    other (worked and turned, or tumbled: two copies a sheet); else on a sheet of their own size.
    """
    found: dict[str, OwnForme] = {}
    trims = (spec.leaf.trim.head, spec.leaf.trim.tail, spec.leaf.trim.fore_edge)
    for programme in sorted({sheet.programme for sheet in sheets if sheet.programme is not None}):
        packet = fold_packet(programme)
        width, height = unfolded_size(packet, leaf)
        works: tuple[tuple[Work, Mm, Mm], ...] = (
            ("turn", 2 * width, height),
            ("tumble", width, 2 * height),
            ("sheetwise", width, height),
        )
        work = next(
            (
                name
                for name, wide, high in works
                if wide <= main.width + TOLERANCE and high <= main.height + TOLERANCE
            ),
            None,
        )
        sheet = (main.width, main.height) if work else None
        found[programme] = OwnForme(packet, lay_out(packet, leaf, trims, work or "sheetwise", (1, 1), sheet))
    return found


@dataclass(frozen=True, slots=True)
class _Side:
    """One side of the sheet: unfolded, as printed, and the least it can be printed on."""

    sheet: QuantityId
    printed: QuantityId
    least: QuantityId


_SIDES = (
    _Side("sheet.width", "printed.width", "printed.least_width"),
    _Side("sheet.height", "printed.height", "printed.least_height"),
)


def reckon(
    spec: JobSpec, packet: FoldedPacket, grain: SheetGrain, plan: FoldingPlan, ledger: Ledger
) -> PrintingPlan:
    """Lay the printed sheet out and count it.

    :param grain: the side of the unfolded sheet the grain runs along, as it comes out of the paper.
    """
    printing = spec.printing
    leaf = (ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height"))
    layout = layout_of(spec, packet, leaf)
    main = [sheet for sheet in plan.sheets if sheet.programme is None]
    first = main[0] if main else sample_sheet(packet.programme)
    margin = margin_needed(layout, first, printing.bleed, printing.printer.unprintable)
    across = printing.repeat.columns * (2 if printing.work == "turn" else 1)
    down = printing.repeat.rows * (2 if printing.work == "tumble" else 1)
    if printing.sheet:
        ledger.reckon("printed.width", layout.width, "as chosen", entry="printing.sheet.width")
        ledger.reckon("printed.height", layout.height, "as chosen", entry="printing.sheet.height")
    else:
        for side, count in zip(_SIDES, (across, down), strict=True):
            ledger.reckon(
                side.printed,
                layout.width if side.sheet == "sheet.width" else layout.height,
                f"{count} × {{sheet}}",
                {"sheet": ledger.ref(side.sheet)},
                rule="cut to size before printing",
            )
    least = [
        ledger.reckon(
            side.least,
            count * ledger.value(side.sheet) + 2 * margin,
            f"{count} × {{sheet}} + 2 × {{margin}}",
            {
                "sheet": ledger.ref(side.sheet),
                "margin": ledger.entry("margin", margin, "printing.printer.unprintable"),
            },
            rule="so much more that nothing printed reaches the printer's unprintable edge",
        )
        for side, count in zip(_SIDES, (across, down), strict=True)
    ]
    if layout.copies > 1:
        ledger.reckon("printed.copies", layout.copies, f"{across} × {down}", rule="cut apart after printing")
    runs = rounded_up(spec.copies / layout.copies)
    own = _own_runs(spec, layout, leaf, plan)
    ledger.reckon(
        "printed.sheets",
        rounded_up(with_spoilage(len(main) * runs + own, spec.paper.spoilage)),
        "({sheets} × {runs} + {own}) × (1 + {spoilage} / 100), rounded up"
        if own
        else "{sheets} × {runs} × (1 + {spoilage} / 100), rounded up",
        {
            "sheets": ledger.ref("sheets.count")
            if not own
            else ledger.entry("of the main sheet", len(main), "sheets.count", "count"),
            **(
                {"own": ledger.entry("of their own, all copies", own, "extras.formes.sections", "count")}
                if own
                else {}
            ),
            "runs": ledger.entry(
                "copies" if layout.copies == 1 else f"copies, {layout.copies} printed at a time",
                runs,
                "copies",
                "count",
            ),
            "spoilage": ledger.entry("spoilage", spec.paper.spoilage, "paper.spoilage", "percent"),
        },
        rule="a ream is 500 sheets",
    )
    words = tuple(dialog_words(spec, layout, packet, grain, ledger.notation))
    return PrintingPlan(layout, first, (least[0], least[1]), words)


def _own_runs(spec: JobSpec, main: Layout, leaf: tuple[Mm, Mm], plan: FoldingPlan) -> int:
    """Printed sheets that all copies take of sheets of their own; worked and turned, one gives two copies."""
    if all(sheet.programme is None for sheet in plan.sheets):
        return 0
    formes = own_formes(spec, main, leaf, plan.sheets)
    return sum(
        math.ceil(spec.copies / formes[sheet.programme].layout.copies - TOLERANCE)
        for sheet in plan.sheets
        if sheet.programme is not None
    )


def printed_sheets(sheets: int, copies: int, each: int, spoilage: float) -> int:
    """Sheets to print of a text of so many, with so many copies of each on a printed sheet.

    :param spoilage: in percent.
    """
    return rounded_up(with_spoilage(sheets * math.ceil(copies / each), spoilage))


def margin_needed(layout: Layout, sheet: Sheet, bleed: Mm, unprintable: Mm) -> Mm:
    """Paper needed around the unfolded sheets so that all that is printed can be."""
    block = layout.block
    boxes = [page.box.grown(bleed) for page in placed_pages(layout, sheet, "front")]
    clear = min(
        min(
            each.left - block.left, block.right - each.right, each.top - block.top, block.bottom - each.bottom
        )
        for each in boxes
    )
    return max(0.0, unprintable - clear)


def dialog_words(
    spec: JobSpec, layout: Layout, packet: FoldedPacket, grain: SheetGrain, notation: Notation
) -> Iterator[str]:
    """What to set in the print dialog, and what to do before and after."""
    printing = spec.printing
    size = f"{notation.length(layout.width, True)} × {notation.length(layout.height, True)}"
    way = "landscape" if layout.width > layout.height else "portrait"
    yield f"Paper {size}, {way}, its grain along the {grain}."
    yield "Scale 100 % (“actual size”), never “fit to page”."
    turned = "turn" if printing.work == "turn" else "tumble"
    if printing.work != "sheetwise":
        how = "sideways, like a page" if turned == "turn" else "head over foot"
        yield f"Both sides are printed alike: turn the sheets {how}, then cut them in two: two copies."
    if printing.printer.flips == "none":
        yield from _by_hand(spec)
    else:
        yield f"Both sides, flip on the {printing.flip} edge."
    yield "“Collate” on, pages in their order, one page a sheet."
    if layout.copies > 1 and printing.work == "sheetwise":
        yield (
            f"Cut each pile into {layout.copies} and keep the piles apart: each is one copy, in its order."
        )
    elif not packet.sewn and packet.leaves_a_sheet > 1 and packet.kind == "leaves":
        yield (
            "Cut the pile apart and put the parts on one another, row by row from the left of the outer "
            "side: the leaves are then in order."
        )
    yield "Print the one-sheet test first and fold it."


def _by_hand(spec: JobSpec) -> Iterator[str]:
    printer = spec.printing.printer
    yield "Print the file of the fronts, one side only."
    if pile_turned(printer.stacks, printer.feeds):
        yield "Turn the whole pile over like a page and put it back; then print the file of the backs."
    else:
        yield (
            "Put the pile back as it lies, last sheet on top; then print the file of the backs, which "
            "begins with the last."
        )


def mind(
    spec: JobSpec, packet: FoldedPacket, folding: FoldingPlan, plan: PrintingPlan, ledger: Ledger
) -> list[Finding]:
    """What to mind about the printed sheet and the text on it."""
    if spec.text.blank_book and spec.text.filler == "plain":
        return []
    return [
        *_mind_size(spec, packet, plan, ledger),
        *_mind_flip(spec, plan, ledger.notation),
        *_mind_edges(spec, packet, plan, ledger),
    ]


def _mind_size(spec: JobSpec, packet: FoldedPacket, plan: PrintingPlan, ledger: Ledger) -> Iterator[Finding]:
    layout, printer, show = plan.layout, spec.printing.printer, ledger.notation.length

    def size(width: Mm, height: Mm) -> str:
        return f"{show(width, True)} × {show(height, True)}"

    block = layout.block
    others = tuple(_other_folds(spec, packet, layout))
    if not layout.fits:
        smaller = _smaller_leaf(spec, packet, layout, ledger.notation)
        actions = (*_other_sheets(spec, plan), *others, *smaller)
        if spec.printing.sheet and spec.printing.sheet.width != spec.printing.sheet.height:
            turned = (spec.printing.sheet.height, spec.printing.sheet.width)
            if block.width <= turned[0] + TOLERANCE and block.height <= turned[1] + TOLERANCE:
                the_other_way: dict[str, object] = {"width": turned[0], "height": turned[1]}
                actions = (Action("Turn the sheet the other way", {"printing.sheet": the_other_way}),)
        needs, has = ledger.notation.compared_sizes(
            (block.width, block.height), (layout.width, layout.height)
        )
        yield finding(
            "printed.too_small",
            "printed.width",
            ledger.notation,
            needs=needs,
            has=has,
            actions=actions,
        )
    elif layout.width + TOLERANCE < plan.least[0] or layout.height + TOLERANCE < plan.least[1]:
        yield finding(
            "printed.at_the_edge",
            "printed.least_width",
            ledger.notation,
            unprintable=show(printer.unprintable, True),
            needs=size(*plan.least),
        )
    if printer.largest is not None:
        most = sorted((printer.largest.width, printer.largest.height))
        sheet = sorted((layout.width, layout.height))
        if sheet[0] > most[0] + TOLERANCE or sheet[1] > most[1] + TOLERANCE:
            has, takes = ledger.notation.compared_sizes(
                (layout.width, layout.height), (printer.largest.width, printer.largest.height)
            )
            yield finding(
                "printed.too_large",
                "printed.width",
                ledger.notation,
                has=has,
                most=takes,
                actions=others,
            )


def _other_sheets(spec: JobSpec, plan: PrintingPlan) -> Iterator[Action]:
    """The smallest sheet with a name that takes what is printed and goes through the printer."""
    needs, largest = sorted(plan.least), spec.printing.printer.largest
    most = sorted((largest.width, largest.height)) if largest else [math.inf, math.inf]
    fitting = [
        size
        for size in SHEET_SIZES
        if needs[0] <= size.width + TOLERANCE
        and needs[1] <= size.height + TOLERANCE
        and size.width <= most[0] + TOLERANCE
        and size.height <= most[1] + TOLERANCE
    ]
    if fitting:
        size = min(fitting, key=lambda each: each.width * each.height)
        across = plan.least[0] > plan.least[1]
        width, height = (size.height, size.width) if across else (size.width, size.height)
        yield Action(f"Print on {size.name}", {"printing.sheet": {"width": width, "height": height}})


def _smaller_leaf(
    spec: JobSpec, packet: FoldedPacket, layout: Layout, notation: Notation
) -> Iterator[Action]:
    """Less trimming, where that is enough, and the largest leaf of which the sheet takes as many."""
    leaf, trim = untrimmed_leaf(spec, packet), spec.leaf.trim
    repeat = (spec.printing.repeat.columns, spec.printing.repeat.rows)

    def needs(width: Mm, height: Mm) -> tuple[Mm, Mm]:
        return block_size(unfolded_size(packet, (width, height)), spec.printing.work, repeat)

    now, wider = needs(*leaf), needs(leaf[0] + 1, leaf[1])
    turned = wider[0] == now[0]  # the leaf lies across: its width runs along the height of the sheet
    taller = needs(leaf[0], leaf[1] + 1)
    room = (layout.height, layout.width) if turned else (layout.width, layout.height)
    has = (now[1], now[0]) if turned else now
    times = (wider[1] - now[1], taller[0] - now[0]) if turned else (wider[0] - now[0], taller[1] - now[1])
    over = [max(0.0, (has[axis] - room[axis]) / times[axis]) for axis in (0, 1)]
    across = 0.0 if packet.kind == "concertina" else trim.fore_edge
    if over[0] <= across + TOLERANCE and over[1] <= trim.head + trim.tail + TOLERANCE:
        part = 1 - over[1] / (trim.head + trim.tail) if trim.head + trim.tail > 0 else 1.0
        head = notation.at_most(trim.head, trim.head * part)
        tail = notation.at_most(trim.tail, trim.tail * part)
        fore_edge = notation.at_most(trim.fore_edge, trim.fore_edge - over[0])
        shown = ", ".join(map(notation.length, (head, tail, fore_edge)))
        yield Action(
            f"Trim less: {shown} at head, tail and fore-edge",
            {"leaf.trim.head": head, "leaf.trim.tail": tail, "leaf.trim.fore_edge": fore_edge},
        )
    width = notation.at_most(spec.leaf.width, spec.leaf.width - over[0])
    height = notation.at_most(spec.leaf.height, spec.leaf.height - over[1])
    if min(width, height) >= LEAST_LEAF:
        yield leaf_that_fits(width, height, notation)


def _other_folds(spec: JobSpec, packet: FoldedPacket, layout: Layout) -> Iterator[Action]:
    """Folds with fewer leaves a sheet whose sheet goes through."""
    largest, chosen = spec.printing.printer.largest, spec.printing.sheet
    limit = chosen or largest
    if limit is None:
        return
    offered = 0
    for name in NAMED_PROGRAMMES:
        if parse_programme(name).kind != "section":
            continue
        other = fold_packet(name)
        if other.leaves_a_sheet >= packet.leaves_a_sheet or offered == 2:
            continue
        repeat = (spec.printing.repeat.columns, spec.printing.repeat.rows)
        needs = block_size(unfolded_size(other, untrimmed_leaf(spec, other)), spec.printing.work, repeat)
        fits = needs[0] <= limit.width + TOLERANCE and needs[1] <= limit.height + TOLERANCE
        turned = needs[1] <= limit.width + TOLERANCE and needs[0] <= limit.height + TOLERANCE
        if fits or turned:
            other_fold: dict[str, object] = {"folding.programme": other.programme}
            if chosen and not fits:
                other_fold["printing.sheet"] = {"width": chosen.height, "height": chosen.width}
            offered += 1
            yield Action(f"Fold as {name}", other_fold)


def _mind_flip(spec: JobSpec, plan: PrintingPlan, notation: Notation) -> Iterator[Finding]:
    printing, layout = spec.printing, plan.layout
    offered = printing.printer.flips
    natural = natural_flip(layout.width, layout.height)
    if offered == "none":
        yield finding("printed.by_hand", "printing.printer.flips", notation)
    elif offered not in ("both", printing.flip):
        yield finding(
            "printed.flip_not_offered",
            "printing.flip",
            notation,
            flip=printing.flip,
            offered=offered,
            actions=(Action(f"Flip on the {offered} edge", {"printing.flip": offered}),),
        )
    elif backs_half_turned(layout.width, layout.height, printing.flip):
        actions = (
            (Action(f"Flip on the {natural} edge", {"printing.flip": natural}),) if offered == "both" else ()
        )
        yield finding(
            "printed.backs_turned",
            "printing.flip",
            notation,
            natural=natural,
            flip=printing.flip,
            actions=actions,
        )


def _mind_edges(spec: JobSpec, packet: FoldedPacket, plan: PrintingPlan, ledger: Ledger) -> Iterator[Finding]:
    printing, trim, show = spec.printing, spec.leaf.trim, ledger.notation.length
    layout, block = plan.layout, plan.layout.block
    trims = {"head": trim.head, "tail": trim.tail, "fore-edge": trim.fore_edge}
    edge = min(trims, key=lambda each: trims[each])
    if printing.bleed > trims[edge] + TOLERANCE:
        bleed, trimmed = ledger.notation.compared(printing.bleed, trims[edge])
        yield finding(
            "printed.bleed",
            "printing.bleed",
            ledger.notation,
            bleed=bleed,
            trim=trimmed,
            edge=edge,
        )
    if printing.marks and _labels_lost(spec, plan):
        yield finding(
            "printed.marks_lost",
            "printing.marks",
            ledger.notation,
            unprintable=show(printing.printer.unprintable, True),
            needs=f"{show(block.width + 2 * WASTE_FOR_LABELS, True)} × "
            f"{show(block.height + 2 * WASTE_FOR_LABELS + 2 * printing.printer.unprintable, True)}",
        )
    if printing.marks and max(trim.head, trim.tail, block.top) < LEAST_WASTE:
        yield finding("printed.no_marks", "printing.marks", ledger.notation)
    larger = layout.width > block.width + TOLERANCE or layout.height > block.height + TOLERANCE
    if larger and spec.folding.fold_to == "edges" and packet.leaves_a_sheet > 2:
        yield finding(
            "printed.fold_to_edges",
            "folding.fold_to",
            ledger.notation,
            needs=f"{show(layout.unfolded_width, True)} × {show(layout.unfolded_height, True)}",
            actions=(Action("Fold to the printed marks", {"folding.fold_to": "marks"}),),
        )


def _labels_lost(spec: JobSpec, plan: PrintingPlan) -> bool:
    """Whether labels on the waste would fall where this printer does not print, and nowhere else is room."""
    unprintable = spec.printing.printer.unprintable
    if not unprintable:
        return False
    pages = list(placed_pages(plan.layout, plan.first_sheet, "front"))

    def strips(free: Mm) -> int:
        return len(Marker(Sketch(), plan.layout, "front", pages, spec.printing.bleed, free).label_strips())

    return strips(unprintable) < strips(0.0)


def _placed(spec: JobSpec) -> ContentPlace | None:
    """Where a page of the text comes to lie on its leaf; nowhere without a text that was brought."""
    page, leaf, text = spec.text.page, spec.leaf, spec.text
    if page is None or text.blank_book:
        return None
    return place_content(
        (page.width, page.height), (leaf.width, leaf.height), text.placing, text.anchor, True
    )


def reckon_scale(spec: JobSpec, ledger: Ledger) -> None:
    """How much pages of a text that was brought are scaled."""
    if place := _placed(spec):
        how = "as it is" if place.scale == 1 else spec.text.placing
        ledger.reckon("text.scale", 100 * place.scale, how)


def mind_text(spec: JobSpec, ledger: Ledger) -> Iterator[Finding]:
    """What to mind about pages of the text that are not the size of the leaf."""
    place, page, leaf, show = _placed(spec), spec.text.page, spec.leaf, ledger.notation.length
    if place is None or page is None:
        return
    differs = abs(page.width - leaf.width) > 0.5 or abs(page.height - leaf.height) > 0.5
    if differs and spec.text.placing == "as_is":
        cut = page.width > leaf.width + 0.5 or page.height > leaf.height + 0.5
        yield finding(
            "text.other_size",
            "text.placing",
            ledger.notation,
            text=f"{show(page.width, True)} × {show(page.height, True)}",
            leaf=f"{show(leaf.width, True)} × {show(leaf.height, True)}",
            what="part of each page is cut off" if cut else "white is left around",
            actions=(
                Action("Make the leaf that size", {"leaf.width": page.width, "leaf.height": page.height}),
                Action("Scale the text to fit", {"text.placing": "fit"}),
            ),
        )
    elif abs(place.scale - 1) > 0.0005:
        yield finding(
            "text.scaled",
            "text.placing",
            ledger.notation,
            percent=plain_number(100 * place.scale, 1),
            points=plain_number(_PT_BEFORE_SCALING * place.scale, 1),
            actions=(Action("Print pages as they are", {"text.placing": "as_is"}),),
        )
