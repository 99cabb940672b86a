"""A structure in words, with what it lets one choose, for whoever shows it."""

from dataclasses import dataclass

from weald.core.bindings.protocol import Structure
from weald.core.job.binding import StructureName
from weald.core.job.options import BACK_WORDS, COVERING_WORDS, METHOD_WORDS, SHOULDER_WORDS, Option
from weald.core.job.spec import JobSpec


@dataclass(frozen=True, slots=True)
class StructureFacts:
    """What a binding is called, and what it asks for.

    :param words: title and covering, as they stand under a job's title.
    :param entries: paths of what it asks for; one that ends in a group stands for all in it.
    """

    name: StructureName
    title: str
    words: str
    entries: tuple[str, ...]
    methods: tuple[Option, ...]
    backs: tuple[Option, ...]
    shoulders: tuple[Option, ...]
    coverings: tuple[Option, ...]
    boards: bool
    endpapers: bool


def facts_of(structure: Structure, spec: JobSpec) -> StructureFacts:
    """A structure as one job uses it."""
    covering = COVERING_WORDS[structure.covering(spec)]
    material = spec.binding.material
    words = structure.title
    if structure.boards:
        words += f", {covering} {material}" if covering == "full" else f", {covering}, {material}"
    return StructureFacts(
        name=structure.name,
        title=structure.title,
        words=words,
        entries=structure.entries,
        methods=tuple(Option(each, METHOD_WORDS[each]) for each in structure.methods),
        backs=tuple(Option(each, BACK_WORDS[each]) for each in structure.backs),
        shoulders=tuple(Option(each, SHOULDER_WORDS[each]) for each in structure.shoulders),
        coverings=tuple(Option(each, COVERING_WORDS[each]) for each in structure.coverings),
        boards=structure.boards,
        endpapers=structure.endpapers,
    )
