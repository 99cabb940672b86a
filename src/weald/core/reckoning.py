"""Numbers that can say why.

A :class:`Quantity` is a number with its formula, the terms it was made of, the school its rule
came from, what the other schools would give, and the measurement that replaces it, if any. A
:class:`Ledger` is where they are reckoned: what it returns is what everything downstream uses,
so a measurement made at the bench is followed from there on.
"""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Literal

from weald.core.findings import Patch
from weald.core.notation import MILLIMETRES, Notation, plain_number
from weald.core.units import Mm

Station = Literal["text", "paper", "folding", "printing", "sewing", "block", "boards", "finish", "cutting"]
STATIONS: tuple[Station, ...] = (
    "text",
    "paper",
    "folding",
    "printing",
    "sewing",
    "block",
    "boards",
    "finish",
    "cutting",
)
STATION_TITLES: dict[Station, str] = {
    "text": "Text",
    "paper": "Paper",
    "folding": "Folding",
    "printing": "Printing",
    "sewing": "Sewing",
    "block": "Block",
    "boards": "Boards & cover",
    "finish": "Finish",
    "cutting": "Cutting",
}

Kind = Literal["length", "thickness", "count", "percent", "grammage", "weight", "factor"]

_UNITS: dict[Kind, str] = {
    "length": "mm",
    "thickness": "mm",
    "count": "",
    "percent": "%",
    "grammage": "g/m²",
    "weight": "g",
    "factor": "",
}


@dataclass(frozen=True, slots=True)
class Definition:
    """What a quantity is, whatever its value.

    :param measured: whether a measurement may replace it. Nothing follows from what is only seen, chosen or
        compared, and no measurement of it is asked for.
    """

    station: Station
    label: str
    kind: Kind = "length"
    measured: bool = True

    @property
    def measurable(self) -> bool:
        """Whether a measurement made at the bench may replace it."""
        return self.measured and self.kind in ("length", "thickness")


