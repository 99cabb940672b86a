"""Endpapers composed freely: what each part adds in leaves, at the spine, and to the joint."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from weald.core.job.extras.leaves import ComposedEnds, EndElement
from weald.core.paper import calliper_from_bulk
from weald.core.reckoning import Ledger, Term
from weald.core.units import Mm

LEAVES = {"folio": 2, "single": 1, "laminated": 2, "cloth_joint": 0, "lining": 0}
"""Leaves each part adds at one end; a laminated pair is two, pasted to one."""
HOOK: Mm = 6.0
"""Paper hooked or wrapped round a section reaches so far beyond its fold."""
SEWN = ("sewn", "through_fold")
ROUND_A_SECTION = ("hooked", "wrapped")
End = Literal["front", "back"]
ENDS: tuple[End, End] = ("front", "back")


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


@dataclass(frozen=True, slots=True)
class BothEnds:
    """The endpapers of both ends; what they come to together."""

    front: EndMatter
    back: EndMatter

    @property
    def sections(self) -> int:
        """Sewn as sections of their own."""
        return self.front.sections + self.back.sections

    @property
    def mass(self) -> float:
        """In g/m² of one leaf's area."""
        return self.front.mass + self.back.mass

    @property
    def joint(self) -> Mm:
        """Both joints are alike, and as wide as the fuller end asks for."""
        return max(self.front.joint, self.back.joint)

    def summed(
        self, what: Literal["thickness", "at_spine"], label: str, ledger: Ledger
    ) -> tuple[Mm, str, dict[str, Term]]:
        """What both ends come to, how, and from what: twice the one where they are alike."""
        about = "extras.ends.elements"
        front, back = getattr(self.front, what), getattr(self.back, what)
        if front == back:
            return 2 * front, "2 × {each}", {"each": ledger.entry(label, front, about, "thickness")}
        terms = {
            "front": ledger.entry(f"{label}, front", front, about, "thickness"),
            "back": ledger.entry(f"{label}, back", back, about, "thickness"),
        }
        return front + back, "{front} + {back}", terms


def elements_at(ends: ComposedEnds, end: End) -> tuple[EndElement, ...]:
    """The parts of one end, from the board inwards."""
    return tuple(each for each in ends.elements if each.at in ("both", end))


def both_ends(ends: ComposedEnds, several: bool) -> BothEnds:
    """What the two ends come to.

    :param several: whether there are other sections; in a single one, whatever is sewn goes with it.
    """
    return BothEnds(*(_matter(elements_at(ends, end), ends.cloth, several) for end in ENDS))


def _matter(elements: tuple[EndElement, ...], cloth: Mm, several: bool) -> EndMatter:
    return EndMatter(
        leaves=sum(LEAVES[each.what] for each in elements),
        thickness=sum(LEAVES[each.what] * calliper(each) for each in elements),
        mass=sum(LEAVES[each.what] * each.grammage for each in elements),
        sections=sum(each.attached in SEWN and LEAVES[each.what] > 1 for each in elements) if several else 0,
        at_spine=sum(_at_spine(each, cloth) for each in elements),
        joint=joint_strips(elements) * cloth,
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
