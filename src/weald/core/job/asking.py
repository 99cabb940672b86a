"""A job and what its binding makes of it, for entries to say whether they are asked for."""

from dataclasses import dataclass
from functools import cache
from typing import TYPE_CHECKING

if TYPE_CHECKING:  # the entries themselves name it
    from weald.core.job.binding import Covering
    from weald.core.job.block import SewingMethod
    from weald.core.job.spec import JobSpec


@cache
def _groups(entries: tuple[str, ...]) -> tuple[str, ...]:
    """What the paths within each of these begin with, if it is a group."""
    return tuple(f"{entry}." for entry in entries)


@dataclass(frozen=True, slots=True)
class Asking:
    """A job, and what its binding makes of it.

    :param entries: the paths of what the binding itself asks for; a group's stands for all in it.
    :param method, covering: as decided where that goes with the binding, else its own first.
    :param methods, backs, shoulders, coverings: what goes with it.
    :param in_shoulders: whether its boards are fixed to the block, and covered there.
    :param folded_to_sew: whether its sheets are folded to be sewn.
    :param lined: whether its spine is lined; ``lettered`` whether it is lettered; ``printed`` whether what is
        printed on its cover is planned.
    """

    spec: "JobSpec"
    entries: tuple[str, ...]
    method: "SewingMethod"
    covering: "Covering"
    methods: tuple[str, ...]
    backs: tuple[str, ...]
    shoulders: tuple[str, ...]
    coverings: tuple[str, ...]
    folded_to_sew: bool
    boards: bool
    in_shoulders: bool
    endpapers: bool
    lined: bool
    lettered: bool
    printed: bool

    def lists(self, path: str) -> bool:
        """Whether the binding asks for an entry, or for the group it is in."""
        return path in self.entries or path.startswith(_groups(self.entries))

    @property
    def threaded(self) -> bool:
        """Whether it is sewn with thread."""
        return self.method not in ("staples", "none")

    @property
    def supported(self) -> bool:
        """Whether it is sewn at stations between two kettles."""
        return self.method in ("tapes", "cords", "raised_cords", "link", "long")
