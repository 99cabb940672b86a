"""The app for the shelf and what is cut from it."""

from django.apps import AppConfig


class ShelfConfig(AppConfig):
    name = "weald.web.shelf"
    label = "shelf"
