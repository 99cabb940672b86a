"""Different small things printed together on one sheet."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Entries, Length, Name, Size
from weald.core.job.entry import Entry


class GangedItem(Entries):
    """One thing of which so many are wanted, all copies together."""

    name: Annotated[Name, Field(title="What")] = "card"
    width: Annotated[Size, Field(title="Wide")] = 85.0
    height: Annotated[Size, Field(title="High")] = 55.0
    count: Annotated[int, Field(ge=1, le=100000, title="How many")] = 20
    grain: Annotated[
        Literal["any", "height", "width"],
        Field(title="Grain"),
        Entry(options={"any": "either way", "height": "along its height", "width": "along its width"}),
    ] = "any"


class GangedSheet(Entries):
    """A sheet with different things on it, printed as often as it takes.

    :param gutter: between them, cut out; ``margin`` at the edges, where the printer does not print.
    :param labels: this job's own paper labels are put on it too; ``endleaves`` and ``covers`` likewise, as
        they are cut.
    """

    items: Annotated[tuple[GangedItem, ...], Field(max_length=24, title="Things")] = ()
    width: Annotated[Size, Field(title="Sheet, wide")] = 450.0
    height: Annotated[Size, Field(title="Sheet, high")] = 320.0
    grain: Annotated[
        Literal["width", "height"],
        Field(title="Grain along its"),
        Entry(options={"width": "width", "height": "height"}),
    ] = "width"
    gutter: Annotated[Length, Field(ge=0, le=60, title="Between them")] = 4.0
    margin: Annotated[Length, Field(ge=0, le=60, title="At the edges")] = 8.0
    spoilage: Annotated[float, Field(ge=0, le=100, title="Spoilage, %")] = 5.0
    labels: Annotated[bool, Field(title="this job's labels too")] = True
    endleaves: Annotated[bool, Field(title="this job's endleaves too")] = False
    covers: Annotated[bool, Field(title="this job's covers of card too")] = False
