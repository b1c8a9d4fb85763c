"""The API: one router a subject, one way to answer problems, its documentation served by itself."""

from typing import Any

from ninja import NinjaAPI
from ninja.errors import ValidationError

from api import advice, company, files, fleet, held, imports, licences, people, practice, rules, session, sheet, sync, units, van, visits
from api.documented import with_problems
from api.parser import KeepableParser
from api.problems import register
from api.signed_in import SignedIn


class FieldNamingAPI(NinjaAPI):
    """Documents every answer; keeps the core's own word on which field is wrong; the base class would turn it into a sentence."""

    def get_openapi_schema(self, *args: Any, **kwargs: Any) -> Any:
        """The document, with every problem that can be answered."""
        return with_problems(super().get_openapi_schema(*args, **kwargs))

    def validation_error_from_error_contexts(self, error_contexts: list[Any]) -> ValidationError:
        """The errors as pydantic gave them, the core's exceptions included."""
        return ValidationError(
            [dict(error) for context in error_contexts for error in context.pydantic_validation_error.errors(include_url=False)]
        )


api = FieldNamingAPI(
    title="Outer Test",
    version="1",
    description="Readings at a heat pump's outdoor unit, judged. Sign in at /api/session first.",
    auth=SignedIn(),
    parser=KeepableParser(),
    urls_namespace="api",
)
api.add_router("/session", session.router)
api.add_router("", visits.router)
api.add_router("", sync.router)
api.add_router("/visits", sheet.router)
api.add_router("/units", units.router)
api.add_router("/company", company.router)
api.add_router("/van", van.router)
api.add_router("/fleet", fleet.router)
api.add_router("/files", files.router)
api.add_router("/imports", imports.router)
api.add_router("/held", held.router)
api.add_router("/people", people.router)
api.add_router("/invitation", people.coming_in)
api.add_router("/advice", advice.router)
api.add_router("/practice", practice.router)
api.add_router("/rules", rules.router)
api.add_router("/licences", licences.router)
register(api)
