"""Who may ask what: whoever is signed in looks at all of their workshop; a reader changes none of it."""

from typing import Any

from django.http import HttpRequest
from ninja.security import SessionAuth

from weald.core.errors import WealdError
from weald.web.accounts.models import Membership

CHANGES_NOTHING = frozenset(
    f"/api/{path}"
    for path in (
        "compare",
        "convert",
        "dummy",
        "film",
        "folds",
        "length",
        "make-ups",
        "me",
        "me/password",
        "offered-up",
        "plan",
        "readings",
        "remedies",
        "sewing",
        "shelf/words",
        "stock-for",
        "structures",
        "ways",
    )
)
"""What is asked with a body but changes nothing of the workshop."""


class ReaderError(WealdError):
    """A reader asked for a change."""


class SignedIn(SessionAuth):
    """Somebody with a session; by a reader, only what changes nothing."""

    def authenticate(self, request: HttpRequest, key: str | None) -> Any:
        """Who asks, or nobody.

        :raises ReaderError: when a reader asks for a change.
        """
        user = super().authenticate(request, key)
        if (
            user is not None
            and request.method not in ("GET", "HEAD")
            and request.path_info not in CHANGES_NOTHING
            and user.membership.role == Membership.Role.READER
        ):
            raise ReaderError(
                "You may look at everything here and change nothing. Ask an owner to be a binder."
            )
        return user
