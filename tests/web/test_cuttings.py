"""From job to cut pieces: stock chosen, laid out by the worker, booked once, undone."""

import os
import subprocess
import sys
import threading
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client
from procrastinate.contrib.django.models import ProcrastinateJob

from tests.web.conftest import make_job, send
from weald.core.cutting import solve
from weald.core.job.spec import read_spec
from weald.core.shelf.stock import read_stock
from weald.web import work
from weald.web.jobs import services as job_services
from weald.web.jobs.models import Job
from weald.web.shelf import cutting as cuttings
from weald.web.shelf.models import Cutting, ShelfItem
from weald.web.shelf.services import add_item

BOARD = {
    "name": "Greyboard 2 mm",
    "kind": "board",
    "calliper": 2,
    "width": 1000,
    "height": 700,
    "grain": "width",
    "price": 4.2,
}


@pytest.fixture
def board(binder: User) -> ShelfItem:
    return add_item(binder.membership.workshop, binder, read_stock(BOARD), 3)


def stock_of(item: ShelfItem) -> dict[str, Any]:
    return {"item": item.pk, "name": item.name, "width": 1000, "height": 700, "grain": "width"}


def job_on(binder: User, board: ShelfItem, title: str = "Tide tables", **more: Any) -> Job:
    stock = {"board": stock_of(board), "spine_board": stock_of(board)}
    return make_job(binder, {"title": title, "stock": stock, **more})


def ask(client: Client, *jobs: Job, **options: Any) -> Any:
    return send(client, "POST", "/api/cuttings", {"jobs": [job.pk for job in jobs], **options})


def laid_out(client: Client, *jobs: Job, **options: Any) -> dict[str, Any]:
    made = ask(client, *jobs, **options)
    assert made.status_code == 201, made.content
    cuttings.carry_out(made.json()["id"])
    opened: dict[str, Any] = client.get(f"/api/cuttings/{made.json()['id']}").json()
    return opened


def test_pieces_of_two_jobs_are_cut_together(client: Client, binder: User, board: ShelfItem) -> None:
    first, second = job_on(binder, board), job_on(binder, board, "Log")
    made = ask(client, first, second).json()
    assert (made["state"], made["title"]) == ("waiting", "Tide tables, Log")
    assert ProcrastinateJob.objects.get(args__work_id=made["id"]).queue_name == "shears"
    cuttings.carry_out(made["id"])
    opened = client.get(f"/api/cuttings/{made['id']}").json()
    (group,) = opened["groups"]
    assert (group["usage"][0]["taken"], group["usage"][0]["there"]) == ("1 sheet", "3 sheets")
    assert group["verdict"].startswith("Proven best")
    assert sorted(group["sheets"][0]["pieces"]) == [
        "1 × Spine board, Log",
        "1 × Spine board, Tide tables",
        "2 × Board, Log",
        "2 × Board, Tide tables",
    ]
    assert group["sheets"][0]["cuts"][0]["part"] == "the sheet"
    assert "Cover, Log: no stock is chosen for it." in opened["without"]
    (listed,) = client.get("/api/cuttings").json()
    assert listed["state"] == "done"
    # done again by a worker that did not know, nothing changes
    cuttings.carry_out(made["id"])
    assert client.get(f"/api/cuttings/{made['id']}").json() == opened


def test_the_guillotine_and_the_files_follow_the_layout(
    client: Client, binder: User, board: ShelfItem
) -> None:
    made = laid_out(client, job_on(binder, board))
    base = f"/api/cuttings/{made['id']}"
    fallen = send(client, "POST", f"{base}/guillotine").json()
    assert fallen["right"]
    assert [(each["name"], each["count"]) for each in fallen["pieces"]] == [("Board", 2), ("Spine board", 1)]
    for path, kind in (
        ("cuts.csv", "text/csv"),
        ("sheets.pdf", "application/pdf"),
        ("sheet-1.pdf", "application/pdf"),
        ("sheet-1.svg", "image/svg+xml"),
        ("sheets.dxf", "image/vnd.dxf"),
    ):
        answer = client.get(f"{base}/{path}")
        assert answer.status_code == 200
        assert answer["Content-Type"].startswith(kind)
    assert client.get(f"{base}/sheet-9.svg").status_code == 404


