"""A simulated guillotine: it reads the table of cuts and cuts sheets that exist only here.

It knows nothing of layouts. A sheet lies with its left or top edge at the back gauge, the gauge is
set, the blade comes down, and there are two parts where there was one.
"""

import csv
import io
from dataclasses import dataclass
from typing import Literal

from weald.core.errors import WealdError
from weald.core.units import Mm

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
    lying: dict[tuple[int, int], Piece] = {}
    for line, row in enumerate(csv.DictReader(io.StringIO(table)), start=2):
        try:
            _cut(row, lying, kerf)
        except (KeyError, TypeError, ValueError) as error:
            raise GuillotineError(f"Row {line} of the table cannot be read: {error}.") from None
        except GuillotineError as error:
            raise GuillotineError(f"Row {line}: {error}") from None
    return list(lying.values())


def _cut(row: dict[str, str], lying: dict[tuple[int, int], Piece], kerf: Mm) -> None:
    sheet, part = int(row["sheet"]), int(row["part"])
    if part == 0 and int(row["cut"]) == 1:
        grain = row["grain_along"]
        lying[sheet, 0] = Piece(
            sheet,
            int(row["times"]),
            0,
            "",
            float(row["sheet_width_mm"]),
            float(row["sheet_height_mm"]),
            "width" if grain == "width" else "height" if grain == "height" else None,
        )
    whole = lying.pop((sheet, part), None)
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
        lying[sheet, key] = Piece(
            sheet,
            whole.times,
            key,
            name,
            length if upright else whole.width,
            whole.height if upright else length,
            whole.grain,
        )
