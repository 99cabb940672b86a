"""What an event at the bench says, for one who reads so."""

from typing import Any

from weald.core.bench.cut import CutPiece, size_words
from weald.core.notation import Notation
from weald.web.bench.models import BenchEvent


def author_of(row: Any) -> str:
    """Who did it, by name."""
    return str(row.author.get_username()) if row.author else "somebody who has left"


def words_of(event: BenchEvent, notation: Notation) -> str:
    """What an event found, measured or cut."""
    data = event.data
    if event.kind == "measured":
        label = notation.say(str(data["label"]))
        if data["found"] is None:
            return f"{label}: measurement taken back"
        return f"{label}: {notation.limit(data['found'])}, {notation.length(data['expected'], True)} expected"
    if event.kind in ("looked", "unlooked"):
        return f"{data['text']} {data['found']}".strip()
    if event.kind in ("cut", "uncut"):
        piece = CutPiece(**data["piece"])
        return f"{piece.count} × {piece.label}, {cut_size(piece, notation)}"
    return ""


def cut_size(piece: CutPiece, notation: Notation) -> str:
    """The size a piece was cut to."""
    return size_words(piece.width, piece.height, notation)
