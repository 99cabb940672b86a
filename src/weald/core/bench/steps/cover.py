"""Boards and covers: cut, laminated, made up into a case, or laced on and covered."""

from collections.abc import Iterator

from weald.core.bench.step import Pause, Step, lifting
from weald.core.bench.steps.of_book import cased
from weald.core.book.book import Book
from weald.core.book.operation import Trouble
from weald.core.job.lying import Fact


def _before_boards(book: Book) -> tuple[Fact, ...]:
    return ("stock_seen", "block_measured", "trial_made")


def _before_cover(book: Book) -> tuple[Fact, ...]:
    """Cut with the block measured, and with its boards there where they are on it."""
    on: tuple[Fact, ...] = ("boards_on", "boards_laminated") if book.structure.in_shoulders else ()
    return (*_before_boards(book), *on)


def _covering(book: Book) -> tuple[Fact, ...]:
    """What ends work on bare boards; those closed over frayed cords are bare on the block yet."""
    on: tuple[Fact, ...] = () if book.structure.attachment == "frayed" else ("boards_on",)
    return ("case_made", "book_covered", "boards_covered", *on)


def _of_leather(book: Book) -> bool:
    return book.leather


def _before_trial(book: Book) -> tuple[Fact, ...]:
    return () if book.structure.held == "stitched" else ("block_measured",)


def _before_joining(book: Book) -> tuple[Fact, ...]:
    """All that is done to loose boards; over frayed cords the outer ones are glued on afterwards."""
    found: tuple[Fact, ...] = ("boards_fit", "block_backed", "block_lined")
    if book.structure.attachment == "frayed":
        return found
    return (*found, "boards_laminated", "boards_bevelled", "boards_layered")


def _joined(book: Book) -> tuple[Fact, ...]:
    """A flange of mull joins without supports; what is fanned out has to be there."""
    fanned: tuple[Fact, ...] = ("supports_none",) if book.structure.attachment == "frayed" else ()
    return ("book_covered", *fanned)


def _case_moves(book: Book) -> Iterator[str]:
    """The case in the hands' own steps; slow glue is laid on at once, quick glue part by part."""
    joint = book.facts("case")
    film, quick = not joint.moves[1], joint.moves[1] < 3
    whole = book.structure.covering(book.spec) in ("full",)
    yield "Lines or a gauge on the wrong side of the covering: the boards stand by them, not by eye."
    if film:
        yield "The backing drawn off from one edge, the film rolled down behind it: there is no second try."
    elif whole:
        yield "Glue from the middle outwards; the first board laid on its line, turned over and boned."
    else:
        yield "The spine piece first, from the middle outwards, rubbed down into both joints."
    if book.has("spine_board", "spine_inlay") and not book.has("joining_strip"):
        yield "The spine laid against the gauge, {joint.gap} from the board."
    yield "The other board against the gauge, its tail on the straight edge."
    yield "Corners cut {corner.cut} from the board."
    if film:
        yield "Turned in at head and tail, then at the fore-edges."
    elif quick:
        yield "Turn-ins glued one after the other: head, tail, then the fore-edges."
    else:
        yield "All turn-ins glued in one go: head and tail turned in first, then the fore-edges."
    yield "At the joint the cloth is driven in before the turn-in is pressed down; corners pinched."
    if not whole:
        yield "The sides last, lapping the spine piece by {mm:2–3}."
    yield "Boned into the joints through paper; front and upwards marked inside in pencil."


def _covering_moves(book: Book) -> Iterator[str]:
    if book.leather:
        yield "Pasted, folded on itself and left for 20 to 30 minutes; pasted again."
    yield "Spine first, drawn over from the middle to head and tail."
    if book.structure.banded and book.has("spine_piece"):
        yield "Bands nipped up, from the middle one outwards."
    yield "Boards drawn over towards the fore-edges; turned in at head and tail, over the joint last."
    if book.leather:
        yield "Caps shaped over the end bands; corners pleated; joints worked down with a folder."
        yield "Tied up beside the bands, or put between boards."
    else:
        yield "Corners cut and pinched, fore-edges turned in, joints boned."


def _lacing_moves(book: Book) -> Iterator[str]:
    yield "Slips frayed, pasted to points and left to dry."
    yield "Holes at {lacing.first} and {lacing.second} from the spine edge; a channel from edge to hole."
    yield "In from outside, across, and out again; pasted, drawn tight, and cut short."
    yield "Hammered flat on an iron, from inside and outside."


