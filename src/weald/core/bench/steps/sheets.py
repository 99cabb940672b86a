"""What is undone first; from stock to folded and pressed sections, and the endpapers beside them."""

from weald.core.bench.pictures import sheets as sheets_pictures
from weald.core.bench.step import Pause, Step
from weald.core.book.book import Book
from weald.core.book.operation import Minutes, Trouble
from weald.core.job.lying import Fact


def _printed(book: Book) -> bool:
    return not book.spec.text.blank_book or book.spec.text.filler != "plain"


def _folded(book: Book) -> bool:
    return book.structure.sections != "leaves" and book.signatures > 0


def _apart(book: Book) -> tuple[Fact, ...]:
    """What plates are put on."""
    leaves = book.structure.sections == "leaves" and not book.sewn
    return ("leaves_sorted",) if leaves else ("folds_made",)


def _pressed(book: Book) -> Pause:
    if book.spec.bench.pressed == "nipped":
        return Pause(
            "nipped", "The folds stay down by themselves.", minutes=(30, 30), holds=("nipping_press",)
        )
    return Pause("under_weight", "The folds stay down by themselves.", minutes=(480, 720), holds=("weights",))


def _laminated(book: Book) -> Pause | None:
    if book.spec.endpapers.kind not in ("made", "cloth_jointed"):
        return None
    return Pause(
        "under_weight",
        "Flat, and no longer cool to the touch.",
        "Used damp, they cockle the leaves beside them.",
        minutes=(480, 720),
        holds=("weights",),
    )


def _guarding(book: Book) -> Minutes:
    """Each guard or stub folded, each plate or map pasted to its own."""
    strips = sum(piece.count for piece in book.taken(("guard", "stub")))
    plates = sum(piece.count for piece in book.taken(("plate_guard", "map_guard")))
    return 5.0 + (0.5 * strips + 3.0 * plates) / book.copies


