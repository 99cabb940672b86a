"""Reading a printed pile as a binder would: fold it, page through, say what is wrong and why.

What stands on the paper comes from whoever printed it; nothing here looks at what should have
been printed except to compare.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from weald.core.folding.imposition import Placement, Sheet, folded_section
from weald.core.folding.packet import FoldedPacket, Side, Up
from weald.core.forme.layout import Layout, Position
from weald.core.notation import Notation
from weald.core.press.press import Press
from weald.core.units import Mm

Severity = Literal["good", "mind", "stop"]
SHIFT_SEEN: Mm = 0.25
"""Backs that stand off by more are noticed."""


@dataclass(frozen=True, slots=True)
class Stamp:
    """One page as it was found on a side: its number, the middle of it, where its head points."""

    page: int
    x: Mm
    y: Mm
    up: Up


@dataclass(frozen=True, slots=True)
class PrintedSheet:
    """One sheet out of the printer; its back as seen after turning it over sideways."""

    number: int
    front: tuple[Stamp, ...]
    back: tuple[Stamp, ...]


@dataclass(frozen=True, slots=True)
class ReadPage:
    """One page of the folded book.

    :param expected: the page that should stand here, ``None`` for a blank; ``found``: the one that does.
    :param sheet: the printed sheet it was found on, from 1; ``None`` where there is none.
    """

    section: int
    expected: int | None
    found: int | None
    upright: bool
    sheet: int | None
    side: Side

    @property
    def right(self) -> bool:
        """Whether the right page stands here, upright."""
        return self.expected == self.found and (self.upright or self.found is None)


@dataclass(frozen=True, slots=True)
class Verdict:
    """What a binder would find, and how to put it right."""

    severity: Severity
    message: str
    remedy: str


def fold_and_read(press: Press, pile: Sequence[PrintedSheet], turned: frozenset[int]) -> tuple[ReadPage, ...]:
    """Count the pile off into sections, fold them, and read them one after the other.

    :param turned: sections that were bound upside down.
    """
    read: list[ReadPage] = []
    taken = 0
    for section in press.sections:
        mine = pile[taken : taken + section.sheets]
        taken += section.sheets
        pages = list(_read_section(press, section.section, section.sheets, mine))
        if section.section in turned:
            pages = _turned(pages)
        read += pages
    return tuple(read)


def _expected(press: Press, section: int) -> dict[tuple[int, Side, int, int], int | None]:
    """The page that should stand in each cell of a section's sheets."""
    return {
        (sheet.sheet - 1, side, place.column, place.row): place.page
        for sheet in press.sheets
        if sheet.section == section
        for side, places in _sides(sheet)
        for place in places
    }


def _sides(sheet: Sheet) -> tuple[tuple[Side, tuple[Placement, ...]], ...]:
    return ("outer", sheet.outer), ("inner", sheet.inner)


def _read_section(
    press: Press, section: int, sheets: int, pile: Sequence[PrintedSheet]
) -> Iterator[ReadPage]:
    mine = press.of(next(each for each in press.sheets if each.section == section))
    packet = folded_section(mine.spec.folding.programme, sheets, mine.spec.folding.gather)
    found = [_by_cell(mine.layout, packet, sheet) for sheet in pile]
    pages = _expected(press, section)
    for cell in packet.pages:
        expected = pages[cell.sheet, cell.side, cell.column, cell.row]
        if cell.sheet >= len(pile):
            yield ReadPage(section, expected, None, True, None, cell.side)
            continue
        stamp = found[cell.sheet].get((cell.side, cell.column, cell.row))
        number = pile[cell.sheet].number
        if stamp is None:
            yield ReadPage(section, expected, None, True, number, cell.side)
        else:
            yield ReadPage(section, expected, stamp.page, stamp.up == cell.up, number, cell.side)


def _by_cell(layout: Layout, packet: FoldedPacket, sheet: PrintedSheet) -> dict[tuple[Side, int, int], Stamp]:
    """What stands in each cell of the first unfolded sheet on a printed one."""
    found: dict[tuple[Side, int, int], Stamp] = {}
    for position, stamps in ((layout.front[0], sheet.front), (layout.back[0], sheet.back)):
        for stamp in stamps:
            cell = _cell(layout, packet, position, stamp)
            if cell is not None:
                found[position.side, *cell] = stamp
    return found


