"""The text block: what thread adds at the spine, and the round that takes it up.

Vocabulary: *swell* is the extra thickness at the spine from the thread in every fold; its
*ratio* is to the pressed thickness. A *round* is the part of a full circle that the spine's arc
is; with x half the arc's angle in radians, x = π × round, and arc / chord = x / sin x. *Rise* is
how far the middle of the arc stands out beyond its chord. A *shoulder* is the ledge hammered out
of the outer sections, in which the board sits.
"""

import math

from weald.core.units import Mm

FLAT_BACK_SWELL_LIMIT = 0.12
FLAT_BACK_SWELL_EASY = 0.10
GENTLE_ROUND, FULL_ROUND = 1 / 5, 1 / 3
HALF_CIRCLE = 0.5
MOST_SWELL = math.pi / 2 - 1
"""The swell, as a part of the thickness, that a half circle takes up; no spine goes rounder."""
_HALVINGS = 60


def swell(sections: int, thread: Mm, factor: float) -> Mm:
    """Swell = sections × thread × factor; the factor is 0.5 for all-along sewing until measured."""
    return sections * thread * factor


def thread_for_swell(wanted: Mm, sections: int, factor: float) -> Mm:
    """The thread that swells by so much; 0 where nothing is sewn."""
    return wanted / (sections * factor) if sections * factor > 0 else 0.0


def arc_to_chord(round: float) -> float:
    """How much longer the arc of a round is than its chord: x / sin x with x = π × round."""
    x = math.pi * round
    return x / math.sin(x) if round > 0 else 1.0


def rise(chord: Mm, round: float) -> Mm:
    """How far the middle of the arc stands out: chord / 2 × tan(x / 2)."""
    return chord / 2 * math.tan(math.pi * round / 2)


def round_for_swell(ratio: float) -> float:
    """The round whose arc is just as much longer than its chord as the swell asks for.

    :param ratio: swell to thickness. More than :data:`MOST_SWELL` gives the half circle.
    """
    low, high = 0.0, HALF_CIRCLE
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        low, high = (middle, high) if arc_to_chord(middle) < 1 + ratio else (low, middle)
    return high


def shoulder_height(line: Mm, angle: float) -> Mm:
    """How far a shoulder stands out: what lies beyond the shoulder line, bent over by ``angle`` degrees."""
    return line * math.sin(math.radians(angle))


def out_of_square(width: Mm, one: Mm, other: Mm) -> Mm:
    """How far head and tail have slid against one another, from the two diagonals.

    In a parallelogram ``width`` across, sheared by s, the diagonals' squares differ by 4 × width × s.
    """
    return abs(one**2 - other**2) / (4 * width)
