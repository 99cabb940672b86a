"""Work that was cut off is found, whatever cut it off; a full disk is said as that."""

import os
import time
from datetime import timedelta
from pathlib import Path

import pytest
from django.contrib.auth.models import User
from django.test import Client
from django.utils import timezone
from procrastinate.contrib.django.models import ProcrastinateJob

from tests.exchange.texts import write_text
from tests.web.conftest import make_job
from tests.web.test_texts import bring
from weald.exchange.reports import NoRoomError
from weald.web import work
from weald.web.jobs.models import Job
from weald.web.printing.files import receive, sweep, unfinished
from weald.web.printing.models import PrintFile


@pytest.fixture
def cut_off(binder: User, job: Job) -> PrintFile:
    """A file that was being imposed when everything ended; no task stands behind it."""
    made = PrintFile.objects.create(
        job=job, change=job.standing, author=binder, part="whole", total=9, state="working", attempts=1
    )
    PrintFile.objects.filter(pk=made.pk).update(asked=timezone.now() - timedelta(minutes=5))
    return made


def tasks(made: PrintFile) -> list[str]:
    found = ProcrastinateJob.objects.filter(args__work_id=str(made.pk))
    return [each.status for each in found]


def test_work_without_a_task_is_begun_again_once(cut_off: PrintFile) -> None:
    assert tasks(cut_off) == []
    assert work.take_up_lost() == 1
    assert tasks(cut_off) == ["todo"]
    assert work.take_up_lost() == 0
    assert tasks(cut_off) == ["todo"]


def test_work_asked_for_just_now_is_left_alone(cut_off: PrintFile) -> None:
    PrintFile.objects.filter(pk=cut_off.pk).update(asked=timezone.now())
    assert work.take_up_lost() == 0


def test_work_that_was_begun_three_times_is_given_up_with_the_reason(cut_off: PrintFile) -> None:
    PrintFile.objects.filter(pk=cut_off.pk).update(attempts=work.MOST_ATTEMPTS)
    assert work.take_up_lost() == 1
    work.carry_out(PrintFile, str(cut_off.pk), lambda made, tell: {})
    cut_off.refresh_from_db()
    assert cut_off.state == "failed"
    assert "3 times" in cut_off.message
    assert work.take_up_lost() == 0


def test_a_full_disk_is_said_as_that(client: Client, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    content = write_text(tmp_path / "text.pdf", 4, 60, 90)
    with content.open("rb") as stream, pytest.raises(NoRoomError, match="no room left on the disk"):
        receive(stream, Path("/dev/full"), 10**9)

    def full(*_: object) -> None:
        raise NoRoomError

    monkeypatch.setattr("weald.web.printing.services.receive", full)
    answer = bring(client, content.read_bytes())
    assert answer.status_code == 507
    assert "nothing was kept" in answer.json()["message"]


def test_imposing_on_to_a_full_disk_fails_with_the_reason(
    client: Client, binder: User, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    digest = bring(client, write_text(tmp_path / "text.pdf", 4, 60, 90).read_bytes()).json()["digest"]
    job = make_job(binder, {"text": {"file": digest, "pages": 4}, "leaf": {"width": 60, "height": 90}})
    made = PrintFile.objects.create(job=job, change=job.standing, author=binder, part="whole", total=1)

    def nowhere() -> object:
        from contextlib import nullcontext

        return nullcontext(Path("/dev/full"))

    monkeypatch.setattr("weald.web.printing.services.unfinished", nowhere)
    from weald.web.printing import services

    services.carry_out(str(made.pk))
    made.refresh_from_db()
    assert made.state == "failed"
    assert "no room left on the disk" in made.message


def test_half_files_are_swept_and_others_kept() -> None:
    with unfinished() as half:
        half.write_bytes(b"half")
        os.utime(half, (time.time(), time.time()))
        assert sweep(older_than=600) == 0
        assert sweep(older_than=-1) == 1
        assert not half.exists()
