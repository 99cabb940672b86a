"""The list of what Weald is built on names everything that is installed to run it."""

import json
import re
from pathlib import Path

ROOT = Path(__file__).parents[2]


def test_the_list_of_parts_names_all_that_run() -> None:
    listed = (ROOT / "docs" / "third-party.md").read_text()
    wanted = (ROOT / "requirements.in").read_text().splitlines()
    python = {re.split(r"[\[<>=]", line)[0].strip() for line in wanted if line and not line.startswith("#")}
    screens = set(json.loads((ROOT / "frontend" / "package.json").read_text())["dependencies"])
    rows = {name for line in listed.splitlines() if line.startswith("| ") for name in re.split(r"[|,]", line)}
    assert (python | screens) - {name.strip() for name in rows} == set()
