"""Which steps a structure has, in what order; each strand in the order it stands here."""

from weald.core.job.binding import StructureName

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

ORDERS: dict[StructureName, tuple[str, ...]] = {
    "saddle_stitch": (
        *_SHEETS,
        "cut_leaf_cover",
        "pierce",
        "sew",
        "staple",
        "ribbon",
        "measure_block",
        "trim_flush",
        "last_look",
    ),
    "pamphlet_case": (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN),
    "wrapper": (*_SHEETS, *_FLAT, *_SOFT, *_SOFT_END),
    "coverless_tapes": (*_SHEETS, *_FLAT, *_SOFT, *_SOFT_END),
    "laced_card_case": (*_SHEETS, *_FLAT, *_SOFT, *_SOFT_END),
    "link_stitch": (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN),
    "flat_case": (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN),
    "strip_case": (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN),
    "printed_case": (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN),
    "rounded_case": (*_SHEETS, *_ROUND, *_CASE, *_CASED_IN),
    "split_boards": (*_SHEETS, *_ROUND, *_ON_THE_BLOCK, *_CASED_IN),
    "lapped_cords": (*_SHEETS, *_ROUND, *_ON_THE_BLOCK, *_CASED_IN),
    "laced_boards": (*_SHEETS, *_ROUND, *_ON_THE_BLOCK, *_CASED_IN),
    "long_stitch": (
        *_SHEETS,
        "pierce",
        "ribbon",
        "measure_block",
        *_SOFT,
        "pierce_cover",
        "sew_through_cover",
        "last_look",
    ),
    "stab_sewn": (
        *_SHEETS,
        "trim",
        "measure_block",
        "ribbon",
        "cut_cover",
        "stab_pierce",
        "stab_sew",
        "last_look",
    ),
    "single_leaves": (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN),
    "rebound_paperback": (*_SHEETS, *_FLAT, *_CASE, *_CASED_IN),
}
