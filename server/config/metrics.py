"""Numbers for Prometheus: requests, how long they took, the work that waits. Off unless the installation names a token for it."""

import os
import secrets

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.views.decorators.http import require_safe
from prometheus_client import CONTENT_TYPE_LATEST, REGISTRY, CollectorRegistry, Counter, Gauge, Histogram, generate_latest
from prometheus_client.multiprocess import MultiProcessCollector

from background import jobs_waiting, oldest_waiting_s
from files.nightly_backup import backups

REQUESTS = Counter("outer_test_requests", "Requests answered.", ["method", "route", "status"])
SECONDS = Histogram("outer_test_request_seconds", "How long an answer took.", ["route"], buckets=(0.01, 0.03, 0.1, 0.3, 1, 3, 10, 30))


def count_request(method: str, route: str, status: int, took_s: float) -> None:
    """Count one answer."""
    REQUESTS.labels(method, route, str(status)).inc()
    SECONDS.labels(route).observe(took_s)


@require_safe
def metrics(request: HttpRequest) -> HttpResponse:
    """The numbers of all of this installation's processes, for whoever has the token; 404 for everybody else."""
    said = request.headers.get("Authorization", "").removeprefix("Bearer ")
    if not settings.METRICS_TOKEN or not secrets.compare_digest(said, settings.METRICS_TOKEN):
        return HttpResponse(status=404)
    registry = REGISTRY
    if "PROMETHEUS_MULTIPROC_DIR" in os.environ:
        registry = CollectorRegistry()
        MultiProcessCollector(registry)  # type: ignore[no-untyped-call]
    waits = CollectorRegistry()
    Gauge("outer_test_queue_jobs", "Pieces of work that wait.", registry=waits).set(jobs_waiting())
    Gauge("outer_test_queue_age_seconds", "For how long the oldest of them has waited.", registry=waits).set(oldest_waiting_s())
    if newest := backups()[:1]:
        Gauge("outer_test_backup_timestamp_seconds", "When the newest nightly backup was written.", registry=waits).set(
            newest[0].stat().st_mtime
        )
    return HttpResponse(generate_latest(registry) + generate_latest(waits), content_type=CONTENT_TYPE_LATEST)
