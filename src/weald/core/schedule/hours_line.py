"""The hours of a plain week in one line, as one writes them: “Mon–Fri 9–12:30, 13:30–17:30; Sat 10–14”."""

import re
from collections.abc import Iterator, Sequence
from itertools import groupby

DAYS = ("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun")
EXAMPLE = "Mon–Fri 9–12:30, 13:30–17:30; Sat 10–14"
_DAY = r"(?P<{0}>mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?"
_CLOCK = r"(?P<{0}>\d{{1,2}})(?:[:.](?P<{0}_min>\d\d))?\s*(?P<{0}_half>am|pm)?"
_TO = r"\s*(?:-|–|—|to|until)\s*"
_DAILY = r"(?P<daily>daily|every day)"
_TOKEN = re.compile(
    rf"\s*(?:{_DAILY}|{_DAY.format('first')}(?:{_TO}{_DAY.format('last')})?"
    rf"|{_CLOCK.format('begins')}{_TO}{_CLOCK.format('ends')})\s*(?:,|;|and\b|\n|$|(?=\S))",
    re.IGNORECASE,
)

Stretch = tuple[int, str, str]
"""Weekday, 0 for Monday; when it begins and ends, as “09:00”."""


def read_line(line: str) -> tuple[Stretch, ...]:
    """The hours a line names, day by day.

    :raises ValueError: naming what is not understood, with an example.
    """
    found: list[Stretch] = []
    days: list[int] = []
    timed, at = True, 0
    text = line.strip()
    while at < len(text):
        token = _TOKEN.match(text, at)
        if token is None:
            raise ValueError(f"“{text[at : at + 24]}” is not understood. Write hours as {EXAMPLE}.")
        if token["begins"]:
            if not days:
                raise ValueError(f"Say on which days: {EXAMPLE}.")
            begins, ends = _clock(token, "begins"), _clock(token, "ends")
            found += [(day, begins, ends) for day in days]
            timed = True
        else:
            if timed:
                days, timed = [], False
            days += _days(token)
        at = token.end()
    if not timed:
        raise ValueError(f"Say from when until when: {EXAMPLE}.")
    return tuple(sorted(set(found)))


def _days(token: re.Match[str]) -> Iterator[int]:
    if token["daily"]:
        yield from range(7)
        return
    first = DAYS.index(token["first"].capitalize())
    last = DAYS.index((token["last"] or token["first"]).capitalize())
    yield from ((first + step) % 7 for step in range((last - first) % 7 + 1))


def _clock(token: re.Match[str], name: str) -> str:
    hour, minute, half = int(token[name]), int(token[f"{name}_min"] or 0), token[f"{name}_half"]
    if half:
        if not 1 <= hour <= 12:
            raise ValueError(f"“{token[0].strip(' ,;')}” is no time of day. Write hours as {EXAMPLE}.")
        hour = hour % 12 + (12 if half.lower() == "pm" else 0)
    if hour == 24 and not minute:
        hour = 0
    if hour > 23 or minute > 59:
        raise ValueError(f"“{token[0].strip(' ,;')}” is no time of day. Write hours as {EXAMPLE}.")
    return f"{hour:02d}:{minute:02d}"


def hours_line(hours: Sequence[Stretch]) -> str:
    """The same hours as a line; neighbouring days with the same hours are named from one to the other."""
    by_day = [sorted((begins, ends) for on, begins, ends in hours if on == day) for day in range(7)]
    parts = []
    for times, run in groupby(range(7), key=lambda day: by_day[day]):
        if times:
            first, *others = run
            days = f"{DAYS[first]}–{DAYS[others[-1]]}" if others else DAYS[first]
            parts.append(f"{days} {', '.join(f'{_short(begins)}–{_short(ends)}' for begins, ends in times)}")
    return "; ".join(parts)


def _short(clock: str) -> str:
    hour, minute = clock.split(":")
    return f"{int(hour)}" if minute == "00" else f"{int(hour)}:{minute}"
