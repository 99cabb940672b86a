"""Starting the application with its database and its worker, and stopping just these."""

import contextlib
import fcntl
import os
import secrets
import shutil
import signal
import subprocess
import sys
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Literal

from weald.command import frontend
from weald.command.cluster import Cluster, cluster_folder, free_port, running_url, stop_left_over
from weald.command.machine import NotReadyError
from weald.command.paths import PROJECT, VAR, write_for_us_alone
from weald.command.supervising import Kept, Program, keep_alive, kept, with_us

DEMO_NAME, DEMO_PASSWORD = "binder", "linen-thread"
Role = Literal["web", "worker"]
_WEB_SERVERS, _THREADS = 3, "4"


def _secret_key(folder: Path) -> str:
    """A key of this installation's own, made on first start."""
    path = folder / "secret_key"
    if not path.exists():
        folder.mkdir(parents=True, exist_ok=True)
        write_for_us_alone(path, secrets.token_urlsafe(64))
    return path.read_text()


def manage(environment: dict[str, str], *arguments: str) -> None:
    """Run a management command to its end.

    :raises NotReadyError: with its own words when it fails.
    """
    done = subprocess.run(
        with_us([sys.executable, str(PROJECT / "manage.py"), *arguments]),
        env=environment,
        cwd=PROJECT,
        stderr=subprocess.PIPE,
        text=True,
        check=False,
    )
    if done.returncode:
        raise NotReadyError(f"{arguments[0]} failed:\n{done.stderr.strip()[-2000:]}")


class _StopError(BaseException):
    """Somebody asked us to stop; nothing that goes wrong may swallow it."""


def _on_signal(number: int, frame: object) -> None:
    raise _StopError


def _web_server(bind: str, environment: dict[str, str]) -> Program:
    command = [sys.executable, "-m", "weald.web.server", "--bind", bind, "--threads", _THREADS]
    return Program(command, environment, PROJECT)


def _say(words: str) -> None:
    print(f"  {words}", flush=True)


def _run(
    environment: dict[str, str],
    bind: str,
    cluster: Cluster | None,
    lines: list[str],
    only: Role | None = None,
) -> None:
    """Keep database, web server and worker alive, or one of them alone, until we are asked to stop."""
    parts = []
    if only in (None, "web"):
        servers = int(os.environ.get("WEALD_WEB_SERVERS", _WEB_SERVERS))
        parts += [kept("The web server", _web_server(bind, environment)) for _ in range(servers)]
    if only in (None, "worker"):
        worker = [sys.executable, str(PROJECT / "manage.py"), "work", "--concurrency", "2"]
        parts.append(kept("The worker", Program(worker, environment, PROJECT)))
    if cluster is not None:
        # it runs already; what looks after it here is what begins it again
        parts.insert(0, Kept("The database", _begin_anew(cluster), lambda: cluster.alive, lambda: None))
    for line in lines:
        print(line, flush=True)
    keep_alive(parts, _say)


def _begin_anew(cluster: Cluster) -> Callable[[], None]:
    def begin() -> None:
        if not cluster.alive:
            cluster.start()

    return begin


@contextlib.contextmanager
def one_at_a_time(folder: Path) -> Iterator[None]:
    """The place of one running Weald; who comes second is told what to do.

    :raises NotReadyError: when another runs here already.
    """
    folder.mkdir(parents=True, exist_ok=True)
    with (folder / "running.lock").open("w") as file:
        try:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            raise NotReadyError(
                "It is open already, or just being opened; close it where it was started (Ctrl-C) first."
            ) from None
        yield


@contextlib.contextmanager
def opened_database(
    environment: dict[str, str], folder: Path
) -> Iterator[tuple[dict[str, str], Cluster | None]]:
    """The database in use: the one named in the environment, or a cluster of our own."""
    if "WEALD_DATABASE_URL" in os.environ:
        yield environment, None
        return
    with _own_cluster(cluster_folder(folder)) as cluster:
        data = {"WEALD_DATA": str(cluster.folder)}
        yield environment | {"WEALD_DATABASE_URL": cluster.url} | data, cluster


@contextlib.contextmanager
def _own_cluster(folder: Path) -> Iterator[Cluster]:
    if stop_left_over(folder):
        _say("A database was left running by a Weald that was killed; it was stopped, and is begun anew.")
    cluster = Cluster(folder, lasting=True)
    try:
        cluster.start()
        yield cluster
    finally:
        cluster.close()


def environment_of(folder: Path) -> dict[str, str]:
    """What Weald reads from its surroundings; a key and files of this place where nothing else is said."""
    python_path = os.pathsep.join(filter(None, [str(PROJECT / "src"), os.environ.get("PYTHONPATH")]))
    environment = os.environ | {"PYTHONPATH": python_path}
    environment.setdefault("WEALD_SECRET_KEY", _secret_key(folder))
    environment.setdefault("WEALD_FILES", str(folder / "files"))
    return environment


