"""Everything that can be added to a structure, by name."""

from collections.abc import Iterator
from typing import Literal

from weald.core.job.entries import Entries
from weald.core.job.extras.backs import BackingSheet, BandsMeasured, ConcertinaGuard, PulledDown
from weald.core.job.extras.covers import Bevels, JoinedByStrip, OldPanels, SkinOutline
from weald.core.job.extras.edges import ThumbCuts
from weald.core.job.extras.elsewhere import Elsewhere
from weald.core.job.extras.enclosures import Box, Jacket, Slipcase
from weald.core.job.extras.formes import OwnSections
from weald.core.job.extras.ganged import GangedSheet
from weald.core.job.extras.leaves import ComposedEnds, FromBoards, Plates, TornSheet, WeighedPaper
from weald.core.job.extras.lettering import Finishing
from weald.core.job.extras.old_books import CopiedBook, Judged
from weald.core.job.extras.pages import ArrangedPages, PageNumbers, SelfCover
from weald.core.job.extras.sewn import SewingPlaces, Stitching

ExtraName = Literal[
    "copied",
    "arranged",
    "formes",
    "numbered",
    "ganged",
    "self_cover",
    "weighed",
    "torn",
    "from_boards",
    "plates",
    "pulled",
    "places",
    "stitching",
    "ends",
    "concertina",
    "backing",
    "thumb",
    "bands",
    "strip",
    "panels",
    "bevels",
    "skin",
    "finishing",
    "jacket",
    "slipcase",
    "box",
    "elsewhere",
    "judged",
]


class Extras(Entries):
    """What is added; nothing where it is not used. What each does stands in :mod:`weald.core.extras`."""

    copied: CopiedBook | None = None
    arranged: ArrangedPages | None = None
    formes: OwnSections | None = None
    numbered: PageNumbers | None = None
    ganged: GangedSheet | None = None
    self_cover: SelfCover | None = None
    weighed: WeighedPaper | None = None
    torn: TornSheet | None = None
    from_boards: FromBoards | None = None
    plates: Plates | None = None
    pulled: PulledDown | None = None
    places: SewingPlaces | None = None
    stitching: Stitching | None = None
    ends: ComposedEnds | None = None
    concertina: ConcertinaGuard | None = None
    backing: BackingSheet | None = None
    thumb: ThumbCuts | None = None
    bands: BandsMeasured | None = None
    strip: JoinedByStrip | None = None
    panels: OldPanels | None = None
    bevels: Bevels | None = None
    skin: SkinOutline | None = None
    finishing: Finishing | None = None
    jacket: Jacket | None = None
    slipcase: Slipcase | None = None
    box: Box | None = None
    elsewhere: Elsewhere | None = None
    judged: Judged | None = None

    def used(self) -> Iterator[ExtraName]:
        """The names of those used, in no order; those never spoken of cost nothing."""
        for name in self.model_fields_set:
            if getattr(self, name) is not None:
                yield name  # type: ignore[misc]  # every field is named in ExtraName
