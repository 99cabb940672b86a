"""How a book is worked on at the bench, as a job says it."""

from typing import Annotated, Literal

from pydantic import Field, field_validator

from weald.core.adhesives import (
    BoardGlue,
    CaseGlue,
    LiningGlue,
    PasteDownGlue,
    Season,
    SpineGlue,
    TippingGlue,
)
from weald.core.job.entries import Entries, OneLine


class Glue(Entries):
    """What each joint is glued with; the usual one where nothing is said."""

    spine: SpineGlue | None = None
    mull: SpineGlue | None = None
    linings: LiningGlue | None = None
    tipping: TippingGlue | None = None
    boards: BoardGlue | None = None
    case: CaseGlue | None = None
    paste_down: PasteDownGlue | None = None

    @field_validator("*", mode="before")
    @classmethod
    def _undecided(cls, value: object) -> object:
        """An emptied field leaves it to what is usual."""
        return None if value == "" else value


OperationId = Annotated[str, Field(max_length=40, pattern=r"^[a-z][a-z0-9_]*$")]
Minutes = Annotated[float, Field(ge=0, le=43_200)]
"""At most thirty days."""


class Times(Entries):
    """How long an operation takes here, where it is not as long as usual.

    :param fixed: minutes once; ``rate``: minutes for each of what the operation is counted by.
    :param wait: minutes of the wait after it.
    """

    fixed: Minutes | None = None
    rate: Minutes | None = None
    wait: Minutes | None = None


class OwnOperation(Entries):
    """An operation of the binder's own.

    :param after: the operation it follows; at the end, where this book has no such.
    :param wait: minutes nothing may go on after it.
    """

    id: Annotated[str, Field(max_length=40, pattern=r"^own_[a-z0-9]+$")]
    title: Annotated[str, Field(min_length=1, max_length=120), OneLine]
    why: Annotated[str, Field(max_length=600)] = ""
    after: OperationId = "stock_out"
    minutes: Minutes = 10.0
    wait: Minutes = 0.0


class Bench(Entries):
    """How the book is worked on at the bench.

    :param season: what times of drying follow.
    :param pressed: folded sections in the nipping press, or overnight under weight.
    :param trimmed: before the spine is glued up, or after.
    :param opened: whether the cased book is opened a crack once after the nip, or not before it is dry.
    :param trial: a full-size trial first, of what cannot be replaced.
    :param times: of operations that take other than the usual time, by the operation.
    :param own: operations of the binder's own; ``left_out``: what this book does without, with the reason.
    """

    season: Season = "usual"
    pressed: Literal["nipped", "under_weight"] = "nipped"
    trimmed: Literal["after", "before"] = "after"
    opened: Literal["not", "once"] = "not"
    trial: bool = False
    glue: Glue = Glue()
    times: Annotated[dict[OperationId, Times], Field(max_length=100)] = {}
    own: Annotated[tuple[OwnOperation, ...], Field(max_length=40)] = ()
    left_out: Annotated[
        dict[OperationId, Annotated[str, Field(min_length=1, max_length=200), OneLine]], Field(max_length=60)
    ] = {}
