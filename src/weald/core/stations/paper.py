"""Paper: how thick a leaf is, the sheet to be folded, and how it comes out of the stock sheet."""

from dataclasses import dataclass

from weald.core.drawing import Drawing, Sketch, box
from weald.core.findings import Action, Finding, finding
from weald.core.folding.packet import FoldedPacket, fold_packet
from weald.core.folding.programme import NAMED_PROGRAMMES
from weald.core.job.leaves import Paper
from weald.core.job.spec import JobSpec
from weald.core.materials import MATERIALS
from weald.core.notation import Notation
from weald.core.paper import (
    BASIC_SIZE_INCHES,
    LB_PER_REAM_TO_GSM,
    Lay,
    SheetGrain,
    across,
    calliper_from_bulk,
    grain_word,
    gsm_from_pounds,
    lays_on_sheet,
    size_name,
    with_spoilage,
)
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger
from weald.core.stations.cutting import TEXT_SHEET
from weald.core.stations.text import TextPlan
from weald.core.units import Gsm, Mm, rounded_up


@dataclass(frozen=True, slots=True)
class PaperPlan:
    """The paper: its thickness, the sheet to fold and how it lies on the stock sheet.

    ``lay`` is ``None`` when the sheet to fold is larger than the stock sheet. ``needed`` is the side of the
    unfolded sheet the grain has to run along.
    """

    grammage: Gsm
    calliper: Mm
    sheet_width: Mm
    sheet_height: Mm
    lay: Lay | None
    needed: SheetGrain

    @property
    def crosswise(self) -> bool:
        """Whether the paper gives the sheet with its grain across the spine."""
        return self.lay is not None and not self.lay.grain_right

    @property
    def grain(self) -> SheetGrain:
        """The side of the unfolded sheet its grain runs along, as it comes out of the paper."""
        return across(self.needed) if self.crosswise else self.needed


def reckon_leaf(spec: JobSpec, ledger: Ledger) -> tuple[Gsm, Mm]:
    """Grammage and thickness of a leaf, from whatever the binder knows of the paper."""
    paper = spec.paper
    if paper.basis is not None:
        basic_width, basic_height = BASIC_SIZE_INCHES[paper.basis.grade]
        grammage = ledger.reckon(
            "paper.grammage",
            grammage_of(paper),
            f"{{pounds}} lb × {LB_PER_REAM_TO_GSM:.3f} / ({basic_width:g} × {basic_height:g} in)",
            {"pounds": ledger.entry("basis weight", paper.basis.pounds, "paper.basis.pounds", "count")},
            rule=f"{paper.basis.grade.value} pounds, 500 sheets of {basic_width:g} × {basic_height:g} in",
        )
    else:
        grammage = ledger.reckon("paper.grammage", paper.grammage, "as stated", entry="paper.grammage")
    if paper.calliper is not None:
        return grammage, ledger.reckon(
            "paper.calliper", paper.calliper, "measured leaf", entry="paper.calliper"
        )
    if paper.stack is not None:
        return grammage, ledger.reckon(
            "paper.calliper",
            paper.stack.thickness / paper.stack.leaves,
            "{stack} / {leaves}",
            {
                "stack": ledger.entry("stack", paper.stack.thickness, "paper.stack.thickness"),
                "leaves": ledger.entry("leaves", paper.stack.leaves, "paper.stack.leaves", "count"),
            },
            rule="measured stack",
        )
    bulk = ledger.entry("bulk", paper.bulk, "paper.bulk", "factor")
    return grammage, ledger.reckon(
        "paper.calliper",
        calliper_from_bulk(grammage, paper.bulk),
        "{grammage} × {bulk} / {per}",
        {"grammage": ledger.ref("paper.grammage"), "bulk": bulk},
        from_weight=True,
        rule="grammage × bulk; coated 0.8–0.9, smooth 1.2–1.3, bulky 1.5–1.8 cm³/g",
    )


