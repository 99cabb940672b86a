"""What people type, as types: lengths, names, groups of entries, and what is wrong with them in words."""

import difflib
import math
import re
import unicodedata
from collections.abc import Iterator, Mapping, Sequence
from itertools import islice
from typing import Annotated, Any, ClassVar, TypeVar

from pydantic import (
    AfterValidator,
    BaseModel,
    BeforeValidator,
    ConfigDict,
    Field,
    ValidationError,
    ValidationInfo,
)
from pydantic.fields import FieldInfo
from pydantic_core import ErrorDetails

from weald.core.errors import SizeError, SpecError
from weald.core.job.text import found_in
from weald.core.notation import MILLIMETRES, Notation
from weald.core.units import BareUnit, Mm, parse_length
from weald.core.upgrades import Format


def _read_length(value: object, info: ValidationInfo) -> object:
    if not isinstance(value, (str, int, float)) or isinstance(value, bool):
        raise ValueError("Give a length, such as 135, 13.5 cm or 5 1/4 in.")
    bare: BareUnit = (info.context or {}).get("bare", "mm")
    length = parse_length(value, bare)
    if not math.isfinite(length):
        raise ValueError("Give a length that can be measured.")
    return length


Length = Annotated[float, BeforeValidator(_read_length, json_schema_input_type=float | str)]
Size = Annotated[Length, Field(gt=0, le=3000)]
Allowance = Annotated[Length, Field(ge=0, le=200)]
Thin = Annotated[Length, Field(gt=0, le=3)]
Shift = Annotated[Length, Field(ge=-20, le=20)]


def _without_control_signs(text: str) -> str:
    if any(unicodedata.category(sign) == "Cc" for sign in text):
        raise ValueError("Write this on one line, without tabs or other control signs.")
    return text


OneLine = AfterValidator(_without_control_signs)
Name = Annotated[str, Field(max_length=120), OneLine]

_PAGES = re.compile(r"[\s,;]*(\d+(\s*[–-]\s*\d+)?([\s,;]+|$))*")


def _pages(text: str) -> str:
    if not _PAGES.fullmatch(text):
        raise ValueError("List pages by their numbers, such as 3, 12, 17-24.")
    return text


PageList = Annotated[
    str,
    Field(
        max_length=400,
        json_schema_extra={"pattern": f"^{_PAGES.pattern}$"},
        examples=["3, 12, 17-24"],
    ),
    AfterValidator(_pages),
]
"""Pages of the text, in the order they are named: ``3, 12, 17-24``."""
Title = Annotated[str, Field(min_length=1, max_length=200), OneLine]


class Entries(BaseModel):
    """A group of entries: unknown keys are refused, and so is what no number can be.

    ``by_thumb`` says that its usual lengths are rules of thumb, which who reads inches takes as fractions.
    """

    by_thumb: ClassVar[bool] = False
    model_config = ConfigDict(extra="forbid", frozen=True, allow_inf_nan=False)


_LIMITS = {
    "greater_than": "must be more than {gt}",
    "greater_than_equal": "must be at least {ge}",
    "less_than_equal": "must be at most {le}",
    "less_than": "must be less than {lt}",
    "multiple_of": "must be a multiple of {multiple_of}",
}
_KINDS = {
    "int_parsing": "must be a whole number, such as 4",
    "int_type": "must be a whole number, such as 4",
    "int_from_float": "must be a whole number, such as 4",
    "float_parsing": "must be a number, such as 1.3",
    "float_type": "must be a number, such as 1.3",
    "string_type": "must be text",
    "bool_parsing": "must be true or false",
    "bool_type": "must be true or false",
    "model_type": "must be a group of keys in braces",
    "dict_type": "must be a group of keys in braces",
    "missing": "is missing; give it a value",
    "finite_number": "must be a number that can be measured",
    "string_too_short": "must not be empty",
    "string_too_long": "is too long; keep it to {max_length} characters",
    "string_pattern_mismatch": "is not written as it has to be; the job file's description says how",
}


def _fields_at(root: type[BaseModel], path: tuple[str | int, ...]) -> dict[str, FieldInfo]:
    """The entries of the group at a path; none where there is no such group."""
    model: Any = root
    for key in path:
        annotation = model.model_fields[key].annotation if key in model.model_fields else None
        options = getattr(annotation, "__args__", (annotation,))
        model = next((each for each in options if hasattr(each, "model_fields")), None)
        if model is None:
            return {}
    return dict(model.model_fields)


