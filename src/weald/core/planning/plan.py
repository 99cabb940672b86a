"""The one function everything on screen and on paper comes from.

``plan`` is pure and cheap enough for every keystroke; the plan is never stored as truth.
"""

from collections.abc import Collection
from dataclasses import dataclass, replace

from weald.core.bench.order_drawing import draw_order
from weald.core.bench.order_of_work import find_order, mind_order, order_of_work
from weald.core.bench.pictures.gather import pictures_of
from weald.core.bindings.asking import asking_of
from weald.core.bindings.catalogue import structure_of
from weald.core.bindings.facts import StructureFacts, facts_of
from weald.core.block.film import SewingFilm, sewing_film
from weald.core.book.at_bench import NOTHING_YET, AtBench, CutPiece
from weald.core.book.book import Book
from weald.core.book.operation import NO_WORK, CasingIn, LeftOut, Operation
from weald.core.book.walk import walk
from weald.core.covers.art import CoverArt
from weald.core.drawing import Drawing
from weald.core.extras.catalogue import ExtrasHere, extras_here
from weald.core.findings import Finding, Patch
from weald.core.folding.imposition import Section, Sheet
from weald.core.folding.steps import FoldStep
from weald.core.job.lying import Facts
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.pieces import Piece
from weald.core.planning.asked import AskedFor, asked_of
from weald.core.planning.leading import Lead, leading
from weald.core.planning.looking import Look, what_to_look_at
from weald.core.planning.lying import FactHere, facts_here, settled
from weald.core.planning.measurements import figures_told
from weald.core.planning.stops import STOPS, TO_THE_BOUND
from weald.core.quantities import QUANTITIES
from weald.core.reckoning import Ledger, Quantity
from weald.core.station import STATIONS, Station
from weald.core.stations.folding import grain_words

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
    :param there: what is so when work begins, and is not done again; ``lying`` all that may be, in words.
    :param settled: the stations whose work is done so.
    :param shown_section: the signature drawn at the folding station, from 1.
    :param extras: what is added to the structure, and what else could be.
    :param asked: which entries the job asks for.
    :param leads: what one comes to each station for.
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
    there: Facts
    lying: tuple[FactHere, ...]
    settled: tuple[Station, ...]
    cut: tuple[CutPiece, ...]
    casing_in: CasingIn | None
    shown_section: int
    extras: ExtrasHere
    asked: AskedFor
    leads: tuple[Lead, ...]


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
    book = walk(_begun(spec, notation, section, drawn, at_bench), STOPS)
    drawings = [drawing for stop in STOPS for drawing in stop.draws(book)]
    there = book.there
    done = settled(there)
    findings = [found for stop in STOPS if stop.station not in done for found in stop.minds(book)]
    steps = find_order(book)
    findings += mind_order(book, steps)
    book.order = NO_WORK
    if "bench" in drawn:
        drawn_ids = {each.id for each in drawings}
        book.order = order_of_work(book, steps, drawn_ids, left_handed=at_bench.left_handed)
        if book.order.operations:
            drawings.append(draw_order(book.order.operations, notation))
    shown = {each.drawing for each in book.order.operations}
    ledger, folded = book.ledger, book.folded
    sections = folded.folding.sections
    return Plan(
        title=spec.title,
        quantities=tuple(
            sorted(map(_no_less_than_nothing, ledger.quantities.values()), key=_in_catalogue_order)
        ),
        sections=sections,
        sheets=folded.folding.sheets,
        pieces=book.pieces,
        drawings=figures_told(
            [each for each in drawings if each.station in drawn or each.id in shown], spec, ledger
        ),
        findings=tuple(findings),
        folds=book.press.steps,
        printing=book.printing.words,
        grain_needed=grain_words(folded.packet, folded.paper, notation),
        structure=facts_of(book.structure, spec),
        cover_art=book.art,
        looks=(
            *(look for look in what_to_look_at(book) if look.station not in done),
            *(Look(remark.station, remark.text) for remark in book.added.remarks),
        ),
        cautions=tuple(
            Caution(station, record.caution + _CAUTION_TAIL)
            for station, record in STATIONS.items()
            if record.caution
        ),
        operations=book.order.operations,
        left_out=book.order.left_out,
        there=there,
        settled=tuple(station for station in STATIONS if station in done),
        lying=facts_here(there, spec.bench.facts, notation),
        cut=at_bench.cut,
        casing_in=book.casing_in,
        shown_section=min(section, len(sections)),
        extras=extras_here(spec, book.structure),
        asked=asked_of(asking_of(book.structure, spec), ledger),
        leads=tuple(leading(book)),
    )


def _begun(
    spec: JobSpec,
    notation: Notation,
    section: int = 1,
    drawn: Collection[str] = (),
    at_bench: AtBench = NOTHING_YET,
) -> Book:
    """A book of which nothing is worked out yet."""
    structure = structure_of(spec)

    def again(patch: Patch) -> Book:
        return walk(_begun(patched(spec, patch), notation), TO_THE_BOUND)

    return Book(
        spec=spec,
        structure=structure,
        ledger=Ledger(measured=spec.measured, notation=notation),
        treatment=structure.treatment(spec),
        again=again,
        drawn=frozenset(drawn),
        section=section,
        at_bench=at_bench,
    )


def film_of_sewing(
    spec: JobSpec, notation: Notation = MILLIMETRES, *, left_handed: bool = False
) -> SewingFilm:
    """The sewing of a job, step by step; without steps where nothing is sewn."""
    book = walk(_begun(spec, notation), TO_THE_BOUND)
    sections = max(book.block.sections, 1)
    loose = book.structure.loose_boards
    return sewing_film(book.sewing, book.block.height, sections, loose, notation, left_handed=left_handed)


_CATALOGUE_ORDER = {quantity_id: place for place, quantity_id in enumerate(QUANTITIES)}


def _no_less_than_nothing(quantity: Quantity) -> Quantity:
    """What comes out less than nothing, in a plan that is stopped, is shown as none."""
    if quantity.value >= 0:
        return quantity
    return replace(quantity, value=0.0, shown=NO_ROOM, computed_shown=NO_ROOM, sum="")


def _in_catalogue_order(quantity: Quantity) -> int:
    return _CATALOGUE_ORDER[quantity.id]


def pictures(
    spec: JobSpec, notation: Notation = MILLIMETRES, at_bench: AtBench = NOTHING_YET
) -> dict[str, tuple[Drawing, ...]]:
    """What the hands do in each operation of a job, frame by frame, by the operation's id."""
    book = walk(_begun(spec, notation, at_bench=at_bench), STOPS)
    return pictures_of(book, find_order(book).steps)
