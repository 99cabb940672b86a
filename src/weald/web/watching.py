"""What whoever looks after Weald can see: every request has a number, is counted, timed, and in the log.

The number stands in the answer (`X-Request-ID`), in every line of the log that was written on its way, and in
what people are told when something failed.
"""

import hmac
import logging
import os
import time
from collections.abc import Callable, Iterator
from typing import Any

from django.apps import apps
from django.conf import settings
from django.contrib.auth.decorators import login_not_required
from django.db import connection
from django.http import Http404, HttpRequest, HttpResponse
from django.utils import timezone
from django.views.decorators.http import require_safe
from prometheus_client import (
    CONTENT_TYPE_LATEST,
    REGISTRY,
    CollectorRegistry,
    Counter,
    Histogram,
    generate_latest,
)
from prometheus_client.core import GaugeMetricFamily
from prometheus_client.multiprocess import MultiProcessCollector

from weald.web.numbering import numbered
from weald.web.patience import patience
from weald.web.room import bytes_left
from weald.web.work import Work

log = logging.getLogger("weald.requests")

SLOW_SECONDS, SLOW_QUERY_SECONDS = 1.0, 0.2
REQUESTS = Counter("weald_requests", "Requests answered", ["method", "route", "status"])
SECONDS = Histogram(
    "weald_request_seconds",
    "From a request to its answer",
    ["method", "route"],
    buckets=(0.01, 0.025, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 15),
)
QUERIES = Histogram(
    "weald_request_queries", "Questions to the database a request", ["route"], buckets=(2, 4, 8, 16, 32)
)

Run = Callable[[str, Any, bool, dict[str, Any]], Any]


class _Queries:
    """Counts questions to the database, and logs the slow ones without what was filled into them."""

    def __init__(self) -> None:
        self.count = 0

    def __call__(self, run: Run, sql: str, params: Any, many: bool, context: dict[str, Any]) -> Any:
        began = time.perf_counter()
        try:
            return run(sql, params, many, context)
        finally:
            self.count += 1
            taken = time.perf_counter() - began
            if taken > SLOW_QUERY_SECONDS:
                log.warning("slow query: %.3f s, %s", taken, sql[:300], extra={"sql": sql[:2000]})


class WatchMiddleware:
    """Numbers, counts and times every request."""

    def __init__(self, respond: Callable[[HttpRequest], HttpResponse]) -> None:
        self._respond = respond

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Have a request answered, and note how that went."""
        began, queries = time.perf_counter(), _Queries()
        with numbered() as number, connection.execute_wrapper(queries), patience():
            response = self._respond(request)
            response["X-Request-ID"] = number
            _note(request, response.status_code, time.perf_counter() - began, queries.count)
        return response


def _note(request: HttpRequest, status: int, taken: float, queries: int) -> None:
    route = request.resolver_match.route if request.resolver_match else "elsewhere"
    method = request.method if request.method in _METHODS else "other"
    REQUESTS.labels(method, route, str(status)).inc()
    SECONDS.labels(method, route).observe(taken)
    QUERIES.labels(route).observe(queries)
    level = logging.WARNING if taken > SLOW_SECONDS else logging.INFO
    session = getattr(request, "session", None)
    who = session.get("_auth_user_id") if session is not None and session.accessed else None
    said = {"method": method, "route": route, "status": status, "queries": queries, "person": who}
    words = "%s %s: %d in %.3f s"
    log.log(level, words, method, route, status, taken, extra=said | {"seconds": round(taken, 3)})


_METHODS = ("GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS")


class _WorkCollector:
    """How much work waits, is being done or has failed, and how long the oldest has waited."""

    def collect(self) -> Iterator[GaugeMetricFamily]:
        """One gauge for how much, one for how long."""
        much = GaugeMetricFamily("weald_work", "Pieces of work", labels=["task", "state"])
        oldest = GaugeMetricFamily("weald_work_oldest_seconds", "The longest wait", labels=["task"])
        for model in apps.get_models():
            if not issubclass(model, Work):
                continue
            rows = model._default_manager.filter(state__in=("waiting", "working", "failed"))
            for state in ("waiting", "working", "failed"):
                much.add_metric([model.task, state], rows.filter(state=state).count())
            first = rows.filter(state="waiting").order_by("asked").values_list("asked", flat=True).first()
            oldest.add_metric([model.task], (timezone.now() - first).total_seconds() if first else 0.0)
        left = GaugeMetricFamily("weald_disk_left_bytes", "Room on the fullest disk", value=bytes_left())
        yield from (much, oldest, left)


@require_safe
@login_not_required
def metrics(request: HttpRequest) -> HttpResponse:
    """Everything counted, in the text format of Prometheus; for whoever knows the token, and nobody else."""
    asked = request.headers.get("Authorization", "")
    known = f"Bearer {settings.METRICS_TOKEN}"
    if not settings.METRICS_TOKEN or not hmac.compare_digest(asked.encode(), known.encode()):
        raise Http404
    work = CollectorRegistry()
    work.register(_WorkCollector())
    counted = REGISTRY
    if "PROMETHEUS_MULTIPROC_DIR" in os.environ:
        counted = CollectorRegistry()
        MultiProcessCollector(counted)  # type: ignore[no-untyped-call]
    return HttpResponse(generate_latest(counted) + generate_latest(work), content_type=CONTENT_TYPE_LATEST)
