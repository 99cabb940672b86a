"""The shelf over HTTP: added in a few words, searched, counted, tested, tabled."""

import threading
import uuid
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import IntegrityError, connection, transaction
from django.test import Client

from tests.web.conftest import send
from weald.core.shelf.stock import read_stock
from weald.web.shelf import services
from weald.web.shelf.models import Movement, ShelfItem


def put(client: Client, **entries: Any) -> dict[str, Any]:
    answer = send(client, "POST", "/api/shelf", {"name": "Gull laid", **entries})
    assert answer.status_code == 201, answer.content
    row: dict[str, Any] = answer.json()
    return row


def listed(client: Client, query: str = "") -> list[str]:
    return [row["item"]["name"] for row in client.get(f"/api/shelf{query}").json()["items"]]


def test_an_item_in_a_few_words(client: Client) -> None:
    draft = send(client, "POST", "/api/shelf/words", {"words": "A2 120 gsm long cream laid ×50"}).json()
    assert draft["understood"] == [
        "paper",
        "A2, 420 × 594 mm",
        "120 g/m²",
        "long, along the 594",
        "count 50",
    ]
    row = put(client, **draft["item"], count=draft["count"])
    assert (row["item"]["name"], row["count_words"], row["grain"]) == (
        "cream laid",
        "50 sheets",
        "long, along the 594",
    )
    (movement,) = client.get(f"/api/shelf/{row['id']}/movements").json()
    assert (movement["change"], movement["reason"], movement["author"]) == (
        "+50 sheets",
        "Put on the shelf",
        "binder",
    )


def test_the_shelf_is_sorted_searched_and_filtered(client: Client) -> None:
    put(client, name="Pippin", kind="paper", grammage=118, count="9", colour="white", width=420, height=297)
    put(client, name="Greyboard", kind="board", calliper=2, count="3", warn_below="4", place="rack")
    put(client, name="Buckram", kind="cloth", form="roll", width=1020, count="4.2", price=17.5)
    assert listed(client) == ["Pippin", "Greyboard", "Buckram"], "paper before board before cloth"
    assert listed(client, "?sort=name") == ["Buckram", "Greyboard", "Pippin"]
    assert listed(client, "?sort=thickness") == ["Greyboard", "Buckram", "Pippin"]
    assert listed(client, "?sort=price&down=true")[0] == "Buckram"
    assert listed(client, "?search=WHITE+paper") == ["Pippin"]
    assert listed(client, "?search=rack") == ["Greyboard"]
    assert listed(client, "?kind=cloth") == ["Buckram"]
    assert listed(client, "?low=true") == ["Greyboard"]
    assert listed(client, "?search=nothing") == []


def test_an_item_is_changed_duplicated_taken_off_and_put_back(client: Client) -> None:
    row = put(client, width=420, height=297, grain="width", count="9")
    path = f"/api/shelf/{row['id']}"
    body = {
        "name": "Gull laid, cream",
        "width": "16 1/2in",
        "height": 297,
        "grain": "width",
        "warn_below": "9",
    }
    changed = send(client, "PUT", path, body).json()
    assert (changed["item"]["width"], changed["count"], changed["low"]) == (pytest.approx(419.1), 9, True)
    wrong = send(client, "PUT", path, {"name": "x", "width": "wide", "height": 3})
    assert (wrong.status_code, set(wrong.json()["fields"])) == (422, {"width"})
    copied = send(client, "POST", f"{path}/duplicate").json()
    assert (copied["item"]["name"], copied["count"]) == ("Gull laid, cream, copy", 0)
    assert send(client, "DELETE", path).status_code == 204
    assert listed(client) == ["Gull laid, cream, copy"]
    send(client, "POST", f"{path}/restore")
    assert len(listed(client)) == 2


