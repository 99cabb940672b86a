"""The bench card: sheets folded to a booklet, for a bench without a screen.

The pieces first, then every operation with its small picture, the size that counts and room for what is
found, then casing in. It takes one sheet printed on both sides wherever the operations go on its four pages.
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from io import BytesIO

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, Frame, KeepInFrame, Paragraph

from weald.core.bench.pictures.gather import most_telling
from weald.core.book.operation import Asked, CasingIn, Operation
from weald.core.drawing import Drawing, without_words
from weald.core.folding.imposition import Placement, impose, in_reading_order
from weald.core.folding.makeup import MakeUp
from weald.core.pieces import GRAIN_NEEDED
from weald.core.planning.plan import Plan
from weald.core.units import Mm, rounded_up
from weald.exchange.drawing_pdf import BOLD, PAPERS, Paper, register_fonts
from weald.exchange.flowables import BODY, HEADING, SMALL, TITLE, DrawingFlowable, styled, table, text
from weald.exchange.ink import Stroke

MARGIN: Mm = 8.0
_TICK = "[  ]"
_LINE = "_______"
_COLUMNS = 3
_ROWS = (4, 5, 6)
"""Rows of operations on a page: as few as do without another sheet."""
_AIR: Mm = 2.0
_PICTURE_PART = 0.48
"""The share of its cell's height an operation's picture has."""
_FOOT = "Print on both sides, flip on the short edge, fold once."
_TITLE = styled(TITLE, 0.8)
_BODY = styled(BODY, 0.88)
_SMALL = styled(SMALL, 0.9)
_SMALL_BOLD = styled(SMALL, 0.92, BOLD)
_FIGURE = styled(BODY, 0.95, BOLD)
_HEADING = styled(HEADING, 0.8)

Page = Sequence["_Put"]


@dataclass(frozen=True, slots=True)
class _Put:
    """Flowables put into a box of a page, in millimetres from its top left."""

    left: Mm
    top: Mm
    width: Mm
    height: Mm
    story: list[Flowable]


def bench_card_pdf(
    plan: Plan,
    standing: Drawing | None,
    pictures: Mapping[str, Sequence[Drawing]],
    paper: str,
    facts: tuple[tuple[str, str], ...],
) -> bytes:
    """The bench card.

    :param standing: the book as it will stand. ``pictures``: the frames of each operation, by its id.
    :param paper: "a4" or "letter"; the card is half as large.
    :param facts: what the binder chose, as (label, text).
    """
    register_fonts()
    wide, high = PAPERS[paper][::-1]
    card = _Card(plan, standing, pictures, facts, wide / 2 / mm, high / mm)
    return _bound(card.pages(), wide, high, plan.title)


class _Card:
    def __init__(
        self,
        plan: Plan,
        standing: Drawing | None,
        pictures: Mapping[str, Sequence[Drawing]],
        facts: tuple[tuple[str, str], ...],
        width: Mm,
        height: Mm,
    ) -> None:
        self.plan, self.standing, self.pictures, self.facts = plan, standing, pictures, facts
        self.width, self.height = width - 2 * MARGIN, height - 2 * MARGIN

    def pages(self) -> list[Page]:
        """The pages in the order they are read, four or a multiple of it."""
        last = [self._casing_in(self.plan.casing_in)] if self.plan.casing_in else []
        beside = 1 + len(last)
        operations = self.plan.operations

        def needed(rows: int) -> int:
            return rounded_up((beside + rounded_up(len(operations) / (_COLUMNS * rows))) / 4)

        rows = min(_ROWS, key=lambda each: (needed(each), each))
        a_page = rows * _COLUMNS
        order = [
            self._order(operations[at : at + a_page], at, rows) for at in range(0, len(operations), a_page)
        ]
        pages = [self._front(), *order, *last]
        return pages + [[]] * (-len(pages) % 4)

    def _whole(self, story: list[Flowable]) -> Page:
        return [_Put(MARGIN, MARGIN, self.width, self.height, story)]

    def _front(self) -> Page:
        """The book, how it is bound, and the pieces."""
        picture = DrawingFlowable(self.standing, 36.0, 50.0) if self.standing else None
        wide = picture.width / mm + 4 if picture else 0.0
        facts: list[list[Flowable | str]] = [
            [text(label, _SMALL), text(words, _BODY)] for label, words in self.facts
        ]
        about = [text(self.plan.title, _TITLE), table(facts, [20, self.width - wide - 20], header=False)]
        rows: list[list[Flowable | str]] = []
        for piece in self.plan.pieces:
            words = [text(f"{piece.label} × {piece.count}", _SMALL), text(piece.shown, _FIGURE)]
            if piece.finished:
                words.append(text(piece.finished, _SMALL))
            rows.append([text(_TICK, _BODY), words, text(f"grain {GRAIN_NEEDED[piece.grain]}", _SMALL)])
        listed = [text("To cut", _HEADING), table(rows, [8, self.width - 46, 38], header=False)]
        top = max(52.0, sum(each.wrap((self.width - wide) * mm, 1e6)[1] for each in about) / mm + 2)
        head = [_Put(MARGIN, MARGIN, wide, top, [picture])] if picture else []
        return [
            *head,
            _Put(MARGIN + wide, MARGIN, self.width - wide, top, [*about]),
            _Put(MARGIN, MARGIN + top, self.width, self.height - top - 5, listed if rows else []),
            _Put(MARGIN, MARGIN + self.height - 5, self.width, 5, [text(_FOOT, _SMALL)]),
        ]

    def _order(self, operations: Sequence[Operation], before: int, rows: int) -> Page:
        """Operations in cells, in the order they are done."""
        wide, high = self.width / _COLUMNS, self.height / rows
        page: list[_Put] = []
        for place, operation in enumerate(operations):
            row, column = divmod(place, _COLUMNS)
            left, top = MARGIN + column * wide, MARGIN + row * high
            story = self._operation(operation, before + place + 1, wide - _AIR, high - _AIR)
            page.append(_Put(left, top, wide - _AIR, high - _AIR, story))
        return page

    def _operation(self, operation: Operation, number: int, wide: Mm, high: Mm) -> list[Flowable]:
        """One operation: what, its picture, the size that counts, what is found, what is waited for."""
        whole = " (not to be interrupted)" if operation.whole else ""
        story: list[Flowable] = [text(f"{_TICK} {number}. {operation.title}{whole}", _SMALL_BOLD)]
        frame = most_telling(self.pictures.get(operation.id, ()))
        if frame:
            story.append(DrawingFlowable(without_words(frame), wide, high * _PICTURE_PART))
        counts, asked = operation.counts, list(self._asked(operation))
        if counts and counts.quantity not in {each.quantity for each in asked}:
            story.append(text(f"{counts.label} {counts.shown}", _SMALL_BOLD))
        for each in asked:
            story.append(text(f"{each.label}, {each.expected}:\u00a0{_LINE}", _SMALL))
        if operation.wait:
            story.append(text(f"then {operation.wait.words}, {operation.wait.lasts}", _SMALL))
        return story

    def _asked(self, operation: Operation) -> Iterator[Asked]:
        """What is measured here; what is measured more than once, at the last of them."""
        last = {asked.quantity: each.id for each in self.plan.operations for asked in each.measures}
        return (asked for asked in operation.measures if last[asked.quantity] == operation.id)

    def _casing_in(self, sheet: CasingIn) -> Page:
        sizes: list[list[Flowable | str]] = [
            [text(each.label, _SMALL), text(each.shown, _FIGURE)] for each in sheet.sizes
        ]
        rows: list[list[Flowable | str]] = [[text(each, _SMALL) for each in ("Front", "Back", "")]]
        rows += [[_TICK, _TICK, text(look.text, _BODY)] for look in sheet.sides]
        rows += [[_TICK, "", text(look.text, _BODY)] for look in sheet.ends]
        return self._whole(
            [
                text("Casing in, one side, then the other", _HEADING),
                table(sizes, [self.width - 40, 40], header=False),
                table(rows, [11, 11, self.width - 22]),
            ]
        )


def _rows(rows: Iterable[list[Paragraph]]) -> list[list[Flowable | str]]:
    """Rows of a table, as one takes them."""
    return [[*row] for row in rows]


def _bound(pages: Sequence[Page], wide: float, high: float, title: str) -> bytes:
    """Pages laid two to a side, as a folio of nested sheets folds to their order."""
    sheets = len(pages) // 4
    _, laid = impose(len(pages), MakeUp(4, (sheets,), 0, 0), "upright", "inset")
    buffer = BytesIO()
    canvas = Canvas(buffer, pagesize=(wide, high))
    canvas.setTitle(f"{title}: bench card")
    for sheet in laid:
        for side in (sheet.outer, sheet.inner):
            _draw_side(canvas, in_reading_order(side), pages, wide, high)
            canvas.showPage()
    canvas.save()
    return buffer.getvalue()


def _draw_side(
    canvas: Canvas, places: Sequence[Placement], pages: Sequence[Page], wide: float, high: float
) -> None:
    for column, place in enumerate(places):
        canvas.saveState()
        canvas.translate(column * wide / 2, 0)
        for put in pages[place.page - 1] if place.page else ():
            _draw_put(canvas, put, high)
        canvas.restoreState()
    half = wide / 2 / mm
    Paper(canvas, high).put(Stroke(((half, 0), (half, 3)), "fold"))
    Paper(canvas, high).put(Stroke(((half, high / mm - 3), (half, high / mm)), "fold"))


def _draw_put(canvas: Canvas, put: _Put, high: float) -> None:
    story = KeepInFrame(put.width * mm, put.height * mm, put.story, mode="shrink")
    box = Frame(
        put.left * mm,
        high - (put.top + put.height) * mm,
        put.width * mm,
        put.height * mm,
        *(0, 0, 0, 0),
    )
    box.addFromList([story], canvas)
