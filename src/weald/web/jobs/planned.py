"""Plans of jobs as they are stored: what was planned once is not planned again until the job changes."""

from collections.abc import Collection
from functools import lru_cache

from weald.core.book.at_bench import NOTHING_YET, AtBench
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan

_KEPT = 64


@lru_cache(maxsize=_KEPT)
def _plan_of(kept: str, notation: Notation, drawn: tuple[str, ...], at_bench: AtBench) -> Plan:
    return plan(JobSpec.model_validate_json(kept), notation, drawn=drawn, at_bench=at_bench)


def planned(
    spec: JobSpec,
    notation: Notation,
    drawn: Collection[str] = (),
    at_bench: AtBench = NOTHING_YET,
) -> Plan:
    """A job planned for one who reads so; the same job is planned once.

    :param drawn: the stations whose drawings are wanted.
    """
    return _plan_of(spec.model_dump_json(), notation, tuple(drawn), at_bench)
