"""Finish: what stands on the spine, how large its letters can be, ribbon and edges."""

from collections.abc import Callable
from dataclasses import dataclass

from weald.core.block.bands import Panel, panels_here
from weald.core.drawing import LETTER_WIDTH, Drawing, Sketch, box
from weald.core.findings import Action, Finding, finding
from weald.core.job.finish import DIRECTION_WORDS
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS
from weald.core.pieces import Piece, make_piece
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger, School
from weald.core.stations.bound_sizes import BoundSizes
from weald.core.units import TOLERANCE, Mm

LEAST_SPINE: Mm = 6.0
"""The narrowest spine that takes lettering."""
SPINE_SAFETY: Mm = 1.5
"""Kept free at either edge of the spine."""
ENDS: Mm = 8.0
"""Kept free at head and tail, or of a panel's edges where it is lettered across."""
LINE_HEIGHT = 1.5
"""Height a line of type takes, to that of its capitals: room for what hangs below the line."""
LARGEST: Mm = 9.0
SMALLEST: Mm = 1.6
LABEL_MARGIN: Mm = 3.0
RIBBON_MORE: Mm = 50.0
RIBBON_WIDTH: Mm = 6.0
FLAT_PART = 1 / 6
"""Without bands, the title stands in the second sixth of the spine from the head."""


@dataclass(frozen=True, slots=True)
class Field:
    """Where lettering goes on the spine, from its head.

    :param capital: height of its capitals; ``fits`` the largest there is room for.
    :param length: what its longest line takes.
    """

    text: str
    top: Mm
    height: Mm
    capital: Mm
    fits: Mm
    length: Mm

    @property
    def drawn(self) -> Mm:
        """Capitals as they are drawn: never beyond the spine, whatever was decided."""
        return min(self.capital, self.fits)


@dataclass(frozen=True, slots=True)
class FinishPlan:
    """The spine to be lettered. ``tall`` is the quantity its height is."""

    width: Mm
    height: Mm
    tall: str
    panels: tuple[Panel, ...]
    title: Field | None
    volume: Field | None


def spine_title(spec: JobSpec) -> str:
    """What is lettered: author and title, or what was decided for the spine."""
    finish = spec.finish
    title = finish.title or spec.title
    return f"{finish.author} · {title}" if finish.author else title


def reckon(
    spec: JobSpec, lettered: bool, banded: bool, sizes: BoundSizes, ledger: Ledger
) -> FinishPlan | None:
    """Enter the sizes of spine, panels, type and ribbon.

    :param lettered: whether the binding has a spine to letter; ``banded`` whether it has bands.
    """
    finish = spec.finish
    if finish.ribbons:
        ledger.reckon(
            "ribbon.length",
            ledger.value("block.diagonal") + RIBBON_MORE,
            "{diagonal} + {more}",
            {
                "diagonal": ledger.ref("block.diagonal"),
                "more": ledger.entry("more", RIBBON_MORE, "finish.ribbons"),
            },
            rule="glued to the spine at the head, and long enough to be pulled by at the corner",
        )
    if not lettered or sizes.spine is None or sizes.tall is None:
        return None
    width = ledger.reckon("finish.width", sizes.spine, "as wide as the spine of the cover")
    height, tall = sizes.tall
    spaces = panels_here(spec, height) if banded and spec.binding.bands.count else ()
    if finish.placed == "none":
        return FinishPlan(width, height, tall, spaces, None, None)
    along = finish.direction != "across"
    top, room = _title_room(height, spaces, along, bool(finish.volume))
    title = _fit(spec, width, top, room, along, ledger)
    _reckon_label(spec, title, along, ledger)
    volume = _volume(spec, width, height, spaces, title, ledger)
    return FinishPlan(width, height, tall, spaces, title, volume)


