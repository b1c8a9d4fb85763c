"""The API: one router a subject, one way to answer problems, its documentation served by itself."""

from ninja import NinjaAPI

from api import session, units, visits
from api.parser import KeepableParser
from api.problems import register
from api.signed_in import SignedIn

api = NinjaAPI(
    title="Outer Test",
    version="1",
    description="Readings at a heat pump's outdoor unit, judged. Sign in at /api/session first.",
    auth=SignedIn(),
    parser=KeepableParser(),
    urls_namespace="api",
)
api.add_router("/session", session.router)
api.add_router("", visits.router)
api.add_router("/units", units.router)
register(api)
