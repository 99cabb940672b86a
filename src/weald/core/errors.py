"""The one family of errors the craft raises."""

from collections.abc import Mapping


class WealdError(Exception):
    """Something a person has to put right; the message says what, where and how."""


class SizeError(WealdError, ValueError):
    """A length, thickness or count that cannot be read or cannot exist."""


class FoldError(WealdError, ValueError):
    """A fold programme that does not end in one packet with its spine down one edge."""


class SpecError(WealdError, ValueError):
    """A job that cannot be planned as it is written.

    ``fields`` maps the dotted path of every place that is wrong ("leaf.width")
    to one sentence that says what is wrong there and what to do.
    """

    def __init__(self, fields: Mapping[str, str]) -> None:
        self.fields = dict(fields)
        super().__init__("; ".join(f"{path}: {text}" for path, text in self.fields.items()))
