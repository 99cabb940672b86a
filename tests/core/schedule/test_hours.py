"""Hours over the changes of the clocks."""

from datetime import UTC, datetime

import pytest
from hypothesis import given
from hypothesis import strategies as st

from weald.core.schedule.hours import windows
from weald.core.schedule.hours_line import hours_line, read_line
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


CLOCKS = st.tuples(st.integers(0, 23), st.integers(0, 59)).map(lambda at: f"{at[0]:02d}:{at[1]:02d}")


@given(st.lists(st.tuples(st.integers(0, 6), CLOCKS, CLOCKS), max_size=12))
def test_a_plain_week_in_one_line_reads_back_as_it_was(hours: list[tuple[int, str, str]]) -> None:
    assert read_line(hours_line(hours)) == tuple(sorted(set(hours)))


@pytest.mark.parametrize(
    ("line", "said"),
    [
        ("Mon-Fri 9-12:30, 13:30-17:30", "Mon–Fri 9–12:30, 13:30–17:30"),
        ("Monday to Friday 9am-5pm and Sat 10.30-12", "Mon–Fri 9–17; Sat 10:30–12"),
        ("tue, thu 13 – 18", "Tue 13–18; Thu 13–18"),
        ("Fri–Mon 22–6", "Mon 22–6; Fri–Sun 22–6"),
        ("daily 12am-12pm", "Mon–Sun 0–12"),
        ("", ""),
    ],
)
def test_hours_are_read_as_people_write_them(line: str, said: str) -> None:
    assert hours_line(read_line(line)) == said


@pytest.mark.parametrize(
    "line", ["9-17", "Mon", "Mon 9-17, Tue", "Mon 9-25", "Mon 9", "Mon 9-17 or so", "Mon 13pm-14"]
)
def test_hours_that_say_too_little_or_nothing_are_asked_about(line: str) -> None:
    with pytest.raises(ValueError, match="Mon–Fri 9–12:30"):
        read_line(line)
