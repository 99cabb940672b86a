"""An entry says everything of itself: words for all it can be, its form, its part of the drawing."""

import ast
from pathlib import Path
from typing import Any, Literal, get_args, get_origin

import pytest
from pydantic import BaseModel
from pydantic.fields import FieldInfo

import weald
from tests.conftest import STRUCTURES, job_in, planned
from weald.core.bindings.asking import asking_of
from weald.core.bindings.case_schools import JOINT_SCHOOLS, SPINE_SCHOOLS
from weald.core.bindings.catalogue import STRUCTURES as CATALOGUE
from weald.core.bindings.catalogue import structure_of
from weald.core.job.asked import asked_entries, in_forms
from weald.core.job.binding import JOINT_RULE_WORDS, SPINE_RULE_WORDS
from weald.core.job.entry import entry_of
from weald.core.job.fields import _parts, columns_in, entries_in, field_of, options_in
from weald.core.job.forms import FORMS
from weald.core.job.patching import patched, value_at
from weald.core.job.spec import JobSpec, read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.book_set import SetSpec
from weald.core.planning.house import RULES, House
from weald.core.quantities import is_quantity

NOT_CHOSEN = {"format", "binding.structure"}
"""What is not chosen from words: the format, and a structure, which says more of itself."""


def every_entry(root: type[BaseModel], prefix: str = "") -> dict[str, FieldInfo]:
    found: dict[str, FieldInfo] = {}
    for path, info in entries_in(root).items():
        found[prefix + path] = info
        if row := columns_in(info):
            found |= every_entry(row, f"{prefix}{path}.")
    return found


@pytest.mark.parametrize("root", [JobSpec, House, SetSpec])
def test_every_entry_that_is_one_of_a_few_has_words_for_all_it_can_be(root: type[BaseModel]) -> None:
    chosen = 0
    for path, info in every_entry(root).items():
        parts = _parts(info.annotation)
        values = {str(each) for part in parts if get_origin(part) is Literal for each in get_args(part)}
        if values and path not in NOT_CHOSEN:
            left_open = {""} if type(None) in parts else set()
            assert {str(each) for each in entry_of(info).options or {}} == values | left_open, path
            chosen += 1
    assert chosen >= 1


def test_every_entry_decided_in_a_form_has_a_title_and_a_form_has_entries_or_a_screen_of_its_own() -> None:
    for path, info, _ in in_forms():
        assert info.title, path
    own_screens = {"linings", "printed_on"}
    assert set(FORMS) - {entry.form for _, _, entry in in_forms()} == own_screens


def test_what_an_entry_belongs_to_and_comes_to_is_known() -> None:
    pieces = {piece.id for name in STRUCTURES for piece in planned(job_in(name)).pieces}
    pieces |= {"support", "thin_board", "stiffener", "side", "guard", "ribbon", "cover", "collation"}
    for path, _, entry in in_forms():
        for part in entry.part.split():
            assert is_quantity(part) or part in pieces, (path, part)
        if "." in entry.left_open:
            assert is_quantity(entry.left_open), path


def test_a_structure_lists_entries_there_are() -> None:
    paths = entries_in(JobSpec)
    for structure in CATALOGUE.values():
        for listed in structure.entries:
            assert any(path == listed or path.startswith(f"{listed}.") for path in paths), listed


@pytest.mark.parametrize("name", STRUCTURES)
def test_what_is_asked_can_be_answered(name: str) -> None:
    spec = read_spec(job_in(name))
    asked = planned(job_in(name)).asked
    asking = asking_of(structure_of(spec), spec)
    assert list(asked.paths) == [path for path, _, _ in asked_entries(asking)]
    for path, values in asked.values.items():
        words = {option.value for option in options_in(entries_in(JobSpec)[path], MILLIMETRES)}
        assert set(values) <= words, path
    assert set(asked.labels) | set(asked.left_open) | set(asked.values) <= set(asked.paths)


def asked(job: dict[str, Any]) -> set[str]:
    return set(planned(job).asked.paths)


def test_entries_are_asked_where_they_count() -> None:
    assert "binding.squares.head" in asked(job_in("flat_case"))
    assert "binding.squares.head" not in asked(job_in("saddle_stitch"))
    half = asked(job_in("flat_case") | {"binding": {"covering": "half"}})
    assert "binding.corner_leg" in half
    assert "binding.fore_edge_strip" not in half
    assert {"sewing.supports", "sewing.support_width"} <= asked(job_in("flat_case"))
    link = planned({"sewing": {"method": "link"}})
    assert link.asked.labels["sewing.supports"] == "Links"
    assert "sewing.support_width" not in link.asked.paths
    pamphlet = {"binding": {"structure": "pamphlet_case"}, "sewing": {"method": "pamphlet"}}
    assert "sewing.kettle" not in asked(pamphlet)
    pamphlet["sewing"]["pamphlet_at"] = "ends"
    assert "sewing.kettle" in asked(pamphlet)
    assert {"paper.stack.leaves", "paper.grammage"} <= asked(
        {"paper": {"stack": {"leaves": 50, "thickness": 5}}}
    )
    assert "paper.bulk" not in asked({"paper": {"calliper": 0.1}})


