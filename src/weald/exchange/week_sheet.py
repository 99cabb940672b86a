"""The week as a sheet for the wall: day by day who does what, what dries until when, and what is promised."""

from collections import defaultdict
from collections.abc import Iterator, Mapping
from datetime import date, datetime
from zoneinfo import ZoneInfo

from reportlab.platypus import Flowable, KeepTogether

from weald.core.schedule.telling import date_in_words, day_in_words
from weald.core.schedule.week import Week
from weald.exchange.flowables import HEADING, SMALL, TITLE, built, table, text

_TICK = "[  ]"


def week_sheet_pdf(
    week: Week, workshop: str, zone: str, people: Mapping[str, str], until: datetime, paper: str
) -> bytes:
    """The week up to a moment, to hang on a wall and tick off.

    :param paper: "a4" or "letter".
    """
    sheet = _Sheet(week, zone, people, until)
    story = [*sheet.head(workshop), *sheet.promises(), *sheet.days(), *sheet.waits()]
    return built(story, paper, f"{workshop}: the week", f"{workshop}: the week")


class _Sheet:
    def __init__(self, week: Week, zone: str, people: Mapping[str, str], until: datetime) -> None:
        self.week, self.zone, self.people, self.until = week, ZoneInfo(zone), people, until
        self.titles = {job.job: job.title for job in week.jobs}

    def _clock(self, moment: datetime) -> str:
        return f"{moment.astimezone(self.zone):%H:%M}"

    def head(self, workshop: str) -> Iterator[Flowable]:
        """What it is, and of when."""
        yield text(workshop, TITLE)
        yield text(f"As laid out on {date_in_words(self.week.now, self.zone.key)}.", SMALL)
        for remark in self.week.remarks:
            yield text(remark, SMALL)

    def promises(self) -> Iterator[Flowable]:
        """Promised books, the first first."""
        promised = sorted(
            ((job.promised, job) for job in self.week.jobs if job.promised is not None),
            key=lambda pair: pair[0],
        )
        if promised:
            rows = [
                [text(job.title), date_in_words(date, self.zone.key), job.slack_words or "not laid out"]
                for date, job in promised
            ]
            yield text("Promised", HEADING)
            yield table([["Book", "For", "As laid out"], *rows], [80, 55, 40])

    def days(self) -> Iterator[Flowable]:
        """Every day with work, by the clock."""
        by_day: dict[date, list[list[Flowable | str]]] = defaultdict(list)
        for each in sorted(self.week.spells, key=lambda each: each.begins):
            if each.begins < self.until:
                who = ", ".join(self.people.get(name, name) for name in each.people)
                by_day[each.begins.astimezone(self.zone).date()].append(
                    [
                        _TICK,
                        f"{self._clock(each.begins)}–{self._clock(each.ends)}",
                        text(who),
                        text(each.title),
                        text(self.titles[each.job]),
                    ]
                )
        for day, rows in by_day.items():
            yield KeepTogether(
                [
                    text(day_in_words(day), HEADING),
                    table([["", "When", "Who", "What", "Book"], *rows], [10, 24, 26, 62, 53]),
                ]
            )

    def waits(self) -> Iterator[Flowable]:
        """What dries or stands, and until when."""
        rows = [
            [text(self.titles[each.job]), text(each.words), date_in_words(each.ends, self.zone.key)]
            for each in sorted(self.week.waits, key=lambda each: each.ends)
            if each.begins < self.until
        ]
        if rows:
            yield text("Standing and drying", HEADING)
            yield table([["Book", "How", "Until"], *rows], [75, 55, 45])
