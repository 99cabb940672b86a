"""The written PDF is read, printed by a plain model of a printer, and folded back with the numbered dummy."""

from pathlib import Path
from typing import Any

import pikepdf
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from reportlab.lib.units import mm

from tests.core.paper_dummy import pages_on_sheets
from tests.exchange.texts import Reading, read_sides, write_text
from weald.core.folding.packet import fold_packet
from weald.core.folding.programme import NAMED_PROGRAMMES, parse_programme
from weald.core.job.spec import read_spec
from weald.core.press.colophon import mind_colophon
from weald.core.press.press import Press, press
from weald.exchange.imposed_pdf import impose_pdf
from weald.exchange.reports import Order

SEWN = [name for name, text in NAMED_PROGRAMMES.items() if parse_programme(text).kind == "section"]
Printed = dict[tuple[int, int, str], tuple[int, tuple[int, int]]]


def job(**parts: Any) -> Press:
    text = {"pages": 30} | parts.pop("text", {})
    trim = {"head": 4, "tail": 4, "fore_edge": 4}
    return press(read_spec({"text": text, "leaf": {"width": 60, "height": 90, "trim": trim}} | parts))


def on_paper(
    front: Reading, back: Reading, size: tuple[float, float], grid: tuple[int, int], flip: str
) -> Printed:
    """What stands on one sheet after printing, all in the front's own coordinates.

    The printer prints the back so that turning the sheet on ``flip`` shows the second page upright.
    """
    width, height = size
    long_is_upright = height >= width
    turned_about_height = (flip == "long") == long_is_upright
    printed: Printed = {}
    for name, side in (("front", front), ("back", back)):
        for page, (x, y, (right, up)) in side.items():
            if name == "back" and turned_about_height:
                x, right = width - x, -right
            elif name == "back":
                y, up = height - y, -up
            cell = (int(x / width * grid[0]), int(y / height * grid[1]), name)
            printed[cell] = (page, (right, up))
    return printed


def folded(printed: list[Printed], made: Press, gather: str) -> list[tuple[int | None, bool]]:
    """Read one section as a binder would: each page in order, and whether it stands upright."""
    packet = made.packet
    dummy = pages_on_sheets(packet.programme, len(printed), packet.leaves_a_sheet, gather)
    read: dict[int, tuple[int | None, bool]] = {}
    for (sheet, side, column, row), (number, head) in dummy.items():
        if side == "inner":
            # seen through the paper from the front
            column, head = packet.columns - 1 - column, (-head[0], head[1])
        found = printed[sheet].get((column, row, "front" if side == "outer" else "back"))
        read[number] = (None, True) if found is None else (found[0], found[1] == head)
    return [read[number] for number in sorted(read)]


def print_and_fold(made: Press, path: Path, flip: str, gather: str) -> list[tuple[int | None, bool]]:
    sides, size = read_sides(path)
    grid = (made.packet.columns, made.packet.rows)
    assert len(sides) == 2 * len(made.sheets)
    sheets = [on_paper(*sides[at : at + 2], size, grid, flip) for at in range(0, len(sides), 2)]  # type: ignore[arg-type, call-arg]
    read = []
    for section in made.sections:
        mine = [sheet for sheet, of in zip(sheets, made.sheets, strict=True) if of.section == section.section]
        read += folded(mine, made, gather)
    return read


def assert_reads(read: list[tuple[int | None, bool]], pages: int, blanks_front: int = 0) -> None:
    assert all(upright for _, upright in read), "a page stands on its head"
    blanks_end = len(read) - pages - blanks_front
    assert [page for page, _ in read] == [None] * blanks_front + list(range(1, pages + 1)) + [
        None
    ] * blanks_end


@pytest.mark.parametrize("name", SEWN)
@pytest.mark.parametrize(("sheets", "gather"), [(1, "inset"), (3, "inset"), (3, "together")])
@pytest.mark.parametrize("flip", ["long", "short"])
def test_every_programme_folds_to_order(
    tmp_path: Path, name: str, sheets: int, gather: str, flip: str
) -> None:
    pages = 2 * sheets * fold_packet(name).leaves_a_sheet + 5
    made = job(
        text={"pages": pages},
        folding={"programme": name, "sheets_per_section": sheets, "gather": gather, "make_up": "short_last"},
        printing={"flip": flip},
    )
    text = write_text(tmp_path / "text.pdf", pages)
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    assert_reads(print_and_fold(made, tmp_path / "out.pdf", flip, gather), pages)


