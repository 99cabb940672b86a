"""Whether a layout can be cut, found out from its rectangles alone, sharing nothing with what laid them."""

from collections import Counter
from collections.abc import Sequence

from weald.core.cutting.layout import CutSheet, Layout, Part
from weald.core.cutting.order import CuttingOrder, Stock

NEAR = 1e-6
Rect = tuple[float, float, float, float]


def faults(order: CuttingOrder, layout: Layout) -> list[str]:
    """Everything that is wrong with a layout, in words; nothing where all is well."""
    found = []
    for number, sheet in enumerate(layout.sheets):
        found += [f"sheet {number}: {fault}" for fault in _sheet_faults(order, sheet)]
    return found + _count_faults(order, layout)


def _sheet_faults(order: CuttingOrder, sheet: CutSheet) -> list[str]:
    stock = next(each for each in order.stock if each.id == sheet.stock)
    found = []
    if not stock.roll and (sheet.width, sheet.height) != (stock.width, stock.height):
        found.append("not the size of its stock")
    for piece in pieces(sheet):
        found += _piece_faults(order, stock, piece)
    rects = [(part.x, part.y, part.x + part.width, part.y + part.height) for part in sheet.parts]
    found += _outside(rects, sheet.width, sheet.height)
    kept = [rect for part, rect in zip(sheet.parts, rects, strict=True) if part.use != "waste"]
    if not _comes_apart(kept, order.shears.kerf):
        found.append("cannot be cut from edge to edge")
    area = sum(part.width * part.height for part in sheet.parts)
    if order.shears.kerf == 0 and abs(area - sheet.width * sheet.height) > 1e-3:
        found.append("its parts do not make up the sheet")
    return found


def _piece_faults(order: CuttingOrder, stock: Stock, piece: Part) -> list[str]:
    blank = next((each for each in order.blanks if each.id == piece.blank), None)
    if blank is None:
        return [f"invents {piece.blank}"]
    found = []
    sides = (blank.height, blank.width) if piece.turned else (blank.width, blank.height)
    if abs(piece.width - sides[0]) > NEAR or abs(piece.height - sides[1]) > NEAR:
        found.append(f"{blank.id} has the wrong size")
    # the side of the piece the sheet's grain runs along, as it lies
    along = stock.grain
    if piece.turned:
        along = "width" if stock.grain == "height" else "height"
    if blank.grain not in ("any", along):
        found.append(f"{blank.id} lies across the grain")
    if blank.pinned and blank.pinned != stock.id:
        found.append(f"{blank.id} is pinned elsewhere")
    trim = 0.0 if stock.square else order.shears.square
    if piece.x < trim - NEAR or piece.y < (0.0 if stock.roll else trim) - NEAR:
        found.append(f"{blank.id} lies in the strip squared off")
    return found


def _outside(rects: Sequence[Rect], width: float, height: float) -> list[str]:
    over = [
        rect for rect in rects if min(rect[:2]) < -NEAR or rect[2] > width + NEAR or rect[3] > height + NEAR
    ]
    return [f"{rect} reaches beyond the sheet" for rect in over]


def _comes_apart(rects: Sequence[Rect], kerf: float) -> bool:
    """Whether straight cuts from edge to edge part all rectangles; overlapping ones never come apart."""
    if len(rects) <= 1:
        return True
    for axis in (0, 1):
        ordered = sorted(rects, key=lambda rect: rect[axis])
        reach = ordered[0][axis + 2]
        for place, rect in enumerate(ordered[1:], start=1):
            if rect[axis] >= reach + kerf - NEAR:
                return _comes_apart(ordered[:place], kerf) and _comes_apart(ordered[place:], kerf)
            reach = max(reach, rect[axis + 2])
    return False


def _count_faults(order: CuttingOrder, layout: Layout) -> list[str]:
    found = []
    fallen: Counter[str] = Counter()
    taken: Counter[str] = Counter()
    for sheet in layout.sheets:
        taken[sheet.stock] += sheet.height if sheet.roll else sheet.times  # type: ignore[assignment]
        for part in sheet.parts:
            if part.use == "piece":
                fallen[part.blank] += sheet.times
    missing = {each.blank: each.count for each in layout.missing}
    for blank in order.blanks:
        if fallen[blank.id] + missing.get(blank.id, 0) != blank.count:
            found.append(f"{fallen[blank.id]} of {blank.count} {blank.id} fall")
    for stock in order.stock:
        most = stock.height if stock.roll else stock.count
        if most is not None and taken[stock.id] > most + NEAR:
            found.append(f"takes {taken[stock.id]} of {stock.id}, and there are {most}")
    return found


def pieces(sheet: CutSheet) -> list[Part]:
    """The pieces on a sheet."""
    return [part for part in sheet.parts if part.use == "piece"]
