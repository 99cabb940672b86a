"""Laying pieces of jobs out on the shelf's stock, and booking what was cut."""

import uuid
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Any, Literal

from django.contrib.auth.models import User
from django.db import transaction
from django.db.models import Q
from django.utils import timezone
from pydantic import TypeAdapter

from weald.core.bench.cut import CutEvent, as_cut, still_to_cut
from weald.core.cutting.grouping import (
    BlankId,
    CutResult,
    CuttingOptions,
    JobPieces,
    cutting_groups,
    read_result,
    write_result,
)
from weald.core.cutting.layout import CutSheet
from weald.core.cutting.order import Shears
from weald.core.errors import SpecError, WealdError
from weald.core.notation import MILLIMETRES
from weald.core.paper import SheetGrain
from weald.core.pieces import Piece
from weald.core.shelf.stock import count_words, offcut_of
from weald.core.units import Mm
from weald.web import work
from weald.web.accounts.models import Workshop
from weald.web.bench.pieces import write_cut
from weald.web.jobs.models import Change, Job
from weald.web.jobs.pieces import cut_for
from weald.web.jobs.planned import planned
from weald.web.jobs.services import note_follows
from weald.web.shelf.models import Cutting, Movement, ShelfItem
from weald.web.shelf.services import ShortError, family, item_spec, write
from weald.web.work import Tell

SAME_SIZE: Mm = 0.5
"""Offcuts of one item that differ by less are one item."""


class NotReadyError(WealdError):
    """A cutting that cannot be booked as it stands."""


@lru_cache(maxsize=1)
def _shears() -> TypeAdapter[Shears]:
    return TypeAdapter(Shears)


def result_of(cutting: Cutting) -> CutResult:
    """What was laid out.

    :raises NotReadyError: when it is not done.
    """
    if cutting.state != Cutting.State.DONE or cutting.result is None:
        raise NotReadyError("This has not been laid out yet.")
    return read_result(cutting.result)


@transaction.atomic
def ask_for_cutting(
    workshop: Workshop, author: User, jobs: Sequence[Job], options: dict[str, Any]
) -> Cutting:
    """Have the pieces of jobs laid out by the worker, as the jobs stand now.

    :raises SpecError: when there is nothing that can be laid out.
    """
    if not jobs:
        raise SpecError({"jobs": "Choose at least one job."})
    title = ", ".join(job.title for job in jobs)[:300]
    cutting = Cutting.objects.create(
        workshop=workshop,
        author=author,
        title=title,
        jobs=[{"job": job.pk, "title": job.title, "change": job.head_id} for job in jobs],
        options=options,
    )
    groups, without = _groups(cutting)
    if not groups:
        why = " ".join(without[:4]) or "All of them are cut already."
        raise SpecError({"jobs": f"There is nothing to cut now. {why}"})
    work.hand_over(cutting)
    return cutting


def _groups(cutting: Cutting) -> tuple[list[Any], list[str]]:
    jobs = []
    for each in cutting.jobs:
        found = Change.objects.filter(pk=each["change"], job__workshop=cutting.workshop_id)
        change = found.select_related("job").first()
        if change is None:
            continue
        left = still_to_cut(_pieces(change), cut_for(change.job))
        jobs.append(JobPieces(each["job"], each["title"], left))
    items = {piece.item for job in jobs for piece in job.pieces if piece.item is not None}
    return cutting_groups(jobs, family(cutting.workshop, items), options_of(cutting))


def changed_since(cutting: Cutting) -> list[str]:
    """Titles of the jobs whose pieces, or their stock, are not any more as they were laid out."""
    heads = {
        job.pk: job.head
        for job in Job.objects.filter(
            workshop=cutting.workshop_id, pk__in=[each["job"] for each in cutting.jobs]
        ).select_related("head")
    }
    changed = []
    for each in cutting.jobs:
        head = heads.get(each["job"])
        if head is None:
            changed.append(each["title"])
        elif head.pk != each["change"]:
            before = Change.objects.filter(pk=each["change"]).first()
            if before is None or _pieces(before) != _pieces(head):
                changed.append(each["title"])
    return changed


