"""The budgets for speed and size, each measured several times; the best or a stated percentile counts."""

from tests.browser.conftest import (
    bindery,
    browser_context_args,
    browser_type_launch_args,
    desk,
)
from tests.conftest import quick_passwords

__all__ = ["bindery", "browser_context_args", "browser_type_launch_args", "desk", "quick_passwords"]
