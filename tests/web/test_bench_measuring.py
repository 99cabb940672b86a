"""What is measured, cut, looked at and noted at the bench; also by a device that was away."""

import io
import uuid
from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client
from django.utils import timezone
from PIL import Image

from tests.web.conftest import make_job, send
from tests.web.test_bench import order, standing, tell
from weald.core.shelf.stock import read_stock
from weald.web.bench.models import BenchEvent, BenchPicture
from weald.web.bench.pictures import picture_name
from weald.web.jobs.models import Job
from weald.web.printing.files import is_kept
from weald.web.shelf.services import add_item


def bench(client: Client, job: Job) -> Any:
    return client.get(f"/api/jobs/{job.pk}/bench").json()


def planned(client: Client, job: Job) -> Any:
    spec = client.get(f"/api/jobs/{job.pk}").json()["spec"]
    return send(client, "POST", f"/api/plan?station=bench&kept={job.pk}", spec).json()


def measure(client: Client, job: Job, quantity: str, found: str, **more: Any) -> Any:
    return tell(client, job, "measured", "measure_block", quantity=quantity, found=found, **more)


def codes(made: Any) -> set[str]:
    return {each["code"] for each in made["findings"]}


def test_a_measurement_goes_into_the_plan_and_says_what_it_changes(client: Client, job: Job) -> None:
    told = measure(client, job, "block.thickness", "11")
    assert told.status_code == 200
    assert told.json()["job"]["spec"]["measured"] == {"block.thickness": 11}
    assert any("not cut yet" in words for words in told.json()["follows"])
    assert "11 mm" in bench(client, job)["log"][0]["words"]
    taken_back = measure(client, job, "block.thickness", "")
    assert taken_back.json()["job"]["spec"]["measured"] == {}
    history = client.get(f"/api/jobs/{job.pk}/history").json()
    assert "measured 11" in history[1]["summary"]


def test_boards_cut_before_the_block_was_measured_are_a_finding_and_on_the_desk(
    client: Client, job: Job
) -> None:
    for piece in ("board", "spine_board"):
        assert tell(client, job, "cut", "cut_boards", piece=piece).status_code == 200
    assert {each["piece"] for each in bench(client, job)["cut"]} == {"board", "spine_board"}
    assert "cut.smaller" not in codes(planned(client, job))
    told = measure(client, job, "block.thickness", "11").json()
    assert any(words.startswith("Spine board is cut already") for words in told["follows"])
    assert "cut.smaller" in codes(planned(client, job))
    row = client.get("/api/jobs").json()["jobs"][0]
    assert row["minds"] >= 1
    again = tell(client, job, "cut", "cut_boards", piece="spine_board")
    assert again.status_code == 200
    assert "cut.smaller" not in codes(planned(client, job))
    tell(client, job, "uncut", "cut_boards", piece="board")
    assert [each["piece"] for each in bench(client, job)["cut"]] == ["spine_board"]
    assert tell(client, job, "uncut", "cut_boards", piece="board").status_code == 409


def test_twelve_for_a_hundred_and_twenty_is_asked_about(client: Client, job: Job) -> None:
    odd = measure(client, job, "block.width", "14")
    assert (odd.status_code, odd.json()["code"]) == (409, "odd_measurement")
    assert "centimetres" in odd.json()["message"]
    assert job.bench_events.count() == 0
    assert measure(client, job, "block.width", "14", insist=True).status_code == 200


@pytest.mark.parametrize("found", ["twelve", "-3", "1e999", "0", "9" * 60])
def test_what_is_no_length_is_said_where_it_is(client: Client, job: Job, found: str) -> None:
    refused = measure(client, job, "block.width", found)
    assert refused.status_code == 422
    assert "measured.block.width" in refused.json()["fields"]
    assert job.bench_events.count() == 0


def test_a_size_this_book_has_not_is_refused(client: Client, job: Job) -> None:
    assert measure(client, job, "spine.rise", "3").status_code == 409
    assert measure(client, job, "no.such", "3").status_code == 409
    assert tell(client, job, "cut", "cut_boards", piece="no_such").status_code == 409
    assert tell(client, job, "looked", "sew", look="no.such").status_code == 409


