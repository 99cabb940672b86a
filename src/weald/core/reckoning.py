"""Numbers that can say why.

A :class:`Quantity` is a number with its formula, the terms it was made of, the school its rule
came from, what the other schools would give, and the measurement that replaces it, if any. A
:class:`Ledger` is where they are reckoned: what it returns is what everything downstream uses,
so a measurement made at the bench is followed from there on.
"""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from weald.core.findings import Patch
from weald.core.notation import MILLIMETRES, Notation, plain_number
from weald.core.quantities import QUANTITIES, Kind, QuantityId, SizeState
from weald.core.records import record
from weald.core.station import Station
from weald.core.sums import Terms, in_figures
from weald.core.units import Mm

_UNITS: dict[Kind, str] = {
    "length": "mm",
    "thickness": "mm",
    "count": "",
    "percent": "%",
    "grammage": "g/m²",
    "weight": "g",
    "factor": "",
}


_LONE_TERM = re.compile(r"\{\w+\}")


@record(frozen=True, slots=True)
class Term:
    """One number in a sum; ``about`` is a quantity's id or the path of an entry."""

    label: str
    value: float
    shown: str
    about: str
    kind: Kind


@record(frozen=True, slots=True)
class School:
    """One way binders make this choice: what it gives here, what it does to the book, how to choose it."""

    rule: str
    label: str
    value: float
    shown: str
    chosen: bool
    effect: str
    patch: Patch


@record(frozen=True, slots=True)
class Quantity:
    """A number with its reasons. ``value`` is ``measured`` where there is a measurement.

    :param state: of what has this size: as it is cut, before or after trimming, finished.
    """

    id: QuantityId
    station: Station
    label: str
    state: SizeState
    value: float
    unit: str
    shown: str
    how: str
    sum: str
    terms: tuple[Term, ...]
    rule: str | None
    schools: tuple[School, ...]
    measured: float | None
    computed: float
    computed_shown: str
    measurable: bool
    entry: str | None
    """Path of the entry this number is, where it is simply what was decided."""


DOUBTED: dict[Kind, tuple[float, Mm]] = {"length": (0.2, 3.0), "thickness": (0.5, 0.2)}
"""A measurement is doubted that is off by more than this part of what was reckoned, and by this much."""


def is_doubted(quantity: Quantity) -> bool:
    """Whether a measurement is so far from what was reckoned that one of the two is wrong."""
    kind = QUANTITIES[quantity.id].kind
    if quantity.measured is None or kind not in DOUBTED:
        return False
    part, least = DOUBTED[kind]
    return abs(quantity.measured - quantity.computed) > max(part * abs(quantity.computed), least)


EARLY = 0.25
"""A measurement is the earlier size where it is nearer to it than this part of what comes off in between."""


def taken_early(quantity: Quantity, quantities: Mapping[QuantityId, Quantity]) -> Quantity | None:
    """The size of the same thing before this one, where it is that which was measured; else none."""
    earlier = QUANTITIES[quantity.id].earlier
    before = None if earlier is None else quantities.get(earlier)
    if quantity.measured is None or before is None or before.measured is not None:
        return None
    comes_off = abs(before.value - quantity.computed)
    return before if abs(quantity.measured - before.value) < EARLY * comes_off else None


def show(kind: Kind, value: float, notation: Notation) -> str:
    """A number of this kind as a person reads it, with its unit."""
    if kind == "length":
        return notation.length(value, with_unit=True)
    if kind == "thickness":
        return notation.thickness(value, with_unit=True)
    if kind == "count":
        return f"{value:.0f}"
    if kind == "factor":
        return plain_number(value, 2)
    return f"{plain_number(value, 1 if kind == 'percent' else 0)} {_UNITS[kind]}"


