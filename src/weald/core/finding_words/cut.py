"""Words of what to mind at the bench: pieces cut already, steps that nothing leads to."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

CutCode = Literal[
    "cut.smaller",
    "cut.larger",
    "cut.spine_larger",
    "cut.turned",
    "cut.gone",
    "order.unreached",
    "order.against",
    "order.too_late",
]

CUT: dict[CutCode, FindingWords] = {
    "order.unreached": FindingWords(
        "mind",
        "bench",
        "“{title}” cannot be done as things lie: {reason}.",
        "Mark at the bench what is done already, or leave the step out with a reason.",
    ),
    "order.against": FindingWords(
        "mind",
        "bench",
        "“{title}” and “{other}” each have to come before the other.",
        "Choose another school for one of the two, or leave one out with a reason.",
    ),
    "order.too_late": FindingWords(
        "mind",
        "bench",
        "“{title}” has to be done before “{other}”, but stands after “{after}”.",
        "Let it follow an earlier operation, or say that it may come later.",
    ),
    "cut.smaller": FindingWords(
        "mind",
        "bench",
        "{label}: cut already to {old}, and {new} is wanted now; wanting: {off}.",
        "Cut it again and keep the old one for another book; or, if it is little, see at the dry fitting "
        "whether squares and joint can take it up.",
    ),
    "cut.larger": FindingWords(
        "mind",
        "bench",
        "{label}: cut already to {old}, and {new} is wanted now.",
        "Trim {off} off, then tick it as cut again.",
    ),
    "cut.spine_larger": FindingWords(
        "mind",
        "bench",
        "{label}: cut already to {old}, and {new} is wanted now.",
        "Trim {off} off; or leave it, and pack the block’s spine out with a lining of that thickness. Then "
        "tick it as cut again.",
    ),
    "cut.turned": FindingWords(
        "mind",
        "bench",
        "{label}: cut already to {old}, with its grain the other way than is wanted now ({new}).",
        "Cut it again with the grain right; keep the old one for another book.",
    ),
    "cut.gone": FindingWords(
        "mind",
        "bench",
        "{label}, cut already to {old}, is not wanted any more.",
        "Put it with the offcuts, or go back to the binding it was cut for.",
    ),
}
