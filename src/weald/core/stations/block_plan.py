"""The block as it goes into its cover, and what a structure does to it."""

from dataclasses import dataclass

from weald.core.block.textblock import FLAT_BACK_SWELL_LIMIT
from weald.core.job.block import SewingMethod
from weald.core.units import Mm


@dataclass(frozen=True, slots=True)
class Treatment:
    """What a structure does to the block.

    :param shoulder: degrees the outer sections are bent over; 0 leaves the spine as it is.
    :param method: how it is sewn, which may differ from the entry where that does not suit.
    :param most_swell: part of the thickness an unrounded spine takes up.
    :param endpapers: whether it has any. ``leaf_factor`` is 2 where every leaf is two, back to back.
    """

    rounded: bool
    shoulder: float
    method: SewingMethod
    endpapers: bool = True
    most_swell: float = FLAT_BACK_SWELL_LIMIT
    leaf_factor: int = 1


@dataclass(frozen=True, slots=True)
class BlockPlan:
    """The block as it goes into its cover. ``leaf_mass`` is that of its paper, in grams.

    :param swell: what the thread adds at the spine, which as sewn is ``spine`` thick.
    :param round: part of a circle the spine is rounded to; 0 is flat.
    :param arc: over the spine from shoulder to shoulder, ``chord`` straight across; both are the
        thickness of a flat block.
    :param shoulder: how far the shoulders stand out; ``shoulder_line`` how far from the spine they begin.
    :param joint_width: from shoulder (of a flat block, from the spine) to the fore-edge.
    """

    height: Mm
    width: Mm
    thickness: Mm
    swell: Mm
    spine: Mm
    sections: int
    leaf_mass: float
    round: float
    arc: Mm
    chord: Mm
    rise: Mm
    shoulder: Mm
    shoulder_line: Mm
    shoulder_angle: float
    joint_width: Mm