def _title_room(height: Mm, spaces: tuple[Panel, ...], along: bool, numbered: bool) -> tuple[Mm, Mm]:
    """Where the title may stand: the second panel from the head, or a plain spine down to its number."""
    if len(spaces) > 1:
        return spaces[1].top, spaces[1].height
    if along:
        end = height * (1 - 2 * FLAT_PART) if numbered else height
        return ENDS, end - 2 * ENDS
    return height * FLAT_PART, height * FLAT_PART


def _fit(spec: JobSpec, width: Mm, top: Mm, room: Mm, along: bool, ledger: Ledger) -> Field:
    """The largest capitals that fit the spine and the room for the title, or those decided."""
    text, decided = spine_title(spec), spec.finish.capital
    across = width - 2 * SPINE_SAFETY
    length, line = (room, across) if along else (across, room)
    words = [text] if along else _lines(text)
    longest = max(len(word) for word in words)
    most = max(0.0, min(length / (LETTER_WIDTH * longest), line / (LINE_HEIGHT * len(words))))
    fits = min(LARGEST, most)
    schools: list[School] = [
        ledger.school(
            part,
            label,
            fits * factor,
            {"finish.capital": round(fits * factor, 2)},
            chosen=decided is not None and abs(decided - fits * factor) < 0.01,
            effect=effect,
        )
        for part, label, factor, effect in (
            ("full", "as large as fits", 1.0, "fills the spine"),
            ("two_thirds", "two thirds of that", 2 / 3, "quiet, with air round it"),
        )
    ]
    capital = ledger.reckon(
        "title.capital",
        fits * 2 / 3 if decided is None else decided,
        "{fits} × 2 / 3" if decided is None else "as decided",
        {"fits": ledger.entry("what fits", fits, "finish.width")} if decided is None else {},
        rule=f"room for {len(text)} letters in {ledger.notation.length(length, True)}, and "
        f"{ledger.notation.length(SPINE_SAFETY, True)} free at either edge of the spine",
        schools=schools,
        entry=None if decided is None else "finish.capital",
    )
    length_of = ledger.reckon(
        "title.length",
        LETTER_WIDTH * longest * capital,
        "{letters} × 0.95 × {capital}",
        {
            "letters": ledger.entry("letters", longest, "finish.title", "count"),
            "capital": ledger.ref("title.capital"),
        },
        rule="of letters of common width; set it and measure",
    )
    return Field(text, top, room, capital, most, length_of)


def _lines(text: str) -> list[str]:
    """A title across the spine, a word a line but for short ones that go with the next."""
    lines: list[str] = []
    for word in text.split():
        if lines and len(lines[-1]) <= 3:
            lines[-1] += f" {word}"
        else:
            lines.append(word)
    return lines or [text]


def _reckon_label(spec: JobSpec, title: Field, along: bool, ledger: Ledger) -> None:
    if spec.finish.placed != "label":
        return
    lines = 1 if along else len(_lines(title.text))
    thick = lines * LINE_HEIGHT * title.capital + 2 * LABEL_MARGIN
    margin = ledger.entry("margin", LABEL_MARGIN, "finish.placed")
    long = ledger.value("title.length") + 2 * LABEL_MARGIN
    length = {"length": ledger.ref("title.length"), "margin": margin}
    line = {
        "lines": ledger.entry("lines", lines, "finish.title", "count"),
        "capital": ledger.ref("title.capital"),
        "margin": margin,
    }
    across: QuantityId = "label.height" if along else "label.width"
    tall: QuantityId = "label.width" if along else "label.height"
    ledger.reckon(across, long, "{length} + 2 × {margin}", length)
    ledger.reckon(tall, thick, f"{{lines}} × {LINE_HEIGHT:g} × {{capital}} + 2 × {{margin}}", line)


