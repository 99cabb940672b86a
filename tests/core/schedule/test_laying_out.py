"""Layouts keep every rule, are as good as brute force finds, and bounds are bounds."""

import random
from dataclasses import replace
from itertools import pairwise
from typing import Any

import pytest

from tests.core.schedule.brute import cheapest
from tests.core.schedule.checking import wrongs
from tests.core.schedule.made_up import MONDAY, as_turns, book, many_books, small_problem, workshop
from weald.core.schedule.bounds import least_cost
from weald.core.schedule.placing import as_doers, place
from weald.core.schedule.problem import (
    Aim,
    Begun,
    Hand,
    Layout,
    Link,
    Pin,
    Placed,
    Problem,
    Task,
    Window,
    cost,
    ready_at,
)
from weald.core.schedule.solve import better_layout, first_layout
from weald.core.schedule.tasks import pose
from weald.core.schedule.together import NEAR, runs


@pytest.mark.parametrize("seed", range(60))
def test_small_problems_are_laid_out_as_well_as_by_trying_everything(seed: int) -> None:
    problem = small_problem(random.Random(seed))
    first = first_layout(problem)
    assert wrongs(problem, first.layout) == []
    best = cheapest(problem, 30)
    if best is None:
        assert first.layout.left
        return
    assert first.layout.left == ()
    found = better_layout(problem, first, 5)
    assert wrongs(problem, found.layout) == []
    assert found.cost.whole == best.whole
    assert least_cost(problem) <= best.counts


def test_the_checker_sees_what_is_wrong() -> None:
    problem = many_books(2)
    good = first_layout(problem, shuffles=0).layout
    assert wrongs(problem, good) == []

    def changed(number: int, **parts: Any) -> Layout:
        placed = list(good.placed)
        placed[number] = replace(placed[number], **parts)
        return Layout.of(placed, ())

    one = good.placed[3]
    length = one.ends - one.begins
    assert wrongs(problem, changed(3, begins=0, ends=length, until=length))
    assert any("may not" in words for words in wrongs(problem, changed(3, hands=("nobody",))))
    night = 60 * 13
    at_night = changed(3, begins=night, ends=night + length, until=night + length + one.until - one.ends)
    assert any("outside the hours" in words for words in wrongs(problem, at_night))
    assert wrongs(problem, Layout.of(good.placed[1:], ()))


@pytest.mark.parametrize(("books", "people"), [(3, 1), (8, 2), (20, 3)])
def test_many_books_keep_every_rule_and_are_never_worse_than_one_after_the_other(
    books: int, people: int
) -> None:
    problem = many_books(books, people)
    found = first_layout(problem, shuffles=5)
    assert wrongs(problem, found.layout) == []
    assert found.layout.left == ()
    in_order = place(problem, {task.id: float(number) for number, task in enumerate(problem.tasks)})
    assert wrongs(problem, in_order) == []
    assert found.cost.whole <= cost(problem, in_order).whole
    assert found.least <= found.cost.counts


