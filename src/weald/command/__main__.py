"""The words ./weald understands."""

import argparse
import os
import sys
from pathlib import Path
from typing import NoReturn

from weald.command import impose_file
from weald.command.machine import NotReadyError


class _Parser(argparse.ArgumentParser):
    """Says what is wrong in one line."""

    def error(self, message: str) -> NoReturn:
        """End with status 2."""
        self.exit(2, f"weald: {message}; {self.prog} --help lists what there is\n")


def _parser() -> argparse.ArgumentParser:
    parser = _Parser(prog="./weald", description="Plans, calculates and records bound books.")
    words = parser.add_subparsers(dest="word", required=True, metavar="WORD")
    demo = words.add_parser("demo", help="start with the demo bindery")
    demo.add_argument("--fresh", action="store_true", help="throw the demo's data away first")
    serve = words.add_parser("serve", help="start for real use; settings from the environment")
    serve.add_argument("--only", choices=("web", "worker"), help="where several machines share the work")
    person = words.add_parser("add-person", help="add a person to the data of serve")
    person.add_argument("name")
    person.add_argument("--workshop", required=True)
    backing = words.add_parser("backup", help="database and files of serve in one file, while it runs")
    backing.add_argument("file", type=Path)
    restoring = words.add_parser("restore", help="a backup put back into an empty place")
    restoring.add_argument("file", type=Path)
    words.add_parser("lint", help="formatters, linters, types, the import wall")
    words.add_parser("test", help="lint and every test; further words go to pytest")
    words.add_parser("bench", help="the benchmarks; further words go to pytest")
    words.add_parser("soak", help="the long runs: kills, many people, odd calls")
    words.add_parser("lock", help="lock the Python packages anew")
    describing = words.add_parser(
        "describe", help="write the schemas in docs/ and the interface's types anew"
    )
    describing.add_argument("--check", action="store_true", help="only say what is behind")
    imposing = words.add_parser("impose", help="a text PDF put on sheets that fold to order")
    impose_file.add_arguments(imposing)
    planning = words.add_parser("plan", help="the plan of a job file as JSON")
    planning.add_argument("job", metavar="JOB.json")
    return parser


def main() -> int:
    """Do what the command line says."""
    arguments, rest = _parser().parse_known_args()
    if rest and arguments.word not in ("test", "bench", "soak"):
        _parser().error(f"not understood: {' '.join(rest)}")
    try:
        return _do(arguments, rest)
    except NotReadyError as error:
        print(f"weald: {error}", file=sys.stderr)
        return 1


def _do(arguments: argparse.Namespace, rest: list[str]) -> int:
    if arguments.word == "plan":
        from weald.command.plan_file import plan_file

        return plan_file(arguments.job)
    if arguments.word == "impose":
        return impose_file.impose_file(arguments)
    if arguments.word == "describe":
        from weald.command.describing import describe

        describe(check=arguments.check)
        return 0
    if arguments.word in ("lint", "test", "bench", "soak", "lock"):
        from weald.command import checking, locking

        if arguments.word == "lint":
            checking.lint()
        elif arguments.word == "lock":
            locking.lock()
        else:
            long = {"test": checking.test, "bench": checking.bench, "soak": checking.soak}
            long[arguments.word](rest)
        return 0
    if arguments.word in ("backup", "restore"):
        from weald.command import backing_up

        do = {"backup": backing_up.backup, "restore": backing_up.restore}[arguments.word]
        print(f"Done: the database and {do(arguments.file.absolute())} files.")
        if os.environ.get("WEALD_S3_BUCKET"):
            print("Files lie in a store elsewhere; keep them by its own means.")
        return 0
    from weald.command import serving

    if arguments.word == "demo":
        serving.demo(arguments.fresh)
    elif arguments.word == "serve":
        serving.serve(arguments.only)
    else:
        serving.with_serve_database("add_person", arguments.name, "--workshop", arguments.workshop)
    return 0


if __name__ == "__main__":
    sys.exit(main())
