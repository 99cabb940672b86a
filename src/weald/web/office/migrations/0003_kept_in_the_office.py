"""What is agreed and decided is kept here; the tables stay those of the week."""

import datetime
import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('accounts', '0006_kept_states'),
        ('jobs', '0005_by_date'),
        ('office', '0002_versions'),
        ('week', '0004_kept_in_the_office'),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
 migrations.SeparateDatabaseAndState(state_operations=[
        migrations.CreateModel(
            name='Commission',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('promised', models.DateTimeField(null=True)),
                ('taken_up', models.BooleanField(default=False)),
                ('agreed', models.DecimalField(decimal_places=4, max_digits=12, null=True)),
                ('brought_in', models.TextField(blank=True, default='')),
                ('bought', models.JSONField(default=dict)),
                ('version', models.PositiveIntegerField(default=1)),
                ('customer', models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, related_name='commissions', to='office.customer')),
                ('job', models.OneToOneField(on_delete=django.db.models.deletion.CASCADE, related_name='commission', to='jobs.job')),
            ],
            options={
                'db_table': 'week_commission',
                'constraints': [models.CheckConstraint(condition=models.Q(('promised__isnull', True), models.Q(('promised__gte', datetime.datetime(2000, 1, 1, 0, 0, tzinfo=datetime.timezone.utc)), ('promised__lt', datetime.datetime(2200, 1, 1, 0, 0, tzinfo=datetime.timezone.utc))), _connector='OR'), name='a_promise_has_its_time')],
            },
        ),
        migrations.CreateModel(
            name='Decision',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('words', models.CharField(max_length=300)),
                ('at', models.DateTimeField(auto_now_add=True)),
                ('author', models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, to=settings.AUTH_USER_MODEL)),
                ('job', models.ForeignKey(null=True, on_delete=django.db.models.deletion.CASCADE, related_name='decisions', to='jobs.job')),
                ('workshop', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='decisions', to='accounts.workshop')),
            ],
            options={
                'db_table': 'week_weekevent',
                'indexes': [models.Index(fields=['workshop', '-at'], name='week_events_by_date')],
            },
        ),
])
]
