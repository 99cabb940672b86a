"""What is done with texts and imposed files."""

import zipfile
from dataclasses import asdict
from pathlib import Path
from typing import Any

from django.conf import settings
from django.contrib.auth.models import User
from django.db import transaction

from weald.core.errors import WealdError
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.telling import entries_of
from weald.core.press.press import Press, press
from weald.exchange.foreign import impose_pdf, read_artwork, read_text
from weald.exchange.reports import Faces, Kind, Order, TextError
from weald.web import work
from weald.web.accounts.models import Workshop
from weald.web.accounts.services import notation_for
from weald.web.jobs.models import Job
from weald.web.jobs.services import plain
from weald.web.printing.files import (
    Readable,
    artwork_name,
    at_hand,
    forget,
    is_kept,
    keep,
    print_name,
    receive,
    room_left,
    text_name,
    unfinished,
)
from weald.web.printing.models import Artwork, PrintFile, SourceText
from weald.web.work import Tell

_PRINTED_BY = ("title", "text.", "leaf.", "paper.", "folding.", "printing.")
_NOT_PRINTED = (
    *("paper.name", "paper.sheet.", "paper.spoilage"),
    *("printing.printer.name", "printing.printer.largest", "printing.printer.unprintable"),
)


class InUseError(WealdError):
    """A text that jobs still need."""


def bring_text(workshop: Workshop, name: str, stream: Readable) -> SourceText:
    """Take in a text: by its content, not by what it is called.

    :raises weald.web.printing.files.TooLargeError: when there is no room for it.
    :raises weald.exchange.text_pdf.TextError: when it cannot be bound.
    """
    with unfinished() as path:
        digest, size = receive(stream, path, min(settings.LARGEST_TEXT, room_left(workshop)))
        report = read_text(path)
        if report.pages > settings.MOST_PAGES:
            raise TextError(f"{report.pages} pages are more than {settings.MOST_PAGES}; bring it in volumes.")
        with transaction.atomic():
            text, _ = SourceText.objects.get_or_create(
                workshop=workshop,
                digest=digest,
                defaults={"name": name[:200], "size": size, "report": asdict(report)},
            )
            keep(path, text_name(text))
    return text


def text_entries(text: SourceText) -> dict[str, Any]:
    """The entries of a job whose text this is."""
    pages, sizes = text.report["pages"], text.report["sizes"]
    page = {"width": sizes[0]["width"], "height": sizes[0]["height"]} if sizes else None
    return {"file": text.digest, "pages": pages, "file_pages": pages, "page": page}


def bring_artwork(workshop: Workshop, name: str, stream: Readable) -> Artwork:
    """Take in artwork for a cover: by its content, made safe before it is kept.

    :raises weald.web.printing.files.TooLargeError: when there is no room for it.
    :raises weald.exchange.artwork.ArtworkError: when it cannot be printed on a cover.
    """
    with unfinished() as path:
        digest, _ = receive(stream, path, min(settings.LARGEST_ARTWORK, room_left(workshop)))
        report = read_artwork(path)
        with transaction.atomic():
            artwork, _ = Artwork.objects.get_or_create(
                workshop=workshop,
                digest=digest,
                defaults={"name": name[:200], "size": path.stat().st_size, "report": asdict(report)},
            )
            keep(path, artwork_name(artwork))
    return artwork


def artwork_of(job: Job, spec: JobSpec) -> tuple[Path, Kind] | None:
    """The artwork of a job's cover and what it is; none where none was brought, or it is not here."""
    artwork = Artwork.objects.filter(workshop=job.workshop_id, digest=spec.artwork.file or "").first()
    if artwork is None or not is_kept(artwork_name(artwork)):
        return None
    return at_hand(artwork_name(artwork)), artwork.report["kind"]


@transaction.atomic
def throw_text_away(text: SourceText) -> None:
    """Forget a text.

    :raises InUseError: when a job has it, now or in its history.
    """
    jobs = Job.objects.filter(changes__spec__text__file=text.digest, workshop=text.workshop_id).distinct()
    if names := [job.title for job in jobs[:3]]:
        raise InUseError(f"The text is kept: “{'”, “'.join(names)}” needs it, or did and may be undone.")
    name = text_name(text)
    text.delete()
    transaction.on_commit(lambda: forget(name))