@dataclass(slots=True)
class Ledger:
    """Quantities as they are reckoned, in order."""

    measured: Mapping[str, Mm] = field(default_factory=dict)
    notation: Notation = MILLIMETRES
    quantities: dict[QuantityId, Quantity] = field(default_factory=dict)

    def entry(
        self, label: str, value: float, about: str, kind: Kind = "length", *, own: str | None = None
    ) -> Term:
        """A term that the binder decided.

        :param own: what they call it themselves, instead of ``label``.
        """
        shown = self._shown(kind, value, as_it_is=True)
        return Term(own or self.say(label), value, shown, about, kind)

    def say(self, sentence: str, /, **terms: object) -> str:
        """A sentence in the words of whoever reads."""
        return self.notation.say(sentence, **terms) if "{" in sentence else sentence

    def ref(self, quantity_id: QuantityId) -> Term:
        """A term reckoned before."""
        quantity = self.quantities[quantity_id]
        label = quantity.label[0].lower() + quantity.label[1:]
        return Term(label, quantity.value, quantity.shown, quantity_id, QUANTITIES[quantity_id].kind)

    def value(self, quantity_id: QuantityId) -> float:
        """The value of a quantity reckoned before."""
        return self.quantities[quantity_id].value

    def shown(self, quantity_id: QuantityId) -> str:
        """A quantity reckoned before, as a person reads it."""
        return self.quantities[quantity_id].shown

    def _shown(self, kind: Kind, value: float, *, as_it_is: bool) -> str:
        """A size as a person reads it; what was measured or decided is never rounded to a ruler."""
        if as_it_is and kind == "length":
            return self.notation.limit(value)
        return show(kind, value, self.notation)

    @property
    def _per_weight(self) -> float:
        """What g/m² × cm³/g is divided by to be a thickness: microns in a millimetre, or in an inch."""
        return 25_400 if self.notation.units == "inch" else 1000

    def school(
        self,
        rule: str,
        label: str,
        value: float,
        patch: Patch,
        *,
        chosen: bool,
        effect: str = "",
        kind: Kind = "length",
    ) -> School:
        """One school's answer."""
        shown = show(kind, value, self.notation)
        return School(rule, self.say(label), value, shown, chosen, self.say(effect), patch)

    def reckon(
        self,
        quantity_id: QuantityId,
        value: float,
        how: str,
        terms: Mapping[str, Term] | None = None,
        *,
        rule: str | None = None,
        schools: Sequence[School] = (),
        entry: str | None = None,
        from_weight: bool = False,
        label: str | None = None,
        state: SizeState | None = None,
        measurable: bool = True,
        or_nothing: bool = False,
    ) -> float:
        """Enter a quantity and give back the value to go on with.

        :param how: the formula, with the names of ``terms`` in braces: ``"{block} + {head}"``.
        :param from_weight: for sums of grammage and bulk: ``{per}`` in the formula turns g/m² × cm³/g
            into the reader's unit.
        :param label: what it is called here, where its usual name does not fit.
        :param state: of what has this size, where it is not the usual one.
        :param measurable: ``False`` where this book makes nothing of it, though others do.
        :param or_nothing: what comes out less than nothing is nothing, and the sum says that it is.
        :returns: the measurement, where there is one, else ``value``.
        """
        definition = QUANTITIES[quantity_id]
        if or_nothing and value < 0:
            value, how = 0.0, f"nothing: {how} is less than 0"
        terms = terms or {}
        measurable = measurable and definition.measurable
        measured = self.measured.get(quantity_id) if measurable else None
        effective = value if measured is None else measured
        computed_shown = show(definition.kind, value, self.notation)
        labels = {name: term.label for name, term in terms.items()}
        if from_weight:
            labels["per"] = f"{self._per_weight:.0f}"
        summed = ""
        if terms and not entry and not _LONE_TERM.fullmatch(how):
            figures: Terms = tuple((name, term.kind, term.value) for name, term in terms.items())
            if from_weight:
                figures += (("per", "factor", self._per_weight),)
            summed = in_figures(how, figures, definition.kind, value, self.notation)
        self.quantities[quantity_id] = Quantity(
            id=quantity_id,
            station=definition.station,
            label=self.say(label or definition.label),
            state=definition.state if state is None else state,
            value=effective,
            unit=_UNITS[definition.kind],
            shown=computed_shown
            if entry is None and measured is None
            else self._shown(definition.kind, effective, as_it_is=True),
            how=self.say(how, **labels),
            sum=summed,
            terms=tuple(terms.values()),
            rule=None if rule is None else self.say(rule),
            schools=tuple(schools),
            measured=measured,
            computed=value,
            computed_shown=computed_shown,
            measurable=measurable,
            entry=entry,
        )
        return effective
