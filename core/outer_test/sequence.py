"""One watched defrost held against what this board should do: the rule `sequence` (handbook section 9)."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from outer_test.defrost_control import Defrost, has_shift_delay
from outer_test.defrost_run import SHIFT_DELAY_S, START_WITHIN_S, Run
from outer_test.finding import Finding, judged, unjudged
from outer_test.value import exact, say
from outer_test.verdict import Verdict
from outer_test.visit import DefrostEvent

SHORT_RUN_S = 60.0


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


def sequence(events: Sequence[DefrostEvent], defrost: Defrost, watch: Watch) -> Iterator[Finding]:
    """Judge one run lane by lane: start, valve, fan, aux call, end, back, contactor. A lifted wire's lane is `unjudged`.

    A part is accused only where nothing else listed explains what was seen. Source: [T] common practice, no source.

    >>> run = [DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(3, "aux-on"), DefrostEvent(90, "ended")]
    >>> found = {one.point: one for one in sequence(run, Defrost(control="demand"), Watch(aux_fitted=True))}
    >>> found["defrost.run.fan"].verdict.value, found["defrost.run.fan"].accuses
    ('bad', 'board fan relay')
    """
    run = Run(events, watch.watched_s)
    if not run.has("forced"):
        return
    if set(run.at) <= {"forced", "switch-open"}:
        yield _no_start(run, watch)
        return
    yield _told("start", Verdict.GOOD, "It started.")
    yield _valve(run, watch)
    yield _fan(run, defrost, watch)
    yield _aux(run, defrost, watch)
    delayed = has_shift_delay(defrost)
    if delayed is None:
        why = "Whether this board opens the contactor hangs on a link nobody looked at."
        yield unjudged("defrost.run.contactor", "sequence", why, ("defrost.links",))
    elif delayed:
        yield _shift_delay(run, defrost)
    elif run.has("contactor-open"):
        freeze = ("freeze-stat",) if defrost.freeze_stat else ()
        yield _told(
            "contactor", Verdict.WATCH, "The compressor dropped out, and this board has no shift delay: a pressure switch or the overload.",
            "Look at the pressures, and whether the indoor fan runs.",
            causes=("pressure switch", "compressor overload", "indoor fan stopped", *freeze),
        )  # fmt: skip
    yield from _end(run, defrost, watch)


def _told(lane: str, verdict: Verdict, why: str, step: str = "", accuses: str = "", **more: object) -> Finding:
    return judged(f"defrost.run.{lane}", "sequence", verdict, why, None, next=step, accuses=accuses, **more)


def _lifted(lane: str) -> Finding:
    return unjudged(f"defrost.run.{lane}", "sequence", "Its wire is lifted: this lane says nothing.")


def _no_start(run: Run, watch: Watch) -> Finding:
    if not run.over(START_WITHIN_S + SHIFT_DELAY_S):
        return unjudged("defrost.run.start", "sequence", "Forced; nothing has happened yet.", next="Keep watching.")
    proved = {
        "a heating call": (watch.heating_call, "defrost.call"), "the right pins": (watch.right_pins, "defrost.pins"),
        "the switch closed or jumpered": (watch.switch_closed or watch.jumpered or None, "defrost.switch.ohm"),
        "24 V at R–C": (watch.control_volts, "defrost.control.v"),
    }  # fmt: skip
    wrong = next((name for name, (known, _) in proved.items() if known is False), "")
    if wrong:
        return _told(
            "start", Verdict.UNSURE, f"It did not start, but without {wrong} no board would.", f"See to {wrong}, then force it again."
        )
    missing = {name: point for name, (known, point) in proved.items() if known is None}
    if missing:
        return _told(
            "start", Verdict.UNSURE, f"It did not start. First prove {', '.join(missing)}.", "Prove these, then force it again.",
            needs=tuple(missing.values()),
        )  # fmt: skip
    return _told(
        "start",
        Verdict.BAD,
        "Call, pins, switch and 24 V are proved, and it does not start.",
        "Replace the board.",
        "defrost board",
        causes=("defrost board",),
    )


_WITHOUT_BOARD = "R to O (or B) by a jumper proves the valve without the board: put the jumper on the list."


def _valve(run: Run, watch: Watch) -> Finding:
    if "valve" in watch.lifted_lanes:
        return _lifted("valve")
    if "valve-shift" in run.inferred:
        return _told("valve", Verdict.GOOD, "The shift was not stamped, but what followed shows it.")
    if run.has("valve-shift"):
        return _told("valve", Verdict.GOOD, f"The valve shifted after {say(exact(run.at['valve-shift']))} s.")
    if not run.over(START_WITHIN_S + SHIFT_DELAY_S):
        return unjudged("defrost.run.valve", "sequence", "No shift yet.")
    if watch.coil_volts_at_valve and watch.valve_coil_sound:
        return _told(
            "valve",
            Verdict.BAD,
            "24 V on a sound coil and no shift: the valve sticks.",
            "Confirm a pressure difference; then the valve.",
            "reversing valve",
            causes=("reversing valve",),
        )
    if watch.valve_coil_sound is False:
        return _told(
            "valve", Verdict.BAD, "No shift, and the valve's coil is not sound.", "Replace the coil, then watch another.",
            causes=("valve coil",),
        )  # fmt: skip
    if watch.coil_volts_at_valve is False:
        return _told(
            "valve",
            Verdict.BAD,
            "No shift, and no 24 V at the coil: the board or the wire to the valve.",
            f"Read O (or B) to C at the board. {_WITHOUT_BOARD}",
            causes=("defrost board", "wire to the valve"),
        )
    needs = ("defrost.valve_coil.v",) if watch.coil_volts_at_valve is None else ("defrost.valve_coil.ohm",)
    return _told(
        "valve",
        Verdict.UNSURE,
        "No shift: valve, coil, wire or board.",
        f"Read the volts at its coil while it should be shifted, and the coil's ohms. {_WITHOUT_BOARD}",
        needs=needs,
        causes=(
            ("reversing valve", "valve coil", "wire to the valve", "defrost board")
            if watch.valve_coil_sound is None
            else ("reversing valve", "wire to the valve", "defrost board")
        ),
    )


def _fan(run: Run, defrost: Defrost, watch: Watch) -> Finding:
    if "fan" in watch.lifted_lanes:
        return _lifted("fan")
    if "fan-off" in run.inferred:
        return _told("fan", Verdict.GOOD, "Its stop was not stamped, but it came back on.")
    if run.has("fan-off"):
        late = run.at["fan-off"] - run.at.get("valve-shift", run.at["fan-off"])
        if late > defrost.tolerance_s:
            return _told(
                "fan",
                Verdict.WATCH,
                f"The fan stopped {say(exact(round(late, 1)))} s after the valve shifted.",
                "Note it; watch the next defrost.",
            )
        return _told("fan", Verdict.GOOD, "The outdoor fan stopped.")
    if defrost.low_ambient_kit:
        return unjudged(
            "defrost.run.fan", "sequence", "A low-ambient kit cycles this fan by itself: its running says nothing of the board."
        )
    begun = run.at.get("valve-shift", 0.0)
    if not run.over(begun + START_WITHIN_S):
        return unjudged("defrost.run.fan", "sequence", "The fan still runs; give it a moment.")
    return _told(
        "fan", Verdict.BAD, "The outdoor fan runs on through the defrost: the board's fan relay.", "Replace the board.", "board fan relay",
        causes=("board fan relay",),
    )  # fmt: skip


def _aux(run: Run, defrost: Defrost, watch: Watch) -> Finding:
    if "aux" in watch.lifted_lanes:
        return _lifted("aux")
    if not watch.aux_fitted:
        return unjudged("defrost.run.aux", "sequence", "No aux heat is fitted: 40 to 50 °F air indoors is normal in defrost.")
    if "aux-on" in run.inferred:
        return _told("aux", Verdict.GOOD, "Its call was not stamped, but it went off again.")
    if run.has("aux-on"):
        delay = SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0.0
        if run.at["aux-on"] >= run.at.get("valve-shift", 0.0) - defrost.tolerance_s - delay:
            return _told("aux", Verdict.GOOD, "The aux call came.")
        return _told(
            "aux", Verdict.WATCH, "W was on before the shift: it may be the thermostat's own.",
            "Turn the thermostat down until it calls for no aux heat, then force another.",
        )  # fmt: skip
    if not run.over(run.at.get("valve-shift", 0.0) + START_WITHIN_S):
        return unjudged("defrost.run.aux", "sequence", "No aux call yet.")
    if watch.aux_volts:
        return _told(
            "aux", Verdict.BAD, "24 V on W at the board, and no aux heat: the wire or the aux relay.", "Follow W indoors.",
            causes=("wire to the aux relay", "aux relay"),
        )  # fmt: skip
    if watch.aux_volts is False and watch.control_volts:
        return _told(
            "aux", Verdict.BAD, "24 V at R–C, and none on the board's own W in defrost: the board.", "Replace the board.", "defrost board",
            causes=("defrost board",),
        )  # fmt: skip
    return _told(
        "aux", Verdict.BAD, "No 24 V on W in defrost: the board, the wire, or the aux relay.",
        "Read W to C at the board: there, it is the wire or the relay.", needs=("defrost.aux_call.v",),
        causes=("defrost board", "wire to the aux relay", "aux relay"),
    )  # fmt: skip


def _shift_delay(run: Run, defrost: Defrost) -> Finding:
    if not run.has("contactor-open"):
        return _told(
            "contactor",
            Verdict.WATCH,
            "This board should open the contactor before it shifts; it was not seen to.",
            "Is its configuration link set?",
        )
    if not run.has("contactor-close"):
        return unjudged("defrost.run.contactor", "sequence", "The contactor is open; it waits about 30 s.")
    wait = run.at["contactor-close"] - run.at["contactor-open"]
    sound = abs(wait - SHIFT_DELAY_S) <= defrost.tolerance_s * 2
    return _told(
        "contactor",
        Verdict.GOOD if sound else Verdict.WATCH,
        f"It waited {say(exact(round(wait, 1)))} s with the contactor open; about 30 s is right.",
        "" if sound else "Watch another; hold the board's own diagram against this unit's profile.",
    )


def _end(run: Run, defrost: Defrost, watch: Watch) -> Iterator[Finding]:
    limit = (defrost.limit_min or 10) * 60
    slack = defrost.tolerance_s + (SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0)
    opened, ended = run.at.get("switch-open"), run.at.get("ended")
    if ended is None:
        if run.over(limit + slack):
            yield _told(
                "end",
                Verdict.BAD,
                f"Still defrosting after {say(exact(run.watched / 60), 3)} min; {say(exact(limit / 60))} min is its limit.",
                "Power off. Replace the board.",
                "defrost board",
                causes=("defrost board",),
            )
        elif opened is not None and run.over(opened + START_WITHIN_S) and not watch.jumpered:
            yield _told(
                "end",
                Verdict.BAD,
                "The switch opened and it did not end.",
                "Is a jumper left on? Else replace the board.",
                needs=("defrost.switch.ohm",),
                causes=("jumper left on", "defrost board"),
            )
        else:
            yield unjudged("defrost.run.end", "sequence", "Not ended yet.")
        return
    if ended > limit + slack:
        yield _told(
            "end",
            Verdict.BAD,
            f"It ended after {say(exact(round(ended)))} s, beyond its {say(exact(limit / 60))} min limit.",
            "Replace the board.",
            "defrost board",
            causes=("defrost board",),
        )
    elif ended >= limit - slack and not run.has("valve-shift") and "valve" not in watch.lifted_lanes:
        yield unjudged("defrost.run.end", "sequence", "It ended by time, as it must where nothing shifted: the coil was never warmed.")
    elif ended >= limit - slack and opened is None and not watch.jumpered:
        yield _told(
            "end", Verdict.WATCH, f"It ended by time. Each time, it is one of: {', '.join(watch.by_time)}.",
            "Watch another; look at the switch or sensor, its seat, and the charge.", causes=watch.by_time,
        )  # fmt: skip
    elif ended >= limit - slack and watch.jumpered:
        yield _told("end", Verdict.GOOD, "It ended by time: expected with the switch jumpered.")
    elif ended <= SHORT_RUN_S:
        yield _told("end", Verdict.GOOD, f"It ended after {say(exact(round(ended)))} s: right for a short forced run on a clear coil.")
    else:
        yield _told("end", Verdict.GOOD, f"It ended after {say(exact(round(ended)))} s, by temperature.")
    yield from _back(run, defrost, watch, ended)


def _back(run: Run, defrost: Defrost, watch: Watch, ended: float) -> Iterator[Finding]:
    wait = ended + defrost.fan_first_s + START_WITHIN_S + (SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0)
    checks = (
        ("fan-on", "fan", "fan-back", "The fan did not come back", "The fan, its capacitor, or the board's fan relay."),
        (
            "valve-back",
            "valve",
            "valve-back",
            "The valve did not go back",
            "Read the volts at its coil: off there, the valve sticks; on, the board.",
        ),
        ("aux-off", "aux", "aux-back", "W stayed on after it ended", "It may be the thermostat's own call."),
    )
    went = {"fan": "fan-off", "valve": "valve-shift", "aux": "aux-on"}
    for event, lane, point, what, step in checks:
        if not run.has(went[lane]):  # what never went need not come back; its own lane says so
            continue
        if lane in watch.lifted_lanes or (lane == "aux" and not watch.aux_fitted):
            continue
        if run.has(event):
            yield _told(point, Verdict.GOOD, f"{event.replace('-', ' ').capitalize()}.")
        elif run.over(wait):
            yield _told(point, Verdict.WATCH if lane == "aux" else Verdict.UNSURE, f"{what}, or its stamp was missed.", step)
        else:
            yield unjudged(f"defrost.run.{point}", "sequence", f"Not seen yet: {event.replace('-', ' ')}.")
