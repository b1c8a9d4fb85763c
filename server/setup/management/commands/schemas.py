"""`manage.py schemas`: the two documents others build on: docs/openapi.json and docs/visit.schema.json."""

import json
from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import BaseCommand, CommandError

from api.main import api
from files.visit_schema import visit_schema


class Command(BaseCommand):
    """Write the documents, or with --check say which is out of date."""

    help = "Write docs/openapi.json and docs/visit.schema.json from the code."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Whether only to look."""
        parser.add_argument("--check", action="store_true", help="write nothing; fail where a document is out of date")

    def handle(self, *args: Any, **options: Any) -> None:
        """Write or compare each document."""
        documents = {"openapi.json": api.get_openapi_schema(path_prefix="/api/v1/"), "visit.schema.json": visit_schema()}
        for name, document in documents.items():
            file: Path = settings.ROOT / "docs" / name
            text = json.dumps(document, indent=1, ensure_ascii=False, default=str) + "\n"
            if not options["check"]:
                file.write_text(text)
            elif not file.is_file() or file.read_text() != text:
                raise CommandError(f"docs/{name} is out of date: run ./manage schemas, then npm run types in web/")
