"""What is agreed and decided is kept in the office; the tables stay where they are."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("week", "0003_versions")]

    operations = [
        migrations.SeparateDatabaseAndState(
            state_operations=[
                migrations.DeleteModel(name="Commission"),
                migrations.DeleteModel(name="WeekEvent"),
            ]
        )
    ]
