"""For whoever watches over Weald: whether it lives, and whether it can do its work."""

from django.contrib.auth.decorators import login_not_required
from django.db import DatabaseError, connection
from django.http import HttpRequest, HttpResponse
from django.views.decorators.http import require_safe


@require_safe
@login_not_required
def alive(request: HttpRequest) -> HttpResponse:
    """That this process answers."""
    return HttpResponse("alive\n", content_type="text/plain")


@require_safe
@login_not_required
def ready(request: HttpRequest) -> HttpResponse:
    """That it reaches its database; 503 where it does not."""
    try:
        with connection.cursor() as cursor:
            cursor.execute("select 1")
    except DatabaseError:
        return HttpResponse("the database is away\n", status=503, content_type="text/plain")
    return HttpResponse("ready\n", content_type="text/plain")
