"""From sections to a block: pierced, sewn, glued up, trimmed, rounded, lined."""

from dataclasses import replace

from weald.core.bench.step import Pause, Step
from weald.core.book.book import Book
from weald.core.book.operation import Trouble

_LININGS = (
    "hollow",
    "mull",
    "mull_head",
    "mull_between",
    "mull_tail",
    "spine_lining",
    "spine_lining_head",
    "spine_lining_between",
    "spine_lining_tail",
)

_TACKY = Pause(
    "tacky",
    "A finger on the glue pulls a little and comes away clean.",
    "Round it now: set, it cracks; wet, it falls back.",
    harm=True,
    joint="spine",
    until="tacky",
)


def _glued_up(book: Book) -> Pause:
    if book.treatment.rounded:
        return _TACKY
    return Pause(
        "standing_open",
        "The spine is dry and no longer cool to the touch.",
        joint="spine",
        until="handled",
        floor=60,
    )


def _trimmed(book: Book) -> bool:
    return book.spec.block.trimming == "out_of_boards" and not book.structure.flush


def _square_before(book: Book) -> bool:
    return _trimmed(book) and book.spec.bench.trimmed == "before"


def _square_after(book: Book) -> bool:
    return _trimmed(book) and book.spec.bench.trimmed == "after" and not book.treatment.rounded


def _rounded_after(book: Book) -> bool:
    return _trimmed(book) and book.treatment.rounded and book.spec.bench.trimmed == "after"


_TRIM = Step(
    "trim",
    "Trim the block",
    "Squared before anything is measured on it: boards follow the block.",
    "block",
    "block",
    when=_square_after,
    tools=("plough or guillotine", "square", "waste boards"),
    rate=8.0,
    places=("plough",),
    looks=("Both diagonals {block.diagonal}, alike to {mm:0.5}.",),
    measures=("block.width", "block.height", "block.diagonal"),
    danger="blade",
    hand="Left-handed: the plough’s groove lies on the other cheek of the press, and the stroke goes the "
    "other way.",
    troubles=(Trouble("Out of square", "Take a shaving more off the edge that is out; the leaf loses it."),),
)