def test_counting_keeps_the_reason(client: Client) -> None:
    row = put(client, count="9")
    path = f"/api/shelf/{row['id']}/count"
    more = send(client, "POST", path, {"change": "5", "reason": "bought", "note": "fair"}).json()
    assert more["count"] == 14
    assert send(client, "POST", path, {"change": "3", "reason": "used"}).json()["count"] == 11
    assert send(client, "POST", path, {"change": "10", "reason": "counted"}).json()["count"] == 10
    short = send(client, "POST", path, {"change": "11", "reason": "spoilt"})
    assert (short.status_code, short.json()["code"]) == (409, "short")
    assert "only 10 sheets" in short.json()["message"]
    assert send(client, "POST", path, {"change": "a lot", "reason": "used"}).status_code == 422
    reasons = [each["reason"] for each in client.get(f"/api/shelf/{row['id']}/movements").json()]
    assert reasons == ["Counted", "Used", "Bought", "Put on the shelf"]


def test_describing_an_item_never_touches_its_count(binder: User) -> None:
    item = services.add_item(binder.membership.workshop, binder, read_stock({"name": "Gull laid"}), 10)
    opened_before = ShelfItem.objects.get(pk=item.pk)
    services.move(item, binder, -4, Movement.Reason.USED)
    services.write(opened_before, read_stock({"name": "Gull laid, cream"}))
    counted = services.recount(opened_before, binder, 9)
    assert (counted.name, counted.count) == ("Gull laid, cream", 9)
    assert sum(item.movements.values_list("change", flat=True)) == 9


def test_asked_twice_it_counts_once(client: Client) -> None:
    row = put(client, count="9")
    order = {"change": "4", "reason": "used", "key": str(uuid.uuid4())}
    for _ in range(3):
        assert send(client, "POST", f"/api/shelf/{row['id']}/count", order).json()["count"] == 5
    assert Movement.objects.filter(item=row["id"]).count() == 2


def test_the_database_itself_holds_no_negative_count(client: Client) -> None:
    row = put(client, count="9")
    with pytest.raises(IntegrityError), transaction.atomic():
        ShelfItem.objects.filter(pk=row["id"]).update(count=-1)


def test_a_grain_test_is_kept_and_the_grain_follows(client: Client) -> None:
    row = put(client, width=640, height=450)
    assert row["grain"] == "not tested"
    guides = client.get("/api/shelf/guides?kind=board").json()
    assert [guide["method"] for guide in guides] == ["flex"]
    path = f"/api/shelf/{row['id']}/grain"
    assert (
        send(client, "POST", path, {"method": "tear", "result": "width"}).json()["grain"].startswith("long")
    )
    again = send(client, "POST", path, {"method": "bend", "result": "height"}).json()
    assert again["grain"] == "short, along the 450"
    assert [(test["method"], test["by"]) for test in again["item"]["tests"]] == [
        ("tear", "binder"),
        ("bend", "binder"),
    ]


def bring(client: Client, table: str, query: str = "") -> Any:
    file = SimpleUploadedFile("shelf.csv", table.encode(), "text/csv")
    return client.post(f"/api/shelf/table{query}", {"file": file})


def test_a_table_is_looked_at_before_it_is_taken(client: Client) -> None:
    put(client, width=420, height=297, count="9")
    table = client.get("/api/shelf.csv").content.decode()
    assert [row["effect"] for row in bring(client, table).json()["rows"]] == ["same"]
    table = table.replace(",9,", ",12,") + "paper,New laid,,,,,,,,,,,,,,4,,,\npaper,,,,,,,,,,,,,,,4,,,\n"
    looked = bring(client, table).json()
    assert [row["effect"] for row in looked["rows"]] == ["change", "add", "wrong"]
    assert looked["rows"][2]["problems"]["name"]
    assert listed(client) == ["Gull laid"], "looking changes nothing"
    held_up = bring(client, table, "?take=true")
    assert (held_up.status_code, list(held_up.json()["fields"])) == (422, ["line 4"])
    assert listed(client) == ["Gull laid"]
    taken = bring(client, table, "?take=true&keep_good=true").json()
    assert taken["taken"] == 2
    counts = {row["item"]["name"]: row["count"] for row in client.get("/api/shelf").json()["items"]}
    assert counts == {"Gull laid": 12, "New laid": 4}
    assert bring(client, "no,columns\n").status_code == 422


def test_conversions_are_answered(client: Client) -> None:
    answer = send(client, "POST", "/api/convert", {"value": 20, "unit": "pounds", "grade": "bond"}).json()
    assert answer[0]["sum"] == "20 × 1406.14 / (17 × 22) = 75.2 g/m²"
    assert send(client, "POST", "/api/convert", {"value": -1, "unit": "gsm"}).status_code == 422


