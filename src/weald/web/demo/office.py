"""The demo's terms, customers and papers."""

from decimal import Decimal

from django.contrib.auth.models import User

from weald.core.costs.terms import PersonRate, Tax, Terms
from weald.web.jobs.models import Job
from weald.web.office.models import Customer
from weald.web.office.services import agree, make_paper, save_terms

_TERMS = Terms(
    rate=Decimal(32),
    rates={"lettering": Decimal(40), "covering": Decimal(36)},
    people=(PersonRate(name="binder", rate=Decimal(34)),),
    margin=Decimal(12),
    taxes=(Tax(name="Sales tax", percent=Decimal(19)),),
    sender="Saltmarsh Bindery\nThe Old Sail Loft, Merrow Haven",
    quotation_words="Thank you for asking. For the binding described we would charge:",
    bill_words="Thank you for your trust in us. For the binding described:",
    foot="To be paid within fourteen days.",
)
_CUSTOMERS = (
    ("Harbour office of Merrow Haven", "Quay 1, Merrow Haven"),
    ("Choir of Ferry Lane", "Ferry Lane 12, Merrow Haven"),
)
_THINGS = [{"label": "Linen thread, 25/3", "count": "0.1", "price": "14.50"}]


def load(author: User) -> None:
    """Let the demo's books have customers, a price and a quotation."""
    workshop = author.membership.workshop
    save_terms(workshop, workshop.terms_version, author, _TERMS)
    harbour, choir = (
        Customer.objects.create(workshop=workshop, name=name, address=address) for name, address in _CUSTOMERS
    )
    jobs = {job.title: job for job in Job.objects.filter(workshop=workshop)}
    tables, hymns = jobs["Tide tables of Merrow Haven"], jobs["Hymn settings for the Ferry Lane choir"]
    matched = "Last year’s tables, to be matched in height and cloth."
    agreed = {"customer": harbour.pk, "agreed": Decimal(240), "brought_in": matched, "bought": _THINGS}
    agree(tables, 1, author, agreed)
    agree(hymns, 1, author, {"customer": choir.pk})
    line = {"words": f"Binding “{tables.title}”, flat-back case, edges coloured with tea", "price": "240"}
    make_paper(tables, author, "quotation", [line])
