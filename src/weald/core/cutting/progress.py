"""How far a layout has come."""

from collections.abc import Callable

Tell = Callable[[int], None]
"""Told a percentage; may raise to stop the work."""


def to_nobody(_: int) -> None:
    """Progress nobody asks for."""