def _volume(
    spec: JobSpec, width: Mm, height: Mm, spaces: tuple[Panel, ...], title: Field, ledger: Ledger
) -> Field | None:
    text = spec.finish.volume
    if not text:
        return None
    top, room = _volume_room(height, spaces)
    fits = min(LARGEST, room / LINE_HEIGHT, (width - 2 * SPINE_SAFETY) / (LETTER_WIDTH * len(text)))
    capital = ledger.reckon(
        "volume.capital",
        max(0.0, min(fits, title.capital * 1.2)),
        "as large as the title's, or what the spine takes",
        rule="across the spine, in the fourth panel from the head, clear of the title",
    )
    return Field(text, top, room, capital, max(0.0, fits), LETTER_WIDTH * len(text) * capital)


def _volume_room(height: Mm, spaces: tuple[Panel, ...]) -> tuple[Mm, Mm]:
    """Where a volume's number stands, clear of the title: the fourth panel, or the nearest that is free."""
    if len(spaces) > 1:
        panel = spaces[3] if len(spaces) > 3 else spaces[2] if len(spaces) > 2 else spaces[0]
        return panel.top, panel.height
    return height * (1 - 2 * FLAT_PART), height * FLAT_PART


def mind(spec: JobSpec, plan: FinishPlan | None, ledger: Ledger) -> list[Finding]:
    """What to mind about the lettering."""
    if plan is None:
        return [finding("finish.no_spine", "finish.title", ledger.notation)] if spec.finish.title else []
    if plan.title is None:
        return []
    if plan.width < LEAST_SPINE - TOLERANCE:
        return [
            finding(
                "finish.narrow",
                "finish.width",
                ledger.notation,
                width=ledger.notation.apart(plan.width, LEAST_SPINE)[0],
                least=ledger.notation.apart(plan.width, LEAST_SPINE)[1],
                actions=(_otherwise(spec) or Action("Letter the front instead", {"finish.placed": "none"}),),
            )
        ]
    found: list[Finding] = []
    if plan.title.capital < SMALLEST:
        across = spec.finish.direction == "across"
        turn = [Action("Letter it from head to tail", {"finish.direction": "down"})] if across else []
        if template := _otherwise(spec):
            turn.insert(0, template)
        capital = ledger.notation.thickness(plan.title.capital, True)
        found.append(
            finding("finish.small", "title.capital", ledger.notation, capital=capital, actions=tuple(turn))
        )
    if plan.title.capital > plan.title.fits + TOLERANCE:
        found.append(
            finding(
                "finish.large",
                "title.capital",
                ledger.notation,
                capital=ledger.notation.thickness(plan.title.capital, True),
                actions=(Action("As large as fits", {"finish.capital": None}),),
            )
        )
    return found


def _otherwise(spec: JobSpec) -> Action | None:
    """Where a finishing template has lines of its own, the title is left to it."""
    template = spec.extras.finishing
    if template is None or not template.lines:
        return None
    return Action("Leave it to the finishing template", {"finish.placed": "none"})


def pieces(spec: JobSpec, plan: FinishPlan | None, ledger: Ledger) -> list[Piece]:
    """Label and ribbons."""
    found = []
    if spec.finish.ribbons:
        size = (RIBBON_WIDTH, ledger.value("ribbon.length"))
        count, how = spec.finish.ribbons * spec.copies, "glued to the spine at the head; its end cut aslant"
        found.append(make_piece(ledger, "ribbon", "Ribbon", "support", count, size, how, grain="any"))
    if plan and plan.title and spec.finish.placed == "label":
        size = (ledger.value("label.width"), ledger.value("label.height"))
        how = "lettered before it is cut and pasted on"
        found.append(make_piece(ledger, "label", "Label", "side_paper", spec.copies, size, how))
    return found


