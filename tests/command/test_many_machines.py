"""Two web servers and two workers, each as on a machine of its own, on one database and one store."""

import contextlib
import json
import os
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import boto3
import pytest
from moto.server import ThreadedMotoServer

from tests.command.people import Person
from tests.command.test_cluster import _reachable, wait_until, wait_until_open
from tests.exchange.texts import write_text
from weald.command import serving
from weald.command.cluster import cluster_folder, free_port, running_cluster
from weald.command.machine import NotReadyError
from weald.command.paths import PROJECT

BUCKET, PASSWORD = "bindery", "a long enough one"


@pytest.fixture
def store(monkeypatch: pytest.MonkeyPatch) -> Iterator[dict[str, str]]:
    """A simulated store of files, and how it is reached."""
    server = ThreadedMotoServer(ip_address="127.0.0.1", port=0, verbose=False)
    server.start()
    _, port = server.get_host_and_port()
    reached = {
        "AWS_ACCESS_KEY_ID": "made-up",
        "AWS_SECRET_ACCESS_KEY": "made-up",
        "AWS_DEFAULT_REGION": "eu-west-1",
        "WEALD_S3_BUCKET": BUCKET,
        "WEALD_S3_ENDPOINT": f"http://127.0.0.1:{port}",
    }
    for name, value in reached.items():
        monkeypatch.setenv(name, value)
    place = {"LocationConstraint": "eu-west-1"}
    boto3.client("s3", endpoint_url=reached["WEALD_S3_ENDPOINT"]).create_bucket(
        Bucket=BUCKET, CreateBucketConfiguration=place
    )
    yield reached
    server.stop()


class Machines:
    """Machines that share a database, a key and a store, and nothing else."""

    def __init__(self, folder: Path, shared: dict[str, str], stack: contextlib.ExitStack) -> None:
        self._folder, self._shared, self._stack = folder, shared, stack

    def environment(self, name: str) -> dict[str, str]:
        """What one of them is started with."""
        var = self._folder / name
        built = Path(os.environ["WEALD_FRONTEND"])
        (var / "frontend").mkdir(parents=True)
        (var / "frontend" / built.name).symlink_to(built)
        ours = {key: each for key, each in os.environ.items() if not key.startswith(("WEALD_", "DJANGO_"))}
        ours |= {"PYTHONPATH": str(PROJECT / "src"), "WEALD_VAR": str(var), "WEALD_PLAIN_HTTP": "1"}
        return ours | {"WEALD_FILES": str(var / "files"), "WEALD_WEB_SERVERS": "1"} | self._shared

    def start(self, only: str, name: str, **more: str) -> "subprocess.Popen[bytes]":
        """One of them."""
        command = [sys.executable, "-m", "weald.command", "serve", "--only", only]
        process = subprocess.Popen(command, cwd=PROJECT, env=self.environment(name) | more)
        self._stack.callback(_end, process)
        return process

    def web(self, name: str) -> tuple[int, "subprocess.Popen[bytes]"]:
        """A web server, and where it is open."""
        port = free_port()
        process = self.start("web", name, WEALD_BIND=f"127.0.0.1:{port}")
        return port, process


def _end(process: "subprocess.Popen[bytes]") -> None:
    process.terminate()
    process.wait(40)


def asked(person: Person, method: str, path: str, body: Any = None) -> Any:
    status, content = person.patiently(method, path, body)
    assert status < 300, (path, status, content[:300])
    return json.loads(content) if content[:1] in b"[{" else content


def test_work_goes_on_across_machines_when_some_are_killed(tmp_path: Path, store: dict[str, str]) -> None:
    folder = _reachable(tmp_path)
    with (
        running_cluster(cluster_folder(folder / "database"), lasting=False) as url,
        contextlib.ExitStack() as stack,
    ):
        shared = {"WEALD_DATABASE_URL": url, "WEALD_SECRET_KEY": "one for all of them " * 3}
        machines = Machines(folder, shared | store, stack)
        (first, one), (second, _) = machines.web("one"), machines.web("two")
        worker = machines.start("worker", "three")
        wait_until_open(first)
        wait_until_open(second)
        made = [sys.executable, "manage.py", "add_person", "binder", "--workshop", "Saltmarsh Bindery"]
        surroundings = machines.environment("four") | {"WEALD_PASSWORD": PASSWORD}
        subprocess.run(made, cwd=PROJECT, env=surroundings, check=True)

        here, there = Person(first), Person(second)
        here.sign_in("binder", PASSWORD)
        there.cookies = dict(here.cookies)
        content = write_text(tmp_path / "text.pdf", 64, 140, 210).read_bytes()
        text = asked(here, "POST", "/api/texts?name=tides.pdf", content)
        assert list((folder / "one" / "files").rglob("*.pdf")) == [], "what is kept lies in the store"
        assert asked(there, "GET", f"/api/texts/{text['digest']}/pages/1.png")[:4] == b"\x89PNG"

        job = asked(there, "POST", "/api/jobs", {"title": "Tide tables", "text": {"file": text["digest"]}})
        spec = job["spec"] | {"text": job["spec"]["text"] | {"pages": 64, "file_pages": 64}}
        asked(here, "PUT", f"/api/jobs/{job['id']}?version={job['version']}", spec)
        prints = f"/api/jobs/{job['id']}/prints"
        orders = [asked(here, "POST", prints, {"part": part}) for part in ("whole", "fronts", "backs")]

        worker.kill()
        one.kill()
        machines.start("worker", "five")
        wait_until(lambda: all(each["state"] == "done" for each in asked(there, "GET", prints)))
        for order in orders:
            assert asked(there, "GET", f"{prints}/{order['id']}/file").startswith(b"%PDF")
        assert asked(there, "GET", f"/api/jobs/{job['id']}")["spec"]["text"]["pages"] == 64


@pytest.mark.parametrize("only", ["web", "worker"])
def test_a_part_by_itself_needs_what_is_shared(only: serving.Role, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.delenv("WEALD_DATABASE_URL", raising=False)
    monkeypatch.setattr(serving, "_stop_when_asked", lambda: None)
    with pytest.raises(NotReadyError, match="WEALD_DATABASE_URL must be set"):
        serving.serve(only)
