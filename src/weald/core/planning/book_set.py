"""A set: several volumes that stand together, sharing height, bands, squares, cloth and titles.

Every volume is the same book but for its pages and thickness, its title, number and date. What is shared
is taken from one job; the type is as large as the narrowest spine takes, so that titles match.
"""

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import Field

from weald.core.drawing import Dimension, Drawing, Sketch, box
from weald.core.finding_words import FindingCode
from weald.core.findings import Finding, Patch, finding
from weald.core.job.entries import Entries, Length, Name, OneLine, Title, read_entries
from weald.core.job.entry import Entry
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan
from weald.core.units import Mm
from weald.core.upgrades import Format

Numerals = Literal["roman", "roman_iiii", "arabic", "none"]
APART: Mm = 1.5
"""Between spines as they are drawn; on the shelf they touch."""
_YEAR = re.compile(r"(?<!\d)(\d{3,4})(?!\d)")
_SHORT_SPAN = re.compile(r"(?<!\d)(\d{4})\s*[–—-]\s*(\d{2})(?!\d)")
_ROMAN = (
    *((1000, "M"), (900, "CM"), (500, "D"), (400, "CD"), (100, "C"), (90, "XC"), (50, "L")),
    *((40, "XL"), (10, "X"), (9, "IX"), (5, "V"), (4, "IV"), (1, "I")),
)
SHARED_SIZES = ("board.height", "squares.head", "squares.tail", "squares.fore_edge", "panel.each")


SET = Format("set")


class Volume(Entries):
    """One volume. Its thickness is measured, or follows from its pages; ``note`` says what is meant so."""

    title: Annotated[str, Field(max_length=120, title="title"), OneLine] = ""
    number: Annotated[Annotated[int, Field(ge=1, le=3999)] | None, Field(title="number")] = None
    date: Annotated[str, Field(max_length=40, title="date"), OneLine] = ""
    pages: Annotated[Annotated[int, Field(ge=1, le=20000)] | None, Field(title="pages")] = None
    thickness: Annotated[Annotated[Length, Field(gt=0, le=300)] | None, Field(title="thickness")] = None
    note: Annotated[str, Field(max_length=200, title="note"), OneLine] = ""
    job: Annotated[int | None, Field(title="job")] = None


class SetSpec(Entries):
    """A set and its volumes, in the order in which they stand; ``cloth`` as it is called."""

    version: Annotated[int, Field(ge=1, le=SET.version)] = SET.version
    title: Annotated[Title, Field(title="Title of the set")] = "Untitled set"
    numerals: Annotated[
        Numerals,
        Field(title="Numbers lettered"),
        Entry(
            options={
                "roman": "I, II, III, IV",
                "roman_iiii": "I, II, III, IIII",
                "arabic": "1, 2, 3, 4",
                "none": "no numbers",
            }
        ),
    ] = "roman"
    cloth: Annotated[Name, Field(title="Cloth")] = ""
    volumes: Annotated[tuple[Volume, ...], Field(max_length=60, title="Volumes")] = ()


@dataclass(frozen=True, slots=True)
class VolumePlan:
    """One volume planned.

    :param numeral: its number as it is lettered; ``lettered`` the whole of what stands on its spine.
    :param measured: whether its thickness was measured.
    """

    numeral: str
    lettered: str
    thickness: str
    measured: bool
    spine: str
    board_width: str
    cover_width: str
    weight: str
    stops: int


@dataclass(frozen=True, slots=True)
class SharedSize:
    """A size all volumes share."""

    label: str
    shown: str


@dataclass(frozen=True, slots=True)
class SetPlan:
    """A set planned: its volumes, what they share, what to ask about, and the spines side by side."""

    volumes: tuple[VolumePlan, ...]
    shared: tuple[SharedSize, ...]
    words: str
    findings: tuple[Finding, ...]
    drawing: Drawing | None
    next_number: int | None


def read_set(data: object, notation: Notation | None = None) -> SetSpec:
    """Read a set as typed.

    :raises SpecError: naming every place that is wrong.
    """
    return read_entries(SetSpec, data, notation, kept_as=SET, whole="a set")


