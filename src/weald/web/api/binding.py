"""Structures chosen and compared, the sewing step by step, the case offered up: nothing is stored."""

from typing import Annotated

from django.http import HttpRequest
from ninja import Body, Router, Schema
from pydantic import Field

from weald.core.bindings.choosing import StructureChoice, structure_choices
from weald.core.block.film import SewingFilm
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.planning.comparing import Comparison, Way, compare, ways
from weald.core.planning.offering import Board, Found, Offered, offered_up
from weald.core.planning.plan import film_of_sewing
from weald.core.units import parse_length
from weald.web.accounts.services import house_of
from weald.web.api.people import notation_of, workshop_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.api.typed import JobInput

router = Router(tags=["binding"])


@router.post(
    "/structures",
    response={200: list[StructureChoice], 422: Problem},
    operation_id="compareStructures",
    throttle=HEAVY,
)
def compare_structures(request: HttpRequest, job: JobInput = Body(...)) -> list[StructureChoice]:
    """Every way to bind a job's text, the simplest first."""
    notation = notation_of(request)
    return list(structure_choices(read_spec(job, notation), notation))


@router.post("/sewing", response={200: SewingFilm, 422: Problem}, operation_id="sewingFilm")
def sewing(request: HttpRequest, job: JobInput = Body(...)) -> SewingFilm:
    """The sewing of a job's signatures, step by step, as the house's hand sews."""
    notation, hand = notation_of(request), house_of(workshop_of(request)).hand
    return film_of_sewing(read_spec(job, notation), notation, left_handed=hand == "left")


class CompareOrder(Schema):
    """A job, and the ids of the ways to compare; an empty one is the job as it is."""

    job: JobInput
    ways: Annotated[list[str], Field(min_length=1, max_length=3)]


@router.post("/ways", response={200: list[Way], 422: Problem}, operation_id="listWays", throttle=HEAVY)
def list_ways(request: HttpRequest, job: JobInput = Body(...)) -> list[Way]:
    """What a job's binding can be compared with: other structures, other schools."""
    notation = notation_of(request)
    return list(ways(read_spec(job, notation), notation))


@router.post("/compare", response={200: Comparison, 422: Problem}, operation_id="compareWays", throttle=HEAVY)
def compare_ways(request: HttpRequest, order: CompareOrder) -> Comparison:
    """Two or three ways to bind a job, side by side."""
    notation = notation_of(request)
    spec = read_spec(order.job, notation)
    known = {way.id: way for way in ways(spec, notation)}
    if len(set(order.ways)) < len(order.ways):
        raise SpecError({"ways": "These are the same way twice; choose another."})
    missing = [way for way in order.ways if way not in known]
    if missing:
        raise SpecError(
            {"ways": f"There is no way “{missing[0]}” to bind this book; ask for the ways again."}
        )
    return compare(spec, [known[way] for way in order.ways], notation)


class OfferQuestion(Schema):
    """A job, and how much its case was found too large on the real block; less than nothing is too small."""

    job: JobInput
    found: Found
    by: Annotated[str, Field(max_length=100)]
    board: Board = "both"


@router.post(
    "/offered-up", response={200: list[Offered], 422: Problem}, operation_id="offerUp", throttle=HEAVY
)
def offer_up(request: HttpRequest, question: OfferQuestion) -> list[Offered]:
    """How to go on from a case offered up to its block and found not to fit."""
    notation = notation_of(request)
    text = question.by.strip()
    small = text.startswith(("-", "−"))
    by = parse_length(text.lstrip("-− "), notation.bare)
    spec, off = read_spec(question.job, notation), -by if small else by
    return list(offered_up(spec, question.found, off, notation, question.board))
