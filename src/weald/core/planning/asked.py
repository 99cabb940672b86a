"""What a job is asked: the forms of every station, and which of their fields this job wants decided."""

from dataclasses import dataclass
from typing import Annotated

from pydantic import WithJsonSchema

from weald.core.job.asked import asked_entries, in_forms
from weald.core.job.asking import Asking
from weald.core.job.entry import Entry
from weald.core.job.fields import FormField, field_of, label_of
from weald.core.job.forms import FORMS, Form, FormName, Place
from weald.core.notation import Notation
from weald.core.quantities import is_quantity
from weald.core.reckoning import Ledger

EntryPath = Annotated[str, WithJsonSchema({"type": "string", "enum": [path for path, _, _ in in_forms()]})]
"""The path of an entry that stands in a form; described so that whoever shows it knows them all."""


@dataclass(frozen=True, slots=True)
class FormRecord:
    """A form as it is shown: what it is called, where it stands, and the paths of what it asks.

    :param part: what it stands at in the drawings, by ids; ``told`` the entries whose values are said there.
    """

    name: FormName
    title: str
    at: tuple[Place, ...]
    part: tuple[str, ...]
    by_itself: bool
    paths: tuple[EntryPath, ...]
    told: tuple[EntryPath, ...]


@dataclass(frozen=True, slots=True)
class AskedFor:
    """What one job is asked.

    :param paths: the entries it asks for, of those that stand in a form.
    :param labels: what they are called, where that follows the job.
    :param left_open: what they come to where they are left open.
    :param values: what can be chosen here, where that is not all there is.
    """

    paths: tuple[EntryPath, ...]
    labels: dict[str, str]
    left_open: dict[str, str]
    values: dict[str, tuple[str, ...]]


def forms(notation: Notation) -> tuple[FormRecord, ...]:
    """Every form, in the words of whoever reads."""
    return tuple(_record(name, form, notation) for name, form in FORMS.items())


def _record(name: FormName, form: Form, notation: Notation) -> FormRecord:
    held = [(path, entry) for path, _, entry in in_forms() if entry.form == name]
    return FormRecord(
        name,
        notation.say(form.title),
        form.at,
        form.part,
        form.by_itself,
        paths=tuple(path for path, _ in held),
        told=tuple(path for path, entry in held if entry.told),
    )


def form_fields(notation: Notation) -> dict[str, FormField]:
    """The fields of all forms by their paths, in the words of whoever reads."""
    return {path: field_of(path, info, notation) for path, info, _ in in_forms()}


def asked_of(asking: Asking, ledger: Ledger) -> AskedFor:
    """What a job is asked, once it is reckoned."""
    notation = ledger.notation
    asked = tuple(asked_entries(asking))
    return AskedFor(
        paths=tuple(path for path, _, _ in asked),
        labels={path: label for path, _, entry in asked if (label := label_of(entry, asking, notation))},
        left_open={path: words for path, _, entry in asked if (words := left_open(entry, ledger))},
        values={path: entry.values(asking) for path, _, entry in asked if entry.values},
    )


def left_open(entry: Entry, ledger: Ledger) -> str:
    """What an entry comes to where it is left open, in words; empty where that is not known."""
    if not is_quantity(entry.left_open):
        return entry.left_open
    found = ledger.quantities.get(entry.left_open)
    return found.shown if found else ""
