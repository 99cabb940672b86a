from django.db import migrations, models


def keep_for_anybody(apps, schema_editor):
    """What is to be minded was kept in one person's words and lengths; keep it for whoever reads."""
    from weald.core.errors import WealdError
    from weald.core.job.spec import read_spec
    from weald.core.notation import FOR_ANYBODY
    from weald.core.planning.plan import plan

    jobs = apps.get_model("jobs", "Job").objects.exclude(to_mind="").select_related("head")
    for job in jobs.iterator():
        try:
            findings = plan(read_spec(job.head.spec), FOR_ANYBODY, drawn=()).findings
        except WealdError:
            continue
        serious = sorted((each for each in findings if each.severity != "note"), key=lambda each: each.severity != "stop")
        job.to_mind = serious[0].message if serious else ""
        job.save(update_fields=["to_mind"])


class Migration(migrations.Migration):
    dependencies = [("jobs", "0002_book_set")]
    operations = [
        migrations.AlterField("job", "to_mind", models.TextField(blank=True, default="")),
        migrations.RunPython(keep_for_anybody, migrations.RunPython.noop),
    ]
