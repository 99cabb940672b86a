"""Printed elsewhere: every edition's spine, document and price by its printer's rules, and its cover on it.

Sizes follow from pages and rules alone, whatever the book is bound in here.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.covers.art import ZONE_WORDS, CoverArt, Zone, place_artwork
from weald.core.covers.closed import Window, ZoneKind
from weald.core.covers.ean import HEIGHT, WIDTH, read_barcode
from weald.core.drawing import LETTER_WIDTH, Drawing, Label, Sketch, box
from weald.core.errors import SizeError
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.elsewhere import Edition, Elsewhere
from weald.core.job.spec import JobSpec
from weald.core.materials import GREYBOARD_GSM_PER_MM
from weald.core.notation import Notation
from weald.core.stations.finish import LEAST_SPINE, SPINE_SAFETY, spine_title
from weald.core.units import Mm

AS_ORDERED: Mm = 0.5
"""Printers refuse documents that are off by more."""
LARGEST_LETTERS: Mm = 6.0


@dataclass(frozen=True, slots=True)
class EditionSizes:
    """An edition by its printer's rules.

    :param pages: that are bound, with what is made up and added. ``width`` and ``height``: of the document.
    :param weight: of one copy, in grams; ``price`` in the printer's money.
    """

    pages: int
    spine: Mm
    panel: Mm
    face: Mm
    edge: Mm
    width: Mm
    height: Mm
    weight: float
    price: float


def sizes_of(spec: JobSpec, edition: Edition) -> EditionSizes:
    """Size an edition.

    pages = (text + 2 × added), made up to the multiple; spine = pages × page + more, or as the table has it;
    document = 2 × (panel + hinge + edge) + spine by face + 2 × edge, edge being the bleed of a paperback, the
    wrap of a hardback. A hardback weighs its boards too, and the one of its spine.
    """
    text = spec.text.pages + 2 * edition.added
    pages = math.ceil(text / edition.multiple) * edition.multiple
    spine = pages * edition.page + edition.spine_more if edition.spine is None else edition.spine
    hard = edition.kind == "hardback"
    edge = edition.wrap if hard else edition.bleed
    panel = spec.leaf.width + (edition.beyond - edition.hinge if hard else 0.0)
    face = spec.leaf.height + (2 * edition.beyond if hard else 0.0)
    hinge = edition.hinge if hard else 0.0
    width, height = 2 * (panel + hinge + edge) + spine, face + 2 * edge
    leaf = spec.leaf.width * spec.leaf.height / 1e6
    weight = pages / 2 * leaf * edition.gsm + width * height / 1e6 * edition.cover_gsm
    if hard:
        weight += (2 * panel + spine) * face / 1e6 * GREYBOARD_GSM_PER_MM * edition.board
    return EditionSizes(
        pages, spine, panel, face, edge, width, height, weight, edition.base + pages * edition.per_page
    )


def cover_of(spec: JobSpec, edition: Edition) -> CoverArt:
    """The cover of an edition, in the middle of exactly the document its printer asks for."""
    sizes = sizes_of(spec, edition)
    width, height = edition.document_width or sizes.width, edition.document_height or sizes.height
    hard = edition.kind == "hardback"
    hinge = edition.hinge if hard else 0.0
    strips: list[tuple[ZoneKind, Mm]] = [
        ("back", sizes.panel),
        ("spine", sizes.spine),
        ("front", sizes.panel),
    ]
    if hinge:
        strips[1:2] = [("joint", hinge), ("spine", sizes.spine), ("joint", hinge)]
    if hard:
        strips = [("wrap", sizes.edge), *strips, ("wrap", sizes.edge)]
    x = (width - sum(wide for _, wide in strips)) / 2
    top = (height - sizes.face) / 2
    zones = []
    for kind, wide in strips:
        zones.append(Zone(kind, ZONE_WORDS[kind], x, top, wide, sizes.face))
        x += wide
    digits = _digits(edition.identifier)
    return CoverArt(
        width=width,
        height=height,
        bleed=0.0 if hard else edition.bleed,
        zones=tuple(zones),
        safe=tuple(_safe(edition, zones)),
        closed=None,
        barcode=_barcode(edition, zones) if digits else None,
        digits=digits,
        artwork=place_artwork(spec, width, height),
        creases=tuple(zone.x for zone in zones[1:]),
        levels=(top, top + sizes.face) if hard else (),
        lettering=tuple(_lettering(spec, zones)),
    )


def _digits(text: str) -> str:
    try:
        return read_barcode(text) if text.strip() else ""
    except SizeError:
        return ""


def _safe(edition: Edition, zones: list[Zone]) -> Iterator[Window]:
    for zone in zones:
        off = SPINE_SAFETY if zone.kind == "spine" else edition.safe
        if (
            zone.kind in ("back", "spine", "front")
            and min(zone.width - 2 * off, zone.height - 2 * edition.safe) > 0
        ):
            yield Window(
                zone.kind,
                zone.x + off,
                zone.y + edition.safe,
                zone.width - 2 * off,
                zone.height - 2 * edition.safe,
            )


def _barcode(edition: Edition, zones: list[Zone]) -> Window:
    back = next(zone for zone in zones if zone.kind == "back")
    right = back.x + back.width - edition.barcode_edge
    foot = back.y + back.height - edition.barcode_foot
    return Window("barcode", right - WIDTH, foot - HEIGHT, WIDTH, HEIGHT)


def _lettering(spec: JobSpec, zones: list[Zone]) -> Iterator[Label]:
    """The spine's words along it, where the spine is wide enough for any."""
    spine = next(zone for zone in zones if zone.kind == "spine")
    if spine.width < LEAST_SPINE or spec.finish.placed == "none":
        return
    text = spine_title(spec)
    across = spine.width - 2 * SPINE_SAFETY
    high = min(LARGEST_LETTERS, across * 2 / 3, 0.8 * spine.height / (LETTER_WIDTH * len(text)))
    yield Label(
        spine.x + spine.width / 2,
        spine.y + spine.height / 2,
        text,
        height=high,
        rotation=-90.0 if spec.finish.direction == "up" else 90.0,
        width=LETTER_WIDTH * high * len(text),
    )


