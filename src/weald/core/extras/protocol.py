"""What every extra answers: what it is and where it suits; a bound book in, pieces and drawings out."""

from collections.abc import Callable
from dataclasses import dataclass, field, replace

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch
from weald.core.job.entries import Entries
from weald.core.job.extras.group import ExtraName
from weald.core.job.spec import JobSpec
from weald.core.station import Station


def nothing_more(book: Book) -> Added:
    """Of an extra that the stations themselves reckon with."""
    return Added()


def anywhere(structure: Structure, spec: JobSpec) -> bool:
    """It suits every book."""
    return True


@dataclass(frozen=True, slots=True)
class Extra:
    """Something binders add to a structure.

    :param title: what the book then has; ``does``: what is done to the book, as it is offered.
    :param good_for: when one does it, in words. ``draw``: its small picture.
    :param entries: what it asks for, as types; their titles are what fields are called.
    :param suits: whether it suits a book at all; where it does not, nobody is shown it.
    :param reckon: sizes and draws it, on a book that is bound.
    :param forbids: extras it contradicts; using both is a finding.
    :param begins: entries it begins with, besides the usual ones.
    :param in_words: names it is found by besides its title.
    :param row_file: of a job, to be taken for each row of its table; ``{row}`` stands for its number.
    :param left_open: what stands in a field that is left open.
    """

    name: ExtraName
    station: Station
    title: str
    does: str
    good_for: str
    entries: type[Entries]
    draw: Callable[[Sketch], None]
    suits: Callable[[Structure, JobSpec], bool] = anywhere
    reckon: Callable[[Book], Added] = nothing_more
    forbids: tuple[ExtraName, ...] = ()
    begins: dict[str, object] = field(default_factory=dict)
    in_words: str = ""
    row_file: str = ""
    left_open: str = "by rule"

    def picture(self) -> Drawing:
        """Its small picture."""
        sketch = Sketch()
        self.draw(sketch)
        drawing = sketch.finish(f"extra.{self.name}", self.station, self.title, rows=(0, 0, 0, 0))
        return replace(drawing, to_scale=False)
