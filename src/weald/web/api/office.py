"""The office over HTTP: terms, customers, what a job costs, quotations and bills."""

import json
from dataclasses import replace
from datetime import datetime
from decimal import Decimal
from typing import Annotated, Any, Literal

from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Body, Query, Router, Schema, Status
from pydantic import Field

from weald.core.costs.costing import Costing
from weald.core.costs.papers import PAPER_KINDS, PaperContent, read_paper
from weald.core.costs.terms import Agreed, Bought, Terms, read_bought, read_terms
from weald.core.job.bench import WORKS
from weald.exchange.paper_pdf import paper_pdf
from weald.web.accounts.keeping import Written
from weald.web.accounts.people import NotOwnerError
from weald.web.accounts.services import preferences_of
from weald.web.api.downloads import file_response
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import ChoicesMade, MeetReply, PaperName, Problem, WithOthers, told_of
from weald.web.api.typed import BoughtInput, TermsInput
from weald.web.api.workplace import Named
from weald.web.jobs.models import Job
from weald.web.office import services
from weald.web.office.models import Customer, Paper

router = Router(tags=["office"])


def _only_who_sees(request: HttpRequest) -> None:
    """Ask whether somebody may see what things cost.

    :raises weald.web.office.services.PricesHiddenError: when they may not.
    """
    if not services.sees_prices(person(request)):
        raise services.PricesHiddenError(
            "What things cost is shown to owners. Ask an owner to let you see it."
        )


def _only_owners(request: HttpRequest) -> None:
    if person(request).membership.role != "owner":
        raise NotOwnerError("Only an owner of the workshop can do this.")


class TermsReply(WithOthers):
    """The terms, and the kinds of work there are rates for."""

    version: int
    terms: Terms
    works: list[Named]
    people_here: list[str]


def _terms(request: HttpRequest, written: Written | None = None) -> TermsReply:
    workshop = workshop_of(request)
    members = workshop.memberships.filter(user__is_active=True).order_by("pk")
    return TermsReply(
        version=workshop.terms_version,
        terms=services.terms_of(workshop),
        works=[Named(id=work, words=words) for work, words in WORKS.items()],
        people_here=list(members.values_list("user__username", flat=True)),
        **told_of(Terms, written, notation_of(request)),
    )


@router.get("/terms", response={200: TermsReply, 403: Problem}, operation_id="openTerms")
def open_terms(request: HttpRequest) -> TermsReply:
    """Money, rates and words of the workshop."""
    _only_who_sees(request)
    return _terms(request)


@router.put(
    "/terms", response={200: TermsReply, 403: Problem, 409: MeetReply, 422: Problem}, operation_id="saveTerms"
)
def write_terms(
    request: HttpRequest,
    made: Query[ChoicesMade],
    terms: TermsInput = Body(...),
    version: int = Query(..., ge=1),
) -> TermsReply:
    """Write the terms at the version they were read at; papers that are there stay as they are."""
    _only_owners(request)
    read = read_terms(terms)
    written = services.save_terms(workshop_of(request), version, person(request), read, made.settled)
    return _terms(request, written)


class CustomerChange(Schema):
    """A customer as they are to be."""

    name: Annotated[str, Field(min_length=1, max_length=200)]
    address: Annotated[str, Field(max_length=2000)] = ""
    note: Annotated[str, Field(max_length=2000)] = ""


class CustomerRow(Schema):
    """A customer, and how many jobs are theirs."""

    id: int
    name: str
    address: str
    note: str
    jobs: list[Named]


def _customer_row(customer: Customer, reader: bool = False) -> CustomerRow:
    """A customer as somebody sees them; a reader only by name."""
    jobs = [Named(id=str(each.job_id), words=each.job.title) for each in customer.commissions.all()]
    return CustomerRow(
        id=customer.pk,
        name=customer.name,
        address="" if reader else customer.address,
        note="" if reader else customer.note,
        jobs=jobs,
    )


def _customer_of(request: HttpRequest, customer_id: int) -> Customer:
    return get_object_or_404(workshop_of(request).customers, pk=customer_id)


