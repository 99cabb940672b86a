"""A hand that carries an order of work out on made-up matter, and refuses what no hand can do.

Written from what paper, thread, glue and board allow. It knows the operations by name and by nothing else:
neither what they say they need nor what they say they make.
"""

from collections import Counter
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field

from weald.core.book.operation import Operation
from weald.core.job.lying import Lies


class RefusedError(Exception):
    """No hand can do this."""


@dataclass
class Matter:
    """What lies there.

    :param paper: ``stock``, ``sheets``, ``printed``; ``form``: ``flat``, ``sections``, ``leaves``.
    :param held: what holds the leaves together. ``back``: the shape of the spine.
    :param stiff: lined, so that the spine bends no more. ``skin``: an old cover is on.
    :param edges: those cut. ``boards``: bare ones; ``on``: what is fixed to the block.
    :param stuck: layers that nothing slides between any more.
    """

    paper: str = "stock"
    form: str = "flat"
    held: str = ""
    supports: bool = False
    glued: bool = False
    soft: bool = False
    stiff: bool = False
    back: str = "flat"
    skin: bool = False
    crust: bool = False
    edges: set[str] = field(default_factory=set)
    ends: str = ""
    boards: str = ""
    inner_only: bool = False
    on: str = ""
    cover: str = ""
    case: str = ""
    bands: bool = False
    holes: bool = False
    covered: bool = False
    down: bool = False
    dry: bool = True
    measured: bool = False
    looked: bool = False


def found(lies: Lies) -> Matter:
    """What lies there at first, as one sees it."""
    block: dict[str, object] = {
        "paper": "printed",
        "form": "sections",
        "held": "thread",
        "supports": True,
        "holes": True,
    }
    leaves: dict[str, object] = {"paper": "printed", "form": "leaves"}
    old: dict[str, object] = {
        "skin": True,
        "crust": True,
        "glued": True,
        "edges": {"head", "tail", "fore-edge"},
    }
    states: dict[Lies, dict[str, object]] = {
        "stock": {},
        "sheets": {"paper": "printed"},
        "folded": {"paper": "printed", "form": "sections"},
        "sewn": block,
        "glued": block | {"glued": True},
        "lined": block | {"glued": True, "stiff": True},
        "leaves": leaves,
        "leaves_glued": leaves | {"held": "glue", "glued": True},
        "paperback_leaves": leaves | old | {"held": "glue"},
        "paperback_sewn": block | old | {"supports": False},
        "bound": {"paper": "printed", "form": "sections", "held": "old thread", "skin": True, "crust": True},
        "case_broken": block | old,
    }
    return Matter(**states[lies])  # type: ignore[arg-type]


def need(so: object, why: str) -> None:
    """Refuse unless something is so."""
    if not so:
        raise RefusedError(why)


