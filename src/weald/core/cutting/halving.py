"""Parent sheets torn down by halving: fold, slit, again, until the sheet to be folded is left."""

from dataclasses import dataclass

from weald.core.paper import SheetGrain, across
from weald.core.units import TOLERANCE, Mm

MOST_HALVINGS = 6


@dataclass(frozen=True, slots=True)
class Torn:
    """A sheet halved so many times.

    :param halvings: the side halved each time: ``width`` makes it half as wide.
    :param count: sheets that come out of one.
    :param turned: whether the piece lies a quarter turn round on it.
    :param spare: what is left over along the sheet's width and height, to be trimmed.
    """

    halvings: tuple[SheetGrain, ...]
    width: Mm
    height: Mm
    count: int
    turned: bool
    grain_right: bool
    spare: tuple[Mm, Mm]


def torn_sheets(
    sheet: tuple[Mm, Mm], sheet_grain: SheetGrain, piece: tuple[Mm, Mm], piece_grain: SheetGrain
) -> list[Torn]:
    """Every way of halving a sheet that still holds the piece, best first: grain right, then most sheets.

    Of ways that give as many sheets, the one that leaves least comes first. The longer side is halved first,
    as it lies easier.
    """
    found = []
    for turned in (False, True):
        width, height = (piece[1], piece[0]) if turned else piece
        for columns in range(MOST_HALVINGS + 1):
            for rows in range(MOST_HALVINGS + 1 - columns):
                torn = (sheet[0] / 2**columns, sheet[1] / 2**rows)
                if torn[0] < width - TOLERANCE or torn[1] < height - TOLERANCE:
                    continue
                found.append(
                    Torn(
                        _in_order(sheet, columns, rows),
                        *torn,
                        2 ** (columns + rows),
                        turned,
                        (sheet_grain == piece_grain) != turned,
                        (max(0.0, torn[0] - width), max(0.0, torn[1] - height)),
                    )
                )
    return sorted(found, key=lambda torn: (not torn.grain_right, -torn.count, sum(torn.spare)))


def _in_order(sheet: tuple[Mm, Mm], columns: int, rows: int) -> tuple[SheetGrain, ...]:
    width, height = sheet
    order: list[SheetGrain] = []
    while columns or rows:
        side: SheetGrain = "width" if width >= height else "height"
        if not (columns if side == "width" else rows):
            side = across(side)
        if side == "width":
            columns, width = columns - 1, width / 2
        else:
            rows, height = rows - 1, height / 2
        order.append(side)
    return tuple(order)
