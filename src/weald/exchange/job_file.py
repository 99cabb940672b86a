"""Job files: a job as JSON, the open format in docs/job-file.md."""

import json
from typing import Any

from weald.core.errors import SpecError
from weald.core.job.spec import JobSpec, read_spec

MAX_BYTES = 1_000_000


def _refuse_constant(name: str) -> None:
    raise ValueError(f"{name} is not a number a job file can hold")


def read_job_file(content: bytes) -> JobSpec:
    """Read a job file.

    :raises SpecError: where the file is no JSON, naming line and column, or holds no job.
    """
    if len(content) > MAX_BYTES:
        raise SpecError({"job": "The file is larger than a job file can be (1 MB)."})
    try:
        data: Any = json.loads(content.decode("utf-8-sig"), parse_constant=_refuse_constant)
    except UnicodeDecodeError:
        raise SpecError({"job": "The file is not text in UTF-8; export it again as a job file."}) from None
    except json.JSONDecodeError as error:
        place = f"line {error.lineno}, column {error.colno}"
        raise SpecError({"job": f"The file is not JSON at {place}: {error.msg}."}) from None
    except (ValueError, RecursionError) as error:
        raise SpecError({"job": f"The file cannot be read as a job: {error}."}) from None
    return read_spec(data)


def write_job_file(spec: JobSpec) -> str:
    """A job as a job file, keys in the order of the description."""
    return json.dumps(spec.model_dump(mode="json"), ensure_ascii=False, indent=2) + "\n"


def job_file_schema() -> dict[str, Any]:
    """The JSON Schema of a job file."""
    schema = JobSpec.model_json_schema(mode="validation")
    return {"title": "Weald job file", **{k: v for k, v in schema.items() if k != "title"}}
