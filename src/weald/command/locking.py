"""Locking the Python packages, with hashes and without any registry's address."""

import subprocess
import sys
from pathlib import Path

from weald.command.paths import PROJECT

_OPTIONS = ["--quiet", "--generate-hashes", "--no-annotate", "--no-header", "--universal"]
_OLDEST = "3.11"
"""The oldest Python that a lock has to suit."""


def lock() -> None:
    """Write requirements.txt, requirements-dev.txt and requirements-install.txt from their .in files."""
    uv = Path(sys.executable).with_name("uv")
    for name in ("requirements", "requirements-dev", "requirements-install"):
        command = [str(uv), "pip", "compile", *_OPTIONS, f"--python-version={_OLDEST}"]
        subprocess.run([*command, "-o", f"{name}.txt", f"{name}.in"], cwd=PROJECT, check=True)
