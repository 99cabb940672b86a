"""Leaves and paper from what is there: boards already cut, a torn parent sheet, sheets weighed."""

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.leaves import FromBoards, TornSheet, WeighedPaper
from weald.core.job.spec import JobSpec
from weald.core.units import TOLERANCE, Mm

OFF: Mm = 0.05


def _with_boards(structure: Structure, spec: JobSpec) -> bool:
    return structure.boards


def reckon_from_boards(book: Book) -> Added:
    """The leaf that suits boards as cut, both ways round.

    Height − squares, width − fore-edge square + inset.
    """
    entries, ledger, show = book.spec.extras.from_boards or FromBoards(), book.ledger, book.notation.length
    squares = {edge: ledger.value(f"squares.{edge}") for edge in ("head", "tail", "fore_edge")}  # type: ignore[arg-type]
    inset = book.bound.sizes.inset or 0.0
    ways = {
        "upright": (entries.width, entries.height),
        "turned": (entries.height, entries.width),
    }
    leaves = {
        way: (wide - squares["fore_edge"] + inset, high - squares["head"] - squares["tail"])
        for way, (wide, high) in ways.items()
    }
    width, height = leaves["upright"]
    ledger.reckon(
        "taken.width",
        width,
        "{board} − {square} + {inset}",
        {
            "board": ledger.entry("board", entries.width, "extras.from_boards.width"),
            "square": ledger.ref("squares.fore_edge"),
            "inset": ledger.entry("inset", inset, "joint.inset"),
        },
    )
    ledger.reckon(
        "taken.height",
        height,
        "{board} − {head} − {tail}",
        {
            "board": ledger.entry("board", entries.height, "extras.from_boards.height"),
            "head": ledger.ref("squares.head"),
            "tail": ledger.ref("squares.tail"),
        },
    )
    found: list[Finding] = []
    for way, (wide, high) in leaves.items():
        here = abs(book.spec.leaf.width - wide) < OFF and abs(book.spec.leaf.height - high) < OFF
        if min(wide, high) > 0 and not here:
            take = Action(
                f"Take a leaf of {show(wide, True)} × {show(high, True)}",
                {"leaf.width": round(wide, 4), "leaf.height": round(high, 4)},
            )
            found.append(
                finding(
                    "taken.boards",
                    "taken.width",
                    book.notation,
                    way=way,
                    width=show(wide, True),
                    height=show(high, True),
                    actions=(take,),
                )
            )
    found += _mind_squares(book, ways, inset)
    return Added(findings=tuple(found))


def _mind_squares(book: Book, ways: dict[str, tuple[Mm, Mm]], inset: Mm) -> list[Finding]:
    """The squares these boards give the block as it is, the better way round first."""
    block, show = book.block, book.notation.length
    given = {
        way: ((high - block.height) / 2, inset + wide - block.joint_width)
        for way, (wide, high) in ways.items()
    }
    wanted = book.spec.binding.squares

    def off(way: str) -> float:
        head, fore_edge = given[way]
        short = 1000.0 * (min(head, fore_edge) < 0)
        return abs(head - (wanted.head + wanted.tail) / 2) + abs(fore_edge - wanted.fore_edge) + short

    better = min(given, key=off)
    head, fore_edge = given[better]
    code = "taken.squares" if min(head, fore_edge) >= -TOLERANCE else "taken.too_small"
    return [
        finding(
            code,  # type: ignore[arg-type]
            "squares.fore_edge",
            book.notation,
            way=better,
            head=show(head, True),
            fore_edge=show(fore_edge, True),
        )
    ]


def reckon_torn(book: Book) -> Added:
    """The leaf a torn parent sheet gives, its grain, and which of its edges keep their deckle."""
    entries, ledger, show = book.spec.extras.torn or TornSheet(), book.ledger, book.notation.length
    sides = ((entries.width, entries.across), (entries.height, entries.down))
    part_width, part_height = (size / parts for size, parts in sides)
    upright = part_height >= part_width
    wide, high = (part_width, part_height) if upright else (part_height, part_width)
    even = ledger.entry("to make even", entries.even, "extras.torn.even")
    for quantity, size, parent, parts in (
        ("taken.width", wide, *(sides[0] if upright else sides[1])),
        ("taken.height", high, *(sides[1] if upright else sides[0])),
    ):
        ledger.reckon(
            quantity,  # type: ignore[arg-type]
            size - entries.even,
            "{parent} / {parts} − {even}",
            {
                "parent": ledger.entry("parent sheet", parent, "extras.torn.width"),
                "parts": ledger.entry("parts", parts, "extras.torn.across", "count"),
                "even": even,
            },
        )
    leaf = (ledger.value("taken.width"), ledger.value("taken.height"))
    along = (entries.grain == "height") == upright
    grain = "along its height" if along else "along its width: across the spine"
    corner, edge = (2, 1) if entries.deckles else (0, 0)
    code = "taken.torn" if along else "taken.torn_across"
    found = finding(
        code,  # type: ignore[arg-type]
        "taken.width",
        book.notation,
        width=show(leaf[0], True),
        height=show(leaf[1], True),
        count=entries.across * entries.down,
        grain=grain,
        deckles=f"leaves from a corner keep {corner} deckle edges, from a side {edge}"
        if corner
        else "no deckles",
        actions=(
            Action("Take this leaf", {"leaf.width": round(leaf[0], 4), "leaf.height": round(leaf[1], 4)}),
        )
        if min(leaf) > 0
        and max(abs(leaf[0] - book.spec.leaf.width), abs(leaf[1] - book.spec.leaf.height)) >= OFF
        else (),
    )
    drawings = (_draw_torn(book, entries),) if "paper" in book.drawn else ()
    return Added(drawings=drawings, findings=(found,))


