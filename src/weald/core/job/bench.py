"""How a book is worked on at the bench, as a job says it."""

from typing import Annotated, Literal

from pydantic import Field, field_validator

from weald.core.adhesives import (
    ADHESIVES,
    JOINT_WORDS,
    SEASONS,
    SUITED,
    BoardGlue,
    CaseGlue,
    Joint,
    LiningGlue,
    PasteDownGlue,
    Season,
    SpineGlue,
    TippingGlue,
)
from weald.core.job.asking import Asking
from weald.core.job.entries import Entries, OneLine
from weald.core.job.entry import Entry
from weald.core.job.lying import ALL_FACTS, LYING, Fact, Lies
from weald.core.materials import COVERS, MATERIALS


def _glued(joint: Joint) -> Entry:
    """The record of what a joint is glued with."""
    suited = {name: ADHESIVES[name].title for name in SUITED[joint]}
    return Entry("glue", JOINT_WORDS[joint], options={"": "the usual one", **suited}, rule="Glues")


class Glue(Entries):
    """What each joint is glued with; the usual one where nothing is said."""

    spine: Annotated[SpineGlue | None, Field(title="Spine glued with"), _glued("spine")] = None
    mull: Annotated[SpineGlue | None, Field(title="Mull glued with"), _glued("mull")] = None
    linings: Annotated[LiningGlue | None, Field(title="Linings glued with"), _glued("linings")] = None
    tipping: Annotated[TippingGlue | None, Field(title="Endpapers glued with"), _glued("tipping")] = None
    boards: Annotated[BoardGlue | None, Field(title="Board to board glued with"), _glued("boards")] = None
    case: Annotated[CaseGlue | None, Field(title="Covering glued with"), _glued("case")] = None
    paste_down: Annotated[
        PasteDownGlue | None, Field(title="Paste-downs glued with"), _glued("paste_down")
    ] = None

    @field_validator("*", mode="before")
    @classmethod
    def _undecided(cls, value: object) -> object:
        """An emptied field leaves it to what is usual."""
        return None if value == "" else value


def _in_leather(asking: Asking) -> bool:
    return asking.boards and MATERIALS[COVERS[asking.spec.binding.material].cut_from].soaked


