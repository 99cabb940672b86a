"""The block: trimmed, glued up, rounded, backed, lined, measured."""

from collections.abc import Iterator
from dataclasses import replace

from weald.core.bench.pictures import block as block_pictures
from weald.core.bench.pictures import sewing as sewing_pictures
from weald.core.bench.step import Pause, Step, at_the_frame
from weald.core.bench.steps.of_book import glued, held, in_the_way
from weald.core.book.book import Book
from weald.core.book.operation import Trouble
from weald.core.job.block import MOST_SUPPORTS
from weald.core.job.lying import Fact

_LAID = ("", "_head", "_between", *(f"_between_{more}" for more in range(2, MOST_SUPPORTS)), "_tail")
"""In one piece, or in the spaces between raised cords."""
_LININGS = ("hollow", *(f"mull{where}" for where in _LAID), *(f"spine_lining{where}" for where in _LAID))

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
    trim = book.spec.leaf.trim
    cut = trim.head + trim.tail + trim.fore_edge > 0
    return cut and book.spec.block.trimming == "out_of_boards" and not book.structure.flush


def _square_unsewn(book: Book) -> bool:
    return _trimmed(book) and in_the_way(book)


def _square_before(book: Book) -> bool:
    return _trimmed(book) and not in_the_way(book) and book.spec.bench.trimmed == "before" and glued(book)


def _square_after(book: Book) -> bool:
    before = book.spec.bench.trimmed == "before" and glued(book)
    return _trimmed(book) and not in_the_way(book) and not before and not book.treatment.rounded


def _flat_then_round(book: Book) -> bool:
    return _trimmed(book) and book.treatment.rounded and book.spec.bench.trimmed == "after"


def _thrown_out(book: Book) -> bool:
    return _trimmed(book) and book.treatment.rounded and book.spec.bench.trimmed == "thrown_out"


def _rounding_moves(book: Book) -> Iterator[str]:
    yield "Thumbs against the fore-edge, fingers drawing the upper {signatures} towards you."
    yield "Glancing blows from the middle to the edge, the length of the spine; then the other side."
    yield "The fore-edge looked at as you go: a hollow as even as the back."


def _backing_moves(book: Book) -> Iterator[str]:
    yield "Backing boards at {shoulder.line} from the spine edge, alike on both sides; the press shut hard."
    yield "From the middle outwards, glancing blows that fan the {signatures}; several rounds, none hard."
    if book.on_supports:
        yield "Between the supports only: a blow on a cord crushes what lies under it."


def _trimming_moves(book: Book) -> Iterator[str]:
    yield "Waste board behind the last leaf, level with the line; the block jogged to spine and head."
    yield "At the plough the blade goes forward on one stroke only, a hair at a time, into the waste."
    if book.treatment.rounded:
        yield "Packing under the fore-edge, so that no leaf bends away from the blade."


def _banding_moves(book: Book) -> Iterator[str]:
    if book.spec.block.end_bands == "sewn":
        yield "Tied down into a fold every few turns, first and last through the outer folds."
    else:
        yield "Glued on level with the edge, its bead towards the leaves."
    yield "Ends cut at an angle, so that they leave no lump beside the joint."


def _lining_moves(book: Book) -> Iterator[str]:
    if book.mulled:
        yield "Mull laid into wet glue, rubbed through, and left standing out alike on both sides."
    yield "Paper linings glued, laid from the middle to head and tail, and boned down."
    if book.leather:
        yield "Dry, the linings sanded: every edge under leather is seen."
    if book.on_supports and not book.structure.banded:
        yield "Ends of the supports stuck down, front first, then back."


_SHAPED: tuple[Fact, ...] = ("block_glued", "block_rounded", "block_backed", "block_trimmed")


def _before_bands(book: Book) -> tuple[Fact, ...]:
    """Bands go on trimmed heads; where slips are laced, on what was laced and hammered."""
    return (*_SHAPED, "edges_in_boards", *_laced_first(book))


def _before_ribbon(book: Book) -> tuple[Fact, ...]:
    if in_the_way(book):
        return ("folds_collated", "leaves_sorted", "block_trimmed")
    return ("block_sewn", *_SHAPED, "edges_in_boards")


def _laced_first(book: Book) -> tuple[Fact, ...]:
    return ("boards_on",) if book.structure.attachment == "laced" else ()


def _before_lining(book: Book) -> tuple[Fact, ...]:
    return (*_before_bands(book), "endpapers_on", "bands_on", "ribbon_in")


