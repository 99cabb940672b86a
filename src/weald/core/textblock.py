"""The text block: what thread adds at the spine.

Vocabulary: *swell* is the extra thickness at the spine from the thread in every fold; its
*ratio* is to the pressed thickness.
"""

from weald.core.units import Mm

FLAT_BACK_SWELL_LIMIT = 0.12
FLAT_BACK_SWELL_EASY = 0.10


def swell(sections: int, thread: Mm, factor: float) -> Mm:
    """Swell = sections × thread × factor; the factor is 0.5 for all-along sewing until measured."""
    return sections * thread * factor


def thread_for_flat_back(thickness: Mm, sections: int, factor: float) -> Mm:
    """The thickest thread whose swell a flat back takes easily, a tenth of the thickness."""
    return FLAT_BACK_SWELL_EASY * thickness / (sections * factor)
