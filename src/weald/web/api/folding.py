"""Folds and make-ups compared, the film of the folding, the dummy: all without storing anything."""

from django.http import HttpRequest
from ninja import Body, Query, Router
from pydantic.dataclasses import dataclass

from weald.core.job.spec import read_spec
from weald.core.planning.choices import FoldChoice, MakeUpChoice, fold_choices, make_up_choices
from weald.core.press.dummy import Film, Opening, fold_film, openings, true_spreads
from weald.core.press.press import press
from weald.web.api.people import notation_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.api.typed import JobInput

router = Router(tags=["folding"])


@dataclass(frozen=True, slots=True)
class Dummy:
    """One signature of the folded dummy, and the true spreads of the whole book."""

    section: int
    sections: int
    openings: tuple[Opening, ...]
    true_spreads: tuple[tuple[int, int], ...]


@router.post(
    "/folds", response={200: list[FoldChoice], 422: Problem}, operation_id="compareFolds", throttle=HEAVY
)
def compare_folds(request: HttpRequest, job: JobInput = Body(...)) -> tuple[FoldChoice, ...]:
    """Every way to fold a job's text."""
    notation = notation_of(request)
    return fold_choices(read_spec(job, notation), notation)


@router.post(
    "/make-ups",
    response={200: list[MakeUpChoice], 422: Problem},
    operation_id="compareMakeUps",
    throttle=HEAVY,
)
def compare_make_ups(request: HttpRequest, job: JobInput = Body(...)) -> tuple[MakeUpChoice, ...]:
    """Ways to make a job's text up into signatures, best first."""
    notation = notation_of(request)
    return make_up_choices(read_spec(job, notation), notation)


@router.post("/film", response={200: Film, 422: Problem}, operation_id="foldFilm")
def film(
    request: HttpRequest,
    job: JobInput = Body(...),
    section: int = Query(1, ge=1),
    sheet: int = Query(1, ge=1),
) -> Film:
    """One sheet of a job folded step by step."""
    notation = notation_of(request)
    return fold_film(press(read_spec(job, notation), notation), section, sheet)


@router.post("/dummy", response={200: Dummy, 422: Problem}, operation_id="openDummy")
def dummy(request: HttpRequest, job: JobInput = Body(...), section: int = Query(1, ge=1)) -> Dummy:
    """One signature of the folded dummy, to page through."""
    notation = notation_of(request)
    ready = press(read_spec(job, notation), notation)
    section = min(section, len(ready.sections))
    return Dummy(section, len(ready.sections), openings(ready, section), true_spreads(ready))
