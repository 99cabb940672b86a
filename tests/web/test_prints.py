"""Imposed files: asked for, made by the worker, watched, taken."""

import io
import os
import zipfile
from pathlib import Path
from typing import Any

import pikepdf
import pytest
from django.contrib.auth.models import User
from django.test import Client
from procrastinate.contrib.django.models import ProcrastinateJob

from tests.exchange.texts import read_sides, write_text
from tests.web.conftest import make_job, send
from tests.web.test_texts import bring, kept
from weald.web import work
from weald.web.jobs import services as job_services
from weald.web.jobs.models import Job
from weald.web.printing import services
from weald.web.printing.files import at_hand, print_name, sweep
from weald.web.printing.models import PrintFile


@pytest.fixture
def printed(client: Client, binder: User, tmp_path: Path) -> Job:
    """A job whose text has been brought."""
    content = write_text(tmp_path / "text.pdf", 20, 140, 210).read_bytes()
    digest = bring(client, content).json()["digest"]
    return make_job(
        binder,
        {
            "title": "Tide tables",
            "text": {"file": digest, "pages": 20},
            "folding": {"programme": "quarto", "sheets_per_section": 1},
        },
    )


def ask(client: Client, job: Job, part: str = "whole") -> dict[str, Any]:
    answer = send(client, "POST", f"/api/jobs/{job.pk}/prints", {"part": part})
    assert answer.status_code == 201, answer.content
    reply: dict[str, Any] = answer.json()
    return reply


def take(client: Client, job: Job, made: dict[str, Any]) -> bytes:
    answer = client.get(f"/api/jobs/{job.pk}/prints/{made['id']}/file")
    assert answer.status_code == 200
    content: bytes = b"".join(answer.streaming_content)  # type: ignore[attr-defined]
    return content


def test_a_text_is_imposed_by_the_worker(client: Client, printed: Job, tmp_path: Path) -> None:
    made = ask(client, printed)
    assert (made["state"], made["total"], made["author"]) == ("waiting", 3, "binder")
    queued = ProcrastinateJob.objects.get(args__work_id=made["id"])
    assert (queued.queue_name, queued.status) == ("press", "todo")
    assert client.get(f"/api/jobs/{printed.pk}/prints/{made['id']}/file").status_code == 404
    services.carry_out(made["id"])
    done = client.get(f"/api/jobs/{printed.pk}/prints").json()[0]
    assert (done["state"], done["changed_since"]) == ("done", [])
    path = tmp_path / "taken.pdf"
    path.write_bytes(take(client, printed, done))
    assert done["size"] == path.stat().st_size
    sides, _ = read_sides(path)
    assert [sorted(side) for side in sides[:2]] == [[1, 4, 5, 8], [2, 3, 6, 7]]
    # done again by a worker that did not know, nothing changes
    services.carry_out(made["id"])
    assert client.get(f"/api/jobs/{printed.pk}/prints").json()[0] == done


def test_parts_of_a_text(client: Client, printed: Job) -> None:
    counts = {}
    for part in ("fronts", "backs"):
        made = ask(client, printed, part)
        services.carry_out(made["id"])
        with pikepdf.open(io.BytesIO(take(client, printed, made))) as pdf:
            counts[part] = len(pdf.pages)
    assert counts == {"fronts": 3, "backs": 3}
    made = ask(client, printed, "signatures")
    services.carry_out(made["id"])
    with zipfile.ZipFile(io.BytesIO(take(client, printed, made))) as archive:
        assert archive.namelist() == ["signature-1.pdf", "signature-2.pdf", "signature-3.pdf"]


def test_a_file_says_what_was_decided_otherwise_since(client: Client, printed: Job, binder: User) -> None:
    made = ask(client, printed)
    services.carry_out(made["id"])
    spec = printed.head.spec if printed.head else {}
    leaf = {"width": 140, "height": 210, "trim": {"head": 5}}
    changed = spec | {"leaf": leaf, "binding": {"board": 3}, "paper": {"name": "Other", "spoilage": 9}}
    answer = send(client, "PUT", f"/api/jobs/{printed.pk}?version=1", changed)
    assert answer.status_code == 200
    assert client.get(f"/api/jobs/{printed.pk}/prints").json()[0]["changed_since"] == ["Trim at the head"]
    printed.refresh_from_db()
    job_services.undo(printed, 2, binder)
    assert client.get(f"/api/jobs/{printed.pk}/prints").json()[0]["changed_since"] == []


