"""A real worker, killed half way: nothing half-written is offered, and another takes the work up."""

import asyncio
import os
import signal
import subprocess
import sys
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client
from procrastinate.contrib.django import app

from tests.exchange.texts import read_sides, write_text
from tests.web.conftest import make_job
from tests.web.test_prints import ask
from tests.web.test_texts import bring
from weald.web.jobs.models import Job
from weald.web.printing.files import at_hand, is_kept, print_name
from weald.web.printing.models import PrintFile
from weald.web.printing.tasks import take_up_stalled

pytestmark = pytest.mark.django_db(transaction=True)
PAGES = 3000
PROJECT = Path(__file__).parents[2]


@contextmanager
def worker(files: Path) -> Iterator["subprocess.Popen[bytes]"]:
    """A worker of its own upon the database of the test."""
    settings = connection.settings_dict
    who = f"{settings['USER']}:{settings['PASSWORD']}"
    address = f"postgres://{who}@{settings['HOST']}:{settings['PORT']}/{settings['NAME']}"
    environment = os.environ | {"WEALD_DATABASE_URL": address, "WEALD_FILES": str(files)}
    command = [sys.executable, str(PROJECT / "manage.py"), "work", "--queues", "press"]
    process = subprocess.Popen(command, env=environment, cwd=PROJECT, stderr=subprocess.DEVNULL)
    try:
        yield process
    finally:
        process.kill()
        process.wait()


def wait_for(pk: Any, *states: str) -> PrintFile:
    for _ in range(600):
        made = PrintFile.objects.get(pk=pk)
        if made.state in states:
            return made
        time.sleep(0.05)
    raise AssertionError(f"still {made.state}")


async def take_up() -> int:
    with app.replace_connector(app.connector.get_worker_connector()) as running:  # type: ignore[attr-defined]
        async with running.open_async():
            return await take_up_stalled(running.job_manager, silent_seconds=0)


def test_work_survives_a_worker_that_is_killed(client: Client, binder: User, tmp_path: Path) -> None:
    content = write_text(tmp_path / "text.pdf", PAGES, 60, 90).read_bytes()
    digest = bring(client, content).json()["digest"]
    job: Job = make_job(
        binder, {"text": {"file": digest, "pages": PAGES}, "leaf": {"width": 60, "height": 90}}
    )
    made = ask(client, job)
    with worker(tmp_path / "files") as first:
        wait_for(made["id"], "working")
        first.send_signal(signal.SIGKILL)
        first.wait()
    assert PrintFile.objects.get(pk=made["id"]).state == "working"
    assert client.get(f"/api/jobs/{job.pk}/prints/{made['id']}/file").status_code == 404
    assert not is_kept(print_name(PrintFile.objects.get(pk=made["id"])))
    # the browser tests keep an event loop in the main thread
    with ThreadPoolExecutor(1) as apart:
        assert apart.submit(lambda: asyncio.run(take_up())).result() >= 1
    with worker(tmp_path / "files"):
        done = wait_for(made["id"], "done", "failed")
    assert done.state == "done"
    sides, _ = read_sides(at_hand(print_name(done)))
    assert sum(len(side) for side in sides) == PAGES
