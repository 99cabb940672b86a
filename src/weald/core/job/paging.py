"""Which page of the text stands where: arranged with blanks put in, repeated in turn, numbered."""

import re
from collections.abc import Iterable
from functools import lru_cache

from weald.core.job.extras.pages import ArrangedPages, PageNumbers

_ROMAN = (
    *((1000, "m"), (900, "cm"), (500, "d"), (400, "cd"), (100, "c"), (90, "xc"), (50, "l"), (40, "xl")),
    *((10, "x"), (9, "ix"), (5, "v"), (4, "iv"), (1, "i")),
)


MOST_PAGES = 20000
"""No text has more; a range goes no further."""


@lru_cache(maxsize=256)
def listed(text: str) -> tuple[int, ...]:
    """Pages as they are listed, in that order: ``24, 60``, ``17-24``, backwards ``4-1``."""
    pages: list[int] = []
    for first, last in re.findall(r"(\d+)(?:\s*[–-]\s*(\d+))?", text):
        begins, ends = int(first), int(last or first)
        if ends >= begins:
            pages += range(begins, min(ends, begins + MOST_PAGES) + 1)
        else:
            pages += range(begins, max(ends, begins - MOST_PAGES) - 1, -1)
    return tuple(pages)


def as_list(pages: Iterable[int]) -> str:
    """Pages as they are entered and told: ``24, 60``, ``17–24``; what :func:`listed` reads."""
    runs: list[list[int]] = []
    for page in pages:
        if runs and page == runs[-1][-1] + 1:
            runs[-1].append(page)
        else:
            runs.append([page])
    return ", ".join(_run(run) for run in runs)


def _run(pages: list[int]) -> str:
    joined = "–" if len(pages) > 2 else ", "
    return str(pages[0]) if len(pages) == 1 else f"{pages[0]}{joined}{pages[-1]}"


def in_order(pages: int, arranged: ArrangedPages | None) -> tuple[int | None, ...] | None:
    """The pages of a text as they are bound, blanks put in as ``None``; nothing where none are."""
    if arranged is None or not (arranged.rectos or arranged.versos or arranged.blank_versos):
        return None
    return _in_order(pages, arranged.rectos, arranged.versos, arranged.blank_versos)


@lru_cache(maxsize=64)
def _in_order(pages: int, rectos: str, versos: str, blank_versos: str) -> tuple[int | None, ...]:
    right, left, alone = (frozenset(listed(each)) for each in (rectos, versos, blank_versos))
    placed: list[int | None] = []
    for page in range(1, pages + 1):
        on_right = len(placed) % 2 == 0
        if (page in right and not on_right) or (page in left and on_right):
            placed.append(None)
        placed.append(page)
        if page in alone and len(placed) % 2 == 1:
            placed.append(None)
    return tuple(placed)


def source_of(page: int, arranged: ArrangedPages | None) -> int:
    """Which page that was brought is printed as a page of the text: itself, or its turn of those repeated."""
    turns = listed(arranged.repeat) if arranged else ()
    if arranged is None or not turns or page <= arranged.keep:
        return page
    return turns[(page - arranged.keep - 1) % len(turns)]


def number_of(page: int | None, numbers: PageNumbers) -> str:
    """What a page of the text is numbered; nothing for blanks, and for those that carry none."""
    if page is None or page in listed(numbers.without):
        return ""
    if page >= numbers.first:
        return str(page - numbers.first + 1)
    return roman(page) if numbers.before == "roman" else ""


def roman(number: int) -> str:
    """A number as front matter has it: iv."""
    found = ""
    for value, sign in _ROMAN:
        count, number = divmod(number, value)
        found += sign * count
    return found
