"""Pictures of what is done to sheets and leaves: from the stock to collated sections, and the endpapers."""

from collections.abc import Iterator

from weald.core.bench.pictures.acts import Scene
from weald.core.bench.pictures.block_seen import from_tail, in_the_fold, seen_of
from weald.core.bench.pictures.things import (
    bed,
    leaf_of,
    piece_cut,
    piece_on,
    scene_of,
)
from weald.core.book.book import Book
from weald.core.drawing import Drawing, box
from weald.core.folding.packet import Motion, Pose, fold_motions
from weald.core.folding.programme import parse_programme
from weald.core.job.lying import Facts
from weald.core.units import Mm

_STRIP: Mm = 3.0
_SHIFTED = 0.04
"""Of a sheet's width, how far one lies beside the next where several are seen."""


def lift_old_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A thin knife between cover and spine, the cover lifted away from the block."""
    reach = seen_of(book)
    half = book.block.thickness / 2
    for done in (False, True):
        scene = scene_of(book, reach)
        from_tail(scene, book, before - {"old_cover_on"})
        off = scene.hundredths(14 if done else 1)
        for side in (-1, 1):
            board = box(2, side * (half + off + 1) - 1, reach - 2, 2)
            scene.sketch.area(board, "board", about="old_cover")
        scene.sketch.line(
            ((2, -half - off - 1), (-off - 1, -half), (-off - 1, half), (2, half + off + 1)), "thread"
        )
        if done:
            scene.move((reach * 0.7, -half - 2), (reach * 0.7, -half - off))
            scene.move((reach * 0.7, half + 2), (reach * 0.7, half + off))
            yield scene.frame("The cover lifted away; the block stays whole")
        else:
            scene.cut((-scene.hundredths(16), -half * 0.6), (-1, -half * 0.6))
            scene.tell("a thin knife flat along the spine, warmed, never pulled")
            yield scene.frame("A thin knife goes flat between cover and spine")


def clean_spine(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Old glue softened under paste, then scraped off along the folds, from the middle to the ends."""
    width, height = book.block.thickness, book.block.height
    for done in (False, True):
        scene = scene_of(book, height)
        spine = box(0, 0, width, height)
        scene.sketch.area(spine, "block", about="block.height")
        if not done:
            scene.glue(spine, ((width / 2, height * 0.2), (width / 2, height * 0.8)))
            yield scene.frame("Paste or damp is brushed on, and left to soften the old glue")
        else:
            scene.move((width / 2, height / 2), (width / 2, height * 0.05))
            scene.move((width / 2, height / 2), (width / 2, height * 0.95))
            yield scene.frame("It is scraped off along the folds, from the middle outwards")


