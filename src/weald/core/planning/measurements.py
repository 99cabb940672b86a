"""Sizes that were measured: as they stand in drawings, and those nobody reads or that can hardly be so."""

import math
from collections.abc import Sequence
from dataclasses import replace

from weald.core.drawing import Dimension, Drawing
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.job.asked import in_forms
from weald.core.job.patching import value_at
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.chains import rounding_told
from weald.core.quantities import QUANTITIES, is_quantity
from weald.core.reckoning import Ledger, Quantity, is_doubted, taken_early
from weald.core.units import TOLERANCE


def unused_measurements(ledger: Ledger) -> list[Finding]:
    """Measurements of what this book does not have."""
    return [
        finding(
            "measured.unused",
            f"measured.{key}",
            ledger.notation,
            station=QUANTITIES[key].station,
            actions=(Action("Clear the measurement", {f"measured.{key}": None}),),
            label=ledger.say(QUANTITIES[key].label).lower(),
        )
        for key in ledger.measured
        if is_quantity(key) and (key not in ledger.quantities or not ledger.quantities[key].measurable)
    ]


def doubted_measurements(ledger: Ledger) -> list[Finding]:
    """Measurements made too early, or so far from what was reckoned that one of the two is wrong."""
    return [
        _too_early(quantity, before, ledger.notation)
        if (before := taken_early(quantity, ledger.quantities))
        else finding(
            "measured.far",
            quantity.id,
            ledger.notation,
            station=quantity.station,
            label=quantity.label,
            measured=quantity.shown,
            computed=quantity.computed_shown,
        )
        for quantity in ledger.quantities.values()
        if taken_early(quantity, ledger.quantities) or is_doubted(quantity)
    ]


def _too_early(quantity: Quantity, before: Quantity, notation: Notation) -> Finding:
    """A size that was measured before the work that makes it."""
    meant: Patch = {f"measured.{quantity.id}": None, f"measured.{before.id}": quantity.measured}
    return finding(
        "measured.early",
        quantity.id,
        notation,
        station=quantity.station,
        label=quantity.label,
        measured=quantity.shown,
        computed=quantity.computed_shown,
        before=before.state,
        state=quantity.state,
        actions=(Action(f"It was measured {before.state}", meant),),
    )


def figures_told(drawings: Sequence[Drawing], spec: JobSpec, ledger: Ledger) -> tuple[Drawing, ...]:
    """Drawings whose dimensions say whose figure they have, and where a whole is rounded.

    Measured sizes stand as they were measured, not as a ruler rounds them.
    """
    return tuple(_with_figures(rounding_told(each, ledger.notation), spec, ledger) for each in drawings)


def _with_figures(drawing: Drawing, spec: JobSpec, ledger: Ledger) -> Drawing:
    if not any(isinstance(each, Dimension) and each.about for each in drawing.elements):
        return drawing
    told = tuple(
        _with_figure(each, spec, ledger) if isinstance(each, Dimension) and each.about else each
        for each in drawing.elements
    )
    return replace(drawing, elements=told)


def _with_figure(dimension: Dimension, spec: JobSpec, ledger: Ledger) -> Dimension:
    """A dimension with the first size or entry, of what it is about, that is as long as it is."""
    start, end, text = dimension.start, dimension.end, dimension.text
    length = math.dist(start, end)
    for about in dimension.about.split():
        found = ledger.quantities.get(about) if is_quantity(about) else None
        value = value_at(spec, about) if about in _ENTRIES else found and found.value
        if not isinstance(value, int | float) or abs(value - length) >= TOLERANCE:
            continue
        if found is not None and found.measured is not None and QUANTITIES[found.id].kind == "length":
            text = ledger.notation.plain(found.value)
        return Dimension(start, end, text, dimension.offset, dimension.about, about)
    return dimension


_ENTRIES = frozenset(path for path, _, _ in in_forms())
