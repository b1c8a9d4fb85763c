"""The company's meters: what they are called, how accurate they are, when their calibration is due."""

from dataclasses import dataclass, field
from datetime import date
from typing import Any

from accounts.models import Company
from outer_test.measurement import Accuracy, FieldProblem
from outer_test.plain_data import YEARS, present, read_as
from outer_test.visit import MeterUnit

MOST = 60


@dataclass(frozen=True, slots=True)
class Instrument:
    """A meter: its accuracy by unit and range, the day its calibration is due, whether it is out of use."""

    name: str
    accuracy: dict[MeterUnit, tuple[Accuracy, ...]] = field(default_factory=dict)
    due: date | None = None
    retired: bool = False


def instruments(company: Company) -> tuple[Instrument, ...]:
    """The company's meters by name."""
    return tuple(
        Instrument(
            name,
            _accuracy(about["accuracy"]),
            date.fromisoformat(about["due"]) if about.get("due") else None,
            bool(about.get("retired")),
        )
        for name, about in sorted(company.meters.items())
    )


def _accuracy(about: dict[str, Any]) -> dict[MeterUnit, tuple[Accuracy, ...]]:
    return read_as(dict[MeterUnit, tuple[Accuracy, ...]], {unit: _ranges(one) for unit, one in about.items()})


def _ranges(accuracy: Any) -> list[Any]:
    return accuracy if isinstance(accuracy, list) else [accuracy]


def set_instruments(company: Company, meters: tuple[Instrument, ...]) -> None:
    """Keep this list. A meter that was there and is not named any more is retired: readings name it. Raises FieldProblem."""
    if len(meters) > MOST:
        raise FieldProblem("meters", f"Use at most {MOST} meters.")
    kept: dict[str, Any] = {name: about | {"retired": True} for name, about in company.meters.items()}
    names: set[str] = set()
    for place, one in enumerate(meters):
        name = one.name.strip()
        if not name or len(name) > 40:
            raise FieldProblem(f"meters.{place}.name", "Give it a name of up to 40 characters.")
        if name in names:
            raise FieldProblem(f"meters.{place}.name", "Two meters have this name.")
        if one.due is not None and one.due.year not in YEARS:
            raise FieldProblem(f"meters.{place}.due", "Use a day in the years 2000 to 2099.")
        names.add(name)
        kept[name] = {
            "accuracy": present(one.accuracy),
            "due": one.due.isoformat() if one.due is not None else None,
            "retired": one.retired,
        }
    company.meters = kept
    company.save(update_fields=["meters"])
