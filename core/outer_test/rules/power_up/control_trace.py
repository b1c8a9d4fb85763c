"""Control voltage followed from transformer to coil: the rules `control-trace` and `board-pass` (handbook section 8)."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from decimal import Decimal

from outer_test.judgement import DEFAULT, Finding, HouseRules, Rule, Verdict, judged, unjudged
from outer_test.measurement import Measured, say
from outer_test.rules.contactor import COIL_VOLTS, USUAL_COIL_V, control_cuts, control_volts

CONTROL_TRACE = Rule("control-trace", "Where control voltage is lost", "common practice, no source", "T")
BOARD_PASS = Rule("board-pass", "Y through the board", "common practice, no source", "T")

DEAD_V, BROKEN_WIRE_V = Decimal(5), Decimal(1)
R_C, STAT_R_C, STAT_Y, Y_IN, Y_OUT, COIL = (
    "control.r_c.v", "control.stat_r_c.v", "control.stat_y.v", "control.y_in.v", "control.y_out.v", "contactor.coil.v",
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Place:
    """A point on the way, what it is called, and what lies just before it."""

    point: str
    name: str
    before: str


WAY = (
    Place(R_C, "the transformer, R to C", "the transformer and its supply"),
    Place(STAT_R_C, "the thermostat, R to C", "the control fuse and the thermostat wire"),
    Place(STAT_Y, "the thermostat's Y", "the thermostat: its lit display may run on batteries"),
    Place(Y_IN, "the board's Y", "the wire from indoors, a float switch or a pressure switch"),
    Place(Y_OUT, "the board's Y out", "the board: its restart delay, or the board itself"),
    Place(COIL, "the contactor's coil", "the wire to the coil and its joints, or a pressure switch"),
)


@dataclass(frozen=True, slots=True)
class Safeties:
    """What the board waits for: whether the restart delay is over and the switches are closed; None where not looked at."""

    delay_over: bool | None = None
    pressure_closed: bool | None = None
    float_closed: bool | None = None

    @property
    def seen_open(self) -> str:
        """The switch that was seen open, in words; empty where none was."""
        if self.float_closed is False:
            return "the float switch"
        return "a pressure switch" if self.pressure_closed is False else ""


def control_trace(
    volts: Mapping[str, Measured], safeties: Safeties, rules: HouseRules = DEFAULT, coil_v: float = USUAL_COIL_V
) -> Iterator[Finding]:
    """Judge each control voltage, and pin the one that is lost or let down. volts: by point, V a.c.

    Source: [D]; under 5 V counts as dead, and 1 to 5 V at a thermostat as a broken wire [T].

    >>> from outer_test.measurement import measure
    >>> volts = {"control.r_c.v": measure("26.0"), "control.stat_r_c.v": measure("3.1")}
    >>> [found.verdict.value for found in control_trace(volts, Safeties())]
    ['good', 'bad']
    """
    whole, least, lost = -1, control_cuts(coil_v).low or Decimal(0), False
    for index, place in enumerate(WAY):
        reading = volts.get(place.point)
        if reading is None:
            continue
        rule = COIL_VOLTS if place.point == COIL else CONTROL_TRACE
        if reading.number is None or abs(reading.number) >= least:
            yield control_volts(place.point, rule, reading, rules, coil_v)
            whole = whole if lost else index
        elif lost:
            why = f"{say(reading.number)} V: it is lost before this point."
            yield unjudged(place.point, rule, why, shown=reading.value.text, unit="V")
        else:
            lost = True
            yield _lost(index, reading, whole, safeties, volts, control_volts(place.point, rule, reading, rules, coil_v))


def _lost(index: int, reading: Measured, whole: int, safeties: Safeties, volts: Mapping[str, Measured], plain: Finding) -> Finding:
    place, number = WAY[index], abs(reading.number or Decimal(0))
    dead = number < DEAD_V
    shown = f"{say(number)} V at {place.name}"
    rule = COIL_VOLTS if place.point == COIL else CONTROL_TRACE
    if place.point == Y_OUT and whole >= 0 and WAY[whole].point == Y_IN and dead:
        return board_pass(reading, safeties)
    if whole < 0:
        if not dead:
            return plain
        why = f"{shown}: nothing arrives. It is lost before it, in {_between(0, index)}."
        return judged(place.point, rule, Verdict.BAD, why, reading, unit="V", next=_halving(-1, index, volts))
    since = f"{say(volts[WAY[whole].point].number or 0)} V at {WAY[whole].name}"
    switch = safeties.seen_open if index > 2 > whole - 1 or place.point in (Y_IN, COIL) else ""
    if switch and dead:
        why = f"{shown}, {since}: {switch}, seen open, is what takes it away."
        return judged(place.point, rule, Verdict.BAD, why, reading, unit="V", next=f"Find out why {switch} is open.")
    if place.point in (STAT_R_C, STAT_Y) and BROKEN_WIRE_V <= number < DEAD_V:
        why = f"{shown}, {since}: one to five volts there is a broken wire."
        return judged(place.point, rule, Verdict.BAD, why, reading, unit="V", next="Find the broken thermostat wire.")
    if place.point == Y_OUT and not dead:
        why = f"{shown}, {since}: the board's own contact between Y and Y out drops it."
        return judged(
            place.point, rule, Verdict.BAD, why, reading, unit="V", next="Read it again with the delay over and the switches closed."
        )
    why = f"{shown}, {since}: it is lost in between, in {_between(whole + 1, index)}."
    if place.point == COIL and not dead:
        why = f"{shown}, {since}: it drops in between, in a wire, a joint or a pressure switch's contacts."
    return replace(plain, verdict=Verdict.BAD, why=why, next=_halving(whole, index, volts))


def _between(start: int, index: int) -> str:
    return "; ".join(place.before for place in WAY[start : index + 1])


def _halving(whole: int, index: int, volts: Mapping[str, Measured]) -> str:
    """The reading that halves what lies in between; the place to look where nothing is left to read."""
    unread = [place for place in WAY[whole + 1 : index] if place.point not in volts]
    if unread:
        return f"Read {unread[len(unread) // 2].name} next: that halves it."
    return f"Look at {WAY[index].before}."


def board_pass(y_out: Measured, safeties: Safeties) -> Finding:
    """Y present and no Y out: the board is `bad` only with the delay run out and the safeties closed.

    y_out: V. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [board_pass(measure("0.2"), one).verdict.value for one in (Safeties(), Safeties(True, True, True))]
    ['unsure', 'bad']
    """
    shown = f"{say(y_out.number or 0)} V out with Y present"
    if safeties.delay_over is False:
        return unjudged(
            Y_OUT, BOARD_PASS, f"{shown}, but the restart delay still runs.", ("control.delay",), shown=y_out.value.text, unit="V",
            next="Wait the delay out, then measure again.",
        )  # fmt: skip
    if safeties.seen_open:
        return judged(
            Y_OUT, BOARD_PASS, Verdict.WATCH, f"{shown}, but {safeties.seen_open} is open: the board does what it should.", y_out, unit="V",
            next=f"Find out why {safeties.seen_open} is open.",
        )  # fmt: skip
    unknown = tuple(
        name for name, known in (("control.delay", safeties.delay_over), ("control.pressure", safeties.pressure_closed)) if known is None
    )
    if unknown:
        return judged(
            Y_OUT, BOARD_PASS, Verdict.UNSURE, f"{shown}: the board, its restart delay, or an open switch.", y_out, unit="V", needs=unknown,
            next="Note whether the delay is over and the pressure switches are closed.",
        )  # fmt: skip
    return judged(
        Y_OUT, BOARD_PASS, Verdict.BAD, f"{shown}, the delay over and the switches closed: the board does not pass it on.", y_out, unit="V",
        next="Read its lights and R to C at the board; then the board, ordered as the house rule says.",
    )  # fmt: skip
