"""The demo bindery, loaded once and laid down again for every test: rows copied, files too."""

import shutil
from datetime import timedelta
from pathlib import Path

import time_machine
from django.conf import settings
from django.db import connection, transaction

from tests.conftest import CLOCK
from weald.web.accounts.services import add_person
from weald.web.demo import bindery

_SCHEMA = "demo_as_loaded"


class CopiedDemo:
    """Loads the demo the first time it is wanted; from then on lays down what was loaded.

    :param files: where its files are kept meanwhile.
    """

    def __init__(self, files: Path) -> None:
        self._files = files
        self._columns: dict[str, str] = {}

    def lay_down(self, name: str, password: str) -> None:
        """Fill empty tables with the demo bindery, and the folder of files with its own."""
        if self._columns:
            self._lay_down()
            return
        # every test begins at one moment; what was loaded has to lie before it, however long that took
        with time_machine.travel(CLOCK - timedelta(minutes=5), tick=True):
            person = add_person(name, password, bindery.WORKSHOP, check=False)
            bindery.load(person.membership.workshop, person)
        self._take()

    def _take(self) -> None:
        with connection.cursor() as cursor:
            cursor.execute(f"DROP SCHEMA IF EXISTS {_SCHEMA} CASCADE")
            cursor.execute(f"CREATE SCHEMA {_SCHEMA}")
            cursor.execute(
                "SELECT table_name, string_agg(quote_ident(column_name), ', ' ORDER BY ordinal_position) "
                "FROM information_schema.columns "
                "JOIN information_schema.tables USING (table_schema, table_name) "
                "WHERE table_schema = 'public' AND table_type = 'BASE TABLE' AND is_generated = 'NEVER' "
                "AND table_name <> 'django_migrations' GROUP BY table_name"
            )
            for table, columns in cursor.fetchall():
                cursor.execute(f'CREATE TABLE {_SCHEMA}."{table}" AS SELECT {columns} FROM public."{table}"')
                if cursor.rowcount:
                    self._columns[table] = columns
            cursor.execute(
                f"CREATE TABLE {_SCHEMA}.counted AS SELECT sequencename, last_value FROM pg_sequences "
                "WHERE schemaname = 'public' AND last_value IS NOT NULL"
            )
        if Path(settings.FILES_FOLDER).exists():
            shutil.copytree(settings.FILES_FOLDER, self._files)

    def _lay_down(self) -> None:
        # what refers to rows of other tables is looked at once all are there
        with transaction.atomic(), connection.cursor() as cursor:
            for table, columns in self._columns.items():
                cursor.execute(f'DELETE FROM public."{table}"')
                cursor.execute(
                    f'INSERT INTO public."{table}" ({columns}) OVERRIDING SYSTEM VALUE '
                    f'SELECT {columns} FROM {_SCHEMA}."{table}"'
                )
            # never back: the queue of jobs is not emptied between tests, and its numbers are taken
            cursor.execute(
                f"SELECT setval(format('public.%I', counted.sequencename), "
                "greatest(counted.last_value, now.last_value)) "
                f"FROM {_SCHEMA}.counted JOIN pg_sequences AS now USING (sequencename) "
                "WHERE now.schemaname = 'public'"
            )
        if self._files.exists():
            shutil.copytree(self._files, settings.FILES_FOLDER, dirs_exist_ok=True)
