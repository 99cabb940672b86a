"""The pages somebody sees who is not signed in: name and password, and the link that lets in once."""

from datetime import timedelta
from typing import Any

from axes.helpers import get_client_ip_address
from axes.models import AccessAttempt
from django.conf import settings
from django.contrib.auth import login
from django.contrib.auth.decorators import login_not_required
from django.contrib.auth.views import LoginView
from django.db.models import Sum
from django.http import HttpRequest, HttpResponse
from django.shortcuts import redirect, render
from django.utils import timezone
from django.views.decorators.debug import sensitive_post_parameters

from weald.web.accounts import people
from weald.web.shell import built_entry

_BACKEND = "weald.web.accounts.backends.PersonBackend"


class SignInView(LoginView):
    """Name and password; django-axes counts the wrong ones."""

    template_name = "sign_in.html"
    redirect_authenticated_user = True

    def post(self, request: HttpRequest, *args: Any, **kwargs: Any) -> HttpResponse:
        """Take a name and a password, but not from where very many were wrong."""
        if is_spraying(request):
            return locked_out(request)
        return super().post(request, *args, **kwargs)

    def get_context_data(self, **kwargs: Any) -> dict[str, Any]:
        """Add the built styles."""
        return super().get_context_data(**kwargs) | {"styles": built_entry()[1]}


def is_spraying(request: HttpRequest) -> bool:
    """Whether wrong passwords came from this address again and again, for whichever names.

    django-axes counts each name by itself, so that no stranger can lock somebody out from elsewhere; who
    tries many names is seen only here.
    """
    since = timezone.now() - timedelta(hours=settings.AXES_COOLOFF_TIME)
    address = get_client_ip_address(request)
    tries = AccessAttempt.objects.filter(ip_address=address, attempt_time__gt=since)
    return (tries.aggregate(wrong=Sum("failures_since_start"))["wrong"] or 0) >= settings.SPRAYING_LIMIT


def locked_out(
    request: HttpRequest, response: HttpResponse | None = None, credentials: object = None
) -> HttpResponse:
    """What somebody sees after too many wrong passwords."""
    context = {"locked": True, "styles": built_entry()[1]}
    return render(request, "sign_in.html", context, status=429)


@login_not_required
@sensitive_post_parameters("password")
def come_in(request: HttpRequest, token: str) -> HttpResponse:
    """Let somebody in by a link: somebody new with a name, somebody known with another password."""
    page: dict[str, Any] = {"styles": built_entry()[1]}
    try:
        page["link"] = people.find_link(token)
        if request.method == "POST":
            name, password = request.POST.get("name", "").strip(), request.POST.get("password", "")
            login(request, people.come_in(token, name, password), _BACKEND)
            return redirect("/")
    except people.NoLinkError as error:
        return render(request, "come_in.html", page | {"gone": str(error)}, status=410)
    except people.NotTakenError as error:
        return render(request, "come_in.html", page | {"wrong": error.fields, "name": name}, status=422)
    return render(request, "come_in.html", page)
