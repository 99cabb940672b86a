"""Folding: the signatures, which pages stand on which sheet, and creep."""

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field

from weald.core.findings import Action, Finding, finding
from weald.core.folding.imposition import Placement, Section, Sheet, impose, one_piece
from weald.core.folding.makeup import MakeUp
from weald.core.folding.packet import MAX_SHEETS, FoldedPacket, Side
from weald.core.job.block import Folding
from weald.core.job.paging import in_order
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, counted
from weald.core.paper import grain_word, sheets_a_section
from weald.core.reckoning import Ledger, School
from weald.core.stations.paper import PaperPlan
from weald.core.stations.text import TextPlan
from weald.core.units import Mm

CREEP_SCHOOLS = (
    (1.5708, "round fold", "π/2 for each leaf"),
    (1.0, "hard-pressed fold", "the leaf alone"),
)


@dataclass(frozen=True, slots=True)
class FoldingPlan:
    """The text imposed, and how far inner folios stand out.

    :param step: from one folio to the next; ``creep``: from the outermost to the innermost.
    :param sewn: whether there are folds to sew through.
    :param own_steps: as ``step``, in sections of leaves of another thickness, by the number of the section.
    """

    sections: tuple[Section, ...]
    sheets: tuple[Sheet, ...]
    step: Mm
    creep: Mm
    sewn: bool
    make_up: MakeUp
    own_steps: Mapping[int, Mm] = field(default_factory=dict)


def reckon(
    spec: JobSpec, packet: FoldedPacket, text: TextPlan, paper: PaperPlan, ledger: Ledger
) -> FoldingPlan:
    """Impose the text and reckon creep."""
    folding, made = spec.folding, text.make_up
    order = in_order(spec.text.pages, spec.extras.arranged)
    length = spec.text.pages if order is None else len(order)
    sections, sheets = impose(length, made, folding.programme, folding.gather, order)
    thickest = max(made.sheets)
    filled = ", every {signature} filled" if folding.make_up == "full" else ""
    if made.own:
        of_own = made.sheet_count - made.main_sheets
        ledger.reckon(
            "sheets.count",
            made.sheet_count,
            "{main} + {own}",
            {
                "main": ledger.entry("of the main sheet", made.main_sheets, "folding.programme", "count"),
                "own": ledger.entry("of their own", of_own, "extras.formes.sections", "count"),
            },
        )
    else:
        ledger.reckon(
            "sheets.count",
            made.sheet_count,
            f"{{pages}} / {{each}}, rounded up{filled}",
            {
                "pages": ledger.entry("pages of text", length, "text.pages", "count"),
                "each": ledger.entry("pages a sheet", made.pages_a_sheet, "folding.programme", "count"),
            },
        )
    if not packet.sewn:
        strip = "one strip, no spine" if packet.kind == "concertina" else "single leaves in one pile"
        ledger.reckon("sections.count", len(sections), strip)
        return FoldingPlan(sections, sheets, 0.0, 0.0, sewn=False, make_up=made)
    if made.own:
        ledger.reckon("sections.count", len(sections), "sheets of their own among those of the main sheet")
    else:
        _reckon_sections(folding, made.sheets, ledger)
    ledger.reckon("sections.sheets", thickest, "the thickest {signature}")
    step, creep = _reckon_creep(spec, paper, _most_folios(made), ledger)
    own_steps = {number: folding.creep_factor * leaf for number, leaf in made.other_leaves.items()}
    return FoldingPlan(sections, sheets, step, creep, sewn=True, make_up=made, own_steps=own_steps)


def _most_folios(made: MakeUp) -> int:
    """Folios in the thickest section of the text's own paper; of any, where none is of it."""
    of_text = [
        pages for number, pages in enumerate(made.section_pages, start=1) if number not in made.other_leaves
    ]
    return max(of_text or made.section_pages) // 4


