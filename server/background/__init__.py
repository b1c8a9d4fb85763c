"""Work beside the requests: put by in the database with what asked for it, done by a worker, and done again where a worker died."""

from background.queue import jobs_waiting, later, oldest_waiting_s, worker_seen_at

__all__ = ["jobs_waiting", "later", "oldest_waiting_s", "worker_seen_at"]
