"""Coverings: cut, pared, made up into a case, or drawn over boards and book."""

from collections.abc import Iterator

from weald.core.bench.pictures import boards as boards_pictures
from weald.core.bench.pictures import cover as cover_pictures
from weald.core.bench.step import Pause, Step, lifting
from weald.core.bench.steps.of_book import before_boards, cased, printed
from weald.core.book.book import Book
from weald.core.book.operation import Minutes, Trouble
from weald.core.job.lying import Fact
from weald.core.units import Mm


def _before_cover(book: Book) -> tuple[Fact, ...]:
    """Cut with the block measured, and with its boards there where they are on it."""
    on: tuple[Fact, ...] = ("boards_on", "boards_laminated") if book.structure.in_shoulders else ()
    return (*before_boards(book), *on)


def _of_leather(book: Book) -> bool:
    return book.leather


def _case_moves(book: Book) -> Iterator[str]:
    """The case in the hands' own steps; slow glue is laid on at once, quick glue part by part."""
    joint = book.facts("case")
    film, quick = not joint.moves[1], joint.moves[1] < 3
    whole = book.structure.covering(book.spec) in ("full",)
    yield "Lines or a gauge on the wrong side of the covering: the boards stand by them, not by eye."
    large = max((max(piece.width, piece.height) for piece in book.taken(("cover",))), default=0.0)
    if film:
        yield "The backing slit along both joints: what lies under the boards drawn off first, the gaps last."
        yield "Rolled down behind the backing from one edge: there is no second try."
    elif whole and large > _TOO_LARGE:
        yield "Too large to handle wet: glue the boards, not the covering, and lay them on it one by one."
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
    if book.art is not None:
        yield "Glue thin and even on a print: what is wet shows through. Sides compared before it takes."
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


_TOO_LARGE: Mm = 700.0
"""A covering longer than this, once wet, is more than a pair of hands turns over."""
_INFILLS = ("infill", "infill_back", "infill_inside", "infill_inside_back")


def _case_takes(book: Book) -> Minutes:
    """A whole cover, or more for each piece that is laid on by itself, and for corners."""
    sides = 5.0 if book.has("side") else 0.0
    return 25.0 + sides + (8.0 if book.has("corner") else 0.0)


def _covering_takes(book: Book) -> Minutes:
    """An hour, each band nipped up, and corners that are pieces by themselves."""
    bands = book.spec.binding.bands.count if book.structure.banded else 0
    return 60.0 + 3.0 * bands + (8.0 if book.has("corner") else 0.0)


COVER = (
    Step(
        "look_over_print",
        "Look the printed cover over",
        "Ink that is not dry marks, and a print that was scaled fits no board.",
        "cover",
        "boards",
        follows=before_boards,
        bars=("cover_cut",),
        implied_by=("cut_cover",),
        makes=("print_looked_over",),
        when=printed,
        tools=("steel rule",),
        fixed=5,
        rate=2.0,
        looks=(
            "Marks on all four sides, and the artwork at full size.",
            "Dry to a finger; what runs when it is wet is fixed or laminated before it is glued.",
        ),
        measures=("title.length", "title.capital", "volume.capital", "finish.width"),
        picture=cover_pictures.look_over_print,
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
        picture=cover_pictures.cut_cover,
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
        picture=cover_pictures.pare,
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
            "boards_to_size",
            "boards_layered",
            "boards_bevelled",
        ),
        makes=("case_made",),
        when=cased,
        pieces=_INFILLS,
        tools=("brush", "gauge", "bone folder", "shears"),
        glue=(("case", "the wrong side of the covering"),),
        rate=_case_takes,
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
                "Lift at once while the glue still moves, and gauge again.",
                "The film does not let go: cut a new cover, and try the boards on its backing paper first.",
            ),
        ),
        drawing="case.flat",
        picture=cover_pictures.make_case,
        counts=(
            "joint.gap",
            "case.distance",
        ),
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
        picture=cover_pictures.score_cover,
        counts=("cover.width",),
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
        picture=cover_pictures.cover_boards,
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
        picture=boards_pictures.pierce_boards,
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
        rate=_covering_takes,
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
        picture=cover_pictures.cover_book,
        counts=("turn_in.inside",),
    ),
)
