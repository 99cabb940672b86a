import json
import threading
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext

from tests.web.conftest import make_job, send
from weald.core.job.spec import read_spec
from weald.web.jobs import services
from weald.web.jobs.models import Change, Job


def opened(client: Client, job: Job) -> dict[str, Any]:
    return dict(client.get(f"/api/jobs/{job.pk}").json())


def save(client: Client, job: Job, version: int, **changes: Any) -> Any:
    spec = opened(client, job)["spec"]
    for path, new in changes.items():
        at = spec
        *groups, last = path.split("__")
        for group in groups:
            at = at[group]
        at[last] = new
    return send(client, "PUT", f"/api/jobs/{job.pk}?version={version}", spec)


def test_a_job_begins_from_a_few_answers(client: Client) -> None:
    answer = send(
        client,
        "POST",
        "/api/jobs",
        {"title": "Ledger", "text": {"pages": "160"}, "leaf": {"width": "8in", "height": "280 mm"}},
    )
    assert answer.status_code == 201
    made = answer.json()
    assert made["spec"]["leaf"]["width"] == pytest.approx(203.2)
    assert made["spec"]["binding"]["board"] == 2.0
    assert (made["version"], made["can_undo"], made["state"]) == (1, False, "planned")


def test_bare_numbers_are_read_in_the_unit_of_the_one_who_types(client: Client) -> None:
    send(client, "PATCH", "/api/me", {"units": "inch"})
    answer = send(client, "POST", "/api/jobs", {"leaf": {"width": "5 1/4"}})
    assert answer.json()["spec"]["leaf"]["width"] == pytest.approx(133.35)


def test_wrong_answers_are_named_and_nothing_is_begun(client: Client) -> None:
    answer = send(client, "POST", "/api/jobs", {"leaf": {"width": "wide"}, "colour": "red"})
    assert answer.status_code == 422
    assert set(answer.json()["fields"]) == {"leaf.width", "colour"}
    assert not Job.objects.exists()


def test_every_change_is_kept_and_can_be_undone_and_redone(client: Client, job: Job) -> None:
    save(client, job, 1, leaf__width=150)
    save(client, job, 2, leaf__width=160)
    undone = send(client, "POST", f"/api/jobs/{job.pk}/undo", {"version": 3}).json()
    assert undone["spec"]["leaf"]["width"] == 150
    undone = send(client, "POST", f"/api/jobs/{job.pk}/undo", {"version": 4}).json()
    assert (undone["spec"]["leaf"]["width"], undone["can_undo"]) == (140, False)
    redone = send(client, "POST", f"/api/jobs/{job.pk}/redo", {"version": 5}).json()
    assert (redone["spec"]["leaf"]["width"], redone["can_redo"]) == (150, True)
    history = client.get(f"/api/jobs/{job.pk}/history").json()
    assert [each["verb"] for each in history] == [
        "redone",
        "undone",
        "undone",
        "changed",
        "changed",
        "begun",
    ]
    assert history[3]["summary"].startswith("Page width 160 mm")
    assert {each["author"] for each in history} == {"binder"}


def test_any_earlier_state_is_shown_and_can_be_gone_back_to(client: Client, job: Job) -> None:
    save(client, job, 1, leaf__width=150)
    save(client, job, 2, leaf__width=160)
    shown = client.get(f"/api/jobs/{job.pk}/history/1").json()
    assert shown["spec"]["leaf"]["width"] == 140
    assert shown["since"] == ["Page width 160 mm"]
    back = send(client, "POST", f"/api/jobs/{job.pk}/stand-at", {"version": 3, "stand_at": 1}).json()
    assert (back["spec"]["leaf"]["width"], back["version"]) == (140, 4)
    assert client.get(f"/api/jobs/{job.pk}/history").json()[0]["verb"] == "returned"
    assert client.get(f"/api/jobs/{job.pk}/history/3").json()["spec"]["leaf"]["width"] == 160
    never = send(client, "POST", f"/api/jobs/{job.pk}/stand-at", {"version": 4, "stand_at": 99})
    assert never.status_code == 404


def test_history_is_read_in_the_units_of_whoever_reads(client: Client, job: Job) -> None:
    save(client, job, 1, leaf__width=152.4)
    send(client, "PATCH", "/api/me", {"units": "inch"})
    assert client.get(f"/api/jobs/{job.pk}/history").json()[0]["summary"].startswith("Page width 6″")


def test_a_change_after_undo_begins_a_new_branch_and_loses_nothing(client: Client, job: Job) -> None:
    save(client, job, 1, leaf__width=150)
    send(client, "POST", f"/api/jobs/{job.pk}/undo", {"version": 2})
    saved = save(client, job, 3, leaf__width=170).json()
    assert saved["can_redo"] is False
    assert sorted(change.spec["leaf"]["width"] for change in Change.objects.all()) == [140, 150, 170]