def draw_spine(spec: JobSpec, plan: FinishPlan, ledger: Ledger) -> Drawing:
    """The spine as it stands on the shelf, with bands, title and volume at true size."""
    show, sketch = ledger.notation.figure, Sketch()
    spine = box(0, 0, plan.width, plan.height)
    drawn = COVERS[spec.binding.material].record.drawn
    sketch.area(spine, drawn, "cut", f"finish.width {plan.tall}")
    _draw_bands(sketch, plan, show)
    for part in (plan.title, plan.volume):
        if part is not None:
            _draw_field(sketch, spec, plan, part, ledger)
    sketch.dimension((0, 0), (plan.width, 0), show(plan.width), about="finish.width")
    sketch.dimension((0, plan.height), (0, 0), show(plan.height), offset=1, about=plan.tall)
    return sketch.finish(
        "finish.spine",
        "finish",
        "The spine, lettered",
        rows=(1, 1, 1, 0),
        text=f"“{spine_title(spec)}”, {DIRECTION_WORDS[spec.finish.direction]}.",
        template=True,
    )


def _draw_bands(sketch: Sketch, plan: FinishPlan, show: Callable[[Mm], str]) -> None:
    for panel in plan.panels:
        bottom = panel.top + panel.height
        right = plan.width
        sketch.dimension((right, panel.top), (right, bottom), show(panel.height), about="panel.each")
        if panel is not plan.panels[-1]:
            band = plan.panels[panel.number].top - bottom
            sketch.area(box(0, bottom, right, band), "mark", "outline", "panel.each")


def _draw_field(sketch: Sketch, spec: JobSpec, plan: FinishPlan, part: Field, ledger: Ledger) -> None:
    middle, centre = plan.width / 2, part.top + part.height / 2
    along = part is plan.title and spec.finish.direction != "across"
    if part is plan.title and spec.finish.placed == "label":
        width, height = ledger.value("label.width"), ledger.value("label.height")
        label = box(middle - width / 2, centre - height / 2, width, height)
        sketch.area(label, "side_paper", "cut", "label.width label.height")
    about = "title.capital title.length" if part is plan.title else "volume.capital"
    shown = part.drawn / part.capital if part.capital else 1.0
    if along:
        turn = 90.0 if spec.finish.direction == "down" else -90.0
        length = part.length * shown
        sketch.label(middle, centre, part.text, height=part.drawn, rotation=turn, about=about, length=length)
        return
    lines = _lines(part.text) if part is plan.title else [part.text]
    step, longest = LINE_HEIGHT * part.drawn, max(len(line) for line in lines)
    for number, line in enumerate(lines):
        y = centre + (number - (len(lines) - 1) / 2) * step
        length = part.length * shown * len(line) / longest
        sketch.label(middle, y, line, height=part.drawn, about=about, length=length)


PROOF_SIZES = (0.8, 1.0, 1.25)


def draw_proof(spec: JobSpec, plan: FinishPlan, title: Field, ledger: Ledger) -> Drawing:
    """The title at true size on strips as wide as the spine, a little smaller and larger beside it.

    Larger only as far as the spine has room.
    """
    sketch = Sketch()
    sizes = dict.fromkeys(min(title.drawn * factor, title.fits) for factor in PROOF_SIZES)
    left = 0.0
    for capital in sizes:
        sketch.area(box(left, 0, plan.width, plan.height), "paper", "cut", "finish.width")
        length = title.length * capital / title.capital if title.capital else 0.0
        part = Field(title.text, title.top, title.height, capital, title.fits, length)
        moved = Sketch()
        one = FinishPlan(plan.width, plan.height, plan.tall, plan.panels, part, None)
        _draw_field(moved, spec, one, part, ledger)
        sketch.place(moved.elements, left, 0)
        shown = ledger.notation.thickness(capital, True)
        sketch.label(left + plan.width / 2, plan.height + 4, shown, height=2.0)
        left += plan.width + 12
    sketch.points.append((0.0, plan.height + 8))
    return sketch.finish(
        "finish.proof",
        "finish",
        "Lettering proof, to fold round the spine",
        rows=(0, 0, 0, 0),
        text="The title at true size, with a smaller and a larger size beside it.",
        template=True,
    )
