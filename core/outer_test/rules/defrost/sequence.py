"""One watched defrost held against what this board should do: the rule `sequence` (handbook section 9)."""

from collections.abc import Iterator, Sequence

from outer_test.judgement import Finding, Verdict
from outer_test.measurement import exact, say
from outer_test.nameplate import Defrost, has_shift_delay
from outer_test.rules.defrost.run import SHIFT_DELAY_S, START_WITHIN_S, Run
from outer_test.rules.defrost.run_context import RunContext, System, lane, not_stamped, open_lane
from outer_test.rules.defrost.sequence_end import ending
from outer_test.visit import DefrostEvent

HOLD_S = 300.0
LONGEST_INTERVAL_MIN = 120.0
_WITHOUT_BOARD = "R to O (or B) by a jumper proves the valve without the board: put the jumper on the list."
_LANES = ("start", "valve", "fan", "aux", "end")


def sequence(
    events: Sequence[DefrostEvent], defrost: Defrost, context: RunContext, fan_by_board: bool = True
) -> Iterator[Finding]:  # fmt: skip
    """Judge one run lane by lane: start, valve, fan, aux call, contactor, end, back. A lifted wire's lane is `unjudged`.

    Only a stamp, a *no*, or a reading taken in that second is evidence. Source: [T] common practice, no source.

    >>> run = [DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(3, "aux-on"), DefrostEvent(90, "ended")]
    >>> found = {one.point: one for one in sequence(run, Defrost(control="demand"), RunContext(answers={"fan-off": "no"}))}
    >>> found["defrost.run.fan"].verdict.value
    'bad'
    """
    run = Run(events, context.watched_s)
    if not run.has("forced"):
        return
    if context.dead:
        for name in _LANES:
            yield open_lane(name, "Recorded while the unit was dead, so it does not count.")
        return
    yield _start(run, defrost, context)
    contactor = _contactor(run, defrost, context)
    if contactor is not None:
        yield contactor
    if run.begin is None:
        return
    yield _valve(run, context)
    yield _fan(run, defrost, context, fan_by_board)
    yield _aux(run, defrost, context)
    if context.system.low_stage:
        why = "It defrosted in low stage: a two-stage unit defrosts in high."
        yield lane("stage", Verdict.WATCH, why, "Read Y2 to C at the board while it defrosts.", causes=("wire to Y2", "defrost board"))
    yield from ending(run, defrost, context)


def _seconds(value: float) -> str:
    return say(exact(round(value, 1)))


def _start(run: Run, defrost: Defrost, context: RunContext) -> Finding:
    by_clock = 0.0
    if defrost.control != "demand":  # the test pins only speed the interval's clock up
        by_clock = (defrost.minutes or LONGEST_INTERVAL_MIN) * 60 / defrost.speed_up
    within = START_WITHIN_S + by_clock + SHIFT_DELAY_S
    if run.begin is not None:
        if run.begin > within + defrost.tolerance_s:
            why = f"It started {_seconds(run.begin)} s after it was forced; within {_seconds(within)} s is right."
            return lane("start", Verdict.WATCH, why, "Which pins were shorted, and for how long? Force another.")
        return lane("start", Verdict.GOOD, "It started.")
    if not run.over(within):
        return open_lane("start", "Forced; nothing has happened yet.", step="Keep watching.")
    return _no_start(run, context)


def _no_start(run: Run, context: RunContext) -> Finding:
    reasons = {
        "restart hold": context.since_power_up_s is not None and context.since_power_up_s < HOLD_S,
        "locked out": context.locked_out,
        "gave up": context.gave_up,
        "no call": context.call_at_board is False,
        "sensor": context.sensors_read is False,
        "dropped out": bool(run.openings),
    }
    words = {
        "restart hold": (
            "the restart hold may still run: power came back less than five minutes before",
            "Wait five minutes, force it again.",
        ),
        "locked out": ("its light says that it locked itself out", "Cycle its power, wait the hold out, force it again."),
        "gave up": (
            "so many defrosts ended by time that it may have locked itself out",
            "Cycle its power, wait the hold out, force it again.",
        ),
        "no call": ("no call reaches the board: Y reads nothing there", "Follow Y back to the thermostat."),
        "sensor": ("a sensor is not read: many boards then refuse", "Mend the sensor, force it again."),
        "dropped out": ("the compressor dropped out", "Look at pressures and the overload first."),
    }
    for reason, applies in reasons.items():
        if applies:
            why, step = words[reason]
            return lane("start", Verdict.UNSURE, f"It did not start, but {why}.", step)
    proved = {
        "a heating call": (context.heating_call, "defrost.call"),
        "the right pins": (context.right_pins, "defrost.pins"),
        "the switch closed or jumpered": (True if context.jumpered else context.switch_closed, "defrost.switch.ohm"),
        "24 V at R–C": (context.control_volts, "defrost.control.v"),
    }
    wrong = next((name for name, (known, _) in proved.items() if known is False), "")
    if wrong:
        return lane(
            "start", Verdict.UNSURE, f"It did not start, but without {wrong} no board would.", f"See to {wrong}, then force it again."
        )
    missing = {name: point for name, (known, point) in proved.items() if known is None}
    if missing:
        why = f"It did not start. First prove {', '.join(missing)}."
        return lane("start", Verdict.UNSURE, why, "Prove these, then force it again.", tuple(missing.values()))
    return lane(
        "start", Verdict.BAD, "Call, pins, switch and 24 V are proved, and it does not start.",
        "Its lights, and that the hold is over; then the board.", causes=("defrost board",),
    )  # fmt: skip