def _before_measuring(book: Book) -> tuple[Fact, ...]:
    """All that changes its size; what is lined or trimmed with its boards on is measured before them."""
    if in_the_way(book):
        return ("folds_pressed", "folds_collated", "leaves_sorted", "block_trimmed", "plates_guarded")
    if book.structure.held == "stitched":
        return ("block_sewn",)
    lined: tuple[Fact, ...] = () if book.structure.in_shoulders else ("block_lined", "bands_on", "ribbon_in")
    return ("block_sewn", "endpapers_on", "block_pressed", *_SHAPED, *lined)


_BARRED: tuple[Fact, ...] = ("old_cover_on", "boards_on", "cover_on", "bands_on")
_TRIM = Step(
    "trim",
    "Trim the block",
    "Squared before anything is measured on it: boards follow the block.",
    "block",
    "block",
    needs=held,
    follows=("block_pressed", "block_glued", "endpapers_on"),
    bars=_BARRED,
    makes=("fore_edge_trimmed", "block_trimmed"),
    when=_square_after,
    drawing="block.front",
    tools=("plough or guillotine", "square", "waste boards"),
    rate=8.0,
    places=("plough",),
    moves=_trimming_moves,
    looks=("Both diagonals {block.diagonal}, alike to {mm:0.5}.",),
    measures=("block.width", "block.height", "block.diagonal"),
    danger="blade",
    hand="Left-handed: the plough’s groove lies on the other cheek of the press, and the stroke goes the "
    "other way.",
    mirrors=True,
    troubles=(Trouble("Out of square", "Take a shaving more off the edge that is out; the leaf loses it."),),
    picture=block_pictures.trim,
)