def test_inches_are_read_as_inches(client: Client, binder: User, job: Job) -> None:
    send(client, "PATCH", "/api/me", {"units": "inch"})
    told = measure(client, job, "block.thickness", "3/8")
    assert told.json()["job"]["spec"]["measured"]["block.thickness"] == pytest.approx(9.525)
    text = str(told.json()["follows"]) + bench(client, job)["log"][0]["words"]
    assert "mm" not in text


def test_looks_are_ticked_with_what_was_found_otherwise(client: Client, job: Job) -> None:
    look = planned(client, job)["operations"][0]["looks"][0]
    tell(client, job, "looked", "stock_out", look=look["id"])
    tell(client, job, "looked", "stock_out", look=look["id"], found="one sheet across")
    assert standing(client, job, "stock_out")["ticked"] == [{"look": look["id"], "found": "one sheet across"}]
    tick = planned(client, job)["casing_in"]["sides"][0]["id"]
    assert tell(client, job, "looked", "case_in", look=f"{tick}.front").status_code == 200


# a device that was away


def test_what_was_told_late_is_as_of_when_it_was(client: Client, job: Job) -> None:
    before = timezone.now() - timedelta(hours=2)
    tell(client, job, "started", "stock_out", late=True, ago=7200)
    tell(client, job, "done", "stock_out", late=True, ago=6600)
    stands = standing(client, job, "stock_out")
    assert stands["worked"] == pytest.approx(600, abs=5)
    log = bench(client, job)["log"]
    assert abs(timezone.datetime.fromisoformat(log[1]["at"]) - before) < timedelta(seconds=60)  # type: ignore[attr-defined]


def test_two_devices_never_lose_each_others_entry(client: Client, job: Job) -> None:
    assert tell(client, job, "started", "stock_out").status_code == 200
    late = tell(client, job, "started", "stock_out", late=True, ago=60, note="by the window")
    assert late.status_code == 200
    assert "begun already" in late.json()["follows"][0]
    newest = bench(client, job)["log"][0]
    assert newest["kind"] == "noted"
    assert "by the window" in newest["note"]
    early = tell(client, job, "started", "sew", late=True, ago=30)
    assert early.status_code == 200
    assert standing(client, job, "sew")["early"]
    odd = measure(client, job, "block.width", "14", late=True, ago=30)
    assert odd.status_code == 200
    assert odd.json()["job"]["spec"]["measured"] == {}
    assert "14" in bench(client, job)["log"][0]["note"]


def test_a_device_away_for_a_year_or_with_a_mad_clock_is_taken_in(client: Client, job: Job) -> None:
    assert tell(client, job, "started", "stock_out", late=True, ago=4e7).status_code == 200
    assert tell(client, job, "started", "cut_sheets", ago=-5).status_code == 422
    assert standing(client, job, "stock_out")["status"] == "working"


# pictures, the record, the colophon, made again


def picture(size: tuple[int, int] = (640, 480)) -> bytes:
    buffer = io.BytesIO()
    Image.new("RGB", size, "teal").save(buffer, "JPEG")
    return buffer.getvalue()


def bring(client: Client, job: Job, content: bytes, **query: str) -> Any:
    query = {"key": str(uuid.uuid4()), **query}
    path = f"/api/jobs/{job.pk}/pictures?" + "&".join(f"{key}={value}" for key, value in query.items())
    return client.generic("POST", path, data=content, content_type="image/jpeg")


def test_a_picture_is_kept_once_shown_counted_and_thrown_away(client: Client, job: Job) -> None:
    key = str(uuid.uuid4())
    for _ in range(2):
        assert bring(client, job, picture(), key=key, operation="sew").status_code == 201
    kept = BenchPicture.objects.get()
    assert (kept.operation, kept.title, kept.width) == ("sew", "Sew", 640)
    shown = client.get(f"/api/jobs/{job.pk}/pictures/{key}.jpg")
    content = b"".join(shown.streaming_content)  # type: ignore[attr-defined]
    assert content[:2] == b"\xff\xd8"
    assert send(client, "DELETE", f"/api/jobs/{job.pk}/pictures/{key}").status_code == 204
    assert client.get(f"/api/jobs/{job.pk}/pictures/{key}.jpg").status_code == 404


