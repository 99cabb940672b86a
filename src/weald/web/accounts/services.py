"""What is done with people and workshops, each in one transaction."""

from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.db import transaction

from weald.web.accounts.models import Membership, Preferences, Workshop


@transaction.atomic
def add_person(name: str, password: str, workshop_name: str, *, check: bool = True) -> User:
    """Add a person to a workshop, opening the workshop if it is new.

    :raises django.core.exceptions.ValidationError: when the password is too weak.
    """
    user = User(username=name)
    if check:
        validate_password(password, user)
    user.set_password(password)
    user.save()
    workshop, _ = Workshop.objects.get_or_create(name=workshop_name)
    Membership.objects.create(user=user, workshop=workshop)
    Preferences.objects.create(user=user)
    return user


def preferences_of(user: User) -> Preferences:
    """A person's preferences, made on first use."""
    try:
        return user.preferences
    except Preferences.DoesNotExist:
        return Preferences.objects.get_or_create(user=user)[0]
