"""The small pictures by which one of a few is chosen, where its words alone do not show it."""

from typing import get_args

from weald.core.bindings.stab_sewn import draw_threads
from weald.core.block.stab import stab_work
from weald.core.drawing import Drawing, Sketch, box
from weald.core.job.block import STAB_PATTERN_WORDS, StabPattern, StabSewing

_LEAF = (30.0, 50.0)
_SMALL = StabSewing(stations=3, margin=16, ends=10)
"""Few stations, far in, so that every pattern is told apart when it is small."""


def choice_pictures() -> dict[str, dict[str, Drawing]]:
    """Small pictures of what an entry can be: by the entry's path, and by what it can be."""
    return {
        "sewing.stab.pattern": {pattern: _stab_pattern(pattern) for pattern in get_args(StabPattern)},
    }


def _stab_pattern(pattern: StabPattern) -> Drawing:
    width, height = _LEAF
    sketch = Sketch()
    sketch.area(box(0, 0, width, height), "side_paper", "cut")
    draw_threads(sketch, stab_work(height, _SMALL.model_copy(update={"pattern": pattern})), height)
    title = STAB_PATTERN_WORDS[pattern]
    return sketch.finish(f"pattern.{pattern}", "sewing", title, rows=(0, 0, 0, 0), to_scale=False)
