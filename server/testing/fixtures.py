"""A made-up company for a test: a technician, a unit, a visit; and a client that signs in and sends CSRF along."""

import json
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from uuid import uuid4

from django.contrib.auth.hashers import make_password
from django.test import Client, SimpleTestCase, override_settings
from django.utils import timezone

from accounts.models import Company, Member
from fleet.models import Site, Unit
from ledger.models import EventRow
from ledger.writer import Writer, own_writer
from outer_test.ledger import Kind
from visits.models import Visit

PASSWORD = "a long enough one"
PLATE: dict[str, Any] = {"run_capacitor": {"herm_uf": 40, "fan_uf": 5, "vac": 440, "tolerance_pct": 6}}


@cache
def _hashed() -> str:
    return make_password(PASSWORD)


class Fixture:
    """One company with one open visit."""

    def __init__(self, name: str = "First", plate: dict[str, Any] | None = None, **company: Any) -> None:
        self.company = Company.objects.create(name=name, **company)
        self.member, self.lead = (
            Member.objects.create(username=f"{name.lower()}-{what}", password=_hashed(), company=self.company, role=role)
            for what, role in (("tech", "technician"), ("lead", "lead"))
        )
        self.site = Site.objects.of(self.company).create(company=self.company, name=f"{name} Street 1", address="somewhere")
        self.unit = Unit.objects.of(self.company).create(
            company=self.company, site=self.site, label="pad", serial="S-1", plate=PLATE if plate is None else plate
        )
        self.visit = Visit.objects.of(self.company).create(
            company=self.company, unit=self.unit, technician=self.member, scheduled_for=timezone.now(), complaint="maintenance"
        )

    def client(self, member: Member | None = None) -> "Caller":
        """A signed-in caller."""
        caller = Caller()
        caller.force_login(member or self.member, backend="accounts.backend.MemberBackend")
        return caller


class Caller(Client):
    """Django's test client, speaking JSON."""

    def send(self, method: str, path: str, body: Any = None, **more: Any) -> Any:
        """Send a body as JSON and give back the response."""
        said = b"" if body is None else json.dumps(body)
        return self.generic(method, f"/api/v1{path}", said, content_type="application/json", **more)

    def read(self, visit: Visit, point: str, typed: str, **more: Any) -> Any:
        """Write one reading; gives back the response."""
        return self.do(f"/visits/{visit.id}", "reading", {"point": point, "typed": typed} | more)

    def do(self, path: str, kind: str, body: dict[str, Any], **more: Any) -> "Did":
        """Send one entry on a visit, as a device does, and look at the visit: what was refused, or the round as it then is."""
        entry = {name: body[name] for name in ("id", "at", "seq", "after") if name in body}
        act = {"kind": kind} | {name: value for name, value in body.items() if name not in entry}
        visit = path.rsplit("/", 1)[-1]
        sent = self.send("POST", "/sync", {"entries": [{"id": fresh(), "visit": visit, "act": act} | entry]}, **more)
        if sent.status_code != 200:
            return Did(sent.status_code, sent.json())
        answered = sent.json()["acknowledged"][0]
        if answered["state"] == "refused":
            gone = {one["field"] for one in answered["wrong"]} & {"visit", "unit"}
            return Did(404 if gone else 422, {"errors": answered["wrong"]})
        if kind == "unit":
            return Did(200, {"id": visit})
        return Did(200, self.send("GET", path).json()["round"] | {"acknowledged": answered})


@dataclass(frozen=True)
class Did:
    """What came of an entry: 200 with the round, 422 or 404 with what was wrong."""

    status_code: int
    body: dict[str, Any]

    def json(self) -> dict[str, Any]:
        """The round, or `errors`."""
        return self.body


def device(fixture: Fixture, member: Member | None = None, name: str = "phone") -> Writer:
    """A writer at a device of their own."""
    return own_writer(member or fixture.member, name)


def events(company: Company, *kinds: Kind) -> list[EventRow]:
    """What is in a company's ledger of these kinds, in the order it was written."""
    return list(EventRow.objects.of(company).filter(kind__in=[kind.value for kind in kinds]).order_by("place"))


def own_files(test: SimpleTestCase) -> Path:
    """A folder of the test's own, where what it uploads is kept; gone with it."""
    folder = Path(test.enterContext(TemporaryDirectory()))
    test.enterContext(override_settings(MEDIA_ROOT=folder))
    return folder


def fresh() -> str:
    """A new UUID as text."""
    return str(uuid4())


def finding(round_: dict[str, Any], point: str) -> dict[str, Any]:
    """The finding at a point of a round."""
    found: dict[str, Any] = next(one for one in round_["assessment"]["findings"] if one["point"] == point)
    return found
