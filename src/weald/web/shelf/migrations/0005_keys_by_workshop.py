import django.db.models.deletion
from django.db import migrations, models
from django.db.models import OuterRef, Subquery


def say_whose(apps, schema_editor):
    """Every key that was used belongs to the workshop of its item."""
    item = apps.get_model("shelf", "ShelfItem").objects.filter(pk=OuterRef("item"))
    movements = apps.get_model("shelf", "Movement").objects.filter(key__isnull=False)
    movements.update(workshop=Subquery(item.values("workshop")[:1]))


class Migration(migrations.Migration):
    atomic = True
    dependencies = [("accounts", "__first__"), ("shelf", "0004_work_states")]
    operations = [
        migrations.AddField(
            model_name="movement",
            name="workshop",
            field=models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.CASCADE, related_name="+", to="accounts.workshop"
            ),
        ),
        migrations.RunPython(say_whose, migrations.RunPython.noop, elidable=True),
        migrations.RunSQL("SET CONSTRAINTS ALL IMMEDIATE", migrations.RunSQL.noop),
        migrations.AlterField(model_name="movement", name="key", field=models.UUIDField(null=True)),
        migrations.AddConstraint(
            model_name="movement",
            constraint=models.UniqueConstraint(fields=["workshop", "key"], name="a_key_counts_once"),
        ),
    ]
