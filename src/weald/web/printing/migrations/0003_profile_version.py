from django.db import migrations, models

import weald.web.printing.models


class Migration(migrations.Migration):
    """Profiles name the version of job file they are written as a part of; those there are of the first."""

    dependencies = [("printing", "0002_artwork")]
    operations = [
        operation
        for name in ("coverprofile", "printerprofile")
        for operation in (
            migrations.AddField(name, "version", models.PositiveSmallIntegerField(default=1)),
            migrations.AlterField(
                name,
                "version",
                models.PositiveSmallIntegerField(default=weald.web.printing.models.written_today),
            ),
        )
    ]
