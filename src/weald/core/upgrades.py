"""Old data read for ever: what was written by an earlier Weald is brought up to date before it is read.

A *format* is one kind of thing that is kept or exchanged: a job, a set, the rules of a house, an item of
the shelf, a layout. What is written names the version of its format; what the
program kept without one is of the first.
A change that would make old data unreadable (a key renamed, removed, or meaning something else) adds
one step to its format's chain, and the data of that version joins the corpus the tests keep.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from weald.core.errors import SpecError

Data = dict[str, Any]
Step = Callable[[Data], Data]
"""Takes data of one version and gives it as the next one writes it; never changes what it is given."""


@dataclass(frozen=True, slots=True)
class Format:
    """One kind of data and its chain of upgrades.

    :param what: what a person calls it: “job file”.
    :param steps: the first takes version 1 to version 2, and so on.
    :param by_hand: whether people write it themselves. What they write without a version is of today; what
        the program kept without one is of the first.
    """

    what: str
    steps: tuple[Step, ...] = ()
    by_hand: bool = False

    @property
    def version(self) -> int:
        """The version that is written today."""
        return len(self.steps) + 1

    def upgraded(self, data: Mapping[str, Any]) -> Data:
        """The data as it would be written today.

        :raises SpecError: when it names no version there is, or one that this Weald does not know yet.
        """
        found = data.get("version", self.version if self.by_hand else 1)
        if isinstance(found, bool) or not isinstance(found, int) or found < 1:
            wrong = f"“{found}” is no version of a {self.what}; give a whole number from 1."
            raise SpecError({"version": wrong})
        if found > self.version:
            newer = (
                f"This {self.what} was written by a newer Weald: it is version {found}, and this Weald reads "
                f"up to {self.version}. Bring Weald up to date, then open it again."
            )
            raise SpecError({"version": newer})
        current = dict(data)
        for step in self.steps[found - 1 :]:
            current = step(current)
        return current | {"version": self.version}
