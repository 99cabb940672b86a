"""Pieces that have been cut: what is known of them, and what no longer fits the plan.

Everything is reckoned from what happened; a piece cut anew to another size takes the place of the old one.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from weald.core.book.at_bench import SAME, CutPiece
from weald.core.finding_words import FindingCode
from weald.core.findings import Finding, finding
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.units import Mm


@dataclass(frozen=True, slots=True)
class CutEvent:
    """Something that happened to pieces: ``more`` of them were cut, ``all`` are so now, or ``fewer``."""

    how: Literal["more", "all", "fewer"]
    piece: CutPiece


def as_cut(piece: Piece, count: int | None = None) -> CutPiece:
    """A piece of the plan as it is cut now; all of them where no count is given."""
    return CutPiece(
        piece.id,
        piece.label,
        piece.count if count is None else count,
        round(piece.cut_width, 3),
        round(piece.cut_height, 3),
        piece.grain,
    )


def cut_so_far(events: Iterable[CutEvent]) -> tuple[CutPiece, ...]:
    """What lies on the bench after all that happened, in the order in which it was first cut."""
    there: dict[str, CutPiece] = {}
    for event in events:
        new, known = event.piece, there.get(event.piece.piece)
        same = known is not None and known.as_large_as(new)
        if event.how == "fewer":
            if known is not None and same:
                there[new.piece] = replace(known, count=known.count - new.count)
        elif known is not None and same and event.how == "more":
            there[new.piece] = replace(new, count=known.count + new.count)
        else:
            there[new.piece] = new
    return tuple(each for each in there.values() if each.count > 0)


def _fits(piece: Piece, cut: CutPiece) -> bool:
    return as_cut(piece, cut.count).as_large_as(cut)


def still_fits(pieces: Iterable[Piece], cut: CutPiece) -> bool:
    """Whether a piece that is cut is one the plan still wants as it is."""
    return any(piece.id == cut.piece and _fits(piece, cut) for piece in pieces)


def still_to_cut(pieces: Iterable[Piece], cut: Iterable[CutPiece]) -> tuple[Piece, ...]:
    """The pieces of a plan that are not cut yet, each with how many of it are left to cut."""
    there = {each.piece: each for each in cut}
    left = []
    for piece in pieces:
        known = there.get(piece.id)
        have = known.count if known is not None and _fits(piece, known) else 0
        if have < piece.count:
            left.append(replace(piece, count=piece.count - have, spare=0 if have else piece.spare))
    return tuple(left)


def mind_cut(pieces: Sequence[Piece], cut: Iterable[CutPiece], notation: Notation) -> Iterator[Finding]:
    """A finding for every piece that was cut to other than what is wanted now."""
    wanted = {piece.id: piece for piece in pieces}
    for each in cut:
        piece = wanted.get(each.piece)
        if piece is None:
            yield finding(
                "cut.gone",
                f"piece.{each.piece}",
                notation,
                label=each.label,
                old=size_words(each.width, each.height, notation),
            )
        elif not _fits(piece, each):
            yield finding(
                _misfit(piece, each),
                f"piece.{each.piece}",
                notation,
                label=piece.label,
                old=size_words(each.width, each.height, notation),
                new=size_words(piece.cut_width, piece.cut_height, notation),
                off=_by_how_much(piece, each, notation),
            )


def _misfit(piece: Piece, cut: CutPiece) -> FindingCode:
    if piece.grain != cut.grain:
        return "cut.turned"
    narrower, lower = piece.cut_width - cut.width, piece.cut_height - cut.height
    if max(narrower, lower) > SAME:
        return "cut.smaller"
    return "cut.spine_larger" if piece.id == "spine_board" and lower >= -SAME else "cut.larger"


def size_words(width: Mm, height: Mm, notation: Notation) -> str:
    """A size as it is said of pieces: width by height."""
    return f"{notation.length(width)} × {notation.length(height, True)}"


def _by_how_much(piece: Piece, cut: CutPiece, notation: Notation) -> str:
    """What has to come off, or is wanting, in width and in height, from mark to mark of the ruler."""
    marked = notation.round_mm
    width = abs(marked(piece.cut_width) - marked(cut.width))
    height = abs(marked(piece.cut_height) - marked(cut.height))
    said = []
    if width > SAME:
        said.append(f"{notation.difference(width)} of the width")
    if height > SAME:
        said.append(f"{notation.difference(height)} of the height")
    return " and ".join(said)
