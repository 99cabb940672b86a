"""Answers packed on the way: a plan is less than a quarter of its size then.

Files are packed already, or are read as they come.
"""

from django.http import HttpRequest, HttpResponse
from django.http.response import HttpResponseBase
from django.middleware.gzip import GZipMiddleware


class PackingMiddleware(GZipMiddleware):
    """Packs what is text, and leaves files alone."""

    def process_response(self, request: HttpRequest, response: HttpResponseBase) -> HttpResponseBase:
        """Pack an answer for a browser that takes it so."""
        kind = response.headers.get("Content-Type", "")
        if not isinstance(response, HttpResponse) or not kind.startswith(("application/json", "text/html")):
            return response
        packed: HttpResponseBase = super().process_response(request, response)
        return packed
