"""Whole demos: loaded once, closed, and copied for every test that wants one with its data in it."""

import subprocess
from pathlib import Path

import pytest

from tests.command.test_cluster import _reachable, close, place_for_demo, running_demo, wait_until_open
from weald.command.cluster import free_port

_LOADED: list[Path] = []
"""One for a process, whichever folder of tests asks first."""


@pytest.fixture(scope="session")
def demo_as_loaded(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The folder of a demo that was loaded and closed."""
    if not _LOADED:
        var, port = place_for_demo(tmp_path_factory.mktemp("loaded")), free_port()
        with running_demo(var, port) as process:
            wait_until_open(port)
            close(process)
        _LOADED.append(var)
    return _LOADED[0]


@pytest.fixture
def loaded_var(demo_as_loaded: Path, tmp_path: Path) -> Path:
    """A folder of its own for a demo that is loaded already."""
    var = _reachable(tmp_path) / "var"
    # its database belongs to a user of its own, and stays theirs
    subprocess.run(["cp", "-a", str(demo_as_loaded), str(var)], check=True)
    return var
