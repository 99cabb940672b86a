"""Drawings side by side on pages, at two scales in all, so that one ruler reads them."""

from collections.abc import Iterator, Sequence
from itertools import combinations

from reportlab.lib.units import mm
from reportlab.platypus import Flowable, KeepTogether, Spacer, Table, TableStyle

from weald.core.drawing import Drawing
from weald.core.units import Mm
from weald.exchange.flowables import HEADING, SCALES, DrawingFlowable, text
from weald.exchange.ink import size_on_paper

_COLUMNS = 4
_HIGHEST: Mm = 225.0
"""What a page has for one drawing under its name."""
_AT_EASE = (0.5, 0.45)
"""The share of a page's width and height a drawing is to fill at the most, where it has a choice."""
_AIR: Mm = 6.0
_DOES_NOT_FIT = -100.0
"""So bad it is that a drawing goes on the page at neither scale: then it would need a third."""


def drawing_grid(drawings: Sequence[Drawing], width: Mm) -> Iterator[Flowable]:
    """Drawings in rows upon a grid of four columns, each under its name and scale.

    :param width: of the page's room.
    """
    large, small = two_scales([each for each in drawings if each.to_scale], width)
    row: list[tuple[DrawingFlowable, int]] = []
    for drawing in drawings:
        flowable = _at_one_of(drawing, (large, small), width)
        columns = min(_COLUMNS, -(-int(flowable.width / mm + _AIR) // int(width / _COLUMNS)))
        if sum(taken for _, taken in row) + columns > _COLUMNS:
            yield _side_by_side(row, width)
            row = []
        row.append((flowable, columns))
    if row:
        yield _side_by_side(row, width)


def two_scales(drawings: Sequence[Drawing], width: Mm) -> tuple[float, float]:
    """A larger and a smaller scale, the pair at which most drawings come out large and at their ease."""

    def drawn(drawing: Drawing, pair: tuple[float, float]) -> float:
        across, down = _AT_EASE
        eased = [scale for scale in pair if _fits(drawing, scale, across * width, down * _HIGHEST)]
        fitting = [scale for scale in pair if _fits(drawing, scale, width, _HIGHEST)]
        if not fitting:
            return _DOES_NOT_FIT
        return max(eased, default=0.6 * min(fitting)) / _best(drawing, width)

    pairs = combinations(SCALES, 2)
    return max(pairs, key=lambda pair: sum(drawn(each, pair) for each in drawings))


def _best(drawing: Drawing, width: Mm) -> float:
    return next((scale for scale in SCALES if _fits(drawing, scale, width, _HIGHEST)), SCALES[-1])


def _fits(drawing: Drawing, scale: float, width: Mm, height: Mm) -> bool:
    across, down = size_on_paper(drawing, scale)
    return across <= width and down <= height


def _at_one_of(drawing: Drawing, pair: tuple[float, float], width: Mm) -> DrawingFlowable:
    across, down = _AT_EASE
    if not drawing.to_scale:
        return DrawingFlowable(drawing, width, down * _HIGHEST)
    for wide, high in ((across * width, down * _HIGHEST), (width, _HIGHEST)):
        for scale in pair:
            if _fits(drawing, scale, wide, high):
                return DrawingFlowable(drawing, wide, high, scale)
    return DrawingFlowable(drawing, width, _HIGHEST)


def _side_by_side(row: list[tuple[DrawingFlowable, int]], width: Mm) -> Flowable:
    titles = [text(f"{each.drawing.title} ({each.scale_text})", HEADING) for each, _ in row]
    made = Table(
        [titles, [each for each, _ in row]],
        colWidths=[columns * width / _COLUMNS * mm for _, columns in row],
    )
    made.setStyle(
        TableStyle(
            [
                ("VALIGN", (0, 0), (-1, 0), "BOTTOM"),
                ("VALIGN", (0, 1), (-1, 1), "TOP"),
                ("LEFTPADDING", (0, 0), (-1, -1), 0),
            ]
        )
    )
    made.hAlign = "LEFT"
    return KeepTogether([made, Spacer(1, 3 * mm)])