SHEETS = (
    Step(
        "lift_old_cover",
        "Lift the old cover off",
        "Before anything else: warmth or a thin knife between cover and spine, never pulled.",
        "block",
        "boards",
        when=lambda book: "old_cover_on" in book.there,
        ends=("old_cover_on",),
        tools=("thin knife", "hair dryer"),
        rate=15.0,
        danger="blade",
        troubles=(Trouble("The paper splits", "Stop, warm it again, and go on from the other end."),),
        picture=sheets_pictures.lift_old_cover,
    ),
    Step(
        "clean_spine",
        "Take old glue and linings off the spine",
        "New glue holds on paper, not on old glue. Paste and hot glue give way to damp, PVA hardly.",
        "block",
        "block",
        bars=("old_cover_on", "block_lined"),
        ends=("old_glue_on",),
        when=lambda book: "old_glue_on" in book.there and "old_sewing_in" not in book.there,
        tools=("paste or a damp pad", "bone folder", "soft brush"),
        fixed=5,
        rate=20.0,
        wait=lambda book: Pause(
            "standing_open", "The spine is dry, and no longer cool to the touch.", minutes=(60, 120)
        ),
        looks=("The folds whole, and no leaf loose; first and last leaf looked at.",),
        troubles=(Trouble("A leaf comes loose", "Tip it to its neighbour, and let it dry.", wait=60),),
        implied_by=("line_spine",),
        picture=sheets_pictures.clean_spine,
    ),
    Step(
        "stock_out",
        "Lay the stock out and find its grain",
        "Grain that runs the wrong way shows only when the book warps, and then nothing helps.",
        "sheets",
        "sheets",
        makes=("stock_seen",),
        tools=("pencil",),
        fixed=10,
        looks=("The grain of every piece, on the piece itself, before it is cut.",),
        troubles=(Trouble("Grain across the spine", "Turn the layout, or take other stock; do not cut on."),),
        picture=sheets_pictures.stock_out,
    ),
    Step(
        "cut_sheets",
        "Cut or tear the sheets for the text",
        "All sheets of one size fold to one size.",
        "sheets",
        "sheets",
        follows=("stock_seen",),
        bars=(
            "folds_made",
            "block_sewn",
        ),
        makes=("sheets_cut",),
        pieces=("text_sheet", *(f"text_sheet_{number}" for number in range(1, 61))),
        tools=("knife", "steel rule", "cutting mat"),
        rate=0.3,
        of="sheet",
        places=("shears",),
        looks=("The first and the last sheet of the pile alike, corner on corner.",),
        measures=("paper.calliper", "leaf.untrimmed_width", "leaf.untrimmed_height"),
        danger="blade",
        picture=sheets_pictures.cut_sheets,
    ),
    Step(
        "print",
        "Print a test sheet, fold it, then print the rest",
        "A back that stands upside down is found on the first sheet, or on all of them.",
        "sheets",
        "sheets",
        needs=("sheets_cut",),
        bars=(
            "folds_made",
            "leaves_sorted",
        ),
        makes=("sheets_printed",),
        when=_printed,
        tools=("printer",),
        fixed=15,
        rate=0.5,
        of="sheet",
        wait=lambda book: Pause("left_alone", "The ink does not smear under a finger.", minutes=(20, 60)),
        looks=("The test sheet folded: its pages in order, its backs on its fronts.",),
        troubles=(
            Trouble(
                "Backs upside down", "Set the printer to turn on the other edge, and try one sheet again."
            ),
        ),
        picture=sheets_pictures.print_sheets,
    ),
    Step(
        "fold",
        "Fold the {signatures}",
        "Each checked before the next is folded: a page out of order found here costs nothing.",
        "sheets",
        "sheets",
        needs=("sheets_cut",),
        follows=("sheets_printed",),
        bars=("leaves_sorted", "old_sewing_in", "block_sewn"),
        makes=("folds_made",),
        when=_folded,
        tools=("bone folder", "pencil"),
        fixed=2,
        rate=0.7,
        of="sheet",
        looks=(
            "The pages of each {signature} in order, before the next one is folded.",
            "All {signatures} the same way up: a pencil mark on the head of each.",
        ),
        measures=("creep.step", "sections.creep"),
        troubles=(
            Trouble("Creases at the head", "Slit the bolt a little beyond the next fold, and fold again."),
        ),
        picture=sheets_pictures.fold,
    ),
    Step(
        "sort_leaves",
        "Put the leaves in order",
        "Once glued, a leaf the wrong way round stays so.",
        "sheets",
        "sheets",
        needs=("sheets_cut",),
        follows=("sheets_printed",),
        bars=("old_sewing_in", "block_glued", "folds_pierced"),
        makes=("leaves_sorted",),
        when=lambda book: (
            book.structure.sections == "leaves"
            and "block_sewn" not in book.there
            and not (book.structure.rebound and book.sewn)
        ),
        fixed=8,
        rate=0.02,
        of="sheet",
        looks=("Every leaf the right way up, and the pages in order, before any glue.",),
        measures=("creep.step", "sections.creep"),
        picture=sheets_pictures.sort_leaves,
    ),
    Step(
        "press_sections",
        "Press the folded {signatures}",
        "Air pressed out now is swell the spine does not have later.",
        "sheets",
        "sheets",
        needs=("folds_made",),
        follows=("folds_mended",),
        bars=("old_cover_on", "old_sewing_in", "block_sewn"),
        makes=("folds_pressed",),
        when=lambda book: _folded(book) and book.signatures > 1,
        tools=("pressing boards",),
        wait=_pressed,
        places=("nipping_press",),
        measures=("text.thickness",),
        danger="press",
        picture=sheets_pictures.press_sections,
    ),
    Step(
        "collate",
        "Collate",
        "The last look before thread makes the order final.",
        "sheets",
        "sheets",
        needs=("folds_made",),
        follows=(
            "folds_pressed",
            "plates_guarded",
            "folds_mended",
        ),
        bars=("old_cover_on", "old_sewing_in", "block_sewn"),
        makes=("folds_collated",),
        when=lambda book: _folded(book) and book.signatures > 1,
        fixed=2,
        rate=0.15,
        of="signature",
        looks=("The folds in line at the spine, and the collation marks one clean stair.",),
        troubles=(Trouble("A step missing or twice in the stair", "Lay that {signature} where it belongs."),),
        picture=sheets_pictures.collate,
    ),
    Step(
        "cut_leaf_cover",
        "Cut the cover leaf",
        "It is folded round the booklet and stitched with it.",
        "sheets",
        "sheets",
        follows=("stock_seen",),
        bars=("old_sewing_in", "folds_pierced"),
        makes=("cover_round",),
        pieces=("cover",),
        when=lambda book: book.structure.held == "stitched" and book.has("cover"),
        tools=("knife", "steel rule", "bone folder"),
        rate=2.0,
        measures=("cover.leaf", "cover.width", "cover.height", "spine_board.width"),
        danger="blade",
        picture=sheets_pictures.cut_leaf_cover,
    ),
    Step(
        "trial_endpapers",
        "Try the endpapers first, on one pair",
        "A decorated paper may run, curl or crack at its fold: one pair tells.",
        "endpapers",
        "sheets",
        follows=("stock_seen",),
        bars=("endpapers_made",),
        makes=("endpapers_tried",),
        when=lambda book: book.spec.bench.trial_endpapers and book.has("endpaper"),
        fixed=20,
        looks=("Pasted and dry it lies flat, its colour fast, its fold unbroken.",),
        picture=sheets_pictures.trial_endpapers,
    ),
    Step(
        "make_endpapers",
        "Make the endpapers",
        "They are needed when the sewing is done, and dry flat meanwhile.",
        "endpapers",
        "sheets",
        follows=("stock_seen",),
        bars=("endpapers_on",),
        makes=("endpapers_made",),
        pieces=(
            "endpaper",
            *(f"endpaper_{number}{second}" for number in range(1, 11) for second in ("", "_second")),
        ),
        when=lambda book: any(piece.id.startswith("endpaper") for piece in book.pieces),
        tools=("bone folder", "knife", "steel rule"),
        rate=6.0,
        wait=_laminated,
        measures=("endpapers.thickness", "endpapers.at_spine", "flange.width"),
        danger="blade",
        picture=sheets_pictures.make_endpapers,
    ),
    Step(
        "pull_down",
        "Pull the old book down",
        "What cannot be put back is photographed first: the sewing, the bands, every torn fold.",
        "sheets",
        "sheets",
        needs=("old_sewing_in",),
        bars=("old_cover_on", "folds_pierced"),
        ends=(
            "old_sewing_in",
            "old_glue_on",
        ),
        when=lambda book: "old_sewing_in" in book.there,
        tools=("bone folder", "scissors for thread", "soft brush", "pencil"),
        fixed=20,
        rate=4.0,
        of="signature",
        looks=(
            "Each {signature} numbered in pencil before it is lifted off.",
            "Threads cut inside and drawn out, never torn; glue softened and taken off, never scraped dry.",
        ),
        picture=sheets_pictures.pull_down,
    ),
    Step(
        "mend_folds",
        "Mend the folds",
        "With thin strong paper and paste; a mended fold is sewn through like any other.",
        "sheets",
        "sheets",
        needs=("folds_made",),
        bars=(
            "old_sewing_in",
            "block_sewn",
        ),
        makes=("folds_mended",),
        pieces=("mending_guard",),
        when=lambda book: book.has("mending_guard"),
        tools=("brush", "blotters", "weights"),
        fixed=10,
        rate=30.0,
        wait=lambda book: Pause(
            "under_weight", "Flat and dry between blotters.", minutes=(240, 480), holds=("weights",)
        ),
        looks=("Guards no wider than they have to be, and no paste beyond them.",),
        picture=sheets_pictures.mend_folds,
    ),
    Step(
        "guard_plates",
        "Cut guards, and put plates on theirs",
        "Pasted and dried before sewing; folded maps lie clear of the book.",
        "sheets",
        "sheets",
        needs=_apart,
        follows=(
            "stock_seen",
            "folds_pressed",
            "folds_mended",
        ),
        bars=(
            "old_sewing_in",
            "block_sewn",
            "block_glued",
        ),
        makes=("plates_guarded",),
        pieces=("guard", "plate_guard", "map_guard", "stub", "concertina"),
        when=lambda book: book.has("guard", "plate_guard", "map_guard", "concertina"),
        tools=("brush", "bone folder", "waste paper"),
        fixed=10,
        rate=_guarding,
        looks=("Each leaf the guard’s free width from the fold, and square to it.",),
        measures=("inserts.thickness", "plates.fore_edge", "plates.spine", "concertina.length"),
        picture=sheets_pictures.guard_plates,
    ),
)
