"""Handing work to the worker (procrastinate, on PostgreSQL): it is put by in the same transaction as what asks for it."""

from datetime import datetime
from typing import Any

from django.conf import settings
from django.db import connection, transaction
from procrastinate.exceptions import AlreadyEnqueued
from procrastinate.tasks import Task

FRESH = "30 seconds"


def later(task: "Task[Any, Any, Any]", once: str, **about: Any) -> None:
    """Have a worker do this soon; at once and here where the settings say so. once: its name, by which it waits only once at a time."""
    if settings.WORK_AT_ONCE:
        task(**about)
        return
    try:
        with transaction.atomic():
            task.configure(queueing_lock=once, lock=once).defer(**about)
    except AlreadyEnqueued:
        return  # it waits already, and will see what stands then


def worker_seen_at() -> datetime | None:
    """When a worker last said that it is there; None where none did of late."""
    with connection.cursor() as cursor:
        cursor.execute("SELECT max(last_heartbeat) FROM procrastinate_workers WHERE last_heartbeat > now() - %s::interval", [FRESH])
        seen: datetime | None = cursor.fetchone()[0]
        return seen


def jobs_waiting() -> int:
    """How many pieces of work wait."""
    with connection.cursor() as cursor:
        cursor.execute("SELECT count(*) FROM procrastinate_jobs WHERE status = 'todo'")
        return int(cursor.fetchone()[0])


def oldest_waiting_s() -> float:
    """For how many seconds the oldest piece of work has waited; 0 where none does."""
    with connection.cursor() as cursor:
        cursor.execute(
            """SELECT coalesce(extract(epoch FROM now() - min(e.at)), 0) FROM procrastinate_jobs j
               JOIN procrastinate_events e ON e.job_id = j.id AND e.type = 'deferred'
               WHERE j.status = 'todo' AND j.scheduled_at IS NULL"""
        )
        return float(cursor.fetchone()[0])
