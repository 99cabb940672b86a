"""What to mind, and the remedy.

Rules elsewhere in the core name a code and its terms; the words stand in
:mod:`weald.core.finding_words`, so that screen, paper and command line say the same thing.
"""

from dataclasses import dataclass, field

from weald.core.finding_words import CATALOGUE, FindingCode, Severity
from weald.core.notation import Notation
from weald.core.station import Station

Patch = dict[str, object]
"""Changes to a job: dotted path to new value, as ``{"paper.sheet.grain": "height"}``."""


@dataclass(frozen=True, slots=True)
class Action:
    """A remedy that can be applied at a touch."""

    label: str
    patch: Patch


@dataclass(frozen=True, slots=True)
class Finding:
    """Something to mind.

    :param about: id of the quantity or path of the entry it concerns.
    """

    code: FindingCode
    severity: Severity
    station: Station
    message: str
    remedy: str
    about: str
    actions: tuple[Action, ...] = field(default=())


def finding(
    code: FindingCode,
    about: str,
    notation: Notation,
    *,
    station: Station | None = None,
    actions: tuple[Action, ...] = (),
    **terms: object,
) -> Finding:
    """The finding ``code`` with its terms filled in, in somebody's words and units.

    :param station: overrides the catalogue's.
    """
    words = CATALOGUE[code]
    return Finding(
        code,
        words.severity,
        station or words.station,
        notation.say(words.message, **terms),
        notation.say(words.remedy, **terms),
        about,
        actions,
    )
