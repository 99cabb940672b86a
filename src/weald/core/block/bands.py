"""Bands across the spine: where they stand, and what they take of the leather.

n bands make n + 1 panels; panel = (height − more at the tail − n × band) / (n + 1), the tail panel
taller by what is more at the tail. Volumes of a set share board height, so that their bands align.
"""

import math
from dataclasses import dataclass

from weald.core.block.holes import own_places
from weald.core.findings import Action, Finding, finding
from weald.core.job.binding import Bands
from weald.core.job.extras.backs import BandsMeasured
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS
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


@dataclass(frozen=True, slots=True)
class Band:
    """One band: its middle from the head of the boards, and how wide it is."""

    place: Mm
    width: Mm


def bands_here(spec: JobSpec, height: Mm) -> tuple[Band, ...]:
    """Every band where it stands: as measured, over raised cords that have places of their own, or even.

    :param height: of the boards.
    """
    bands, own = spec.binding.bands, spec.extras.bands
    if own and own.bands:
        return tuple(Band(each.place, each.width) for each in sorted(own.bands, key=lambda each: each.place))
    cords = spec.extras.places
    if cords and len(cords.supports) == bands.count and spec.sewing.method == "raised_cords":
        squares = spec.binding.squares
        middles = own_places(cords, spec.sewing, height - squares.head - squares.tail).middles
        return tuple(Band(squares.head + place, bands.width) for place in middles)
    each = panel_height(bands, height)
    first, step = each + bands.width / 2, each + bands.width
    return tuple(Band(first + number * step, bands.width) for number in range(bands.count))


def panels_here(spec: JobSpec, height: Mm) -> tuple[Panel, ...]:
    """The panels between the bands; the whole spine where there are none.

    :param height: of the boards.
    """
    edges = [0.0]
    for band in bands_here(spec, height):
        edges += [band.place - band.width / 2, band.place + band.width / 2]
    edges.append(height)
    return tuple(
        Panel(number // 2 + 1, edges[number], edges[number + 1] - edges[number])
        for number in range(0, len(edges), 2)
    )


def panel_height(bands: Bands, height: Mm) -> Mm:
    """Of every panel but the one at the tail."""
    more = bands.tail_more if bands.count else 0.0
    return (height - more - bands.count * bands.width) / (bands.count + 1)


def reckon_bands(spec: JobSpec, ledger: Ledger) -> Mm:
    """Enter the panels, and give back what leather is drawn in; the boards' height is reckoned before."""
    bands, moulded = spec.binding.bands, COVERS[spec.binding.material].moulded
    if not bands.count:
        return 0.0
    height = ledger.ref("board.height")
    if spec.extras.bands and spec.extras.bands.bands:
        return _reckon_own(spec.extras.bands, moulded, ledger)
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
    if not moulded:
        return 0.0
    return ledger.reckon(
        "bands.take_up",
        bands.count * TAKE_UP * bands.width,
        "{count} × 0.5708 × {band}",
        {"count": terms["count"], "band": terms["band"]},
        rule="leather moulded over the bands is drawn in so much; the piece is cut longer by it",
    )


def _reckon_own(own: BandsMeasured, moulded: bool, ledger: Ledger) -> Mm:
    """What leather is drawn in over bands each of its own width."""
    if not moulded:
        return 0.0
    wide = sum(each.width for each in own.bands)
    return ledger.reckon(
        "bands.take_up",
        TAKE_UP * wide,
        "0.5708 × {wide}",
        {"wide": ledger.entry("all bands together", wide, "extras.bands.bands")},
        rule="leather moulded over the bands is drawn in so much; the piece is cut longer by it",
    )


def mind_bands(spec: JobSpec, ledger: Ledger) -> list[Finding]:
    """Even bands that leave no panel between them."""
    bands, own = spec.binding.bands, spec.extras.bands
    if not bands.count or (own and own.bands) or ledger.value("panel.each") >= LEAST_PANEL:
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
