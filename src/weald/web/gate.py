"""What is sent is looked at before anybody reads it: text that can be kept, numbers that can be measured, and
no more of either than a book has.

By construction no view meets a NUL, half a character, a number without end, or a body nested without end.
And an answer of the API is never kept by anything between here and the browser.
"""

import json
import logging
import re
import sys
from collections.abc import Callable
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.db import InterfaceError, OperationalError
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.http.multipartparser import MultiPartParserError
from psycopg.errors import DiskFull

from weald.core.job.text import LONGEST, unkeepable
from weald.web.numbering import new_number, number_of_request
from weald.web.patience import WATCH
from weald.web.room import WORDS as NO_ROOM
from weald.web.room import is_full

log = logging.getLogger("weald")

MOST_MEMBERS = 5_000
DEEPEST = 60
LARGEST, SMALLEST = 1e15, 1e-12
MOST_NAMED = 20
"""So many wrong places are named at once."""
LONGEST_SIGN_IN = 4_000
UPLOADS = re.compile(r"^/api/(texts|artworks|shelf/table|jobs/import|jobs/\d+/pictures)$")
Respond = Callable[[HttpRequest], HttpResponse]


class _RefusedError(Exception):
    def __init__(self, path: str, words: str) -> None:
        super().__init__(words)
        self.path, self.words = path, words


class GateMiddleware:
    """Refuses what no view should have to read; says what went wrong where nobody expected it."""

    def __init__(self, respond: Respond) -> None:
        self._respond = respond

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Look at a request, have it answered, and see to it that nobody keeps the answer."""
        api = request.path_info.startswith("/api/")
        if not request.path_info.startswith(_WITHOUT_DATABASE) and not WATCH.may_ask():
            return _away(request)
        if request.method in _WRITING and is_full():
            return _no_room(request)
        try:
            _look_at(request)
        except MultiPartParserError as odd:
            return HttpResponse(f"{odd}\n", status=400, content_type="text/plain; charset=utf-8")
        except RequestDataTooBig:
            return _problem(413, "too_large", "That is more than can be sent at once.")
        except _RefusedError as refused:
            if not api:
                return HttpResponse(refused.words, status=400, content_type="text/plain; charset=utf-8")
            return _problem(
                422, "invalid", f"This cannot be read: {refused.words}", refused.path, refused.words
            )
        response = self._respond(request)
        if not api:
            return response
        if response.status_code in (404, 405) and not response["Content-Type"].startswith("application/json"):
            response = _no_such_address(response)
        if not response.has_header("Cache-Control"):
            response["Cache-Control"] = "no-store"
        return response


def _no_such_address(found: HttpResponse) -> HttpResponse:
    """An address of the API that is none, or not for what was asked of it, in the API's own form."""
    if found.status_code == 404:
        return _problem(404, "not_found", "There is no such address.")
    answer = _problem(405, "not_allowed", "This address does not take that; see the API's description.")
    answer["Allow"] = found.headers.get("Allow", "")
    return answer


def failed(request: HttpRequest) -> HttpResponse:
    """What nobody expected, with a number that stands in the log too; a database that is away is said so."""
    problem = sys.exception()
    if isinstance(problem, OperationalError) and isinstance(problem.__cause__, DiskFull):
        return _no_room(request)
    if isinstance(problem, OperationalError | InterfaceError):
        log.warning("the database is away at %s %s", request.method, request.path)
        return _away(request)
    number = number_of_request() or new_number()
    log.exception("failure %s at %s %s", number, request.method, request.path)
    return _problem(
        500,
        "failed",
        f"Something went wrong here; it is noted as {number}. What you typed is kept in your browser. If it "
        "happens again, tell whoever looks after Weald that number.",
    )


_AWAY = "The database is away just now. What you typed is kept in your browser and saved by itself."
_WITHOUT_DATABASE = ("/healthz", "/readyz", "/static/")
_WRITING = ("POST", "PUT", "PATCH")


def _away(request: HttpRequest) -> HttpResponse:
    answer = _said(request, 503, "away", _AWAY)
    answer["Retry-After"] = "3"
    return answer


def _no_room(request: HttpRequest) -> HttpResponse:
    return _said(request, 507, "no_room", NO_ROOM)


