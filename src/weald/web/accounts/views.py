"""The sign-in page."""

from typing import Any

from django.contrib.auth.views import LoginView
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render

from weald.web.shell import built_entry


class SignInView(LoginView):
    """Name and password; django-axes counts the wrong ones."""

    template_name = "sign_in.html"
    redirect_authenticated_user = True

    def get_context_data(self, **kwargs: Any) -> dict[str, Any]:
        """Add the built styles."""
        return super().get_context_data(**kwargs) | {"styles": built_entry()[1]}


def locked_out(
    request: HttpRequest, response: HttpResponse | None = None, credentials: object = None
) -> HttpResponse:
    """What somebody sees after too many wrong passwords."""
    context = {"locked": True, "styles": built_entry()[1]}
    return render(request, "sign_in.html", context, status=429)
