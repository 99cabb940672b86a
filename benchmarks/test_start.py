from pathlib import Path

from benchmarks.yardstick import slowness, within
from tests.command.test_cluster import close, running_demo, wait_until_open
from weald.command.cluster import free_port


def test_a_second_start_is_quick(var: Path) -> None:
    port, times = free_port(), []
    for _ in range(2):
        with running_demo(var, port) as process:
            times.append(wait_until_open(port) / slowness())
            close(process)
    print(f"\nfirst start {times[0]:.1f} s, second {times[1]:.1f} s (budget 8)")
    within(times[1], 8)
