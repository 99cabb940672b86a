"""A calliper and a scale that are not there: they send readings as real ones do over a keyboard or serial
line.

A line for each press of the button, number and unit, ended by carriage return and line feed. A hand is never
twice alike: readings of one thing differ by a little. A real instrument that sends such lines takes their
place.
"""

import random
from typing import Literal, get_args

from weald.core.units import MM_PER_INCH

InstrumentName = Literal["calliper", "scale"]
INSTRUMENTS: tuple[InstrumentName, ...] = get_args(InstrumentName)
InstrumentUnit = Literal["mm", "in", "g"]
_HAND = 0.02
"""Millimetres, or grams, by which readings of one thing differ."""


def reading_of(
    name: InstrumentName, size: float, unit: InstrumentUnit, hand: random.Random | None = None
) -> str:
    """The line sent for a thing of this size.

    :param size: millimetres of what is held in the calliper, grams of what lies on the scale.
    :param hand: where the differences come from.
    """
    held = max(0.0, size + (hand or random.Random()).uniform(-_HAND, _HAND))
    if name == "scale":
        return f"{held:9.1f} g\r\n"
    if unit == "in":
        return f"{held / MM_PER_INCH:9.4f} in\r\n"
    return f"{held:9.2f} mm\r\n"
