"""The shelf over HTTP: items, their counts, grain tests, tables, conversions."""

import datetime
import uuid
from typing import Any, Literal, cast

from django.core.paginator import Paginator
from django.db.models import Case, F, OrderBy, QuerySet, Sum, Value, When
from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Body, File, Query, Router, Schema, Status
from ninja.files import UploadedFile
from pydantic import Field

from weald.core.drawing import Drawing
from weald.core.errors import SpecError, WealdError
from weald.core.job.entries import lengths_of
from weald.core.materials import STOCK_KINDS, StockKind
from weald.core.notation import Notation
from weald.core.paper import Grade, SheetGrain
from weald.core.shelf.conversions import Quantity, convert
from weald.core.shelf.grain_tests import guides
from weald.core.shelf.stock import (
    GrainMethod,
    GrainTest,
    StockItem,
    count_words,
    draft_stock,
    grain_words,
    read_count,
    read_stock,
    size_words,
    weight_words,
)
from weald.core.shelf.words import read_stock_words
from weald.exchange.stock_csv import read_stock_csv, stock_csv
from weald.web.accounts.names import author_of
from weald.web.api.downloads import file_response
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.rates import BRINGING
from weald.web.api.schemas import Problem
from weald.web.api.typed import StockInput
from weald.web.shelf import services
from weald.web.shelf.models import Movement, ShelfItem

router = Router(tags=["shelf"])
PAGE_SIZE = 50
LARGEST_TABLE = 5_000_000
ShelfSort = Literal["kind", "name", "size", "weight", "thickness", "price", "count", "place", "updated"]
_SORTS: dict[ShelfSort, str] = {
    "kind": "kind",
    "name": "name",
    "size": "area",
    "weight": "gsm",
    "thickness": "thickness",
    "price": "price",
    "count": "count",
    "place": "place",
    "updated": "updated",
}


_KIND_ORDER = Case(*(When(kind=kind, then=Value(place)) for place, kind in enumerate(STOCK_KINDS)))
"""Kinds as the trade thinks of them: what the book is made of first."""


class ShelfRow(Schema):
    """An item of stock, as numbers and as people say it.

    ``inputs`` are its lengths as they stand in their fields, and its counts.
    """

    id: int
    item: StockItem
    count: int
    count_words: str
    size: str
    grain: str
    weight: str
    thickness: str
    low: bool
    offcut_of: int | None
    offcuts: int
    inputs: dict[str, str]
    warning: str = ""


class ShelfPage(Schema):
    """Part of the shelf."""

    items: list[ShelfRow]
    count: int
    page: int
    pages: int


class StockDraft(Schema):
    """An item as it is understood, before it is put on the shelf."""

    item: StockInput
    count: str
    understood: list[str]
    warning: str


class MovementRow(Schema):
    """One movement of an item."""

    change: str
    reason: str
    note: str
    author: str
    at: datetime.datetime
    job: str


class CountChange(Schema):
    """So much more or less of an item, as typed. ``key`` makes asking twice count once."""

    change: str = Field(max_length=30)
    reason: Literal["bought", "counted", "used", "spoilt"]
    note: str = Field("", max_length=200)
    key: uuid.UUID | None = None


class TestRecord(Schema):
    """What a grain test found: the side of the sheet the grain runs along."""

    method: GrainMethod
    result: SheetGrain


class GuideReply(Schema):
    """One way to test grain."""

    method: GrainMethod
    title: str
    steps: list[str]
    along: str
    crosswise: str
    drawing: Drawing


class ConvertQuestion(Schema):
    """A weight or thickness to be converted."""

    value: float
    unit: Quantity
    grade: Grade = Grade.TEXT
    bulk: float | None = Field(None, gt=0.3, le=4)
    leaves: int = Field(1, ge=1, le=10000)


class ConvertedReply(Schema):
    """One answer with its sum."""

    label: str
    value: float
    shown: str
    sum: str


