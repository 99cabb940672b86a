"""Ways to fold and ways to make up, side by side, each with what it costs and why."""

import math
from dataclasses import dataclass, replace

from weald.core.block.textblock import FLAT_BACK_SWELL_LIMIT, swell
from weald.core.drawing import Drawing, Sketch, box
from weald.core.findings import Patch
from weald.core.folding.imposition import sample_sheet
from weald.core.folding.makeup import MakeUpRule, share_out
from weald.core.folding.packet import MAX_SHEETS, FoldedPacket, fold_packet
from weald.core.folding.programme import NAMED_PROGRAMMES, Programme, parse_programme
from weald.core.folding.steps import FoldStep, fold_steps, slits_advised
from weald.core.forme.layout import lay_out
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.paper import calliper_from_bulk, grain_word, lays_on_sheet, sheets_a_section
from weald.core.press.press import Press, press
from weald.core.reckoning import Ledger
from weald.core.stations import paper as paper_station
from weald.core.stations.folding import make_up_words
from weald.core.stations.paper import grammage_of
from weald.core.stations.printing import margin_needed, printed_sheets, untrimmed_leaf
from weald.core.units import TOLERANCE, Mm

REAM = 500
AS_GOOD = "as good, a matter of taste"
MOST_MAKE_UPS = 24
SHEETS_COMPARED = 10


@dataclass(frozen=True, slots=True)
class FoldChoice:
    """One way to fold the text.

    :param sheet: the unfolded sheet it needs; ``printed``: the smallest sheet to print it on, where
        that is larger; ``grain``: which way the sheet's grain has to run.
    :param bolts: the edges it leaves closed, and what opens each.
    :param impossible: why it cannot be had here; empty when it can.
    :param patch: what choosing it changes.
    """

    programme: str
    name: str
    kind: str
    pages_a_sheet: int
    sheets_a_section: int
    sheet: str
    printed: str
    grain: str
    bolts: tuple[str, ...]
    slits: str
    creep: str
    impossible: str
    chosen: bool
    patch: Patch
    picture: Drawing


def fold_choices(spec: JobSpec, notation: Notation) -> tuple[FoldChoice, ...]:
    """Every named way to fold a job's text, and the job's own where it has no name."""
    chosen = parse_programme(spec.folding.programme)
    texts = list(dict.fromkeys([*NAMED_PROGRAMMES.values()]))
    if chosen.text not in texts:
        texts.insert(0, chosen.text)
    return tuple(_fold_choice(spec, parse_programme(text), chosen, notation) for text in texts)


def _fold_choice(spec: JobSpec, programme: Programme, chosen: Programme, notation: Notation) -> FoldChoice:
    packet = fold_packet(programme.text)
    leaf = untrimmed_leaf(spec, packet)
    across, down = leaf if packet.grain == "height" else leaf[::-1]
    width, height = packet.columns * across, packet.rows * down
    sheets = _suiting_sheets(spec, packet)
    together = sheets if spec.folding.gather == "together" else 1
    slit = slits_advised(programme, grammage_of(spec.paper), together)
    steps = fold_steps(programme, slit, spec.folding.fold_to)
    folios = sheets * packet.leaves_a_sheet // 2
    creep = max(0, folios - 1) * spec.folding.creep_factor * leaf_thickness(spec) if packet.sewn else 0.0
    word = grain_word(width, height, packet.grain)
    patch: Patch = {"folding.programme": programme.text}
    if packet.sewn:
        patch["folding.sheets_per_section"] = sheets
    margin = _margin(spec, packet, leaf)
    return FoldChoice(
        programme=programme.text,
        name=programme.name or programme.text,
        kind=programme.kind,
        pages_a_sheet=2 * packet.leaves_a_sheet,
        sheets_a_section=sheets,
        sheet=_size(width, height, notation),
        printed=_size(width + 2 * margin, height + 2 * margin, notation) if margin else "",
        grain=f"along the {packet.grain}" + ("" if word == "square" else f", {word} grain"),
        bolts=tuple(_bolts(spec, packet)),
        slits=_slits(steps),
        creep=notation.thickness(creep, True) if packet.sewn else "none",
        impossible=_impossible(spec, packet, (width, height), notation),
        chosen=programme == chosen,
        patch=patch,
        picture=_picture(programme, packet, steps, across, down),
    )


def _size(width: Mm, height: Mm, notation: Notation) -> str:
    return f"{notation.length(width, True)} × {notation.length(height, True)}"


def _margin(spec: JobSpec, packet: FoldedPacket, leaf: tuple[Mm, Mm]) -> Mm:
    """Paper needed around the unfolded sheet for what the printer cannot reach."""
    trim, printing = spec.leaf.trim, spec.printing
    if spec.text.blank_book and spec.text.filler == "plain":
        return 0.0
    layout = lay_out(packet, leaf, (trim.head, trim.tail, trim.fore_edge))
    sheet = sample_sheet(packet.programme)
    return margin_needed(layout, sheet, printing.bleed, printing.printer.unprintable)


