"""Work beside the requests: put by in the database with what asked for it, done by a worker, and done again where a worker died."""

from background.queue import later, worker_seen_at

__all__ = ["later", "worker_seen_at"]
