"""Errors as JSON, mapped in one place."""

from collections.abc import Callable, Mapping
from dataclasses import asdict
from functools import partial
from itertools import islice
from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from django.http.multipartparser import MultiPartParserError
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, AuthorizationError, HttpError, Throttled, ValidationError

from weald.core.bench.measuring import OddMeasurementError
from weald.core.bench.progress import OutOfTurnError, TooEarlyError
from weald.core.bench.readings import OddReadingError
from weald.core.errors import SpecError, WealdError
from weald.core.job.spec import JobSpec
from weald.core.planning.meeting import choices_of, choices_of_job
from weald.exchange.reports import NoRoomError
from weald.web.accounts.keeping import MeetingError
from weald.web.accounts.people import LastOwnerError, NotOwnerError
from weald.web.api.jobs import job_reply
from weald.web.api.people import notation_of
from weald.web.api.signed_in import ReaderError
from weald.web.gate import MOST_NAMED, failed
from weald.web.jobs.services import NothingToMoveError, StaleVersionError
from weald.web.office.services import PricesHiddenError
from weald.web.printing.files import TooLargeError
from weald.web.printing.services import InUseError
from weald.web.shelf.services import ShortError

Answer = tuple[int, dict[str, Any]]


def _problem(status: int, code: str, message: str, fields: Mapping[str, str] | None = None) -> Answer:
    return status, {
        "code": code,
        "message": message,
        "fields": dict(islice((fields or {}).items(), MOST_NAMED)),
    }


def _listed(fields: Mapping[str, str]) -> str:
    return "; ".join(f"{path}: {text}" for path, text in islice(fields.items(), MOST_NAMED))


def _spec(error: SpecError) -> Answer:
    message = f"This cannot be planned yet: {_listed(error.fields)}"
    return _problem(422, "invalid", message, error.fields)


def _stale(request: HttpRequest, error: StaleVersionError) -> Answer:
    notation = notation_of(request)
    fields = {path: notation.read(words) for path, words in error.fields.items()}
    status, body = _problem(409, "stale", str(error), fields)
    return status, body | {"job": job_reply(request, error.job).model_dump(mode="json")}


def _meeting(request: HttpRequest, error: MeetingError) -> Answer:
    notation = notation_of(request)
    if error.root is JobSpec:
        choices = choices_of_job(error.merged, notation)
    else:
        choices = choices_of(error.root, error.merged.met, error.mine, error.theirs, notation)
    status, body = _problem(409, "meets", str(error), {each.name: each.label for each in choices})
    return status, body | {
        "choices": [asdict(each) for each in choices],
        "seen": error.seen,
        "by": list(error.by),
    }


def _request(error: ValidationError) -> Answer:
    fields = {".".join(str(step) for step in each["loc"][1:]): each["msg"] for each in error.errors}
    return _problem(422, "invalid", f"The request is not understood: {_listed(fields)}", fields)


_TOO_OFTEN = "That was asked for very often just now. Wait a minute, then ask again."
_ANSWERS: dict[type[Exception], Callable[[Any], Answer]] = {
    SpecError: _spec,
    PricesHiddenError: lambda error: _problem(403, "prices_hidden", str(error)),
    NothingToMoveError: lambda error: _problem(409, "nothing_to_move", str(error)),
    TooLargeError: lambda error: _problem(413, "too_large", str(error)),
    NoRoomError: lambda error: _problem(507, "no_room", str(error)),
    ShortError: lambda error: _problem(409, "short", str(error)),
    InUseError: lambda error: _problem(409, "in_use", str(error)),
    TooEarlyError: lambda error: _problem(409, "too_early", str(error)),
    OddMeasurementError: lambda error: _problem(409, "odd_measurement", str(error)),
    OddReadingError: lambda error: _problem(409, "odd_reading", str(error)),
    OutOfTurnError: lambda error: _problem(409, "out_of_turn", str(error)),
    ReaderError: lambda error: _problem(403, "reader", str(error)),
    NotOwnerError: lambda error: _problem(403, "not_owner", str(error)),
    LastOwnerError: lambda error: _problem(409, "last_owner", str(error)),
    WealdError: lambda error: _problem(422, "invalid", str(error)),
    ValidationError: _request,
    MultiPartParserError: lambda error: _problem(
        422, "invalid", f"What was sent cannot be taken apart: {error}"
    ),
    Http404: lambda error: _problem(404, "not_found", "There is no such thing in your workshop."),
    AuthenticationError: lambda error: _problem(401, "signed_out", "Sign in first."),
    AuthorizationError: lambda error: _problem(403, "forbidden", "You belong to no workshop yet."),
    Throttled: lambda error: _problem(429, "too_often", _TOO_OFTEN),
    HttpError: lambda error: _problem(error.status_code, "refused", str(error)),
}


def _respond(
    api: NinjaAPI, answer: Callable[[Any], Answer], request: HttpRequest, error: Any
) -> HttpResponse:
    status, body = answer(error)
    return api.create_response(request, body, status=status)


def install(api: NinjaAPI) -> None:
    """Teach ``api`` to answer every error as {code, message, fields}."""
    for kind, answer in _ANSWERS.items():
        api.add_exception_handler(kind, partial(_respond, api, answer))

    @api.exception_handler(Exception)
    def unexpected(request: HttpRequest, error: Any) -> HttpResponse:
        return failed(request)

    @api.exception_handler(MeetingError)
    def meeting(request: HttpRequest, error: Any) -> HttpResponse:
        status, body = _meeting(request, error)
        return api.create_response(request, body, status=status)

    @api.exception_handler(StaleVersionError)
    def stale(request: HttpRequest, error: Any) -> HttpResponse:
        status, body = _stale(request, error)
        return api.create_response(request, body, status=status)
