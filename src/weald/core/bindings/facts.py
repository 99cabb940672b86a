"""A structure in words, for whoever shows it."""

from dataclasses import dataclass

from weald.core.bindings.protocol import Structure
from weald.core.job.binding import COVERING_WORDS, StructureName
from weald.core.job.spec import JobSpec


@dataclass(frozen=True, slots=True)
class StructureFacts:
    """What a binding is called.

    :param words: title and covering, as they stand under a job's title.
    """

    name: StructureName
    title: str
    words: str


def facts_of(structure: Structure, spec: JobSpec) -> StructureFacts:
    """A structure as one job uses it."""
    covering = COVERING_WORDS[structure.covering(spec)]
    material = spec.binding.material
    words = structure.title
    if structure.boards:
        words += f", {covering} {material}" if covering == "full" else f", {covering}, {material}"
    return StructureFacts(structure.name, structure.title, words)
