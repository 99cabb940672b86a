from django.db import migrations, models

ALL = ["week", "sets", "cutting", "daybook", "office"]


def keep_what_was_out(apps, schema_editor):
    """Whoever had all rooms in the head keeps them."""
    apps.get_model("accounts", "Preferences").objects.update(rooms=ALL)


class Migration(migrations.Migration):
    dependencies = [("accounts", "0006_kept_states")]

    operations = [
        migrations.AddField("preferences", "rooms", models.JSONField(blank=True, default=list)),
        migrations.AlterField(
            "preferences",
            "theme",
            models.CharField(
                choices=[("system", "As the system has it"), ("day", "Day"), ("lamp", "Lamp-lit")],
                default="system",
                max_length=8,
            ),
        ),
        migrations.RunPython(keep_what_was_out, migrations.RunPython.noop),
    ]
