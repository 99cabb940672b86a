from django.apps import AppConfig


class OfficeConfig(AppConfig):
    """Customers, what jobs cost, quotations and bills."""

    name = "weald.web.office"
    label = "office"
