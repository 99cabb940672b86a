"""Lettering of an old book: set again where it stood, as high and as long as it was."""

from collections.abc import Iterator, Sequence

from weald.core.book.book import Book
from weald.core.extras.finishing.setting import set_words
from weald.core.extras.finishing.template import named
from weald.core.findings import Finding, Patch, finding
from weald.core.job.extras.lettering import Finishing, FinishingType, PanelLine
from weald.core.job.extras.old_books import CopiedBook, OldLine
from weald.core.units import Mm

AS_GOOD: Mm = 0.5
"""A rule on a round spine cannot tell lines apart that differ by no more."""


def take_lines(book: Book, old: CopiedBook) -> Patch:
    """What puts the old lines into the finishing template that are not there yet.

    Where no type is owned yet, each is set in one of its own, as high as it was and as wide as makes it as
    long; so the template shows where its letters stood. No other title is lettered besides.
    """
    if not (book.structure.boards and book.structure.lettered):
        return {}
    entries = book.spec.extras.finishing or Finishing()
    there = [_key(line) for line in entries.lines]
    missing = [line for line in old.lettering if line.text and _key(line) not in there]
    if not missing:
        return {}
    patch: Patch = {}
    by = [""] * len(missing)
    if not entries.types:
        types = [type_as_long(line, f"old line {number}") for number, line in enumerate(missing, start=1)]
        by = [type.name for type in types]
        patch["extras.finishing.types"] = [type.model_dump(mode="json") for type in types]
    lines = [
        PanelLine(
            panel=min(12, 1 + sum(band.place < line.place for band in old.bands)),
            place=line.place,
            what="words",
            text=line.text,
            by=name,
            runs=line.runs,
        )
        for line, name in zip(missing, by, strict=True)
    ]
    patch["extras.finishing.lines"] = [line.model_dump(mode="json") for line in (*entries.lines, *lines)]
    patch["finish.placed"] = "none"
    return patch


def type_as_long(line: OldLine, name: str) -> FinishingType:
    """Type in which a line is as high as it was, and as long: widths × long / length as usually set."""
    usual = FinishingType()
    high = line.high / usual.capital
    length = set_words(line.text, usual).length * high
    wide = high * (line.long / length if line.long and length else 1.0)
    return FinishingType(
        name=name,
        capital=line.high,
        usual=_within(usual.usual * wide, 0.2, 80),
        narrow=_within(usual.narrow * wide, 0.2, 80),
        wide=_within(usual.wide * wide, 0.2, 80),
        gap=_within(usual.gap * wide, 0, 20),
        space=_within(usual.space * wide, 0, 40),
    )


def _within(size: Mm, least: Mm, most: Mm) -> Mm:
    return min(most, max(least, round(size, 3)))


def differing_lines(book: Book, old: Sequence[OldLine]) -> Iterator[Finding]:
    """Lines that come to another length or height in the type they are set in than they had."""
    entries = book.spec.extras.finishing
    if entries is None:
        return
    keys = [_key(each) for each in entries.lines]
    for line in old:
        if not line.text or _key(line) not in keys:
            continue
        number = keys.index(_key(line))
        type = named(entries.types, entries.lines[number].by)
        if type is None:
            continue
        length = set_words(line.text, type).length
        there = length if line.long is None else line.long
        if abs(length - there) > AS_GOOD or abs(type.capital - line.high) > AS_GOOD:
            show = book.notation
            yield finding(
                "copied.lettering",
                f"extras.finishing.lines.{number}.by",
                show,
                words=line.text,
                type=type.name,
                here=show.length(length, True),
                high=show.length(type.capital, True),
                there=show.limit(there),
                was=show.limit(line.high),
            )


def _key(line: PanelLine | OldLine) -> tuple[str, Mm | None, str]:
    return line.text, line.place, line.runs
