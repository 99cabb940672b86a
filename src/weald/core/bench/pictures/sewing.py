"""Pictures of piercing and sewing, and of what is fastened to the block by thread or paste."""

from collections.abc import Iterator

from weald.core.bench.pictures.block_seen import (
    from_front,
    from_spine,
    from_tail,
    in_the_fold,
    seen_of,
    spine_width,
)
from weald.core.bench.pictures.cover_seen import cover_flat
from weald.core.bench.pictures.things import bed, leaf_of, scene_of
from weald.core.block.film import SewingFilm, sewing_film
from weald.core.block.holes import support_middles
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Element, box
from weald.core.job.lying import Facts

_MOST_FRAMES = 5


def pierce(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The punching strip in the fold, the awl through it, from inside outwards."""
    block, holes = book.block, book.sewing.holes
    scene = scene_of(book, block.height)
    deep = in_the_fold(scene, book, before)
    strip = scene.hundredths(6)
    scene.sketch.area(box(0, -strip, block.height, strip), "card", about="sewing.strip")
    for hole in holes:
        scene.sketch.line(((hole.place, -strip), (hole.place, 0)), "slit", "sewing.holes")
    if holes:
        last = holes[-1].place
        scene.move((last, -deep * 0.8), (last, 0))
        scene.size(
            (0, deep), (holes[0].place, deep), "First hole from the head", "sewing.first sewing.kettle"
        )
    scene.tell(f"{len(holes)} holes; never towards the hand")
    yield scene.frame("Lay the strip in the fold, head to head, and pierce through each mark")
    scene = scene_of(book, block.height)
    in_the_fold(scene, book, before | {"folds_pierced"})
    yield scene.frame("Every hole lies in the fold, and in the same place in each {signature}")


def sew(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The thread at the beginning, from the first to the second section, and at a kettle."""
    film = sewing_film(
        book.sewing,
        book.block.height,
        max(book.block.sections, 1),
        book.structure.loose_boards,
        book.notation,
        left_handed=book.at_bench.left_handed,
    )
    steps = film.steps
    told = [number for number, step in enumerate(steps) if _is_telling(film, number)][:_MOST_FRAMES]
    for number in told or range(min(_MOST_FRAMES, len(steps))):
        yield _of_film(book, film, number)


def _is_telling(film: SewingFilm, number: int) -> bool:
    """The first way in, the first way out, where a section begins, and the last."""
    step, steps = film.steps[number], film.steps
    begins = number == 0 or steps[number - 1].section != step.section
    return number == 1 or begins or number == len(steps) - 1


def _of_film(book: Book, film: SewingFilm, number: int) -> Drawing:
    step = film.steps[number]
    inside = film.insides[film.sections.index(step.section)]
    side, shown = (inside, step.inside_shown) if step.side == "inside" else (film.spine, step.spine_shown)
    elements: tuple[Element, ...] = side.elements[:shown]
    title = f"{step.where}, {book.notation.say('{signature}')} {step.section}"
    return Drawing("", "bench", title, side.extent, elements, (0, 0, 0, 0), side.to_scale, step.words)


def staple(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """Staples from outside through the fold, their legs bent over within."""
    scene = scene_of(book, book.block.height)
    in_the_fold(scene, book, before)
    places = [hole.place for hole in book.sewing.holes] or [
        book.block.height * 0.25,
        book.block.height * 0.75,
    ]
    half = scene.hundredths(2.5)
    for place in places:
        scene.sketch.line(((place - half, 0), (place + half, 0)), "thread")
        scene.move((place, -scene.hundredths(12)), (place, -scene.hundredths(1)))
    scene.size(
        (0, scene.hundredths(8)),
        (places[0], scene.hundredths(8)),
        "First staple from the head",
        "sewing.first",
    )
    yield scene.frame("From outside, through the middle of the fold")
    scene = scene_of(book, book.block.height)
    in_the_fold(scene, book, before)
    for place in places:
        scene.sketch.line(((place - half, 0), (place + half, 0)), "thread")
        for side in (-1, 1):
            scene.over(
                (place + side * half, scene.hundredths(5)),
                (place + side * half * 0.2, scene.hundredths(1)),
                0.3 * side,
            )
    yield scene.frame("Legs bent over, flat, one towards the other")


def tip_endpapers(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """A narrow strip of glue along the fold, masked; the endpaper set to the fold of the block."""
    wide, high = leaf_of(book)
    kind, strip = book.spec.endpapers.kind, 3.0
    scene = scene_of(book, max(wide, high))
    scene.sketch.area(box(0, 0, wide, high), "paper", about="piece.endpaper")
    if kind in ("sewn", "wrapped"):
        for hole in book.sewing.holes:
            scene.sketch.line(((0, hole.place), (scene.hundredths(2), hole.place)), "slit", "sewing.holes")
        scene.thread((0, high * 0.1), (0, high * 0.9))
        yield scene.frame("Sewn with the block, through the same holes")
    else:
        scene.sketch.area(box(strip, -high * 0.02, wide * 1.02, high * 1.04), "waste", "outline", "mask")
        scene.glue(
            box(0, 0, strip, high),
            ((strip * 2.5, high * 0.35), (-strip, high * 0.35)),
            ((strip * 2.5, high * 0.65), (-strip, high * 0.65)),
        )
        scene.size((0, 0), (strip, 0), "Glue along the fold, wide")
        yield scene.frame("Mask all but the edge, and brush outwards over the fold")
    scene = scene_of(book, max(wide, high))
    from_front(scene, book, before)
    off = scene.hundredths(5)
    scene.sketch.area(box(off, -off, wide, high), "side_paper", about="piece.endpaper")
    scene.move((off * 2.2, high * 0.5), (0.5, high * 0.5 + off))
    scene.tell("flush with the spine edge, so that nothing lies in the joint")
    yield scene.frame("Set it to the fold, not to the fore-edge, and rub it down")


def weigh_down(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The block between boards, the spine free, pressed."""
    scene = scene_of(book, seen_of(book))
    from_tail(scene, book, before)
    reach, half = seen_of(book), spine_width(book, before) / 2
    bed(scene, reach * 0.04, reach, half, -half)
    scene.press(reach * 0.2, reach * 0.9, -half - scene.hundredths(4))
    scene.press(reach * 0.2, reach * 0.9, half + scene.hundredths(4), upwards=True)
    yield scene.frame("Between boards, jogged to spine and head, and pressed")
    done = scene_of(book, seen_of(book))
    from_tail(done, book, after)
    done.size(
        (reach, -book.block.thickness / 2),
        (reach, book.block.thickness / 2),
        "Thick, pressed",
        "block.thickness",
    )
    yield done.frame("Out of the press: even, and as thick as it will be")


def ribbon(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The ribbon glued to the head of the spine, its length laid through the block."""
    height = book.block.height
    scene = scene_of(book, height)
    from_spine(scene, book, before - {"block_lined"})
    width = spine_width(book, before)
    scene.glue(box(0, 0, width, height * 0.25), ((width / 2, height * 0.22), (width / 2, height * 0.03)))
    scene.sketch.area(
        box(width * 0.35, -height * 0.12, width * 0.3, height * 0.36), "cloth", about="ribbon.length"
    )
    yield scene.frame("Glue a hand's breadth at the head, and lay the ribbon's end into it")
    scene = scene_of(book, height)
    from_front(scene, book, after)
    way = (
        (book.block.width * 0.5, 0),
        (book.block.width * 0.5, height),
        (book.block.width * 0.75, height * 1.06),
    )
    scene.sketch.line(way, "thread", "ribbon.length")
    if book.reckoned("ribbon.length"):
        scene.tell(f"cut {book.size('ribbon.length')} long")
    yield scene.frame("Draw it through the block, out at the tail")


def sew_through_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The section laid in the cover, the needle out through the cover's spine and in again."""
    yield from _opened(
        book, before, "Set the {signature} into the fold of the cover, its holes on the cover's"
    )
    yield from sew(book, before, after)


def _opened(book: Book, facts: Facts, title: str) -> Iterator[Drawing]:
    scene = scene_of(book, book.block.height)
    deep = in_the_fold(scene, book, facts | {"folds_pierced"})
    edge = scene.hundredths(3)
    scene.sketch.line(
        (*box(-edge, -deep - edge, book.block.height + 2 * edge, 2 * (deep + edge)), (-edge, -deep - edge)),
        "outline",
        "cover.height",
    )
    scene.move((-edge * 3, 0), (-edge * 0.5, 0))
    yield scene.frame(title)


def stab_pierce(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The leaves clamped, the holes pierced beside the spine."""
    block = book.block
    scene = scene_of(book, block.height)
    scene.sketch.area(box(0, 0, block.width, block.height), "paper", about="block.width block.height")
    for x, y in _stab_holes(book):
        scene.sketch.area(box(x - 0.8, y - 0.8, 1.6, 1.6), "mark", about="sewing.holes")
    if holes := _stab_holes(book):
        scene.size((0, holes[0][1]), (holes[0][0], holes[0][1]), "From the spine edge", "sewing.margin")
        scene.move((holes[-1][0] + block.width * 0.25, holes[-1][1]), (holes[-1][0] + 2, holes[-1][1]))
    scene.tell("through waste board, the awl upright")
    yield scene.frame("Clamp the leaves and pierce, straight down, through the template")
    yield from list(sew(book, before, after))[:1]


def _stab_holes(book: Book) -> list[tuple[float, float]]:
    if book.sewing.stab is None:
        return [(8.0, hole.place) for hole in book.sewing.holes]
    return [(hole.x, hole.y) for hole in book.sewing.stab.holes]


def stick_slips(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The ends of the supports frayed, glued to the outer leaf, boned down."""
    block = book.block
    for done in (False, True):
        scene = scene_of(book, block.height)
        from_front(scene, book, before | {"slips_stuck"})
        reach = book.bound.sizes.slip or block.width / 5
        wide = max(book.spec.sewing.support_width, 2.0)
        for middle in support_middles(book.sewing.holes):
            place = middle - wide / 2
            shape = box(0, place, reach, wide)
            if done:
                scene.sketch.area(shape, "lining", about="support")
                scene.move((reach * 0.1, place + wide / 2), (reach * 0.95, place + wide / 2))
            else:
                scene.glue(shape, ((reach * 0.1, place + wide / 2), (reach * 0.9, place + wide / 2)))
        yield scene.frame(
            "Boned down flat, fanned at the ends"
            if done
            else "Glue where the slips will lie, and on their ends"
        )


def sew_into_cover(book: Book, before: Facts, after: Facts) -> Iterator[Drawing]:
    """The slips through the slits of the cover, out and in again."""
    scene = scene_of(book, book.block.height)
    cover_flat(scene, book, before)
    middle = (scene.sketch.points and max(x for x, _ in scene.sketch.points) / 2) or 0.0
    for hole in book.sewing.holes:
        scene.sketch.line(((middle - 8, hole.place), (middle + 8, hole.place)), "slit", "slit.length")
    scene.move((middle - 20, book.block.height / 2), (middle + 20, book.block.height / 2))
    yield scene.frame("Draw each slip out through its first slit, in through the next")
    scene = scene_of(book, seen_of(book))
    from_tail(scene, book, before)
    half = spine_width(book, before) / 2
    scene.sketch.line(
        ((seen_of(book), -half - 1), (-2, -half - 1), (-2, half + 1), (seen_of(book), half + 1)),
        "outline",
        "cover.width",
    )
    yield scene.frame("Close the cover, and draw every slip tight")
