"""The office: what a job costs beside what it came to, who sees it, customers, papers, and the daybook."""

import uuid
from datetime import timedelta
from decimal import Decimal
from typing import Any

import pypdfium2
import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from tests.web.conftest import PASSWORD, make_job, send
from weald.core.costs.papers import PaperContent, sums_of
from weald.core.costs.terms import Terms
from weald.core.shelf.stock import read_stock
from weald.web.accounts.models import Membership
from weald.web.accounts.services import add_person
from weald.web.bench.services import Happening, happened
from weald.web.jobs.models import Job
from weald.web.office.models import Customer, Paper
from weald.web.shelf import cutting as cuttings
from weald.web.shelf.models import Movement, ShelfItem
from weald.web.shelf.services import add_item, move

BOARD = {
    "name": "Greyboard 2 mm",
    "kind": "board",
    "calliper": 2,
    "width": 1000,
    "height": 700,
    "grain": "width",
    "price": 4.2,
}
TERMS = {
    "currency": "EUR",
    "rate": "36",
    "rates": {"sewing": "48"},
    "margin": "10",
    "taxes": [{"name": "Sales tax", "percent": "20"}],
    "sender": "Saltmarsh Bindery\nQuay 3",
    "bill_words": "With thanks for the work.",
}


@pytest.fixture
def helper(binder: User) -> Client:
    """Somebody who binds in the same workshop and does not own it."""
    person = add_person("helper", PASSWORD, "Saltmarsh Bindery", check=False)
    client = Client()
    client.force_login(person)
    return client


@pytest.fixture
def board(binder: User) -> ShelfItem:
    return add_item(binder.membership.workshop, binder, read_stock(BOARD), 5)


def terms(client: Client, **more: Any) -> Any:
    version = client.get("/api/terms").json()["version"]
    return send(client, "PUT", f"/api/terms?version={version}", {**TERMS, **more})


def on_board(binder: User, board: ShelfItem) -> Job:
    stock = {"item": board.pk, "name": board.name, "width": 1000, "height": 700, "grain": "width"}
    return make_job(binder, {"title": "Tide tables", "stock": {"board": stock}})


def costs(client: Client, job: Job) -> Any:
    answer = client.get(f"/api/jobs/{job.pk}/costs")
    assert answer.status_code == 200, answer.content
    return answer.json()


def line(lines: list[dict[str, Any]], label: str) -> dict[str, Any]:
    return next(each for each in lines if each["label"] == label)


def test_an_estimate_by_hand(client: Client, binder: User, board: ShelfItem) -> None:
    assert terms(client).status_code == 200
    job = on_board(binder, board)
    found = costs(client, job)
    # a board of 141 × 216 with its height along the grain: 4 × 4 … of 1000 × 700 give so many of one sheet
    made = client.get(f"/api/jobs/{job.pk}").json()
    assert made["title"] == "Tide tables"
    plan = send(client, "POST", "/api/plan?station=bench", made["spec"]).json()
    piece = next(each for each in plan["pieces"] if each["id"] == "board")
    expected = Decimal("4.2") / piece["per_sheet"] * (piece["count"] + piece["spare"])
    assert Decimal(line(found["materials"], board.name)["planned"]) == expected.quantize(
        Decimal("0.01"), "ROUND_HALF_UP"
    )
    sew = next(each for each in plan["operations"] if each["id"] == "sew")
    assert Decimal(line(found["work"], sew["title"])["planned"]) == Decimal(str(sew["minutes"])) / 60 * 48
    sums = {each["label"]: Decimal(each["planned"]) for each in found["sums"]}
    spent = sums["Materials"] + sums["Bought"] + sums["Work"]
    assert sums["Spent"] == spent
    assert sums["Margin, 10 %"] == (spent / 10).quantize(Decimal("0.01"), "ROUND_HALF_UP")
    net = sums["Price without taxes"]
    assert sums["Sales tax, 20 %"] == (net / 5).quantize(Decimal("0.01"), "ROUND_HALF_UP")
    assert sums["Price"] == net + sums["Sales tax, 20 %"]
    assert any("no stock is chosen" in words for words in found["missing"])


def test_what_it_came_to_is_what_was_taken_and_worked(client: Client, binder: User, board: ShelfItem) -> None:
    terms(client, people=[{"name": "binder", "rate": "60"}])
    job = on_board(binder, board)
    move(board, binder, -2, Movement.Reason.USED, job=job)
    move(board, binder, -1, Movement.Reason.SPOILT, job=job)
    for kind, minutes in (("started", 50), ("done", 20)):
        ago = timedelta(minutes=minutes)
        happened(job, binder, Happening(uuid.uuid4(), kind, "stock_out", ago=ago, late=True))  # type: ignore[arg-type]
    found = costs(client, job)
    board_line = line(found["materials"], board.name)
    assert Decimal(board_line["found"]) == Decimal("12.60")
    assert "1 sheet of it spoilt" in board_line["found_words"]
    worked = next(each for each in found["work"] if each["found"] is not None)
    assert Decimal(worked["found"]) == Decimal("30.00")


