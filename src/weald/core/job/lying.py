"""What lies on the bench when a job begins: the things a book is made of, and what is so of each.

A fact is one thing that can be seen or felt and that an operation makes so. What is so already is not done
again, nor cut, bought, timed or priced.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal, TypeAlias, get_args

from weald.core.station import Station

Fact = Literal[
    "stock.seen",
    "sheets.cut",
    "sheets.printed",
    "folds.made",
    "leaves.sorted",
    "folds.mended",
    "folds.pressed",
    "plates.guarded",
    "folds.collated",
    "folds.pierced",
    "old_cover.on",
    "old_sewing.in",
    "old_glue.on",
    "old_panels.trimmed",
    "endpapers.made",
    "endpapers.on",
    "block.sewn",
    "supports.none",
    "block.pressed",
    "fore_edge.trimmed",
    "block.trimmed",
    "block.glued",
    "block.rounded",
    "block.backed",
    "bands.on",
    "ribbon.in",
    "block.lined",
    "block.measured",
    "trial.made",
    "boards.cut",
    "boards.laminated",
    "boards.layered",
    "boards.bevelled",
    "boards.covered",
    "boards.pierced",
    "boards.fit",
    "boards.on",
    "edges.in_boards",
    "cover.round",
    "cover.cut",
    "cover.pared",
    "cover.scored",
    "cover.pierced",
    "case.joined",
    "case.made",
    "case.fits",
    "book.thumbed",
    "book.covered",
    "cover.on",
    "slips.stuck",
    "pastedowns.down",
    "book.opened_once",
    "book.dry",
    "edges.flush",
    "book.opened",
    "book.lettered",
    "book.tooled",
    "labels.on",
    "panels.in",
    "slipcase.made",
    "box.made",
    "jacket.on",
    "book.looked_at",
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


_SHEETS: tuple[Fact, ...] = ("sheets.cut", "sheets.printed")
BROUGHT: dict[Fact, FactRecord] = {
    "sheets.cut": FactRecord("paper", "The sheets are cut"),
    "sheets.printed": FactRecord("printing", "The sheets are printed", ("sheets.cut",)),
    "folds.made": FactRecord("folding", "The {signatures} are folded", _SHEETS),
    "leaves.sorted": FactRecord("folding", "The leaves are in order", _SHEETS),
    "folds.pressed": FactRecord("folding", "The {signatures} are pressed", ("folds.made",)),
    "folds.collated": FactRecord("folding", "The {signatures} are collated", ("folds.made",)),
    "folds.pierced": FactRecord("sewing", "The {signatures} are pierced or sawn in", ("folds.collated",)),
    "endpapers.made": FactRecord("block", "The endpapers are made"),
    "endpapers.on": FactRecord("block", "The endpapers are on", ("endpapers.made",)),
    "block.sewn": FactRecord(
        "sewing", "The block is sewn", ("folds.pierced", "folds.pressed", "plates.guarded")
    ),
    "supports.none": FactRecord("sewing", "The sewing has no tapes or cords"),
    "block.glued": FactRecord("block", "The spine is glued up", ("block.pressed",)),
    "fore_edge.trimmed": FactRecord("block", "The fore-edge is trimmed"),
    "block.trimmed": FactRecord("block", "All edges are trimmed", ("fore_edge.trimmed",)),
    "block.rounded": FactRecord("block", "The spine is rounded", ("block.glued",)),
    "block.backed": FactRecord("block", "The spine has its shoulders", ("block.rounded",)),
    "bands.on": FactRecord("block", "The end bands are on", ("block.glued",)),
    "ribbon.in": FactRecord("finish", "The ribbon is in", ("block.glued",)),
    "block.lined": FactRecord("block", "The spine is lined", ("block.glued",)),
    "boards.cut": FactRecord("boards", "The boards are cut"),
    "cover.cut": FactRecord("boards", "The covering is cut"),
    "case.made": FactRecord("boards", "The case is made", ("boards.cut", "cover.cut", "case.joined")),
    "old_cover.on": FactRecord("boards", "The old cover is on"),
    "old_sewing.in": FactRecord("sewing", "The old sewing is in"),
    "old_glue.on": FactRecord("block", "Old glue or linings are on the spine"),
}
"""What may be brought, each with what it says of what went before."""

Lies = Literal[
    "stock",
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


@dataclass(frozen=True, slots=True)
class Lying:
    """One state in which the work is found.

    :param seen: how one knows it.
    :param facts: what is so, besides what that implies.
    """

    title: str
    seen: str
    facts: tuple[Fact, ...] = ()


LYING: dict[Lies, Lying] = {
    "stock": Lying("Stock", "Paper, board and cloth as they were bought."),
    "sheets": Lying("Printed sheets", "Flat, printed elsewhere.", ("sheets.printed",)),
    "folded": Lying("Folded {signatures}", "Folded, in order, not sewn.", ("folds.made", "folds.collated")),
    "sewn": Lying("A sewn block", "Thread in the folds, the spine bare.", ("block.sewn",)),
    "glued": Lying(
        "A block sewn and glued", "Glue on the spine, no cloth on it.", ("block.sewn", "block.glued")
    ),
    "lined": Lying(
        "A block sewn and lined",
        "Cloth or paper on the spine.",
        ("block.sewn", "block.glued", "block.lined"),
    ),
    "leaves": Lying("Single leaves", "In order, nothing holds them.", ("leaves.sorted",)),
    "leaves_glued": Lying(
        "Leaves glued at the back",
        "A block of single leaves, no cover.",
        ("leaves.sorted", "block.glued", "supports.none"),
    ),
    "paperback_leaves": Lying(
        "A paperback of glued leaves",
        "Looked at from the head, single leaves end in the glue.",
        ("leaves.sorted", "block.glued", "block.trimmed", "supports.none", "old_cover.on", "old_glue.on"),
    ),
    "paperback_sewn": Lying(
        "A paperback of sewn {signatures}",
        "Looked at from the head, folds; thread in the middle of some.",
        ("block.sewn", "block.glued", "block.trimmed", "supports.none", "old_cover.on", "old_glue.on"),
    ),
    "bound": Lying(
        "A bound book to be pulled",
        "It is taken apart and sewn anew.",
        ("folds.made", "old_cover.on", "old_sewing.in", "old_glue.on"),
    ),
    "case_broken": Lying(
        "A sound block, its case broken",
        "The sewing holds; the old case comes off.",
        ("block.sewn", "block.glued", "block.trimmed", "old_cover.on", "old_glue.on"),
    ),
}
SETTLES: dict[Station, Facts] = {
    "paper": frozenset(("sheets.cut",)),
    "printing": frozenset(("sheets.printed",)),
    "folding": frozenset(("folds.made", "leaves.sorted")),
    "sewing": frozenset(("block.sewn",)),
}
"""The stations at which nothing is left to decide once one of these is so."""
UNDONE: Facts = frozenset(("old_cover.on", "old_sewing.in", "old_glue.on"))
"""What has to be undone where it is so."""


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


def said_of(fact: Fact) -> str:
    """A fact in words, with the vocabulary's place in braces."""
    record = BROUGHT.get(fact)
    if record is not None:
        return record.said
    thing, _, state = fact.partition(".")
    return f"{thing.replace('_', ' ').capitalize()} {state.replace('_', ' ')}"