def test_there_may_be_nothing_to_undo(client: Client, job: Job) -> None:
    for verb in ("undo", "redo"):
        answer = send(client, "POST", f"/api/jobs/{job.pk}/{verb}", {"version": 1})
        assert (answer.status_code, answer.json()["code"]) == (409, "nothing_to_move")


def test_a_step_through_the_history_of_a_job_that_has_changed_says_how_it_stands(
    client: Client, job: Job
) -> None:
    save(client, job, 1, leaf__width=150)
    save(client, job, 2, leaf__width=160)
    answer = send(client, "POST", f"/api/jobs/{job.pk}/undo", {"version": 2})
    assert answer.status_code == 409
    body = answer.json()
    assert body["code"] == "stale"
    assert body["fields"] == {"leaf.width": "Page width 160 mm"}
    assert body["job"]["version"] == 3
    assert opened(client, job)["spec"]["leaf"]["width"] == 160


def test_saving_what_is_saved_already_makes_no_history(client: Client, job: Job) -> None:
    assert save(client, job, 1).json()["version"] == 1
    assert Change.objects.count() == 1


@pytest.mark.django_db(transaction=True)
def test_of_two_who_write_at_once_one_is_told(binder: User) -> None:
    job = make_job(binder, {"title": "Log"})
    outcomes: list[str] = []
    start = threading.Barrier(2)

    def write(width: int) -> None:
        start.wait()
        try:
            services.save_job(job, 1, binder, read_spec({"title": "Log", "leaf": {"width": width}}))
            outcomes.append("saved")
        except services.StaleVersionError:
            outcomes.append("stale")
        finally:
            connection.close()

    writers = [threading.Thread(target=write, args=(width,)) for width in (150, 160)]
    for writer in writers:
        writer.start()
    for writer in writers:
        writer.join()
    assert sorted(outcomes) == ["saved", "stale"]


def test_a_wrong_size_is_not_saved(client: Client, job: Job) -> None:
    answer = save(client, job, 1, binding__board="two")
    assert answer.status_code == 422
    assert "binding.board" in answer.json()["fields"]
    assert opened(client, job)["version"] == 1


def test_rename_duplicate_archive_restore_and_state(client: Client, job: Job) -> None:
    base = f"/api/jobs/{job.pk}"
    save(client, job, 1, measured={"block.thickness": 12})
    renamed = send(client, "POST", f"{base}/rename", {"version": 2, "title": "Almanac"}).json()
    assert renamed["title"] == renamed["spec"]["title"] == "Almanac"
    copy = send(client, "POST", f"{base}/duplicate").json()
    assert copy["title"] == "Almanac (copy)"
    assert copy["spec"]["measured"] == {}
    send(client, "POST", f"{base}/archive")
    assert [each["title"] for each in client.get("/api/jobs").json()["jobs"]] == ["Almanac (copy)"]
    assert client.get("/api/jobs?archived=true").json()["jobs"][0]["title"] == "Almanac"
    send(client, "POST", f"{base}/restore")
    assert client.get("/api/jobs").json()["count"] == 2
    assert send(client, "POST", f"{base}/state", {"state": "at_bench"}).json()["state"] == "at_bench"
    assert client.get("/api/jobs?state=at_bench").json()["count"] == 1


def test_the_list_says_what_is_to_mind(client: Client, binder: User) -> None:
    make_job(binder, {"title": "Bad", "leaf": {"width": 500}})
    make_job(binder, {"title": "Good", "sewing": {"thread": 0.1}, "binding": {"joint_rule": "board_plus_6"}})
    rows = {each["title"]: each for each in client.get("/api/jobs").json()["jobs"]}
    assert rows["Bad"]["stops"] == 1
    assert "only 450 mm × 320 mm" in rows["Bad"]["to_mind"]
    assert (rows["Good"]["stops"], rows["Good"]["minds"], rows["Good"]["to_mind"]) == (0, 0, "")


def test_the_list_is_searched_sorted_and_paged(client: Client, binder: User) -> None:
    for number in range(30):
        make_job(binder, {"title": f"Volume {number:02} 100%"})
    page = client.get("/api/jobs?sort=title&page=2").json()
    assert (page["count"], page["pages"], len(page["jobs"])) == (30, 2, 5)
    assert page["jobs"][0]["title"] == "Volume 25 100%"
    assert client.get("/api/jobs?sort=-title").json()["jobs"][0]["title"] == "Volume 29 100%"
    assert client.get("/api/jobs?search=VOLUME 07").json()["count"] == 1
    assert client.get("/api/jobs?search=0%25").json()["count"] == 30
    assert client.get("/api/jobs?sort=secret").status_code == 422
    assert client.get("/api/jobs?page=0").status_code == 422