class Hand:
    """Does one operation after the other. ``wanted``: how the binding holds, in a binder's words."""

    def __init__(self, matter: Matter, rounded: bool, backed: bool) -> None:
        self.it = matter
        self.rounded, self.backed = rounded, backed
        self.used: Counter[str] = Counter()
        self.done: list[str] = []
        self.now: Operation
        self.tipped = False
        self.done_to: set[str] = set()

    def carry_out(self, operations: Sequence[Operation], *, by_matter_alone: bool = False) -> Matter:
        """Do all of them in turn.

        :param by_matter_alone: whatever each says it waits for.

        :raises RefusedError: at the first that cannot be done.
        """
        by_id = {each.id: each for each in operations}
        self.tipped = "tip_endpapers" in by_id
        for each in operations:
            if not by_matter_alone:
                for before in each.after:
                    need(before in self.done, f"{each.id} waits for {before}")
                self._not_set(each, by_id)
            for piece in each.pieces:
                self.used[piece.piece] += 1
                need(self.used[piece.piece] == 1, f"{piece.piece} is used up already")
            act: Callable[[], None] | None = getattr(self, f"do_{each.id}", None)
            need(act is not None, f"no hand has learnt {each.id}")
            self.now = each
            if act is not None:
                act()
            self.done.append(each.id)
        return self.it

    def _not_set(self, each: Operation, by_id: dict[str, Operation]) -> None:
        """What is only tacky, or wet under a nip, is gone on with next, by nothing else."""
        if self.done and (last := by_id[self.done[-1]]).wait and last.wait.harm:
            need(last.id in each.after, f"{each.id} while {last.id} sets")

    # --- what is undone

    def do_lift_old_cover(self) -> None:
        need(self.it.skin, "no old cover")
        self.it.skin = False

    def do_clean_spine(self) -> None:
        need(not self.it.skin, "the old cover is over the spine")
        need(not self.it.stiff, "a new lining is on")
        self.it.crust = False

    def do_pull_down(self) -> None:
        need(self.it.held == "old thread", "nothing sewn to pull")
        need(not self.it.skin, "the old cover holds it")
        self.it.held, self.it.crust, self.it.glued = "", False, False

    # --- sheets

    def do_stock_out(self) -> None:
        """Nothing is changed by looking."""

    def do_cut_sheets(self) -> None:
        need(self.it.paper == "stock", "the sheets are cut")
        self.it.paper = "sheets"

    def do_print(self) -> None:
        need(self.it.paper == "sheets" and self.it.form == "flat", "no flat sheets to print on")
        self.it.paper = "printed"

    def do_fold(self) -> None:
        need(self.it.paper != "stock" and self.it.form == "flat", "no flat sheets to fold")
        self.it.form = "sections"

    def do_sort_leaves(self) -> None:
        need(self.it.paper != "stock" and not self.it.held, "no loose leaves")
        self.it.form = "leaves"

    def _loose(self) -> None:
        need(self.it.form != "flat", "nothing folded or sorted")
        need(not self.it.held, "held together already")
        need(not self.it.skin, "the old cover is on")

    def do_mend_folds(self) -> None:
        self._loose()

    def do_press_sections(self) -> None:
        self._loose()

    def do_guard_plates(self) -> None:
        self._loose()

    def do_collate(self) -> None:
        self._loose()

    def do_cut_leaf_cover(self) -> None:
        need(not self.it.held, "stitched already: it cannot go round")
        self.it.cover = "round it"

    def do_make_endpapers(self) -> None:
        need(not self.it.ends, "there are endpapers")
        self.it.ends = "made"

    # --- the block

    def do_pierce(self) -> None:
        self._loose()
        need(self.it.form == "sections", "no folds to pierce")
        self.it.holes = True

    def do_sew(self) -> None:
        need(self.it.form == "sections" and self.it.holes, "no holes in folds")
        need(not self.it.held and not self.it.glued, "glued or held: no needle goes through its folds")
        need(self.it.boards in ("", "holed", "cut"), "boards without holes")
        self.it.held, self.it.supports = "thread", True
        if not self.tipped and self.it.ends == "made":
            self.it.ends = "on"
        if self.it.boards == "holed":
            self.it.on, self.it.covered = "boards", True

    def do_staple(self) -> None:
        need(self.it.holes and not self.it.held, "nothing to staple")
        self.it.held = "thread"

    def _bare_spine(self) -> None:
        need(not self.it.skin, "the old cover is over it")
        need(not self.it.on and not self.it.covered, "boards or cover are over it")

    def do_tip_endpapers(self) -> None:
        need(self.it.ends == "made", "no endpapers")
        self._bare_spine()
        need(not self.it.crust, "on old glue nothing holds")
        self.it.ends = "on"

    def do_weigh_down(self) -> None:
        need(self.it.form != "flat", "no block")

    def do_glue_up(self) -> None:
        need(self.it.form != "flat" and self.it.held != "old thread", "no block to glue")
        need(not self.it.crust, "on old glue nothing holds")
        self._bare_spine()
        need(not self.it.stiff, "the lining is in the way")
        self.it.glued = self.it.soft = True
        self.it.held = self.it.held or "glue"

    def do_soften_glue(self) -> None:
        need(self.it.glued, "no glue")
        self._bare_spine()
        self.it.soft = True

    def do_round(self) -> None:
        need(self.it.glued and self.it.soft, "dry glue cracks, and without glue nothing keeps")
        need(not self.it.stiff, "lined stiff")
        need(not self.it.on, "boarded")
        self.it.back = "round"

    def do_back(self) -> None:
        need(self.it.back == "round", "only a round is backed")
        need(not self.it.stiff and not self.it.on, "lined or boarded")
        self.it.back = "backed"

    def _cut(self, *edges: str) -> None:
        need(self.it.form != "flat", "no block to trim")
        need(not self.it.skin, "the old cover is on")
        need(not self.it.bands, "the bands would be cut off")
        need(not self.it.on, "boards are in the way")
        if "fore-edge" in edges:
            need(self.it.back == "flat", "a plain cut on a hollow fore-edge")
        self.it.edges |= set(edges)

    def do_trim_unsewn(self) -> None:
        need(self.it.held in ("", "glue"), "sewn already")
        self._cut("head", "tail", "fore-edge")

    def do_trim_first(self) -> None:
        need((self.it.held or self.it.form == "leaves") and not self.it.glued, "before the glue")
        self._cut("head", "tail", "fore-edge")

    def do_trim(self) -> None:
        self._cut("head", "tail", "fore-edge")

    def do_trim_fore_edge(self) -> None:
        self._cut("fore-edge")

    def do_trim_ends(self) -> None:
        need("fore-edge" in self.it.edges, "the fore-edge was cut flat before")
        self._cut("head", "tail")

    def do_trim_rounded(self) -> None:
        need(self.it.back != "flat" and not self.it.stiff, "no round that can be thrown out")
        back, self.it.back = self.it.back, "flat"
        self._cut("head", "tail", "fore-edge")
        self.it.back = back

    def do_end_bands(self) -> None:
        need(self.it.held, "no block")
        need(not self.it.covered and not self.it.skin, "the covering is over them")
        self.it.bands = True

    def do_ribbon(self) -> None:
        need(not self.it.stiff, "it goes under the lining")
        need(not self.it.covered and not self.it.skin, "the covering is over it")

    def do_line_spine(self) -> None:
        need(self.it.glued, "the spine is not glued up")
        need(not self.it.covered and not self.it.skin and not self.it.crust, "no bare spine")
        need(self.it.back == self._shape(), "lined before it has its shape")
        self.it.stiff = True

    def _shape(self) -> str:
        return "backed" if self.backed else "round" if self.rounded else "flat"

    def do_measure_block(self) -> None:
        need(self.it.form != "flat" and not self.it.skin, "no block to measure")
        self.it.measured = True

    # --- boards and cover

    def do_trial(self) -> None:
        need(not self.it.cover and not self.it.boards, "it is cut already")

    def do_trim_old_panels(self) -> None:
        need(not self.it.skin, "the old cover is on")

    def do_cut_boards(self) -> None:
        need(self.it.measured, "boards follow the block")
        need(not self.it.boards, "they are cut")
        self.it.boards = "cut"

    def _bare_boards(self) -> None:
        need(self.it.boards in ("cut", "laminated"), "no bare boards")
        need(not self.it.covered and not self.it.case, "they are covered")

    def do_offer_boards(self) -> None:
        self._bare_boards()
        need(not self.it.on, "they are stuck: nothing can be cut any more")

    def do_laminate(self) -> None:
        self._bare_boards()
        need(not self.it.on, "on the block already")
        self.it.boards = "laminated"

    def do_layer_panels(self) -> None:
        self._bare_boards()

    def do_bevel_boards(self) -> None:
        self._bare_boards()

    def do_join_case_boards(self) -> None:
        self._bare_boards()

    def do_lace_on(self) -> None:
        self._bare_boards()
        need(self.it.held == "thread" and self.it.supports, "no cords to lace")
        need(self.it.back == self._shape(), "no shoulder to lie in")
        self.it.on = "boards"

    def do_join_boards(self) -> None:
        self._bare_boards()
        need(self.it.held and not self.it.on, "nothing to fasten them to")
        need(self.it.back == self._shape(), "no shoulder to lie in")
        if self.it.boards == "cut":
            need(self.it.supports, "no cords to fan out")
            self.it.inner_only = True
        else:
            need(self.it.stiff, "no flange of mull to go into the split")
        self.it.on = "boards"

    def do_close_boards(self) -> None:
        need(self.it.inner_only and self.it.on == "boards", "cords slide between no glued boards")
        self.it.boards, self.it.inner_only = "laminated", False

    def do_trim_in_boards(self) -> None:
        need(self.it.on == "boards" and not self.it.covered and not self.it.bands, "only in bare boards")
        self.it.edges |= {"head", "tail", "fore-edge"}

    def do_look_over_print(self) -> None:
        need(self.it.cover in ("", "round it"), "cut already: nothing can be printed again")

    def do_cut_boards_to_size(self) -> None:
        need(self.it.boards, "no boards to cut")
        need(not self.it.case and not self.it.covered and not self.it.on, "under its covering, or fixed")
        need(self.it.held, "no block to cut them by")

    def do_trial_endpapers(self) -> None:
        need(not self.it.ends, "the endpapers are made: a trial comes too late")

    def do_trial_leather(self) -> None:
        need(not self.it.cover, "the leather is cut: a trial comes too late")

    def do_trial_lettering(self) -> None:
        need("lettered" not in self.done_to, "lettered: a trial comes too late")

    def do_send_out(self) -> None:
        self.do_letter()

    def do_cut_cover(self) -> None:
        need(self.it.measured, "the covering follows the block")
        self.it.cover = "cut"

    def do_pare(self) -> None:
        need(self.it.cover == "cut" and not self.it.case and not self.it.covered, "stuck down already")

    def do_score_cover(self) -> None:
        need(self.it.cover == "cut" and not self.it.on, "no loose cover")

    def do_pierce_cover(self) -> None:
        need(self.it.cover == "cut" and not self.it.on, "no loose cover")
        self.it.cover = "holed"

    def do_cover_boards(self) -> None:
        self._bare_boards()
        need(self.it.cover == "cut" and not self.it.on, "no loose boards and covering")
        self.it.cover, self.it.boards = "on boards", "covered"

    def do_pierce_boards(self) -> None:
        need(self.it.boards == "covered", "holes are made through the covering")
        self.it.boards = "holed"

    def do_make_case(self) -> None:
        self._bare_boards()
        need(self.it.cover == "cut", "no covering cut")
        self.it.case, self.it.cover = "made", "on boards"

    def do_cover_book(self) -> None:
        need(self.it.on == "boards" and not self.it.inner_only, "no finished boards on the block")
        need(self.it.cover == "cut" and not self.it.covered, "no covering cut")
        self.it.covered, self.it.cover = True, "on boards"

    # --- the book

    def do_thumb_cuts(self) -> None:
        need(not self.it.down, "the block is shut in its cover")

    def do_offer_up(self) -> None:
        need(self.it.case == "made" and not self.it.on, "a case is offered up before it is on")

    def do_case_in(self) -> None:
        need(self.it.case == "made" and not self.it.on, "no case")
        need(self.it.held and not self.it.skin, "no bare block")
        self.it.on, self.it.down, self.it.dry, self.it.covered = "case", True, False, True

    def do_paste_down(self) -> None:
        need(self.it.covered and self.it.on == "boards", "no covered boards")
        need(self.it.ends in ("on", ""), "no endpapers on")
        wait = self.now.wait
        self.it.down, self.it.dry = True, wait is not None and wait.state == "standing_open"

    def do_open_a_crack(self) -> None:
        need(self.it.down and not self.it.dry, "it moves only while damp")

    def do_dry_closed(self) -> None:
        need(self.it.down, "nothing is wet")
        self.it.dry = True

    def do_sew_through_cover(self) -> None:
        need(self.it.holes and self.it.cover == "holed" and not self.it.held, "no holes, or held already")
        self.it.held, self.it.on, self.it.covered = "thread", "cover", True

    def do_stab_pierce(self) -> None:
        need(
            self.it.form == "leaves" and self.it.cover == "cut", "leaves and covers go under the awl together"
        )
        self.it.holes = True

    def do_stab_sew(self) -> None:
        need(self.it.holes, "no holes")
        self.it.held, self.it.on, self.it.covered = "thread", "cover", True

    def _into_cover(self) -> None:
        need(self.it.held and not self.it.on and self.it.cover == "cut", "no block, or no cover")
        self.it.on, self.it.covered = "cover", True

    def do_sew_into_cover(self) -> None:
        need(self.it.supports, "no slips")
        self._into_cover()

    def do_glue_into_cover(self) -> None:
        self.it.held = self.it.held or "glue"
        self._into_cover()

    def do_stick_slips(self) -> None:
        need(self.it.held and self.it.supports, "no slips")
        self.it.on = "slips"

    def do_trim_flush(self) -> None:
        need(self.it.held and not self.looks_bare(), "cover and leaves are cut together")
        self.it.edges |= {"head", "tail", "fore-edge"}

    def do_open_first(self) -> None:
        need(self.it.held and self.it.dry, "opened damp, the joint lifts")

    def _a_book(self) -> None:
        need(self.it.held and self.it.dry and not self.looks_bare(), "not a finished book")

    def looks_bare(self) -> bool:
        """Whether what is to go round it is not there yet."""
        waiting = self.it.boards or self.it.case or self.it.cover in ("cut", "holed")
        return bool(waiting) and not self.it.on

    def do_letter(self) -> None:
        self._a_book()
        need("lettered" not in self.done_to, "lettered already")
        self.done_to.add("lettered")

    def do_tool(self) -> None:
        self._a_book()

    def do_paste_labels(self) -> None:
        self._a_book()

    def do_panels_in(self) -> None:
        self._a_book()

    def do_make_slipcase(self) -> None:
        self._a_book()

    def do_make_box(self) -> None:
        self._a_book()

    def do_fold_jacket(self) -> None:
        self._a_book()

    def do_last_look(self) -> None:
        self._a_book()
        self.it.looked = True
