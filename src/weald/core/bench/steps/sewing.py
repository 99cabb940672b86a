"""From sections to a sewn block: pierced, sewn or stapled, endpapers fastened, pressed."""

from collections.abc import Iterator

from weald.core.bench.pictures import sewing as sewing_pictures
from weald.core.bench.step import Pause, Step, at_the_frame
from weald.core.bench.steps.of_book import held, in_the_way
from weald.core.book.book import Book
from weald.core.book.operation import Trouble
from weald.core.job.lying import Fact


def _tipped_on(book: Book) -> bool:
    """Those sewn on or wrapped round are held by the thread already."""
    sewn_with = (
        book.spec.endpapers.kind in ("sewn", "wrapped") and book.sewn and book.spec.extras.ends is None
    )
    return not sewn_with and (book.has("endpaper") or "endpapers_made" in book.there)


def _before_tipping(book: Book) -> tuple[Fact, ...]:
    return ("folds_collated", "leaves_sorted") if in_the_way(book) else held(book)


def _tipped_before(book: Book) -> tuple[Fact, ...]:
    """What no endpaper goes under, or is sewn with."""
    sewn: tuple[Fact, ...] = ("block_sewn",) if in_the_way(book) else ()
    return ("old_cover_on", "old_glue_on", "boards_on", "cover_on", *sewn)


def _sewing_moves(book: Book) -> Iterator[str]:
    yield "The thread waxed; doubled where a {signature} is heavy."
    if book.on_supports:
        yield "Supports drawn tight and upright; their ends left {sewing.support_length} long in all."
        if book.copies > 1:
            yield (
                "Volumes side by side on the same supports, twice a support's end between them; "
                "cut apart when all are sewn."
            )
    yield "Every {signature} set square on the last one, heads alike, before the needle goes in."
    yield "Drawn tight along the fold, never away from it; at the end a kettle stitch."
    yield "Knots laid inside a fold; tails cut to {mm:10} and laid into the groove of the kettle."


def _piercing_moves(book: Book) -> Iterator[str]:
    if book.treatment.method == "cords":
        yield "Jogged to head and spine and clamped, the stations marked across all folds at once."
        yield "Kerfs sawn as deep as a cord is thick, so that it lies in level; the kettles half as deep."


def _tipping_moves(book: Book) -> Iterator[str]:
    yield "Fanned out, all strips pasted at once against a waste sheet."
    yield "Each laid a hair behind the spine, head to head, and rubbed down through paper."
    if book.sewn:
        yield "First and last fold touched with paste, so that they do not gape."


SEWING = (
    Step(
        "pierce",
        "Pierce the stations",
        "One template for all of them, so that the thread runs straight.",
        "block",
        "sewing",
        needs=("folds_made",),
        follows=(
            "folds_collated",
            "folds_pressed",
            "plates_guarded",
            "cover_round",
        ),
        bars=(
            "old_sewing_in",
            "block_sewn",
            "block_glued",
        ),
        makes=("folds_pierced",),
        when=lambda book: (
            (book.sewn or book.treatment.method == "staples") and book.structure.held != "stabbed"
        ),
        tools=("template", "awl", "piercing cradle"),
        rate=0.5,
        of="signature",
        moves=_piercing_moves,
        looks=("Every hole in the fold itself, not beside it.",),
        measures=("sewing.first", "sewing.kettle", "sewing.interval"),
        danger="needle",
        drawing="sewing.strip",
        picture=sewing_pictures.pierce,
        counts=("sewing.first", "sewing.kettle"),
    ),
    Step(
        "sew",
        "Sew",
        "What holds the book for generations.",
        "block",
        "sewing",
        needs=("folds_pierced",),
        follows=(
            "endpapers_made",
            "boards_pierced",
        ),
        bars=(
            "old_cover_on",
            "old_sewing_in",
            "old_glue_on",
            "block_glued",
            "cover_on",
        ),
        makes=("block_sewn",),
        when=lambda book: book.sewn and book.structure.held not in ("sewn_through", "stabbed"),
        pieces=("support",),
        tools=("needle", "thread", "sewing frame"),
        fixed=8,
        rate=4.0,
        of="signature",
        places=("sewing_frame",),
        moves=_sewing_moves,
        people=at_the_frame,
        looks=("The thread equally tight from the first {signature} to the last.",),
        measures=("thread.section", "thread.length", "sewing.support_length", "slip.length", "slit.step"),
        danger="needle",
        hand="Left-handed: the heads lie to the right, and the first row runs from right to left.",
        troubles=(
            Trouble(
                "Loose {signatures} in the middle", "Draw the thread along the fold, never away from it."
            ),
            Trouble(
                "The thread cuts the fold", "Mend it with a strip of thin paper, and let it dry.", wait=60
            ),
        ),
        drawing="block.spine",
        picture=sewing_pictures.sew,
        counts=("sewing.interval",),
    ),
    Step(
        "staple",
        "Staple through the fold",
        "Two staples hold a booklet as long as its paper.",
        "block",
        "sewing",
        needs=("folds_pierced",),
        bars=(
            "old_sewing_in",
            "block_glued",
        ),
        makes=("block_sewn",),
        when=lambda book: book.treatment.method == "staples",
        tools=("long-arm stapler",),
        rate=1.0,
        looks=("Every staple in the fold, not beside it, and its legs flat.",),
        danger="needle",
        picture=sewing_pictures.staple,
        counts=("sewing.first", "sewing.kettle"),
    ),
    Step(
        "tip_endpapers",
        "Fasten the endpapers",
        "A narrow strip of glue, so that the first leaf opens.",
        "block",
        "block",
        needs=("endpapers_made",),
        follows=_before_tipping,
        bars=_tipped_before,
        makes=("endpapers_on",),
        when=_tipped_on,
        tools=("brush", "waste paper"),
        glue=(("tipping", "a strip of {mm:3} along the fold of each endpaper"),),
        rate=4.0,
        wait=lambda book: Pause(
            "under_weight", "It does not shift under a finger.", joint="tipping", until="handled"
        ),
        moves=_tipping_moves,
        looks=("The fold of the endpaper a hair behind the spine.",),
        picture=sewing_pictures.tip_endpapers,
    ),
    Step(
        "weigh_down",
        "Press the block",
        "Its thickness is measured pressed: everything that goes round it follows.",
        "block",
        "block",
        needs=held,
        follows=("endpapers_on",),
        bars=("block_glued",),
        makes=("block_pressed",),
        when=lambda book: (
            (book.several or book.structure.sections == "leaves")
            and book.structure.held not in ("sewn_through", "stabbed")
        ),
        tools=("pressing boards", "calliper"),
        places=("nipping_press",),
        wait=lambda book: Pause("nipped", "It stays as thin when it comes out.", minutes=(10, 20)),
        looks=("Pressed, the block {block.thickness} thick.",),
        measures=("block.thickness", "spine.thickness", "spine.swell"),
        danger="press",
        picture=sewing_pictures.weigh_down,
    ),
)
