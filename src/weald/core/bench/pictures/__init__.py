"""What the hands do, drawn: every operation in a few frames, from the book's own sizes.

A frame is a drawing; its title says what is done in it, its text gives the sizes. Things are drawn as they
are while certain facts are so (``block_seen.py``, ``cover_seen.py``, ``closed_seen.py``), and over them what
the hands do (``acts.py``). Which frames belong to an operation, its record says (``core/bench/steps/``).
"""
