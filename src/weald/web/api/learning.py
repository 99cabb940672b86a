"""What finished books teach, over HTTP."""

from django.http import HttpRequest
from ninja import Router, Schema

from weald.core.planning.learning import Experience
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.office import learning

router = Router(tags=["office"])


class LearningReply(Schema):
    """What the newest finished books teach."""

    found: list[Experience]


class Taking(Schema):
    """The experience that is to become a rule."""

    id: str


@router.get("/learning", response=LearningReply, operation_id="openLearning", throttle=HEAVY)
def open_learning(request: HttpRequest) -> LearningReply:
    """What finished books teach, each figure with how many stand behind it and its spread."""
    return LearningReply(found=list(learning.experience_of(workshop_of(request), notation_of(request))))


@router.post(
    "/learning/take",
    response={200: LearningReply, 409: Problem, 422: Problem},
    operation_id="takeExperience",
    throttle=HEAVY,
)
def take_experience(request: HttpRequest, taking: Taking) -> LearningReply:
    """Make an experience a rule of the house, by hand."""
    workshop, notation = workshop_of(request), notation_of(request)
    learning.take(workshop, person(request), taking.id, notation)
    return LearningReply(found=list(learning.experience_of(workshop, notation)))
