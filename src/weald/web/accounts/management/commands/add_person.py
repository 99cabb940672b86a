import getpass
import os
from argparse import ArgumentParser

from django.core.exceptions import ValidationError
from django.core.management.base import BaseCommand, CommandError
from django.db import IntegrityError

from weald.web.accounts.services import add_person


class Command(BaseCommand):
    """./weald add-person NAME --workshop "NAME OF THE WORKSHOP"."""

    help = "Add a person to a workshop; the workshop is opened if it is new."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("name")
        parser.add_argument("--workshop", required=True)

    def handle(self, *args: object, **options: str) -> None:
        password = os.environ.get("WEALD_PASSWORD") or getpass.getpass("Password: ")
        try:
            add_person(options["name"], password, options["workshop"])
        except ValidationError as error:
            raise CommandError(" ".join(error.messages)) from error
        except IntegrityError as error:
            raise CommandError(f"There is a person called {options['name']} already.") from error
        self.stdout.write(f"{options['name']} can sign in to {options['workshop']}.")
