"""Printer profiles over HTTP."""

from typing import Any

from django.db import IntegrityError, transaction
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Body, Router, Schema, Status

from weald.core.errors import SpecError
from weald.core.job.entries import lengths_of
from weald.core.job.printing import Printer
from weald.core.job.spec import read_spec
from weald.core.job.upgrades import JOB
from weald.core.notation import Notation
from weald.web.api.people import notation_of, workshop_of
from weald.web.api.schemas import Problem
from weald.web.api.typed import PrinterInput
from weald.web.printing.models import PrinterProfile

router = Router(tags=["printers"])


class PrinterReply(Schema):
    """A printer the workshop has, and its lengths as they stand in their fields."""

    id: int
    printer: Printer
    inputs: dict[str, str]


def _reply(profile: PrinterProfile, notation: Notation) -> PrinterReply:
    printer = profile.printer
    inputs = {path: notation.editable(length) for path, length in lengths_of(printer)}
    return PrinterReply(id=profile.pk, printer=printer, inputs=inputs)


def printer_of(request: HttpRequest, printer_id: int) -> Printer:
    """A printer of the workshop that is asking.

    :raises django.http.Http404: when there is none.
    """
    profile = get_object_or_404(PrinterProfile, pk=printer_id, workshop=workshop_of(request))
    return profile.printer


def _read(request: HttpRequest, data: dict[str, Any]) -> Printer:
    """A profile as typed, with lengths in any unit.

    :raises SpecError: naming what is wrong.
    """
    try:
        printer = read_spec({"printing": {"printer": data}}, notation_of(request)).printing.printer
    except SpecError as error:
        fields = {path.removeprefix("printing.printer."): text for path, text in error.fields.items()}
        raise SpecError(fields) from None
    if not printer.name.strip():
        raise SpecError({"name": "Give the printer a name."})
    return printer


def _keep(profile: PrinterProfile, printer: Printer, notation: Notation) -> PrinterReply:
    profile.name, profile.spec = printer.name, printer.model_dump(mode="json")
    profile.version = JOB.version
    try:
        with transaction.atomic():
            profile.save()
    except IntegrityError:
        raise SpecError({"name": f"There is a printer “{printer.name}” already."}) from None
    return _reply(profile, notation)


@router.get("/printers", response=list[PrinterReply], operation_id="listPrinters")
def list_printers(request: HttpRequest) -> list[PrinterReply]:
    """The printers of the workshop."""
    profiles = PrinterProfile.objects.filter(workshop=workshop_of(request)).order_by("name")
    return [_reply(profile, notation_of(request)) for profile in profiles]


@router.post("/printers", response={201: PrinterReply, 422: Problem}, operation_id="addPrinter")
def add_printer(request: HttpRequest, printer: PrinterInput = Body(...)) -> Status:
    """Add a printer."""
    profile = PrinterProfile(workshop=workshop_of(request))
    return Status(201, _keep(profile, _read(request, printer), notation_of(request)))


@router.put(
    "/printers/{int:printer_id}",
    response={200: PrinterReply, 404: Problem, 422: Problem},
    operation_id="changePrinter",
)
def change_printer(request: HttpRequest, printer_id: int, printer: PrinterInput = Body(...)) -> PrinterReply:
    """Change a printer; jobs keep the profile they were planned with until they take it anew."""
    profile = get_object_or_404(PrinterProfile, pk=printer_id, workshop=workshop_of(request))
    return _keep(profile, _read(request, printer), notation_of(request))


@router.delete("/printers/{int:printer_id}", response={204: None, 404: Problem}, operation_id="removePrinter")
def remove_printer(request: HttpRequest, printer_id: int) -> Status:
    """Remove a printer."""
    get_object_or_404(PrinterProfile, pk=printer_id, workshop=workshop_of(request)).delete()
    return Status(204, None)