def test_work_for_two_costs_the_time_of_both_before_and_after(client: Client, binder: User) -> None:
    terms(client, rate="30", rates={})
    tall = {"title": "Atlas", "leaf": {"width": 300, "height": 420}}
    job = make_job(binder, {**tall, "binding": {"structure": "laced_boards"}})
    for kind, minutes in (("started", 60), ("done", 0)):
        ago = timedelta(minutes=minutes)
        happened(job, binder, Happening(uuid.uuid4(), kind, "cover_book", ago=ago, late=True))  # type: ignore[arg-type]
    covering = next(each for each in costs(client, job)["work"] if each["found"] is not None)
    # an hour of two at 30 an hour
    assert Decimal(covering["found"]) == Decimal("60.00")


def test_what_was_cut_for_two_books_is_shared_by_area_and_counted_once(
    client: Client, binder: User, board: ShelfItem
) -> None:
    small, large = on_board(binder, board), on_board(binder, board)
    asked = send(client, "POST", "/api/cuttings", {"jobs": [small.pk, large.pk]}).json()
    cuttings.carry_out(asked["id"])
    for verb in ("book", "unbook", "book"):
        assert send(client, "POST", f"/api/cuttings/{asked['id']}/{verb}").status_code == 200
    shares = [Decimal(line(costs(client, job)["materials"], board.name)["found"]) for job in (small, large)]
    assert shares[0] == shares[1]
    # one sheet of 4.20 is cut, what comes back is worth its part of it by area
    back = [spare for spare in ShelfItem.objects.filter(offcut_of=board) if spare.count]
    left = sum(Decimal(str(spare.price)) * spare.count for spare in back)
    assert sum(shares) == pytest.approx(Decimal("4.20") - left, abs=Decimal("0.01"))


def test_things_bought_and_the_price_agreed_are_kept(client: Client, binder: User, job: Job) -> None:
    terms(client)
    customer = send(client, "POST", "/api/customers", {"name": "Harbour office", "address": "Quay 1"}).json()
    body = {
        "customer": customer["id"],
        "agreed": "180.50",
        "brought_in": "The leaves, loose, and a map.",
        "bought": {"things": [{"label": "Foil", "count": "0.5", "price": "12.90"}]},
    }
    kept = agree(client, job, body)
    assert kept.status_code == 200, kept.content
    assert Decimal(kept.json()["agreed"]) == Decimal("180.50")
    assert kept.json()["customer_name"] == "Harbour office"
    assert Decimal(line(costs(client, job)["bought"], "Foil")["planned"]) == Decimal("6.45")
    wrong = {**body, "bought": {"things": [{"label": "", "price": "-1"}]}}
    answer = agree(client, job, wrong)
    assert answer.status_code == 422
    assert {"things.0.label", "things.0.price"} <= set(answer.json()["fields"])


def test_a_helper_sees_no_prices_unless_allowed(client: Client, helper: Client, job: Job) -> None:
    terms(client)
    agree(client, job, {"agreed": "99"})
    for path in (f"/api/jobs/{job.pk}/costs", "/api/terms", f"/api/jobs/{job.pk}/papers"):
        assert helper.get(path).status_code == 403, path
    seen = helper.get(f"/api/jobs/{job.pk}/agreement").json()
    assert (seen["agreed"], seen["sees_prices"]) == (None, False)
    agree(helper, job, {"brought_in": "A map"})
    kept = client.get(f"/api/jobs/{job.pk}/agreement").json()
    assert (Decimal(kept["agreed"]), kept["brought_in"]) == (Decimal(99), "A map")
    terms(client, binders_see=True)
    assert helper.get(f"/api/jobs/{job.pk}/costs").status_code == 200
    assert send(helper, "PUT", "/api/terms?version=3", TERMS).status_code == 403


def test_terms_are_refused_where_they_are_wrong(client: Client) -> None:
    answer = terms(client, currency="euro", rate="-1", taxes=[{"name": "A", "percent": "1"}] * 2)
    assert answer.status_code == 422
    assert {"currency", "rate"} <= set(answer.json()["fields"])
    twice = terms(client, taxes=[{"name": "A", "percent": "1"}] * 2)
    assert "taxes.1.name" in twice.json()["fields"]
    assert send(client, "PUT", "/api/terms?version=7", TERMS).json()["code"] == "meets"


