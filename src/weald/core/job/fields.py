"""The entries of a group as fields to show: read off their records, so that no second list is kept."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from types import UnionType
from typing import Any, Literal, Union, get_args, get_origin

from pydantic import BaseModel
from pydantic.fields import FieldInfo

from weald.core.job.asking import Asking
from weald.core.job.entries import Entries, is_length
from weald.core.job.entry import Entry, entry_of
from weald.core.notation import Notation

FieldKind = Literal["length", "number", "count", "check", "choice", "text", "rows"]


@dataclass(frozen=True, slots=True)
class Option:
    """Something that can be chosen: the value as an entry holds it, and what it is called."""

    value: str
    label: str


@dataclass(frozen=True, slots=True)
class FormField:
    """One field. ``key`` is its path within what it belongs to; dotted where that is in groups.

    :param optional: whether it may be left to a rule.
    :param numeric: of a choice, whether a number is kept.
    :param step: by which a plain number is changed.
    :param example: how it is written, where that has to be known.
    :param part: what it belongs to in the drawings, by their ids.
    :param decides: the sizes it is the field for, where they are drawn.
    :param columns: of a table, one row for each of what it lists; ``row`` is a row to begin with.
    """

    key: str
    label: str
    kind: FieldKind
    optional: bool = False
    options: tuple[Option, ...] = ()
    numeric: bool = False
    step: float = 1.0
    example: str = ""
    help: str = ""
    part: str = ""
    decides: tuple[str, ...] = ()
    columns: tuple["FormField", ...] = ()
    row: dict[str, object] | None = None


@cache
def entries_in(root: type[BaseModel]) -> Mapping[str, FieldInfo]:
    """Every entry of a group and the groups in it, by dotted path in the order of the file.

    What lists rows is one entry; what stands in a row is found by :func:`columns_in`.
    """
    return dict(_entries(root, ""))


def _entries(root: type[BaseModel], prefix: str) -> Iterator[tuple[str, FieldInfo]]:
    for name, info in root.model_fields.items():
        inner = _one(info.annotation)
        if isinstance(inner, type) and issubclass(inner, Entries):
            yield from _entries(inner, f"{prefix}{name}.")
        else:
            yield f"{prefix}{name}", info


def columns_in(info: FieldInfo) -> type[BaseModel] | None:
    """What stands in each row an entry lists; none of an entry that lists no rows."""
    inner = _one(info.annotation)
    row = get_args(inner)[0] if get_origin(inner) is tuple else None
    return row if isinstance(row, type) and issubclass(row, BaseModel) else None


def fields_of(root: type[BaseModel], notation: Notation) -> tuple[FormField, ...]:
    """The fields of a group of entries, in the words of whoever reads."""
    return tuple(field_of(path, info, notation) for path, info in entries_in(root).items())


def field_of(path: str, info: FieldInfo, notation: Notation) -> FormField:
    """An entry as a field."""
    entry = entry_of(info)
    said = entry.label if isinstance(entry.label, str) else ""
    row, inner = columns_in(info), _one(info.annotation)
    return FormField(
        key=path,
        label=notation.say(said or info.title or path.rpartition(".")[2].replace("_", " ").capitalize()),
        kind=_kind(info),
        optional=type(None) in _parts(info.annotation) and not entry.given,
        options=options_in(info, notation),
        numeric=inner is int or (get_origin(inner) is Literal and isinstance(get_args(inner)[0], int)),
        step=entry.step if inner is float else 1.0,
        example=str((info.examples or [""])[0]),
        help=notation.say(entry.help),
        part=entry.part,
        decides=entry.decides,
        columns=fields_of(row, notation) if row else (),
        row=first_row(row) if row else None,
    )


def options_in(info: FieldInfo, notation: Notation) -> tuple[Option, ...]:
    """What an entry can be, in the words of whoever reads; nothing where it is not one of a few."""
    words = entry_of(info).options or {}
    return tuple(Option(str(value), notation.say(label)) for value, label in words.items())


def label_of(entry: Entry, asking: Asking, notation: Notation) -> str:
    """What an entry is called in its form, where that follows the job; empty where it is always the same."""
    return "" if isinstance(entry.label, str) else notation.say(entry.label(asking))


def first_row(entries: type[BaseModel]) -> dict[str, object]:
    """What a row of a table begins with: the usual values, and nothing where there are none."""
    return {
        name: "" if info.is_required() else _plain(info.get_default(call_default_factory=True))
        for name, info in entries.model_fields.items()
    }


def _plain(value: Any) -> object:
    return value.model_dump(mode="json") if isinstance(value, BaseModel) else value


def _kind(info: FieldInfo) -> FieldKind:
    if columns_in(info):
        return "rows"
    if entry_of(info).options:
        return "choice"
    if is_length(info):
        return "length"
    plain: dict[object, FieldKind] = {bool: "check", int: "count", float: "number"}
    return plain.get(_one(info.annotation), "text")


def _one(annotation: Any) -> Any:
    """The type of what an entry holds, left open or not."""
    return next((each for each in _parts(annotation) if each is not type(None)), str)


def _parts(annotation: Any) -> tuple[Any, ...]:
    if get_origin(annotation) in (UnionType, Union):
        return tuple(part for each in get_args(annotation) for part in _parts(each))
    return _parts(get_args(annotation)[0]) if hasattr(annotation, "__metadata__") else (annotation,)
