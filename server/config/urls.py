"""The API under /api/v1/, what watches over the process, and the one page for everything else."""

from django.urls import path, re_path

from api.main import api
from config.health import alive, ready
from config.metrics import metrics
from config.page import page
from config.shared_page import shared_page

handler404 = "config.page.not_found"
handler500 = "config.page.failed"
urlpatterns = [
    path("api/v1/", api.urls),
    path("healthz", alive),
    path("readyz", ready),
    path("metrics", metrics),
    path("shared/<str:token>", shared_page),
    re_path(r"^(?!api/|static/|assets/).*$", page),
]
