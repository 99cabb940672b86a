"""Boards fixed to the block: laced, joined, closed, trimmed with it."""

from collections.abc import Iterator

from weald.core.bench.pictures import block as block_pictures
from weald.core.bench.pictures import boards as boards_pictures
from weald.core.bench.step import Pause, Step
from weald.core.bench.steps.of_book import kept_flat
from weald.core.book.book import Book
from weald.core.job.lying import Fact


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


def _lacing_moves(book: Book) -> Iterator[str]:
    yield "Slips frayed, pasted to points and left to dry."
    yield "Holes at {lacing.first} and {lacing.second} from the spine edge; a channel from edge to hole."
    yield "In from outside, across, and out again; pasted, drawn tight, and cut short."
    yield "Hammered flat on an iron, from inside and outside."


ON_THE_BLOCK = (
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
        picture=boards_pictures.lace_on,
        counts=("lacing.first",),
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
        picture=boards_pictures.join_boards,
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
        wait=kept_flat,
        looks=("Both layers flush all round: what stands over is cut when it is dry.",),
        measures=("split.depth",),
        danger="press",
        formerly=("laminate",),
        picture=boards_pictures.close_boards,
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
        measures=("block.height", "block.width", "block.diagonal"),
        danger="blade",
        picture=block_pictures.trim_in_boards,
    ),
)
