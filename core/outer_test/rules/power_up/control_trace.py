"""Control voltage followed from transformer to coil: the rules `control-trace` and `board-pass` (handbook section 8)."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, HouseRules, Verdict, judged, unjudged
from outer_test.measurement import Measured, say
from outer_test.rules.contactor import control_volts
from outer_test.rules.power_up.trace import Place, trace

DEAD_V = Decimal(5)
BROKEN_WIRE_V = Decimal(1)
WAY = (
    Place("control.r_c.v", "the transformer, R to C", "the transformer and its supply"),
    Place("control.stat_r_c.v", "the thermostat, R to C", "the control fuse and the thermostat wire"),
    Place("control.stat_y.v", "the thermostat's Y", "the thermostat: its lit display may run on batteries"),
    Place("control.y_in.v", "the board's Y", "the wire from indoors, a float switch or a pressure switch"),
    Place("control.y_out.v", "the board's Y out", "the board: its restart delay, or the board itself"),
    Place("contactor.coil.v", "the contactor's coil", "the wire to the coil, or a pressure switch (low charge)"),
)


@dataclass(frozen=True, slots=True)
class Safeties:
    """What the board waits for: whether the restart delay is over and the switches are closed; None where not looked at."""

    delay_over: bool | None = None
    pressure_closed: bool | None = None
    float_closed: bool | None = None


def control_trace(volts: Mapping[str, Measured], safeties: Safeties, has_board: bool, rules: HouseRules) -> Iterator[Finding]:
    """Judge each control voltage, and pin the one that is lost. volts: by point, V a.c.

    Source: [D]; under 5 V counts as dead, and 1 to 5 V at a thermostat as a broken wire [T].

    >>> from outer_test.measurement import measure
    >>> volts = {"control.r_c.v": measure("26.0"), "control.stat_r_c.v": measure("3.1")}
    >>> [found.verdict.value for found in control_trace(volts, Safeties(), True, HouseRules())]
    ['good', 'bad']
    """
    way = tuple(place for place in WAY if has_board or place.point not in ("control.y_out.v",))
    traced = trace(way, volts, DEAD_V)
    for place in way:
        reading = volts.get(place.point)
        if reading is None:
            continue
        rule = "coil-volts" if place.point == "contactor.coil.v" else "control-trace"
        if reading.number is None or abs(reading.number) >= DEAD_V:
            yield control_volts(place.point, rule, reading, rules)
        elif place is not traced.first_dead:
            yield unjudged(place.point, rule, f"{say(reading.number)} V: it is lost before this point.", shown=reading.value.text, unit="V")
        elif place.point == "control.y_out.v" and traced.last_live is not None and traced.last_live.point == "control.y_in.v":
            yield board_pass(reading, safeties)
        else:
            yield _lost(place, reading, traced.last_live)


def _lost(place: Place, reading: Measured, last_live: Place | None) -> Finding:
    shown = f"{say(reading.number or 0)} V at {place.name}"
    if place.point.startswith("control.stat") and BROKEN_WIRE_V <= abs(reading.number or Decimal(0)) < DEAD_V:
        return judged(
            place.point, "control-trace", Verdict.BAD, f"{shown}: one to five volts there is a broken wire.", reading, unit="V",
            next="Find the broken thermostat wire.",
        )  # fmt: skip
    if last_live is None:
        why = f"{shown}: nothing arrives. It is lost before it, in {place.before}."
        return judged(place.point, "control-trace", Verdict.BAD, why, reading, unit="V", next="Go back one point.")
    why = f"{shown}, alive at {last_live.name}: it is lost in between, in {place.before}."
    return judged(place.point, "control-trace", Verdict.BAD, why, reading, unit="V", next=f"Look at {place.before}.")


def board_pass(y_out: Measured, safeties: Safeties) -> Finding:
    """Y present and no Y out: the board is `bad` only with the delay run out and the safeties closed.

    y_out: V. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> board_pass(measure("0.2"), Safeties()).verdict.value
    'unsure'
    >>> board_pass(measure("0.2"), Safeties(True, True, True)).accuses
    'defrost board'
    """
    point, rule = "control.y_out.v", "board-pass"
    shown = f"{say(y_out.number or 0)} V out with Y present"
    if safeties.delay_over is False:
        return unjudged(
            point, rule, f"{shown}, but the restart delay still runs.", ("control.delay",), shown=y_out.value.text, unit="V",
            next="Wait the delay out, then measure again.",
        )  # fmt: skip
    for closed, what in ((safeties.pressure_closed, "a pressure switch"), (safeties.float_closed, "the float switch")):
        if closed is False:
            return judged(
                point, rule, Verdict.WATCH, f"{shown}, but {what} is open: the board does what it should.", y_out, unit="V",
                next=f"Find out why {what} is open.",
            )  # fmt: skip
    unknown = tuple(
        name for name, known in (("control.delay", safeties.delay_over), ("control.pressure", safeties.pressure_closed)) if known is None
    )
    if unknown:
        return judged(
            point, rule, Verdict.UNSURE, f"{shown}: the board, its restart delay, or an open switch.", y_out, unit="V", needs=unknown,
            next="Note whether the delay is over and the pressure switches are closed.",
        )  # fmt: skip
    return judged(
        point, rule, Verdict.BAD, f"{shown}, the delay over and the switches closed: the board does not pass it on.", y_out, unit="V",
        accuses="defrost board", next="Replace the board with its switch or both sensors.",
    )  # fmt: skip
