import contextlib
import os
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Callable, Iterator
from pathlib import Path

import psycopg
import pytest

from weald.command import frontend, machine
from weald.command.cluster import cluster_folder, free_port, running_cluster, running_url
from weald.command.paths import PROJECT

START_SECONDS = 90


def test_a_cluster_runs_on_loopback_and_leaves_nothing_behind(tmp_path: Path) -> None:
    folder = cluster_folder(_reachable(tmp_path) / "database")
    with running_cluster(folder, lasting=False) as url:
        assert "@127.0.0.1:" in url
        with psycopg.connect(url, autocommit=True) as connection:
            connection.execute("create table books (title text)")
            connection.execute("insert into books values ('Log')")
            listening = connection.execute("show listen_addresses").fetchone()
        assert listening == ("127.0.0.1",)
        assert running_url(folder) == url
    with pytest.raises(psycopg.OperationalError):
        psycopg.connect(url, connect_timeout=2)
    assert running_url(folder) is None
    with running_cluster(folder, lasting=False) as url, psycopg.connect(url) as connection:
        assert connection.execute("select title from books").fetchone() == ("Log",)


def _reachable(folder: Path) -> Path:
    """pytest keeps its folders to itself; the database's user has to pass through them."""
    for parent in (folder, *folder.parents):
        if parent == Path("/tmp"):
            break
        parent.chmod(0o755)
    return folder


def test_two_clusters_do_not_disturb_one_another(tmp_path: Path) -> None:
    _reachable(tmp_path)
    one = running_cluster(cluster_folder(tmp_path / "one"), lasting=False)
    other = running_cluster(cluster_folder(tmp_path / "other"), lasting=False)
    with one as first, other as second:
        assert first != second


def test_a_folder_the_databases_user_cannot_reach_is_replaced(tmp_path: Path) -> None:
    closed = tmp_path / "closed"
    closed.mkdir(mode=0o700)
    folder = cluster_folder(closed / "database")
    # only root hands the database to another user, who may be kept out
    assert folder.parent == (Path("/var/lib/weald") if machine.is_root() else closed)
    assert cluster_folder(closed / "database") == folder


def test_a_free_port_is_free() -> None:
    with socket.socket() as listener:
        listener.bind(("127.0.0.1", free_port()))


def test_who_may_not_install_is_told_what_to_install(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(machine, "is_root", lambda: False)
    with pytest.raises(machine.NotReadyError, match="apt-get install postgresql"):
        machine.need_debian_packages("postgresql")


def test_an_ordinary_user_runs_the_database_as_themselves(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(machine, "is_root", lambda: False)
    assert machine.database_user().pw_uid == os.geteuid()


def test_the_interface_is_built_anew_only_when_its_sources_change(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    sources = tmp_path / "frontend"
    (sources / "src").mkdir(parents=True)
    (sources / "src" / "main.tsx").write_text("one")
    built: list[Path] = []

    def npm(*arguments: str) -> None:
        out = Path(arguments[arguments.index("--outDir") + 1])
        out.mkdir(parents=True)
        (out / "manifest.json").write_text("{}")
        built.append(out)

    monkeypatch.setattr(frontend, "FRONTEND", sources)
    monkeypatch.setattr(frontend, "VAR", tmp_path / "var")
    monkeypatch.setattr(frontend, "install_packages", lambda: None)
    monkeypatch.setattr(frontend, "npm", npm)
    first = frontend.build()
    assert frontend.build() == first
    assert len(built) == 1
    (sources / "src" / "main.tsx").write_text("two")
    second = frontend.build()
    assert second != first
    # what a running application was started with stays
    assert (first / "manifest.json").exists()
    for number in range(6):
        (sources / "src" / "main.tsx").write_text(f"again {number}")
        os.utime(frontend.build(), (number, number))
    assert len(list((tmp_path / "var" / "frontend").iterdir())) <= 5


def test_what_a_build_leaves_behind_does_not_make_it_stale() -> None:
    assert frontend.build() == Path(os.environ["WEALD_FRONTEND"])


def place_for_demo(within: Path) -> Path:
    """A folder for what the demo makes, with the interface as it is built already."""
    folder = _reachable(within) / "var"
    (folder / "frontend").mkdir(parents=True)
    built = Path(os.environ["WEALD_FRONTEND"])
    (folder / "frontend" / built.name).symlink_to(built)
    return folder


@contextlib.contextmanager
def running_demo(var: Path, port: int, heard: int = subprocess.PIPE) -> Iterator["subprocess.Popen[str]"]:
    environment = {key: each for key, each in os.environ.items() if not key.startswith("WEALD_")}
    process = subprocess.Popen(
        [sys.executable, "-m", "weald.command", "demo"],
        cwd=PROJECT,
        env=environment
        | {"PYTHONPATH": str(PROJECT / "src"), "WEALD_VAR": str(var), "WEALD_PORT": str(port)},
        stdout=heard,
        stderr=subprocess.STDOUT,
        text=True,
    )
    try:
        yield process
    finally:
        if process.poll() is None:
            process.terminate()
            process.wait(40)


def wait_until_open(port: int) -> float:
    began = time.monotonic()
    while time.monotonic() - began < START_SECONDS:
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{port}/sign-in", timeout=2) as answer:
                assert answer.status == 200
                return time.monotonic() - began
        except (urllib.error.URLError, ConnectionError, TimeoutError):
            time.sleep(0.1)
    raise AssertionError("the demo did not open")


def wait_until(so: Callable[[], bool]) -> None:
    began = time.monotonic()
    while not so():
        waited = time.monotonic() - began
        assert waited < START_SECONDS
        # asked less often the longer it takes: whoever is waited for needs the processor
        time.sleep(0.1 + waited / 10)


def close(process: "subprocess.Popen[str]") -> str:
    process.send_signal(signal.SIGINT)
    words, _ = process.communicate(timeout=40)
    assert process.returncode == 0, words
    return words


def children_of(var: Path) -> Iterator[str]:
    for folder in Path("/proc").glob("[0-9]*"):
        try:
            command = (folder / "cmdline").read_bytes().replace(b"\0", b" ").decode()
            environment = (folder / "environ").read_bytes().decode(errors="replace")
        except (OSError, UnicodeDecodeError):
            continue
        if str(var) in command or f"WEALD_VAR={var}" in environment:
            yield command


def test_a_demo_opens_again_says_where_and_closes_all_it_started(loaded_var: Path) -> None:
    var, port = loaded_var, free_port()
    # sessions begun before are still good, and the demo is not loaded twice
    key = (var / "demo" / "secret_key").read_text()
    with running_demo(var, port) as process:
        wait_until_open(port)
        wait_until(lambda: "manage.py work" in " ".join(children_of(var)))
        assert "weald.web.server" in " ".join(children_of(var))
        with running_demo(var, free_port()) as second:
            refused, _ = second.communicate(timeout=40)
        assert second.returncode == 1
        assert "open already" in refused
        words = close(process)
    assert f"http://127.0.0.1:{port}" in words
    assert "Sign in as binder with linen-thread" in words
    assert list(children_of(var)) == []
    assert (var / "demo" / "secret_key").read_text() == key
    assert len(key) > 50
    assert (var / "demo" / "secret_key").stat().st_mode & 0o077 == 0
