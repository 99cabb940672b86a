"""A disk that is full: reading goes on, writing is refused in words, health says so, and all comes back."""

import json
import os
import subprocess
import sys
from pathlib import Path

import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client

from tests.web.conftest import send
from weald.command.paths import PROJECT
from weald.web.jobs.models import Job

ON_A_SMALL_DISK = """
import json, os, sys
from pathlib import Path
import django
django.setup()
from django.contrib.auth.models import User
from django.test import Client
folder, job = Path(sys.argv[1]), sys.argv[2]
from weald.web import room
def looked_at_anew():
    room._last = (0.0, 0)
client = Client(headers={"host": "127.0.0.1"})
client.force_login(User.objects.get(username="binder"))
spec = client.get(f"/api/jobs/{job}").json()["spec"]
def asked():
    looked_at_anew()
    saved = client.put(f"/api/jobs/{job}?version=1", json.dumps(spec), content_type="application/json")
    text = {"data": b"%PDF-1.4 " * 100, "content_type": "application/pdf"}
    brought = client.generic("POST", "/api/texts?name=a.pdf", **text)
    return {
        "left": room.bytes_left(),
        "read": client.get(f"/api/jobs/{job}").status_code,
        "saved": saved.status_code,
        "words": saved.json().get("message", ""),
        "brought": brought.status_code,
        "ready": client.get("/readyz").content.decode(),
    }
before = asked()
try:
    (folder / "filler").write_bytes(bytes(8_000_000))
except OSError:
    pass
full = asked()
(folder / "filler").unlink()
print(json.dumps([before, full, asked()]))
"""


@pytest.mark.django_db(transaction=True)
def test_a_full_disk_ends_writing_and_nothing_else(binder: User, job: Job, tmp_path: Path) -> None:
    small = tmp_path / "small"
    small.mkdir()
    script = tmp_path / "on_a_small_disk.py"
    script.write_text(ON_A_SMALL_DISK)
    settings = connection.settings_dict
    who = f"{settings['USER']}:{settings['PASSWORD']}@{settings['HOST']}:{settings['PORT']}"
    environment = os.environ | {
        "WEALD_DATABASE_URL": f"postgres://{who}/{settings['NAME']}",
        "WEALD_FILES": str(small),
        "WEALD_DISK_RESERVE_MB": "1",
        "WEALD_PLAIN_HTTP": "1",
        "DJANGO_SETTINGS_MODULE": "weald.web.settings",
        "PYTHONPATH": str(PROJECT / "src"),
    }
    mounted = f"mount -t tmpfs -o size=4m tmpfs {small} && exec {sys.executable} {script} {small} {job.pk}"
    names = ["unshare", "--mount", *([] if os.geteuid() == 0 else ["--map-root-user"])]
    done = subprocess.run(
        [*names, "sh", "-c", mounted], env=environment, capture_output=True, text=True, check=False
    )
    assert done.returncode == 0, done.stderr[-2000:]
    before, full, after = json.loads(done.stdout.splitlines()[-1])
    for state in (before, after):
        assert (state["read"], state["saved"], state["ready"]) == (200, 200, "ready\n")
        assert state["brought"] == 422, "it is no text, and is read to find out"
    assert full["left"] < 1_000_000
    assert (full["read"], full["saved"], full["brought"]) == (200, 507, 507)
    assert "disk is full" in full["words"]
    assert "disk is full" in full["ready"]


def test_people_are_told_in_words_too(client: Client, job: Job, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("weald.web.gate.is_full", lambda: True)
    refused = send(client, "POST", f"/api/jobs/{job.pk}/undo", {"version": 1})
    assert (refused.status_code, refused.json()["code"]) == (507, "no_room")
    page = client.post("/sign-in", {"username": "binder", "password": "wrong"})
    assert page.status_code == 507
    assert b"nothing is written" in page.content
    assert (
        client.delete(f"/api/jobs/{job.pk}/pictures/{'0' * 8}-0000-4000-8000-{'0' * 12}").status_code == 404
    )
