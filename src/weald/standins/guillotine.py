"""A simulated guillotine: it reads the table of cuts and cuts sheets that exist only here.

It knows nothing of layouts. A sheet lies with its left or top edge at the back gauge, the gauge is
set, the blade comes down, and there are two parts where there was one.
"""

import csv
import io
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from weald.core.cutting.order import Blank
from weald.core.errors import WealdError
from weald.core.units import Mm
from weald.exchange.pieces_csv import harmless

NEAR: Mm = 0.02
"""A cut so near an edge takes nothing off."""


class GuillotineError(WealdError):
    """A table of cuts that cannot be cut by."""


@dataclass(frozen=True, slots=True)
class Piece:
    """What has fallen. ``name`` is what the table calls it; nothing where it is to be cut further.

    :param grain: the side of the piece the grain runs along, as it lies.
    """

    sheet: int
    times: int
    part: int
    name: str
    width: Mm
    height: Mm
    grain: Literal["width", "height"] | None


def cut(table: str, kerf: Mm = 0.0) -> list[Piece]:
    """Cut by a table, as :mod:`weald.exchange.cuts_csv` writes it; gives everything that falls.

    :param kerf: what the blade takes away, in millimetres.
    :raises GuillotineError: naming the row that cannot be cut, and why.
    """
    oriented: dict[tuple[int, int], Piece] = {}
    for line, row in enumerate(csv.DictReader(io.StringIO(table)), start=2):
        try:
            _cut(row, oriented, kerf)
        except (KeyError, TypeError, ValueError) as error:
            raise GuillotineError(f"Row {line} of the table cannot be read: {error}.") from None
        except GuillotineError as error:
            raise GuillotineError(f"Row {line}: {error}") from None
    return list(oriented.values())


def _cut(row: dict[str, str], oriented: dict[tuple[int, int], Piece], kerf: Mm) -> None:
    sheet, part = int(row["sheet"]), int(row["part"])
    if part == 0 and int(row["cut"]) == 1:
        grain = row["grain_along"]
        oriented[sheet, 0] = Piece(
            sheet,
            int(row["times"]),
            0,
            "",
            float(row["sheet_width_mm"]),
            float(row["sheet_height_mm"]),
            "width" if grain == "width" else "height" if grain == "height" else None,
        )
    whole = oriented.pop((sheet, part), None)
    if whole is None:
        raise GuillotineError(f"part {part} of sheet {sheet} is not there; it was cut before, or never fell.")
    setting, upright = float(row["setting_mm"]), row["axis"] == "x"
    size = whole.width if upright else whole.height
    if not NEAR < setting < size - NEAR:
        raise GuillotineError(f"a setting of {setting:g} mm does not cut a part {size:.2f} mm deep.")
    rest = max(0.0, size - setting - kerf)
    for key, name, length in (
        (int(row["first_part"]), row["first_is"], setting),
        (int(row["second_part"]), row["second_is"], rest),
    ):
        oriented[sheet, key] = Piece(
            sheet,
            whole.times,
            key,
            name,
            length if upright else whole.width,
            whole.height if upright else length,
            whole.grain,
        )


@dataclass(frozen=True, slots=True)
class Tally:
    """Pieces of one name: how many fell, and whether count, size and grain are as asked for."""

    name: str
    count: int
    width: Mm
    height: Mm
    grain: Literal["width", "height"] | None
    right: bool


def tally(fallen: Sequence[Piece], wanted: Sequence[Blank]) -> list[Tally]:
    """What fell held against what was to be cut; each piece turned upright, as its drawing has it."""
    return [
        _tally([each for each in fallen if each.name == harmless(blank.label)], blank) for blank in wanted
    ]


def _tally(fallen: Sequence[Piece], blank: Blank) -> Tally:
    upright = [_upright(each, blank) for each in fallen]
    count = sum(each.times for each in upright)
    sizes_right = all(
        abs(each.width - blank.width) <= NEAR and abs(each.height - blank.height) <= NEAR for each in upright
    )
    grain_right = blank.grain == "any" or all(each.grain == blank.grain for each in upright)
    shown = upright[0] if upright else None
    return Tally(
        blank.label,
        count,
        shown.width if shown else 0.0,
        shown.height if shown else 0.0,
        shown.grain if shown else None,
        count == blank.count and sizes_right and grain_right,
    )


def _upright(piece: Piece, blank: Blank) -> Piece:
    """A fallen piece turned a quarter, where that is how it was laid."""
    off = abs(piece.width - blank.width) + abs(piece.height - blank.height)
    turned_off = abs(piece.height - blank.width) + abs(piece.width - blank.height)
    square = abs(off - turned_off) <= NEAR
    wrong_way = square and blank.grain not in ("any", piece.grain)
    if turned_off < off - NEAR or wrong_way:
        grain: Literal["width", "height"] | None = piece.grain
        if grain is not None:
            grain = "height" if grain == "width" else "width"
        return replace(piece, width=piece.height, height=piece.width, grain=grain)
    return piece
