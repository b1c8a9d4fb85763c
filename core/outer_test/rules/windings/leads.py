"""Compressor leads from plug to panel: the rule `lead-through` (handbook section 7)."""

from decimal import Decimal

from outer_test.judgement import Finding, Verdict, judged
from outer_test.measurement import Measured, say

MOST_OHM = Decimal("0.5")


def lead_through(reading: Measured, point: str = "lead.c.ohm") -> Finding:
    """One compressor lead end to end: to 0.5 Ω or a beep `good`; open `bad`, and it is the wire; between `watch`.

    reading: Ω, OL or a beep. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> lead_through(measure("OL")).accuses
    'compressor lead'
    """
    rule, kind = "lead-through", reading.value.kind
    if kind in ("OL", "open"):
        return judged(
            point, rule, Verdict.BAD, "Open: the wire or its plug, not the compressor.", reading, unit="Ω", watch_high=float(MOST_OHM),
            accuses="compressor lead", next="Mend or replace the lead.",
        )  # fmt: skip
    if kind == "closed":
        return judged(point, rule, Verdict.GOOD, "It beeps: through, 2 Ω or less.", reading, unit="Ω", watch_high=float(MOST_OHM))
    sound = (reading.number or Decimal(0)) <= MOST_OHM
    why = f"{say(reading.number or 0)} Ω; a sound lead reads 0.5 Ω or less."
    step = "" if sound else "Null the meter's leads; then look at the plug and the crimp."
    return judged(point, rule, Verdict.GOOD if sound else Verdict.WATCH, why, reading, unit="Ω", watch_high=float(MOST_OHM), next=step)