@router.get("/customers", response=list[CustomerRow], operation_id="listCustomers")
def list_customers(request: HttpRequest, search: str = Query("", max_length=200)) -> list[CustomerRow]:
    """Customers by name, each with their jobs; where they live is not for readers."""
    reader = person(request).membership.role == "reader"
    return [_customer_row(each, reader) for each in services.customers_of(workshop_of(request), search)]


@router.post("/customers", response={201: CustomerRow, 422: Problem}, operation_id="addCustomer")
def add_customer(request: HttpRequest, customer: CustomerChange) -> Status:
    """Write a customer down."""
    made = services.write_customer(workshop_of(request), person(request), customer.model_dump(), None)
    return Status(201, _customer_row(made))


@router.put(
    "/customers/{int:customer_id}",
    response={200: CustomerRow, 404: Problem, 422: Problem},
    operation_id="changeCustomer",
)
def change_customer(request: HttpRequest, customer_id: int, customer: CustomerChange) -> CustomerRow:
    """Change what is kept of a customer."""
    known = _customer_of(request, customer_id)
    data = customer.model_dump()
    return _customer_row(services.write_customer(workshop_of(request), person(request), data, known))


@router.get(
    "/customers/{int:customer_id}/data.json",
    response={403: Problem, 404: Problem},
    operation_id="customerData",
)
def customer_data(request: HttpRequest, customer_id: int) -> Any:
    """All that is kept of a customer, as a file for them."""
    _only_owners(request)
    data = services.data_of(_customer_of(request, customer_id))
    response = HttpResponse(json.dumps(data, ensure_ascii=False, indent=2), content_type="application/json")
    response["Content-Disposition"] = 'attachment; filename="customer.json"'
    return response


@router.delete(
    "/customers/{int:customer_id}",
    response={204: None, 403: Problem, 404: Problem},
    operation_id="eraseCustomer",
)
def erase_customer(request: HttpRequest, customer_id: int) -> Status:
    """Forget a customer at their request; the record of the books stays."""
    _only_owners(request)
    services.erase(_customer_of(request, customer_id), person(request))
    return Status(204, None)


Price = Annotated[Decimal, Field(ge=0, le=10_000_000, max_digits=12, decimal_places=4, allow_inf_nan=False)]


class Agreement(Schema):
    """For whom a job is, at what price without taxes, what was brought in, what was bought for it.

    What is left out stays as it is.
    """

    customer: int | None = None
    agreed: Price | None = None
    brought_in: Annotated[str, Field(max_length=4000)] = ""
    bought: BoughtInput = Field(default_factory=dict)


class AgreementReply(WithOthers):
    """The same as it stands; prices are left out for those who are not to see them."""

    version: int
    customer: int | None
    customer_name: str
    agreed: Decimal | None
    brought_in: str
    bought: list[Bought]
    sees_prices: bool


PRICED = ("agreed", "bought")
"""The entries of an agreement that hold prices."""


def _plain(price: Decimal | None) -> Decimal | None:
    """A price as it is written: “240”, “180.50”."""
    if price is None:
        return None
    cents = price.quantize(Decimal("0.01"))
    return cents if cents == price else price.normalize()


def _agreement(request: HttpRequest, job: Job, written: Written | None = None) -> AgreementReply:
    commission = services.commission_of(job)
    sees = services.sees_prices(person(request))
    if written and not sees:
        written = replace(written, others=tuple(path for path in written.others if path[0] not in PRICED))
    return AgreementReply(
        version=commission.version,
        customer=commission.customer_id,
        customer_name=commission.customer.name if commission.customer else "",
        agreed=_plain(commission.agreed) if sees else None,
        brought_in=commission.brought_in,
        bought=list(services.bought_for(commission).things) if sees else [],
        sees_prices=sees,
        **told_of(Agreed, written, notation_of(request)),
    )


