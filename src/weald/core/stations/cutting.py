"""Cutting: what each piece is cut from, which way its grain comes out, and how many a sheet gives."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from weald.core.cutting.askew import Askew, askew
from weald.core.cutting.order import SQUARED
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.job.spec import JobSpec, PieceStock
from weald.core.notation import Notation
from weald.core.paper import Lay, across, grain_word, lays_on_sheet, ways_on_sheet
from weald.core.pieces import GRAIN_NEEDED, Piece
from weald.core.shelf.grain import crosswise
from weald.core.units import TOLERANCE, Mm

TEXT_SHEET = "text_sheet"
THICKNESS_NOTICED = 0.1
"""Part by which stock may be thicker or thinner than the job reckons with."""
ROLL_LENGTH: Mm = 3000.0
"""Off a roll, pieces may be so long."""


@dataclass(frozen=True, slots=True)
class StockedPiece:
    """A piece with the stock it is cut from, what to mind about that, and whether it lies askew on it."""

    piece: Piece
    findings: tuple[Finding, ...]
    askew: Askew | None = None


def stock_pieces(spec: JobSpec, pieces: Sequence[Piece], notation: Notation) -> list[StockedPiece]:
    """Every piece with its stock, if one is chosen."""
    found = []
    for piece in pieces:
        stock = _text_paper(spec) if piece.id == TEXT_SHEET else _chosen(spec, piece.id)
        stocked = _stocked(piece, stock, notation)
        # the station Paper minds the text's own paper
        found.append(StockedPiece(stocked.piece, ()) if piece.id == TEXT_SHEET else stocked)
    return found


def _chosen(spec: JobSpec, piece_id: str) -> PieceStock | None:
    """The stock chosen for a piece; one for the back board, cut apart, comes out of that of the front one."""
    return spec.stock.get(piece_id) or spec.stock.get(piece_id.removesuffix("_back"))


def _text_paper(spec: JobSpec) -> PieceStock:
    """The paper of the text as the job knows it, with its number on the shelf if it came from there."""
    chosen, sheet = spec.stock.get(TEXT_SHEET), spec.paper.sheet
    return PieceStock(
        item=chosen.item if chosen else None,
        name=spec.paper.name or "paper of the text",
        width=sheet.width,
        height=sheet.height,
        grain=sheet.grain,
        across=bool(chosen and chosen.across),
    )


def mind_paper(spec: JobSpec, notation: Notation) -> list[Finding]:
    """Where the paper of the text departs from the stock it was taken from."""
    chosen, sheet = spec.stock.get(TEXT_SHEET), spec.paper.sheet
    if chosen is None or chosen.height is None:
        return []
    sides = ((chosen.width, sheet.width), (chosen.height, sheet.height))
    if any(abs(on_shelf - in_job) > TOLERANCE for on_shelf, in_job in sides):
        size = f"{notation.length(chosen.width)} × {notation.length(chosen.height, True)}"
        what = f"the sheet there is {size}"
    elif chosen.grain != sheet.grain:
        what = f"its grain there runs along the {chosen.grain or 'side nobody has tested'}"
    else:
        return []
    patch: Patch = {"paper.sheet.width": chosen.width, "paper.sheet.height": chosen.height}
    actions = [Action("Take the stock out", {f"stock.{TEXT_SHEET}": None})]
    if chosen.grain:
        again: Patch = {**patch, "paper.sheet.grain": chosen.grain}
        actions.insert(0, Action("Take the shelf's sheet", again))
    return [
        finding(
            "stock.departs", "paper.sheet", notation, stock=chosen.name, what=what, actions=tuple(actions)
        )
    ]


def mind_unused(spec: JobSpec, pieces: Sequence[Piece], notation: Notation) -> list[Finding]:
    """Stock chosen for pieces this book does not have."""
    known = {piece.id for piece in pieces}
    return [
        finding(
            "stock.unused",
            f"stock.{piece_id}",
            notation,
            piece=piece_id.replace("_", " "),
            actions=(Action("Take the stock out", {f"stock.{piece_id}": None}),),
        )
        for piece_id in spec.stock
        if piece_id not in known
    ]


def lay_of(piece: Piece, stock: PieceStock, *, square: bool = False) -> Lay | None:
    """How a piece is best laid on a sheet of stock, grain right if it can be; none where it does not fit.

    :param square: whether its corner is square already; paper comes so from the mill.
    """
    trim = 0.0 if square or piece.material == "paper" else SQUARED
    size = (stock.width - trim, ROLL_LENGTH if stock.height is None else stock.height - trim)
    needed = (piece.cut_width, piece.cut_height)
    if piece.grain == "any" or stock.grain is None:
        lays = ways_on_sheet(needed, size)
    else:
        lays = lays_on_sheet(needed, piece.grain, size, stock.grain)
    return lays[0] if lays else None


def _stocked(piece: Piece, stock: PieceStock | None, notation: Notation) -> StockedPiece:
    if stock is None:
        return StockedPiece(piece, ())
    lay = lay_of(piece, stock)
    laid = None if lay else lay_askew(piece, stock)
    right = piece.grain == "any" or (None if stock.grain is None else bool(lay and lay.grain_right))
    piece = replace(
        piece,
        stock=stock.name,
        item=stock.item,
        has=f"turned by {laid.degrees:.0f}° on the skin" if laid else _has_words(piece, stock, lay, notation),
        grain_right=right if lay else None,
        per_sheet=lay.count if lay and stock.form != "roll" else None,
        across=stock.across,
    )
    return StockedPiece(piece, tuple(_mind(piece, stock, lay, laid, notation)), laid)


def lay_askew(piece: Piece, stock: PieceStock) -> Askew | None:
    """How a piece lies on a skin that is too short for it."""
    if stock.form != "skin" or stock.height is None:
        return None
    size, skin = (piece.cut_width, piece.cut_height), (stock.width, stock.height)
    turn = askew(size, skin)
    return None if turn is None else Askew(piece.label, stock.name, size, skin, turn)


def off_the_roll(piece: Piece, lay: Lay, count: int) -> Mm:
    """The length to cut off a roll for so many pieces, laid side by side as the lay says."""
    along = piece.cut_width if lay.turned else piece.cut_height
    return math.ceil(count / lay.columns) * along


def _has_words(piece: Piece, stock: PieceStock, lay: Lay | None, notation: Notation) -> str:
    if lay is None:
        return "does not fit"
    if stock.grain is None:
        return "not tested"
    along = stock.grain if not lay.turned else across(stock.grain)
    words = GRAIN_NEEDED[along]
    way = "turned" if lay.turned else "upright"
    if stock.height is None:
        length = notation.length(off_the_roll(piece, lay, piece.count + piece.spare), True)
        return f"{words}, {way}; cut {length} off the roll"
    return f"{words}, {way} on {grain_word(stock.width, stock.height, stock.grain)} grain"


def _mind(
    piece: Piece, stock: PieceStock, lay: Lay | None, laid: Askew | None, notation: Notation
) -> list[Finding]:
    about = piece.about
    if laid is not None:
        turn = f"{laid.degrees:.0f}"
        return [finding("piece.askew", about, notation, piece=piece.label, stock=stock.name, degrees=turn)]
    if lay is None:
        needs, has = piece.shown, notation.length(stock.width, True)
        if stock.height is not None:
            cut_to = (piece.cut_width, piece.cut_height)
            needs, has = notation.compared_sizes(cut_to, (stock.width, stock.height))
        return [
            finding(
                "piece.too_large",
                about,
                notation,
                piece=piece.label,
                needs=needs,
                stock=stock.name,
                has=has,
            )
        ]
    found = []
    if stock.grain is None and piece.grain != "any":
        found.append(
            finding(
                "piece.untested",
                about,
                notation,
                piece=piece.label.lower(),
                stock=stock.name,
                needs=piece.needs,
            )
        )
    elif not piece.grain_right:
        found.append(crosswise(piece, stock.across, notation))
    if piece.thickness and stock.thickness and piece.material in ("board", "endpaper"):
        off = abs(stock.thickness - piece.thickness)
        if off > THICKNESS_NOTICED * piece.thickness + TOLERANCE:
            thick, wanted = notation.compared_thickness(stock.thickness, piece.thickness)
            found.append(
                finding(
                    "piece.thickness",
                    about,
                    notation,
                    stock=stock.name,
                    has=thick,
                    needs=wanted,
                )
            )
    return found
