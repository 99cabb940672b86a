"""What was changed in a job, and what followed from it, as one binder would tell another.

“Board 1 mm narrower after spine thickness measured 21.4” says more than two job files side by side.
"""

from collections.abc import Iterator, Mapping
from typing import Any

from weald.core.extras.catalogue import EXTRAS
from weald.core.job.fields import fields_of
from weald.core.job.lying import fact_words
from weald.core.job.saying import title_at, value_words
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.planning.plan import Plan
from weald.core.quantities import QUANTITIES, is_quantity

_SO = "bench.facts."
TOLD = 4
"""So many changes are told one by one; of more only the number."""


def label_of(path: str, notation: Notation) -> str:
    """What people call an entry of a job."""
    if path.startswith("measured."):
        name = path.removeprefix("measured.")
        label = QUANTITIES[name].label if is_quantity(name) else name
    elif path.startswith(_SO):
        label = fact_words(path.removeprefix(_SO))
    elif path.startswith("extras."):
        label = _extra_label(path, notation)
    else:
        label = title_at(JobSpec, tuple(path.split(".")))
    return notation.say(label)


def entries_of(spec: Mapping[str, Any], prefix: str = "") -> dict[str, Any]:
    """A job's data as dotted paths and plain values."""
    entries: dict[str, Any] = {}
    for key, value in spec.items():
        if isinstance(value, Mapping):
            entries |= entries_of(value, f"{prefix}{key}.")
        else:
            entries[f"{prefix}{key}"] = value
    return entries


def said_of(path: str, value: Any, notation: Notation) -> str:
    """What stands in an entry of a job, in words."""
    if path.startswith("measured.") and value is not None:
        return notation.limit(float(value))
    if path.startswith(_SO):
        return "as it begins" if value is None else "so" if value else "not so"
    return value_words(JobSpec, tuple(path.split(".")), value, notation)


def _entry(path: str, value: Any, notation: Notation) -> str:
    label = label_of(path, notation)
    if path.startswith("measured."):
        if value is None:
            return f"{label} no longer measured"
        return f"{label} measured {said_of(path, value, notation)}"
    if path.startswith(_SO):
        return f"{label}: {said_of(path, value, notation)}"
    return f"{label} {said_of(path, value, notation)}"


def changed(before: JobSpec, after: JobSpec, notation: Notation) -> dict[str, str]:
    """Every entry that differs, by dotted path, as it stands in ``after``, in words."""
    old, new = entries_of(before.model_dump(mode="json")), entries_of(after.model_dump(mode="json"))
    added = dict(_added(before, after, notation))
    whole = tuple(f"{path}." for path in added)
    old, new = (
        {path: value for path, value in each.items() if path not in added and not path.startswith(whole)}
        for each in (old, new)
    )
    return added | {
        path: _entry(path, new.get(path), notation)
        for path in sorted(old.keys() | new.keys(), key=lambda path: (path.startswith("measured."), path))
        if old.get(path) != new.get(path)
    }


def _added(before: JobSpec, after: JobSpec, notation: Notation) -> Iterator[tuple[str, str]]:
    """What was added to the structure, or taken off, as one change each."""
    for name, extra in EXTRAS.items():
        was, now = getattr(before.extras, name), getattr(after.extras, name)
        if (was is None) != (now is None):
            title = notation.say(extra.title).capitalize()
            yield f"extras.{name}", f"{title} {'added' if was is None else 'taken off'}"


def _extra_label(path: str, notation: Notation) -> str:
    """What people call an entry of something that is added: its title, and its field."""
    _, name, *rest = path.split(".")
    extra = next((each for each in EXTRAS.values() if each.name == name), None)
    if extra is None:
        return path
    fields = {field.key: field.label for field in fields_of(extra.entries, notation)}
    field = fields.get(".".join(rest), " ".join(rest).replace("_", " "))
    return f"{extra.title.capitalize()}, {field[:1].lower()}{field[1:]}" if rest else extra.title.capitalize()


def _resized(before: Piece, after: Piece, notation: Notation) -> Iterator[str]:
    for was, now, less, more in (
        (before.width, after.width, "narrower", "wider"),
        (before.height, after.height, "shorter", "taller"),
    ):
        if abs(now - was) >= notation.least_told:
            yield f"{after.label} {notation.difference(abs(now - was))} {less if now < was else more}"


def _following(before: Plan, after: Plan, notation: Notation) -> str:
    """The first piece, boards before all others, that is cut otherwise."""
    old = {piece.id: piece for piece in before.pieces}
    shared = sorted(
        (piece for piece in after.pieces if piece.id in old), key=lambda piece: piece.material != "board"
    )
    return next((words for piece in shared for words in _resized(old[piece.id], piece, notation)), "")


def told(
    before: tuple[JobSpec, Plan], after: tuple[JobSpec, Plan], notation: Notation, most: int = TOLD
) -> str:
    """What was changed, and the first piece it changes, in one line.

    :param most: so many changes are told; of the others only how many they are.
    """
    found = changed(before[0], after[0], notation)
    if "binding.structure" in found:
        # another binding brings entries of its own; that it is another is what is told
        cause = f"{label_of('binding.structure', notation)}: {after[1].structure.title}"
        return cause
    words = list(found.values())
    cause = ", ".join(words[:most]) + (f" and {len(words) - most} more" if len(words) > most else "")
    follows = _following(before[1], after[1], notation)
    if not follows:
        return cause
    if all(path.startswith("measured.") for path in found):
        return f"{follows} after {cause[:1].lower()}{cause[1:]}"
    return f"{cause}; {follows[:1].lower()}{follows[1:]}"
