"""A PostgreSQL cluster of our own, on a free loopback port, stopped when we stop."""

import contextlib
import hashlib
import os
import pwd
import shutil
import socket
import subprocess
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from typing import TypedDict

from weald.command.machine import NotReadyError, database_user, is_root, postgres_programs

_DATABASE = "weald"
_START_SECONDS = 60


def free_port() -> int:
    """A loopback port nobody listens on."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


class _Identity(TypedDict, total=False):
    user: int
    group: int
    extra_groups: list[int]


def _as(user: pwd.struct_passwd) -> _Identity:
    """Arguments for subprocess to run as somebody else, where we may."""
    if not is_root():
        return {}
    return {"user": user.pw_uid, "group": user.pw_gid, "extra_groups": []}


def _reachable(folder: Path, user: pwd.struct_passwd) -> bool:
    """Whether ``user`` can come to ``folder`` at all (not through /root, for one)."""
    if not is_root():
        return True
    probe = subprocess.run(["test", "-x", str(folder)], cwd="/", **_as(user), check=False)
    return bool(probe.returncode == 0)


def cluster_folder(wanted: Path) -> Path:
    """Where the cluster's files go: ``wanted``, or a folder under /var/lib where the database's
    user cannot reach that."""
    user = database_user()
    wanted.parent.mkdir(parents=True, exist_ok=True)
    if _reachable(wanted.parent, user):
        return wanted
    mark = hashlib.sha256(str(wanted).encode()).hexdigest()[:12]
    other = Path("/var/lib/weald") / mark
    other.parent.mkdir(mode=0o755, parents=True, exist_ok=True)
    return other


def _initialise(folder: Path, user: pwd.struct_passwd) -> None:
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    os.chown(folder, user.pw_uid, user.pw_gid)
    command = [str(postgres_programs() / "initdb"), "-D", str(folder), "-U", _DATABASE]
    command += ["-A", "trust", "--encoding=UTF8", "--locale=C.UTF-8", "--no-instructions"]
    done = subprocess.run(command, cwd="/", capture_output=True, text=True, check=False, **_as(user))
    if done.returncode:
        shutil.rmtree(folder, ignore_errors=True)
        raise NotReadyError(f"The database could not be set up: {done.stderr.strip()[-600:]}")


@contextlib.contextmanager
def running_cluster(folder: Path, *, lasting: bool) -> Iterator[str]:
    """Run the cluster in ``folder`` and give its address as a database URL.

    :param lasting: whether its data must survive a power cut; tests do without for speed.
    :raises NotReadyError: when it does not start.
    """
    user = database_user()
    if not (folder / "PG_VERSION").exists():
        _initialise(folder, user)
    port = free_port()
    sockets = Path(tempfile.mkdtemp(prefix="weald-pg-"))
    os.chown(sockets, user.pw_uid, user.pw_gid)
    command = [str(postgres_programs() / "postgres"), "-D", str(folder)]
    command += ["-c", "listen_addresses=127.0.0.1", "-c", f"port={port}"]
    command += ["-c", f"unix_socket_directories={sockets}", "-c", "log_min_messages=fatal"]
    if not lasting:
        command += ["-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off"]
    server = subprocess.Popen(
        command,
        cwd="/",
        stdout=subprocess.DEVNULL,
        stderr=subprocess.PIPE,
        start_new_session=True,
        **_as(user),
    )
    try:
        _wait_until_ready(server, port)
        yield f"postgres://{_DATABASE}@127.0.0.1:{port}/{_DATABASE}"
    finally:
        server.terminate()
        try:
            server.wait(20)
        except subprocess.TimeoutExpired:
            server.kill()
            server.wait()
        shutil.rmtree(sockets, ignore_errors=True)


def _wait_until_ready(server: "subprocess.Popen[bytes]", port: int) -> None:
    import psycopg

    deadline = time.monotonic() + _START_SECONDS
    while time.monotonic() < deadline:
        if server.poll() is not None:
            words = server.stderr.read().decode(errors="replace") if server.stderr else ""
            raise NotReadyError(f"The database stopped at once: {words.strip()[-600:]}")
        try:
            with psycopg.connect(
                host="127.0.0.1", port=port, user=_DATABASE, dbname="postgres", autocommit=True
            ) as connection:
                found = connection.execute(
                    "select 1 from pg_database where datname = %s", [_DATABASE]
                ).fetchone()
                if not found:
                    connection.execute(f"create database {_DATABASE}")
                return
        except psycopg.OperationalError:
            time.sleep(0.1)
    raise NotReadyError("The database did not start within a minute.")


def running_url(folder: Path) -> str | None:
    """The address of the cluster in ``folder`` if it is running, from the file PostgreSQL keeps."""
    try:
        lines = (folder / "postmaster.pid").read_text().splitlines()
        command = Path("/proc", lines[0].strip(), "cmdline").read_bytes().decode(errors="replace")
    except (OSError, IndexError):
        return None
    if str(folder) not in command:
        return None
    return f"postgres://{_DATABASE}@127.0.0.1:{lines[3].strip()}/{_DATABASE}"