def test_what_is_no_picture_is_refused_and_leaves_nothing(client: Client, job: Job) -> None:
    refused = bring(client, job, b"%PDF-1.7")
    assert (refused.status_code, refused.json()["code"]) == (422, "invalid")
    assert not BenchPicture.objects.exists()


def test_pictures_count_against_the_quota(client: Client, job: Job, settings: Any) -> None:
    settings.WORKSHOP_QUOTA = 50_000
    assert bring(client, job, picture()).status_code == 201
    settings.WORKSHOP_QUOTA = BenchPicture.objects.get().size + 10
    assert bring(client, job, picture()).status_code == 413


def test_the_record_and_colophon_follow_the_work(
    client: Client, binder: User, django_capture_on_commit_callbacks: Any
) -> None:
    job = make_job(binder, {"title": "Tide tables", "binding": {"structure": "saddle_stitch"}})
    for number, each in enumerate(order(client, job)):
        tell(client, job, "started", each, late=True, ago=9000 - number * 60, insist=True)
        tell(client, job, "done", each, late=True, ago=8970 - number * 60, insist=True)
    tell(client, job, "noted", "", note="for the harbour office")
    job.refresh_from_db()
    assert job.state == "finished"
    record = client.get(f"/api/jobs/{job.pk}/record").json()
    assert record["operations"][0]["lines"][0]["words"] == "for the harbour office"
    assert record["finished"]
    assert "Made by binder, Saltmarsh Bindery" in record["colophon"]
    page = client.get(f"/api/jobs/{job.pk}/colophon.pdf")
    assert page.content.startswith(b"%PDF")
    assert b"operation,people" in client.get(f"/api/jobs/{job.pk}/record.csv").content
    assert client.get(f"/api/jobs/{job.pk}/bench-papers/bench-card.pdf").content.startswith(b"%PDF")


def test_made_again_a_job_starts_from_what_was_measured(client: Client, binder: User) -> None:
    job = make_job(binder, {"title": "Tide tables", "measured": {"board.thickness": 2.2}})
    made = send(client, "POST", f"/api/jobs/{job.pk}/again")
    assert made.status_code == 201
    assert made.json()["spec"]["binding"]["board"] == 2.2
    assert made.json()["spec"]["measured"] == {}
    assert made.json()["title"] == "Tide tables (again)"


def test_what_to_lay_ready_shrinks_as_work_is_done(client: Client, job: Job) -> None:
    path = f"/api/jobs/{job.pk}/lay-ready"
    whole = client.get(path).json()
    assert "bone folder" in whole["tools"]
    sewing = client.get(f"{path}?operation=sew").json()
    assert sewing["tools"] == ["needle", "thread", "sewing frame"]
    tell(client, job, "cut", "cut_boards", piece="board")
    after = client.get(path).json()
    assert "board" not in {each["piece"] for each in after["materials"]}


# instruments


def test_readings_of_an_instrument_become_one(client: Client) -> None:
    lines = ["  2.01 mm\r\n", "  2.05 mm\r\n", "0.0780 in"]
    taken = send(client, "POST", "/api/readings", {"lines": lines})
    assert float(taken.json()["text"]) == pytest.approx((2.01 + 2.05 + 0.078 * 25.4) / 3, abs=0.001)
    odd = send(client, "POST", "/api/readings", {"lines": [*lines, "20.1 mm"]})
    assert (odd.status_code, odd.json()["code"]) == (409, "odd_reading")
    assert send(client, "POST", "/api/readings", {"lines": ["lots"]}).status_code == 422
    assert client.get("/api/instruments").json() == ["calliper", "scale"]
    line = client.get("/api/instruments/calliper/line?thing=12&unit=in").json()["line"]
    assert line.endswith("in\r\n")
    assert client.get("/api/instruments/calliper/line?thing=lots").status_code == 422
    assert client.get("/api/instruments/scale/line?thing=lots&unit=g").status_code == 422


# whose it is