def _reckon_creep(spec: JobSpec, paper: PaperPlan, folios: int, ledger: Ledger) -> tuple[Mm, Mm]:
    """Enter creep from folio to folio and in all; measured in all, each folio takes its share."""
    folding = spec.folding
    nested = ledger.entry("folios in the thickest {signature}", folios, "sections.sheets", "count")
    factor = ledger.entry("creep factor", folding.creep_factor, "folding.creep_factor", "factor")
    calliper = ledger.ref("paper.calliper")
    schools = _creep_schools(spec, paper, folios, ledger)
    if folios > 1 and "sections.creep" in ledger.measured:
        creep = ledger.reckon(
            "sections.creep",
            (folios - 1) * folding.creep_factor * paper.calliper,
            "({folios} − 1) × {factor} × {calliper}",
            {"folios": nested, "factor": factor, "calliper": calliper},
            schools=schools,
        )
        step = ledger.reckon(
            "creep.step",
            creep / (folios - 1),
            "{creep} / ({folios} − 1)",
            {"creep": ledger.ref("sections.creep"), "folios": nested},
        )
        return step, creep
    step = ledger.reckon(
        "creep.step",
        folding.creep_factor * paper.calliper,
        "{factor} × {calliper}",
        {"factor": factor, "calliper": calliper},
    )
    creep = ledger.reckon(
        "sections.creep",
        (folios - 1) * step,
        "({folios} − 1) × {step}",
        {"folios": nested, "step": ledger.ref("creep.step")},
        schools=schools,
        measurable=folios > 1,
    )
    return step, creep


def _reckon_sections(folding: Folding, sheets: tuple[int, ...], ledger: Ledger) -> None:
    rule = make_up_words(sheets)
    if folding.make_up in ("one_section", "mix"):
        how = "all sheets in one" if folding.make_up == "one_section" else "as listed, " + folding.mix
        ledger.reckon("sections.count", len(sheets), how, rule=rule)
        return
    each = ledger.entry(
        "sheets a {signature}", folding.sheets_per_section, "folding.sheets_per_section", "count"
    )
    ledger.reckon(
        "sections.count",
        len(sheets),
        "{sheets} / {each}, rounded up",
        {"sheets": ledger.ref("sheets.count"), "each": each},
        rule=rule,
    )


def make_up_words(sheets: tuple[int, ...]) -> str:
    """The signatures of a make-up in words: “2 of 5 sheets and 6 of 4 sheets”."""
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


