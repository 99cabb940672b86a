"""The budgets for speed and size, each measured several times; the best or a stated percentile counts."""

from tests.browser.conftest import browser_context_args, browser_type_launch_args
from tests.command.conftest import demo_as_loaded, loaded_var
from tests.conftest import quick_passwords

__all__ = [
    "browser_context_args",
    "browser_type_launch_args",
    "demo_as_loaded",
    "loaded_var",
    "quick_passwords",
]
