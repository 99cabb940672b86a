"""The week as a sheet for the wall: people down, days across, one sheet for seven days.

Each line is what somebody does for one book in one go. Above stand the promises, below what comes dry or out
of the press, each on its day.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from datetime import date, datetime, timedelta
from zoneinfo import ZoneInfo

from reportlab.lib import colors
from reportlab.lib.units import mm
from reportlab.platypus import Flowable, PageBreak, Table, TableStyle

from weald.core.schedule.stints import Stint
from weald.core.schedule.telling import date_in_words, day_in_words
from weald.core.schedule.week import Week
from weald.core.units import Mm
from weald.exchange.drawing_pdf import BOLD
from weald.exchange.flowables import (
    BODY,
    RULE,
    SMALL,
    TITLE,
    built,
    height_of,
    height_of_page,
    led_text,
    styled,
    text,
    width_of,
)

_TICK = "[ ]"
_DAYS = 7
_NAMES: Mm = 22.0
_IDLE = 0.45
"""How wide a day without anything in it is, to the fullest."""
_LONG = timedelta(hours=3)
"""What stands for less is not worth a line on the wall."""
_SIZES = (
    *((round(1.16 - 0.04 * step, 2), True) for step in range(16)),
    *((round(0.84 - 0.04 * step, 2), False) for step in range(12)),
)
"""How large the type is set, to the usual, and whether steps are named: the first that fits is taken."""


def week_sheet_pdf(
    week: Week, workshop: str, zone: str, people: Mapping[str, str], first: date, days: int, paper: str
) -> bytes:
    """Some days of the week, to hang on a wall and tick off; a sheet for every seven of them.

    :param people: names by their ids. ``paper``: "a4" or "letter", laid on its side.
    """
    story: list[Flowable] = []
    for after in range(0, days, _DAYS):
        shown = [first + timedelta(days=n) for n in range(after, min(days, after + _DAYS))]
        if story:
            story.append(PageBreak())
        story += _one_sheet(week, workshop, zone, people, shown, paper)
    return built(story, paper, f"{workshop}: the week", f"{workshop}: the week", landscape=True)


def _one_sheet(
    week: Week, workshop: str, zone: str, people: Mapping[str, str], days: Sequence[date], paper: str
) -> list[Flowable]:
    width, height = width_of(paper, landscape=True), height_of_page(paper, landscape=True)
    for size, steps in _SIZES:
        sheet = _Sheet(week, ZoneInfo(zone), people, days, size, steps)
        story = [*sheet.head(workshop), sheet.grid(width), *sheet.remarks()]
        if height_of(story, width) <= height:
            break
    return story


class _Sheet:
    """One sheet, its type ``size`` times as large as usual, with the ``steps`` of each stint or without."""

    def __init__(
        self,
        week: Week,
        zone: ZoneInfo,
        people: Mapping[str, str],
        days: Sequence[date],
        size: float,
        steps: bool,
    ) -> None:
        self.week, self.zone, self.people, self.days, self.steps = week, zone, people, days, steps
        self.books = {job.job: job for job in week.jobs}
        self.body, self.small, self.bold = styled(BODY, size), styled(SMALL, size), styled(BODY, size, BOLD)

    def head(self, workshop: str) -> Iterator[Flowable]:
        """What it is, and of when."""
        laid = f"As laid out on {date_in_words(self.week.now, self.zone.key)}."
        yield Table([[text(workshop, styled(TITLE, 0.8)), text(laid, SMALL)]], hAlign="LEFT")

    def remarks(self) -> Iterator[Flowable]:
        """What could not be laid out, or only as it should not be."""
        for remark in self.week.remarks:
            yield text(remark, self.small)

    def grid(self, width: Mm) -> Flowable:
        """The days across; promises, people and what dries down."""
        rows = [self._row("Promised", self._promised)]
        rows += [self._row(name, self._stints(id)) for id, name in self.people.items()]
        rows += [self._row("Dry, or out of the press", self._over)]
        lines = [sum(len(row[column]) for row in rows) for column in range(1, len(self.days) + 1)]
        shares = [_IDLE + (1 - _IDLE) * count / max(*lines, 1) for count in lines]
        one = (width - _NAMES) / sum(shares)
        heads = [[], *([text(day_in_words(day), self.bold)] for day in self.days)]
        made = Table(
            [heads, *rows], colWidths=[_NAMES * mm, *(one * share * mm for share in shares)], repeatRows=1
        )
        made.setStyle(
            TableStyle(
                [
                    ("VALIGN", (0, 0), (-1, -1), "TOP"),
                    ("LINEBELOW", (0, 0), (-1, -1), 0.4, RULE),
                    ("LINEAFTER", (0, 0), (-2, -1), 0.4, RULE),
                    ("LINEBELOW", (0, 0), (-1, 0), 0.9, colors.black),
                    ("LEFTPADDING", (0, 0), (-1, -1), 3),
                    ("RIGHTPADDING", (0, 0), (-1, -1), 3),
                    ("TOPPADDING", (0, 0), (-1, -1), 2),
                    ("BOTTOMPADDING", (0, 0), (-1, -1), 4),
                ]
            )
        )
        made.hAlign = "LEFT"
        return made

    def _row(self, name: str, cell: Callable[[date], list[Flowable]]) -> list[list[Flowable]]:
        return [[text(name, self.bold)], *(cell(day) for day in self.days)]

    def _clock(self, moment: datetime) -> str:
        return f"{moment.astimezone(self.zone):%H:%M}"

    def _on(self, moment: datetime | None, day: date) -> bool:
        return moment is not None and moment.astimezone(self.zone).date() == day

    def _promised(self, day: date) -> list[Flowable]:
        return [
            text(f"{book.letter} {book.title}: {book.slack_words or 'not laid out'}", self.body)
            for book in self.week.jobs
            if self._on(book.promised, day)
        ]

    def _stints(self, person: str) -> Callable[[date], list[Flowable]]:
        def on(day: date) -> list[Flowable]:
            return [
                self._stint(stint)
                for stint in self.week.stints
                if person in stint.people and self._on(stint.begins, day)
            ]

        return on

    def _stint(self, stint: Stint) -> Flowable:
        book = self.books[stint.job]
        times = f"{self._clock(stint.begins)}–{self._clock(stint.ends)}"
        steps = ", ".join(dict.fromkeys(spell.title for spell in stint.spells)) if self.steps else ""
        return led_text(f"{_TICK} {times} {book.letter} {book.title}", steps, self.body)

    def _over(self, day: date) -> list[Flowable]:
        waits = sorted(self.week.waits, key=lambda each: each.ends)
        over = [each for each in waits if self._on(each.ends, day) and each.ends - each.begins >= _LONG]
        return [
            text(f"{self._clock(each.ends)} {self.books[each.job].letter} after “{each.title}”", self.small)
            for each in over
        ]
