"""Things glued together out of boards: walls as boxes in space, and the pieces that make them."""

from dataclasses import dataclass

from weald.core.bindings.protocol import Structure
from weald.core.book.book import Book
from weald.core.drawing import Sketch, box
from weald.core.findings import Action, Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.units import Mm


@dataclass(frozen=True, slots=True)
class Inside:
    """The room inside: ``across`` the thickness of the book, ``tall`` its height, ``deep`` its width."""

    across: Mm
    tall: Mm
    deep: Mm


def has_closed_book(structure: Structure, spec: JobSpec) -> bool:
    """Whether the closed book has sizes that something can be made round."""
    return structure.boards and structure.lettered


def mind_thumb(book: Book, path: str, radius: Mm, most: Mm) -> tuple[Finding, ...]:
    """A thumb cut that leaves too little of the wall it is cut into.

    :param path: the entry that asks for it; ``most`` the largest radius that wall bears.
    """
    if radius <= most:
        return ()
    show, least = book.notation.length, book.notation.mark_below(most)
    actions = (Action("As large as goes", {path: round(least, 4)}),)
    return (
        finding(
            "case.thumb_large",
            path,
            book.notation,
            radius=show(radius, True),
            most=show(least, True),
            actions=actions,
        ),
    )


def drawn_board(
    sketch: Sketch, place: tuple[Mm, Mm], size: tuple[Mm, Mm], name: str, notation: Notation, *, upright: bool
) -> None:
    """One board with its grain, its name and its sizes; ``place`` is its top left corner."""
    left, top = place
    width, height = size
    shape = box(left, top, width, height)
    sketch.area(shape, "board", "cut")
    sketch.grain(shape, 90 if upright else 0)
    sketch.name(left, top, width, height, name, tallest=8.0)
    sketch.dimension((left, top), (left + width, top), notation.figure(width))
    sketch.dimension((left, top + height), (left, top), notation.figure(height))
