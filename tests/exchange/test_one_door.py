"""Whatever opens a foreign file is asked through one door, and runs apart behind it."""

import ast
import inspect

import grimp
import pytest

from weald.exchange import foreign

OPENERS = ("pikepdf", "pypdfium2", "svglib", "PIL", "lxml")
DOOR = "weald.exchange.foreign"


@pytest.fixture(scope="module")
def imports() -> grimp.ImportGraph:
    return grimp.build_graph("weald", include_external_packages=True)


def behind_the_door() -> set[str]:
    """The modules the door names where it has something done apart."""
    calls = (node for node in ast.walk(ast.parse(inspect.getsource(foreign))) if isinstance(node, ast.Call))
    named = {
        str(call.args[0].value).partition(".")[0]
        for call in calls
        if isinstance(call.func, ast.Name)
        and call.func.id == "apart"
        and isinstance(call.args[0], ast.Constant)
    }
    return {f"weald.exchange.{name}" for name in named}


def test_every_reader_of_foreign_files_is_behind_the_door(imports: grimp.ImportGraph) -> None:
    behind = behind_the_door()
    assert len(behind) >= 7
    openers = {
        module
        for package in OPENERS
        if package in imports.modules
        for module in imports.find_modules_that_directly_import(package)
    }
    assert openers & behind
    for module in openers:
        for other in imports.find_modules_that_directly_import(module):
            assert other in openers | behind, f"{other} opens foreign files past the door, by {module}"


def test_nobody_asks_what_is_behind_the_door_but_the_door(imports: grimp.ImportGraph) -> None:
    for module in behind_the_door():
        askers = imports.find_modules_that_directly_import(module)
        assert all(asker.startswith("weald.exchange.") for asker in askers), module
