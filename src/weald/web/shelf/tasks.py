"""Laying out on the worker."""

from django.db import close_old_connections
from procrastinate.contrib.django import app

from weald.web.shelf.cutting import carry_out


@app.task(queue="shears")
def lay_out_pieces(work_id: str) -> None:
    """Lay out pieces that were asked for."""
    close_old_connections()
    carry_out(work_id)