def test_a_cancelled_file_is_never_offered(
    client: Client, printed: Job, settings: Any, tmp_path: Path
) -> None:
    made = ask(client, printed)
    answer = send(client, "POST", f"/api/jobs/{printed.pk}/prints/{made['id']}/cancel")
    assert answer.json()["state"] == "cancelled"
    services.carry_out(made["id"])
    assert client.get(f"/api/jobs/{printed.pk}/prints/{made['id']}/file").status_code == 404
    # run again, and cancelled while it is being written
    assert (
        send(client, "POST", f"/api/jobs/{printed.pk}/prints/{made['id']}/again").json()["state"] == "waiting"
    )
    settings.PROGRESS_SECONDS = 0
    real = services.impose_pdf  # type: ignore[attr-defined]

    def cancelled_half_way(*arguments: Any) -> int:
        work.cancel(PrintFile.objects.get(pk=made["id"]))
        return real(*arguments)

    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(services, "impose_pdf", cancelled_half_way)
        services.carry_out(made["id"])
    assert client.get(f"/api/jobs/{printed.pk}/prints").json()[0]["state"] == "cancelled"
    assert [name for name in kept(tmp_path) if not name.startswith(printed.head.spec["text"]["file"])] == []  # type: ignore[union-attr]


def test_progress_is_told_by_sheet(client: Client, printed: Job, settings: Any) -> None:
    settings.PROGRESS_SECONDS = 0
    made = ask(client, printed)
    told = []
    real = services.impose_pdf  # type: ignore[attr-defined]

    def watched(ready: Any, text: Any, out: Any, order: Any, progress: Any) -> int:
        def tell(done: int, of: int) -> None:
            progress(done, of)
            told.append((PrintFile.objects.get(pk=made["id"]).done, of))

        return real(ready, text, out, order, tell)

    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(services, "impose_pdf", watched)
        services.carry_out(made["id"])
    assert told[:3] == [(1, 3), (2, 3), (3, 3)]


def test_a_text_that_has_gone_fails_in_words_and_can_be_run_again(
    client: Client, printed: Job, tmp_path: Path
) -> None:
    made = ask(client, printed)
    path = next((tmp_path / "files" / "texts").rglob("*.pdf"))
    content = path.read_bytes()
    path.unlink()
    services.carry_out(made["id"])
    failed = client.get(f"/api/jobs/{printed.pk}/prints").json()[0]
    assert failed["state"] == "failed"
    assert "Bring the text as a PDF first" in failed["message"]
    path.write_bytes(content)
    assert (
        send(client, "POST", f"/api/jobs/{printed.pk}/prints/{made['id']}/again").json()["state"] == "waiting"
    )
    services.carry_out(made["id"])
    assert client.get(f"/api/jobs/{printed.pk}/prints").json()[0]["state"] == "done"


def test_something_unforeseen_is_said_without_a_trace(client: Client, printed: Job) -> None:
    made = ask(client, printed)
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(services, "impose_pdf", lambda *arguments: 1 / 0)
        services.carry_out(made["id"])
    failed = client.get(f"/api/jobs/{printed.pk}/prints").json()[0]
    assert (failed["state"], "run it again" in failed["message"]) == ("failed", True)
    assert "division" not in failed["message"]


def test_a_worker_that_died_half_way_leaves_nothing_to_take(client: Client, printed: Job) -> None:
    made = ask(client, printed)
    PrintFile.objects.filter(pk=made["id"]).update(state="working", done=2)
    assert client.get(f"/api/jobs/{printed.pk}/prints/{made['id']}/file").status_code == 404
    services.carry_out(made["id"])
    assert client.get(f"/api/jobs/{printed.pk}/prints").json()[0]["state"] == "done"


def test_a_file_is_thrown_away(client: Client, printed: Job, django_capture_on_commit_callbacks: Any) -> None:
    made = ask(client, printed)
    services.carry_out(made["id"])
    path = at_hand(print_name(PrintFile.objects.get(pk=made["id"])))
    assert path.exists()
    with django_capture_on_commit_callbacks(execute=True):
        assert client.delete(f"/api/jobs/{printed.pk}/prints/{made['id']}").status_code == 204
    assert not path.exists()


@pytest.mark.parametrize(
    ("spec", "words"),
    [
        ({"title": "No text yet"}, "Bring the text as a PDF first"),
        (
            {"printing": {"sheet": {"width": 100, "height": 100}}, "text": {"blank_book": True}},
            "needs a sheet",
        ),
    ],
)
def test_what_cannot_be_imposed_is_said_at_once(
    client: Client, binder: User, spec: dict[str, Any], words: str
) -> None:
    job = make_job(binder, spec)
    answer = send(client, "POST", f"/api/jobs/{job.pk}/prints", {"part": "whole"})
    assert answer.status_code == 422
    assert words in answer.json()["message"]
    assert not PrintFile.objects.exists()


