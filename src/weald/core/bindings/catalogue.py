"""Every structure there is, from the simplest to the longest lasting."""

from collections.abc import Mapping

from weald.core.bindings import (
    coverless_tapes,
    flat_case,
    laced_boards,
    laced_card_case,
    lapped_cords,
    link_stitch,
    long_stitch,
    pamphlet_case,
    printed_case,
    rebound_paperback,
    rounded_case,
    saddle_stitch,
    single_leaves,
    split_boards,
    stab_sewn,
    strip_case,
    wrapper,
)
from weald.core.bindings.protocol import Structure
from weald.core.job.binding import StructureName
from weald.core.job.spec import JobSpec

_MODULES = (
    saddle_stitch,
    pamphlet_case,
    wrapper,
    coverless_tapes,
    laced_card_case,
    stab_sewn,
    long_stitch,
    link_stitch,
    flat_case,
    strip_case,
    printed_case,
    rounded_case,
    split_boards,
    lapped_cords,
    laced_boards,
    single_leaves,
    rebound_paperback,
)
STRUCTURES: Mapping[StructureName, Structure] = {
    module.STRUCTURE.name: module.STRUCTURE for module in _MODULES
}


def structure_of(spec: JobSpec) -> Structure:
    """The structure a job is bound in."""
    return STRUCTURES[spec.binding.structure]


def title_of(name: str) -> str:
    """What a structure is called; its name, where there is no such structure any more."""
    return next((each.title for each in STRUCTURES.values() if each.name == name), name)
