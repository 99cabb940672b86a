"""What an entry is called, and what stands in it, in words: read off its own record."""

from collections.abc import Mapping
from typing import Any

from pydantic import BaseModel

from weald.core.job.entries import is_length
from weald.core.job.entry import Entry, entry_of
from weald.core.merging import ABSENT, Path, value_at
from weald.core.notation import Notation, counted, plain_number


def _inner(annotation: Any) -> Any:
    """The group of entries a field holds, one or a row of many; none where it holds a plain value."""
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return annotation
    for each in getattr(annotation, "__args__", ()):
        if (found := _inner(each)) is not None:
            return found
    return None


def _walked(root: type[BaseModel], path: Path) -> tuple[list[str], Any]:
    """The titles on the way to a path, and the record of the last entry on it."""
    model, found, titles = root, None, []
    for key in path:
        if model is None or key not in model.model_fields:
            continue  # the place or the name of a row
        found = model.model_fields[key]
        if found.title:
            titles.append(found.title)
        model = _inner(found.annotation)
    return titles, found


def title_at(root: type[BaseModel], path: Path, data: Any = ABSENT) -> str:
    """What the entry at a path is called; a row by its name, or by its place.

    :param data: what it stands in, for the names of rows.
    """
    titles, _ = _walked(root, path)
    title = titles[-1] if titles else path[-1].replace("_", " ")
    rows = [
        _row_name(path[: place + 1], data) for place, key in enumerate(path) if _is_row(path, place, data)
    ]
    if not rows:
        return title
    last_is_row = _is_row(path, len(path) - 1, data)
    return ", ".join(rows if last_is_row else [*rows, title[:1].lower() + title[1:]])


def _is_row(path: Path, place: int, data: Any) -> bool:
    return place > 0 and isinstance(value_at(data, path[:place]), list)


def _row_name(path: Path, data: Any) -> str:
    row = value_at(data, path)
    named = row if isinstance(row, Mapping) else {}
    name = next((str(named[key]) for key in ("name", "title", "label", "id") if named.get(key)), "")
    number = int(path[-1]) + 1 if path[-1].isdigit() else path[-1]
    return name or f"{path[-2].replace('_', ' ').capitalize()}, no. {number}"


def value_words(
    root: type[BaseModel],
    path: Path,
    value: Any,
    notation: Notation,
) -> str:
    """What stands in an entry, as somebody reads it."""
    _, found = _walked(root, path)
    entry = entry_of(found) if found is not None else Entry()
    if value is ABSENT:
        return "taken out"
    if value is None or (isinstance(value, str | list | dict) and not value):
        return "left open"
    if entry.said:
        return entry.said
    if entry.options and (words := entry.options.get(str(value), entry.options.get(value))):
        return notation.say(words)
    if isinstance(value, list | dict):
        return counted(len(value), "row") if isinstance(value, list) else _group_words(value)
    if isinstance(value, bool):
        return "yes" if value else "no"
    if found is not None and is_length(found) and isinstance(value, int | float):
        return notation.limit(float(value))
    return plain_number(value, 4) if isinstance(value, float) else str(value)


def _group_words(group: Mapping[str, Any]) -> str:
    """A row as a whole: its name where it has one."""
    return next(
        (str(group[key]) for key in ("name", "title", "label") if group.get(key)), "as it stands there"
    )