def _cell(layout: Layout, packet: FoldedPacket, position: Position, stamp: Stamp) -> tuple[int, int] | None:
    across, down = stamp.x - position.left, stamp.y - position.top
    if not (0 <= across < layout.unfolded_width and 0 <= down < layout.unfolded_height):
        return None
    return (
        int(across / layout.unfolded_width * packet.columns),
        int(down / layout.unfolded_height * packet.rows),
    )


def _turned(pages: list[ReadPage]) -> list[ReadPage]:
    """A section upside down: its last page comes first, and every page stands on its head."""
    return [
        ReadPage(page.section, page.expected, other.found, not other.upright, other.sheet, other.side)
        for page, other in zip(pages, reversed(pages), strict=True)
    ]


def half_turned(stamp: Stamp, width: Mm, height: Mm) -> Stamp:
    """A page as it stands when its sheet is turned half round."""
    return Stamp(stamp.page, width - stamp.x, height - stamp.y, (-stamp.up[0], -stamp.up[1]))


def verdicts(
    press: Press, pile: Sequence[PrintedSheet], pages: Sequence[ReadPage], flip: str
) -> tuple[Verdict, ...]:
    """What is wrong with a book that was read, the most likely cause first.

    :param pages: what :func:`fold_and_read` gave; ``flip``: the edge the printer was set to turn on.
    """
    wrong = [page for page in pages if not page.right]
    if not wrong:
        count = sum(page.found is not None for page in pages)
        good = Verdict("good", f"Pages 1 to {count} follow in order, all upright.", "")
        return (good, *_shifted(press, pile))
    found = [*_wrong_flip(press, pile, wrong[0], flip), *_wrong_pile(press, pile, wrong[0])] or [
        *_missing(press, pages, len(pile)),
        *_upside_down(pages, press.notation),
        *_exchanged(press, pages),
    ]
    if found:
        return tuple(found)
    message = press.notation.say(
        "{where}, in {signature} {section}, stands {what}.",
        where=_where(wrong[0]),
        section=wrong[0].section,
        what=_what(wrong[0]),
    )
    return (Verdict("stop", message, "Compare the pile sheet by sheet with the list of sheets."),)


def _where(page: ReadPage) -> str:
    return f"Where {f'page {page.expected}' if page.expected else 'a blank page'} belongs"


def _what(page: ReadPage) -> str:
    if page.found is None:
        return "nothing"
    return f"page {page.found}" if page.upright else f"page {page.found} on its head"


def _wrong_flip(press: Press, pile: Sequence[PrintedSheet], first: ReadPage, flip: str) -> Iterator[Verdict]:
    """Everything comes right once the backs are turned half round."""
    sizes = {number: press.printed_size(sheet) for number, sheet in enumerate(press.sheets, start=1)}
    other = [
        replace(sheet, back=tuple(half_turned(stamp, *sizes[sheet.number]) for stamp in sheet.back))
        for sheet in pile
    ]
    if all(page.right for page in fold_and_read(press, other, frozenset())):
        right = "long" if flip == "short" else "short"
        yield Verdict(
            "stop",
            f"Every back came out the wrong way up. {_where(first)} stands {_what(first)}.",
            f"Print again and set the printer to flip on the {right} edge. If it can only do the {flip} "
            "edge, say so at the station Printing and impose again: the backs are then placed to suit.",
        )


def _wrong_pile(press: Press, pile: Sequence[PrintedSheet], first: ReadPage) -> Iterator[Verdict]:
    """Everything comes right once the backs are dealt out from the other end."""
    backs = [sheet.back for sheet in reversed(pile)]
    other = [PrintedSheet(sheet.number, sheet.front, back) for sheet, back in zip(pile, backs, strict=True)]
    if all(page.right for page in fold_and_read(press, other, frozenset())):
        yield Verdict(
            "stop",
            f"Every sheet carries another sheet's back. {_where(first)} stands {_what(first)}.",
            "The pile went back into the tray the wrong way. Follow the words at the station Printing; if "
            "they do not suit this printer, change how it stacks and feeds in its profile, and impose again.",
        )


