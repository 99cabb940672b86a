"""Starting the application with its database and its worker, and stopping just these."""

import contextlib
import os
import secrets
import shutil
import signal
import subprocess
import sys
import time
from collections.abc import Iterator
from pathlib import Path

from weald.command import frontend
from weald.command.cluster import cluster_folder, free_port, running_cluster, running_url
from weald.command.machine import NotReadyError
from weald.command.paths import PROJECT, VAR

DEMO_NAME, DEMO_PASSWORD = "binder", "linen-thread"
_THREADS = "8"


def _secret_key(folder: Path) -> str:
    """A key of this installation's own, made on first start."""
    path = folder / "secret_key"
    if not path.exists():
        folder.mkdir(parents=True, exist_ok=True)
        path.write_text(secrets.token_urlsafe(64))
        path.chmod(0o600)
    return path.read_text()


def manage(environment: dict[str, str], *arguments: str) -> None:
    """Run a management command to its end.

    :raises NotReadyError: with its own words when it fails.
    """
    done = subprocess.run(
        [sys.executable, str(PROJECT / "manage.py"), *arguments],
        env=environment,
        cwd=PROJECT,
        stderr=subprocess.PIPE,
        text=True,
        check=False,
    )
    if done.returncode:
        raise NotReadyError(f"{arguments[0]} failed:\n{done.stderr.strip()[-2000:]}")


class _StopError(Exception):
    """Somebody asked us to stop."""


def _on_signal(number: int, frame: object) -> None:
    raise _StopError


@contextlib.contextmanager
def _child(command: list[str], environment: dict[str, str]) -> Iterator["subprocess.Popen[bytes]"]:
    process = subprocess.Popen(command, env=environment, cwd=PROJECT, start_new_session=True)
    try:
        yield process
    finally:
        if process.poll() is None:
            process.terminate()
            try:
                process.wait(10)
            except subprocess.TimeoutExpired:
                process.kill()
                process.wait()


def _web_command(bind: str) -> list[str]:
    command = [sys.executable, "-m", "gunicorn", "weald.web.wsgi", "--bind", bind]
    command += ["--workers", "2", "--threads", _THREADS, "--log-level", "warning"]
    certificate, key = os.environ.get("WEALD_TLS_CERT"), os.environ.get("WEALD_TLS_KEY")
    if certificate and key:
        command += ["--certfile", certificate, "--keyfile", key]
    return command


def _serve(environment: dict[str, str], bind: str, lines: list[str]) -> None:
    """Run web server and worker until one ends or we are asked to stop."""
    worker = [sys.executable, str(PROJECT / "manage.py"), "work", "--concurrency", "2"]
    with _child(_web_command(bind), environment) as web, _child(worker, environment) as working:
        for line in lines:
            print(line, flush=True)
        while web.poll() is None and working.poll() is None:
            time.sleep(0.3)
    raise NotReadyError("The application stopped by itself; its last words stand above.")


@contextlib.contextmanager
def _database(environment: dict[str, str], folder: Path) -> Iterator[dict[str, str]]:
    if "WEALD_DATABASE_URL" in os.environ:
        yield environment
        return
    with running_cluster(cluster_folder(folder), lasting=True) as url:
        yield environment | {"WEALD_DATABASE_URL": url}


def _environment(folder: Path) -> dict[str, str]:
    python_path = os.pathsep.join(filter(None, [str(PROJECT / "src"), os.environ.get("PYTHONPATH")]))
    environment = os.environ | {"PYTHONPATH": python_path}
    environment.setdefault("WEALD_SECRET_KEY", _secret_key(folder))
    environment.setdefault("WEALD_FILES", str(folder / "files"))
    return environment


def demo(fresh: bool) -> None:
    """Start the application with the demo bindery."""
    folder = VAR / "demo"
    database = cluster_folder(folder / "database")
    if running_url(database):
        raise NotReadyError("The demo is open already; close it where it was started (Ctrl-C) first.")
    if fresh:
        shutil.rmtree(database, ignore_errors=True)
        shutil.rmtree(folder / "files", ignore_errors=True)
    environment = _environment(folder) | {"WEALD_PLAIN_HTTP": "1"}
    environment.pop("WEALD_DATABASE_URL", None)
    port = int(os.environ.get("WEALD_PORT", "0")) or free_port()
    address = f"127.0.0.1:{port}"
    signal.signal(signal.SIGTERM, _on_signal)
    signal.signal(signal.SIGINT, _on_signal)
    try:
        environment["WEALD_FRONTEND"] = str(frontend.build())
        with running_cluster(database, lasting=True) as url:
            environment["WEALD_DATABASE_URL"] = url
            manage(environment, "load_demo", DEMO_NAME, DEMO_PASSWORD)
            lines = [
                "",
                f"  Weald is open at http://{address}",
                f"  Sign in as {DEMO_NAME} with {DEMO_PASSWORD}",
                "  Ctrl-C closes it; the data stays. ./weald demo --fresh begins anew.",
                "",
            ]
            _serve(environment, address, lines)
    except _StopError:
        print("\nClosed.", flush=True)


def serve() -> None:
    """Start the application for real use, set up from the environment."""
    environment = _environment(VAR / "serve")
    bind = os.environ.get("WEALD_BIND", "127.0.0.1:8000")
    signal.signal(signal.SIGTERM, _on_signal)
    signal.signal(signal.SIGINT, _on_signal)
    try:
        environment["WEALD_FRONTEND"] = str(frontend.build())
        with _database(environment, VAR / "serve" / "database") as environment:
            manage(environment, "check", "--deploy", "--fail-level", "ERROR")
            manage(environment, "migrate", "--verbosity", "0")
            _serve(environment, bind, [f"Weald is open at {bind}. Ctrl-C closes it."])
    except _StopError:
        print("\nClosed.", flush=True)


def with_serve_database(*arguments: str) -> None:
    """Run a management command upon the data of ``serve``, whether or not that is running."""
    environment = _environment(VAR / "serve") | {"WEALD_PLAIN_HTTP": "1"}
    running = running_url(cluster_folder(VAR / "serve" / "database"))
    if running and "WEALD_DATABASE_URL" not in environment:
        manage(environment | {"WEALD_DATABASE_URL": running}, *arguments)
        return
    with _database(environment, VAR / "serve" / "database") as environment:
        manage(environment, "migrate", "--verbosity", "0")
        manage(environment, *arguments)
