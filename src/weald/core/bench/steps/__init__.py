"""The catalogue of what is done at the bench, in the order that is the habit where matter leaves it free."""

from weald.core.bench.step import Step
from weald.core.bench.steps.block import BLOCK
from weald.core.bench.steps.boards import BOARDS
from weald.core.bench.steps.casing import CASING
from weald.core.bench.steps.cover import COVER
from weald.core.bench.steps.finishing import FINISHING
from weald.core.bench.steps.on_the_block import ON_THE_BLOCK
from weald.core.bench.steps.sewing import SEWING
from weald.core.bench.steps.sheets import SHEETS

STEPS: dict[str, Step] = {
    step.id: step for step in (*SHEETS, *SEWING, *BLOCK, *BOARDS, *ON_THE_BLOCK, *COVER, *CASING, *FINISHING)
}
