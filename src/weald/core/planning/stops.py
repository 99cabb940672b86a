"""The stops of the walk, in their order: what each station reads, reckons, draws and minds.

A station's sums, drawings and findings are in ``core/stations``, ``core/bindings`` and ``core/covers``; here
is only what it is given of the book.
"""

from collections.abc import Iterator
from itertools import chain
from typing import get_args

from weald.core.bench.casing_in import reckon_casing_in
from weald.core.bench.cut import mind_cut
from weald.core.bench.drawings import draw_bench
from weald.core.bench.precedence import pieces_there
from weald.core.bench.steps import STEPS
from weald.core.bindings.choosing import reckon_block
from weald.core.bindings.suits import mind_choices, mind_suits
from weald.core.bindings.supports import reckon_supports
from weald.core.book.book import Book
from weald.core.book.walk import Group, Part, Stop
from weald.core.covers import art as cover_art
from weald.core.cutting.askew import draw_askew
from weald.core.drawing import Drawing
from weald.core.extras.catalogue import add_extras
from weald.core.findings import Finding
from weald.core.pieces_drawn import draw_pieces
from weald.core.planning.cut_list import cut_list
from weald.core.planning.doubts import mind_unusual
from weald.core.planning.measurements import doubted_measurements, unused_measurements
from weald.core.press.colophon import mind_colophon
from weald.core.press.drawings import draw_printed
from weald.core.press.press import set_up
from weald.core.stations import block_drawings, folding_drawings
from weald.core.stations import finish as finish_station
from weald.core.stations import folding as folding_station
from weald.core.stations import paper as paper_station
from weald.core.stations import printing as printing_station
from weald.core.stations import sewing as sewing_station
from weald.core.stations import text as text_station
from weald.core.stations.block_findings import mind_block
from weald.core.stations.cutting import mind_paper, mind_unused, stock_pieces
from weald.core.stations.folded import reckon_to_folding
from weald.core.stations.standing import STANDING, draw_standing


def _fold(book: Book) -> None:
    book.folded = reckon_to_folding(book.spec, book.ledger)
    printing_station.reckon_scale(book.spec, book.ledger)


def _draw_text(book: Book) -> Iterator[Drawing]:
    if "text" in book.drawn:
        yield text_station.draw(book.spec, book.folded.text, book.ledger)


def _mind_text(book: Book) -> Iterator[Finding]:
    yield from text_station.mind(book.spec, book.folded.text, book.notation)
    yield from printing_station.mind_text(book.spec, book.ledger)
    yield from text_station.mind_leaf(book.spec, book.ledger)


def _draw_paper(book: Book) -> Iterator[Drawing]:
    if "paper" in book.drawn:
        yield paper_station.draw(book.spec, book.folded.packet, book.folded.paper, book.ledger)


def _mind_paper(book: Book) -> Iterator[Finding]:
    yield from paper_station.mind(book.spec, book.folded.packet, book.folded.paper, book.ledger)


def _draw_folding(book: Book) -> Iterator[Drawing]:
    if "folding" not in book.drawn:
        return
    folding, section = book.folded.folding, book.section
    here = min(section, len(folding.sections))
    shown = book.press.of(next(each for each in folding.sheets if each.section == here))
    yield folding_drawings.draw_section(
        shown.spec, shown.packet, shown.grain, shown.steps, folding, section, book.ledger
    )
    if folding.sewn:
        paper = book.folded.paper
        yield folding_drawings.draw_nest(shown.packet, paper, folding, section, book.spec, book.ledger)
        yield folding_drawings.draw_collation(book.spec, folding, book.notation)


def _mind_folding(book: Book) -> Iterator[Finding]:
    folded = book.folded
    yield from folding_station.mind(book.spec, folded.packet, folded.paper, folded.folding, book.ledger)


def _print(book: Book) -> None:
    spec, ledger, folded = book.spec, book.ledger, book.folded
    book.printing = printing_station.reckon(spec, folded.packet, folded.paper.grain, folded.folding, ledger)
    untrimmed = (folded.text.untrimmed_width, folded.text.untrimmed_height)
    book.press = set_up(spec, folded, book.printing.layout, untrimmed, book.notation)


def _draw_printing(book: Book) -> Iterator[Drawing]:
    if "printing" in book.drawn:
        yield draw_printed(book.press, book.section, book.notation)


def _mind_printing(book: Book) -> Iterator[Finding]:
    folded = book.folded
    yield from printing_station.mind(book.spec, folded.packet, folded.folding, book.printing, book.ledger)


