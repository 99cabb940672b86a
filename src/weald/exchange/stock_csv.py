"""The shelf as a table for spreadsheets, out and in.

Tables come in as spreadsheets write them: UTF-8 or Latin-1, commas, semicolons or tabs between, points or
commas for decimals.
"""

import csv
import io
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from weald.core.errors import SpecError, WealdError
from weald.core.materials import STOCK_KINDS, StockKind
from weald.core.notation import Notation, plain_number
from weald.core.shelf.stock import MM_PER_METRE, StockItem, read_count, read_stock
from weald.exchange.pieces_csv import harmless

COLUMNS = (
    "kind",
    "name",
    "colour",
    "form",
    "width",
    "height",
    "grain",
    "grammage",
    "pounds",
    "grade",
    "bulk",
    "calliper",
    "stack_leaves",
    "stack_thickness",
    "price",
    "count",
    "warn_below",
    "place",
    "note",
)
MOST_ROWS = 5000
_NUMBERS = ("width", "height", "grammage", "bulk", "calliper", "price")


class TableError(WealdError):
    """A table that is none, or has no columns that are known."""


@dataclass(frozen=True, slots=True)
class StockRow:
    """One row of a table: the item and its count, or what is wrong with it, by column."""

    line: int
    name: str
    item: StockItem | None
    count: int
    problems: dict[str, str]


def stock_csv(rows: Iterable[tuple[StockItem, int]]) -> str:
    """One row an item; sizes in millimetres, counts of rolls and reels in metres, a point for decimals."""
    buffer = io.StringIO()
    writer = csv.writer(buffer)
    writer.writerow(COLUMNS)
    for item, count in rows:
        writer.writerow(harmless(_cell(item, count, column)) for column in COLUMNS)
    return buffer.getvalue()


def _counted(item: StockItem, count: int) -> str:
    return plain_number(count / MM_PER_METRE, 3) if item.form in ("roll", "reel") else str(count)


def _cell(item: StockItem, count: int, column: str) -> str:
    values: dict[str, object] = {
        "pounds": item.basis.pounds if item.basis else None,
        "grade": item.basis.grade.value if item.basis else None,
        "stack_leaves": item.stack.leaves if item.stack else None,
        "stack_thickness": item.stack.thickness if item.stack else None,
        "count": _counted(item, count),
        "warn_below": _counted(item, item.warn_below),
    }
    value = values[column] if column in values else getattr(item, column)
    if value is None:
        return ""
    return plain_number(value, 4) if isinstance(value, float) else str(value)


def read_stock_csv(content: bytes, notation: Notation) -> list[StockRow]:
    """The rows of a table; those that are wrong say why, and do not spoil the others.

    :raises TableError: when it is no table of stock at all.
    """
    text = _decoded(content)
    lines = text.splitlines()
    if not lines:
        raise TableError("The file is empty; it needs a first row that names its columns.")
    delimiter = max(",;\t", key=lines[0].count)
    reader = csv.DictReader(io.StringIO(text), delimiter=delimiter)
    columns = {_plain(name): name for name in reader.fieldnames or () if name}
    if "name" not in columns:
        raise TableError(f"There is no column “name”; known columns are {', '.join(COLUMNS)}.")
    if unknown := sorted(set(columns) - set(COLUMNS)):
        raise TableError(f"Unknown column “{unknown[0]}”; known columns are {', '.join(COLUMNS)}.")
    found: list[StockRow] = []
    try:
        for row in reader:
            if len(found) >= MOST_ROWS:
                raise TableError(f"More than {MOST_ROWS} rows; split the table.")
            cells = {column: (row.get(name) or "").strip() for column, name in columns.items()}
            if any(cells.values()):
                found.append(_read_row(reader.line_num, cells, notation))
    except csv.Error as error:
        raise TableError(f"The table cannot be read: {error}.") from None
    return found


def _decoded(content: bytes) -> str:
    for encoding in ("utf-8-sig", "cp1252"):
        try:
            text = content.decode(encoding)
        except UnicodeDecodeError:
            continue
        if "\0" not in text:
            return text
    raise TableError("This is not a table of text; save it as CSV.")


def _plain(name: str) -> str:
    return name.strip().lower().replace(" ", "_")


def _read_row(line: int, cells: dict[str, str], notation: Notation) -> StockRow:
    cells = {column: _unguarded(text) for column, text in cells.items()}
    name = cells.get("name", "")
    try:
        item = read_stock(_entries(cells), notation)
        count = read_count(item, cells.get("count") or "0")
        warn = read_count(item, cells.get("warn_below") or "0")
    except SpecError as error:
        return StockRow(line, name, None, 0, error.fields)
    return StockRow(line, name, item.model_copy(update={"warn_below": warn}), count, {})


def _unguarded(text: str) -> str:
    """A cell without the mark that keeps spreadsheets from taking it for a formula."""
    return text[1:] if text.startswith("'") and harmless(text[1:]) == text else text


def _entries(cells: dict[str, str]) -> dict[str, Any]:
    kind: StockKind = cells.get("kind", "").lower().replace(" ", "_") or "paper"  # type: ignore[assignment]
    data: dict[str, Any] = {
        "kind": kind,
        "form": cells.get("form", "").lower() or (STOCK_KINDS[kind].form if kind in STOCK_KINDS else "sheet"),
    }
    for column in ("name", "colour", "place", "note", "grain"):
        if cells.get(column):
            data[column] = cells[column]
    for column in _NUMBERS:
        if cells.get(column):
            data[column] = cells[column].replace(",", ".")
    if cells.get("pounds"):
        data["basis"] = {
            "pounds": cells["pounds"].replace(",", "."),
            "grade": cells.get("grade", "").lower(),
        }
    if cells.get("stack_leaves"):
        data["stack"] = {
            "leaves": cells["stack_leaves"],
            "thickness": cells.get("stack_thickness", "").replace(",", "."),
        }
    return data