def test_a_field_that_would_vanish_when_it_is_emptied_cannot_be_left_open() -> None:
    """Emptied on the way to another figure, an entry stays where it is being typed."""
    spec, vanishing = read_spec({"artwork": {"rules": {}}}), set()
    for path, info, entry in in_forms():
        left_to_a_rule = type(None) in _parts(info.annotation) and not entry.options
        if not left_to_a_rule or value_at(spec, path) is not None:
            continue
        given, emptied = (asking_of(structure_of(each), each) for each in (patched(spec, {path: 3}), spec))
        if entry.asked(given) and not entry.asked(emptied):
            assert not field_of(path, info, MILLIMETRES).optional, path
            vanishing.add(path)
    assert vanishing == {"paper.calliper"}


def test_what_is_left_open_says_what_it_comes_to() -> None:
    made = planned({"binding": {"joint_rule": "fixed"}})
    gap = next(each for each in made.quantities if each.id == "joint.gap")
    assert made.asked.left_open["binding.joint"] == gap.shown
    assert made.asked.left_open["sewing.kettle"] == "by the height"


def test_schools_are_the_options() -> None:
    assert [rule for rule, *_ in SPINE_SCHOOLS] == list(SPINE_RULE_WORDS)
    assert [rule for rule, *_ in JOINT_SCHOOLS] == list(JOINT_RULE_WORDS)


def test_options_are_read_in_the_readers_own_units_and_words() -> None:
    inches = Notation(units="inch", vocabulary="section")
    labels = [
        option.label
        for path in ("binding.joint_rule", "binding.spine_rule", "block.end_band_ends")
        for option in options_in(entries_in(JobSpec)[path], inches)
    ]
    assert "into the outer sections" in labels
    assert not any("mm" in label for label in labels)
    assert sum("″" in label for label in labels) == 2


def test_a_house_may_rule_what_its_entries_say() -> None:
    ruled = {rule.path for rule in RULES if not rule.path.startswith("bench.times.")}
    assert ruled == {path for path, _, entry in in_forms() if entry.rule}
    assert {"binding.joint_rule", "binding.turn_in", "sewing.kettle", "bench.glue.case"} <= ruled


def lists_by_path(source: str) -> list[int]:
    """Lines of what a module keeps by the paths of several entries; what a choice changes is no list."""
    paths, found = {path for path in entries_in(JobSpec) if not is_quantity(path)}, []
    for statement in ast.parse(source).body:
        if not isinstance(statement, ast.Assign | ast.AnnAssign) or statement.value is None:
            continue
        nodes = list(ast.walk(statement.value))
        changes = [node.value for node in nodes if isinstance(node, ast.keyword) and node.arg == "chooses"]
        for node in nodes:
            kept: list[ast.expr | None] = []
            if isinstance(node, ast.Dict) and node not in changes:
                kept = list(node.keys)
            elif isinstance(node, ast.Tuple | ast.List):
                kept = [each.args[0] for each in node.elts if isinstance(each, ast.Call) and each.args]
            if len({each.value for each in kept if isinstance(each, ast.Constant)} & paths) > 1:
                found.append(statement.lineno)
    return found


def test_nothing_else_lists_entries_by_their_paths() -> None:
    assert lists_by_path('_WORDS = {"leaf.width": "a", "leaf.height": "b"}') == [1]
    assert lists_by_path('X = (Usual("leaf.width", 1), Usual("leaf.height", 2))') == [1]
    weald_package = Path(weald.__file__).parent
    for source in (*weald_package.glob("core/**/*.py"), *weald_package.glob("web/**/*.py")):
        if "demo" not in source.parts:
            assert lists_by_path(source.read_text()) == [], source.name


def test_a_form_that_stands_at_a_part_finds_it_in_a_drawing() -> None:
    drawn: dict[str, set[str]] = {}
    for structure in STRUCTURES:
        for drawing in planned(job_in(structure)).drawings:
            ids = {about for element in drawing.elements for about in element.about.split()}
            drawn.setdefault(drawing.station, set()).update(ids)
    for name, form in FORMS.items():
        for id in form.part:
            assert any(id in drawn[place.station] for place in form.at), (name, id)
