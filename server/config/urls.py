"""The API under /api/v1/, what watches over the process, and the one page for everything else."""

from django.urls import path, re_path

from api.main import api
from config.health import alive, ready
from config.metrics import metrics
from config.page import page

handler404 = "config.page.not_found"
urlpatterns = [
    path("api/v1/", api.urls),
    path("healthz", alive),
    path("readyz", ready),
    path("metrics", metrics),
    re_path(r"^(?!api/|static/|assets/).*$", page),
]
