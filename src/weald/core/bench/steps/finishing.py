"""What is done to the bound book: lettering, tooling, labels; what is made round it; the last look."""

from weald.core.bench.pictures import casing as casing_pictures
from weald.core.bench.pictures import finishing as finishing_pictures
from weald.core.bench.step import Pause, Step
from weald.core.bench.steps.of_book import printed
from weald.core.book.book import Book
from weald.core.job.lying import ALL_FACTS, Fact


def _tooled(book: Book) -> bool:
    """Whether anything is tooled: lines, frames, a stamped front; a label alone is only pasted."""
    finishing = book.spec.extras.finishing
    if finishing is None or not book.structure.boards:
        return False
    stamped = any(front.material == "stamped" for front in finishing.front)
    return bool(finishing.lines or finishing.frames or stamped)


_BOUND: tuple[Fact, ...] = (
    "block_sewn",
    "cover_on",
    "slips_stuck",
    "book_covered",
    "pastedowns_down",
    "book_dry",
    "edges_flush",
    "book_opened",
)
_FINISHED: tuple[Fact, ...] = (*_BOUND, "book_lettered", "book_tooled", "labels_on", "panels_in")


def _by_hand(book: Book) -> bool:
    """Whether anything is lettered by hand: what is printed with its cover is lettered already."""
    return book.finish is not None and book.finish.title is not None and not printed(book)


def _here(book: Book) -> bool:
    return book.spec.finish.by == "here"


def _away(book: Book) -> Pause:
    minutes = 24.0 * 60 * book.spec.finish.away
    return Pause("away", "It is back, and looked at before it is paid for.", minutes=(minutes, minutes))


