"""The shelf as a table: out, and in from whatever a spreadsheet writes."""

import pytest

from weald.core.notation import MILLIMETRES
from weald.core.shelf.stock import StockItem, read_stock
from weald.exchange.stock_csv import MOST_ROWS, TableError, read_stock_csv, stock_csv

ITEMS: list[tuple[StockItem, int]] = [
    (
        read_stock(
            {
                "name": "Gull laid, cream",
                "grammage": 90,
                "bulk": 1.3,
                "width": 450,
                "height": 320,
                "grain": "width",
                "price": 0.21,
                "warn_below": 50,
            }
        ),
        260,
    ),
    (read_stock({"name": "Pippin", "basis": {"pounds": 80, "grade": "text"}}), 3),
    (read_stock({"name": "Chancel", "stack": {"leaves": 50, "thickness": 6.2}}), 0),
    (read_stock({"name": "Sea-green", "kind": "cloth", "form": "roll", "width": 1380}), 4250),
]


def test_what_goes_out_comes_in_again() -> None:
    rows = read_stock_csv(stock_csv(ITEMS).encode(), MILLIMETRES)
    assert [(row.item, row.count, row.problems) for row in rows] == [(*each, {}) for each in ITEMS]


def test_a_formula_goes_out_as_text_and_comes_back() -> None:
    evil = read_stock({"name": '=HYPERLINK("x")', "note": "@sum", "colour": "-red", "place": "+1"})
    table = stock_csv([(evil, 1)])
    cells = table.splitlines()[1]
    for formula in ("=HYPER", "@sum", "-red", "+1"):
        assert f"'{formula}" in cells
    (row,) = read_stock_csv(table.encode(), MILLIMETRES)
    assert row.item == evil


def test_a_table_as_a_german_spreadsheet_writes_it() -> None:
    table = "Name;Kind;Width;Height;Grain;Grammage;Price;Count\nBütte;paper;420,5;594;height;90,5;1,20;12\n"
    for encoding in ("latin-1", "utf-8", "utf-8-sig"):
        (row,) = read_stock_csv(table.encode(encoding), MILLIMETRES)
        assert row.problems == {}
        assert row.item is not None
        assert (row.item.name, row.item.width, row.item.grammage) == ("Bütte", 420.5, 90.5)
        assert (row.item.price, row.count) == (1.2, 12)


def test_bad_rows_are_named_and_good_ones_kept() -> None:
    table = "name,kind,width,height,count\nGood,paper,420,594,1\n,paper,420,594,1\nOdd,plywood,420,594,1\n"
    table += "Wide,paper,wide,594,1\nMany,paper,420,594,some\nInches,paper,17in,25in,4\n\n"
    rows = read_stock_csv(table.encode(), MILLIMETRES)
    assert [(row.line, row.name, set(row.problems)) for row in rows] == [
        (2, "Good", set()),
        (3, "", {"name"}),
        (4, "Odd", {"kind"}),
        (5, "Wide", {"width"}),
        (6, "Many", {"count"}),
        (7, "Inches", set()),
    ]
    assert rows[-1].item is not None
    assert rows[-1].item.width == pytest.approx(431.8)


@pytest.mark.parametrize(
    ("content", "words"),
    [
        (b"", "empty"),
        (b"kind,width\npaper,3\n", "no column"),
        (b"name,flavour\nGull,sweet\n", "flavour"),
        (b"\x00\x01\x02", "not a table"),
        (b"name\n" + b"Gull\n" * (MOST_ROWS + 1), "split the table"),
    ],
)
def test_what_is_no_table_is_said_so(content: bytes, words: str) -> None:
    with pytest.raises(TableError, match=words):
        read_stock_csv(content, MILLIMETRES)
