"""Owners, binders and readers, and links that let somebody in."""

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models
from django.db.backends.base.schema import BaseDatabaseSchemaEditor
from django.db.migrations.state import StateApps
from django.db.models import Min


def let_the_first_own(apps: StateApps, editor: BaseDatabaseSchemaEditor) -> None:
    """Whoever came into a workshop first owns it."""
    Membership = apps.get_model("accounts", "Membership")
    first = Membership.objects.values("workshop").annotate(first=Min("pk")).values("first")
    Membership.objects.filter(pk__in=[each["first"] for each in first]).update(role="owner")


class Migration(migrations.Migration):

    dependencies = [
        ('accounts', '0003_cache'),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.AddField(
            model_name='membership',
            name='role',
            field=models.CharField(choices=[('owner', 'Owner'), ('binder', 'Binder'), ('reader', 'Reader')], default='binder', max_length=6),
        ),
        migrations.CreateModel(
            name='Invitation',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('digest', models.CharField(max_length=64, unique=True)),
                ('role', models.CharField(choices=[('owner', 'Owner'), ('binder', 'Binder'), ('reader', 'Reader')], max_length=6)),
                ('expires', models.DateTimeField()),
                ('used', models.DateTimeField(null=True)),
                ('author', models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, related_name='+', to=settings.AUTH_USER_MODEL)),
                ('person', models.ForeignKey(null=True, on_delete=django.db.models.deletion.CASCADE, related_name='+', to=settings.AUTH_USER_MODEL)),
                ('workshop', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='invitations', to='accounts.workshop')),
            ],
        ),
        migrations.RunPython(let_the_first_own, migrations.RunPython.noop),
    ]
