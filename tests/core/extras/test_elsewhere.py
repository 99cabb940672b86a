"""Editions printed elsewhere, reckoned by hand from their printers' rules."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, planned
from tests.core.extras.made_up import EXTRAS
from tests.core.test_drawings import areas, drawing, size
from weald.core.extras.elsewhere import cover_of, sizes_of
from weald.core.job.extras.elsewhere import Edition
from weald.core.job.spec import read_spec
from weald.core.materials import GREYBOARD_GSM_PER_MM


def said(*editions: dict[str, Any], pages: int = 200) -> set[str]:
    job = {"text": {"pages": pages}, "extras": {"elsewhere": {"editions": list(editions)}}}
    return set(codes(planned(job)))


def test_a_paperback_by_hand() -> None:
    # 245 pages and a leaf added: 247, in twos 248; 248 × 0.0635 + 0.5 = 16.248; two leaves of 140 and bleed
    spec = read_spec(EXTRAS["elsewhere"])
    sizes = sizes_of(spec, Edition(base=0.85, per_page=0.012))
    assert sizes.pages == 248
    assert sizes.spine == pytest.approx(16.248)
    assert (sizes.width, sizes.height) == (pytest.approx(2 * 143 + 16.248), pytest.approx(216))
    assert sizes.price == pytest.approx(0.85 + 248 * 0.012)
    assert sizes.weight == pytest.approx(124 * 0.0294 * 90 + 302.248 * 216 / 1e6 * 250)


def test_a_hardback_by_hand() -> None:
    # leaf 140 + 3 beyond − hinge 10 = 133, hinge 10, wrap 15, twice; 248 pages; high 210 + 6 + 30
    spec = read_spec(EXTRAS["elsewhere"])
    edition = Edition(kind="hardback", hinge=10, wrap=15, beyond=3, multiple=4)
    sizes = sizes_of(spec, edition)
    assert sizes.width == pytest.approx(2 * (133 + 10 + 15) + sizes.spine)
    assert sizes.height == pytest.approx(246)
    kinds = [zone.kind for zone in cover_of(spec, edition).zones]
    assert kinds == ["wrap", "back", "joint", "spine", "joint", "front", "wrap"]


@given(
    st.integers(20, 900),
    st.sampled_from(["paperback", "hardback"]),
    st.floats(0, 20),
    st.integers(1, 32),
    st.floats(-6, 6),
)
def test_the_cover_lies_in_the_middle_of_what_is_asked_for(
    pages: int, kind: str, wrap: float, multiple: int, off: float
) -> None:
    spec = read_spec({"text": {"pages": pages}})
    edition = Edition(kind=kind, wrap=round(wrap, 2), hinge=8, multiple=multiple)
    sizes = sizes_of(spec, edition)
    assert sizes.pages % multiple == 0
    assert sizes.pages >= pages + 2
    asked = edition.model_copy(update={"document_width": round(sizes.width + off, 2)})
    art = cover_of(spec, asked)
    spine = next(zone for zone in art.zones if zone.kind == "spine")
    assert spine.x + spine.width / 2 == pytest.approx(art.width / 2)
    assert art.width == asked.document_width


def test_the_document_is_drawn_at_its_size_with_the_barcode_in_its_place() -> None:
    made = planned(EXTRAS["elsewhere"])
    picture = drawing(made, "finish.elsewhere_1")
    assert size(areas(picture, "side_paper")[0].points) == pytest.approx((302.248, 216))
    code = areas(picture, "white")[0].points
    # eight from the spine's edge and eight from the foot of a back that begins in three of bleed
    assert max(x for x, _ in code) == pytest.approx(3 + 140 - 8)
    assert max(y for _, y in code) == pytest.approx(3 + 210 - 8)


def test_what_a_printer_would_refuse_is_said_before_it_is_ordered() -> None:
    assert "elsewhere.edition" in said({})
    assert "elsewhere.pages" in said({"most": 100})
    assert "elsewhere.blanks" in said({"multiple": 16})
    assert "elsewhere.document" in said({"document_width": 280})
    assert "elsewhere.narrow" in said({}, pages=40)
    same = {"identifier": "9780000000019"}
    assert "elsewhere.same_identifier" in said(same, {**same, "name": "hardback"})
    assert "elsewhere.identifier" in said({"identifier": "12"})
    assert not {"elsewhere.pages", "elsewhere.document", "elsewhere.same_identifier"} & set(
        codes(planned(EXTRAS["elsewhere"]))
    )


def test_a_hardback_weighs_its_boards() -> None:
    spec = read_spec(EXTRAS["elsewhere"])
    thin, thick = (
        sizes_of(spec, Edition(kind="hardback", hinge=8, wrap=15, board=board)) for board in (1, 3)
    )
    area = (2 * thin.panel + thin.spine) * thin.face / 1e6
    assert thick.weight - thin.weight == pytest.approx(2 * area * GREYBOARD_GSM_PER_MM)


def test_white_round_the_cover_on_a_template_is_as_it_should_be() -> None:
    assert "elsewhere.document" not in said({"document_width": 500, "document_height": 400})
