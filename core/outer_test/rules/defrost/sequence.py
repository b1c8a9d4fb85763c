"""One watched defrost held against what this board should do: the rule `sequence` (handbook section 9)."""

from collections.abc import Iterator, Sequence

from outer_test.judgement import Finding, Verdict, unjudged
from outer_test.measurement import exact, say
from outer_test.nameplate import Defrost, has_shift_delay
from outer_test.rules.defrost.run import SHIFT_DELAY_S, START_WITHIN_S, Run
from outer_test.rules.defrost.run_context import Watch, told
from outer_test.rules.defrost.sequence_end import ending
from outer_test.visit import DefrostEvent


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
    yield told("start", Verdict.GOOD, "It started.")
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
        yield told(
            "contactor", Verdict.WATCH, "The compressor dropped out, and this board has no shift delay: a pressure switch or the overload.",
            "Look at the pressures, and whether the indoor fan runs.",
            causes=("pressure switch", "compressor overload", "indoor fan stopped", *freeze),
        )  # fmt: skip
    yield from ending(run, defrost, watch)


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
        return told(
            "start", Verdict.UNSURE, f"It did not start, but without {wrong} no board would.", f"See to {wrong}, then force it again."
        )
    missing = {name: point for name, (known, point) in proved.items() if known is None}
    if missing:
        return told(
            "start", Verdict.UNSURE, f"It did not start. First prove {', '.join(missing)}.", "Prove these, then force it again.",
            needs=tuple(missing.values()),
        )  # fmt: skip
    return told(
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
        return told("valve", Verdict.GOOD, "The shift was not stamped, but what followed shows it.")
    if run.has("valve-shift"):
        return told("valve", Verdict.GOOD, f"The valve shifted after {say(exact(run.at['valve-shift']))} s.")
    if not run.over(START_WITHIN_S + SHIFT_DELAY_S):
        return unjudged("defrost.run.valve", "sequence", "No shift yet.")
    if watch.coil_volts_at_valve and watch.valve_coil_sound:
        return told(
            "valve",
            Verdict.BAD,
            "24 V on a sound coil and no shift: the valve sticks.",
            "Confirm a pressure difference; then the valve.",
            "reversing valve",
            causes=("reversing valve",),
        )
    if watch.valve_coil_sound is False:
        return told(
            "valve", Verdict.BAD, "No shift, and the valve's coil is not sound.", "Replace the coil, then watch another.",
            causes=("valve coil",),
        )  # fmt: skip
    if watch.coil_volts_at_valve is False:
        return told(
            "valve",
            Verdict.BAD,
            "No shift, and no 24 V at the coil: the board or the wire to the valve.",
            f"Read O (or B) to C at the board. {_WITHOUT_BOARD}",
            causes=("defrost board", "wire to the valve"),
        )
    needs = ("defrost.valve_coil.v",) if watch.coil_volts_at_valve is None else ("defrost.valve_coil.ohm",)
    return told(
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
        return told("fan", Verdict.GOOD, "Its stop was not stamped, but it came back on.")
    if run.has("fan-off"):
        late = run.at["fan-off"] - run.at.get("valve-shift", run.at["fan-off"])
        if late > defrost.tolerance_s:
            return told(
                "fan",
                Verdict.WATCH,
                f"The fan stopped {say(exact(round(late, 1)))} s after the valve shifted.",
                "Note it; watch the next defrost.",
            )
        return told("fan", Verdict.GOOD, "The outdoor fan stopped.")
    if defrost.low_ambient_kit:
        return unjudged(
            "defrost.run.fan", "sequence", "A low-ambient kit cycles this fan by itself: its running says nothing of the board."
        )
    begun = run.at.get("valve-shift", 0.0)
    if not run.over(begun + START_WITHIN_S):
        return unjudged("defrost.run.fan", "sequence", "The fan still runs; give it a moment.")
    return told(
        "fan", Verdict.BAD, "The outdoor fan runs on through the defrost: the board's fan relay.", "Replace the board.", "board fan relay",
        causes=("board fan relay",),
    )  # fmt: skip


def _aux(run: Run, defrost: Defrost, watch: Watch) -> Finding:
    if "aux" in watch.lifted_lanes:
        return _lifted("aux")
    if not watch.aux_fitted:
        return unjudged("defrost.run.aux", "sequence", "No aux heat is fitted: 40 to 50 °F air indoors is normal in defrost.")
    if "aux-on" in run.inferred:
        return told("aux", Verdict.GOOD, "Its call was not stamped, but it went off again.")
    if run.has("aux-on"):
        delay = SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0.0
        if run.at["aux-on"] >= run.at.get("valve-shift", 0.0) - defrost.tolerance_s - delay:
            return told("aux", Verdict.GOOD, "The aux call came.")
        return told(
            "aux", Verdict.WATCH, "W was on before the shift: it may be the thermostat's own.",
            "Turn the thermostat down until it calls for no aux heat, then force another.",
        )  # fmt: skip
    if not run.over(run.at.get("valve-shift", 0.0) + START_WITHIN_S):
        return unjudged("defrost.run.aux", "sequence", "No aux call yet.")
    if watch.aux_volts:
        return told(
            "aux", Verdict.BAD, "24 V on W at the board, and no aux heat: the wire or the aux relay.", "Follow W indoors.",
            causes=("wire to the aux relay", "aux relay"),
        )  # fmt: skip
    if watch.aux_volts is False and watch.control_volts:
        return told(
            "aux", Verdict.BAD, "24 V at R–C, and none on the board's own W in defrost: the board.", "Replace the board.", "defrost board",
            causes=("defrost board",),
        )  # fmt: skip
    return told(
        "aux", Verdict.BAD, "No 24 V on W in defrost: the board, the wire, or the aux relay.",
        "Read W to C at the board: there, it is the wire or the relay.", needs=("defrost.aux_call.v",),
        causes=("defrost board", "wire to the aux relay", "aux relay"),
    )  # fmt: skip


def _shift_delay(run: Run, defrost: Defrost) -> Finding:
    if not run.has("contactor-open"):
        return told(
            "contactor",
            Verdict.WATCH,
            "This board should open the contactor before it shifts; it was not seen to.",
            "Is its configuration link set?",
        )
    if not run.has("contactor-close"):
        return unjudged("defrost.run.contactor", "sequence", "The contactor is open; it waits about 30 s.")
    wait = run.at["contactor-close"] - run.at["contactor-open"]
    sound = abs(wait - SHIFT_DELAY_S) <= defrost.tolerance_s * 2
    return told(
        "contactor",
        Verdict.GOOD if sound else Verdict.WATCH,
        f"It waited {say(exact(round(wait, 1)))} s with the contactor open; about 30 s is right.",
        "" if sound else "Watch another; hold the board's own diagram against this unit's profile.",
    )