def _is_length_at(root: type[BaseModel], path: tuple[str | int, ...]) -> bool:
    """Whether what stands at a path is a length, and no count or plain number."""
    if len(path) > 1 and path[0] == "measured":
        return True
    info = _fields_at(root, path[:-1]).get(str(path[-1])) if path else None
    return bool(info and is_length(info))


MOST_NAMED = 20
"""So many wrong places are named at once; a reader puts right no more at a time."""


def near(word: str, words: Sequence[str]) -> str:
    """“; did you mean …?”, or the whole choice where it is short."""
    if close := difflib.get_close_matches(word, words, n=1, cutoff=0.5):
        return f"did you mean “{close[0]}”?"
    return f"known are {', '.join(words)}." if len(words) <= 16 else "see the job file's description."


def _sentence(error: ErrorDetails, root: type[BaseModel], whole: str, notation: Notation) -> str:
    kind, context = error["type"], error.get("ctx", {})
    if kind == "extra_forbidden":
        key = str(error["loc"][-1])
        return f"“{key}” is not part of {whole}; {near(key, list(_fields_at(root, error['loc'][:-1])))}"
    if kind in ("literal_error", "enum"):
        known = "cannot be planned" if whole == "a job" else "is not known"
        return f"“{error['input']}” {known} here; use {context['expected']}."
    if kind == "value_error":
        return str(context["error"])
    if kind in _LIMITS:
        if _is_length_at(root, error["loc"]):
            context = {name: notation.limit(limit) for name, limit in context.items()}
        return f"“{error['input']}” {_LIMITS[kind].format(**context)}."
    if kind in _KINDS:
        return f"{_KINDS[kind].format(**context)}.".capitalize()
    return error["msg"] + "."


def problems(
    error: ValidationError, root: type[BaseModel], whole: str, notation: Notation = MILLIMETRES
) -> dict[str, str]:
    """Every place that is wrong in what was typed, by dotted path, in plain words.

    :param root: what was to be read; ``whole`` is what a person calls it: “a job”.
    """
    name = whole.rsplit(maxsplit=1)[-1]
    return {
        ".".join(str(step) for step in detail["loc"]) or name: _sentence(detail, root, whole, notation)
        for detail in islice(error.errors(include_url=False), MOST_NAMED)
    }


def lengths_of(part: BaseModel, prefix: str = "") -> Iterator[tuple[str, Mm]]:
    """Every length among the entries, by dotted path."""
    for name, info in type(part).model_fields.items():
        value = getattr(part, name)
        if isinstance(value, BaseModel):
            yield from lengths_of(value, f"{prefix}{name}.")
        elif isinstance(value, tuple):
            for place, each in enumerate(value):
                if isinstance(each, BaseModel):
                    yield from lengths_of(each, f"{prefix}{name}.{place}.")
        elif isinstance(value, float) and is_length(info):
            yield f"{prefix}{name}", value


def lengths_by_thumb(part: BaseModel, prefix: str = "") -> Iterator[tuple[str, Mm]]:
    """Every length among the entries that is a rule of thumb, by dotted path."""
    if isinstance(part, Entries) and part.by_thumb:
        yield from lengths_of(part, prefix)
        return
    for name in type(part).model_fields:
        value = getattr(part, name)
        if isinstance(value, BaseModel):
            yield from lengths_by_thumb(value, f"{prefix}{name}.")


def is_length(info: FieldInfo) -> bool:
    """Whether an entry is a length, and no count or plain number."""
    options = getattr(info.annotation, "__args__", ())
    inner = [item for option in options for item in getattr(option, "__metadata__", ())]
    return any(isinstance(item, BeforeValidator) for item in [*info.metadata, *inner])


Group = TypeVar("Group", bound=Entries)


def read_entries(
    root: type[Group], data: object, notation: Notation | None = None, *, kept_as: Format, whole: str
) -> Group:
    """Read what was typed or kept, by this Weald or an earlier one.

    :param notation: whose unit a bare number in *text* takes; millimetres where not given.
    :param kept_as: brings old data up to date; ``whole`` is what a person calls it: “a job”.
    :raises SpecError: naming every place that is wrong, with the remedy.
    """
    reads = notation or MILLIMETRES
    if found := {path or whole: words for path, words in found_in(data)}:
        raise SpecError(dict(islice(found.items(), MOST_NAMED)))
    name = whole.rsplit(maxsplit=1)[-1]
    if not isinstance(data, Mapping):
        raise SpecError({name: f"{whole.capitalize()} is written as one group of keys in braces."})
    try:
        return root.model_validate(kept_as.upgraded(data), context={"bare": reads.bare})
    except ValidationError as error:
        raise SpecError(problems(error, root, whole, reads)) from None
    except SizeError as error:
        raise SpecError({name: str(error)}) from None
