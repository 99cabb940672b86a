"""A job's account, by hand: what is planned, what it came to, and what is put on top."""

from dataclasses import replace
from datetime import UTC, datetime
from decimal import Decimal
from typing import Any

import pytest

from tests.conftest import job_in
from weald.core.bench.record import Recorded
from weald.core.book.operation import Operation
from weald.core.costs.costing import Costing, CostLine, Taken, costing
from weald.core.costs.materials import PlannedMaterial, from_layout, from_stock, share_of, worth
from weald.core.costs.terms import read_bought, read_terms
from weald.core.cutting.grouping import CutGroup, CuttingOptions, JobPieces, cutting_groups
from weald.core.cutting.solve import lay_out
from weald.core.job.spec import read_spec
from weald.core.pieces import Piece
from weald.core.planning.plan import plan
from weald.core.shelf.stock import OnShelf, StockItem, read_stock

MORNING = datetime(2026, 5, 6, 9, tzinfo=UTC)


def account(terms: dict[str, Any], **parts: Any) -> Costing:
    usual: dict[str, Any] = {
        "copies": 1,
        "planned": [],
        "without": [],
        "taken": [],
        "bought": [],
        "operations": [],
        "recorded": [],
    }
    return costing(read_terms({"rate": "36"} | terms), **{**usual, **parts})


def sums(found: Costing) -> dict[str, tuple[str, str]]:
    return {each.label: (str(each.planned), str(each.found)) for each in found.sums}


def sewing() -> Operation:
    made = plan(read_spec(job_in("flat_case")))
    operation = next(each for each in made.operations if each.id == "sew")
    return replace(operation, minutes=50.0, people=1)


def recorded(operation: str, worked: float, *people: str) -> Recorded:
    return Recorded(
        operation=operation,
        title=operation,
        people=people,
        begun=MORNING,
        ended=MORNING,
        worked=worked,
        worked_shown=f"{worked:.0f} min",
        planned=0,
        planned_shown="",
        done=True,
        lines=(),
    )


def test_everything_is_put_on_top_of_what_is_spent() -> None:
    found = account(
        {
            "margin": "10",
            "taxes": [{"name": "Sales tax", "percent": "20"}, {"name": "Levy", "percent": "1"}],
        },
        copies=3,
        planned=[PlannedMaterial(1, "Board", Decimal("12.345"), "3 sheets")],
        taken=[Taken(1, "Board", Decimal("16.80"), "4 sheets")],
        bought=read_bought({"things": [{"label": "Foil", "count": "0.5", "price": "12.90"}]}).things,
        operations=[sewing()],
        recorded=[recorded("sew", 70.0)],
    )
    # 12.35 + 6.45 + 50 min at 36 = 48.80, and 16.80 + 6.45 + 70 min = 65.25; taxes on 53.68 and 71.78
    assert sums(found) == {
        "Materials": ("12.35", "16.80"),
        "Bought": ("6.45", "6.45"),
        "Work": ("30.00", "42.00"),
        "Spent": ("48.80", "65.25"),
        "Margin, 10 %": ("4.88", "6.53"),
        "Price without taxes": ("53.68", "71.78"),
        "Sales tax, 20 %": ("10.74", "14.36"),
        "Levy, 1 %": ("0.54", "0.72"),
        "Price": ("64.96", "86.86"),
    }
    assert (found.net.planned, found.each.planned) == (Decimal("53.68"), Decimal("21.65"))
    assert found.missing == ()


def test_without_margin_or_taxes_what_is_spent_is_the_price() -> None:
    found = account({}, bought=read_bought({"things": [{"label": "Foil", "price": "2"}]}).things)
    assert list(sums(found)) == ["Materials", "Bought", "Work", "Spent"]
    assert found.net.planned == found.each.planned == Decimal("2.00")


def the_work(terms: dict[str, Any], operation: Operation, *records: Recorded) -> CostLine:
    return account(terms, operations=[operation], recorded=records).work[0]


def test_an_hour_costs_by_its_work_and_by_whoever_worked() -> None:
    by_person = {
        "rates": {"sewing": "48"},
        "people": [{"name": "ana", "rate": "60"}, {"name": "ben", "rate": "30"}],
    }
    line = the_work(by_person, sewing(), recorded("sew", 60.0, "ana", "ben"))
    assert (line.planned, line.found) == (Decimal("40.00"), Decimal("45.00"))
    assert the_work(by_person, sewing(), recorded("sew", 60.0, "cleo")).found == Decimal("48.00")
    two = the_work({}, replace(sewing(), people=2), recorded("sew", 60.0))
    assert (two.planned, two.found) == (Decimal("60.00"), Decimal("72.00"))