def _block(book: Book) -> None:
    folded = book.folded
    book.block = reckon_block(book.spec, book.structure, folded.paper, folded.folding, book.ledger)


def _draw_block(book: Book) -> Iterator[Drawing]:
    if book.drawn & {"block", "bench"}:
        spec, block, ledger = book.spec, book.block, book.ledger
        yield block_drawings.draw_front(spec, block, book.sewing, book.structure.lined, ledger)
        yield block_drawings.draw_tail(block, book.notation)
        yield block_drawings.draw_spine(spec, block, book.sewing, ledger)


def _mind_block(book: Book) -> Iterator[Finding]:
    laced = book.structure.attachment == "laced"
    yield from mind_block(book.spec, book.treatment, book.block, book.ledger, laced=laced)


def _sew(book: Book) -> None:
    method, banded = book.treatment.method, book.structure.banded
    book.sewing = sewing_station.reckon(book.spec, method, book.block, book.ledger, banded)


def _draw_sewing(book: Book) -> Iterator[Drawing]:
    """What stations are punched and sawn by; nothing where nothing is sewn."""
    sewing, block, trim = book.sewing, book.block, book.spec.leaf.trim
    if not book.drawn & {"sewing", "bench"} or not sewing.holes or sewing.crowded:
        return
    if sewing.stab is not None:
        yield sewing_station.draw_stab(sewing.stab, block, book.ledger)
        return
    yield sewing_station.draw_strip(trim, sewing, block, book.notation)
    if block.sections > 1:
        yield sewing_station.draw_saw_guide(trim, sewing, block, book.notation)


def _mind_sewing(book: Book) -> Iterator[Finding]:
    spec, ledger = book.spec, book.ledger
    yield from sewing_station.mind(spec, book.sewing, book.block, ledger, rebound=book.structure.rebound)
    yield from sewing_station.mind_spreads(spec, book.sewing, book.folded, ledger)


def _bind(book: Book) -> None:
    spec, structure, block, ledger = book.spec, book.structure, book.block, book.ledger
    book.bound = structure.bind(spec, block, book.sewing.holes, ledger)
    reckon_supports(spec, structure.attachment, block, book.sewing, book.bound.sizes, ledger)


def _draw_bound(book: Book) -> Iterator[Drawing]:
    yield from book.bound.drawings


def _mind_bound(book: Book) -> Iterator[Finding]:
    yield from mind_choices(book.structure, book.spec, book.notation)
    yield from mind_suits(book.structure, book.spec, book.signatures, book.block, book.ledger)
    yield from book.bound.findings


def _finish(book: Book) -> None:
    structure, ledger = book.structure, book.ledger
    book.finish = finish_station.reckon(
        book.spec, structure.lettered, structure.banded, book.bound.sizes, ledger
    )
    book.spine = finish_station.draw_spine(book.spec, book.finish, ledger) if book.finish else None


def _draw_finish(book: Book) -> Iterator[Drawing]:
    """The spine, and the proof of its lettering; and the book as it will stand."""
    if STANDING in book.drawn:
        block = (book.block.width, book.block.height, book.block.spine)
        yield draw_standing(book.spec, book.bound.sizes, book.spine, block, book.ledger)
    if not book.drawn & {"finish", "bench"} or book.finish is None or book.spine is None:
        return
    yield book.spine
    if book.finish.title is not None:
        yield finish_station.draw_proof(book.spec, book.finish, book.finish.title, book.ledger)


def _mind_finish(book: Book) -> Iterator[Finding]:
    yield from finish_station.mind(book.spec, book.finish, book.ledger)
    yield from mind_colophon(book.press)


def _cover(book: Book) -> None:
    shown, bound = book.structure.shows_print(book.spec), book.bound
    book.art = (
        cover_art.reckon(book.spec, book.block, bound.sizes, bound.profile, book.spine, book.ledger)
        if shown
        else None
    )


def _draw_cover(book: Book) -> Iterator[Drawing]:
    if book.art and "boards" in book.drawn:
        art = cover_art.draw_art(book.art, book.ledger)
        yield from (art, cover_art.without_ground(art))


def _mind_cover(book: Book) -> Iterator[Finding]:
    if book.art:
        yield from cover_art.mind(book.spec, book.art, book.spine is not None, book.ledger)


def _add(book: Book) -> None:
    book.added = add_extras(book)


def _draw_added(book: Book) -> Iterator[Drawing]:
    yield from book.added.drawings


