"""What is measured at the bench: whether it can be so, and what it changes among the pieces."""

from collections.abc import Iterable, Mapping, Sequence

from weald.core.bench.cut import size_words
from weald.core.book.at_bench import SAME, CutPiece
from weald.core.errors import WealdError
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.quantities import QuantityId
from weald.core.reckoning import Quantity, is_doubted, taken_early
from weald.core.units import MM_PER_INCH, Mm

MOST_TOLD = 6
_TAKEN_FOR: tuple[tuple[float, str], ...] = (
    (10.0, "Was it read in centimetres?"),
    (MM_PER_INCH, "Was it read in inches?"),
    (0.1, "Was a decimal point left out?"),
    (1 / MM_PER_INCH, "Was it read in millimetres?"),
)
_NEAR = 0.06
"""A measurement read in another unit comes within this part of what is expected."""


class OddMeasurementError(WealdError):
    """A measurement far from what is reckoned; it may be insisted on."""


_RULER_OFF = 0.02
"""What a ruler would read further off than this part of it is said as it was reckoned."""


def expected_words(expected: Mm, notation: Notation) -> str:
    """A size to be measured: as a ruler reads it where that is near enough to compare with, else finer."""
    if _reads_near(expected, notation):
        return notation.length(expected, with_unit=True)
    return notation.thickness(expected, with_unit=True)


def expected_of(quantity: Quantity, notation: Notation) -> str:
    """The same of a size that was reckoned, which is written already."""
    if _reads_near(quantity.computed, notation):
        return quantity.computed_shown
    return notation.thickness(quantity.computed, with_unit=True)


def _reads_near(expected: Mm, notation: Notation) -> bool:
    return abs(notation.stepped(expected, 0) - expected) <= _RULER_OFF * abs(expected)


def mind_measurement(
    quantity: Quantity, quantities: Mapping[QuantityId, Quantity], notation: Notation
) -> None:
    """Ask about a measurement made too early, or so far off that it, or its unit, is doubted.

    :param quantity: as it stands with the measurement, among all ``quantities`` of the book.
    :raises OddMeasurementError: with what it may have been taken for.
    """
    if quantity.measured is None:
        return
    if before := taken_early(quantity, quantities):
        raise OddMeasurementError(
            f"{quantity.label}, {quantity.state}: {notation.limit(quantity.measured)} is what it measures "
            f"{before.state}; {quantity.computed_shown} is expected. Measure it again when it is "
            f"{quantity.state}, or say that it is so."
        )
    if not is_doubted(quantity):
        return
    expected, found = quantity.computed, quantity.measured
    shown = expected_of(quantity, notation)
    words = f"{quantity.label}: {notation.limit(found)}, where {shown} is expected."
    for factor, question in _TAKEN_FOR:
        if expected > 0 and abs(found * factor - expected) <= _NEAR * expected:
            meant = notation.limit(found * factor)
            raise OddMeasurementError(f"{words} {question} That would be {meant}.")
    raise OddMeasurementError(f"{words} Measure once more, or say that it is so.")


def what_follows(
    before: Sequence[Piece], after: Sequence[Piece], cut: Iterable[CutPiece], notation: Notation
) -> tuple[str, ...]:
    """What a measurement changes: each piece with its old and new size, and whether it is cut already."""
    old = {piece.id: piece for piece in before}
    there = {each.piece: each for each in cut}
    said = []
    for piece in after:
        was = old.get(piece.id)
        if was is None or not _resized(was, piece):
            continue
        known = there.get(piece.id)
        before_words = size_words(was.cut_width, was.cut_height, notation)
        size = f"{before_words} → {size_words(piece.cut_width, piece.cut_height, notation)}"
        if known is None:
            said.append(f"{piece.label}: {size}; not cut yet.")
        else:
            cut_to = size_words(known.width, known.height, notation)
            now = size_words(piece.cut_width, piece.cut_height, notation)
            said.append(f"{piece.label} is cut already: {cut_to}, now {now}.")
    if len(said) > MOST_TOLD:
        said = [*said[:MOST_TOLD], f"And {len(said) - MOST_TOLD} more pieces."]
    return tuple(said)


def _resized(was: Piece, now: Piece) -> bool:
    return abs(was.cut_width - now.cut_width) > SAME or abs(was.cut_height - now.cut_height) > SAME