def reckon(book: Book) -> Added:
    """Every edition's figures side by side, what deviates from its printer's rules, and its cover."""
    entries = book.spec.extras.elsewhere or Elsewhere()
    found = list(_mind_identifiers(book, entries))
    drawings: list[Drawing] = []
    for number, edition in enumerate(entries.editions, start=1):
        found += _mind(book, edition, number)
        if "finish" in book.drawn:
            drawings.append(_draw(book.spec, edition, number, book.notation))
    return Added(drawings=tuple(drawings), findings=tuple(found))


def _mind_identifiers(book: Book, entries: Elsewhere) -> Iterator[Finding]:
    """One identifier an edition: hardback and paperback have not the same."""
    seen: dict[str, str] = {}
    for number, edition in enumerate(entries.editions):
        sign = _digits(edition.identifier) or edition.identifier.strip()
        about = f"extras.elsewhere.editions.{number}.identifier"
        if sign and sign in seen:
            yield finding(
                "elsewhere.same_identifier", about, book.notation, one=seen[sign], other=edition.name
            )
        seen.setdefault(sign, edition.name)
        if edition.identifier.strip() and not _digits(edition.identifier):
            yield finding("elsewhere.identifier", about, book.notation, name=edition.name)


def _mind(book: Book, edition: Edition, number: int) -> Iterator[Finding]:
    spec, notation = book.spec, book.notation
    sizes, show, path = sizes_of(spec, edition), notation.limit, f"extras.elsewhere.editions.{number - 1}"
    name = edition.name
    yield finding(
        "elsewhere.edition",
        path,
        notation,
        name=name,
        pages=sizes.pages,
        spine=show(round(sizes.spine, 2)),
        width=show(round(sizes.width, 2)),
        height=show(round(sizes.height, 2)),
        weight=f"{sizes.weight:.0f} g",
        price=f", {sizes.price:.2f}" if sizes.price else "",
    )
    if not edition.least <= sizes.pages <= edition.most:
        yield finding(
            "elsewhere.pages",
            f"{path}.least",
            notation,
            name=name,
            pages=sizes.pages,
            least=edition.least,
            most=edition.most,
        )
    blanks = sizes.pages - spec.text.pages
    if blanks:
        yield finding("elsewhere.blanks", f"{path}.multiple", notation, name=name, blanks=blanks)
    asked = (edition.document_width or sizes.width, edition.document_height or sizes.height)
    # a template with white round the cover is as it should be; one the cover does not lie on is not
    if any(a < b - AS_ORDERED for a, b in zip(asked, (sizes.width, sizes.height), strict=True)):
        rows = [each.model_dump() for each in (spec.extras.elsewhere or Elsewhere()).editions]
        rows[number - 1] |= {"document_width": None, "document_height": None}
        yield finding(
            "elsewhere.document",
            f"{path}.document_width",
            notation,
            name=name,
            asked=f"{show(asked[0])} × {show(asked[1])}",
            here=f"{show(round(sizes.width, 2))} × {show(round(sizes.height, 2))}",
            actions=(Action("Go by the formula", {"extras.elsewhere.editions": rows}),),
        )
    if sizes.spine < LEAST_SPINE and spec.finish.placed != "none":
        yield finding(
            "elsewhere.narrow", f"{path}.spine", notation, name=name, spine=show(round(sizes.spine, 2))
        )


