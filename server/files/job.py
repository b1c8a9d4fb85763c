"""What a file's long way in or out says of itself: how far it is, that somebody is at it, that it is to stop; and its file let go."""

from datetime import timedelta
from typing import Any

from django.conf import settings
from django.db import connection, connections
from django.utils import timezone
from procrastinate import RetryStrategy

from visits.models import FileJob, ImportJob

SILENT = timedelta(seconds=120)
# Where it fails before its state can be written (the database away, a worker of the version before), it is begun again.
AGAIN = RetryStrategy(max_attempts=5, wait=5)

Job = FileJob | ImportJob


class Stopped(Exception):
    """The person asked to stop."""


def set_job(job: Job, **fields: Any) -> None:
    """Change a job's fields, and that somebody is at it."""
    for name, value in fields.items():
        setattr(job, name, value)
    job.beat = timezone.now()
    job.save(update_fields=[*fields, "beat"])


def beat(job: Job, done: int, total: int | None = None) -> None:
    """Say how far it is, beside the transaction the work is in, and hear whether to stop. Raises Stopped."""
    own = connection if settings.WORK_AT_ONCE else connections.create_connection("default")
    table = own.ops.quote_name(job._meta.db_table)
    try:
        with own.cursor() as cursor:
            cursor.execute(
                f"UPDATE {table} SET done = %s, total = coalesce(%s, total), beat = now() WHERE id = %s RETURNING cancel",
                [done, total, job.pk],
            )
            if cursor.fetchone()[0]:
                raise Stopped
    finally:
        if own is not connection:
            own.close()


def stop_job(job: Job, stopped: str, *at_it: str) -> None:
    """Stop it. Whoever works on it, in one of the states `at_it`, hears of it; where nobody does, it is `stopped` here."""
    at_work = job.state in at_it and timezone.now() - job.beat < SILENT
    rows = type(job)._base_manager.filter(company=job.company, pk=job.pk)
    rows.update(cancel=True, **({} if at_work else {"state": stopped}))


def let_go(job: Job) -> None:
    """The file goes once it was used, or is not wanted; what became of it stays."""
    if job.file:
        job.file.delete(save=False)
        type(job)._base_manager.filter(pk=job.pk).update(file="")
