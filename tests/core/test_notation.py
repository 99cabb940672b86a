"""All Weald says is in the reader's units and the workshop's words; user text is never touched."""

import dataclasses
import re
from collections.abc import Iterator
from itertools import product
from typing import Any

import pytest

from tests.conftest import job_in
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.bindings.choosing import structure_choices
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import FOR_ANYBODY, MILLIMETRES, Notation, usual_inches
from weald.core.planning.choices import fold_choices, make_up_choices
from weald.core.planning.comparing import ways
from weald.core.planning.plan import film_of_sewing, plan
from weald.core.press.dummy import fold_film
from weald.core.press.press import press

INCHES = Notation(units="inch", vocabulary="gathering")
HOUSE_WORD = Notation(vocabulary="section")
CODES = {
    "id",
    "quantity",
    "piece",
    "after",
    "kind",
    "code",
    "about",
    "station",
    "layer",
    "material",
    "rule",
    "entry",
    "unit",
    "programme",
    "patch",
}


def said(thing: Any) -> Iterator[str]:
    """Every text for people in a result; codes, ids and patches are not said."""
    if isinstance(thing, str):
        yield thing
    elif dataclasses.is_dataclass(thing):
        for field in dataclasses.fields(thing):
            if field.name not in CODES:
                yield from said(getattr(thing, field.name))
    elif isinstance(thing, dict):
        for each in thing.values():
            yield from said(each)
    elif isinstance(thing, (tuple, list)):
        for each in thing:
            yield from said(each)


def rules(made: Any) -> Iterator[str]:
    return (each.rule for each in made.quantities if each.rule)


def everything(data: dict[str, Any], notation: Notation) -> list[str]:
    spec = read_spec(data, notation)
    made = plan(spec, notation)
    rest = (
        structure_choices(spec, notation),
        fold_choices(spec, notation),
        make_up_choices(spec, notation),
        ways(spec, notation),
        film_of_sewing(spec, notation),
        fold_film(press(spec, notation), 1, 1),
    )
    return [*said(made), *rules(made), *said(rest)]


JOBS: tuple[dict[str, Any], ...] = (
    {},
    {
        "text": {"pages": 97, "spreads": "6, 24"},
        "block": {"inserted": "0.5 mm", "end_bands": "sewn", "hollow": True},
        "endpapers": {"kind": "cloth_jointed"},
        "paper": {"sheet": {"grain": "height", "width": "450 mm", "height": "320 mm"}},
        "printing": {"printer": {"unprintable": "5 mm", "flips": "long"}, "bleed": "6 mm"},
        "sewing": {"kettle": "8 mm", "supports": 2, "thread": "1.2 mm"},
        "binding": {
            "squares": {"head": "0", "tail": "1 mm", "fore_edge": "2 mm"},
            "covering": "half",
            "overlap": "15 mm",
            "material": "leather",
            "cover_thickness": "0.9 mm",
            "turn_in": "10 mm",
            "flaps": "12 mm",
        },
        "finish": {"placed": "label", "ribbons": 1, "volume": "II"},
        "measured": {"block.thickness": "44 mm", "joint.gap": "4 mm"},
    },
)


@pytest.mark.parametrize(("name", "data"), list(product(STRUCTURES, JOBS)), ids=lambda each: str(each)[:20])
def test_no_millimetre_is_shown_to_one_who_reads_inches_and_no_other_word_for_a_section(name, data):
    spoken = everything(
        {**job_in(name), **data, "binding": {**data.get("binding", {}), "structure": name}}, INCHES
    )
    assert len(spoken) > 200
    for text in spoken:
        assert not re.search(r"\d ?mm\b", text), text
        assert not re.search(r"[Ss]ignatures?\b(?! mark)", text), text
        assert not re.search(r"(?<!in )\b[Ss]ections?\b", text), text
        assert not re.search(r"\{|\}", text), text


