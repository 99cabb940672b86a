"""The practice room: exercises by their level and seed, and how an answer turns out. Nothing is stored."""

from typing import Annotated

from django.http import HttpRequest
from ninja import Query, Router, Schema
from pydantic import Field

from weald.core.practice.sheets import (
    FoldToFind,
    SheetToNumber,
    Verdict,
    fold_to_find,
    judge_fold,
    judge_numbers,
    levels,
    sheet_to_number,
)
from weald.web.api.schemas import Problem

router = Router(tags=["practice"])
_MOST_CELLS = 64
Seed = Annotated[int, Field(ge=0, le=1_000_000)]
Level = Annotated[int, Field(ge=1, le=20)]
Side = Annotated[
    list[Annotated[int, Field(ge=0, le=10_000)] | None], Field(min_length=1, max_length=_MOST_CELLS)
]


class Levels(Schema):
    """How many levels each kind of exercise has."""

    number: int
    find: int


class NumberedSheet(Schema):
    """A sheet as it was numbered; each side row by row."""

    level: Level
    seed: Seed
    outer: Side
    inner: Side


class ChosenFold(Schema):
    """The fold that was chosen."""

    level: Level
    seed: Seed
    chosen: Annotated[str, Field(max_length=120)]


@router.get("/practice", response=Levels, operation_id="practiceLevels")
def every_level(request: HttpRequest) -> Levels:
    """What there is to practise."""
    return Levels(number=levels("number"), find=levels("find"))


@router.get("/practice/number", response={200: SheetToNumber, 422: Problem}, operation_id="sheetToNumber")
def to_number(request: HttpRequest, level: Level = Query(1), seed: Seed = Query(0)) -> SheetToNumber:
    """A blank sheet to be numbered."""
    return sheet_to_number(level, seed)


@router.post("/practice/number", response={200: Verdict, 422: Problem}, operation_id="judgeNumbers")
def numbered(request: HttpRequest, sheet: NumberedSheet) -> Verdict:
    """Fold a sheet as it was numbered."""
    return judge_numbers(sheet.level, sheet.seed, sheet.outer, sheet.inner)


@router.get("/practice/find", response={200: FoldToFind, 422: Problem}, operation_id="foldToFind")
def to_find(request: HttpRequest, level: Level = Query(1), seed: Seed = Query(0)) -> FoldToFind:
    """A numbered sheet whose fold is to be found."""
    return fold_to_find(level, seed)


@router.post("/practice/find", response={200: Verdict, 422: Problem}, operation_id="judgeFold")
def found(request: HttpRequest, fold: ChosenFold) -> Verdict:
    """Fold the sheet as it was chosen."""
    return judge_fold(fold.level, fold.seed, fold.chosen)
