from statistics import median

from benchmarks.test_plan import octavo
from benchmarks.yardstick import milliseconds, of_size, slowness, within
from weald.core.job.spec import read_spec
from weald.core.planning.plan import plan
from weald.exchange.true_size import true_size_pdf

ROUNDS = of_size(3, 1)


def test_a_section_in_octavo_is_there_at_true_size_within_a_second() -> None:
    """Four sheets nested, tiled over A4: every mark is drawn once, whatever tiles show it."""
    spec = read_spec(
        octavo(320) | {"folding": {"programme": "upright, level, upright", "sheets_per_section": 4}}
    )
    drawing = next(each for each in plan(spec, drawn=("folding",)).drawings if each.id == "folding.section")
    took = median(
        milliseconds(lambda: true_size_pdf((drawing,), "Log", "a4")) / slowness() for _ in range(ROUNDS)
    )
    print(f"\ntrue size of a section in octavo at A4: {took:.0f} ms (budget 1000 ms)")
    within(took, 1000)
