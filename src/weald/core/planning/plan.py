"""The one function everything on screen and on paper comes from.

``plan`` is pure and cheap enough for every keystroke; the plan is never stored as truth.
"""

import math
from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

from weald.core.bench.book import Book
from weald.core.bench.casing_in import CasingIn, reckon_casing_in
from weald.core.bench.cut import NOTHING_YET, AtBench, CutPiece, mind_cut
from weald.core.bench.drawings import draw_bench
from weald.core.bench.operation import LeftOut, Operation
from weald.core.bench.order_drawing import draw_order
from weald.core.bench.order_of_work import NO_WORK, order_of_work
from weald.core.bindings.asking import asking_of
from weald.core.bindings.catalogue import structure_of
from weald.core.bindings.choosing import reckon_block
from weald.core.bindings.facts import StructureFacts, facts_of
from weald.core.bindings.protocol import Bound, Structure
from weald.core.bindings.suits import mind_choices, mind_suits
from weald.core.bindings.supports import reckon_supports
from weald.core.block.film import SewingFilm, sewing_film
from weald.core.block.holes import SewingPlan
from weald.core.covers import art as cover_art
from weald.core.covers.art import CoverArt
from weald.core.cutting.askew import draw_askew
from weald.core.drawing import Dimension, Drawing
from weald.core.extras.catalogue import ExtrasHere, add_extras, extras_here
from weald.core.extras.protocol import Made
from weald.core.finding_words import FindingCode
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.folding.imposition import Section, Sheet
from weald.core.folding.packet import FoldedPacket
from weald.core.folding.steps import FoldStep
from weald.core.job.asking import Asking
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.paper import with_spoilage
from weald.core.pieces import Piece, draw_pieces, make_piece
from weald.core.planning.asked import AskedFor, asked_of
from weald.core.planning.doubts import mind_unusual
from weald.core.planning.looking import Look, what_to_look_at
from weald.core.press.colophon import mind_colophon
from weald.core.press.drawings import draw_printed
from weald.core.press.press import Press, set_up
from weald.core.quantities import QUANTITIES, QuantityId, is_quantity
from weald.core.reckoning import Ledger, Quantity, is_doubted
from weald.core.station import STATIONS, Station
from weald.core.stations import block_drawings, folding_drawings
from weald.core.stations import finish as finish_station
from weald.core.stations import folding as folding_station
from weald.core.stations import paper as paper_station
from weald.core.stations import printing as printing_station
from weald.core.stations import sewing as sewing_station
from weald.core.stations import text as text_station
from weald.core.stations.block_findings import mind_block
from weald.core.stations.block_pieces import block_pieces, endpaper_pieces
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.stations.cutting import TEXT_SHEET, StockedPiece, mind_paper, mind_unused, stock_pieces
from weald.core.stations.finish import FinishPlan
from weald.core.stations.folded import Folded, reckon_to_folding
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan
from weald.core.stations.printing import PrintingPlan
from weald.core.units import TOLERANCE, Mm, rounded_up

NO_ROOM = "none: there is no room"
DRAWN = (*STATIONS, "pieces")
"""Everything that is drawn."""
_COSTLY = frozenset(("folding", "printing", "bench"))
"""Stations that draw only when they are looked at."""


def drawn_for(drawing_id: str) -> tuple[str, ...]:
    """The stations to draw for one drawing, as ``case.flat``: all but the costly ones it is none of."""
    own = drawing_id.partition(".")[0]
    return tuple(station for station in DRAWN if station not in _COSTLY or station == own)


_CAUTION_TAIL = " Follow the tool maker's instructions and your workplace's rules."


@dataclass(frozen=True, slots=True)
class Caution:
    """A caution to be shown where the work is."""

    station: Station
    text: str


@dataclass(frozen=True, slots=True)
class Plan:
    """Everything that follows from a job.

    :param folds: the folds of one sheet, one step each.
    :param printing: what to set in the print dialog, and what to do with the sheets.
    :param grain_needed: which way the grain of the unfolded sheet has to run, in words.
    :param structure: the binding in words, and what it asks for.
    :param looks: what to look at before going on, in the order of work.
    :param operations: the order of work at the bench; reckoned where that station is wanted.
    :param shown_section: the signature drawn at the folding station, from 1.
    :param extras: what is added to the structure, and what else could be.
    :param asked: which entries the job asks for.
    """

    title: str
    quantities: tuple[Quantity, ...]
    sections: tuple[Section, ...]
    sheets: tuple[Sheet, ...]
    pieces: tuple[Piece, ...]
    drawings: tuple[Drawing, ...]
    findings: tuple[Finding, ...]
    folds: tuple[FoldStep, ...]
    printing: tuple[str, ...]
    grain_needed: str
    structure: StructureFacts
    cover_art: CoverArt | None
    looks: tuple[Look, ...]
    cautions: tuple[Caution, ...]
    operations: tuple[Operation, ...]
    left_out: tuple[LeftOut, ...]
    cut: tuple[CutPiece, ...]
    casing_in: CasingIn | None
    shown_section: int
    extras: ExtrasHere
    asked: AskedFor


