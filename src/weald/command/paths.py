"""Where things lie in a checkout."""

from pathlib import Path

PROJECT = Path(__file__).resolve().parents[3]
FRONTEND = PROJECT / "frontend"
VAR = PROJECT / "var"
