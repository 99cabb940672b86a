from argparse import ArgumentParser
from typing import get_args

from django.contrib.auth.models import User
from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import transaction

from weald.web.accounts.services import add_person
from weald.web.api.schemas import Room
from weald.web.demo import bench, bindery, office, week


class Command(BaseCommand):
    """Brings the tables up to date and loads the demo bindery, once."""

    help = "Migrate, and load the demo bindery unless it is there already."
    # they would load the whole interface, which the servers look at when they begin
    requires_system_checks = ()

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("name")
        parser.add_argument("password")

    def handle(self, *args: object, **options: str) -> None:
        call_command("migrate", verbosity=0)
        self._load(options)

    @transaction.atomic
    def _load(self, options: dict[str, str]) -> None:
        if User.objects.filter(username=options["name"]).exists():
            return
        person = add_person(options["name"], options["password"], bindery.WORKSHOP, check=False)
        person.preferences.rooms = list(get_args(Room))
        person.preferences.save()
        bindery.load(person.membership.workshop, person)
        bench.load(person)
        week.load(person)
        office.load(person)
