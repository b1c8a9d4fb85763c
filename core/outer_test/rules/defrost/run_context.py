"""What bears on judging a watched defrost, and how a thing is told of it."""

from dataclasses import dataclass

from outer_test.judgement import Finding, Verdict, judged


@dataclass(frozen=True, slots=True)
class Watch:
    """What bears on judging a run. Lifted lanes are the lanes whose wire is off; None means that nobody noted it.

    watched_s: s after it was forced. by_time: what could make this unit end by time, as far as other readings leave it open.
    """

    aux_fitted: bool
    jumpered: bool = False
    lifted_lanes: frozenset[str] = frozenset()
    watched_s: float = 0.0
    heating_call: bool | None = None
    right_pins: bool | None = None
    switch_closed: bool | None = None
    control_volts: bool | None = None
    coil_volts_at_valve: bool | None = None
    valve_coil_sound: bool | None = None
    aux_volts: bool | None = None
    by_time: tuple[str, ...] = ()


def told(lane: str, verdict: Verdict, why: str, step: str = "", accuses: str = "", **more: object) -> Finding:
    """A finding of one lane of the run; `step` is what to do next.

    >>> told("fan", Verdict.GOOD, "The outdoor fan stopped.").point
    'defrost.run.fan'
    """
    return judged(f"defrost.run.{lane}", "sequence", verdict, why, None, next=step, accuses=accuses, **more)