def test_booking_takes_stock_and_brings_offcuts_and_can_be_undone(
    client: Client, binder: User, board: ShelfItem
) -> None:
    made = laid_out(client, job_on(binder, board))
    base = f"/api/cuttings/{made['id']}"
    for _ in range(2):
        assert send(client, "POST", f"{base}/book").json()["booked"]
    board.refresh_from_db()
    assert board.count == 2
    offcuts = client.get("/api/shelf?offcuts=true").json()["items"]
    assert offcuts
    assert all(each["offcut_of"] == board.pk and each["count"] == 1 for each in offcuts)
    assert all(each["item"]["grain"] == "width" for each in offcuts), "offcuts keep the sheet's grain"
    (cut, _) = client.get(f"/api/shelf/{board.pk}/movements").json()
    assert (cut["change"], cut["reason"], cut["job"], cut["author"]) == (
        "−1 sheet",
        "Cut",
        "Tide tables",
        "binder",
    )
    for _ in range(2):
        assert send(client, "POST", f"{base}/unbook").json()["booked"] is None
    board.refresh_from_db()
    assert board.count == 3
    assert sum(each["count"] for each in client.get("/api/shelf?offcuts=true").json()["items"]) == 0
    # and booked anew, the same offcuts are counted again, not made twice
    send(client, "POST", f"{base}/book")
    assert client.get("/api/shelf?offcuts=true").json()["count"] == len(offcuts)


def test_offcuts_used_meanwhile_keep_it_booked(client: Client, binder: User, board: ShelfItem) -> None:
    made = laid_out(client, job_on(binder, board))
    base = f"/api/cuttings/{made['id']}"
    send(client, "POST", f"{base}/book")
    offcut = ShelfItem.objects.filter(offcut_of=board).first()
    assert offcut is not None
    send(client, "POST", f"/api/shelf/{offcut.pk}/count", {"change": "1", "reason": "used"})
    answer = send(client, "POST", f"{base}/unbook")
    assert (answer.status_code, answer.json()["code"]) == (409, "short")
    board.refresh_from_db()
    assert board.count == 2


def test_more_than_the_shelf_holds_is_laid_out_but_not_booked(
    client: Client, binder: User, board: ShelfItem
) -> None:
    made = laid_out(client, job_on(binder, board, copies=40))
    (usage,) = made["groups"][0]["usage"]
    assert not usage["enough"]
    answer = send(client, "POST", f"/api/cuttings/{made['id']}/book")
    assert (answer.status_code, answer.json()["code"]) == (409, "short")
    assert "3 sheets there" in answer.json()["message"]
    board.refresh_from_db()
    assert board.count == 3


def test_pins_forbidden_sheets_and_the_blade_are_obeyed(
    client: Client, binder: User, board: ShelfItem
) -> None:
    made = laid_out(client, job_on(binder, board, "Log"))
    send(client, "POST", f"/api/cuttings/{made['id']}/book")
    job = job_on(binder, board)
    spare = laid_out(client, job)
    assert all(usage["stock"] != board.pk for usage in spare["groups"][0]["usage"]), "offcuts first"
    pinned = laid_out(client, job, pins={f"{job.pk}:board": board.pk})
    assert board.pk in {usage["stock"] for usage in pinned["groups"][0]["usage"]}
    offcuts = [stock["number"] for stock in made["groups"][0]["stocks"] if stock["number"] != board.pk]
    offcuts += list(ShelfItem.objects.filter(offcut_of=board).values_list("pk", flat=True))
    alone = laid_out(client, job, forbidden=offcuts, kerf="2 mm", square="5mm")
    assert [usage["stock"] for usage in alone["groups"][0]["usage"]] == [board.pk]
    assert alone["groups"][0]["sheets"][0]["cuts"][0]["setting"] == "5 mm"


