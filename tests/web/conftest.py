import json
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from weald.core.job.spec import read_spec
from weald.web.accounts.services import add_person
from weald.web.jobs import services
from weald.web.jobs.models import Job

PASSWORD = "a long enough one"


@pytest.fixture
def binder(db: None) -> User:
    return add_person("binder", PASSWORD, "Saltmarsh Bindery", check=False)


@pytest.fixture
def stranger(db: None) -> User:
    """Somebody of another workshop."""
    return add_person("stranger", PASSWORD, "Moorside Press", check=False)


@pytest.fixture
def client(binder: User) -> Client:
    """The binder, signed in."""
    client = Client()
    client.force_login(binder)
    return client


@pytest.fixture
def job(binder: User) -> Job:
    return make_job(binder, {"title": "Tide tables"})


def make_job(person: User, data: dict[str, Any]) -> Job:
    return services.create_job(person.membership.workshop, person, read_spec(data))


def send(client: Client, method: str, path: str, body: Any = None) -> Any:
    """Send JSON and give the answer."""
    data = b"" if body is None else json.dumps(body).encode()
    return client.generic(method, path, data=data, content_type="application/json")
