"""What lies on the bench when a job begins, and the job that follows from it.

A block that is there is measured, and its sizes stand as measured; its leaves are as thick as the block
says. Each beginning leads to the station where its work begins.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, Literal

from weald.core.bindings.catalogue import STRUCTURES
from weald.core.errors import SizeError, SpecError
from weald.core.job.lying import LYING, Brought, Lies, Lying
from weald.core.notation import Notation
from weald.core.station import Station
from weald.core.units import parse_length

BeginningId = Literal["text", "pdf", "blank", Brought]
Ask = Literal["title", "pages", "width", "height", "thickness", "grammage", "board"]


@dataclass(frozen=True, slots=True)
class Beginning:
    """One thing that may lie on the bench.

    :param asks: what has to be known of it.
    :param station: where its work begins.
    :param measured: whether the block is there, and its sizes are measured.
    :param brings: whether a text is brought with it, as a PDF.
    :param lies: what is so of it.
    """

    id: BeginningId
    title: str
    words: str
    asks: tuple[Ask, ...]
    station: Station
    measured: bool = False
    brings: bool = False
    lies: Lies | None = None


_LEAF: tuple[Ask, ...] = ("title", "pages", "width", "height")
_BLOCK: tuple[Ask, ...] = ("title", "pages", "width", "height", "thickness", "board")

BEGINNINGS: tuple[Beginning, ...] = (
    Beginning(
        "text",
        "A text",
        "Printed, or to be printed, on sheets to fold.",
        (*_LEAF, "grammage", "board"),
        "text",
    ),
    Beginning(
        "pdf",
        "A text as PDF",
        "Its pages say how large they are.",
        ("title", "grammage", "board"),
        "folding",
        brings=True,
    ),
    Beginning(
        "blank", "Blank paper", "For a book to write or draw in.", (*_LEAF, "grammage", "board"), "text"
    ),
    *(
        Beginning(
            name,
            lying.title,
            lying.seen,
            _BLOCK if lying.measured else (*_LEAF, "grammage", "board"),
            lying.station,
            measured=lying.measured,
            lies=name,
        )
        for name, lying in LYING.items()
        if name != "stock"
    ),
)
_BY_ID = {each.id: each for each in BEGINNINGS}

_PATHS: Mapping[Ask, tuple[str, ...]] = {
    "title": ("title",),
    "pages": ("text.pages", "paper.stack.leaves"),
    "width": ("leaf.width", "measured.leaf.untrimmed_width"),
    "height": ("leaf.height", "measured.leaf.untrimmed_height"),
    "thickness": ("measured.block.thickness", "measured.text.thickness", "paper.stack.thickness"),
    "grammage": ("paper.grammage",),
    "board": ("binding.board",),
}


def asked_for(path: str) -> str:
    """The question an entry of the job was answered by; the path itself where none was."""
    return next((ask for ask, paths in _PATHS.items() if path in paths), path)


def job_of_beginning(
    kind: BeginningId, answers: Mapping[str, str], text: Mapping[str, Any] | None, notation: Notation
) -> dict[str, Any]:
    """A job file for what lies on the bench.

    :param answers: as typed, by what was asked; an answer left out is decided by the house.
    :param text: the entries of a text brought: digest, pages and the size most of them have.
    :raises SpecError: naming what was asked, where an answer has to be given and cannot be read.
    """
    beginning = _BY_ID[kind]
    given: dict[str, str] = {
        ask: answers[ask].strip() for ask in beginning.asks if answers.get(ask, "").strip()
    }
    job: dict[str, Any] = {
        "title": given.get("title") or ("Blank book" if kind == "blank" else "Untitled book"),
        "text": {"blank_book": kind == "blank"},
        "leaf": {},
    }
    if "pages" in given:
        job["text"]["pages"] = given["pages"]
    for side in ("width", "height"):
        if side in given:
            job["leaf"][side] = given[side]
    if "grammage" in given:
        job["paper"] = {"grammage": given["grammage"]}
    if "board" in given:
        job["binding"] = {"board": given["board"]}
    if beginning.brings:
        if text is None:
            raise SpecError({"text": "Choose the PDF of the text first."})
        job["text"] |= text
        job["leaf"] |= text.get("page") or {}
    if beginning.measured:
        job |= _measured(given, notation)
    if beginning.lies is not None:
        job["bench"] = {"lies": beginning.lies}
        for group, entries in _bound_so(LYING[beginning.lies]).items():
            job[group] = job.get(group, {}) | entries
    return job


def _bound_so(lying: Lying) -> dict[str, dict[str, Any]]:
    """The entries that follow from what lies there: a binding that takes it, folds where there are any."""
    found: dict[str, dict[str, Any]] = {}
    if lying.leaves:
        found["folding"] = {"programme": "single leaves"}
    if lying.leaves or lying.kept:
        found["sewing"] = {"method": "none"}
        takes = (
            each
            for each in STRUCTURES.values()
            if each.rebound is lying.kept and each.sections == "leaves" and each.boards
        )
        found["binding"] = {"structure": next(takes).name}
    if "old_sewing_in" in lying.facts:
        found["extras"] = {"pulled": {}}
    return found


def _measured(given: Mapping[str, str], notation: Notation) -> dict[str, Any]:
    """A block as it lies there: measured, not trimmed unless asked, and as thick a leaf as it comes to.

    The thickness is the text's: what is added to it (endpapers, the sewing) makes the block thicker.
    """
    missing: dict[str, str] = {
        ask: "Measure the block, and give it here."
        for ask in ("width", "height", "thickness")
        if ask not in given
    }
    if missing:
        raise SpecError(missing)
    trim = {"head": 0, "tail": 0, "fore_edge": 0}
    found: dict[str, Any] = {
        "leaf": {"width": given["width"], "height": given["height"], "trim": trim},
        "measured": {
            "leaf.untrimmed_width": _length("width", given, notation),
            "leaf.untrimmed_height": _length("height", given, notation),
            "text.thickness": _length("thickness", given, notation),
        },
    }
    pages = given.get("pages", "")
    if pages.isdigit() and int(pages) > 0:
        found["paper"] = {"stack": {"leaves": -(-int(pages) // 2), "thickness": given["thickness"]}}
    return found


def _length(ask: str, given: Mapping[str, str], notation: Notation) -> float:
    try:
        return parse_length(given[ask], notation.bare)
    except SizeError as error:
        raise SpecError({ask: str(error)}) from None
