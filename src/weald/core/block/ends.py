"""Endpapers composed freely: what each part adds in leaves, at the spine, and to the joint."""

from collections.abc import Iterable
from dataclasses import dataclass

from weald.core.job.extras.leaves import ComposedEnds, EndElement
from weald.core.paper import calliper_from_bulk
from weald.core.units import Mm

LEAVES = {"folio": 2, "single": 1, "laminated": 2, "cloth_joint": 0, "lining": 0}
"""Leaves each part adds at one end; a laminated pair is two, pasted to one."""
HOOK: Mm = 6.0
"""Paper hooked or wrapped round a section reaches so far beyond its fold."""
SEWN = ("sewn", "through_fold")
ROUND_A_SECTION = ("hooked", "wrapped")


@dataclass(frozen=True, slots=True)
class EndMatter:
    """What the endpapers of one end come to.

    :param leaves: paper leaves, ``thickness`` of all of them; ``mass`` in g/m² of one leaf's area.
    :param sections: sewn as sections of their own. ``at_spine``: what lies at the spine alone.
    :param joint: cloth and strips that go round the joint, which has to be so much wider.
    """

    leaves: int
    thickness: Mm
    mass: float
    sections: int
    at_spine: Mm
    joint: Mm


def end_matter(ends: ComposedEnds, several: bool) -> EndMatter:
    """What one end comes to.

    :param several: whether there are other sections; in a single one, whatever is sewn goes with it.
    """
    return EndMatter(
        leaves=sum(LEAVES[each.what] for each in ends.elements),
        thickness=sum(LEAVES[each.what] * calliper(each) for each in ends.elements),
        mass=sum(LEAVES[each.what] * each.grammage for each in ends.elements),
        sections=sum(each.attached in SEWN and LEAVES[each.what] > 1 for each in ends.elements)
        if several
        else 0,
        at_spine=sum(_at_spine(each, ends.cloth) for each in ends.elements),
        joint=joint_strips(ends.elements) * ends.cloth,
    )


def calliper(element: EndElement) -> Mm:
    """How thick one of its leaves is."""
    return calliper_from_bulk(element.grammage, element.bulk)


def joint_strips(elements: Iterable[EndElement]) -> int:
    """Strips of cloth that bridge the joint."""
    return sum(1 + each.second for each in elements if each.what == "cloth_joint")


def _at_spine(element: EndElement, cloth: Mm) -> Mm:
    if element.what in ("cloth_joint", "lining"):
        return cloth * (2 if element.second else 1)
    return calliper(element) if element.attached in ROUND_A_SECTION else 0.0
