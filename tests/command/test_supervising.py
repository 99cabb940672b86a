"""What dies is begun again; who is killed leaves nothing behind; nobody enters without a password."""

import os
import pwd
import signal
import subprocess
import time
from pathlib import Path

import psycopg
import pytest

from tests.command.test_cluster import (
    _reachable,
    children_of,
    place_for_demo,
    running_demo,
    wait_until,
    wait_until_open,
)
from weald.command import cluster as clusters
from weald.command.cluster import Cluster, cluster_folder, free_port, running_cluster, running_url
from weald.command.machine import database_user, is_root, postgres_programs
from weald.command.supervising import LONGEST_PAUSE, STEADY_SECONDS, Kept

GONE_SECONDS = 8
BUSY = b"do $$ begin while clock_timestamp() < now() + interval '20 s' loop end loop; end $$"


class Patient:
    """Something that dies when the test says so."""

    def __init__(self) -> None:
        self.begun, self.well, self.broken = 0, True, False

    def begin(self) -> None:
        if self.broken:
            raise OSError("it is broken")
        self.begun += 1
        self.well = True


def test_what_dies_is_begun_again_with_growing_pauses() -> None:
    patient, said = Patient(), list[str]()
    one = Kept("The worker", patient.begin, lambda: patient.well, lambda: None)
    now, pauses = 0.0, []
    for _ in range(9):
        patient.well = False
        one.look(now, said.append)
        began = now
        while not patient.well:
            now += 0.1
            one.look(now, said.append)
        pauses.append(round(now - began, 3))
    assert pauses[0] < 1 < pauses[2]
    assert pauses == sorted(pauses)
    assert max(pauses) <= LONGEST_PAUSE + 0.2
    assert said[0] == "The worker stopped; begun again in 0.5 s."
    now += STEADY_SECONDS + 1
    patient.well = False
    one.look(now, said.append)
    assert said[-1].endswith("in 0.5 s.")


def test_what_does_not_begin_is_said_and_tried_again() -> None:
    patient, said = Patient(), list[str]()
    patient.well, patient.broken = False, True
    one = Kept("The database", patient.begin, lambda: patient.well, lambda: None)
    for now in (0.0, 1.0, 2.0, 3.0):
        one.look(now, said.append)
    assert "The database does not begin: it is broken" in said
    patient.broken = False
    for now in (10.0, 20.0):
        one.look(now, said.append)
    assert patient.well


def _pids(var: Path, part: str) -> list[int]:
    found = []
    for folder in Path("/proc").glob("[0-9]*"):
        try:
            command = (folder / "cmdline").read_bytes().replace(b"\0", b" ").decode()
            environment = (folder / "environ").read_bytes().decode(errors="replace")
        except (OSError, UnicodeDecodeError):
            continue
        if part in command and (str(var) in command or f"WEALD_VAR={var}" in environment):
            found.append(int(folder.name))
    return sorted(found)


def test_a_demo_killed_while_it_loads_leaves_nothing(tmp_path: Path) -> None:
    var = place_for_demo(tmp_path)
    with running_demo(var, free_port(), subprocess.DEVNULL) as demo:
        wait_until(lambda: bool(_pids(var, "manage.py load_demo")))
        _nothing_outlives(demo, var)


def test_web_worker_and_database_come_back_and_a_killed_demo_leaves_nothing(loaded_var: Path) -> None:
    var, port = loaded_var, free_port()
    with running_demo(var, port, subprocess.DEVNULL) as demo:
        wait_until_open(port)
        wait_until(lambda: bool(_pids(var, "manage.py work")))
        database = cluster_folder(var / "demo" / "database")
        postmaster = int((database / "postmaster.pid").read_text().splitlines()[0])
        for victim in (_pids(var, "manage.py work")[0], _pids(var, "weald.web.server")[0], postmaster):
            os.kill(victim, signal.SIGKILL)
            time.sleep(1.0)
            wait_until(lambda: running_url(database) is not None)
            wait_until_open(port)
            wait_until(lambda: bool(_pids(var, "manage.py work")))
        assert demo.poll() is None
        _nothing_outlives(demo, var)
    with running_demo(var, free_port()) as again:
        wait_until(lambda: running_url(database) is not None)
        again.terminate()
        words, _ = again.communicate(timeout=60)
    assert again.returncode == 0, words


def _nothing_outlives(demo: "subprocess.Popen[str]", var: Path) -> None:
    demo.kill()
    demo.wait()
    killed = time.monotonic()
    wait_until(lambda: not list(children_of(var)))
    assert time.monotonic() - killed < GONE_SECONDS


