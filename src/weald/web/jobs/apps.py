from django.apps import AppConfig


class JobsConfig(AppConfig):
    """Jobs and their history."""

    name = "weald.web.jobs"
    label = "jobs"
