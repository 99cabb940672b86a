"""The printed cover: how large its artwork is, what falls where, and whether it fits.

Places are in millimetres of the document, from its top left corner, its printed side up: the back cover to
the left, the front to the right. The *document* is what is printed: the cover as it is cut, and *bleed*
around it. *Wraps* go round the boards' edges on to their inside.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import cast

from weald.core.covers.closed import ClosedCover, Cover, Strip, Window, ZoneKind, close_cover
from weald.core.covers.ean import BAR_HEIGHT, HEIGHT, MODULE, QUIET_LEFT, WIDTH, bars, read_barcode
from weald.core.drawing import (
    FIGURES_ACROSS,
    Area,
    Drawing,
    Label,
    Layer,
    Line,
    Point,
    Sketch,
    box,
    dimension_rows,
)
from weald.core.errors import SizeError
from weald.core.finding_words import FindingCode
from weald.core.findings import Action, Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.bound_sizes import BoundSizes
from weald.core.units import MM_PER_INCH, TOLERANCE, Mm

BARCODE_IN: Mm = 8.0
"""The barcode stands so far from the tail and the joint of the back cover."""
MARK: Mm = 4.0
MARK_OFF: Mm = 1.0
"""Marks in the waste of a sheet stand so far off the document."""
GOOD_DPI, LEAST_DPI = 300, 150
SHAPE_NOTICED = 0.01
_DOCUMENT: dict[str, tuple[QuantityId, QuantityId]] = {
    "width": ("art.width", "cover.width"),
    "height": ("art.height", "cover.height"),
}
ZONE_WORDS: dict[ZoneKind, str] = {
    "wrap": "goes round the edge and inside",
    "back": "back cover",
    "front": "front cover",
    "spine": "the back of the book: lettering keeps clear of its edges",
    "joint": "bends in the joint: no lettering",
    "flap": "flap, folded in",
}


@dataclass(frozen=True, slots=True)
class Zone:
    """A part of the cover, and what becomes of it on the closed book."""

    kind: ZoneKind
    words: str
    x: Mm
    y: Mm
    width: Mm
    height: Mm


@dataclass(frozen=True, slots=True)
class Placed:
    """Where the artwork lies in the document, and how finely it prints; pictures alone have a resolution."""

    x: Mm
    y: Mm
    width: Mm
    height: Mm
    dpi: float | None


@dataclass(frozen=True, slots=True)
class CoverArt:
    """The printed cover of a job.

    :param bleed: how much of the document is cut off on every side.
    :param zones: the parts of the cover from left to right; ``safe`` where lettering keeps clear of edges.
    :param closed: the cover round the closed book; nothing where nothing covers the spine.
    :param barcode: its box, and its digits.
    :param artwork: where the artwork lies; nothing where none was brought.
    :param lettering: what stands on the spine, at its place on the document.
    :param sheet: width and height of the sheet it is printed on, lying so that it fits; the document alone
        where none is chosen, or none that takes it.
    """

    width: Mm
    height: Mm
    bleed: Mm
    zones: tuple[Zone, ...]
    safe: tuple[Window, ...]
    closed: ClosedCover | None
    barcode: Window | None
    digits: str
    artwork: Placed | None
    creases: tuple[Mm, ...]
    levels: tuple[Mm, ...]
    lettering: tuple[Label, ...] = ()
    sheet: tuple[Mm, Mm] | None = None


@dataclass(frozen=True, slots=True)
class _Strip:
    kind: ZoneKind
    width: Mm


def _strips(spec: JobSpec, sizes: BoundSizes, ledger: Ledger) -> tuple[list[_Strip], Mm]:
    """The cover from left to right, and how far it wraps round head and tail."""
    spine = [] if sizes.spine is None else [_Strip("spine", sizes.spine)]
    if boards := sizes.boards:
        (front, _), (back, _) = boards.front, boards.back
        joint = _Strip("joint", sizes.gap or 0.0)
        between = [joint, *spine, joint] if sizes.middle is None else [_Strip("spine", sizes.middle)]
        wrap = ledger.value("cover.width") - front - back - sum(strip.width for strip in between)
        edge, turn = _Strip("wrap", wrap / 2), (ledger.value("cover.height") - boards.tallest) / 2
        return [edge, _Strip("back", back), *between, _Strip("front", front), edge], turn
    leaf = sizes.leaf or 0.0
    flaps = [_Strip("flap", sizes.flap)] if sizes.flap else []
    return [*flaps, _Strip("back", leaf), *spine, _Strip("front", leaf), *flaps], 0.0


def reckon(
    spec: JobSpec,
    block: BlockPlan,
    sizes: BoundSizes,
    profile: tuple[Point, ...],
    spine: Drawing | None,
    ledger: Ledger,
) -> CoverArt:
    """Enter the size of the document, lay out everything on it, and lay it round the closed book.

    :param sizes: of the binding; ``profile`` its covering in section.
    :param spine: the spine lettered, where it is.
    """
    art = spec.artwork
    strips, wrap = _strips(spec, sizes, ledger)
    bleed = ledger.entry("bleed", art.bleed, "artwork.bleed")
    size = {
        edge: ledger.reckon(
            document,
            ledger.value(cover) + 2 * art.bleed,
            "{cover} + 2 × {bleed}",
            {"cover": ledger.ref(cover), "bleed": bleed},
        )
        for edge, (document, cover) in _DOCUMENT.items()
    }
    face = size["height"] - 2 * art.bleed - 2 * wrap
    top = art.bleed + wrap
    zones, x = [], art.bleed
    for strip in strips:
        zones.append(Zone(strip.kind, ZONE_WORDS[strip.kind], x, top, strip.width, face))
        x += strip.width
    edges = tuple(zone.x for zone in zones[1:])
    digits = _digits(art.barcode)
    return CoverArt(
        width=size["width"],
        height=size["height"],
        bleed=art.bleed,
        zones=tuple(zones),
        safe=tuple(_safe(spec, zones)),
        closed=_close(zones, wrap, block, (sizes, profile), ledger),
        barcode=_barcode(zones) if digits else None,
        digits=digits,
        artwork=place_artwork(spec, size["width"], size["height"]),
        creases=edges,
        levels=(top, top + face) if wrap else (),
        lettering=_lettering(spec, zones, spine),
        sheet=_sheet(spec, size["width"], size["height"]),
    )


def _lettering(spec: JobSpec, zones: list[Zone], spine: Drawing | None) -> tuple[Label, ...]:
    """What stands on the spine, moved to the middle of its zone on the document."""
    if spine is None or not spec.artwork.lettering or spec.finish.placed != "spine":
        return ()
    zone = next(zone for zone in zones if zone.kind == "spine")
    left, top, right, bottom = spine.extent
    across = zone.x + zone.width / 2 - (left + right) / 2
    down = zone.y + zone.height / 2 - (top + bottom) / 2
    return tuple(
        replace(element, x=element.x + across, y=element.y + down)
        for element in spine.elements
        if isinstance(element, Label)
    )


def _sheet(spec: JobSpec, width: Mm, height: Mm) -> tuple[Mm, Mm] | None:
    """The sheet chosen, upright or turned, if it takes the document."""
    sheet = spec.artwork.sheet
    if sheet is None:
        return None
    for across, down in ((sheet.width, sheet.height), (sheet.height, sheet.width)):
        if width <= across + TOLERANCE and height <= down + TOLERANCE:
            return across, down
    return None


def _digits(text: str) -> str:
    try:
        return read_barcode(text) if text.strip() else ""
    except SizeError:
        return ""


def _safe(spec: JobSpec, zones: list[Zone]) -> Iterator[Window]:
    for zone in zones:
        if zone.kind not in ("back", "front", "spine"):
            continue
        across = spec.artwork.spine_safe if zone.kind == "spine" else spec.artwork.safe
        down = spec.artwork.safe
        if zone.width > 2 * across and zone.height > 2 * down:
            yield Window(
                zone.kind, zone.x + across, zone.y + down, zone.width - 2 * across, zone.height - 2 * down
            )


def _close(
    zones: list[Zone], wrap: Mm, block: BlockPlan, bound: tuple[BoundSizes, tuple[Point, ...]], ledger: Ledger
) -> ClosedCover | None:
    """The cover round its block; flaps lie folded in, out of sight."""
    sizes, profile = bound
    if not profile:
        return None
    board = ledger.value("board.thickness") if wrap else 0.0
    square = sizes.square or 0.0
    strips = tuple(Strip(zone.kind, zone.x, zone.x + zone.width) for zone in zones)
    cover = Cover(strips, zones[0].y, zones[0].height, board, square, profile)
    return close_cover(cover, block)


def _barcode(zones: list[Zone]) -> Window:
    back = next(zone for zone in zones if zone.kind == "back")
    right, bottom = back.x + back.width - BARCODE_IN, back.y + back.height - BARCODE_IN
    return Window("barcode", right - WIDTH, bottom - HEIGHT, WIDTH, HEIGHT)


def place_artwork(spec: JobSpec, width: Mm, height: Mm) -> Placed | None:
    """Where the artwork lies: in the middle, at its own size, or as large as fits or fills the document."""
    art = spec.artwork
    if not (art.file and art.width and art.height):
        return None
    scale = 1.0
    if art.placing != "as_is":
        pick = min if art.placing == "fit" else max
        scale = pick(width / art.width, height / art.height)
    across, down = art.width * scale, art.height * scale
    dpi = art.pixels / across * MM_PER_INCH if art.pixels else None
    return Placed((width - across) / 2, (height - down) / 2, across, down, dpi)


def mind(spec: JobSpec, art: CoverArt, lettered: bool, ledger: Ledger) -> list[Finding]:
    """Whether artwork, barcode and sheet fit, and what the printer's rules say.

    :param lettered: whether it has a spine that is lettered, or could be.
    """
    return [
        *_mind_artwork(spec, art, ledger),
        *_mind_barcode(spec, art, ledger),
        *_mind_sheet(spec, art, ledger),
        *_mind_rules(spec, art, lettered, ledger),
    ]


def _size(ledger: Ledger, width: Mm, height: Mm) -> str:
    return f"{ledger.notation.length(width, True)} × {ledger.notation.length(height, True)}"


def _mind_artwork(spec: JobSpec, art: CoverArt, ledger: Ledger) -> Iterator[Finding]:
    placed = art.artwork
    if placed is None:
        return
    document, artwork = ledger.notation.compared_sizes((art.width, art.height), (placed.width, placed.height))
    fill = Action("Fill the document", {"artwork.placing": "fill"})
    bare = placed.width < art.width - 0.1 or placed.height < art.height - 0.1
    within = (
        placed.width >= art.width - 2 * art.bleed - 0.1 and placed.height >= art.height - 2 * art.bleed - 0.1
    )
    if bare and within:
        yield finding(
            "art.no_bleed",
            "artwork.file",
            ledger.notation,
            document=document,
            artwork=artwork,
            actions=(fill,),
        )
    elif bare:
        yield finding(
            "art.small", "artwork.file", ledger.notation, document=document, artwork=artwork, actions=(fill,)
        )
    shape = (spec.artwork.width or 1) / (spec.artwork.height or 1)
    if spec.artwork.placing == "fill" and abs(shape / (art.width / art.height) - 1) > SHAPE_NOTICED:
        lost = _size(ledger, max(0.0, placed.width - art.width), max(0.0, placed.height - art.height))
        yield finding("art.cropped", "artwork.file", ledger.notation, lost=lost)
    if placed.dpi is not None and placed.dpi < GOOD_DPI - 0.5:
        code: FindingCode = "art.coarse" if placed.dpi < LEAST_DPI else "art.soft"
        yield finding(code, "artwork.file", ledger.notation, dpi=f"{placed.dpi:.0f}", good=GOOD_DPI)


def _mind_barcode(spec: JobSpec, art: CoverArt, ledger: Ledger) -> Iterator[Finding]:
    text = spec.artwork.barcode.strip()
    if not text:
        return
    try:
        digits = read_barcode(text)
    except SizeError as error:
        yield finding("barcode.wrong", "artwork.barcode", ledger.notation, why=str(error))
        return
    if len("".join(sign for sign in text if sign.isdigit())) == 12:
        right: Action = Action(f"Write {digits}", {"artwork.barcode": digits})
        yield finding("barcode.made_up", "artwork.barcode", ledger.notation, digits=digits, actions=(right,))
    back = next(zone for zone in art.zones if zone.kind == "back")
    if back.width < WIDTH + 2 * BARCODE_IN or back.height < HEIGHT + 2 * BARCODE_IN:
        needs = _size(ledger, WIDTH + 2 * BARCODE_IN, HEIGHT + 2 * BARCODE_IN)
        yield finding("barcode.no_room", "artwork.barcode", ledger.notation, needs=needs)


def _mind_sheet(spec: JobSpec, art: CoverArt, ledger: Ledger) -> Iterator[Finding]:
    sheet, printer = spec.artwork.sheet, spec.printing.printer
    if sheet is None:
        return
    free = printer.unprintable
    has = (sheet.width - 2 * free, sheet.height - 2 * free)
    upright = art.width <= has[0] + TOLERANCE and art.height <= has[1] + TOLERANCE
    turned = art.width <= has[1] + TOLERANCE and art.height <= has[0] + TOLERANCE
    if upright:
        return
    if turned:
        yield finding("art.turned", "artwork.sheet", ledger.notation)
        return
    needs, sheet_shown = ledger.notation.compared_sizes(
        (art.width + 2 * free, art.height + 2 * free), (sheet.width, sheet.height)
    )
    yield finding(
        "art.sheet_small",
        "artwork.sheet",
        ledger.notation,
        needs=needs,
        has=sheet_shown,
        remedy=_what_would(spec, art, has, ledger),
    )


def _what_would(spec: JobSpec, art: CoverArt, has: tuple[Mm, Mm], ledger: Ledger) -> str:
    """What would make a cover fit a sheet that is too small."""
    long, short = max(has), min(has)
    over = max(art.width - long, art.height - short)
    wrap, bleed = spec.binding.turn_in, spec.artwork.bleed
    if _wraps(art) and over / 2 <= wrap - 12:
        fits = ledger.notation.length(wrap - over / 2, True)
        return f"A turn-in of {fits} would fit it."
    if over / 2 <= bleed:
        return f"A bleed of {ledger.notation.length(bleed - over / 2, True)} would fit it."
    return "Print it elsewhere, or cover spine and sides in pieces."


def _mind_rules(spec: JobSpec, art: CoverArt, lettered: bool, ledger: Ledger) -> Iterator[Finding]:
    """Where the job departs from the sheet of rules of whoever prints it."""
    rules, show = spec.artwork.rules, ledger.notation
    if rules is None:
        return
    pages = round(ledger.value("text.pages"))
    leaf, turn = ledger.value("paper.calliper"), spec.binding.turn_in
    spine = next(zone.width for zone in art.zones if zone.kind == "spine")
    checks: tuple[tuple[bool, str, str, str], ...] = (
        (
            rules.least_pages <= pages <= rules.most_pages,
            "text.pages",
            f"{pages} pages",
            f"{rules.least_pages} to {rules.most_pages}",
        ),
        (
            rules.leaf is None or abs(leaf - rules.leaf) <= 0.005,
            "paper.calliper",
            f"a leaf of {show.thickness(leaf, True)}",
            show.thickness(rules.leaf or 0, True),
        ),
        (
            rules.wrap is None or not _wraps(art) or abs(turn - rules.wrap) < 0.05,
            "binding.turn_in",
            f"a wrap of {show.length(turn, True)}",
            show.length(rules.wrap or 0, True),
        ),
        (
            rules.bleed is None or spec.artwork.bleed >= rules.bleed - 0.05,
            "artwork.bleed",
            f"a bleed of {show.length(spec.artwork.bleed, True)}",
            f"at least {show.length(rules.bleed or 0, True)}",
        ),
        (
            not (spec.finish_on_spine and lettered) or spine >= rules.least_spine,
            "finish.width",
            f"lettering on a spine of {show.length(spine, True)}",
            f"at least {show.length(rules.least_spine, True)}",
        ),
        (not rules.barcode or bool(art.digits), "artwork.barcode", "no barcode", "one on the back"),
    )
    patches: dict[str, tuple[str, float | None]] = {
        "binding.turn_in": ("binding.turn_in", rules.wrap),
        "artwork.bleed": ("artwork.bleed", rules.bleed),
    }
    for holds, about, has, wants in checks:
        if holds:
            continue
        path, new = patches.get(about, ("", None))
        actions = (Action(f"Take {show.length(new, True)}", {path: new}),) if new is not None else ()
        yield finding(
            "rules.departs",
            about,
            ledger.notation,
            printer=rules.name or "this printer",
            has=has,
            wants=wants,
            actions=actions,
        )


def without_ground(drawing: Drawing) -> Drawing:
    """The same cover with its paper as an outline alone, to lie over the artwork."""
    ground, *rest = drawing.elements
    if not isinstance(ground, Area):
        raise TypeError("a cover is drawn on its paper")
    outline = Line((*ground.points, ground.points[0]), ground.layer, ground.about)
    return replace(drawing, id="cover.guides", elements=(outline, *rest))


def draw_art(art: CoverArt, ledger: Ledger) -> Drawing:
    """The cover laid flat, its printed side up, with every zone."""
    show, sketch = ledger.notation.figure, Sketch()
    sketch.area(box(0, 0, art.width, art.height), "side_paper", "outline", "art.width art.height")
    inner = box(art.bleed, art.bleed, art.width - 2 * art.bleed, art.height - 2 * art.bleed)
    sketch.line((*inner, inner[0]), "cut", "cover.width cover.height")
    for zone in art.zones:
        outline = box(zone.x, zone.y, zone.width, zone.height)
        if zone.kind == "joint":
            sketch.hatch(outline, "glue", 0, "joint.gap")
        if zone.kind != "wrap":
            sketch.line((*outline, outline[0]), "score", _about(zone.kind, art))
            if zone.kind in ("back", "spine", "front", "flap"):
                middle = zone.y + zone.height / 8
                sketch.name(zone.x, middle, zone.width, zone.height / 4, zone.kind, tallest=7.0)
    for safe in art.safe:
        outline = box(safe.x, safe.y, safe.width, safe.height)
        sketch.line((*outline, outline[0]), "hidden", "artwork.safe artwork.spine_safe")
    _crease_marks(sketch, art)
    sketch.elements += art.lettering
    if art.barcode:
        draw_barcode(sketch, art.barcode, art.digits)
    # the spine last: what lies beside it keeps the lowest row
    zones = sorted(art.zones, key=lambda zone: zone.kind == "spine")
    spans = [(zone.x, zone.x + zone.width, show(zone.width)) for zone in zones]
    rows = dimension_rows(spans, art.width, FIGURES_ACROSS)
    for zone, (start, end, figure), row in zip(zones, spans, rows, strict=True):
        sketch.dimension((start, 0), (end, 0), figure, offset=row, about=_about(zone.kind, art))
    above = max(rows, default=0) + 1
    sketch.dimension((0, 0), (art.width, 0), show(art.width), offset=above, about="art.width")
    sketch.dimension((0, art.height), (0, 0), show(art.height), about="art.height")
    return sketch.finish(
        "cover.art",
        "boards",
        "The printed cover, printed side up",
        rows=(1, above, 0, 0),
        text=f"A document of {show(art.width, True)} by {show(art.height, True)}, bleed "
        f"{show(art.bleed, True)}; "
        + ", ".join(f"{zone.kind} {show(zone.width, True)}" for zone in art.zones),
    )


def _wraps(art: CoverArt) -> bool:
    """Whether it is turned in round boards."""
    return any(zone.kind == "wrap" for zone in art.zones)


def _about(kind: ZoneKind, art: CoverArt) -> str:
    if kind in ("back", "front"):
        return "board.width" if _wraps(art) else "cover.leaf"
    if kind == "spine":
        jointed = any(zone.kind == "joint" for zone in art.zones)
        return "case.distance" if _wraps(art) and not jointed else "spine_board.width"
    return {"joint": "joint.gap", "wrap": "binding.turn_in", "flap": "binding.flaps"}[kind]


def waste_marks(art: CoverArt) -> Drawing:
    """What is printed besides the cover itself: crease marks on what is cut off or turned in, and, where the
    sheet is larger, marks in its waste to cut and to place the boards by."""
    sketch = Sketch()
    _crease_marks(sketch, art)
    if art.sheet is not None:
        _outer_marks(sketch, art, (art.sheet[0] - art.width) / 2, (art.sheet[1] - art.height) / 2)
    return sketch.finish("cover.marks", "boards", "Marks of the printed cover", rows=(0, 0, 0, 0))


def _outer_marks(sketch: Sketch, art: CoverArt, across: Mm, down: Mm) -> None:
    """Marks in the waste round the document: where it is cut, and where every board's edge lies."""
    cut = (art.bleed, art.width - art.bleed), (art.bleed, art.height - art.bleed)
    for layer, xs, ys in (("trim", *cut), ("fold", art.creases, art.levels)):
        for x in xs if down > 2 * MARK_OFF else ():
            for y, way in ((0.0, -1), (art.height, 1)):
                ends = ((x, y + way * MARK_OFF), (x, y + way * min(MARK_OFF + MARK, down)))
                sketch.line(ends, cast(Layer, layer))
        for y in ys if across > 2 * MARK_OFF else ():
            for x, way in ((0.0, -1), (art.width, 1)):
                ends = ((x + way * MARK_OFF, y), (x + way * min(MARK_OFF + MARK, across), y))
                sketch.line(ends, cast(Layer, layer))


def _crease_marks(sketch: Sketch, art: CoverArt) -> None:
    """Short marks on what is cut off or turned in, to place boards by from behind."""
    long = max(art.bleed, MARK)
    for x in art.creases:
        sketch.line(((x, 0), (x, long)), "fold", "cover.width")
        sketch.line(((x, art.height), (x, art.height - long)), "fold", "cover.width")
    for y in art.levels:
        sketch.line(((0, y), (long, y)), "fold", "cover.height")
        sketch.line(((art.width, y), (art.width - long, y)), "fold", "cover.height")


def draw_barcode(sketch: Sketch, place: Window, digits: str) -> None:
    """A barcode, black on white, with its quiet zones and its digits."""
    sketch.area(box(place.x, place.y, place.width, place.height), "white", "outline", "artwork.barcode")
    left = place.x + QUIET_LEFT * MODULE
    for start, width in bars(digits):
        sketch.area(box(left + start, place.y, width, BAR_HEIGHT), "mark", "fill", "artwork.barcode")
    foot = place.y + (BAR_HEIGHT + HEIGHT) / 2
    sketch.label(place.x + place.width / 2, foot, digits, height=1.8, about="artwork.barcode")