def reckon(
    spec: JobSpec,
    packet: FoldedPacket,
    text: TextPlan,
    leaf: tuple[Gsm, Mm],
    ledger: Ledger,
) -> PaperPlan:
    """Size the sheet to fold and lay it on the stock sheet."""
    along: tuple[QuantityId, QuantityId] = ("leaf.untrimmed_width", "leaf.untrimmed_height")
    if packet.grain == "width":
        along = (along[1], along[0])
    width = ledger.reckon(
        "sheet.width",
        packet.columns * ledger.value(along[0]),
        f"{packet.columns} × {{leaf}}",
        {"leaf": ledger.ref(along[0])},
    )
    height = ledger.reckon(
        "sheet.height",
        packet.rows * ledger.value(along[1]),
        f"{packet.rows} × {{leaf}}",
        {"leaf": ledger.ref(along[1])},
    )
    stock = spec.paper.sheet
    lays = lays_on_sheet((width, height), packet.grain, (stock.width, stock.height), stock.grain)
    lay = lays[0] if lays else None
    if lay is not None:
        count = ledger.reckon(
            "stock.per_sheet",
            lay.count,
            "{columns} × {rows}",
            {
                "columns": ledger.entry("side by side", lay.columns, "paper.sheet.width", "count"),
                "rows": ledger.entry("above one another", lay.rows, "paper.sheet.height", "count"),
            },
            rule="laid turned" if lay.turned else "laid upright",
        )
        sheets = text.make_up.main_sheets * spec.copies
        ledger.reckon(
            "stock.sheets",
            rounded_up(with_spoilage(sheets, spec.paper.spoilage) / count),
            "{sheets} × {copies} × (1 + {spoilage} / 100) / {each}, rounded up",
            {
                "sheets": ledger.entry("sheets a copy", text.make_up.main_sheets, "sheets.count", "count"),
                "copies": ledger.entry("copies", spec.copies, "copies", "count"),
                "spoilage": ledger.entry("spoilage", spec.paper.spoilage, "paper.spoilage", "percent"),
                "each": ledger.ref("stock.per_sheet"),
            },
        )
    grammage, calliper = leaf
    return PaperPlan(grammage, calliper, width, height, lay, packet.grain)


LEAST_LEAF: Mm = 30
"""A leaf smaller than this is not offered, though it would fit."""


def grammage_of(paper: Paper) -> Gsm:
    """The weight of a paper, however it is given: grams, or pounds of a grade."""
    return paper.grammage if paper.basis is None else gsm_from_pounds(paper.basis.pounds, paper.basis.grade)


def leaf_that_fits(width: Mm, height: Mm, notation: Notation) -> Action:
    """A leaf a sheet is large enough for, to be taken instead."""
    label = f"A leaf of {notation.length(width, True)} × {notation.length(height, True)}, which fits"
    return Action(label, {"leaf.width": width, "leaf.height": height})


def mind(spec: JobSpec, packet: FoldedPacket, paper: PaperPlan, ledger: Ledger) -> list[Finding]:
    """What to mind about the sheet and its grain."""
    stock, show = spec.paper.sheet, ledger.notation.length
    if paper.lay is None:
        needs, has = ledger.notation.compared_sizes(
            (paper.sheet_width, paper.sheet_height), (stock.width, stock.height)
        )
        leaf_across, leaf_down = spec.leaf.trim.fore_edge, spec.leaf.trim.head + spec.leaf.trim.tail
        cell_width, cell_height = stock.width / packet.columns, stock.height / packet.rows
        if packet.grain == "width":
            cell_width, cell_height = cell_height, cell_width
        most_width, most_height = max(0.0, cell_width - leaf_across), max(0.0, cell_height - leaf_down)
        width = ledger.notation.at_most(spec.leaf.width, most_width)
        height = ledger.notation.at_most(spec.leaf.height, most_height)
        fits = min(width, height) >= LEAST_LEAF
        return [
            finding(
                "sheet.too_small",
                "paper.sheet.width",
                ledger.notation,
                needs=needs,
                has=has,
                most_width=show(most_width, True),
                most_height=show(most_height, True),
                actions=(leaf_that_fits(width, height, ledger.notation),) if fits else (),
            )
        ]
    if not paper.lay.grain_right:
        return [_grain_across(spec, paper, ledger)]
    if paper.lay.turned:
        return [finding("grain.turned", "paper.sheet.grain", ledger.notation)]
    return []