class TableRow(Schema):
    """What one row of a table would do."""

    line: int
    name: str
    effect: services.RowEffect
    problems: dict[str, str]


class TableReply(Schema):
    """What a table would do to the shelf, or did."""

    rows: list[TableRow]
    taken: int | None = None


class WordsQuestion(Schema):
    """An item in one line."""

    words: str = Field(min_length=1, max_length=300)


def items_of(request: HttpRequest) -> QuerySet[ShelfItem]:
    """The stock of the workshop that is asking."""
    return ShelfItem.objects.filter(workshop=workshop_of(request))


def item_of(request: HttpRequest, item_id: int) -> ShelfItem:
    """One item of it.

    :raises django.http.Http404: when there is none.
    """
    return get_object_or_404(items_of(request), pk=item_id)


def _row(item: ShelfItem, notation: Notation, offcuts: int | None = None) -> ShelfRow:
    spec = services.item_spec(item)
    thickness = spec.thickness
    inputs = {path: notation.editable(length) for path, length in lengths_of(spec)}
    return ShelfRow(
        id=item.pk,
        item=spec,
        count=item.count,
        count_words=count_words(spec, item.count),
        size=size_words(spec, notation),
        grain=grain_words(spec, notation),
        weight=weight_words(spec),
        thickness="" if thickness is None else notation.thickness(thickness, True),
        low=item.warn_below > 0 and item.count <= item.warn_below,
        offcut_of=item.offcut_of_id,
        offcuts=offcuts or 0,
        inputs=inputs | {"warn_below": count_words(spec, item.warn_below).split()[0]},
    )


@router.get("/shelf", response=ShelfPage, operation_id="listShelf")
def list_shelf(
    request: HttpRequest,
    search: str = Query("", max_length=200),
    kind: StockKind | None = Query(None),
    low: bool = Query(False),
    offcuts: bool | None = Query(None),
    sort: ShelfSort = Query("kind"),
    down: bool = Query(False),
    page: int = Query(1, ge=1, le=100000),
) -> ShelfPage:
    """A page of the shelf."""
    items = services.search(items_of(request).filter(archived=False), search, kind, low=low, offcuts=offcuts)
    key = _KIND_ORDER if sort == "kind" else F(_SORTS[sort])
    order = OrderBy(key, descending=down, nulls_last=True)
    rows = items.annotate(spare=Sum("offcuts__count")).order_by(order, "name", "pk")
    paginator, notation = Paginator(rows, PAGE_SIZE), notation_of(request)
    shown = paginator.get_page(page)
    return ShelfPage(
        items=[_row(item, notation, cast(Any, item).spare) for item in shown],
        count=paginator.count,
        page=shown.number,
        pages=paginator.num_pages,
    )


def _split(data: dict[str, Any]) -> tuple[dict[str, Any], str, str]:
    """The entries of an item, and its count and warning level, which are typed in its own measure."""
    entries = {key: value for key, value in data.items() if key not in ("count", "warn_below", "warning")}
    return entries, str(data.get("count") or "0"), str(data.get("warn_below") or "0")


def _read(data: dict[str, Any], notation: Notation) -> tuple[StockItem, int]:
    entries, count, warn = _split(data)
    item = read_stock(entries, notation)
    try:
        below = read_count(item, warn)
    except SpecError as error:
        raise SpecError({"warn_below": error.fields["count"]}) from None
    return item.model_copy(update={"warn_below": below}), read_count(item, count)


@router.post("/shelf", response={201: ShelfRow, 422: Problem}, operation_id="addStock")
def add_stock(request: HttpRequest, item: StockInput = Body(...)) -> Status:
    """Put an item on the shelf, with its ``count``."""
    notation = notation_of(request)
    spec, count = _read(item, notation)
    made = services.add_item(workshop_of(request), person(request), spec, count)
    return Status(201, _row(made, notation))


