"""`manage.py add_company`: the first company and its lead, asked for on the terminal."""

import getpass
from argparse import ArgumentParser
from typing import Any

from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.core.management import BaseCommand, CommandError
from django.db import transaction

from accounts.models import Company, Member


class Command(BaseCommand):
    """Make a company and its lead."""

    help = "Make a company and its lead; the password is asked for."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Names."""
        parser.add_argument("name", help="the company's name")
        parser.add_argument("username", help="the lead's sign-in name")
        parser.add_argument("--role", choices=[role.value for role in Member.Role], default="lead")

    def handle(self, *args: Any, **options: Any) -> None:
        """Ask for the password and make both."""
        if Member.objects.filter(username__iexact=options["username"]).exists():
            raise CommandError(f"{options['username']} already signs in here")
        password = getpass.getpass("Password: ")
        try:
            validate_password(password)
        except ValidationError as problem:
            raise CommandError(" ".join(problem.messages)) from None
        with transaction.atomic():
            company, _ = Company.objects.get_or_create(name=options["name"])
            Member.objects.create_user(options["username"], password=password, company=company, role=options["role"])
        self.stdout.write(f"{options['username']} signs in for {company}.")