@dataclass(frozen=True, slots=True)
class _Bench:
    """A job as its stations have reckoned it."""

    spec: JobSpec
    ledger: Ledger
    structure: Structure
    treatment: Treatment
    folded: Folded
    steps: tuple[FoldStep, ...]
    printing: PrintingPlan
    press: Press
    text_findings: tuple[Finding, ...]
    block: BlockPlan
    sewing: SewingPlan
    bound: Bound
    finish: FinishPlan | None
    spine: Drawing | None
    art: CoverArt | None
    asking: Asking

    @property
    def signatures(self) -> int:
        """Sections there are to sew."""
        return len(self.folded.folding.sections) if self.folded.folding.sewn else 0


def plan(
    spec: JobSpec,
    notation: Notation = MILLIMETRES,
    section: int = 1,
    drawn: Collection[str] = DRAWN,
    at_bench: AtBench = NOTHING_YET,
) -> Plan:
    """Plan a job.

    :param notation: how lengths are written in sums and drawings.
    :param section: the signature to draw at the folding station, from 1.
    :param drawn: the stations whose drawings are wanted.
    :param at_bench: what is known of the book besides the job: what has been cut, and by which hand.
    :raises weald.core.errors.FoldError: when the section cannot be folded.
    """
    bench = _at_the_stations(spec, notation)
    added = add_extras(_made(bench, drawn))
    stocked = stock_pieces(spec, (*_pieces(bench), *added.pieces), notation)
    pieces = tuple(each.piece for each in stocked if min(each.piece.width, each.piece.height) > 0)
    book, order = _book(bench, pieces), NO_WORK
    casing_in = reckon_casing_in(book)
    drawings = [*_drawings(bench, stocked, pieces, section, drawn), *added.drawings]
    if "bench" in drawn:
        drawings += draw_bench(book)
        there = {each.id for each in drawings}
        order = order_of_work(book, there, left_handed=at_bench.left_handed)
        if order.operations:
            drawings.append(draw_order(order.operations, notation))
    shown = {each.drawing for each in order.operations}
    ledger, folded = bench.ledger, bench.folded
    sections = folded.folding.sections
    return Plan(
        title=spec.title,
        quantities=tuple(
            sorted(map(_no_less_than_nothing, ledger.quantities.values()), key=_in_catalogue_order)
        ),
        sections=sections,
        sheets=folded.folding.sheets,
        pieces=pieces,
        drawings=_as_measured(
            [each for each in drawings if each.station in drawn or each.id in shown], ledger
        ),
        findings=(
            *_findings(bench, stocked, pieces),
            *added.findings,
            *mind_cut(pieces, at_bench.cut, notation),
        ),
        folds=bench.steps,
        printing=bench.printing.words,
        grain_needed=folding_station.grain_words(folded.packet, folded.paper, notation),
        structure=facts_of(bench.structure, spec),
        cover_art=bench.art,
        looks=(
            *what_to_look_at(
                bench.structure, bench.block, bench.signatures if bench.block.sections else 0, ledger
            ),
            *(Look(remark.station, remark.text) for remark in added.remarks),
        ),
        cautions=tuple(
            Caution(station, record.caution + _CAUTION_TAIL)
            for station, record in STATIONS.items()
            if record.caution
        ),
        operations=order.operations,
        left_out=order.left_out,
        cut=at_bench.cut,
        casing_in=casing_in,
        shown_section=min(section, len(sections)),
        extras=extras_here(spec, bench.structure),
        asked=asked_of(bench.asking, ledger),
    )


