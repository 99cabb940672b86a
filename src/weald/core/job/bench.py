"""How a book is worked on at the bench, as a job says it."""

from typing import Literal

from weald.core.adhesives import (
    BoardGlue,
    CaseGlue,
    LiningGlue,
    PasteDownGlue,
    Season,
    SpineGlue,
    TippingGlue,
)
from weald.core.job.entries import Entries


class Glue(Entries):
    """What each joint is glued with; the usual one where nothing is said."""

    spine: SpineGlue | None = None
    mull: SpineGlue | None = None
    linings: LiningGlue | None = None
    tipping: TippingGlue | None = None
    boards: BoardGlue | None = None
    case: CaseGlue | None = None
    paste_down: PasteDownGlue | None = None


class Bench(Entries):
    """How the book is worked on at the bench.

    :param season: what times of drying follow.
    :param pressed: folded sections in the nipping press, or overnight under weight.
    :param trimmed: before the spine is glued up, or after.
    :param opened: whether the cased book is opened a crack once after the nip, or not before it is dry.
    :param trial: a full-size trial first, of what cannot be replaced.
    """

    season: Season = "usual"
    pressed: Literal["nipped", "under_weight"] = "nipped"
    trimmed: Literal["after", "before"] = "after"
    opened: Literal["not", "once"] = "not"
    trial: bool = False
    glue: Glue = Glue()
