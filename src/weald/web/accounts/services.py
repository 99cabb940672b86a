"""What is done with people and workshops, each in one transaction."""

import json
from collections.abc import Callable
from dataclasses import replace
from functools import lru_cache
from typing import Literal

from django.conf import settings
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import transaction

from weald.core.errors import WealdError
from weald.core.job.entries import Entries
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.house import House, read_house
from weald.core.schedule.workplace import Workplace, read_workplace, usual_workplace
from weald.web.accounts.keeping import NOT_SETTLED, Settled, Written, merged_with
from weald.web.accounts.models import Membership, Preferences, Workshop


@transaction.atomic
def add_person(
    name: str, password: str, workshop_name: str, *, role: Membership.Role | None = None, check: bool = True
) -> User:
    """Add a person to a workshop, opening the workshop if it is new.

    :param role: unless said, whoever opens a workshop owns it, and whoever comes later binds.
    :raises django.core.exceptions.ValidationError: when the password is too weak.
    """
    workshop, opened = Workshop.objects.get_or_create(name=workshop_name)
    usual = Membership.Role.OWNER if opened else Membership.Role.BINDER
    return join(name, password, workshop, role or usual, check=check)


@transaction.atomic
def join(name: str, password: str, workshop: Workshop, role: Membership.Role, *, check: bool = True) -> User:
    """Add a person to a workshop that is there.

    :raises django.core.exceptions.ValidationError: when the password is too weak, or the name is none.
    """
    user = User(username=name)
    if check:
        user.clean_fields(exclude={"password"})
        validate_password(password, user)
    user.set_password(password)
    user.save()
    Membership.objects.create(user=user, workshop=workshop, role=role)
    Preferences.objects.create(user=user, **_house_preferences(user))
    return user


def preferences_of(user: User) -> Preferences:
    """A person's preferences, made on first use as the house has them."""
    try:
        return user.preferences
    except Preferences.DoesNotExist:
        return Preferences.objects.get_or_create(user=user, defaults=_house_preferences(user))[0]


def _house_preferences(user: User) -> dict[str, object]:
    try:
        house = house_of(user.membership.workshop)
    except Membership.DoesNotExist:
        return {}
    return {
        "paper": house.paper,
        "mm_division": house.mm_division,
        "inch_division": house.inch_division,
    }


def notation_for(user: User | None, workshop: Workshop) -> Notation:
    """How a person of a workshop reads: their own ruler, the workshop's own words.

    :param user: nobody where they have left.
    """
    own = MILLIMETRES if user is None else preferences_of(user).notation
    return replace(own, vocabulary=house_of(workshop).vocabulary)


class WrongPasswordError(WealdError):
    """The password given is not the one that is known."""


class WeakPasswordError(WealdError):
    """A password that is guessed too easily, with why."""


def change_password(user: User, old: str, new: str) -> None:
    """Give a person another password. Everywhere they are signed in ends, but where they asked for it.

    The same password once more is a way to sign out everywhere else.

    :raises WrongPasswordError: when ``old`` is not theirs.
    :raises WeakPasswordError: when ``new`` is guessed too easily.
    """
    if not user.check_password(old):
        raise WrongPasswordError("That is not your password.")
    try:
        validate_password(new, user)
    except ValidationError as error:
        raise WeakPasswordError(" ".join(error.messages)) from None
    user.set_password(new)
    user.save(update_fields=["password"])


def house_of(workshop: Workshop) -> House:
    """The rules of a workshop."""
    return _house(json.dumps(workshop.house))


@lru_cache(maxsize=512)
def _house(kept: str) -> House:
    """Rules that were kept; every request reads them, and they change seldom."""
    return read_house(json.loads(kept))


KeptPart = Literal["house", "workplace", "terms"]


@transaction.atomic
def save_kept(
    workshop: Workshop,
    part: KeptPart,
    version: int,
    author: User,
    mine: Entries,
    standing: Callable[[Workshop], Entries],
    read: Callable[[object], Entries],
    settled: Settled = NOT_SETTLED,
) -> Written:
    """Write one of the things a workshop keeps as a whole, merged with what others wrote meanwhile.

    :param version: the one it was read at. ``standing``: how it stands, of a workshop held for this.
    :raises weald.web.accounts.keeping.MeetingError: where somebody else changed the same entries.
    """
    now = Workshop.objects.select_for_update().get(pk=workshop.pk)
    written = merged_with(
        now,
        part,
        type(mine),
        standing(now).model_dump(mode="json"),
        getattr(now, f"{part}_version"),
        version,
        mine.model_dump(mode="json"),
        author,
        settled,
        read,
    )
    for name, value in ((part, written.data), (f"{part}_version", written.version)):
        setattr(now, name, value)
        setattr(workshop, name, value)
    now.save(update_fields=[part, f"{part}_version"])
    return written


def save_house(
    workshop: Workshop, version: int, author: User, house: House, settled: Settled = NOT_SETTLED
) -> Written:
    """Write the rules of a workshop.

    :param version: the one they were read at.
    :raises weald.web.accounts.keeping.MeetingError: where somebody else changed the same rules.
    """
    return save_kept(workshop, "house", version, author, house, house_of, read_house, settled)


def workplace_of(workshop: Workshop) -> Workplace:
    """The people and places of a workshop; where nobody has said, everybody in the evenings."""
    if workshop.workplace:
        return read_workplace(workshop.workplace)
    names = workshop.memberships.filter(user__is_active=True).exclude(role="reader").order_by("pk")
    return usual_workplace(
        settings.TIME_ZONE, [each.user.get_username() for each in names.select_related("user")]
    )
