"""What lies on the bench when a job begins: the things a book is made of, and what is so of each.

A fact is one thing that can be seen or felt and that an operation makes so. What is so already is not done
again, nor cut, bought, timed or priced.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal, TypeAlias, get_args

from weald.core.station import Station

Fact = Literal[
    "stock_seen",
    "sheets_cut",
    "sheets_printed",
    "folds_made",
    "leaves_sorted",
    "folds_mended",
    "folds_pressed",
    "plates_guarded",
    "folds_collated",
    "folds_pierced",
    "old_cover_on",
    "old_sewing_in",
    "old_glue_on",
    "old_panels_trimmed",
    "endpapers_made",
    "endpapers_on",
    "block_sewn",
    "supports_none",
    "block_pressed",
    "fore_edge_trimmed",
    "block_trimmed",
    "block_glued",
    "block_rounded",
    "block_backed",
    "bands_on",
    "ribbon_in",
    "block_lined",
    "block_measured",
    "trial_made",
    "endpapers_tried",
    "leather_tried",
    "lettering_tried",
    "boards_cut",
    "boards_to_size",
    "boards_laminated",
    "boards_layered",
    "boards_bevelled",
    "boards_covered",
    "boards_pierced",
    "boards_fit",
    "boards_on",
    "edges_in_boards",
    "print_looked_over",
    "cover_round",
    "cover_cut",
    "cover_pared",
    "cover_scored",
    "cover_pierced",
    "case_joined",
    "case_made",
    "case_fits",
    "book_thumbed",
    "book_covered",
    "cover_on",
    "slips_stuck",
    "pastedowns_down",
    "book_opened_once",
    "book_dry",
    "edges_flush",
    "book_opened",
    "book_lettered",
    "book_tooled",
    "labels_on",
    "panels_in",
    "slipcase_made",
    "box_made",
    "jacket_on",
    "book_looked_at",
]
Facts: TypeAlias = frozenset[Fact]
ALL_FACTS: tuple[Fact, ...] = get_args(Fact)


@dataclass(frozen=True, slots=True)
class FactRecord:
    """What can be so of what is brought.

    :param station: where it is decided otherwise. ``said``: that it is so, as one says it of what lies there.
    :param implies: what must have been so before, and is not done again either.
    """

    station: Station
    said: str
    implies: tuple[Fact, ...] = ()


_SHEETS: tuple[Fact, ...] = ("sheets_cut", "sheets_printed")
BROUGHT: dict[Fact, FactRecord] = {
    "sheets_cut": FactRecord("paper", "The sheets are cut"),
    "sheets_printed": FactRecord("printing", "The sheets are printed", ("sheets_cut",)),
    "folds_made": FactRecord("folding", "The {signatures} are folded", _SHEETS),
    "leaves_sorted": FactRecord("folding", "The leaves are in order", _SHEETS),
    "folds_pressed": FactRecord("folding", "The {signatures} are pressed", ("folds_made",)),
    "folds_collated": FactRecord("folding", "The {signatures} are collated", ("folds_made",)),
    "folds_pierced": FactRecord("sewing", "The {signatures} are pierced or sawn in", ("folds_collated",)),
    "endpapers_made": FactRecord("block", "The endpapers are made"),
    "endpapers_on": FactRecord("block", "The endpapers are on", ("endpapers_made",)),
    "block_sewn": FactRecord(
        "sewing", "The block is sewn", ("folds_pierced", "folds_pressed", "plates_guarded")
    ),
    "supports_none": FactRecord("sewing", "The sewing has no tapes or cords"),
    "block_glued": FactRecord("block", "The spine is glued up", ("block_pressed",)),
    "fore_edge_trimmed": FactRecord("block", "The fore-edge is trimmed"),
    "block_trimmed": FactRecord("block", "All edges are trimmed", ("fore_edge_trimmed",)),
    "block_rounded": FactRecord("block", "The spine is rounded", ("block_glued",)),
    "block_backed": FactRecord("block", "The spine has its shoulders", ("block_rounded",)),
    "bands_on": FactRecord("block", "The end bands are on", ("block_glued",)),
    "ribbon_in": FactRecord("finish", "The ribbon is in", ("block_glued",)),
    "block_lined": FactRecord("block", "The spine is lined", ("block_glued",)),
    "boards_cut": FactRecord("boards", "The boards are cut"),
    "cover_cut": FactRecord("boards", "The covering is cut"),
    "case_made": FactRecord("boards", "The case is made", ("boards_cut", "cover_cut", "case_joined")),
    "old_cover_on": FactRecord("boards", "The old cover is on"),
    "old_sewing_in": FactRecord("sewing", "The old sewing is in"),
    "old_glue_on": FactRecord("block", "Old glue or linings are on the spine"),
}
"""What may be brought, each with what it says of what went before."""

Brought = Literal[
    "sheets",
    "folded",
    "sewn",
    "glued",
    "lined",
    "leaves",
    "leaves_glued",
    "paperback_leaves",
    "paperback_sewn",
    "bound",
    "case_broken",
]
Lies = Literal["stock", Brought]


@dataclass(frozen=True, slots=True)
class Lying:
    """One state in which the work is found.

    :param seen: how one knows it. ``station``: where the work on it begins.
    :param facts: what is so, besides what that implies.
    :param measured: whether a block is there to measure. ``leaves``: single leaves. ``kept``: with its cover.
    """

    title: str
    seen: str
    station: Station
    facts: tuple[Fact, ...] = ()
    measured: bool = True
    leaves: bool = False
    kept: bool = False


_PAPERBACK: tuple[Fact, ...] = (
    "block_glued",
    "block_trimmed",
    "supports_none",
    "old_cover_on",
    "old_glue_on",
)
LYING: dict[Lies, Lying] = {
    "stock": Lying("Stock", "Paper, board and cloth as they were bought.", "text", measured=False),
    "sheets": Lying(
        "Printed sheets", "Flat, printed elsewhere.", "folding", ("sheets_printed",), measured=False
    ),
    "folded": Lying(
        "Folded {signatures}", "Folded, in order, not sewn.", "sewing", ("folds_made", "folds_collated")
    ),
    "sewn": Lying("A sewn block", "Thread in the folds, the spine bare.", "block", ("block_sewn",)),
    "glued": Lying(
        "A block sewn and glued", "Glue on the spine, no cloth on it.", "block", ("block_sewn", "block_glued")
    ),
    "lined": Lying(
        "A block sewn and lined",
        "Cloth or paper on the spine.",
        "boards",
        ("block_sewn", "block_glued", "block_lined"),
    ),
    "leaves": Lying(
        "Single leaves", "In order, nothing holds them.", "block", ("leaves_sorted",), leaves=True
    ),
    "leaves_glued": Lying(
        "Leaves glued at the back",
        "A block of single leaves, no cover.",
        "block",
        ("leaves_sorted", "block_glued", "supports_none"),
        leaves=True,
    ),
    "paperback_leaves": Lying(
        "A paperback of glued leaves",
        "Looked at from the head, single leaves end in the glue.",
        "boards",
        ("leaves_sorted", *_PAPERBACK),
        leaves=True,
        kept=True,
    ),
    "paperback_sewn": Lying(
        "A paperback of sewn {signatures}",
        "Looked at from the head, folds; thread in the middle of some.",
        "boards",
        ("block_sewn", *_PAPERBACK),
        kept=True,
    ),
    "bound": Lying(
        "A bound book to be pulled",
        "It is taken apart and sewn again.",
        "sewing",
        ("folds_made", "old_cover_on", "old_sewing_in", "old_glue_on"),
    ),
    "case_broken": Lying(
        "A sound block, its case broken",
        "The sewing holds; the old case comes off.",
        "boards",
        ("block_sewn", "block_glued", "block_trimmed", "old_cover_on", "old_glue_on"),
    ),
}
SETTLES: dict[Station, Facts] = {
    "paper": frozenset(("sheets_cut",)),
    "printing": frozenset(("sheets_printed",)),
    "folding": frozenset(("folds_made", "leaves_sorted")),
    "sewing": frozenset(("block_sewn",)),
}
"""The stations at which nothing is left to decide once one of these is so."""


def with_implied(facts: Iterable[Fact]) -> Facts:
    """The same facts, with all that must have been so before each."""
    found: set[Fact] = set()
    waiting = list(facts)
    while waiting:
        fact = waiting.pop()
        if fact not in found:
            found.add(fact)
            if (record := BROUGHT.get(fact)) is not None:
                waiting += record.implies
    return frozenset(found)


def so_at_first(lies: Lies, by_hand: Mapping[Fact, bool]) -> Facts:
    """What is so when work begins.

    :param by_hand: what somebody said of it besides: that it is so, or that it is not.
    """
    found = with_implied((*LYING[lies].facts, *(fact for fact, so in by_hand.items() if so)))
    return found - {fact for fact, so in by_hand.items() if not so}


def fact_words(fact: str) -> str:
    """A fact in words, with the vocabulary's place in braces."""
    said = {str(name): record.said for name, record in BROUGHT.items()}
    return said.get(fact, fact.replace("_", " ").capitalize())