Work = Literal["sheets", "sewing", "block", "boards", "covering", "casing", "lettering"]
"""Kinds of work that a person does or does not do, and that have a rate."""
WORKS: dict[Work, str] = {
    "sheets": "printing, folding, collating",
    "sewing": "sewing, lacing, end bands",
    "block": "gluing up, backing, trimming",
    "boards": "cutting boards and covers",
    "covering": "paring, making cases, covering",
    "casing": "casing in and drying",
    "lettering": "lettering",
}
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
    :param before: the operation it has to be done before; none where it may come at any time.
    :param wait: minutes nothing may go on after it.
    :param people: so many at once. ``work``: which kind it is; none where anybody does it, at the usual rate.
    """

    id: Annotated[str, Field(max_length=40, pattern=r"^own_[a-z0-9]+$")]
    title: Annotated[str, Field(min_length=1, max_length=120), OneLine]
    why: Annotated[str, Field(max_length=600)] = ""
    after: OperationId = "stock_out"
    before: OperationId | None = None
    minutes: Minutes = 10.0
    wait: Minutes = 0.0
    people: Annotated[int, Field(ge=1, le=5)] = 1
    work: Annotated[Work | None, Entry(options={"": "anybody’s", **WORKS})] = None


class Bench(Entries):
    """How the book is worked on at the bench.

    :param season: what times of drying follow.
    :param pressed: folded sections in the nipping press, or overnight under weight.
    :param trimmed: before the spine is glued up, or after.
    :param paste_downs: how those of boards fixed to the block dry.
    :param lies: what lies on the bench when work begins; none for what its binding begins with.
    :param facts: what is so besides, or is not, said by hand.
    :param pressing: how a cased book is pressed, before it dries shut.
    :param opened: whether the cased book is opened a crack once after the nip, or not before it is dry.
    :param seated: how the block is held in its case while the paste-downs are laid.
    :param placed: which part of a printed cover is laid on first.
    :param trial: trial of the case first; of endpapers, leather and lettering by their own.
    :param times: of operations that take other than the usual time, by the operation.
    :param own: operations of the binder's own; ``left_out``: what this book does without, with the reason.
    """

    lies: Annotated[
        Lies | None,
        Field(title="On the bench"),
        Entry(
            "lying",
            "It begins with",
            options={"": "what its binding begins with"} | {name: each.title for name, each in LYING.items()},
        ),
    ] = None
    facts: Annotated[dict[Fact, bool], Field(max_length=len(ALL_FACTS), title="So already")] = {}
    pressed: Annotated[
        Literal["nipped", "under_weight"],
        Field(title="{Signatures} pressed"),
        Entry(
            "schools",
            options={"nipped": "in the nipping press", "under_weight": "overnight, under weight"},
            rule="At the bench",
        ),
    ] = "nipped"
    trimmed: Annotated[
        Literal["after", "before", "thrown_out"],
        Field(title="Trimmed"),
        Entry(
            "schools",
            options={
                "after": "after gluing up; fore-edge before a round",
                "before": "before gluing up",
                "thrown_out": "after rounding, the round thrown out flat",
            },
            rule="At the bench",
        ),
    ] = "after"
    paste_downs: Annotated[
        Literal["shut", "open"],
        Field(title="Paste-downs of boards on the block"),
        Entry(
            "schools",
            options={"shut": "shut, under weight", "open": "standing open until dry"},
            asked=lambda asking: asking.in_shoulders,
            rule="At the bench",
        ),
    ] = "shut"
    pressing: Annotated[
        Literal["nip", "hour", "weight", "rods", "bricks"],
        Field(title="Cased book pressed"),
        Entry(
            "schools",
            options={
                "nip": "a hard nip, then under weight",
                "hour": "an hour in the press, then under weight",
                "weight": "under weight alone",
                "rods": "rods in the joints, packing behind them, under weight",
                "bricks": "without a press: two minutes of a body’s weight, then bricks",
            },
            asked=lambda asking: asking.boards and asking.endpapers and not asking.in_shoulders,
            rule="At the bench",
        ),
    ] = "nip"
    opened: Annotated[
        Literal["not", "once"],
        Field(title="Cased book opened"),
        Entry(
            "schools",
            options={"not": "not before it is dry", "once": "a crack, once after the nip"},
            rule="At the bench",
        ),
    ] = "not"
    seated: Annotated[
        Literal["pushed", "touched"],
        Field(title="Block seated in its case"),
        Entry(
            "schools",
            options={
                "pushed": "pushed home against the spine",
                "touched": "held by a touch of glue on the spine’s edges",
            },
            asked=lambda asking: asking.boards and asking.endpapers and not asking.in_shoulders,
            rule="At the bench",
        ),
    ] = "pushed"
    placed: Annotated[
        Literal["spine", "front"],
        Field(title="Cover placed"),
        Entry(
            "schools",
            options={
                "spine": "spine first, then front and back",
                "front": "front first, then spine and back",
            },
            asked=lambda asking: asking.printed,
            rule="At the bench",
        ),
    ] = "spine"
    season: Annotated[
        Season, Field(title="Season"), Entry("schools", options=SEASONS, rule="At the bench")
    ] = "usual"
    trial: Annotated[bool, Field(title="Trial first"), Entry("own_steps", "trial of the case first")] = False
    trial_endpapers: Annotated[
        bool,
        Field(title="Trial of the endpapers"),
        Entry("own_steps", "trial of the endpapers first", asked=lambda asking: asking.endpapers),
    ] = False
    trial_leather: Annotated[
        bool,
        Field(title="Trial of the leather"),
        Entry("own_steps", "trial of the leather first", asked=_in_leather),
    ] = False
    trial_lettering: Annotated[
        bool,
        Field(title="Trial of the lettering"),
        Entry("own_steps", "trial of the lettering first", asked=lambda asking: asking.lettered),
    ] = False

    @field_validator("lies", mode="before")
    @classmethod
    def _undecided(cls, value: object) -> object:
        """An emptied field leaves it to the binding."""
        return None if value == "" else value

    glue: Glue = Glue()
    times: Annotated[dict[OperationId, Times], Field(max_length=100, title="Times at the bench")] = {}
    own: Annotated[tuple[OwnOperation, ...], Field(max_length=40, title="Operations of one’s own")] = ()
    left_out: Annotated[
        dict[OperationId, Annotated[str, Field(min_length=1, max_length=200), OneLine]],
        Field(max_length=60, title="Operations left out"),
    ] = {}