def numeral(number: int, form: Numerals) -> str:
    """A number as it is lettered: IV or, in the other form of four, IIII."""
    if form == "none":
        return ""
    if form == "arabic":
        return str(number)
    left, found = number, ""
    for value, letters in _ROMAN:
        while left >= value:
            found += letters
            left -= value
    return found.replace("IV", "IIII") if form == "roman_iiii" else found


def volume_patch(book: JobSpec, volume: Volume, form: Numerals) -> Patch:
    """What makes one volume of the shared book."""
    patch: Patch = {"finish.volume": numeral(volume.number, form) if volume.number else ""}
    patch["title"] = volume.title or book.title
    if volume.title:
        patch["finish.title"] = volume.title
    if volume.pages:
        patch["text.pages"] = volume.pages
    if volume.thickness:
        patch["measured.block.thickness"] = volume.thickness
    return patch


def volume_spec(book: JobSpec, volume: Volume, form: Numerals) -> JobSpec:
    """One volume as a job of its own."""
    kept = {key: size for key, size in book.measured.items() if key != "block.thickness"}
    plain = book.model_copy(update={"measured": kept})
    return patched(plain, volume_patch(book, volume, form))


def plan_set(book: JobSpec, chosen: SetSpec, notation: Notation) -> SetPlan:
    """Plan every volume of a set.

    :param book: what all volumes share.
    """
    specs = [volume_spec(book, volume, chosen.numerals) for volume in chosen.volumes]
    first = [plan(spec, notation, drawn=()) for spec in specs]
    capitals = [
        each.value for made in first for each in made.quantities if each.id == "title.capital" and each.value
    ]
    if capitals and book.finish.capital is None:
        # one size of type for all: what the narrowest spine takes
        specs = [patched(spec, {"finish.capital": round(min(capitals), 3)}) for spec in specs]
    plans = [plan(spec, notation, drawn=("finish",)) for spec in specs]
    return SetPlan(
        volumes=tuple(
            _volume_plan(volume, spec, made, chosen.numerals)
            for volume, spec, made in zip(chosen.volumes, specs, plans, strict=True)
        ),
        shared=tuple(_shared(plans)),
        words=plans[0].structure.words if plans else "",
        findings=tuple(_mind(chosen, plans, notation)),
        drawing=draw_spines(chosen, plans, notation),
        next_number=next_number(chosen.volumes),
    )


def _volume_plan(volume: Volume, spec: JobSpec, made: Plan, form: Numerals) -> VolumePlan:
    shown = {each.id: each.shown for each in made.quantities}
    number = numeral(volume.number, form) if volume.number else ""
    title = spec.finish.title or spec.title
    return VolumePlan(
        numeral=number,
        lettered=" ".join(part for part in (title, number) if part),
        thickness=shown["block.thickness"],
        measured=volume.thickness is not None,
        spine=shown.get("spine_board.width", "–"),
        board_width=shown.get("board.width", "–"),
        cover_width=shown.get("cover.width", "–"),
        weight=shown.get("book.weight", "–"),
        stops=sum(each.severity == "stop" for each in made.findings),
    )


def _shared(plans: Sequence[Plan]) -> Iterator[SharedSize]:
    """Sizes that are the same in every volume, as they have to be in a set."""
    for quantity_id in SHARED_SIZES if plans else ():
        found = [next((each for each in made.quantities if each.id == quantity_id), None) for made in plans]
        first = found[0]
        if first is not None and all(each is not None and each.shown == first.shown for each in found):
            yield SharedSize(first.label, first.shown)


def _mind(chosen: SetSpec, plans: Sequence[Plan], notation: Notation) -> Iterator[Finding]:
    yield from _mind_numbers(chosen.volumes, notation)
    yield from _mind_dates(chosen.volumes, notation)
    for place, made in enumerate(plans):
        for found in made.findings:
            if found.severity == "stop" or found.code.startswith("finish."):
                name = _name(chosen.volumes[place], place)
                yield finding(
                    "set.volume",
                    f"volumes.{place}",
                    notation,
                    volume=name,
                    message=found.message,
                    remedy=found.remedy,
                )


