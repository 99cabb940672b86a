"""Answers given lately, given again for the same question.

Between two strokes of a key most of a plan is asked for once more. What is remembered depends on its
arguments alone, which are never changed; they are compared, not hashed, since large ones are mostly the very
same object, and comparing that costs nothing.
"""

from collections import deque
from collections.abc import Callable
from functools import wraps
from typing import ParamSpec, TypeVar

P = ParamSpec("P")
R = TypeVar("R")


def remembered(most: int) -> Callable[[Callable[P, R]], Callable[P, R]]:
    """Remember the last answers of a function that is called with positional arguments.

    :param most: how many, of the jobs people have before them.
    """

    def remember(function: Callable[P, R]) -> Callable[P, R]:
        kept: deque[tuple[tuple[object, ...], R]] = deque(maxlen=most)

        @wraps(function)
        def answer(*args: P.args, **kwargs: P.kwargs) -> R:
            question = (*args, *sorted(kwargs.items()))
            # others may be answered meanwhile: what is looked through is nobody else's
            for known, found in tuple(kept):
                if known == question:
                    return found
            found = function(*args, **kwargs)
            kept.appendleft((question, found))
            return found

        return answer

    return remember
