"""The rounding and backing sheet: what the round takes up, packing, hammers, and limits after each stage."""

from collections.abc import Iterator

from weald.core.bindings.protocol import Structure
from weald.core.block.textblock import arc_to_chord
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Finding, finding
from weald.core.job.extras.backs import BackingSheet, Hammer
from weald.core.job.spec import JobSpec
from weald.core.quantities import QuantityId
from weald.core.reckoning import Term
from weald.core.stations.block_drawings import arc_points
from weald.core.stations.block_pieces import clear_spaces
from weald.core.units import Mm

TOLD: Mm = 0.1
"""Less swell than this is not worth a word."""
LEAST_OFF: Mm = 0.3
"""What is measured with a rule cannot be told nearer than this."""
BOARD_REACH: Mm = 60.0


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Spines that are rounded."""
    return structure.treatment(spec).rounded


def reckon(book: Book) -> Added:
    """Enter what is taken up and left over, the packing, and the limits of every stage."""
    sheet, ledger, block = book.spec.extras.backing or BackingSheet(), book.ledger, book.block
    thickness, swell = ledger.ref("block.thickness"), ledger.ref("spine.swell")
    ledger.reckon(
        "backing.taken_up",
        block.thickness * (arc_to_chord(block.round) - 1),
        "{thickness} × ({arc} − 1)",
        {
            "thickness": thickness,
            "arc": ledger.entry("arc to chord", arc_to_chord(block.round), "back.round", "factor"),
        },
        rule="swell that lies along the round; what is left goes into the shoulders",
    )
    ledger.reckon(
        "backing.packing",
        block.swell / 2,
        "{swell} / 2",
        {"swell": swell},
        rule="on each side between backing board and press, thinning out towards the shoulder line: "
        "the block is then held by its thickness and not by its swell",
    )
    _limits(book, ("backing.sewn_least", "backing.sewn_most"), ledger.ref("spine.thickness"), swell.value)
    _limits(book, ("backing.rise_least", "backing.rise_most"), ledger.ref("spine.rise"), block.rise)
    if block.shoulder:
        shoulder = ledger.ref("shoulder.height")
        _limits(book, ("backing.shoulder_least", "backing.shoulder_most"), shoulder, block.shoulder)
        _limits(
            book, ("backing.across_least", "backing.across_most"), ledger.ref("spine.chord"), block.shoulder
        )
    drawings = (_draw(book),) if "block" in book.drawn else ()
    return Added(drawings=drawings, findings=tuple(_mind(book, sheet)))


def _limits(book: Book, ids: tuple[QuantityId, QuantityId], wanted: Term, part: Mm) -> None:
    """Enter between which sizes one has to lie: off by a part of what makes it, or by what a ruler tells.

    Told as fine as a calliper reads: a limit rounded to the ruler would be another limit.
    """
    sheet, ledger = book.spec.extras.backing or BackingSheet(), book.ledger
    off = max(LEAST_OFF, sheet.within * part)
    by = ledger.entry("may be off by", off, "extras.backing.within", "thickness")
    terms = {"wanted": wanted, "by": by}
    ledger.reckon(ids[0], wanted.value - off, "{wanted} − {by}", terms, or_nothing=True)
    ledger.reckon(ids[1], wanted.value + off, "{wanted} + {by}", terms)


def _mind(book: Book, sheet: BackingSheet) -> Iterator[Finding]:
    notation, show = book.notation, book.notation.length
    spaces = clear_spaces(book.spec, book.block, book.sewing)
    if spaces and sheet.hammers:
        narrowest = min(space.height for space in spaces)
        fits = [hammer for hammer in sheet.hammers if hammer.face + 2 * sheet.play <= narrowest]
        if fits:
            widest = max(fits, key=lambda hammer: hammer.face)
            yield finding(
                "backing.hammer",
                "extras.backing.hammers",
                notation,
                space=show(narrowest, True),
                hammer=widest.name,
                face=show(widest.face, True),
            )
        else:
            yield finding(
                "backing.no_hammer",
                "extras.backing.hammers",
                notation,
                space=show(narrowest, True),
                face=show(max(0.0, narrowest - 2 * sheet.play), True),
            )
    left = book.block.swell - book.ledger.value("backing.taken_up")
    if book.block.shoulder and left < -TOLD:
        yield finding(
            "backing.nothing_left", "backing.taken_up", notation, less=notation.thickness(-left, True)
        )


def _draw(book: Book) -> Drawing:
    """Three stages side by side, cut across: as sewn between its boards and packing, rounded, and backed."""
    block, show, shown, sketch = book.block, book.notation.figure, book.ledger.shown, Sketch()
    half, spine = block.thickness / 2, block.spine / 2
    gap = BOARD_REACH + 34
    # as sewn: wider at the spine, wedges beside it make its sides parallel
    outline = ((0, -spine), (BOARD_REACH, -half), (BOARD_REACH, half), (0, spine))
    sketch.area(outline, "block", about="spine.thickness")
    for side in (-1, 1):
        wedge = ((0, side * spine), (BOARD_REACH, side * half), (BOARD_REACH, side * spine))
        sketch.area(wedge, "card", about="backing.packing")
        top = side * spine if side > 0 else -spine - 5
        sketch.area(box(block.shoulder_line, top, BOARD_REACH - block.shoulder_line, 5), "board")
    sketch.dimension((0, spine), (0, -spine), show(block.spine), about="spine.thickness")
    sketch.dimension(
        (BOARD_REACH, half),
        (BOARD_REACH, spine),
        book.notation.thickness(block.swell / 2),
        about="backing.packing",
    )
    sketch.label(BOARD_REACH / 2, spine + 11, "1 as sewn", height=3)
    for number, (chord, name) in enumerate(
        ((block.thickness, "2 rounded"), (block.chord, "3 backed")), start=1
    ):
        if number == 2 and not block.shoulder:
            break
        left = number * gap
        arc = [(left + x, y) for x, y in arc_points(chord, block.rise)]
        sketch.area(
            [*arc, (left, half), (left + BOARD_REACH, half), (left + BOARD_REACH, -half), (left, -half)],
            "block",
            about="spine.arc spine.rise",
        )
        sketch.dimension(
            (left - block.rise, chord / 2), (left - block.rise, -chord / 2), show(chord), about="spine.chord"
        )
        sketch.label(left + BOARD_REACH / 2, spine + 11, name, height=3)
    return sketch.finish(
        "block.backing",
        "block",
        "Rounding and backing, stage by stage",
        rows=(1, 0, 1, 0),
        text=f"As sewn between {shown('backing.sewn_least')} and {shown('backing.sewn_most')}; packing "
        f"{shown('backing.packing')} on each side; strokes from the middle outwards, the last "
        "ones glancing, between the cords.",
    )


def draw(sketch: Sketch) -> None:
    """A rounded spine with shoulders between backing boards, a hammer over it."""
    arc = arc_points(20, 5)
    sketch.area([*arc, (3, 8), (34, 8), (34, -8), (3, -8)], "block")
    for top in (-11, 8):
        sketch.area(box(3, top, 31, 3), "board")
    sketch.area(box(-20, -4, 9, 8), "mark")
    sketch.line(((-15.5, 4), (-15.5, 17)), "cut")


EXTRA = Extra(
    name="backing",
    station="block",
    title="rounding and backing sheet",
    does="Work out rounding and backing",
    good_for="wedges, packing, the hammer for the space, and between which limits each stage has to come out",
    entries=BackingSheet,
    draw=draw,
    suits=suits,
    reckon=reckon,
    begins={"hammers": [Hammer().model_dump()]},
    in_words="hammer faces, wedge, packing, swell, shoulders, limits",
)