QUANTITIES: dict[str, Definition] = {
    "text.pages": Definition("text", "Pages bound", "count"),
    "text.leaves": Definition("text", "Leaves", "count"),
    "text.blanks": Definition("text", "Blank pages", "count"),
    "leaf.untrimmed_width": Definition("text", "Leaf width before trimming"),
    "leaf.untrimmed_height": Definition("text", "Leaf height before trimming"),
    "paper.grammage": Definition("paper", "Grammage", "grammage"),
    "paper.calliper": Definition("paper", "Thickness of a leaf", "thickness"),
    "sheet.width": Definition("paper", "Unfolded sheet, width", measured=False),
    "sheet.height": Definition("paper", "Unfolded sheet, height", measured=False),
    "stock.per_sheet": Definition("paper", "Out of one stock sheet", "count"),
    "stock.sheets": Definition("paper", "Stock sheets to take", "count"),
    "sections.count": Definition("folding", "{Signatures}", "count"),
    "sections.sheets": Definition("folding", "Sheets a {signature}", "count"),
    "sheets.count": Definition("folding", "Sheets to fold", "count"),
    "creep.step": Definition("folding", "Creep from folio to folio", "thickness"),
    "sections.creep": Definition("folding", "Creep in all", "thickness"),
    "text.scale": Definition("printing", "Pages of the text are scaled to", "percent"),
    "printed.width": Definition("printing", "Printed sheet, width", measured=False),
    "printed.height": Definition("printing", "Printed sheet, height", measured=False),
    "printed.least_width": Definition("printing", "Smallest sheet that takes it, width", measured=False),
    "printed.least_height": Definition("printing", "Smallest sheet that takes it, height", measured=False),
    "printed.copies": Definition("printing", "Copies a printed sheet", "count"),
    "printed.sheets": Definition("printing", "Sheets to print, spoilage included", "count"),
    "sewing.holes": Definition("sewing", "Holes in the fold", "count"),
    "sewing.first": Definition("sewing", "First hole, from head and tail"),
    "sewing.kettle": Definition("sewing", "Kettles, from head and tail"),
    "sewing.interval": Definition("sewing", "From support to support"),
    "sewing.support_length": Definition("sewing", "Length of a support"),
    "thread.section": Definition("sewing", "Thread a {signature}"),
    "thread.length": Definition("sewing", "Thread in all"),
    "thread.needlefuls": Definition("sewing", "Needlefuls", "count"),
    "text.thickness": Definition("block", "Text, pressed"),
    "inserts.thickness": Definition("block", "Things glued in", "thickness"),
    "endpapers.thickness": Definition("block", "Endpapers", "thickness"),
    "block.thickness": Definition("block", "Block thickness"),
    "block.height": Definition("block", "Block height"),
    "block.width": Definition("block", "Block width"),
    "spine.swell": Definition("block", "Swell", "thickness"),
    "spine.swell_ratio": Definition("block", "Swell to thickness", "percent"),
    "spine.thickness": Definition("block", "Spine as sewn"),
    "thread.suits": Definition("block", "Thread that would suit", "thickness", measured=False),
    "spine.swell_round": Definition("block", "Round the swell asks for", "factor"),
    "spine.round": Definition("block", "Round, part of a circle", "factor"),
    "shoulder.line": Definition("block", "Shoulder line, from the spine"),
    "shoulder.height": Definition("block", "Shoulder", "length"),
    "spine.chord": Definition("block", "Across the shoulders"),
    "spine.arc": Definition("block", "Arc of the spine"),
    "spine.rise": Definition("block", "Rise of the round"),
    "spine.left_over": Definition("block", "Swell left for the shoulders", "thickness", measured=False),
    "shoulder.width": Definition("block", "From shoulder to fore-edge"),
    "block.diagonal": Definition("block", "Diagonal of the block"),
    "block.out_of_square": Definition("block", "Out of square", "thickness", measured=False),
    "guards.count": Definition("block", "Guards a {signature}", "count"),
    "end_band.length": Definition("block", "End band"),
    "hollow.width": Definition("block", "Paper for the hollow"),
    "lining.head": Definition("block", "Lining at the head"),
    "lining.between": Definition("block", "Lining between cords"),
    "lining.tail": Definition("block", "Lining at the tail"),
    "mull.head": Definition("block", "Mull at the head"),
    "mull.between": Definition("block", "Mull between cords"),
    "mull.tail": Definition("block", "Mull at the tail"),
    "mull.width": Definition("block", "Mull, width"),
    "mull.height": Definition("block", "Mull, height"),
    "board.thickness": Definition("boards", "Board thickness", "thickness"),
    "squares.head": Definition("boards", "Square, head", measured=False),
    "squares.tail": Definition("boards", "Square, tail", measured=False),
    "squares.fore_edge": Definition("boards", "Square, fore-edge", measured=False),
    "board.height": Definition("boards", "Board height"),
    "spine_board.thickness": Definition("boards", "Spine board thickness", "thickness"),
    "joint.groove": Definition("boards", "Depth of the groove"),
    "joint.gap": Definition("boards", "Joint gap"),
    "joint.inset": Definition("boards", "Inset of the board"),
    "case.distance": Definition("boards", "Between the boards, over the cloth"),
    "board.width": Definition("boards", "Board width"),
    "spine_board.width": Definition("boards", "Spine board width"),
    "lacing.first": Definition("boards", "Holes, from the spine edge"),
    "lacing.second": Definition("boards", "Second holes, from the spine edge"),
    "slip.length": Definition("boards", "Supports reach on each side"),
    "flange.width": Definition("boards", "Flange"),
    "split.depth": Definition("boards", "Depth of the split"),
    "strip.width": Definition("boards", "Joining strip"),
    "cover.leaf": Definition("boards", "Back and front of the cover"),
    "slit.length": Definition("boards", "Length of a slit"),
    "slit.step": Definition("boards", "From slit to slit"),
    "cover.height": Definition("boards", "Cover height"),
    "cover.width": Definition("boards", "Cover width"),
    "art.width": Definition("boards", "Printed cover, document width", measured=False),
    "art.height": Definition("boards", "Printed cover, document height", measured=False),
    "spine_piece.width": Definition("boards", "Spine piece, width"),
    "side.width": Definition("boards", "Side, width"),
    "corner.leg": Definition("boards", "Corner, leg on the board"),
    "corner.size": Definition("boards", "Corner, square to cut it from"),
    "panel.width": Definition("boards", "Old cover trimmed, width"),
    "panel.spine": Definition("boards", "Old spine trimmed, width"),
    "panel.height": Definition("boards", "Old cover trimmed, height"),
    "panel.each": Definition("boards", "Panel between bands", measured=False),
    "bands.take_up": Definition("boards", "Drawn in over the bands"),
    "turn_in.inside": Definition("boards", "Turn-in seen inside", measured=False),
    "corner.cut": Definition("boards", "Corner cut, from the board's corner"),
    "closed.head": Definition("boards", "Closed: square at the head", measured=False),
    "closed.tail": Definition("boards", "Closed: square at the tail", measured=False),
    "closed.fore_edge": Definition("boards", "Closed: square at the fore-edge", measured=False),
    "closed.inset": Definition("boards", "Closed: boards begin from the spine", measured=False),
    "closed.parallel": Definition("boards", "Closed: out of parallel", measured=False),
    "joint.ease": Definition("boards", "Inset, in board thicknesses", "factor"),
    "book.weight": Definition("boards", "Weight of the book", "weight"),
    "finish.width": Definition("finish", "Spine to letter"),
    "title.capital": Definition("finish", "Capitals of the title"),
    "title.length": Definition("finish", "Length of the title"),
    "label.width": Definition("finish", "Label, width"),
    "label.height": Definition("finish", "Label, height"),
    "volume.capital": Definition("finish", "Capitals of the volume"),
    "ribbon.length": Definition("finish", "Ribbon"),
    "pastedown.growth": Definition("boards", "Paste-down grows when pasted", "thickness"),
    "pastedown.trim": Definition("boards", "Trimmed off the paste-down", measured=False),
    "pastedown.width": Definition("boards", "Paste-down, cut width", measured=False),
    "pastedown.margin": Definition("boards", "Margin of the paste-down", measured=False),
    "pull.outside": Definition("boards", "Pull of the cover", "factor"),
    "pull.inside": Definition("boards", "Pull of paste-down and linings", "factor"),
    "pull.lining": Definition("boards", "Lining that would balance it", "grammage"),
}

