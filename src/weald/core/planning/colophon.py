"""The colophon: what the book is made of, by whom and when, as its last leaf says it."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

from weald.core.bindings.catalogue import structure_of
from weald.core.job.block import METHOD_WORDS
from weald.core.job.leaves import Paper
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, counted
from weald.core.planning.plan import Plan
from weald.core.stations.paper import grammage_of


@dataclass(frozen=True, slots=True)
class Making:
    """Who made a book, where, and from when to when; empty where that is not known."""

    people: tuple[str, ...] = ()
    place: str = ""
    begun: date | None = None
    finished: date | None = None


def colophon_words(spec: JobSpec, plan: Plan, making: Making, notation: Notation) -> str:
    """The colophon in sentences, set from the job and its record; the binder's own words take its place."""
    return "\n".join(_sentences(spec, plan, making, notation))


def _sentences(spec: JobSpec, plan: Plan, making: Making, notation: Notation) -> Iterator[str]:
    kind = plan.structure.title
    yield f"{spec.title}, bound as {_article(kind)} {kind[:1].lower()}{kind[1:]}."
    yield _text(spec, plan, notation)
    if spec.finish.typeface:
        yield f"Set in {spec.finish.typeface}."
    method = structure_of(spec).treatment(spec).method
    if method not in ("none", "staples"):
        thread = notation.thickness(spec.sewing.thread, True)
        yield f"Sewn: {METHOD_WORDS[method]}, with thread {thread} thick."
    if covering := _covering(spec, notation):
        yield covering
    who = f" by {_listed(making.people)}" if making.people else ""
    where = f", {making.place}" if making.place else ""
    if when := _when(making):
        yield f"Made{who}{where}, {when}."
    elif who or where:
        yield f"Made{who}{where}."
    if spec.copies > 1:
        yield f"One of {spec.copies} copies."


def _article(words: str) -> str:
    return "an" if words[:1].lower() in "aeiou" else "a"


def _text(spec: JobSpec, plan: Plan, notation: Notation) -> str:
    paper = spec.paper
    name = f"{paper.name}, " if paper.name else ""
    grain = next((piece for piece in plan.pieces if piece.id == "text_sheet"), None)
    along = "" if grain is None or grain.grain_right is not True else ", its grain along the spine"
    kind = "Blank leaves" if spec.text.blank_book else "Text"
    sections = len(plan.sections)
    made_up = f" in {counted(sections, *_signature_words(notation))}" if sections > 1 else ""
    return f"{kind} of {counted(spec.text.pages, 'page')}{made_up} on {name}{_weight(paper)}{along}."


def _weight(paper: Paper) -> str:
    """As it was bought: in grams, or in pounds of its grade."""
    if paper.basis is None:
        return f"{paper.grammage:g} g/m²"
    return f"{paper.basis.pounds:g} lb {paper.basis.grade.value} ({grammage_of(paper):.0f} g/m²)"


def _signature_words(notation: Notation) -> tuple[str, str]:
    return notation.say("{signature}"), notation.say("{signatures}")


def _covering(spec: JobSpec, notation: Notation) -> str:
    said = []
    if "binding.board" in structure_of(spec).entries:
        name = f"{spec.binding.board_name}, " if spec.binding.board_name else "board "
        said.append(f"{name}{notation.limit(spec.binding.board)}")
    if spec.binding.cover_name:
        said.append(f"covered with {spec.binding.cover_name}")
    words = "; ".join(said)
    return f"{words[:1].upper()}{words[1:]}." if words else ""


def _listed(people: tuple[str, ...]) -> str:
    if len(people) < 2:
        return "".join(people)
    return f"{', '.join(people[:-1])} and {people[-1]}"


def _when(making: Making) -> str:
    if making.begun and making.finished and making.begun != making.finished:
        return f"{_day(making.begun)} to {_day(making.finished)}"
    day = making.finished or making.begun
    return _day(day) if day else ""


def _day(day: date) -> str:
    return f"{day.day} {day:%B} {day.year}"
