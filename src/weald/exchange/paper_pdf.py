"""A quotation or bill as a page, in the workshop's own words."""

from collections.abc import Iterator

from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.platypus import Flowable, Spacer

from weald.core.costs.papers import PAPER_KINDS, PaperContent, sums_of
from weald.exchange.flowables import BODY, HEADING, SMALL, TITLE, built, table, text

_RIGHT = ParagraphStyle("right", parent=BODY, alignment=2)


def paper_pdf(content: PaperContent, paper: str) -> bytes:
    """The page, or pages.

    :param paper: "a4" or "letter".
    """
    title = f"{PAPER_KINDS[content.kind]} {content.number}"
    return built(list(_story(content, title)), paper, title, title)


def _story(content: PaperContent, title: str) -> Iterator[Flowable]:
    yield from _lines(content.sender)
    yield Spacer(1, 8 * mm)
    yield from _lines(content.to)
    yield Spacer(1, 8 * mm)
    yield text(title, TITLE)
    yield text(content.dated, SMALL)
    if content.valid_until:
        yield text(f"Valid until {content.valid_until}.", SMALL)
    yield Spacer(1, 4 * mm)
    yield from _lines(content.words)
    sums = sums_of(content)
    rows: list[list[Flowable | str]] = [
        ["", *(text(head, _RIGHT) for head in ("Number", "Each", "Together"))]
    ]
    rows += [
        [text(words), text(count, _RIGHT), text(each, _RIGHT), text(together, _RIGHT)]
        for words, count, each, together in sums.lines
    ]
    yield text("For", HEADING)
    yield table(rows, [90, 18, 32, 35])
    yield Spacer(1, 3 * mm)
    yield table([["", text(label), text(amount, _RIGHT)] for label, amount in sums.sums], [90, 45, 40], False)
    yield Spacer(1, 8 * mm)
    yield from _lines(content.foot)


def _lines(words: str) -> Iterator[Flowable]:
    for line in words.splitlines():
        yield text(line) if line.strip() else Spacer(1, 3 * mm)
