"""Which of the stock on a shelf a piece can be cut from, and what each choice gives."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from weald.core.cutting.askew import Askew
from weald.core.cutting.halving import Torn, torn_sheets
from weald.core.findings import Patch
from weald.core.job.spec import PieceStock
from weald.core.materials import MATERIALS, StockKind
from weald.core.notation import Notation, plain_number
from weald.core.paper import Lay, SheetGrain, across, grain_word
from weald.core.pieces import GRAIN_NEEDED, Piece
from weald.core.shelf.stock import FLAT, MM_PER_METRE, OnShelf, StockItem, count_words
from weald.core.stations.cutting import TEXT_SHEET, THICKNESS_NOTICED, lay_askew, lay_of, off_the_roll
from weald.core.units import Mm


@dataclass(frozen=True, slots=True)
class Candidate:
    """Stock a piece may be cut from.

    :param fits: whether the piece is small enough. ``grain`` says how it would come out.
    :param per_sheet: pieces a sheet gives; of a roll, a metre's length of it.
    :param takes: how much the pieces of the job take: sheets, or millimetres of a roll.
    :param waste: part of what is taken that does not become pieces, in percent.
    :param torn: a way of tearing it by halving, for paper.
    :param chosen: whether the job has it already.
    :param patch: what choosing it changes in the job.
    """

    number: int
    name: str
    kind: StockKind
    size: str
    grain: str
    grain_right: bool | None
    fits: bool
    lie: str
    per_sheet: int
    takes: int
    takes_words: str
    has_words: str
    enough: bool
    waste: float
    price: float | None
    torn: str
    notes: tuple[str, ...]
    offcut: bool
    chosen: bool
    patch: Patch


@dataclass(frozen=True, slots=True)
class Choice:
    """The shelf as it looks for one piece.

    :param to_buy: what to look for when nothing on the shelf will do; empty where something does.
    """

    piece: str
    label: str
    needs: str
    candidates: tuple[Candidate, ...]
    to_buy: str


def as_piece_stock(entry: OnShelf) -> PieceStock:
    """An item as a job keeps it."""
    item = entry.item
    roll = item.form == "roll"
    return PieceStock(
        item=entry.number,
        name=item.name[:120],
        form="roll" if roll else "skin" if item.form == "skin" else "sheet",
        width=item.width or 1.0,
        height=None if roll else item.height,
        grain="height" if roll else item.grain,
        thickness=item.thickness,
        grammage=item.gsm,
        price=item.price,
    )


def choose_stock(
    piece: Piece, shelf: Iterable[OnShelf], notation: Notation, *, others: bool = False
) -> Choice:
    """What on the shelf suits a piece: grain right, enough and least waste first; what does not fit last.

    :param others: list other kinds of stock too.
    """
    found = []
    for entry in shelf:
        item = entry.item
        if item.form not in FLAT or item.width is None or (item.form != "roll" and item.height is None):
            continue
        if others or item.kind in MATERIALS[piece.material].stock:
            found.append(_candidate(piece, entry, notation))
    found.sort(
        key=lambda each: (
            not each.fits,
            each.grain_right is False,
            each.grain_right is None,
            bool(each.notes),
            not each.enough,
            each.waste,
        )
    )
    will_do = any(each.fits and each.grain_right and each.enough for each in found)
    return Choice(
        piece.id, piece.label, _needs_words(piece), tuple(found), "" if will_do else _to_buy(piece, notation)
    )


def _candidate(piece: Piece, entry: OnShelf, notation: Notation) -> Candidate:
    item, stock = entry.item, as_piece_stock(entry)
    lay = lay_of(piece, stock, square=entry.offcut)
    askew = None if lay else lay_askew(piece, stock)
    wanted = piece.count + piece.spare
    per_sheet, takes = (1, wanted) if askew else _yield(piece, stock, lay, wanted)
    fits = bool(lay or askew)
    right: bool | None = True if askew and piece.grain == "any" else None
    if lay is not None:
        right = True if piece.grain == "any" else None if stock.grain is None else lay.grain_right
    area = stock.width * (takes if stock.height is None else takes * stock.height)
    waste = 100 * (1 - wanted * piece.cut_width * piece.cut_height / area) if area and fits else 100.0
    amount = takes / MM_PER_METRE if stock.height is None else takes
    return Candidate(
        number=entry.number,
        name=item.name,
        kind=item.kind,
        size=_size(stock, notation),
        grain=_grain(stock, lay) if lay or not askew else "no grain to mind",
        grain_right=right,
        fits=fits,
        lie=_lie(piece, stock, lay, askew, notation),
        per_sheet=per_sheet,
        takes=takes,
        takes_words=count_words(item, takes) if fits else "",
        has_words=count_words(item, entry.count),
        enough=fits and takes <= entry.count,
        waste=max(0.0, waste),
        price=item.price * amount if item.price is not None and fits else None,
        torn=_torn(piece, stock, notation),
        notes=tuple(_notes(piece, item, notation)),
        offcut=entry.offcut,
        chosen=piece.item == entry.number,
        patch=choose_patch(piece, entry),
    )


def _yield(piece: Piece, stock: PieceStock, lay: Lay | None, wanted: int) -> tuple[int, int]:
    """Pieces out of one sheet, or a metre of a roll; and how much they take in all."""
    if lay is None:
        return 0, 0
    if stock.height is not None:
        return lay.count, math.ceil(wanted / lay.count)
    length = piece.cut_width if lay.turned else piece.cut_height
    return lay.columns * int(MM_PER_METRE // length), math.ceil(off_the_roll(piece, lay, wanted))


def _lie(piece: Piece, stock: PieceStock, lay: Lay | None, askew: Askew | None, notation: Notation) -> str:
    if lay is not None and stock.height is None:
        length = notation.length(off_the_roll(piece, lay, piece.count + piece.spare), True)
        return (
            f"{lay.columns} side by side, {'turned' if lay.turned else 'upright'}; cut {length} off the roll"
        )
    if lay is not None:
        return f"{lay.columns} × {lay.rows}, {'turned' if lay.turned else 'upright'}"
    return f"askew, turned by {askew.degrees:.0f}°" if askew else ""


def _size(stock: PieceStock, notation: Notation) -> str:
    if stock.height is None:
        return f"{notation.figure(stock.width, True)} wide"
    return f"{notation.figure(stock.width)} × {notation.figure(stock.height, True)}"


def _grain(stock: PieceStock, lay: Lay | None) -> str:
    if lay is None:
        return "does not fit"
    if stock.grain is None:
        return "grain not tested"
    along: SheetGrain = across(stock.grain) if lay.turned else stock.grain
    return f"grain {GRAIN_NEEDED[along]}"


def _torn(piece: Piece, stock: PieceStock, notation: Notation) -> str:
    if piece.material != "paper" or stock.height is None or stock.grain is None or piece.grain == "any":
        return ""
    ways = torn_sheets(
        (stock.width, stock.height), stock.grain, (piece.cut_width, piece.cut_height), piece.grain
    )
    if not ways or not ways[0].halvings:
        return ""
    return torn_words(ways[0], piece.count + piece.spare, notation)


def torn_words(torn: Torn, wanted: int, notation: Notation) -> str:
    """A way of tearing in words: how often halved, which way, what comes out and how many sheets it takes."""
    size = f"{notation.figure(torn.width)} × {notation.figure(torn.height, True)}"
    sides = ", then ".join(f"the {side}" for side in torn.halvings)
    grain = "grain right" if torn.grain_right else "grain the wrong way"
    sheets = math.ceil(wanted / torn.count)
    return (
        f"Torn: halve {sides}; {torn.count} sheets of {size}, {grain}. "
        f"{sheets} parent sheet{'' if sheets == 1 else 's'} for {wanted}."
    )


def _notes(piece: Piece, item: StockItem, notation: Notation) -> Iterable[str]:
    if piece.material == "board" and piece.thickness and item.thickness:
        if abs(item.thickness - piece.thickness) > THICKNESS_NOTICED * piece.thickness:
            yield (
                f"{notation.thickness(item.thickness, True)} thick, and the job reckons with "
                f"{notation.thickness(piece.thickness, True)}: sizes change with it"
            )
    elif piece.material == "board" and item.thickness is None:
        yield "its thickness is not known; measure it"


def choose_patch(piece: Piece, entry: OnShelf) -> Patch:
    """What choosing an item for a piece changes in the job: the stock itself, and what follows from it.

    Paper of the text brings its weight and thickness, so that block and creep follow; board its thickness.
    """
    item = entry.item
    stock = as_piece_stock(entry)
    patch: Patch = {f"stock.{piece.id}": stock.model_dump(mode="json", exclude_defaults=True)}
    if piece.id == TEXT_SHEET:
        patch |= _paper_patch(item)
    elif piece.id in ("board", "spine_board") and item.thickness:
        key = "binding.board" if piece.id == "board" else "binding.spine_board"
        patch[key] = item.thickness
        if piece.id == "board":
            patch["binding.board_name"] = item.name[:120]
    elif piece.id == "cover":
        patch["binding.cover_name"] = item.name[:120]
        if item.thickness:
            patch["binding.cover_thickness"] = item.thickness
    elif piece.id == "endpaper":
        if item.gsm:
            patch["endpapers.grammage"] = item.gsm
        if item.thickness and item.gsm:
            patch["endpapers.bulk"] = round(1000 * item.thickness / item.gsm, 4)
    return patch


def _paper_patch(item: StockItem) -> Patch:
    patch: Patch = {
        "paper.name": item.name[:120],
        "paper.basis": item.basis.model_dump(mode="json") if item.basis else None,
        "paper.calliper": item.calliper,
        "paper.stack": item.stack.model_dump(mode="json") if item.stack and not item.calliper else None,
    }
    if item.grammage:
        patch["paper.grammage"] = item.grammage
    if item.bulk:
        patch["paper.bulk"] = item.bulk
    if item.width and item.height:
        patch["paper.sheet.width"] = item.width
        patch["paper.sheet.height"] = item.height
    if item.grain:
        patch["paper.sheet.grain"] = item.grain
    return patch


def _needs_words(piece: Piece) -> str:
    return f"{piece.shown}, grain {GRAIN_NEEDED[piece.grain]}"


def _to_buy(piece: Piece, notation: Notation) -> str:
    """What to look for: the least sheet, which way its grain has to run, how thick, how many pieces."""
    width, height = piece.cut_width, piece.cut_height
    size = f"{notation.length(width)} × {notation.length(height, True)}"
    words = [f"Look for {piece.material} of at least {size}"]
    if piece.grain != "any":
        along: Mm = height if piece.grain == "height" else width
        word = grain_word(width, height, piece.grain)
        words.append(
            f"with its grain along the {notation.length(along, True)}"
            + (f" ({word} grain at that size)" if word != "square" else "")
        )
    if piece.thickness and piece.material == "board":
        words.append(f"{notation.thickness(piece.thickness, True)} thick")
    wanted = piece.count + piece.spare
    area = wanted * width * height / 1e6
    return f"{', '.join(words)}. {wanted} pieces are {plain_number(area, 2)} m² before waste."