def _pieces(change: Change) -> tuple[Piece, ...]:
    return planned(change.job_spec, MILLIMETRES).pieces


def options_of(cutting: Cutting) -> CuttingOptions:
    """What the binder wanted otherwise."""
    options = cutting.options
    return CuttingOptions(
        _shears().validate_python(options.get("shears", {})),
        {str(blank): int(item) for blank, item in options.get("pins", {}).items()},
        frozenset(options.get("forbidden", ())),
    )


def carry_out(cutting_id: str) -> None:
    """Lay out what was asked for."""
    work.carry_out(Cutting, cutting_id, _lay_out)


def _lay_out(cutting: Cutting, tell: Tell) -> dict[str, object]:
    # OR-Tools is loaded by the worker alone, and not before there is something to lay out
    from weald.core.cutting.solve import lay_out_groups

    groups, without = _groups(cutting)
    return {"done": cutting.total, "result": write_result(lay_out_groups(groups, without, tell))}


@dataclass(frozen=True, slots=True)
class _Offcut:
    item: int
    width: Mm
    height: Mm
    grain: SheetGrain | None


@transaction.atomic
def book(cutting: Cutting, author: User) -> Cutting:
    """Take what was cut off the shelf and put its offcuts back, in one step; booked again, nothing happens.

    :raises ShortError: when the shelf does not hold so much any more.
    :raises NotReadyError: when it has not been laid out.
    """
    cutting = Cutting.objects.select_for_update(of=("self",)).select_related("workshop").get(pk=cutting.pk)
    result = result_of(cutting)
    if cutting.booked is not None:
        return cutting
    if any(group.layout.missing for group in result.groups):
        raise NotReadyError("Stock does not reach for every piece; choose more and lay out again.")
    taken, offcuts = _amounts(result)
    job = Job.objects.filter(pk=cutting.jobs[0]["job"]).first() if len(cutting.jobs) == 1 else None
    items = _locked(cutting.workshop, taken)
    short = [
        f"{items[number].name}: {count_words(item_spec(items[number]), amount)} to cut, "
        f"{count_words(item_spec(items[number]), items[number].count)} there"
        for number, amount in sorted(taken.items())
        if number in items and items[number].count < amount
    ]
    if gone := [number for number in taken if number not in items]:
        short.append(f"{len(gone)} of the items are not on the shelf any more")
    if short:
        listed = "; ".join(short)
        raise ShortError(f"The shelf does not hold enough. {listed}. Count, buy, or lay out again.")
    for number, amount in sorted(taken.items()):
        _take(items[number], -amount, Movement.Reason.CUT, author, cutting, job)
    for offcut, amount in offcuts.items():
        item = _offcut_item(cutting.workshop, offcut)
        _take(item, amount, Movement.Reason.OFFCUT, author, cutting, job)
    cutting.booked = timezone.now()
    cutting.save(update_fields=["booked"])
    _tell_jobs(cutting, result, "more", author)
    return cutting


@transaction.atomic
def unbook(cutting: Cutting, author: User) -> Cutting:
    """Put back what a cutting took, and take its offcuts away again.

    :raises ShortError: when some of its offcuts were used meanwhile.
    """
    cutting = Cutting.objects.select_for_update().get(pk=cutting.pk)
    if cutting.booked is None:
        return cutting
    changes: Counter[int] = Counter()
    for movement in cutting.movements.all():
        changes[movement.item_id] += movement.change
    items = _locked(cutting.workshop, changes)
    used = [item.name for number, item in items.items() if item.count - changes[number] < 0]
    if used:
        raise ShortError(f"Offcuts of this cutting were used meanwhile ({', '.join(used)}); it stays booked.")
    for number, change in sorted(changes.items()):
        if change and number in items:
            _take(items[number], -change, Movement.Reason.UNDONE, author, cutting, None)
            _put_away_if_nothing(items[number])
    cutting.booked = None
    cutting.save(update_fields=["booked"])
    _tell_jobs(cutting, result_of(cutting), "fewer", author)
    return cutting


