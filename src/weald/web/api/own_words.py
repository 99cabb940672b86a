"""Answers in the workshop's own word for a folded section."""

from collections.abc import Callable
from functools import wraps
from typing import Any

from django.http import HttpRequest, HttpResponse

from weald.core.planning.house import spoken
from weald.web.accounts.services import house_of
from weald.web.api.people import workshop_of

View = Callable[..., HttpResponse]


def in_own_words(view: View) -> View:
    """For what the core says of a draft; not for what is stored, whose words are the binder's."""

    @wraps(view)
    def speaking(request: HttpRequest, *args: Any, **kwargs: Any) -> HttpResponse:
        answer = view(request, *args, **kwargs)
        if answer.status_code in (200, 422):
            words = spoken(answer.content.decode(), house_of(workshop_of(request)).vocabulary)
            answer.content = words.encode()
        return answer

    return speaking