def paper(client: Client, job: Job, kind: str, **more: Any) -> Any:
    lines = [{"words": "Binding “Tide tables”", "count": 3, "price": "41.67"}]
    order = {"kind": kind, "lines": lines, "key": str(uuid.uuid4()), **more}
    return send(client, "POST", f"/api/jobs/{job.pk}/papers", order)


def agree(client: Client, job: Job, body: dict[str, Any], version: int | None = None) -> Any:
    path = f"/api/jobs/{job.pk}/agreement"
    read_at = version or client.get(path).json()["version"]
    return send(client, "PUT", f"{path}?version={read_at}", body)


def test_two_who_agree_lose_nothing_and_what_meets_is_asked(client: Client, helper: Client, job: Job) -> None:
    terms(client, binders_see=True)
    mine = send(client, "POST", "/api/customers", {"name": "Harbour office"}).json()
    theirs = send(client, "POST", "/api/customers", {"name": "Ferry Lane choir"}).json()
    assert agree(client, job, {"agreed": "180", "brought_in": "A map"}).json()["version"] == 2
    # both read it at 2: one changes the customer, the other only the price
    agree(client, job, {"customer": mine["id"]}, 2)
    merged = agree(helper, job, {"agreed": "200.00"}, 2).json()
    assert (merged["customer_name"], Decimal(merged["agreed"])) == ("Harbour office", 200)
    assert merged["brought_in"] == "A map"
    assert merged["others"]
    # and now both the customer
    asked = agree(helper, job, {"customer": theirs["id"]}, 2)
    assert (asked.status_code, asked.json()["code"]) == (409, "meets")
    (choice,) = asked.json()["choices"]
    assert (choice["mine"], choice["theirs"]) == ("Ferry Lane choir", "Harbour office")
    path = f"/api/jobs/{job.pk}/agreement?version=2&seen={asked.json()['seen']}&mine={choice['name']}"
    settled = send(helper, "PUT", path, {"customer": theirs["id"]}).json()
    assert (settled["customer_name"], Decimal(settled["agreed"])) == ("Ferry Lane choir", 200)


def test_the_same_order_sent_again_is_the_same_bill(client: Client, job: Job) -> None:
    terms(client)
    first, again = (paper(client, job, "bill", key="order-0001").json() for _ in range(2))
    assert first["id"] == again["id"]
    assert paper(client, job, "bill").json()["number"] == 2


def test_papers_are_numbered_and_stay_as_they_were_made(client: Client, job: Job) -> None:
    terms(client)
    made = [paper(client, job, kind).json() for kind in ("quotation", "quotation", "bill")]
    assert [(each["kind"], each["number"]) for each in made] == [
        ("quotation", 1),
        ("quotation", 2),
        ("bill", 1),
    ]
    terms(client, rate="99", taxes=[], bill_words="Other words")
    pdf = pypdfium2.PdfDocument(client.get(f"/api/papers/{made[2]['id']}.pdf").content)
    words = "".join(page.get_textpage().get_text_range() for page in pdf)
    assert "With thanks for the work." in words
    assert "EUR 125.01" in words
    assert "EUR 25.00" in words
    assert "EUR 150.01" in words
    listed = client.get(f"/api/jobs/{job.pk}/papers").json()
    assert [each["id"] for each in listed] == [each["id"] for each in reversed(made)]
    nothing = paper(client, job, "bill", lines=[])
    assert nothing.status_code == 422
    assert Paper.objects.filter(kind="bill").count() == 1


@pytest.mark.parametrize(
    ("price", "count", "percent", "total"),
    [("0.105", 1, "0", "0.11"), ("33.335", 3, "7.5", "107.51"), ("0", 1, "20", "0.00")],
)
def test_sums_are_rounded_once_and_half_goes_up(price: str, count: int, percent: str, total: str) -> None:
    content = PaperContent.model_validate(
        {
            "kind": "bill",
            "currency": "EUR",
            "lines": [{"words": "x", "count": count, "price": price}],
            "taxes": [{"name": "T", "percent": percent}],
        }
    )
    assert sums_of(content).total == Decimal(total)
    assert Terms().places == 2


def test_a_customer_takes_their_data_and_is_forgotten_while_the_book_stays(client: Client, job: Job) -> None:
    terms(client)
    customer = send(client, "POST", "/api/customers", {"name": "Harbour office", "address": "Quay 1"}).json()
    agreement = {"customer": customer["id"], "brought_in": "Their grandmother’s letters", "agreed": "50"}
    agree(client, job, agreement)
    bill = paper(client, job, "bill").json()
    data = client.get(f"/api/customers/{customer['id']}/data.json").json()
    assert data["jobs"][0]["title"] == "Tide tables"
    assert data["papers"][0]["to"].startswith("Harbour office")
    assert send(client, "DELETE", f"/api/customers/{customer['id']}").status_code == 204
    assert not Customer.objects.exists()
    kept = client.get(f"/api/jobs/{job.pk}/agreement").json()
    assert (kept["customer"], kept["brought_in"]) == (None, "")
    content = Paper.objects.get(pk=bill["id"]).content
    assert "Harbour" not in str(content)
    assert content["number"] == "1"
    assert client.get(f"/api/jobs/{job.pk}").status_code == 200