def _grain_across(spec: JobSpec, paper: PaperPlan, ledger: Ledger) -> Finding:
    stock, show = spec.paper.sheet, ledger.notation.length
    chosen = spec.stock.get(TEXT_SHEET)
    if chosen is not None and chosen.across:
        effect = MATERIALS["paper"].across
        about = "paper.sheet.grain"
        return finding(
            "piece.across_meant", about, ledger.notation, station="paper", piece="The text", effect=effect
        )
    other = across(stock.grain)
    word = grain_word(stock.width, stock.height, other)
    actions = [
        Action("Use paper of this size with the grain the other way", {"paper.sheet.grain": other}),
        *(
            Action(f"Fold it as {name}", {"folding.programme": name})
            for name in _programmes_with_right_grain(spec, ledger)
        ),
    ]
    if chosen is not None:
        actions.append(Action("It is meant so", {f"stock.{TEXT_SHEET}.across": True}))
    return finding(
        "grain.across",
        "paper.sheet.grain",
        ledger.notation,
        needed_word=word if word == "square" else f"{word} grain",
        turned=f"{show(paper.sheet_height, True)} × {show(paper.sheet_width, True)}",
        actions=tuple(actions),
    )


def _programmes_with_right_grain(spec: JobSpec, ledger: Ledger) -> list[str]:
    """Named programmes whose sheet fits this stock with its grain along the spine."""
    leaf = (ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height"))
    stock, found = spec.paper.sheet, []
    for name in NAMED_PROGRAMMES:
        packet = fold_packet(name)
        if not packet.sewn:
            continue
        along, down = leaf if packet.grain == "height" else leaf[::-1]
        size = (packet.columns * along, packet.rows * down)
        lays = lays_on_sheet(size, packet.grain, (stock.width, stock.height), stock.grain)
        if lays and lays[0].grain_right:
            found.append(name)
    return found[:2]


def draw(spec: JobSpec, packet: FoldedPacket, paper: PaperPlan, ledger: Ledger) -> Drawing:
    """The stock sheet with the sheets to fold laid on it, and the grain."""
    stock, show = spec.paper.sheet, ledger.notation.figure
    angle = 0.0 if stock.grain == "width" else 90.0
    sketch = Sketch()
    sheet = box(0, 0, stock.width, stock.height)
    sketch.area(sheet, "waste" if paper.lay else "paper", about="paper.sheet.width")
    if paper.lay is not None:
        lay = paper.lay
        width, height = paper.sheet_width, paper.sheet_height
        if lay.turned:
            width, height = height, width
        for row in range(lay.rows):
            for column in range(lay.columns):
                left, top = column * width, row * height
                piece = box(left, top, width, height)
                sketch.area(piece, "paper", "cut", "stock.per_sheet")
                _fold_lines(sketch, packet, lay.turned, left, top, width, height)
        sketch.dimension((0, 0), (width, 0), show(width), about="sheet.width sheet.height")
        sketch.dimension((0, height), (0, 0), show(height), about="sheet.height sheet.width")
    else:
        missing = box(0, 0, paper.sheet_width, paper.sheet_height)
        sketch.line((*missing, missing[0]), "hidden", "sheet.width sheet.height")
        sketch.dimension((0, 0), (paper.sheet_width, 0), show(paper.sheet_width), about="sheet.width")
        sketch.dimension((0, paper.sheet_height), (0, 0), show(paper.sheet_height), about="sheet.height")
    sketch.grain(sheet, angle)
    sketch.dimension(
        (stock.width, stock.height), (0, stock.height), show(stock.width), about="paper.sheet.width"
    )
    sketch.dimension(
        (stock.width, 0),
        (stock.width, stock.height),
        show(stock.height),
        about="paper.sheet.height",
    )
    name = size_name(stock.width, stock.height)
    word = grain_word(stock.width, stock.height, stock.grain)
    title = f"{name + ', ' if name else ''}{word} grain" if word != "square" else "Square sheet"
    return sketch.finish(
        "paper.stock",
        "paper",
        f"The stock sheet: {title}",
        rows=(1, 1, 1, 1),
        text=f"Stock sheet {show(stock.width, True)} by {show(stock.height, True)}, "
        f"{paper.lay.count if paper.lay else 'no'} sheet(s) to fold out of it.",
    )


def _fold_lines(
    sketch: Sketch, packet: FoldedPacket, turned: bool, left: Mm, top: Mm, width: Mm, height: Mm
) -> None:
    columns, rows = (packet.rows, packet.columns) if turned else (packet.columns, packet.rows)
    for column in range(1, columns):
        x = left + width * column / columns
        sketch.line(((x, top), (x, top + height)), "fold")
    for row in range(1, rows):
        y = top + height * row / rows
        sketch.line(((left, y), (left + width, y)), "fold")
