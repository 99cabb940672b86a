from django.apps import AppConfig


class WeekConfig(AppConfig):
    """Books, people and places laid over time."""

    name = "weald.web.week"
    label = "week"