BLOCK = (
    replace(
        _TRIM,
        id="trim_first",
        why="Before the glue, by your school: the folds are cut while they lie open. Swell tilts head and "
        "tail: wedge them with folded waste.",
        follows=("block_pressed", "endpapers_on"),
        bars=(*_BARRED, "block_glued"),
        when=_square_before,
    ),
    replace(
        _TRIM,
        id="trim_unsewn",
        why="Before it is sewn: afterwards the cover is in the way.",
        needs=(),
        follows=("folds_pressed", "folds_collated", "leaves_sorted"),
        bars=(*_BARRED, "folds_pierced", "block_sewn"),
        implied_by=("sew_through_cover", "stab_sew", "sew"),
        when=_square_unsewn,
        formerly=("trim",),
    ),
    replace(
        _TRIM,
        id="trim_fore_edge",
        title="Trim the fore-edge flat",
        why="While the spine is flat: rounded, its fore-edge is hollow and cannot be cut in one plane.",
        follows=("block_pressed", "endpapers_on"),
        bars=(*_BARRED, "block_rounded"),
        implied_by=("trim_ends",),
        makes=("fore_edge_trimmed",),
        when=_flat_then_round,
        looks=("The cut square to the head, and through every leaf.",),
        measures=("block.width",),
    ),
    Step(
        "glue_up",
        "Glue up the spine",
        "Worked well in between the {signatures}, none of it on top.",
        "block",
        "block",
        needs=held,
        follows=(
            "block_pressed",
            "endpapers_on",
            "folds_collated",
        ),
        bars=(
            "old_cover_on",
            "old_glue_on",
            "block_lined",
        ),
        makes=("block_glued",),
        when=glued,
        tools=("brush", "knocking-up boards"),
        glue=(("spine", "the spine, between the {signatures}"),),
        rate=6.0,
        places=("lying_press",),
        wait=_glued_up,
        looks=("The spine square to the sides, all heads in one line.",),
        troubles=(
            Trouble("Glue runs down the leaves", "Wipe at once with a damp cloth, and open those leaves."),
        ),
        picture=block_pictures.glue_up,
        counts=("spine.thickness",),
    ),
    Step(
        "soften_glue",
        "Soften the glue on the spine",
        "Set hard it cracks: damp it and wait, or warm it, until it gives as it does at tacky.",
        "block",
        "block",
        needs=("block_glued",),
        follows=("fore_edge_trimmed",),
        bars=("old_cover_on", "block_rounded"),
        when=lambda book: book.treatment.rounded and "block_glued" in book.there,
        tools=("damp pad or hair dryer",),
        rate=5.0,
        wait=lambda book: replace(_TACKY, minutes=(5, 15), joint=None),
        looks=("The spine gives under a thumb, and no leaf is wet.",),
        picture=block_pictures.soften_glue,
    ),
    Step(
        "round",
        "Round the spine",
        "The swell of the thread is taken up by the round.",
        "block",
        "block",
        needs=("block_glued",),
        bars=(
            "block_lined",
            "boards_on",
        ),
        makes=("block_rounded",),
        when=lambda book: book.treatment.rounded,
        tools=("hammer",),
        rate=15.0,
        whole=True,
        moves=_rounding_moves,
        people=at_the_frame,
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
            Trouble(
                "The glue cracks", "It has set: damp the spine or warm it until it gives, go on.", minutes=15
            ),
        ),
        drawing="block.tail",
        picture=block_pictures.round_spine,
        counts=("spine.rise",),
    ),
    Step(
        "back",
        "Back it: hammer the shoulders",
        "The boards will lie in them. From the middle outwards, in several rounds, between the cords.",
        "block",
        "block",
        needs=("block_rounded",),
        bars=(
            "block_lined",
            "boards_on",
            "bands_on",
        ),
        makes=("block_backed",),
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
        moves=_backing_moves,
        looks=(
            "Each shoulder {shoulder.height} high, alike along its whole length.",
            "Shoulders between {backing.shoulder_least} and {backing.shoulder_most}; across them between "
            "{backing.across_least} and {backing.across_most}.",
        ),
        measures=("shoulder.height", "shoulder.line", "shoulder.width"),
        danger="hammer",
        hand="Left-handed: the press is turned, so that its screws stand to your left.",
        mirrors=True,
        troubles=(
            Trouble("{Signatures} crushed inside", "Less blow and more fan; the spine only leans outwards."),
        ),
        drawing="block.tail",
        picture=block_pictures.back,
        counts=("shoulder.height",),
    ),
    replace(
        _TRIM,
        id="trim_ends",
        title="Trim head and tail",
        why="Rounded and backed, they take their last shape; shoulders tilt them: use wedge boards.",
        follows=("fore_edge_trimmed", "block_glued", "block_rounded", "block_backed"),
        makes=("block_trimmed",),
        when=_flat_then_round,
        tools=("plough", "wedge boards", "square"),
        measures=("block.height", "block.diagonal"),
        formerly=("trim_rounded",),
    ),
    replace(
        _TRIM,
        id="trim_rounded",
        title="Throw the round out, and trim all three edges",
        why="By your school: shaped irons between cords and boards and string round the book hold the back "
        "flat, with packing under it; cut, it is let back into its round.",
        follows=("block_glued", "block_rounded", "block_backed"),
        when=_thrown_out,
        tools=("plough", "two shaped irons or boards", "string", "packing", "square"),
        rate=20.0,
        picture=block_pictures.trim_rounded,
    ),
    _TRIM,
    Step(
        "end_bands",
        "Make the end bands",
        "They steady head and tail where the book is pulled from the shelf.",
        "block",
        "sewing",
        follows=_before_bands,
        bars=(
            "old_cover_on",
            "old_glue_on",
            "cover_on",
            "book_covered",
        ),
        makes=("bands_on",),
        moves=_banding_moves,
        pieces=("end_band",),
        when=lambda book: book.has("end_band"),
        tools=("needle", "silk"),
        rate=lambda book: 60.0 if book.spec.block.end_bands == "sewn" else 8.0,
        looks=("The band no higher than the board will be.",),
        measures=("end_band.length",),
        danger="needle",
        picture=block_pictures.end_bands,
        counts=("end_band.length",),
    ),
    Step(
        "ribbon",
        "Glue the ribbon in",
        "Under the lining, where nothing can pull it out.",
        "block",
        "block",
        follows=_before_ribbon,
        bars=(
            "old_cover_on",
            "old_glue_on",
            "block_lined",
            "cover_on",
            "book_covered",
        ),
        makes=("ribbon_in",),
        when=lambda book: book.has("ribbon"),
        pieces=("ribbon",),
        glue=(("linings", "a hand's breadth at the head of the spine"),),
        rate=3.0,
        measures=("ribbon.length",),
        picture=sewing_pictures.ribbon,
        counts=("ribbon.length",),
    ),
    Step(
        "line_spine",
        "Line the spine",
        "Mull carries the book in its case; paper over it keeps the spine from breaking.",
        "block",
        "block",
        needs=("block_glued",),
        follows=_before_lining,
        bars=(
            "old_cover_on",
            "old_glue_on",
            "cover_on",
            "book_covered",
        ),
        makes=("block_lined",),
        when=lambda book: book.has(*_LININGS),
        pieces=_LININGS,
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
        moves=_lining_moves,
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
        drawing="bench.mull_path",
        picture=block_pictures.line_spine,
        counts=("mull.width",),
    ),
    Step(
        "measure_block",
        "Measure the block",
        "The last size taken before boards are cut; from here on all follows from it.",
        "block",
        "block",
        follows=_before_measuring,
        bars=("old_cover_on",),
        makes=("block_measured",),
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
        troubles=(
            Trouble("Other than reckoned", "Enter what you measured: boards and cover follow.", minutes=0),
        ),
        drawing="block.tail",
        picture=block_pictures.measure_block,
        counts=("block.thickness",),
    ),
)
