"""Where things lie in a checkout."""

import os
from pathlib import Path

PROJECT = Path(__file__).resolve().parents[3]
FRONTEND = PROJECT / "frontend"
VAR = Path(os.environ.get("WEALD_VAR", PROJECT / "var"))
"""What is made while running: databases, keys, the built interface."""
