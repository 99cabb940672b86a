from weald.core.cutting.halving import torn_sheets


def test_a_parent_sheet_halved_into_sheets_to_fold() -> None:
    """1000 × 700, grain along 700; folios of 288 × 216 with grain along 216, by hand.

    Halved once each way: 500 × 350, grain still along 350. Halved again across, 250 × 350, is too narrow.
    """
    best = torn_sheets((1000, 700), "height", (288, 216), "height")[0]
    assert (best.width, best.height, best.count) == (500, 350, 4)
    assert best.halvings == ("width", "height")
    assert best.grain_right
    assert not best.turned
    assert best.spare == (212, 134)


def test_halving_swaps_the_word_and_not_the_direction() -> None:
    """Long-grain A3 halves into short-grain A4; folded once, that is right for an A5 book."""
    ways = torn_sheets((420, 297), "width", (210, 297), "width")
    halved = next(way for way in ways if way.halvings == ("width",))
    assert (halved.width, halved.height, halved.turned, halved.grain_right) == (210, 297, False, True)


def test_grain_comes_before_number() -> None:
    # 160 × 240 with grain along 240: upright 4 of 350 × 250 have it across, turned 2 of 350 × 500 right
    best, *rest = torn_sheets((700, 500), "width", (340, 240), "height")
    assert (best.grain_right, best.count) == (True, 2)
    assert any(way.count == 4 and not way.grain_right for way in rest)


def test_a_sheet_too_small_is_torn_into_nothing() -> None:
    assert torn_sheets((200, 100), "width", (210, 150), "height") == []
