"""The round: which readings this unit asks for, station by station in working order, and how each is taken."""

from dataclasses import dataclass

from outer_test.capacitor_fitted import Section, section_rating
from outer_test.plan_steps import LOOK, NEW_PART, SAFE, SECTION, START, STATION_TITLE, Step
from outer_test.points import POINTS
from outer_test.stored_energy import stored_energy
from outer_test.unit_shape import capacitor_sections, discharge_points, has_start_capacitor
from outer_test.value import say
from outer_test.verdict import Verdict
from outer_test.visit import Visit


@dataclass(frozen=True, slots=True)
class Station:
    """A stop of the round: its steps in order."""

    name: str
    title: str
    steps: tuple[Step, ...]


def stations(visit: Visit, verdicts: dict[str, Verdict]) -> tuple[Station, ...]:
    """The stations for this unit. A section judged bad asks for its new part as well.

    verdicts: by point, from the assessment; empty to leave such follow-ups out.

    >>> [station.name for station in stations(Visit(), {})]
    ['plate', 'safe', 'look', 'capacitors']
    """
    return tuple(
        Station(name, title, steps)
        for (name, title), steps in zip(
            STATION_TITLE.items(), ((), _safe(visit), _look(visit), _capacitors(visit, verdicts)), strict=True
        )
    )


def _safe(visit: Visit) -> tuple[Step, ...]:
    pairs = set(discharge_points(visit))
    return tuple(step for step in SAFE if POINTS[step.point].unit != "vdc" or step.point in pairs)


def _look(visit: Visit) -> tuple[Step, ...]:
    by_switch = visit.plate.defrost.control == "time-temperature"
    return tuple(step for step in LOOK if not (by_switch and step.point == "look.sensor.seat"))


def _capacitors(visit: Visit, verdicts: dict[str, Verdict]) -> tuple[Step, ...]:
    steps: list[Step] = []
    new_parts: list[Step] = []
    for section in capacitor_sections(visit):
        steps.append(SECTION[section].told(caution=_charge(visit, section)))
        new = NEW_PART[section]
        if verdicts.get(f"cap.{section}.uf") is Verdict.BAD or any(r.point == new.point for r in visit.readings):
            new_parts.append(new)
    if has_start_capacitor(visit):
        steps.append(START)
    return (*steps, *new_parts)


def _charge(visit: Visit, section: Section) -> str:
    rating = section_rating(section, visit.plate, visit.fitted)
    asked = visit.plate.run_capacitor
    if rating is None or asked is None or asked.vac is None:
        return "It can hold a charge that throws your hand. Bleed it and prove it on d.c. volts first."
    held = stored_energy(rating.uf, asked.vac)
    most = f"{say(held.joules, 2)} J at {say(round(held.peak_v))} V"
    return f"Charged, this section holds up to {most}. Bleed it and prove it on d.c. volts first."
