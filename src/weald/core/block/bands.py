"""Bands across the spine: where they stand, and what they take of the leather.

n bands make n + 1 panels; panel = (height − more at the tail − n × band) / (n + 1), the tail panel
taller by what is more at the tail. Volumes of a set share board height, so that their bands align.
"""

import math
from dataclasses import dataclass

from weald.core.findings import Action, Finding, finding
from weald.core.job.spec import Bands
from weald.core.notation import counted
from weald.core.reckoning import Ledger
from weald.core.units import Mm

LEAST_PANEL: Mm = 12.0
TAKE_UP = math.pi / 2 - 1
"""More way over a half-round band than across its foot, as a part of its width."""


@dataclass(frozen=True, slots=True)
class Panel:
    """One panel of the spine, from the head of the boards; ``number`` from 1 at the head."""

    number: int
    top: Mm
    height: Mm


def panels(bands: Bands, height: Mm) -> tuple[Panel, ...]:
    """The panels between the bands.

    :param height: of the boards.
    """
    count = bands.count
    each = panel_height(bands, height)
    found = []
    for number in range(count + 1):
        top = number * (each + bands.width)
        found.append(Panel(number + 1, top, each + (bands.tail_more if number == count > 0 else 0.0)))
    return tuple(found)


def panel_height(bands: Bands, height: Mm) -> Mm:
    """Of every panel but the one at the tail."""
    more = bands.tail_more if bands.count else 0.0
    return (height - more - bands.count * bands.width) / (bands.count + 1)


def band_places(bands: Bands, height: Mm) -> tuple[Mm, ...]:
    """Middle of every band, from the head of the boards."""
    return tuple(panel.top - bands.width / 2 for panel in panels(bands, height)[1:])


def reckon_bands(bands: Bands, leather: bool, ledger: Ledger) -> None:
    """Enter the panels, and what leather is drawn in; the boards' height has been reckoned before."""
    if not bands.count:
        return
    height = ledger.ref("board.height")
    terms = {
        "height": height,
        "more": ledger.entry("more at the tail", bands.tail_more, "binding.bands.tail_more"),
        "count": ledger.entry("bands", bands.count, "binding.bands.count", "count"),
        "band": ledger.entry("a band", bands.width, "binding.bands.width"),
    }
    ledger.reckon(
        "panel.each",
        panel_height(bands, height.value),
        "({height} − {more} − {count} × {band}) / ({count} + 1)",
        terms,
        rule="the tail panel is taller by {mm:3–6}, or the spine looks as if it slid down",
    )
    if not leather:
        return
    ledger.reckon(
        "bands.take_up",
        bands.count * TAKE_UP * bands.width,
        "{count} × 0.57 × {band}",
        {"count": terms["count"], "band": terms["band"]},
        rule="leather moulded over the bands is drawn in so much; the piece is cut longer by it",
    )


def mind_bands(bands: Bands, ledger: Ledger) -> list[Finding]:
    """Bands that leave no panel between them."""
    if not bands.count or ledger.value("panel.each") >= LEAST_PANEL:
        return []
    show = ledger.notation.length
    height = ledger.value("board.height")
    fewer = next(
        (
            count
            for count in range(bands.count - 1, -1, -1)
            if panel_height(bands.model_copy(update={"count": count}), height) >= LEAST_PANEL
        ),
        0,
    )
    return [
        finding(
            "bands.crowded",
            "panel.each",
            ledger.notation,
            count=counted(bands.count, "band"),
            height=show(height, True),
            panel=show(max(0.0, ledger.value("panel.each")), True),
            actions=(Action(f"{fewer} bands", {"binding.bands.count": fewer}),),
        )
    ]