def _draw_torn(book: Book, entries: TornSheet) -> Drawing:
    """The parent sheet with the lines it is torn along, and its grain."""
    show, sketch = book.notation.figure, Sketch()
    sheet = box(0, 0, entries.width, entries.height)
    sketch.area(sheet, "paper", "cut", "extras.torn.width")
    sketch.grain(sheet, 0 if entries.grain == "width" else 90)
    for part in range(1, entries.across):
        x = entries.width * part / entries.across
        sketch.line(((x, 0), (x, entries.height)), "fold")
    for part in range(1, entries.down):
        y = entries.height * part / entries.down
        sketch.line(((0, y), (entries.width, y)), "fold")
    sketch.dimension((0, 0), (entries.width / entries.across, 0), show(entries.width / entries.across))
    sketch.dimension((0, 0), (entries.width, 0), show(entries.width), offset=2, about="extras.torn.width")
    sketch.dimension((0, entries.height / entries.down), (0, 0), show(entries.height / entries.down))
    sketch.dimension((0, entries.height), (0, 0), show(entries.height), offset=2, about="extras.torn.height")
    return sketch.finish(
        "paper.torn",
        "paper",
        "The parent sheet, torn along its folds",
        rows=(2, 2, 0, 0),
        text="Crease each line hard both ways, then tear against a straight edge; never with scissors.",
    )


def reckon_weighed(book: Book) -> Added:
    """Grammage = grams / (sheets × width × height)."""
    entries, ledger = book.spec.extras.weighed or WeighedPaper(), book.ledger
    area = entries.width * entries.height / 1e6
    grammage = ledger.reckon(
        "weighed.grammage",
        entries.grams / (entries.sheets * area),
        "{grams} / ({sheets} × {area})",
        {
            "grams": ledger.entry("grams together", entries.grams, "extras.weighed.grams", "weight"),
            "sheets": ledger.entry("sheets", entries.sheets, "extras.weighed.sheets", "count"),
            "area": ledger.entry("m² of a sheet", area, "extras.weighed.width", "factor"),
        },
        rule="weigh as many sheets as the scale takes: one alone is too light to tell",
    )
    if not 1 <= grammage <= 1000:
        return Added(
            findings=(finding("weighed.odd", "weighed.grammage", book.notation, gsm=f"{grammage:.0f}"),)
        )
    if abs(grammage - ledger.value("paper.grammage")) < 0.5:
        return Added()
    take = Action(f"Take {grammage:.0f} g/m²", {"paper.grammage": round(grammage, 1), "paper.basis": None})
    gsm, has = f"{grammage:.0f}", ledger.shown("paper.grammage")
    return Added(
        findings=(
            finding("weighed.differs", "weighed.grammage", book.notation, gsm=gsm, has=has, actions=(take,)),
        )
    )


def draw_boards(sketch: Sketch) -> None:
    """A leaf standing inside a board, arrows of its squares around it."""
    sketch.area(box(0, 0, 32, 46), "board", "cut")
    sketch.area(box(-3, 4, 30, 38), "paper")


def draw_torn(sketch: Sketch) -> None:
    """A sheet torn in eight, one part lifted."""
    sketch.area(box(0, 0, 56, 40), "paper", "cut")
    for x in (14, 28, 42):
        sketch.line(((x, 0), (x, 40)), "fold")
    sketch.line(((0, 20), (56, 20)), "fold")
    sketch.area(box(45, 23, 15, 20), "paper_inner", "cut")


def draw_weighed(sketch: Sketch) -> None:
    """Sheets on a scale."""
    for number in range(4):
        sketch.line(((6, 12 + 2.0 * number), (46, 12 + 2.0 * number)), "outline")
    sketch.line(((2, 21), (50, 21)), "cut")
    sketch.area(box(12, 21, 28, 12), "board", "cut")
    sketch.line(((26, 27), (31, 24)), "cut")


FROM_BOARDS = Extra(
    name="from_boards",
    station="text",
    title="leaf from boards",
    does="Find the leaf from boards you have",
    good_for=(
        "boards that are cut already, or old covers: the leaf that suits them, and the "
        "squares either way round"
    ),
    entries=FromBoards,
    draw=draw_boards,
    suits=_with_boards,
    reckon=reckon_from_boards,
    in_words="old covers, orientation, squares, offcuts",
)
TORN = Extra(
    name="torn",
    station="paper",
    title="leaf from a torn sheet",
    does="Find the leaf from a sheet you tear",
    good_for="handmade and large papers torn to leaves: the size, the grain and the deckles that come out",
    entries=TornSheet,
    draw=draw_torn,
    reckon=reckon_torn,
    forbids=("from_boards",),
    in_words="deckle, tear, parent sheet, halves, thirds",
)
WEIGHED = Extra(
    name="weighed",
    station="paper",
    title="paper weighed",
    does="Weigh the paper",
    good_for="paper without a label: its grammage from a few sheets on a scale",
    entries=WeighedPaper,
    draw=draw_weighed,
    reckon=reckon_weighed,
    in_words="scale, grammage, ream",
)
