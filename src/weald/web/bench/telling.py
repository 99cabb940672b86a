"""What an event at the bench says, for one who reads so."""

from weald.core.bench.cut import size_words
from weald.core.bench.measuring import expected_words
from weald.core.book.at_bench import CutPiece
from weald.core.notation import Notation
from weald.web.bench.models import BenchEvent


def about_of(event: BenchEvent) -> str:
    """The look, the size or the piece an event is about."""
    data = event.data if isinstance(event.data, dict) else {}
    if event.kind in ("cut", "uncut"):
        piece = data.get("piece")
        return str(piece.get("piece", "")) if isinstance(piece, dict) else ""
    return str(data.get("quantity") or data.get("look") or "")


def words_of(event: BenchEvent, notation: Notation) -> str:
    """What an event found, measured or cut; a row nobody can read says so and hides no other."""
    try:
        return _words_of(event, notation)
    except (KeyError, TypeError, ValueError):
        return "This entry cannot be read."


def _words_of(event: BenchEvent, notation: Notation) -> str:
    data = event.data
    if event.kind == "measured":
        label = notation.say(str(data["label"]))
        if data["found"] is None:
            return f"{label}: measurement taken back"
        expected = expected_words(data["expected"], notation)
        return f"{label}: {notation.limit(data['found'])}, {expected} expected"
    if event.kind in ("looked", "unlooked"):
        return f"{data['text']} {data['found']}".strip()
    if event.kind in ("cut", "uncut"):
        piece = CutPiece(**data["piece"])
        return f"{piece.count} × {piece.label}, {cut_size(piece, notation)}"
    return ""


def cut_size(piece: CutPiece, notation: Notation) -> str:
    """The size a piece was cut to."""
    return size_words(piece.width, piece.height, notation)
