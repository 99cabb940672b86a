"""A database that is stopped and not gone: questions are given up in time, said so, and it is found again."""

import socket
import threading
import time
from collections.abc import Iterator
from typing import Any

import pytest
from django.db import DatabaseError, connection, connections
from django.test import Client

from weald.web.patience import WATCH, patience


@pytest.fixture
def heard_again() -> Iterator[None]:
    yield
    WATCH.silent_since = None


@pytest.mark.django_db(transaction=True)
def test_a_question_that_is_not_answered_in_time_is_given_up(heard_again: None) -> None:
    began = time.monotonic()
    with pytest.raises(DatabaseError), patience(0.5), connection.cursor() as cursor:
        cursor.execute("select pg_sleep(30)")
    assert time.monotonic() - began < 3
    assert WATCH.silent_since is not None
    connection.close()
    with patience(0.5), connection.cursor() as cursor:
        cursor.execute("select 1")
    assert WATCH.silent_since is None


@pytest.mark.django_db(transaction=True)
def test_while_it_is_silent_others_are_told_at_once_and_one_tries(
    client: Client, settings: Any, heard_again: None
) -> None:
    settings.DATABASE_SECONDS = 0.5
    WATCH.silent_since = time.monotonic()
    began = time.monotonic()
    answers = [Client().get("/api/me").status_code for _ in range(20)]
    assert answers == [503] * 20
    assert time.monotonic() - began < 1
    page = Client().get("/")
    assert (page.status_code, page["Refresh"]) == (503, "5")
    assert Client().get("/healthz").status_code == 200
    WATCH.silent_since = time.monotonic() - 10
    assert [client.get("/api/me").status_code for _ in range(2)] == [200, 200]


@pytest.mark.django_db(transaction=True)
def test_a_server_that_takes_connections_and_says_nothing_is_given_up_too(heard_again: None) -> None:
    with socket.create_server(("127.0.0.1", 0)) as deaf:
        taken: list[socket.socket] = []
        threading.Thread(target=lambda: taken.append(deaf.accept()[0]), daemon=True).start()
        silent = connections.create_connection("default")
        silent.settings_dict = {**silent.settings_dict, "HOST": "127.0.0.1", "PORT": deaf.getsockname()[1]}
        began = time.monotonic()
        with pytest.raises(DatabaseError):
            silent.ensure_connection()
        assert time.monotonic() - began < 8
