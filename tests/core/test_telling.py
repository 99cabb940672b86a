"""What was changed, in words: the entries as they are called, and the pieces that follow."""

from typing import Any

from weald.core.job.spec import JobSpec, read_spec
from weald.core.notation import FOR_ANYBODY, MILLIMETRES, Notation
from weald.core.planning.plan import Plan, plan
from weald.core.planning.telling import changed, told


def stands(**entries: Any) -> tuple[JobSpec, Plan]:
    spec = read_spec(entries)
    return spec, plan(spec, drawn=())


def test_a_measurement_is_told_with_the_piece_it_changes() -> None:
    words = told(stands(), stands(measured={"block.width": 139}), MILLIMETRES)
    assert words == "Board 1 mm narrower after block width measured 139 mm"


def test_a_decision_is_told_first() -> None:
    words = told(stands(), stands(leaf={"height": 205}), MILLIMETRES)
    assert words == "Page height 205 mm; board 5 mm shorter"


def test_another_binding_is_told_as_such_and_not_entry_by_entry() -> None:
    words = told(stands(), stands(binding={"structure": "wrapper", "squares": {"head": 2}}), MILLIMETRES)
    assert words.startswith("Binding: ")
    assert "quare" not in words


def test_many_changes_are_counted() -> None:
    after = stands(title="Log", copies=3, text={"pages": 64}, paper={"grammage": 80, "name": "Gull"})
    assert "and 1 more" in told(stands(), after, MILLIMETRES)


def test_kept_words_are_read_in_anybodys_units_and_titles_stand_as_written() -> None:
    kept = told(stands(), stands(title="{signature} {mm:3}", leaf={"width": 152.4}), FOR_ANYBODY)
    assert "Page width 6″" in Notation("inch").read(kept)
    assert "{signature} {mm:3}" in Notation("inch").read(kept)


def test_what_is_taken_out_again_is_told_so() -> None:
    found = changed(read_spec({"measured": {"block.width": 139}}), JobSpec(), MILLIMETRES)
    assert list(found.values()) == ["Block width no longer measured"]


def test_every_entry_has_a_label() -> None:
    spec = read_spec({"measured": {"block.width": 139}, "binding": {"slit_play": 3, "tape_reach": 40}})
    for path, words in changed(JobSpec(), spec, MILLIMETRES).items():
        assert words, path
        assert "{" not in words, path


def test_what_is_added_is_told_once_and_its_entries_by_their_names() -> None:
    plain, jacketed = stands(), stands(extras={"jacket": {}})
    assert told(plain, jacketed, MILLIMETRES) == "Paper jacket added"
    assert told(jacketed, plain, MILLIMETRES) == "Paper jacket taken off"
    wider = stands(extras={"jacket": {"flap_width": 90}})
    assert told(jacketed, wider, MILLIMETRES).startswith("Paper jacket, flap, own width 90 mm")
    rows = stands(extras={"plates": {"plates": [{}, {}]}, "jacket": {}})
    more = stands(extras={"plates": {"plates": [{}, {}, {}]}, "jacket": {}})
    assert told(rows, more, MILLIMETRES).startswith("Plates on guards, leaves 3 rows")


def test_what_is_so_already_is_told_as_one_says_it() -> None:
    plain, so = stands(), stands(bench={"facts": {"block_lined": True, "trial_made": False}})
    assert told(plain, so, MILLIMETRES) == "The spine is lined: so, Trial made: not so"
    assert told(so, plain, MILLIMETRES) == "The spine is lined: as it begins, Trial made: as it begins"