def test_what_is_not_known_is_said_and_not_taken_for_nothing() -> None:
    found = account(
        {"rate": "0"},
        planned=[PlannedMaterial(1, "Board", None, "3 sheets")],
        without=["Cloth: no stock is chosen for it."],
        operations=[sewing()],
    )
    assert found.materials[0].planned is None
    assert found.work[0].planned is None
    assert found.missing == (
        "Cloth: no stock is chosen for it.",
        "Board: no price on the shelf.",
        "Work: no rate for an hour is set.",
    )


def test_what_was_taken_or_worked_beside_the_plan_counts_as_found_alone() -> None:
    found = account(
        {},
        taken=[Taken(7, "Mull", Decimal("1.5"), "1 m", "0.2 m")],
        operations=[sewing()],
        recorded=[recorded("fold", 30.0), recorded("press", 0.0)],
    )
    mull, (sew, fold) = found.materials[0], found.work
    assert (mull.planned, mull.found, mull.found_words) == (
        Decimal(0),
        Decimal("1.50"),
        "1 m, 0.2 m of it spoilt",
    )
    assert sew.found is None
    assert (fold.planned, fold.planned_words, fold.found) == (Decimal(0), "not planned", Decimal("18.00"))


@pytest.mark.parametrize(
    ("stock", "amount", "price"),
    [
        ({"kind": "board", "calliper": 2, "width": 1000, "height": 700}, 3, "12.6"),
        ({"kind": "cloth", "form": "roll", "width": 1000}, 1500, "6.3"),
    ],
)
def test_a_price_is_for_a_sheet_or_a_metre(stock: dict[str, Any], amount: int, price: str) -> None:
    assert worth(item(stock), amount) == Decimal(price)
    assert worth(item({**stock, "price": None}), amount) is None


def item(stock: dict[str, Any]) -> StockItem:
    return read_stock({"name": "Stock", "price": 4.2} | stock)


BOARD = {"kind": "board", "calliper": 2, "width": 1000, "height": 700, "grain": "width"}


def boards(item_number: int, copies: int = 1) -> tuple[Piece, ...]:
    stock = {"item": item_number, "name": "Board", "width": 1000, "height": 700, "grain": "width"}
    made = plan(read_spec(job_in("flat_case") | {"copies": copies, "stock": {"board": stock}}))
    return tuple(piece for piece in made.pieces if piece.id == "board")


def test_a_piece_costs_its_part_of_a_sheet() -> None:
    (board,) = boards(1)
    assert (board.width, board.height) == (141, 216)
    # the height along the grain, which runs along 1000: 4 lengths of 216, and 4 widths of 141 in 700
    (found,) = from_stock([board], {1: item(BOARD)})
    assert found.cost is not None
    assert round(found.cost, 6) == Decimal("4.2") / 16 * (board.count + board.spare)
    (twice,) = from_stock([board, board], {1: item(BOARD)})
    assert twice.cost == 2 * found.cost
    assert from_stock([board], {}) == []


def laid(*jobs: JobPieces) -> list[CutGroup]:
    on_shelf = {1: [OnShelf(1, item(BOARD), 9)]}
    groups, without = cutting_groups(jobs, on_shelf, CuttingOptions())
    assert without == []
    return [
        CutGroup(each.item, each.label, each.material, each.order.blanks, lay_out(each.order))
        for each in groups
    ]


def test_what_is_cut_for_two_is_shared_by_area() -> None:
    one, three = boards(1), boards(1, copies=3)
    (group,) = laid(JobPieces(4, "One", one), JobPieces(41, "Three", three))
    assert [share_of(job, [group]) for job in (4, 41, 9)] == [Decimal("0.25"), Decimal("0.75"), Decimal(0)]
    shares = [from_layout(group, job, pieces).cost for job, pieces in ((4, one), (41, three))]
    price, (_, kept, _) = group.layout.price, group.layout.shares
    assert price is not None
    assert None not in shares
    assert float(sum(each for each in shares if each)) == pytest.approx(price * (1 - kept / 100))
    assert float(shares[1] or 0) == pytest.approx(3 * float(shares[0] or 0))
