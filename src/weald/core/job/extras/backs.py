"""What is measured and owned for the back of a book: bands, hammers, limits from stage to stage."""

from typing import Annotated

from pydantic import Field

from weald.core.job.entries import Entries, Length, Name, Size


class BandMeasured(Entries):
    """A band where it stands: its middle, from the head of the boards."""

    place: Annotated[Size, Field(title="Middle, from the head")] = 40.0
    width: Annotated[Length, Field(gt=0, le=30, title="Wide")] = 4.0


class BandsMeasured(Entries):
    """Bands where an old binding, or a pattern, has them."""

    bands: Annotated[tuple[BandMeasured, ...], Field(max_length=12, title="Bands")] = ()


class Hammer(Entries):
    """A hammer by its face."""

    name: Annotated[Name, Field(title="Hammer")] = "backing hammer"
    face: Annotated[Length, Field(gt=0, le=120, title="Face, across")] = 35.0


class BackingSheet(Entries):
    """The sheet that goes with the block to be rounded and backed.

    :param play: a hammer's face needs so much room beside a cord.
    :param within: what is measured after a stage may be off by this part of what was reckoned.
    """

    hammers: Annotated[tuple[Hammer, ...], Field(max_length=20, title="Hammers owned")] = ()
    play: Annotated[Length, Field(ge=0, le=20, title="Room beside a cord")] = 1.0
    within: Annotated[float, Field(ge=0.02, le=0.5, title="Within, part")] = 0.1