def demo(fresh: bool) -> None:
    """Start the application with the demo bindery."""
    folder = VAR / "demo"
    database = cluster_folder(folder / "database")
    port = int(os.environ.get("WEALD_PORT", "0")) or free_port()
    address = f"127.0.0.1:{port}"
    _stop_when_asked()
    try:
        with one_at_a_time(folder):
            if fresh:
                stop_left_over(database)
                shutil.rmtree(database, ignore_errors=True)
                shutil.rmtree(folder / "files", ignore_errors=True)
            environment = environment_of(folder) | {"WEALD_PLAIN_HTTP": "1"}
            environment.pop("WEALD_DATABASE_URL", None)
            environment["WEALD_FRONTEND"] = str(frontend.build())
            with _own_cluster(database) as cluster:
                environment |= {"WEALD_DATABASE_URL": cluster.url, "WEALD_DATA": str(cluster.folder)}
                manage(environment, "load_demo", DEMO_NAME, DEMO_PASSWORD)
                lines = [
                    "",
                    f"  Weald is open at http://{address}",
                    f"  Sign in as {DEMO_NAME} with {DEMO_PASSWORD}",
                    "  Ctrl-C closes it; the data stays. ./weald demo --fresh begins anew.",
                    "",
                ]
                _run(environment, address, cluster, lines)
    except _StopError:
        print("\nClosed.", flush=True)


def serve(only: Role | None = None) -> None:
    """Start the application for real use, set up from the environment.

    :param only: the web server or the worker alone, where several machines share a database and a store.
    :raises NotReadyError: when what several machines have to share is not named.
    """
    folder = VAR / "serve"
    bind = os.environ.get("WEALD_BIND", "127.0.0.1:8000")
    _stop_when_asked()
    try:
        # who has a database elsewhere shares it, with as many others as there are
        shared = "WEALD_DATABASE_URL" in os.environ
        if only is not None:
            _must_be_named("WEALD_DATABASE_URL", "WEALD_SECRET_KEY")
        with contextlib.nullcontext() if shared else one_at_a_time(folder):
            environment = environment_of(folder)
            if only != "worker":
                environment["WEALD_FRONTEND"] = str(frontend.build())
            with opened_database(environment, folder / "database") as (environment, cluster):
                manage(environment, "check", "--deploy", "--fail-level", "ERROR")
                manage(environment, "make_ready")
                what = "The worker is ready" if only == "worker" else f"Weald is open at {bind}"
                environment |= {"WEALD_LOG_JSON": os.environ.get("WEALD_LOG_JSON", "1")}
                environment |= {"PROMETHEUS_MULTIPROC_DIR": str(_counted_in())}
                _run(environment, bind, cluster, [f"{what}. Ctrl-C closes it."], only)
    except _StopError:
        print("\nClosed.", flush=True)


def _counted_in() -> Path:
    """A folder for what this start counts; those of starts before are gone.

    In memory where there is such a place: what is counted is mapped into the web servers, and a full disk
    under it would end them.
    """
    memory = Path("/dev/shm")
    parent = memory if os.access(memory, os.W_OK) else VAR / "serve"
    for old in parent.glob("weald-metrics-*"):
        if not Path("/proc", old.name.rpartition("-")[2]).exists():
            shutil.rmtree(old, ignore_errors=True)
    folder = parent / f"weald-metrics-{os.getpid()}"
    folder.mkdir(mode=0o700, exist_ok=True)
    return folder


def _must_be_named(*names: str) -> None:
    missing = [name for name in names if not os.environ.get(name)]
    if missing:
        raise NotReadyError(
            f"{' and '.join(missing)} must be set: web servers and workers that are started by themselves "
            "share one database and one key."
        )


def _stop_when_asked() -> None:
    signal.signal(signal.SIGTERM, _on_signal)
    signal.signal(signal.SIGINT, _on_signal)


def with_serve_database(*arguments: str) -> None:
    """Run a management command upon the data of ``serve``, whether or not that is running."""
    environment = environment_of(VAR / "serve") | {"WEALD_PLAIN_HTTP": "1"}
    running = running_url(cluster_folder(VAR / "serve" / "database"))
    if running and "WEALD_DATABASE_URL" not in environment:
        manage(environment | {"WEALD_DATABASE_URL": running}, *arguments)
        return
    with opened_database(environment, VAR / "serve" / "database") as (environment, _):
        manage(environment, "make_ready")
        manage(environment, *arguments)
