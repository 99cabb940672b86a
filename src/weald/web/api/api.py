"""The API, put together."""

import json
from typing import Any

from django.http import HttpRequest
from ninja import NinjaAPI
from ninja.responses import NinjaJSONEncoder

from weald.web.api import (
    bench,
    bench_papers,
    binding,
    covers,
    cuttings,
    daybook,
    downloads,
    errors,
    folding,
    house,
    jobs,
    learning,
    members,
    office,
    people,
    pictures,
    planning,
    practice,
    printers,
    prints,
    record,
    sets,
    shelf,
    texts,
    week,
    workplace,
)
from weald.web.api.signed_in import SignedIn
from weald.web.api.typed import with_inputs

api = NinjaAPI(
    title="Weald",
    version="1",
    docs_url=None,
    openapi_url=None,
    auth=SignedIn(),
    urls_namespace="api",
)
api.add_router("", people.router)
api.add_router("", members.router)
api.add_router("", planning.router)
api.add_router("", practice.router)
api.add_router("", jobs.router)
api.add_router("", bench.router)
api.add_router("", pictures.router)
api.add_router("", record.router)
api.add_router("", downloads.router)
api.add_router("", bench_papers.router)
api.add_router("", texts.router)
api.add_router("", folding.router)
api.add_router("", binding.router)
api.add_router("", covers.router)
api.add_router("", sets.router)
api.add_router("", house.router)
api.add_router("", printers.router)
api.add_router("", prints.router)
api.add_router("", shelf.router)
api.add_router("", cuttings.router)
api.add_router("", office.router)
api.add_router("", daybook.router)
api.add_router("", learning.router)
api.add_router("", week.router)
api.add_router("", workplace.router)
errors.install(api)


@api.get("/openapi.json", include_in_schema=False)
def openapi(request: HttpRequest) -> dict[str, Any]:
    """The description of this API."""
    return openapi_document()


def openapi_document() -> dict[str, Any]:
    """The OpenAPI description, as committed in docs/openapi.json."""
    document: dict[str, Any] = json.loads(
        json.dumps(api.get_openapi_schema(path_prefix="/api/"), cls=NinjaJSONEncoder)
    )
    return with_inputs(document)
