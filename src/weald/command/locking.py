"""Locking the Python packages, with hashes and without any registry's address."""

import subprocess
import sys

from weald.command.paths import PROJECT

_OPTIONS = [
    "--quiet",
    "--generate-hashes",
    "--strip-extras",
    "--allow-unsafe",
    "--no-annotate",
    "--no-header",
    "--no-emit-index-url",
    "--no-emit-find-links",
]


def lock() -> None:
    """Write requirements.txt and requirements-dev.txt from their .in files."""
    for name in ("requirements", "requirements-dev"):
        command = [sys.executable, "-m", "piptools", "compile", *_OPTIONS]
        subprocess.run([*command, "-o", f"{name}.txt", f"{name}.in"], cwd=PROJECT, check=True)