def _kept_flat(book: Book) -> Pause:
    """Boards glued on boards, until the water has left both."""
    return Pause(
        "under_weight",
        "It does not bow when it is let out.",
        "Let out damp, it warps.",
        joint="boards",
        holds=("weights",),
        floor=480,
    )


_INFILLS = ("infill", "infill_back", "infill_inside", "infill_inside_back")


COVER = (
    Step(
        "trial",
        "Try it on scrap first, at full size",
        "What cannot be bought again is not what one learns on.",
        "cover",
        "boards",
        follows=_before_trial,
        bars=("boards_cut", "cover_cut", "cover_round"),
        makes=("trial_made",),
        when=lambda book: book.spec.bench.trial or book.has("old_panel", "old_spine"),
        fixed=25,
        looks=("The trial lies as the book is meant to lie.",),
    ),
    Step(
        "trim_old_panels",
        "Trim the panels of the old cover",
        "Squared to what they are laid on, and kept flat until then.",
        "cover",
        "boards",
        follows=("block_measured",),
        bars=("old_cover_on",),
        makes=("old_panels_trimmed",),
        when=lambda book: book.has("old_panel", "old_spine"),
        pieces=("old_panel", "old_spine"),
        tools=("knife", "steel rule"),
        rate=10.0,
        measures=("panel.width", "panel.height", "panel.spine"),
        danger="blade",
        formerly=("lift_old_cover",),
    ),
    Step(
        "cut_boards",
        "Cut the boards",
        "From the block as it was measured, not as it was planned.",
        "cover",
        "boards",
        follows=_before_boards,
        bars=(
            "case_made",
            "boards_on",
        ),
        makes=("boards_cut",),
        when=lambda book: book.has(
            "board", "thin_board", "spine_board", "spacer", "spine_inlay", "joining_strip"
        ),
        pieces=("board", "thin_board", "spine_board", "spacer", "spine_inlay", "joining_strip"),
        tools=("knife or board shears", "steel rule", "square"),
        rate=10.0,
        places=("shears",),
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
        drawing="pieces.all",
    ),
    Step(
        "offer_boards",
        "Offer the boards up, dry",
        "Before any glue or lacing: what does not fit now can still be cut.",
        "cover",
        "boards",
        needs=("boards_cut",),
        follows=("block_backed", "block_measured"),
        bars=("boards_on", "boards_laminated", "boards_bevelled"),
        makes=("boards_fit",),
        when=lambda book: book.structure.in_shoulders,
        fixed=3,
        looks=("Each board home in its shoulder: squares alike on three sides, front and back.",),
        measures=("joint.gap", "joint.inset", "joint.groove", "spine_board.width"),
        troubles=(
            Trouble("It does not fit", "At the station Boards & cover, “Does not fit” says how to go on."),
        ),
        drawing="case.closed",
        formerly=("offer_up",),
    ),
    Step(
        "join_case_boards",
        "Join the boards to the spine",
        "On their strip, trued along a straight edge: from here on the case has its width.",
        "cover",
        "boards",
        needs=("boards_cut",),
        bars=("case_made",),
        makes=("case_joined",),
        when=lambda book: cased(book) and book.has("joining_strip"),
        tools=("brush", "gauge", "straight edge"),
        glue=(("boards", "the strip"),),
        rate=10.0,
        wait=lambda book: Pause(
            "under_weight", "Flat, and no longer cool to the touch.", joint="boards", until="handled"
        ),
        looks=("Both joints of one width from head to tail, tails on one line.",),
    ),
    Step(
        "laminate",
        "Glue thick and thin boards together",
        "At the fore-edge only: the split stays dry for the flange.",
        "cover",
        "boards",
        needs=("boards_cut",),
        bars=("boards_on",),
        makes=("boards_laminated",),
        when=lambda book: book.structure.laminated and book.structure.attachment != "frayed",
        tools=("brush", "pressing boards"),
        glue=(("boards", "the whole of the thick board, but for its split"),),
        rate=12.0,
        places=("nipping_press",),
        wait=_kept_flat,
        measures=("split.depth",),
        danger="press",
    ),
    Step(
        "cut_cover",
        "Cut the covering",
        "Larger than it will be seen, by its turn-ins; grain along the spine.",
        "cover",
        "boards",
        follows=_before_cover,
        bars=("case_made",),
        makes=("cover_cut",),
        when=lambda book: (
            book.has("cover", "spine_piece", "side", "corner", "fore_edge_strip")
            and book.structure.held != "stitched"
        ),
        pieces=("cover", "spine_piece", "side", "corner", "fore_edge_strip"),
        tools=("knife", "steel rule"),
        rate=6.0,
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
        drawing="case.flat",
    ),
    Step(
        "pare",
        "Pare the leather",
        "Thin where it turns in, so that caps and corners lie flat.",
        "cover",
        "covering",
        needs=("cover_cut",),
        bars=(
            "case_made",
            "book_covered",
            "boards_covered",
        ),
        makes=("cover_pared",),
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
        "covering",
        needs=(
            "boards_cut",
            "cover_cut",
        ),
        follows=(
            "cover_pared",
            "case_joined",
            "boards_layered",
            "boards_bevelled",
        ),
        makes=("case_made",),
        when=cased,
        pieces=_INFILLS,
        tools=("brush", "gauge", "bone folder", "shears"),
        glue=(("case", "the wrong side of the covering"),),
        rate=25.0,
        people=lifting,
        whole=True,
        wait=lambda book: Pause(
            "under_weight",
            "Flat, and no longer cool to the touch.",
            "Left to dry open, it warps.",
            joint="case",
            until="handled",
            holds=("weights",),
            floor=60,
        ),
        moves=_case_moves,
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
                "Prick it with a needle and roll it flat from one side.",
            ),
            Trouble(
                "Boards stand askew",
                "Lift at once while the glue still moves, and gauge anew.",
                "The film does not let go: cut a new cover, and try the boards on its backing paper first.",
            ),
        ),
        drawing="case.flat",
    ),
    Step(
        "score_cover",
        "Score and fold the cover",
        "Scored, it folds where it is meant to.",
        "cover",
        "boards",
        needs=("cover_cut",),
        bars=("cover_on",),
        makes=("cover_scored",),
        when=lambda book: book.has("cover") and book.structure.held in ("glued", "slits", "sewn_through"),
        tools=("bone folder", "steel rule"),
        rate=6.0,
        measures=("slit.length", "spine_board.width"),
        danger="blade",
        drawing="case.flat",
    ),
    Step(
        "lace_on",
        "Lace the boards on",
        "Cords frayed and pasted to points; down the shoulder, through the board, and back.",
        "cover",
        "sewing",
        needs=(
            "boards_cut",
            "block_sewn",
        ),
        follows=(
            "boards_fit",
            "block_backed",
            "boards_bevelled",
            "boards_layered",
        ),
        bars=("supports_none", "book_covered"),
        makes=("boards_on",),
        when=lambda book: book.structure.attachment == "laced",
        tools=("awl", "hammer", "iron"),
        glue=(("boards", "the frayed ends of the cords"),),
        rate=60.0,
        wait=lambda book: Pause(
            "under_weight",
            "The slips lie flat and hard.",
            joint="boards",
            holds=("nipping_press",),
            floor=480,
        ),
        moves=_lacing_moves,
        looks=("Each board flush with its shoulder, and opening square.",),
        measures=("lacing.first", "lacing.second"),
        danger="needle",
        drawing="bench.support_path",
    ),
    Step(
        "join_boards",
        "Fasten the boards to the block",
        "Flange or cords on their board, each pushed home into its shoulder.",
        "cover",
        "boards",
        needs=(
            "boards_cut",
            "block_sewn",
        ),
        follows=_before_joining,
        bars=_joined,
        makes=("boards_on",),
        when=lambda book: book.structure.in_shoulders and book.structure.attachment != "laced",
        tools=("brush", "pressing boards"),
        glue=(("boards", "the supports, and the board where they lie"),),
        rate=20.0,
        places=("nipping_press",),
        wait=lambda book: Pause(
            "under_weight",
            "The boards open square and do not spring.",
            joint="boards",
            holds=("nipping_press",),
        ),
        looks=("Each board flush with its shoulder, squares alike on both sides.",),
        danger="press",
        drawing="bench.support_path",
    ),
    Step(
        "close_boards",
        "Glue the outer boards on over the cords",
        "Once the cords are stuck and dry: nothing slides between boards that are glued together.",
        "cover",
        "boards",
        needs=("boards_on",),
        bars=("book_covered",),
        makes=("boards_laminated",),
        when=lambda book: book.structure.laminated and book.structure.attachment == "frayed",
        tools=("brush", "pressing boards"),
        glue=(("boards", "the whole of the outer board"),),
        rate=12.0,
        places=("nipping_press",),
        wait=_kept_flat,
        looks=("Both layers flush all round: what stands over is cut when it is dry.",),
        measures=("split.depth",),
        danger="press",
        formerly=("laminate",),
    ),
    Step(
        "trim_in_boards",
        "Trim in boards",
        "Boards ploughed with the block, by your school: head, then tail, each slid one square.",
        "cover",
        "block",
        needs=("boards_on",),
        bars=(
            "book_covered",
            "bands_on",
        ),
        makes=("edges_in_boards",),
        when=lambda book: book.spec.block.trimming == "in_boards" and book.structure.attachment == "laced",
        tools=("plough", "waste boards"),
        rate=20.0,
        places=("plough",),
        measures=("block.height", "block.width"),
        danger="blade",
    ),
    Step(
        "cover_boards",
        "Cover each board, and line its inside",
        "Before it is sewn on: afterwards its spine edge is under the thread.",
        "cover",
        "covering",
        needs=("boards_cut", "cover_cut"),
        follows=("cover_pared", "boards_layered", "boards_bevelled"),
        bars=("block_sewn",),
        makes=("boards_covered",),
        when=lambda book: book.structure.loose_boards,
        pieces=(*_INFILLS, "pastedown"),
        tools=("brush", "bone folder", "shears"),
        glue=(("case", "the wrong side of each covering"), ("paste_down", "the board paper")),
        rate=30.0,
        whole=True,
        wait=lambda book: Pause(
            "under_weight",
            "Flat, and no longer cool to the touch.",
            "Left to dry open, it warps.",
            joint="paste_down",
            holds=("weights",),
        ),
        looks=("No bubble, corners shut, the paper clear of the edges all round.",),
        measures=("joint.gap", "spine_board.width"),
        danger="blade",
        formerly=("make_case",),
    ),
    Step(
        "pierce_boards",
        "Pierce the boards",
        "Opposite every station, by the same template.",
        "cover",
        "sewing",
        needs=("boards_covered",),
        bars=("block_sewn",),
        makes=("boards_pierced",),
        when=lambda book: book.structure.loose_boards,
        tools=("template", "awl or small drill", "waste board"),
        rate=6.0,
        looks=("As many holes as stations, all {lacing.first} from the spine edge.",),
        measures=("lacing.first",),
        danger="needle",
        formerly=("offer_up",),
    ),
    Step(
        "cover_book",
        "Cover the book",
        "Spine, bands, turn-ins, caps and corners in one go.",
        "cover",
        "covering",
        needs=(
            "boards_on",
            "cover_cut",
        ),
        follows=(
            "cover_pared",
            "block_lined",
            "bands_on",
            "ribbon_in",
            "edges_in_boards",
            "boards_laminated",
            "boards_bevelled",
        ),
        makes=("book_covered",),
        when=lambda book: book.structure.in_shoulders,
        pieces=_INFILLS,
        tools=("brush", "bone folder", "band nippers", "tying-up cord"),
        glue=(
            ("case", "the wrong side of the covering; leather twice, left to soak folded on itself between"),
        ),
        rate=75.0,
        people=lifting,
        whole=True,
        wait=lambda book: Pause(
            "left_alone",
            "The leather or cloth is hard at the caps.",
            "Opened now, the joint tears.",
            joint="case",
            holds=("weights",),
        ),
        moves=_covering_moves,
        looks=("Caps alike, corners shut, nothing loose along a band.",),
        danger="blade",
        troubles=(Trouble("It dries while you work", "A damp sponge on the outside, and paste again."),),
        drawing="case.flat",
    ),
    Step(
        "layer_panels",
        "Glue the layers round the panels on",
        "Their windows cut first, with the panels laid in: board, layer and panel are one height.",
        "cover",
        "boards",
        needs=("boards_cut",),
        follows=("boards_laminated",),
        bars=_covering,
        makes=("boards_layered",),
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
        "boards",
        needs=("boards_cut",),
        follows=(
            "boards_laminated",
            "boards_layered",
        ),
        bars=_covering,
        makes=("boards_bevelled",),
        when=lambda book: book.spec.extras.bevels is not None and book.structure.boards,
        tools=("file or plane", "sanding block", "pencil"),
        rate=25.0,
        looks=("The slope {bevel.slope} wide, {bevel.edge} left of the edge, alike on both boards.",),
        danger="blade",
    ),
)
