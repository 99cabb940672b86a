"""Sizes that were measured: as they stand in drawings, and those nobody reads or that can hardly be so."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace

from weald.core.drawing import Dimension, Drawing
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.notation import Notation
from weald.core.quantities import QUANTITIES, QuantityId, is_quantity
from weald.core.reckoning import Ledger, Quantity, is_doubted, taken_early
from weald.core.units import TOLERANCE, Mm


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


def as_measured(drawings: Sequence[Drawing], ledger: Ledger) -> tuple[Drawing, ...]:
    """Drawings whose figures of measured sizes stand as they were measured, not as a ruler rounds them."""
    exact = {
        each.id: each.value
        for each in ledger.quantities.values()
        if each.measured is not None and QUANTITIES[each.id].kind == "length"
    }
    return tuple(_with_exact(each, exact, ledger.notation) if exact else each for each in drawings)


def _with_exact(drawing: Drawing, exact: Mapping[QuantityId, Mm], notation: Notation) -> Drawing:
    elements = list(drawing.elements)
    for place, element in enumerate(elements):
        if isinstance(element, Dimension):
            length = math.dist(element.start, element.end)
            for about in element.about.split():
                if is_quantity(about) and about in exact and abs(exact[about] - length) < TOLERANCE:
                    elements[place] = replace(element, text=notation.plain(exact[about]))
    return replace(drawing, elements=tuple(elements))