def _lifted(name: str) -> Finding:
    return open_lane(name, "Its wire is lifted, so this lane is not judged.")


def _valve(run: Run, context: RunContext) -> Finding:
    if "valve" in context.lifted_lanes:
        return _lifted("valve")
    answer = context.answers.get("valve-shift")
    if "valve-shift" in run.inferred or (not run.has("valve-shift") and answer == "yes"):
        return lane("valve", Verdict.GOOD, "The shift was not stamped, but it came.")
    if run.has("valve-shift"):
        return lane("valve", Verdict.GOOD, f"The valve shifted after {_seconds(run.at['valve-shift'])} s.")
    if answer != "no":
        return not_stamped("valve", "valve-shift")
    if context.compressor_runs is False:
        return lane(
            "valve", Verdict.UNSURE, "No shift, but the compressor was not running: without pressure no valve shifts.", "Get it running."
        )
    if context.valve_coil_sound is False:
        return lane(
            "valve",
            Verdict.BAD,
            "No shift, and the valve's coil is not sound.",
            "Replace the coil, then watch another.",
            causes=("valve coil",),
        )
    if context.valve_fed and context.valve_coil_sound:
        return lane(
            "valve", Verdict.BAD, "The solenoid is as it should be, and no shift: the valve sticks.",
            "Confirm a pressure difference, then the valve.", causes=("reversing valve",),
        )  # fmt: skip
    if context.valve_fed is False:
        return lane(
            "valve", Verdict.BAD, "No shift, and the solenoid is not as it should be: the board or the wire to the valve.",
            f"Read O (or B) to C at the board. {_WITHOUT_BOARD}", causes=("defrost board", "wire to the valve"),
        )  # fmt: skip
    needs = ("defrost.valve_coil.v",) if context.valve_fed is None else ("defrost.valve_coil.ohm",)
    return lane(
        "valve", Verdict.UNSURE, "No shift: valve, coil, wire or board.",
        f"Read the volts at its coil in defrost, and the coil's ohms. {_WITHOUT_BOARD}", needs,
        ("reversing valve", "valve coil", "wire to the valve", "defrost board"),
    )  # fmt: skip


def _fan(run: Run, defrost: Defrost, context: RunContext, by_board: bool) -> Finding:
    if "fan" in context.lifted_lanes:
        return _lifted("fan")
    if not by_board:
        return open_lane("fan", "This unit's fan is not switched by its board.")
    if defrost.low_ambient_kit:
        return open_lane("fan", "A low-ambient kit cycles this fan by itself: its running does not judge the board.")
    answer = context.answers.get("fan-off")
    if "fan-off" in run.inferred or (not run.has("fan-off") and answer == "yes"):
        return lane("fan", Verdict.GOOD, "Its stop was not stamped, but it came.")
    if run.has("fan-off"):
        late = run.at["fan-off"] - run.at.get("valve-shift", run.at["fan-off"])
        if late > defrost.tolerance_s:
            why = f"The fan stopped {_seconds(late)} s after the valve shifted: a late stamp, or a late relay."
            return lane("fan", Verdict.WATCH, why, "Note it; watch the next defrost.")
        return lane("fan", Verdict.GOOD, "The outdoor fan stopped.")
    if answer == "no":
        return lane(
            "fan", Verdict.BAD, "The outdoor fan ran on through the defrost.", "Read across the board's fan terminals in defrost.",
            causes=("board fan relay",),
        )  # fmt: skip
    return not_stamped("fan", "fan-off")