def test_a_database_begins_again_where_its_postmaster_left_somebody_busy(tmp_path: Path) -> None:
    cluster = Cluster(cluster_folder(_reachable(tmp_path) / "database"), lasting=True)
    try:
        cluster.start()
        connection = psycopg.connect(cluster.url, autocommit=True)
        connection.execute("create table books (title text)")
        connection.pgconn.send_query(
            b"do $$ begin while clock_timestamp() < now() + interval '20 s' loop end loop; end $$"
        )
        time.sleep(0.3)
        assert cluster._server is not None
        cluster._server.kill()
        cluster._server.wait()
        assert Path("/proc", str(connection.info.backend_pid)).exists()
        cluster.start()
        connection.pgconn.finish()
        with psycopg.connect(cluster.url) as connection:
            assert connection.execute("select count(*) from books").fetchone() == (0,)
    finally:
        cluster.close()


def test_nobody_enters_without_a_password(tmp_path: Path) -> None:
    folder = cluster_folder(_reachable(tmp_path) / "database")
    with running_cluster(folder, lasting=True) as url:
        port = int(url.rsplit(":", 1)[1].split("/")[0])
        for role in ("weald", "weald_keeper", "postgres", "root"):
            with pytest.raises(psycopg.OperationalError):
                psycopg.connect(host="127.0.0.1", port=port, user=role, dbname="weald", password="guess")
        with psycopg.connect(url, autocommit=True) as connection:
            rights = connection.execute(
                "select rolsuper, rolcreaterole, rolcreatedb from pg_roles where rolname = current_user"
            ).fetchone()
            assert rights == (False, False, False)
            for statement in (
                "create database another",
                "create role another",
                "copy (select 1) to program 'true'",
                "select pg_read_file('/etc/passwd')",
            ):
                with pytest.raises(psycopg.Error):
                    connection.execute(statement)
            assert connection.execute("show password_encryption").fetchone() == ("scram-sha-256",)
        secrets = folder / "weald-passwords.json"
        assert secrets.stat().st_mode & 0o077 == 0
        if is_root():
            _try_as_another(port, secrets)


def _try_as_another(port: int, secrets: Path) -> None:
    """Another local user neither reads the passwords nor comes in."""
    other = pwd.getpwnam("daemon")
    psql = str(postgres_programs() / "psql")
    for command in (
        ["cat", str(secrets)],
        [psql, "-w", "-h", "127.0.0.1", "-p", str(port), "-U", "weald", "weald", "-c", "select 1"],
        [psql, "-w", "-h", "127.0.0.1", "-p", str(port), "-U", "weald_keeper", "weald", "-c", "select 1"],
    ):
        done = subprocess.run(
            command,
            cwd="/",
            user=other.pw_uid,
            group=other.pw_gid,
            extra_groups=[],
            capture_output=True,
            check=False,
        )
        assert done.returncode != 0, command


def test_a_cluster_that_trusted_everybody_is_locked_up_and_keeps_its_data(tmp_path: Path) -> None:
    folder = cluster_folder(_reachable(tmp_path) / "database")
    _make_trusting(folder)
    with running_cluster(folder, lasting=True) as url, psycopg.connect(url, autocommit=True) as connection:
        assert connection.execute("select title from books").fetchone() == ("Log",)
        connection.execute("alter table books add column pages int")
        connection.execute("insert into shelves (kind) values ('high')")
        owners = connection.execute(
            "select distinct tableowner from pg_tables where schemaname = 'public'"
        ).fetchall()
        assert owners == [("weald",)]
        assert connection.execute("select count_books()").fetchone() == (1,)
    with running_cluster(folder, lasting=True) as url, psycopg.connect(url) as connection:
        assert connection.execute("select rolsuper from pg_roles where rolname = 'weald'").fetchone() == (
            False,
        )


def _make_trusting(folder: Path) -> None:
    """A cluster as it was set up before there were passwords."""
    user = database_user()
    folder.mkdir(mode=0o700)
    os.chown(folder, user.pw_uid, user.pw_gid)
    initdb = [str(postgres_programs() / "initdb"), "-D", str(folder), "-U", "weald", "-A", "trust"]
    subprocess.run(initdb, cwd="/", check=True, capture_output=True, **clusters._as(user))
    old = Cluster(folder, lasting=False)
    old._launch()
    with old._connect(("weald", "")) as connection:
        connection.execute("create database weald")
    with old._connect(("weald", ""), "weald") as connection:
        connection.execute("create extension pg_trgm")
        connection.execute("create table books (id serial primary key, title text)")
        connection.execute("insert into books (title) values ('Log')")
        connection.execute("create type height as enum ('low', 'high')")
        connection.execute("create table shelves (id bigint generated always as identity, kind height)")
        connection.execute(
            "create function count_books() returns bigint language sql as 'select count(*) from books'"
        )
    old.close()
    assert not (folder / "weald-passwords.json").exists()
