"""What is done with the shelf: items added and changed, counted, and their movements kept."""

import uuid
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from django.contrib.auth.models import User
from django.db import IntegrityError, transaction
from django.db.models import F, Q, QuerySet

from weald.core.errors import WealdError
from weald.core.materials import STOCK_KINDS
from weald.core.shelf.stock import STOCK, GrainTest, OnShelf, StockItem, count_words
from weald.exchange.stock_csv import StockRow, stock_csv
from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Job
from weald.web.shelf.models import Movement, ShelfItem


class ShortError(WealdError):
    """More is asked for than lies on the shelf."""


def item_spec(item: ShelfItem) -> StockItem:
    """The item as the craft knows it."""
    return StockItem.model_validate(STOCK.upgraded(item.spec))


def on_shelf(item: ShelfItem) -> OnShelf:
    """The item with its number and count, to choose stock by."""
    return OnShelf(item.pk, item_spec(item), item.count, item.offcut_of_id)


_DESCRIBED = ("spec", "kind", "name", "words", "place", "area", "gsm", "thickness", "price", "warn_below")


def write(item: ShelfItem, spec: StockItem) -> ShelfItem:
    """Set an item's spec, and what lists repeat of it; never its count, which only movements change."""
    item.spec = spec.model_dump(mode="json", exclude_none=True)
    item.kind, item.name, item.place = spec.kind, spec.name, spec.place
    item.words = " ".join(
        (spec.name, spec.colour, spec.note, spec.place, STOCK_KINDS[spec.kind].title)
    ).lower()
    item.area = spec.width * (spec.height or 1.0) if spec.width else None
    item.gsm, item.thickness, item.price = spec.gsm, spec.thickness, spec.price
    item.warn_below = spec.warn_below
    item.save(update_fields=None if item.pk is None else [*_DESCRIBED, "updated"])
    return item


@transaction.atomic
def add_item(
    workshop: Workshop,
    author: User | None,
    spec: StockItem,
    count: int,
    *,
    reason: Movement.Reason = Movement.Reason.BEGUN,
) -> ShelfItem:
    """Put a new item on the shelf."""
    item = write(ShelfItem(workshop=workshop), spec)
    return move(item, author, count, reason) if count else item


@transaction.atomic
def move(
    item: ShelfItem,
    author: User | None,
    change: int,
    reason: str,
    *,
    note: str = "",
    key: uuid.UUID | None = None,
    job: Job | None = None,
) -> ShelfItem:
    """Count an item up or down. Asked twice with the same key, it counts once.

    :raises ShortError: when there is not so much of it.
    """
    locked = ShelfItem.objects.select_for_update().get(pk=item.pk)
    if key is not None and Movement.objects.filter(key=key, workshop=locked.workshop_id).exists():
        return locked
    if locked.count + change < 0:
        spec = item_spec(locked)
        raise ShortError(
            f"There are only {count_words(spec, locked.count)} of {locked.name}; "
            f"{count_words(spec, -change)} cannot be taken."
        )
    try:
        with transaction.atomic():
            Movement.objects.create(
                workshop_id=locked.workshop_id,
                item=locked,
                change=change,
                reason=reason,
                note=note[:200],
                author=author,
                job=job,
                key=key,
            )
    except IntegrityError:
        # the same key used for another item at the same moment
        return locked
    locked.count += change
    locked.save(update_fields=["count", "updated"])
    return locked


@transaction.atomic
def recount(
    item: ShelfItem, author: User, count: int, *, note: str = "", key: uuid.UUID | None = None
) -> ShelfItem:
    """So many were counted, whatever was thought to be there."""
    locked = ShelfItem.objects.select_for_update().get(pk=item.pk)
    return move(locked, author, count - locked.count, Movement.Reason.COUNTED, note=note, key=key)


@transaction.atomic
def record_test(item: ShelfItem, test: GrainTest) -> ShelfItem:
    """Keep what a grain test found; the item's grain follows it."""
    locked = ShelfItem.objects.select_for_update().get(pk=item.pk)
    spec = item_spec(locked)
    tests = (*spec.tests, test)[-20:]
    return write(locked, spec.model_copy(update={"grain": test.result, "tests": tests}))


def search(
    items: QuerySet[ShelfItem], words: str, kind: str | None, *, low: bool, offcuts: bool | None
) -> QuerySet[ShelfItem]:
    """Items that have every one of the words, of a kind, running low, offcuts or not."""
    for word in words.replace("\0", "").lower().split():
        items = items.filter(words__contains=word)
    if kind:
        items = items.filter(kind=kind)
    if low:
        items = items.filter(Q(warn_below__gt=0) & Q(count__lte=F("warn_below")))
    if offcuts is not None:
        items = items.filter(offcut_of__isnull=not offcuts)
    return items


def family(workshop: Workshop, numbers: Iterable[int]) -> Mapping[int, Sequence[OnShelf]]:
    """Items with their offcuts that are not used up, each item first; only those of the workshop."""
    numbers = set(numbers)
    found = ShelfItem.objects.filter(workshop=workshop, archived=False).filter(
        Q(pk__in=numbers) | Q(offcut_of__in=numbers, count__gt=0)
    )
    families: dict[int, list[OnShelf]] = {}
    for item in found.order_by("pk"):
        if item.pk in numbers:
            families.setdefault(item.pk, []).insert(0, on_shelf(item))
        if item.offcut_of_id in numbers:
            families.setdefault(item.offcut_of_id, []).append(on_shelf(item))
    return {number: entries for number, entries in families.items() if entries[0].number == number}


RowEffect = Literal["add", "change", "same", "wrong"]


@dataclass(frozen=True, slots=True)
class ComparedRow:
    """A row of a table, what it would do to the shelf, and the item it would change."""

    row: StockRow
    effect: RowEffect
    item: ShelfItem | None = None


def compare_rows(workshop: Workshop, rows: Sequence[StockRow]) -> list[ComparedRow]:
    """What each row would do: add an item, change the one of the same kind and name, or nothing."""
    items = ShelfItem.objects.filter(workshop=workshop, archived=False, offcut_of=None).order_by("-pk")
    known = {(item.kind, item.name.lower()): item for item in items}
    return [_compared(row, known) for row in rows]


def _compared(row: StockRow, known: Mapping[tuple[str, str], ShelfItem]) -> ComparedRow:
    if row.item is None:
        return ComparedRow(row, "wrong")
    there = known.get((row.item.kind, row.item.name.lower()))
    if there is None:
        return ComparedRow(row, "add")
    # as written: a table holds fewer decimals than the shelf
    same = stock_csv([(row.item, row.count)]) == stock_csv([(item_spec(there), there.count)])
    return ComparedRow(row, "same" if same else "change", there)


def _merged(item: ShelfItem, spec: StockItem) -> StockItem:
    """An item as a row of a table says; its grain tests stay."""
    before = item_spec(item)
    tests = before.tests if spec.grain == before.grain else ()
    return spec.model_copy(update={"tests": tests})


@transaction.atomic
def take_rows(workshop: Workshop, author: User, rows: Sequence[StockRow]) -> int:
    """Do what good rows say; gives how many items were added or changed."""
    done = 0
    for compared in compare_rows(workshop, rows):
        row, item = compared.row, compared.item
        if row.item is None or compared.effect == "same":
            continue
        done += 1
        if item is None:
            add_item(workshop, author, row.item, row.count)
            continue
        locked = ShelfItem.objects.select_for_update().get(pk=item.pk)
        write(locked, _merged(locked, row.item))
        if row.count != locked.count:
            recount(locked, author, row.count, note="from a table")
    return done
