from django.apps import AppConfig


class BenchConfig(AppConfig):
    """What happens at the bench."""

    name = "weald.web.bench"
    label = "bench"
