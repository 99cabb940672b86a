"""What several steps ask of a book."""

from weald.core.bench.step import Pause
from weald.core.book.book import Book
from weald.core.book.operation import Trouble
from weald.core.job.lying import Fact

DOES_NOT_FIT = Trouble(
    "It does not fit", "At the station Boards & cover, “Does not fit” says how to go on.", minutes=0
)


def in_the_way(book: Book) -> bool:
    """Whether cover or boards go on with the sewing, so that nothing can be trimmed after it."""
    return book.structure.held in ("thread", "sewn_through", "stabbed")


def glued(book: Book) -> bool:
    """Whether its spine is glued up: what is lined, and what has nothing but glue to hold it."""
    return book.structure.lined and not in_the_way(book)


def held(book: Book) -> tuple[Fact, ...]:
    """What a block is before anything is done to its spine."""
    if book.sewn or book.treatment.method == "staples" or "block_sewn" in book.there:
        return ("block_sewn",)
    return ("leaves_sorted",) if book.structure.sections == "leaves" else ("folds_made",)


def cased(book: Book) -> bool:
    """Whether it is put into a case that is made apart."""
    return book.structure.cased and book.structure.boards


def pasted(book: Book) -> bool:
    """Whether paste-downs are laid on its boards when block and boards are together."""
    return book.structure.boards and book.structure.endpapers and not book.structure.loose_boards


def shut(book: Book) -> bool:
    """Whether its paste-downs dry with the book shut."""
    return pasted(book) and (cased(book) or book.spec.bench.paste_downs == "shut")


def printed(book: Book) -> bool:
    """Whether its cover comes printed, title and all: with artwork, or printed by what it is."""
    art = book.art
    return art is not None and bool(art.artwork or (book.structure.printed and book.structure.boards))


def before_boards(book: Book) -> tuple[Fact, ...]:
    """What has been seen, measured and tried before anything is cut for the cover."""
    return ("stock_seen", "block_measured", "trial_made")


def kept_flat(book: Book) -> Pause:
    """Boards glued on boards, until the water has left both."""
    return Pause(
        "under_weight",
        "It does not bow when it is let out.",
        "Let out damp, it warps.",
        joint="boards",
        holds=("weights",),
        floor=480,
    )
