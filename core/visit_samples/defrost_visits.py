"""Visits with a watched defrost, for tests: every precondition proved unless a test says otherwise."""

from outer_test.assessment import assess
from outer_test.judgement import Verdict
from outer_test.nameplate import AuxHeat, Compressor, Defrost, Plate
from outer_test.rules.defrost import QUESTIONS
from outer_test.visit import DefrostEvent, Reading, Visit

SWITCHED = Defrost(control="time-temperature", minutes=60, closes_f=30, opens_f=55, limit_min=10)
DEMAND = Defrost(control="demand", limit_min=10)
AUX = AuxHeat(kind="electric")
PROVED = {"defrost.call": "yes", "defrost.pins": "right"}


def plain(verdict: Verdict | None) -> str:
    """A verdict's word; empty where its rule does not apply."""
    return "" if verdict is None else verdict.value


def plate(defrost: Defrost, **more: object) -> Plate:
    """A plate with this defrost control, aux heat and an O valve."""
    return Plate(defrost=defrost, **({"aux_heat": AUX, "valve": "O", "compressor": Compressor(rla=15)} | more))  # type: ignore[arg-type]


def answers(happened: tuple[DefrostEvent, ...]) -> dict[str, str]:
    """What an honest person answers of what did not happen; of what happened and was not stamped, nothing: it was not looked at."""
    seen = {one.event for one in happened}
    return {event: "no" for event in QUESTIONS if event not in seen}


def visit(defrost: Defrost, events: tuple[DefrostEvent, ...], watched: float, **more: object) -> Visit:
    """A visit whose preconditions are all proved."""
    readings = (Reading("control.r_c.v", "26.0"), *((Reading("defrost.switch.ohm", "closed"),) if defrost.control != "demand" else ()))
    base: dict[str, object] = {
        "plate": plate(defrost),
        "defrost_run": events,
        "defrost_watched_s": watched,
        "defrost_seen": answers(events),
        "seen": PROVED,
        "readings": readings,
    }
    return Visit(**(base | more))  # type: ignore[arg-type]


def lanes(of: Visit) -> dict[str, str]:
    """The verdict of each lane of a visit's watched defrost."""
    return {
        finding.point.removeprefix("defrost.run."): plain(finding.verdict)
        for finding in assess(of).findings
        if finding.point.startswith("defrost.run.")
    }
