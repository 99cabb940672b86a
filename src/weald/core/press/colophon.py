"""Where a colophon is imposed: on the last blank page of the text, a right-hand one where there is one."""

from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.findings import Finding, finding
from weald.core.folding.imposition import Placement, SpineSide
from weald.core.job.spec import JobSpec
from weald.core.press.press import Press


@dataclass(frozen=True, slots=True)
class ColophonPlace:
    """A page of a section: the leaf, from 1, and on which side of it the spine lies as it is read."""

    section: int
    leaf: int
    spine: SpineSide

    def holds(self, section: int, place: Placement) -> bool:
        """Whether it is this page."""
        return (section, place.leaf, place.spine) == (self.section, self.leaf, self.spine)


def colophon_place(press: Press) -> ColophonPlace | None:
    """The page for it; none where it is not wanted there, or no page is left blank at the end."""
    spec = press.spec
    if not (spec.finish.colophon_page and spec.finish.colophon.strip() and press.sections):
        return None
    last = press.sections[-1].section
    pages = [
        place
        for sheet in press.sheets
        if sheet.section == last
        for place in (*sheet.outer, *sheet.inner)
        if place.spine is not None
    ]
    blank: list[Placement] = []
    for place in sorted(pages, key=_in_reading_order, reverse=True):
        if not _is_blank(place, spec):
            break
        blank.append(place)
    chosen = next((place for place in blank if place.spine == "left"), blank[0] if blank else None)
    if chosen is None or chosen.spine is None:
        return None
    return ColophonPlace(last, chosen.leaf, chosen.spine)


def _in_reading_order(place: Placement) -> tuple[int, bool]:
    """By leaf; its right-hand page, which has the spine on its left, before the one on its back."""
    return place.leaf, place.spine == "right"


def _is_blank(place: Placement, spec: JobSpec) -> bool:
    return place.page is None or spec.text.blank_book


def mind_colophon(press: Press) -> Iterator[Finding]:
    """What stands in the way of imposing a colophon that is wanted."""
    finish = press.spec.finish
    if not finish.colophon_page:
        return
    if not finish.colophon.strip():
        yield finding("colophon.no_words", "finish.colophon", press.notation)
    elif colophon_place(press) is None:
        yield finding("colophon.no_page", "finish.colophon_page", press.notation)