def mind(
    spec: JobSpec,
    packet: FoldedPacket,
    paper: PaperPlan,
    plan: FoldingPlan,
    ledger: Ledger,
) -> list[Finding]:
    """What to mind about the make-up, creep and bolts."""
    found = [*_mind_bolts(spec, packet, ledger.notation), *_mind_spreads(spec, plan, ledger.notation)]
    if not plan.sewn:
        return found
    sheets, (low, high) = spec.folding.sheets_per_section, sheets_a_section(paper.grammage)
    if spec.folding.make_up in ("one_section", "mix"):
        sheets = max(section.sheets for section in plan.sections)
    folios = sheets * packet.leaves_a_sheet // 2
    # what is to be filled wants thin sections: what is glued in gives them their thickness
    filled = folios < low and spec.block.inserted > 0
    if not (low <= folios <= high or filled) and len(plan.sections) > 1:
        wanted = max(1, (high if folios > high else low) * 2 // packet.leaves_a_sheet)
        helps = low <= wanted * packet.leaves_a_sheet // 2 <= high and wanted <= MAX_SHEETS
        found.append(
            finding(
                "section.thick" if folios > high else "section.thin",
                "sections.sheets",
                ledger.notation,
                sheets=counted(folios, "sheet"),
                grammage=f"{paper.grammage:.0f}",
                low=low,
                high=high,
                actions=(
                    Action(
                        ledger.say(
                            "{wanted} {sheets} a {signature}",
                            wanted=wanted,
                            sheets="sheet" if wanted == 1 else "sheets",
                        ),
                        {"folding.sheets_per_section": wanted},
                    ),
                )
                if helps
                else (),
            )
        )
    return [*found, *_mind_creep(spec, plan, ledger.notation)]


def _mind_creep(spec: JobSpec, plan: FoldingPlan, notation: Notation) -> Iterator[Finding]:
    """Sections that creep farther than is trimmed.

    The thickest of the text's paper, and those of their own.
    """
    creeps = {"sections.creep": plan.creep}
    for number, step in plan.own_steps.items():
        own = plan.make_up.own[number - 1]
        if own is not None:
            folios = plan.make_up.section_pages[number - 1] // 4
            creeps[f"extras.formes.sections.{own.row}.thickness"] = (folios - 1) * step
    show, trim = notation.length, spec.leaf.trim.fore_edge
    for about, creep in creeps.items():
        if not creep > trim > 0:
            continue
        needs = notation.round_mm(creep + 1)
        creeps_by, trimmed = notation.compared(creep, trim)
        yield finding(
            "creep.beyond_trim",
            about,
            notation,
            creep=creeps_by,
            trim=trimmed,
            needs=show(creep + 1, True),
            actions=(Action(f"Trim {show(needs, True)} at the fore-edge", {"leaf.trim.fore_edge": needs}),),
        )


def _mind_bolts(spec: JobSpec, packet: FoldedPacket, notation: Notation) -> list[Finding]:
    trim = spec.leaf.trim
    trims = {"head": trim.head, "tail": trim.tail, "fore_edge": trim.fore_edge}
    return [
        finding("bolts.closed", f"leaf.trim.{edge}", notation, edge=edge.replace("_", "-"))
        for edge in packet.bolts
        if edge != "spine" and trims[edge] == 0
    ]


def grain_words(packet: FoldedPacket, paper: PaperPlan, notation: Notation) -> str:
    """Which way the grain of the unfolded sheet has to run along the spine, and whether it does."""
    width, height = paper.sheet_width, paper.sheet_height
    size = f"{notation.length(width, True)} × {notation.length(height, True)}"
    word = grain_word(width, height, packet.grain)
    named = "" if word == "square" else f", that is {word} grain"
    wanted = f"along the {packet.grain} of the unfolded sheet of {size}{named}"
    if paper.crosswise:
        return f"The grain has to run {wanted}; this paper has it along the {paper.grain}, across the spine."
    return f"The grain runs {wanted}."


def _mind_spreads(spec: JobSpec, plan: FoldingPlan, notation: Notation) -> Iterator[Finding]:
    """Pictures across two pages that are not one piece of paper."""
    lefts = [int(word) for word in re.findall(r"\d+", spec.text.spreads)]
    if not lefts or not plan.sewn:
        return
    places = {place.page: (sheet, side, place) for sheet, side, place in _places(plan)}
    whole = [
        page
        for page in places
        if page is not None and page + 1 in places and _whole(places[page], places[page + 1])
    ]
    for left in lefts:
        if left + 1 > spec.text.pages:
            yield finding(
                "spread.beyond",
                "text.spreads",
                notation,
                left=left,
                right=left + 1,
                last=spec.text.pages,
            )
            continue
        one, two = places.get(left), places.get(left + 1)
        if one is None or two is None or _whole(one, two):
            continue
        if one[2].spine == "left":
            yield finding("spread.backs", "text.spreads", notation, left=left, right=left + 1)
            continue
        near = sorted(sorted(whole, key=lambda page: abs(page - left))[:3])
        yield finding(
            "spread.crosses",
            "text.spreads",
            notation,
            left=left,
            right=left + 1,
            where=f"{_said(one, notation)} and {_said(two, notation)}",
            whole=", ".join(f"{page}–{page + 1}" for page in near) or notation.say("of no {signature} here"),
        )


_Place = tuple[Sheet, Side, Placement]


def _places(plan: FoldingPlan) -> Iterator[_Place]:
    for sheet in plan.sheets:
        for place in sheet.outer:
            yield sheet, "outer", place
        for place in sheet.inner:
            yield sheet, "inner", place


def _whole(one: _Place, two: _Place) -> bool:
    return one[0] is two[0] and one[1] == two[1] and one[2].spine == "right" and one_piece(one[2], two[2])


def _said(where: _Place, notation: Notation) -> str:
    sheet, side, _ = where
    return notation.say(
        "{signature} {section}, sheet {sheet}, {side} side",
        section=sheet.section,
        sheet=sheet.sheet,
        side=side,
    )