_LONE_TERM = re.compile(r"\{\w+\}")


def measurable(quantity_id: str) -> bool:
    """Whether a job may hold a measurement of this quantity."""
    definition = QUANTITIES.get(quantity_id)
    return bool(definition and definition.measurable)


def measurable_ids() -> list[str]:
    """Every quantity a job may hold a measurement of."""
    return [quantity_id for quantity_id in QUANTITIES if measurable(quantity_id)]


@dataclass(frozen=True, slots=True)
class Term:
    """One number in a sum; ``about`` is a quantity's id or the path of an entry."""

    label: str
    value: float
    shown: str
    about: str
    exact: str
    """The number as it stands in the sum: finer than any ruler, without its unit."""


@dataclass(frozen=True, slots=True)
class School:
    """One way binders make this choice: what it gives here, what it does to the book, how to choose it."""

    rule: str
    label: str
    value: float
    shown: str
    chosen: bool
    effect: str
    patch: Patch


@dataclass(frozen=True, slots=True)
class Quantity:
    """A number with its reasons. ``value`` is ``measured`` where there is a measurement."""

    id: str
    station: Station
    label: str
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


def exactly(kind: Kind, value: float, notation: Notation) -> str:
    """A number of this kind as it stands in a sum, fine enough for the sum to come out."""
    if kind == "length":
        return notation.exact(value)
    if kind == "thickness":
        return notation.exact(value, decimals=3)
    return plain_number(value, 3)