@router.get(
    "/jobs/{int:job_id}/agreement", response={200: AgreementReply, 404: Problem}, operation_id="openAgreement"
)
def open_agreement(request: HttpRequest, job_id: int) -> AgreementReply:
    """What is agreed about a job."""
    return _agreement(request, job_of(request, job_id))


@router.put(
    "/jobs/{int:job_id}/agreement",
    response={200: AgreementReply, 404: Problem, 409: MeetReply, 422: Problem},
    operation_id="agree",
)
def write_agreement(
    request: HttpRequest,
    job_id: int,
    made: Query[ChoicesMade],
    agreement: Agreement,
    version: int = Query(..., ge=1),
) -> AgreementReply:
    """Write down what is agreed, read at a version; who sees no prices leaves them as they are."""
    job = job_of(request, job_id)
    given = agreement.model_dump(include=agreement.model_fields_set)
    if agreement.customer is not None:
        _customer_of(request, agreement.customer)
    if not services.sees_prices(person(request)):
        given = {entry: value for entry, value in given.items() if entry not in PRICED}
    if "bought" in given:
        given["bought"] = read_bought(agreement.bought).model_dump(mode="json")["things"]
    written = services.agree(job, version, person(request), given, made.settled)
    return _agreement(request, job, written)


@router.get(
    "/jobs/{int:job_id}/costs",
    response={200: Costing, 403: Problem, 404: Problem},
    operation_id="openCosts",
    throttle=HEAVY,
)
def open_costs(request: HttpRequest, job_id: int) -> Costing:
    """What a job was reckoned to cost, beside what it came to."""
    job = job_of(request, job_id)
    _only_who_sees(request)
    return services.cost_of(job, notation_of(request))


class PaperRow(Schema):
    """A quotation or bill."""

    id: int
    kind: Literal["quotation", "bill"]
    number: int
    made: datetime
    content: PaperContent


class PaperOrder(Schema):
    """What a paper is to hold; its sums follow from its lines. The same ``key`` again is the same paper."""

    kind: Literal["quotation", "bill"]
    lines: Annotated[list[dict[str, Any]], Field(max_length=100)]
    key: Annotated[str, Field(pattern="^[0-9a-zA-Z-]{8,64}$")]


def _paper_row(paper: Paper) -> PaperRow:
    content = read_paper(paper.content)
    return PaperRow(id=paper.pk, kind=content.kind, number=paper.number, made=paper.made, content=content)


@router.get(
    "/jobs/{int:job_id}/papers",
    response={200: list[PaperRow], 403: Problem, 404: Problem},
    operation_id="listPapers",
)
def list_papers(request: HttpRequest, job_id: int) -> list[PaperRow]:
    """Quotations and bills of a job, the newest first."""
    job = job_of(request, job_id)
    _only_who_sees(request)
    return [_paper_row(each) for each in job.papers.order_by("-pk")[:100]]


@router.post(
    "/jobs/{int:job_id}/papers",
    response={201: PaperRow, 403: Problem, 404: Problem, 422: Problem},
    operation_id="makePaper",
    throttle=HEAVY,
)
def make_paper(request: HttpRequest, job_id: int, order: PaperOrder) -> Status:
    """A quotation or bill, with the next number, fixed as it is made."""
    job = job_of(request, job_id)
    _only_who_sees(request)
    return Status(
        201, _paper_row(services.make_paper(job, person(request), order.kind, order.lines, order.key))
    )


@router.get(
    "/papers/{int:paper_id}.pdf",
    response={403: Problem, 404: Problem},
    operation_id="paperPdf",
    throttle=HEAVY,
)
def take_paper(request: HttpRequest, paper_id: int, paper: PaperName | None = Query(None)) -> HttpResponse:
    """A quotation or bill as a PDF."""
    found = get_object_or_404(workshop_of(request).papers, pk=paper_id)
    _only_who_sees(request)
    content = read_paper(found.content)
    size = paper or preferences_of(person(request)).paper
    title = f"{PAPER_KINDS[content.kind]} {content.number}"
    return file_response(paper_pdf(content, size), title, ".pdf", "application/pdf", inline=True)