def text_of(job: Job, spec: JobSpec) -> Path | None:
    """Where the text of a job lies; none for a blank book.

    :raises TextError: when it has to be brought, or brought again.
    """
    if spec.text.blank_book:
        return None
    text = SourceText.objects.filter(workshop=job.workshop_id, digest=spec.text.file or "").first()
    if text is None or not is_kept(text_name(text)):
        raise TextError("Bring the text as a PDF first, at the station Text.")
    return at_hand(text_name(text))


@transaction.atomic
def ask_for_print(job: Job, author: User, part: str) -> PrintFile:
    """Have a job imposed by the worker, as it stands now.

    :raises weald.core.errors.WealdError: when it cannot be imposed as it stands.
    """
    made = ready_to_print(job, job.spec, notation_for(author, job.workshop))
    text_of(job, made.spec)
    asked = PrintFile.objects.create(
        job=job, change=job.standing, author=author, part=part, total=len(made.sheets)
    )
    work.hand_over(asked)
    return asked


def ready_to_print(job: Job, spec: JobSpec, notation: Notation) -> Press:
    """A job laid out for printing.

    :param notation: whose words stand on the sheets.

    :raises weald.core.errors.WealdError: when its sheets do not fit the paper or the printer.
    """
    made = press(spec, notation)
    if not made.layout.fits:
        block, layout = made.layout.block, made.layout
        needs = f"{notation.length(block.width, True)} × {notation.length(block.height, True)}"
        has = f"{notation.length(layout.width, True)} × {notation.length(layout.height, True)}"
        raise WealdError(
            f"What is printed needs a sheet of {needs}, and this one is {has}. Choose another at the station "
            "Printing."
        )
    return made


@transaction.atomic
def throw_print_away(made: PrintFile) -> None:
    """Forget an imposed file."""
    name = print_name(made)
    made.delete()
    transaction.on_commit(lambda: forget(name))


def changed_since(made: PrintFile, job: Job) -> list[str]:
    """What was decided otherwise since a file was imposed, of all that it depends on."""
    before, after = entries_of(plain(made.change.job_spec)), entries_of(plain(job.spec))
    return sorted(
        path
        for path in before.keys() | after.keys()
        if path.startswith(_PRINTED_BY)
        and not path.startswith(_NOT_PRINTED)
        and before.get(path) != after.get(path)
    )


def carry_out(print_id: str) -> None:
    """Impose a file that was asked for: whole, or not at all. What is half written is nowhere offered."""
    work.carry_out(PrintFile, print_id, _impose, drop=_drop)


def _impose(made: PrintFile, tell: Tell) -> dict[str, object]:
    with unfinished() as path:
        _write(made, path, tell)
        size = path.stat().st_size
        keep(path, print_name(made))
    return {"size": size}


def _drop(made: PrintFile) -> None:
    forget(print_name(made))


def _write(made: PrintFile, path: Path, tell: Tell) -> None:
    spec = made.change.job_spec
    reads = notation_for(made.author, made.job.workshop)
    ready, text = ready_to_print(made.job, spec, reads), text_of(made.job, spec)
    if made.part != PrintFile.Part.SIGNATURES:
        faces: dict[str, Faces] = {"whole": "both", "fronts": "fronts", "backs": "backs"}
        impose_pdf(ready, text, path, Order(faces=faces[made.part]), lambda sheet, _: tell(sheet))
        return
    digits, done = len(str(len(ready.sections))), 0
    with zipfile.ZipFile(path, "w") as archive, unfinished() as one:
        for section in ready.sections:
            order = Order(sections=frozenset({section.section}))
            impose_pdf(ready, text, one, order, lambda part, _, before=done: tell(before + part))  # type: ignore[misc]
            archive.write(one, f"{reads.vocabulary}-{section.section:0{digits}}.pdf")
            done += section.sheets