def _at_the_stations(spec: JobSpec, notation: Notation) -> _Bench:
    """Reckon a job in the order of work, each station going on from what those before it found."""
    ledger = Ledger(measured=spec.measured, notation=notation)
    structure = structure_of(spec)
    treatment = structure.treatment(spec)
    folded = reckon_to_folding(spec, ledger)
    packet, paper, folding = folded.packet, folded.paper, folded.folding
    printing = printing_station.reckon(spec, packet, paper.grain, folding, ledger)
    untrimmed = (ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height"))
    press = set_up(spec, folded, printing.layout, untrimmed, notation)
    text_findings = tuple(printing_station.mind_text(spec, ledger))
    block = reckon_block(spec, structure, paper, folding, ledger)
    sewing = sewing_station.reckon(spec, treatment.method, block, ledger, structure.banded)
    bound = structure.bind(spec, block, sewing.holes, ledger)
    reckon_supports(spec, structure.attachment, block, sewing, ledger)
    finish = finish_station.reckon(spec, structure.lettered, structure.banded, ledger)
    spine = finish_station.draw_spine(spec, finish, ledger) if finish else None
    shown = structure.shows_print(spec)
    art = cover_art.reckon(spec, block, bound.profile, spine, ledger) if shown else None
    return _Bench(
        spec=spec,
        ledger=ledger,
        structure=structure,
        treatment=treatment,
        folded=folded,
        steps=press.steps,
        printing=printing,
        press=press,
        text_findings=text_findings,
        block=block,
        sewing=sewing,
        bound=bound,
        finish=finish,
        spine=spine,
        art=art,
        asking=asking_of(structure, spec),
    )


def _made(bench: _Bench, drawn: Collection[str]) -> Made:
    """The bound book, for what is added to it."""
    return Made(
        spec=bench.spec,
        ledger=bench.ledger,
        structure=bench.structure,
        treatment=bench.treatment,
        folded=bench.folded,
        block=bench.block,
        sewing=bench.sewing,
        bound=bench.bound,
        finish=bench.finish,
        art=bench.art,
        drawn=drawn,
        again=lambda patch: _at_the_stations(patched(bench.spec, patch), bench.ledger.notation).ledger,
    )


def _pieces(bench: _Bench) -> tuple[Piece, ...]:
    """Every piece to cut, in the order of work."""
    spec, ledger, structure, folded = bench.spec, bench.ledger, bench.structure, bench.folded
    return (
        *_text_sheets(bench),
        *endpaper_pieces(spec, bench.treatment, ledger),
        *bench.bound.pieces,
        *block_pieces(
            spec,
            bench.treatment,
            folded.paper,
            bench.block,
            bench.sewing,
            ledger,
            lined=structure.lined,
            hollow=structure.hollow,
        ),
        *finish_station.pieces(spec, bench.finish, ledger),
    )


def _book(bench: _Bench, pieces: tuple[Piece, ...]) -> Book:
    """What the bench has to know of it."""
    return Book(
        spec=bench.spec,
        structure=bench.structure,
        treatment=bench.treatment,
        ledger=bench.ledger,
        pieces=pieces,
        signatures=bench.signatures,
        sheets=len(bench.folded.folding.sheets),
        block=bench.block,
        sewing=bench.sewing,
    )


def _drawings(
    bench: _Bench,
    stocked: Sequence[StockedPiece],
    pieces: tuple[Piece, ...],
    section: int,
    drawn: Collection[str],
) -> Iterator[Drawing]:
    """What is drawn at the stations that are wanted; the bench shows some of all of them."""
    spec, ledger, notation = bench.spec, bench.ledger, bench.ledger.notation
    packet, text, paper, folding = (
        bench.folded.packet,
        bench.folded.text,
        bench.folded.paper,
        bench.folded.folding,
    )
    wanted = frozenset(drawn)
    if "text" in wanted:
        yield text_station.draw(spec, text, ledger)
    if "paper" in wanted:
        yield paper_station.draw(spec, packet, paper, ledger)
    if wanted & {"block", "bench"}:
        yield block_drawings.draw_front(spec, bench.block, bench.sewing, bench.structure.lined, ledger)
        yield block_drawings.draw_tail(bench.block, notation)
        yield block_drawings.draw_spine(spec, bench.block, bench.sewing, ledger)
    if wanted & {"sewing", "bench"}:
        yield from _guides(spec, bench.sewing, bench.block, ledger)
    yield from bench.bound.drawings
    if bench.art and "boards" in wanted:
        art = cover_art.draw_art(bench.art, ledger)
        yield from (art, cover_art.without_ground(art))
    if wanted & {"finish", "bench"}:
        yield from _lettering(spec, bench.finish, bench.spine, ledger)
    if wanted & {"pieces", "bench"}:
        yield draw_pieces(pieces, notation)
    if "pieces" in wanted and (askew := [each.askew for each in stocked if each.askew]):
        yield draw_askew(askew, notation)
    if "folding" in wanted:
        here = min(section, len(folding.sections))
        shown = bench.press.of(next(each for each in folding.sheets if each.section == here))
        yield folding_drawings.draw_section(
            shown.spec, shown.packet, shown.grain, shown.steps, folding, section, ledger
        )
        yield from _sewn_drawings(spec, shown.packet, paper, folding, section, ledger)
    if "printing" in wanted:
        yield draw_printed(bench.press, section, notation)


def _findings(bench: _Bench, stocked: Sequence[StockedPiece], pieces: tuple[Piece, ...]) -> Iterator[Finding]:
    """What is to be minded, in the order of work."""
    spec, ledger, structure = bench.spec, bench.ledger, bench.structure
    notation, block, sewing, art = ledger.notation, bench.block, bench.sewing, bench.art
    packet, paper, folding = bench.folded.packet, bench.folded.paper, bench.folded.folding
    yield from text_station.mind(spec, bench.folded.text, notation)
    yield from bench.text_findings
    yield from paper_station.mind(spec, packet, paper, ledger)
    yield from folding_station.mind(spec, packet, paper, folding, ledger)
    yield from printing_station.mind(spec, packet, folding, bench.printing, ledger)
    yield from sewing_station.mind(spec, sewing, block, ledger, rebound=structure.rebound)
    yield from sewing_station.mind_spreads(spec, sewing, bench.folded, ledger)
    yield from mind_block(spec, bench.treatment, block, ledger, laced=structure.attachment == "laced")
    yield from mind_choices(structure, spec, notation)
    yield from mind_suits(structure, spec, bench.signatures, block, ledger)
    yield from bench.bound.findings
    if art:
        yield from cover_art.mind(spec, art, ledger)
    yield from finish_station.mind(spec, bench.finish, ledger)
    yield from mind_colophon(bench.press)
    for each in stocked:
        yield from each.findings
    yield from mind_paper(spec, notation)
    yield from mind_unused(spec, pieces, notation)
    yield from _mind_leaf(spec, ledger)
    yield from mind_unusual(bench.asking, bool(sewing.holes) and sewing.method != "staples", ledger)
    yield from _doubted_measurements(ledger)
    yield from _unused_measurements(ledger)


def film_of_sewing(
    spec: JobSpec, notation: Notation = MILLIMETRES, *, left_handed: bool = False
) -> SewingFilm:
    """The sewing of a job, step by step; without steps where nothing is sewn."""
    ledger = Ledger(measured=spec.measured)
    structure = structure_of(spec)
    folded = reckon_to_folding(spec, ledger)
    block = reckon_block(spec, structure, folded.paper, folded.folding, ledger)
    sewing = sewing_station.reckon(spec, structure.treatment(spec).method, block, ledger, structure.banded)
    loose = structure.name == "link_stitch"
    sections = max(block.sections, 1)
    return sewing_film(sewing, block.height, sections, loose, notation, left_handed=left_handed)


def _sewn_drawings(
    spec: JobSpec,
    packet: FoldedPacket,
    paper: PaperPlan,
    folding: FoldingPlan,
    section: int,
    ledger: Ledger,
) -> list[Drawing]:
    """What there is to see only where there are folds to sew through."""
    if not folding.sewn:
        return []
    return [
        folding_drawings.draw_nest(packet, paper, folding, section, spec, ledger),
        folding_drawings.draw_collation(spec, folding, ledger.notation),
    ]


_CATALOGUE_ORDER = {quantity_id: place for place, quantity_id in enumerate(QUANTITIES)}


def _no_less_than_nothing(quantity: Quantity) -> Quantity:
    """What comes out less than nothing, in a plan that is stopped, is shown as none."""
    if quantity.value >= 0:
        return quantity
    return replace(quantity, value=0.0, shown=NO_ROOM, computed_shown=NO_ROOM, sum="")


def _in_catalogue_order(quantity: Quantity) -> int:
    return _CATALOGUE_ORDER[quantity.id]


def _unused_measurements(ledger: Ledger) -> list[Finding]:
    return [
        finding(
            "measured.unused",
            f"measured.{key}",
            ledger.notation,
            station=QUANTITIES[key].station,
            actions=(Action("Clear the measurement", {f"measured.{key}": None}),),
            label=ledger.say(QUANTITIES[key].label).lower(),
        )
        for key in ledger.measured
        if is_quantity(key) and (key not in ledger.quantities or not ledger.quantities[key].measurable)
    ]


def _mind_leaf(spec: JobSpec, ledger: Ledger) -> list[Finding]:
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


def _doubted_measurements(ledger: Ledger) -> list[Finding]:
    """Measurements so far from what was reckoned that one of the two is wrong."""
    return [
        finding(
            "measured.far",
            quantity.id,
            ledger.notation,
            station=quantity.station,
            label=quantity.label,
            measured=quantity.shown,
            computed=quantity.computed_shown,
        )
        for quantity in ledger.quantities.values()
        if quantity.measured is not None and is_doubted(quantity)
    ]


def _text_sheets(bench: _Bench) -> Iterator[Piece]:
    """The sheets of the text for all copies, and what gets spoilt; those of their own by kind."""
    spec, folded = bench.spec, bench.folded
    paper, made = folded.paper, folded.text.make_up
    if made.main_sheets:
        size = (paper.sheet_width, paper.sheet_height)
        piece = _sheet_piece(bench, TEXT_SHEET, "Text sheet", made.main_sheets, size, folded.packet, None)
        yield replace(piece, grain_right=paper.lay.grain_right if paper.lay else None)
    kinds: dict[tuple[str, int | None], int] = {}
    for own in made.own:
        if own is not None:
            kinds[own.programme, own.row] = kinds.get((own.programme, own.row), 0) + own.sheets
    formes = spec.extras.formes
    for number, ((programme, row), count) in enumerate(kinds.items(), start=1):
        own_press = bench.press.own[programme]
        entry = formes.sections[row] if formes and row is not None else None
        label = f"Text sheet, {entry.paper}" if entry and entry.paper else "Text sheet, smaller"
        layout = own_press.layout
        size = (layout.unfolded_width, layout.unfolded_height)
        thickness = entry.thickness if entry else None
        piece = _sheet_piece(bench, f"{TEXT_SHEET}_{number}", label, count, size, own_press.packet, thickness)
        grain = entry.grain if entry else "unsaid"
        yield piece if grain == "unsaid" else replace(piece, grain_right=grain == piece.grain)


def _sheet_piece(
    bench: _Bench,
    id: str,
    label: str,
    sheets: int,
    size: tuple[Mm, Mm],
    packet: FoldedPacket,
    thickness: Mm | None,
) -> Piece:
    """Sheets of one kind, unfolded.

    :param thickness: of a leaf; that of the text's paper where not given.
    """
    spec = bench.spec
    count = sheets * spec.copies
    piece = make_piece(
        bench.ledger,
        id,
        label,
        "paper",
        count,
        size,
        "unfolded, before trimming",
        thickness=bench.folded.paper.calliper if thickness is None else thickness,
        grain=packet.grain,
    )
    return replace(piece, spare=rounded_up(with_spoilage(count, spec.paper.spoilage) - count))


def _as_measured(drawings: Sequence[Drawing], ledger: Ledger) -> tuple[Drawing, ...]:
    """Drawings whose figures of measured sizes stand as they were measured, not as a ruler rounds them."""
    exact = {
        each.id: each.value
        for each in ledger.quantities.values()
        if each.measured is not None and QUANTITIES[each.id].kind == "length"
    }
    return tuple(_with_exact(each, exact, ledger.notation) if exact else each for each in drawings)


def _with_exact(drawing: Drawing, exact: Mapping[QuantityId, Mm], notation: Notation) -> Drawing:
    elements = list(drawing.elements)
    for place, element in enumerate(elements):
        if isinstance(element, Dimension):
            length = math.dist(element.start, element.end)
            for about in element.about.split():
                if is_quantity(about) and about in exact and abs(exact[about] - length) < TOLERANCE:
                    elements[place] = replace(element, text=notation.plain(exact[about]))
    return replace(drawing, elements=tuple(elements))


def _lettering(
    spec: JobSpec, finish: FinishPlan | None, spine: Drawing | None, ledger: Ledger
) -> list[Drawing]:
    """The spine, and the proof of its lettering."""
    if finish is None or spine is None:
        return []
    if finish.title is None:
        return [spine]
    return [spine, finish_station.draw_proof(spec, finish, finish.title, ledger)]


def _guides(spec: JobSpec, sewing: SewingPlan, block: BlockPlan, ledger: Ledger) -> list[Drawing]:
    """What stations are punched and sawn by; nothing where nothing is sewn."""
    if not sewing.holes or sewing.crowded:
        return []
    if sewing.stab is not None:
        return [sewing_station.draw_stab(sewing.stab, block, ledger)]
    guides = [sewing_station.draw_strip(spec.leaf.trim, sewing, block, ledger.notation)]
    if block.sections > 1:
        guides.append(sewing_station.draw_saw_guide(spec.leaf.trim, sewing, block, ledger.notation))
    return guides
