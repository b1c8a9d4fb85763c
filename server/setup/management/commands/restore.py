"""`manage.py restore FILE`: put a backup back."""

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management import BaseCommand, CommandError, call_command
from django.db import connection

from accounts.models import Company
from files.backup import BackupTrouble, put_back
from ledger.roles import grant_to_serving
from visits.keep import fill_in_old


class Command(BaseCommand):
    """Put a backup back."""

    help = "Put a backup back, in place of what the database holds."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Where from, and whether over what is there."""
        parser.add_argument("file", type=Path)
        parser.add_argument("--replace", action="store_true", help="even where a company is there already: it is lost")

    def handle(self, *args: Any, **options: Any) -> None:
        """Do it, unless it would write over somebody's work unasked."""
        has_companies = Company._meta.db_table in connection.introspection.table_names() and Company.objects.exists()
        if has_companies and not options["replace"]:
            raise CommandError("a company is there already: say --replace to lose it")
        try:
            put_back(options["file"].absolute())
        except BackupTrouble as trouble:
            raise CommandError(str(trouble)) from None
        call_command("migrate", verbosity=0, interactive=False)  # a backup of an older version is brought up to this one
        fill_in_old()
        grant_to_serving()
        self.stdout.write(f"Put back from {options['file']}.")