def _draw(spec: JobSpec, edition: Edition, number: int, notation: Notation) -> Drawing:
    """The document from its left edge, printed side up.

    Wraps, back, hinge, spine, front, safe areas, barcode.
    """
    art, show, sketch = cover_of(spec, edition), notation.figure, Sketch()
    sketch.area(box(0, 0, art.width, art.height), "side_paper", "cut", "extras.elsewhere.editions")
    left, top = art.bleed, art.bleed
    if art.bleed:
        trim = box(left, top, art.width - 2 * left, art.height - 2 * top)
        sketch.line((*trim, trim[0]), "trim")
    for zone in art.zones:
        shape = box(zone.x, zone.y, zone.width, zone.height)
        sketch.line((*shape, shape[0]), "score")
        wide = zone.kind in ("back", "front")
        sketch.dimension((zone.x, 0), (zone.x + zone.width, 0), show(zone.width), offset=1 if wide else 2)
        if zone.kind == "wrap" and edition.wrap_colour:
            sketch.name(zone.x, zone.y, zone.width, zone.height / 2, edition.wrap_colour, tallest=6.0)
        if zone.kind in ("back", "front", "spine"):
            sketch.name(zone.x, zone.y, zone.width, zone.height / 4, zone.kind, tallest=6.0)
    for window in art.safe:
        clear = box(window.x, window.y, window.width, window.height)
        sketch.line((*clear, clear[0]), "hidden")
    if art.barcode:
        code = art.barcode
        sketch.area(box(code.x, code.y, code.width, code.height), "white", "outline")
        sketch.name(code.x, code.y, code.width, code.height, art.digits, tallest=3.0)
    for label in art.lettering:
        sketch.elements.append(label)
    sketch.dimension((0, 0), (art.width, 0), show(art.width), offset=3)
    sketch.dimension((0, art.height), (0, 0), show(art.height))
    return sketch.finish(
        f"finish.elsewhere_{number}",
        "finish",
        f"{edition.name.capitalize()}: the printer's document",
        rows=(1, 3, 0, 0),
        text=f"{show(art.width, True)} by {show(art.height, True)}, printed side up, the back to the left.",
    )


def draw(sketch: Sketch) -> None:
    """A cover flat with its spine, beyond it the printer's document."""
    sketch.area(box(0, 0, 60, 40), "side_paper", "cut")
    sketch.line((*box(3, 3, 54, 34), (3, 3)), "trim")
    for x in (27, 33):
        sketch.line(((x, 3), (x, 37)), "score")
    sketch.area(box(14, 27, 9, 6), "white", "outline")


EXTRA = Extra(
    name="elsewhere",
    station="finish",
    title="printed elsewhere",
    does="Have it printed elsewhere",
    good_for="editions ordered from a printer: spine, document, pages, weight and price by the "
    "printer's own rules",
    entries=Elsewhere,
    draw=draw,
    reckon=reckon,
    begins={"editions": [Edition().model_dump()]},
    row_file="cover.pdf?edition={row}",
    in_words="paperback, hardback, print on demand, identifier, barcode, spine table, weight, post, price",
)
