"""Text that can be kept: no NUL, no half characters, nothing that hides in a name and turns it round."""

import json
import re
import unicodedata
from collections.abc import Iterator, Mapping

LONGEST = 20_000
_DIGITS = re.compile(r"\d{65,}")
"""More than a digest could have."""
_TURNING = frozenset("\u202a\u202b\u202c\u202d\u202e\u2066\u2067\u2068\u2069")
"""Signs that are not seen and make a name read as another."""
_WHITE = "\t\n\r"


def unkeepable(text: str) -> str:
    """What speaks against keeping a text, in a sentence; empty where nothing does."""
    if len(text) > LONGEST:
        return f"This is longer than {LONGEST} signs."
    if _DIGITS.search(text):
        return "A number has more digits than anything that is counted."
    if text.isascii() and text.isprintable():
        return ""
    for sign in text:
        category = unicodedata.category(sign)
        if category == "Cs":
            return "This holds half a character; type it again."
        if category == "Cc" and sign not in _WHITE:
            return "This holds a control sign; type it again."
        if sign in _TURNING:
            return "This holds a hidden sign that turns text round; type it again."
    return ""


_SUSPICIOUS = re.compile(r"\\u(?:[dD][89a-fA-F]|00[01789]|20[26])|\\[bf]|\d{65,}")
"""What has to be looked at sign by sign, as JSON writes it."""


def found_in(data: object) -> Iterator[tuple[str, str]]:
    """Every text that cannot be kept in what JSON can hold: its path, and what speaks against it."""
    written = json.dumps(data, default=str)
    if len(written) < LONGEST and not _SUSPICIOUS.search(written):
        return
    for path, text in texts_in(data):
        if words := unkeepable(text):
            yield path, words


def texts_in(data: object, path: str = "") -> Iterator[tuple[str, str]]:
    """Every text in what JSON can hold, keys too, with the path it stands at."""
    if isinstance(data, str):
        yield path, data
    elif isinstance(data, Mapping):
        for key, value in data.items():
            yield path, str(key)
            yield from texts_in(value, f"{path}.{key}".lstrip("."))
    elif isinstance(data, list | tuple):
        for place, value in enumerate(data):
            yield from texts_in(value, f"{path}.{place}".lstrip("."))