def test_a_layout_says_when_its_job_has_changed_since(client: Client, binder: User, board: ShelfItem) -> None:
    job = job_on(binder, board)
    made = laid_out(client, job)
    assert made["changed"] == []

    def changed_to(**change: Any) -> list[str]:
        job.refresh_from_db()
        assert job.head is not None
        job_services.save_job(job, job.version, binder, read_spec({**job.head.spec, **change}))
        found: list[str] = client.get(f"/api/cuttings/{made['id']}").json()["changed"]
        return found

    assert changed_to(sewing={"needleful": 700}) == [], "no piece follows from the needleful"
    assert changed_to(leaf={"width": 150, "height": 210}) == ["Tide tables"]


@pytest.mark.django_db(transaction=True)
def test_bookings_that_share_offcuts_never_wait_for_each_other(binder: User, board: ShelfItem) -> None:
    """Several layouts that take the whole sheets and the offcuts of one board, booked and undone at once."""
    workshop = binder.membership.workshop
    made = []
    for number in range(4):
        job = job_on(binder, board, f"Log {number}")
        options = {"asked": {"jobs": [job.pk]}, "shears": {"prefer_offcuts": number % 2 == 0}}
        asked = cuttings.ask_for_cutting(workshop, binder, [job], options)
        cuttings.carry_out(str(asked.pk))
        made.append(asked)
        if number == 0:
            cuttings.book(asked, binder)
    start = threading.Barrier(4)

    def book(cutting: Cutting) -> int:
        client = Client()
        client.force_login(binder)
        start.wait()
        try:
            codes = [
                send(client, "POST", f"/api/cuttings/{cutting.pk}/{verb}").status_code
                for verb in ("unbook", "book", "unbook", "book", "unbook")
            ]
            return max(codes)
        finally:
            connection.close()

    with ThreadPoolExecutor(4) as people:
        assert max(people.map(book, made)) <= 409, "somebody may come too late, but nobody gets stuck"
    for item in ShelfItem.objects.filter(workshop=workshop):
        assert item.count == sum(item.movements.values_list("change", flat=True))


def test_what_cannot_be_laid_out_says_why(client: Client, binder: User, board: ShelfItem) -> None:
    bare = make_job(binder, {"title": "Bare"})
    answer = ask(client, bare)
    assert (answer.status_code, list(answer.json()["fields"])) == (422, ["jobs"])
    assert "no stock is chosen" in answer.json()["message"]
    assert ask(client).status_code == 422
    assert ask(client, job_on(binder, board), square="thick").status_code == 422
    wide = ask(client, job_on(binder, board), kerf="800 mm")
    assert (wide.status_code, list(wide.json()["fields"])) == (422, ["shears.kerf"])
    made = ask(client, job_on(binder, board)).json()
    assert send(client, "POST", f"/api/cuttings/{made['id']}/book").status_code == 422
    board.delete()
    cuttings.carry_out(made["id"])
    emptied = client.get(f"/api/cuttings/{made['id']}").json()
    assert (emptied["state"], emptied["groups"]) == ("done", [])


def test_a_layout_that_is_not_wanted_stops(client: Client, binder: User, board: ShelfItem) -> None:
    made = ask(client, job_on(binder, board)).json()
    send(client, "POST", f"/api/cuttings/{made['id']}/cancel")
    cuttings.carry_out(made["id"])
    assert client.get(f"/api/cuttings/{made['id']}").json()["state"] == "cancelled"


def test_a_layout_cancelled_while_it_is_worked_out_is_dropped(
    client: Client, binder: User, board: ShelfItem, monkeypatch: pytest.MonkeyPatch
) -> None:
    made = ask(client, job_on(binder, board)).json()
    honest = solve.lay_out_groups

    def cancelled_meanwhile(*args: Any) -> Any:
        work.cancel(Cutting.objects.get(pk=made["id"]))
        return honest(*args)

    monkeypatch.setattr(solve, "lay_out_groups", cancelled_meanwhile)
    cuttings.carry_out(made["id"])
    found = Cutting.objects.get(pk=made["id"])
    assert (found.state, found.result) == ("cancelled", None)


