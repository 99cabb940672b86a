"""Laying out on the worker."""

from django.db import close_old_connections
from procrastinate.contrib.django import app

from weald.web.week.services import carry_out


@app.task(queue="shears")
def lay_books_out(work_id: str) -> None:
    """Lay the open books of a workshop out."""
    close_old_connections()
    carry_out(work_id)
