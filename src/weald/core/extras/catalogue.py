"""Everything that can be added to a structure, in the order of work, and what is offered for one book."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing
from weald.core.extras import (
    backing,
    bands,
    box,
    concertina,
    copied,
    covers,
    elsewhere,
    ends,
    formes,
    ganged,
    jacket,
    judged,
    pages,
    places,
    plates,
    pulled,
    skin,
    slipcase,
    stitching,
    taken,
    thumb,
)
from weald.core.extras.finishing import extra as finishing
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.group import ExtraName
from weald.core.job.fields import FormField, fields_of
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.station import Station

EXTRAS: Mapping[ExtraName, Extra] = {
    extra.name: extra
    for extra in (
        copied.EXTRA,
        pages.ARRANGED,
        taken.FROM_BOARDS,
        taken.TORN,
        taken.WEIGHED,
        plates.EXTRA,
        formes.EXTRA,
        pages.NUMBERED,
        ganged.EXTRA,
        pulled.EXTRA,
        places.EXTRA,
        stitching.EXTRA,
        ends.EXTRA,
        concertina.EXTRA,
        backing.EXTRA,
        thumb.EXTRA,
        bands.EXTRA,
        pages.SELF_COVER,
        covers.STRIP,
        covers.PANELS,
        covers.BEVELS,
        finishing.EXTRA,
        jacket.EXTRA,
        slipcase.EXTRA,
        box.EXTRA,
        elsewhere.EXTRA,
        skin.EXTRA,
        judged.EXTRA,
    )
}


@dataclass(frozen=True, slots=True)
class ExtraRecord:
    """An extra as it is offered: what it is, its small picture, and the fields it asks for.

    :param begins: its entries to begin with.
    """

    name: ExtraName
    station: Station
    title: str
    does: str
    good_for: str
    in_words: str
    row_file: str
    left_open: str
    picture: Drawing
    fields: tuple[FormField, ...]
    begins: dict[str, object]


@dataclass(frozen=True, slots=True)
class ExtrasHere:
    """The extras of one book: those it uses, and those that would suit it besides."""

    used: tuple[ExtraName, ...]
    offered: tuple[ExtraName, ...]


def every_extra(notation: Notation) -> tuple[ExtraRecord, ...]:
    """Every extra in the words of whoever reads."""
    return tuple(
        ExtraRecord(
            name=extra.name,
            station=extra.station,
            title=notation.say(extra.title),
            does=notation.say(extra.does),
            good_for=notation.say(extra.good_for),
            in_words=extra.in_words,
            row_file=extra.row_file,
            left_open=extra.left_open,
            picture=extra.picture(),
            fields=fields_of(extra.entries, notation),
            begins=extra.entries().model_dump(mode="json") | extra.begins,
        )
        for extra in EXTRAS.values()
    )


def extras_here(spec: JobSpec, structure: Structure) -> ExtrasHere:
    """What is used and what would suit, in the order of the catalogue."""
    used = frozenset(spec.extras.used())
    return ExtrasHere(
        tuple(name for name in EXTRAS if name in used),
        tuple(name for name, extra in EXTRAS.items() if name not in used and extra.suits(structure, spec)),
    )


def add_extras(book: Book) -> Added:
    """All that is added to a book; what does not suit it adds a finding and nothing else."""
    used = frozenset(book.spec.extras.used())
    if not used:
        return Added()
    chosen = [extra for name, extra in EXTRAS.items() if name in used]
    suited = [extra for extra in chosen if extra.suits(book.structure, book.spec)]
    added = [extra.reckon(book) for extra in suited]
    return Added(
        tuple(piece for each in added for piece in each.pieces),
        tuple(drawing for each in added for drawing in each.drawings),
        (
            *_mind_unsuited(book, [extra for extra in chosen if extra not in suited]),
            *_mind_forbidden(book, suited),
            *(found for each in added for found in each.findings),
        ),
        tuple(remark for each in added for remark in each.remarks),
        sum(each.thumb_cuts for each in added),
    )


def _without(name: ExtraName) -> Action:
    return Action(f"Do without {EXTRAS[name].title}", {f"extras.{name}": None})


def _mind_unsuited(book: Book, extras: list[Extra]) -> Iterator[Finding]:
    for extra in extras:
        yield finding(
            "extra.unsuited",
            f"extras.{extra.name}",
            book.notation,
            station=extra.station,
            extra=book.notation.say(extra.title),
            structure=book.structure.title,
            actions=(_without(extra.name),),
        )


def _mind_forbidden(book: Book, extras: list[Extra]) -> Iterator[Finding]:
    here = {extra.name for extra in extras}
    for extra in extras:
        for other in extra.forbids:
            if other in here:
                yield finding(
                    "extra.contradicts",
                    f"extras.{extra.name}",
                    book.notation,
                    station=extra.station,
                    extra=book.notation.say(extra.title),
                    other=book.notation.say(EXTRAS[other].title),
                    actions=(_without(extra.name), _without(other)),
                )
