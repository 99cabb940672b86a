"""What is measured and owned for the back of a book: bands, hammers, limits from stage to stage."""

from typing import Annotated

from pydantic import Field

from weald.core.job.entries import Entries, Length, Name, Size


class BandMeasured(Entries):
    """A band where it stands: its middle, from the head of the boards."""

    place: Annotated[Size, Field(title="Middle, from the head")] = 40.0
    width: Annotated[Length, Field(gt=0, le=30, title="Wide")] = 4.0


class BandsMeasured(Entries):
    """Bands where an old binding, or a pattern, has them.

    :param high: how far they stand out; raised cords as much as they are thick, where not given.
    """

    high: Annotated[Length | None, Field(ge=0, le=20, title="They stand out")] = None
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


class ConcertinaGuard(Entries):
    """A strip folded in zig-zag along the spine, a section sewn into every fold: no glue reaches a leaf.

    :param deep: how deep a fold is; ``ends`` what lies flat on the first and the last section.
    """

    deep: Annotated[Length, Field(ge=3, le=60, title="Folds, deep")] = 12.0
    ends: Annotated[Length, Field(ge=0, le=80, title="Flat at either end")] = 15.0
    thickness: Annotated[Length, Field(gt=0, le=1, title="Its paper, thick")] = 0.12


class PulledDown(Entries):
    """An old book taken apart to its sections, to be sewn anew.

    :param mended: folds mended with a guard round them, in the whole book.
    :param thickness: of the mending paper; at the spine a guard is two plies.
    """

    mended: Annotated[int, Field(ge=0, le=5000, title="Folds mended")] = 12
    thickness: Annotated[Length, Field(gt=0, le=0.5, title="Mending paper, thick")] = 0.04
    width: Annotated[Length, Field(ge=4, le=60, title="Guards, wide")] = 12.0