def test_the_same_order_gives_the_same_layout_and_a_slip_moves_only_what_it_must() -> None:
    problem = many_books(6)
    found = first_layout(problem)
    again = place(problem, as_turns(found.layout), as_doers(found.layout))
    assert wrongs(problem, again) == []
    assert place(problem, as_turns(again), as_doers(again)).placed == again.placed
    late = sorted(problem.tasks, key=lambda task: again.by_id[task.id].begins)[len(problem.tasks) // 2]
    tasks = tuple(
        replace(task, minutes=task.minutes + 30) if task is late else task for task in problem.tasks
    )
    slipped = replace(problem, tasks=tasks)
    moved = place(slipped, as_turns(again), as_doers(again))
    assert wrongs(slipped, moved) == []
    before = again.by_id[late.id].begins
    assert [each for each in moved.placed if each.ends <= before] == [
        each for each in again.placed if each.ends <= before
    ]


def test_what_is_under_way_goes_on_and_what_is_pinned_stays() -> None:
    problem = many_books(4)
    found = first_layout(problem).layout
    chosen = next(task for task in problem.tasks if task.operation == "cut_boards")
    begun = next(task for task in problem.tasks if task.operation == "stock_out" and task.job != chosen.job)
    at = found.by_id[chosen.id].begins + 24 * 60

    def held(task):
        if task is chosen:
            return replace(task, pin=Pin(at))
        return replace(task, begun=Begun((task.may[0],))) if task is begun else task

    pinned = replace(problem, tasks=tuple(map(held, problem.tasks)))
    layout = first_layout(pinned).layout
    assert wrongs(pinned, layout) == []
    assert layout.unpinned == ()
    assert layout.by_id[chosen.id].begins == at
    assert layout.by_id[begun.id].begins == 0
    better = better_layout(pinned, first_layout(pinned), 1)
    assert wrongs(pinned, better.layout) == []
    assert better.layout.by_id[chosen.id].begins == at


def test_a_wish_that_cannot_be_kept_is_given_up_and_said() -> None:
    problem = many_books(1)
    last = problem.tasks[-1]
    impossible = replace(problem, tasks=(*problem.tasks[:-1], replace(last, pin=Pin(61))))
    layout = first_layout(impossible).layout
    assert layout.unpinned == (last.id,)
    assert wrongs(impossible, layout) == []


def test_a_set_counts_as_ready_with_its_last_volume() -> None:
    books = [book(1, "flat_case", group="log"), book(2, "laced_boards", group="log")]
    problem = pose(workshop(2), books, MONDAY).problem
    layout = first_layout(problem).layout
    ready = ready_at(problem, layout)
    assert cost(problem, layout).together == 2 * max(ready.values())


def test_work_is_brought_together_for_which_something_is_got_ready_where_that_costs_nobody_time() -> None:
    problem = pose(workshop(1), [book(number, "flat_case", 20) for number in range(4)], MONDAY).problem
    apart = first_layout(problem, shuffles=0)
    gathered = first_layout(problem)
    assert wrongs(problem, gathered.layout) == []
    assert gathered.cost.counts <= apart.cost.counts
    assert len(runs(problem, gathered.layout)) <= len(runs(problem, apart.layout))
    several = [parts for _, parts in runs(problem, gathered.layout) if len(parts) > 1]
    assert several
    for parts in several:
        assert len({each.hands for each in parts}) == 1
        assert all(after.begins - before.ends <= NEAR for before, after in pairwise(parts))


def test_nothing_is_laid_where_nobody_is_and_it_is_left_over() -> None:
    nobody = workshop(1).model_copy(update={"people": ()})
    problem = pose(nobody, [book(1, "flat_case")], MONDAY).problem
    layout = first_layout(problem).layout
    assert layout.placed == ()
    assert len(layout.left) == len(problem.tasks)


def test_two_things_begun_by_one_person_do_not_stop_the_rest_from_being_laid_out() -> None:
    problem = many_books(3)
    names = {task.id for task in problem.tasks if task.operation == "stock_out"}
    tasks = tuple(
        replace(task, begun=Begun(("ida",))) if task.id in names else task for task in problem.tasks
    )
    under_way = replace(problem, tasks=tasks)
    first = first_layout(under_way)
    assert all(first.layout.by_id[name].begins == 0 for name in names)
    assert better_layout(under_way, first, 1).cost.whole <= first.cost.whole


def test_a_placed_task_is_read_by_its_name() -> None:
    placed = Placed("a", 3, 5, 9, ("ida",))
    assert Layout.of([placed], ()).by_id["a"].until == 9


def test_an_error_of_the_search_is_an_error_and_no_answer(monkeypatch: pytest.MonkeyPatch) -> None:
    def fails(*args: object) -> object:
        raise MemoryError("no room to solve in")

    monkeypatch.setattr("weald.core.schedule.solve.cp_model.CpSolver.solve", fails)
    problem = many_books(4)
    with pytest.raises(MemoryError):
        better_layout(problem, first_layout(problem, shuffles=0), 1.0, settled=True)


def test_work_begun_although_what_comes_before_it_has_no_place_does_not_end_the_search() -> None:
    hand = Hand("a", "A", (Window(0, 60),))
    tasks = (
        Task("1/a", "1", "a", "", 90, ("a",)),
        Task("1/b", "1", "b", "", 5, ("a",), after=(Link("1/a", 0, 4),), begun=Begun(("a",))),
        Task("2/a", "2", "a", "", 10, ("a",)),
    )
    problem = Problem(tasks, (hand,), (), (Aim("1"), Aim("2")))
    found = first_layout(problem)
    assert found.layout.left == ("1/a",)
    assert better_layout(problem, found, 1.0, settled=True).layout.left == ("1/a",)