BLOCK = (
    Step(
        "pierce",
        "Pierce the stations",
        "One template for all of them, so that the thread runs straight.",
        "block",
        "sewing",
        when=lambda book: book.sewn or book.treatment.method == "staples",
        tools=("template", "awl", "piercing cradle"),
        rate=0.5,
        of="signature",
        looks=("Every hole in the fold itself, not beside it.",),
        measures=("sewing.first", "sewing.kettle", "sewing.interval"),
        danger="needle",
    ),
    Step(
        "sew",
        "Sew",
        "What holds the book for generations.",
        "block",
        "sewing",
        when=lambda book: book.sewn,
        pieces=("support",),
        tools=("needle", "thread", "sewing frame"),
        fixed=8,
        rate=4.0,
        of="signature",
        places=("sewing_frame",),
        needs=("make_endpapers",),
        looks=("The thread equally tight from the first {signature} to the last.",),
        measures=("thread.section", "thread.length", "sewing.support_length", "slip.length", "slit.step"),
        danger="needle",
        hand="Left-handed: the heads lie to the right, and the first row runs from right to left.",
        troubles=(
            Trouble(
                "Loose {signatures} in the middle", "Draw the thread along the fold, never away from it."
            ),
            Trouble("The thread cuts the fold", "Mend the fold with a strip of thin paper before going on."),
        ),
    ),
    Step(
        "staple",
        "Staple through the fold",
        "Two staples hold a booklet as long as its paper.",
        "block",
        "sewing",
        when=lambda book: book.treatment.method == "staples",
        tools=("long-arm stapler",),
        rate=1.0,
        looks=("Every staple in the fold, not beside it, and its legs flat.",),
        danger="needle",
    ),
    Step(
        "tip_endpapers",
        "Fasten the endpapers",
        "A narrow strip of glue, so that the first leaf opens.",
        "block",
        "block",
        when=lambda book: book.has("endpaper"),
        tools=("brush", "waste paper"),
        glue=(("tipping", "a strip of {mm:3} along the fold of each endpaper"),),
        rate=4.0,
        needs=("make_endpapers",),
        wait=lambda book: Pause(
            "under_weight", "It does not shift under a finger.", joint="tipping", until="handled"
        ),
        looks=("The fold of the endpaper a hair behind the spine.",),
    ),
    Step(
        "weigh_down",
        "Press the sewn block",
        "Its thickness is measured pressed: everything that goes round it follows.",
        "block",
        "block",
        when=lambda book: book.several or book.structure.sections == "leaves",
        tools=("pressing boards", "calliper"),
        places=("nipping_press",),
        wait=lambda book: Pause("nipped", "It stays as thin when it comes out.", minutes=(10, 20)),
        looks=("Pressed, the block {block.thickness} thick.",),
        measures=("block.thickness", "spine.thickness", "spine.swell"),
        danger="press",
    ),
    replace(
        _TRIM,
        id="trim_first",
        why="Before the glue, by your school: the folds are cut while they lie open.",
        when=_square_before,
    ),
    Step(
        "glue_up",
        "Glue up the spine",
        "Worked well in between the {signatures}, none of it on top.",
        "block",
        "block",
        when=lambda book: (book.several or book.structure.sections == "leaves") and book.structure.lined,
        tools=("brush", "knocking-up boards"),
        glue=(("spine", "the spine, between the {signatures}"),),
        rate=6.0,
        places=("lying_press",),
        wait=_glued_up,
        looks=("The spine square to the sides, all heads in one line.",),
        troubles=(
            Trouble("Glue runs down the leaves", "Wipe at once with a damp cloth, and open those leaves."),
        ),
    ),
    Step(
        "round",
        "Round the spine",
        "The swell of the thread is taken up by the round.",
        "block",
        "block",
        when=lambda book: book.treatment.rounded,
        tools=("hammer",),
        rate=15.0,
        whole=True,
        looks=(
            "As sewn between {backing.sewn_least} and {backing.sewn_most} at the spine; {backing.packing} of "
            "packing on each side before the press is closed.",
            "The round even from head to tail, standing out {spine.rise} in the middle.",
            "Rounded, it stands out between {backing.rise_least} and {backing.rise_most}.",
        ),
        measures=("spine.rise", "spine.chord", "spine.arc"),
        danger="hammer",
        troubles=(
            Trouble("It falls back", "The glue was too wet: hold it in the press, and round again at tacky."),
        ),
    ),
    Step(
        "back",
        "Back it: hammer the shoulders",
        "The boards will lie in them. From the middle outwards, in several rounds, between the cords.",
        "block",
        "block",
        when=lambda book: book.treatment.shoulder > 0,
        tools=("backing boards", "hammer", "lying press"),
        rate=25.0,
        places=("lying_press",),
        whole=True,
        wait=lambda book: Pause(
            "nipped",
            "The spine is dry and keeps its shape when the press is opened.",
            "Taken out wet it loses its shoulders.",
            joint="spine",
            until="through",
            holds=("lying_press",),
        ),
        looks=(
            "Each shoulder {shoulder.height} high, alike along its whole length.",
            "Shoulders between {backing.shoulder_least} and {backing.shoulder_most}; across them between "
            "{backing.across_least} and {backing.across_most}.",
        ),
        measures=("shoulder.height", "shoulder.line", "shoulder.width"),
        danger="hammer",
        hand="Left-handed: the press is turned, so that its screws stand to your left.",
        troubles=(
            Trouble("{Signatures} crushed inside", "Less blow and more fan; the spine only leans outwards."),
        ),
    ),
    replace(
        _TRIM,
        id="trim_rounded",
        title="Trim head, tail and fore-edge",
        why="Fore-edge cut flat before the round is put back; swell tilts head and tail: use wedge boards.",
        when=_rounded_after,
        tools=("plough", "wedge boards", "square"),
        rate=15.0,
    ),
    Step(
        "end_bands",
        "Make the end bands",
        "They steady head and tail where the book is pulled from the shelf.",
        "block",
        "sewing",
        pieces=("end_band",),
        when=lambda book: book.has("end_band"),
        tools=("needle", "silk"),
        rate=lambda book: 60.0 if book.spec.block.end_bands == "sewn" else 8.0,
        looks=("The band no higher than the board will be.",),
        measures=("end_band.length",),
        danger="needle",
    ),
    Step(
        "ribbon",
        "Glue the ribbon in",
        "Under the lining, where nothing can pull it out.",
        "block",
        "block",
        when=lambda book: book.has("ribbon"),
        pieces=("ribbon",),
        glue=(("linings", "a hand's breadth at the head of the spine"),),
        rate=3.0,
        measures=("ribbon.length",),
    ),
    Step(
        "line_spine",
        "Line the spine",
        "Mull carries the book in its case; paper over it keeps the spine from breaking.",
        "block",
        "block",
        when=lambda book: book.has(*_LININGS),
        pieces=(
            "hollow",
            "mull",
            "mull_head",
            "mull_between",
            "mull_tail",
            "spine_lining",
            "spine_lining_head",
            "spine_lining_between",
            "spine_lining_tail",
        ),
        tools=("brush", "bone folder", "shears"),
        glue=(("mull", "the spine"), ("linings", "each lining")),
        rate=10.0,
        wait=lambda book: Pause(
            "standing_open",
            "Dry, and no longer cool to the touch.",
            joint="linings",
            until="handled",
            floor=60,
        ),
        looks=("Mull ending short of the end bands, and alike on both sides.",),
        measures=(
            "hollow.width",
            "mull.width",
            "mull.height",
            "mull.head",
            "mull.between",
            "mull.tail",
            "lining.head",
            "lining.between",
            "lining.tail",
        ),
        danger="blade",
    ),
    Step(
        "measure_block",
        "Measure the block",
        "The last size taken before boards are cut; from here on all follows from it.",
        "block",
        "block",
        tools=("calliper", "steel rule", "square"),
        fixed=4,
        measures=(
            "text.thickness",
            "block.thickness",
            "block.width",
            "block.height",
            "spine.thickness",
            "spine.swell",
            "spine.arc",
            "block.diagonal",
        ),
        looks=("Thickness at head, middle and tail alike.",),
        troubles=(Trouble("Other than reckoned", "Enter what you measured: boards and cover follow."),),
    ),
    _TRIM,
)
