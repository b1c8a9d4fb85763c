"""The coil switch, one lead off: the rule `switch-state` (handbook section 9)."""

from collections.abc import Callable
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, Rule, Verdict, judged, unjudged
from outer_test.measurement import Measured, exact, numeric, say

SWITCH_STATE = Rule("switch-state", "Coil switch", "common practice, ±5 °F, no source", "T")

CLOSED_OHM = Decimal(2)
MARGIN_F = Decimal(5)
ICE_F, TOO_WARM_FOR_ICE_F, SURE_UNDER_ICE_F, COLD_ENOUGH_F = Decimal(32), Decimal(37), 37, 25
_POINT = "defrost.switch.ohm"


@dataclass(frozen=True, slots=True)
class AtSwitch:
    """What is known beside the switch: temperature there in °F, ice right at it, the unit heating in the last ten minutes, the air
    outdoors in °F, and whether it sits in the air stream by design.
    """

    coil_f: Measured | None = None
    ice: bool | None = None
    just_ran: bool | None = None
    outdoor_f: float | None = None
    in_air: bool = False


def is_closed(reading: Measured) -> bool | None:
    """Whether the switch is closed; None where the ohms say neither.

    >>> from outer_test.measurement import measure
    >>> is_closed(measure("0.3")), is_closed(measure("OL")), is_closed(measure("180"))
    (True, False, None)
    """
    if reading.is_open or reading.value.kind == "open":
        return False
    if reading.value.kind == "closed":
        return True
    return True if numeric(reading) <= CLOSED_OHM else None


def switch_state(reading: Measured, closes_f: float | None, opens_f: float | None, at: AtSwitch) -> Finding:
    """Judge the switch by what it does at this temperature; between its two set points it keeps its last state, so `unsure`.

    reading: Ω, OL or a beep. closes_f, opens_f: °F, as a person confirmed them. Source: [T] common practice, ±5 °F.

    >>> from outer_test.measurement import measure
    >>> at = AtSwitch(measure("64"))
    >>> [switch_state(measure(word), 30, 55, at).verdict.value for word in ("closed", "OL")]
    ['bad', 'good']
    """

    def found(verdict: Verdict, why: str, step: str = "", needs: tuple[str, ...] = ()) -> Finding:
        return judged(_POINT, SWITCH_STATE, verdict, why, reading, unit="Ω", next=step, needs=needs)

    closed = is_closed(reading)
    if closed is None:
        why = "Neither closed nor open: a dirty contact, or the board is still across it."
        return found(Verdict.UNSURE, why, "Take one lead off and measure again.")
    if closes_f is None or opens_f is None:
        needs = ("defrost.closes_f", "defrost.opens_f")
        why = "Needs the temperatures it closes and opens at, confirmed from its mark."
        return unjudged(_POINT, SWITCH_STATE, why, needs, shown=reading.value.text, unit="Ω")
    measured_f = None if at.coil_f is None else at.coil_f.number
    if at.ice and not at.in_air:
        if measured_f is not None and measured_f > TOO_WARM_FOR_ICE_F:
            why = f"Ice right at it, and a thermometer there says {say(measured_f)} °F: one of the two is wrong."
            return found(Verdict.UNSURE, why, "Measure again right at the switch.")
        if closed:
            return found(Verdict.GOOD, "Closed with ice right at it, as it should be. Go on to the board.")
        if measured_f is None:
            return _open_under_ice(found, closes_f, at)
    if measured_f is None:
        what = "the air's" if at.in_air else "the coil's"
        beside = ("defrost.ambient.f",) if at.in_air else ("defrost.coil.f",)
        return unjudged(_POINT, SWITCH_STATE, f"Needs {what} temperature at the switch.", beside, shown=reading.value.text, unit="Ω")
    t, closes, opens = measured_f, exact(closes_f), exact(opens_f)
    about = f"{'Closed' if closed else 'Open'} at {say(t)} °F; it closes at {say(closes)} and opens at {say(opens)} °F."
    right = t <= closes if closed else t >= opens
    stuck = t >= opens + MARGIN_F if closed else t <= closes - MARGIN_F
    if right:
        return found(Verdict.GOOD, about)
    if stuck:
        how = "closed" if closed else "open"
        return found(Verdict.BAD, f"{about} Stuck {how}.", "Warm or chill it once more, lead off, before a new one goes in.")
    step = "Warm it in your hand past its opening." if closed else "Chill it: ice in a bag on the switch, lead off."
    return found(Verdict.UNSURE, f"{about} Between its set points it keeps its last state.", step)


def _open_under_ice(found: Callable[[Verdict, str, str, tuple[str, ...]], Finding], closes_f: float, at: AtSwitch) -> Finding:
    froze_now = at.just_ran is True and at.outdoor_f is not None and at.outdoor_f < ICE_F
    if closes_f >= SURE_UNDER_ICE_F or (closes_f >= COLD_ENOUGH_F and froze_now):
        return found(Verdict.BAD, "Open with ice right at it: stuck open.", "Chill it once more, lead off, before a new one goes in.", ())
    why = f"Open with ice at it, but it closes at {say(closes_f)} °F and ice can be warmer."
    return found(Verdict.UNSURE, why, "Measure the coil at the switch, or chill the switch.", ("defrost.coil.f",))
