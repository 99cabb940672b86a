"""Writing down what the code says of itself: the job file's schema, the API, its types in the interface."""

import json
import os
from pathlib import Path
from typing import Any

from weald.command import frontend
from weald.command.machine import NotReadyError
from weald.command.paths import PROJECT
from weald.exchange.job_file import job_file_schema


def _documents() -> dict[Path, str]:
    """What the code says of itself now, by the file it stands in."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "weald.web.settings")
    # cookies have another name without TLS; what is described is how it is served
    os.environ.pop("WEALD_PLAIN_HTTP", None)
    os.environ.setdefault("WEALD_SECRET_KEY", "only-for-the-description")
    os.environ.setdefault("WEALD_DATABASE_URL", "postgres://nobody@127.0.0.1:1/none")
    import django

    django.setup()
    from weald.web.api.api import openapi_document

    described = {"job-file.schema.json": job_file_schema(), "openapi.json": openapi_document()}
    return {PROJECT / "docs" / name: _text(document) for name, document in described.items()}


def _text(document: dict[str, Any]) -> str:
    return json.dumps(document, indent=2, ensure_ascii=False) + "\n"


def describe(*, check: bool) -> None:
    """Write docs/job-file.schema.json, docs/openapi.json and the interface's types anew.

    :param check: write nothing; raise NotReadyError where the code has gone on and docs/ has not.
    """
    documents = _documents()
    if check:
        behind = [path.name for path, text in documents.items() if path.read_text(encoding="utf-8") != text]
        if behind:
            raise NotReadyError(
                f"Written in docs/ before the code changed: {', '.join(behind)}; ./weald describe"
            )
        return
    for path, text in documents.items():
        path.write_text(text, encoding="utf-8")
    frontend.install_packages()
    frontend.npm("run", "types")
