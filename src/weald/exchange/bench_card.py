"""The bench card: sizes, order of work, boxes to tick, for a bench without a screen; one page if it fits."""

from collections.abc import Iterator

from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.platypus import Flowable, KeepTogether, Spacer

from weald.core.book.operation import Operation
from weald.core.planning.plan import Plan
from weald.exchange.flowables import BODY, HEADING, SMALL, TITLE, built, table, text

_TICK = "[  ]"
_LINE = "_______"
_TIGHT = ParagraphStyle("tight", parent=BODY, fontSize=7.4, leading=8.6)
_TIGHT_SMALL = ParagraphStyle("tight small", parent=SMALL, fontSize=6.4, leading=7.6)
_TIGHT_HEADING = ParagraphStyle("tight heading", parent=HEADING, fontSize=10, leading=12, spaceBefore=4)


def bench_card_pdf(plan: Plan, paper: str, facts: tuple[tuple[str, str], ...]) -> bytes:
    """The bench card.

    :param paper: "a4" or "letter".
    :param facts: what the binder chose, as (label, text).
    """
    story = [*_head(plan, facts), *_pieces(plan), *_order(plan), *_casing_in(plan)]
    return built(story, paper, f"{plan.title}: bench card", f"{plan.title}: bench card")


def _head(plan: Plan, facts: tuple[tuple[str, str], ...]) -> Iterator[Flowable]:
    title = ParagraphStyle("card title", parent=TITLE, fontSize=14, leading=17)
    yield text(plan.title, title)
    yield text(". ".join(f"{label}: {words}" for label, words in facts), _TIGHT_SMALL)


def _pieces(plan: Plan) -> Iterator[Flowable]:
    rows: list[list[Flowable | str]] = [["", "Piece", "", "Width × height", "Grain"]]
    for piece in plan.pieces:
        grain = {"height": "along height", "width": "along width", "any": "either"}[piece.grain]
        rows.append(
            [
                _TICK,
                text(piece.label, _TIGHT),
                str(piece.count),
                text(f"{piece.shown}, {piece.finished}" if piece.finished else piece.shown, _TIGHT),
                text(grain, _TIGHT),
            ]
        )
    yield text("Pieces", _TIGHT_HEADING)
    yield table(_tight(rows), [8, 60, 12, 55, 38])


def _tight(rows: list[list[Flowable | str]]) -> list[list[Flowable | str]]:
    return [[text(cell, _TIGHT) if isinstance(cell, str) else cell for cell in row] for row in rows]


def _order(plan: Plan) -> Iterator[Flowable]:
    rows: list[list[Flowable | str]] = [["", "Do", "Takes", "Then wait", "Measure: expected, found"]]
    last = {asked.quantity: each.id for each in plan.operations for asked in each.measures}
    for number, each in enumerate(plan.operations, 1):
        # what is measured more than once is written down where it counts, at the last of them
        wanted = [asked for asked in each.measures if last[asked.quantity] == each.id]
        wait = f"{each.wait.words}, {each.wait.lasts}" if each.wait else ""
        rows.append(
            [
                _TICK,
                text(f"{number}. {each.title}{_whole(each)}", _TIGHT),
                each.lasts,
                text(wait, _TIGHT_SMALL),
                text(
                    "; ".join(f"{asked.label} {asked.expected} {_LINE}" for asked in wanted),
                    _TIGHT_SMALL,
                ),
            ]
        )
    yield text("Order of work", _TIGHT_HEADING)
    yield table(_tight(rows), [8, 56, 14, 33, 62])


def _whole(operation: Operation) -> str:
    return " (not to be interrupted)" if operation.whole else ""


def _casing_in(plan: Plan) -> Iterator[Flowable]:
    sheet = plan.casing_in
    if sheet is None:
        return
    sizes = "; ".join(f"{size.label} {size.shown}" for size in sheet.sizes)
    front: list[list[Flowable | str]] = [["Front", "Back", "Casing in, one side, then the other"]]
    front += [[_TICK, _TICK, text(look.text, _TIGHT)] for look in sheet.sides]
    front += [[_TICK, "", text(look.text, _TIGHT)] for look in sheet.ends]
    yield KeepTogether(
        [
            text("Casing in", _TIGHT_HEADING),
            text(sizes, _TIGHT_SMALL),
            Spacer(1, 1 * mm),
            table(_tight(front), [12, 12, 149]),
        ]
    )