FINISHING = (
    Step(
        "trial_lettering",
        "Try the lettering first, on an offcut of the cover",
        "On what the book is covered in, at the size it will have: gold cannot be taken off again.",
        "book",
        "lettering",
        follows=_BOUND,
        bars=("book_lettered", "book_tooled"),
        makes=("lettering_tried",),
        when=lambda book: book.spec.bench.trial_lettering and _here(book) and _by_hand(book),
        fixed=30,
        looks=("Every letter whole, of one depth, its gold bright and its edges sharp.",),
        danger="heat",
        picture=finishing_pictures.trial_lettering,
        counts=("title.capital",),
    ),
    Step(
        "send_out",
        "Send it out to be lettered",
        "Packed between boards, with the words written out as they are to stand, and a drawing of where.",
        "book",
        None,
        follows=_BOUND,
        makes=("book_lettered",),
        when=lambda book: not _here(book) and _by_hand(book),
        fixed=20,
        whole=True,
        wait=_away,
        looks=("The words spelt as they were written, in the middle of the spine.",),
        measures=("finish.width",),
        drawing="finish.spine",
        picture=finishing_pictures.send_out,
    ),
    Step(
        "letter",
        "Letter the spine",
        "A trial on an offcut first; heat and dwell are found there.",
        "book",
        "lettering",
        follows=_BOUND,
        makes=("book_lettered",),
        when=lambda book: _here(book) and _by_hand(book),
        tools=("type or tools", "foil", "offcut"),
        fixed=15,
        rate=15.0,
        looks=("The lettering in the middle of the spine, measured from both joints.",),
        measures=("title.length", "title.capital", "volume.capital", "finish.width"),
        danger="heat",
        drawing="finish.spine",
        picture=finishing_pictures.letter,
        counts=("title.capital",),
    ),
    Step(
        "last_look",
        "The last look",
        "Once it has left, nobody looks again until something is wrong.",
        "book",
        "casing",
        follows=tuple(fact for fact in ALL_FACTS if fact != "book_looked_at"),
        makes=("book_looked_at",),
        fixed=5,
        looks=(
            "The fore-edge square as wide at the head as at the tail.",
            "The paste-downs clear of the edges, and parallel to them.",
            "The book standing upright on its tail.",
        ),
        picture=casing_pictures.last_look,
        counts=("closed.fore_edge",),
    ),
    Step(
        "tool",
        "Tool spine and boards",
        "Every impression by the template, from the middle outwards; a trial on an offcut of the "
        "same skin first.",
        "book",
        "lettering",
        follows=_BOUND,
        makes=("book_tooled",),
        when=_tooled,
        tools=("finishing template", "hand tools and type", "offcut of the covering"),
        fixed=20,
        rate=40.0,
        looks=(
            "The template lies with its middle line on the spine's, and its bands on the bands.",
            "Heat and dwell as the trial found them; written down beside the tools used.",
        ),
        measures=("finish.width",),
        danger="heat",
        picture=finishing_pictures.tool,
    ),
    Step(
        "paste_labels",
        "Paste the labels",
        "Cut a little smaller than their panel, so that the edge of the panel frames them.",
        "book",
        "lettering",
        follows=_BOUND,
        implied_by=("last_look",),
        makes=("labels_on",),
        pieces=(
            "label",
            *(f"{kind}_{number}" for kind in ("panel_label", "front_label") for number in range(1, 13)),
        ),
        when=lambda book: any(
            piece.id.startswith(("label", "panel_label", "front_label")) for piece in book.pieces
        ),
        tools=("brush", "bone folder"),
        rate=8.0,
        looks=("Edges pared and down all round; the label parallel to the bands.",),
        measures=("label.width", "label.height"),
        picture=finishing_pictures.paste_labels,
    ),
    Step(
        "panels_in",
        "Glue the old panels in",
        "Last of all, into a recess that has dried: nothing presses on them any more.",
        "book",
        "covering",
        needs=("boards_layered",),
        follows=(
            "cover_on",
            "book_covered",
            "book_dry",
        ),
        makes=("panels_in",),
        when=lambda book: book.has("panel_layer", "panel_layer_back"),
        tools=("brush", "weights"),
        rate=10.0,
        looks=("Each panel level with the board around it, or a hair lower.",),
        picture=finishing_pictures.panels_in,
    ),
    Step(
        "make_slipcase",
        "Make the slipcase",
        "By the book as it is now: measured over its covering, at head and tail.",
        "book",
        "covering",
        follows=(*_FINISHED, "jacket_on"),
        makes=("slipcase_made",),
        pieces=(
            "slipcase_side",
            "slipcase_top",
            "slipcase_back",
            "slipcase_cover",
            "slipcase_back_cover",
            "slipcase_lining",
        ),
        when=lambda book: book.has("slipcase_side"),
        tools=("knife", "steel rule", "square", "brush"),
        rate=90.0,
        looks=("The book slides out by its own weight, and slowly.",),
        measures=(
            "closed_book.height",
            "closed_book.width",
            "closed_book.thickness",
            "slipcase.thickness",
            "slipcase.height",
            "slipcase.depth",
            "slipcase.side_width",
            "slipcase.side_height",
            "slipcase.cover",
        ),
        danger="blade",
        picture=finishing_pictures.make_slipcase,
    ),
    Step(
        "make_box",
        "Make the box",
        "The inner tray by the book, the outer one by the covered inner one: each is tried "
        "before the next is cut.",
        "book",
        "covering",
        follows=(*_FINISHED, "jacket_on"),
        makes=("box_made",),
        pieces=(
            *(
                f"box_{part}_{piece}"
                for part in ("tray", "outer", "lid")
                for piece in ("floor", "long", "short", "cover", "lining")
            ),
            "box_case",
            "box_case_spine",
            "box_case_cover",
        ),
        when=lambda book: book.has("box_tray_floor"),
        tools=("knife", "steel rule", "square", "brush"),
        rate=180.0,
        looks=("Each tray square; one closes over the other without binding.",),
        measures=(
            "closed_book.height",
            "closed_book.width",
            "closed_book.thickness",
            "box.height",
            "box.width",
            "box.depth",
            "box.outer_height",
            "box.outer_width",
            "box.outer_depth",
            "box.case_width",
            "box.case_height",
            "box.case_spine",
        ),
        danger="blade",
        picture=finishing_pictures.make_box,
    ),
    Step(
        "fold_jacket",
        "Fold the jacket round the book",
        "Scored by the drawing; wrapped from the spine, so that it lies in the middle.",
        "book",
        "boards",
        follows=_FINISHED,
        makes=("jacket_on",),
        pieces=("jacket",),
        when=lambda book: book.has("jacket"),
        tools=("bone folder", "steel rule"),
        rate=8.0,
        looks=("The spine's lettering in the middle; no fold beyond a board's edge.",),
        measures=(
            "jacket.spine",
            "jacket.panel",
            "jacket.edge",
            "jacket.flap",
            "jacket.height",
            "jacket.width",
        ),
        danger="blade",
        picture=finishing_pictures.fold_jacket,
    ),
)
