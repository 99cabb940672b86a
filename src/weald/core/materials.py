"""What books are made of, each material one record: how it is drawn, cut, glued, stored and bought.

The figures for weight and growth are of ordinary stuffs (docs/craft.md, Materials); a strip of the stuff at
hand, weighed, pasted and measured, knows better.
"""

from dataclasses import dataclass
from typing import Literal

from weald.core.drawing import Material
from weald.core.units import Gsm

Form = Literal["sheet", "roll", "skin", "reel", "pot"]
StockKind = Literal[
    "paper",
    "endpaper",
    "board",
    "cloth",
    "leather",
    "lining",
    "thread",
    "tape",
    "end_band",
    "ribbon",
    "adhesive",
]


@dataclass(frozen=True, slots=True)
class StockRecord:
    """A kind of stock.

    :param form: in which it usually lies on the shelf.
    :param named: words it is known by where somebody writes down what they have, as a pattern; ``sought``
        says which kind is meant where several fit: linen thread is thread.
    :param alone: what a length by itself is of it.
    """

    title: str
    form: Form
    sought: int
    named: str
    alone: Literal["", "thickness", "width"] = ""


STOCK_KINDS: dict[StockKind, StockRecord] = {
    "paper": StockRecord("Paper", "sheet", 11, r"papers?|laid|wove|bond|cartridge"),
    "endpaper": StockRecord("Endpaper", "sheet", 5, r"endpapers?|end papers?|marbled|paste ?papers?"),
    "board": StockRecord("Board", "sheet", 6, r"\w*boards?|millboard|chipboard", "thickness"),
    "cloth": StockRecord("Cloth", "roll", 7, r"cloth|buckram|linen|canvas|bookcloth", "thickness"),
    "leather": StockRecord("Leather", "skin", 8, r"leather|calf|goat\w*|skins?|vellum", "thickness"),
    "lining": StockRecord("Lining", "sheet", 9, r"mull|super|kraft|linings?|tissue|jaconet"),
    "thread": StockRecord("Thread", "reel", 2, r"thread|yarn", "thickness"),
    "tape": StockRecord("Tape", "reel", 3, r"tapes?", "width"),
    "end_band": StockRecord("End band", "reel", 1, r"end ?bands?|headbands?", "width"),
    "ribbon": StockRecord("Ribbon", "reel", 4, r"ribbons?", "width"),
    "adhesive": StockRecord("Adhesive", "pot", 10, r"glue|pva|eva|paste|adhesive|methyl\s*cellulose"),
}

PieceMaterial = Literal[
    "paper",
    "endpaper",
    "board",
    "cloth",
    "leather",
    "side_paper",
    "card",
    "mull",
    "kraft",
    "support",
]


@dataclass(frozen=True, slots=True)
class MaterialRecord:
    """What pieces are cut from.

    :param drawn: what it is drawn as.
    :param stock: the kinds of stock it may be cut from, the likeliest first.
    :param across: what happens to the book where its grain runs the wrong way; ``turned``: the remedy.
    :param grained: whether it has a grain that counts.
    :param pared: whether it is thinned at its edges, and cut larger for that.
    :param soaked: whether it is pasted whatever else is chosen, and left to soak.
    """

    drawn: Material
    stock: tuple[StockKind, ...]
    across: str
    turned: str
    grained: bool = True
    pared: bool = False
    soaked: bool = False


MATERIALS: dict[PieceMaterial, MaterialRecord] = {
    "paper": MaterialRecord(
        "paper",
        ("paper",),
        "leaves wave at the gutter and the book does not lie flat",
        "Choose another fold programme, a sheet with its grain the other way, or halve the sheet first.",
    ),
    "endpaper": MaterialRecord(
        "paper_inner",
        ("endpaper", "paper"),
        "the paste-down cockles and pulls the board crooked",
        "Lay the folio the other way round on the sheet, or take a sheet with its grain the other way.",
    ),
    "board": MaterialRecord(
        "board",
        ("board",),
        "the boards bow from head to tail, and no lining brings them back",
        "Turn the boards a quarter round on the sheet, or take board with its grain the other way.",
    ),
    "cloth": MaterialRecord(
        "cloth",
        ("cloth", "leather"),
        "the cloth stretches across the joints, pulls the boards in and cracks there sooner",
        "Lay the cover with the warp from head to tail, even where that wastes cloth.",
    ),
    "leather": MaterialRecord(
        "leather",
        ("leather", "cloth"),
        "nothing much: leather has no warp, though it stretches least along the spine of the animal",
        "Lay the animal's spine along the book's where the skin allows.",
        grained=False,
        pared=True,
        soaked=True,
    ),
    "side_paper": MaterialRecord(
        "side_paper",
        ("endpaper", "paper", "cloth"),
        "the paper stretches towards the fore-edge as it is pasted, wrinkles and bows the board",
        "Lay it the other way round on the sheet.",
    ),
    "card": MaterialRecord(
        "card",
        ("board", "paper"),
        "the card cracks along its folds and the cover gapes",
        "Lay it the other way round on the sheet, or take card with its grain the other way.",
    ),
    "mull": MaterialRecord(
        "lining",
        ("lining", "cloth"),
        "the open threads give along the spine and the joint is weak",
        "Cut it with the warp from head to tail.",
    ),
    "kraft": MaterialRecord(
        "lining",
        ("lining", "paper"),
        "the lining cracks where the spine bends, and creases as it is glued",
        "Lay it the other way round on the sheet.",
    ),
    "support": MaterialRecord("lining", ("lining", "cloth"), "a tape has no wrong way", "Nothing to do."),
}

PAPER_GROWTH_ACROSS = 1.75
"""Percent pasted paper widens across its grain: 1 to 2.5 is usual."""
GREYBOARD_GSM_PER_MM: Gsm = 640.0
CARD_GSM_PER_MM: Gsm = 780.0
CoverMaterial = Literal["cloth", "leather", "paper"]


@dataclass(frozen=True, slots=True)
class CoverRecord:
    """What a book is covered in.

    :param cut_from: what its pieces are.
    :param weighs: for each millimetre of its thickness.
    :param grows: percent it widens when glued.
    :param moulded: whether it is drawn in over the bands of a spine.
    :param levelled: whether its edges show through whatever is pasted over them, unless they are levelled.
    :param printed: whether a cover of it can be printed on.
    :param holds: whether a narrow strip of it on the boards is too little to hold them.
    """

    title: str
    cut_from: PieceMaterial
    weighs: Gsm
    grows: float
    moulded: bool = False
    levelled: bool = False
    printed: bool = False
    holds: bool = False

    @property
    def record(self) -> MaterialRecord:
        """That of its pieces."""
        return MATERIALS[self.cut_from]


COVERS: dict[CoverMaterial, CoverRecord] = {
    # held by its backing, cloth widens little
    "cloth": CoverRecord("cloth", "cloth", 600.0, 0.8, holds=True),
    "leather": CoverRecord("leather", "leather", 870.0, 1.5, moulded=True, levelled=True),
    "paper": CoverRecord("paper", "side_paper", 800.0, PAPER_GROWTH_ACROSS, printed=True),
}
