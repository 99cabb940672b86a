"""What each entry of a job that is one of a few can be, in words.

The one list that screens, rules of the house, findings and the job sheet read.

A word in braces stands for the workshop's own word for a folded section.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from weald.core.adhesives import ADHESIVES, SEASONS, SUITED, Adhesive
from weald.core.notation import Notation


@dataclass(frozen=True, slots=True)
class Option:
    """Something that can be chosen: the value as an entry holds it, and what it is called."""

    value: str
    label: str


METHOD_WORDS = {
    "tapes": "on tapes",
    "cords": "on sawn-in cords",
    "raised_cords": "on raised cords",
    "link": "link stitch",
    "pamphlet": "pamphlet stitch",
    "staples": "staples",
    "long": "long stitch through the cover",
    "stab": "stab sewing",
    "none": "not sewn",
}
BACK_WORDS = {"flat": "flat back", "round": "round back"}
SHOULDER_WORDS = {"none": "no shoulders", "45": "shoulders of 45°", "90": "shoulders of 90°"}
COVERING_WORDS = {
    "full": "full",
    "quarter": "quarter",
    "half": "half, with corners",
    "fore_edge": "half, with fore-edge strips",
    "three_piece": "full, over boards joined by a strip",
}
DIRECTION_WORDS = {"down": "head to tail", "up": "tail to head", "across": "across the spine"}
SPINE_RULE_WORDS = {
    "block": "block",
    "block_plus_1_5": "block + 1½ boards",
    "flush_less_1": "block + 2 boards − {mm:1}",
    "flush": "block + 2 boards",
}
JOINT_RULE_WORDS = {
    "by_board": "fixed by the board",
    "board_plus_6": "board + {mm:6}",
    "inset": "from the inset wanted",
    "fixed": "a width of one's own",
}
_FACE = {"face_down": "face down", "face_up": "face up"}


def _adhesives(suited: tuple[Adhesive, ...]) -> dict[str, str]:
    return {"": "the usual one", **{name: ADHESIVES[name].title for name in suited}}


_SOUND = {"unlooked": "not looked at", "sound": "sound", "worn": "worn", "broken": "broken"}
_SEASON_WORDS: dict[str, str] = dict(SEASONS.items())

OPTIONS: Mapping[str, Mapping[str, str]] = {
    **{f"bench.glue.{joint}": _adhesives(suited) for joint, suited in SUITED.items()},
    "bench.season": _SEASON_WORDS,
    "bench.pressed": {"nipped": "in the nipping press", "under_weight": "overnight, under weight"},
    "bench.trimmed": {"after": "after gluing up", "before": "before gluing up"},
    "bench.opened": {"not": "not before it is dry", "once": "a crack, once after the nip"},
    "text.blanks": {"end": "at the end", "front": "at the front", "both": "at both ends"},
    "text.filler": {
        "plain": "nothing",
        "ruled": "lines",
        "dots": "dots",
        "squares": "squares",
        "staves": "staves",
    },
    "text.placing": {"as_is": "as they are", "fit": "scaled to fit", "fill": "scaled to fill"},
    "text.anchor": {
        "middle": "the middle",
        "head": "head",
        "tail": "tail",
        "spine": "spine",
        "fore_edge": "fore-edge",
        "head_spine": "head and spine",
        "head_fore_edge": "head and fore-edge",
        "tail_spine": "tail and spine",
        "tail_fore_edge": "tail and fore-edge",
    },
    "folding.gather": {"inset": "one in another", "together": "folded together"},
    "folding.make_up": {
        "even": "shared evenly",
        "short_last": "shorter last one",
        "full": "all full, more blanks",
        "one_section": "all in one",
        "mix": "a mix, as listed",
    },
    "folding.fold_to": {"marks": "printed marks", "edges": "paper's edges"},
    "printing.flip": {"short": "short edge", "long": "long edge"},
    "printing.work": {"sheetwise": "sheetwise", "turn": "work-and-turn", "tumble": "work-and-tumble"},
    "printing.signature_marks": {"letters": "letters", "numbers": "numbers", "none": "none"},
    "printing.printer.flips": {
        "both": "either edge",
        "long": "the long edge only",
        "short": "the short edge only",
        "none": "no edge: by hand",
    },
    "printing.printer.stacks": _FACE,
    "printing.printer.feeds": _FACE,
    "sewing.method": METHOD_WORDS,
    "sewing.stab.pattern": {
        "plain": "plain",
        "corners": "corners sewn twice",
        "leaf": "leaf veins",
        "fan": "fans",
    },
    "sewing.pamphlet_holes": {"": "by its height", "3": "three", "5": "five"},
    "sewing.pamphlet_at": {"quarters": "a quarter from the ends", "ends": "as far in as a kettle"},
    "back.shape": BACK_WORDS,
    "back.round_rule": {"given": "as decided", "swell": "as the swell asks"},
    "back.shoulder": SHOULDER_WORDS,
    "endpapers.kind": {
        "tipped": "tipped on",
        "made": "made, decorated leaf",
        "cloth_jointed": "cloth-jointed",
        "sewn": "sewn on",
        "wrapped": "wrapped round",
    },
    "endpapers.leaves": {"0": "none", "2": "one folio", "4": "two folios", "6": "three folios"},
    "block.trimming": {"out_of_boards": "out of boards", "in_boards": "in boards", "untrimmed": "untrimmed"},
    "block.end_bands": {"none": "none", "stuck_on": "stuck on", "sewn": "sewn"},
    "block.end_band_ends": {"spine": "over the whole spine", "sections": "into the outer {signatures}"},
    "binding.linings.side": {"inside": "lined inside", "outside": "lined outside", "core": "second board"},
    "binding.spine_rule": SPINE_RULE_WORDS,
    "binding.joint_rule": JOINT_RULE_WORDS,
    "binding.covering": COVERING_WORDS,
    "binding.material": {"cloth": "cloth", "leather": "leather", "paper": "paper"},
    "binding.sides": {"paper": "paper", "cloth": "cloth"},
    "binding.leaves": {"glued": "fanned and glued", "drum": "drum: spreads back to back"},
    "finish.placed": {"spine": "on the spine", "label": "on a label", "none": "not at all"},
    "finish.direction": DIRECTION_WORDS,
    "extras.finishing.lines.what": {
        "title": "the title",
        "author": "the author",
        "volume": "the volume",
        "words": "other words",
        "tool": "a tool, repeated",
        "line": "a line across",
    },
    "extras.finishing.lines.runs": DIRECTION_WORDS,
    "extras.copied.lettering.runs": DIRECTION_WORDS,
    "extras.finishing.labels.material": {"leather": "leather", "paper": "paper"},
    "extras.finishing.front.material": {"paper": "paper", "leather": "leather", "stamped": "stamped"},
    "extras.finishing.frames.side": {"both": "both boards", "front": "front", "back": "back"},
    "extras.ends.elements.what": {
        "folio": "folio",
        "single": "single leaf",
        "laminated": "two leaves pasted together",
        "cloth_joint": "cloth joint",
        "lining": "strip of mull or cloth",
    },
    "extras.ends.elements.at": {"both": "both ends", "front": "the front", "back": "the back"},
    "extras.ends.elements.attached": {
        "tipped": "tipped on",
        "hooked": "hooked round the {signature}",
        "sewn": "sewn as a {signature}",
        "through_fold": "sewn through the fold",
        "wrapped": "wrapped round the {signature}",
    },
    "extras.plates.plates.how": {
        "hooked": "hooked",
        "wrapped": "round the {signature}",
        "folio": "two on one guard",
        "thrown_clear": "thrown clear",
    },
    "extras.torn.grain": {"width": "width", "height": "height"},
    "extras.places.measured_from": {"head": "the head", "tail": "the tail"},
    "extras.stitching.over": {
        "linked": "linked to the stitch below",
        "caught": "caught round those below",
        "plain": "plain",
    },
    "extras.stitching.on": {"1": "one, all along", "2": "two on", "3": "three on"},
    "extras.judged.joints": _SOUND,
    "extras.judged.sewing": _SOUND,
    "extras.judged.covering": _SOUND,
    "extras.judged.paper": _SOUND,
    "extras.strip.counted": {"board": "the board's edge", "spine": "the spine board"},
    "extras.panels.panels.side": {"front": "front", "back": "back"},
    "extras.bevels.edges": {"three": "head, tail, fore-edge", "four": "all four"},
    "extras.elsewhere.editions.kind": {"paperback": "paperback", "hardback": "hardback"},
    "extras.numbered.where": {"foot": "foot", "head": "head"},
    "extras.numbered.side": {"outside": "outside", "inside": "inside", "middle": "in the middle"},
    "extras.numbered.before": {"roman": "roman numbers", "none": "none"},
    "extras.formes.sections.grain": {"unsaid": "not looked at", "width": "width", "height": "height"},
    "extras.ganged.items.grain": {
        "any": "either way",
        "height": "along its height",
        "width": "along its width",
    },
    "extras.ganged.grain": {"width": "width", "height": "height"},
    "extras.box.kind": {"two_trays": "two trays in a case", "lid": "a tray with a lid"},
    "artwork.placing": {"as_is": "as it is", "fit": "fitted in", "fill": "filling the document"},
}
"""By the dotted path of the entry. An empty value is one that is left to a rule."""


def options_of(path: str, notation: Notation) -> tuple[Option, ...]:
    """What the entry at a path can be, in the words of whoever reads.

    :raises KeyError: for an entry that is not one of a few.
    """
    return tuple(Option(value, notation.say(label)) for value, label in OPTIONS[path].items())
