"""What the worker does by the clock: take up again what a killed worker left, and forget what is long done."""

from django.conf import settings
from procrastinate import JobContext
from procrastinate.contrib.django import app

KEEP_DONE_H = 24 * 7


@app.periodic(cron="* * * * * */10")
@app.task(name="take_up_again", queueing_lock="take_up_again", pass_context=True)
async def take_up_again(context: JobContext, timestamp: int) -> None:
    """Put back in the queue what was begun by a worker that does not answer any more. Every task bears being done twice."""
    for job in await app.job_manager.get_stalled_jobs(seconds_since_heartbeat=settings.WORKER_SILENT_S):
        await app.job_manager.retry_job(job)


@app.periodic(cron="17 3 * * *")
@app.task(name="forget_done", queueing_lock="forget_done", pass_context=True)
async def forget_done(context: JobContext, timestamp: int) -> None:
    """Delete work that ended a week ago, however it ended."""
    await app.job_manager.delete_old_jobs(KEEP_DONE_H, include_failed=True, include_cancelled=True, include_aborted=True)
