"""Made-up jobs of every kind: any structure, odd sizes, odd decisions, measurements, things added."""

import random
from typing import Any

from tests.conftest import STRUCTURES, job_in
from tests.core.extras.made_up import EXTRAS, merged
from weald.core.job.patching import with_entry

_ENTRIES: tuple[tuple[float, str, tuple[Any, ...]], ...] = (
    (0.6, "text.pages", (2, 4, 8, 16, 30, 64, 100, 187, 320, 640, 1200)),
    (0.5, "leaf.width", (60, 90, 105, 140, 148, 210, 250)),
    (0.5, "leaf.height", (80, 120, 148, 210, 297, 360)),
    (0.5, "paper.grammage", (45, 60, 80, 100, 120, 160, 220)),
    (0.3, "paper.bulk", (0.8, 1.2, 1.8)),
    (0.2, "paper.basis", ({"pounds": 20, "grade": "bond"}, {"pounds": 80, "grade": "cover"})),
    (0.2, "paper.sheet", ({"width": 210, "height": 297, "grain": "height"},)),
    (0.2, "paper.sheet", ({"width": 640, "height": 450, "grain": "width"},)),
    (
        0.4,
        "folding.programme",
        (
            "upright",
            "level, upright",
            "upright, level, upright",
            "upright, upright",
            "level, upright, level, upright",
        ),
    ),
    (0.4, "folding.sheets_per_section", (1, 2, 3, 5, 8, 12)),
    (0.3, "folding.make_up", ("even", "full", "one_section")),
    (0.4, "sewing.thread", (0.1, 0.2, 0.35, 0.5, 0.8)),
    (0.4, "sewing.supports", (0, 1, 2, 3, 5, 8)),
    (0.3, "sewing.support_width", (2, 8, 12, 25)),
    (0.3, "sewing.kettle", (4, 8, 13, 20, 40)),
    (0.3, "sewing.method", ("tapes", "cords", "raised_cords", "link", "pamphlet", "none")),
    (0.4, "back.shape", ("flat", "round")),
    (0.3, "back.round", (0.1, 0.2, 0.33, 0.5)),
    (0.3, "back.shoulder", ("none", "45", "90")),
    (0.4, "binding.board", (0.5, 1, 1.5, 2, 2.5, 3, 4)),
    (0.2, "binding.thin_board", (0.5, 1, 2)),
    (0.3, "binding.squares.head", (0, 2, 3, 5, 8)),
    (0.3, "binding.squares.tail", (0, 2, 3, 5)),
    (0.3, "binding.squares.fore_edge", (0, 2, 4, 6)),
    (0.3, "binding.turn_in", (2, 6, 12, 14, 18, 30)),
    (0.3, "binding.joint_rule", ("by_board", "board_plus_6", "inset")),
    (0.3, "binding.inset", (0, 2, 4, 8)),
    (0.2, "binding.groove", (0, 0.5, 1)),
    (0.2, "binding.spine_rule", ("block", "flush", "flush_less_1", "block_plus_1_5")),
    (0.3, "binding.linings", ([{"side": "inside", "thickness": 0.1}], [{"side": "core", "thickness": 1.5}])),
    (0.3, "block.end_bands", ("none", "stuck_on", "sewn")),
    (0.3, "block.end_band_height", (1, 2, 4, 7)),
    (0.2, "block.trimming", ("out_of_boards", "in_boards", "untrimmed")),
    (0.2, "block.inserted", (0, 0.3, 0.6)),
    (0.2, "paper.deckle", (True,)),
    (0.3, "binding.bands.count", (0, 3, 5, 8)),
    (0.2, "binding.overlap", (5, 30, 90)),
    (0.3, "binding.covering", ("full", "quarter", "half", "fore_edge", "three_piece")),
    (0.3, "binding.material", ("cloth", "leather", "paper")),
    (0.2, "binding.cover_thickness", (0.1, 0.3, 0.8, 1.5)),
    (0.2, "binding.flaps", (0, 20, 60, 200)),
    (0.3, "binding.corner_leg", (20, 60, 200)),
    (0.2, "endpapers.leaves", (0, 2, 4)),
    (0.2, "text.spreads", ("4", "10, 24", "16")),
    (0.2, "printing.printer", ({"largest": {"width": 210, "height": 297}, "unprintable": 5},)),
    (0.2, "printing.printer.flips", ("long", "short", "none")),
    (0.2, "printing.bleed", (3, 5)),
    (0.2, "printing.flip", ("short", "long")),
    (0.2, "finish.capital", (2, 5, 15)),
    (0.2, "finish.title", ("A long title upon the spine of a book",)),
    (0.2, "bench.glue.case", ("film", "paste")),
)
_MEASURED = (
    "block.thickness",
    "spine_board.width",
    "board.width",
    "joint.gap",
    "cover.width",
    "block.height",
)
_SIZES = (2, 9, 15, 40, 140, 210)


def made_up_job(chance: random.Random) -> dict[str, Any]:
    """A job file; it may be one that cannot be planned."""
    structure = chance.choice(list(STRUCTURES))
    job: dict[str, Any] = (
        job_in(structure) if chance.random() < 0.7 else {"binding": {"structure": structure}}
    )
    for likely, path, values in _ENTRIES:
        if chance.random() < likely:
            job = with_entry(job, path.split("."), chance.choice(values))
    if chance.random() < 0.2:
        job = job | {"measured": {chance.choice(_MEASURED): chance.choice(_SIZES)}}
    if chance.random() < 0.5:
        for name in chance.sample(list(EXTRAS), chance.choice([1, 1, 2])):
            job = merged(job, {"extras": EXTRAS[name]["extras"]})
    return job
