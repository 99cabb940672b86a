"""What a workshop keeps as a whole, written by several people: merged against the state each began from."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from typing import Any

from django.contrib.auth.models import User
from pydantic import BaseModel

from weald.core.errors import SpecError, WealdError
from weald.core.merging import ABSENT, Merged, Path, Side, merge
from weald.web.accounts.models import KeptState, Workshop
from weald.web.accounts.names import authors_of


@dataclass(frozen=True, slots=True)
class Settled:
    """What somebody chose where changes met, and the version they saw when they chose."""

    seen: int = 0
    sides: dict[str, Side] = field(default_factory=dict)

    def at(self, version: int) -> dict[str, Side]:
        """Their choices, if nothing has been changed since."""
        return self.sides if self.seen == version else {}


NOT_SETTLED = Settled()


class MeetingError(WealdError):
    """Two people changed the same entries; nothing was overwritten, and one of them has to choose.

    :ivar root: the type of what was written. ``mine``, ``theirs``: both states as plain data.
    :ivar by: who changed it meanwhile; ``seen``: the version that stands now.
    """

    def __init__(
        self, root: type[BaseModel], merged: Merged, mine: Any, theirs: Any, by: Sequence[str], seen: int
    ) -> None:
        super().__init__("Somebody else changed the same entries; choose whose stand.")
        self.root, self.merged, self.mine, self.theirs = root, merged, mine, theirs
        self.by, self.seen = tuple(by), seen


@dataclass(frozen=True, slots=True)
class Written:
    """What came of writing: the state there is now, and what of somebody else's is in it.

    :param others: the entries only others changed since the version that was read; ``by`` who.
    """

    data: dict[str, Any]
    version: int
    others: tuple[Path, ...] = ()
    by: tuple[str, ...] = ()


def merged_with(
    workshop: Workshop,
    part: str,
    root: type[BaseModel],
    standing: dict[str, Any],
    now: int,
    read_at: int,
    mine: dict[str, Any],
    author: User,
    settled: Settled,
    read: Callable[[object], BaseModel],
) -> Written:
    """Merge what somebody wrote with how it stands, and keep the state that comes out.

    :param standing: how it stands at version ``now``; ``read_at`` the version ``mine`` began from.
    :param read: reads what comes out, so that nothing is kept that cannot be read.
    :raises MeetingError: where both changed the same entries.
    """
    if read_at == now:
        merged = Merged(mine, (), ())
    else:
        kept = state_at(workshop, part, read_at, read)
        merged = merge(ABSENT if kept is None else kept, mine, standing, settled.at(now))
    by = _since(workshop, part, read_at, author) if read_at != now else ()
    if merged.met:
        raise MeetingError(root, merged, mine, standing, by, now)
    data = read(merged.data).model_dump(mode="json")
    if data == standing:
        return Written(data, now, merged.others, by)
    KeptState.objects.get_or_create(
        workshop=workshop, part=part, version=now, defaults={"data": standing, "author": None}
    )
    KeptState.objects.create(workshop=workshop, part=part, version=now + 1, data=data, author=author)
    return Written(data, now + 1, merged.others, by)


def state_at(
    workshop: Workshop, part: str, version: int, read: Callable[[object], BaseModel]
) -> dict[str, Any] | None:
    """How something stood at a version, as it would be written today; nothing where that was not kept."""
    kept = KeptState.objects.filter(workshop=workshop, part=part, version=version).first()
    try:
        return read(kept.data).model_dump(mode="json") if kept else None
    except SpecError:
        return None


def _since(workshop: Workshop, part: str, version: int, author: User) -> tuple[str, ...]:
    """Who else wrote it after a version."""
    rows = KeptState.objects.filter(workshop=workshop, part=part, version__gt=version)
    return authors_of(rows.exclude(author=author).order_by("version"))
