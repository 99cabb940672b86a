"""Entries that are possible and yet hardly meant: each is doubted, with what is usual.

An entry is doubted by itself, or against what it lies on. Nothing is refused here; what cannot be at all
is refused when a job is read.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.bindings.protocol import Structure
from weald.core.findings import Finding, finding
from weald.core.job.patching import value_at
from weald.core.job.spec import JobSpec
from weald.core.notation import plain_number
from weald.core.reckoning import Ledger
from weald.core.station import Station
from weald.core.units import TOLERANCE


@dataclass(frozen=True, slots=True)
class Usual:
    """What is usual of an entry: from ``least`` to ``most``.

    :param bound: the entry of a structure it belongs to; all have it where empty.
    :param unit: ``mm`` for lengths, ``%`` or nothing for numbers.
    """

    path: str
    station: Station
    label: str
    least: float
    most: float
    bound: str = ""
    unit: str = "mm"


USUAL: tuple[Usual, ...] = (
    Usual("leaf.width", "text", "A leaf", 40, 1000),
    Usual("leaf.height", "text", "A leaf", 40, 1000),
    Usual("leaf.trim.head", "text", "A trim at the head", 0, 25),
    Usual("leaf.trim.tail", "text", "A trim at the tail", 0, 25),
    Usual("leaf.trim.fore_edge", "text", "A trim at the fore-edge", 0, 25),
    Usual("paper.bulk", "paper", "A bulk", 0.7, 2.5, unit=""),
    Usual("paper.spoilage", "paper", "Spoilage", 0, 30, unit="%"),
    Usual("folding.creep_factor", "folding", "A creep factor", 0.7, 2.0, unit=""),
    Usual("sewing.kettle", "sewing", "Kettles in by", 6, 30),
    Usual("sewing.tail_more", "sewing", "An interval at the tail larger by", 0, 15),
    Usual("sewing.thread", "sewing", "Thread", 0.1, 1.5),
    Usual("binding.squares.head", "boards", "A square at the head", 0, 12, "binding.squares"),
    Usual("binding.squares.tail", "boards", "A square at the tail", 0, 12, "binding.squares"),
    Usual("binding.squares.fore_edge", "boards", "A square at the fore-edge", 0, 15, "binding.squares"),
    Usual("binding.cut_in_case", "boards", "Boards cut wider by", 0, 20, "binding.cut_in_case"),
    Usual("binding.turn_in", "boards", "A turn-in", 8, 40, "binding.turn_in"),
    Usual("binding.joint", "boards", "A joint", 4, 20, "binding.joint_rule"),
    Usual("block.mull_overlap", "block", "Mull on each board", 10, 45),
)


def mind_unusual(structure: Structure, spec: JobSpec, sewn: bool, ledger: Ledger) -> list[Finding]:
    """Entries far from what is usual, as far as the binding asks for them.

    :param sewn: whether anything is sewn with thread.
    """
    return [*_mind_alone(structure, spec, sewn, ledger), *_mind_together(spec, ledger)]


def _mind_alone(structure: Structure, spec: JobSpec, sewn: bool, ledger: Ledger) -> Iterator[Finding]:
    for usual in USUAL:
        value = value_at(spec, usual.path)
        if usual.bound and usual.bound not in structure.entries:
            continue
        if (usual.station == "sewing" and not sewn) or not isinstance(value, int | float):
            continue
        if usual.path == "block.mull_overlap" and not (structure.lined and spec.block.mull):
            continue
        if usual.path == "binding.joint" and spec.binding.joint_rule != "fixed":
            continue
        if usual.least - TOLERANCE <= value <= usual.most + TOLERANCE:
            continue
        yield finding(
            "entry.unusual",
            usual.path,
            ledger.notation,
            station=usual.station,
            label=usual.label,
            value=_shown(usual, float(value), ledger),
            least=_shown(usual, usual.least, ledger),
            most=_shown(usual, usual.most, ledger),
        )


def _shown(usual: Usual, value: float, ledger: Ledger) -> str:
    if usual.unit == "mm":
        return ledger.notation.limit(value)
    return plain_number(value, 2) + (f" {usual.unit}" if usual.unit else "")


def _mind_together(spec: JobSpec, ledger: Ledger) -> Iterator[Finding]:
    """Pieces that reach further than what they lie on."""
    known = ledger.quantities
    if "board.width" not in known:
        return
    board = ledger.value("board.width")
    laid: tuple[tuple[str, str, str, bool], ...] = (
        ("binding.turn_in", "turn_in.inside", "A turn-in", "turn_in.inside" in known),
        ("block.mull_overlap", "mull.width", "Mull", "mull.width" in known),
        ("binding.overlap", "strip.width", "The joining strip", "strip.width" in known),
        ("binding.tape_reach", "sewing.support_length", "A support", "sewing.support_length" in known),
    )
    for path, about, label, there in laid:
        reach = value_at(spec, path)
        if there and isinstance(reach, int | float) and reach > board - TOLERANCE:
            reaches, wide = ledger.notation.compared(float(reach), max(0.0, board))
            yield finding(
                "piece.beyond",
                about,
                ledger.notation,
                label=label,
                reach=reaches,
                board=wide,
            )
    for hole in ("lacing.first", "lacing.second"):
        if hole in known and ledger.value(hole) > board - TOLERANCE:
            place, wide = ledger.notation.compared(ledger.value(hole), max(0.0, board))
            yield finding(
                "hole.beyond",
                hole,
                ledger.notation,
                label=known[hole].label,
                place=place,
                board=wide,
            )