def test_the_workshops_own_word_is_said_and_signature_marks_stay():
    assert (
        HOUSE_WORD.say("{Signatures}: 3 a {signature}; signature marks.")
        == "Sections: 3 a section; signature marks."
    )
    assert MILLIMETRES.say("{Signatures} of a {signature}") == "Signatures of a signature"
    labels = {each.id: each.label for each in plan(read_spec({}), HOUSE_WORD).quantities}
    assert labels["sections.count"] == "Sections"
    assert labels["thread.section"] == "Thread a section"


HOSTILE = "{signature} of 3 mm {0} {mm:3} Signature {}"


def test_what_people_wrote_is_never_looked_into():
    made = plan(
        read_spec(
            {
                "title": HOSTILE,
                "finish": {"title": HOSTILE, "author": HOSTILE, "volume": "{signature}"},
                "paper": {"name": HOSTILE},
                "folding": {"make_up": "mix", "mix": "4 + 4x4"},
                "binding": {
                    "cover_name": HOSTILE,
                    "board_name": HOSTILE,
                    "linings": [{"name": HOSTILE}, {"name": HOSTILE, "side": "core"}],
                    "bands": {"count": 0},
                },
                "artwork": {"rules": {"name": HOSTILE, "least_pages": 5000}},
                "stock": {
                    "board": {"name": HOSTILE, "width": 100, "height": 100, "grain": "width", "thickness": 5},
                    "nothing": {"name": HOSTILE, "width": 100, "height": 100},
                    "text_sheet": {"name": HOSTILE, "width": 100, "height": 100, "grain": "width"},
                },
            }
        ),
        INCHES,
    )
    texts = list(said(made))
    assert made.title == HOSTILE
    assert any(HOSTILE in text for text in texts)
    assert any(HOSTILE in each.message for each in made.findings)
    assert not any("gathering of" in text for text in texts)


@pytest.mark.parametrize("mix", ["{signature}", "{0}", "4+{mm:3}"])
def test_a_refusal_names_what_was_typed_as_it_was_typed(mix):
    with pytest.raises(SpecError) as refused:
        read_spec({"folding": {"make_up": "mix", "mix": mix}}, HOUSE_WORD)
    text = refused.value.fields["folding.mix"]
    assert mix in text
    assert "no mix of sections" in text


def test_limits_are_said_in_the_readers_units_and_as_they_are():
    def refusal(data: dict[str, Any], notation: Notation) -> str:
        with pytest.raises(SpecError) as refused:
            read_spec(data, notation)
        return next(iter(refused.value.fields.values()))

    board = {"binding": {"board": "0.1"}}
    assert refusal(board, MILLIMETRES) == "“0.1” must be at least 0.3 mm."
    assert refusal({"binding": {"board": "40"}}, INCHES) == "“40” must be at most 0.472″."
    assert refusal({"text": {"pages": 0}}, INCHES) == "“0” must be at least 1."


@pytest.mark.parametrize(
    ("length", "shown"),
    [
        (3, "1/8″"),
        (12, "1/2″"),
        (15, "5/8″"),
        (20, "3/4″"),
        (25, "1″"),
        (30, "1 1/8″"),
        (10, "3/8″"),
        (1, "3/64″"),
    ],
)
def test_lengths_of_a_rule_of_thumb_are_plain_fractions_of_an_inch(length, shown):
    assert usual_inches(length) == shown


def test_a_sentence_kept_for_anybody_is_read_by_each_in_their_own_way():
    data = {"sewing": {"kettle": 8}, "binding": {"structure": "flat_case"}}
    kept = {each.code: each.message for each in plan(read_spec(data), FOR_ANYBODY).findings}
    for reader in (MILLIMETRES, INCHES, HOUSE_WORD, Notation(units="both")):
        told = {each.code: each.message for each in plan(read_spec(data), reader).findings}
        assert {code: reader.read(text) for code, text in kept.items()} == told
    assert "8 mm" not in kept["sewing.near_edge"]


def test_a_kept_sentence_that_is_damaged_is_shown_as_it_is():
    for odd in (
        "plain",
        "\ue000length\ue001",
        "\ue000nothing 3\ue001",
        "{signature}",
        "\ue000length x unit\ue001",
    ):
        assert isinstance(MILLIMETRES.read(odd), str)
