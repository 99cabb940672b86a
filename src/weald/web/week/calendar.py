"""The week at an address of its own, for calendars that cannot sign in."""

from time import time

from django.contrib.auth.decorators import login_not_required
from django.core.cache import cache
from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.http import require_safe

from weald.exchange.week_ics import week_ics
from weald.web.accounts.services import notation_for
from weald.web.week.services import feed_of, laid_out

_IN_A_MINUTE = 20


@require_safe
@login_not_required
def calendar(request: HttpRequest, token: str) -> HttpResponse:
    """The calendar an address stands for, until it is withdrawn; no other answer says that there was one."""
    feed = feed_of(token)
    if feed is None:
        raise Http404
    key = f"calendar.{feed.pk}.{int(time()) // 60}"
    cache.add(key, 0, 120)
    if cache.incr(key) > _IN_A_MINUTE:
        return HttpResponse(
            "That was asked for very often; wait a minute.\n", status=429, content_type="text/plain"
        )
    laid = laid_out(feed.workshop, notation_for(feed.author, feed.workshop))
    content = week_ics(laid.week(), feed.workshop.name, laid.people)
    response = HttpResponse(content, content_type="text/calendar; charset=utf-8")
    response["Cache-Control"] = "private, no-store"
    return response
