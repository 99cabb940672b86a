"""The database brought to what this Weald needs; of several that start at once one does it, others wait."""

from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import connection

_LOCK = 0x5EA1D
"""A number of our own among the database's locks."""


class Command(BaseCommand):
    """./manage.py make_ready"""

    help = "Bring the database to what this Weald needs."

    def handle(self, *_: Any, **__: Any) -> None:
        """Wait for our turn, say so, and migrate."""
        with connection.cursor() as cursor:
            cursor.execute("select pg_try_advisory_lock(%s)", [_LOCK])
            if not cursor.fetchone()[0]:
                self.stdout.write("Another Weald is making the database ready; waiting for it.")
                self.stdout.flush()
                cursor.execute("select pg_advisory_lock(%s)", [_LOCK])
            try:
                call_command("migrate", verbosity=0)
            finally:
                cursor.execute("select pg_advisory_unlock(%s)", [_LOCK])
