from django.apps import AppConfig


class DemoConfig(AppConfig):
    """A bindery with everything in it, to try Weald with."""

    name = "weald.web.demo"
