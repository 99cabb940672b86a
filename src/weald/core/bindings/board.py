"""The board with all that is glued on it."""

from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.units import Mm


def reckon_board(spec: JobSpec, laminated: bool, ledger: Ledger) -> Mm:
    """Enter the thickness of the boards with all that is glued on them, and give it back.

    :param laminated: whether the structure makes each board of two, a thick and a thin one.
    """
    binding = spec.binding
    panels = spec.extras.panels
    layer = max((each.thickness for each in panels.panels), default=0.0) if panels else 0.0
    if not (binding.linings or laminated or layer):
        return ledger.reckon("board.thickness", binding.board, "the board alone", entry="binding.board")
    terms = {"board": ledger.entry("board", binding.board, "binding.board")}
    thin = binding.thin_board if laminated else 0.0
    if thin:
        terms["thin"] = ledger.entry("thin board", thin, "binding.thin_board")
    for number, lining in enumerate(binding.linings):
        label = "second board" if lining.side == "core" else f"lining {lining.side}"
        about = f"binding.linings.{number}.thickness"
        terms[f"lining{number}"] = ledger.entry(label, lining.effective, about, "thickness", own=lining.name)
    if layer:
        terms["layer"] = ledger.entry("layer round the panels", layer, "extras.panels.panels", "thickness")
    return ledger.reckon(
        "board.thickness",
        binding.board + thin + layer + sum(lining.effective for lining in binding.linings),
        " + ".join(f"{{{name}}}" for name in terms),
        terms,
        rule="board and every lining add up",
    )
