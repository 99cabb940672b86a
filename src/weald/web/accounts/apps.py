from django.apps import AppConfig


class AccountsConfig(AppConfig):
    """Who may come in, to which workshop, and how they read lengths."""

    name = "weald.web.accounts"
    label = "accounts"