def test_another_workshop_sees_neither_customers_nor_papers(client: Client, stranger: User, job: Job) -> None:
    terms(client)
    customer = send(client, "POST", "/api/customers", {"name": "Harbour office"}).json()
    bill = paper(client, job, "bill").json()
    other = Client()
    other.force_login(stranger)
    assert other.get("/api/customers").json() == []
    assert send(other, "PUT", f"/api/customers/{customer['id']}", {"name": "Mine"}).status_code == 404
    assert send(other, "DELETE", f"/api/customers/{customer['id']}").status_code == 404
    assert other.get(f"/api/papers/{bill['id']}.pdf").status_code == 404
    theirs = make_job(stranger, {"title": "Theirs"})
    answer = agree(other, theirs, {"customer": customer["id"]})
    assert answer.status_code == 404
    assert other.get("/api/daybook").json()["entries"] == []


def daybook(client: Client, **query: Any) -> Any:
    answer = client.get("/api/daybook", query)
    assert answer.status_code == 200, answer.content
    return answer.json()


def test_the_daybook_holds_all_that_happened_and_is_searched(
    client: Client, binder: User, board: ShelfItem
) -> None:
    job = on_board(binder, board)
    other = make_job(binder, {"title": "Log"})
    move(board, binder, -2, Movement.Reason.USED, note="first try", job=job)
    happened(job, binder, Happening(uuid.uuid4(), "noted", "sew", note="Waxed the thread twice"))
    happened(other, binder, Happening(uuid.uuid4(), "noted", "", note="A quiet day"))
    for kind, minutes in (("started", 40), ("done", 10)):
        ago = timedelta(minutes=minutes)
        happened(other, binder, Happening(uuid.uuid4(), kind, "stock_out", ago=ago, late=True))  # type: ignore[arg-type]
    done = next(each for each in daybook(client)["entries"] if each["what"].startswith("Done"))
    assert done["words"] == "30 min, 10 min planned."
    send(client, "PUT", f"/api/jobs/{job.pk}/promise", {"promised": "2026-12-24"})
    entries = daybook(client)["entries"]
    assert {each["kind"] for each in entries} == {"bench", "shelf", "decided"}
    assert [each["at"] for each in entries] == sorted((each["at"] for each in entries), reverse=True)
    assert {each["author"] for each in entries} == {"binder"}
    assert [each["words"] for each in daybook(client, search="waxed")["entries"]] == [
        "Waxed the thread twice"
    ]
    assert [each["what"] for each in daybook(client, material="greyboard", job=job.pk)["entries"]] == [
        "Used: Greyboard 2 mm"
    ]
    assert {each["book"] for each in daybook(client, job=other.pk)["entries"]} == {"Log"}
    assert "plan" in {each["kind"] for each in daybook(client, job=other.pk)["entries"]}
    assert daybook(client, person="nobody")["entries"] == []
    assert client.get("/api/daybook?before=2026-01-01T00:00:00").status_code == 422


def test_the_daybook_is_read_page_by_page_with_the_same_number_of_questions(
    client: Client, binder: User, job: Job
) -> None:
    def questions() -> int:
        with CaptureQueriesContext(connection) as asked:
            daybook(client)
        return len(asked)

    few = questions()
    for number in range(70):
        ago = timedelta(minutes=number)
        happened(job, binder, Happening(uuid.uuid4(), "noted", "", note=f"Note {number}", ago=ago))
    assert questions() <= few
    first = daybook(client)
    assert len(first["entries"]) == 60
    second = daybook(client, before=first["earlier"])
    said = [each["words"] for each in first["entries"] + second["entries"]]
    assert said == [f"Note {number}" for number in range(70)]
    assert timezone.now().isoformat() > first["entries"][0]["at"]


def test_a_reader_sees_customers_by_name_alone(client: Client) -> None:
    send(
        client, "POST", "/api/customers", {"name": "Harbour office", "address": "Quay 1", "note": "pays late"}
    )
    reader = Membership.Role.READER
    visitor = Client()
    visitor.force_login(add_person("visitor", PASSWORD, "Saltmarsh Bindery", role=reader, check=False))
    (seen,) = visitor.get("/api/customers").json()
    assert (seen["name"], seen["address"], seen["note"]) == ("Harbour office", "", "")
