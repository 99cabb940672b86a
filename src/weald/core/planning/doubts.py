"""Entries that are possible and yet hardly meant: each is doubted, with what is usual.

An entry is doubted by itself, or against what it lies on. Nothing is refused here; what cannot be at all
is refused when a job is read.
"""

from collections.abc import Iterator

from pydantic.fields import FieldInfo

from weald.core.bindings.asking import asking_of
from weald.core.book.book import Book
from weald.core.findings import Finding, finding
from weald.core.job.asked import in_forms
from weald.core.job.asking import Asking
from weald.core.job.entries import is_length
from weald.core.job.entry import Usual
from weald.core.job.forms import FORMS
from weald.core.job.patching import value_at
from weald.core.notation import plain_number
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger
from weald.core.units import TOLERANCE, Mm


def mind_unusual(book: Book) -> list[Finding]:
    """Entries far from what is usual, as far as the binding asks for them."""
    sewn = bool(book.sewing.holes) and book.sewing.method != "staples"
    return [*_mind_alone(asking_of(book.structure, book.spec), sewn, book.ledger), *_mind_together(book)]


def _mind_alone(asking: Asking, sewn: bool, ledger: Ledger) -> Iterator[Finding]:
    """
    :param sewn: whether anything is sewn with thread.
    """
    for path, info, entry in in_forms():
        if entry.usual is None or entry.form is None or not entry.asked(asking):
            continue
        station, value = FORMS[entry.form].at[0].station, value_at(asking.spec, path)
        if (station == "sewing" and not sewn) or not isinstance(value, int | float):
            continue
        if entry.usual.least - TOLERANCE <= value <= entry.usual.most + TOLERANCE:
            continue
        yield finding(
            "entry.unusual",
            path,
            ledger.notation,
            station=station,
            label=entry.usual.said,
            value=_shown(info, entry.usual, float(value), ledger),
            least=_shown(info, entry.usual, entry.usual.least, ledger),
            most=_shown(info, entry.usual, entry.usual.most, ledger),
        )


def _shown(info: FieldInfo, usual: Usual, value: float, ledger: Ledger) -> str:
    if is_length(info):
        return ledger.notation.limit(value)
    return plain_number(value, 2) + (f" {usual.unit}" if usual.unit else "")


def _mind_together(book: Book) -> Iterator[Finding]:
    """Pieces that reach further than what they lie on."""
    boards, ledger = book.bound.sizes.boards, book.ledger
    if boards is None:
        return
    board, binding = boards.front[0], book.spec.binding
    laid: tuple[tuple[Mm, QuantityId, str, bool], ...] = (
        (binding.turn_in, "turn_in.inside", "A turn-in", book.bound.sizes.inset is not None),
        (book.spec.block.mull_overlap, "mull.width", "Mull", book.mulled),
        (binding.overlap, "strip.width", "The joining strip", book.has("joining_strip")),
        (binding.tape_reach, "sewing.support_length", "A support", book.on_supports),
    )
    for reach, about, label, there in laid:
        if there and reach > board - TOLERANCE:
            reaches, wide = ledger.notation.compared(reach, max(0.0, board))
            yield finding(
                "piece.beyond",
                about,
                ledger.notation,
                label=label,
                reach=reaches,
                board=wide,
            )
    for hole in book.bound.sizes.lacing:
        if ledger.value(hole) > board - TOLERANCE:
            place, wide = ledger.notation.compared(ledger.value(hole), max(0.0, board))
            yield finding(
                "hole.beyond",
                hole,
                ledger.notation,
                label=ledger.quantities[hole].label,
                place=place,
                board=wide,
            )
