"""Who belongs to a workshop, and what they may do there: invited, let in, given a new password, removed."""

import hashlib
import secrets
from datetime import timedelta

from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.utils import timezone

from weald.core.errors import WealdError
from weald.web.accounts.models import Invitation, Membership, Workshop
from weald.web.accounts.services import join

JOIN_DAYS, RESET_DAYS = 7, 1


class NotOwnerError(WealdError):
    """Only an owner may do this."""


class LastOwnerError(WealdError):
    """A workshop would be left without an owner."""


class NoLinkError(WealdError):
    """A link that is used, too old, or none."""


class NotTakenError(WealdError):
    """A name or a password that cannot be taken, by field."""

    def __init__(self, fields: dict[str, str]) -> None:
        super().__init__("; ".join(fields.values()))
        self.fields = fields


def members_of(workshop: Workshop) -> list[Membership]:
    """Who may come into a workshop, by name."""
    here = workshop.memberships.filter(user__is_active=True)
    return list(here.select_related("user").order_by("user__username"))


def must_own(user: User) -> Membership:
    """The place of an owner.

    :raises NotOwnerError: when somebody else asks.
    """
    if user.membership.role != Membership.Role.OWNER:
        raise NotOwnerError("Only an owner of the workshop can do this.")
    return user.membership


def _digest(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def invite(owner: User, role: Membership.Role) -> str:
    """What stands in the link for somebody new; it is shown once and kept nowhere."""
    return _link(owner, role, None, JOIN_DAYS)


@transaction.atomic
def offer_reset(owner: User, member: Membership) -> str:
    """The same for somebody who forgot a password. Earlier links for them are worth nothing from here on."""
    Invitation.objects.filter(person=member.user, used=None).update(used=timezone.now())
    return _link(owner, Membership.Role(member.role), member.user, RESET_DAYS)


def _link(owner: User, role: Membership.Role, person: User | None, days: int) -> str:
    token = secrets.token_urlsafe(32)
    Invitation.objects.create(
        digest=_digest(token),
        workshop=must_own(owner).workshop,
        role=role,
        person=person,
        author=owner,
        expires=timezone.now() + timedelta(days=days),
    )
    return token


def find_link(token: str, *, lock: bool = False) -> Invitation:
    """The link with this in it, as long as it lets anybody in.

    :raises NoLinkError: when it does not.
    """
    links = Invitation.objects.select_for_update() if lock else Invitation.objects.select_related("workshop")
    found = links.filter(digest=_digest(token), used=None, expires__gt=timezone.now()).first()
    if found is None or (found.person is not None and not found.person.is_active):
        raise NoLinkError(
            "This link lets nobody in: it was used, or is too old. Ask an owner of the workshop for another."
        )
    return found


@transaction.atomic
def come_in(token: str, name: str, password: str) -> User:
    """Use a link, once: somebody new joins; somebody known has another password, and is signed out elsewhere.

    :param name: of somebody new.
    :raises NoLinkError: when the link lets nobody in.
    :raises NotTakenError: when the name or the password cannot be taken; the link stays good.
    """
    link = find_link(token, lock=True)
    try:
        if link.person is None:
            user = _joined(name, password, link)
        else:
            user = link.person
            validate_password(password, user)
            user.set_password(password)
            user.save(update_fields=["password"])
    except ValidationError as error:
        field = "name" if hasattr(error, "error_dict") else "password"
        raise NotTakenError({field: " ".join(error.messages)}) from None
    link.used = timezone.now()
    link.save(update_fields=["used"])
    return user


def _joined(name: str, password: str, link: Invitation) -> User:
    try:
        if User.objects.filter(username__iexact=name).exists():
            raise IntegrityError
        with transaction.atomic():
            return join(name, password, link.workshop, Membership.Role(link.role))
    except IntegrityError:
        raise NotTakenError({"name": "Somebody is called so already; take another name."}) from None


@transaction.atomic
def give_role(owner: User, member: Membership, role: Membership.Role) -> None:
    """Say what somebody may do from here on.

    :raises LastOwnerError: when nobody would own the workshop.
    """
    _keep_an_owner(owner, member, role == Membership.Role.OWNER)
    member.role = role
    member.save(update_fields=["role"])


@transaction.atomic
def remove(owner: User, member: Membership) -> None:
    """Let somebody in no more. What they did stays, under their name.

    :raises LastOwnerError: when nobody would own the workshop.
    """
    _keep_an_owner(owner, member, False)
    member.user.is_active = False
    member.user.save(update_fields=["is_active"])


def _keep_an_owner(owner: User, member: Membership, stays: bool) -> None:
    workshop = Workshop.objects.select_for_update().get(pk=must_own(owner).workshop_id)
    owners = workshop.memberships.filter(role=Membership.Role.OWNER, user__is_active=True)
    if not stays and not owners.exclude(pk=member.pk).exists():
        raise LastOwnerError("A workshop needs an owner: make somebody else one first.")
