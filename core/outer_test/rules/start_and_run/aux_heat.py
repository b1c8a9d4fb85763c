"""Aux heat elements: the rule `element-amps` (handbook section 8)."""

from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place
from outer_test.measurement import Measured, exact, say
from outer_test.nameplate import AuxHeat, Element

NOTHING_A = Decimal("0.5")


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
    """One element: within ±10 % of what it should draw `good`; nothing `bad`, unless it is disconnected with a reason.

    reading: A. volts: V a.c. at the heater. Source: [T] for ±10 %; [D] from its kW and volts.

    >>> from outer_test.measurement import measure
    >>> element_amps(measure("0.0"), Element(kw=4.8, volts=240)).verdict.value
    'bad'
    """
    rule = "element-amps"
    if reading.number is None:
        return judged(point, rule, Verdict.UNSURE, "No number to judge.", reading, unit="A", next="Use a higher range.")
    if element.disconnected:
        return judged(point, rule, Verdict.WATCH, f"Recorded as disconnected: {element.disconnected}.", reading, unit="A")
    at = volts.number if volts is not None and volts.number else None
    amps = expected_amps(element, at)
    cuts = Cuts(watch_low=amps * Decimal("0.9"), watch_high=amps * Decimal("1.1"))
    seen = f"at {say(at)} V" if at is not None else "at its rated volts, as none were read"
    about = f"{say(reading.number)} A; {say(element.kw)} kW draws {say(amps)} A {seen}."
    if reading.number < NOTHING_A:
        return judged(
            point, rule, Verdict.BAD, f"{about} Open element, limit or fuse.", reading, unit="A", nominal=float(amps),
            next="Power off; find which of the three is open.", **cuts.limits(),
        )  # fmt: skip
    where = place(reading, cuts, rules, "A")
    step = "" if where.verdict is Verdict.GOOD else "Read the volts at the heater; check what is on this wire."
    return judged(point, rule, where.verdict, about, reading, unit="A", nominal=float(amps), next=step, **cuts.limits())


def element_circuit(aux: AuxHeat) -> Finding | None:
    """The heaters' fuse or breaker must carry 125 % of them; None where its size or an element is not recorded.

    Source: [P: NEC 424.3(B), now 424.4, continuous load 125 %, from memory].

    >>> element_circuit(AuxHeat(elements=(Element(kw=9.6, volts=240),), protection_a=50)).verdict.value
    'good'
    """
    if aux.protection_a is None or not aux.elements:
        return None
    amps = sum((expected_amps(one) for one in aux.elements if not one.disconnected), Decimal(0))
    needed = amps * Decimal("1.25")
    sound = needed <= exact(aux.protection_a)
    why = f"Heaters draw {say(amps)} A; 125 % is {say(needed)} A, on a {say(aux.protection_a)} A circuit."
    return judged(
        "plate.aux_heat", "element-amps", Verdict.GOOD if sound else Verdict.BAD, why, unit="A", value=aux.protection_a, low=float(needed),
        next="" if sound else "An electrician's work, to local code.",
    )  # fmt: skip
