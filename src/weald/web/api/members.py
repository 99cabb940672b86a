"""The people of a workshop over HTTP: who they are, and links that let somebody in."""

from typing import Literal, cast

from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from django.urls import reverse
from ninja import Router, Schema, Status

from weald.web.accounts import people
from weald.web.accounts.models import Membership
from weald.web.api.people import person, workshop_of
from weald.web.api.schemas import Problem, Role

router = Router(tags=["people"])
_CHANGE = {204: None, 403: Problem, 404: Problem, 409: Problem}


class Member(Schema):
    """Somebody of the workshop."""

    id: int
    name: str
    role: Role
    you: bool


class RoleChange(Schema):
    """What somebody may do from here on."""

    role: Role


class Link(Schema):
    """A link to be handed to somebody; it lets in once, for so many days, and is shown only now."""

    address: str
    days: int


def _member(request: HttpRequest, member_id: int) -> Membership:
    members = workshop_of(request).memberships.filter(user__is_active=True).select_related("user")
    return get_object_or_404(members, pk=member_id)


def _link(request: HttpRequest, token: str, days: int) -> Status:
    return Status(201, Link(address=request.build_absolute_uri(reverse("come-in", args=[token])), days=days))


@router.get("/members", response=list[Member], operation_id="listMembers")
def list_members(request: HttpRequest) -> list[Member]:
    """Everybody of the workshop, by name."""
    mine = person(request).pk
    return [
        Member(
            id=each.pk,
            name=each.user.get_username(),
            role=cast(Literal["owner", "binder", "reader"], each.role),
            you=each.user_id == mine,
        )
        for each in people.members_of(workshop_of(request))
    ]


@router.post("/members/invite", response={201: Link, 403: Problem}, operation_id="invite")
def invite(request: HttpRequest, change: RoleChange) -> Status:
    """A link for somebody new."""
    token = people.invite(person(request), Membership.Role(change.role))
    return _link(request, token, people.JOIN_DAYS)


@router.post(
    "/members/{int:member_id}/reset", response={201: Link, 403: Problem, 404: Problem}, operation_id="reset"
)
def reset(request: HttpRequest, member_id: int) -> Status:
    """A link for somebody who forgot a password."""
    token = people.offer_reset(person(request), _member(request, member_id))
    return _link(request, token, people.RESET_DAYS)


@router.post("/members/{int:member_id}/role", response=_CHANGE, operation_id="giveRole")
def give_role(request: HttpRequest, member_id: int, change: RoleChange) -> Status:
    """Say what somebody may do from here on."""
    people.give_role(person(request), _member(request, member_id), Membership.Role(change.role))
    return Status(204, None)


@router.delete("/members/{int:member_id}", response=_CHANGE, operation_id="removeMember")
def remove_member(request: HttpRequest, member_id: int) -> Status:
    """Let somebody in no more; what they did stays under their name."""
    people.remove(person(request), _member(request, member_id))
    return Status(204, None)
