"""The one page the interface lives in."""

import json
from functools import lru_cache
from typing import Any

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe


@lru_cache(maxsize=1)
def built_entry() -> tuple[str, tuple[str, ...]]:
    """The built script and its styles, as addresses under /static/."""
    manifest: dict[str, Any] = json.loads(
        (settings.FRONTEND_DIST / "manifest.json").read_text(encoding="utf-8")
    )
    entry = next(chunk for chunk in manifest.values() if chunk.get("isEntry"))
    return settings.STATIC_URL + entry["file"], tuple(
        settings.STATIC_URL + sheet for sheet in entry.get("css", [])
    )


@require_safe
@ensure_csrf_cookie
def shell(request: HttpRequest) -> HttpResponse:
    """The page; everything in it comes from /api/."""
    script, styles = built_entry()
    return render(request, "shell.html", {"script": script, "styles": styles})
