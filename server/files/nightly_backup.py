"""A backup every night by the worker, in the folder that the installation names; the newest are kept."""

from datetime import UTC, datetime
from pathlib import Path

from django.conf import settings
from django.utils import timezone
from procrastinate import RetryStrategy
from procrastinate.contrib.django import app

from files.backup import write_backup

AGAIN = RetryStrategy(max_attempts=6, wait=600)


def backups() -> list[Path]:
    """The nights' backups that are there, newest first."""
    return sorted(settings.BACKUPS.glob("outer-test-????-??-??.tar"), reverse=True) if settings.BACKUPS else []


@app.periodic(cron="29 2 * * *")
@app.task(name="back_up", queueing_lock="back_up", lock="back_up", retry=AGAIN)
def back_up(timestamp: int) -> None:
    """Write this night's backup and delete what is older than those to keep. Done twice, as after a killed worker, it is done once;
    where it fails it is tried again for an hour, and the reason is in the log. Raises BackupTrouble."""
    if not settings.BACKUPS:
        return
    tonight = settings.BACKUPS / f"outer-test-{datetime.fromtimestamp(timestamp, UTC):%Y-%m-%d}.tar"
    if not tonight.exists():
        write_backup(tonight, timezone.now())
    for old in backups()[settings.BACKUPS_KEPT :]:
        old.unlink()
