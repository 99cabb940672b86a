import os
from collections.abc import Iterator
from datetime import datetime
from pathlib import Path
from typing import Any

import pytest
import time_machine
from hypothesis import settings as hypothesis_settings
from xdist.scheduler import LoadScopeScheduling

from weald.core.bindings.catalogue import STRUCTURES as CATALOGUE
from weald.core.job.spec import read_spec
from weald.core.planning.plan import Plan, plan
from weald.core.reckoning import Quantity

STRUCTURES = {str(name): structure for name, structure in CATALOGUE.items()}

# A busy machine must not make a property fail for being slow; nor a run differ from the one before it.
# The same examples every time; other ones, and more: --hypothesis-profile explore, as the long runs have it.
hypothesis_settings.register_profile("weald", deadline=None, derandomize=True, max_examples=50)
hypothesis_settings.register_profile("explore", deadline=None, print_blob=True, max_examples=200)
hypothesis_settings.load_profile("weald")


WHOLE_DEMOS = "command"
"""The folders whose tests start whole demos."""
SCREENS = ("browser", "benchmarks")
"""The folders whose modules share a browser."""


class OneDemoAtATime(LoadScopeScheduling):  # type: ignore[misc]
    """One process starts whole demos; screens go module by module, all else test by test, beside them.

    By folder: the groups pytest-xdist reads off marks are lost to it since pytest 9.2.
    """

    def _split_scope(self, nodeid: str) -> str:
        module = nodeid.partition("::")[0]
        folder = Path(module).parent.name
        if folder == WHOLE_DEMOS:
            return folder
        return module if folder in SCREENS else nodeid


def pytest_xdist_make_scheduler(config: pytest.Config, log: Any) -> OneDemoAtATime:
    return OneDemoAtATime(config, log)


CLOCK = datetime.fromisoformat(os.environ.get("WEALD_TEST_CLOCK", "2026-05-06T10:00:00+00:00"))
"""When every test begins, so that none passes or fails by the hour it is run at."""


@pytest.fixture(autouse=True)
def held_clock(request: pytest.FixtureRequest) -> Iterator[None]:
    """Time runs on from one moment; whole demos are processes of their own, and keep their own time."""
    if request.path.parent.name == WHOLE_DEMOS:
        yield
        return
    with time_machine.travel(CLOCK, tick=True):
        yield


@pytest.fixture(autouse=True)
def quick_passwords(settings: Any) -> None:
    """Passwords hashed slowly, as they are in use, would take most of the tests' time."""
    settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]


@pytest.fixture(autouse=True)
def files_of_our_own(settings: Any, tmp_path: Path) -> None:
    """Texts and imposed files of one test are no other's."""
    folder = tmp_path / "files"
    kept = settings.STORAGES["kept"]
    settings.FILES_FOLDER = folder
    settings.STORAGES = {
        **settings.STORAGES,
        "kept": {**kept, "OPTIONS": {**kept["OPTIONS"], "location": folder}},
    }


@pytest.fixture
def contract_job() -> dict[str, Any]:
    """The job file of the documentation: every key a job can have."""
    return {
        "format": "weald-job",
        "version": 1,
        "title": "Tide tables",
        "copies": 1,
        "text": {"pages": 188, "blanks": "end", "filler": "plain"},
        "leaf": {"width": 140, "height": 210, "trim": {"head": 3, "tail": 3, "fore_edge": 4}},
        "paper": {
            "grammage": 90,
            "bulk": 1.3,
            "calliper": None,
            "sheet": {"width": 450, "height": 320, "grain": "width"},
        },
        "folding": {
            "programme": "upright",
            "sheets_per_section": 4,
            "gather": "inset",
            "creep_factor": 1.5708,
        },
        "printing": {"flip": "short", "work": "sheetwise"},
        "sewing": {"method": "tapes", "supports": 3, "thread": 0.45, "swell_factor": 0.5},
        "back": {"shape": "flat", "round": 0.2, "shoulder": "none"},
        "endpapers": {"kind": "tipped", "leaves": 2, "grammage": 120, "bulk": 1.3},
        "binding": {
            "structure": "flat_case",
            "board": 2.0,
            "spine_board": None,
            "cover_thickness": 0.3,
            "squares": {"head": 3, "tail": 3, "fore_edge": 4},
            "spine_rule": "block",
            "joint_rule": "by_board",
            "joint": None,
            "inset": None,
            "groove": 1.0,
            "covering": "full",
            "turn_in": 18,
            "overlap": 30,
        },
        "measured": {"block.thickness": 17.5},
    }


def planned(job: dict[str, Any]) -> Plan:
    return plan(read_spec(job))


def quantity(made: Plan, quantity_id: str) -> Quantity:
    return next(each for each in made.quantities if each.id == quantity_id)


def value(made: Plan, quantity_id: str) -> float:
    return quantity(made, quantity_id).value


def codes(made: Plan) -> set[str]:
    return {each.code for each in made.findings}


def job_in(structure: str) -> dict[str, Any]:
    """A job that suits a structure, with everything that makes pieces of its own."""
    several: dict[str, Any] = {
        "text": {"pages": 320},
        "paper": {"sheet": {"width": 700, "height": 1000, "grain": "width"}},
        "sewing": {"thread": 0.3, "method": STRUCTURES[structure].methods[0]},
        "back": {"shape": STRUCTURES[structure].backs[0], "shoulder": STRUCTURES[structure].shoulders[0]},
        "block": {"end_bands": "sewn", "hollow": True, "inserted": 0.2, "diagonal_1": 252, "diagonal_2": 253},
        "finish": {"ribbons": 1, "placed": "label", "volume": "II"},
        "binding": {"structure": structure, "covering": STRUCTURES[structure].coverings[-1]},
    }
    if STRUCTURES[structure].sections == "one":
        several |= {"text": {"pages": 32}, "folding": {"make_up": "one_section"}}
    if "half" in STRUCTURES[structure].coverings and structure in ("rounded_case", "laced_boards"):
        several["binding"] |= {"covering": "half", "material": "leather"}
    return several
