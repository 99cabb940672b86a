"""Pages arranged, repeated and numbered, and booklets that are their own cover."""

from collections.abc import Iterator

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Finding, finding
from weald.core.job.extras.pages import ArrangedPages, PageNumbers, SelfCover
from weald.core.job.paging import as_list, in_order, listed, number_of
from weald.core.job.spec import JobSpec
from weald.core.notation import counted
from weald.core.press.numbering import number_place

COVER_GSM = 120.0
"""Lighter paper than this is soon worn as its own cover."""


def reckon_arranged(book: Book) -> Added:
    """What does not go, and how many blanks were put in."""
    arranged = book.spec.extras.arranged or ArrangedPages()
    return Added(findings=tuple(_mind_arranged(book, arranged)))


def _mind_arranged(book: Book, arranged: ArrangedPages) -> Iterator[Finding]:
    spec, notation = book.spec, book.notation
    brought = spec.text.file_pages or spec.text.pages
    for key, last in (
        ("rectos", spec.text.pages),
        ("versos", spec.text.pages),
        ("blank_versos", spec.text.pages),
    ):
        beyond = [page for page in listed(getattr(arranged, key)) if not 1 <= page <= last]
        if beyond:
            yield finding(
                "pages.beyond", f"extras.arranged.{key}", notation, pages=as_list(beyond), last=last
            )
    if beyond := [page for page in listed(arranged.repeat) if not 1 <= page <= brought]:
        yield finding("pages.beyond", "extras.arranged.repeat", notation, pages=as_list(beyond), last=brought)
    both = sorted(set(listed(arranged.rectos)) & set(listed(arranged.versos)))
    if both:
        yield finding("pages.both", "extras.arranged.versos", notation, pages=as_list(both))
    order = in_order(spec.text.pages, arranged)
    if order and (put_in := len(order) - spec.text.pages):
        yield finding("pages.put_in", "extras.arranged", notation, blanks=counted(put_in, "blank page"))


def reckon_numbered(book: Book) -> Added:
    """Where the numbers stand on a left and a right page."""
    numbers = book.spec.extras.numbered or PageNumbers()
    leaf = book.spec.leaf
    found: list[Finding] = []
    if numbers.edge > leaf.height or numbers.aside > leaf.width:
        found.append(finding("numbers.off", "extras.numbered.edge", book.notation))
    elif numbers.edge < numbers.capital / 2 + book.spec.printing.bleed:
        found.append(finding("numbers.edge", "extras.numbered.edge", book.notation))
    drawings = (_draw_numbered(book, numbers),) if "printing" in book.drawn and not found else ()
    return Added(drawings=drawings, findings=tuple(found))


def _draw_numbered(book: Book, numbers: PageNumbers) -> Drawing:
    """An opening with the numbers where they are printed."""
    show, sketch, leaf = book.notation.figure, Sketch(), book.spec.leaf
    left_page = numbers.first + 1 if numbers.first % 2 else numbers.first + 2
    for offset, page, spine in ((-leaf.width, left_page, "right"), (0.0, left_page + 1, "left")):
        sketch.area(box(offset, 0, leaf.width, leaf.height), "paper", "cut", "leaf.width leaf.height")
        x, y = number_place(numbers, (leaf.width, leaf.height), spine)  # type: ignore[arg-type]
        words = number_of(page, numbers) or "–"
        sketch.label(offset + x, y, words, height=numbers.capital, about="extras.numbered.edge")
        if offset == 0.0:
            level = 0.0 if numbers.where == "head" else leaf.height
            low, high = min(y, level), max(y, level)
            sketch.dimension(
                (leaf.width, low), (leaf.width, high), show(high - low), about="extras.numbered.edge"
            )
            if numbers.side != "middle":
                near = 0.0 if numbers.side == "inside" else leaf.width
                start, end = min(x, near), max(x, near)
                sketch.dimension((start, 0), (end, 0), show(end - start), about="extras.numbered.aside")
    return sketch.finish(
        "printing.numbered",
        "printing",
        "An opening with its numbers",
        rows=(0, 1, 1, 0),
        text=f"Numbers at the {numbers.where}, {numbers.side}; page {numbers.first} of the text is 1.",
    )


def suits_self_cover(structure: Structure, spec: JobSpec) -> bool:
    """Booklets of one section in a cover of their own paper."""
    return structure.sections == "one" and structure.flush


def reckon_self_cover(book: Book) -> Added:
    """The booklet has left its cover away itself."""
    gsm = book.ledger.value("paper.grammage")
    if gsm >= COVER_GSM:
        return Added()
    return Added(
        findings=(
            finding(
                "cover.thin", "paper.grammage", book.notation, gsm=f"{gsm:.0f}", least=f"{COVER_GSM:.0f}"
            ),
        )
    )


def draw_arranged(sketch: Sketch) -> None:
    """Leaves in a row, one of them blank."""
    for number in range(4):
        left = 15.0 * number
        sketch.area(box(left, 0, 13, 18), "white" if number == 1 else "paper", "cut")
        if number != 1:
            for y in (5.0, 8.0, 11.0):
                sketch.line(((left + 3, y), (left + 10, y)), "text")


def draw_numbered(sketch: Sketch) -> None:
    """An opening, a number at the foot of either page."""
    for left, words, x in ((0.0, "2", 4.0), (24.0, "3", 44.0)):
        sketch.area(box(left, 0, 24, 34), "paper", "cut")
        sketch.label(x, 30, words, height=3.5)


def draw_self_cover(sketch: Sketch) -> None:
    """Nested leaves with a staple, and no cover round them."""
    for number in range(1, 5):
        half = number * 2.2
        sketch.line(((44, -half), (half, -half), (9 - half, 0), (half, half), (44, half)), "outline")
    sketch.line(((-2, 0), (9, 0)), "thread")


ARRANGED = Extra(
    name="arranged",
    station="text",
    title="pages arranged",
    does="Bind the pages in another order",
    good_for="half titles on the right, maps that face their page, blank backs; a page or a few "
    "repeated through a book",
    entries=ArrangedPages,
    draw=draw_arranged,
    reckon=reckon_arranged,
    in_words="recto, verso, blank, half title, repeat, cycle, planner, diary",
)
NUMBERED = Extra(
    name="numbered",
    station="printing",
    title="pages numbered",
    does="Number the pages",
    good_for="a text without numbers: they are printed with it, roman in front, none on blanks",
    entries=PageNumbers,
    draw=draw_numbered,
    reckon=reckon_numbered,
    in_words="folio, roman, pagination",
)
SELF_COVER = Extra(
    name="self_cover",
    station="boards",
    title="its own cover",
    does="Use the outer leaves as its cover",
    good_for="a booklet whose first and last leaf are its cover: nothing more to cut",
    entries=SelfCover,
    draw=draw_self_cover,
    suits=suits_self_cover,
    reckon=reckon_self_cover,
    in_words="self-cover, zine, booklet",
)
