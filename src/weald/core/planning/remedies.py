"""Remedies that were carried out before they are offered.

A remedy is offered where the job with it can be planned, what it is to remedy is gone, and nothing that stops
the work has come instead. A note stays true where what it offers was taken; then it must not offer it again.
"""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import lru_cache

from weald.core.errors import WealdError
from weald.core.findings import Action, Finding, Patch
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.plan import plan
from weald.core.station import Station

_Name = tuple[str, str]


def remedies_at(spec: JobSpec, station: Station, notation: Notation) -> tuple[Finding, ...]:
    """The findings of a station that offer a remedy, each with those that hold."""
    findings = plan(spec, notation, drawn=()).findings
    offering = [each for each in findings if each.station == station and each.actions]
    return tuple(each for each in proven(spec, offering) if each.actions)


def proven(spec: JobSpec, findings: Iterable[Finding]) -> tuple[Finding, ...]:
    """Findings with those of their remedies that were carried out and hold."""
    kept = spec.model_dump_json(exclude_unset=True)
    before = _tried(kept, _Tried({}))
    if before is None:
        return tuple(replace(each, actions=()) for each in findings)
    return tuple(
        replace(each, actions=tuple(action for action in each.actions if _holds(kept, each, action, before)))
        for each in findings
    )


@dataclass(frozen=True, slots=True)
class _Minded:
    """What there is to mind of a job: how often each finding stands, which stop, and what they offer."""

    there: Counter[_Name]
    stops: Counter[_Name]
    offered: Counter[tuple[str, str, str]]


class _Tried:
    """A patch that can be remembered: two are the same that change the same entries to the same values."""

    def __init__(self, patch: Patch) -> None:
        self.patch = patch
        self._words = repr(sorted(patch.items()))

    def __hash__(self) -> int:
        return hash(self._words)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Tried) and other._words == self._words


def _holds(kept: str, each: Finding, action: Action, before: _Minded) -> bool:
    after = _tried(kept, _Tried(action.patch))
    if after is None or after.stops - before.stops:
        return False
    name = (each.code, each.about)
    if after.there[name] < before.there[name]:
        return True
    changes = repr(sorted(action.patch.items()))
    return each.severity == "note" and not after.offered[*name, changes]


@lru_cache(maxsize=512)
def _tried(kept: str, tried: _Tried) -> _Minded | None:
    """What there is to mind once a patch is applied; none where that makes no job."""
    try:
        spec = patched(JobSpec.model_validate_json(kept), tried.patch)
        findings = plan(spec, MILLIMETRES, drawn=()).findings
    except WealdError:
        return None
    return _Minded(
        Counter((each.code, each.about) for each in findings),
        Counter((each.code, each.about) for each in findings if each.severity == "stop"),
        Counter(
            (each.code, each.about, repr(sorted(action.patch.items())))
            for each in findings
            for action in each.actions
        ),
    )
