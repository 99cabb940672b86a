"""./weald impose, called as its own words."""

import os
import subprocess
import sys
import time
from pathlib import Path
from typing import Any

import pikepdf
import pytest

from tests.exchange.test_text_pdf import BAD
from tests.exchange.texts import read_sides, write_text
from tests.hostile.pdfs import every_pdf
from weald.command.__main__ import main
from weald.command.paths import PROJECT


@pytest.fixture
def text(tmp_path: Path) -> Path:
    return write_text(tmp_path / "tides.pdf", 30, 140, 210)


def run(monkeypatch: pytest.MonkeyPatch, *words: object) -> int:
    monkeypatch.setattr(sys, "argv", ["weald", "impose", *map(str, words)])
    return main()


def test_an_octavo_is_imposed(monkeypatch: pytest.MonkeyPatch, text: Path, tmp_path: Path) -> None:
    out = tmp_path / "out.pdf"
    assert run(monkeypatch, text, out, "--fold", "octavo", "--nest", 1) == 0
    sides, size = read_sides(out)
    assert size == pytest.approx((4 * 140, 2 * 210), abs=0.01)
    assert [sorted(side) for side in sides] == [
        [1, 4, 5, 8, 9, 12, 13, 16],
        [2, 3, 6, 7, 10, 11, 14, 15],
        [17, 20, 21, 24, 25, 28, 29],
        [18, 19, 22, 23, 26, 27, 30],
    ]
    assert not list(tmp_path.glob(".weald-*"))


def test_a_file_a_section_and_a_named_sheet_turned_to_suit(
    monkeypatch: pytest.MonkeyPatch, text: Path, tmp_path: Path
) -> None:
    out = tmp_path / "out.pdf"
    words = (
        "--fold",
        "upright",
        "--nest",
        4,
        "--sheet",
        "A3",
        "--trim",
        "3",
        "--per-section",
        tmp_path / "parts",
    )
    assert run(monkeypatch, text, out, *words) == 0
    _, size = read_sides(out)
    assert size == pytest.approx((420, 297), abs=0.01)
    parts = sorted((tmp_path / "parts").iterdir())
    assert [part.name for part in parts] == ["section-01.pdf", "section-02.pdf"]
    assert [len(read_sides(part)[0]) for part in parts] == [8, 8]
    assert sorted(page for side in read_sides(parts[1])[0] for page in side) == list(range(17, 31))


def test_marks_are_only_there_when_wanted(
    monkeypatch: pytest.MonkeyPatch, text: Path, tmp_path: Path
) -> None:
    out = tmp_path / "out.pdf"
    for words, wanted in ((("--marks",), True), (("--no-marks",), False)):
        assert run(monkeypatch, text, out, "--trim", "4", *words) == 0
        with pikepdf.open(out) as pdf:
            assert ("/Marks" in pdf.pages[0].Resources.XObject) == wanted


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (
            ("--fold", "level, upright in three"),
            "--fold: “level, upright in three” ends upright in three, which leaves no spine",
        ),
        (("--fold", "blorp"), "“blorp” is no fold"),
        (("--nest", "0"), "--nest: “0” must be at least 1"),
        (("--nest", "400"), "--nest: “400” must be at most 40"),
        (("--nest", "many"), "--nest: Must be a whole number"),
        (("--sheet", "A5"), "--sheet: 2 × 1 leaves need a sheet of 280.0 × 210.0 mm"),
        (("--sheet", "wide"), "--sheet: “wide” is no sheet"),
        (("--sheet", "12xfoo"), "--sheet: “foo” is not a length"),
        (("--bleed", "99"), "--bleed"),
        (("--creep", "-1"), "--creep"),
        (("--trim", "nothing"), "--trim"),
    ],
)
def test_a_wrong_option_is_one_clear_line(
    monkeypatch: pytest.MonkeyPatch,
    capsys: pytest.CaptureFixture[str],
    text: Path,
    tmp_path: Path,
    words: tuple[str, ...],
    said: str,
) -> None:
    assert run(monkeypatch, text, tmp_path / "out.pdf", *words) == 2
    error = capsys.readouterr().err
    assert said in error
    assert error.count("\n") == 1
    assert not (tmp_path / "out.pdf").exists()


@pytest.mark.parametrize("words", [("--flip", "sideways"), ("--work", "twice"), ("--sheets", "A3")])
def test_an_option_that_is_none_is_one_clear_line(
    monkeypatch: pytest.MonkeyPatch,
    capsys: pytest.CaptureFixture[str],
    text: Path,
    tmp_path: Path,
    words: tuple[str, ...],
) -> None:
    with pytest.raises(SystemExit) as ended:
        run(monkeypatch, text, tmp_path / "out.pdf", *words)
    assert ended.value.code == 2
    error = capsys.readouterr().err
    assert error.count("\n") == 1
    assert words[0].lstrip("-") in error


@pytest.mark.parametrize("spoil", [each[0] for each in BAD], ids=[each[0].__name__ for each in BAD])
def test_a_bad_text_is_one_clear_line(
    monkeypatch: pytest.MonkeyPatch,
    capsys: pytest.CaptureFixture[str],
    text: Path,
    tmp_path: Path,
    spoil: Any,
) -> None:
    spoil(text)
    assert run(monkeypatch, text, tmp_path / "out.pdf") == 2
    error = capsys.readouterr().err
    assert error.startswith("weald: ")
    assert error.count("\n") == 1
    assert list(tmp_path.iterdir()) == [text]


def test_a_text_that_is_not_there_and_a_place_that_is_not(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str], text: Path, tmp_path: Path
) -> None:
    assert run(monkeypatch, tmp_path / "nothing.pdf", tmp_path / "out.pdf") == 2
    assert "No such file" in capsys.readouterr().err
    assert run(monkeypatch, text, tmp_path / "no" / "out.pdf") == 2
    assert "No such file" in capsys.readouterr().err


HOSTILE = (
    *("flate-bomb", "object-stream-bomb", "cross-reference-bomb", "startxref-of-20-digits", "tree-of-itself"),
    *("type-Rotate-1", "type-UserUnit-6", "contents-odd", "encrypted-secret", "empty", "mutation-2"),
)


@pytest.mark.parametrize("name", HOSTILE)
def test_a_hostile_text_is_imposed_or_refused_in_one_line(name: str, tmp_path: Path) -> None:
    text, out = tmp_path / "text.pdf", tmp_path / "out.pdf"
    text.write_bytes(dict(every_pdf())[name])
    begun = time.monotonic()
    command = [sys.executable, "-m", "weald.command", "impose", str(text), str(out)]
    done = subprocess.run(
        command,
        cwd=PROJECT,
        env=os.environ | {"PYTHONPATH": str(PROJECT / "src")},
        capture_output=True,
        text=True,
        check=False,
    )
    assert time.monotonic() - begun < 20
    assert done.returncode in (0, 2), done.stderr
    assert "Traceback" not in done.stderr
    if done.returncode == 2:
        assert done.stderr.startswith("weald: ")
        assert not out.exists()
    assert {path.name for path in tmp_path.iterdir()} <= {"text.pdf", "out.pdf"}
