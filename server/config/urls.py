"""The API under /api/v1/, and the one page for everything else."""

from django.urls import path, re_path

from api.main import api
from config.page import page

urlpatterns = [
    path("api/v1/", api.urls),
    re_path(r"^(?!api/|static/|assets/).*$", page),
]
