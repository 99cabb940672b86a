"""The cuts of a layout as a table a guillotine can be set by."""

import csv
import io
from collections.abc import Mapping, Sequence

from weald.core.cutting.cuts import cut_list
from weald.core.cutting.layout import CutSheet
from weald.core.cutting.order import Blank
from weald.exchange.pieces_csv import harmless

COLUMNS = (
    "sheet",
    "times",
    "sheet_width_mm",
    "sheet_height_mm",
    "grain_along",
    "cut",
    "part",
    "axis",
    "setting_mm",
    "first_part",
    "first_is",
    "second_part",
    "second_is",
)


def cuts_csv(sheets: Sequence[CutSheet], blanks: Mapping[str, Blank]) -> str:
    """One row a cut, in order; settings in millimetres to a hundredth, with a point for decimals.

    ``part`` 0 is the whole sheet. ``axis`` x cuts upright, the left edge at the gauge; y level, the top edge
    there. ``first`` is what lies between gauge and blade.
    """
    buffer = io.StringIO()
    writer = csv.writer(buffer)
    writer.writerow(COLUMNS)
    for number, sheet in enumerate(sheets, start=1):
        cuts = cut_list(sheet.region)
        names = {part: _name(fallen.use, fallen.blank, blanks) for part, fallen in cuts.fallen}
        for step in cuts.steps:
            writer.writerow(
                (
                    number,
                    sheet.times,
                    f"{sheet.width:.2f}",
                    f"{sheet.height:.2f}",
                    sheet.grain or "",
                    step.number,
                    step.part,
                    step.axis,
                    f"{step.setting:.2f}",
                    step.first,
                    names.get(step.first, ""),
                    step.second,
                    names.get(step.second, ""),
                )
            )
    return buffer.getvalue()


def _name(use: str, blank: str, blanks: Mapping[str, Blank]) -> str:
    return harmless(blanks[blank].label) if use == "piece" else use