def _said(request: HttpRequest, status: int, code: str, words: str) -> HttpResponse:
    """To programs in the API's form, to people as a page that looks again by itself."""
    if request.path_info.startswith("/api/"):
        return _problem(status, code, words)
    page = HttpResponse(f"{words}\n", status=status, content_type="text/plain; charset=utf-8")
    page["Refresh"] = "5"
    return page


def not_from_here(request: HttpRequest, reason: str = "") -> HttpResponse:
    """What is sent without the mark of a page of ours: a page left open for long, or somebody else's."""
    words = (
        "This page was open for too long, or the request came from elsewhere. Reload the page and try again."
    )
    if request.path_info.startswith("/api/"):
        return _problem(403, "not_from_here", words)
    return HttpResponse(words, status=403, content_type="text/plain; charset=utf-8")


def _problem(status: int, code: str, message: str, path: str = "", words: str = "") -> HttpResponse:
    fields = {path: words} if path else {}
    return JsonResponse({"code": code, "message": message, "fields": fields}, status=status)


def _look_at(request: HttpRequest) -> None:
    _look_at_text(request.path_info, "address")
    for name, values in request.GET.lists():
        for value in (name, *values):
            _look_at_text(value, name[:80] or "address")
    if request.method not in ("POST", "PUT", "PATCH"):
        return
    if request.path_info.startswith("/api/"):
        # whoever reads a file that is brought looks at it; it may be large, and is never held whole
        if not UPLOADS.match(request.path_info) and request.body:
            _look_at_json(request.body)
    elif int(request.META.get("CONTENT_LENGTH") or 0) > LONGEST_SIGN_IN:
        raise _RefusedError("name", "Nobody’s name or password is so long.")
    else:
        for name, values in request.POST.lists():
            for value in (name, *values):
                _look_at_text(value, name[:80])


_PLAIN = re.compile(rb"[\t\n\r\x20-\x7e]*")
_SUSPICIOUS = re.compile(rb"\\[ubf]|\d{16,}|\d[eE]|NaN|Infinity")


def _plainly_good(body: bytes) -> bool:
    """Whether nothing in a body can be wrong, as with nearly all: seen without taking it apart."""
    return (
        len(body) < LONGEST
        and body.count(b"{") + body.count(b"[") <= DEEPEST
        and body.count(b",") < MOST_MEMBERS
        and _PLAIN.fullmatch(body) is not None
        and not _SUSPICIOUS.search(body)
    )


def _look_at_json(body: bytes) -> None:
    if _plainly_good(body):
        return
    waiting: list[tuple[str, Any, int]] = [("", _parsed(body), 0)]
    members = 0
    while waiting:
        path, value, depth = waiting.pop()
        if not isinstance(value, dict | list):
            _look_at_leaf(value, path or "body")
            continue
        members += len(value)
        if members > MOST_MEMBERS:
            raise _RefusedError(path or "body", f"it holds more than {MOST_MEMBERS} entries.")
        if depth >= DEEPEST:
            raise _RefusedError(path or "body", "it is nested too deep.")
        for key, part in value.items() if isinstance(value, dict) else enumerate(value):
            _look_at_leaf(key, path or "body")
            waiting.append((f"{path}.{key}"[-200:].lstrip("."), part, depth + 1))


def _parsed(body: bytes) -> Any:
    try:
        return json.loads(body.decode("utf-8"), parse_constant=_no_number, parse_int=_whole)
    except UnicodeDecodeError:
        raise _RefusedError("body", "it is not written in UTF-8.") from None
    except RecursionError:
        raise _RefusedError("body", "it is nested too deep.") from None
    except ValueError as error:
        raise _RefusedError("body", f"it is no JSON ({error}).") from None


def _look_at_leaf(value: object, path: str) -> None:
    if isinstance(value, str):
        _look_at_text(value, path)
    elif isinstance(value, int | float) and value and not SMALLEST <= abs(value) <= LARGEST:
        raise _RefusedError(path, "That number is nothing that can be counted or measured.")


def _no_number(name: str) -> float:
    raise ValueError(f"{name} is no number")


def _whole(digits: str) -> int:
    if len(digits) > 16:
        raise ValueError("a number has more digits than anything that is counted")
    return int(digits)


def _look_at_text(text: str, path: str) -> None:
    """Refuse what cannot be kept, or is not what it looks like."""
    if words := unkeepable(text):
        raise _RefusedError(path, words)