def _name(volume: Volume, place: int) -> str:
    return f"volume {volume.number}" if volume.number else f"the {place + 1}. in the row"


def _asked(code: FindingCode, place: int, volume: Volume, notation: Notation, **terms: int | str) -> Finding:
    """Something asked about; kept quiet, with its note, where it is meant."""
    found = finding(code, f"volumes.{place}.number", notation, station=None, actions=(), **terms)
    if volume.note:
        return finding("set.meant", found.about, notation, what=found.message, note=volume.note)
    return found


def _mind_numbers(volumes: Sequence[Volume], notation: Notation) -> Iterator[Finding]:
    seen: dict[int, int] = {}
    before: int | None = None
    for place, volume in enumerate(volumes):
        number = volume.number
        if number is None:
            continue
        if number in seen:
            yield _asked(
                "set.repeat", place, volume, notation, number=number, first=seen[number] + 1, here=place + 1
            )
        elif before is not None and number < before:
            yield _asked("set.back", place, volume, notation, number=number, before=before)
        elif before is not None and number > before + 1:
            missing = f"{before + 1}" if number == before + 2 else f"{before + 1} to {number - 1}"
            yield _asked("set.gap", place, volume, notation, number=number, before=before, missing=missing)
        seen.setdefault(number, place)
        before = number


def _mind_dates(volumes: Sequence[Volume], notation: Notation) -> Iterator[Finding]:
    before: int | None = None
    for place, volume in enumerate(volumes):
        years = _years(volume.date)
        if not years:
            continue
        if before is not None and min(years) < before:
            yield _asked("set.date_back", place, volume, notation, date=volume.date, before=before)
        elif before is not None and min(years) > before + 1:
            missing = f"{before + 1}" if min(years) == before + 2 else f"{before + 1}–{min(years) - 1}"
            terms: dict[str, int | str] = {"date": volume.date, "before": before, "missing": missing}
            yield _asked("set.date_gap", place, volume, notation, **terms)
        before = max(years)


def _years(date: str) -> list[int]:
    """The years a date names; the second of a span may be short, as in 1841–44."""
    years = [int(year) for year in _YEAR.findall(date)]
    for first, last in _SHORT_SPAN.findall(date):
        years.append(int(first[: -len(last)] + last))
    return years


def next_number(volumes: Sequence[Volume]) -> int | None:
    """The number a further volume takes: the first that is missing, else the one after the last."""
    numbers = sorted({volume.number for volume in volumes if volume.number is not None})
    if not numbers:
        return None
    missing = (number for number in range(numbers[0], numbers[-1]) if number not in numbers)
    return next(missing, numbers[-1] + 1)


def draw_spines(chosen: SetSpec, plans: Sequence[Plan], notation: Notation) -> Drawing | None:
    """All spines as they stand on the shelf, heads and tails in line; nothing where none can be shown."""
    sketch, left, tallest = Sketch(), 0.0, 0.0
    standing: list[tuple[Mm, Mm, Mm]] = []
    for made in plans:
        spine = next((each for each in made.drawings if each.id == "finish.spine"), None)
        if spine is None:
            continue
        x0, y0, x1, y1 = spine.extent
        width, height = x1 - x0, y1 - y0
        sketch.points += box(left, -height, width, height)
        plain = [each for each in spine.elements if not isinstance(each, Dimension)]
        sketch.place(plain, left - x0, -y1)
        standing.append((left, left + width, height))
        left += width + APART
        tallest = max(tallest, height)
    if not standing:
        return None
    for start, end, height in standing:
        sketch.dimension((start, -height), (end, -height), notation.figure(end - start))
    sketch.dimension((0, 0), (0, -tallest), notation.figure(tallest))
    return sketch.finish(
        "set.spines",
        "finish",
        f"{chosen.title}: the spines as they will stand",
        rows=(1, 1, 0, 0),
        text="; ".join(
            f"{_name(volume, place)}: {volume.title}" for place, volume in enumerate(chosen.volumes)
        ),
    )