def _shifted(press: Press, pile: Sequence[PrintedSheet]) -> Iterator[Verdict]:
    """Backs that stand beside the place they were meant for."""
    planned = {
        page.page: (page.box.left + page.box.width / 2, page.box.top + page.box.height / 2)
        for page in press.pages(press.sheets[0], "back")
        if page.position == 0
    }
    offsets = [
        (stamp.x - planned[stamp.page][0], stamp.y - planned[stamp.page][1])
        for stamp in pile[0].back
        if stamp.page in planned
    ]
    if not offsets:
        return
    show = press.notation.thickness
    right, down = (round(each, 1) for each in offsets[0])
    if max(abs(right), abs(down)) > SHIFT_SEEN:
        yield Verdict(
            "mind",
            f"Backs stand {show(abs(right), True)} too far {'right' if right > 0 else 'left'} and "
            f"{show(abs(down), True)} too {'low' if down > 0 else 'high'}.",
            "Print the sheet to measure the shift of backs, enter both figures in the printer's profile, "
            "choose it again and impose once more.",
        )


def _missing(press: Press, pages: Sequence[ReadPage], sheets_found: int) -> Iterator[Verdict]:
    """A sheet that is not in the pile: its pages are nowhere, and what follows has moved up."""
    if sheets_found >= len(press.sheets):
        return
    found = {page.found for page in pages}
    for number, sheet in enumerate(press.sheets, start=1):
        numbers = [place.page for place in (*sheet.outer, *sheet.inner) if place.page is not None]
        if numbers and not found.intersection(numbers):
            first = next((page for page in pages if not page.right), None)
            where = f"; from page {first.expected} on nothing is in order" if first and first.expected else ""
            yield Verdict(
                "stop",
                press.notation.say(
                    "Sheet {number} is missing ({signature} {section}, sheet {sheet}, pages {pages}){where}.",
                    number=number,
                    section=sheet.section,
                    sheet=sheet.sheet,
                    pages=_listed(numbers),
                    where=where,
                ),
                f"Print sheet {number} again (file pages {2 * number - 1} and {2 * number}) and lay it in "
                "its place before folding. On the spine, the stair of collating marks would show the gap.",
            )


def _upside_down(pages: Sequence[ReadPage], notation: Notation) -> Iterator[Verdict]:
    sections: dict[int, list[ReadPage]] = {}
    for page in pages:
        sections.setdefault(page.section, []).append(page)
    for section, mine in sections.items():
        printed = [page for page in mine if page.found is not None]
        expected = [page.expected for page in mine]
        if (
            printed
            and all(not page.upright for page in printed)
            and expected == [page.found for page in reversed(mine)]
        ):
            yield Verdict(
                "stop",
                notation.say(
                    "{Signature} {section} is bound upside down: it reads backwards, on its head.",
                    section=section,
                ),
                notation.say(
                    "Turn it round before sewing; a pencil mark at the head of every {signature}'s fold "
                    "shows one that is turned."
                ),
            )


def _exchanged(press: Press, pages: Sequence[ReadPage]) -> Iterator[Verdict]:
    """Two sheets that lie in one another's places."""
    lies_in: dict[int, int] = {}
    home = {
        place.page: number
        for number, sheet in enumerate(press.sheets, start=1)
        for place in (*sheet.outer, *sheet.inner)
        if place.page is not None
    }
    for page in pages:
        if page.found is not None and page.expected is not None and page.upright:
            lies_in[home[page.found]] = home[page.expected]
    for sheet, place in sorted(lies_in.items()):
        if sheet < place and lies_in.get(place) == sheet:
            yield Verdict(
                "stop",
                f"Sheets {sheet} and {place} have changed places.",
                "Lay the printed pile down as it came and count it off by the labels on the waste.",
            )


def _listed(numbers: list[int]) -> str:
    shown = sorted(numbers)
    return ", ".join(map(str, shown[:4])) + (f" … {shown[-1]}" if len(shown) > 4 else "")