def _mind_added(book: Book) -> Iterator[Finding]:
    yield from book.added.findings


def _cut(book: Book) -> None:
    lying = pieces_there(STEPS.values(), book.there)
    wanted = [piece for piece in cut_list(book) if piece.id not in lying]
    book.stocked = tuple(stock_pieces(book.spec, wanted, book.notation))
    cut = (each.piece for each in book.stocked)
    book.pieces = tuple(piece for piece in cut if min(piece.width, piece.height) > 0)


def _draw_pieces(book: Book) -> Iterator[Drawing]:
    if book.pieces and book.drawn & {"pieces", "bench"}:
        yield draw_pieces(book.pieces, book.notation)
    if "pieces" in book.drawn and (askew := [each.askew for each in book.stocked if each.askew]):
        yield draw_askew(askew, book.notation)


def _mind_pieces(book: Book) -> Iterator[Finding]:
    yield from chain.from_iterable(each.findings for each in book.stocked)
    yield from mind_paper(book.spec, book.notation)
    yield from mind_unused(book.spec, book.pieces, book.notation)
    yield from mind_cut(book.pieces, book.at_bench.cut, book.notation)


def _case_in(book: Book) -> None:
    book.casing_in = reckon_casing_in(book)


def _draw_bench(book: Book) -> Iterator[Drawing]:
    if "bench" in book.drawn:
        yield from draw_bench(book)


def _mind_entries(book: Book) -> Iterator[Finding]:
    """Entries and measurements that can hardly be meant, whichever station they belong to."""
    yield from mind_unusual(book)
    yield from doubted_measurements(book.ledger)
    yield from unused_measurements(book.ledger)


EVERY_GROUP: tuple[Group, ...] = get_args(Group)
TO_THE_BOUND: tuple[Stop, ...] = (
    Stop(
        "text",
        ("copies", "text", "leaf", "paper", "folding", "extras"),
        writes=("folded",),
        reckons=_fold,
        draws=_draw_text,
        minds=_mind_text,
    ),
    Stop("paper", draws=_draw_paper, minds=_mind_paper),
    Stop("folding", draws=_draw_folding, minds=_mind_folding),
    # the printed sheet is drawn, imposed and read back by the job it keeps
    Stop("printing", EVERY_GROUP, ("folded",), ("printing", "press"), _print, _draw_printing, _mind_printing),
    Stop(
        "block",
        ("leaf", "sewing", "back", "endpapers", "block", "binding", "extras"),
        ("folded",),
        ("block",),
        _block,
        _draw_block,
        _mind_block,
    ),
    Stop(
        "sewing",
        ("sewing", "back", "binding", "extras"),
        ("block",),
        ("sewing",),
        _sew,
        _draw_sewing,
        _mind_sewing,
    ),
    Stop(
        "boards",
        ("copies", "leaf", "sewing", "endpapers", "block", "binding", "bench", "extras", "stock"),
        ("folded", "block", "sewing"),
        ("bound",),
        _bind,
        _draw_bound,
        _mind_bound,
    ),
    Stop(
        "finish",
        ("title", "sewing", "binding", "finish", "extras"),
        ("block", "bound"),
        ("finish", "spine"),
        _finish,
        _draw_finish,
        _mind_finish,
    ),
    Stop(
        "boards",
        ("binding", "finish", "artwork", "extras"),
        ("block", "bound", "spine"),
        ("art",),
        _cover,
        _draw_cover,
        _mind_cover,
    ),
)
"""As far as the structure goes."""
EVERY_PART: tuple[Part, ...] = (
    "folded",
    "printing",
    "press",
    "block",
    "sewing",
    "bound",
    "finish",
    "spine",
    "art",
)
STOPS: tuple[Stop, ...] = (
    *TO_THE_BOUND,
    Stop("boards", EVERY_GROUP, EVERY_PART, ("closed", "added"), _add, _draw_added, _mind_added, ("drawn",)),
    Stop(
        "cutting",
        ("copies", "paper", "sewing", "endpapers", "block", "binding", "finish", "bench", "extras", "stock"),
        (*EVERY_PART, "closed", "added"),
        ("stocked", "pieces"),
        _cut,
        _draw_pieces,
        _mind_pieces,
    ),
    Stop(
        "bench",
        ("endpapers", "sewing", "block", "bench"),
        (*EVERY_PART, "closed", "pieces"),
        ("casing_in",),
        _case_in,
        _draw_bench,
        _mind_entries,
    ),
)
"""All of them: what is added, what is cut, and the bench last."""