def test_books_stand_as_they_will_be_and_others_books_are_not_there(
    client: Client, binder: User, stranger: User
) -> None:
    tall = make_job(binder, {"leaf": {"height": 297}, "binding": {"cover_name": "sea-green cloth"}})
    low, theirs = make_job(binder, {"leaf": {"height": 150}}), make_job(stranger, {})
    asked = [low.pk, tall.pk, theirs.pk, low.pk, 999_999]
    books = client.get("/api/jobs/standing", {"ids": asked}).json()
    assert [each["job"] for each in books] == [low.pk, tall.pk]
    low_high, tall_high = (each["drawing"]["extent"][3] for each in books)
    assert tall_high - low_high == pytest.approx(147)
    assert (books[0]["tone"], books[1]["tone"]) == ("", "#9db8a3")
    assert client.get("/api/jobs/standing").status_code == 422
    assert client.get("/api/jobs/standing", {"ids": list(range(99))}).status_code == 422


def test_the_list_asks_the_database_no_more_for_more_jobs(client: Client, binder: User) -> None:
    def queries() -> int:
        with CaptureQueriesContext(
            connection,
        ) as asked:
            client.get("/api/jobs")
        return len(asked)

    make_job(binder, {"title": "One"})
    queries()  # the session is asked for
    before = queries()
    for number in range(10):
        make_job(binder, {"title": f"More {number}"})
    assert queries() == before


def test_a_job_goes_out_as_a_file_and_comes_back(client: Client, job: Job) -> None:
    out = client.get(f"/api/jobs/{job.pk}/job.json")
    assert out["Content-Disposition"].startswith('attachment; filename="Tide tables.weald.json"')
    back = client.post("/api/jobs/import", {"file": SimpleUploadedFile("log.json", out.content)})
    assert back.status_code == 201
    assert back.json()["spec"] == opened(client, job)["spec"]
    assert "imported from log.json" in str(client.get(f"/api/jobs/{back.json()['id']}/history").json())


def test_a_file_that_is_no_job_is_refused_by_name(client: Client) -> None:
    upload = SimpleUploadedFile("log.json", json.dumps({"leef": {}}).encode())
    answer = client.post("/api/jobs/import", {"file": upload})
    assert answer.status_code == 422
    assert "did you mean “leaf”" in answer.json()["fields"]["leef"]
    assert client.post("/api/jobs/import", {}).status_code == 422


@pytest.mark.parametrize(
    ("file", "kind", "start"),
    [
        ("bench-papers/job-sheet.pdf", "application/pdf", b"%PDF"),
        ("bench-papers/job-sheet.pdf?paper=letter", "application/pdf", b"%PDF"),
        ("drawings/case.flat.pdf", "application/pdf", b"%PDF"),
        ("drawings/case.flat.svg", "image/svg+xml", b"<?xml"),
        ("drawings/sewing.strip.dxf", "image/vnd.dxf", b"  0"),
        ("pieces.csv", "text/csv; charset=utf-8", b"job,piece"),
    ],
)
def test_files_to_take_away(client: Client, binder: User, file: str, kind: str, start: bytes) -> None:
    job = make_job(binder, {"title": 'Näme "with"; X-Evil: 1 / \\ quotes Ω'})
    answer = client.get(f"/api/jobs/{job.pk}/{file}")
    assert answer.status_code == 200
    assert answer["Content-Type"] == kind
    assert answer.content.startswith(start)
    assert "X-Evil" not in answer.headers
    assert answer["Content-Disposition"].isascii()


def test_signs_the_database_does_not_take_are_no_accident(client: Client, job: Job) -> None:
    assert client.get("/api/jobs?search=%00Tide").status_code == 422
    assert send(client, "POST", "/api/jobs", {"title": "Lo\0g"}).status_code == 422
    rename = {"version": 1, "title": "\ud800"}
    assert send(client, "POST", f"/api/jobs/{job.pk}/rename", rename).status_code in (400, 422)
    upload = SimpleUploadedFile("lo\0g.json", b"{}")
    assert client.post("/api/jobs/import", {"file": upload}).status_code == 201


def test_an_unknown_paper_is_refused(client: Client, job: Job) -> None:
    assert client.get(f"/api/jobs/{job.pk}/drawings/case.flat.pdf?paper=a3").status_code == 422


def test_a_job_begins_with_what_lies_on_the_bench(client: Client, job: Job) -> None:
    answers = {"title": "Old log", "pages": "200", "width": "135", "height": "200", "thickness": "18"}
    begun = send(client, "POST", "/api/jobs/begin", {"kind": "paperback_leaves", "answers": answers})
    assert begun.status_code == 201
    assert begun.json()["spec"]["binding"]["structure"] == "rebound_paperback"
    assert begun.json()["spec"]["measured"]["text.thickness"] == 18
    assert begun.json()["spec"]["bench"]["lies"] == "paperback_leaves"
    wrong = send(client, "POST", "/api/jobs/begin", {"kind": "sewn", "answers": answers | {"pages": "few"}})
    assert (wrong.status_code, list(wrong.json()["fields"])) == (422, ["pages"])
    absent = send(client, "POST", "/api/jobs/begin", {"kind": "pdf", "answers": {}, "text": "0" * 64})
    assert absent.status_code == 404
