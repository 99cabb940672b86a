"""From the leaf to the folded sheets: the first stations in order, reckoned once for whoever needs them."""

from dataclasses import dataclass

from weald.core.folding.packet import FoldedPacket, fold_packet
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations import folding as folding_station
from weald.core.stations import paper as paper_station
from weald.core.stations import text as text_station
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan
from weald.core.stations.text import TextPlan


@dataclass(frozen=True, slots=True)
class Folded:
    """A job as far as its sheets are folded."""

    packet: FoldedPacket
    text: TextPlan
    paper: PaperPlan
    folding: FoldingPlan


def reckon_to_folding(spec: JobSpec, ledger: Ledger) -> Folded:
    """Reckon leaf, text, paper and folding, in the order of work.

    :raises weald.core.errors.FoldError: when the sheets cannot be folded so.
    """
    packet = fold_packet(spec.folding.programme)
    leaf = paper_station.reckon_leaf(spec, ledger)
    text = text_station.reckon(spec, packet, ledger)
    paper = paper_station.reckon(spec, packet, text, leaf, ledger)
    return Folded(packet, text, paper, folding_station.reckon(spec, packet, text, paper, ledger))
