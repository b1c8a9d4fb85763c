"""Every endpoint against its own document, with cases that Schemathesis makes: no failure, no answer or kind of answer undocumented."""

import os
from typing import Any

import schemathesis
from django.test import LiveServerTestCase, tag
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from schemathesis.checks import not_a_server_error
from schemathesis.generation import GenerationMode
from schemathesis.specs.openapi.checks import content_type_conformance, status_code_conformance

from api.main import api
from testing.fixtures import Fixture, own_files

CHECKS = (not_a_server_error, status_code_conformance, content_type_conformance)
FEW, MANY = 500, 10_000
# Ending the session would leave the rest a stranger's; passwords are tried but a few times.
LEFT_OUT = {("delete", "/api/v1/session"), ("post", "/api/v1/session"), ("post", "/api/v1/session/password")}


class Documented(LiveServerTestCase):
    def setUp(self) -> None:
        own_files(self)
        self.mine = Fixture("Documented")
        caller = self.mine.client(self.mine.lead)
        self.headers = {"Cookie": f"sessionid={caller.cookies['sessionid'].value}; csrftoken={'t' * 32}", "X-CSRFToken": "t" * 32}
        document = api.get_openapi_schema(path_prefix="/api/v1/")
        self.schema = schemathesis.openapi.from_dict(_plain(document))
        self.ids = {
            "visit_id": str(self.mine.visit.id),
            "unit_id": str(self.mine.unit.id),
            "member_id": str(self.mine.member.pk),
            "tag": self.mine.unit.tag,
        }

    def holds(self, cases: int) -> None:
        """So many cases in all, alike for every endpoint; where an id stands in the path, half of them name what is there."""
        operations: list[Any] = [one.ok() for one in self.schema.get_all_operations()]  # type: ignore[union-attr]
        operations = [one for one in operations if (one.method.lower(), one.path) not in LEFT_OUT]
        for operation in operations:
            each = max(cases // len(operations), 1)
            made = st.one_of(*(operation.as_strategy(generation_mode=mode) for mode in (GenerationMode.POSITIVE, GenerationMode.NEGATIVE)))

            @settings(
                max_examples=each,
                deadline=None,
                database=None,
                derandomize=True,
                phases=[Phase.generate],
                suppress_health_check=list(HealthCheck),
            )
            @given(case=made, there=st.booleans())
            def tried(case: Any, there: bool) -> None:
                if there:
                    for name in self.ids.keys() & set(case.path_parameters or {}):
                        case.path_parameters[name] = self.ids[name]
                case.call_and_validate(base_url=self.live_server_url, headers=self.headers, checks=CHECKS)

            with self.subTest(method=operation.method, path=operation.path):
                tried()

    def test_a_few_of_every_endpoint(self) -> None:
        self.holds(FEW)

    @tag("long")
    def test_many_of_every_endpoint(self) -> None:
        self.holds(int(os.environ.get("CASES", MANY)))


def _plain(value: Any) -> Any:
    """A document as JSON has it: keys are text."""
    if isinstance(value, dict):
        return {str(key): _plain(one) for key, one in value.items()}
    return [_plain(one) for one in value] if isinstance(value, list | tuple) else value
