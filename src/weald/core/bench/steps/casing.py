"""Block and cover brought together: sewn or glued into it, cased in, dried, opened."""

from collections.abc import Iterator

from weald.core.bench.pictures import block as block_pictures
from weald.core.bench.pictures import casing as casing_pictures
from weald.core.bench.pictures import cover as cover_pictures
from weald.core.bench.pictures import sewing as sewing_pictures
from weald.core.bench.step import Pause, Step, lifting
from weald.core.bench.steps.of_book import DOES_NOT_FIT, cased, pasted, shut
from weald.core.book.book import Book
from weald.core.book.operation import Place, Trouble
from weald.core.job.lying import Fact


def _pressed(book: Book) -> Pause | None:
    """What is done to the joint before the book dries, by school."""
    school = book.spec.bench.pressing
    if school in ("weight", "rods"):
        return None
    if school == "hour":
        return Pause(
            "nipped",
            "The joint lies, and no longer feels cold.",
            "Longer does no harm while nothing has come through.",
            minutes=(50, 60),
            holds=("nipping_press",),
        )
    holds: tuple[Place, ...] = ("nipping_press",) if school == "nip" else ()
    return Pause(
        "nipped",
        "Two minutes by the clock, hard.",
        "Longer, and glue squeezes through.",
        harm=True,
        minutes=(2, 3),
        holds=holds,
    )


def _casing_moves(book: Book) -> Iterator[str]:
    yield "A waste sheet between paste-down and fly-leaf."
    if book.mulled or book.on_supports:
        yield "Mull and slips pasted down first, drawn straight across."
    yield _glued_side(book)
    if book.spec.bench.seated == "touched":
        yield "A touch of glue along both edges of the spine: it holds the block while the sides are laid."
        yield "The waste sheet away; the block set down on its squares; the board brought down on it."
    else:
        yield "The waste sheet away; the block pushed home against the spine; the board brought down on it."
    yield "Squares looked at on three sides, then the book turned and the other side done."
    yield _JOINT_SET[book.spec.bench.pressing]


def _glued_side(book: Book) -> str:
    """How far a paste-down is glued, by school and by what it is glued with."""
    if not book.facts("paste_down").moves[1]:
        return "No water, no growth, no lifting again: the backing drawn off from the joint outwards."
    dry = book.spec.endpapers.dry_strip
    if not dry:
        return "The paste-down pasted whole, from the spine outwards, edges last; worked into the joint."
    strip = book.notation.limit(dry)
    return f"The paste-down from the spine outwards, edges last; {strip} at the joint left dry."


_JOINT_SET = {
    "nip": "The joint set from outside with a folder, or with edged boards.",
    "hour": "The joint set from outside with a folder, or with edged boards.",
    "weight": "The joint set from outside with a folder, or with edged boards.",
    "rods": "A rod in each joint, packing as thick as the rod stands out behind it, then boards and weights.",
    "bricks": "Between boards, the weight of your body on it for two minutes; then bricks on all corners.",
}
"""By how it is pressed."""


def _placing_moves(book: Book) -> Iterator[str]:
    if book.spec.bench.placed == "front":
        yield "By the creases: the front first, squared to head and fore-edge; then spine and back."
    else:
        yield "By the creases: the spine first, then front and back, each drawn over without pulling."
    yield "Sides compared at the fore-edge before the glue takes."


def _all_together(book: Book) -> tuple[Fact, ...]:
    return ("block_sewn",) if book.structure.held == "stitched" else ("cover_on",)


def _thumb_cuts(book: Book) -> int:
    return book.added.thumb_cuts


