from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("shelf", "0002_cutting_options"), ("procrastinate", "0001_initial")]
    operations = [
        # what is waiting for the worker goes by its new name too
        migrations.RunSQL(
            "UPDATE procrastinate_jobs SET args = jsonb_build_object('work_id', args->'cutting_id') "
            "WHERE jsonb_exists(args, 'cutting_id')",
            migrations.RunSQL.noop,
        ),
        migrations.RenameField("cutting", "progress", "done"),
        migrations.AddField("cutting", "total", models.PositiveIntegerField(default=100)),
        migrations.AddField("cutting", "attempts", models.PositiveSmallIntegerField(default=0)),
        migrations.AddField("cutting", "finished", models.DateTimeField(null=True)),
    ]
