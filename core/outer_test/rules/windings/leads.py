"""Compressor leads from plug to panel: the rule `lead-through` (handbook section 7)."""

from decimal import Decimal

from outer_test.judgement import Finding, Limits, Rule, Verdict, judged
from outer_test.measurement import Measured, by_one_meter, numeric, say

LEAD_THROUGH = Rule("lead-through", "Compressor leads", "common practice, no source", "T")

MOST_OHM, SURE_OHM = Decimal("0.5"), Decimal(1)
_LIMITS = Limits(high=float(MOST_OHM))

LEADS = ("lead.c.ohm", "lead.r.ohm", "lead.s.ohm")


def lead_through(reading: Measured, test_leads: Measured | None = None, point: str = "lead.c.ohm") -> Finding:
    """One compressor lead end to end. The meter's own leads only add: shown to 0.5 Ω `good`, over 1 Ω `bad`; between, less the
    test leads, to 0.5 Ω `good`, over `bad`, and `unsure` where they were not read. Open is the wire, not the compressor.

    reading: Ω, OL or a beep, which never tells how good a lead is. test_leads: Ω, touched together.
    Source: [T] common practice, no source; at 14 A even 1 Ω is 200 W [D].

    >>> from outer_test.measurement import measure
    >>> [lead_through(measure(text)).verdict.value for text in ("0.1", "0.8", "4.5", "OL", "closed")]
    ['good', 'unsure', 'bad', 'bad', 'unsure']
    """
    kind = reading.value.kind
    if kind == "closed":
        return judged(
            point, LEAD_THROUGH, Verdict.UNSURE, "A beep shows continuity only; a lead is good to 0.5 Ω.", reading, unit="Ω",
            limits=_LIMITS,
            next="Measure its ohms, meter leads nulled.",
        )  # fmt: skip
    if reading.is_open or kind == "open":
        return judged(
            point, LEAD_THROUGH, Verdict.BAD, "Open: the wire or its plug, not the compressor.", reading, unit="Ω", limits=_LIMITS,
            next="Mend or replace the lead, dead.",
        )  # fmt: skip
    ohm = numeric(reading)
    if ohm <= MOST_OHM or ohm > SURE_OHM:
        return _by(ohm, f"{say(ohm)} Ω", reading, point)
    if test_leads is None or test_leads.number is None:
        return judged(
            point, LEAD_THROUGH, Verdict.UNSURE, f"{say(ohm)} Ω, of which the meter's own leads are a part.", reading, unit="Ω",
            limits=_LIMITS, needs=("winding.leads.ohm",), next="Touch the meter's leads together and enter what they read.",
        )  # fmt: skip
    own = numeric(by_one_meter([reading], [test_leads]))
    return _by(own, f"{say(ohm)} Ω less {say(test_leads.number)} Ω of test leads is {say(own)} Ω", reading, point)


def _by(ohm: Decimal, shown: str, reading: Measured, point: str) -> Finding:
    sound = ohm <= MOST_OHM
    why = f"{shown}; a sound lead reads 0.5 Ω or less."
    step = "" if sound else "Look at the plug and the crimp, dead; mend or replace the lead."
    return judged(point, LEAD_THROUGH, Verdict.GOOD if sound else Verdict.BAD, why, reading, unit="Ω", limits=_LIMITS, next=step)
