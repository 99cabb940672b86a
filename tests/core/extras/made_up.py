"""Made-up jobs in which each extra is used with much in it."""

from typing import Any

LEATHER = {
    "structure": "laced_boards",
    "material": "leather",
    "covering": "full",
    "cover_thickness": 0.8,
    "bands": {"count": 5},
}
EXTRAS: dict[str, dict[str, Any]] = {
    "from_boards": {"extras": {"from_boards": {"width": 150, "height": 222}}},
    "torn": {"extras": {"torn": {"width": 760, "height": 560, "across": 4, "down": 2}}},
    "arranged": {
        "text": {"pages": 60},
        "extras": {
            "arranged": {
                "rectos": "6, 31",
                "versos": "12",
                "blank_versos": "1, 31",
                "repeat": "3, 4",
                "keep": 2,
            }
        },
    },
    "formes": {
        "text": {"pages": 88},
        "folding": {"programme": "upright, level, upright", "sheets_per_section": 1},
        "paper": {"sheet": {"width": 700, "height": 500, "grain": "width"}},
        "extras": {
            "formes": {
                "sections": [
                    {"section": 3, "programme": "upright", "sheets": 2, "paper": "coated", "thickness": 0.2}
                ]
            }
        },
    },
    "numbered": {"text": {"pages": 60}, "extras": {"numbered": {"first": 9, "without": "1, 9"}}},
    "self_cover": {
        "text": {"pages": 20},
        "binding": {"structure": "saddle_stitch"},
        "folding": {"make_up": "one_section"},
        "extras": {"self_cover": {}},
    },
    "ganged": {
        "finish": {"placed": "label"},
        "copies": 6,
        "text": {"pages": 200},
        "extras": {
            "ganged": {
                "items": [{"count": 40}, {"name": "tag", "width": 40, "height": 20, "grain": "height"}]
            }
        },
    },
    "weighed": {"extras": {"weighed": {"grams": 53.2}}},
    "plates": {
        "text": {"pages": 96},
        "extras": {
            "plates": {
                "plates": [
                    {"count": 6, "after": 17, "thickness": 0.3},
                    {"count": 4, "after": 33, "how": "folio", "width": 136},
                    {"after": 2, "how": "thrown_clear", "width": 420, "height": 200},
                ]
            }
        },
    },
    "places": {
        "leaf": {"height": 210},
        "extras": {
            "places": {
                "kettle_head": 11,
                "kettle_tail": 14,
                "reach_back": 45,
                "supports": [
                    {"place": 38, "back": 39},
                    {"place": 96.5, "stitch": 22},
                    {"place": 171, "width": 8},
                ],
            }
        },
    },
    "stitching": {
        "text": {"pages": 240},
        "sewing": {"supports": 5, "support_width": 8},
        "extras": {"stitching": {"over": "linked", "on": 2}},
    },
    "ends": {
        "text": {"pages": 96},
        "extras": {
            "ends": {
                "elements": [
                    {"what": "folio", "attached": "sewn", "name": "grey"},
                    {"what": "cloth_joint", "attached": "sewn", "second": True},
                    {"what": "laminated", "attached": "hooked"},
                    {"what": "lining", "attached": "through_fold"},
                ]
            }
        },
    },
    "finishing": {
        "title": "Tide tables",
        "text": {"pages": 400},
        "binding": LEATHER,
        "finish": {"author": "A. Fenn", "volume": "IV"},
        "extras": {
            "finishing": {
                "tools": [
                    {"name": "flower", "width": 6, "height": 6},
                    {"name": "fillet", "width": 1, "height": 0.8, "line": True},
                ],
                "types": [
                    {
                        "name": "small",
                        "capital": 3,
                        "usual": 1.4,
                        "narrow": 0.8,
                        "wide": 2,
                        "gap": 0.2,
                        "space": 1,
                    }
                ],
                "lines": [
                    {"panel": 2, "what": "title", "by": "small"},
                    {"panel": 2, "what": "volume"},
                    {"panel": 3, "what": "tool", "by": "flower", "gap": 1.5},
                    {"panel": 4, "what": "line"},
                ],
                "labels": [{"panel": 2}],
                "front": [{"width": 50, "height": 30}],
                "frames": [{"by": "flower"}],
            }
        },
    },
    "bands": {
        "binding": LEATHER,
        "text": {"pages": 400},
        "extras": {"bands": {"bands": [{"place": 40}, {"place": 86, "width": 5}, {"place": 150}]}},
    },
    "pulled": {"text": {"pages": 96}, "extras": {"pulled": {"mended": 10}}},
    "concertina": {"text": {"pages": 96}, "extras": {"concertina": {}}},
    "strip": {"extras": {"strip": {"overlap": 35, "counted": "spine"}}},
    "panels": {
        "extras": {
            "panels": {
                "panels": [
                    {"width": 100, "height": 160, "thickness": 1.2},
                    {"side": "back", "width": 90, "height": 150, "head": 20, "fore_edge": 15},
                ]
            }
        },
    },
    "bevels": {"binding": {"board": 4}, "extras": {"bevels": {"wide": 8, "deep": 2}}},
    "skin": {
        "binding": LEATHER,
        "extras": {
            "skin": {
                "points": [
                    {"along": 30, "away": 0},
                    {"along": 560, "away": 40},
                    {"along": 600, "away": 330},
                    {"along": 0, "away": 360},
                ]
            }
        },
    },
    "backing": {
        "binding": LEATHER,
        "text": {"pages": 400},
        "sewing": {"method": "raised_cords", "supports": 5, "support_width": 3},
        "extras": {"backing": {"hammers": [{"face": 35}, {"name": "small", "face": 20}]}},
    },
    "judged": {
        "extras": {
            "judged": {
                "head_front": 3,
                "head_back": 4,
                "warp": 0.4,
                "lean": 3,
                "joints": "worn",
                "paper": "broken",
            }
        }
    },
    "copied": {
        "binding": LEATHER,
        "extras": {
            "copied": {
                "leaves": 200,
                "sections": 25,
                "inset": 4,
                "bands": [{"place": 40}, {"place": 90}],
                "supports": [{"place": 37}, {"place": 87}],
            }
        },
    },
    "elsewhere": {
        "text": {"pages": 245},
        "extras": {
            "elsewhere": {
                "editions": [
                    {"identifier": "9780000000019", "base": 0.85, "per_page": 0.012},
                    {
                        "name": "hardback",
                        "kind": "hardback",
                        "identifier": "9780000000026",
                        "hinge": 10,
                        "wrap": 15,
                        "beyond": 3,
                        "multiple": 4,
                    },
                ]
            }
        },
    },
    "thumb": {"text": {"pages": 160}, "extras": {"thumb": {"pages": "9, 33, 57, 90, 121", "column": 3}}},
    "jacket": {"extras": {"jacket": {}}},
    "slipcase": {"extras": {"slipcase": {"thumb": 12, "lining": 0.2}}},
    "box": {"extras": {"box": {"lining": 0.15}}},
    "endpapers apart": {
        "text": {"pages": 96},
        "extras": {
            "ends": {
                "elements": [
                    {"attached": "sewn"},
                    {"at": "front", "what": "cloth_joint", "attached": "sewn"},
                    {"at": "back", "what": "single", "name": "map"},
                ]
            }
        },
    },
    "own pieces ganged": {
        "copies": 6,
        "text": {"pages": 200},
        "extras": {
            "ganged": {"items": [], "width": 700, "height": 500, "endleaves": True, "covers": True},
            "finishing": {"labels": [{"material": "paper", "height": 25, "place": 60}]},
        },
    },
    "lettered where measured": {
        "text": {"pages": 200},
        "finish": {"placed": "none"},
        "extras": {
            "finishing": {
                "types": [{"capital": 3, "usual": 2.4, "narrow": 1.2, "wide": 3.3}],
                "tools": [{"width": 5, "height": 4}],
                "lines": [
                    {"place": 60, "what": "words", "text": "TIDES", "runs": "across"},
                    {"place": 120, "what": "words", "text": "A. FENN", "runs": "down"},
                    {"place": 170, "what": "tool", "repeats": 4, "runs": "up"},
                ],
                "labels": [{"width": 15, "height": 20, "place": 60}],
            }
        },
    },
    "lidded box": {"extras": {"box": {"kind": "lid", "lid": 9, "thumb": 5}}},
}
"""By the name of the extra, or of a way to use it."""


def merged(one: dict[str, Any], other: dict[str, Any]) -> dict[str, Any]:
    """One job with what another says laid over it."""
    both = dict(one)
    for key, value in other.items():
        inner = both.get(key)
        both[key] = merged(inner, value) if isinstance(inner, dict) and isinstance(value, dict) else value
    return both
