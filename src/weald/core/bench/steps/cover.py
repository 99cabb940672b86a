"""Boards and covers: cut, laminated, made up into a case, or laced on and covered."""

from weald.core.bench.book import Book
from weald.core.bench.operation import Trouble
from weald.core.bench.step import Pause, Step


def _cased(book: Book) -> bool:
    return book.structure.attachment == "case"


def _of_leather(book: Book) -> bool:
    return book.leather


_INFILLS = ("infill", "infill_back", "infill_inside", "infill_inside_back")


COVER = (
    Step(
        "trial",
        "Try it on scrap first, at full size",
        "What cannot be bought again is not what one learns on.",
        "cover",
        when=lambda book: book.spec.bench.trial or book.has("old_panel", "old_spine"),
        fixed=25,
        needs=("measure_block",),
        looks=("The trial lies as the book is meant to lie.",),
    ),
    Step(
        "lift_old_cover",
        "Lift the old cover off, and trim its panels",
        "Warmth or a thin knife between cover and spine, never pulled.",
        "cover",
        when=lambda book: book.has("old_panel", "old_spine"),
        pieces=("old_panel", "old_spine"),
        tools=("thin knife", "hair dryer", "steel rule"),
        rate=25.0,
        measures=("panel.width", "panel.height", "panel.spine"),
        danger="blade",
        troubles=(Trouble("The paper splits", "Stop, warm it again, and go on from the other end."),),
    ),
    Step(
        "cut_boards",
        "Cut the boards",
        "From the block as it was measured, not as it was planned.",
        "cover",
        when=lambda book: book.has(
            "board", "thin_board", "spine_board", "spacer", "spine_inlay", "joining_strip"
        ),
        pieces=("board", "thin_board", "spine_board", "spacer", "spine_inlay", "joining_strip"),
        tools=("knife or board shears", "steel rule", "square"),
        rate=10.0,
        places=("shears",),
        needs=("measure_block",),
        looks=("Both boards laid on the block: squares alike on three sides, corners true.",),
        measures=(
            "board.width",
            "board.height",
            "board.thickness",
            "spine_board.width",
            "spine_board.thickness",
            "strip.width",
        ),
        danger="blade",
        troubles=(
            Trouble("A board too small", "Cut it anew; a board is not made larger. Use it for another book."),
        ),
    ),
    Step(
        "laminate",
        "Glue thick and thin boards together",
        "With the supports between them where they are split or frayed.",
        "cover",
        when=lambda book: book.structure.laminated,
        tools=("brush", "pressing boards"),
        glue=(("boards", "the whole of the thick board, but for its split"),),
        rate=12.0,
        places=("nipping_press",),
        wait=lambda book: Pause(
            "under_weight",
            "It does not bow when it is let out.",
            "Let out damp, it warps.",
            joint="boards",
            holds=("weights",),
        ),
        measures=("split.depth",),
        danger="press",
    ),
    Step(
        "cut_cover",
        "Cut the covering",
        "Larger than it will be seen, by its turn-ins; grain along the spine.",
        "cover",
        when=lambda book: (
            book.has("cover", "spine_piece", "side", "corner", "fore_edge_strip")
            and book.structure.name != "saddle_stitch"
        ),
        pieces=("cover", "spine_piece", "side", "corner", "fore_edge_strip"),
        tools=("knife", "steel rule"),
        rate=6.0,
        needs=("measure_block",),
        measures=(
            "cover.width",
            "cover.height",
            "cover.leaf",
            "spine_piece.width",
            "side.width",
            "corner.size",
            "corner.leg",
            "corner.cut",
            "bands.take_up",
        ),
        danger="blade",
    ),
    Step(
        "pare",
        "Pare the leather",
        "Thin where it turns in, so that caps and corners lie flat.",
        "cover",
        when=_of_leather,
        tools=("paring knife", "stone"),
        rate=45.0,
        looks=("No step felt with a nail at the turn-in.",),
        danger="paring",
    ),
    Step(
        "make_case",
        "Make the case",
        "Boards and spine on the covering, gauged, turned in at head and tail, then at the fore-edges.",
        "cover",
        when=lambda book: _cased(book) and book.structure.boards,
        pieces=_INFILLS,
        tools=("brush", "gauge", "bone folder", "shears"),
        glue=(("case", "the wrong side of the covering"),),
        rate=25.0,
        two=lambda book: book.tall,
        whole=True,
        wait=lambda book: Pause(
            "under_weight",
            "Flat, and no longer cool to the touch.",
            "Left to dry open, it warps.",
            joint="case",
            until="handled",
            holds=("weights",),
        ),
        looks=(
            "The joints {joint.gap} wide from head to tail.",
            "No bubble, and no thread of cloth in a corner.",
        ),
        measures=("joint.gap", "joint.inset", "case.distance"),
        danger="blade",
        troubles=(
            Trouble(
                "A bubble",
                "While damp: press it out towards an edge. Dry: a needle, a little glue, the folder.",
            ),
            Trouble("Boards stand askew", "Lift at once while the glue still moves, and gauge anew."),
        ),
    ),
    Step(
        "score_cover",
        "Score and fold the cover",
        "Scored, it folds where it is meant to.",
        "cover",
        when=lambda book: (
            book.structure.name
            in ("wrapper", "laced_card_case", "printed_case", "coverless_tapes", "long_stitch")
            and book.has("cover")
        ),
        tools=("bone folder", "steel rule"),
        rate=6.0,
        measures=("slit.length", "spine_board.width"),
        danger="blade",
    ),
    Step(
        "lace_on",
        "Lace the boards on",
        "Cords frayed and pasted to points; down the shoulder, through the board, and back.",
        "cover",
        when=lambda book: book.structure.attachment == "laced",
        tools=("awl", "hammer", "iron"),
        glue=(("boards", "the frayed ends of the cords"),),
        rate=60.0,
        wait=lambda book: Pause(
            "under_weight", "The slips lie flat and hard.", joint="boards", holds=("nipping_press",)
        ),
        looks=("Each board flush with its shoulder, and opening square.",),
        measures=("lacing.first", "lacing.second"),
        danger="needle",
    ),
    Step(
        "join_boards",
        "Fasten the boards to the block",
        "Supports between the layers, each board pushed home into its shoulder.",
        "cover",
        when=lambda book: (
            book.structure.attachment in ("split", "frayed")
            or (book.structure.in_shoulders and book.structure.attachment not in ("laced", "case"))
        ),
        tools=("brush", "pressing boards"),
        glue=(("boards", "the supports, and the board where they lie"),),
        rate=20.0,
        places=("nipping_press",),
        needs=("line_spine",),
        wait=lambda book: Pause(
            "under_weight",
            "The boards open square and do not spring.",
            joint="boards",
            holds=("nipping_press",),
        ),
        looks=("Each board flush with its shoulder, squares alike on both sides.",),
        danger="press",
    ),
    Step(
        "trim_in_boards",
        "Trim in boards",
        "Boards ploughed with the block, by your school: head, then tail, each slid one square.",
        "cover",
        when=lambda book: book.spec.block.trimming == "in_boards" and book.structure.attachment == "laced",
        tools=("plough", "waste boards"),
        rate=20.0,
        places=("plough",),
        measures=("block.height", "block.width"),
        danger="blade",
    ),
    Step(
        "cover_book",
        "Cover the book",
        "Spine, bands, turn-ins, caps and corners in one go.",
        "cover",
        when=lambda book: book.structure.boards and not _cased(book),
        pieces=_INFILLS,
        tools=("brush", "bone folder", "band nippers", "tying-up cord"),
        glue=(
            ("case", "the wrong side of the covering; leather twice, left to soak folded on itself between"),
        ),
        rate=75.0,
        two=lambda book: book.tall,
        whole=True,
        wait=lambda book: Pause(
            "left_alone",
            "The leather or cloth is hard at the caps.",
            "Opened now, the joint tears.",
            joint="case",
            holds=("weights",),
        ),
        looks=("Caps alike, corners shut, nothing loose along a band.",),
        danger="blade",
        troubles=(Trouble("It dries while you work", "A damp sponge on the outside, and paste again."),),
    ),
    Step(
        "layer_panels",
        "Glue the layers round the panels on",
        "Their windows cut first, with the panels laid in: board, layer and panel are one height.",
        "cover",
        pieces=("panel_layer", "panel_layer_back"),
        when=lambda book: book.has("panel_layer"),
        tools=("knife", "steel rule", "brush"),
        glue=(("boards", "the whole of each layer"),),
        rate=20.0,
        wait=lambda book: Pause("under_weight", "Flat and dry.", joint="boards", holds=("weights",)),
        looks=("The panel drops in, with the covering's thickness free all round.",),
        danger="blade",
    ),
    Step(
        "bevel_boards",
        "Bevel the boards",
        "Filed or planed along a line, then sanded; before anything is glued on them.",
        "cover",
        when=lambda book: book.spec.extras.bevels is not None and book.structure.boards,
        tools=("file or plane", "sanding block", "pencil"),
        rate=25.0,
        looks=("The slope {bevel.slope} wide, {bevel.edge} left of the edge, alike on both boards.",),
        danger="blade",
    ),
)
