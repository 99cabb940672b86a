"""The volumes of a set as a table for other programs."""

import csv
import io

from weald.core.planning.book_set import SetPlan, SetSpec
from weald.exchange.pieces_csv import harmless

COLUMNS = (
    "set",
    "number",
    "lettered",
    "date",
    "pages",
    "thickness",
    "spine",
    "board_width",
    "cover_width",
    "note",
)


def set_csv(chosen: SetSpec, made: SetPlan) -> str:
    """One row a volume, in the order in which they stand."""
    buffer = io.StringIO()
    writer = csv.writer(buffer)
    writer.writerow(COLUMNS)
    for volume, planned in zip(chosen.volumes, made.volumes, strict=True):
        writer.writerow(
            (
                harmless(chosen.title),
                volume.number or "",
                harmless(planned.lettered),
                harmless(volume.date),
                volume.pages or "",
                planned.thickness,
                planned.spine,
                planned.board_width,
                planned.cover_width,
                harmless(volume.note),
            )
        )
    return buffer.getvalue()
