"""Every structure: properties that hold for all, and sums done by hand for each."""

import math
from dataclasses import replace
from itertools import product
from typing import Any

import pytest
from hypothesis import given
from hypothesis import settings as hypothesis_settings
from hypothesis import strategies as st

from tests.conftest import STRUCTURES, codes, job_in, planned, quantity, value
from weald.core.bindings.coverings import CoverPart, Ground, cover_parts
from weald.core.bindings.joint import backed_gap, backed_inset, gap_for_inset
from weald.core.drawing import Arc, Area, Dimension, Hatch, Line
from weald.core.job.binding import Binding
from weald.core.job.spec import read_spec
from weald.core.pieces import Piece
from weald.core.planning.plan import Plan
from weald.core.quantities import QUANTITIES

CASES = [
    name
    for name in STRUCTURES
    if name
    not in (
        "saddle_stitch",
        "wrapper",
        "coverless_tapes",
        "laced_card_case",
        "link_stitch",
        "long_stitch",
        "stab_sewn",
    )
]


def piece(made: Plan, piece_id: str) -> Piece:
    return next(each for each in made.pieces if each.id == piece_id)


def size(made: Plan, piece_id: str) -> tuple[float, float]:
    found = piece(made, piece_id)
    return found.cut_width, found.cut_height


@pytest.mark.parametrize("name", STRUCTURES)
def test_a_job_of_its_own_is_planned_without_a_stop(name: str) -> None:
    made = planned(job_in(name))
    assert [each.code for each in made.findings if each.severity == "stop"] == []
    assert not {"structure.departs", "stock.unused"} & codes(made)
    assert made.structure.name == name
    assert any(each.station == "boards" for each in made.drawings)


@pytest.mark.parametrize("name", STRUCTURES)
def test_nothing_but_a_name_is_enough(name: str) -> None:
    made = planned({"binding": {"structure": name}})
    assert "structure.departs" not in codes(made)
    assert made.pieces


@pytest.mark.parametrize("name", STRUCTURES)
def test_grain_runs_along_the_spine_in_every_piece(name: str) -> None:
    for each in planned(job_in(name)).pieces:
        if each.material not in ("support", "leather"):
            assert each.grain == "height", each.id
        assert each.width > 0, each.id
        assert each.height > 0, each.id
        assert each.shown


@pytest.mark.parametrize("name", STRUCTURES)
def test_drawings_state_what_they_measure_and_are_tied_to_the_reckoning(name: str) -> None:
    made = planned(job_in(name))
    ids = {each.id for each in made.quantities}
    entries = read_spec({}).model_dump()
    pieces = {f"piece.{each.id}" for each in made.pieces}
    for picture in made.drawings:
        left, top, right, bottom = picture.extent
        assert left < right
        assert top < bottom
        assert picture.text
        for element in picture.elements:
            for about in element.about.split():
                known = about in ids or about in pieces or about.split(".")[0] in entries
                assert known or about.startswith(("leaf.", "collation")), (picture.id, about)
            if isinstance(element, Dimension) and picture.to_scale:
                length = math.dist(element.start, element.end)
                assert element.text == f"{math.floor(2 * length + 0.5 + 1e-6) / 2:g}", (picture.id, element)
            if isinstance(element, Area | Line | Hatch):
                for x, y in element.points:
                    assert left - 1e-6 <= x <= right + 1e-6, (picture.id, element)
                    assert top - 1e-6 <= y <= bottom + 1e-6, (picture.id, element)


@pytest.mark.parametrize("name", STRUCTURES)
def test_every_quantity_says_why(name: str) -> None:
    for each in planned(job_in(name)).quantities:
        assert each.how, each.id
        assert "{" not in each.how + each.sum, each.id
        for term in each.terms:
            assert term.about in QUANTITIES or "." in term.about or term.about == "copies", (each.id, term)


@pytest.mark.parametrize("name", CASES)
def test_closed_on_its_block_the_case_shows_the_squares_asked_for(name: str) -> None:
    job = job_in(name)
    for squares in ({"head": 2, "tail": 2, "fore_edge": 3}, {"head": 5, "tail": 5, "fore_edge": 6.5}):
        job["binding"]["squares"] = squares
        made = planned(job)
        for edge, square in squares.items():
            assert value(made, f"closed.{edge}") == pytest.approx(square, abs=1e-3), edge


