"""Every address of the application."""

from django.contrib.auth.views import LogoutView
from django.urls import path, re_path

from weald.web.accounts.views import SignInView, come_in
from weald.web.api.api import api
from weald.web.gate import failed
from weald.web.health import alive, ready
from weald.web.shell import shell
from weald.web.watching import metrics
from weald.web.week.calendar import calendar

handler500 = failed
urlpatterns = [
    path("sign-in", SignInView.as_view(), name="sign-in"),
    path("come-in/<str:token>", come_in, name="come-in"),
    path("calendar/<str:token>.ics", calendar, name="calendar"),
    path("sign-out", LogoutView.as_view(), name="sign-out"),
    path("healthz", alive),
    path("readyz", ready),
    path("metrics", metrics),
    path("api/", api.urls),
    re_path(r"^(?!api/|static/).*$", shell, name="shell"),
]
