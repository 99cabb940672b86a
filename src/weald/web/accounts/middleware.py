"""Nothing but the sign-in page is shown to a stranger."""

from typing import Any

from django.contrib.auth.middleware import LoginRequiredMiddleware
from django.http import HttpRequest, JsonResponse


class SignInMiddleware(LoginRequiredMiddleware):
    """Sends strangers to the sign-in page, and programs a plain 401."""

    def handle_no_permission(self, request: HttpRequest, view_func: Any) -> Any:
        """Answer somebody who is not signed in."""
        if request.path.startswith("/api/"):
            return JsonResponse({"code": "signed_out", "message": "Sign in first.", "fields": {}}, status=401)
        return super().handle_no_permission(request, view_func)
