"""House rules: the schools a workshop goes by, its squares, gauges, rulers, words and hands.

A rule is an entry of a job with the value the house gives it. A new job takes what it does not say itself
from the rules; where a job decides otherwise, it *departs* from them, which is shown and never undone
by itself.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from typing import Annotated, Any, Literal

from pydantic import Field

from weald.core.bench.step import Counted, no_wait
from weald.core.bench.steps import STEPS
from weald.core.bindings.asking import asking_of
from weald.core.bindings.catalogue import structure_of
from weald.core.errors import SpecError
from weald.core.extras.catalogue import ExtraRecord
from weald.core.findings import Patch
from weald.core.job.entries import Entries, Length, Size, lengths_by_thumb, read_entries
from weald.core.job.entry import Entry, RuleGroup, entry_of
from weald.core.job.extras.backs import Hammer
from weald.core.job.extras.group import ExtraName
from weald.core.job.extras.lettering import FinishingTool, FinishingType
from weald.core.job.fields import entries_in, field_of
from weald.core.job.forms import FORMS
from weald.core.job.patching import value_at, with_entry
from weald.core.job.saying import value_words
from weald.core.job.spec import JobSpec, read_spec
from weald.core.job.upgrades import JOB
from weald.core.notation import MILLIMETRES, Notation, Vocabulary, usual_mark
from weald.core.quantities import QuantityId, is_quantity
from weald.core.reckoning import Quantity
from weald.core.station import Station
from weald.core.units import TOLERANCE, Mm
from weald.core.upgrades import Format

TIMES: RuleGroup = "Times at the bench"
"""The group of rules for how long operations take."""
TIMES_WORDS: dict[Counted, dict[str, str]] = {
    "copy": {"fixed": "minutes once", "rate": "minutes a copy", "wait": "minutes of wait"},
    "sheet": {"fixed": "minutes once", "rate": "minutes a sheet", "wait": "minutes of wait"},
    "signature": {"fixed": "minutes once", "rate": "minutes a {signature}", "wait": "minutes of wait"},
}
"""What times of an operation are called, by what it is counted by."""
RuleKind = Literal["choice", "length", "number"]


@dataclass(frozen=True, slots=True)
class RuleEntry:
    """An entry the house may have a rule for.

    ``undecided`` says what a job goes by that leaves it open, where that is a decision of its own;
    ``operation`` and ``counted``, of a time, what takes it and what it is counted by.
    """

    path: str
    group: RuleGroup
    label: str
    kind: RuleKind
    station: Station
    undecided: str = ""
    operation: str = ""
    counted: str = ""


def _rules() -> Iterator[RuleEntry]:
    for path, info in entries_in(JobSpec).items():
        entry, field = entry_of(info), field_of(path, info, MILLIMETRES)
        if entry.rule and entry.form:
            kind: RuleKind = field.kind if field.kind in ("choice", "length") else "number"
            undecided = "" if is_quantity(entry.left_open) else entry.left_open
            station = FORMS[entry.form].at[0].station
            yield RuleEntry(path, entry.rule, info.title or path, kind, station, undecided)
    for step in STEPS.values():
        for key, words in TIMES_WORDS[step.of].items():
            if key != "wait" or step.wait is not no_wait:
                path = f"bench.times.{step.id}.{key}"
                label = f"{step.title}, {words}"
                yield RuleEntry(path, TIMES, label, "number", "bench", operation=step.title, counted=words)


RULES: tuple[RuleEntry, ...] = tuple(_rules())
"""In the order of the job file; how long operations take last."""
_BY_PATH = {rule.path: rule for rule in RULES}
_EDGES = ("head", "tail", "fore_edge")


def usual_time(path: str) -> float | None:
    """What an operation takes where nobody says, by the path of the rule; none where it varies."""
    _, _, operation, entry = path.split(".")
    step = STEPS[operation]
    found = {"fixed": step.fixed, "rate": step.rate}.get(entry)
    return float(found) if isinstance(found, int | float) else None


HOUSE = Format("house’s rules")


class SquareStep(Entries):
    """Squares for blocks up to a height."""

    up_to: Size
    head: Annotated[Length, Field(ge=0, le=50)]
    tail: Annotated[Length, Field(ge=0, le=50)]
    fore_edge: Annotated[Length, Field(ge=0, le=50)]


class Learnt(Entries):
    """A rule that was taken from experience: what it is called, what was taken, and on what it rests."""

    label: Annotated[str, Field(max_length=200)]
    value: float
    words: Annotated[str, Field(max_length=200)]


class House(Entries):
    """The rules of a workshop.

    :param rules: entries of a job by dotted path, with the house's value. What is not listed has no rule.
    :param squares: by the height of the block, the lowest first; taller blocks take the last.
    :param gauges: strips of known width the workshop owns.
    :param tools: finishing tools and ``types`` owned, as their impressions measure; ``hammers`` by their
    faces.
    :param learnt: for rules taken from experience by hand, by their path, what they rest on.
    :param hand: with which most of its people work.
    :param paper: what is printed on, and the finest marks of its rulers, for people who are new.
    """

    version: Annotated[int, Field(ge=1, le=HOUSE.version)] = HOUSE.version
    rules: Annotated[dict[str, str | float], Field(max_length=300)] = {}
    squares: Annotated[tuple[SquareStep, ...], Field(max_length=12, title="Squares by height")] = ()
    gauges: Annotated[
        tuple[Annotated[Length, Field(gt=0, le=100)], ...], Field(max_length=40, title="Gauges")
    ] = ()
    tools: Annotated[tuple[FinishingTool, ...], Field(max_length=40, title="Finishing tools")] = ()
    types: Annotated[tuple[FinishingType, ...], Field(max_length=20, title="Type")] = ()
    hammers: Annotated[tuple[Hammer, ...], Field(max_length=20, title="Hammers")] = ()
    learnt: Annotated[dict[str, Learnt], Field(max_length=300)] = {}
    vocabulary: Annotated[
        Vocabulary,
        Field(title="Word for a folded section"),
        Entry(options={"signature": "signature", "section": "section", "gathering": "gathering"}),
    ] = "signature"
    hand: Annotated[
        Literal["right", "left"],
        Field(title="Hand"),
        Entry(options={"right": "right-handed", "left": "left-handed"}),
    ] = "right"
    paper: Annotated[
        Literal["a4", "letter"],
        Field(title="Paper printed on"),
        Entry(options={"a4": "A4", "letter": "Letter"}),
    ] = "a4"
    mm_division: Annotated[
        float,
        Field(ge=0.1, le=1, title="Finest mark, mm"),
        Entry(options={"0.1": "0.1 mm", "0.25": "0.25 mm", "0.5": "0.5 mm", "1": "1 mm"}),
    ] = 0.5
    inch_division: Annotated[
        Literal[16, 32, 64],
        Field(title="Finest mark, inches"),
        Entry(options={"16": "1/16″", "32": "1/32″", "64": "1/64″"}),
    ] = 32


@dataclass(frozen=True, slots=True)
class Departure:
    """Where a job decides otherwise than the house: both values, and how to go by the rule."""

    station: Station
    path: str
    label: str
    here: str
    house: str
    patch: Patch


@dataclass(frozen=True, slots=True)
class GaugeHint:
    """The owned gauge nearest to a size, and how much it is off."""

    quantity: str
    words: str
    patch: Patch


def read_house(data: object, notation: Notation | None = None) -> House:
    """Read the rules as typed.

    :raises SpecError: naming every place that is wrong.
    """
    house = read_entries(House, data, notation, kept_as=HOUSE, whole="house rules")
    heights = [step.up_to for step in house.squares]
    if heights != sorted(set(heights)):
        raise SpecError(
            {"squares": "List the squares from the lowest block to the tallest, each height once."}
        )
    unknown = [path for path in house.rules if path not in _BY_PATH]
    if unknown:
        raise SpecError({f"rules.{unknown[0]}": f"The house has no rule for “{unknown[0]}”."})
    return house.model_copy(update={"rules": _read_rules(house.rules, notation)})


def _read_rules(rules: Mapping[str, str | float], notation: Notation | None) -> dict[str, str | float]:
    """Every rule tried on a job, so that what no job could hold is refused where it stands."""
    data: dict[str, Any] = {}
    for path, value in rules.items():
        data = with_entry(data, path.split("."), value)
    try:
        spec = read_spec(data, notation)
    except SpecError as error:
        raise SpecError({f"rules.{path}": text for path, text in error.fields.items()}) from None
    found: dict[str, str | float] = {}
    for path in rules:
        entry = value_at(spec, path)
        found[path] = entry if isinstance(entry, str | float | int) else ""
    return found


def squares_for(house: House, height: Mm) -> SquareStep | None:
    """The squares of a block so high; none where the house has no rule for them."""
    if not house.squares:
        return None
    return next((step for step in house.squares if height <= step.up_to + TOLERANCE), house.squares[-1])


def begun_with(records: tuple[ExtraRecord, ...], house: House) -> tuple[ExtraRecord, ...]:
    """What can be added, beginning with the tools the house owns: copied, so that a job stands on its own."""
    owned: dict[ExtraName, dict[str, tuple[Entries, ...]]] = {
        "finishing": {"tools": house.tools, "types": house.types},
        "backing": {"hammers": house.hammers},
    }
    return tuple(
        replace(
            record,
            begins=record.begins
            | {
                key: [each.model_dump(mode="json") for each in things]
                for key, things in owned.get(record.name, {}).items()
                if things
            },
        )
        for record in records
    )


def with_house(data: Mapping[str, Any], house: House, notation: Notation | None = None) -> dict[str, Any]:
    """A job file with what it leaves open taken from the rules.

    :param notation: of whoever begins the job; for those who read inches, what the rules leave open too is in
        marks of their ruler.
    """
    filled = JOB.upgraded(data)
    for path, value in house.rules.items():
        if not _says(filled, path.split(".")):
            filled = with_entry(filled, path.split("."), value)
    if notation is not None and notation.units == "inch":
        filled = _in_inches(filled, house)
    if not house.squares or _says(filled, ["binding", "squares"]):
        return filled
    # only a job that can be read has a height to go by
    step = squares_for(house, read_spec(filled, notation).leaf.height)
    if step is None:
        return filled
    squares = {edge: getattr(step, edge) for edge in _EDGES}
    return with_entry(filled, ["binding", "squares"], squares)


_THINNEST: Mm = 1.5
"""What is thinner than card is as it is bought."""


def _in_inches(data: dict[str, Any], house: House) -> dict[str, Any]:
    """What is left open as the plainest fraction of an inch near the usual length: 1/8, not 0.118."""
    for path, usual in lengths_by_thumb(JobSpec()):
        squares = path.startswith("binding.squares") and house.squares
        if usual >= _THINNEST and not squares and not _says(data, path.split(".")):
            data = with_entry(data, path.split("."), usual_mark(usual))
    return data


def _says(data: Any, path: list[str]) -> bool:
    for key in path:
        if not isinstance(data, Mapping) or key not in data:
            return False
        data = data[key]
    return True


def departures(spec: JobSpec, house: House, notation: Notation) -> tuple[Departure, ...]:
    """Where a job departs from the rules, as far as its binding asks for the entry at all."""
    return tuple(_departures(spec, house, notation))


def _departures(spec: JobSpec, house: House, notation: Notation) -> Iterator[Departure]:
    asking = asking_of(structure_of(spec), spec)
    for path, wanted in house.rules.items():
        rule, here = _BY_PATH[path], value_at(spec, path)
        asked = rule.group == TIMES or entry_of(entries_in(JobSpec)[path]).asked(asking)
        open_here = here is None and not rule.undecided
        if not asked or open_here or _same(here, wanted):
            continue
        yield Departure(
            rule.station,
            path,
            notation.say(rule.label),
            _words(rule, here, notation),
            _words(rule, wanted, notation),
            {path: wanted},
        )
    step = squares_for(house, spec.leaf.height)
    if step is not None and asking.lists("binding.squares"):
        squares = spec.binding.squares
        off = [edge for edge in _EDGES if not _same(getattr(squares, edge), getattr(step, edge))]
        if off:
            yield Departure(
                "boards",
                "binding.squares",
                f"Squares for blocks up to {notation.length(step.up_to, True)}",
                _three(squares, notation),
                _three(step, notation),
                {f"binding.squares.{edge}": getattr(step, edge) for edge in _EDGES},
            )


def _same(one: object, other: object) -> bool:
    if isinstance(one, int | float) and isinstance(other, int | float):
        return abs(one - other) < TOLERANCE
    return one == other


def _three(squares: Any, notation: Notation) -> str:
    return ", ".join(notation.length(getattr(squares, edge)) for edge in _EDGES)


def _words(rule: RuleEntry, value: object, notation: Notation) -> str:
    if value is None:
        return rule.undecided
    if rule.kind == "length" and isinstance(value, int | float):
        return notation.length(float(value), True)
    return value_words(JobSpec, tuple(rule.path.split(".")), value, notation)


def gauge_hints(
    spec: JobSpec, quantities: Mapping[QuantityId, Quantity], house: House, notation: Notation
) -> tuple[GaugeHint, ...]:
    """The owned gauge nearest to the joint's gap and to the turn-in, with the difference it makes."""
    if not house.gauges:
        return ()
    asking = asking_of(structure_of(spec), spec)
    found = []
    for path, info in entries_in(JobSpec).items():
        entry = entry_of(info)
        gauged = entry.gauged
        if gauged is None or gauged.quantity not in quantities or not gauged.asked(asking):
            continue
        decided = value_at(spec, path) if entry.asked(asking) else None
        size = float(decided) if isinstance(decided, int | float) else quantities[gauged.quantity].value
        nearest = min(house.gauges, key=lambda gauge: (abs(gauge - size), gauge))
        off = nearest - size
        if abs(off) < notation.least_told:
            continue
        way = "wider" if off > 0 else "narrower"
        words = (
            f"Your nearest gauge for the {gauged.what} is {notation.limit(nearest)}: "
            f"{notation.difference(abs(off))} {way}"
        )
        found.append(GaugeHint(gauged.quantity, words, {**gauged.also, path: nearest}))
    return tuple(found)