def test_the_web_does_not_load_the_solver() -> None:
    """Only the worker lays out; loading OR-Tools would make every start slower and every process larger."""
    code = "import django; django.setup(); import weald.web.api.api, sys; print('ortools' in sys.modules)"
    done = subprocess.run(
        [sys.executable, "-c", code],
        env={**os.environ, "DJANGO_SETTINGS_MODULE": "weald.web.settings", "PYTHONPATH": "src"},
        capture_output=True,
        text=True,
        check=True,
    )
    assert done.stdout.strip() == "False"


def test_stock_for_a_piece(client: Client, binder: User, board: ShelfItem) -> None:
    job = job_on(binder, board)
    spec = client.get(f"/api/jobs/{job.pk}").json()["spec"]
    choice = send(client, "POST", "/api/stock-for?piece=board", spec).json()
    (candidate,) = choice["candidates"]
    assert (candidate["number"], candidate["chosen"], candidate["enough"]) == (board.pk, True, True)
    assert choice["to_buy"] == ""
    assert "Look for" in send(client, "POST", "/api/stock-for?piece=mull", spec).json()["to_buy"]
    assert send(client, "POST", "/api/stock-for?piece=anchor", spec).status_code == 404


def test_another_workshops_layouts_and_stock_are_not_there(
    client: Client, binder: User, stranger: User, board: ShelfItem
) -> None:
    made = laid_out(client, job_on(binder, board))
    other = Client()
    other.force_login(stranger)
    assert other.get("/api/cuttings").json() == []
    base = f"/api/cuttings/{made['id']}"
    for path in ("", "/cuts.csv", "/sheets.pdf", "/sheets.dxf", "/sheet-1.svg", "/sheet-1.pdf"):
        assert other.get(base + path).status_code == 404
    for verb in ("book", "unbook", "cancel", "guillotine"):
        assert send(other, "POST", f"{base}/{verb}").status_code == 404
    theirs = make_job(stranger, {"title": "Theirs", "stock": {"board": stock_of(board)}})
    assert ask(client, theirs).status_code == 404
    # a job that names another workshop's item finds nothing to cut from
    assert ask(other, theirs).status_code == 422
    board.refresh_from_db()
    assert board.count == 3


@pytest.mark.django_db(transaction=True)
def test_cut_by_two_people_at_once_is_booked_once(binder: User, board: ShelfItem) -> None:
    """Two layouts that take the only three sheets between them, each booked by two people at once."""
    job = job_on(binder, board, copies=16)
    made = []
    for _ in range(2):
        asked = cuttings.ask_for_cutting(
            binder.membership.workshop, binder, [job], {"asked": {"jobs": [job.pk]}}
        )
        cuttings.carry_out(str(asked.pk))
        made.append(asked)
    taken = cuttings.result_of(Cutting.objects.get(pk=made[0].pk)).groups[0].layout.usage[0].sheets
    assert taken == 2, "one of the two cannot be booked"
    start = threading.Barrier(4)

    def book(cutting: Cutting) -> int:
        client = Client()
        client.force_login(binder)
        start.wait()
        try:
            return int(send(client, "POST", f"/api/cuttings/{cutting.pk}/book").status_code)
        finally:
            connection.close()

    with ThreadPoolExecutor(4) as people:
        booked = list(people.map(book, made * 2))
    board.refresh_from_db()
    assert sorted(booked) == [200, 200, 409, 409]
    assert board.count == 1
    assert sum(board.movements.values_list("change", flat=True)) == 1


def test_something_unforeseen_in_laying_out_is_said_without_a_trace(
    client: Client, binder: User, board: ShelfItem, monkeypatch: pytest.MonkeyPatch
) -> None:
    def broken(*args: Any) -> Any:
        raise RuntimeError("at line 42")

    made = ask(client, job_on(binder, board)).json()
    monkeypatch.setattr(solve, "lay_out_groups", broken)
    cuttings.carry_out(made["id"])
    opened = client.get(f"/api/cuttings/{made['id']}").json()
    assert opened["state"] == "failed"
    assert "run it again" in opened["message"]
    assert "42" not in opened["message"]


