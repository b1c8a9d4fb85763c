"""Aux heat elements: the rules `element-amps` and `aux-circuit` (handbook sections 3 and 8)."""

from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Limits, Rule, Verdict, does_not_apply, judged, place, unjudged
from outer_test.measurement import Measured, exact, say
from outer_test.nameplate import Element, Plate

ELEMENT_AMPS = Rule("element-amps", "Aux heat elements", "common practice, no source", "T")
AUX_CIRCUIT = Rule("aux-circuit", "Aux heat circuit", "NFPA 70 (NEC) 424.4(B), 424.22(B), from memory", "P")

NOTHING_A = Decimal("0.5")
LOW, WATCH_LOW, WATCH_HIGH, HIGH = Decimal("0.80"), Decimal("0.90"), Decimal("1.10"), Decimal("1.15")
CONTINUOUS, MOST_ON_ONE_A, MOST_FUSE_A = Decimal("1.25"), Decimal(48), Decimal(60)


def expected_amps(element: Element, volts: Decimal | None = None) -> Decimal:
    """What an element draws, A: kW × 1000 ÷ V_rated × V ÷ V_rated. volts: as measured; rated where None.

    >>> expected_amps(Element(kw=4.8, volts=240)), expected_amps(Element(kw=4.8, volts=240), Decimal(228))
    (Decimal('20'), Decimal('19'))
    """
    rated = exact(element.volts)
    amps = exact(element.kw) * 1000 / rated * (1 if volts is None else volts / rated)
    return amps.normalize() + 0


def element_amps(
    reading: Measured,
    element: Element,
    volts: Measured | None = None,
    rules: HouseRules = DEFAULT,
    point: str = "amps.element1.a",
) -> Finding:
    """One element: within ±10 % of what it should draw `good`, 0.8 to 1.15 `watch`, beyond `bad`; volts not read `unjudged`.

    reading: A. volts: V a.c. at the heater. Nothing is an open element, limit or fuse, unless it is disconnected with a reason.
    Source: [T] for the cuts; [D] from its kW and volts.

    >>> from outer_test.measurement import measure
    >>> [element_amps(measure(text), Element(kw=4.8, volts=240), measure("240")).verdict.value for text in ("0.0", "20.1", "17", "13.3")]
    ['bad', 'good', 'watch', 'bad']
    """
    if reading.number is None:
        return judged(point, ELEMENT_AMPS, Verdict.UNSURE, "No number to judge.", reading, unit="A", next="Use a higher range.")
    draws = reading.number >= NOTHING_A
    if element.disconnected:
        why = f"Recorded as disconnected: {element.disconnected}."
        if draws:
            why = f"{say(reading.number)} A, and it is recorded as disconnected ({element.disconnected}): it draws all the same."
        return judged(point, ELEMENT_AMPS, Verdict.WATCH, why, reading, unit="A", next="Mend the record." if draws else "")
    if not draws:
        why = f"{say(reading.number)} A: open element, limit or fuse."
        return judged(point, ELEMENT_AMPS, Verdict.BAD, why, reading, unit="A", next="Power off; find which of the three is open.")
    at = volts.number if volts is not None and volts.number else None
    if at is None:
        why = f"{say(reading.number)} A; what it should draw hangs on the volts at the heater."
        return unjudged(point, ELEMENT_AMPS, why, ("aux.line.v",), shown=reading.value.text, unit="A")
    amps = expected_amps(element, at)
    cuts = Cuts(amps * LOW, amps * WATCH_LOW, amps * WATCH_HIGH, amps * HIGH)
    where = place(reading, cuts, rules, "A")
    about = f"{say(reading.number)} A; {say(element.kw)} kW draws {say(amps)} A at {say(at)} V. {where.why_unsure}".strip()
    low = "One of several elements is open, or another is on this wire." if where.side == "below" else "Check what is on this wire."
    step = where.remedy or ("" if where.verdict is Verdict.GOOD else low)
    return judged(
        point, ELEMENT_AMPS, where.verdict, about, reading, unit="A", nominal=float(amps), next=step, limits=cuts.limits(),
    )  # fmt: skip


def idle_amps(reading: Measured) -> Finding:
    """The heater's amps with no call for it: none `good`, any `bad`, its relay or sequencer keeps it on.

    reading: A. Source: [T].

    >>> from outer_test.measurement import measure
    >>> [idle_amps(measure(text)).verdict.value for text in ("0.0", "20.1")]
    ['good', 'bad']
    """
    point = "aux.idle.a"
    if reading.number is None:
        return judged(point, ELEMENT_AMPS, Verdict.UNSURE, "No number to judge.", reading, unit="A", next="Use a higher range.")
    if reading.number < NOTHING_A:
        return judged(point, ELEMENT_AMPS, Verdict.GOOD, "No amps with no call: off as it should be.", reading, unit="A")
    return judged(
        point, ELEMENT_AMPS, Verdict.BAD, f"{say(reading.number)} A with no call for aux heat: it stays on.", reading, unit="A",
        next="Take W off at the air handler: still on is its relay or sequencer, off is what calls for it.",
    )  # fmt: skip


def element_circuit(plate: Plate) -> Finding | None:
    """The heaters' fuse or breaker must carry 125 % of them and the blower on it; None where its size or an element is missing.

    Blower not recorded: `unjudged`. Over 48 A of elements, or over 60 A of fuse, on one circuit: `watch`.
    Source: [P: NEC 424.4(B), 424.22(B), from memory].

    >>> from outer_test.nameplate import AuxHeat
    >>> element_circuit(Plate(aux_heat=AuxHeat(elements=(Element(kw=9.6, volts=240),), protection_a=60, blower_fla=4))).verdict.value
    'good'
    """
    aux, point = plate.aux_heat, "plate.aux_heat"
    if aux.protection_a is None or not aux.elements:
        return None
    if plate.hz == 50:
        return does_not_apply(point, AUX_CIRCUIT, "At a 50 Hz site no NEC rule applies.")
    amps = sum((expected_amps(element) for element in aux.elements if not element.disconnected), Decimal(0))
    fuse = exact(aux.protection_a)
    if amps > MOST_ON_ONE_A or fuse > MOST_FUSE_A:
        why = f"{say(amps)} A of heaters on one {say(fuse)} A circuit: over 48 A they are subdivided, each on 60 A at most."
        return judged(
            point, AUX_CIRCUIT, Verdict.WATCH, why, unit="A", value=aux.protection_a, next="An electrician's work, to local code."
        )
    if aux.blower_fla is None:
        why = f"Heaters draw {say(amps)} A on a {say(fuse)} A circuit; whether the blower is on it too is not recorded."
        return unjudged(point, AUX_CIRCUIT, why, ("aux_heat.blower_fla",), unit="A", value=aux.protection_a)
    needed = (amps + exact(aux.blower_fla)) * CONTINUOUS
    sound = needed <= fuse
    why = f"Heaters and blower draw {say(amps + exact(aux.blower_fla))} A; 125 % is {say(needed)} A, on a {say(fuse)} A circuit."
    return judged(
        point, AUX_CIRCUIT, Verdict.GOOD if sound else Verdict.WATCH, why, unit="A", value=aux.protection_a,
        limits=Limits(watch_low=float(needed)),
        next="" if sound else "An electrician's work, to local code.",
    )  # fmt: skip
