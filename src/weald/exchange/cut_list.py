"""The cut list on one page: every kind of piece drawn to be read, with size, grain and boxes to tick."""

from reportlab.platypus import Flowable, Spacer

from weald.core.notation import Notation, counted
from weald.core.pieces_drawn import draw_pieces
from weald.core.planning.plan import Plan
from weald.core.units import Mm
from weald.exchange.flowables import (
    BODY,
    SMALL,
    TITLE,
    DrawingFlowable,
    Lines,
    built,
    height_of,
    height_of_page,
    text,
    width_of,
)

_SAID = "Each is drawn as large as it can be read, not to one scale. The arrow runs with the grain."
_NOTHING = "There is nothing to cut."
_PENCIL: Mm = 34.0


def cut_list_pdf(plan: Plan, paper: str, notation: Notation) -> bytes:
    """The cut list. ``paper``: "a4" or "letter"."""
    width, height = width_of(paper), height_of_page(paper)
    count = sum(piece.count for piece in plan.pieces)
    said = f"{counted(count, 'piece')} of {counted(len(plan.pieces), 'kind')}. {_SAID}" if count else _NOTHING
    story: list[Flowable] = [text(plan.title, TITLE), text(said, BODY), Spacer(1, 8)]
    if plan.pieces:
        room = height - height_of(story, width) - _PENCIL
        drawing = draw_pieces(plan.pieces, notation, width / room, ticked=True)
        story.append(DrawingFlowable(drawing, width, room))
        finished = [f"{each.label}: {each.finished}." for each in plan.pieces if each.finished]
        if finished:
            story.append(text(" ".join(finished), SMALL))
    story.append(Lines(width, max(height - height_of(story, width) - 2, 0.0), "Notes"))
    return built(story, paper, f"{plan.title}: cut list", f"{plan.title}: cut list")
