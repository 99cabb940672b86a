"""What an extra asks for, as fields to show: read off its entries, so that no second list is kept."""

from collections.abc import Iterator
from dataclasses import dataclass
from types import UnionType
from typing import Any, Literal, Union, get_args, get_origin

from pydantic import BaseModel

from weald.core.job.entries import Entries, is_length
from weald.core.job.options import OPTIONS, Option, options_of
from weald.core.notation import Notation

FieldKind = Literal["length", "number", "count", "check", "choice", "text", "rows"]


@dataclass(frozen=True, slots=True)
class Field:
    """One field. ``key`` is its path within what it belongs to; dotted where that is in groups.

    :param optional: whether it may be left to a rule.
    :param example: how it is written, where that has to be known.
    :param columns: of a table, one row for each of what it lists; ``row`` is a row to begin with.
    """

    key: str
    label: str
    kind: FieldKind
    optional: bool = False
    options: tuple[Option, ...] = ()
    example: str = ""
    columns: tuple["Field", ...] = ()
    row: dict[str, object] | None = None


def fields_of(entries: type[BaseModel], path: str, notation: Notation) -> tuple[Field, ...]:
    """The fields of a group of entries that stands at ``path`` of a job."""
    return tuple(_fields(entries, "", path, notation))


def _fields(entries: type[BaseModel], prefix: str, path: str, notation: Notation) -> Iterator[Field]:
    for name, info in entries.model_fields.items():
        key, options = prefix + name, _parts(info.annotation)
        optional = type(None) in options
        inner = next((each for each in options if each is not type(None)), str)
        label = notation.say(info.title or name.replace("_", " ").capitalize())
        if isinstance(inner, type) and issubclass(inner, Entries):
            yield from _fields(inner, f"{key}.", path, notation)
        elif get_origin(inner) is tuple:
            row = get_args(inner)[0]
            columns = tuple(_fields(row, "", f"{path}.{key}", notation))
            yield Field(key, label, "rows", columns=columns, row=first_row(row))
        elif f"{path}.{key}" in OPTIONS:
            yield Field(key, label, "choice", optional, options_of(f"{path}.{key}", notation))
        else:
            kind = "length" if is_length(info) else _kind(inner)
            yield Field(key, label, kind, optional, example=str((info.examples or [""])[0]))


def first_row(entries: type[BaseModel]) -> dict[str, object]:
    """What a row of a table begins with: the usual values, and nothing where there are none."""
    return {
        name: "" if info.is_required() else _plain(info.get_default(call_default_factory=True))
        for name, info in entries.model_fields.items()
    }


def _plain(value: Any) -> object:
    return value.model_dump(mode="json") if isinstance(value, BaseModel) else value


def _parts(annotation: Any) -> tuple[Any, ...]:
    if get_origin(annotation) in (UnionType, Union):
        return tuple(part for each in get_args(annotation) for part in _parts(each))
    return _parts(get_args(annotation)[0]) if hasattr(annotation, "__metadata__") else (annotation,)


def _kind(annotation: Any) -> FieldKind:
    if annotation is bool:
        return "check"
    if annotation is int:
        return "count"
    return "number" if annotation is float else "text"