def measured_over_the_joint(made: Plan, shoulder_tip: tuple[float, float], dips: bool) -> float:
    """How far a board begins from the shoulder: the covering walked over in small steps.

    It starts at the tip of the shoulder and is as long as the gap; half-way it touches the floor of the
    groove. Shares nothing with the product.
    """
    gap, board = value(made, "joint.gap"), value(made, "board.thickness")
    floor = board - (value(made, "joint.groove") if dips else 0.0)
    best, least = 0.0, math.inf
    for step in range(4001):
        inset = step * 0.005
        down = math.dist(shoulder_tip, (inset / 2, floor))
        up = math.dist((inset / 2, floor), (inset, board))
        if abs(down + up - gap) < least:
            best, least = inset, abs(down + up - gap)
    return best


@pytest.mark.parametrize("shoulder", ["none", "45", "90"])
def test_a_rounded_case_is_closed_by_walking_the_cloth(shoulder: str) -> None:
    job = job_in("rounded_case")
    job["back"]["shoulder"] = shoulder
    made = planned(job)
    degrees = {"none": 0, "45": 45, "90": 90}[shoulder]
    line = value(made, "board.thickness") if degrees else 0.0
    tip = (-line * math.cos(math.radians(degrees)), line * math.sin(math.radians(degrees)))
    inset = measured_over_the_joint(made, tip, dips=True)
    width_from_shoulder = 140 - line
    assert value(made, "joint.inset") == pytest.approx(inset, abs=0.01)
    assert value(made, "board.width") == pytest.approx(width_from_shoulder - inset + 4, abs=0.01)


sizes = st.fixed_dictionaries(
    {
        "width": st.floats(110, 260),
        "height": st.floats(110, 360),
        "pages": st.integers(300, 500),
        "name": st.sampled_from(sorted(STRUCTURES)),
    }
)


