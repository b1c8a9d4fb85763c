"""How a watched defrost ended, and whether everything went back after it (handbook section 9, rule `sequence`)."""

from collections.abc import Iterator

from outer_test.judgement import Finding, Verdict
from outer_test.measurement import exact, say
from outer_test.nameplate import Defrost, has_shift_delay
from outer_test.rules.defrost.run import SHIFT_DELAY_S, Run
from outer_test.rules.defrost.run_context import RunContext, lane, not_stamped, open_lane
from outer_test.visit import RunEvent

SHORT_RUN_S, LIMIT_SLACK_S, MINUTES_LATE_S = 60.0, 15.0, 60.0
SHORTEST_LIMIT_S = 9.5 * 60  # under this no board's time limit is what ended it


def ending(run: Run, defrost: Defrost, context: RunContext) -> Iterator[Finding]:
    """Whether it ended as it should: by its coil's temperature, or by time where that is expected; then what went back.

    Its limit counts from the board's own first act, ±15 s and a shift delay; a limit not recorded judges nothing.

    >>> from outer_test.visit import DefrostEvent
    >>> seen = Run([DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(40, "ended")], 300.0)
    >>> next(ending(seen, Defrost(control="demand"), RunContext())).why
    'It ended after 38 s: right for a short forced run on a clear coil.'
    """
    ended = run.at.get("ended")
    if ended is None:
        yield _not_ended(run, defrost, context)
        return
    yield _ended(run, defrost, context, ended)
    yield from _back(run, defrost, context, ended)


def limit_s(defrost: Defrost) -> float | None:
    """The board's time limit, s; None where it is not on record."""
    return None if defrost.limit_min is None else defrost.limit_min * 60


def limit_slack_s(defrost: Defrost) -> float:
    """How far a stamped end may be off that limit, s: ±15 s, and a shift delay where the board may have one."""
    return LIMIT_SLACK_S + (SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0.0)


def _s(value: float) -> str:
    return f"{say(exact(round(value)))} s"


def _not_ended(run: Run, defrost: Defrost, context: RunContext) -> Finding:
    limit, begin, answer = limit_s(defrost), run.begin or 0.0, context.answers.get("ended")
    opened = run.at.get("switch-open")
    if limit is not None and run.over(begin + limit + limit_slack_s(defrost)):
        if answer == "no":
            why = f"Still defrosting after {_s(run.watched - begin)}; {_s(limit)} is its limit."
            return lane("end", Verdict.BAD, why, "Power off. Watch another before the board is called bad.", causes=("defrost board",))
        return not_stamped("end", "ended")
    if opened is not None and answer == "no" and not context.jumpered:
        why = "The switch opened and it did not end."
        return lane("end", Verdict.BAD, why, "Is a jumper left on?", ("defrost.switch.ohm",), ("jumper left on", "defrost board"))
    return open_lane("end", "Not ended yet.")


def _ended(run: Run, defrost: Defrost, context: RunContext, ended: float) -> Finding:
    limit, slack, length = limit_s(defrost), limit_slack_s(defrost), ended - (run.begin or 0.0)
    opened = run.at.get("switch-open")
    after_open = None if opened is None else ended - opened
    if after_open is not None and after_open > defrost.tolerance_s + LIMIT_SLACK_S and not context.jumpered:
        why = f"It ran on for {_s(after_open)} after its switch opened."
        return lane("end", Verdict.BAD, why, "Is a jumper left on? Else watch another.", causes=("jumper left on", "defrost board"))
    if limit is not None and length > limit + slack:
        why = f"It ended after {_s(length)}, beyond its limit of {_s(limit)}."
        late = length <= limit + slack + MINUTES_LATE_S
        step = "A late stamp, or a late board: watch another."
        return lane("end", Verdict.WATCH if late else Verdict.BAD, why, step, causes=("defrost board",))
    if length <= SHORT_RUN_S:
        return _short(length, context)
    if after_open is not None:
        return lane("end", Verdict.GOOD, f"It ended after {_s(length)}, by temperature.")
    if limit is None:
        if length < SHORTEST_LIMIT_S:
            return lane("end", Verdict.GOOD, f"It ended after {_s(length)}, by temperature.")
        why = f"It ended after {_s(length)}; this board's time limit is not on record, so what ended it is not known."
        return open_lane("end", why, ("defrost.limit_min",), "Read the limit off the board or its diagram.")
    if length < limit - slack:
        return lane("end", Verdict.GOOD, f"It ended after {_s(length)}, by temperature.")
    if context.jumpered:
        return lane("end", Verdict.GOOD, "It ended by time: expected with the switch jumpered.")
    if not run.has("valve-shift") and context.answers.get("valve-shift") != "yes":
        return open_lane("end", "It ended by time, as it must where nothing shifted: the coil was never warmed.")
    why = f"It ended by time{_in_a_row(defrost, context)}. Each time, it is one of: {', '.join(context.by_time)}."
    return lane("end", Verdict.WATCH, why, "Watch another; look at the switch or sensor, its seat, and the charge.", causes=context.by_time)


