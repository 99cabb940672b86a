"""The steps of the structures, in their order; each strand in the order it stands here.

A structure says which of these is its own (``Structure.order``).
"""

_SHEETS = (
    "stock_out",
    "cut_sheets",
    "print",
    "fold",
    "sort_leaves",
    "pull_down",
    "mend_folds",
    "press_sections",
    "guard_plates",
    "collate",
    "make_endpapers",
)
_SEWN = ("pierce", "sew", "tip_endpapers", "weigh_down")
_FLAT = (*_SEWN, "trim_first", "glue_up", "trim", "end_bands", "ribbon", "line_spine", "measure_block")
_ROUND = (
    *_SEWN,
    "trim_first",
    "glue_up",
    "round",
    "back",
    "trim_rounded",
    "end_bands",
    "ribbon",
    "line_spine",
    "measure_block",
)
_CASE = (
    "trial",
    "lift_old_cover",
    "cut_boards",
    "laminate",
    "layer_panels",
    "bevel_boards",
    "cut_cover",
    "pare",
    "make_case",
)
_ON_THE_BLOCK = (
    "trial",
    "cut_boards",
    "laminate",
    "layer_panels",
    "bevel_boards",
    "lace_on",
    "join_boards",
    "trim_in_boards",
    "cut_cover",
    "pare",
    "cover_book",
)
_CASED_IN = (
    "thumb_cuts",
    "offer_up",
    "case_in",
    "open_a_crack",
    "dry_closed",
    "open_first",
    "letter",
    "tool",
    "paste_labels",
    "panels_in",
    "make_slipcase",
    "make_box",
    "fold_jacket",
    "last_look",
)
_SOFT = ("trial", "cut_cover", "score_cover")
_SOFT_END = ("sew_into_cover", "trim_flush", "letter", "last_look")

STITCHED_BOOKLET = (
    *_SHEETS,
    "cut_leaf_cover",
    "pierce",
    "sew",
    "staple",
    "ribbon",
    "measure_block",
    "trim_flush",
    "last_look",
)
"""One section stitched through its cover, trimmed with it."""
CASED = (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN)
"""Flat, a case made apart and the block cased in."""
IN_A_SOFT_COVER = (*_SHEETS, *_FLAT, *_SOFT, *_SOFT_END)
"""Held by a cover without boards."""
ROUNDED_AND_CASED = (*_SHEETS, *_ROUND, *_CASE, *_CASED_IN)
"""Rounded and backed, then cased in."""
BOARDS_ON_THE_BLOCK = (*_SHEETS, *_ROUND, *_ON_THE_BLOCK, *_CASED_IN)
"""Boards on the rounded block, covered on it."""
SEWN_THROUGH_ITS_COVER = (
    *_SHEETS,
    "pierce",
    "ribbon",
    "measure_block",
    *_SOFT,
    "pierce_cover",
    "sew_through_cover",
    "last_look",
)
"""Sewn through the spine of its cover."""
STABBED = (
    *_SHEETS,
    "trim",
    "measure_block",
    "ribbon",
    "cut_cover",
    "stab_pierce",
    "stab_sew",
    "last_look",
)
"""Single leaves and covers sewn beside the spine."""
