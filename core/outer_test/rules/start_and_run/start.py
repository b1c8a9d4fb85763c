"""Starting: the rules `start-result`, `start-amps` and `start-sag` (handbook section 8)."""

from dataclasses import dataclass
from decimal import Decimal
from typing import Literal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Limits, Rule, Verdict, judged, place, unjudged
from outer_test.measurement import Measured, exact, say
from outer_test.nameplate import Plate
from outer_test.rules.power_up import volt_limits

START_RESULT = Rule("start-result", "What a start came to", "common practice, no source", "T")
START_AMPS = Rule("start-amps", "Start peak and time", "common practice, no source", "T")
START_SAG = Rule("start-sag", "Line voltage while starting", "common practice, no source", "T")

Result = Literal["started", "hummed", "tripped", "nothing"]
LOCKED, FED, MOST = Decimal("0.85"), Decimal("0.30"), Decimal("1.15")
NEAR_A_CUT = Decimal("0.05")
SAGS_TO = Decimal("0.93")  # of the line, while it starts and the volts were not read
QUICK_S, SLOW_S = Decimal("0.5"), Decimal(1)
NOTHING_V = Decimal(30)
PEAK = "amps.compressor.peak_a"
_FAN_STATES = {
    "runs": (Verdict.GOOD, "The outdoor fan runs.", ""),
    "slow": (Verdict.WATCH, "The outdoor fan is slow.", "Its capacitor, then its bearing and its amps."),
    "hums": (Verdict.BAD, "The outdoor fan hums and does not turn.", "Power off: its capacitor, then its bearing and windings."),
    "pushed": (Verdict.BAD, "The outdoor fan runs only after a push.", "Power off: its capacitor first. Never push a blade."),
    "still": (Verdict.BAD, "The outdoor fan does not turn.", "Its supply, its capacitor, its winding, in that order."),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Start:
    """One start: whether it started, how long it took, how the peak was caught, with what fitted.

    seconds: s. lra: A. rated_v: V, None where not known. starting_v, line_v: V. by: `inrush` or `max-hold`, None where not said.
    """

    result: Result | None = None
    seconds: Measured | None = None
    lra: float | None = None
    rated_v: float | None = None
    starting_v: Measured | None = None
    line_v: Measured | None = None
    by: str | None = None
    fitted: str | None = None
    kit_on_unit: str | None = None

    @property
    def started(self) -> bool | None:
        """Whether it started; a start time says that it did."""
        if self.result is not None:
            return self.result == "started"
        return True if self.seconds is not None else None

    @property
    def volts_read(self) -> bool:
        """Whether the volts while it starts were read."""
        return self.starting_v is not None and bool(self.starting_v.number)


def fan_state(state: str) -> Finding:
    """What the outdoor fan does once it is called. state: as seen at `fan.state`. Source: [T] common practice, no source.

    >>> [fan_state(seen).verdict.value for seen in ("runs", "slow", "hums")]
    ['good', 'watch', 'bad']
    """
    verdict, why, step = _FAN_STATES[state]
    return judged("fan.state", START_RESULT, verdict, why, shown=state, next=step)


def start_result(result: Result) -> Finding:
    """Started is `good`; hummed, tripped or nothing is `bad`: it does not start, whatever else reads well. Source: [T].

    >>> [start_result(word).verdict.value for word in ("started", "hummed")]
    ['good', 'bad']
    """
    words = {
        "started": ("It started.", ""),
        "hummed": ("It hums and does not start.", "Switch it off: a rotor that does not turn overheats in seconds. Dead tests first."),
        "tripped": ("It tripped instead of starting.", "Leave it off: dead tests first."),
        "nothing": ("Nothing happened on a call.", "Is there line voltage, and 24 V at the coil?"),
    }
    why, step = words[result]
    verdict = Verdict.GOOD if result == "started" else Verdict.BAD
    return judged("start.result", START_RESULT, verdict, why, shown=result, next=step)


def locked_ratio(peak: Measured, start: Start) -> Decimal | None:
    """Peak ÷ LRA × V_rated ÷ V while starting; not read, 0.93 × the line, else 0.93 × V_rated. None without an LRA or a number.

    Source: [D] a locked rotor's current goes with its volts; [T] for 0.93.

    >>> from outer_test.measurement import measure
    >>> round(locked_ratio(measure("79"), Start(lra=96, rated_v=230, line_v=measure("205"))), 2)
    Decimal('0.99')
    """
    if start.lra is None or peak.number is None:
        return None
    ratio = peak.number / exact(start.lra)
    rated = None if start.rated_v is None else exact(start.rated_v)
    if start.starting_v is not None and start.starting_v.number and rated is not None:
        return ratio * rated / start.starting_v.number
    if start.line_v is not None and start.line_v.number and rated is not None:
        return ratio * rated / (SAGS_TO * start.line_v.number)
    return ratio / SAGS_TO


def start_amps(peak: Measured, start: Start, rules: HouseRules = DEFAULT) -> Finding:
    """A start's peak on the compressor's common wire. Every start stands at LRA for an instant: time and outcome decide.

    peak: A. Not started, all `bad`: from 0.85 of LRA the rotor does not turn; from 0.3 its amps are held back; under it the run
    winding is not fed. Started: to 0.5 s `good`, to 1 s `watch`, over `bad`. Time unknown: by inrush to 1.15 `good`; by max-hold,
    a floor, under 0.85 `good`, else `watch`; over 1.15 `watch`. Two start devices at once `watch`. Source: [T], no source.

    >>> from outer_test.measurement import measure
    >>> start_amps(measure("88"), Start(result="started", seconds=measure("0.3"), lra=96)).verdict.value
    'good'
    >>> start_amps(measure("88"), Start(result="hummed", lra=96)).verdict.value
    'bad'
    """
    ratio = locked_ratio(peak, start)
    about = f"Peak {peak.value.text} A" + (f", {say(ratio, 2)} of LRA." if ratio is not None else ".")
    if start.by == "max-hold":
        about += " Max-hold shows a floor, not the peak."
    if start.started is None:
        return unjudged(
            PEAK, START_AMPS, f"{about} Did it start? Without that a peak cannot be judged.", ("start.result",),
            shown=peak.value.text, unit="A",
            next="Note whether it started, and how long it took.",
        )  # fmt: skip
    if not start.started:
        return _not_started(about, ratio, peak, start)
    found = _started(about, ratio, peak, start, rules)
    if _two_devices(start) and found.verdict is Verdict.GOOD:
        return _judged(peak, start, Verdict.WATCH, f"{found.why} Two start devices at once: one is enough.", "Take one of them off.")
    return found


def _judged(peak: Measured, start: Start, verdict: Verdict, why: str, step: str = "", needs: tuple[str, ...] = ()) -> Finding:
    return judged(PEAK, START_AMPS, verdict, why, peak, unit="A", nominal=start.lra, next=step, needs=needs)


def _two_devices(start: Start) -> bool:
    own, fitted = start.kit_on_unit, start.fitted
    return own not in (None, "none") and fitted not in (None, "none") and own != fitted


_LOCKED = (
    "the rotor does not turn; the cause is not named yet",
    "Run and start capacitor, leads, windings and ground, in that order, dead.",
)
_HELD = (
    "amps are held back: a joint, a lead or the contactor is not fully fed from upstream",
    "Look upstream: contactor, joints, leads, and the volts while it tries.",
)
_NOT_FED = ("the run winding is not fed", "Look upstream: lead, plug, overload, contactor, then the winding.")


def _not_started(about: str, ratio: Decimal | None, peak: Measured, start: Start) -> Finding:
    if ratio is None:
        why = f"{about} It did not start. Without an LRA this cannot tell a locked rotor from low supply."
        return _judged(peak, start, Verdict.BAD, why, _LOCKED[1], ("compressor.lra",))
    what, step = _LOCKED if ratio >= LOCKED else _HELD if ratio >= FED else _NOT_FED
    other = ""
    if not start.volts_read:
        if abs(ratio - LOCKED) <= NEAR_A_CUT:
            other = f" With the volts not read it may as well be that {(_HELD if ratio >= LOCKED else _LOCKED)[0]}."
        elif abs(ratio - FED) <= NEAR_A_CUT:
            other = f" With the volts not read it may as well be that {(_NOT_FED if ratio >= FED else _HELD)[0]}."
    return _judged(peak, start, Verdict.BAD, f"{about} It did not start: {what}.{other}", step)


def _started(about: str, ratio: Decimal | None, peak: Measured, start: Start, rules: HouseRules) -> Finding:
    if start.seconds is not None and start.seconds.number is not None:
        where = place(start.seconds, Cuts(watch_high=QUICK_S, high=SLOW_S), rules, "s")
        why = f"{about} Started in {say(start.seconds.number)} s; half a second is healthy, one second the most."
        step = {
            Verdict.WATCH: "Measure the run capacitor and the volts while it starts.",
            Verdict.BAD: "It struggles: run capacitor, leads, volts while it starts, then windings.",
            Verdict.UNSURE: where.remedy,
        }.get(where.verdict, "")
        return _judged(peak, start, where.verdict, f"{why} {where.why_unsure}".strip(), step)
    if ratio is None:
        needs = ("amps.compressor.start_s", "compressor.lra")
        return unjudged(PEAK, START_AMPS, f"{about} Needs the start time, or LRA.", needs, shown=peak.value.text, unit="A")
    if ratio > MOST:
        why = f"{about} More than a locked rotor draws: the plate's LRA, a crest reading, or shorted turns."
        return _judged(peak, start, Verdict.WATCH, why, "Read the plate's LRA again, and the winding pairs.")
    if start.by == "inrush":
        return _judged(peak, start, Verdict.GOOD, f"{about} Normal for an instant; time it.")
    if ratio < LOCKED:
        return _judged(peak, start, Verdict.GOOD, f"{about} It started, under locking.")
    caught = "It stayed near locked" if start.by == "max-hold" else "How it was caught is not said, so it may have stayed near locked"
    return _judged(peak, start, Verdict.WATCH, f"{about} {caught}.", "Time the start.")


def start_sag(starting: Measured, running: Measured | None, plate: Plate) -> Finding:
    """Line voltage while starting: under 0.90 of the running line `watch`, under plate minimum × 0.9 `bad`.

    starting, running: V a.c. Next to nothing is no sag: the contactor is open, or its feed lost.
    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> start_sag(measure("205"), measure("238"), Plate(volts=(208, 230))).verdict.value
    'watch'
    """
    point, limits = "line.starting.v", volt_limits(plate)
    volts = starting.number
    if volts is None:
        return judged(point, START_SAG, Verdict.UNSURE, "No number to judge.", starting, unit="V", next="Use a range of 600 V or more.")
    if volts < NOTHING_V:
        return judged(
            point, START_SAG, Verdict.BAD, f"{say(volts)} V on the load side on a call: the contactor did not close, or it is not fed.",
            starting, unit="V", next="See the armature, and read the coil's volts and the line side.",
        )  # fmt: skip
    floor = limits.low * Decimal("0.9") if limits is not None else None
    line = running.number * Decimal("0.9") if running is not None and running.number is not None else None
    cut = Limits(low=None if floor is None else float(floor), watch_low=None if line is None else float(line))
    step = "Look for a bad joint or a long thin feeder; the start takes the most amps."
    if floor is not None and volts < floor:
        why = f"{say(volts)} V while starting; under {say(floor)} V it has too little torque."
        return judged(point, START_SAG, Verdict.BAD, why, starting, unit="V", next=step, limits=cut)
    if line is None:
        return unjudged(point, START_SAG, "Needs the running line voltage.", ("line.l1_l2.v",), shown=starting.value.text, unit="V")
    if volts < line:
        why = f"{say(volts)} V while starting is under nine tenths of the line."
        return judged(point, START_SAG, Verdict.WATCH, why, starting, unit="V", next=step, limits=cut)
    return judged(point, START_SAG, Verdict.GOOD, f"{say(volts)} V while starting: the line holds up.", starting, unit="V", limits=cut)
