"""Words for whatever is added: it does not suit, or two contradict."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

WhateverCode = Literal[
    "extra.unsuited",
    "extra.contradicts",
]

WHATEVER: dict[WhateverCode, FindingWords] = {
    "extra.unsuited": FindingWords(
        "note",
        "boards",
        "“{extra}” is kept with this job, but a {structure} has no use for it.",
        "Take it off, or leave it for when another structure is chosen.",
    ),
    "extra.contradicts": FindingWords(
        "mind",
        "boards",
        "“{extra}” and “{other}” cannot both be had.",
        "Do without one of them.",
    ),
}
