"""Sewing: where the stations stand, how much thread it takes, and the guides to punch and saw by."""

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace

from weald.core.block.bands import bands_here, panel_height
from weald.core.block.holes import (
    LEAST_BETWEEN,
    SUPPORTED,
    TAPE_PLAY,
    Hole,
    Places,
    SewingPlan,
    back_middles,
    courses,
    crowded,
    holes_of,
    kettle_of,
    own_places,
    support_middles,
    supports_for,
    usual_kettle,
    usual_places,
)
from weald.core.block.stab import StabWork, sew_stab, stab_work, thread_of_stab
from weald.core.drawing import FIGURES_DOWN, Drawing, Layer, Sketch, box, dimension_rows
from weald.core.findings import Action, Finding, finding
from weald.core.job.block import METHOD_WORDS, SewingMethod
from weald.core.job.extras.sewn import SewingPlaces
from weald.core.job.leaves import Trim
from weald.core.job.paging import in_order, listed
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, counted
from weald.core.reckoning import Ledger
from weald.core.remembering import remembered
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.folded import Folded
from weald.core.units import TOLERANCE, Mm, rounded_up

SPARE_THREAD = 1.15
"""Thread for knots and for what is lost in drawing it tight."""
TAIL: Mm = 150.0
"""Thread left over at the end, to hold the needle by."""
TAPE_WRAP: Mm = 1.0
LONG_WRAP: Mm = 2.0
"""Through the cover and back, beside a tape or at a long stitch."""
ARMS_REACH: Mm = 600.0
NEAR_THE_EDGE: Mm = 10.0
STAB_LOST: Mm = 5.0
"""Paper beside the stations does not open flat: so much more of a page is lost than their margin."""
STRIP_WIDTH: Mm = 30.0
GUIDE_WIDTH: Mm = 40.0
HOLE_MARK: Mm = 1.5


def reckon(
    spec: JobSpec, method: SewingMethod, block: BlockPlan, ledger: Ledger, banded: bool = False
) -> SewingPlan:
    """Place the stations on the trimmed height, and reckon thread and supports.

    :param method: the one this binding is sewn by, which may differ from the entry where that does not suit.
    :param banded: whether bands may run across the spine, raised by the cords.
    """
    sewing = spec.sewing
    if method == "stab":
        return _reckon_stab(spec, block, ledger)
    if method == "none" or not block.sections:
        return SewingPlan("none", (), crowded=False)
    under = _under_bands(spec, block) if banded and method == "raised_cords" else ()
    if method == "long" and not (spec.extras.places and spec.extras.places.supports):
        places = _reckon_long(spec, block, ledger)
    elif method in ("pamphlet", "staples"):
        first = usual_places(method, sewing, block.height).first
        first = ledger.reckon("sewing.first", first, "from the trimmed head, and from the tail alike")
        places = Places(0.0, 0.0, first)
    else:
        places = (
            _reckon_own(own, spec, block, ledger)
            if (own := spec.extras.places) and own.supports
            else _reckon_stations(spec, method, block, under, ledger)
        )
    holes = holes_of(method, sewing, block.height, places)
    ledger.reckon("sewing.holes", len(holes), METHOD_WORDS[method])
    if method != "staples":
        _reckon_thread(spec, method, holes, block, ledger)
    own = spec.extras.places
    backs = back_middles(own, block.height) if own and method in SUPPORTED else ()
    stitching = spec.extras.stitching if method in SUPPORTED and block.sections > 1 else None
    return SewingPlan(method, holes, crowded(holes, block.height), backs, stitching)


def _reckon_own(own: SewingPlaces, spec: JobSpec, block: BlockPlan, ledger: Ledger) -> Places:
    """Enter kettles as they were measured; every support has its own place."""
    at = own_places(own, spec.sewing, block.height)
    kettle = ledger.reckon(
        "sewing.kettle", at.kettle, "from the trimmed head", rule="as measured, each at its own place"
    )
    return replace(at, kettle=kettle)