def test_a_blank_book_is_imposed_without_a_text(client: Client, binder: User) -> None:
    job = make_job(binder, {"text": {"blank_book": True, "filler": "staves", "pages": 16}})
    made = ask(client, job)
    services.carry_out(made["id"])
    with pikepdf.open(io.BytesIO(take(client, job, made))) as pdf:
        assert len(pdf.pages) == 8
        assert any(name.startswith("/Ruled") for name in pdf.pages[0].Resources.XObject)  # type: ignore[operator]


@pytest.mark.parametrize(("name", "pages"), [("test-sheet", 2), ("fold-dummy", 2), ("back-shift", 2)])
def test_sheets_to_try_the_printer_with(client: Client, printed: Job, name: str, pages: int) -> None:
    answer = client.get(f"/api/jobs/{printed.pk}/{name}.pdf")
    assert answer.status_code == 200
    with pikepdf.open(io.BytesIO(answer.content)) as pdf:
        assert len(pdf.pages) == pages
        width, height = (float(each) * 25.4 / 72 for each in pdf.pages[0].MediaBox[2:])
        assert (width, height) == pytest.approx((288, 432), abs=0.01)


def test_printers_are_kept_changed_and_removed(client: Client, stranger: User) -> None:
    laser = {"name": "Attic laser", "largest": {"width": "216mm", "height": "14in"}, "unprintable": 4.5}
    answer = send(client, "POST", "/api/printers", laser)
    assert answer.status_code == 201
    made = answer.json()
    assert made["printer"]["largest"]["height"] == pytest.approx(355.6)
    again = send(client, "POST", "/api/printers", laser)
    assert (again.status_code, list(again.json()["fields"])) == (422, ["name"])
    wrong = send(client, "PUT", f"/api/printers/{made['id']}", laser | {"unprintable": "wide"})
    assert (wrong.status_code, list(wrong.json()["fields"])) == (422, ["unprintable"])
    assert send(client, "POST", "/api/printers", {"name": " "}).json()["fields"] == {
        "name": "Give the printer a name."
    }
    assert send(client, "PUT", f"/api/printers/{made['id']}", laser | {"flips": "none"}).status_code == 200
    other = Client()
    other.force_login(stranger)
    assert other.get("/api/printers").json() == []
    assert send(other, "PUT", f"/api/printers/{made['id']}", laser).status_code == 404
    assert other.delete(f"/api/printers/{made['id']}").status_code == 404
    assert client.get("/api/printers").json()[0]["printer"]["flips"] == "none"
    assert client.delete(f"/api/printers/{made['id']}").status_code == 204


def test_folds_and_make_ups_are_compared(client: Client) -> None:
    job = {"text": {"pages": 186}}
    folds = send(client, "POST", "/api/folds", job).json()
    assert [each["name"] for each in folds if each["chosen"]] == ["folio"]
    assert all(each["picture"]["elements"] for each in folds)
    own = send(
        client, "POST", "/api/folds", {"folding": {"programme": "upright, level, level, upright"}}
    ).json()
    assert own[0]["name"] == "upright, level, level, upright"
    choices = send(client, "POST", "/api/make-ups", job).json()
    assert [each["recommended"] for each in choices].count(True) == 1
    assert sum(each["chosen"] for each in choices) == 1
    wrong = send(client, "POST", "/api/folds", {"folding": {"programme": "upright, askew"}})
    assert (wrong.status_code, list(wrong.json()["fields"])) == (422, ["folding.programme"])


def test_the_film_and_the_dummy(client: Client) -> None:
    job = {"text": {"pages": 64}, "folding": {"programme": "octavo", "sheets_per_section": 1}}
    film = send(client, "POST", "/api/film?section=2", job).json()
    assert (film["columns"], film["rows"], len(film["steps"])) == (4, 2, 3)
    dummy = send(client, "POST", "/api/dummy?section=2", job).json()
    assert dummy["true_spreads"] == [[8, 9], [24, 25], [40, 41], [56, 57]]
    pages = [page["page"] for each in dummy["openings"] for page in (each["left"], each["right"]) if page]
    assert pages == list(range(17, 33))


