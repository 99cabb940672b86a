"""Jobs changed by patches: dotted paths to new values."""

from collections.abc import Mapping
from typing import Any

from weald.core.findings import Patch
from weald.core.job.spec import JobSpec, read_spec
from weald.core.job.upgrades import JOB


def _steps(path: str) -> list[str]:
    """The keys of a path; those of measurements hold dots themselves."""
    if path.startswith("measured."):
        return ["measured", path.removeprefix("measured.")]
    return path.split(".")


def value_at(spec: JobSpec, path: str) -> object:
    """The value of an entry."""
    at: Any = spec
    for key in _steps(path):
        if at is None:
            return None
        at = at.get(key) if isinstance(at, Mapping) else getattr(at, key)
    return at


def with_entry(data: Mapping[str, Any], path: list[str], value: object) -> dict[str, Any]:
    """A job's data with one entry otherwise."""
    head, *rest = path
    return {**data, head: with_entry(data.get(head) or {}, rest, value) if rest else value}


def patched(spec: JobSpec, patch: Patch) -> JobSpec:
    """A job with a patch applied.

    :raises weald.core.errors.SpecError: when the patch makes no job of it.
    """
    if not patch:
        return spec
    data = spec.model_dump(exclude_unset=True) | {"version": JOB.version}
    for path, value in patch.items():
        if value is None and path.startswith("measured."):
            kept = {key: size for key, size in data.get("measured", {}).items() if key != _steps(path)[1]}
            data = {**data, "measured": kept}
        else:
            data = with_entry(data, _steps(path), value)
    return read_spec(data)
