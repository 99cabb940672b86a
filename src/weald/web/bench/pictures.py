"""Pictures taken at the bench: brought, made safe, kept, thrown away."""

import uuid

from django.conf import settings
from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone

from weald.exchange.foreign import make_photograph_safe
from weald.web.bench.models import BenchPicture
from weald.web.jobs.models import Job
from weald.web.printing.files import Readable, forget, keep, receive, room_left, unfinished


def picture_name(picture: BenchPicture) -> str:
    """What a picture of the work is called in the store."""
    return f"pictures/{picture.job_id}/{picture.key}.jpg"


def bring_picture(
    job: Job, author: User, key: uuid.UUID, stream: Readable, *, operation: str, title: str, caption: str
) -> BenchPicture:
    """Keep a picture of the work; brought twice with one key, it is kept once.

    :param title: what the operation is called.
    :raises weald.web.printing.files.TooLargeError: when there is no room for it.
    :raises weald.exchange.reports.PhotographError: when it is no picture that can be kept.
    """
    if known := job.bench_pictures.filter(key=key).first():
        return known
    with unfinished() as path:
        receive(stream, path, min(settings.LARGEST_ARTWORK, room_left(job.workshop)))
        report = make_photograph_safe(path)
        with transaction.atomic():
            picture, made = BenchPicture.objects.get_or_create(
                job=job,
                key=key,
                defaults={
                    "operation": operation,
                    "title": title[:120],
                    "caption": caption[:300],
                    "width": report.width,
                    "height": report.height,
                    "size": path.stat().st_size,
                    "author": author,
                    "at": timezone.now(),
                },
            )
            if made:
                keep(path, picture_name(picture))
    return picture


@transaction.atomic
def throw_picture_away(picture: BenchPicture) -> None:
    """Forget a picture."""
    name = picture_name(picture)
    picture.delete()
    transaction.on_commit(lambda: forget(name))
