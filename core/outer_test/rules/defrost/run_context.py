"""What bears on judging a watched defrost, and how a lane of it is judged."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from outer_test.judgement import Finding, Rule, Verdict, judged, unjudged
from outer_test.visit import RunEvent

SEQUENCE = Rule("sequence", "One defrost against its board", "common practice, no source", "T")

QUESTIONS: dict[RunEvent, str] = {
    "valve-shift": "Did the valve shift?",
    "fan-off": "Did the outdoor fan stop?",
    "aux-on": "Did the aux heat come on?",
    "ended": "Did it end?",
    "fan-on": "Did the fan come back on?",
    "valve-back": "Did the valve go back?",
    "aux-off": "Did W go off again?",
}


@dataclass(frozen=True, slots=True)
class System:
    """The kind of system the unit is part of, where that changes what a defrost should do.

    inverter: its compressor slows or stops first, and many boards call no aux heat. dual_fuel: W runs a furnace, and the heat pump
    may stop. w_through: what stands in W between board and heaters, in words. low_stage: it was seen in low stage in this run.
    """

    inverter: bool = False
    dual_fuel: bool = False
    w_through: str = ""
    low_stage: bool = False


@dataclass(frozen=True, slots=True)
class RunContext:
    """What bears on judging a run; None where nobody noted it.

    aux_fitted: None where the record does not say. jumpered: the switch was, while it ran. test_jumper: it was left on.
    lifted_lanes: the lanes whose wire is off. watched_s: s after it was forced. answers: what was said of events not stamped.
    dead: the unit was dead as it was forced. since_power_up_s: s from the last power-up to the force. locked_out: by its lights.
    by_time: what could make this unit end by time, as far as other readings leave it open. timed_out_before: how many ended by
    time in a row before this run. gave_up: those are as many as this board allows.
    """

    aux_fitted: bool | None = None
    jumpered: bool = False
    test_jumper: bool = False
    lifted_lanes: frozenset[str] = frozenset()
    watched_s: float = 0.0
    answers: Mapping[str, str] = field(default_factory=dict)
    dead: bool = False
    since_power_up_s: float | None = None
    locked_out: bool = False
    iced: bool = False
    heating_call: bool | None = None
    right_pins: bool | None = None
    switch_closed: bool | None = None
    control_volts: bool | None = None
    call_at_board: bool | None = None
    sensors_read: bool | None = None
    valve_fed: bool | None = None
    valve_coil_sound: bool | None = None
    compressor_runs: bool | None = None
    aux_volts: bool | None = None
    by_time: tuple[str, ...] = ()
    timed_out_before: int = 0
    gave_up: bool = False
    system: System = System()


def lane(name: str, verdict: Verdict, why: str, step: str = "", needs: tuple[str, ...] = (), causes: tuple[str, ...] = ()) -> Finding:
    """A finding of one lane of the run; `step` is what to do next.

    >>> lane("fan", Verdict.GOOD, "The outdoor fan stopped.").point
    'defrost.run.fan'
    """
    return judged(f"defrost.run.{name}", SEQUENCE, verdict, why, next=step, needs=needs, causes=causes)


def open_lane(name: str, why: str, needs: tuple[str, ...] = (), step: str = "") -> Finding:
    """A lane that says nothing yet.

    >>> open_lane("end", "Not ended yet.").verdict.value
    'unjudged'
    """
    return unjudged(f"defrost.run.{name}", SEQUENCE, why, needs, next=step)


def not_stamped(name: str, event: RunEvent) -> Finding:
    """What was not stamped was not seen, which is not the same as did not happen: it is asked.

    >>> not_stamped("fan", "fan-off").why
    'Not stamped. Did the outdoor fan stop?'
    """
    why = f"Not stamped. {QUESTIONS[event]}"
    return open_lane(name, why, (f"defrost_seen.{event}",), "Answer yes, no, or did not look.")
