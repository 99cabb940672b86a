"""The frames of operations, each drawn from what is so when its turn comes and what is so after it."""

from collections.abc import Iterator, Sequence
from dataclasses import replace

from weald.core.bench.step import Step
from weald.core.book.book import Book
from weald.core.drawing import Arc, Area, Drawing, Hatch, Line, mirrored
from weald.core.job.lying import Facts


def pictures_of(book: Book, steps: Sequence[Step]) -> dict[str, tuple[Drawing, ...]]:
    """What the hands do in each of these steps, frame by frame, by the step's id.

    :param steps: those of the book, in the order they are done.
    """
    found, so = {}, book.there
    for step in steps:
        after = (so - frozenset(step.ends)) | frozenset(step.makes)
        found[step.id] = _frames(step, book, so, after)
        so = after
    return found


def _frames(step: Step, book: Book, before: Facts, after: Facts) -> tuple[Drawing, ...]:
    frames = step.picture(book, before, after)
    if step.mirrors and book.at_bench.left_handed:
        frames = map(mirrored, frames)
    return tuple(
        replace(frame, id=f"picture.{step.id}.{number}", to_scale=False)
        for number, frame in enumerate(frames, start=1)
    )


def most_telling(frames: Sequence[Drawing]) -> Drawing | None:
    """The frame to show where there is room for one: the first in which something is done."""
    done = (frame for frame in frames if any(each.layer in ("move", "glue") for each in _layered(frame)))
    return next(done, frames[-1] if frames else None)


def _layered(frame: Drawing) -> Iterator[Line | Area | Arc | Hatch]:
    return (each for each in frame.elements if isinstance(each, Line | Area | Arc | Hatch))