folds = st.lists(
    st.sampled_from(["upright", "level", "upright in three", "level in three", "upright zig-zag in three"]),
    max_size=4,
)


@given(
    folds.flatmap(
        lambda words: st.sampled_from(["upright", "level"]).map(lambda last: ", ".join([*words, last]))
    ).filter(lambda text: fold_packet(text).leaves_a_sheet <= 64),
    st.integers(1, 2),
    st.sampled_from(["inset", "together"]),
    st.sampled_from(["long", "short"]),
    st.integers(1, 40),
)
@settings(max_examples=25, suppress_health_check=[HealthCheck.function_scoped_fixture])
def test_any_programme_folds_to_order(
    tmp_path: Path, programme: str, sheets: int, gather: str, flip: str, pages: int
) -> None:
    made = job(
        text={"pages": pages},
        folding={"programme": programme, "sheets_per_section": sheets, "gather": gather},
        printing={"flip": flip},
    )
    text = write_text(tmp_path / "text.pdf", pages)
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    assert_reads(print_and_fold(made, tmp_path / "out.pdf", flip, gather), pages)


@pytest.mark.parametrize(("place", "front"), [("end", 0), ("front", 6), ("both", 2)])
def test_blanks_stand_where_they_were_asked_for(tmp_path: Path, place: str, front: int) -> None:
    made = job(text={"pages": 25, "blanks": place}, folding={"programme": "octavo", "sheets_per_section": 1})
    impose_pdf(made, write_text(tmp_path / "text.pdf", 25), tmp_path / "out.pdf", Order())
    assert_reads(print_and_fold(made, tmp_path / "out.pdf", "short", "inset"), 25, front)


@pytest.mark.parametrize(
    ("work", "flip"), [("turn", "short"), ("turn", "long"), ("tumble", "long"), ("tumble", "short")]
)
def test_both_formes_on_one_sheet_give_two_copies(tmp_path: Path, work: str, flip: str) -> None:
    made = job(text={"pages": 16}, folding={"programme": "octavo"}, printing={"work": work, "flip": flip})
    impose_pdf(made, write_text(tmp_path / "text.pdf", 16), tmp_path / "out.pdf", Order())
    sides, size = read_sides(tmp_path / "out.pdf")
    across, down = (2, 1) if work == "turn" else (1, 2)
    whole = on_paper(sides[0], sides[1], size, (4 * across, 2 * down), flip)
    assert len(sides[0]) == len(sides[1]) == 16
    for copy in range(2):
        half: Printed = {}
        for (column, row, face), (page, head) in whole.items():
            at, left, top = divmod(column, 4)[0] + divmod(row, 2)[0], column % 4, row % 2
            if at != copy:
                continue
            if copy == 1:
                # the second half carries the inner forme in front: turn it over
                face = "back" if face == "front" else "front"
                if work == "turn":
                    left, head = 3 - left, (-head[0], head[1])
                else:
                    top, head = 1 - top, (head[0], -head[1])
            half[left, top, face] = (page, head)
        assert_reads(folded([half], made, "inset"), 16)


def test_two_copies_side_by_side_are_alike(tmp_path: Path) -> None:
    made = job(text={"pages": 4}, printing={"repeat": {"columns": 2, "rows": 1}, "flip": "short"})
    impose_pdf(made, None, tmp_path / "out.pdf", Order(content="numbers"))
    with pikepdf.open(tmp_path / "out.pdf") as pdf:
        assert len(pdf.pages) == 2
    assert made.layout.copies == 2
    assert made.layout.width == 2 * made.layout.unfolded_width
    assert [position.left for position in made.layout.back] == [made.layout.unfolded_width, 0]


def test_single_leaves_cut_and_stacked_come_out_in_order(tmp_path: Path) -> None:
    made = job(text={"pages": 11}, folding={"programme": "single leaves 2 by 1"}, printing={"flip": "short"})
    impose_pdf(made, write_text(tmp_path / "text.pdf", 11), tmp_path / "out.pdf", Order())
    sides, size = read_sides(tmp_path / "out.pdf")
    sheets = [on_paper(*sides[at : at + 2], size, (2, 1), "short") for at in range(0, len(sides), 2)]  # type: ignore[arg-type, call-arg]
    read = [
        sheet.get((pile, 0, face), (None, (0, 1)))[0]
        for pile in (0, 1)
        for sheet in sheets
        for face in ("front", "back")
    ]
    assert read == [*range(1, 12), None]


