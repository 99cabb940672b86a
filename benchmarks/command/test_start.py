from pathlib import Path

from benchmarks.yardstick import slowness, within
from tests.command.test_cluster import close, running_demo, wait_until_open
from weald.command.cluster import free_port


def test_a_demo_that_is_loaded_opens_quickly(loaded_var: Path) -> None:
    port = free_port()
    with running_demo(loaded_var, port) as process:
        seconds = wait_until_open(port) / slowness()
        close(process)
    print(f"\nopen after {seconds:.1f} s (budget 8)")
    within(seconds, 8)
