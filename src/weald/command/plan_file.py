"""./weald plan JOB.json: the plan of a job file as JSON on standard output."""

import sys
from dataclasses import replace
from pathlib import Path

from pydantic import TypeAdapter

from weald.core.errors import WealdError
from weald.core.planning.plan import Plan, plan
from weald.core.planning.remedies import proven
from weald.exchange.job_file import read_job_file


def plan_file(path: str) -> int:
    """Plan a job file; 0 when it went well, 2 when the file cannot be used."""
    try:
        content = sys.stdin.buffer.read() if path == "-" else Path(path).read_bytes()
        spec = read_job_file(content)
        made = plan(spec)
        made = replace(made, findings=proven(spec, made.findings))
    except OSError as error:
        print(f"weald: {path}: {error.strerror or error}", file=sys.stderr)
        return 2
    except WealdError as error:
        print(f"weald: {path}: {' '.join(str(error).split())}", file=sys.stderr)
        return 2
    sys.stdout.write(TypeAdapter(Plan).dump_json(made, indent=2).decode() + "\n")
    return 0
