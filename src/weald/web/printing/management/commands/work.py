"""The worker: imposes files, lays out pieces, and tidies up at night."""

from typing import Any

from django.core.management.base import BaseCommand, CommandParser
from procrastinate.contrib.django import app
from procrastinate.contrib.django.django_connector import DjangoConnector

from weald.web.printing.files import sweep

HALF_FILES_SECONDS = 600
"""What nobody has written to for so long was left by a worker or server that died."""


class Command(BaseCommand):
    """./manage.py work"""

    help = "Do the work that is asked for, until stopped."

    def add_arguments(self, parser: CommandParser) -> None:
        """How many tasks at a time, and of which queues; of all where none is named."""
        parser.add_argument("--concurrency", type=int, default=2)
        parser.add_argument("--queues", nargs="*")

    def handle(self, *_: Any, concurrency: int, queues: list[str] | None, **__: Any) -> None:
        """Work."""
        sweep(older_than=HALF_FILES_SECONDS)
        if not isinstance(app.connector, DjangoConnector):
            raise TypeError("the worker needs Django's connection")
        with app.replace_connector(app.connector.get_worker_connector()) as working:
            working.run_worker(concurrency=concurrency, queues=queues or None)