def test_another_workshops_stock_is_not_there(client: Client, stranger: User) -> None:
    theirs = services.add_item(stranger.membership.workshop, stranger, read_stock({"name": "Secret"}), 3)
    assert listed(client) == []
    base = f"/api/shelf/{theirs.pk}"
    for method, path, body in (
        ("GET", base, None),
        ("PUT", base, {"name": "Mine"}),
        ("DELETE", base, None),
        ("GET", f"{base}/movements", None),
        ("POST", f"{base}/count", {"change": "1", "reason": "used"}),
        ("POST", f"{base}/grain", {"method": "tear", "result": "width"}),
        ("POST", f"{base}/duplicate", None),
        ("POST", f"{base}/restore", None),
    ):
        assert send(client, method, path, body).status_code == 404, path
    theirs.refresh_from_db()
    assert (theirs.name, theirs.count, theirs.archived) == ("Secret", 3, False)


@pytest.mark.django_db(transaction=True)
def test_two_people_taking_at_once_never_take_what_is_not_there(binder: User) -> None:
    item = services.add_item(binder.membership.workshop, binder, read_stock({"name": "Gull laid"}), 10)
    start = threading.Barrier(8)

    def take(_: int) -> int:
        client = Client()
        client.force_login(binder)
        start.wait()
        try:
            answer = send(client, "POST", f"/api/shelf/{item.pk}/count", {"change": "3", "reason": "used"})
            return int(answer.status_code)
        finally:
            connection.close()

    with ThreadPoolExecutor(8) as people:
        answers = list(people.map(take, range(8)))
    item.refresh_from_db()
    assert sorted(answers) == [200] * 3 + [409] * 5
    assert (item.count, sum(item.movements.values_list("change", flat=True))) == (1, 1)


@pytest.mark.django_db(transaction=True)
def test_one_request_sent_again_and_again_at_once_counts_once(binder: User) -> None:
    item = services.add_item(binder.membership.workshop, binder, read_stock({"name": "Gull laid"}), 10)
    order = {"change": "3", "reason": "used", "key": str(uuid.uuid4())}
    start = threading.Barrier(6)

    def take(_: int) -> int:
        client = Client()
        client.force_login(binder)
        start.wait()
        try:
            return int(send(client, "POST", f"/api/shelf/{item.pk}/count", order).json()["count"])
        finally:
            connection.close()

    with ThreadPoolExecutor(6) as people:
        assert list(people.map(take, range(6))) == [7] * 6
    item.refresh_from_db()
    assert (item.count, item.movements.count()) == (7, 2)


def test_a_level_to_warn_at_that_is_no_amount_names_its_own_place(client: Client) -> None:
    answer = send(client, "POST", "/api/shelf", {"name": "Gull laid", "count": "3", "warn_below": "some"})
    assert (answer.status_code, list(answer.json()["fields"])) == (422, ["warn_below"])
    wrong = send(client, "POST", "/api/shelf", {"name": "Gull laid", "count": "many"})
    assert list(wrong.json()["fields"]) == ["count"]


def test_a_table_too_large_is_not_read(client: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    put(client, count="9")
    monkeypatch.setattr("weald.web.api.shelf.LARGEST_TABLE", 99)
    answer = bring(client, client.get("/api/shelf.csv").content.decode() + "\n" * 99, "?take=true")
    assert answer.status_code == 422
    assert "split it" in answer.json()["message"]


def test_an_item_is_opened_with_what_its_offcuts_hold(client: Client, binder: User) -> None:
    row = put(client, kind="board", width=1000, height=700, grain="width", count="2")
    offcut = read_stock({"name": "Gull laid", "kind": "board", "width": 300, "height": 200, "grain": "width"})
    whole = ShelfItem.objects.get(pk=row["id"])
    piece = services.add_item(binder.membership.workshop, binder, offcut, 3)
    piece.offcut_of = whole
    piece.save()
    opened = client.get(f"/api/shelf/{row['id']}").json()
    assert (opened["count"], opened["item"]["name"]) == (2, "Gull laid")
    assert opened["offcuts"] == 3
    assert client.get(f"/api/shelf/{row['id'] + 99}").status_code == 404