@dataclass(slots=True)
class Ledger:
    """Quantities as they are reckoned, in order."""

    measured: Mapping[str, Mm] = field(default_factory=dict)
    notation: Notation = MILLIMETRES
    quantities: dict[str, Quantity] = field(default_factory=dict)

    def entry(
        self, label: str, value: float, about: str, kind: Kind = "length", *, own: str | None = None
    ) -> Term:
        """A term that the binder decided.

        :param own: what they call it themselves, instead of ``label``.
        """
        return Term(
            own or self.say(label),
            value,
            self._shown(kind, value, as_it_is=True),
            about,
            exactly(kind, value, self.notation),
        )

    def say(self, sentence: str, /, **terms: object) -> str:
        """A sentence in the words of whoever reads."""
        return self.notation.say(sentence, **terms)

    def ref(self, quantity_id: str) -> Term:
        """A term reckoned before."""
        quantity = self.quantities[quantity_id]
        label = quantity.label[0].lower() + quantity.label[1:]
        exact = exactly(QUANTITIES[quantity_id].kind, quantity.value, self.notation)
        return Term(label, quantity.value, quantity.shown, quantity_id, exact)

    def value(self, quantity_id: str) -> float:
        """The value of a quantity reckoned before."""
        return self.quantities[quantity_id].value

    def shown(self, quantity_id: str) -> str:
        """A quantity reckoned before, as a person reads it."""
        return self.quantities[quantity_id].shown

    def _shown(self, kind: Kind, value: float, *, as_it_is: bool) -> str:
        """A size as a person reads it; what was measured or decided is never rounded to a ruler."""
        if as_it_is and kind == "length":
            return self.notation.limit(value)
        return show(kind, value, self.notation)

    @property
    def _per_weight(self) -> str:
        """What g/m² × cm³/g is divided by to be a thickness: microns in a millimetre, or in an inch."""
        return "25400" if self.notation.units == "inch" else "1000"

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
        quantity_id: str,
        value: float,
        how: str,
        terms: Mapping[str, Term] | None = None,
        *,
        rule: str | None = None,
        schools: Sequence[School] = (),
        entry: str | None = None,
        from_weight: bool = False,
        label: str | None = None,
        measurable: bool = True,
    ) -> float:
        """Enter a quantity and give back the value to go on with.

        :param how: the formula, with the names of ``terms`` in braces: ``"{block} + {head}"``.
        :param from_weight: for sums of grammage and bulk: ``{per}`` in the formula turns g/m² × cm³/g
            into the reader's unit.
        :param label: what it is called here, where its usual name does not fit.
        :param measurable: ``False`` where this book makes nothing of it, though others do.
        :returns: the measurement, where there is one, else ``value``.
        """
        definition = QUANTITIES[quantity_id]
        terms = terms or {}
        measurable = measurable and definition.measurable
        measured = self.measured.get(quantity_id) if measurable else None
        effective = value if measured is None else measured
        computed_shown = show(definition.kind, value, self.notation)
        per = {"per": self._per_weight} if from_weight else {}
        words = self.say(how, **per, **{name: term.label for name, term in terms.items()})
        numbers = self.say(how, **per, **{name: term.exact for name, term in terms.items()})
        total = exactly(definition.kind, value, self.notation)
        self.quantities[quantity_id] = Quantity(
            id=quantity_id,
            station=definition.station,
            label=self.say(label or definition.label),
            value=effective,
            unit=_UNITS[definition.kind],
            shown=self._shown(definition.kind, effective, as_it_is=entry is not None or measured is not None),
            how=words,
            sum="" if entry or not terms or _LONE_TERM.fullmatch(how) else f"{numbers} = {total}",
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
