"""What is done with sets, each in one transaction."""

from django.contrib.auth.models import User
from django.db import transaction

from weald.core.errors import WealdError
from weald.core.job.spec import JobSpec, read_spec
from weald.core.planning.book_set import SetSpec, Volume, read_set, volume_spec
from weald.web.accounts.keeping import NOT_SETTLED, Settled, Written, merged_with
from weald.web.accounts.models import Workshop
from weald.web.jobs.models import BookSet, Job
from weald.web.jobs.services import create_job


def shared_book(book_set: BookSet) -> JobSpec:
    """What all volumes share."""
    return read_spec({"version": 1, **book_set.book})


def spec_of(book_set: BookSet) -> SetSpec:
    """The set itself."""
    return read_set(book_set.spec)


@transaction.atomic
def begin_set(workshop: Workshop, title: str, book: JobSpec) -> BookSet:
    """Begin a set of one volume from the book all volumes are to be like."""
    first = Volume(title=book.finish.title or book.title, number=1, pages=book.text.pages)
    spec = SetSpec(title=title, cloth=book.binding.cover_name, volumes=(first,))
    return BookSet.objects.create(
        workshop=workshop,
        title=spec.title,
        book=book.model_dump(mode="json", exclude_unset=True),
        spec=spec.model_dump(mode="json"),
    )


@transaction.atomic
def save_set(
    book_set: BookSet,
    version: int,
    author: User,
    spec: SetSpec,
    book: JobSpec | None = None,
    settled: Settled = NOT_SETTLED,
) -> tuple[BookSet, Written]:
    """Write a set, and what its volumes share where that is given, merged with what others wrote meanwhile.

    :param version: the one it was read at.
    :raises weald.web.accounts.keeping.MeetingError: where somebody else changed the same entries.
    """
    now = BookSet.objects.select_for_update(of=("self",)).select_related("workshop").get(pk=book_set.pk)
    written = merged_with(
        now.workshop,
        f"set {now.pk}",
        SetSpec,
        spec_of(now).model_dump(mode="json"),
        now.version,
        version,
        spec.model_dump(mode="json"),
        author,
        settled,
        read_set,
    )
    now.title, now.spec, now.version = written.data["title"], written.data, written.version
    if book is not None:
        now.book = book.model_dump(mode="json", exclude_unset=True)
    now.save()
    return now, written


@transaction.atomic
def begin_volume(book_set: BookSet, place: int, author: User) -> tuple[BookSet, Job]:
    """Begin the job of one volume.

    :raises WealdError: when there is no such volume, or its job has begun already.
    """
    now = BookSet.objects.select_for_update().get(pk=book_set.pk)
    spec = spec_of(now)
    if not 0 <= place < len(spec.volumes):
        raise WealdError("There is no such volume in this set.")
    volume = spec.volumes[place]
    if volume.job and Job.objects.filter(pk=volume.job, workshop=now.workshop).exists():
        raise WealdError("The job of this volume has begun already.")
    planned = volume_spec(shared_book(now), volume, spec.numerals)
    title = f"{spec.title}, volume {volume.number}" if volume.number else planned.title
    job = create_job(now.workshop, author, planned.model_copy(update={"title": title[:200]}))
    begun = volume.model_copy(update={"job": job.pk})
    volumes = (*spec.volumes[:place], begun, *spec.volumes[place + 1 :])
    changed = spec.model_copy(update={"volumes": volumes})
    return save_set(now, now.version, author, changed)[0], job