def test_a_concertina_reads_along_its_strip_and_back(tmp_path: Path) -> None:
    made = job(
        text={"pages": 8}, folding={"programme": "upright zig-zag in four"}, printing={"flip": "short"}
    )
    assert made.layout.unfolded_width == 4 * 60
    impose_pdf(made, write_text(tmp_path / "text.pdf", 8), tmp_path / "out.pdf", Order())
    sides, _ = read_sides(tmp_path / "out.pdf")
    assert sorted(sides[0], key=lambda page: sides[0][page][0]) == [1, 2, 3, 4]
    assert sorted(sides[1], key=lambda page: sides[1][page][0]) == [5, 6, 7, 8]


def test_boxes_and_dialog_of_the_file(tmp_path: Path) -> None:
    made = job(printing={"sheet": {"width": 200, "height": 150}, "bleed": 2, "flip": "short"})
    impose_pdf(made, write_text(tmp_path / "text.pdf", 30), tmp_path / "out.pdf", Order())
    with pikepdf.open(tmp_path / "out.pdf") as pdf:
        page = pdf.pages[0]
        boxes = {
            name: [float(each) / mm for each in page.obj[name]]
            for name in ("/MediaBox", "/BleedBox", "/TrimBox")
        }
        assert boxes["/MediaBox"] == pytest.approx([0, 0, 200, 150], abs=0.01)
        # two leaves of 64 × 98 in the middle
        assert boxes["/TrimBox"] == pytest.approx([36, 26, 164, 124], abs=0.01)
        assert boxes["/BleedBox"] == pytest.approx([34, 24, 166, 126], abs=0.01)
        assert pdf.Root.ViewerPreferences.PrintScaling == "/None"
        assert pdf.Root.ViewerPreferences.Duplex == "/DuplexFlipShortEdge"


def test_fonts_and_vectors_stay_and_links_go(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 4)
    with pikepdf.open(text, allow_overwriting_input=True) as pdf:
        link = pikepdf.Dictionary(
            Type=pikepdf.Name.Annot,
            Subtype=pikepdf.Name.Link,
            Rect=[0, 0, 9, 9],
            A=pikepdf.Dictionary(S=pikepdf.Name.URI, URI=pikepdf.String("http://example.invalid")),
        )
        pdf.pages[0].Annots = pdf.make_indirect(pikepdf.Array([link]))
        pdf.Root.OpenAction = pikepdf.Dictionary(S=pikepdf.Name.JavaScript, JS=pikepdf.String("app.alert(1)"))
        pdf.save()
    made = job(text={"pages": 4})
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    content = (tmp_path / "out.pdf").read_bytes()
    assert b"example.invalid" not in content
    assert b"JavaScript" not in content
    with pikepdf.open(tmp_path / "out.pdf") as pdf:
        form = next(
            value for name, value in pdf.pages[0].Resources.XObject.items() if name.startswith("/Text")
        )
        assert form.Resources.Font
        assert b" re" in form.read_bytes()
        assert not any("/Annots" in page for page in pdf.pages)


def inner_page_place(path: Path, page: int) -> float:
    sides, _ = read_sides(path)
    return next(side[page][0] for side in sides if page in side)


def test_inner_folios_are_shifted_towards_the_spine_by_their_creep(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 16)
    places = {}
    for shift in (True, False):
        made = job(
            text={"pages": 16}, paper={"calliper": 0.2}, printing={"creep_shift": shift, "flip": "short"}
        )
        impose_pdf(made, text, tmp_path / "out.pdf", Order())
        places[shift] = {page: inner_page_place(tmp_path / "out.pdf", page) for page in (1, 3, 7, 8)}
    moved = {page: places[True][page] - places[False][page] for page in places[True]}
    step = 1.5708 * 0.2
    # page 1 on the outermost folio; 7 on the innermost, three folios in, its spine to the left; 8 opposite
    assert moved == pytest.approx({1: 0, 3: -step, 7: -3 * step, 8: 3 * step}, abs=0.02)


