"""All that happened in a workshop, read together: at the bench, on the shelf, in plans, what was decided."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime, timedelta
from heapq import merge
from typing import Any, Literal, get_args

from django.db.models import Q, QuerySet

from weald.core.book.operation import minutes_in_words
from weald.core.notation import Notation
from weald.core.shelf.stock import count_words
from weald.web.accounts.models import Workshop
from weald.web.accounts.names import author_of
from weald.web.bench.models import BenchEvent, BenchPicture
from weald.web.bench.telling import words_of
from weald.web.jobs.models import Move
from weald.web.office.models import Decision
from weald.web.shelf.models import Movement
from weald.web.shelf.services import item_spec

EntryKind = Literal["bench", "picture", "shelf", "plan", "decided"]
ENTRY_KINDS: tuple[EntryKind, ...] = get_args(EntryKind)
PAGE = 60
WINDOW = timedelta(days=45)
"""So far back a page looks where nothing else narrows it down; further back is asked for by its day."""


@dataclass(frozen=True, slots=True)
class DaybookEntry:
    """One thing that happened.

    :param what: the operation, or what was done; ``words`` what there is to say of it.
    :param picture: the key of a picture of it.
    """

    kind: EntryKind
    at: datetime
    author: str
    job: int | None
    book: str
    what: str
    words: str
    picture: str = ""


@dataclass(frozen=True, slots=True)
class Asked:
    """What part of the daybook is read: before a moment, of a kind, job, person or material, with words."""

    before: datetime
    kind: EntryKind | None = None
    job: int | None = None
    person: str = ""
    material: str = ""
    search: str = ""

    @property
    def narrow(self) -> bool:
        """Whether so little answers that all of the past may be looked through."""
        return bool(self.job or self.person or self.material or self.search)


def read_daybook(workshop: Workshop, asked: Asked, notation: Notation) -> list[DaybookEntry]:
    """The newest entries before a moment, at most one page and one more."""
    readers = {
        "bench": _bench,
        "picture": _pictures,
        "shelf": _shelf,
        "plan": _plans,
        "decided": _decided,
    }
    # every keystroke that is kept changes a plan: that is read of one job, or when it is asked for
    usual = tuple(kind for kind in ENTRY_KINDS if kind != "plan" or asked.job is not None)
    kinds = (asked.kind,) if asked.kind else usual
    if asked.material:
        kinds = tuple(kind for kind in kinds if kind == "shelf")
    found = (list(readers[kind](workshop, asked, notation)) for kind in kinds)
    ordered = merge(*found, key=lambda entry: entry.at, reverse=True)
    return [entry for entry, _ in zip(ordered, range(PAGE + 1), strict=False)]


def _cut(rows: QuerySet[Any], asked: Asked, job: str, *texts: str) -> QuerySet[Any]:
    """Rows narrowed down as asked, the newest first, no more than a page takes."""
    rows = rows.filter(at__lt=asked.before)
    if not asked.narrow:
        rows = rows.filter(at__gte=asked.before - WINDOW)
    if asked.job is not None:
        rows = rows.filter(**{f"{job}_id": asked.job})
    if asked.person:
        rows = rows.filter(author__username=asked.person)
    for word in asked.search.split():
        said = Q(**{f"{job}__title__icontains": word})
        for text in texts:
            said |= Q(**{f"{text}__icontains": word})
        rows = rows.filter(said)
    return rows.select_related("author").order_by("-at", "-pk")[: PAGE + 1]


def _bench(workshop: Workshop, asked: Asked, notation: Notation) -> Iterator[DaybookEntry]:
    rows = BenchEvent.objects.filter(job__workshop=workshop).select_related("job")
    for row in _cut(rows, asked, "job", "title", "note"):
        said = " ".join(filter(None, (words_of(row, notation), _took(row), row.note)))
        what = f"{row.get_kind_display()}: {row.title}" if row.title else row.get_kind_display()
        yield DaybookEntry("bench", row.at, author_of(row), row.job_id, row.job.title, what, said)


def _took(row: BenchEvent) -> str:
    """What an operation took, beside its plan; of what was ticked as done without a beginning, nothing."""
    if row.kind != BenchEvent.Kind.DONE or not row.data.get("worked"):
        return ""
    worked, planned = (minutes_in_words(row.data[name]) for name in ("worked", "planned"))
    return f"{worked}, {planned} planned."


def _pictures(workshop: Workshop, asked: Asked, notation: Notation) -> Iterator[DaybookEntry]:
    rows = BenchPicture.objects.filter(job__workshop=workshop).select_related("job")
    for row in _cut(rows, asked, "job", "title", "caption"):
        what = row.title or "A picture"
        yield DaybookEntry(
            "picture", row.at, author_of(row), row.job_id, row.job.title, what, row.caption, str(row.key)
        )


def _shelf(workshop: Workshop, asked: Asked, notation: Notation) -> Iterator[DaybookEntry]:
    rows = Movement.objects.filter(item__workshop=workshop).select_related("job", "item")
    if asked.material:
        rows = rows.filter(item__words__contains=asked.material.lower())
    for row in _cut(rows, asked, "job", "item__name", "note"):
        sign = "+" if row.change > 0 else "−"
        amount = count_words(item_spec(row.item), abs(row.change))
        book = row.job.title if row.job else ""
        what = f"{row.get_reason_display()}: {row.item.name}"
        yield DaybookEntry(
            "shelf", row.at, author_of(row), row.job_id, book, what, f"{sign}{amount} {row.note}".strip()
        )


def _plans(workshop: Workshop, asked: Asked, notation: Notation) -> Iterator[DaybookEntry]:
    rows = Move.objects.filter(job__workshop=workshop).select_related("job", "change")
    for row in _cut(rows, asked, "job", "change__summary"):
        said = notation.read(row.change.summary)
        yield DaybookEntry(
            "plan", row.at, author_of(row), row.job_id, row.job.title, row.get_verb_display(), said
        )


def _decided(workshop: Workshop, asked: Asked, notation: Notation) -> Iterator[DaybookEntry]:
    rows = Decision.objects.filter(workshop=workshop).select_related("job")
    for row in _cut(rows, asked, "job", "words"):
        book = row.job.title if row.job else ""
        yield DaybookEntry("decided", row.at, author_of(row), row.job_id, book, row.words, "")
