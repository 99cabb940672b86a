"""What every structure answers: what it is and what it suits; a block in, pieces and drawings out."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Literal, Protocol, TypeVar

from weald.core.bindings.supports import Attachment
from weald.core.block.holes import Hole
from weald.core.drawing import Drawing, Point, Sketch
from weald.core.findings import Finding, Patch
from weald.core.job.binding import Covering, StructureName
from weald.core.job.block import BackName, SewingMethod, ShoulderName
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS
from weald.core.pieces import Piece
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.stations.bound_sizes import NOT_BOUND, BoundSizes
from weald.core.units import Mm

Sections = Literal["one", "several", "leaves"]
Held = Literal["case", "on_block", "thread", "glued", "slits", "bare", "stitched", "sewn_through", "stabbed"]
"""In a case made apart; by boards on the block, covered there; by boards the thread holds; by the spine of
a soft cover, glued; by slips through its slits; by nothing, for want of a cover; stitched through the fold
with it; sewn through its spine; sewn beside the spine."""
Choice = TypeVar("Choice")
COVER_STUFF = ("binding.material", "binding.cover_name", "binding.cover_thickness")
"""What is asked of whatever it is covered with."""
SHOULDER_DEGREES: dict[ShoulderName, float] = {"none": 0.0, "45": 45.0, "90": 90.0}


@dataclass(frozen=True, slots=True)
class Bound:
    """A block in its binding.

    :param sizes: of what binds it; what it does not have is not there.
    :param profile: half of its covering on the closed book, cut across: from the middle of the spine, round
        the joint, to the fore-edge; x from the joint's edge to the fore-edge, y from the block's middle
        upwards, which is negative. Empty where nothing covers the spine.
    """

    pieces: tuple[Piece, ...]
    drawings: tuple[Drawing, ...]
    findings: tuple[Finding, ...]
    sizes: BoundSizes = NOT_BOUND
    profile: tuple[Point, ...] = ()


class Bind(Protocol):
    """Binds a block, entering every size in the ledger."""

    def __call__(self, spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
        """Size, draw and judge the binding of ``block``; ``holes`` are those of its sewing."""


@dataclass(frozen=True, slots=True)
class Structure:
    """A way to bind a block. Whatever can be chosen lists its default first.

    :param good_for: what it is good for, ``lasts`` how long, ``needs`` what it takes; in words.
    :param effort: 1 an evening's first try, 5 years of practice.
    :param draw: its small picture, a closed book cut across at the spine unless something says more.
    :param held: how block and cover hold together, which the order of work follows.
    :param entries: the paths of what it asks for, besides text, paper and folding.
    :param chooses: what choosing it changes besides its name.
    :param sections: one folded section, several sewn together, or single leaves.
    :param thinnest, thickest: blocks it suits. ``heaviest``: grams of leaves it carries.
    :param most_swell: part of the thickness its back takes up; beyond that the spine stays swollen.
    :param flush: whether cover and block are trimmed together, which a deckle edge does not survive.
    :param lined: whether its spine is lined with mull and paper; ``hollow`` whether it may have a hollow.
    :param banded: whether bands may run across its spine; ``lettered`` whether it has a spine to letter.
    :param printed: whether its cover is meant to be printed on.
    :param rebound: whether it begins with a bound book, which is pulled down.
    :param spine_board: whether a board lies between its two, which a strip can join to them.
    :param laminated: whether each board is made of a thick and a thin one.
    :param attachment: where the ends of its supports go.
    """

    name: StructureName
    title: str
    good_for: str
    lasts: str
    effort: int
    needs: str
    bind: Bind
    draw: Callable[[Sketch], None]
    methods: tuple[SewingMethod, ...]
    sections: Sections = "several"
    backs: tuple[BackName, ...] = ("flat",)
    shoulders: tuple[ShoulderName, ...] = ("none",)
    coverings: tuple[Covering, ...] = ("full",)
    entries: tuple[str, ...] = ()
    chooses: Patch | None = None
    thinnest: Mm = 0.0
    thickest: Mm = 80.0
    heaviest: float = 2500.0
    most_swell: float = 0.12
    boards: bool = True
    endpapers: bool = True
    flush: bool = False
    lined: bool = True
    hollow: bool = False
    laminated: bool = False
    rebound: bool = False
    spine_board: bool = False
    attachment: Attachment = "case"
    held: Held = "case"
    banded: bool = False
    lettered: bool = True
    printed: bool = False

    @property
    def cased(self) -> bool:
        """Whether it is made into a case of its own, and the block put into that."""
        return self.held == "case"

    @property
    def in_shoulders(self) -> bool:
        """Whether its boards sit in the shoulders, held by the block itself and not by a case."""
        return self.held == "on_block"

    @property
    def loose_boards(self) -> bool:
        """Whether its boards are held by the sewing thread alone."""
        return self.held == "thread"

    def treatment(self, spec: JobSpec) -> Treatment:
        """What it does to the block: what was decided, where that goes with it, else its own first choice."""
        rounded = _allowed(spec.back.shape, self.backs) == "round"
        shoulder = _allowed(spec.back.shoulder, self.shoulders)
        return Treatment(
            rounded=rounded,
            shoulder=SHOULDER_DEGREES[shoulder] if rounded and self.boards else 0.0,
            method=_allowed(spec.sewing.method, self.methods),
            endpapers=self.endpapers,
            most_swell=self.most_swell,
            leaf_factor=2 if "binding.leaves" in self.entries and spec.binding.leaves == "drum" else 1,
        )

    def shows_print(self, spec: JobSpec) -> bool:
        """Whether what is printed on its cover is planned: on paper in one piece."""
        if spec.extras.self_cover is not None:
            return False
        whole = self.covering(spec) in ("full", "three_piece")
        return self.printed or (
            self.boards and self.lettered and whole and COVERS[spec.binding.material].printed
        )

    def covering(self, spec: JobSpec) -> Covering:
        """The covering decided, where it goes with this structure, else its first."""
        return _allowed(spec.binding.covering, self.coverings)

    def picture(self) -> Drawing:
        """Its small picture."""
        sketch = Sketch()
        self.draw(sketch)
        drawing = sketch.finish(f"structure.{self.name}", "boards", self.title, rows=(0, 0, 0, 0))
        return replace(drawing, to_scale=False)


def _allowed(wanted: Choice, allowed: tuple[Choice, ...]) -> Choice:
    return wanted if wanted in allowed else allowed[0]
