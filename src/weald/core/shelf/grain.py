"""What grain does to a book: crosswise pieces, pasted paper's growth, and the bow of the boards."""

from dataclasses import dataclass
from typing import Literal

from weald.core.findings import Action, Finding, Patch, finding
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS, MATERIALS, PAPER_GROWTH_ACROSS
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.reckoning import Ledger

BALANCED = 0.15
"""Pulls that differ by less than this part of the greater keep a board flat enough."""
LIGHTEST_LINING, HEAVIEST_LINING = 40.0, 200.0

Bow = Literal["outward", "inward", "flat"]


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
    material = MATERIALS[piece.material]
    effect, remedy = material.across, material.turned
    about = piece.about
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
        cover = COVERS[binding.material].weighs * binding.cover_thickness
    # film brings no water with it, and so nothing shrinks
    dry = spec.bench.glue.case == "film" and not COVERS[binding.material].record.soaked
    grows = 0.0 if dry else COVERS[binding.material].grows
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