@router.post("/shelf/words", response={200: StockDraft, 422: Problem}, operation_id="readStockWords")
def read_words(request: HttpRequest, question: WordsQuestion) -> StockDraft:
    """What a line such as “A2 120 gsm long” says, before it is put on the shelf."""
    notation = notation_of(request)
    found = read_stock_words(question.words, notation.bare)
    warning, count = found.pop("warning", ""), found.pop("count", "0")
    item = draft_stock(found)
    understood = [
        item.kind.replace("_", " "),
        size_words(item, notation),
        weight_words(item),
        "" if item.thickness is None else notation.thickness(item.thickness, True),
        grain_words(item, notation) if item.grain else "",
        f"count {count}" if count != "0" else "",
    ]
    lengths = {path: notation.editable(length) for path, length in lengths_of(item)}
    entries = item.model_dump(mode="json", exclude_none=True) | {
        path: text for path, text in lengths.items() if "." not in path
    }
    return StockDraft(
        item=entries, count=count, understood=[each for each in understood if each], warning=warning
    )


@router.get("/shelf/guides", response=list[GuideReply], operation_id="grainGuides")
def grain_guides(request: HttpRequest, kind: StockKind = Query("paper")) -> list[GuideReply]:
    """Ways to test the grain of a kind of stock."""
    return [GuideReply.from_orm(guide) for guide in guides(kind)]


@router.post("/convert", response={200: list[ConvertedReply], 422: Problem}, operation_id="convert")
def convert_weights(request: HttpRequest, question: ConvertQuestion) -> list[ConvertedReply]:
    """A weight or thickness in every other unit, with the sums."""
    answers = convert(
        question.value,
        question.unit,
        grade=question.grade,
        bulk=question.bulk,
        leaves=question.leaves,
    )
    return [ConvertedReply.from_orm(each) for each in answers]


@router.get("/shelf.csv", operation_id="takeShelf")
def take_shelf(request: HttpRequest) -> HttpResponse:
    """The whole shelf as a table; offcuts come and go by themselves and are left out."""
    items = items_of(request).filter(archived=False, offcut_of=None).order_by("kind", "name", "pk")
    table = stock_csv((services.item_spec(item), item.count) for item in items)
    return file_response(table, workshop_of(request).name, "-shelf.csv", "text/csv; charset=utf-8")


@router.post(
    "/shelf/table", response={200: TableReply, 422: Problem}, operation_id="bringShelf", throttle=BRINGING
)
def bring_shelf(
    request: HttpRequest,
    file: UploadedFile = File(...),
    take: bool = Query(False),
    keep_good: bool = Query(False),
) -> TableReply:
    """See what a table would do to the shelf; with ``take`` do it.

    Rows that are wrong hold up the others, unless ``keep_good`` says to leave them out.
    """
    if (file.size or 0) > LARGEST_TABLE:
        raise WealdError("The table is larger than 5 MB; split it.")
    rows = read_stock_csv(file.read(), notation_of(request))
    compared = services.compare_rows(workshop_of(request), rows)
    taken = None
    if take:
        wrong = [each.row for each in compared if each.effect == "wrong"]
        if wrong and not keep_good:
            lines = {f"line {row.line}": "; ".join(row.problems.values()) for row in wrong[:20]}
            raise SpecError(lines)
        taken = services.take_rows(workshop_of(request), person(request), rows)
    return TableReply(
        rows=[
            TableRow(line=each.row.line, name=each.row.name, effect=each.effect, problems=each.row.problems)
            for each in compared
        ],
        taken=taken,
    )


@router.get("/shelf/{int:item_id}", response={200: ShelfRow, 404: Problem}, operation_id="openStock")
def open_stock(request: HttpRequest, item_id: int) -> ShelfRow:
    """One item."""
    item = item_of(request, item_id)
    spare = item.offcuts.aggregate(spare=Sum("count"))["spare"]
    return _row(item, notation_of(request), spare)


