"""The record of a book as a table for other programs."""

import csv
import io
from collections.abc import Iterable

from weald.core.bench.record import Recorded
from weald.exchange.pieces_csv import harmless

COLUMNS = ("operation", "people", "begun", "ended", "minutes", "planned_minutes", "done", "said")


def record_csv(operations: Iterable[Recorded]) -> str:
    """One row an operation; times as ISO 8601 in universal time, minutes with a point for decimals."""
    buffer = io.StringIO()
    writer = csv.writer(buffer)
    writer.writerow(COLUMNS)
    for each in operations:
        writer.writerow(
            (
                harmless(each.title),
                harmless(", ".join(each.people)),
                each.begun.isoformat() if each.begun else "",
                each.ended.isoformat() if each.ended else "",
                f"{each.worked:.1f}",
                f"{each.planned:.1f}",
                "yes" if each.done else "no",
                harmless("; ".join(line.words for line in each.lines if line.words)),
            )
        )
    return buffer.getvalue()
