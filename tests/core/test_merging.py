"""Two changes of one thing: what does not meet is kept of both, what meets is asked."""

import copy
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from weald.core.merging import ABSENT, merge, value_at, with_value

BASE: dict[str, Any] = {
    "title": "Tide tables",
    "squares": {"head": 3.0, "tail": 3.0},
    "linings": [90.0, 120.0],
    "rows": [{"at": 1.0, "note": ""}, {"at": 2.0, "note": ""}],
    "people": [{"id": "ida", "name": "Ida"}, {"id": "tom", "name": "Tom"}],
}


def changed(**more: Any) -> dict[str, Any]:
    return copy.deepcopy(BASE) | more


def test_what_does_not_meet_is_kept_of_both() -> None:
    mine = changed(squares={"head": 5.0, "tail": 3.0}, people=[{"id": "tom", "name": "Tomas"}])
    theirs = changed(
        squares={"head": 3.0, "tail": 4.0},
        people=[*BASE["people"], {"id": "una", "name": "Una"}],
        rows=[{"at": 1.0, "note": "deep"}, {"at": 2.0, "note": ""}],
    )
    merged = merge(BASE, mine, theirs)
    assert merged.met == ()
    assert merged.data["squares"] == {"head": 5.0, "tail": 4.0}
    assert merged.data["people"] == [{"id": "tom", "name": "Tomas"}, {"id": "una", "name": "Una"}]
    assert merged.data["rows"] == theirs["rows"]
    assert set(merged.others) == {("squares", "tail"), ("people", "una"), ("rows", "0", "note")}


def test_what_meets_is_asked_entry_by_entry_and_settled() -> None:
    mine, theirs = changed(title="Tides", linings=[90.0]), changed(title="Tables", linings=[80.0, 120.0])
    merged = merge(BASE, mine, theirs)
    assert [(each.name, each.mine, each.theirs) for each in merged.met] == [
        ("title", "Tides", "Tables"),
        ("linings", [90.0], [80.0, 120.0]),
    ]
    settled = merge(BASE, mine, theirs, {"title": "mine", "linings": "theirs"})
    assert (settled.met, settled.data["title"], settled.data["linings"]) == ((), "Tides", [80.0, 120.0])


def test_a_row_taken_out_and_changed_meets_and_an_unknown_beginning_asks_about_all() -> None:
    mine, theirs = changed(people=BASE["people"][1:]), changed(people=[{"id": "ida", "name": "I."}])
    assert [(each.name, each.mine) for each in merge(BASE, mine, theirs).met] == [("people.ida", ABSENT)]
    unknown = merge(ABSENT, changed(title="Tides"), changed(copies=2))
    assert {each.name for each in unknown.met} >= {"title"}


def test_a_row_put_at_the_end_goes_with_a_change_of_another() -> None:
    longer, other = [*BASE["rows"], {"at": 3.0, "note": ""}], [{"at": 1.5, "note": ""}, BASE["rows"][1]]
    for mine, theirs in ((longer, other), (other, longer)):
        merged = merge(BASE, changed(rows=mine), changed(rows=theirs))
        assert (merged.met, merged.data["rows"]) == ((), [*other, longer[2]])
    both = merge(BASE, changed(rows=longer), changed(rows=[*BASE["rows"], {"at": 4.0, "note": ""}]))
    assert [each.name for each in both.met] == ["rows"]


VALUES = st.integers(0, 3)
STATES = st.fixed_dictionaries(dict.fromkeys("abc", VALUES) | {"group": st.fixed_dictionaries({"x": VALUES})})


@given(STATES, STATES, STATES)
def test_nobodys_change_is_lost(base: dict[str, Any], mine: dict[str, Any], theirs: dict[str, Any]) -> None:
    def leaves(state: dict[str, Any]) -> dict[str, int]:
        return {**{name: state[name] for name in "abc"}, "group.x": state["group"]["x"]}

    merged = merge(base, mine, theirs)
    met = {each.name for each in merged.met}
    for name, value in leaves(merged.data).items():
        was, one, other = leaves(base)[name], leaves(mine)[name], leaves(theirs)[name]
        if len({was, one, other}) == 3:
            assert name in met
        else:
            assert name not in met
            assert value == (one if one != was else other)
    assert merge(base, mine, mine).data == mine
    assert merge(base, base, theirs).data == theirs


def test_a_value_is_put_where_it_is_read() -> None:
    data = {
        "rows": [{"id": "a", "size": 1}, {"id": "b", "size": 2}],
        "plain": [{"x": 1}],
        "measured": {"block.width": 3},
    }
    for path in (("rows", "b", "size"), ("plain", "0", "x"), ("measured", "block.width")):
        changed = with_value(data, path, 9)
        assert value_at(changed, path) == 9
        assert with_value(changed, path, value_at(data, path)) == data
    assert value_at(with_value(data, ("rows", "a"), ABSENT), ("rows", "a")) is ABSENT
    assert with_value(data, ("rows", "c", "size"), 9) == data
