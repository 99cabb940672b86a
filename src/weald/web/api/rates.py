"""How often one person may ask for what costs much, counted in the database for all processes together."""

from time import time

from django.core.cache import cache
from django.http import HttpRequest
from ninja.throttling import BaseThrottle

_WINDOW = 60


class Rate(BaseThrottle):
    """So many in a minute by the clock for one person, whichever of the things it counts they ask for."""

    def __init__(self, name: str, in_a_minute: int) -> None:
        self.name, self.in_a_minute = name, in_a_minute

    def allow_request(self, request: HttpRequest) -> bool:
        """Count a request, and say whether there is room for it."""
        key = f"{self.name}.{request.user.pk}.{int(time()) // _WINDOW}"
        cache.add(key, 0, 2 * _WINDOW)
        return cache.incr(key) <= self.in_a_minute

    def wait(self) -> float:
        """Seconds to the next minute."""
        return _WINDOW - time() % _WINDOW


BRINGING = Rate("bringing", 60)
"""Files that are brought and have to be opened."""
PASSWORDS = Rate("passwords", 6)
"""Passwords that are tried, each of which takes most of a second to compare."""
HEAVY = Rate("heavy", 240)
"""What is drawn, written or compared for more than a tenth of a second."""
