"""Whether this process is alive, and whether it can do its work: for whoever watches over it, and the proxy before it."""

import os
import shutil
from collections.abc import Callable

from django.conf import settings
from django.db import DEFAULT_DB_ALIAS, DatabaseError, connection, connections
from django.db.migrations.executor import MigrationExecutor
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.http import require_safe

from background import worker_seen_at

LEAST_FREE_BYTES = 200_000_000


@require_safe
def alive(request: HttpRequest) -> HttpResponse:
    """200 as long as this process answers at all."""
    return HttpResponse("alive\n", content_type="text/plain")


@require_safe
def ready(request: HttpRequest) -> HttpResponse:
    """200 where everything stands that a visit needs, else 503; either way each thing by name, with no detail that helps a stranger."""
    told = {name: _holds(check) for name, check in _CHECKS.items()}
    return JsonResponse(told, status=200 if all(told.values()) else 503)


def _holds(check: Callable[[], bool]) -> bool:
    try:
        return check()
    except (DatabaseError, OSError):
        return False


def _database() -> bool:
    with connection.cursor() as cursor:
        cursor.execute("SELECT 1")
        return bool(cursor.fetchone())


def _migrations() -> bool:
    executor = MigrationExecutor(connections[DEFAULT_DB_ALIAS])
    return not executor.migration_plan(executor.loader.graph.leaf_nodes())


def _worker() -> bool:
    return worker_seen_at() is not None


def _disk() -> bool:
    os.makedirs(settings.MEDIA_ROOT, exist_ok=True)
    return shutil.disk_usage(settings.MEDIA_ROOT).free >= LEAST_FREE_BYTES


_CHECKS = {"database": _database, "migrations": _migrations, "worker": _worker, "disk": _disk}