CASING = (
    Step(
        "thumb_cuts",
        "Cut the thumb cuts",
        "From the last to the first, thin board under the page; the template level with the "
        "head, few leaves at a stroke.",
        "book",
        "block",
        follows=(
            "block_trimmed",
            "block_measured",
            "boards_on",
        ),
        bars=(
            "cover_on",
            "pastedowns_down",
        ),
        makes=("book_thumbed",),
        when=lambda book: _thumb_cuts(book) > 0,
        tools=("gouge", "mallet", "cutting board", "template"),
        fixed=5,
        rate=lambda book: 1.5 * _thumb_cuts(book),
        looks=("Each cut bares the page its part begins on; edges clean, none run into the next.",),
        danger="blade",
        picture=block_pictures.thumb_cuts,
        counts=("block.height",),
    ),
    Step(
        "pierce_cover",
        "Pierce the spine of the cover",
        "Every row opposite its fold: the template has all of them.",
        "cover",
        "sewing",
        needs=("cover_cut",),
        follows=("cover_scored",),
        makes=("cover_pierced",),
        when=lambda book: book.structure.held == "sewn_through",
        tools=("template", "awl", "piercing cradle"),
        rate=12.0,
        looks=("Every row straight, and as many rows as {signatures}.",),
        measures=("spine.thickness",),
        danger="needle",
        picture=cover_pictures.pierce_cover,
    ),
    Step(
        "sew_through_cover",
        "Sew through fold and cover",
        "One {signature} after the other, its long stitches outside on the spine.",
        "book",
        "sewing",
        needs=(
            "folds_pierced",
            "cover_pierced",
        ),
        follows=(
            "ribbon_in",
            "block_measured",
        ),
        bars=("block_sewn", "block_glued"),
        makes=(
            "block_sewn",
            "cover_on",
        ),
        when=lambda book: book.structure.held == "sewn_through",
        tools=("needles", "thread"),
        fixed=10,
        rate=4.0,
        of="signature",
        looks=("Long stitches equally tight, none of them across another.",),
        measures=("thread.section", "thread.length"),
        danger="needle",
        hand="Left-handed: the heads lie to the right, and the first row runs from right to left.",
        picture=sewing_pictures.sew_through_cover,
    ),
    Step(
        "stab_pierce",
        "Clamp the leaves and pierce them",
        "Leaves and covers jogged to spine and head, held between boards: they must not shift from now on.",
        "book",
        "sewing",
        needs=(
            "leaves_sorted",
            "cover_cut",
        ),
        follows=(
            "block_trimmed",
            "block_measured",
            "ribbon_in",
            "cover_scored",
        ),
        makes=("folds_pierced",),
        when=lambda book: book.structure.held == "stabbed",
        tools=("template", "clamps", "awl or small drill", "waste board"),
        rate=15.0,
        looks=("Holes upright through the whole block: alike on front and back.",),
        danger="needle",
        picture=sewing_pictures.stab_pierce,
    ),
    Step(
        "stab_sew",
        "Sew the pattern",
        "One thread covers every line once in front and once behind.",
        "book",
        "sewing",
        needs=("folds_pierced",),
        bars=("block_sewn",),
        makes=(
            "block_sewn",
            "cover_on",
        ),
        when=lambda book: book.structure.held == "stabbed",
        tools=("needle", "thread"),
        rate=20.0,
        looks=("No line left open, in front or behind; the knot drawn into its hole.",),
        measures=("thread.length",),
        danger="needle",
        picture=sewing_pictures.sew,
    ),
    Step(
        "sew_into_cover",
        "Fasten the block in its cover",
        "Slips out through one slit and in through the next, drawn tight.",
        "book",
        "sewing",
        needs=("block_sewn", "cover_cut"),
        follows=("cover_scored", "block_measured", "endpapers_on", "bands_on", "ribbon_in", "block_trimmed"),
        bars=("supports_none",),
        makes=("cover_on",),
        when=lambda book: book.structure.held == "slits",
        tools=("awl", "bone folder"),
        rate=12.0,
        looks=("The block square in its cover, no leaf caught.",),
        measures=("spine_board.width",),
        danger="needle",
        drawing="bench.support_path",
        picture=sewing_pictures.sew_into_cover,
    ),
    Step(
        "glue_into_cover",
        "Glue the block into its cover",
        "Placed by its creases, never by eye.",
        "book",
        "covering",
        needs=("cover_cut",),
        follows=("cover_scored", "block_measured", "endpapers_on", "bands_on", "ribbon_in", "block_trimmed"),
        makes=("cover_on",),
        when=lambda book: book.structure.held == "glued",
        tools=("brush", "bone folder", "pressing boards"),
        glue=(("spine", "the spine, up to the creases"),),
        rate=12.0,
        wait=lambda book: Pause(
            "under_weight", "The cover does not slide on the spine.", joint="spine", until="handled", floor=60
        ),
        moves=_placing_moves,
        looks=("The block square in its cover, no leaf caught.",),
        measures=("spine_board.width",),
        formerly=("sew_into_cover",),
        picture=cover_pictures.glue_into_cover,
        counts=("spine.thickness",),
    ),
    Step(
        "stick_slips",
        "Stick the slips to the outer leaves",
        "Front first, then back: they hold the first and last {signature}.",
        "book",
        "sewing",
        needs=("block_sewn",),
        follows=("block_measured", "endpapers_on", "block_trimmed"),
        bars=("supports_none",),
        makes=("slips_stuck",),
        when=lambda book: book.structure.held == "bare",
        tools=("brush", "bone folder"),
        glue=(("tipping", "the ends of the supports"),),
        rate=6.0,
        wait=lambda book: Pause(
            "under_weight", "They do not lift under a nail.", joint="tipping", until="handled"
        ),
        looks=("Every slip straight across, none drawn tight.",),
        drawing="bench.support_path",
        formerly=("sew_into_cover",),
        picture=sewing_pictures.stick_slips,
    ),
    Step(
        "offer_up",
        "Offer the cover up, dry",
        "Before any glue: what does not fit now can still be cut.",
        "book",
        "casing",
        needs=("case_made",),
        follows=(
            "block_lined",
            "block_measured",
            "bands_on",
            "book_thumbed",
        ),
        bars=("cover_on",),
        makes=("case_fits",),
        when=cased,
        fixed=3,
        looks=("Squares alike at head and tail, front and back; the joint lies in its groove.",),
        measures=("joint.gap", "joint.inset", "joint.groove", "spine_board.width"),
        troubles=(DOES_NOT_FIT,),
        drawing="case.closed",
        picture=casing_pictures.offer_up,
        counts=("closed.fore_edge",),
    ),
    Step(
        "case_in",
        "Case in: one side, then the other",
        "Mull and slips first, the paste-down from the spine outwards; without a pause.",
        "book",
        "casing",
        needs=(
            "case_made",
            "endpapers_on",
        ),
        follows=(
            "case_fits",
            "block_lined",
            "bands_on",
            "ribbon_in",
            "block_sewn",
        ),
        makes=(
            "cover_on",
            "pastedowns_down",
        ),
        when=lambda book: pasted(book) and cased(book),
        tools=("brush", "waste sheets", "release sheets", "pressing boards"),
        glue=(("paste_down", "each paste-down"),),
        rate=15.0,
        people=lifting,
        whole=True,
        wait=_pressed,
        moves=_casing_moves,
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
            Trouble("A leaf sticks to its neighbour", "While it is damp: free it with a thin folder."),
        ),
        drawing="bench.casing_in",
        picture=casing_pictures.case_in,
        counts=("closed.fore_edge",),
    ),
    Step(
        "paste_down",
        "Put the paste-downs down",
        "One side, then the other; the board has its joint already.",
        "book",
        "casing",
        needs=("book_covered",),
        follows=("endpapers_on",),
        makes=("pastedowns_down",),
        when=lambda book: pasted(book) and not cased(book),
        tools=("brush", "waste sheets", "release sheets", "bone folder"),
        glue=(("paste_down", "each paste-down"),),
        rate=15.0,
        people=lifting,
        whole=True,
        wait=lambda book: (
            None
            if shut(book)
            else Pause(
                "standing_open",
                "The paper is dry, and lies in the joint.",
                "Shut before it is dry, the joint is drawn up.",
                joint="paste_down",
                until="handled",
            )
        ),
        moves=lambda book: (_glued_side(book),),
        looks=("The paste-down clear of the board's edges, and well down in the joint.",),
        measures=("pastedown.growth",),
        drawing="bench.casing_in",
        formerly=("case_in",),
        picture=casing_pictures.paste_down,
        counts=("closed.fore_edge",),
    ),
    Step(
        "open_a_crack",
        "Open it a crack, once, and close it again",
        "By your school: the joint finds its place while it still gives.",
        "book",
        "casing",
        needs=("pastedowns_down",),
        bars=("book_dry",),
        makes=("book_opened_once",),
        when=lambda book: shut(book) and book.spec.bench.opened == "once",
        fixed=1,
        rate=1.0,
        whole=True,
        looks=("The board swings free, and nothing sticks at the joint.",),
        picture=casing_pictures.open_a_crack,
    ),
    Step(
        "dry_closed",
        "Dry it closed, under weight",
        "Release sheet and moisture barrier inside each board; pressing boards that end short of the joint.",
        "book",
        "casing",
        needs=("pastedowns_down",),
        makes=("book_dry",),
        when=shut,
        tools=("release sheets", "pressing boards", "weights"),
        fixed=5,
        places=("weights",),
        wait=lambda book: Pause(
            "under_weight",
            "The board is no longer cool to the lip or the wrist.",
            "Not opened while damp: the joint lifts and never lies again.",
            joint="paste_down",
            holds=("weights",),
            floor=180,
        ),
        looks=("Squares and joint from outside; no glue squeezed out.",),
        drawing="bench.casing_in",
        picture=casing_pictures.dry_closed,
    ),
    Step(
        "trim_flush",
        "Trim cover and leaves together",
        "In one stroke, so that there is no step.",
        "book",
        "block",
        needs=_all_together,
        makes=("edges_flush",),
        when=lambda book: book.structure.flush,
        tools=("knife or guillotine", "steel rule"),
        rate=5.0,
        places=("shears",),
        looks=("No step at head, tail or fore-edge.",),
        measures=("block.height", "block.width", "block.diagonal"),
        danger="blade",
        picture=casing_pictures.trim_flush,
    ),
    Step(
        "open_first",
        "Open it little by little, from both ends",
        "A few leaves at a time, so that the spine breaks nowhere.",
        "book",
        "casing",
        follows=(
            "cover_on",
            "block_sewn",
            "slips_stuck",
            "book_covered",
            "pastedowns_down",
            "book_dry",
        ),
        implied_by=("last_look",),
        makes=("book_opened",),
        when=lambda book: book.several,
        fixed=3,
        looks=("Lying open anywhere, nothing cracks.",),
        picture=casing_pictures.open_first,
    ),
)
