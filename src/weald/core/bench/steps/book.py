"""Block and cover brought together, and what is done to the finished book."""

from weald.core.bench.book import Book
from weald.core.bench.operation import Trouble
from weald.core.bench.step import Pause, Step


def _pasted(book: Book) -> bool:
    return book.structure.boards and book.structure.endpapers


BOOK = (
    Step(
        "sew_into_cover",
        "Fasten the block in its cover",
        "Slips through their slits, or the cover's fold glued to the spine.",
        "book",
        when=lambda book: not book.structure.boards and book.structure.name != "saddle_stitch",
        tools=("awl", "bone folder"),
        rate=12.0,
        looks=("The block square in its cover, no leaf caught.",),
        measures=("spine_board.width",),
        danger="needle",
    ),
    Step(
        "offer_up",
        "Offer the cover up, dry",
        "Before any glue: what does not fit now can still be cut.",
        "book",
        when=lambda book: book.structure.boards,
        fixed=3,
        looks=("Squares alike at head and tail, front and back; the joint lies in its groove.",),
        measures=("joint.gap", "joint.inset", "joint.groove", "spine_board.width", "lacing.first"),
        troubles=(
            Trouble("It does not fit", "At the station Boards & cover, “Does not fit” says how to go on."),
        ),
    ),
    Step(
        "case_in",
        "Case in: one side, then the other",
        "Mull and slips first, the paste-down from the spine outwards, the joint left dry; without a pause.",
        "book",
        when=_pasted,
        tools=("brush", "waste sheets", "release sheets", "pressing boards"),
        glue=(("paste_down", "each paste-down, a strip at the joint left dry"),),
        rate=15.0,
        two=lambda book: book.tall,
        whole=True,
        wait=lambda book: Pause(
            "nipped",
            "Two minutes by the clock, hard.",
            "Longer, and glue squeezes through.",
            harm=True,
            minutes=(2, 3),
            holds=("nipping_press",),
        ),
        looks=(
            "Squares even on three sides before any pressure.",
            "The paste-down clear of the board's edges.",
        ),
        measures=("pastedown.growth",),
        danger="press",
        troubles=(
            Trouble(
                "The paste-down grew over the edge",
                "Before the nip: peel it back while wet, trim, lay it again.",
            ),
            Trouble("Glue at the edges", "Wipe at once; a release sheet before it is closed."),
        ),
    ),
    Step(
        "open_a_crack",
        "Open it a crack, once, and close it again",
        "By your school: the joint finds its place while it still gives.",
        "book",
        when=lambda book: _pasted(book) and book.spec.bench.opened == "once",
        fixed=1,
        rate=1.0,
        whole=True,
        looks=("The board swings free, and nothing sticks at the joint.",),
    ),
    Step(
        "dry_closed",
        "Dry it closed, under weight",
        "Release sheet and moisture barrier inside each board; pressing boards that end short of the joint.",
        "book",
        when=_pasted,
        tools=("release sheets", "pressing boards", "weights"),
        fixed=5,
        places=("weights",),
        wait=lambda book: Pause(
            "under_weight",
            "The board is no longer cool to the lip or the wrist.",
            "Not opened while damp: the joint lifts and never lies again.",
            joint="paste_down",
            holds=("weights",),
        ),
        looks=("Squares and joint from outside; no glue squeezed out.",),
    ),
    Step(
        "trim_flush",
        "Trim cover and leaves together",
        "In one stroke, so that there is no step.",
        "book",
        when=lambda book: book.structure.flush,
        tools=("knife or guillotine", "steel rule"),
        rate=5.0,
        places=("shears",),
        looks=("No step at head, tail or fore-edge.",),
        measures=("block.height", "block.width"),
        danger="blade",
    ),
    Step(
        "open_first",
        "Open it little by little, from both ends",
        "A few leaves at a time, so that the spine breaks nowhere.",
        "book",
        when=lambda book: book.several,
        fixed=3,
        looks=("Lying open anywhere, nothing cracks.",),
    ),
    Step(
        "letter",
        "Letter the spine",
        "A trial on an offcut first; heat and dwell are found there.",
        "book",
        when=lambda book: (
            book.spec.finish_on_spine and book.structure.lettered and book.reckoned("title.length")
        ),
        tools=("type or tools", "foil", "offcut"),
        fixed=15,
        rate=15.0,
        looks=("The lettering in the middle of the spine, measured from both joints.",),
        measures=("title.length", "title.capital", "finish.width"),
        danger="heat",
    ),
    Step(
        "last_look",
        "The last look",
        "Once it has left, nobody looks again until something is wrong.",
        "book",
        fixed=5,
        looks=(
            "The fore-edge square as wide at the head as at the tail.",
            "The paste-downs clear of the edges, and parallel to them.",
            "The book standing upright on its tail.",
        ),
    ),
)
