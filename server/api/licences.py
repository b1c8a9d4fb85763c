"""What ships with the app, and under which licence."""

from ninja import Router

from api.problems import Problem
from api.signed_in import Asking
from files.licences import Licence, licences

router = Router(tags=["licences"])


@router.get("", response={200: list[Licence], 401: Problem})
def python_packages(request: Asking) -> list[Licence]:
    """The Python packages the server runs on. Those of the pages are in `/licences.json`."""
    return licences()
