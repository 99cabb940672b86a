"""Endpapers composed freely: drawn in section; block, joint and cut list reckon with them themselves."""

from collections.abc import Iterator, Sequence

from weald.core.bindings.protocol import Structure
from weald.core.block.ends import ENDS, LEAVES, ROUND_A_SECTION, SEWN, End, elements_at, joint_strips
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.leaves import ComposedEnds, EndElement
from weald.core.job.spec import JobSpec
from weald.core.units import Mm

STEP: Mm = 4.0
"""From leaf to leaf in the section; it is not to scale."""
LONG: Mm = 70.0
SECTION_LEAVES = 3
WORDS = {
    "folio": "folio",
    "single": "single leaf",
    "laminated": "two leaves pasted together",
    "cloth_joint": "cloth joint",
    "lining": "strip of mull or cloth",
}
HELD = {
    "tipped": "tipped",
    "hooked": "hooked round",
    "sewn": "sewn",
    "through_fold": "sewn through the fold",
    "wrapped": "wrapped round",
}


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Whatever has endpapers."""
    return structure.endpapers


def reckon(book: Book) -> Added:
    """Draw one end in section, or both where they differ, and say what does not hold."""
    ends = book.spec.extras.ends or ComposedEnds()
    alike = all(each.at == "both" for each in ends.elements)
    drawings: tuple[Drawing, ...] = ()
    if "block" in book.drawn and ends.elements:
        drawings = (
            (_draw(book, ends.elements, None),)
            if alike
            else tuple(_draw(book, elements_at(ends, end), end) for end in ENDS)
        )
    return Added(drawings=drawings, findings=tuple(_mind(book, ends)))


def _mind(book: Book, ends: ComposedEnds) -> Iterator[Finding]:
    notation = book.notation
    for end in ENDS:
        if not any(LEAVES[each.what] for each in elements_at(ends, end)):
            both = not any(LEAVES[each.what] for each in ends.elements)
            leaf = EndElement(at="both" if both else end)
            add = [*(each.model_dump() for each in ends.elements), leaf.model_dump()]
            actions = (Action("Add a folio", {"extras.ends.elements": add}),)
            where = "the endpapers" if both else f"the endpapers at the {end}"
            yield finding("ends.no_leaf", "extras.ends.elements", notation, where=where, actions=actions)
            if both:
                break
    for number, each in enumerate(ends.elements):
        about = f"extras.ends.elements.{number}.attached"
        if each.attached in (*SEWN, *ROUND_A_SECTION) and not book.block.sections:
            yield finding("ends.not_sewn", about, notation, held=HELD[each.attached])
        elif each.attached in SEWN and each.what in ("single", "laminated"):
            yield finding("ends.no_fold", about, notation, what=WORDS[each.what])
    joints = max((elements_at(ends, end) for end in ENDS), key=joint_strips)
    if sum(each.what == "cloth_joint" for each in joints) > 1:
        yield finding(
            "ends.joints",
            "extras.ends.elements",
            notation,
            thick=notation.thickness(joint_strips(joints) * ends.cloth, True),
        )


def _draw(book: Book, elements: Sequence[EndElement], end: End | None) -> Drawing:
    """One end cut across, the board above and the first section below, the spine to the left."""
    sketch = Sketch()
    y = 0.0
    sketch.line(((2 * STEP, y), (LONG, y)), "cut")
    sketch.line(((2 * STEP, y - STEP), (LONG, y - STEP)), "cut")
    sketch.label(LONG + 2, y - STEP / 2, "board", anchor="start", height=3)
    for each in elements:
        y = _draw_element(sketch, each, y + STEP)
    y += STEP
    for leaf in range(SECTION_LEAVES):
        low = y + 2 * SECTION_LEAVES * STEP - leaf * STEP
        high = y + leaf * STEP
        sketch.line(
            (
                (LONG, high),
                (leaf * 1.5, high),
                (leaf * 1.5 - 1.5, (high + low) / 2),
                (leaf * 1.5, low),
                (LONG, low),
            ),
            "outline",
        )
    word = book.notation.say("outer {signature}")
    sketch.label(LONG + 2, y + SECTION_LEAVES * STEP, word, anchor="start", height=3)
    sketch.points.append((LONG + 50, y))
    return sketch.finish(
        "block.ends_back" if end == "back" else "block.ends",
        "block",
        f"{f'The {end}' if end else 'One end'} in section, the spine to the left",
        rows=(0, 0, 0, 0),
        to_scale=False,
        text="From the board inwards: "
        + "; ".join(f"{each.name or WORDS[each.what]}, {HELD[each.attached]}" for each in elements),
    )


def _draw_element(sketch: Sketch, each: EndElement, y: Mm) -> Mm:
    """One part, and the height the next may stand at."""
    about = "extras.ends.elements"
    words = f"{each.name or WORDS[each.what]}, {HELD[each.attached]}"
    first = y
    if each.what == "folio":
        sketch.line(
            ((LONG, y), (1, y), (-0.5, y + STEP / 2), (1, y + STEP), (LONG, y + STEP)), "outline", about
        )
        y += STEP
    elif each.what == "laminated":
        for off in (0.0, 0.8):
            sketch.line(((1, y + off), (LONG, y + off)), "outline", about)
        sketch.line(((1, y + 0.4), (LONG, y + 0.4)), "glue", about)
    elif each.what == "single":
        sketch.line(((1, y), (LONG, y)), "outline", about)
    else:
        for strip in range(2 if each.second else 1):
            reach = 24 - 4 * strip
            at = y + 0.9 * strip
            sketch.line(
                ((reach, at), (1, at), (-1, at + STEP / 2), (1, at + STEP), (reach, at + STEP)),
                "thread",
                about,
            )
        y += STEP
    if each.attached == "tipped":
        sketch.line(((1, y + 0.7), (6, y + 0.7)), "glue", about)
    elif each.attached in ROUND_A_SECTION:
        foot = y + 2 * (SECTION_LEAVES + 1) * STEP
        sketch.line(((1, y), (-2.5, y + STEP), (-2.5, foot - STEP), (1, foot), (8, foot)), "outline", about)
    else:
        sketch.line(((-3, y - STEP / 2), (3, y - STEP / 2)), "thread", about)
    sketch.label(LONG + 2, (first + y) / 2, words, anchor="start", height=3, about=about)
    return y


def draw(sketch: Sketch) -> None:
    """A board, a folio with a joint round its fold, and the section below."""
    sketch.line(((6, 0), (44, 0)), "cut")
    sketch.line(((6, -3), (44, -3)), "cut")
    sketch.line(((44, 5), (2, 5), (0, 7), (2, 9), (44, 9)), "outline")
    sketch.line(((18, 4), (1, 4), (-2, 7), (1, 10), (18, 10)), "thread")
    for leaf in range(3):
        sketch.line(
            ((44, 14 + leaf * 3), (2 + leaf, 14 + leaf * 3), (2 + leaf, 32 - leaf * 3), (44, 32 - leaf * 3)),
            "outline",
        )


EXTRA = Extra(
    name="ends",
    station="block",
    title="endpapers composed",
    does="Compose the endpapers",
    good_for=(
        "leaves, joints and linings in an order of one's own, each held in its own way, instead of one kind"
    ),
    entries=ComposedEnds,
    draw=draw,
    suits=suits,
    reckon=reckon,
    begins={
        "elements": [
            EndElement(attached="sewn").model_dump(),
            EndElement(what="cloth_joint", attached="sewn").model_dump(),
        ]
    },
    in_words="cloth joint, hooked, wrapped, fly-leaf, decorated, laminated, lining",
)