def test_stock_that_left_the_shelf_is_not_booked(client: Client, binder: User, board: ShelfItem) -> None:
    made = laid_out(client, job_on(binder, board))
    board.delete()
    answer = send(client, "POST", f"/api/cuttings/{made['id']}/book")
    assert (answer.status_code, answer.json()["code"]) == (409, "short")
    assert "not on the shelf any more" in answer.json()["message"]


def test_a_layout_that_is_not_there_any_more_is_passed_over(binder: User) -> None:
    cuttings.carry_out("6f2c1a3e-0000-4000-8000-000000000000")
    assert Cutting.objects.count() == 0


def test_a_skin_too_short_is_offered_and_its_piece_drawn_askew(client: Client, binder: User) -> None:
    calf = {"name": "calf", "kind": "leather", "form": "skin", "width": 440, "height": 400}
    skin = add_item(binder.membership.workshop, binder, read_stock(calf), 2)
    spec = {
        "title": "Log",
        "leaf": {"width": 200, "height": 80},
        "back": {"shape": "round", "shoulder": "45"},
        "binding": {
            "structure": "laced_boards",
            "covering": "full",
            "material": "leather",
            "paring": 0,
            "turn_in": 15,
        },
    }
    job = make_job(binder, spec)
    asked = client.get(f"/api/jobs/{job.pk}").json()["spec"]
    choice = send(client, "POST", "/api/stock-for?piece=cover", asked).json()
    (candidate,) = choice["candidates"]
    assert (candidate["number"], candidate["fits"], candidate["enough"]) == (skin.pk, True, True)
    assert candidate["lie"].startswith("askew")
    chosen = make_job(binder, {**spec, "stock": {"cover": candidate["patch"]["stock.cover"]}})
    for kind in ("pdf", "svg", "dxf"):
        taken = client.get(f"/api/jobs/{chosen.pk}/drawings/cutting.skins.{kind}")
        assert taken.status_code == 200, taken.content
    assert client.get(f"/api/jobs/{job.pk}/drawings/cutting.skins.pdf").status_code == 404


def test_undoing_a_cut_leaves_no_rows_of_nothing(client: Client, binder: User, board: ShelfItem) -> None:
    made = ask(client, job_on(binder, board)).json()
    cuttings.carry_out(made["id"])
    before = client.get("/api/shelf").json()["count"]
    send(client, "POST", f"/api/cuttings/{made['id']}/book")
    with_offcuts = client.get("/api/shelf").json()["count"]
    assert with_offcuts > before
    send(client, "POST", f"/api/cuttings/{made['id']}/unbook")
    assert client.get("/api/shelf").json()["count"] == before
    send(client, "POST", f"/api/cuttings/{made['id']}/book")
    assert client.get("/api/shelf").json()["count"] == with_offcuts


def test_pieces_booked_as_cut_belong_to_the_job_and_are_not_offered_again(
    client: Client, binder: User, board: ShelfItem
) -> None:
    job = job_on(binder, board)
    made = laid_out(client, job)
    book = f"/api/cuttings/{made['id']}"
    assert send(client, "POST", f"{book}/book").status_code == 200
    cut = client.get(f"/api/jobs/{job.pk}/bench").json()["cut"]
    assert {(each["piece"], each["count"]) for each in cut} == {("board", 2), ("spine_board", 1)}
    refused = ask(client, job)
    assert refused.status_code == 422
    assert "no stock is chosen" in refused.json()["fields"]["jobs"]

    now = client.get(f"/api/jobs/{job.pk}").json()
    spec = now["spec"] | {"measured": {"block.thickness": 11}}
    put = send(client, "PUT", f"/api/jobs/{job.pk}?version={now['version']}", spec)
    assert put.json()["minds"] >= 1
    again = laid_out(client, job)
    assert [blank for sheet in again["groups"][0]["sheets"] for blank in sheet["pieces"]] == [
        "1 × Spine board"
    ]

    assert send(client, "POST", f"{book}/unbook").status_code == 200
    assert client.get(f"/api/jobs/{job.pk}/bench").json()["cut"] == []
    whole = laid_out(client, job)
    assert len(whole["groups"][0]["sheets"][0]["pieces"]) == 2
