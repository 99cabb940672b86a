"""The app for texts, printers and imposed files."""

from django.apps import AppConfig


class PrintingConfig(AppConfig):
    name = "weald.web.printing"
    label = "printing"