@pytest.mark.parametrize(
    ("stacks", "feeds", "order"),
    [
        ("face_down", "face_down", [1, 2, 3]),
        ("face_up", "face_up", [1, 2, 3]),
        ("face_down", "face_up", [3, 2, 1]),
        ("face_up", "face_down", [3, 2, 1]),
    ],
)
def test_backs_by_hand_come_in_the_order_the_pile_lies(
    tmp_path: Path, stacks: str, feeds: str, order: list[int]
) -> None:
    made = job(
        text={"pages": 12},
        folding={"sheets_per_section": 1},
        printing={"printer": {"flips": "none", "stacks": stacks, "feeds": feeds}},
    )
    text = write_text(tmp_path / "text.pdf", 12)
    impose_pdf(made, text, tmp_path / "backs.pdf", Order(faces="backs"))
    sides, _ = read_sides(tmp_path / "backs.pdf")
    # the back of sheet n holds pages 4n − 2 and 4n − 1
    assert [(max(side) + 1) // 4 for side in sides] == order


def test_a_measured_back_shift_is_taken_back(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 4)
    places = []
    for printer in ({}, {"back_right": 1.5, "back_down": -0.5}):
        made = job(text={"pages": 4}, printing={"printer": printer, "flip": "short"})
        impose_pdf(made, text, tmp_path / "out.pdf", Order())
        sides, _ = read_sides(tmp_path / "out.pdf")
        places.append((*sides[0][1][:2], *sides[1][2][:2]))
    moved = [after - before for before, after in zip(*places, strict=True)]
    assert moved == pytest.approx([0, 0, -1.5, 0.5], abs=0.02)


def test_turned_pages_stand_upright_and_fitted(tmp_path: Path) -> None:
    text = write_text(tmp_path / "text.pdf", 4, width=180, height=120)
    with pikepdf.open(text, allow_overwriting_input=True) as pdf:
        for page in pdf.pages:
            page.Rotate = 90
        pdf.save()
    made = job(text={"pages": 4, "placing": "fit"}, printing={"flip": "short"})
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    sides, (width, height) = read_sides(tmp_path / "out.pdf")
    # turned a quarter clockwise, the number that stood upright now has its head at the right
    x, y, head = sides[0][1]
    assert head == (1, 0)
    assert (x, y) == pytest.approx((width / 2 + 30, height / 2), abs=1)


def test_what_is_over_is_ruled_for_notes(tmp_path: Path) -> None:
    text = {"pages": 5, "filler": "dots", "blanks": "end"}
    made = job(text=text, folding={"sheets_per_section": 2}, printing={"flip": "short"})
    impose_pdf(made, write_text(tmp_path / "text.pdf", 5), tmp_path / "out.pdf", Order())
    with pikepdf.open(tmp_path / "out.pdf") as pdf:
        sides = [sorted(name for name in page.Resources.XObject if name != "/Marks") for page in pdf.pages]
        # eight pages: 8 1, 2 7, 6 3, 4 5; the last three are notes
        assert sides == [
            ["/Ruled-right", "/Text1"],
            ["/Ruled-left", "/Text2"],
            ["/Ruled-right", "/Text3"],
            ["/Text4", "/Text5"],
        ]
        dots = pdf.pages[0].Resources.XObject["/Ruled-right"].read_bytes().splitlines()
        # 35 × 60 mm between the margins, a dot every 5 mm
        assert len(dots) == 1 + 8 * 13


@pytest.mark.parametrize("name", ["folio", "quarto", "octavo"])
@pytest.mark.parametrize("gather", ["inset", "together"])
@pytest.mark.parametrize("short", [1, 2, 3])
def test_a_colophon_stands_upright_on_the_last_blank_page(
    tmp_path: Path, name: str, gather: str, short: int
) -> None:
    """Read as a page of the text: on a right-hand page where one is blank, else on the last of all."""
    pages = 2 * 2 * fold_packet(name).leaves_a_sheet * 2 - short
    place = pages + short if short == 1 else pages + short - 1
    made = job(
        text={"pages": pages},
        folding={"programme": name, "sheets_per_section": 2, "gather": gather},
        printing={"flip": "long"},
        finish={"colophon": f"p{place}e", "colophon_page": True},
    )
    text = write_text(tmp_path / "text.pdf", pages)
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    read = print_and_fold(made, tmp_path / "out.pdf", "long", gather)
    assert all(upright for _, upright in read)
    assert [number for number, (page, _) in enumerate(read, 1) if page == place] == [place]


def test_without_a_blank_page_or_words_it_is_said() -> None:
    wanted = {"colophon": "Bound in winter.", "colophon_page": True}
    full = job(text={"pages": 32}, folding={"programme": "upright", "sheets_per_section": 4}, finish=wanted)
    assert [each.code for each in mind_colophon(full)] == ["colophon.no_page"]
    wordless = job(finish={"colophon_page": True})
    assert [each.code for each in mind_colophon(wordless)] == ["colophon.no_words"]
    assert list(mind_colophon(job(finish=wanted))) == []