def stock_out(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A sheet bent first one way, then the other: it gives where the bend lies along the grain."""
    sheet = book.spec.paper.sheet
    across = sheet.grain == "height"
    for along in (True, False):
        scene = scene_of(book, max(sheet.width, sheet.height))
        paper = box(0, 0, sheet.width, sheet.height)
        scene.sketch.area(paper, "paper", about="paper.sheet.width")
        upright = across == along
        middle = (sheet.width / 2, sheet.height / 2)
        if upright:
            scene.sketch.line(((middle[0], 0), (middle[0], sheet.height)), "fold")
            scene.over((sheet.width * 0.08, middle[1]), (sheet.width * 0.7, middle[1]))
        else:
            scene.sketch.line(((0, middle[1]), (sheet.width, middle[1])), "fold")
            scene.over((middle[0], sheet.height * 0.08), (middle[0], sheet.height * 0.7))
        if along:
            scene.sketch.grain(paper, 90 if upright else 0)
            scene.tell("the grain runs along the bend that gives; mark it with an arrow")
        yield scene.frame(
            "Bent along the grain, it gives easily" if along else "Bent across the grain, it springs back"
        )


def cut_sheets(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The stock sheet divided into sheets to fold, and the pile squared."""
    stock, paper = book.spec.paper.sheet, book.folded.paper
    wide, high = paper.sheet_width, paper.sheet_height
    if paper.lay is not None and paper.lay.turned:
        wide, high = high, wide
    scene = scene_of(book, max(stock.width, stock.height))
    whole = box(0, 0, stock.width, stock.height)
    scene.sketch.area(whole, "waste", about="paper.sheet.width")
    columns, rows = (paper.lay.columns, paper.lay.rows) if paper.lay else (1, 1)
    for row in range(rows):
        for column in range(columns):
            scene.sketch.area(box(column * wide, row * high, wide, high), "paper", "cut", "stock.per_sheet")
    scene.sketch.grain(whole, 0.0 if stock.grain == "width" else 90.0)
    scene.cut((columns * wide, 0), (columns * wide, rows * high))
    scene.size((0, 0), (wide, 0), "Each sheet wide", "sheet.width sheet.height")
    scene.size((0, high), (0, 0), "and high", "sheet.height sheet.width")
    yield scene.frame("Cut the sheets to fold out of the stock sheet")
    yield _squared(book, wide, high)


def _squared(book: Book, wide: Mm, high: Mm) -> Drawing:
    scene = scene_of(book, max(wide, high))
    for number in range(3):
        off = scene.hundredths(1) * (2 - number)
        scene.sketch.area(box(off, -off, wide, high), "paper", about="sheets.count")
    scene.move((wide * 1.12, high / 2), (wide * 1.03, high / 2))
    scene.move((wide / 2, high * 1.12), (wide / 2, high * 1.03))
    return scene.frame("Knock the pile up to two edges: first and last alike, corner on corner")


def print_sheets(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The fronts printed, the pile turned as the printer wants it, the backs printed."""
    layout, spec = book.press.layout, book.spec.printing
    wide, high = layout.width, layout.height
    long_upright = (wide < high) == (spec.flip == "long")
    sheet = next(iter(book.press.sheets))
    for number, face in enumerate(("front", "back")):
        scene = scene_of(book, max(wide, high))
        scene.sketch.area(box(0, 0, wide, high), "paper_inner" if number else "paper", about="printed.width")
        for page in book.press.pages(sheet, "back" if number else "front"):
            rect = page.cell
            scene.sketch.line(
                (*box(rect.left, rect.top, rect.width, rect.height), (rect.left, rect.top)), "fold"
            )
            if page.page:
                scene.word(rect.left + rect.width / 2, rect.top + rect.height / 2, str(page.page))
        if not number:
            if long_upright:
                scene.over((wide * 0.1, high / 2), (wide * 0.95, high / 2))
            else:
                scene.over((wide / 2, high * 0.1), (wide / 2, high * 0.95))
            scene.tell(f"then turned on the {spec.flip} edge")
        yield scene.frame(
            "The front printed; the sheet turned"
            if not number
            else f"The {face} printed; fold one and read it"
        )


def fold(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Every fold of the first sheet: which part goes over which; and the folded section."""
    programme = parse_programme(book.spec.folding.programme)
    motions, final = fold_motions(programme)
    paper = book.folded.paper
    cell = (paper.sheet_width / programme.columns, paper.sheet_height / programme.rows)
    for motion in motions:
        yield _folding(book, motion, cell)
    scene = scene_of(book, max(paper.sheet_width, paper.sheet_height) / 1.5)
    left, top, wide, high = _packet(scene, final, cell)
    scene.size((left, top), (left + wide, top), "Folded, wide", "leaf.untrimmed_width")
    scene.size((left, top + high), (left, top), "and high", "leaf.untrimmed_height")
    if book.folded.paper.grain:
        scene.tell(f"{len(final)} leaves; the last fold boned down once, along its whole length")
    yield scene.frame("Folded: bone the folds down, towards the edge")


def _folding(book: Book, motion: Motion, cell: tuple[Mm, Mm]) -> Drawing:
    paper = book.folded.paper
    scene = scene_of(book, max(paper.sheet_width, paper.sheet_height))
    left, top, wide, high = _packet(scene, motion.before, cell)
    shift = scene.hundredths(6)
    if motion.axis == "upright":
        line = motion.crease * cell[0]
        scene.sketch.line(((line, top - shift), (line, top + high + shift)), "fold")
        ends = (left + wide * 0.06, left + wide * 0.94)
        start, end = ends if motion.towards == "right" else ends[::-1]
        scene.over((start, top + high / 2), (end, top + high / 2), 0.3 if motion.towards == "right" else -0.3)
    else:
        line = motion.crease * cell[1]
        scene.sketch.line(((left - shift, line), (left + wide + shift, line)), "fold")
        ends = (top + high * 0.06, top + high * 0.94)
        start, end = ends if motion.towards == "down" else ends[::-1]
        scene.over((left + wide / 2, start), (left + wide / 2, end), 0.3)
    step = next((each for each in book.press.steps if each.number == motion.fold), None)
    if step is not None:
        scene.tell(step.words)
    return scene.frame(f"Fold {motion.fold}")


def _packet(scene: Scene, poses: tuple[Pose, ...], cell: tuple[Mm, Mm]) -> tuple[Mm, Mm, Mm, Mm]:
    """The packet as it lies; what is uppermost is drawn, its inner side toned."""
    topmost: dict[tuple[int, int], Pose] = {}
    for pose in poses:
        there = topmost.get((pose.x, pose.y))
        if there is None or pose.level > there.level:
            topmost[pose.x, pose.y] = pose
    for (x, y), pose in topmost.items():
        shape = box(x * cell[0], y * cell[1], *cell)
        scene.sketch.area(shape, "paper_inner" if pose.inner_up else "paper", about="sheet.width")
    xs, ys = [x for x, _ in topmost], [y for _, y in topmost]
    left, top = min(xs) * cell[0], min(ys) * cell[1]
    return left, top, (max(xs) + 1) * cell[0] - left, (max(ys) + 1) * cell[1] - top


def sort_leaves(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Leaves laid down face up, the first lowest, and the pile knocked up."""
    wide, high = leaf_of(book)
    scene = scene_of(book, max(wide, high))
    for number in range(3):
        scene.sketch.area(box(number * wide * 0.3, 0, wide, high), "paper", about="sheets.count")
        scene.word(number * wide * 0.3 + wide * 0.15, high * 0.5, str(1 + 2 * number))
    scene.move((wide * 1.5, high * 1.1), (wide * 0.2, high * 1.1))
    yield scene.frame("Lay the leaves in order: the first page on top, face up")
    yield _squared(book, wide, high)


def press_sections(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Sections alternately spine left and spine right, between boards, in the press."""
    wide, _ = leaf_of(book)
    folds = max(2, min(book.block.sections, 8))
    each = max(book.block.thickness / max(book.block.sections, 1), wide / 40)
    scene = scene_of(book, wide)
    for number in range(folds):
        level = -number * each * 1.1
        left = wide * _SHIFTED * (number % 2)
        scene.sketch.area(box(left, level - each, wide, each), "block", about="sections.count")
    high = folds * each * 1.1
    bed(scene, -wide * 0.05, wide * 1.1, 0.0, -high)
    scene.press(wide * 0.15, wide * 0.85, -high - scene.hundredths(4))
    scene.tell("folds to the left and to the right by turns, a board above and a board below")
    yield scene.frame("Between boards, folds left and right by turns, and pressed")
    after_scene = scene_of(book, wide)
    for number in range(folds):
        level = -number * each * 0.8
        after_scene.sketch.area(box(0, level - each * 0.8, wide, each * 0.8), "block", about="sections.count")
    after_scene.tell("the folds stay down by themselves")
    yield after_scene.frame("Pressed: the folds stay down by themselves")


def collate(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The backs of the gathered sections; their marks make one clean stair, and a fault breaks it."""
    folds = max(1, min(book.block.sections, 14))
    high, wide = book.block.height, book.block.height / 2.2
    each = wide / folds
    for wrong in (False, True):
        scene = scene_of(book, high)
        order = list(range(folds))
        if wrong and folds > 2:
            order[folds // 2], order[folds // 2 - 1] = order[folds // 2 - 1], order[folds // 2]
        for place, number in enumerate(order):
            scene.sketch.area(box(place * each, 0, each, high), "block", about="sections.count")
            step = high * 0.8 / folds
            scene.sketch.area(
                box(place * each + each * 0.15, high * 0.06 + number * step, each * 0.7, step),
                "mark",
                "text",
                "sections.count",
            )
        if wrong:
            if folds > 2:
                scene.move((each * folds / 2, high * 1.1), (each * folds / 2, high * 1.02))
            yield scene.frame("A broken stair: two are changed, or one is missing, doubled or upside down")
        else:
            scene.move((-wide * 0.1, high * 0.06), (wide * 1.08, high * 0.9))
            yield scene.frame("In order: the marks make one clean stair down the backs")


def cut_leaf_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The cover leaf cut, its grain along the spine."""
    yield from piece_cut(book, ("cover",), "Cut the cover leaf, its grain along the spine")


def make_endpapers(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A folio folded with the grain; what is made up is glued together first."""
    wide, high = leaf_of(book)
    kind = book.spec.endpapers.kind
    if kind in ("made", "cloth_jointed"):
        scene = scene_of(book, max(2 * wide, high))
        scene.sketch.area(box(0, 0, wide, high), "side_paper", about="piece.endpaper")
        scene.sketch.area(box(wide * 1.15, 0, wide, high), "paper", about="piece.endpaper")
        scene.glue(box(wide * 1.15, 0, wide, high))
        scene.over((wide * 0.5, -high * 0.04), (wide * 1.6, -high * 0.04), 0.18)
        yield scene.frame("Glue the plain leaf, lay the decorated leaf on it, rub it down from the middle")
    scene = scene_of(book, max(2 * wide, high))
    scene.sketch.area(
        box(0, 0, 2 * wide, high), "side_paper" if kind == "made" else "paper", about="piece.endpaper"
    )
    scene.sketch.grain(box(0, 0, 2 * wide, high), 90)
    scene.sketch.line(((wide, 0), (wide, high)), "fold")
    scene.over((wide * 0.1, high / 2), (wide * 1.9, high / 2), 0.2)
    scene.size((0, high), (0, 0), "The folio is high", "piece.endpaper")
    yield scene.frame("Fold each folio with the grain along the fold")
    done = scene_of(book, max(2 * wide, high))
    done.sketch.area(
        box(0, 0, wide, high), "side_paper" if kind == "made" else "paper", about="piece.endpaper"
    )
    done.sketch.line(((wide * 0.012, 0), (wide * 0.012, high)), "fold")
    done.move((wide * 0.05, high * 0.1), (wide * 0.05, high * 0.9))
    yield done.frame("Bone the fold down sharp: it is what is fastened to the block")


def trial_endpapers(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """One pair made and dried before all of them are cut."""
    *_, last = make_endpapers(book, before, after)
    yield next(iter(make_endpapers(book, before, after)))
    yield last


def pull_down(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Threads cut inside the middle of each section, and the section drawn off the next."""
    scene = scene_of(book, book.block.height)
    in_the_fold(scene, book, before | {"folds_pierced"})
    for hole in book.sewing.holes[:: max(1, len(book.sewing.holes) // 3)]:
        scene.cut((hole.place - scene.hundredths(6), scene.hundredths(2)), (hole.place, 0))
    yield scene.frame("Open each section in its middle and cut the thread there")
    scene = scene_of(book, seen_of(book))
    from_tail(scene, book, frozenset())
    half = book.block.thickness / 2
    scene.move((seen_of(book) * 0.5, -half), (seen_of(book) * 0.9, -half - scene.hundredths(16)))
    yield scene.frame("Draw each section off the next, along the fold, never upwards")


def mend_folds(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A strip of thin paper pasted over a worn fold, on the outside, and folded with it."""
    scene = scene_of(book, book.block.height)
    deep = in_the_fold(scene, book, before)
    strip = piece_on(book, ("mending_guard",)) or (10.0, book.block.height)
    half = min(strip) / 2
    scene.glue(
        box(0, -half, book.block.height, 2 * half),
        ((book.block.height / 2, 0), (book.block.height * 0.05, 0)),
        ((book.block.height / 2, 0), (book.block.height * 0.95, 0)),
    )
    scene.size(
        (book.block.height, -half), (book.block.height, half), "The strip is wide", "piece.mending_guard"
    )
    yield scene.frame("Paste the strip, lay it along the fold, rub it down through paper")
    scene = scene_of(book, book.block.height)
    in_the_fold(scene, book, before, deep=deep)
    scene.sketch.area(box(0, -half, book.block.height, 2 * half), "lining", about="piece.mending_guard")
    scene.over((book.block.height / 2, -deep), (book.block.height / 2, deep * 0.9), 0.4)
    yield scene.frame("Fold the folio again while it is damp, and dry it under weight")


def guard_plates(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A strip folded, its one half pasted to the plate's edge; the fold is what is sewn."""
    wide, high = leaf_of(book)
    strip = piece_on(book, ("guard", "plate_guard", "map_guard", "stub", "concertina")) or (20.0, high)
    half = min(strip) / 2
    scene = scene_of(book, max(wide, high))
    scene.sketch.area(box(0, 0, wide, high), "side_paper", about="piece.plate")
    scene.glue(box(0, 0, half, high), ((half / 2, high * 0.15), (half / 2, high * 0.85)))
    scene.size((0, 0), (half, 0), "The pasted edge is wide", "guard.width")
    yield scene.frame("Paste the plate's edge as wide as half the guard; mask the rest")
    scene = scene_of(book, max(wide, high))
    scene.sketch.area(box(0, 0, wide, high), "side_paper", about="piece.plate")
    scene.sketch.area(box(-half, 0, 2 * half, high), "paper", about="piece.guard")
    scene.sketch.line(((0, 0), (0, high)), "fold")
    scene.over((-half, high / 2), (half, high / 2), 0.5)
    yield scene.frame("Lay the guard on, its fold at the plate's edge; sew through that fold")
