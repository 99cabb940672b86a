"""What grain does to a book: crosswise pieces, pasted paper's growth, and the bow of the boards.

The figures for growth and pull are estimates of ordinary papers and cloths; a strip of the paper at
hand, pasted and measured, knows better.
"""

from dataclasses import dataclass
from typing import Literal

from weald.core.findings import Action, Finding, Patch, finding
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.paper import COVER_GSM_PER_MM
from weald.core.pieces import Piece, PieceMaterial
from weald.core.reckoning import Ledger

PAPER_GROWTH_ACROSS = 1.75
"""Percent pasted paper widens across its grain: 1 to 2.5 is usual."""
COVER_GROWTH = {"cloth": 0.8, "leather": 1.5, "paper": PAPER_GROWTH_ACROSS}
"""Percent a covering widens when glued: cloth is held by its backing, leather is pasted and soaks."""
BALANCED = 0.15
"""Pulls that differ by less than this part of the greater keep a board flat enough."""
LIGHTEST_LINING, HEAVIEST_LINING = 40.0, 200.0

Bow = Literal["outward", "inward", "flat"]

CROSSWISE: dict[PieceMaterial, tuple[str, str]] = {
    # what would happen to this book, and how to put it right
    "paper": (
        "leaves wave at the gutter and the book does not lie flat",
        "Choose another fold programme, a sheet with its grain the other way, or halve the sheet first.",
    ),
    "endpaper": (
        "the paste-down cockles and pulls the board crooked",
        "Lay the folio the other way round on the sheet, or take a sheet with its grain the other way.",
    ),
    "board": (
        "the boards bow from head to tail, and no lining brings them back",
        "Turn the boards a quarter round on the sheet, or take board with its grain the other way.",
    ),
    "cloth": (
        "the cloth stretches across the joints, pulls the boards in and cracks there sooner",
        "Lay the cover with the warp from head to tail, even where that wastes cloth.",
    ),
    "leather": (
        "nothing much: leather has no warp, though it stretches least along the spine of the animal",
        "Lay the animal's spine along the book's where the skin allows.",
    ),
    "side_paper": (
        "the paper stretches towards the fore-edge as it is pasted, wrinkles and bows the board",
        "Lay it the other way round on the sheet.",
    ),
    "card": (
        "the card cracks along its folds and the cover gapes",
        "Lay it the other way round on the sheet, or take card with its grain the other way.",
    ),
    "support": ("a tape has no wrong way", "Nothing to do."),
    "mull": (
        "the open threads give along the spine and the joint is weak",
        "Cut it with the warp from head to tail.",
    ),
    "kraft": (
        "the lining cracks where the spine bends, and creases as it is glued",
        "Lay it the other way round on the sheet.",
    ),
}


@dataclass(frozen=True, slots=True)
class Pull:
    """How hard each side of a board pulls as it dries, in g/m² × percent.

    :param lining: grammage of a paper, pasted on the inside with its grain right, that would balance it;
        nothing where the inside pulls hard enough.
    """

    outside: float
    inside: float
    lining: float

    @property
    def bow(self) -> Bow:
        """Which way the boards will tend to bow; outward is away from the book."""
        most = max(self.outside, self.inside)
        if abs(self.outside - self.inside) <= BALANCED * most:
            return "flat"
        return "outward" if self.outside > self.inside else "inward"


def crosswise(piece: Piece, across: bool, notation: Notation) -> Finding:
    """What a piece with its grain the wrong way does to the book, and how to put it right.

    :param across: whether that is meant.
    """
    effect, remedy = CROSSWISE[piece.material]
    about = f"piece.{piece.id}"
    if across:
        return finding("piece.across_meant", about, notation, piece=piece.label, effect=effect)
    meant = Action("It is meant so", {f"stock.{piece.id}.across": True})
    return finding(
        "piece.across",
        about,
        notation,
        piece=piece.label,
        effect=effect,
        remedy=remedy,
        actions=(meant,),
    )


def reckon_pull(spec: JobSpec, ledger: Ledger, cover_gsm: float | None = None) -> Pull:
    """Enter the pulls on a board.

    :param cover_gsm: of the covering, where it is known; else reckoned from its thickness and material.
    """
    ends, binding = spec.endpapers, spec.binding
    cover = cover_gsm
    if cover is None:
        cover = COVER_GSM_PER_MM[binding.material] * binding.cover_thickness
    # film brings no water with it, and so nothing shrinks
    dry = spec.bench.glue.case == "film" and binding.material != "leather"
    grows = 0.0 if dry else COVER_GROWTH[binding.material]
    sides = {
        side: sum(lining.grammage for lining in binding.linings if lining.side == side)
        for side in ("outside", "inside")
    }
    outside = ledger.reckon(
        "pull.outside",
        cover * grows + sides["outside"] * PAPER_GROWTH_ACROSS,
        "{cover} × {cloth} + {lining} × {paper}",
        {
            "cover": ledger.entry("cover", cover, "binding.cover_thickness", "grammage"),
            "cloth": ledger.entry(f"growth of {binding.material}", grows, "binding.material", "percent"),
            "lining": ledger.entry("linings outside", sides["outside"], "binding.linings", "grammage"),
            "paper": ledger.entry("growth of paper", PAPER_GROWTH_ACROSS, "binding.linings", "percent"),
        },
        rule="weight × what it grows when wet: it shrinks again as it dries, and pulls",
    )
    leaf = ends.grammage if ends.leaves else 0.0
    inside = ledger.reckon(
        "pull.inside",
        (leaf + sides["inside"]) * PAPER_GROWTH_ACROSS,
        "({leaf} + {lining}) × {paper}",
        {
            "leaf": ledger.entry("paste-down", leaf, "endpapers.grammage", "grammage"),
            "lining": ledger.entry("linings inside", sides["inside"], "binding.linings", "grammage"),
            "paper": ledger.entry("growth of paper", PAPER_GROWTH_ACROSS, "endpapers.grammage", "percent"),
        },
        rule="estimated alike: where both sides pull as hard, the board stays flat",
    )
    lining = ledger.reckon(
        "pull.lining",
        max(0.0, (outside - inside) / PAPER_GROWTH_ACROSS),
        "({outside} − {inside}) / {paper}"
        if outside > inside
        else "nothing: {inside} is no less than {outside}",
        {
            "outside": ledger.ref("pull.outside"),
            "inside": ledger.ref("pull.inside"),
            "paper": ledger.entry("growth of paper", PAPER_GROWTH_ACROSS, "binding.linings", "percent"),
        },
        rule="paper glued, not the board; grain head to tail",
    )
    return Pull(outside, inside, lining)


def mind_bow(pull: Pull, spec: JobSpec, notation: Notation) -> list[Finding]:
    """Which way the boards will tend to bow, and what would balance it beside the linings there are."""
    if pull.bow == "flat":
        return []
    if pull.bow == "inward":
        return [finding("bow.inward", "pull.inside", notation)]
    weight = 10 * round(pull.lining / 10)
    actions: tuple[Action, ...] = ()
    if LIGHTEST_LINING <= weight <= HEAVIEST_LINING:
        there = [lining.model_dump(mode="json") for lining in spec.binding.linings]
        paper = {"side": "inside", "grammage": weight, "name": "lining paper"}
        add: Patch = {"binding.linings": [*there, paper]}
        actions = (Action(f"Line the inside with {weight} g/m² paper", add),)
    return [finding("bow.outward", "pull.outside", notation, weight=max(weight, 40), actions=actions)]
