"""Records that are made by the thousand with every stroke of a key: drawn lines, sizes with their reasons.

They are frozen as all others are, and the type checker holds them to it. At run time they are not: to make
one would take three times as long.
"""

from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from dataclasses import dataclass as record
else:
    from dataclasses import dataclass

    def record(*, frozen: bool, slots: bool):
        """As :func:`dataclasses.dataclass`; what is frozen is compared and hashed by what it holds."""
        return dataclass(slots=slots, unsafe_hash=frozen)


__all__ = ["record"]
