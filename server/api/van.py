"""A technician's own van: the capacitors on it, counted by hand and counted down by repairs."""

from dataclasses import dataclass

from ninja import Body, Router

from accounts.versions import version_of
from api.problems import Problem
from api.signed_in import Asking
from outer_test.visit import StockPart
from visits.van import stock_van, subject_of, van_of

router = Router(tags=["van"])


@dataclass(frozen=True, slots=True)
class VanShown:
    """What is on the asker's van, and its version."""

    parts: tuple[StockPart, ...]
    version: int


@dataclass(frozen=True, slots=True)
class NewVan:
    """What the asker counted, made from this version."""

    parts: tuple[StockPart, ...]
    version: int


def _shown(request: Asking) -> VanShown:
    return VanShown(van_of(request.auth), version_of(request.auth.company, subject_of(request.auth)))


@router.get("", response={200: VanShown, 401: Problem})
def van(request: Asking) -> VanShown:
    """What is on the asker's van."""
    return _shown(request)


@router.put("", response={200: VanShown, 401: Problem, 403: Problem, 409: Problem, 422: Problem})
def count_van(request: Asking, body: Body[NewVan]) -> VanShown:
    """Keep what the asker counted on their van."""
    stock_van(request.auth, body.parts, body.version)
    return _shown(request)
