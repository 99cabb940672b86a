"""The catalogue of what is done at the bench; ``orders`` says which structure has which of it."""

from weald.core.bench.step import Step
from weald.core.bench.steps.block import BLOCK
from weald.core.bench.steps.book import BOOK
from weald.core.bench.steps.cover import COVER
from weald.core.bench.steps.sheets import SHEETS

STEPS: dict[str, Step] = {step.id: step for step in (*SHEETS, *BLOCK, *COVER, *BOOK)}