def test_a_file_is_tried_on_the_simulated_printer(client: Client, printed: Job) -> None:
    made = ask(client, printed)
    path = f"/api/jobs/{printed.pk}/prints/{made['id']}"
    assert send(client, "POST", f"{path}/try", {"flip": "short"}).status_code == 404
    services.carry_out(made["id"])
    # quartos are printed upright; the job is set to flip on the short edge
    good = send(client, "POST", f"{path}/try", {"flip": "short"}).json()
    assert good["verdicts"][0]["severity"] == "good"
    assert good["sheets"][1] == {"number": 2, "front": 3, "back": 4, "back_half_turned": True}
    wrong = send(client, "POST", f"{path}/try", {"flip": "long", "mishap": "none"}).json()
    assert "Every back" in wrong["verdicts"][0]["message"]
    lost = send(client, "POST", f"{path}/try", {"flip": "short", "mishap": "lost_sheet", "first": 9})
    assert (lost.status_code, "it has 3" in lost.json()["message"]) == (422, True)
    picture = client.get(f"{path}/pages/2.png?width=100&half_turn=true")
    assert picture["Content-Type"] == "image/png"
    assert picture.content != client.get(f"{path}/pages/2.png?width=100").content


def test_what_was_left_unfinished_is_swept(client: Client, printed: Job, tmp_path: Path) -> None:
    left = tmp_path / "files" / "unfinished" / "tmpleft"
    left.write_bytes(b"half a file")
    assert sweep() == 0
    os.utime(left, (0, 0))
    assert sweep() == 1
    assert not left.exists()


def test_a_file_belongs_to_its_job_alone(client: Client, printed: Job, binder: User, stranger: User) -> None:
    made = ask(client, printed)
    services.carry_out(made["id"])
    other = make_job(binder, {"title": "Another book"})
    for path in ("file", "pages/1.png"):
        assert client.get(f"/api/jobs/{other.pk}/prints/{made['id']}/{path}").status_code == 404
    assert send(client, "POST", f"/api/jobs/{other.pk}/prints/{made['id']}/cancel").status_code == 404
    theirs = Client()
    theirs.force_login(stranger)
    assert theirs.get(f"/api/jobs/{printed.pk}/prints/{made['id']}/file").status_code == 404
    assert theirs.delete(f"/api/jobs/{printed.pk}/prints/{made['id']}").status_code == 404
    assert client.get(f"/api/jobs/{printed.pk}/prints/{made['id']}/file").status_code == 200


def test_another_workshops_printer_is_not_tried(client: Client, printed: Job, stranger: User) -> None:
    theirs = Client()
    theirs.force_login(stranger)
    laser = send(theirs, "POST", "/api/printers", {"name": "Theirs"}).json()
    made = ask(client, printed)
    services.carry_out(made["id"])
    order = {"flip": "short", "printer_id": laser["id"]}
    assert send(client, "POST", f"/api/jobs/{printed.pk}/prints/{made['id']}/try", order).status_code == 404


def test_a_text_of_another_workshop_is_not_imposed(client: Client, stranger: User, tmp_path: Path) -> None:
    theirs = Client()
    theirs.force_login(stranger)
    content = write_text(tmp_path / "theirs.pdf", 8, 140, 210).read_bytes()
    digest = bring(theirs, content).json()["digest"]
    job = send(client, "POST", "/api/jobs", {"text": {"pages": 8, "file": digest}}).json()
    answer = send(client, "POST", f"/api/jobs/{job['id']}/prints", {"part": "whole"})
    assert (answer.status_code, "Bring the text" in answer.json()["message"]) == (422, True)
    assert client.get(f"/api/jobs/{job['id']}/test-sheet.pdf").status_code == 422
    # the dummy has nothing of the text on it
    assert client.get(f"/api/jobs/{job['id']}/fold-dummy.pdf").status_code == 200


def test_work_that_kills_its_worker_is_given_up_after_three_times(client: Client, printed: Job) -> None:
    made = ask(client, printed)

    def killed(*_: Any) -> None:
        raise KeyboardInterrupt

    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(services, "_write", killed)
        for _ in range(work.MOST_ATTEMPTS):
            with pytest.raises(KeyboardInterrupt):
                services.carry_out(made["id"])
            assert PrintFile.objects.get(pk=made["id"]).state == "working"
        services.carry_out(made["id"])
    given_up = client.get(f"/api/jobs/{printed.pk}/prints").json()[0]
    assert given_up["state"] == "failed"
    assert "stopped 3 times" in given_up["message"]
    # asked for anew, it is tried anew
    assert (
        send(client, "POST", f"/api/jobs/{printed.pk}/prints/{made['id']}/again").json()["state"] == "waiting"
    )
    services.carry_out(made["id"])
    assert client.get(f"/api/jobs/{printed.pk}/prints").json()[0]["state"] == "done"
