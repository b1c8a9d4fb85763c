"""Parts that only have to be through: the rule `through` (crankcase heater, a potential relay's coil and contact)."""

from outer_test.judgement import Finding, Rule, Verdict, judged
from outer_test.measurement import Measured, numeric, say
from outer_test.rules.power_up.fuse import MOST_OHM

THROUGH = Rule("through", "Heater, relay coil and relay contact", "common practice, no source", "T")

_CONTACT = "relay.contact.ohm"
_OPEN = {
    "heater.ohm": ("The crankcase heater is open: the compressor starts cold, on liquid.", "Replace the heater."),
    "relay.coil.ohm": (
        "The relay's coil is open: its contact stays closed, and the start capacitor stays in.",
        "Replace the relay; look at the start capacitor too.",
    ),
    _CONTACT: ("The contact is open at rest: the start capacitor never comes in.", "Replace the relay."),
}

READ_THROUGH = tuple(_OPEN)


def through(point: str, reading: Measured) -> Finding:
    """A heater or a relay's coil with its leads off: OL or over 100 kΩ `bad`, ohms `good`; what they should be is the maker's.

    point: what was read. reading: Ω, OL or a beep. The contact is closed at rest: to 1 Ω or a beep `good`, over it `watch`.
    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [through("relay.contact.ohm", measure(text)).verdict.value for text in ("0.2", "closed", "8.0", "OL")]
    ['good', 'good', 'watch', 'bad']
    """

    def found(verdict: Verdict, why: str, step: str = "") -> Finding:
        return judged(point, THROUGH, verdict, why, reading, unit="Ω", next=step)

    is_contact, beeped = point == _CONTACT, reading.value.kind in ("open", "closed")
    if beeped and not is_contact:
        return found(Verdict.UNSURE, "A beep says nothing of a coil or a heater.", "Measure ohms.")
    if reading.is_open or reading.value.kind == "open":
        return found(Verdict.BAD, *_OPEN[point])
    if beeped:
        return found(Verdict.GOOD, "It beeps: the contact is closed at rest.")
    shown = f"{say(numeric(reading))} Ω"
    if is_contact and numeric(reading) > MOST_OHM:
        return found(Verdict.WATCH, f"{shown}: a closed contact reads 1 Ω or less.", "Its contact is burnt: replace the relay.")
    return found(Verdict.GOOD, f"{shown}: through.")
