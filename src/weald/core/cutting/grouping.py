"""Cutting orders out of planned jobs: every piece that has its stock chosen, stock by stock."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Any

from pydantic import TypeAdapter

from weald.core.cutting.askew import askew
from weald.core.cutting.layout import Layout
from weald.core.cutting.order import Blank, CuttingOrder, Shears, Stock, check_sizes, unplaceable
from weald.core.materials import PieceMaterial
from weald.core.pieces import Piece, PieceGrain
from weald.core.shelf.stock import OnShelf
from weald.core.units import Mm
from weald.core.upgrades import Data, Format

LAYOUT = Format("layout")

MOST_OF_A_ROLL: Mm = 50_000.0
"""Fifty metres: as much as one layout takes off a roll."""


@dataclass(frozen=True, slots=True)
class JobPieces:
    """The pieces of one job. ``number`` tells jobs apart."""

    number: int
    title: str
    pieces: tuple[Piece, ...]


@dataclass(frozen=True, slots=True)
class Group:
    """What is cut from one item of the shelf and its offcuts.

    :param material: of the first piece, to draw them all in.
    """

    item: int
    label: str
    material: PieceMaterial
    order: CuttingOrder


@dataclass(frozen=True, slots=True)
class CuttingOptions:
    """What the binder wants otherwise.

    :param pins: blank → the shelf item it has to come from.
    :param forbidden: items that are not to be cut.
    """

    shears: Shears = field(default_factory=Shears)
    pins: Mapping[str, int] | None = None
    forbidden: frozenset[int] = frozenset()


class BlankId(str):
    """The name of a job's piece among those of other jobs."""

    __slots__ = ()

    @classmethod
    def of(cls, job: int, piece: str) -> "BlankId":
        """The name of a piece, by the number of its job and its own id there."""
        return cls(f"{job}:{piece}")

    @property
    def job(self) -> int:
        """The number of the job."""
        return int(self.partition(":")[0])


def cutting_groups(
    jobs: Sequence[JobPieces], shelf: Mapping[int, Sequence[OnShelf]], options: CuttingOptions
) -> tuple[list[Group], list[str]]:
    """The orders for the pieces of several jobs, and in words the pieces that cannot be cut yet.

    :param shelf: item → the item itself and its offcuts.
    :raises weald.core.errors.SpecError: when a piece, stock or the shears have a size that cannot be.
    """
    blanks: dict[int, list[Blank]] = {}
    materials: dict[int, PieceMaterial] = {}
    without = []
    for job in jobs:
        for piece in job.pieces:
            name = f"{piece.label}, {job.title}" if len(jobs) > 1 else piece.label
            if piece.item is None or piece.item not in shelf:
                without.append(f"{name}: no stock is chosen for it.")
                continue
            materials.setdefault(piece.item, piece.material)
            blanks.setdefault(piece.item, []).append(_blank(job, piece, name, options))
    groups = []
    for item, wanted in blanks.items():
        entries = [entry for entry in shelf[item] if entry.number not in options.forbidden]
        order = CuttingOrder(tuple(wanted), tuple(_stock(entry) for entry in entries), options.shears)
        check_sizes(order)
        lost = unplaceable(order)
        without += (_askew_words(blank, entries) or lost[blank.id] for blank in wanted if blank.id in lost)
        if kept := tuple(blank for blank in wanted if blank.id not in lost):
            order = replace(order, blanks=kept)
            groups.append(Group(item, shelf[item][0].item.name, materials[item], order))
    return groups, without


def _askew_words(blank: Blank, entries: Sequence[OnShelf]) -> str:
    """What to do with a piece that lies on a skin only askew, where shears have no square to cut from."""
    for entry in entries:
        skin = entry.item
        if skin.form == "skin" and skin.width and skin.height:
            turn = askew((blank.width, blank.height), (skin.width, skin.height))
            if turn:
                return (
                    f"{blank.label} lies askew on {skin.name}, turned by {turn:.0f}°: cut it by the drawing "
                    "at the station Cutting, and count the skins afterwards."
                )
    return ""


def _blank(job: JobPieces, piece: Piece, name: str, options: CuttingOptions) -> Blank:
    identity = BlankId.of(job.number, piece.id)
    grain: PieceGrain = piece.grain
    if piece.across and grain != "any":
        grain = "width" if grain == "height" else "height"
    pinned = (options.pins or {}).get(identity)
    return Blank(
        id=identity,
        label=name,
        width=piece.cut_width,
        height=piece.cut_height,
        count=piece.count + piece.spare,
        grain=grain,
        pinned="" if pinned is None else str(pinned),
    )


def _stock(entry: OnShelf) -> Stock:
    """An item as it is cut from. Whole sheets are not limited by their count: what is short is bought."""
    item = entry.item
    roll = item.form == "roll"
    length: Mm = MOST_OF_A_ROLL if roll else (item.height or 0.0)
    return Stock(
        id=str(entry.number),
        label=f"Offcut of {item.name}" if entry.offcut else item.name,
        width=item.width or 0.0,
        height=length,
        grain="height" if roll else item.grain,
        count=entry.count if entry.offcut else None,
        price=item.price,
        offcut=entry.offcut,
        square=entry.offcut or item.kind == "paper",
        roll=roll,
    )


@dataclass(frozen=True, slots=True)
class CutGroup:
    """A group laid out."""

    item: int
    label: str
    material: PieceMaterial
    blanks: tuple[Blank, ...]
    layout: Layout


@dataclass(frozen=True, slots=True)
class CutResult:
    """Everything that was laid out, and in words the pieces that cannot be cut yet."""

    groups: tuple[CutGroup, ...]
    without: tuple[str, ...]


@lru_cache(maxsize=1)
def _results() -> TypeAdapter[CutResult]:
    return TypeAdapter(CutResult)


def write_result(result: CutResult) -> Data:
    """A layout as it is kept, with the version of its format."""
    kept: Data = _results().dump_python(result, mode="json")
    return kept | {"version": LAYOUT.version}


def read_result(data: Mapping[str, Any]) -> CutResult:
    """A layout that was kept, by this Weald or an earlier one.

    :raises SpecError: when a newer one wrote it.
    """
    current = LAYOUT.upgraded(data)
    return _results().validate_python({key: value for key, value in current.items() if key != "version"})
