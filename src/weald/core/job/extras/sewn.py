"""Sewing beyond the even: places each of its own, and threads that do more than hold."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.block import MOST_SUPPORTS
from weald.core.job.entries import Allowance, Entries, Length, Size
from weald.core.job.entry import Entry


class SupportPlace(Entries):
    """One support where it was measured.

    :param place: of its middle, from where all are measured. ``back``: on the back cover, where that differs.
    :param width: across it; as the others where not given.
    :param stitch: how long the stitch over it is, where longer than it is wide.
    """

    place: Annotated[Size, Field(title="Middle")] = 40.0
    back: Annotated[Size | None, Field(title="On the back")] = None
    width: Annotated[Length | None, Field(gt=0, le=60, title="Wide")] = None
    stitch: Annotated[Length | None, Field(gt=0, le=120, title="Stitch")] = None


class SewingPlaces(Entries):
    """Supports and kettles each at their own place, as measured from an old book or from a card.

    :param measured_from: the edge all places are measured from; ``edge`` how far the trimmed edge lies
        inside of it, as on leaves that are trimmed later.
    :param reach_back: how far supports reach on the back, where their ends are not as long as on the front.
    """

    measured_from: Annotated[
        Literal["head", "tail"],
        Field(title="Measured from"),
        Entry(options={"head": "the head", "tail": "the tail"}),
    ] = "head"
    edge: Annotated[Allowance, Field(title="Still to be trimmed there")] = 0.0
    kettle_head: Annotated[Size | None, Field(title="Kettle at the head")] = None
    kettle_tail: Annotated[Size | None, Field(title="Kettle at the tail")] = None
    reach_back: Annotated[Length | None, Field(ge=5, le=200, title="Reach on the back")] = None
    supports: Annotated[tuple[SupportPlace, ...], Field(max_length=MOST_SUPPORTS, title="Supports")] = ()


class Stitching(Entries):
    """How the thread goes, besides all along.

    :param over: plain over the supports; linked to the stitch below; or caught round the stitches below
        every so many sections.
    :param on: how many sections a course of thread holds; ``plain_ends`` sections at either end are sewn
        all along all the same.
    """

    over: Annotated[
        Literal["plain", "linked", "caught"],
        Field(title="Over the supports"),
        Entry(
            options={
                "linked": "linked to the stitch below",
                "caught": "caught round those below",
                "plain": "plain",
            }
        ),
    ] = "linked"
    caught_every: Annotated[int, Field(ge=2, le=6, title="Caught every so many")] = 3
    on: Annotated[
        Literal[1, 2, 3],
        Field(title="Sections a course"),
        Entry(options={"1": "one, all along", "2": "two on", "3": "three on"}),
    ] = 1
    plain_ends: Annotated[int, Field(ge=2, le=20, title="All along at either end")] = 2
