"""Two changes of one thing, merged against the state both began from.

An *entry* is what stands at a path: a value, or a list that is no list of rows. Entries that only one side
changed are kept of both; entries that both changed, and otherwise, *meet*, and somebody has to choose.

Rows that have an ``id`` are the same row wherever they stand; other rows are so by their place, as long as
all three states have as many.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any, Final, Literal

Side = Literal["mine", "theirs"]
Path = tuple[str, ...]


class _Absent:
    def __repr__(self) -> str:
        return "nothing there"


ABSENT: Final = _Absent()
"""What stands where nothing stands."""


@dataclass(frozen=True, slots=True)
class Met:
    """An entry that both sides changed; :data:`ABSENT` where one took it out."""

    path: Path
    mine: Any
    theirs: Any

    @property
    def name(self) -> str:
        """The path as it is sent, to be chosen by."""
        return ".".join(self.path)


@dataclass(frozen=True, slots=True)
class Merged:
    """Both changes together.

    :param data: what comes out; where entries meet unsettled, theirs stands.
    :param met: those that meet and nobody has settled; ``others``: the entries only they changed.
    """

    data: Any
    met: tuple[Met, ...]
    others: tuple[Path, ...]


def merge(base: Any, mine: Any, theirs: Any, settled: Mapping[str, Side] | None = None) -> Merged:
    """Merge two states of plain data.

    :param base: the state both began from; :data:`ABSENT` where it is not known: all that differs meets.
    :param settled: by the name of an entry that meets, whose stands.
    """
    merging = _Merging(settled or {})
    data = merging.at((), base, mine, theirs)
    return Merged(data, tuple(merging.met), tuple(merging.others))


@dataclass(slots=True)
class _Merging:
    settled: Mapping[str, Side]
    met: list[Met] = field(default_factory=list)
    others: list[Path] = field(default_factory=list)

    def at(self, path: Path, base: Any, mine: Any, theirs: Any) -> Any:
        if _same(mine, theirs):
            return theirs
        if isinstance(mine, dict) and isinstance(theirs, dict):
            return self._group(path, base if isinstance(base, dict) else {}, mine, theirs)
        if isinstance(mine, list) and isinstance(theirs, list):
            rows = base if isinstance(base, list) else []
            if all(map(_named, (rows, mine, theirs))):
                return self._named_rows(path, rows, mine, theirs)
            if len(rows) == len(mine) == len(theirs) and _are_rows(mine) and _are_rows(theirs):
                return [
                    self.at((*path, str(place)), *each)
                    for place, each in enumerate(zip(rows, mine, theirs, strict=True))
                ]
            added = _added(rows, mine), _added(rows, theirs)
            if rows and None not in added and len(mine) != len(theirs):
                first = len(rows)
                return [
                    *self.at(path, rows, mine[:first], theirs[:first]),
                    *theirs[first:],
                    *(row for row in mine[first:] if row not in theirs[first:]),
                ]
        if _same(mine, base):
            self.others.append(path)
            return theirs
        if _same(theirs, base):
            return mine
        return self._choose(Met(path, mine, theirs))

    def _choose(self, met: Met) -> Any:
        side = self.settled.get(met.name)
        if side is None:
            self.met.append(met)
        return met.mine if side == "mine" else met.theirs

    def _group(
        self, path: Path, base: dict[str, Any], mine: dict[str, Any], theirs: dict[str, Any]
    ) -> dict[str, Any]:
        merged = {}
        for key in dict.fromkeys((*theirs, *mine)):
            sides = (each.get(key, ABSENT) for each in (base, mine, theirs))
            if (value := self.at((*path, key), *sides)) is not ABSENT:
                merged[key] = value
        return merged

    def _named_rows(self, path: Path, base: list[Any], mine: list[Any], theirs: list[Any]) -> list[Any]:
        """Rows by their ids, in their order; where only I moved them about, in mine."""
        by_id = [{row["id"]: row for row in rows} for rows in (base, mine, theirs)]
        merged = self._group(path, *by_id)
        order = [list(rows) for rows in by_id]
        first = order[1] if order[0] == order[2] else order[2]
        return [merged[name] for name in dict.fromkeys((*first, *merged)) if name in merged]


def _same(one: Any, other: Any) -> bool:
    return one is other or (type(one) is type(other) and bool(one == other)) or _same_number(one, other)


def _same_number(one: Any, other: Any) -> bool:
    numbers = (int, float)
    plain = not isinstance(one, bool) and not isinstance(other, bool)
    return plain and isinstance(one, numbers) and isinstance(other, numbers) and one == other


def _added(base: list[Any], rows: list[Any]) -> int | None:
    """How many rows were put at the end; none where any was taken out, or put between."""
    longer = len(rows) - len(base)
    return longer if longer == 0 or (longer > 0 and rows[: len(base)] == base) else None


def _are_rows(rows: list[Any]) -> bool:
    return all(isinstance(row, dict) for row in rows)


def _named(rows: list[Any]) -> bool:
    """Whether every row has an id of its own."""
    names = [row.get("id") if isinstance(row, dict) else None for row in rows]
    return None not in names and len(set(map(str, names))) == len(names)


def value_at(data: Any, path: Path) -> Any:
    """What stands at a path of plain data; :data:`ABSENT` where nothing does."""
    for key in path:
        if isinstance(data, dict):
            data = data.get(key, ABSENT)
        elif isinstance(data, list) and _named(data) and data:
            data = next((row for row in data if row["id"] == key), ABSENT)
        elif isinstance(data, list) and key.isdigit() and int(key) < len(data):
            data = data[int(key)]
        else:
            return ABSENT
    return data


def with_value(data: Any, path: Path, value: Any) -> Any:
    """Plain data with another value at a path; :data:`ABSENT` takes it out."""
    if not path:
        return value
    key, rest = path[0], path[1:]
    if isinstance(data, list):
        named = bool(data) and _named(data)
        names = [str(row["id"]) if named else str(place) for place, row in enumerate(data)]
        if key not in names:
            return data
        at = names.index(key)
        found = with_value(data[at], rest, value)
        return [*data[:at], *(() if found is ABSENT else (found,)), *data[at + 1 :]]
    group = data if isinstance(data, dict) else {}
    found = with_value(group.get(key), rest, value)
    kept = {name: each for name, each in group.items() if name != key}
    return kept if found is ABSENT else {**kept, key: found}
