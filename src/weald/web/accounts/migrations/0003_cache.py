"""A table for what is counted or kept for a short time, by all processes together."""

from django.core.management import call_command
from django.db import migrations
from django.db.backends.base.schema import BaseDatabaseSchemaEditor
from django.db.migrations.state import StateApps


def make_table(apps: StateApps, editor: BaseDatabaseSchemaEditor) -> None:
    call_command("createcachetable", database=editor.connection.alias, verbosity=0)


class Migration(migrations.Migration):
    dependencies = [("accounts", "0002_house")]
    operations = [migrations.RunPython(make_table, migrations.RunPython.noop)]
