"""Hours over the changes of the clocks."""

from datetime import UTC, datetime

import pytest

from weald.core.schedule.hours import windows
from weald.core.schedule.workplace import Hours, Worker

SUNDAY = 6


@pytest.mark.parametrize(
    ("zone", "day", "begins", "ends", "minutes"),
    [
        ("Europe/Dublin", datetime(2026, 3, 29, tzinfo=UTC), "0:00", "1:30", 60),
        ("Europe/Dublin", datetime(2026, 3, 29, tzinfo=UTC), "1:15", "1:45", 0),
        ("Europe/Dublin", datetime(2026, 3, 29, tzinfo=UTC), "1:30", "3:00", 60),
        ("Europe/Dublin", datetime(2026, 3, 29, tzinfo=UTC), "0:00", "3:00", 120),
        ("Europe/Dublin", datetime(2026, 10, 24, 22, tzinfo=UTC), "0:30", "2:30", 180),
        ("America/Los_Angeles", datetime(2026, 3, 8, 8, tzinfo=UTC), "1:00", "2:30", 60),
        ("Pacific/Auckland", datetime(2026, 9, 26, 11, tzinfo=UTC), "1:00", "2:30", 60),
    ],
)
def test_hours_that_begin_or_end_where_the_clocks_change(
    zone: str, day: datetime, begins: str, ends: str, minutes: int
) -> None:
    hours = Hours(weekday=SUNDAY, begins=begins, ends=ends)
    found = windows(Worker(id="ida", name="Ida", hours=(hours,)), zone, day, 0)
    found = found or windows(Worker(id="ida", name="Ida", hours=(hours,)), zone, day, 1)
    first = [each for each in found if each.begins < 24 * 60]
    assert sum(each.ends - each.begins for each in first) == minutes
