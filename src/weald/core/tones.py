"""The tone a covering is drawn in, where its name says a colour."""

import re

TONES: dict[str, str] = {
    "black": "#55504a",
    "blue": "#8ba3bd",
    "brown": "#a3805f",
    "buff": "#dcc79b",
    "burgundy": "#a76a70",
    "chestnut": "#a8714f",
    "cream": "#ece2c8",
    "crimson": "#b8676a",
    "green": "#9db8a3",
    "grey": "#b3b1ab",
    "maroon": "#9a6560",
    "natural": "#d9c3a0",
    "navy": "#73839c",
    "ochre": "#cda863",
    "olive": "#a7a77a",
    "orange": "#d69a68",
    "pink": "#d8aaa8",
    "purple": "#a190b0",
    "red": "#bd7a70",
    "russet": "#b98262",
    "slate": "#98a3a8",
    "tan": "#c9a27a",
    "teal": "#88aeab",
    "violet": "#a190b0",
    "white": "#f3efe4",
    "yellow": "#dcc480",
}
"""Muted, so that lettering reads on each, and nothing on screen is louder than what can be acted on."""


def tone_of(name: str) -> str:
    """The tone of a covering called so, as ``#rrggbb``; empty where its name says no colour."""
    return next((TONES[word] for word in re.findall(r"[a-z]+", name.lower()) if word in TONES), "")
