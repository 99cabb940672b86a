"""The simulated guillotine: it cuts by the table alone, and says what it cannot cut."""

from dataclasses import replace

import pytest

from weald.core.cutting.order import Blank, CuttingOrder, Shears, Stock
from weald.core.cutting.solve import lay_out
from weald.exchange.cuts_csv import cuts_csv
from weald.standins.guillotine import GuillotineError, Tally, cut, tally

BLANKS = (
    Blank("1:board", "Board", 139.5, 216, 6, "height"),
    Blank("1:spine", "=Spine board", 16, 216, 3, "height"),
    Blank("1:card", "Card", 90, 140, 5, "any"),
)
STOCK = (
    Stock("1", "Greyboard", 1000, 700, "width"),
    Stock("2", "Offcut", 420, 330, "width", 1, offcut=True, square=True),
)


def table(kerf: float = 0.0) -> str:
    layout = lay_out(CuttingOrder(BLANKS, STOCK, Shears(kerf=kerf)))
    return cuts_csv(layout.sheets, {blank.id: blank for blank in BLANKS})


@pytest.mark.parametrize("kerf", [0.0, 2.0])
def test_the_right_pieces_fall(kerf: float) -> None:
    found = tally(cut(table(kerf), kerf), BLANKS)
    assert [(each.name, each.count, each.right) for each in found] == [
        ("Board", 6, True),
        ("=Spine board", 3, True),
        ("Card", 5, True),
    ]


def test_no_spreadsheet_takes_a_label_for_a_formula() -> None:
    assert "'=Spine board" in table()
    assert ",=Spine" not in table()


def test_a_gauge_set_wrong_is_found_out() -> None:
    rows = table().splitlines()
    wrong = [row.replace("139.50", "137.50") for row in rows]
    found = {each.name: each for each in tally(cut("\n".join(wrong)), BLANKS)}
    assert not found["Board"].right


def test_a_lost_row_leaves_pieces_uncut() -> None:
    rows = table().splitlines()
    with pytest.raises(GuillotineError, match="is not there"):
        cut("\n".join([rows[0], *rows[2:]]))
    assert not all(each.right for each in tally(cut("\n".join(rows[:-1])), BLANKS))


@pytest.mark.parametrize(
    ("column", "value", "words"),
    [
        ("setting_mm", "2000.00", "does not cut"),
        ("setting_mm", "x", "cannot be read"),
        ("part", "77", "not there"),
    ],
)
def test_a_table_that_cannot_be_cut_by_names_its_row(column: str, value: str, words: str) -> None:
    head, first, *rest = table().splitlines()
    cells = first.split(",")
    cells[head.split(",").index(column)] = value
    with pytest.raises(GuillotineError, match=words) as caught:
        cut("\n".join([head, ",".join(cells), *rest]))
    assert str(caught.value).startswith("Row 2")


def test_crosswise_pieces_do_not_count_as_right() -> None:
    across = tuple(replace(each, grain="width") for each in BLANKS)
    found = tally(cut(table()), across)
    assert [each.right for each in found] == [False, False, False]
    assert isinstance(found[0], Tally)
