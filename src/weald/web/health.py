"""For whoever watches over Weald: whether it lives, and whether it can do its work."""

from django.contrib.auth.decorators import login_not_required
from django.db import DatabaseError, connection
from django.http import HttpRequest, HttpResponse
from django.views.decorators.http import require_safe

from weald.web.patience import patience
from weald.web.room import is_full

_READY_SECONDS = 2.0


@require_safe
@login_not_required
def alive(request: HttpRequest) -> HttpResponse:
    """That this process answers."""
    return HttpResponse("alive\n", content_type="text/plain")


@require_safe
@login_not_required
def ready(request: HttpRequest) -> HttpResponse:
    """That it reaches its database; 503 where it does not. A full disk is said: reading goes on."""
    try:
        with patience(_READY_SECONDS), connection.cursor() as cursor:
            cursor.execute("select 1")
    except DatabaseError:
        connection.close()
        return HttpResponse("the database is away\n", status=503, content_type="text/plain")
    if is_full():
        return HttpResponse("reading only: the disk is full\n", content_type="text/plain")
    return HttpResponse("ready\n", content_type="text/plain")
