"""`manage.py prepare`: what must be true before serving: migrated, static files in place, the demo loaded once."""

from argparse import ArgumentParser
from typing import Any

from django.core.management import BaseCommand, call_command
from django.db import connection

from ledger.roles import grant_to_serving
from setup.demo import demo_is_loaded, load_demo, remove_demo
from visits.keep import fill_in_old

_OF_PREPARING = 70_911_402  # the lock's own number in the database


class Command(BaseCommand):
    """Prepare the database and the static files."""

    help = "Migrate, gather static files, and load the demo once."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Which of the demo's steps to take."""
        parser.add_argument("--demo", action="store_true", help="load the demo company unless it is there")
        parser.add_argument("--reset", action="store_true", help="put the demo company back as it was at first")

    def handle(self, *args: Any, **options: Any) -> None:
        """Do it, one such command after the other: two servers may start at once."""
        with connection.cursor() as cursor:
            cursor.execute("SELECT pg_advisory_lock(%s)", [_OF_PREPARING])
            try:
                self._prepare(options)
            finally:
                cursor.execute("SELECT pg_advisory_unlock(%s)", [_OF_PREPARING])

    def _prepare(self, options: dict[str, Any]) -> None:
        call_command("migrate", verbosity=0, interactive=False)
        fill_in_old()
        grant_to_serving()
        call_command("collectstatic", verbosity=0, interactive=False)
        if options["reset"]:
            remove_demo()
        if options["demo"] and not demo_is_loaded():
            load_demo(fleet=True)
