"""What a binding makes of a job, for entries to say whether they are asked for."""

from weald.core.bindings.protocol import Structure
from weald.core.folding.packet import fold_packet
from weald.core.job.asking import Asking
from weald.core.job.spec import JobSpec


def asking_of(structure: Structure, spec: JobSpec) -> Asking:
    """A job as its binding asks for it.

    :raises weald.core.errors.FoldError: when its sheets cannot be folded.
    """
    return Asking(
        spec=spec,
        entries=structure.entries,
        method=structure.treatment(spec).method,
        covering=structure.covering(spec),
        methods=structure.methods,
        backs=structure.backs,
        shoulders=structure.shoulders,
        coverings=structure.coverings,
        folded_to_sew=fold_packet(spec.folding.programme).sewn,
        boards=structure.boards,
        in_shoulders=structure.in_shoulders,
        endpapers=structure.endpapers,
        lined=structure.lined,
        lettered=structure.lettered and spec.finish_on_spine,
        printed=structure.shows_print(spec),
    )