def _tell_jobs(cutting: Cutting, result: CutResult, how: Literal["more", "fewer"], author: User) -> None:
    """Let the jobs know that pieces of theirs are cut, or are not after all."""
    cut = {blank.id: blank.count for group in result.groups for blank in group.blanks}
    # in one order, so that two bookings never wait for each other
    for each in sorted(cutting.jobs, key=lambda each: int(each["job"])):
        found = Change.objects.filter(pk=each["change"], job__workshop=cutting.workshop_id)
        change = found.select_related("job", "job__head").first()
        if change is None:
            continue
        pieces = (piece for piece in _pieces(change) if BlankId.of(each["job"], piece.id) in cut)
        events = [CutEvent(how, as_cut(piece, cut[BlankId.of(each["job"], piece.id)])) for piece in pieces]
        write_cut(change.job, author, events, timezone.now(), note=cutting.title[:200])
        note_follows(change.job)


def _put_away_if_nothing(item: ShelfItem) -> None:
    """An offcut there is none of is no row on the shelf; cut again, it is taken out again."""
    if item.offcut_of_id is not None and item.count == 0:
        item.archived = True
        item.save(update_fields=["archived"])


def _amounts(result: CutResult) -> tuple[Counter[int], Counter[_Offcut]]:
    """What is taken of every item, and the offcuts that come back."""
    taken: Counter[int] = Counter()
    offcuts: Counter[_Offcut] = Counter()
    for group in result.groups:
        for usage in group.layout.usage:
            taken[int(usage.stock)] += usage.amount
        for sheet in group.layout.sheets:
            for offcut in _offcuts_of(group.item, sheet):
                offcuts[offcut] += sheet.times
    return taken, offcuts


def _offcuts_of(item: int, sheet: CutSheet) -> list[_Offcut]:
    return [
        _Offcut(item, round(part.width, 1), round(part.height, 1), sheet.grain)
        for part in sheet.parts
        if part.use == "offcut"
    ]


def _locked(workshop: Workshop, numbers: Counter[int]) -> dict[int, ShelfItem]:
    """Items with everything cut from the same stock, held until all is booked.

    Always whole families in one order, so that two bookings never wait for each other, nor make an item
    each for offcuts of one size.
    """
    named = ShelfItem.objects.filter(workshop=workshop, pk__in=list(numbers))
    roots = {root or number for number, root in named.values_list("pk", "offcut_of")}
    family = ShelfItem.objects.select_for_update().filter(Q(pk__in=roots) | Q(offcut_of__in=roots))
    return {item.pk: item for item in family.filter(workshop=workshop).order_by("pk")}


def _take(item: ShelfItem, change: int, reason: str, author: User, cutting: Cutting, job: Job | None) -> None:
    Movement.objects.create(
        item=item, change=change, reason=reason, author=author, cutting=cutting, job=job, key=uuid.uuid4()
    )
    item.count += change
    item.save(update_fields=["count", "updated"])


def _offcut_item(workshop: Workshop, offcut: _Offcut) -> ShelfItem:
    """The item for an offcut: the one there is of that size, or a new one."""
    parent = ShelfItem.objects.get(pk=offcut.item, workshop=workshop)
    root = parent.offcut_of or parent
    for known in ShelfItem.objects.filter(Q(archived=False) | Q(count=0), offcut_of=root):
        spec = item_spec(known)
        near = (
            spec.width is not None
            and spec.height is not None
            and abs(spec.width - offcut.width) <= SAME_SIZE
            and abs(spec.height - offcut.height) <= SAME_SIZE
        )
        if near and spec.grain == offcut.grain:
            if known.archived:
                known.archived = False
                known.save(update_fields=["archived"])
            return known
    spec = offcut_of(item_spec(root), offcut.width, offcut.height, offcut.grain)
    return write(ShelfItem(workshop=workshop, offcut_of=root), spec)