@hypothesis_settings(max_examples=60)
@given(sizes, st.floats(1, 40), st.floats(1, 40), st.integers(8, 120))
def test_a_larger_block_never_gives_a_smaller_piece(
    size: dict[str, Any], wider: float, taller: float, more: int
) -> None:
    job = job_in(size["name"])
    one = STRUCTURES[size["name"]].sections == "one"

    def sized(width: float, height: float, pages: int) -> Plan:
        text = {"pages": pages // 10 if one else pages}
        return planned(job | {"leaf": {"width": width, "height": height}, "text": text})

    small = sized(size["width"], size["height"], size["pages"])
    large = sized(size["width"] + wider, size["height"] + taller, size["pages"] + more)
    larger = {each.id: each for each in large.pieces}
    for each in small.pieces:
        if each.id == "label":
            continue  # a title gets no longer with its book
        assert larger[each.id].width >= each.width - 1e-9, each.id
        assert larger[each.id].height >= each.height - 1e-9, each.id


def inside(point: tuple[float, float], outline: tuple[tuple[float, float], ...]) -> bool:
    """Whether a point lies in a polygon: how often a ray from it crosses the outline."""
    x, y = point
    crossed = False
    for (x1, y1), (x2, y2) in zip(outline, (*outline[1:], outline[0]), strict=True):
        if (y1 > y) != (y2 > y) and x < (x2 - x1) * (y - y1) / (y2 - y1) + x1:
            crossed = not crossed
    return crossed


coverings = st.fixed_dictionaries(
    {
        "covering": st.sampled_from(["full", "quarter", "half", "fore_edge"]),
        "overlap": st.floats(15, 40),
        "sides_over": st.floats(0.5, 4),
        "fore_edge_strip": st.floats(10, 30),
        "corner_leg": st.floats(20, 60),
    }
)
grounds = st.builds(
    Ground,
    board=st.floats(110, 250),
    middle=st.floats(8, 80),
    height=st.floats(130, 350),
    turn_in=st.floats(12, 25),
    corner=st.floats(2, 4),
)


def parts_of(choice: dict[str, Any], ground: Ground) -> tuple[CoverPart, ...]:
    covering = choice["covering"]
    binding = Binding.model_validate(choice)
    return cover_parts(covering, binding, ground)


@given(coverings, grounds, st.none() | st.floats(110, 250))
def test_the_pieces_of_a_covering_leave_nothing_bare(
    choice: dict[str, Any], ground: Ground, back: float | None
) -> None:
    ground = replace(ground, back=back)
    parts = parts_of(choice, ground)
    across = [ground.width * step / 40 + 0.01 for step in range(40)]
    down = [ground.height * step / 40 + 0.01 for step in range(40)]
    for point in product(across, down):
        assert any(inside(point, part.outline) for part in parts), point
    # turn-ins, clear of the corners that are cut off
    for x in across:
        if ground.cut < x + ground.turn_in < ground.width + 2 * ground.turn_in - ground.cut:
            for y in (-ground.turn_in + 0.1, ground.height + ground.turn_in - 0.1):
                assert any(inside((x, y), part.outline) for part in parts), (x, y)


@given(coverings, grounds)
def test_pieces_overlap_by_just_what_is_stated(choice: dict[str, Any], ground: Ground) -> None:
    parts = parts_of(choice, ground)
    if choice["covering"] == "full":
        assert len(parts) == 1
        assert parts[0].width == pytest.approx(ground.width + 2 * ground.turn_in)
        return
    spine = next(part for part in parts if part.id == "spine_piece")
    side = next(part for part in parts if part.id == "side")
    assert spine.width == pytest.approx(ground.middle + 2 * choice["overlap"])
    assert side.right - spine.left == pytest.approx(choice["sides_over"])
    if choice["covering"] == "fore_edge":
        strip = next(part for part in parts if part.id == "fore_edge_strip")
        assert strip.right == pytest.approx(choice["fore_edge_strip"])
        assert strip.right - side.left == pytest.approx(choice["sides_over"])
    if choice["covering"] == "half":
        corner = next(part for part in parts if part.id == "corner")
        # the cut edge of a corner and of its side are parallel; across them lies the overlap
        edge = max(x + y for x, y in corner.outline)
        mitre = min(x + y for x, y in side.outline)
        assert edge == pytest.approx(choice["corner_leg"])
        assert (edge - mitre) / math.sqrt(2) == pytest.approx(choice["sides_over"])
    assert len(parts) == {"quarter": 3, "half": 7, "fore_edge": 5}[choice["covering"]]


@given(st.floats(0, 12), st.floats(0, 3), st.floats(0, 3), st.floats(1, 4), st.floats(0, 1))
def test_the_backed_joint_is_one_geometry(
    inset: float, back: float, out: float, board: float, groove: float
) -> None:
    gap = backed_gap(inset, back, out, board, groove * board)
    found = backed_inset(gap + 1e-9, back, out, board, groove * board)
    assert found is not None
    assert found == pytest.approx(inset, abs=1e-3)
    # without a shoulder, it is the flat back's geometry with no spine board to go round
    plain = backed_gap(inset, 0.0, board, board, groove * board)
    assert plain == pytest.approx(gap_for_inset(inset, 0.0, groove * board))


def test_a_pamphlet_by_hand() -> None:
    made = planned(
        {
            "text": {"pages": 32},
            "paper": {"calliper": 0.1},
            "folding": {"make_up": "one_section"},
            "endpapers": {"leaves": 0},
            "binding": {"structure": "pamphlet_case", "board": 1.5, "squares": {"fore_edge": 3}},
        }
    )
    # 16 leaves of 0.1; 1.6 + 2·√(5² + 1.5²)
    distance = 1.6 + 2 * math.sqrt(25 + 2.25)
    assert value(made, "case.distance") == pytest.approx(distance)
    assert size(made, "spacer") == pytest.approx((distance, 216))
    assert size(made, "board") == pytest.approx((140 - 5 + 3, 216))
    assert size(made, "cover") == pytest.approx((2 * 138 + distance + 36, 252))
    assert value(made, "sewing.holes") == 5


def test_a_saddle_stitched_booklet_by_hand() -> None:
    job = {
        "text": {"pages": 32},
        "paper": {"calliper": 0.1},
        "folding": {"make_up": "one_section"},
        "sewing": {"method": "staples"},
        "binding": {"structure": "saddle_stitch"},
    }
    made = planned(job)
    assert value(made, "cover.width") == pytest.approx(2 * 140 + 1.6)
    # trimmed with the block: 3 at head and tail, 4 at each fore-edge
    assert size(made, "cover") == pytest.approx((281.6 + 8, 216))
    assert value(made, "sewing.first") == 52.5
    assert [each.id for each in made.pieces] == ["text_sheet", "cover"]


def test_a_case_joined_by_a_strip_by_hand(contract_job: dict[str, Any]) -> None:
    contract_job["binding"]["structure"] = "strip_case"
    made = planned(contract_job)
    # spine 17.5, gaps 7: 17.5 + 14 + 60
    assert size(made, "joining_strip") == (91.5, 216)
    contract_job["binding"] |= {"structure": "flat_case", "covering": "three_piece"}
    assert size(planned(contract_job), "joining_strip") == (91.5, 216)


def test_quarter_and_half_by_hand(contract_job: dict[str, Any]) -> None:
    contract_job["binding"]["covering"] = "quarter"
    made = planned(contract_job)
    # board 141; spine piece 17.5 + 14 + 60; side 141 − 30 + 2 + 18
    assert size(made, "spine_piece") == (91.5, 252)
    assert size(made, "side") == pytest.approx((131, 252))
    assert piece(made, "side").count == 2
    contract_job["binding"] |= {"covering": "half", "corner_leg": 60, "material": "leather"}
    half = planned(contract_job)
    # 15 more for paring, both ways
    assert size(half, "corner") == pytest.approx((60 + 36 + 15, 60 + 36 + 15))
    assert piece(half, "corner").count == 4
    assert size(half, "spine_piece") == pytest.approx((106.5, 267))
    contract_job["binding"] |= {"covering": "fore_edge", "material": "cloth"}
    strips = planned(contract_job)
    assert size(strips, "fore_edge_strip") == pytest.approx((25 + 18, 252))
    assert size(strips, "side") == pytest.approx((141 - 30 - 25 + 4, 252))


def test_a_rounded_and_backed_spine_by_hand() -> None:
    job = {
        "back": {"shape": "round", "round": 0.2, "shoulder": "90"},
        "binding": {"structure": "rounded_case", "board": 2.5},
        "measured": {"block.thickness": 30},
    }
    made = planned(job)
    # half the angle of a fifth of a circle is 36°: 0.6283 / sin 36° = 1.06896
    assert value(made, "spine.chord") == 35
    assert value(made, "spine.arc") == pytest.approx(35 * 1.06896, abs=1e-3)
    assert value(made, "spine.rise") == pytest.approx(17.5 * math.tan(math.radians(18)))
    assert size(made, "spine_inlay") == pytest.approx((37.414, 216), abs=1e-3)
    assert value(made, "shoulder.width") == 137.5
    job["back"]["shoulder"] = "45"  # type: ignore[index]
    assert value(planned(job), "shoulder.height") == pytest.approx(2.5 * math.sqrt(0.5))
    third = planned(job | {"back": {"shape": "round", "round": 1 / 3, "shoulder": "none"}})
    # 60°: 1.0472 / 0.8660 = 1.2092
    assert value(third, "spine.arc") == pytest.approx(30 * 1.2092, abs=1e-2)


def test_laced_boards_by_hand() -> None:
    made = planned(
        {
            "back": {"shape": "round", "round": 0.2, "shoulder": "90"},
            "sewing": {"method": "raised_cords", "supports": 4, "support_width": 3},
            "binding": {
                "structure": "laced_boards",
                "board": 2.5,
                "material": "leather",
                "bands": {"count": 5, "width": 4, "tail_more": 4},
            },
            "measured": {"block.thickness": 30},
        }
    )
    # a tight joint in a 90° shoulder: the board meets it, 140 − 2.5 + 4
    assert value(made, "joint.gap") == pytest.approx(0, abs=1e-9)
    assert value(made, "board.width") == pytest.approx(141.5)
    # (216 − 4 − 5·4) / 6 = 32
    assert value(made, "panel.each") == 32
    arc = 35 * 1.068959
    width = 2 * 141.5 + arc + 36 + 15
    height = 216 + 36 + 15 + 5 * (math.pi / 2 - 1) * 4
    assert size(made, "cover") == pytest.approx((width, height), abs=1e-3)
    holes = [
        each
        for each in next(each for each in made.drawings if each.id == "case.flat").elements
        if isinstance(each, Arc)
    ]
    # two holes for each of four cords, in both boards, 11 and 22 mm from their spine edges
    assert len(holes) == 16
    edge = 18 + 141.5
    assert sorted({round(edge - hole.x, 3) for hole in holes if hole.x < edge}) == [11, 22]


def test_split_boards_and_frayed_cords_by_hand() -> None:
    job = job_in("split_boards")
    job["binding"] |= {"board": 2, "thin_board": 1, "french_joint": 4, "covering": "full"}
    made = planned(job)
    assert value(made, "board.thickness") == 3
    assert value(made, "shoulder.line") == 3
    assert value(made, "board.width") == pytest.approx(140 - 3 - 4 + 4)
    assert value(made, "split.depth") == 35
    assert piece(made, "thin_board").thickness == 1
    # off the shoulder by 4, into a groove of 3: 2·√(2² + 3²)
    assert value(made, "joint.gap") == pytest.approx(2 * math.sqrt(13))
    tight, free = (job | {"binding": job["binding"] | {"french_joint": wide}} for wide in (2.9, 3))
    assert "split.tight" in codes(planned(tight))
    assert "split.tight" not in codes(planned(free))


def test_a_laced_card_case_by_hand() -> None:
    made = planned(
        {
            "sewing": {"method": "tapes", "supports": 3, "support_width": 12, "thread": 0.2},
            "binding": {
                "structure": "laced_card_case",
                "cover_thickness": 0.5,
                "squares": {"head": 2, "tail": 2, "fore_edge": 3},
            },
            "measured": {"block.thickness": 15},
        }
    )
    # as sewn 15 + 8 × 0.2 × 0.5 thick; 2·(140 + 3) + 15.8 + 2·0.5 by 210 + 4
    assert value(made, "spine.thickness") == pytest.approx(15 + value(made, "spine.swell"))
    assert size(made, "cover") == pytest.approx((302.8, 214))
    assert value(made, "slit.length") == 13
    flat = next(each for each in made.drawings if each.id == "case.flat")
    slits = [each for each in flat.elements if isinstance(each, Line) and each.layer == "slit"]
    assert len(slits) == 12  # four a support
    assert sorted({slit.points[0][0] for slit in slits}) == pytest.approx([138, 143, 159.8, 164.8])
    middle = (slits[0].points[0][1] + slits[0].points[1][1]) / 2
    assert middle == pytest.approx(2 + 13 + 46)  # square, kettle, one interval of (210 − 26) / 4


def test_papers_covers_coverless_and_link_by_hand() -> None:
    base: dict[str, Any] = {"measured": {"block.thickness": 15}, "sewing": {"thread": 0.2, "method": "tapes"}}
    drawn_on = planned(base | {"binding": {"structure": "wrapper", "cover_thickness": 0.3}})
    assert value(drawn_on, "cover.width") == pytest.approx(2 * 140 + 15.6)
    assert size(drawn_on, "cover") == pytest.approx((295.6 + 8, 216))
    flaps = planned(base | {"binding": {"structure": "wrapper", "cover_thickness": 0.3, "flaps": 80}})
    assert size(flaps, "cover") == pytest.approx((295.6 + 160, 210))
    bare = planned(base | {"binding": {"structure": "coverless_tapes", "tape_reach": 35}})
    assert value(bare, "sewing.support_length") == pytest.approx(15 + 8 * 0.2 * 0.5 + 70)
    linked = planned(base | {"sewing": {"method": "link"}, "binding": {"structure": "link_stitch"}})
    assert size(linked, "board") == (144, 216)
    assert size(linked, "cover") == (180, 252)


def test_thick_leather_is_levelled_between_its_pieces_and_its_turn_ins(contract_job: dict[str, Any]) -> None:
    contract_job["binding"] |= {"covering": "quarter", "material": "leather", "cover_thickness": 0.8}
    made = planned(contract_job)
    # leather 0.3 thicker than ordinary cloth: joint 7.3, so that boards begin 2·√(2.65² − 2²) = 3.48 in
    width = 140 - 2 * math.sqrt(2.65**2 - 4) + 4
    # 30 of the board lie under leather; 18 − 2 of the turn-in lie inside
    assert size(made, "infill") == pytest.approx((width - 30, 216))
    assert size(made, "infill_inside") == pytest.approx((width - 16, 184))
    contract_job["binding"] |= {"cover_thickness": 0.3}
    assert not any(each.id == "infill" for each in planned(contract_job).pieces)


def test_closed_and_corner_are_drawn_as_they_come_to(contract_job: dict[str, Any]) -> None:
    contract_job["measured"]["board.height"] = 218
    made = planned(contract_job)
    closed = next(each for each in made.drawings if each.id == "case.closed")
    shown = {each.about.split()[0]: each.text for each in closed.elements if isinstance(each, Dimension)}
    # the spine board lies between the boards: 2 + h + √(h² + 2²) = 7 gives h = 2.1, so they begin 4.2 in
    squares = {"closed.head": "4", "closed.tail": "4", "closed.fore_edge": "5", "closed.inset": "4"}
    assert shown == squares | {"board.width": "141", "board.height": "218"}
    corner = next(each for each in made.drawings if each.id == "case.corner")
    cloth = next(each for each in corner.elements if isinstance(each, Area) and each.material == "cloth")
    # the cut edge runs at 45°, 3 mm from the board's corner at the origin
    (x1, y1), (x2, y2) = cloth.points[1], cloth.points[2]
    assert x2 - x1 == pytest.approx(y2 - y1)
    assert abs(x1 * y2 - x2 * y1) / math.dist((x1, y1), (x2, y2)) == pytest.approx(3)


def test_a_rebound_paperback_by_hand(contract_job: dict[str, Any]) -> None:
    contract_job["binding"] |= {
        "structure": "rebound_paperback",
        "old_cover": {"width": 138, "height": 210, "spine": 16},
    }
    made = planned(contract_job)
    # boards 141 × 216, spine 17.5: 1 mm shows at joint and fore-edge, half at each side of the spine
    assert size(made, "old_panel") == pytest.approx((139, 210))
    assert size(made, "old_spine") == (16.5, 210)
    about = {each.about for each in made.findings if each.code == "panel.small"}
    assert about == {"binding.old_cover.width", "binding.old_cover.spine"}


def test_a_drum_is_twice_as_thick_as_its_leaves() -> None:
    base = {"text": {"pages": 60}, "paper": {"calliper": 0.2}, "endpapers": {"leaves": 0}}
    glued = planned(base | {"binding": {"structure": "single_leaves"}})
    drum = planned(base | {"binding": {"structure": "single_leaves", "leaves": "drum"}})
    assert value(glued, "block.thickness") == pytest.approx(6)
    assert value(drum, "block.thickness") == pytest.approx(12)
    assert value(glued, "spine.swell") == 0


@pytest.mark.parametrize(
    ("job", "code"),
    [
        ({"text": {"pages": 200}, "binding": {"structure": "saddle_stitch"}}, "suits.one_section"),
        ({"binding": {"structure": "saddle_stitch"}, "paper": {"deckle": True}}, "suits.deckle"),
        ({"text": {"pages": 20}, "binding": {"structure": "laced_boards"}}, "suits.thin"),
        ({"text": {"pages": 900}, "binding": {"structure": "laced_card_case"}}, "suits.thick"),
        (
            {
                "leaf": {"width": 300, "height": 400},
                "paper": {"sheet": {"width": 900, "height": 900}},
                "text": {"pages": 500},
            },
            "suits.heavy",
        ),
        ({"folding": {"make_up": "one_section"}, "text": {"pages": 40}}, "suits.several"),
        (
            {"folding": {"programme": "single leaves 1 by 1"}, "binding": {"structure": "flat_case"}},
            "suits.single_leaves",
        ),
        ({"back": {"shape": "round"}}, "structure.departs"),
        ({"sewing": {"method": "staples"}}, "structure.departs"),
        (
            {"binding": {"structure": "link_stitch", "covering": "half"}},
            "structure.departs",
        ),
        ({"binding": {"covering": "quarter", "overlap": 130}}, "side.narrow"),
        ({"binding": {"covering": "half", "corner_leg": 150}}, "corner.large"),
        ({"binding": {"covering": "quarter", "overlap": 12}}, "overlap.small"),
        ({"binding": {"structure": "laced_boards", "bands": {"count": 8, "width": 18}}}, "bands.crowded"),
        ({"binding": {"structure": "wrapper", "flaps": 10}}, "flap.short"),
        ({"binding": {"structure": "wrapper", "flaps": 150}}, "flap.long"),
        ({"binding": {"structure": "laced_card_case"}, "sewing": {"supports": 0}}, "slits.none"),
        ({"binding": {"structure": "coverless_tapes"}, "endpapers": {"leaves": 0}}, "coverless.bare"),
    ],
)
def test_what_does_not_go_together_is_named_with_a_remedy(job: dict[str, Any], code: str) -> None:
    made = planned(job)
    found = next((each for each in made.findings if each.code == code), None)
    assert found is not None, codes(made)
    assert found.message
    assert found.remedy
    assert "{" not in found.message + found.remedy


def test_a_departing_choice_is_set_right_at_a_touch() -> None:
    job: dict[str, Any] = {"back": {"shape": "round"}}
    found = next(each for each in planned(job).findings if each.code == "structure.departs")
    assert found.actions[0].patch == {"back.shape": "flat"}
    assert quantity(planned({"back": {"shape": "flat"}}), "board.width").value == value(
        planned(job), "board.width"
    )
