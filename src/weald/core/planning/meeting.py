"""Two people's changes of one thing, told to whoever saves last: what meets, and what each choice means."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from pydantic import BaseModel

from weald.core.errors import SpecError
from weald.core.job.saying import title_at, value_words
from weald.core.job.spec import JobSpec, read_spec
from weald.core.merging import ABSENT, Merged, Met, Path, Side, with_value
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.planning.house import House
from weald.core.planning.plan import Plan, plan
from weald.core.planning.telling import label_of, said_of

MOST_PREVIEWED = 6
"""So many entries that meet are planned both ways; of more only the values are told."""
_PIECES_TOLD = 2


@dataclass(frozen=True, slots=True)
class Meeting:
    """An entry that two people changed: what it is called, both values, and what each makes of the book.

    :param name: what it is chosen by.
    """

    name: str
    label: str
    mine: str
    theirs: str
    mine_means: str
    theirs_means: str


def choices_of_job(merged: Merged, notation: Notation) -> tuple[Meeting, ...]:
    """What meets in a job, each side planned beside the other."""
    previewed = merged.met if len(merged.met) <= MOST_PREVIEWED else ()
    means = {met.name: _means(merged.data, met, notation) for met in previewed}
    return tuple(
        Meeting(
            met.name,
            label_of(met.name, notation),
            said_of(met.name, _or_none(met.mine), notation),
            said_of(met.name, _or_none(met.theirs), notation),
            *means.get(met.name, ("", "")),
        )
        for met in merged.met
    )


def _or_none(value: Any) -> Any:
    return None if value is ABSENT else value


def _means(data: Mapping[str, Any], met: Met, notation: Notation) -> tuple[str, str]:
    """The first pieces that are cut otherwise, as each side has them."""
    try:
        plans = [
            plan(read_spec(with_value(data, met.path, value)), notation, drawn=())
            for value in (met.mine, met.theirs)
        ]
    except SpecError:
        return "", ""
    return _pieces(plans[0], plans[1], notation), _pieces(plans[1], plans[0], notation)


def _pieces(here: Plan, there: Plan, notation: Notation) -> str:
    other = {piece.id: piece for piece in there.pieces}
    boards_first = sorted(here.pieces, key=lambda piece: piece.material != "board")
    said = [
        f"{piece.label} {piece.shown}"
        for piece in boards_first
        if _is_other(piece, other.get(piece.id), notation)
    ]
    return ", ".join(said[:_PIECES_TOLD])


def _is_other(piece: Piece, other: Piece | None, notation: Notation) -> bool:
    return other is None or any(
        abs(one - two) >= notation.least_told
        for one, two in ((piece.cut_width, other.cut_width), (piece.cut_height, other.cut_height))
    )


def choices_of(
    root: type[BaseModel], met: Sequence[Met], mine: Any, theirs: Any, notation: Notation
) -> tuple[Meeting, ...]:
    """What meets in anything else that is kept as a whole."""
    return tuple(
        Meeting(
            each.name,
            _label(root, each.path, theirs if each.mine is ABSENT else mine, notation),
            _value(root, each.path, each.mine, notation),
            _value(root, each.path, each.theirs, notation),
            "",
            "",
        )
        for each in met
    )


def others_of(
    root: type[BaseModel], others: Sequence[Path], data: Any, notation: Notation
) -> tuple[str, ...]:
    """What only somebody else changed, each entry with what stands there now."""
    return tuple(_label(root, path, data, notation) for path in others)


def _label(root: type[BaseModel], path: Path, data: Any, notation: Notation) -> str:
    if root is House and path[:1] == ("rules",) and len(path) > 1:
        return label_of(path[1], notation)
    if root is JobSpec:
        return label_of(".".join(path), notation)
    return notation.say("{title}", title=title_at(root, path, data))


def _value(root: type[BaseModel], path: Path, value: Any, notation: Notation) -> str:
    if root is House and path[:1] == ("rules",) and len(path) > 1:
        return said_of(path[1], _or_none(value), notation) if value is not ABSENT else "no rule"
    return value_words(root, path, value, notation)


def settled_by(mine: Sequence[str], theirs: Sequence[str]) -> dict[str, Side]:
    """Whose entries stand, as they are sent."""
    return {**dict.fromkeys(theirs, "theirs"), **dict.fromkeys(mine, "mine")}