def _aux(run: Run, defrost: Defrost, context: RunContext) -> Finding:
    if "aux" in context.lifted_lanes:
        return _lifted("aux")
    if context.aux_fitted is None and not run.has("aux-on"):
        return open_lane("aux", "Whether aux heat is fitted is not on record.", ("aux_heat.kind",))
    if context.aux_fitted is False:
        return open_lane("aux", "No aux heat is fitted: 40 to 50 °F air indoors is normal in defrost.")
    answer = context.answers.get("aux-on")
    if "aux-on" in run.inferred or (not run.has("aux-on") and answer == "yes"):
        return lane("aux", Verdict.GOOD, "Its call was not stamped, but it came.")
    if run.has("aux-on"):
        delay = SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0.0
        if run.at["aux-on"] >= run.at.get("valve-shift", 0.0) - defrost.tolerance_s - delay:
            return lane("aux", Verdict.GOOD, "The aux call came.")
        why = "W was on before the shift: it may be the thermostat's own."
        return lane("aux", Verdict.WATCH, why, "Turn the thermostat down until it calls for no aux heat, then force another.")
    system = context.system
    if context.aux_volts:
        held = system.w_through or "an outdoor thermostat"
        why = f"24 V on W at the board: it calls. Whether the heat came was not looked at; {held} may hold it off."
        return lane("aux", Verdict.UNSURE, why, f"Follow W indoors: {held}, wire, relay.", causes=("wire to the aux relay", "aux relay"))
    if system.inverter and (answer == "no" or context.aux_volts is False):
        return open_lane("aux", "Many inverter units call no aux heat from the board: this one's own sequence is not on record.")
    if context.aux_volts is False and context.control_volts:
        return lane(
            "aux", Verdict.BAD, "24 V at R–C, and none on the board's own W in defrost.", "Read W to C again while the valve is shifted.",
            causes=("defrost board",),
        )  # fmt: skip
    if answer == "no":
        through = f", {system.w_through}" if system.w_through else ""
        heat = "furnace" if system.dual_fuel else "aux heat"
        return lane(
            "aux", Verdict.UNSURE, f"No {heat} in defrost: the board, the wire{through}, or the relay.",
            "Read W to C at the board: 24 V there, and it is beyond the board.", ("defrost.aux_call.v",),
            ("defrost board", "wire to the aux relay", "aux relay"),
        )  # fmt: skip
    return not_stamped("aux", "aux-on")


def _stops_itself(system: System) -> str:
    if system.inverter:
        return "An inverter unit slows or stops its compressor first: a stop is no fault by itself."
    return "In a dual-fuel system the heat pump may stop while the furnace heats." if system.dual_fuel else ""


def _contactor(run: Run, defrost: Defrost, context: RunContext) -> Finding | None:
    """What the contactor did: a shift delay around both shifts, or a drop-out in mid-run."""
    delayed = has_shift_delay(defrost)
    middle = [opened for opened, _ in run.openings if not (run.near_start(opened) or run.near_end(opened))]
    freeze = ("freeze-stat",) if defrost.freeze_stat else ()
    dropped = ("pressure switch", "compressor overload", "indoor fan stopped", *freeze)
    stops_itself = _stops_itself(context.system)
    if run.openings and stops_itself:
        return open_lane("contactor", stops_itself)
    if middle or (run.openings and delayed is False):
        why = f"The compressor dropped out at {_seconds((middle or [run.openings[0][0]])[0])} s: a pressure switch or the overload."
        return lane("contactor", Verdict.WATCH, why, "Look at the pressures, and whether the indoor fan runs.", causes=dropped)
    if run.openings and run.openings[-1][1] is None and run.over(run.openings[-1][0] + 2 * SHIFT_DELAY_S):
        why = "It opened and was not seen to close again."
        return lane("contactor", Verdict.UNSURE, why, "Is the compressor back? Volts at its coil, pressures, overload.", causes=dropped)
    if delayed is None:
        if not run.openings:
            return None
        why = "It opened as the valve shifted, as a board with shift delay does; this one's profile does not say."
        return open_lane("contactor", why, ("defrost.shift_delay",), "Confirm the board's shift delay.")
    if not delayed or run.begin is None:
        return None
    first = next(((opened, closed) for opened, closed in run.openings if run.near_start(opened)), None)
    if first is None:
        if context.answers.get("contactor-open") == "no":
            why = "This board should open the contactor before it shifts, and did not."
            return lane("contactor", Verdict.WATCH, why, "Is its configuration link set? Watch another.")
        why = "This board should open the contactor before it shifts; no opening was stamped."
        return open_lane("contactor", why, ("defrost_seen.contactor-open",), "Is its configuration link set?")
    if first[1] is None:
        return open_lane("contactor", "The contactor is open; it waits about 30 s.")
    wait = first[1] - first[0]
    sound = abs(wait - SHIFT_DELAY_S) <= defrost.tolerance_s * 2
    step = "" if sound else "Watch another; hold the board's own diagram against this unit's profile."
    why = f"It waited {_seconds(wait)} s with the contactor open; about 30 s is right."
    return lane("contactor", Verdict.GOOD if sound else Verdict.WATCH, why, step)
