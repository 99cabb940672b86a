from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("printing", "0003_profile_version"), ("procrastinate", "0001_initial")]
    operations = [
        # what is waiting for the worker goes by its new name too
        migrations.RunSQL(
            "UPDATE procrastinate_jobs SET args = jsonb_build_object('work_id', args->'print_id') "
            "WHERE jsonb_exists(args, 'print_id')",
            migrations.RunSQL.noop,
        ),
        migrations.RenameField("printfile", "sheets", "total"),
        migrations.RenameField("printfile", "sheets_done", "done"),
        migrations.AddField("printfile", "attempts", models.PositiveSmallIntegerField(default=0)),
    ]