@router.put(
    "/shelf/{int:item_id}",
    response={200: ShelfRow, 404: Problem, 422: Problem},
    operation_id="changeStock",
)
def change_stock(request: HttpRequest, item_id: int, item: StockInput = Body(...)) -> ShelfRow:
    """Change an item; its count is changed by counting, not here."""
    notation = notation_of(request)
    there = item_of(request, item_id)
    spec, _ = _read({**item, "count": "0"}, notation)
    return _row(services.write(there, spec), notation)


@router.delete("/shelf/{int:item_id}", response={204: None, 404: Problem}, operation_id="removeStock")
def remove_stock(request: HttpRequest, item_id: int) -> Status:
    """Take an item off the list; its history stays, and it can be put back."""
    items_of(request).filter(pk=item_of(request, item_id).pk).update(archived=True)
    return Status(204, None)


@router.post(
    "/shelf/{int:item_id}/restore", response={200: ShelfRow, 404: Problem}, operation_id="restoreStock"
)
def restore_stock(request: HttpRequest, item_id: int) -> ShelfRow:
    """Put an item back on the list."""
    item = item_of(request, item_id)
    item.archived = False
    item.save(update_fields=["archived", "updated"])
    return _row(item, notation_of(request))


@router.post(
    "/shelf/{int:item_id}/duplicate", response={201: ShelfRow, 404: Problem}, operation_id="duplicateStock"
)
def duplicate_stock(request: HttpRequest, item_id: int) -> Status:
    """Another item like this one, none of it there yet and its grain not tested."""
    item = item_of(request, item_id)
    spec = services.item_spec(item)
    copied = spec.model_copy(update={"name": f"{spec.name[:190]}, copy", "tests": ()})
    made = services.add_item(workshop_of(request), person(request), copied, 0)
    return Status(201, _row(made, notation_of(request)))


@router.post(
    "/shelf/{int:item_id}/count",
    response={200: ShelfRow, 404: Problem, 409: Problem, 422: Problem},
    operation_id="countStock",
)
def count_stock(request: HttpRequest, item_id: int, change: CountChange) -> ShelfRow:
    """Count an item up or down; *counted* says how many there are."""
    item = item_of(request, item_id)
    spec = services.item_spec(item)
    text = change.change.strip().replace("−", "-")
    down = text.startswith("-")
    amount = read_count(spec, text.lstrip("+-"))
    note, key = change.note, change.key
    if change.reason == "counted":
        made = services.recount(item, person(request), amount, note=note, key=key)
    else:
        moved = -amount if down or change.reason in ("used", "spoilt") else amount
        made = services.move(item, person(request), moved, change.reason, note=note, key=key)
    return _row(made, notation_of(request))


@router.get(
    "/shelf/{int:item_id}/movements",
    response={200: list[MovementRow], 404: Problem},
    operation_id="listMovements",
)
def list_movements(request: HttpRequest, item_id: int) -> list[MovementRow]:
    """Every movement of an item, newest first."""
    item = item_of(request, item_id)
    spec = services.item_spec(item)
    return [
        MovementRow(
            change=("+" if each.change >= 0 else "−") + count_words(spec, abs(each.change)),
            reason=Movement.Reason(each.reason).label,
            note=each.note,
            author=author_of(each),
            at=each.at,
            job=each.job.title if each.job else (each.cutting.title if each.cutting else ""),
        )
        for each in item.movements.select_related("author", "job", "cutting").order_by("-at", "-pk")[:200]
    ]


@router.post(
    "/shelf/{int:item_id}/grain",
    response={200: ShelfRow, 404: Problem, 422: Problem},
    operation_id="recordGrain",
)
def record_grain(request: HttpRequest, item_id: int, found: TestRecord) -> ShelfRow:
    """Keep what a grain test found."""
    item = item_of(request, item_id)
    test = GrainTest(
        method=found.method,
        day=datetime.date.today(),
        result=found.result,
        by=person(request).get_username()[:120],
    )
    return _row(services.record_test(item, test), notation_of(request))
