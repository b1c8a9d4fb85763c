"""`manage.py backup FILE`: everything in one file."""

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management import BaseCommand, CommandError
from django.utils import timezone

from files.backup import BackupTrouble, write_backup


class Command(BaseCommand):
    """Write a backup."""

    help = "Write the database, the photos and the files into one file."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Where to."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Do it."""
        try:
            write_backup(options["file"].absolute(), timezone.now())
        except BackupTrouble as trouble:
            raise CommandError(str(trouble)) from None
        self.stdout.write(f"Backed up into {options['file']}.")
