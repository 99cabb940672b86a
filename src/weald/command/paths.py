"""Where things lie in a checkout."""

import os
from pathlib import Path

PROJECT = Path(__file__).resolve().parents[3]
FRONTEND = PROJECT / "frontend"
VAR = Path(os.environ.get("WEALD_VAR", PROJECT / "var"))
"""What is made while running: databases, keys, the built interface."""


def write_for_us_alone(path: Path, text: str) -> None:
    """Write a file that nobody else may read, from its first moment on; whole, or not at all."""
    unfinished = path.with_name(f"{path.name}.new")
    unfinished.unlink(missing_ok=True)
    with open(os.open(unfinished, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "w") as file:
        file.write(text)
    unfinished.replace(path)
