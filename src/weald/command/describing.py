"""Writing down what the code says of itself: the job file's schema, the API, its types in the interface."""

import json
import os
from pathlib import Path
from typing import Any

from weald.command import frontend
from weald.command.paths import PROJECT
from weald.exchange.job_file import job_file_schema


def _write(path: Path, document: dict[str, Any]) -> None:
    path.write_text(json.dumps(document, indent=2, ensure_ascii=False) + "\n", encoding="utf-8")


def describe() -> None:
    """Write docs/job-file.schema.json, docs/openapi.json and the interface's types anew."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "weald.web.settings")
    os.environ.setdefault("WEALD_SECRET_KEY", "only-for-the-description")
    os.environ.setdefault("WEALD_DATABASE_URL", "postgres://nobody@127.0.0.1:1/none")
    import django

    django.setup()
    from weald.web.api.api import openapi_document

    _write(PROJECT / "docs" / "job-file.schema.json", job_file_schema())
    _write(PROJECT / "docs" / "openapi.json", openapi_document())
    frontend.install_packages()
    frontend.npm("run", "types")