def leaf_thickness(spec: JobSpec) -> Mm:
    """Thickness of a leaf of a job's paper."""
    return paper_station.reckon_leaf(spec, Ledger(measured=spec.measured))[1]


def _suiting_sheets(spec: JobSpec, packet: FoldedPacket) -> int:
    """Sheets a signature that keep about as many folios in it as now, within what the paper takes."""
    if packet.programme == parse_programme(spec.folding.programme).text:
        return spec.folding.sheets_per_section
    low, high = sheets_a_section(grammage_of(spec.paper))
    folios_a_sheet = max(1, packet.leaves_a_sheet // 2)
    return min(MAX_SHEETS, max(1, round((low + high) / 2 / folios_a_sheet)))


def _bolts(spec: JobSpec, packet: FoldedPacket) -> list[str]:
    trim = spec.leaf.trim
    trims = {"head": trim.head, "tail": trim.tail, "fore_edge": trim.fore_edge}
    said = []
    for edge in packet.bolts:
        name = edge.replace("_", "-")
        opened = "opened by the trim" if trims.get(edge, 0) > 0 else "to be opened with a knife"
        said.append(f"{name}: {opened}")
    return said


def _slits(steps: tuple[FoldStep, ...]) -> str:
    slit = [step.number for step in steps if step.slits]
    if not slit:
        return ""
    *before, last = map(str, slit)
    return f"slit before fold{'s' if before else ''} {', '.join(before)}{' and ' if before else ''}{last}"


def _impossible(spec: JobSpec, packet: FoldedPacket, size: tuple[Mm, Mm], notation: Notation) -> str:
    stock = spec.paper.sheet
    if not lays_on_sheet(size, packet.grain, (stock.width, stock.height), stock.grain):
        return f"the paper is only {_size(stock.width, stock.height, notation)}"
    largest = spec.printing.printer.largest
    if largest and not spec.text.blank_book:
        needs, most = sorted(size), sorted((largest.width, largest.height))
        if needs[0] > most[0] + TOLERANCE or needs[1] > most[1] + TOLERANCE:
            return "larger than the printer takes"
    return ""


def _picture(
    programme: Programme, packet: FoldedPacket, steps: tuple[FoldStep, ...], across: Mm, down: Mm
) -> Drawing:
    """The flat sheet with its folds in their order; the spine is the heavy line."""
    sketch = Sketch()
    sketch.area(box(0, 0, packet.columns * across, packet.rows * down), "paper", "cut")
    for step in steps:
        spine = step is steps[-1] and packet.sewn
        for (x1, y1), (x2, y2) in step.creases:
            sketch.line(((x1 * across, y1 * down), (x2 * across, y2 * down)), "cut" if spine else "fold")
    if programme.kind == "leaves":
        for column in range(1, packet.columns):
            sketch.line(((column * across, 0), (column * across, packet.rows * down)), "cut")
        for row in range(1, packet.rows):
            sketch.line(((0, row * down), (packet.columns * across, row * down)), "cut")
    name = programme.name or programme.text
    return sketch.finish(f"fold.{programme.text}", "folding", name, rows=(0, 0, 0, 0))


@dataclass(frozen=True, slots=True)
class MakeUpChoice:
    """One way to make the text up into signatures.

    :param words: the signatures in words; ``reason``: why it is recommended, or what speaks against it.
    :param stitches: passes of the thread along folds, from station to station.
    """

    words: str
    sections: int
    sheets: int
    most_sheets: int
    blanks: int
    printed: int
    reams: float
    creep: Mm
    creep_shown: str
    swell: Mm
    swell_shown: str
    swell_percent: float
    stitches: int
    reason: str
    recommended: bool
    chosen: bool
    patch: Patch


def make_up_choices(spec: JobSpec, notation: Notation) -> tuple[MakeUpChoice, ...]:
    """Ways to make a job's text up, best first; empty where nothing is sewn."""
    packet = fold_packet(spec.folding.programme)
    if not packet.sewn:
        return ()
    current = press(spec)
    each = 2 * packet.leaves_a_sheet
    needed = math.ceil(spec.text.pages / each)
    found: dict[tuple[int, ...], Patch] = {}
    shared = tuple(section.sheets for section in current.sections)
    found[shared] = {}
    rules: tuple[MakeUpRule, ...] = ("even", "short_last", "full")
    for sheets in range(1, min(SHEETS_COMPARED, needed, MAX_SHEETS) + 1):
        for rule in rules:
            patch: Patch = {"folding.sheets_per_section": sheets, "folding.make_up": rule}
            found.setdefault(share_out(needed, sheets, rule), patch)
    if needed <= SHEETS_COMPARED:
        found.setdefault((needed,), {"folding.make_up": "one_section"})
    costed = [_cost(current, made, patch, made == shared, notation) for made, patch in found.items()]
    costed.sort(key=lambda choice: _merit(spec, packet, choice))
    return tuple(_with_reasons(spec, packet, costed[:MOST_MAKE_UPS], costed, notation))


def _cost(
    current: Press, sheets: tuple[int, ...], patch: Patch, chosen: bool, notation: Notation
) -> MakeUpChoice:
    spec, packet = current.spec, current.packet
    folios = max(sheets) * packet.leaves_a_sheet // 2
    creep = (folios - 1) * spec.folding.creep_factor * leaf_thickness(spec)
    added = swell(len(sheets), spec.sewing.thread, spec.sewing.swell_factor)
    leaves = sum(sheets) * packet.leaves_a_sheet
    ends = spec.endpapers
    thickness = leaves * leaf_thickness(spec) + 2 * ends.leaves * calliper_from_bulk(ends.grammage, ends.bulk)
    printed = printed_sheets(sum(sheets), spec.copies, current.layout.copies, spec.paper.spoilage)
    stations = 2 + spec.sewing.supports * (2 if spec.sewing.method == "tapes" else 1)
    return MakeUpChoice(
        words=make_up_words(sheets),
        sections=len(sheets),
        sheets=sum(sheets),
        most_sheets=max(sheets),
        blanks=2 * leaves - spec.text.pages,
        printed=printed,
        reams=printed / REAM,
        creep=creep,
        creep_shown=notation.thickness(creep, True),
        swell=added,
        swell_shown=notation.thickness(added, True),
        swell_percent=100 * added / thickness,
        stitches=len(sheets) * (stations - 1),
        reason="",
        recommended=False,
        chosen=chosen,
        patch=patch,
    )


def _folios(packet: FoldedPacket, choice: MakeUpChoice) -> int:
    return choice.most_sheets * packet.leaves_a_sheet // 2


def _merit(spec: JobSpec, packet: FoldedPacket, choice: MakeUpChoice) -> tuple[float, ...]:
    """Less is better: folios the paper does not fold well, swell a flat back does not take, blanks."""
    low, high = sheets_a_section(grammage_of(spec.paper))
    folios = _folios(packet, choice)
    beyond = max(0, folios - high) + max(0, low - folios) * (choice.sections > 1)
    swollen = max(0.0, choice.swell_percent - 100 * FLAT_BACK_SWELL_LIMIT)
    uneven = choice.most_sheets * choice.sections - choice.sheets
    return (beyond, round(swollen), choice.blanks, uneven, choice.swell_percent)


def _against(
    spec: JobSpec, packet: FoldedPacket, choice: MakeUpChoice, least: int, notation: Notation
) -> str:
    """What speaks against a make-up, the gravest first; empty where nothing does."""
    low, high = sheets_a_section(grammage_of(spec.paper))
    folios = _folios(packet, choice)
    if folios > high:
        return f"{folios} folios nested: a wedge at the fore-edge; {high} are the most for this paper"
    if choice.swell_percent > 100 * FLAT_BACK_SWELL_LIMIT:
        return f"swell of {choice.swell_percent:.0f} %, more than a flat back takes"
    if folios < low and choice.sections > 1:
        return notation.say("{folios} folios a {signature}: more sewing than this paper needs", folios=folios)
    if choice.blanks > least:
        return f"{choice.blanks - least} blanks more than need be"
    return ""


def _for(spec: JobSpec, packet: FoldedPacket, choice: MakeUpChoice, against: str, notation: Notation) -> str:
    """Why a make-up is recommended; where none is good, that it is the least of evils."""
    if against:
        return f"the least of evils: {against}"
    blanks = f"{choice.blanks} {'blank' if choice.blanks == 1 else 'blanks'}"
    return notation.say(
        "{folios} folios a {signature} suit {grammage:.0f} g/m², swell of {swell:.0f} %, {blanks}",
        folios=_folios(packet, choice),
        grammage=grammage_of(spec.paper),
        swell=choice.swell_percent,
        blanks=blanks,
    )


def _with_reasons(
    spec: JobSpec,
    packet: FoldedPacket,
    shown: list[MakeUpChoice],
    every: list[MakeUpChoice],
    notation: Notation,
) -> list[MakeUpChoice]:
    least = min(choice.blanks for choice in every)
    made = []
    for number, choice in enumerate(shown):
        against = _against(spec, packet, choice, least, notation)
        best = number == 0
        reason = _for(spec, packet, choice, against, notation) if best else against
        made.append(replace(choice, reason=reason or AS_GOOD, recommended=best))
    if not any(choice.chosen for choice in made):
        chosen = next(choice for choice in every if choice.chosen)
        made.append(replace(chosen, reason=_against(spec, packet, chosen, least, notation) or AS_GOOD))
    return made