def _reckon_stab(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> SewingPlan:
    """Enter the holes of a stab sewing and the thread that covers its pattern, front and back."""
    entries = spec.sewing.stab
    work = stab_work(block.height, entries)
    moves = sew_stab(work)
    ledger.reckon(
        "sewing.holes",
        len(work.holes),
        "beside the spine",
        label="Holes through the block",
    )
    ledger.reckon(
        "sewing.interval",
        (block.height - 2 * entries.ends) / (entries.stations - 1),
        "({height} − 2 × {ends}) / ({stations} − 1)",
        {
            "height": ledger.ref("block.height"),
            "ends": ledger.entry("from head and tail", entries.ends, "sewing.stab.ends"),
            "stations": ledger.entry("stations", entries.stations, "sewing.stab.stations", "count"),
        },
        label="From station to station",
        measurable=False,
    )
    along = thread_of_stab(work, moves, block.height, block.thickness)
    ledger.reckon(
        "thread.length",
        along * SPARE_THREAD + 2 * TAIL,
        "{along} × {spare} + {tail}",
        {
            "along": ledger.entry(
                "along every line twice, and round the edges", along, "sewing.stab.pattern"
            ),
            "spare": ledger.entry("15 % more", SPARE_THREAD, "sewing.needleful", "factor"),
            "tail": ledger.entry("two tails", 2 * TAIL, "sewing.needleful"),
        },
        measurable=False,
    )
    stations = tuple(Hole(hole.y, "stab") for hole in work.holes[: work.stations])
    inside = all(0 < hole.x < block.width and 0 < hole.y < block.height for hole in work.holes)
    return SewingPlan(
        "stab", stations, not inside or crowded(stations, block.height), stab=work, moves=tuple(moves)
    )


def _reckon_long(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> Places:
    """Enter kettles and the length of a stitch: as long outside on the spine as between them inside."""
    sewing = spec.sewing
    kettle = ledger.reckon(
        "sewing.kettle",
        kettle_of(sewing, block.height),
        "from the trimmed head and tail",
        entry="sewing.kettle" if sewing.kettle is not None else None,
    )
    stitch = ledger.reckon(
        "sewing.interval",
        (block.height - 2 * kettle) / (2 * sewing.supports + 1),
        "({height} − 2 × {kettle}) / (2 × {stitches} + 1)",
        {
            "height": ledger.ref("block.height"),
            "kettle": ledger.ref("sewing.kettle"),
            "stitches": ledger.entry("long stitches", sewing.supports, "sewing.supports", "count"),
        },
        label="A long stitch",
        rule="each as long on the spine as the run inside the fold beside it",
    )
    middles = tuple(kettle + stitch * (2 * number + 1.5) for number in range(sewing.supports))
    return Places(kettle, stitch, 0.0, middles, (stitch,) * sewing.supports)


def _under_bands(spec: JobSpec, block: BlockPlan) -> tuple[Mm, ...]:
    """Where raised cords stand so that each lies under a band; nothing where there are not as many."""
    bands, squares = spec.binding.bands, spec.binding.squares
    if bands.count != spec.sewing.supports:
        return ()
    height = block.height + squares.head + squares.tail
    return tuple(band.place - squares.head for band in bands_here(spec, height))


def _reckon_stations(
    spec: JobSpec, method: SewingMethod, block: BlockPlan, under_bands: tuple[Mm, ...], ledger: Ledger
) -> Places:
    """Enter kettles and intervals, as measured where they were."""
    sewing = spec.sewing
    decided = sewing.kettle is not None
    kettle = ledger.reckon(
        "sewing.kettle",
        kettle_of(sewing, block.height),
        "from the trimmed head and tail" if decided else "a sixteenth of the height, rounded",
        rule="{mm:12–15} in on books of usual size, so that no stitch falls in the waste",
        entry="sewing.kettle",
    )
    usual = usual_places(method, sewing, block.height, under_bands, kettle)
    if under_bands and spec.extras.bands:
        return usual
    if under_bands:
        bands = spec.binding.bands
        height = block.height + spec.binding.squares.head + spec.binding.squares.tail
        panel = panel_height(bands, height)
        ledger.reckon(
            "sewing.interval",
            panel + bands.width,
            "{panel} + {band}",
            {
                "panel": ledger.entry("a panel", panel, "binding.bands.count"),
                "band": ledger.entry("a band", bands.width, "binding.bands.width"),
            },
            rule="every cord lies under its band; measured along the boards, from band to band",
            measurable=False,
        )
        return usual
    step = ledger.reckon(
        "sewing.interval",
        usual.step,
        "({height} − 2 × {kettle} − {more}) / ({supports} + 1)",
        {
            "height": ledger.ref("block.height"),
            "kettle": ledger.ref("sewing.kettle"),
            "more": ledger.entry("more at the tail", sewing.tail_more, "sewing.tail_more"),
            "supports": ledger.entry("supports", sewing.supports, "sewing.supports", "count"),
        },
        rule="from the middle of one support to the next; the last may be a little larger",
        measurable=sewing.supports > 0,
    )
    return replace(usual, step=step)


def _wrap(spec: JobSpec, method: SewingMethod, section: Mm) -> tuple[Mm, str]:
    """Thread it takes to pass round one support or link, and why."""
    sewing = spec.sewing
    if method == "long":
        return LONG_WRAP, "out through the cover and in again: {mm:2}"
    if method == "tapes":
        return TAPE_WRAP, "out beside a tape and in again: {mm:1}"
    if method == "cords":
        return sewing.support_width, "round a sawn-in cord: as much as it is thick"
    if method == "raised_cords":
        turns = max(1.0, section / max(sewing.thread, 0.1)) if sewing.packed else 1.0
        return math.pi * sewing.support_width * turns, (
            f"wound round a raised cord {turns:.0f} times" if sewing.packed else "once round a raised cord"
        )
    if method == "link":
        return 2 * section, "down to the {signature} before and back"
    return 0.0, "nothing"


def _reckon_thread(
    spec: JobSpec, method: SewingMethod, holes: Sequence[Hole], block: BlockPlan, ledger: Ledger
) -> None:
    sewing = spec.sewing
    section = block.spine / block.sections
    if method == "pamphlet":
        span = 2 * (holes[-1].place - holes[0].place)
        length = ledger.reckon("thread.section", span, "twice from the first hole to the last")
        how = "{section} × {spare} + {tail}"
        total = length * SPARE_THREAD + 2 * TAIL
        terms = {"tail": ledger.entry("two tails", 2 * TAIL, "sewing.needleful")}
    else:
        wrap, why = _wrap(spec, method, section)
        stitching = spec.extras.stitching
        if stitching and stitching.over != "plain" and method in ("tapes", "raised_cords"):
            wrap, why = wrap + 2 * section, f"{why}, and down to the stitch below and back"
        span = holes[-1].place - holes[0].place
        length = ledger.reckon(
            "thread.section",
            span + sewing.supports * wrap + section,
            "{span} + {supports} × {wrap} + {thick}",
            {
                "span": ledger.entry("kettle to kettle", span, "sewing.kettle"),
                "supports": ledger.entry("supports", sewing.supports, "sewing.supports", "count"),
                "wrap": ledger.entry("round each", wrap, "sewing.support_width"),
                "thick": ledger.entry("a {signature}", section, "block.thickness"),
            },
            rule=why,
        )
        how = "{sections} × {section} × {spare} + {tail}"
        passes = len(courses(block.sections, spec.extras.stitching if method in SUPPORTED else None))
        total = passes * length * SPARE_THREAD + TAIL
        label = "sewn {signatures}" if passes == block.sections else "courses of thread"
        terms = {
            "sections": ledger.entry(label, passes, "sections.count", "count"),
            "tail": ledger.entry("tail", TAIL, "sewing.needleful"),
        }
    terms |= {
        "section": ledger.ref("thread.section"),
        "spare": ledger.entry("15 % more", SPARE_THREAD, "sewing.needleful", "factor"),
    }
    total = ledger.reckon("thread.length", total, how, terms, measurable=method != "pamphlet")
    if method != "pamphlet":
        ledger.reckon(
            "thread.needlefuls",
            rounded_up(total / sewing.needleful),
            "{length} / {needleful}, rounded up",
            {
                "length": ledger.ref("thread.length"),
                "needleful": ledger.entry("a needleful", sewing.needleful, "sewing.needleful"),
            },
            rule="{mm:600–1200} at a time; join inside a fold with a weaver's knot",
        )


def mind(
    spec: JobSpec, plan: SewingPlan, block: BlockPlan, ledger: Ledger, *, rebound: bool = False
) -> list[Finding]:
    """What to mind about the stations.

    :param rebound: whether the book was bound before, so that its leaves may be in sections or not.
    """
    found: list[Finding] = []
    sewing, show = spec.sewing, ledger.notation.length
    if not plan.holes:
        if rebound and not block.sections and spec.sewing.method != "none":
            glued = Action("Leave them glued", {"sewing.method": "none"})
            found.append(finding("sewing.no_folds", "sewing.method", ledger.notation, actions=(glued,)))
        return found
    if plan.stab is not None:
        return _mind_stab(spec, plan, block, ledger)
    better = supports_for(block.height)
    apart = sewing.support_width + TAPE_PLAY
    if plan.crowded and _two_holes_each(spec, plan) and apart < LEAST_BETWEEN - TOLERANCE:
        found.append(
            finding(
                "sewing.holes_close",
                "sewing.support_width",
                ledger.notation,
                width=ledger.notation.limit(sewing.support_width),
                apart=ledger.notation.apart(apart, LEAST_BETWEEN)[0],
                least=ledger.notation.apart(apart, LEAST_BETWEEN)[1],
                actions=(Action("Sew on sawn-in cords", {"sewing.method": "cords"}),),
            )
        )
    elif plan.crowded:
        fewer = None if _has_places(spec) else _fitting(spec, plan.method, block.height)
        actions = (
            ()
            if fewer is None
            else (Action(f"Take {counted(fewer, 'support')}", {"sewing.supports": fewer}),)
        )
        found.append(
            finding(
                "sewing.crowded",
                "sewing.supports",
                ledger.notation,
                supports=counted(sewing.supports, "support"),
                width=show(sewing.support_width, True),
                height=show(block.height, True),
                actions=actions,
            )
        )
    elif plan.method in SUPPORTED and sewing.supports < better:
        found.append(
            finding(
                "sewing.few",
                "sewing.supports",
                ledger.notation,
                supports=counted(sewing.supports, "support"),
                height=show(block.height, True),
                better=better,
                actions=()
                if _has_places(spec)
                else (Action(f"Sew on {better}", {"sewing.supports": better}),),
            )
        )
    kettle = plan.holes[0].place
    if plan.holes[0].kind == "kettle" and kettle < min(NEAR_THE_EDGE, usual_kettle(block.height)):
        found.append(
            finding(
                "sewing.near_edge",
                "sewing.kettle",
                ledger.notation,
                kettle=show(kettle, True),
                actions=(
                    Action(
                        f"Kettles {show(usual_kettle(block.height), True)} in",
                        {"sewing.kettle": usual_kettle(block.height)},
                    ),
                )
                if not (spec.extras.places and spec.extras.places.kettle_head is not None)
                else (),
            )
        )
    if block.height > ARMS_REACH:
        found.append(
            finding("sewing.two_people", "block.height", ledger.notation, height=show(block.height, True))
        )
    return found


def _two_holes_each(spec: JobSpec, plan: SewingPlan) -> bool:
    """Whether every support has a hole on either side, as far apart as it is wide and a little more."""
    if _has_places(spec):
        return False
    return plan.method == "tapes" or (plan.method == "raised_cords" and not spec.sewing.packed)


def _has_places(spec: JobSpec) -> bool:
    """Whether every support has a place of its own, so that their number follows from that."""
    return bool(spec.extras.places and spec.extras.places.supports)


def mind_spreads(spec: JobSpec, plan: SewingPlan, folded: Folded, ledger: Ledger) -> Iterator[Finding]:
    """Pictures across the middle of a section, which its holes or staples go through."""
    lefts = frozenset(listed(spec.text.spreads))
    if not lefts or not plan.holes or plan.stab is not None:
        return
    order = in_order(spec.text.pages, spec.extras.arranged)
    at = -folded.text.make_up.blanks_front
    for section in folded.folding.sections:
        # the left-hand page of the opening in the middle of its fold
        place = at + section.pages // 2 - 1
        at += section.pages
        left = (order[place] if 0 <= place < len(order) else None) if order else place + 1
        if left in lefts:
            kind = "Staples" if plan.method == "staples" else "Holes and thread"
            yield finding(
                "spread.holes",
                "text.spreads",
                ledger.notation,
                holes=kind,
                left=left,
                right=left + 1,
                section=section.section,
            )


def _mind_stab(spec: JobSpec, plan: SewingPlan, block: BlockPlan, ledger: Ledger) -> list[Finding]:
    """Stations out of place, and what is lost at the spine of every page."""
    entries, show = spec.sewing.stab, ledger.notation.length
    if plan.crowded:
        return [finding("stab.crowded", "sewing.stab.stations", ledger.notation)]
    lost = entries.margin + STAB_LOST
    if spec.text.blank_book:
        return []
    return [
        finding(
            "stab.margin",
            "sewing.stab.margin",
            ledger.notation,
            margin=show(entries.margin, True),
            lost=show(lost, True),
        )
    ]


def _fitting(spec: JobSpec, method: SewingMethod, height: Mm) -> int | None:
    """The most supports that fit the height, fewer than now; none where not even two do."""
    for count in range(spec.sewing.supports - 1, 0, -1):
        sewing = spec.sewing.model_copy(update={"supports": count})
        if not crowded(holes_of(method, sewing, height), height):
            return count
    return None


@remembered(8)
def draw_strip(trim: Trim, plan: SewingPlan, block: BlockPlan, notation: Notation) -> Drawing:
    """The punching strip: laid in the fold, it shows where to pierce. The waste is hatched."""
    show, sketch = notation.figure, Sketch()
    _strip(sketch, trim.head, block.height, trim.tail, STRIP_WIDTH)
    sketch.line(((STRIP_WIDTH / 2, -trim.head), (STRIP_WIDTH / 2, block.height + trim.tail)), "fold")
    rows = rows_of_places([hole.place for hole in plan.holes], block.height, show)
    for hole, row in zip(plan.holes, rows, strict=True):
        x, y = STRIP_WIDTH / 2, hole.place
        sketch.line(((x - HOLE_MARK, y), (x + HOLE_MARK, y)), "cut", "sewing.holes sewing.interval")
        sketch.line(((x, y - HOLE_MARK), (x, y + HOLE_MARK)), "cut", "sewing.holes sewing.interval")
        sketch.dimension((0, y), (0, 0), show(y), offset=row, about="sewing.interval")
        sketch.label(STRIP_WIDTH * 0.62, y, hole.kind, height=2.0, anchor="start")
    _ends(sketch, block, STRIP_WIDTH)
    return sketch.finish(
        "sewing.strip",
        "sewing",
        "Punching strip, to lay in the fold",
        rows=(max(rows, default=0), 0, 0, 0),
        text=f"{len(plan.holes)} holes, from the trimmed head: "
        + ", ".join(show(hole.place, True) for hole in plan.holes),
        template=True,
    )


def rows_of_places(places: Sequence[Mm], height: Mm, show: Callable[[Mm], str]) -> list[int]:
    """The rows in which the distances of places from the head stand beside them."""
    return dimension_rows([(0.0, place, show(place)) for place in places], height, FIGURES_DOWN)


def draw_stab(work: StabWork, block: BlockPlan, ledger: Ledger) -> Drawing:
    """The template of a stab sewing, laid on the front with its left edge at the spine."""
    show, sketch = ledger.notation.figure, Sketch()
    width = max(hole.x for hole in work.holes) * 2
    sketch.area(box(0, 0, width, block.height), "paper", "cut", "block.height")
    rows = rows_of_places([hole.y for hole in work.holes], block.height, show)
    for number, (hole, row) in enumerate(zip(work.holes, rows, strict=True), start=1):
        x, y = hole.x, hole.y
        sketch.line(((x - HOLE_MARK, y), (x + HOLE_MARK, y)), "cut", "sewing.holes")
        sketch.line(((x, y - HOLE_MARK), (x, y + HOLE_MARK)), "cut", "sewing.holes")
        sketch.label(x + 3, y, str(number), height=2.0)
        sketch.dimension((0, y), (0, 0), show(y), offset=row, about="sewing.interval")
    for place, x in enumerate(sorted({hole.x for hole in work.holes}), start=1):
        sketch.dimension((0, 0), (x, 0), show(x), offset=place, about="sewing.holes")
    return sketch.finish(
        "sewing.strip",
        "sewing",
        "Template of the stations, its left edge at the spine",
        rows=(max(rows, default=0), 2, 0, 0),
        text="From spine and head: "
        + ", ".join(f"{show(hole.x)} / {show(hole.y, True)}" for hole in work.holes),
        template=True,
    )


@remembered(8)
def draw_saw_guide(trim: Trim, plan: SewingPlan, block: BlockPlan, notation: Notation) -> Drawing:
    """The guide for marking up the spine of the gathered block: a line across at every station."""
    show, sketch = notation.figure, Sketch()
    width = max(GUIDE_WIDTH, block.thickness)
    _strip(sketch, trim.head, block.height, trim.tail, width)
    for hole in plan.holes:
        layer: Layer = "slit" if hole.kind in ("kettle", "cord") else "score"
        sketch.line(((0, hole.place), (width, hole.place)), layer, "sewing.interval")
    marks = [hole.place for hole in plan.holes]
    spans = [
        (above, below, show(below - above))
        for above, below in zip([0.0, *marks], [*marks, block.height], strict=True)
    ]
    rows = dimension_rows(spans, block.height, FIGURES_DOWN)
    for (above, below, figure), row in zip(spans, rows, strict=True):
        sketch.dimension((0, below), (0, above), figure, offset=row, about="sewing.interval")
    for number, middle in enumerate(support_middles(plan.holes), start=1):
        sketch.label(width / 2, middle, str(number), height=2.5)
    _ends(sketch, block, width)
    return sketch.finish(
        "sewing.saw_guide",
        "sewing",
        "Guide for the spine",
        rows=(max(rows), 0, 0, 0),
        text="Lines across the spine at every station; the waste beyond head and tail is hatched.",
        template=True,
    )


def _strip(sketch: Sketch, head: Mm, height: Mm, tail: Mm, width: Mm) -> None:
    sketch.area(box(0, -head, width, head + height + tail), "paper", "cut", "block.height")
    for top, waste in ((-head, head), (height, tail)):
        if waste > 0:
            sketch.hatch(box(0, top, width, waste), "trim", 45)
    for y in (0.0, height):
        sketch.line(((0, y), (width, y)), "trim", "block.height")


def _ends(sketch: Sketch, block: BlockPlan, width: Mm) -> None:
    sketch.label(width / 2, 5, "head", height=2.5)
    sketch.label(width / 2, block.height - 5, "tail", height=2.5)
