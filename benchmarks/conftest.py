"""The budgets for speed and size, each measured several times; the best or a stated percentile counts."""

from tests.browser.conftest import browser_context_args, browser_type_launch_args
from tests.command.test_cluster import var
from tests.conftest import quick_passwords

__all__ = ["browser_context_args", "browser_type_launch_args", "quick_passwords", "var"]
