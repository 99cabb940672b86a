"""What people are called where something of theirs is told."""

from typing import Any

from django.db.models import QuerySet

HAS_LEFT = "somebody who has left"


def author_of(row: Any) -> str:
    """Who did it, by name."""
    return str(row.author.get_username()) if row.author else HAS_LEFT


def authors_of(rows: QuerySet[Any]) -> tuple[str, ...]:
    """Who did what stands in some rows, each once, in their order."""
    names = rows.values_list("author__username", flat=True)
    return tuple(dict.fromkeys(name or HAS_LEFT for name in names))
