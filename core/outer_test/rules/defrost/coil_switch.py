"""The coil switch, one lead off: the rule `switch-state` (handbook section 9)."""

from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, Verdict, judged, unjudged
from outer_test.measurement import Measured, exact, say

CLOSED_OHM = Decimal(2)
MARGIN_F = Decimal(5)


@dataclass(frozen=True, slots=True)
class AtSwitch:
    """What is known beside the switch: coil temperature there in °F, ice right at it, the unit run in the last ten minutes."""

    coil_f: Measured | None = None
    ice: bool | None = None
    just_ran: bool | None = None


def is_closed(reading: Measured) -> bool | None:
    """Whether the switch is closed; None where the ohms say neither.

    >>> from outer_test.measurement import measure
    >>> is_closed(measure("0.3")), is_closed(measure("OL")), is_closed(measure("180"))
    (True, False, None)
    """
    if reading.value.kind in ("OL", "open"):
        return False
    if reading.value.kind == "closed":
        return True
    return True if (reading.number or Decimal(0)) <= CLOSED_OHM else None


def switch_state(reading: Measured, closes_f: float | None, opens_f: float | None, at: AtSwitch) -> Finding:
    """Judge the switch by what it does at this coil temperature; between its two temperatures it remembers, so `unsure`.

    reading: Ω, OL or a beep. closes_f, opens_f: °F, as a person confirmed them. Source: [T] common practice, ±5 °F.

    >>> from outer_test.measurement import measure
    >>> at = AtSwitch(measure("64"))
    >>> [switch_state(measure(word), 30, 55, at).verdict.value for word in ("closed", "OL")]
    ['bad', 'good']
    """
    point, rule = "defrost.switch.ohm", "switch-state"
    closed = is_closed(reading)
    if closed is None:
        return judged(
            point, rule, Verdict.UNSURE, "Neither closed nor open: a dirty contact, or the board is still across it.", reading, unit="Ω",
            next="Take one lead off and measure again.",
        )  # fmt: skip
    if closes_f is None or opens_f is None:
        return unjudged(
            point, rule, "Needs the temperatures it closes and opens at, confirmed from its mark.", ("defrost.closes_f", "defrost.opens_f"),
            shown=reading.value.text, unit="Ω",
        )  # fmt: skip
    if not closed and at.ice:
        return _open_under_ice(reading, closes_f, at)
    if at.coil_f is None or at.coil_f.number is None:
        return unjudged(
            point, rule, "Needs the coil's temperature at the switch.", ("defrost.coil.f",), shown=reading.value.text, unit="Ω"
        )  # fmt: skip
    t, closes, opens = at.coil_f.number, exact(closes_f), exact(opens_f)
    about = f"{'Closed' if closed else 'Open'} at {say(t)} °F; it closes at {say(closes)} and opens at {say(opens)} °F."
    right = t <= closes if closed else t >= opens
    stuck = t >= opens + MARGIN_F if closed else t <= closes - MARGIN_F
    if right:
        return judged(point, rule, Verdict.GOOD, about, reading, unit="Ω")
    if stuck:
        how = "closed" if closed else "open"
        return judged(
            point, rule, Verdict.BAD, f"{about} Stuck {how}.", reading, unit="Ω", accuses="coil switch", next="Replace the coil switch."
        )  # fmt: skip
    step = "Warm it in your hand past its opening." if closed else "Chill it: ice in a bag on the switch, lead off."
    return judged(point, rule, Verdict.UNSURE, f"{about} In between it remembers.", reading, unit="Ω", next=step)


def _open_under_ice(reading: Measured, closes_f: float, at: AtSwitch) -> Finding:
    point, rule = "defrost.switch.ohm", "switch-state"
    if closes_f >= 32 or at.just_ran:
        why = (
            "Open with ice right at it: stuck open." if closes_f >= 32 else "Open with ice right at it, and the unit just ran: stuck open."
        )
        return judged(point, rule, Verdict.BAD, why, reading, unit="Ω", accuses="coil switch", next="Replace the coil switch.")
    return judged(
        point, rule, Verdict.UNSURE, f"Open with ice at it, but it closes at {say(closes_f)} °F and ice can be warmer.", reading, unit="Ω",
        needs=("defrost.coil.f",), next="Measure the coil at the switch, or chill the switch.",
    )  # fmt: skip
