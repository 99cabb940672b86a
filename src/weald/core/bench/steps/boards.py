"""Boards by themselves: tried, cut, offered up, joined or laminated, bevelled, pierced."""

from collections.abc import Iterator

from weald.core.bench.pictures import boards as boards_pictures
from weald.core.bench.pictures import cover as cover_pictures
from weald.core.bench.step import Pause, Step
from weald.core.bench.steps.of_book import DOES_NOT_FIT, before_boards, cased, kept_flat
from weald.core.book.book import Book
from weald.core.book.operation import Trouble
from weald.core.job.lying import Fact


def _before_trial(book: Book) -> tuple[Fact, ...]:
    return () if book.structure.held == "stitched" else ("block_measured",)


def _covering(book: Book) -> tuple[Fact, ...]:
    """What ends work on bare boards; those closed over frayed cords are bare on the block yet."""
    on: tuple[Fact, ...] = () if book.structure.attachment == "frayed" else ("boards_on",)
    return ("case_made", "book_covered", "boards_covered", *on)


def _cut_larger(book: Book) -> bool:
    return book.spec.binding.cut_in_case > 0 and any(piece.allowance for piece in book.taken(("board",)))


def _to_size_moves(book: Book) -> Iterator[str]:
    if cased(book):
        yield "Boards and spine laid round the block as they will lie; tape holds what nothing joins yet."
    else:
        yield "Each board pushed home in its shoulder and held there."
    yield "The square set on a gauge and scribed along the fore-edge; both boards cut to the line."


BOARDS = (
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
        picture=boards_pictures.trial,
    ),
    Step(
        "trial_leather",
        "Try the leather first, on a board and an offcut",
        "How far it stretches, and what paste does to its colour, is found on what can be spared.",
        "cover",
        "covering",
        follows=("stock_seen",),
        bars=("cover_cut", "cover_pared"),
        makes=("leather_tried",),
        when=lambda book: book.spec.bench.trial_leather and book.leather,
        fixed=30,
        looks=("The turn-in lies without a step, and the colour is even once it is dry.",),
        danger="paring",
        picture=cover_pictures.trial_leather,
    ),
    Step(
        "trim_old_panels",
        "Trim the panels of the old cover",
        "Squared to what they are laid on, and kept flat until then.",
        "cover",
        "boards",
        follows=("block_measured",),
        bars=("old_cover_on",),
        implied_by=("last_look",),
        makes=("old_panels_trimmed",),
        when=lambda book: book.has("old_panel", "old_spine"),
        pieces=("old_panel", "old_spine"),
        tools=("knife", "steel rule"),
        rate=10.0,
        measures=("panel.width", "panel.height", "panel.spine"),
        danger="blade",
        formerly=("lift_old_cover",),
        picture=boards_pictures.trim_old_panels,
    ),
    Step(
        "cut_boards",
        "Cut the boards",
        "From the block as it was measured, not as it was planned.",
        "cover",
        "boards",
        follows=before_boards,
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
            Trouble("A board too small", "Cut another; keep the small one for a smaller book."),
            Trouble(
                "No board as thick as this",
                "Laminate two thinner ones, or waste of one thickness, grain alike; under weight overnight.",
                minutes=15,
                wait=480,
            ),
        ),
        drawing="pieces.all",
        picture=boards_pictures.cut_boards,
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
        implied_by=("lace_on", "join_boards"),
        makes=("boards_fit",),
        when=lambda book: book.structure.in_shoulders,
        fixed=3,
        looks=("Each board home in its shoulder: squares alike on three sides, front and back.",),
        measures=("joint.gap", "joint.inset", "joint.groove", "spine_board.width"),
        troubles=(DOES_NOT_FIT,),
        drawing="case.closed",
        formerly=("offer_up",),
        picture=boards_pictures.offer_boards,
        counts=("closed.fore_edge",),
    ),
    Step(
        "join_case_boards",
        "Join the boards to the spine",
        "On their strip, trued along a straight edge: from here on the case has its width.",
        "cover",
        "boards",
        needs=("boards_cut",),
        bars=("case_made",),
        implied_by=("make_case",),
        makes=("case_joined",),
        when=lambda book: cased(book) and book.has("joining_strip"),
        tools=("brush", "gauge", "straight edge"),
        glue=(("boards", "the strip"),),
        rate=10.0,
        wait=lambda book: Pause(
            "under_weight", "Flat, and no longer cool to the touch.", joint="boards", until="handled"
        ),
        looks=("Both joints of one width from head to tail, tails on one line.",),
        picture=boards_pictures.join_case_boards,
        counts=("case.distance",),
    ),
    Step(
        "cut_boards_to_size",
        "Cut the boards to size on the block",
        "They were cut wider: joined, or home in their shoulders, they are marked by the block itself.",
        "cover",
        "boards",
        needs=("boards_cut",),
        follows=("block_measured", "case_joined", "boards_fit", "boards_laminated"),
        bars=_covering,
        makes=("boards_to_size",),
        when=_cut_larger,
        tools=("gauge for the square", "knife or board shears", "steel rule"),
        rate=8.0,
        places=("shears",),
        moves=_to_size_moves,
        looks=("The square at the fore-edge alike on both boards, and parallel to the block.",),
        measures=("board.width",),
        danger="blade",
        picture=boards_pictures.cut_boards_to_size,
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
        wait=kept_flat,
        measures=("split.depth",),
        danger="press",
        picture=boards_pictures.laminate,
        counts=("split.depth",),
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
        picture=boards_pictures.layer_panels,
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
        picture=boards_pictures.bevel_boards,
    ),
)
