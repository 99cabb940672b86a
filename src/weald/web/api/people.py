"""Who is asking, and how they read lengths."""

from typing import cast

from django.contrib.auth import update_session_auth_hash
from django.contrib.auth.models import User
from django.http import HttpRequest
from ninja import Router, Status
from ninja.errors import AuthorizationError

from weald.core.errors import SpecError
from weald.core.notation import Notation
from weald.web.accounts.models import Membership, Workshop
from weald.web.accounts.services import (
    WeakPasswordError,
    WrongPasswordError,
    change_password,
    house_of,
    notation_for,
    preferences_of,
)
from weald.web.api.rates import PASSWORDS
from weald.web.api.schemas import (
    PaperName,
    PasswordChange,
    Person,
    PreferencesChange,
    Problem,
    Role,
    ThemeName,
)

router = Router(tags=["people"])


def person(request: HttpRequest) -> User:
    """The person who is signed in."""
    if not isinstance(request.user, User):
        raise AuthorizationError
    return request.user


def workshop_of(request: HttpRequest) -> Workshop:
    """The workshop of the person who is asking.

    :raises AuthorizationError: when they belong to none.
    """
    try:
        return person(request).membership.workshop
    except Membership.DoesNotExist:
        raise AuthorizationError from None


def notation_of(request: HttpRequest) -> Notation:
    """How the person who is asking reads what Weald says."""
    return notation_for(person(request), workshop_of(request))


def _reply(request: HttpRequest) -> Person:
    user, preferences = person(request), preferences_of(person(request))
    return Person(
        name=user.get_username(),
        workshop=workshop_of(request).name,
        role=cast(Role, user.membership.role),
        units=preferences.notation.units,
        mm_division=preferences.mm_division,
        inch_division=preferences.inch_division,
        paper=cast(PaperName, preferences.paper),
        theme=cast(ThemeName, preferences.theme),
        rooms=preferences.rooms,
        vocabulary=house_of(workshop_of(request)).vocabulary,
    )


@router.get("/me", response=Person, operation_id="me")
def me(request: HttpRequest) -> Person:
    """Who is signed in."""
    return _reply(request)


@router.post(
    "/me/password", response={204: None, 422: Problem}, operation_id="changePassword", throttle=PASSWORDS
)
def write_password(request: HttpRequest, change: PasswordChange) -> Status:
    """Take another password, or the same anew; everywhere else one is signed out by it."""
    user = person(request)
    try:
        change_password(user, change.old, change.new)
    except WrongPasswordError as error:
        raise SpecError({"old": str(error)}) from None
    except WeakPasswordError as error:
        raise SpecError({"new": str(error)}) from None
    update_session_auth_hash(request, user)
    return Status(204, None)


@router.patch("/me", response=Person, operation_id="changePreferences")
def change_preferences(request: HttpRequest, change: PreferencesChange) -> Person:
    """Change how lengths are read and sheets printed."""
    preferences = preferences_of(person(request))
    for name, value in change.model_dump(exclude_none=True).items():
        setattr(preferences, name, value)
    preferences.save()
    return _reply(request)
