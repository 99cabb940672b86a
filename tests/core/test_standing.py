"""The book as it will stand, and what leads at each station."""

from itertools import pairwise

import pytest

from tests.conftest import STRUCTURES, job_in, planned, value
from weald.core.drawing import Area, Dimension, Drawing, Label
from weald.core.job.asked import in_forms
from weald.core.job.spec import read_spec
from weald.core.planning.plan import plan
from weald.core.quantities import QUANTITIES
from weald.core.stations.standing import AWAY, RISE, STANDING
from weald.core.tones import TONES, tone_of


def standing(structure: str) -> Drawing:
    (drawing,) = plan(read_spec(job_in(structure)), drawn=(STANDING,)).drawings
    return drawing


def sides(area: Area) -> list[tuple[float, float]]:
    """From corner to corner of an area."""
    closed = (*area.points, area.points[0])
    return [(x1 - x0, y1 - y0) for (x0, y0), (x1, y1) in pairwise(closed)]


@pytest.mark.parametrize("structure", STRUCTURES)
def test_every_book_stands_in_its_true_proportion(structure: str) -> None:
    drawing, made = standing(structure), planned(job_in(structure))
    areas = [each for each in drawing.elements if isinstance(each, Area)]
    upright = [each for each in areas if each.points[0] == (0.0, 0.0) and sides(each)[1][0] == 0]
    (spine,) = upright
    (thick, _), (_, tall), *_ = sides(spine)
    by_height = {each.id: each.value for each in made.quantities}
    height = by_height.get("board.height") or by_height.get("cover.height") or by_height["block.height"]
    assert tall == pytest.approx(height, abs=0.01)
    assert thick >= value(made, "block.thickness") * 0.9
    side = next(each for each in areas if each.points[0] == (thick, 0.0))
    (along, rise), (_, down), *_ = sides(side)
    assert rise / along == pytest.approx(-RISE / AWAY)
    assert down == pytest.approx(tall)
    if "board.width" in by_height and structure != "rebound_paperback":
        assert along / AWAY >= by_height["board.width"] - 0.01
    assert not [each for each in drawing.elements if isinstance(each, Dimension)]
    assert drawing.text.count("mm") == 3


def test_the_spine_is_lettered_and_a_half_binding_shows_its_sides() -> None:
    drawing = standing("laced_boards")
    assert [each.text for each in drawing.elements if isinstance(each, Label)]
    fills = [each.material for each in drawing.elements if isinstance(each, Area)]
    assert "leather" in fills
    assert "side_paper" in fills
    assert "side_paper" not in [
        each.material for each in standing("saddle_stitch").elements if isinstance(each, Area)
    ]


@pytest.mark.parametrize("structure", STRUCTURES)
def test_the_boards_lead_with_every_piece_of_the_binding_and_the_size_it_is_cut_to(structure: str) -> None:
    made = planned(job_in(structure))
    pieces = {each.id: each for each in made.pieces}
    led = [each for each in made.leads if each.station == "boards"]
    for lead in led:
        piece = pieces[lead.about.split()[0].removeprefix("piece.")]
        assert (lead.label, lead.count, lead.grain) == (piece.label, piece.count, piece.grain)
        width, height = lead.shown.removesuffix(" mm").split(" × ")
        assert piece.shown == f"{width} mm × {height} mm"
    if "board" in pieces:
        assert "piece.board" in {lead.about.split()[0] for lead in led}


def test_a_size_that_leads_is_said_at_its_station_as_it_is_reckoned() -> None:
    made = planned(job_in("flat_case"))
    shown: dict[str, tuple[str, str, str]] = {
        each.id: (each.station, each.label, each.shown) for each in made.quantities
    }
    sizes = [each for each in made.leads if each.count is None]
    assert {each.station for each in sizes} >= {"text", "paper", "folding", "printing", "sewing", "block"}
    for lead in sizes:
        assert shown[lead.about] == (lead.station, lead.label, lead.shown)
        assert QUANTITIES[lead.about].leads  # type: ignore[index]


def test_no_size_has_two_fields() -> None:
    decided = [size for _, _, entry in in_forms() for size in entry.decides]
    assert len(decided) == len(set(decided))
    assert "closed.fore_edge" in decided


def test_a_covering_is_drawn_in_the_colour_its_name_says() -> None:
    assert tone_of("Barn-red cloth") == TONES["red"]
    assert tone_of("CHESTNUT calf, tan edges") == TONES["chestnut"]
    assert tone_of("") == tone_of("buckram") == tone_of("covered") == ""
