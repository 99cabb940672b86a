"""Everything that has to hold: formatters, linters, types, walls, and the tests."""

import contextlib
import os
import shutil
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from weald.command import frontend
from weald.command.cluster import cluster_folder, running_cluster
from weald.command.machine import NotReadyError, chromium
from weald.command.paths import PROJECT


def _environment() -> dict[str, str]:
    return os.environ | {
        "PYTHONPATH": str(PROJECT / "src"),
        "WEALD_SECRET_KEY": "only-for-the-checks-and-never-served",
        "WEALD_PLAIN_HTTP": "1",
    }


def _run(name: str, command: list[str], environment: dict[str, str]) -> None:
    began = time.monotonic()
    print(f"· {name}", flush=True)
    done = subprocess.run(command, cwd=PROJECT, env=environment, check=False)
    if done.returncode:
        raise NotReadyError(f"{name} found something to put right.")
    print(f"  {time.monotonic() - began:.1f} s", flush=True)


def _tool(*words: str) -> list[str]:
    return [sys.executable, "-m", *words]


def lint() -> None:
    """Formatters, linters, types, the import wall, the descriptions."""
    _look_over()


def _look_over(*front_end: Callable[[], object]) -> None:
    """All that needs no test to be run; types are looked at beside the front end, and what else it has to do.

    :param front_end: done after its linters.
    """
    environment = _environment() | {"WEALD_DATABASE_URL": "postgres://nobody@127.0.0.1:1/none"}
    bin_folder = Path(sys.executable).parent
    _run("ruff format", _tool("ruff", "format", "--check", "--quiet", "."), environment)
    _run("ruff check", _tool("ruff", "check", "--quiet", "."), environment)
    _run("import wall", [str(bin_folder / "lint-imports"), "--no-cache"], environment)
    _run("descriptions", _tool("weald.command", "describe", "--check"), environment)
    with ThreadPoolExecutor(1) as beside:
        types = beside.submit(_run, "mypy", _tool("mypy"), environment)
        frontend.install_packages()
        print("· eslint and prettier", flush=True)
        frontend.npm("run", "lint")
        for do in front_end:
            do()
        types.result()


def test(arguments: list[str]) -> None:
    """Everything: the lint, then every test upon a private database that is removed afterwards.

    As many tests run at a time as there are cores, but never two whole demos (tests/conftest.py).
    Each benchmark among them, once and small, so that it cannot rot. The slowest are named at the end.
    """
    _look_over(_pure_parts, frontend.build)
    os.environ["WEALD_BENCH"] = "small"
    slowest = ["--durations=25", "--durations-min=2"]
    what = arguments or ["tests", "benchmarks"]
    _run_upon_database("tests", _tool("pytest", "--numprocesses=auto", *slowest, *what))


def _pure_parts() -> None:
    print("· tests of the front end's pure parts", flush=True)
    frontend.npm("run", "test")


def _run_upon_database(name: str, command: list[str]) -> None:
    """Run something with a browser, the built interface and a database of its own."""
    browser, built = chromium(), frontend.build()
    with _private_database() as url:
        environment = _environment() | {
            "WEALD_DATABASE_URL": url,
            "WEALD_FRONTEND": str(built),
            "WEALD_CHROMIUM": str(browser),
        }
        _run(name, command, environment)


@contextlib.contextmanager
def _private_database() -> Iterator[str]:
    """A database cluster of our own, removed afterwards."""
    with tempfile.TemporaryDirectory(prefix="weald-test-") as temporary:
        Path(temporary).chmod(0o755)
        folder = cluster_folder(Path(temporary) / "database")
        try:
            with running_cluster(folder, lasting=False) as url:
                yield url
        finally:
            shutil.rmtree(folder, ignore_errors=True)


def soak(arguments: list[str]) -> None:
    """The long runs, their figures printed: other examples, thirty kills, a hundred people, odd calls."""
    long = {
        "WEALD_KILLS": "30",
        "WEALD_PEOPLE": "100",
        "WEALD_PEOPLE_PAUSE": "2",
        "WEALD_PEOPLE_SECONDS": "60",
        "WEALD_CALLS": "20000",
        "WEALD_HOSTILE": "1",
    }
    os.environ.update({name: os.environ.get(name, value) for name, value in long.items()})
    runs = ["tests/command/test_people.py", "tests/command/test_kills.py", "tests/web/test_any_shape.py"]
    runs.append("tests/exchange/test_hostile.py")
    runs.append("tests/web/test_planning.py::test_nothing_that_is_sent_makes_the_server_fail")
    explore = ("-m", "hypothesis", "--hypothesis-profile=explore")
    _run_upon_database(
        "properties", _tool("pytest", "-p", "no:cacheprovider", "--numprocesses=auto", *explore)
    )
    _run_upon_database("soak", _tool("pytest", "-q", "-s", "-p", "no:cacheprovider", *runs, *arguments))


def bench(arguments: list[str]) -> None:
    """The benchmarks, upon a private database."""
    command = _tool("pytest", "benchmarks", "-q", "-s", "-p", "no:cacheprovider")
    _run_upon_database("benchmarks", [*command, *arguments])
