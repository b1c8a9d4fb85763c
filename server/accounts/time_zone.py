"""The zone a company's days and its paper go by."""

from zoneinfo import ZoneInfo, available_timezones

from django.utils import timezone

from accounts.models import Company
from outer_test.measurement import FieldProblem


def zone_of(company: Company) -> ZoneInfo:
    """The company's own zone, or the server's where it has named none."""
    return ZoneInfo(company.time_zone) if company.time_zone else ZoneInfo(timezone.get_default_timezone_name())


def set_zone(company: Company, name: str) -> None:
    """Keep the zone's name; empty is the server's. Raises FieldProblem."""
    if name and name not in available_timezones():
        raise FieldProblem("time_zone", "This is no time zone. Choose one from the list, such as America/Denver.")
    company.time_zone = name
    company.save(update_fields=["time_zone"])
