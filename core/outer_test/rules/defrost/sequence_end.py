"""How a watched defrost ended, and whether everything went back after it (handbook section 9, rule `sequence`)."""

from collections.abc import Iterator

from outer_test.judgement import Finding, Verdict, unjudged
from outer_test.measurement import exact, say
from outer_test.nameplate import Defrost, has_shift_delay
from outer_test.rules.defrost.run import SHIFT_DELAY_S, START_WITHIN_S, Run
from outer_test.rules.defrost.run_context import Watch, told

SHORT_RUN_S = 60.0


def ending(run: Run, defrost: Defrost, watch: Watch) -> Iterator[Finding]:
    """Whether it ended as it should: by its coil's temperature, or by time where that is expected; then what went back.

    Ends at the board's limit, 10 min where the profile names none, within its tolerance and a shift delay.

    >>> from outer_test.visit import DefrostEvent
    >>> seen = Run([DefrostEvent(0, "forced"), DefrostEvent(40, "ended")], 300.0)
    >>> next(ending(seen, Defrost(control="demand"), Watch(aux_fitted=False))).why
    'It ended after 40 s: right for a short forced run on a clear coil.'
    """
    limit = (defrost.limit_min or 10) * 60
    slack = defrost.tolerance_s + (SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0)
    opened, ended = run.at.get("switch-open"), run.at.get("ended")
    if ended is None:
        if run.over(limit + slack):
            yield told(
                "end",
                Verdict.BAD,
                f"Still defrosting after {say(exact(run.watched / 60), 3)} min; {say(exact(limit / 60))} min is its limit.",
                "Power off. Replace the board.",
                "defrost board",
                causes=("defrost board",),
            )
        elif opened is not None and run.over(opened + START_WITHIN_S) and not watch.jumpered:
            yield told(
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
        yield told(
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
        yield told(
            "end", Verdict.WATCH, f"It ended by time. Each time, it is one of: {', '.join(watch.by_time)}.",
            "Watch another; look at the switch or sensor, its seat, and the charge.", causes=watch.by_time,
        )  # fmt: skip
    elif ended >= limit - slack and watch.jumpered:
        yield told("end", Verdict.GOOD, "It ended by time: expected with the switch jumpered.")
    elif ended <= SHORT_RUN_S:
        yield told("end", Verdict.GOOD, f"It ended after {say(exact(round(ended)))} s: right for a short forced run on a clear coil.")
    else:
        yield told("end", Verdict.GOOD, f"It ended after {say(exact(round(ended)))} s, by temperature.")
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
            yield told(point, Verdict.GOOD, f"{event.replace('-', ' ').capitalize()}.")
        elif run.over(wait):
            yield told(point, Verdict.WATCH if lane == "aux" else Verdict.UNSURE, f"{what}, or its stamp was missed.", step)
        else:
            yield unjudged(f"defrost.run.{point}", "sequence", f"Not seen yet: {event.replace('-', ' ')}.")
