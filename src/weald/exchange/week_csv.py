"""The week as a table for other programs."""

import csv
import io
from collections.abc import Mapping

from weald.core.schedule.week import Week
from weald.exchange.pieces_csv import harmless

COLUMNS = ("kind", "begins", "ends", "job", "operation", "people", "places", "state")


def week_csv(week: Week, people: Mapping[str, str], places: Mapping[str, str]) -> str:
    """One row for every spell of work and every wait; times as ISO 8601 in universal time."""
    titles = {job.job: job.title for job in week.jobs}
    rows = [
        ("work", each.begins, each.ends, each.job, each.title, each.people, each.places, each.state)
        for each in week.spells
    ] + [
        ("wait", each.begins, each.ends, each.job, each.title, (), each.places, each.words)
        for each in week.waits
    ]
    buffer = io.StringIO()
    writer = csv.writer(buffer)
    writer.writerow(COLUMNS)
    for kind, begins, ends, job, title, by, where, state in sorted(rows, key=lambda row: (row[1], row[2])):
        writer.writerow(
            (
                kind,
                begins.isoformat(),
                ends.isoformat(),
                harmless(titles[job]),
                harmless(title),
                harmless(", ".join(people.get(name, name) for name in by)),
                harmless(", ".join(places.get(name, name) for name in where)),
                state,
            )
        )
    return buffer.getvalue()
