"""Orders of work as a binder writes them on a slip, from what lies on the bench to the last look."""

from typing import Any

import pytest

from tests.core.extras.made_up import merged
from weald.core.job.lying import Lies
from weald.core.job.spec import read_spec
from weald.core.planning.plan import plan

SHEETS = "stock_out cut_sheets print fold press_sections collate make_endpapers"
FOLDED = "stock_out press_sections make_endpapers"
ENDS = "stock_out make_endpapers tip_endpapers"
SEWN = "pierce sew tip_endpapers weigh_down"
PULLED = "lift_old_cover stock_out make_endpapers pull_down press_sections collate"
STRIPPED = "lift_old_cover clean_spine stock_out make_endpapers tip_endpapers"
SQUARE = "glue_up trim line_spine measure_block"
ROUNDED = "trim_fore_edge glue_up round trim_ends"
BACKED = "trim_fore_edge glue_up round back trim_ends"
CASE = "cut_boards cut_cover make_case"
JOINED = "cut_boards join_case_boards cut_cover make_case"
IN = "offer_up case_in dry_closed open_first"
DONE = "letter last_look"
OVER = "cut_cover cover_book paste_down dry_closed open_first letter last_look"
Job = dict[str, Any]
BEFORE: Job = {"bench": {"trimmed": "before"}}
THROWN: Job = {"bench": {"trimmed": "thrown_out"}}
SLIPS: list[tuple[str, Lies, Job, str]] = [
    ("flat_case", "stock", {}, f"{SHEETS} {SEWN} {SQUARE} {CASE} {IN} {DONE}"),
    (
        "flat_case",
        "sheets",
        {},
        f"stock_out fold press_sections collate make_endpapers {SEWN} {SQUARE} {CASE} {IN} {DONE}",
    ),
    ("flat_case", "folded", {}, f"{FOLDED} {SEWN} {SQUARE} {CASE} {IN} {DONE}"),
    ("flat_case", "sewn", {}, f"{ENDS} weigh_down {SQUARE} {CASE} {IN} {DONE}"),
    ("flat_case", "glued", {}, f"{ENDS} trim line_spine measure_block {CASE} {IN} {DONE}"),
    ("flat_case", "lined", {}, f"{ENDS} trim measure_block {CASE} {IN} {DONE}"),
    ("flat_case", "paperback_sewn", {}, f"{STRIPPED} line_spine measure_block {CASE} {IN} {DONE}"),
    ("flat_case", "case_broken", {}, f"{STRIPPED} line_spine measure_block {CASE} {IN} {DONE}"),
    ("flat_case", "bound", {}, f"{PULLED} {SEWN} {SQUARE} {CASE} {IN} {DONE}"),
    (
        "flat_case",
        "folded",
        BEFORE,
        f"{FOLDED} {SEWN} trim_first glue_up line_spine measure_block {CASE} {IN} {DONE}",
    ),
    (
        "flat_case",
        "folded",
        {"block": {"end_bands": "sewn"}, "finish": {"ribbons": 1}},
        f"{FOLDED} {SEWN} glue_up trim end_bands ribbon line_spine measure_block {CASE} {IN} {DONE}",
    ),
    (
        "flat_case",
        "folded",
        {"endpapers": {"kind": "sewn"}},
        f"{FOLDED} pierce sew weigh_down {SQUARE} {CASE} {IN} {DONE}",
    ),
    ("flat_case", "sewn", {"bench": {"trial": True}}, f"{ENDS} weigh_down {SQUARE} trial {CASE} {IN} {DONE}"),
    (
        "flat_case",
        "glued",
        {"bench": {"trial_endpapers": True, "trial_lettering": True}},
        "stock_out trial_endpapers make_endpapers tip_endpapers trim line_spine measure_block "
        f"{CASE} {IN} trial_lettering {DONE}",
    ),
    (
        "strip_case",
        "glued",
        {"binding": {"material": "leather"}, "bench": {"trial_leather": True}},
        f"{ENDS} trim line_spine measure_block trial_leather cut_boards join_case_boards cut_cover pare "
        f"make_case {IN} {DONE}",
    ),
    (
        "flat_case",
        "sewn",
        {"binding": {"cut_in_case": 5}},
        f"{ENDS} weigh_down {SQUARE} cut_boards cut_boards_to_size cut_cover make_case {IN} {DONE}",
    ),
    (
        "flat_case",
        "sewn",
        {"finish": {"by": "elsewhere"}},
        f"{ENDS} weigh_down {SQUARE} {CASE} {IN} send_out last_look",
    ),
    (
        "flat_case",
        "sewn",
        {"bench": {"opened": "once"}},
        f"{ENDS} weigh_down {SQUARE} {CASE} offer_up case_in open_a_crack dry_closed open_first {DONE}",
    ),
    (
        "flat_case",
        "sewn",
        {"extras": {"strip": {}, "bevels": {}}, "binding": {"board": 4}},
        f"{ENDS} weigh_down {SQUARE} cut_boards join_case_boards bevel_boards cut_cover make_case "
        f"{IN} {DONE}",
    ),
    (
        "flat_case",
        "sewn",
        {"block": {"trimming": "untrimmed"}, "leaf": {"trim": {"head": 0, "tail": 0, "fore_edge": 0}}},
        f"{ENDS} weigh_down glue_up line_spine measure_block {CASE} {IN} {DONE}",
    ),
    (
        "flat_case",
        "sewn",
        {"extras": {"jacket": {}, "slipcase": {}}},
        f"{ENDS} weigh_down {SQUARE} {CASE} {IN} letter fold_jacket make_slipcase last_look",
    ),
    (
        "flat_case",
        "sewn",
        {"text": {"pages": 160}, "extras": {"thumb": {"pages": "9, 33, 57"}}},
        f"{ENDS} weigh_down {SQUARE} {CASE} thumb_cuts {IN} {DONE}",
    ),
    ("strip_case", "stock", {}, f"{SHEETS} {SEWN} {SQUARE} {JOINED} {IN} {DONE}"),
    ("strip_case", "paperback_sewn", {}, f"{STRIPPED} line_spine measure_block {JOINED} {IN} {DONE}"),
    (
        "printed_case",
        "folded",
        {},
        f"{FOLDED} {SEWN} {SQUARE} cut_boards look_over_print cut_cover make_case {IN} last_look",
    ),
    ("rounded_case", "stock", {}, f"{SHEETS} {SEWN} {ROUNDED} line_spine measure_block {CASE} {IN} {DONE}"),
    (
        "rounded_case",
        "glued",
        {},
        f"{ENDS} trim_fore_edge soften_glue round trim_ends line_spine measure_block {CASE} {IN} {DONE}",
    ),
    (
        "rounded_case",
        "sewn",
        {"back": {"shoulder": "45"}},
        f"{ENDS} weigh_down {BACKED} line_spine measure_block {CASE} {IN} {DONE}",
    ),
    (
        "rounded_case",
        "folded",
        BEFORE,
        f"{FOLDED} {SEWN} trim_first glue_up round line_spine measure_block {CASE} {IN} {DONE}",
    ),
    (
        "rounded_case",
        "folded",
        THROWN,
        f"{FOLDED} {SEWN} glue_up round trim_rounded line_spine measure_block {CASE} {IN} {DONE}",
    ),
    ("rounded_case", "bound", {}, f"{PULLED} {SEWN} {ROUNDED} line_spine measure_block {CASE} {IN} {DONE}"),
    (
        "laced_boards",
        "stock",
        {},
        f"{SHEETS} {SEWN} {BACKED} measure_block cut_boards offer_boards lace_on line_spine {OVER}",
    ),
    (
        "laced_boards",
        "bound",
        {},
        f"{PULLED} {SEWN} {BACKED} measure_block cut_boards offer_boards lace_on line_spine {OVER}",
    ),
    (
        "laced_boards",
        "sewn",
        {"block": {"trimming": "in_boards"}},
        f"{ENDS} weigh_down glue_up round back measure_block cut_boards offer_boards lace_on trim_in_boards "
        f"line_spine {OVER}",
    ),
    (
        "laced_boards",
        "sewn",
        {
            "binding": {"material": "leather"},
            "block": {"end_bands": "sewn"},
            "bench": {"paste_downs": "open"},
        },
        f"{ENDS} weigh_down {BACKED} measure_block cut_boards offer_boards lace_on end_bands line_spine "
        "cut_cover pare cover_book paste_down open_first letter last_look",
    ),
    (
        "laced_boards",
        "glued",
        {},
        f"{ENDS} trim_fore_edge soften_glue round back trim_ends measure_block cut_boards offer_boards "
        f"lace_on line_spine {OVER}",
    ),
    (
        "split_boards",
        "stock",
        {},
        f"{SHEETS} {SEWN} {BACKED} line_spine measure_block cut_boards offer_boards laminate join_boards "
        f"{OVER}",
    ),
    (
        "split_boards",
        "case_broken",
        {},
        f"{STRIPPED} soften_glue round back line_spine measure_block cut_boards offer_boards laminate "
        f"join_boards {OVER}",
    ),
    (
        "lapped_cords",
        "sewn",
        {},
        f"{ENDS} weigh_down {BACKED} line_spine measure_block cut_boards offer_boards join_boards "
        f"close_boards {OVER}",
    ),
    (
        "lapped_cords",
        "stock",
        {"bench": {"paste_downs": "open"}},
        f"{SHEETS} {SEWN} {BACKED} line_spine measure_block cut_boards offer_boards join_boards close_boards "
        "cut_cover cover_book paste_down open_first letter last_look",
    ),
    (
        "coverless_tapes",
        "stock",
        {},
        f"{SHEETS} {SEWN} trim measure_block stick_slips open_first last_look",
    ),
    (
        "coverless_tapes",
        "folded",
        {},
        f"{FOLDED} {SEWN} trim measure_block stick_slips open_first last_look",
    ),
    (
        "coverless_tapes",
        "sewn",
        {},
        f"{ENDS} weigh_down trim measure_block stick_slips open_first last_look",
    ),
    (
        "laced_card_case",
        "folded",
        {},
        f"{FOLDED} {SEWN} trim measure_block cut_cover score_cover sew_into_cover open_first {DONE}",
    ),
    (
        "laced_card_case",
        "sewn",
        {},
        f"{ENDS} weigh_down trim measure_block cut_cover score_cover sew_into_cover open_first {DONE}",
    ),
    (
        "link_stitch",
        "stock",
        {},
        f"{SHEETS} tip_endpapers trim_unsewn pierce measure_block cut_boards cut_cover cover_boards "
        "pierce_boards sew weigh_down open_first last_look",
    ),
    (
        "link_stitch",
        "folded",
        {},
        f"{FOLDED} tip_endpapers trim_unsewn pierce measure_block cut_boards cut_cover cover_boards "
        "pierce_boards sew weigh_down open_first last_look",
    ),
    (
        "long_stitch",
        "folded",
        {},
        "stock_out press_sections trim_unsewn pierce measure_block cut_cover score_cover pierce_cover "
        "sew_through_cover open_first last_look",
    ),
    (
        "long_stitch",
        "stock",
        {},
        "stock_out cut_sheets print fold press_sections collate trim_unsewn pierce measure_block cut_cover "
        "score_cover pierce_cover sew_through_cover open_first last_look",
    ),
    (
        "wrapper",
        "stock",
        {},
        f"{SHEETS} {SEWN} measure_block cut_cover score_cover glue_into_cover trim_flush open_first {DONE}",
    ),
    (
        "wrapper",
        "glued",
        {},
        f"{ENDS} measure_block cut_cover score_cover glue_into_cover trim_flush open_first {DONE}",
    ),
    (
        "wrapper",
        "glued",
        {"bench": {"placed": "front"}, "finish": {"placed": "none"}},
        f"{ENDS} measure_block cut_cover score_cover glue_into_cover trim_flush open_first last_look",
    ),
    (
        "saddle_stitch",
        "stock",
        {"folding": {"make_up": "one_section"}, "text": {"pages": 16}},
        "stock_out cut_sheets print fold cut_leaf_cover pierce staple measure_block trim_flush last_look",
    ),
    (
        "saddle_stitch",
        "folded",
        {"folding": {"make_up": "one_section"}, "text": {"pages": 16}},
        "stock_out cut_leaf_cover pierce staple measure_block trim_flush last_look",
    ),
    (
        "pamphlet_case",
        "folded",
        {"folding": {"make_up": "one_section"}, "text": {"pages": 16}},
        f"stock_out make_endpapers pierce sew tip_endpapers trim measure_block {CASE} "
        "offer_up case_in dry_closed last_look",
    ),
    (
        "stab_sewn",
        "leaves",
        {},
        "stock_out trim_unsewn measure_block cut_cover stab_pierce stab_sew open_first last_look",
    ),
    (
        "single_leaves",
        "leaves",
        {},
        f"{ENDS} weigh_down {SQUARE} {CASE} offer_up case_in dry_closed {DONE}",
    ),
    (
        "single_leaves",
        "leaves_glued",
        {},
        f"{ENDS} trim line_spine measure_block {CASE} offer_up case_in dry_closed {DONE}",
    ),
    (
        "single_leaves",
        "paperback_leaves",
        {},
        f"{STRIPPED} line_spine measure_block {CASE} offer_up case_in dry_closed {DONE}",
    ),
    (
        "rebound_paperback",
        "paperback_sewn",
        {},
        f"{STRIPPED} line_spine measure_block trial trim_old_panels {CASE} {IN} {DONE}",
    ),
    (
        "rebound_paperback",
        "paperback_leaves",
        {"sewing": {"method": "none"}},
        f"{STRIPPED} line_spine measure_block trial trim_old_panels {CASE} "
        f"offer_up case_in dry_closed {DONE}",
    ),
    (
        "flat_case",
        "bound",
        {"extras": {"pulled": {"mended": 4}}},
        "lift_old_cover stock_out make_endpapers pull_down mend_folds press_sections collate "
        f"{SEWN} {SQUARE} {CASE} {IN} {DONE}",
    ),
    (
        "flat_case",
        "folded",
        {"extras": {"plates": {"plates": [{"count": 2, "after": 5}]}}},
        f"stock_out press_sections make_endpapers guard_plates {SEWN} {SQUARE} {CASE} {IN} {DONE}",
    ),
]


@pytest.mark.parametrize(("structure", "lies", "more", "slip"), SLIPS)
def test_the_card_is_what_a_binder_writes_on_a_slip(structure: str, lies: Lies, more: Job, slip: str) -> None:
    job = merged({"binding": {"structure": structure}, "bench": {"lies": lies}}, more)
    made = plan(read_spec(job), drawn=("bench",))
    assert [each.id for each in made.operations] == slip.split()
