"""What the words of a finding are."""

from typing import Literal, NamedTuple

from weald.core.station import Station

Severity = Literal["stop", "mind", "note"]


class FindingWords(NamedTuple):
    """How serious a finding is, where it stands, what is so, and the remedy.

    The sentences hold the names of terms in braces; see :meth:`weald.core.notation.Notation.say`.
    """

    severity: Severity
    station: Station
    message: str
    remedy: str
