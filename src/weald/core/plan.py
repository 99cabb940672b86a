"""The one function everything on screen and on paper comes from.

``plan`` is pure and cheap enough for every keystroke; the plan is never stored as truth.
"""

import math
from collections.abc import Collection, Mapping
from dataclasses import dataclass

from weald.core.bindings import flat_case
from weald.core.bindings.protocol import Structure
from weald.core.drawing import Drawing
from weald.core.findings import Action, Finding, finding
from weald.core.fold_steps import FoldStep
from weald.core.folding import FoldedPacket, fold_packet
from weald.core.imposition import Section, Sheet
from weald.core.pieces import Piece, draw_pieces
from weald.core.press import Press, folds_of
from weald.core.press_drawings import draw_printed
from weald.core.reckoning import QUANTITIES, STATIONS, Ledger, Quantity, Station
from weald.core.spec import JobSpec
from weald.core.stations import block as block_station
from weald.core.stations import folding as folding_station
from weald.core.stations import folding_drawings
from weald.core.stations import paper as paper_station
from weald.core.stations import printing as printing_station
from weald.core.stations import text as text_station
from weald.core.stations.cutting import TEXT_SHEET, mind_paper, mind_unused, stock_pieces
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan
from weald.core.units import MILLIMETRES, Notation

STRUCTURES: Mapping[str, Structure] = {"flat_case": flat_case.bind}

DRAWN = (*STATIONS, "pieces")
"""Everything that is drawn."""

_CAUTIONS: tuple[tuple[Station, str], ...] = (
    (
        "paper",
        "Knife and shears: a steel rule with a raised edge, the hand behind the blade, several light cuts. "
        "At a guillotine the guard and two-hand control stay on, and one person operates it.",
    ),
    (
        "block",
        "Needles and awls: pierce into a block, never towards the hand. Presses: mind fingers.",
    ),
    (
        "boards",
        "Cutting board: many light cuts along a steel rule, a cut-resistant glove on the holding hand, the "
        "blade covered when laid down; never scissors on board.",
    ),
)
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
    :param shown_section: the signature drawn at the folding station, from 1.
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
    cautions: tuple[Caution, ...]
    shown_section: int


def plan(
    spec: JobSpec,
    notation: Notation = MILLIMETRES,
    section: int = 1,
    drawn: Collection[str] = DRAWN,
) -> Plan:
    """Plan a job.

    :param notation: how lengths are written in sums and drawings.
    :param section: the signature to draw at the folding station, from 1.
    :param drawn: the stations whose drawings are wanted.
    :raises weald.core.errors.FoldError: when the section cannot be folded.
    """
    ledger = Ledger(measured=spec.measured, notation=notation)
    packet = fold_packet(spec.folding.programme)
    steps = folds_of(spec)
    leaf = paper_station.reckon_leaf(spec, ledger)
    text = text_station.reckon(spec, packet, ledger)
    paper = paper_station.reckon(spec, packet, text, leaf, ledger)
    folding = folding_station.reckon(spec, packet, text, paper, ledger)
    printing = printing_station.reckon(spec, packet, folding, ledger)
    press = Press(spec, packet, steps, folding.sections, folding.sheets, printing.layout, folding.step)
    text_findings = tuple(printing_station.mind_text(spec, ledger))
    block = block_station.reckon(spec, paper, folding, ledger)
    bound = STRUCTURES[spec.binding.structure](spec, block, ledger)

    pieces = (*_paper_pieces(spec, packet, paper, ledger), *bound.pieces)
    stocked = stock_pieces(spec, pieces, notation)
    pieces = tuple(each.piece for each in stocked)
    drawings: list[Drawing] = [
        text_station.draw(spec, text, ledger),
        paper_station.draw(spec, packet, paper, ledger),
        block_station.draw_front(block, ledger),
        block_station.draw_tail(block, ledger),
        *bound.drawings,
        draw_pieces(pieces, notation),
    ]
    if "folding" in drawn:
        drawings.append(folding_drawings.draw_section(spec, packet, steps, folding, section, ledger))
        drawings += _sewn_drawings(spec, packet, paper, folding, section, ledger)
    if "printing" in drawn:
        drawings.append(draw_printed(press, section, notation))
    findings = (
        *text_station.mind(spec, text),
        *text_findings,
        *paper_station.mind(spec, packet, paper, ledger),
        *folding_station.mind(spec, packet, paper, folding, ledger),
        *printing_station.mind(spec, packet, folding, printing, ledger),
        *block_station.mind(spec, block, ledger),
        *bound.findings,
        *(found for each in stocked for found in each.findings),
        *mind_paper(spec, notation),
        *mind_unused(spec, pieces),
        *_unused_measurements(ledger),
    )
    return Plan(
        title=spec.title,
        quantities=tuple(sorted(ledger.quantities.values(), key=_in_catalogue_order)),
        sections=folding.sections,
        sheets=folding.sheets,
        pieces=pieces,
        drawings=tuple(each for each in drawings if each.station in drawn),
        findings=findings,
        folds=steps,
        printing=printing.words,
        grain_needed=folding_station.grain_words(packet, paper, notation),
        cautions=tuple(Caution(station, text + _CAUTION_TAIL) for station, text in _CAUTIONS),
        shown_section=min(section, len(folding.sections)),
    )


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
        folding_drawings.draw_collation(spec, folding),
    ]


_CATALOGUE_ORDER = {quantity_id: place for place, quantity_id in enumerate(QUANTITIES)}


def _in_catalogue_order(quantity: Quantity) -> int:
    return _CATALOGUE_ORDER[quantity.id]


def _unused_measurements(ledger: Ledger) -> list[Finding]:
    return [
        finding(
            "measured.unused",
            f"measured.{key}",
            station=QUANTITIES[key].station,
            actions=(Action("Clear the measurement", {f"measured.{key}": None}),),
            label=QUANTITIES[key].label.lower(),
        )
        for key in ledger.measured
        if key not in ledger.quantities
    ]


def _paper_pieces(spec: JobSpec, packet: FoldedPacket, paper: PaperPlan, ledger: Ledger) -> list[Piece]:
    show = ledger.notation.length

    def shown(width: float, height: float) -> str:
        return f"{show(width, True)} × {show(height, True)}"

    pieces = [
        Piece(
            id=TEXT_SHEET,
            label="Text sheet",
            material="paper",
            count=round(ledger.value("sheets.count")) * spec.copies,
            spare=math.ceil(
                round(ledger.value("sheets.count")) * spec.copies * spec.paper.spoilage / 100 - 1e-9
            ),
            width=paper.sheet_width,
            height=paper.sheet_height,
            thickness=paper.calliper,
            grain=packet.grain,
            grain_right=paper.lay.grain_right if paper.lay else None,
            how="unfolded, before trimming",
            shown=shown(paper.sheet_width, paper.sheet_height),
        )
    ]
    if spec.endpapers.leaves:
        width = 2 * ledger.value("leaf.untrimmed_width")
        height = ledger.value("leaf.untrimmed_height")
        pieces.append(
            Piece(
                id="endpaper",
                label="Endpaper folio",
                material="endpaper",
                count=spec.endpapers.leaves * spec.copies,
                width=width,
                height=height,
                thickness=spec.endpapers.grammage * spec.endpapers.bulk / 1000,
                grain="height",
                how="folded once, tipped on; trimmed with the block",
                shown=shown(width, height),
            )
        )
    return pieces
