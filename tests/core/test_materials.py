"""Every material is one record that says all of itself."""

from typing import get_args

import pytest

from tests.conftest import job_in, planned
from weald.core.job.binding import SideMaterial
from weald.core.materials import COVERS, MATERIALS, STOCK_KINDS, CoverMaterial, PieceMaterial, StockKind
from weald.core.shelf.words import read_stock_words


def test_every_material_there_can_be_has_its_record() -> None:
    assert set(MATERIALS) == set(get_args(PieceMaterial))
    assert set(STOCK_KINDS) == set(get_args(StockKind))
    assert set(COVERS) == set(get_args(CoverMaterial))
    assert set(get_args(SideMaterial)) <= set(COVERS)
    sought = [record.sought for record in STOCK_KINDS.values()]
    assert sorted(sought) == list(range(1, len(sought) + 1))


@pytest.mark.parametrize(
    ("words", "kind"),
    [
        ("linen thread 18/3", "thread"),
        ("cloth tape 12 mm", "tape"),
        ("marbled paper", "endpaper"),
        ("silk headbands", "end_band"),
        ("wheat paste", "adhesive"),
        ("goatskin", "leather"),
        ("greyboard 2 mm", "board"),
        ("laid paper 90 gsm", "paper"),
    ],
)
def test_the_likelier_kind_is_meant_where_words_fit_several(words: str, kind: str) -> None:
    assert read_stock_words(words)["kind"] == kind


@pytest.mark.parametrize("material", list(COVERS))
def test_a_covering_weighs_grows_and_is_cut_by_its_record(material: CoverMaterial) -> None:
    record = COVERS[material]
    job = job_in("flat_case") | {"binding": {"material": material, "cover_thickness": 0.5}}
    made = planned(job)
    cover = next(piece for piece in made.pieces if piece.id == "cover")
    assert cover.material == record.cut_from
    pull = next(each for each in made.quantities if each.id == "pull.outside")
    assert pull.value == pytest.approx(record.weighs * 0.5 * record.grows)
    # a skin is cut larger to be pared, by the 15 mm of the entry
    pared = 15 if record.record.pared else 0
    (width,) = (each.value for each in made.quantities if each.id == "cover.width")
    assert cover.width == pytest.approx(width + pared)
    assert (cover.grain == "any") == (not record.record.grained)