def _in_a_row(defrost: Defrost, context: RunContext) -> str:
    """Counted over runs and visits, because a board gives up after so many."""
    count, most = context.timed_out_before + 1, defrost.lockout_after
    if most is None:
        return "" if count == 1 else f", {count} in a row"
    if count >= most:
        return f", {count} in a row: this board locks out after {say(exact(most))}, so cycle its power before the next"
    return f", {count} in a row; this board locks out after {say(exact(most))}"


def _short(length: float, context: RunContext) -> Finding:
    if context.iced:
        if context.test_jumper:
            why = f"It ended after {_s(length)} on an iced coil: left on, the test jumper speeds its limit up too."
            return lane("end", Verdict.UNSURE, why, "Lift the test jumper as it starts, and force another.")
        why = f"It ended after {_s(length)} on an iced coil: too soon to clear it."
        return lane("end", Verdict.WATCH, why, "Watch another; is the switch or sensor where it should be?")
    return lane("end", Verdict.GOOD, f"It ended after {_s(length)}: right for a short forced run on a clear coil.")


_BACK: tuple[tuple[RunEvent, RunEvent, str, str, str], ...] = (
    ("fan-on", "fan-off", "fan", "fan-back", "The fan"),
    ("valve-back", "valve-shift", "valve", "valve-back", "The valve"),
    ("aux-off", "aux-on", "aux", "aux-back", "W"),
)


def _back(run: Run, defrost: Defrost, context: RunContext, ended: float) -> Iterator[Finding]:
    """What went must come back, and neither in mid-defrost nor minutes late."""
    delay = SHIFT_DELAY_S if has_shift_delay(defrost) is not False else 0.0
    latest = {"fan-on": 0.0, "valve-back": defrost.fan_first_s + delay, "aux-off": defrost.fan_first_s + delay}
    for event, went, name, point, what in _BACK:
        if not run.has(went) or name in context.lifted_lanes or (name == "aux" and context.aux_fitted is False):
            continue
        if not run.has(event):
            if context.answers.get(event) == "no":
                step = (
                    "Read the volts at its coil: off there, the valve sticks; on, the board."
                    if name == "valve"
                    else "Look at it, and the board's relay."
                )
                yield lane(point, Verdict.BAD, f"{what} did not go back.", step)
            else:
                yield not_stamped(point, event)
            continue
        after = run.at[event] - ended
        if after < -defrost.tolerance_s - delay:
            why = f"{what} went back {_s(-after)} before it ended, in mid-defrost."
            yield lane(point, Verdict.UNSURE, why, "A loose wire, a relay, or a stamp for something else: watch another.")
        elif after > latest[event] + MINUTES_LATE_S:
            yield lane(
                point, Verdict.WATCH, f"{what} went back {_s(after)} after it ended: it sticks, or is let go late.", "Watch another."
            )
        elif after > latest[event] + defrost.tolerance_s:
            yield lane(point, Verdict.WATCH, f"{what} went back {_s(after)} after it ended: a late stamp, or late.", "Watch another.")
        else:
            yield lane(point, Verdict.GOOD, f"{what} went back.")