def test_another_workshop_has_no_part_in_it(stranger: User, client: Client, job: Job) -> None:
    key = str(uuid.uuid4())
    bring(client, job, picture(), key=key)
    other = Client()
    other.force_login(stranger)
    base = f"/api/jobs/{job.pk}"
    papers = ("record.csv", "colophon.pdf", "bench-papers/bench-card.pdf")
    for path in ("lay-ready", "record", *papers, f"pictures/{key}.jpg"):
        assert other.get(f"{base}/{path}").status_code == 404, path
    assert send(other, "POST", f"{base}/again").status_code == 404
    assert bring(other, job, picture()).status_code == 404
    assert send(other, "DELETE", f"{base}/pictures/{key}").status_code == 404
    spec = client.get(base).json()["spec"]
    assert send(other, "POST", f"/api/plan?kept={job.pk}", spec).status_code == 404
    assert is_kept(picture_name(BenchPicture.objects.get()))


def test_a_piece_told_late_that_the_plan_has_no_more_stands_in_the_record(client: Client, job: Job) -> None:
    late = tell(client, job, "cut", "cut_boards", piece="no_such", late=True, ago=60)
    assert late.status_code == 200
    assert "no_such" in bench(client, job)["log"][0]["note"]


def test_an_item_nothing_is_cut_from_is_said_and_not_failed_over(client: Client, binder: User) -> None:
    shelf = binder.membership.workshop
    thread = add_item(shelf, binder, read_stock({"name": "Linen 18/3", "kind": "thread", "form": "reel"}), 1)
    stock = {"board": {"item": thread.pk, "width": 100, "height": 100}}
    job = make_job(binder, {"title": "Tide tables", "stock": stock})
    ready = client.get(f"/api/jobs/{job.pk}/lay-ready")
    assert ready.status_code == 200
    board = next(each for each in ready.json()["materials"] if each["piece"] == "board")
    assert (board["short"], board["stock"]) == (True, "Linen 18/3")


# what holds


MAD = (
    "9999-12-31T23:59:59-12:00",
    "0001-01-01T00:00:00+14:00",
    "2019-01-01T00:00:00Z",
    "2190-01-01T00:00:00Z",
)


@pytest.mark.parametrize("device_at", MAD)
def test_a_time_that_cannot_be_is_refused_in_words_and_breaks_nothing(
    client: Client, job: Job, device_at: str
) -> None:
    refused = tell(client, job, "noted", "", note="by the window", device_at=device_at)
    assert refused.status_code == 422
    assert "clock is wrong" in refused.json()["fields"]["device_at"]
    kept = tell(client, job, "started", "stock_out", note="while away", device_at=device_at, late=True)
    assert kept.status_code == 200
    assert "while away" in bench(client, job)["log"][0]["note"]
    for path in (f"jobs/{job.pk}/bench", f"jobs/{job.pk}/record", f"jobs/{job.pk}/costs", "daybook"):
        assert client.get(f"/api/{path}").status_code == 200, path


def test_a_row_nobody_can_read_says_so_and_hides_no_other(client: Client, binder: User, job: Job) -> None:
    tell(client, job, "noted", "", note="by the window")
    for kind, data in (("measured", {}), ("cut", {"piece": 3}), ("looked", {"look": 1}), ("cut", [])):
        BenchEvent.objects.create(
            job=job, key=uuid.uuid4(), kind=kind, data=data, author=binder, at=timezone.now()
        )
    words = [each["words"] for each in bench(client, job)["log"]]
    assert words.count("This entry cannot be read.") == 4
    for path in (f"jobs/{job.pk}/record", f"jobs/{job.pk}/costs", "daybook"):
        assert client.get(f"/api/{path}").status_code == 200, path


def test_a_measurement_that_is_undone_leaves_the_record_and_stays_in_the_log(
    client: Client, job: Job
) -> None:
    def said() -> str:
        return str(client.get(f"/api/jobs/{job.pk}/record").json()["operations"])

    version = measure(client, job, "block.thickness", "13.5", insist=True).json()["version"]
    assert "13.5" in said()
    assert send(client, "POST", f"/api/jobs/{job.pk}/undo", {"version": version}).status_code == 200
    assert "13.5" not in said()
    assert "13.5" in str(bench(client, job)["log"])
    measure(client, job, "block.thickness", "13.6", insist=True)
    measure(client, job, "block.thickness", "")
    assert "13.6" not in said()
